import { type Judged, allOf, fine, flatOf } from '../../kernel/judged';
import type { FootingKind, FootingPlan } from './plan';
import type { WalkRow } from '../outline/plan';
import { footingRules } from './rules';
import {
  type Angle,
  type Length,
  type UnitSystem,
  add,
  cosine,
  min,
  nanometres,
  sine,
  readLength,
  subtract,
  ZERO,
  abs,
  max,
} from '../../kernel/measure';
import type { Plan } from '../../kernel/plan';
import type { HouseRules } from '../../kernel/rules';
import { type Line, offsetCorners } from '../../kernel/geometry/offset';
import { type Point, distance, footOn, step } from '../../kernel/geometry/point';
import {
  type BuiltLoop,
  type Levels,
  type Shell,
  type Tee,
  type Wall,
  arcPoints,
  radiansOf,
  radiusAt,
  wallsOf,
} from '../outline';
import type { FootingProblem } from './problem';

/** A step of the footing under a wall: where, and how high its riser is. */
export interface Riser {
  readonly at: Length;
  readonly height: Length;
}

/** One wall's footing. */
export interface WallBase {
  readonly wall: string;
  readonly name: string;
  readonly width: Length;
  readonly thickness: Length;
  /** From the footing's edge to the form's face, on either side: where the chalk lines run. Negative where the form hangs over. */
  readonly outer: Length;
  readonly inner: Length;
  /** Lengths of the footing's own edges. */
  readonly outerLength: Length;
  readonly innerLength: Length;
  /** Where its edges begin and end on the plan; on an arc, the ends of their chords. */
  readonly outerSide: readonly [Point, Point];
  readonly innerSide: readonly [Point, Point];
  /** The stretch beside which both edges run, from the wall's first corner on its outside face. */
  readonly both: { readonly from: Length; readonly to: Length };
  /** Lengths of planks along its edges, from long point to long point of their mitres. */
  readonly plankOuter: Length;
  readonly plankInner: Length;
  /** Lengths of the form's own faces, which lie off the middle of the footing where the wall does. */
  readonly formOutside: Length;
  readonly formInside: Length;
  readonly risers: readonly Riser[];
}

/** The footing of one outline: its edges from above, and its walls' own. */
export interface LoopBase {
  readonly loop: string;
  readonly outer: readonly Point[];
  readonly inner: readonly Point[];
  readonly walls: readonly WallBase[];
}

/** How wide the footing of a wall is, and how far its edges lie from the form's faces. */
type Chalk = Pick<WallBase, 'width' | 'outer' | 'inner'>;

const UNCHALKED: Chalk = { width: ZERO, outer: ZERO, inner: ZERO };

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

/** A line along the walls of a loop at some depth of each, negative outside them: its corners, and the length along every wall. */
interface Edge {
  readonly corners: readonly Point[];
  /** Where every wall's part of it begins and ends. */
  readonly sides: readonly (readonly [Point, Point])[];
  readonly lengths: readonly Length[];
}

/** How much sooner a line ends than its open walk does, where that meets another wall's footing. */
interface Trim {
  readonly start: Length;
  readonly end: Length;
}

const UNTRIMMED: Trim = { start: ZERO, end: ZERO };

function edgeAt(built: BuiltLoop, inward: readonly Length[], trim = UNTRIMMED): Edge {
  const { walls, open } = built;
  const from = built.faces.formOutside;
  const turns = new Map(built.corners.map((corner) => [corner.wallAfter, corner.turn]));
  const lines = walls.map((wall, index): Line => ({
    from: from[index] as Point,
    heading: wall.heading,
    turnIn: turns.get(wall.id) ?? (0 as Angle),
  }));
  const joined = offsetCorners(lines, inward);
  const last = walls.length - 1;
  const final = walls[last] as Wall;
  const starts = open
    ? [step(lines[0]?.from as Point, lines[0]?.heading as Angle, trim.start, inward[0]), ...joined.slice(1)]
    : joined;
  const nexts = [
    ...starts.slice(1),
    open
      ? step(from[last + 1] as Point, final.heading, nanometres(-trim.end), inward[last])
      : (starts[0] as Point),
  ];
  /** Whether the wall after one goes straight on, perhaps with a footing that lies otherwise. */
  const straightOn = (index: number): boolean =>
    (open ? lines[index + 1] : lines[(index + 1) % walls.length])?.turnIn === 0;
  const ends = walls.map((wall, index) =>
    straightOn(index) && !wall.curve
      ? footOn({ from: starts[index] as Point, heading: wall.heading }, nexts[index] as Point)
      : (nexts[index] as Point),
  );
  const radius = (wall: Wall, index: number): Length =>
    wall.curve ? radiusAt(wall.curve.outside, wall.curve.sweep, inward[index] ?? 0) : ZERO;
  return {
    corners: walls
      .flatMap((wall, index) => [
        starts[index] as Point,
        ...(wall.curve
          ? arcPoints(starts[index] as Point, wall.heading, radius(wall, index), wall.curve.sweep).slice(
              0,
              -1,
            )
          : straightOn(index)
            ? [ends[index] as Point]
            : []),
      ])
      .concat(open ? [ends[last] as Point] : []),
    sides: walls.map((_, index) => [starts[index] as Point, ends[index] as Point] as const),
    lengths: walls.map((wall, index) =>
      wall.curve
        ? nanometres(radius(wall, index) * Math.abs(radiansOf(wall.curve.sweep)))
        : distance(starts[index] as Point, ends[index] as Point),
    ),
  };
}

/** The stretch of a wall beside which both edges of its footing run; along an arc, the shorter edge about the wall's middle. */
function besideBoth(
  wall: Wall,
  corner: Point,
  edges: readonly [Edge, Edge],
  index: number,
): WallBase['both'] {
  if (wall.curve) {
    const clear = min(edges[0].lengths[index] ?? ZERO, edges[1].lengths[index] ?? ZERO);
    const from = nanometres((wall.length - clear) / 2);
    return { from, to: add(from, clear) };
  }
  const along = ({ x, y }: Point): Length =>
    nanometres((x - corner.x) * cosine(wall.heading) + (y - corner.y) * sine(wall.heading));
  const [one, other] = edges.map(({ sides }) => sides[index] as readonly [Point, Point]) as [
    readonly [Point, Point],
    readonly [Point, Point],
  ];
  return { from: max(along(one[0]), along(other[0])), to: min(along(one[1]), along(other[1])) };
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
  /** What the footing of the wall that is met reaches to inside it: a footing that joins it begins there. */
  const joins = (tee: Tee | null): Length => (tee ? max(ZERO, chalkBy.get(tee.wall)?.inner ?? ZERO) : ZERO);
  const { value: loops, problems } = flatOf(
    shell.loops.map(({ id, built }): Judged<readonly LoopBase[], FootingProblem> => {
      if (!built) return fine([]);
      const chalk = built.walls.map((wall) => chalkBy.get(wall.id) ?? UNCHALKED);
      const trim: Trim = { start: joins(built.tees.start), end: joins(built.tees.end) };
      const beyond = (more: Length) =>
        edgeAt(
          built,
          chalk.map((each) => subtract(subtract(ZERO, each.outer), more)),
          trim,
        );
      const within = (more: Length) =>
        edgeAt(
          built,
          chalk.map((each, index) => ((built.walls[index]?.thickness ?? 0) + each.inner + more) as Length),
          trim,
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
      const longer = (near: Edge, far: Edge, index: number): Length =>
        Math.max(near.lengths[index] ?? 0, far.lengths[index] ?? 0) as Length;
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
        plankOuter: longer(outer, outerFar, index),
        plankInner: longer(inner, innerFar, index),
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
    loops,
    problems: [...width.problems, ...depth.problems, ...chalked.problems, ...problems, ...sheet.problems],
  };
}
