import { type Judged, allOf, fine, flatOf } from '../../kernel/judged';
import type { Pour, WalkRow } from './plan';
import type { FormSystem } from '../../kernel/forms';
import {
  type Length,
  type UnitSystem,
  add,
  nanometres,
  readLength,
  subtract,
  times,
  ZERO,
  min,
} from '../../kernel/measure';
import { MOST_PIECES } from '../limits';
import type { Plan } from '../../kernel/plan';
import type { HouseRules } from '../../kernel/rules';
import { type SlopePoint, rakedStretches } from './rake';
import { type Shell, type ShellLoop, type Wall, alongFace } from './shell';

/** A stretch of a wall with one footing and one top: stations from the wall's first corner, heights above the lowest footing. */
export interface HeightSpan {
  readonly from: Length;
  readonly to: Length;
  readonly bottom: Length;
  /** Where the top slopes, the last whole course under it. */
  readonly top: Length;
  /** Where blocks are cut to a slope: the top of the course that they are cut of, and the slope’s heights at both ends. */
  readonly cut?: { readonly over: Length; readonly slope: readonly [from: Length, to: Length] };
}

/** How the rest of a height that is no whole number of courses is made, in which course, and how high it is. */
export interface HeightRest {
  readonly course: number;
  readonly height: Length;
  readonly how: 'rip-first' | 'rip-last' | 'half-piece';
}

export type LevelProblem =
  /** More than are laid; as near as they can be counted before that. */
  | { readonly kind: 'too-many-pieces'; readonly pieces: number; readonly most: number }
  | { readonly kind: 'courses-out-of-range'; readonly courses: number; readonly most: number }
  | { readonly kind: 'pours-out-of-order'; readonly pour: string }
  | { readonly kind: 'height-unreadable'; readonly text: string }
  | { readonly kind: 'half-piece-missing'; readonly rest: Length; readonly half: Length | null }
  | { readonly kind: 'base-unreadable'; readonly loop: string; readonly text: string }
  | { readonly kind: 'step-unreadable'; readonly wall: string; readonly text: string }
  | {
      readonly kind: 'step-off-wall';
      readonly wall: string;
      readonly at: Length;
      readonly length: Length;
      readonly of: 'footing' | 'top';
    }
  | { readonly kind: 'steps-not-home'; readonly loop: string; readonly by: Length }
  | {
      readonly kind: 'step-off-course';
      readonly wall: string;
      readonly at: Length;
      readonly step: Length;
      /** The nearest step of whole courses, smaller and larger. */
      readonly nearest: readonly Length[];
      /** Height that the first course on the upper footing is ripped to. */
      readonly rip: Length;
    }
  /** A rake whose points say nothing: fewer than two, or two at one station. */
  | { readonly kind: 'rake-unclear'; readonly wall: string }
  /** A rake that comes down to less than a course over the footing; the wall keeps its level top. */
  | { readonly kind: 'rake-low'; readonly wall: string; readonly top: Length; readonly least: Length }
  | { readonly kind: 'top-unreadable'; readonly wall: string; readonly text: string }
  | { readonly kind: 'top-too-high'; readonly wall: string; readonly top: Length; readonly highest: Length }
  | {
      readonly kind: 'top-below-bottom';
      readonly wall: string;
      readonly top: Length;
      readonly bottom: Length;
    };

/** Where every course of the job lies, and where every wall begins and ends in height. */
export interface Levels {
  /** Number of courses; zero where the plan's own number cannot be. */
  readonly courses: number;
  /** Bottom of course 1, then the top of every course, above the lowest footing. */
  readonly tops: readonly Length[];
  readonly rest: HeightRest | null;
  readonly walls: Readonly<Record<string, readonly HeightSpan[]>>;
  readonly problems: readonly LevelProblem[];
}

/** Half way up a course, above the lowest footing. */
export const middleOfCourse = (tops: readonly Length[], course: number): Length =>
  nanometres(((tops[course - 1] ?? ZERO) + (tops[course] ?? ZERO)) / 2);

/**
 * The pours of a job as they are worked: the last one ends with the walls. Where the walls are given as a height its own number says
 * nothing; taken at its word, it would make a pour joint that nobody pours.
 */
export function workedPours(pours: readonly Pour[], { courses }: Pick<Levels, 'courses'>): readonly Pour[] {
  const last = pours.at(-1);
  if (!last || courses === 0 || last.toCourse === courses) return pours;
  return [...pours.slice(0, -1), { ...last, toCourse: courses }];
}

/** What `buildLevels` reads of a plan besides its shell. */
type LevelsInput = Pick<Plan, 'loops' | 'units' | 'pours' | 'height'>;

/** What a pour's own problems are: courses that cannot be, pours out of order. */
function pourProblems(pours: readonly Pour[], most: number): readonly LevelProblem[] {
  const outOfOrder = pours.find(
    (pour, index) => index > 0 && pour.toCourse <= (pours[index - 1]?.toCourse ?? 0),
  );
  const odd = pours.find(
    (pour) => !Number.isInteger(pour.toCourse) || pour.toCourse < 1 || pour.toCourse > most,
  );
  return [
    ...(odd ? [{ kind: 'courses-out-of-range' as const, courses: odd.toCourse, most }] : []),
    ...(outOfOrder ? [{ kind: 'pours-out-of-order' as const, pour: outOfOrder.name ?? outOfOrder.id }] : []),
  ];
}

interface Grid {
  readonly tops: readonly Length[];
  readonly rest: HeightRest | null;
  readonly problems: readonly LevelProblem[];
}

/** Tops of courses for a height: whole courses, and the rest at the foot or at the head as the house rule says. */
function gridOfHeight(height: Length, system: FormSystem, rules: HouseRules): Grid {
  const course = system.courseHeight;
  const whole = Math.floor(height / course);
  const rest = subtract(height, times(course, whole));
  const stack = (from: Length): Length[] =>
    Array.from({ length: whole + 1 }, (_, index) => add(from, times(course, index)));
  if (rest === 0) return { tops: stack(ZERO), rest: null, problems: [] };
  const choice = rules.choice('courses.height.rest');
  if (choice === 'rip-first') {
    return {
      tops: [ZERO, ...stack(rest)],
      rest: { course: 1, height: rest, how: 'rip-first' },
      problems: [],
    };
  }
  const half = choice === 'half-piece' && system.halfHeight === rest;
  return {
    tops: [...stack(ZERO), height],
    rest: { course: whole + 1, height: rest, how: half ? 'half-piece' : 'rip-last' },
    problems:
      choice === 'half-piece' && !half ? [{ kind: 'half-piece-missing', rest, half: system.halfHeight }] : [],
  };
}

function gridOf(plan: LevelsInput, system: FormSystem, rules: HouseRules): Grid | readonly LevelProblem[] {
  const most = rules.count('courses.most');
  if (plan.height === undefined) {
    const wrong = pourProblems(plan.pours, most);
    if (wrong.length > 0) return wrong;
    return gridOfHeight(times(system.courseHeight, plan.pours.at(-1)?.toCourse ?? 0), system, rules);
  }
  const reading = readLength(plan.height, plan.units);
  if (!reading.ok || reading.length <= 0) return [{ kind: 'height-unreadable', text: plan.height }];
  const courses = Math.ceil(reading.length / system.courseHeight);
  if (courses > most) return [{ kind: 'courses-out-of-range', courses, most }];
  const wrong = pourProblems(plan.pours.slice(0, -1), most);
  return wrong.length > 0 ? wrong : gridOfHeight(reading.length, system, rules);
}

/**
 * `up 32in` is +32 in, `down 2 courses` two whole courses down; null where it cannot be read.
 *
 * @param course height of a whole course
 * @example readFootingStep('up 2 courses', 'imperial', inches(16)) // inches(32)
 */
export function readFootingStep(text: string, units: UnitSystem, course: Length): Length | null {
  const found = /^\s*(up|down)\s+(.*)$/i.exec(text);
  if (!found) return null;
  const [, direction = '', size = ''] = found;
  const courses = /^(\d{1,2})\s*courses?\s*$/i.exec(size)?.[1];
  const reading = readLength(size, units);
  const by = courses === undefined ? (reading.ok ? reading.length : ZERO) : times(course, Number(courses));
  if (by <= 0) return null;
  return direction.toLowerCase() === 'down' ? subtract(ZERO, by) : by;
}

/** A top: `5 courses` by the story pole, or a height above the lowest footing; null where it cannot be read. */
function readTop(text: string, units: UnitSystem, tops: readonly Length[]): Length | null {
  const courses = /^\s*(\d+)\s*courses?\s*$/i.exec(text);
  if (courses) return tops[Number(courses[1])] ?? null;
  const reading = readLength(text, units);
  return reading.ok && reading.length > 0 ? reading.length : null;
}

/** A step of the footing read from the plan, in form-face stations of its wall. */
interface Step {
  readonly at: Length;
  readonly by: Length;
}

/** A station of a wall as drawn, on the form's outside face; a value of null where it is off the wall. */
function stationOn(
  wall: Wall,
  text: string,
  of: 'footing' | 'top',
  units: UnitSystem,
): Judged<Length | null, LevelProblem> {
  const reading = readLength(text, units);
  if (!reading.ok) return { value: null, problems: [{ kind: 'step-unreadable', wall: wall.id, text }] };
  const at = nanometres(alongFace(wall, reading.length));
  if (at > 0 && at < wall.length) return fine(at);
  const off = { wall: wall.id, at: reading.length, length: wall.measured, of };
  return { value: null, problems: [{ kind: 'step-off-wall', ...off }] };
}

/** What the lengths of a footing's steps go by. */
interface StepMeasure {
  readonly units: UnitSystem;
  readonly course: Length;
}

/** The steps of the footing under a wall, in the order of their stations. */
function stepsOf(
  wall: Wall,
  row: WalkRow | undefined,
  { units, course }: StepMeasure,
): Judged<readonly Step[], LevelProblem> {
  const { value, problems } = flatOf(
    (row?.footing ?? []).map((each): Judged<readonly Step[], LevelProblem> => {
      const at = stationOn(wall, each.at, 'footing', units);
      const by = readFootingStep(each.step, units, course);
      const unread: readonly LevelProblem[] =
        by === null ? [{ kind: 'step-unreadable', wall: wall.id, text: each.step }] : [];
      return {
        value: at.value === null || by === null ? [] : [{ at: at.value, by }],
        problems: [...at.problems, ...unread],
      };
    }),
  );
  return { value: [...value].sort((a, b) => a.at - b.at), problems };
}

interface FootingSpan {
  readonly wall: Wall;
  readonly row: WalkRow | undefined;
  readonly spans: readonly { readonly from: Length; readonly to: Length; readonly bottom: Length }[];
  readonly steps: readonly Step[];
}

/** The footing of one loop walked from its first corner. A loop whose steps do not come home is taken as flat. */
function footingOf(
  loop: ShellLoop,
  rows: ReadonlyMap<string, WalkRow>,
  base: Length,
  measure: StepMeasure,
): Judged<readonly FootingSpan[], LevelProblem> {
  const walls = loop.built?.walls ?? [];
  let bottom = base;
  const walked = walls.map((wall): Judged<FootingSpan, LevelProblem> => {
    const row = rows.get(wall.id);
    const { value: steps, problems } = stepsOf(wall, row, measure);
    const found: { from: Length; to: Length; bottom: Length }[] = [];
    let from = ZERO;
    for (const step of steps) {
      found.push({ from, to: step.at, bottom });
      from = step.at;
      bottom = add(bottom, step.by);
    }
    found.push({ from, to: wall.length, bottom });
    const spans = found.filter((span) => span.to > span.from);
    return { value: { wall, row, spans, steps }, problems };
  });
  const all = allOf(walked);
  if (bottom === base || loop.built?.open === true) return all;
  return {
    value: all.value.map((each): FootingSpan => ({
      ...each,
      spans: [{ from: ZERO, to: each.wall.length, bottom: base }],
      steps: [],
    })),
    problems: [...all.problems, { kind: 'steps-not-home', loop: loop.id, by: subtract(bottom, base) }],
  };
}

/** What `judgeSteps` goes by. */
interface JudgeStepsInput {
  readonly footing: FootingSpan;
  readonly lowest: Length;
  readonly tops: readonly Length[];
  readonly course: Length;
}

/** Steps between whole courses: what step would be, and what the rip costs. */
const judgeSteps = ({ footing, lowest, tops, course }: JudgeStepsInput): readonly LevelProblem[] =>
  footing.steps.flatMap((step, index): readonly LevelProblem[] => {
    if (step.by % course === 0) return [];
    const upper = footing.spans[step.by > 0 ? index + 1 : index];
    if (!upper) return [];
    const bottom = subtract(upper.bottom, lowest);
    const next = tops.find((top) => top > bottom) ?? bottom;
    const size = Math.abs(step.by);
    const smaller = times(course, Math.floor(size / course));
    return [
      {
        kind: 'step-off-course',
        wall: footing.wall.id,
        at: subtract(step.at, footing.wall.beyondStart),
        step: size as Length,
        nearest: [...(smaller > 0 ? [smaller] : []), add(smaller, course)],
        rip: subtract(next, bottom),
      },
    ];
  });

/** From a station of a wall on, the height of its top. */
interface TopFrom {
  readonly from: Length;
  readonly top: Length;
}

/** The tops of a wall: one all along, or several where they step. */
function topsOf(
  footing: FootingSpan,
  tops: readonly Length[],
  units: UnitSystem,
): Judged<readonly TopFrom[], LevelProblem> {
  const highest = tops.at(-1) ?? ZERO;
  const { wall, row } = footing;
  const read = (text: string): Judged<Length, LevelProblem> => {
    const top = readTop(text, units, tops);
    if (top === null) {
      return { value: highest, problems: [{ kind: 'top-unreadable', wall: wall.id, text }] };
    }
    if (top <= highest) return fine(top);
    return { value: highest, problems: [{ kind: 'top-too-high', wall: wall.id, top, highest }] };
  };
  const changes = flatOf(
    (row?.topSteps ?? []).map((step): Judged<readonly TopFrom[], LevelProblem> => {
      const at = stationOn(wall, step.at, 'top', units);
      if (at.value === null) return { value: [], problems: at.problems };
      const top = read(step.top);
      return { value: [{ from: at.value, top: top.value }], problems: top.problems };
    }),
  );
  const first = row?.top === undefined ? fine(highest) : read(row.top);
  return {
    value: [{ from: ZERO, top: first.value }, ...[...changes.value].sort((a, b) => a.from - b.from)],
    problems: [...changes.problems, ...first.problems],
  };
}

/** A raked top read from the plan; a value of null where there is none that can be. */
function rakeOf(
  { wall, row }: FootingSpan,
  tops: readonly Length[],
  units: UnitSystem,
): Judged<readonly SlopePoint[] | null, LevelProblem> {
  if (!row?.rake) return fine(null);
  const highest = tops.at(-1) ?? ZERO;
  const problems: LevelProblem[] = [];
  const points = row.rake.points.flatMap((point): SlopePoint[] => {
    const at = readLength(point.at, units);
    const top = readTop(point.top, units, tops);
    if (!at.ok) problems.push({ kind: 'step-unreadable', wall: wall.id, text: point.at });
    if (top === null) problems.push({ kind: 'top-unreadable', wall: wall.id, text: point.top });
    if (!at.ok || top === null) return [];
    if (at.length < 0 || at.length > wall.measured) {
      const off = { wall: wall.id, at: at.length, length: wall.measured, of: 'top' as const };
      problems.push({ kind: 'step-off-wall', ...off });
      return [];
    }
    if (top > highest) problems.push({ kind: 'top-too-high', wall: wall.id, top, highest });
    // The ends of a wall as drawn are the ends of its face, round a corner too.
    const on =
      at.length === 0
        ? ZERO
        : at.length === wall.measured
          ? wall.length
          : nanometres(alongFace(wall, at.length));
    return [{ at: on, top: min(top, highest) }];
  });
  const sorted = [...points].sort((a, b) => a.at - b.at);
  const clear = sorted.length >= 2 && sorted.every((point, index) => point.at !== sorted[index - 1]?.at);
  if (!clear) problems.push({ kind: 'rake-unclear', wall: wall.id });
  return { value: clear ? sorted : null, problems };
}

/** The spans of a wall whose top slopes; null where it comes down too low. */
function rakedSpans(
  footing: FootingSpan,
  lowest: Length,
  tops: readonly Length[],
  points: readonly SlopePoint[],
): Judged<readonly HeightSpan[] | null, LevelProblem> {
  const stretches = rakedStretches(
    points,
    tops,
    footing.wall.length,
    footing.spans.map(({ from }) => from),
  );
  const cut = footing.row?.rake?.how === 'cut';
  const spans = stretches.map((stretch): HeightSpan => {
    const here = footing.spans.findLast((span) => span.from <= stretch.from)?.bottom ?? lowest;
    const { from, to, under, over, slope } = stretch;
    const span = { from, to, bottom: subtract(here, lowest), top: under };
    return cut && over > under ? { ...span, cut: { over, slope } } : span;
  });
  const low = spans.find(({ bottom, top }) => top <= bottom);
  if (!low) return fine(spans);
  const least = tops.find((top) => top > low.bottom) ?? low.top;
  const lowestOf = min(...points.map(({ top }) => top));
  return {
    value: null,
    problems: [{ kind: 'rake-low', wall: footing.wall.id, top: lowestOf, least }],
  };
}

/** Footing and tops of a wall laid over each other. */
function heightSpans(
  footing: FootingSpan,
  lowest: Length,
  tops: readonly Length[],
  units: UnitSystem,
): Judged<readonly HeightSpan[], LevelProblem> {
  const rake = rakeOf(footing, tops, units);
  const raked = rake.value ? rakedSpans(footing, lowest, tops, rake.value) : fine(null);
  const inRake = [...rake.problems, ...raked.problems];
  if (raked.value) return { value: raked.value, problems: inRake };
  const level = topsOf(footing, tops, units);
  const [changes, problems] = [level.value, [...inRake, ...level.problems]];
  const breaks = [
    ...new Set([...footing.spans.map((span) => span.from), ...changes.map((each) => each.from)]),
  ].sort((a, b) => a - b);
  const spans = breaks.map((from, index): Judged<readonly HeightSpan[], LevelProblem> => {
    const to = breaks[index + 1] ?? footing.wall.length;
    const bottomHere = footing.spans.findLast((span) => span.from <= from)?.bottom ?? lowest;
    const bottom = subtract(bottomHere, lowest);
    const top = changes.findLast((each) => each.from <= from)?.top ?? ZERO;
    if (top > bottom) return fine([{ from, to, bottom, top }]);
    const { id } = footing.wall;
    return { value: [], problems: [{ kind: 'top-below-bottom', wall: id, top, bottom }] };
  });
  return flatOf([{ value: [], problems }, ...spans]);
}

/** Pieces that the walls take, two more a row for its corners: near enough to know whether they can be laid. */
const piecesOf = (shell: Shell, system: FormSystem, courses: number): number =>
  shell.loops
    .flatMap(({ built }) => built?.walls ?? [])
    .reduce((sum, wall) => sum + (Math.ceil(wall.length / system.block) + 2) * courses, 0);

/**
 * Where every course lies and where every wall begins and ends in height. Courses are counted from the lowest footing.
 * A height that is no whole number of courses takes a half-height piece, or a rip of the first or the last course, as the
 * house rule says; footing steps are told walking clockwise and must come home.
 */
export function buildLevels(
  shell: Shell,
  system: FormSystem | null,
  plan: LevelsInput,
  rules: HouseRules,
): Levels {
  const none: Levels = { courses: 0, tops: [ZERO], rest: null, walls: {}, problems: [] };
  if (system === null) return none;
  const grid = gridOf(plan, system, rules);
  if (!('tops' in grid)) return { ...none, problems: grid };
  const pieces = piecesOf(shell, system, grid.tops.length - 1);
  if (pieces > MOST_PIECES) {
    return { ...none, problems: [{ kind: 'too-many-pieces', pieces, most: MOST_PIECES }] };
  }
  const { units } = plan;
  const rows = new Map(plan.loops.flatMap((loop) => loop.walk.map((row) => [row.id, row])));
  const baseOf = (id: string): Judged<Length, LevelProblem> => {
    const text = plan.loops.find((loop) => loop.id === id)?.base;
    const reading = text === undefined ? null : readLength(text, units);
    if (text === undefined || !reading) return fine(ZERO);
    if (reading.ok) return fine(reading.length);
    return { value: ZERO, problems: [{ kind: 'base-unreadable', loop: id, text }] };
  };
  const { value: footings, problems: inFootings } = flatOf(
    shell.loops.map((loop) => {
      const base = baseOf(loop.id);
      return flatOf([
        { value: [], problems: base.problems },
        footingOf(loop, rows, base.value, { units, course: system.courseHeight }),
      ]);
    }),
  );
  const bottoms = footings.flatMap((footing) => footing.spans.map((span) => span.bottom));
  const lowest = bottoms.length === 0 ? ZERO : min(...bottoms);
  const spans = allOf(footings.map((footing) => heightSpans(footing, lowest, grid.tops, units)));
  return {
    courses: grid.tops.length - 1,
    tops: grid.tops,
    rest: grid.rest,
    walls: Object.fromEntries(footings.map(({ wall }, index) => [wall.id, spans.value[index] ?? []])),
    problems: [
      ...grid.problems,
      ...inFootings,
      ...footings.flatMap((footing) =>
        judgeSteps({ footing, lowest, tops: grid.tops, course: system.courseHeight }),
      ),
      ...spans.problems,
    ],
  };
}
