import type { CourseRow, RowLimit } from '../courses';
import { barCourses } from '../forms';
import { type Length, add, nanometres, subtract, toDegrees } from '../measure';
import { centreOf, halfWidthAt } from '../openings';
import type { HouseRules } from '../rules';
import type { Corner } from '../shell';
import type { Bar } from './bar';
import { cutLengthOf, standardHook } from './bends';
import { TOP_BAR_DEPTH } from './laps';
import { splitRun } from './runs';
import { type Setting, type SteelWall, sizeOf, slotIn } from './setting';
import type { BarSize } from './sizes';

/** How much of a row no row of a course lies over or under. */
const uncovered = (row: CourseRow, course: number, rows: readonly CourseRow[]): number =>
  rows
    .filter((each) => each.course === course)
    .reduce(
      (left, each) => left - Math.max(0, Math.min(row.to, each.to) - Math.max(row.from, each.from)),
      row.to - row.from,
    );

/** Courses that are the lowest, or the highest, of some stretch of a wall: over each step of its footing, under each lower top. */
function edgeCourses({ rows, wall }: SteelWall): {
  readonly bottoms: ReadonlySet<number>;
  readonly tops: ReadonlySet<number>;
} {
  // Rows may begin a wall's thickness apart where they end at a step.
  const bare = (row: CourseRow, course: number): boolean => uncovered(row, course, rows) > wall.thickness;
  return {
    bottoms: new Set(rows.filter((row) => bare(row, row.course - 1)).map((row) => row.course)),
    tops: new Set(rows.filter((row) => bare(row, row.course + 1)).map((row) => row.course)),
  };
}

/** Courses of a wall in which a horizontal lies, with how many bars. */
export function barsByCourse(own: SteelWall, setting: Setting): ReadonlyMap<number, number> {
  const courses = [...new Set(own.rows.map((row) => row.course))];
  const { bottoms, tops } = edgeCourses(own);
  const [bottom] = courses;
  const top = courses.at(-1);
  if (bottom === undefined || top === undefined) return new Map();
  // A course that its stage fills only half way gets none in that pour.
  const half = new Set(
    setting.stages
      .filter((stage, index) => stage.top === 'half' && index < setting.stages.length - 1)
      .map((stage) => stage.toCourse),
  );
  const third = (top - bottom) / 3;
  const least = new Set([bottom, Math.round(bottom + third), Math.round(bottom + 2 * third), top]);
  const { family } = setting.shell;
  const makers = family?.kind === 'cell' ? new Set(barCourses(family, setting.courses.count)) : null;
  return new Map(
    courses.flatMap((course): [number, number][] => {
      const rules = setting.rulesIn(own.wall.id, course);
      if (bottoms.has(course)) return [[course, rules.count('steel.horizontal.bottom')]];
      if (tops.has(course)) return [[course, rules.count('steel.horizontal.top')]];
      if (half.has(course)) return [];
      const step = course - bottom;
      switch (rules.choice('steel.horizontal.courses')) {
        case 'second':
          return step % 2 === 0 ? [[course, 1]] : [];
        case 'third':
          return step % 3 === 0 ? [[course, 1]] : [];
        case 'least':
          return least.has(course) ? [[course, 1]] : [];
        case 'maker':
          return makers === null || makers.has(course) ? [[course, 1]] : [];
        default:
          return [[course, 1]];
      }
    }),
  );
}

/** How far inside the end of a row its bar ends: negative where it runs on past the face line, into the wall round an inside corner. */
function insetAt(limit: RowLimit, atStart: boolean, own: SteelWall, rules: HouseRules): Length {
  const { built, wall } = own;
  const cover = rules.length('steel.cover.end');
  if (limit === 'free') return add(wall.skin, cover);
  if (limit === 'footing') return cover;
  if (limit === 'joint') return 0 as Length;
  if (limit === 'tee') {
    const tee = atStart ? built.tees.start : built.tees.end;
    return nanometres(-(tee?.skin ?? 0));
  }
  const corner = built.corners.find((each) => (atStart ? each.wallAfter : each.wallBefore) === wall.id);
  const other = built.walls.find((each) => each.id === (atStart ? corner?.wallBefore : corner?.wallAfter));
  if (!corner || !other) return cover;
  const turn = Math.abs(Math.tan((toDegrees(corner.turn) / 2) * (Math.PI / 180)));
  // To the far face of the other wall's core, less cover.
  const face = corner.kind === 'outside' ? other.skin : other.skin - other.thickness;
  return nanometres(face * turn + cover);
}

/** What openings leave of a stretch at a height, each end drawn in by the cover. */
export function leftBeside(
  own: SteelWall,
  from: Length,
  to: Length,
  height: Length,
  cover: Length,
): readonly {
  readonly from: Length;
  readonly to: Length;
  readonly cutStart: boolean;
  readonly cutEnd: boolean;
}[] {
  const gaps = own.openings
    .filter(({ concrete }) => concrete.bottom - cover < height && height < concrete.top + cover)
    .map(({ concrete }) => {
      const inside = Math.min(Math.max(height, concrete.bottom), concrete.top) as Length;
      const half = halfWidthAt(concrete, inside);
      return { from: centreOf(concrete) - half - cover, to: centreOf(concrete) + half + cover };
    })
    .sort((a, b) => a.from - b.from);
  const left: { from: Length; to: Length; cutStart: boolean; cutEnd: boolean }[] = [];
  let at: number = from;
  let cut = false;
  for (const gap of gaps) {
    if (gap.from > at)
      left.push({
        from: nanometres(at),
        to: nanometres(Math.min(gap.from, to)),
        cutStart: cut,
        cutEnd: gap.from < to,
      });
    if (gap.to > at) {
      at = gap.to;
      cut = true;
    }
  }
  if (to > at) left.push({ from: nanometres(at), to, cutStart: cut, cutEnd: false });
  return left.filter((each) => each.to > each.from);
}

/** Bars of one stretch of a row: lapped from stock, with a bend round the corner at its end where the school has it so. */
function barsOfStretch(
  own: SteelWall,
  row: CourseRow,
  stretch: { readonly from: Length; readonly to: Length },
  bend: Length,
  size: BarSize,
  count: number,
  offset: Length,
  height: Length,
  setting: Setting,
): readonly Bar[] {
  const rules = setting.rulesIn(own.wall.id, row.course);
  const lap = setting.lapOf(size, isTopBar(own, row, setting));
  // The leg round the corner comes out of the same bar as the last piece.
  const run = add(subtract(stretch.to, stretch.from), bend);
  const hook = standardHook(size);
  const clear = rules.length('steel.lap.clear');
  return splitRun(run, setting.stock, lap, clear, row.course % 2 === 0).map((piece, index, all): Bar => {
    const round = index === all.length - 1 ? bend : (0 as Length);
    const length = subtract(subtract(piece.to, piece.from), round);
    const legs = round > 0 ? [length, round] : [length];
    return {
      id: `h:${own.wall.id}:${String(row.course)}:${String(stretch.from)}:${String(index)}`,
      use: 'horizontal',
      size: size.id,
      wall: own.wall.id,
      count,
      course: row.course,
      set: { course: row.course, when: 'in' },
      from: add(stretch.from, piece.from),
      to: subtract(add(stretch.from, piece.to), round),
      bottom: height,
      top: height,
      offset,
      legs,
      cut: cutLengthOf(legs, size, hook),
      laps: piece.laps,
    };
  });
}

/** The lowest concrete of a wall: what lies under a bar is counted from there. */
const lowest = (own: SteelWall, setting: Setting): Length =>
  Math.min(...(setting.levels.walls[own.wall.id] ?? []).map((span) => span.bottom)) as Length;

/** Whether so much fresh concrete lies under a course's bar that it bonds less. */
const isTopBar = (own: SteelWall, row: CourseRow, setting: Setting): boolean =>
  heightIn(row) - lowest(own, setting) > TOP_BAR_DEPTH;

/** Height at which a horizontal of a course lies: the middle of it, where the webs' slots are. */
const heightIn = (row: CourseRow): Length => nanometres((row.bottom + row.top) / 2);

/** How much of a wall an opening leaves at one of its corners, at the height of a row's bar; from where the bar ends there. */
function roomAt(own: SteelWall, row: CourseRow, atStart: boolean, rules: HouseRules): Length {
  const from = add(row.from, insetAt(row.start, true, own, rules));
  const to = subtract(row.to, insetAt(row.end, false, own, rules));
  const stretches = leftBeside(own, from, to, heightIn(row), rules.length('steel.cover.end'));
  const [first] = stretches;
  const last = stretches.at(-1);
  if (atStart) return first && !first.cutStart ? subtract(first.to, first.from) : (0 as Length);
  return last && !last.cutEnd ? subtract(last.to, last.from) : (0 as Length);
}

/** The leg of a bar round a corner: a lap, or as much as an opening beside the corner leaves, which is told. */
function legAt(
  own: SteelWall,
  row: CourseRow,
  atStart: boolean,
  lap: Length,
  corner: string,
  setting: Setting,
): Length {
  const room = roomAt(own, row, atStart, setting.rulesIn(own.wall.id, row.course));
  if (room < lap) {
    setting.problems.push({
      kind: 'corner-cut-short',
      wall: own.wall.id,
      corner,
      course: row.course,
      leg: room,
    });
  }
  return Math.min(room, lap) as Length;
}

/** Horizontals of every course, cut by openings, lapped from stock. */
export function horizontals(setting: Setting): readonly Bar[] {
  return setting.walls.flatMap((own) => {
    const counts = barsByCourse(own, setting);
    return own.rows
      .filter((row) => counts.has(row.course))
      .flatMap((row) => {
        const rules = setting.rulesIn(own.wall.id, row.course);
        const size = sizeOf(rules.choice('steel.horizontal.size'));
        const height = heightIn(row);
        const from = add(row.from, insetAt(row.start, true, own, rules));
        const to = subtract(row.to, insetAt(row.end, false, own, rules));
        const offset = own.slots[slotIn(own, row.course, rules) - 1] ?? (0 as Length);
        const bend = bendRound(own, row, size, setting);
        return leftBeside(own, from, to, height, rules.length('steel.cover.end')).flatMap((stretch) =>
          barsOfStretch(
            own,
            row,
            stretch,
            stretch.cutEnd || stretch.to !== to ? (0 as Length) : bend,
            size,
            counts.get(row.course) ?? 1,
            offset,
            height,
            setting,
          ),
        );
      });
  });
}

/** How far the bar at the end of a row is bent round its corner: nothing where a bar of its own goes round. */
function bendRound(own: SteelWall, row: CourseRow, size: BarSize, setting: Setting): Length {
  const rules = setting.rulesIn(own.wall.id, row.course);
  const corner = own.built.corners.find((each) => each.wallBefore === own.wall.id);
  const next = setting.walls.find((each) => each.wall.id === corner?.wallAfter);
  const nextRow = next?.rows.find((each) => each.course === row.course && each.start === 'corner');
  if (rules.choice('steel.corner') !== 'bend' || row.end !== 'corner' || !corner || !next || !nextRow) {
    return 0 as Length;
  }
  const met = sizeOf(setting.rulesIn(next.wall.id, row.course).choice('steel.horizontal.size'));
  const lap = setting.lapOfTwo(size, met, isTopBar(next, nextRow, setting));
  return legAt(next, nextRow, true, lap, corner.letter, setting);
}

/** A bar round every corner in every course in which both its walls have one; none where their own bars are bent. */
export function cornerBars(setting: Setting): readonly Bar[] {
  const byWall = new Map(setting.walls.map((own) => [own.wall.id, own]));
  const counts = new Map(setting.walls.map((own) => [own.wall.id, barsByCourse(own, setting)]));
  const corners = setting.shell.loops.flatMap((loop) => loop.built?.corners ?? []);
  const stands = new Set(
    setting.courses.rows.flatMap((row) => [
      ...(row.start === 'corner' ? [`${row.wall}:start:${String(row.course)}`] : []),
      ...(row.end === 'corner' ? [`${row.wall}:end:${String(row.course)}`] : []),
    ]),
  );
  return corners.flatMap((corner: Corner) => {
    const after = byWall.get(corner.wallAfter);
    const before = byWall.get(corner.wallBefore);
    if (!after || !before) return [];
    return [...(counts.get(corner.wallAfter) ?? new Map<number, number>())].flatMap(
      ([course, count]): Bar[] => {
        const rules = setting.rulesIn(after.wall.id, course);
        const both =
          counts.get(corner.wallBefore)?.has(course) === true &&
          stands.has(`${corner.wallBefore}:end:${String(course)}`) &&
          stands.has(`${corner.wallAfter}:start:${String(course)}`);
        const row = after.rows.find((each) => each.course === course);
        const rowBefore = before.rows.findLast((each) => each.course === course);
        if (!both || !row || !rowBefore || rules.choice('steel.corner') === 'bend') return [];
        const [own, other] = [after, before].map((each) =>
          sizeOf(setting.rulesIn(each.wall.id, course).choice('steel.horizontal.size')),
        ) as [BarSize, BarSize];
        // Where the walls' bars differ, the larger goes round.
        const size = own.diameter >= other.diameter ? own : other;
        const top = isTopBar(after, row, setting);
        const leg = legAt(after, row, true, setting.lapOfTwo(size, own, top), corner.letter, setting);
        const back = legAt(
          before,
          rowBefore,
          false,
          setting.lapOfTwo(size, other, top),
          corner.letter,
          setting,
        );
        // An opening that takes the whole corner at this height leaves nothing to go round to.
        if (leg <= 0 || back <= 0) return [];
        const height = heightIn(row);
        const start = insetAt('corner', true, after, rules);
        return [
          {
            id: `c:${corner.letter}:${String(course)}`,
            use: 'corner',
            size: size.id,
            wall: after.wall.id,
            count,
            course,
            set: { course, when: 'in' },
            from: start,
            to: add(start, leg),
            bottom: height,
            top: height,
            offset: after.slots[slotIn(after, course, rules) - 1] ?? (0 as Length),
            legs: [back, leg],
            cut: cutLengthOf([back, leg], size, standardHook(size)),
            laps: { before: back, after: leg },
            corner: corner.letter,
          },
        ];
      },
    );
  });
}
