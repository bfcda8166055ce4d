import { type Judged, allOf, fine, flatOf } from '../../kernel/judged';
import type { FootingKind, FootingPlan } from './plan';
import type { WalkRow } from '../outline/plan';
import { footingRules } from './rules';
import {
  type Length,
  type UnitSystem,
  ZERO,
  add,
  abs,
  max,
  min,
  nanometres,
  readLength,
  subtract,
} from '../../kernel/measure';
import type { Run } from '../../kernel/geometry/gaps';
import type { Point } from '../../kernel/geometry/point';
import type { Plan } from '../../kernel/plan';
import type { HouseRules } from '../../kernel/rules';
import { type Levels, type Shell, type Wall, crossingsOf, wallsOf } from '../outline';
import { type Chalk, type LoopBase, type Riser, UNCHALKED, type WallBase } from './base';
import { type Edge, alongWall, edgeAt } from './edge';
import { footingsMet, joinsOf } from './joining';
import type { FootingProblem } from './problem';

/** What the walls stand on. */
export interface Bases {
  readonly kind: FootingKind;
  readonly depth: Length;
  readonly withWall: boolean;
  /** Thickness of the thermal-break sheet; null where there is none. */
  readonly sheet: Length | null;
  readonly loops: readonly LoopBase[];
  readonly problems: readonly FootingProblem[];
}

/** `out 2in` is +2 in, `in 2in` −2 in; null where it cannot be read. */
function readOffset(text: string, units: UnitSystem): Length | null {
  const found = /^\s*(out|in)\s+(.*)$/i.exec(text);
  const reading = found && readLength(found[2] ?? '', units);
  if (!found || !reading?.ok || reading.length < 0) return null;
  return found[1]?.toLowerCase() === 'in' ? subtract(ZERO, reading.length) : reading.length;
}

/** What `lengthOr` goes by. */
interface LengthOrInput {
  readonly text: string | undefined;
  readonly usual: Length;
  readonly what: 'width' | 'depth' | 'sheet';
  readonly wall: string | null;
  readonly units: UnitSystem;
}

/** A typed size of the footing; the usual one where none is typed or it is out of range. */
function lengthOr({ text, usual, what, wall, units }: LengthOrInput): Judged<Length, FootingProblem> {
  if (text === undefined) return fine(usual);
  const reading = readLength(text, units);
  if (!reading.ok || reading.length <= 0) {
    return { value: usual, problems: [{ kind: 'text-unreadable', what, wall, text }] };
  }
  const { least, most } = footingRules[`footing.${what}`];
  if (reading.length >= least && reading.length <= most) return fine(reading.length);
  const given = reading.length;
  return { value: usual, problems: [{ kind: 'size-out-of-range', what, wall, given, least, most }] };
}

/** How far a wall stands off the middle of its footing. */
function offsetOf(row: WalkRow | undefined, wall: Wall, units: UnitSystem): Judged<Length, FootingProblem> {
  const text = row?.bearing?.offset;
  if (text === undefined) return fine(ZERO);
  const offset = readOffset(text, units);
  if (offset !== null) return fine(offset);
  return { value: ZERO, problems: [{ kind: 'text-unreadable', what: 'offset', wall: wall.id, text }] };
}

/** Where two lines along a wall begin and end, from the wall's first corner. */
const alongBoth = (
  wall: Wall,
  corner: Point,
  edges: readonly [Edge, Edge],
  index: number,
): readonly [Run, Run] => {
  const along = ({ sides }: Edge): Run => {
    const [from, to] = sides[index] as readonly [Point, Point];
    return { from: alongWall(wall, corner, from), to: alongWall(wall, corner, to) };
  };
  return [along(edges[0]), along(edges[1])];
};

/** The stretch of a wall beside which both edges of its footing run; along an arc, the shorter edge about the wall's middle. */
function besideBoth(wall: Wall, corner: Point, edges: readonly [Edge, Edge], index: number): Run {
  if (wall.curve) {
    const clear = min(edges[0].lengths[index] ?? ZERO, edges[1].lengths[index] ?? ZERO);
    const from = nanometres((wall.length - clear) / 2);
    return { from, to: add(from, clear) };
  }
  const [one, other] = alongBoth(wall, corner, edges, index);
  return { from: max(one.from, other.from), to: min(one.to, other.to) };
}

/** The stretch of planks along one edge, from long point to long point: the longer of their two faces at either end. */
function longPoints(wall: Wall, corner: Point, faces: readonly [Edge, Edge], index: number): Run {
  if (wall.curve) {
    return { from: ZERO, to: max(faces[0].lengths[index] ?? ZERO, faces[1].lengths[index] ?? ZERO) };
  }
  const [near, far] = alongBoth(wall, corner, faces, index);
  return { from: min(near.from, far.from), to: max(near.to, far.to) };
}

function risersOf(wall: Wall, levels: Levels): readonly Riser[] {
  const spans = levels.walls[wall.id] ?? [];
  return spans.flatMap((span, index): Riser[] => {
    const before = spans[index - 1];
    if (!before || before.bottom === span.bottom) return [];
    return [{ at: span.from, height: abs(subtract(span.bottom, before.bottom)) }];
  });
}

function judge(base: WallBase, least: Length): readonly FootingProblem[] {
  const { wall, width, thickness } = base;
  if (width < thickness) return [{ kind: 'narrower-than-wall', wall, width, thickness }];
  return (['outside', 'inside'] as const).flatMap((side): FootingProblem[] => {
    const left = side === 'outside' ? base.outer : base.inner;
    if (left < 0) return [{ kind: 'off-footing', wall, side, by: subtract(ZERO, left) }];
    return left < least ? [{ kind: 'edge-small', wall, side, left }] : [];
  });
}

/**
 * The footing under every wall. A wall stands in the middle of its footing unless the plan sets it off: the chalk lines
 * run (width − thickness) / 2 from its edges, moved by the offset. [common practice]
 *
 * @example buildBases(work(plan).shell, work(plan).levels, plan, rules).kind // 'strip'
 */
export function buildBases(
  shell: Shell,
  levels: Levels,
  plan: Pick<Plan, 'loops' | 'units' | 'footing'>,
  rules: HouseRules,
): Bases {
  const { units } = plan;
  const footing: FootingPlan = plan.footing ?? { kind: 'strip' };
  const width = lengthOr({
    text: footing.width,
    usual: rules.length('footing.width'),
    what: 'width',
    wall: null,
    units,
  });
  const depth = lengthOr({
    text: footing.depth,
    usual: rules.length('footing.depth'),
    what: 'depth',
    wall: null,
    units,
  });
  const sheet =
    footing.kind === 'sheet'
      ? lengthOr({
          text: footing.sheet,
          usual: rules.length('footing.sheet'),
          what: 'sheet',
          wall: null,
          units,
        })
      : fine(null);
  const rows = new Map(plan.loops.flatMap((loop) => loop.walk.map((row) => [row.id, row])));
  const plank = rules.length('footing.plank.thickness');
  const least = rules.length('footing.edge.least');
  const onRock = footing.kind === 'rock';
  const chalkOf = (wall: Wall): Judged<Chalk, FootingProblem> => {
    const row = rows.get(wall.id);
    // Bare rock has no edges: the wall is all that there is.
    const own = onRock
      ? fine(wall.thickness)
      : lengthOr({ text: row?.bearing?.width, usual: width.value, what: 'width', wall: wall.id, units });
    const offset = onRock ? fine(ZERO) : offsetOf(row, wall, units);
    const both = subtract(own.value, wall.thickness);
    const outer = nanometres(both / 2 - offset.value);
    return {
      value: { width: own.value, outer, inner: subtract(both, outer) },
      problems: [...own.problems, ...offset.problems],
    };
  };
  const chalked = allOf(wallsOf(shell).map(chalkOf));
  const chalkBy = new Map(wallsOf(shell).map(({ id }, index) => [id, chalked.value[index]]));
  const crossings = crossingsOf(shell);
  const { value: loops, problems } = flatOf(
    shell.loops.map(({ id, built }): Judged<readonly LoopBase[], FootingProblem> => {
      if (!built) return fine([]);
      const chalk = built.walls.map((wall) => chalkBy.get(wall.id) ?? UNCHALKED);
      const ends = footingsMet({ shell, built, crossings, chalkBy });
      const beyond = (more: Length) =>
        edgeAt(
          built,
          chalk.map((each) => subtract(subtract(ZERO, each.outer), more)),
          ends,
        );
      const within = (more: Length) =>
        edgeAt(
          built,
          chalk.map((each, index) => ((built.walls[index]?.thickness ?? 0) + each.inner + more) as Length),
          ends,
        );
      const [outer, outerFar] = [beyond(ZERO), beyond(plank)];
      const [inner, innerFar] = [within(ZERO), within(plank)];
      const faces = [
        edgeAt(
          built,
          built.walls.map(() => ZERO),
        ),
        edgeAt(
          built,
          built.walls.map((wall) => wall.thickness),
        ),
      ] as const;
      const walls = built.walls.map((wall, index): WallBase => ({
        wall: wall.id,
        name: wall.name,
        width: chalk[index]?.width ?? width.value,
        thickness: wall.thickness,
        outer: chalk[index]?.outer ?? ZERO,
        inner: chalk[index]?.inner ?? ZERO,
        outerLength: outer.lengths[index] ?? ZERO,
        innerLength: inner.lengths[index] ?? ZERO,
        outerSide: outer.sides[index] as readonly [Point, Point],
        innerSide: inner.sides[index] as readonly [Point, Point],
        both: besideBoth(wall, built.faces.formOutside[index] as Point, [outer, inner], index),
        planks: {
          outside: longPoints(wall, built.faces.formOutside[index] as Point, [outer, outerFar], index),
          inside: longPoints(wall, built.faces.formOutside[index] as Point, [inner, innerFar], index),
        },
        joins: [],
        freeEnds: built.open
          ? Number(index === 0 && !built.tees.start) +
            Number(index === built.walls.length - 1 && !built.tees.end)
          : 0,
        formOutside: faces[0].lengths[index] ?? ZERO,
        formInside: faces[1].lengths[index] ?? ZERO,
        risers: onRock ? [] : risersOf(wall, levels),
      }));
      return {
        value: [{ loop: id, outer: outer.corners, inner: inner.corners, walls }],
        problems: onRock ? [] : walls.flatMap((base) => judge(base, least)),
      };
    }),
  );
  return {
    kind: footing.kind,
    depth: depth.value,
    withWall: footing.withWall === true && !onRock,
    sheet: sheet.value,
    loops: loops.map((loop) => ({
      ...loop,
      walls: loop.walls.map((base) => ({ ...base, joins: joinsOf(base, { shell, crossings, loops }) })),
    })),
    problems: [...width.problems, ...depth.problems, ...chalked.problems, ...problems, ...sheet.problems],
  };
}
