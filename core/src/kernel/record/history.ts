import type { Entry, EntryOf } from './entry';
import type { EntryKind } from './bodies';

/** An entry with the moment at which it was written, in milliseconds since 1970. */
interface Timed {
  readonly entry: Entry;
  readonly instant: number;
}

/** The earlier of two first; where two clocks agree, ids decide: the same order whichever of them came first. */
const byTime = (a: Timed, b: Timed): number =>
  a.instant - b.instant || (a.entry.id < b.entry.id ? -1 : a.entry.id > b.entry.id ? 1 : 0);

/**
 * Day of an entry at the site, as its own clock had it: `2026-12-01`.
 *
 * @example dayOfEntry({ at: '2026-12-01T23:30:00-05:00' }) // '2026-12-01'
 */
export const dayOfEntry = ({ at }: Pick<Entry, 'at'>): string => at.slice(0, 10);

/** What is known of an entry besides what it says. */
export interface Standing<One extends Entry = Entry> {
  readonly entry: One;
  /** Entries that this one took the place of, the oldest first. */
  readonly before: readonly Entry[];
}

/** The first entry of a row of corrections, by the id of any of them. A row that runs in a circle ends where it is entered again. */
function rootsOf(entries: ReadonlyMap<string, Entry>): (entry: Entry) => string {
  const known = new Map<string, string>();
  return (entry) => {
    const way: string[] = [];
    let id = entry.id;
    for (;;) {
      const root = known.get(id);
      if (root !== undefined) {
        id = root;
        break;
      }
      if (way.includes(id)) {
        // A circle has no first entry: the least id of it stands for one, wherever it was entered.
        id = way.slice(way.indexOf(id)).reduce((least, each) => (each < least ? each : least));
        break;
      }
      way.push(id);
      const next = entries.get(id)?.corrects;
      if (next === undefined) break;
      id = next;
    }
    for (const each of way) known.set(each, id);
    return id;
  };
}

/**
 * The entries as they stand, the earliest first: of every entry and its corrections the one that was written last, none where that
 * takes it back. The order in which entries arrive makes no difference, and one that came twice is one.
 *
 * @example standingEntries([]) // []
 */
export function standingEntries(entries: readonly Entry[]): readonly Standing[] {
  const all = new Map(entries.map((entry) => [entry.id, entry]));
  const rootOf = rootsOf(all);
  const rows = new Map<string, Timed[]>();
  const sorted = [...all.values()]
    .map((entry): Timed => ({ entry, instant: Date.parse(entry.at) }))
    .sort(byTime);
  for (const timed of sorted) {
    const root = rootOf(timed.entry);
    const row = rows.get(root);
    if (row) row.push(timed);
    else rows.set(root, [timed]);
  }
  // A correction tells of the time of what it corrects, as far as that has arrived.
  const firstOf = ([root, row]: readonly [string, readonly Timed[]]): Timed =>
    row.find(({ entry }) => entry.id === root) ?? (row[0] as Timed);
  const inOrder = [...rows]
    .map((each) => ({ first: firstOf(each), row: each[1] }))
    .sort((a, b) => byTime(a.first, b.first));
  return inOrder.flatMap(({ row }): Standing[] => {
    // Whatever its clock says, a correction comes after what it corrects.
    const corrected = new Set(row.flatMap(({ entry }) => entry.corrects ?? []));
    const last = row.findLast(({ entry }) => !corrected.has(entry.id)) ?? row.at(-1);
    return last === undefined || last.entry.kind === 'withdrawn'
      ? []
      : [{ entry: last.entry, before: row.filter((each) => each !== last).map(({ entry }) => entry) }];
  });
}

/** Those of one kind. */
export const ofKind = <Kind extends EntryKind>(
  standing: readonly Standing[],
  kind: Kind,
): readonly EntryOf<Kind>[] =>
  standing.flatMap(({ entry }) => (entry.kind === kind ? [entry as EntryOf<Kind>] : []));
