import type { CourseRow } from '../courses';
import { type Length, add, nanometres, subtract, ZERO } from '../../kernel/measure';
import { widthOf } from '../openings';
import { shareAt } from '../outline';
import { type Judged, fine, flatOf } from '../../kernel/judged';
import type { Bar, SteelProblem } from './bar';
import { bendReach, standardHook } from './bends';
import { type LyingByWall, type Turned, bendRound } from './corners';
import { bent } from './cut';
import type { Lying } from './lying';
import { heightIn, isTopBar, leftBeside, reachOf } from './rowBars';
import { type LapFree, endsOf, splitRun } from './runs';
import type { Setting, SteelWall } from './setting';
import { hookedAt } from './tees';

const NONE = ZERO;

/** One bar's way through a stretch, with what is bent at its ends. */
interface Way {
  readonly from: Length;
  readonly to: Length;
  readonly atStart: Turned | null;
  readonly atEnd: Turned | null;
}

/** Openings of a wall that a bar at a height passes over or under, by their places on the bar. */
function openingsPassed(
  own: SteelWall,
  onBar: (place: Length) => Length,
  height: Length,
): readonly (LapFree & { readonly near: boolean })[] {
  return own.openings.map(({ concrete }) => ({
    from: onBar(concrete.from),
    to: onBar(concrete.to),
    near: Math.max(height - concrete.top, concrete.bottom - height) <= widthOf(concrete),
  }));
}

/** What `barsOfWay` goes by. */
interface BarsOfWayInput {
  readonly own: SteelWall;
  readonly row: CourseRow;
  readonly way: Way;
  readonly lying: Lying;
  readonly nth: number;
  readonly setting: Setting;
}

/** Bars of one way: lapped from stock, bent at its ends where it is. Where laps must lie by an opening, that is told. */
function barsOfWay({
  own,
  row,
  way,
  lying,
  nth,
  setting,
}: BarsOfWayInput): Judged<readonly Bar[], SteelProblem> {
  const { size } = lying;
  const rules = setting.rulesIn(own.wall.id, row.course);
  const lap = setting.lapOf(size, isTopBar(own, row));
  const before = way.atStart?.leg ?? NONE;
  const after = way.atEnd?.leg ?? NONE;
  // Places on a curved wall are measured along its longer face; the bar is as long as its own arc.
  const share = shareAt(own.wall, own.wall.skin + own.wall.core / 2 + (lying.offsets[nth] ?? 0));
  const onFace = (run: Length): Length => nanometres(way.from + (run - before) / share);
  const onBar = (place: Length): Length => nanometres(before + (place - way.from) * share);
  // The legs past the bends come out of the same bars.
  const length = subtract(onBar(way.to), before);
  const run = add(length, add(before, after));
  const hook = standardHook(size);
  const height = heightIn(row);
  const passed = openingsPassed(own, onBar, height);
  const bends = [
    ...(way.atStart ? [{ from: NONE, to: add(before, bendReach(size, hook, way.atStart.degrees)) }] : []),
    ...(way.atEnd
      ? [{ from: subtract(add(before, length), bendReach(size, hook, way.atEnd.degrees)), to: run }]
      : []),
  ];
  const split = splitRun({
    run,
    stock: setting.stock,
    lap,
    keepOff: [bends, passed.filter(({ near }) => near), passed, endsOf(run, rules.length('steel.lap.clear'))],
    second: row.course % 2 === 0,
  });
  const byOpening = split.pieces.length > 1 && split.kept < 2;
  const bars = split.pieces.map((piece, index, all): Bar => {
    const first = index === 0 ? way.atStart : null;
    const last = index === all.length - 1 ? way.atEnd : null;
    const from = index === 0 ? add(piece.from, before) : piece.from;
    const to = index === all.length - 1 ? subtract(piece.to, after) : piece.to;
    const legs = [...(first ? [first.leg] : []), subtract(to, from), ...(last ? [last.leg] : [])];
    const turns = [first, last].flatMap((turned) => (turned ? [turned.degrees] : []));
    return {
      ...bent({ legs, size, bend: hook, cutting: setting, bends: turns }),
      id: `h:${own.wall.id}:${String(row.course)}:${String(way.from)}:${String(index)}${nth === 0 ? '' : `:${String(nth)}`}`,
      use: 'horizontal',
      size: size.id,
      wall: own.wall.id,
      count: 1,
      course: row.course,
      set: { course: row.course, when: 'in' },
      from: onFace(from),
      to: onFace(to),
      bottom: height,
      top: height,
      offset: lying.offsets[nth] ?? NONE,
      laps: piece.laps,
    };
  });
  return {
    value: bars,
    problems: byOpening ? [{ kind: 'lap-by-opening', wall: own.wall.id, courses: [row.course] }] : [],
  };
}

/** What is told of a wall, its courses whose laps lie over or under an opening in one. */
function inOne(wall: string, problems: readonly SteelProblem[]): readonly SteelProblem[] {
  const courses = problems.flatMap((each) => (each.kind === 'lap-by-opening' ? each.courses : []));
  if (courses.length === 0) return problems;
  return [
    ...problems.filter(({ kind }) => kind !== 'lap-by-opening'),
    { kind: 'lap-by-opening', wall, courses: [...new Set(courses)] },
  ];
}

/** What `waysOf` goes by. */
interface WaysOfInput {
  readonly own: SteelWall;
  readonly row: CourseRow;
  readonly lying: Lying;
  readonly all: LyingByWall;
  readonly setting: Setting;
}

/** The ways of the bars of a row: between its ends and what openings leave. */
function waysOf({ own, row, lying, all, setting }: WaysOfInput): Judged<readonly Way[], SteelProblem> {
  const rules = setting.rulesIn(own.wall.id, row.course);
  const hookedStart = hookedAt({ own, row, atStart: true, size: lying.size, setting });
  const hookedEnd = hookedAt({ own, row, atStart: false, size: lying.size, setting });
  const reach = reachOf({ own, row, rules, offsets: lying.offsets });
  const from = subtract(reach.from, hookedStart?.across ?? NONE);
  const to = add(reach.to, hookedEnd?.across ?? NONE);
  const bend = bendRound({ own, row, size: lying.size, lying: all, setting });
  const left = leftBeside({ own, from, to, height: heightIn(row), cover: rules.length('steel.cover.end') });
  return {
    value: left.map((stretch) => ({
      from: stretch.from,
      to: stretch.to,
      atStart: stretch.from === from ? hookedStart : null,
      atEnd: stretch.cutEnd || stretch.to !== to ? null : (hookedEnd ?? bend.value),
    })),
    problems: bend.problems,
  };
}

/** Horizontals of every course of a wall, cut by openings, lapped from stock. */
export function horizontals(
  own: SteelWall,
  all: LyingByWall,
  setting: Setting,
): Judged<readonly Bar[], SteelProblem> {
  const byCourse = new Map((all.get(own.wall.id) ?? []).map((lying) => [lying.course, lying]));
  const { value, problems } = flatOf(
    own.rows.map((row): Judged<readonly Bar[], SteelProblem> => {
      const lying = byCourse.get(row.course);
      if (!lying) return fine([]);
      const ways = waysOf({ own, row, lying, all, setting });
      const bars = flatOf(
        ways.value.flatMap((way) =>
          lying.offsets.map((_, nth) => barsOfWay({ own, row, way, lying, nth, setting })),
        ),
      );
      return { value: bars.value, problems: [...ways.problems, ...bars.problems] };
    }),
  );
  return { value, problems: inOne(own.wall.id, problems) };
}
