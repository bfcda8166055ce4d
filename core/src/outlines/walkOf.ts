import type { Point } from '../kernel/geometry/point';
import { firstCrossing } from '../kernel/geometry/polygon';
import { type Angle, type UnitSystem, nanometres, storeTurn, degrees } from '../kernel/measure';
import { arcPoints } from '../stages/outline';
import { type FileLine, type FoundOutline, type LeftOut, type Vertex, MOST_WALLS } from './found';
import { storedOnTape } from './onTape';

/** Corners nearer than this are one: a tenth of a millimetre. [ours] */
const SAME = 100_000;
/** Lengths this near to one that a tape shows are that one, in nanometres: what is off is the file’s own rounding. [ours] */
const OFF_TAPE = 2_000;
/** Turns this near to a hundredth of a degree are that, in degrees. [ours] */
const OFF_DEGREE = 0.0005;
/** Sides that turn less than this go straight on, in degrees: one wall. [ours] */
const STRAIGHT = 0.01;
/** Longer than any building, 2 km in nanometres: the unit is wrong. [ours] */
const LONGEST = 2e12;

interface Side {
  readonly from: Vertex;
  readonly to: Vertex;
  readonly length: number;
  /** Headings at its two ends, in degrees, clockwise from the right. */
  readonly out: number;
  readonly into: number;
  /** Degrees that it turns, right positive; 0 where it is straight. */
  readonly sweep: number;
  readonly radius: number;
}

const toDegrees = (radians: number): number => (radians * 180) / Math.PI;
/** An angle within (-180, 180]. */
const turnBetween = (from: number, to: number): number => {
  const turn = (((to - from) % 360) + 360) % 360;
  return turn > 180 ? turn - 360 : turn;
};

function sideBetween(from: Vertex, to: Vertex): Side {
  const chord = Math.hypot(to.x - from.x, to.y - from.y);
  const heading = toDegrees(Math.atan2(to.y - from.y, to.x - from.x));
  const bulge = from.bulge ?? 0;
  if (Math.abs(bulge) < 1e-9) {
    return { from, to, length: chord, out: heading, into: heading, sweep: 0, radius: 0 };
  }
  const sweep = toDegrees(4 * Math.atan(bulge));
  const radius = chord / (2 * Math.sin((Math.abs(sweep) / 2) * (Math.PI / 180)));
  return {
    from,
    to,
    length: (radius * Math.abs(sweep) * Math.PI) / 180,
    out: heading - sweep / 2,
    into: heading + sweep / 2,
    sweep,
    radius,
  };
}

/** A line without its repeated corners. */
function distinct(vertices: readonly Vertex[], closed: boolean): readonly Vertex[] {
  const near = (a: Vertex, b: Vertex): boolean => Math.hypot(a.x - b.x, a.y - b.y) <= SAME;
  const kept: Vertex[] = [];
  for (const vertex of vertices) {
    const last = kept.at(-1);
    if (last && near(last, vertex)) kept[kept.length - 1] = { ...vertex };
    else kept.push(vertex);
  }
  const [first] = kept;
  const last = kept.at(-1);
  if (closed && kept.length > 1 && first && last && near(first, last)) kept.pop();
  return kept;
}

/** The same line walked the other way. */
function reversed(vertices: readonly Vertex[], closed: boolean): readonly Vertex[] {
  const count = vertices.length;
  return vertices.map((_, index) => {
    const { x, y } = vertices[count - 1 - index] as Vertex;
    // The side that leaves this corner now is the one that came to it.
    const side = vertices[(2 * count - 2 - index) % count];
    const bulge = !closed && index === count - 1 ? 0 : -(side?.bulge ?? 0);
    return bulge === 0 ? { x, y } : { x, y, bulge };
  });
}

/** Twice its area, arcs as chords with their segments; positive where it runs clockwise on the plan. */
function doubledArea(sides: readonly Side[]): number {
  return sides.reduce((sum, { from, to, sweep, radius }) => {
    const angle = (Math.abs(sweep) * Math.PI) / 180;
    const segment = Math.sign(sweep) * radius * radius * (angle - Math.sin(angle));
    return sum + (from.x * to.y - to.x * from.y) + segment;
  }, 0);
}

const sidesOf = (vertices: readonly Vertex[], closed: boolean): readonly Side[] =>
  vertices
    .slice(0, closed ? undefined : -1)
    .map((from, index) => sideBetween(from, vertices[(index + 1) % vertices.length] as Vertex));

/** Corners at which straight sides go straight on are none. */
function withoutStraights(vertices: readonly Vertex[], closed: boolean): readonly Vertex[] {
  const sides = sidesOf(vertices, closed);
  return vertices.filter((_, index) => {
    const before = sides[(index + sides.length - 1) % sides.length];
    const after = sides[index];
    if (!before || !after || (!closed && (index === 0 || index === vertices.length - 1))) return true;
    return (
      before.sweep !== 0 || after.sweep !== 0 || Math.abs(turnBetween(before.into, after.out)) > STRAIGHT
    );
  });
}

/** A walk begins where a side runs to the right, so that the plan lies as the file has it: the highest, then the leftmost of them. */
function begunAt(vertices: readonly Vertex[]): readonly Vertex[] {
  const sides = sidesOf(vertices, true);
  const off = (side: Side): number => Math.abs(turnBetween(0, side.out));
  const least = Math.min(...sides.map(off));
  const start = sides.reduce((best, side, index) => {
    if (off(side) > least + STRAIGHT) return best;
    const found = sides[best];
    if (!found || off(found) > least + STRAIGHT) return index;
    const higher = side.from.y - found.from.y;
    return higher < -SAME || (Math.abs(higher) <= SAME && side.from.x < found.from.x) ? index : best;
  }, 0);
  return [...vertices.slice(start), ...vertices.slice(0, start)];
}

function angleOf(turn: number): Angle {
  const whole = Math.round(turn * 100) / 100;
  return degrees(Math.abs(whole - turn) <= OFF_DEGREE ? whole : turn);
}

const pointOf = ({ x, y }: Vertex): Point => ({ x: nanometres(x), y: nanometres(y) });

/** Its corners with arcs in short sides. */
const drawnOf = (sides: readonly Side[], closed: boolean): readonly Point[] => [
  ...sides.flatMap(({ from, out, sweep, radius }): readonly Point[] =>
    sweep === 0
      ? [pointOf(from)]
      : [pointOf(from), ...arcPoints(pointOf(from), degrees(out), radius, degrees(sweep)).slice(0, -1)],
  ),
  ...(closed || sides.length === 0 ? [] : [pointOf((sides.at(-1) as Side).to)]),
];

/** A line of a file as an outline, without its openings; or why it is none. */
export function walkOf(
  line: FileLine,
  units: UnitSystem,
): { readonly outline: FoundOutline } | { readonly leftOut: LeftOut } {
  const leftOut = (why: string): { readonly leftOut: LeftOut } => ({ leftOut: { what: line.name, why } });
  if (line.vertices.some(({ x, y }) => !(Math.abs(x) < 1e15 && Math.abs(y) < 1e15))) {
    return leftOut('Its coordinates are no lengths.');
  }
  const whole = distinct(line.vertices, line.closed);
  const kept = whole.length < 3 ? whole : withoutStraights(whole, line.closed);
  if (kept.length < 2) return leftOut('It has fewer than two corners.');
  if (kept.length > MOST_WALLS) {
    return leftOut(`It has ${String(kept.length)} sides; a plan has ${String(MOST_WALLS)} at most.`);
  }
  const clockwise = !line.closed || doubledArea(sidesOf(kept, true)) > 0;
  const right = clockwise ? kept : reversed(kept, line.closed);
  const vertices = line.closed ? begunAt(right) : right;
  const sides = sidesOf(vertices, line.closed);
  const drawn = drawnOf(sides, line.closed);
  if (line.closed && sides.length < 3 && sides.every(({ sweep }) => sweep === 0)) {
    return leftOut('It has fewer than three sides.');
  }
  const perimeter = sides.reduce((sum, { length }) => sum + length, 0);
  if (perimeter > LONGEST) return leftOut('It is longer than a mile round. Is the unit right?');
  const crossing = firstCrossing(drawn, line.closed);
  if (crossing) return leftOut('It crosses itself.');
  if (line.closed && Math.abs(doubledArea(sides)) < 2 * SAME * SAME) return leftOut('It encloses nothing.');
  const turns = sides.map(({ into }, index) => {
    const next = sides[line.closed ? (index + 1) % sides.length : index + 1];
    return next ? turnBetween(into, next.out) : 90;
  });
  if (turns.some((turn) => Math.abs(turn) > 179.9)) return leftOut('It turns back on itself.');
  return {
    outline: {
      name: line.name,
      closed: line.closed,
      rows: sides.map(({ length, sweep, radius }, index) => {
        const turn = turns[index] ?? 90;
        const row = {
          length: storedOnTape(length, units, OFF_TAPE),
          turn: storeTurn(Math.abs(turn) <= STRAIGHT ? (0 as Angle) : angleOf(turn)),
        };
        return sweep === 0
          ? row
          : {
              ...row,
              curve: { radius: storedOnTape(radius, units, OFF_TAPE), sweep: storeTurn(angleOf(sweep)) },
            };
      }),
      drawn,
      corners: vertices.map(pointOf),
      perimeter,
      openings: [],
    },
  };
}
