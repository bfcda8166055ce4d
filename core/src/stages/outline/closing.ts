import {
  type Angle,
  type Length,
  cosine,
  FULL_TURN,
  nanometres,
  normalise,
  RIGHT_ANGLE,
  sine,
  abs,
} from '../../kernel/measure';
import type { Leg, Walked } from './walk';

/** A way to bring a walk home: new lengths for rows that are there, or rows to add at its end. */
export type Closing =
  | { readonly kind: 'lengths'; readonly rows: readonly { readonly row: string; readonly length: Length }[] }
  | { readonly kind: 'rows'; readonly rows: readonly { readonly length: Length; readonly turn: Angle }[] };

/** Differences under a micrometre come from rounding angled points, not from the walk. */
const ROUNDING = 1000;

const parallel = (a: Leg, b: Leg): boolean => Math.abs(sine((a.heading - b.heading) as Angle)) < 1e-9;

/** How far a wall of this heading must grow, alone, to close the gap; null where the gap lies another way. */
function growthAlone(leg: Leg, right: number, down: number): number | null {
  const along = right * cosine(leg.heading) + down * sine(leg.heading);
  const aside = down * cosine(leg.heading) - right * sine(leg.heading);
  return Math.abs(aside) <= ROUNDING ? along : null;
}

/** Lengths for existing rows that close the gap: one row where the gap runs along it, otherwise the last two that differ in direction. */
function byLengths(walked: Walked): readonly Closing[] {
  const right = -walked.end.x;
  const down = -walked.end.y;
  const closings: Closing[] = [];
  // An arc's length follows from its radius: only straight walls can take a gap up.
  const backwards = walked.legs.filter((leg) => leg.curve === null).reverse();
  for (const leg of backwards) {
    const growth = growthAlone(leg, right, down);
    const length = growth === null ? 0 : nanometres(leg.length + growth);
    if (length > 0) closings.push({ kind: 'lengths', rows: [{ row: leg.row, length: length as Length }] });
    if (closings.length === 2) return closings;
  }
  if (closings.length > 0) return closings;
  const last = backwards[0];
  const other = backwards.find((leg) => last !== undefined && !parallel(leg, last));
  if (last === undefined || other === undefined) return [];
  // Cramer's rule on: growth₁ · direction₁ + growth₂ · direction₂ = gap.
  const determinant = sine((last.heading - other.heading) as Angle);
  const otherGrowth = (right * sine(last.heading) - down * cosine(last.heading)) / determinant;
  const lastGrowth = (down * cosine(other.heading) - right * sine(other.heading)) / determinant;
  const rows = [
    { row: other.row, length: nanometres(other.length + otherGrowth) },
    { row: last.row, length: nanometres(last.length + lastGrowth) },
  ];
  return rows.every((row) => row.length > 0) ? [{ kind: 'lengths', rows }] : [];
}

/** One or two walls that take an unfinished walk home with square corners between them. */
function byRows(walked: Walked): readonly Closing[] {
  const { heading } = walked;
  const right = -walked.end.x;
  const down = -walked.end.y;
  const along = nanometres(right * cosine(heading) + down * sine(heading));
  const aside = nanometres(down * cosine(heading) - right * sine(heading));
  if (along <= ROUNDING) return [];
  const lastTurn = (before: Angle): Angle | null => {
    const rest = normalise((FULL_TURN - walked.turned - before) as Angle);
    const turn = (rest > FULL_TURN / 2 ? rest - FULL_TURN : rest) as Angle;
    return turn === 0 || Math.abs(turn) === FULL_TURN / 2 ? null : turn;
  };
  if (Math.abs(aside) <= ROUNDING) {
    const turn = lastTurn(0 as Angle);
    return turn === null ? [] : [{ kind: 'rows', rows: [{ length: along, turn }] }];
  }
  const first = (aside > 0 ? RIGHT_ANGLE : -RIGHT_ANGLE) as Angle;
  const turn = lastTurn(first);
  if (turn === null) return [];
  return [
    {
      kind: 'rows',
      rows: [
        { length: along, turn: first },
        { length: abs(aside), turn },
      ],
    },
  ];
}

/**
 * Ways to bring the walk home, the likeliest first: while the turns do not yet add up to a full turn, walls to add;
 * after that, lengths to change.
 */
export function closings(walked: Walked): readonly Closing[] {
  return Math.abs(walked.turned) === FULL_TURN ? byLengths(walked) : byRows(walked);
}
