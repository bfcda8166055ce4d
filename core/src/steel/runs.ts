import { type Length, add, subtract } from '../measure';

/** A piece of a run, from its start. */
export interface RunPiece {
  readonly from: Length;
  readonly to: Length;
  readonly laps: { readonly before: Length; readonly after: Length };
}

/** Pieces from the start on, all of one length but the last; the last never shorter than a lap and what keeps it off the end. */
function from(first: Length, run: Length, stock: Length, lap: Length, clear: Length): readonly Length[] {
  const least = Math.min(run, add(lap, clear));
  const lengths: Length[] = [];
  let end = 0;
  let next: number = first;
  for (;;) {
    const start = lengths.length === 0 ? 0 : end - lap;
    const rest = run - start;
    if (rest <= stock && (lengths.length > 0 || rest <= first)) {
      lengths.push(rest as Length);
      return lengths;
    }
    // What is left must hold a lap and keep it off the end of the run.
    const after = run - (start + next) + lap;
    const length = after < least ? next - (least - after) : next;
    lengths.push(length as Length);
    end = start + length;
    next = stock;
  }
}

/**
 * A run of bar in pieces of stock, each lapped with the next. Courses alternate the end that is begun from, so that laps lie
 * in other places; where that would not part them, the second begins with half a bar. Laps keep off both ends of the run as far
 * as the pieces allow.
 *
 * @param second whether this is a course of the other kind
 * @returns pieces from the run's start; their lengths add up to the run and the laps
 */
export function splitRun(
  run: Length,
  stock: Length,
  lap: Length,
  clear: Length,
  second: boolean,
): readonly RunPiece[] {
  const none = 0 as Length;
  if (run <= stock || stock <= lap) return [{ from: none, to: run, laps: { before: none, after: none } }];
  const plain = from(stock, run, stock, lap, clear);
  const places = (lengths: readonly Length[]): readonly number[] => {
    let end = 0;
    return lengths.slice(0, -1).map((length, index) => {
      end = (index === 0 ? 0 : end - lap) + length;
      return end - lap / 2;
    });
  };
  let lengths = plain;
  if (second) {
    lengths = [...plain].reverse();
    const [mine, theirs] = [places(lengths), places(plain)];
    const meet = mine.some((at) => theirs.some((other) => Math.abs(at - other) < lap));
    if (meet) lengths = from(Math.round((stock + lap) / 2) as Length, run, stock, lap, clear);
  }
  const pieces: RunPiece[] = [];
  let at: Length = none;
  lengths.forEach((length, index) => {
    const last = index === lengths.length - 1;
    pieces.push({
      from: at,
      to: add(at, length),
      laps: { before: index === 0 ? none : lap, after: last ? none : lap },
    });
    at = subtract(add(at, length), lap);
  });
  return pieces;
}
