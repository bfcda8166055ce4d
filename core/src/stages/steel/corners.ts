import type { CourseRow } from '../courses';
import {
  type Length,
  add,
  cosine,
  nanometres,
  sine,
  subtract,
  toDegrees,
  ZERO,
  min,
} from '../../kernel/measure';
import { type Corner, wallFace } from '../outline';
import { type Judged, fine, flatOf } from '../../kernel/judged';
import type { Bar, SteelProblem } from './bar';
import { standardHook } from './bends';
import { bent, straight } from './cut';
import type { Lying } from './lying';
import { heightIn, insetAt, isTopBar, leftBeside, reachOf } from './rowBars';
import type { Setting, SteelWall } from './setting';
import type { BarSize } from './sizes';

/** The horizontals of every wall, by the wall's id. */
export type LyingByWall = ReadonlyMap<string, readonly Lying[]>;

/** How the end of a bar is bent. */
export interface Turned {
  /** Leg past the bend, out to out. */
  readonly leg: Length;
  readonly degrees: number;
}

/** How far a corner turns, in degrees, whichever way. */
const turnOf = (corner: Corner): number => Math.abs(toDegrees(corner.turn));

/** How much of a wall an opening leaves at one of its corners, at the height of a row's bar; from where the bar ends there. */
function roomAt({ own, row, atStart, offsets, setting }: Omit<LegAtInput, 'lap' | 'corner'>): Length {
  const rules = setting.rulesIn(own.wall.id, row.course);
  const { from, to } = reachOf({ own, row, rules, offsets });
  const stretches = leftBeside({
    own,
    from,
    to,
    height: heightIn(row),
    cover: rules.length('steel.cover.end'),
  });
  const [first] = stretches;
  const last = stretches.at(-1);
  if (atStart) return first && !first.cutStart ? subtract(first.to, first.from) : ZERO;
  return last && !last.cutEnd ? subtract(last.to, last.from) : ZERO;
}

/** What `legAt` goes by. */
interface LegAtInput {
  readonly own: SteelWall;
  readonly row: CourseRow;
  readonly atStart: boolean;
  /** How far the bars round the corner lie off the middle of the core. */
  readonly offsets: readonly Length[];
  readonly lap: Length;
  readonly corner: string;
  readonly setting: Setting;
}

/** The leg of a bar round a corner: a lap, or as much as an opening beside the corner leaves, which is told. */
function legAt({ lap, corner, ...place }: LegAtInput): Judged<Length, SteelProblem> {
  const room = roomAt(place);
  const { own, row } = place;
  const { course } = row;
  return {
    value: min(room, lap),
    problems: room < lap ? [{ kind: 'corner-cut-short', wall: own.wall.id, corner, course, leg: room }] : [],
  };
}

/** Where the row of a course meets a corner with another wall's row and both may carry bars. */
interface Meeting {
  readonly corner: Corner;
  readonly before: SteelWall;
  readonly after: SteelWall;
  readonly rowBefore: CourseRow;
  readonly rowAfter: CourseRow;
}

/** Every place where two rows of a course meet round a corner. */
function meetings(setting: Setting): readonly Meeting[] {
  const byWall = new Map(setting.walls.map((own) => [own.wall.id, own]));
  const corners = setting.shell.loops.flatMap((loop) => loop.built?.corners ?? []);
  return corners.flatMap((corner) => {
    const before = byWall.get(corner.wallBefore);
    const after = byWall.get(corner.wallAfter);
    if (!before || !after) return [];
    const ends = new Map(
      before.rows.filter((row) => row.end === 'corner').map((row) => [row.course, row] as const),
    );
    return after.rows.flatMap((rowAfter): Meeting[] => {
      const rowBefore = ends.get(rowAfter.course);
      if (rowAfter.start !== 'corner' || !rowBefore) return [];
      return [{ corner, before, after, rowBefore, rowAfter }];
    });
  });
}

const lyingAt = (lying: LyingByWall, own: SteelWall, course: number): Lying | undefined =>
  lying.get(own.wall.id)?.find((each) => each.course === course);

/** Whether two walls stand in one line with cores that differ: their bars lie at depths of their own, so a bar of its own goes across. */
const coreChanges = ({ corner, before, after }: Pick<Meeting, 'corner' | 'before' | 'after'>): boolean =>
  corner.kind === 'straight' && before.wall.core !== after.wall.core;

/**
 * How far the bars that go from one wall's row into another's lie off the middle of the second wall's core. Round a corner as in the
 * wall with more of them; where the core changes along a line as in the thinner wall, whose core the thicker one's holds.
 */
function offsetsAcross(meeting: Meeting, own: Lying, other: Lying): readonly Length[] {
  const { before, after } = meeting;
  if (!coreChanges(meeting)) return own.offsets.length >= other.offsets.length ? own.offsets : other.offsets;
  if (after.wall.core < before.wall.core) return own.offsets;
  const [, end] = wallFace(before.built, before.wall, 'concreteOutside');
  const [start] = wallFace(after.built, after.wall, 'concreteOutside');
  const { heading, core } = after.wall;
  // How far in from the second wall’s face the first one’s lies, square to both; then from middle to middle.
  const face = (end.y - start.y) * cosine(heading) - (end.x - start.x) * sine(heading);
  const shift = face + (before.wall.core - core) / 2;
  return other.offsets.map((offset) => nanometres(offset + shift));
}

/** What `bendRound` goes by. */
interface BendRoundInput {
  readonly own: SteelWall;
  readonly row: CourseRow;
  readonly size: BarSize;
  readonly lying: LyingByWall;
  readonly setting: Setting;
}

/** How the bar at the end of a row is bent round its corner; null where a bar of its own goes round, or nothing to lap is there. */
export function bendRound({
  own,
  row,
  size,
  lying,
  setting,
}: BendRoundInput): Judged<Turned | null, SteelProblem> {
  const rules = setting.rulesIn(own.wall.id, row.course);
  const corner = own.built.corners.find((each) => each.wallBefore === own.wall.id);
  const next = setting.walls.find((each) => each.wall.id === corner?.wallAfter);
  const nextRow = next?.rows.find((each) => each.course === row.course && each.start === 'corner');
  if (rules.choice('steel.corner') !== 'bend' || row.end !== 'corner' || !corner || !next || !nextRow) {
    return fine(null);
  }
  const met = lyingAt(lying, next, row.course);
  if (!met || coreChanges({ corner, before: own, after: next })) return fine(null);
  const lap = setting.lapOfTwo(size, met.size, isTopBar(next, nextRow));
  const leg = legAt({
    own: next,
    row: nextRow,
    atStart: true,
    offsets: met.offsets,
    lap,
    corner: corner.letter,
    setting,
  });
  return {
    value: leg.value > 0 ? { leg: leg.value, degrees: turnOf(corner) } : null,
    problems: leg.problems,
  };
}

/** The bars round one corner in one course in which both walls have some. */
function barsRound(
  meeting: Meeting,
  own: Lying,
  other: Lying,
  setting: Setting,
): Judged<readonly Bar[], SteelProblem> {
  const { corner, before, after, rowBefore, rowAfter } = meeting;
  const { course } = own;
  const rules = setting.rulesIn(after.wall.id, course);
  if (rules.choice('steel.corner') === 'bend' && !coreChanges(meeting)) return fine([]);
  // Where the walls' bars differ, the larger goes round.
  const size = own.size.diameter >= other.size.diameter ? own.size : other.size;
  const top = isTopBar(after, rowAfter);
  const { letter } = corner;
  const offsets = offsetsAcross(meeting, own, other);
  const leg = legAt({
    own: after,
    row: rowAfter,
    atStart: true,
    offsets,
    lap: setting.lapOfTwo(size, own.size, top),
    corner: letter,
    setting,
  });
  const back = legAt({
    own: before,
    row: rowBefore,
    atStart: false,
    offsets,
    lap: setting.lapOfTwo(size, other.size, top),
    corner: letter,
    setting,
  });
  // An opening that takes the whole corner at this height leaves nothing to go round to.
  const problems = [...leg.problems, ...back.problems];
  if (leg.value <= 0 || back.value <= 0) return { value: [], problems };
  const height = heightIn(rowAfter);
  const start = add(rowAfter.from, insetAt({ limit: 'corner', atStart: true, own: after, rules, offsets }));
  const shape =
    corner.kind === 'straight'
      ? straight(add(back.value, leg.value), setting)
      : bent({
          legs: [back.value, leg.value],
          size,
          bend: standardHook(size),
          cutting: setting,
          bends: [turnOf(corner)],
        });
  const bars = offsets.map((offset, index): Bar => ({
    ...shape,
    id: `c:${letter}:${String(course)}${index === 0 ? '' : `:${String(index)}`}`,
    use: 'corner',
    size: size.id,
    wall: after.wall.id,
    count: 1,
    course,
    set: { course, when: 'in' },
    from: start,
    to: add(start, leg.value),
    bottom: height,
    top: height,
    offset,
    laps: { before: back.value, after: leg.value },
    corner: letter,
  }));
  return { value: bars, problems };
}

/** Corner by corner, the courses in which only one of its two walls has a bar. */
function bareOf(bare: readonly Meeting[]): readonly SteelProblem[] {
  const corners = new Map<string, number[]>();
  for (const { corner, after, rowAfter } of bare) {
    const key = `${after.wall.id}\n${corner.letter}`;
    corners.set(key, [...(corners.get(key) ?? []), rowAfter.course]);
  }
  return [...corners].map(([key, courses]) => {
    const [wall = '', corner = ''] = key.split('\n');
    return { kind: 'corner-without-bar', wall, corner, courses };
  });
}

/**
 * Bars round every corner in every course in which both its walls have some; none where their own bars are bent. Courses in
 * which one wall has a bar and the other none are told.
 */
export function cornerBars(lying: LyingByWall, setting: Setting): Judged<readonly Bar[], SteelProblem> {
  const bare: Meeting[] = [];
  const round = meetings(setting).map((meeting): Judged<readonly Bar[], SteelProblem> => {
    const { course } = meeting.rowAfter;
    const own = lyingAt(lying, meeting.after, course);
    const other = lyingAt(lying, meeting.before, course);
    if (own && other) return barsRound(meeting, own, other, setting);
    if (own || other) bare.push(meeting);
    return fine([]);
  });
  return flatOf([...round, { value: [], problems: bareOf(bare) }]);
}
