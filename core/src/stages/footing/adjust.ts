import type { Pull } from './plan';
import { Matrix, pseudoInverse } from 'ml-matrix';
import {
  type Length,
  type UnitSystem,
  nanometres,
  NANOMETRES_PER_MILLIMETRE,
  readLength,
} from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import { type Point, distance } from '../../kernel/geometry/point';
import { type BuiltLoop, type Shell, wallsOf } from '../outline';
import type { FootingProblem } from './problem';

/** A pull of the tape between two corners, by their letters and their places in the loop. */
interface ReadPull {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly length: Length;
  readonly planned: Length;
}

/** A pull after the adjustment: what it misses by, and how large that is for such a pull. */
export interface JudgedPull extends ReadPull {
  /** Measured less adjusted. */
  readonly residual: Length;
  /** Residual in standard deviations of its own; null where nothing else checks this pull. */
  readonly weight: number | null;
}

/** How far a corner stands off, and where to move it. */
export interface CornerMove {
  readonly corner: string;
  readonly loop: string;
  /** Straight distance to where it should be. */
  readonly size: Length;
  /** The move along the corner's two walls, the larger part first: so much toward that corner. */
  readonly parts: readonly { readonly by: Length; readonly toward: string }[];
  /** Where it stands now, by the pulls. */
  readonly now: Point;
}

export interface LoopAdjustment {
  readonly loop: string;
  readonly pulls: readonly JudgedPull[];
  readonly moves: readonly CornerMove[];
  /** Measures more than the outline needs; nothing can be checked with none. */
  readonly spare: number;
  /** Whether the measures agree with each other as well as a tape can. */
  readonly agree: boolean;
  /** The pull that looks wrong; null where they agree, or where several could be it. */
  readonly suspect: string | null;
}

/** A measure that misses by more than so many of its own deviations is not chance (one in a thousand). [Baarda 1968; MEM] */
const NOT_BY_CHANCE = 3.29;
/** Two suspects whose misses differ by less than this share cannot be told apart. */
const TELL_APART = 0.02;
const STEPS = 30;

interface Observation {
  readonly a: number;
  readonly b: number;
  /** Millimetres. */
  readonly length: number;
  readonly pull: ReadPull | null;
}

/** Coordinates of all corners in millimetres: x and y of the first, of the second, and so on. */
type Coordinates = readonly number[];

const apart = (at: Coordinates, { a, b }: Observation): readonly [number, number, number] => {
  const dx = (at[2 * b] ?? 0) - (at[2 * a] ?? 0);
  const dy = (at[2 * b + 1] ?? 0) - (at[2 * a + 1] ?? 0);
  return [dx, dy, Math.hypot(dx, dy)];
};

/** How the distances change with the coordinates. */
function design(at: Coordinates, observations: readonly Observation[]): Matrix {
  const matrix = Matrix.zeros(observations.length, at.length);
  observations.forEach((each, row) => {
    const [dx, dy, size] = apart(at, each);
    const [ux, uy] = size === 0 ? [0, 0] : [dx / size, dy / size];
    matrix.set(row, 2 * each.a, -ux);
    matrix.set(row, 2 * each.a + 1, -uy);
    matrix.set(row, 2 * each.b, ux);
    matrix.set(row, 2 * each.b + 1, uy);
  });
  return matrix;
}

interface Solution {
  /** Corners in millimetres, where the measures put them. */
  readonly at: Coordinates;
  /** Measured less adjusted, millimetres. */
  readonly residuals: readonly number[];
  /** How far each measure is checked by the others, from 0 (not at all) to 1. */
  readonly checked: readonly number[];
  readonly spare: number;
}

/**
 * Corners that fit the measured distances best, in least squares, starting from the plan: Gauss–Newton with the
 * Moore–Penrose inverse, so that whatever the measures leave open stays as near to the plan as can be.
 *
 * @param start coordinates as planned, millimetres
 * @param observations distances between corners by index, millimetres
 */
export function leastSquares(start: Coordinates, observations: readonly Observation[]): Solution {
  let at = [...start];
  const misses = (): number[] => observations.map((each) => each.length - apart(at, each)[2]);
  let inverse = new Matrix(at.length, observations.length);
  let matrix = design(at, observations);
  for (let step = 0; step < STEPS; step++) {
    matrix = design(at, observations);
    inverse = pseudoInverse(matrix, 1e-9);
    const change = inverse.mmul(Matrix.columnVector(misses())).to1DArray();
    at = at.map((value, index) => value + (change[index] ?? 0));
    if (Math.max(...change.map(Math.abs)) < 1e-9) break;
  }
  const checked = matrix
    .mmul(inverse)
    .diagonal()
    .map((share) => Math.max(0, 1 - share));
  return {
    at,
    residuals: misses(),
    checked,
    spare: Math.round(checked.reduce((sum, each) => sum + each, 0)),
  };
}

/** Shortest and longest that a straight pull between two corners can be, the walls between them being as long as they are. */
function limits(lengths: readonly number[], from: number, to: number): readonly [number, number] {
  const [low, high] = [Math.min(from, to), Math.max(from, to)];
  const ways = [lengths.slice(low, high), [...lengths.slice(high), ...lengths.slice(0, low)]];
  const sum = (list: readonly number[]): number => list.reduce((total, each) => total + each, 0);
  const most = Math.min(...ways.map(sum));
  // A way round folds up to nothing unless one wall is longer than all the others on it.
  const least = Math.max(0, ...ways.map((way) => 2 * Math.max(...way) - sum(way)));
  return [least, most];
}

interface LoopPulls {
  readonly pulls: readonly (ReadPull & { readonly a: number; readonly b: number })[];
  readonly problems: readonly FootingProblem[];
}

function readPulls(
  built: BuiltLoop,
  pulls: readonly Pull[],
  units: UnitSystem,
  rules: HouseRules,
): LoopPulls {
  const problems: FootingProblem[] = [];
  const corners = built.faces.formOutside;
  const placeOf = (id: string): number => built.walls.findIndex((wall) => wall.id === id);
  const letter = (index: number): string => built.walls[index]?.from ?? '';
  const lengths = built.walls.map((_, index) =>
    distance(corners[index] as Point, corners[(index + 1) % built.walls.length] as Point),
  );
  const read = pulls.flatMap((pull): LoopPulls['pulls'] => {
    const [a, b] = [placeOf(pull.from), placeOf(pull.to)];
    if (a < 0 || b < 0) return [];
    if (a === b) {
      problems.push({ kind: 'pull-to-itself', corner: letter(a) });
      return [];
    }
    const reading = readLength(pull.length, units);
    if (!reading.ok || reading.length <= 0) {
      problems.push({ kind: 'pull-unreadable', from: letter(a), to: letter(b), text: pull.length });
      return [];
    }
    const planned = distance(corners[a] as Point, corners[b] as Point);
    const [least, most] = limits(lengths, a, b);
    const sides = Math.abs(a - b) === 1 || Math.abs(a - b) === built.walls.length - 1;
    const slack = sides ? rules.length('footing.pull.slack') : 0;
    if (reading.length < least - slack || reading.length > most + slack) {
      problems.push({
        kind: 'pull-impossible',
        from: letter(a),
        to: letter(b),
        length: reading.length,
        least: nanometres(least),
        most: nanometres(most),
      });
      return [];
    }
    return [{ id: pull.id, from: letter(a), to: letter(b), length: reading.length, planned, a, b }];
  });
  return { pulls: read, problems };
}

/** Turns and shifts a solution so that its first corner and the direction of its first wall are the plan's. */
function heldAtFirstWall(at: Coordinates, plan: Coordinates): Coordinates {
  const [x0 = 0, y0 = 0, x1 = 0, y1 = 0] = at;
  const [px0 = 0, py0 = 0, px1 = 0, py1 = 0] = plan;
  const turn = Math.atan2(py1 - py0, px1 - px0) - Math.atan2(y1 - y0, x1 - x0);
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return at.map((_, index) => {
    const corner = index - (index % 2);
    const [dx, dy] = [(at[corner] ?? 0) - x0, (at[corner + 1] ?? 0) - y0];
    return index % 2 === 0 ? px0 + dx * cos - dy * sin : py0 + dx * sin + dy * cos;
  });
}

/** A move told along the two walls of a corner: toward the neighbour where it goes that way, else toward the other side of it. */
function moveOf(
  index: number,
  now: Coordinates,
  plan: Coordinates,
  letters: readonly string[],
): CornerMove['parts'] {
  const count = letters.length;
  const [dx, dy] = [
    (plan[2 * index] ?? 0) - (now[2 * index] ?? 0),
    (plan[2 * index + 1] ?? 0) - (now[2 * index + 1] ?? 0),
  ];
  const towards = (other: number): readonly [number, number] => {
    const [x, y] = [
      (plan[2 * other] ?? 0) - (plan[2 * index] ?? 0),
      (plan[2 * other + 1] ?? 0) - (plan[2 * index + 1] ?? 0),
    ];
    const size = Math.hypot(x, y) || 1;
    return [x / size, y / size];
  };
  const [before, after] = [(index + count - 1) % count, (index + 1) % count];
  const [[ax, ay], [bx, by]] = [towards(before), towards(after)];
  // Parts along two directions that need not be square: solved, not projected.
  const cross = ax * by - ay * bx;
  const shares: readonly (readonly [number, number])[] =
    Math.abs(cross) < 1e-6
      ? [[dx * ax + dy * ay, before]]
      : [
          [(dx * by - dy * bx) / cross, before],
          [(ax * dy - ay * dx) / cross, after],
        ];
  return [...shares]
    .map(([share, other]) => ({
      by: nanometres(share * NANOMETRES_PER_MILLIMETRE),
      toward: letters[other] ?? '',
    }))
    .filter((part) => part.by !== 0)
    .sort((a, b) => Math.abs(b.by) - Math.abs(a.by));
}

function adjustLoop(
  built: BuiltLoop,
  loop: string,
  pulls: LoopPulls['pulls'],
  deviation: Length,
): LoopAdjustment {
  const corners = built.faces.formOutside.slice(0, built.walls.length);
  const letters = built.walls.map((wall) => wall.from);
  const plan = corners.flatMap((point) => [
    point.x / NANOMETRES_PER_MILLIMETRE,
    point.y / NANOMETRES_PER_MILLIMETRE,
  ]);
  const toObservation = (pull: (typeof pulls)[number]): Observation => ({
    a: pull.a,
    b: pull.b,
    length: pull.length / NANOMETRES_PER_MILLIMETRE,
    pull,
  });
  const count = corners.length;
  const taped = new Set(
    pulls.map((pull) => `${String(Math.min(pull.a, pull.b))}:${String(Math.max(pull.a, pull.b))}`),
  );
  // Sides were taped when the corners were set: where no other length is given, they are as planned.
  const sides = corners.flatMap((corner, a): Observation[] => {
    const b = (a + 1) % count;
    if (taped.has(`${String(Math.min(a, b))}:${String(Math.max(a, b))}`)) return [];
    const length = distance(corner, corners[b] as Point) / NANOMETRES_PER_MILLIMETRE;
    return [{ a, b, length, pull: null }];
  });
  const observations = [...sides, ...pulls.map(toObservation)];
  const solution = leastSquares(plan, observations);
  const now = heldAtFirstWall(solution.at, plan);
  const sigma = deviation / NANOMETRES_PER_MILLIMETRE;
  const judged = observations.flatMap((each, index): JudgedPull[] => {
    if (!each.pull) return [];
    const checked = solution.checked[index] ?? 0;
    const residual = solution.residuals[index] ?? 0;
    const { id, from, to, length, planned } = each.pull;
    return [
      {
        id,
        from,
        to,
        length,
        planned,
        residual: nanometres(residual * NANOMETRES_PER_MILLIMETRE),
        weight: checked < 1e-6 ? null : Math.abs(residual) / (sigma * Math.sqrt(checked)),
      },
    ];
  });
  const weights = observations.map((_, index) => {
    const checked = solution.checked[index] ?? 0;
    return checked < 1e-6 ? 0 : Math.abs(solution.residuals[index] ?? 0) / (sigma * Math.sqrt(checked));
  });
  const [largest = 0, second = 0] = [...weights].sort((a, b) => b - a);
  const agree = largest <= NOT_BY_CHANCE;
  const wrong = judged.find((pull) => pull.weight !== null && pull.weight >= largest * (1 - 1e-9));
  const alone = wrong && second < largest * (1 - TELL_APART);
  return {
    loop,
    pulls: judged,
    moves: corners.flatMap((planned, index): CornerMove[] => {
      const here = {
        x: nanometres((now[2 * index] ?? 0) * NANOMETRES_PER_MILLIMETRE),
        y: nanometres((now[2 * index + 1] ?? 0) * NANOMETRES_PER_MILLIMETRE),
      };
      const size = distance(here, planned);
      return [
        { corner: letters[index] ?? '', loop, size, parts: moveOf(index, now, plan, letters), now: here },
      ];
    }),
    spare: solution.spare,
    agree,
    suspect: agree || !alone ? null : wrong.id,
  };
}

/** What `adjustPulls` goes by. */
interface AdjustPullsInput {
  readonly shell: Shell;
  readonly pulls: readonly Pull[];
  readonly rows: ReadonlySet<string>;
  readonly units: UnitSystem;
  readonly rules: HouseRules;
}

/** What the tape says of every closed outline that something was pulled on. */
export function adjustPulls({ shell, pulls, rows, units, rules }: AdjustPullsInput): {
  readonly loops: readonly LoopAdjustment[];
  readonly problems: readonly FootingProblem[];
} {
  const problems: FootingProblem[] = [];
  const closed = new Set<string>();
  const loops = shell.loops.flatMap(({ id, built }): LoopAdjustment[] => {
    if (!built || built.open) return [];
    const own = pulls.filter(
      (pull) =>
        built.walls.some((wall) => wall.id === pull.from) && built.walls.some((wall) => wall.id === pull.to),
    );
    for (const pull of own) closed.add(pull.id);
    const read = readPulls(built, own, units, rules);
    problems.push(...read.problems);
    return read.pulls.length === 0
      ? []
      : [adjustLoop(built, id, read.pulls, rules.length('footing.tape.accuracy'))];
  });
  const standing = new Set(wallsOf(shell).map((wall) => wall.id));
  // A corner of an outline that does not stand yet comes back with it.
  const lost = pulls.filter(
    (pull) =>
      !closed.has(pull.id) && [pull.from, pull.to].every((wall) => !rows.has(wall) || standing.has(wall)),
  );
  if (lost.length > 0) problems.push({ kind: 'pulls-without-corner', count: lost.length });
  return { loops, problems };
}
