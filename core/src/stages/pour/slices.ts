import type { CourseRow } from '../courses';
import { type Length, nanometres, ZERO, max, min } from '../../kernel/measure';
import { type PlacedOpening, areaWithin } from '../openings';
import type { HouseRules } from '../../kernel/rules';
import { type Point, step } from '../../kernel/geometry/point';
import { type BuiltLoop, type Shell, type Wall, alongArc } from '../outline';

/** A stretch of wall that is filled from one place of the hose. */
export interface Slice {
  readonly index: number;
  readonly loop: string;
  readonly wall: string;
  readonly name: string;
  /** From the wall's first corner along its outside face. */
  readonly from: Length;
  readonly to: Length;
  /** Its middle in the plan, over the middle of the core. */
  readonly at: Point;
  /** The opening under whose sill, or over whose head, it lies. */
  readonly opening: PlacedOpening | null;
}

/** The middle of a stretch of a wall on the plan. */
export function pointOver(built: BuiltLoop, wall: Wall, along: number, aside: number): Point {
  const corner = built.faces.formOutside[built.walls.indexOf(wall)] ?? ({ x: 0, y: 0 } as Point);
  if (!wall.curve) return step(corner, wall.heading, along, aside);
  const { curve } = wall;
  const turned = curve.sweep > 0 ? curve.outside - aside : curve.outside + aside;
  const start = step(corner, wall.heading, 0, aside);
  return alongArc({
    from: start,
    heading: wall.heading,
    radius: nanometres(turned),
    sweep: curve.sweep,
    share: along / wall.length,
  });
}

/** Where a wall is cut into slices: at every opening's sides, and between them so that none is longer than a step of the hose. */
function edgesOf(wall: Wall, openings: readonly PlacedOpening[], hose: Length): readonly Length[] {
  const fixed = [0, ...openings.flatMap(({ concrete }) => [concrete.from, concrete.to]), wall.length]
    .map((edge) => Math.min(Math.max(edge, 0), wall.length))
    .sort((a, b) => a - b)
    .filter((edge, index, all) => index === 0 || edge > (all[index - 1] ?? 0));
  return fixed.flatMap((edge, index): Length[] => {
    const next = fixed[index + 1];
    if (next === undefined) return [edge as Length];
    const parts = Math.max(1, Math.round((next - edge) / hose));
    return Array.from({ length: parts }, (_, part) => nanometres(edge + ((next - edge) * part) / parts));
  });
}

/** Every wall of the job in slices, outline by outline, clockwise from its corner A. */
export function slicesOf(
  shell: Shell,
  openings: readonly PlacedOpening[],
  rules: HouseRules,
): readonly Slice[] {
  const hose = rules.length('pour.hose.step');
  let index = 0;
  return shell.loops.flatMap(({ id, built }) =>
    (built?.walls ?? []).flatMap((wall): Slice[] => {
      if (!built) return [];
      const own = openings
        .filter((each) => each.worked && each.wall === wall.id)
        .sort((a, b) => a.concrete.bottom - b.concrete.bottom);
      const edges = edgesOf(wall, own, hose);
      return edges.slice(1).map((to, before): Slice => {
        const from = edges[before] ?? ZERO;
        const middle = (from + to) / 2;
        return {
          index: index++,
          loop: id,
          wall: wall.id,
          name: wall.name,
          from,
          to,
          at: pointOver(built, wall, middle, wall.thickness / 2),
          opening: own.find(({ concrete }) => concrete.from <= middle && middle <= concrete.to) ?? null,
        };
      });
    }),
  );
}

/** What `faceOf` goes by. */
interface FaceOfInput {
  readonly slice: Slice;
  readonly wall: Wall;
  readonly rows: readonly CourseRow[];
  readonly openings: readonly PlacedOpening[];
  readonly bottom: Length;
  readonly top: Length;
}

/**
 * How much of a wall's face a slice has between two heights, openings left out, in square metres. It shares a wall's concrete out
 * among its slices; corners count to the middle of the core.
 */
export function faceOf({ slice, wall, rows, openings, bottom, top }: FaceOfInput): number {
  const first = slice.from === 0;
  const last = slice.to === wall.length;
  const from = first ? wall.coreInset.start : Math.max(slice.from, wall.coreInset.start);
  const to = last ? wall.length - wall.coreInset.end : Math.min(slice.to, wall.length - wall.coreInset.end);
  return rows.reduce((sum, row) => {
    const rect = {
      from: nanometres(Math.max(from, row.from === 0 ? from : row.from)),
      to: nanometres(Math.min(to, row.to === wall.length ? to : row.to)),
      bottom: max(bottom, row.bottom),
      top: min(top, row.top),
    };
    if (rect.to <= rect.from || rect.top <= rect.bottom) return sum;
    const whole = ((rect.to - rect.from) / 1e9) * ((rect.top - rect.bottom) / 1e9);
    return (
      sum +
      Math.max(
        0,
        openings.reduce((left, each) => left - areaWithin(each.concrete, rect), whole),
      )
    );
  }, 0);
}
