import { type Length, add, subtract, nanometres, ZERO } from '../../kernel/measure';

/** A piece of a run, from its start. */
interface RunPiece {
  readonly from: Length;
  readonly to: Length;
  readonly laps: { readonly before: Length; readonly after: Length };
}

/** A part of a run in which no lap is to lie, from the run's start. */
export interface LapFree {
  readonly from: Length;
  readonly to: Length;
}

/** A run cut from stock. */
interface SplitRun {
  readonly pieces: readonly RunPiece[];
  /** How many of the kept-off parts, the most important first, hold no lap. */
  readonly kept: number;
}

/** The two ends of a run, off which laps keep. */
export const endsOf = (run: Length, clear: Length): readonly LapFree[] => [
  { from: -clear as Length, to: clear },
  { from: subtract(run, clear), to: add(run, clear) },
];

/** What a run is cut from. */
interface Cutting {
  readonly run: Length;
  readonly stock: Length;
  readonly lap: Length;
  /** Longest first piece. */
  readonly first: Length;
}

/** Pieces from the start on, each as long as it may be with its lap outside the parts; null where no piece gets on. */
function fromStart({ run, stock, lap, first }: Cutting, off: readonly LapFree[]): readonly LapFree[] | null {
  const pieces: LapFree[] = [];
  let [start, longest] = [0, first as number];
  // Two laps on one piece lie side by side, not on each other, where the stock is long enough; every piece gets on by a part of it.
  const least = Math.min(2 * lap, (lap + stock) / 2);
  const leastFirst = Math.min(1.25 * lap, least);
  while (run - start > longest) {
    let end = start + longest;
    for (;;) {
      const hit = off.find((part) => end - lap < part.to && part.from < end);
      if (!hit) break;
      end = hit.from;
    }
    if (end - start < (pieces.length === 0 ? leastFirst : least)) return null;
    pieces.push({ from: start as Length, to: end as Length });
    start = end - lap;
    longest = stock;
  }
  return [...pieces, { from: start as Length, to: run }];
}

/** The same from the run's end back. */
function fromEnd(cutting: Cutting, off: readonly LapFree[]): readonly LapFree[] | null {
  const { run } = cutting;
  const turned = (parts: readonly LapFree[]): readonly LapFree[] =>
    parts.map(({ from, to }) => ({ from: subtract(run, to), to: subtract(run, from) })).reverse();
  const pieces = fromStart(cutting, turned(off));
  return pieces && turned(pieces);
}

/** Middles of the laps between pieces. */
const lapPlaces = (pieces: readonly LapFree[], lap: Length): readonly number[] =>
  pieces.slice(0, -1).map(({ to }) => to - lap / 2);

/** Pieces of a run whose laps keep off all of the parts; null where there are none. */
function piecesOf(
  cutting: Omit<Cutting, 'first'>,
  off: readonly LapFree[],
  second: boolean,
): readonly LapFree[] | null {
  const { stock, lap } = cutting;
  const whole = { ...cutting, first: stock };
  const plain = fromStart(whole, off) ?? fromEnd(whole, off);
  if (!second || plain === null) return plain;
  const half = { ...cutting, first: nanometres((stock + lap) / 2) };
  const theirs = lapPlaces(plain, lap);
  const others = [fromEnd(whole, off), fromStart(half, off), fromEnd(half, off)].filter(
    (pieces) => pieces !== null,
  );
  const parted = others.find((pieces) =>
    lapPlaces(pieces, lap).every((at) => theirs.every((other) => Math.abs(at - other) >= lap)),
  );
  return parted ?? others[0] ?? plain;
}

/** What `splitRun` goes by. */
interface SplitRunInput {
  readonly run: Length;
  readonly stock: Length;
  readonly lap: Length;
  /** Parts without laps, the most important first. */
  readonly keepOff: readonly (readonly LapFree[])[];
  /** Whether this is a course of the other kind. */
  readonly second: boolean;
}

/**
 * A run of bar in pieces of stock, each lapped with the next. No lap lies in the parts that are kept free of them, as far as
 * the pieces allow: the last parts are given up first. Courses alternate the end that is begun from, so that laps lie in
 * other places; where that would not part them, the second begins with half a bar.
 *
 * @returns pieces from the run's start; their lengths add up to the run and the laps. A run that cannot be cut so that its laps
 * keep off the first parts stays whole.
 */
export function splitRun({ run, stock, lap, keepOff, second }: SplitRunInput): SplitRun {
  const none = ZERO;
  const whole = [{ from: none, to: run, laps: { before: none, after: none } }];
  if (run <= stock || stock <= lap) return { pieces: whole, kept: keepOff.length };
  for (let kept = keepOff.length; kept >= Math.min(1, keepOff.length); kept -= 1) {
    const pieces = piecesOf({ run, stock, lap }, keepOff.slice(0, kept).flat(), second);
    if (pieces === null) continue;
    return {
      kept,
      pieces: pieces.map((piece, index) => ({
        ...piece,
        laps: { before: index === 0 ? none : lap, after: index === pieces.length - 1 ? none : lap },
      })),
    };
  }
  return { pieces: whole, kept: 0 };
}
