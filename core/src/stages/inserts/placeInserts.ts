import { type Judged, allOf } from '../../kernel/judged';
import type { Insert, InsertKind } from './plan';
import { withoutKey } from '../../kernel/plan/copies';
import {
  type Length,
  add,
  inches,
  nanometres,
  NANOMETRES_PER_METRE,
  readLength,
  storeLength,
  subtract,
  ZERO,
  max,
  min,
} from '../../kernel/measure';
import { MOST_FIXINGS } from '../limits';
import { type Rect, fromStart, spansUnder } from '../openings';
import type { Plan } from '../../kernel/plan';
import type { HouseRules, LengthRuleId } from '../../kernel/rules';
import type { Worked } from '../../kernel/engine/stage';
import type { Courses } from '../courses';
import { type BuiltLoop, type Levels, type Wall, alongFace } from '../outline';
import { type HangerLayout, hangerLayout } from './hangers';
import { type LedgerLayout, ledgerLayout } from './ledger';
import type { InsertProblem } from './problem';
import { type Stretch, faceEnds, faceOf, isRun, runAlong } from './run';

/** One anchor, plate or the like along a run, from its wall's first corner. */
export interface Fixing {
  readonly at: Length;
  readonly up: Length;
}

/** An insert on its wall. */
export interface PlacedInsert {
  readonly id: string;
  readonly name: string;
  readonly kind: InsertKind;
  readonly wall: string;
  readonly wallName: string;
  /** What it takes up on the wall's face. */
  readonly rect: Rect;
  /** Goes through the wall, and is round. */
  readonly round: boolean;
  readonly face: 'inside' | 'outside';
  /** How far it reaches into the core, or stands out. */
  readonly depth: Length;
  /** Over the wall's thickness; null where it lies level. */
  readonly fall: Length | null;
  readonly cast: boolean;
  /** Anchors or plates, one by one. */
  readonly fixings: readonly Fixing[];
  /** Concrete that it keeps out, in cubic metres; negative where it adds some. */
  readonly displaces: number;
  /** How a ledger is laid out; none for other kinds. */
  readonly ledger?: LedgerLayout;
  /** What is in the way of a row of hanger plates; none for other kinds. */
  readonly hangers?: HangerLayout;
}

export interface Inserts {
  readonly placed: readonly PlacedInsert[];
  readonly problems: readonly InsertProblem[];
}

/** What `placeInserts` reads of a plan besides its shell and levels. */
type InsertsInput = Pick<Plan, 'units' | 'inserts'>;

const KIND_NAMES: Readonly<Record<InsertKind, string>> = {
  sleeve: 'Sleeve',
  conduit: 'Conduit',
  pocket: 'Beam pocket',
  ledger: 'Ledger',
  hangers: 'Hanger plates',
  'brick-ledge': 'Brick ledge',
  'hold-down': 'Hold-down',
};

export const insertKindName = (kind: InsertKind): string => KIND_NAMES[kind];

/** Names of all inserts as shown: their own, or their kind with a number, in the order of the plan. */
export function insertNames(inserts: readonly Insert[]): ReadonlyMap<string, string> {
  const counts = new Map<InsertKind, number>();
  return new Map(
    inserts.map((insert) => {
      const count = (counts.get(insert.kind) ?? 0) + 1;
      counts.set(insert.kind, count);
      return [insert.id, insert.name?.trim() || `${KIND_NAMES[insert.kind]} ${String(count)}`];
    }),
  );
}

const CUBIC_NANOMETRES = NANOMETRES_PER_METRE ** 3;

/** Plates and hold-downs are drawn so wide and high unless set. [ours] */
const PLATE = { width: inches(4), height: inches(8) } as const;

/** A copy of an insert so much further from the corner that it is measured from. */
export function copiedInsert(insert: Insert, by: Length, units: Plan['units']): Omit<Insert, 'id'> {
  const at = readLength(insert.at, units);
  return {
    ...withoutKey(insert, 'id'),
    ...(at.ok ? { at: storeLength(add(at.length, by), units) } : {}),
  };
}

type Read = (field: keyof Insert, text: string) => Length | null;

/** Whether so many anchors or plates can still be laid out. */
type Room = (fixings: number) => boolean;

/** Whether a stretch reaches past an end of its face, or begins past it. Tells the problem. */
type PastEnd = (stretch: Stretch) => boolean;

/** A length of an insert: the plan's own, or that of the house rule; null where it cannot be read. */
const lengthOf = (
  insert: Insert,
  field: 'size' | 'height' | 'depth' | 'spacing',
  fallback: Length,
  read: Read,
): Length | null => {
  const text = insert[field];
  return text === undefined ? fallback : read(field, text);
};

interface Extent {
  readonly rect: Rect;
  readonly fixings: readonly Fixing[];
  readonly depth: Length;
  readonly displaces: number;
  readonly ledger?: LedgerLayout;
  readonly hangers?: HangerLayout;
}

/** What `extentOf` goes by. */
interface ExtentOfInput {
  readonly insert: Insert;
  readonly wall: Wall;
  /** What of the wall there is on the insert's face. */
  readonly ends: Stretch;
  readonly at: Length;
  readonly up: Length;
  readonly read: Read;
  readonly rules: HouseRules;
  readonly courseHeight: Length;
  readonly courses: Pick<Courses, 'pieces'>;
  /** What openings take of the wall's concrete, with what anchors keep off it. */
  readonly openings: () => readonly Rect[];
  readonly room: Room;
  readonly pastEnd: PastEnd;
}

/** What an insert takes up on its wall's face, and the anchors or plates in it. */
function extentOf({
  insert,
  wall,
  ends,
  at,
  up,
  read,
  rules,
  courseHeight,
  courses,
  openings,
  room,
  pastEnd,
}: ExtentOfInput): Extent | null {
  const rule = (id: LengthRuleId): Length => rules.length(id);
  /** A rectangle about its middle. */
  const about = (width: Length, height: Length): Rect => ({
    from: nanometres(at - width / 2),
    to: nanometres(at + width / 2),
    bottom: nanometres(up - height / 2),
    top: nanometres(up + height / 2),
  });
  const run = (): Stretch | null => {
    const length = insert.length === undefined ? 'rest' : read('length', insert.length);
    if (length === null) return null;
    const found = runAlong({ from: insert.from, at, length, wall, ends });
    if (found.to > found.from) return found;
    pastEnd(found);
    return null;
  };
  switch (insert.kind) {
    case 'sleeve':
    case 'conduit': {
      const size = lengthOf(
        insert,
        'size',
        rule(insert.kind === 'sleeve' ? 'inserts.sleeve.size' : 'inserts.conduit.size'),
        read,
      );
      if (size === null) return null;
      const displaces = ((Math.PI / 4) * size * size * wall.core) / CUBIC_NANOMETRES;
      return { rect: about(size, size), fixings: [], depth: wall.core, displaces };
    }
    case 'pocket': {
      const width = lengthOf(insert, 'size', rule('inserts.pocket.width'), read);
      const height = lengthOf(insert, 'height', rule('inserts.pocket.height'), read);
      const depth = lengthOf(insert, 'depth', rule('inserts.pocket.depth'), read);
      if (width === null || height === null || depth === null) return null;
      return {
        rect: { ...about(width, ZERO), bottom: up, top: add(up, height) },
        fixings: [],
        depth,
        displaces: (width * height * Math.min(depth, wall.core)) / CUBIC_NANOMETRES,
      };
    }
    case 'ledger': {
      const along = run();
      const height = lengthOf(insert, 'height', rule('inserts.ledger.height'), read);
      const spacing = lengthOf(insert, 'spacing', rule('inserts.ledger.spacing'), read);
      if (along === null || height === null || spacing === null) return null;
      const length = subtract(along.to, along.from);
      const rows = insert.rows ?? rules.count('inserts.ledger.rows');
      // At the ends of every board one in each row; where there are more than can be laid out, none is.
      const boards = Math.ceil(length / rule('inserts.ledger.stock'));
      if (!room(Math.ceil(length / spacing) + 1 + 2 * rows * boards)) return null;
      const { bottom, top } = about(ZERO, height);
      const layout = ledgerLayout({
        wall,
        ...along,
        forward: insert.from === 'start',
        bottom,
        top,
        spacing,
        courses,
        openings: openings(),
        rules,
      });
      const rowUp = (row: number): Length => nanometres(bottom + (height * (row + 1)) / (rows + 1));
      const ends = new Set(
        layout.boards.flatMap((board) => {
          const own = layout.anchors.filter((at) => at > board.from && at < board.to);
          return [own[0], own.at(-1)];
        }),
      );
      // Rows share the height of the board; every second anchor stands in the next row, so that the rows are staggered.
      const fixings = layout.anchors.flatMap((at, index): Fixing[] =>
        ends.has(at)
          ? Array.from({ length: rows }, (_, row) => ({ at, up: rowUp(row) }))
          : [{ at, up: rowUp(index % rows) }],
      );
      return {
        rect: { from: along.from, to: along.to, bottom, top },
        fixings,
        depth: ZERO,
        displaces: 0,
        ledger: layout,
      };
    }
    case 'hangers': {
      const along = run();
      const spacing = lengthOf(insert, 'spacing', rule('inserts.hanger.spacing'), read);
      const width = lengthOf(insert, 'size', PLATE.width, read);
      const height = lengthOf(insert, 'height', PLATE.height, read);
      if (along === null || spacing === null || width === null || height === null || spacing <= 0)
        return null;
      const length = subtract(along.to, along.from);
      const count = Math.floor(length / spacing) + 1;
      if (!room(count)) return null;
      const fixings = Array.from({ length: count }, (_, index): Fixing => {
        const step = nanometres(index * spacing);
        return { at: insert.from === 'start' ? add(along.from, step) : subtract(along.to, step), up };
      });
      const rect = { ...about(ZERO, height), ...along };
      const hangers = hangerLayout({
        wall,
        plates: fixings,
        spacing,
        bottom: rect.bottom,
        top: rect.top,
        within: ends,
        courses,
        rules,
      });
      return { rect, fixings, depth: ZERO, displaces: 0, hangers };
    }
    case 'brick-ledge': {
      const along = run();
      const depth = lengthOf(insert, 'depth', rule('inserts.brick.depth'), read);
      const height = lengthOf(insert, 'height', courseHeight, read);
      if (along === null || depth === null || height === null) return null;
      const length = subtract(along.to, along.from);
      return {
        rect: { ...along, bottom: subtract(up, height), top: up },
        fixings: [],
        depth,
        // A corbel: from nothing at its foot to its full depth under the brick.
        displaces: -(length * depth * height) / 2 / CUBIC_NANOMETRES,
      };
    }
    case 'hold-down': {
      const size = lengthOf(insert, 'size', PLATE.width, read);
      if (size === null) return null;
      return { rect: about(size, PLATE.height), fixings: [], depth: ZERO, displaces: 0 };
    }
  }
}

/** What `placeOne` goes by. */
interface PlaceOneInput {
  readonly insert: Insert;
  readonly name: string;
  readonly wall: Wall;
  readonly built: BuiltLoop;
  readonly levels: Levels;
  readonly courses: Pick<Courses, 'pieces'>;
  readonly openings: Worked['openings'];
  readonly plan: InsertsInput;
  readonly rules: HouseRules;
  /** Fixings that may still be set in the job. */
  readonly left: number;
}

function placeOne({
  insert,
  name,
  wall,
  built,
  levels,
  courses,
  openings,
  plan,
  rules,
  left,
}: PlaceOneInput): Judged<PlacedInsert | null, InsertProblem> {
  const problems: InsertProblem[] = [];
  const own = { insert: insert.id, name, wall: wall.id };
  const read: Read = (field, text) => {
    const reading = readLength(text, plan.units);
    const positive = field !== 'at' && field !== 'up' && field !== 'fall';
    if (reading.ok && (!positive || reading.length > 0)) return reading.length;
    problems.push({ kind: 'unreadable', ...own, field, text });
    return null;
  };
  const drawn = read('at', insert.at);
  const up = read('up', insert.up);
  const fall = insert.fall === undefined ? null : read('fall', insert.fall);
  if (drawn === null || up === null) return { value: null, problems };
  const ends = faceEnds(insert, built, wall);
  const at = nanometres(alongFace(wall, fromStart(wall, insert.from, drawn)));
  const courseHeight = subtract(levels.tops[1] ?? ZERO, levels.tops[0] ?? ZERO);
  const room: Room = (fixings) => {
    if (fixings <= left) return true;
    problems.push({ kind: 'too-many-fixings', ...own, fixings, most: MOST_FIXINGS });
    return false;
  };
  const pastEnd: PastEnd = (stretch) => {
    const [before, after] = [subtract(ends.from, stretch.from), subtract(stretch.to, ends.to)];
    const by = max(before, after);
    const none = stretch.to <= stretch.from;
    if (by <= 0 && !none) return false;
    const inside = isRun(insert.kind) && faceOf(insert) === 'inside';
    const corner = before > after ? wall.from : wall.to;
    problems.push({ kind: 'off-wall', ...own, by, corner, inside, none });
    return true;
  };
  const clear = rules.length('inserts.clear');
  const holes = (): readonly Rect[] =>
    openings.placed
      .filter((each) => each.worked && each.wall === wall.id)
      .map(({ concrete }): Rect => ({
        from: subtract(concrete.from, clear),
        to: add(concrete.to, clear),
        bottom: subtract(concrete.bottom, clear),
        top: add(concrete.top, clear),
      }));
  const extent = extentOf({
    insert,
    wall,
    ends,
    at,
    up,
    read,
    rules,
    courseHeight,
    courses,
    openings: holes,
    room,
    pastEnd,
  });
  if (!extent) return { value: null, problems };
  const { rect } = extent;
  const past = pastEnd(rect);
  const spans = spansUnder(levels.walls[wall.id] ?? [], rect);
  if (spans.some((span) => rect.top > span.top))
    problems.push({ kind: 'off-height', ...own, where: 'above' });
  else if (spans.some((span) => rect.bottom < span.bottom)) {
    problems.push({ kind: 'off-height', ...own, where: 'below' });
  }
  if (insert.kind === 'pocket' && extent.depth > wall.core) {
    problems.push({ kind: 'too-deep', ...own, depth: extent.depth, core: wall.core });
  }
  const least = rules.length('inserts.drain.fall');
  if (fall !== null && fall < least) problems.push({ kind: 'falls-little', ...own, fall, least });
  if (insert.kind === 'brick-ledge' && !levels.tops.includes(up)) {
    const nearest = levels.tops.reduce((best, top) =>
      Math.abs(top - up) < Math.abs(best - up) ? top : best,
    );
    problems.push({ kind: 'ledge-off-course', ...own, up, nearest });
  }
  const [gap] = extent.ledger?.gaps ?? [];
  if (gap && !past) {
    problems.push({ kind: 'anchor-gap', ...own, ...gap, places: extent.ledger?.gaps.length ?? 1 });
  }
  const { hangers } = extent;
  if (hangers && hangers.blocked.length > 0 && !past) {
    const { blocked, shift } = hangers;
    problems.push({
      kind: 'plates-blocked',
      ...own,
      plates: blocked.length,
      of: extent.fixings.length,
      first: min(...blocked),
      shift,
    });
  }
  const value: PlacedInsert = {
    id: insert.id,
    name,
    kind: insert.kind,
    wall: wall.id,
    wallName: wall.name,
    rect,
    round: insert.kind === 'sleeve' || insert.kind === 'conduit',
    face: faceOf(insert),
    depth: extent.depth,
    fall,
    cast: insert.fixing !== 'drilled',
    fixings: extent.fixings,
    displaces: past ? 0 : extent.displaces,
    ...(extent.ledger ? { ledger: extent.ledger } : {}),
    ...(hangers ? { hangers } : {}),
  };
  return { value, problems };
}

/** Puts every insert of the plan on its wall. One whose wall is gone is kept in the plan and told. */
export function placeInserts(
  { shell, levels, courses, openings }: Pick<Worked, 'shell' | 'levels' | 'courses' | 'openings'>,
  plan: InsertsInput,
  rules: HouseRules,
): Inserts {
  const inserts = plan.inserts ?? [];
  const names = insertNames(inserts);
  const walls = new Map(
    shell.loops.flatMap(({ built }) =>
      built ? built.walls.map((wall) => [wall.id, { wall, built }] as const) : [],
    ),
  );
  const rows = new Set(shell.loops.flatMap((loop) => loop.rowNames.map(({ row }) => row)));
  let left = MOST_FIXINGS;
  const { value, problems } = allOf(
    inserts.map((insert): Judged<PlacedInsert | null, InsertProblem> => {
      const name = names.get(insert.id) ?? insert.id;
      const found = walls.get(insert.wall);
      if (!found) {
        return {
          value: null,
          problems: rows.has(insert.wall) ? [] : [{ kind: 'wall-gone', insert: insert.id, name }],
        };
      }
      const placed = placeOne({ insert, name, ...found, levels, courses, openings, plan, rules, left });
      left -= placed.value?.fixings.length ?? 0;
      return placed;
    }),
  );
  return { placed: value.flatMap((each) => each ?? []), problems };
}
