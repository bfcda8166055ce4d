import type { LaidRowRecord } from './bodies';
import type { Entry } from './entry';
import { type Standing, ofKind, standingEntries } from './history';

/** A wall in a course as it stands on site. */
export interface LaidRow extends LaidRowRecord {
  /** The entry that tells of it, and the day. */
  readonly entry: string;
  readonly day: string;
}

/** A wall in a course, pulled with the tape. */
export interface PulledLength {
  readonly wall: string;
  readonly course: number;
  readonly length: string;
}

/** Work on an item of the days. */
export interface WorkDone {
  readonly day: string;
  readonly item: string;
  readonly name: string;
  /** How much of the item it is, as far as that still stands. */
  readonly share: number;
  /** What it took; null where nobody counted. */
  readonly manMinutes: number | null;
  readonly planned: number;
  /** Hold points that were not signed when it went on. */
  readonly anyway: readonly string[];
  readonly who: string;
}

/** A hold point as it was signed. */
export interface Signature {
  readonly point: string;
  readonly lines: readonly string[];
  readonly by: string;
  readonly at: string;
  readonly word: string;
}

/** A line of a hold point as it was ticked. */
export interface Tick {
  readonly point: string;
  readonly line: string;
  readonly what: string;
  readonly done: boolean;
}

/** What stands on site, as far as the courses go by it. */
export interface Laid {
  readonly rows: readonly LaidRow[];
  readonly pulled: readonly PulledLength[];
}

/** What the log says of a job, as far as its days go by it. */
export interface SiteRecord {
  readonly work: readonly WorkDone[];
  /** Pours that are recorded. */
  readonly poured: readonly string[];
  readonly signed: readonly Signature[];
  readonly ticks: readonly Tick[];
  /** The last day of which the log knows; null while it is empty. */
  readonly until: string | null;
}

declare module '../plan/plan' {
  interface Plan {
    /** What stands on site, from the log. It is put beside a plan to be worked, and never stored in it. */
    readonly laid?: Laid;
    readonly record?: SiteRecord;
  }
}

/** The last of each, by a key; in the order of the first. */
function lastOf<Each>(list: readonly Each[], keyOf: (each: Each) => string): readonly Each[] {
  return [...new Map(list.map((each) => [keyOf(each), each])).values()];
}

const rowKey = ({ course, wall }: { readonly course: number; readonly wall: string }): string =>
  `${String(course)}:${wall}`;

/** Rows as they stand: laid, taken down, laid again. */
function laidRows(standing: readonly Standing[]): readonly LaidRow[] {
  const rows = new Map<string, LaidRow>();
  for (const { entry } of standing) {
    if (entry.kind === 'work') {
      for (const row of entry.body.rows ?? [])
        rows.set(rowKey(row), { ...row, entry: entry.id, day: entry.body.day });
    } else if (entry.kind === 'relaid') {
      for (const row of entry.body.rows) rows.delete(rowKey(row));
    }
  }
  return [...rows.values()].sort(
    (a, b) => a.course - b.course || (a.wall < b.wall ? -1 : a.wall > b.wall ? 1 : 0),
  );
}

/** Face of a row, in square nanometres. */
const faceOf = ({ stands }: LaidRowRecord): number =>
  stands.reduce((sum, { from, to, bottom, top }) => sum + (to - from) * (top - bottom), 0);

/** How much of the rows of an entry still stands as that entry laid it, by their face; all of it where it laid none. */
function stillStanding(entry: string, laid: readonly LaidRowRecord[], rows: readonly LaidRow[]): number {
  const all = laid.reduce((sum, row) => sum + faceOf(row), 0);
  if (all === 0) return 1;
  return rows.reduce((sum, row) => sum + (row.entry === entry ? faceOf(row) : 0), 0) / all;
}

/**
 * What of a log the plan goes by. Made of the entries in any order, with the same outcome.
 *
 * @example recordOf([]).laid.rows // []
 */
export function recordOf(entries: readonly Entry[]): {
  readonly laid: Laid;
  readonly record: SiteRecord;
} {
  const standing = standingEntries(entries);
  const rows = laidRows(standing);
  const work = ofKind(standing, 'work').map(({ id, body, who }): WorkDone => ({
    day: body.day,
    item: body.item,
    name: body.name,
    share: body.share * stillStanding(id, body.rows ?? [], rows),
    manMinutes: body.manMinutes,
    planned: body.planned,
    anyway: body.anyway ?? [],
    who,
  }));
  const days = standing.flatMap(({ entry }) => ('day' in entry.body ? [entry.body.day] : []));
  return {
    laid: {
      rows,
      pulled: lastOf(
        ofKind(standing, 'pulled').map(({ body }) => body),
        rowKey,
      ),
    },
    record: {
      work,
      poured: [...new Set(ofKind(standing, 'pour').map(({ body }) => body.pour))],
      signed: lastOf(
        ofKind(standing, 'hold').map(({ body, at }): Signature => ({
          point: body.point,
          lines: body.lines,
          by: body.by,
          at,
          word: body.word,
        })),
        ({ point }) => point,
      ),
      ticks: lastOf(
        ofKind(standing, 'tick').map(({ body }) => body),
        ({ point, line }) => `${point}|${line}`,
      ),
      until: days.reduce<string | null>((last, day) => (last === null || day > last ? day : last), null),
    },
  };
}
