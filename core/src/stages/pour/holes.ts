import type { CourseRow, Courses } from '../courses';
import { type Run, besideGaps } from '../../kernel/geometry/gaps';
import type { Judged } from '../../kernel/judged';
import { type Length, add, half, nanometres, subtract } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import type { PlacedOpening } from '../openings';
import type { Levels, Shell } from '../outline';
import type { LiftSpan } from './lifts';
import type { PourProblem } from './problem';
import type { Slice } from './slices';
import type { Stop } from './stops';

/** A hole cut in the face of a wall of cells, through which a lift is filled and which is plugged before the next. */
export interface AccessHole {
  readonly wall: string;
  readonly name: string;
  /** Its number along the wall in its lift, from 1. */
  readonly number: number;
  /** The lift that is filled through it, from 1; the last one is filled from the top. */
  readonly lift: number;
  /** The course it is cut in, the first whose middle is above the lift’s top. */
  readonly course: number;
  /** Middle of its cell, from the wall’s first corner along its outside face. */
  readonly at: Length;
  /** Its own middle, above the lowest footing. */
  readonly up: Length;
}

/** What `holesOf` goes by. */
interface HolesInput {
  readonly pour: string;
  readonly lifts: readonly LiftSpan[];
  readonly shell: Shell;
  readonly levels: Levels;
  readonly courses: Courses;
  readonly openings: readonly PlacedOpening[];
  readonly rules: HouseRules;
}

/** Stretches of a course that stand between openings, those that touch as one. */
function runsOf(rows: readonly CourseRow[], openings: readonly PlacedOpening[]): readonly Run[] {
  const joined: { from: Length; to: Length }[] = [];
  for (const { from, to } of [...rows].sort((a, b) => a.from - b.from)) {
    const last = joined.at(-1);
    if (last?.to === from) last.to = to;
    else joined.push({ from, to });
  }
  const gaps = openings.map(({ concrete }) => concrete);
  return joined.flatMap((run) => besideGaps(run, gaps));
}

/**
 * The fewest cells of a stretch such that none of it lies farther than half a spacing from one of them: each as far on as it may be.
 *
 * @param cells middles of its cells, in order
 * @returns what is farther away is not filled; then `gap` is the farthest
 * @example cellsFor([7, 21, 35], { from: 0, to: 42 }, 28).at // [7, 35]
 */
export function cellsFor(
  cells: readonly number[],
  { from, to }: Readonly<Record<keyof Run, number>>,
  spacing: number,
): { readonly at: readonly number[]; readonly gap: number } {
  const chosen: number[] = [];
  let gap = 0;
  let reach = from + spacing / 2;
  let filled = from;
  while (filled < to) {
    const ahead = cells.filter((cell) => cell > (chosen.at(-1) ?? -Infinity));
    const next = ahead.findLast((cell) => cell <= reach) ?? ahead[0];
    if (next === undefined) break;
    gap = Math.max(gap, next - spacing / 2 - filled);
    chosen.push(next);
    filled = next + spacing / 2;
    reach = filled + spacing / 2;
  }
  return { at: chosen, gap: Math.max(gap, to - filled, 0) };
}

/**
 * The access holes of a pour that is filled through the face of its walls: for every lift but the last, which is filled from the top,
 * in the course above the lift, at cells close enough together that the concrete runs from each to the next.
 */
export function holesOf({
  pour,
  lifts,
  shell,
  levels,
  courses,
  openings,
  rules,
}: HolesInput): Judged<readonly AccessHole[], PourProblem> {
  const spacing = rules.length('pour.hole.spacing');
  const grid = shell.family?.kind === 'cell' ? shell.family.cellSpacing : null;
  if (grid === null) return { value: [], problems: [] };
  const problems: PourProblem[] = [];
  const walls = shell.loops.flatMap(({ built }) => built?.walls ?? []);
  const found = lifts.slice(0, -1).flatMap(({ top }, index) => {
    // Its middle is no lower than the lift: what is filled through it must not run out of it.
    const course = levels.tops.findIndex(
      (each, at) => at > 0 && each > top && half(add(each, levels.tops[at - 1] ?? each)) >= top,
    );
    const [bottom, above] = [levels.tops[course - 1], levels.tops[course]];
    if (course < 1 || bottom === undefined || above === undefined) return [];
    return walls.flatMap((wall): AccessHole[] => {
      const rows = courses.rows.filter((row) => row.wall === wall.id && row.course === course);
      const own = openings.filter(
        (each) =>
          each.worked && each.wall === wall.id && each.concrete.top > bottom && each.concrete.bottom < above,
      );
      // A cell lies between two of the walls that part them, as far apart as the family has them; none is cut into at a joint.
      const cells = courses.pieces
        .flatMap((piece) =>
          piece.kind === 'corner' || piece.wall !== wall.id || piece.course !== course
            ? []
            : piece.webs.slice(1).flatMap((web, before) => {
                const last = piece.webs[before] ?? web;
                return subtract(web, last) === grid ? [add(piece.start, last, half(grid))] : [];
              }),
        )
        .sort((a, b) => a - b);
      const { holes, gap } = runsOf(rows, own).reduce<{ holes: readonly number[]; gap: number }>(
        (sum, run) => {
          const inside = cells.filter((cell) => cell > run.from && cell < run.to);
          const chosen = cellsFor(inside, run, spacing);
          return { holes: [...sum.holes, ...chosen.at], gap: Math.max(sum.gap, chosen.gap) };
        },
        { holes: [], gap: 0 },
      );
      // Half a cell more, and the concrete still gets there.
      if (gap > grid / 2) {
        problems.push({
          kind: 'hole-missing',
          pour,
          wall: wall.id,
          lift: index + 1,
          gap: nanometres(gap + spacing / 2),
          most: nanometres(spacing / 2),
        });
      }
      return holes.map((at, place) => ({
        wall: wall.id,
        name: wall.name,
        number: place + 1,
        lift: index + 1,
        course,
        at: at as Length,
        up: half(add(bottom, above)),
      }));
    });
  });
  return { value: found, problems };
}

/**
 * The stops of a pour through access holes: named by their hole, and with a move wherever the next hole is opened and the last one
 * plugged. Slices of one hole are filled through it one after the other.
 */
export function stopsByHole(
  stops: readonly Stop[],
  holes: readonly AccessHole[],
  slices: readonly Slice[],
): readonly Stop[] {
  let last: AccessHole | null = null;
  return stops.map((stop) => {
    const slice = stop.slice === null ? undefined : slices[stop.slice];
    const middle = slice ? (slice.from + slice.to) / 2 : 0;
    const near = holes
      .filter((hole) => hole.wall === stop.wall && hole.lift === stop.lift)
      .reduce<AccessHole | null>(
        (best, hole) =>
          best === null || Math.abs(hole.at - middle) < Math.abs(best.at - middle) ? hole : best,
        null,
      );
    if (!near) return stop;
    const move = last !== null && near !== last;
    last = near;
    return { ...stop, name: `${near.name}, hole ${String(near.number)}`, move };
  });
}
