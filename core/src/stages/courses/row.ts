import { type Length, add, subtract, ZERO, max, min } from '../../kernel/measure';
import { type CutRules, type RunCuts, bestSplit, cutRun, splits } from './rest';
import { websOfCut, websOfWhole } from './webs';

/** A block of a row before it belongs to a course: its place is counted from the wall's first corner. */
export interface RowPiece {
  readonly kind: 'straight' | 'cut';
  readonly start: Length;
  readonly length: Length;
  /** Webs that are whole, from the piece's start. */
  readonly webs: readonly Length[];
  readonly cutEnds: { readonly start: boolean; readonly end: boolean };
  readonly mitred?: { readonly start: boolean; readonly end: boolean };
}

/** Whole blocks before the cuts: half of them, so that the cuts lie as near the middle as can be, or as many as are asked for. */
export const blocksBeforeCuts = (cuts: RunCuts): number =>
  Math.min(cuts.before ?? Math.floor(cuts.whole / 2), cuts.whole);

/** Fewest whole blocks between the cuts and a corner; infinite where nothing is cut. */
export const blocksBesideCuts = (cuts: RunCuts): number =>
  cuts.cuts.length === 0
    ? Number.POSITIVE_INFINITY
    : Math.min(blocksBeforeCuts(cuts), cuts.whole - blocksBeforeCuts(cuts));

const mirroredWebs = (webs: readonly Length[], length: Length): readonly Length[] =>
  webs.map((web) => subtract(length, web)).reverse();

/** A whole block at a place. */
const wholePiece = (start: Length, rules: CutRules): RowPiece => ({
  kind: 'straight',
  start,
  length: rules.block,
  webs: websOfWhole(rules.block, rules.webs),
  cutEnds: { start: false, end: false },
});

/** A cut piece at a place, with the saw's end at its end or, turned about, at its start. */
export function cutPiece(start: Length, length: Length, rules: CutRules, sawn: 'start' | 'end'): RowPiece {
  const webs = websOfCut(length, rules.webs);
  return {
    kind: 'cut',
    start,
    length,
    webs: sawn === 'start' ? mirroredWebs(webs, length) : webs,
    cutEnds: { start: sawn === 'start', end: sawn === 'end' },
  };
}

function wholes(count: number, from: Length, rules: CutRules): readonly RowPiece[] {
  return Array.from({ length: count }, (_, index) =>
    wholePiece((from + index * rules.block) as Length, rules),
  );
}

/**
 * A row of blocks between two ends of a wall in running bond: whole blocks with the cuts in the middle. A single filler
 * keeps its whole end towards the row's start; two cuts face each other with their cut ends.
 *
 * @param from where the clear run begins
 */
export function layRow(cuts: RunCuts, rules: CutRules, from: Length = ZERO): readonly RowPiece[] {
  const before = blocksBeforeCuts(cuts);
  let at = (from + before * rules.block) as Length;
  const cut = cuts.cuts.map((length, index) => {
    const piece = cutPiece(at, length, rules, index === 1 ? 'start' : 'end');
    at = add(at, length);
    return piece;
  });
  return [...wholes(before, from, rules), ...cut, ...wholes(cuts.whole - before, at, rules)];
}

interface Share {
  readonly length: Length;
  readonly kind: RowPiece['kind'];
}

/** Joints of the other kind of course, and how far from them a joint of this one keeps. */
interface SeamNeighbours {
  readonly joints: readonly Length[];
  readonly stagger: Length;
}

/** How much a place is nearer to a joint of the course below than it should be. */
const crowding = (at: number, neighbours: SeamNeighbours): number =>
  Math.max(0, ...neighbours.joints.map((joint) => neighbours.stagger - Math.abs(joint - at)));

/** One side of a common seam: whole blocks from the corner, and the cut that ends at the seam. */
function towardsSeam(run: Length, rules: CutRules, crowds: (fromSeam: Length) => number): readonly Share[] {
  const count = Math.floor(run / rules.block);
  const rest = (run - count * rules.block) as Length;
  const whole = Array.from({ length: count }, (): Share => ({ length: rules.block, kind: 'straight' }));
  if (rest === 0) return whole;
  // A flimsy rest takes a block with it; of the ways to share, the one whose joint keeps clear of the next course's.
  const shares =
    rest < rules.shortest && count > 0
      ? splits(add(rules.block, rest), rules)
          .flatMap(([longer, shorter]) => [
            [longer, shorter],
            [shorter, longer],
          ])
          .map((pair) => ({ pair, crowded: crowds(pair[1] as Length) }))
          .reduce<{ pair: Length[]; crowded: number } | null>(
            (best, each) => (best === null || each.crowded < best.crowded ? each : best),
            null,
          )
      : null;
  if (!shares) return [...whole, { length: rest, kind: 'cut' }];
  return [...whole.slice(1), ...shares.pair.map((length): Share => ({ length, kind: 'cut' }))];
}

/** What `laySeam` goes by. */
interface LaySeamInput {
  readonly from: Length;
  readonly to: Length;
  /** From the wall's first corner; between `from` and `to`. */
  readonly seam: Length;
  readonly rules: CutRules;
  readonly neighbours?: SeamNeighbours;
}

/**
 * A row with a common seam: blocks from both ends to one vertical line, cut on both sides there. A rest shorter than a
 * cut may be shares a block, and its second cut lies one piece away from the seam.
 */
export function laySeam({
  from,
  to,
  seam,
  rules,
  neighbours = { joints: [], stagger: ZERO },
}: LaySeamInput): readonly RowPiece[] {
  const place = (run: readonly Share[], start: Length): RowPiece[] => {
    let at = start;
    return run.map(({ length, kind }) => {
      const piece = kind === 'cut' ? cutPiece(at, length, rules, 'end') : wholePiece(at, rules);
      at = add(at, length);
      return piece;
    });
  };
  const mirror = (piece: RowPiece): RowPiece => ({
    ...piece,
    start: subtract(add(seam, to), add(piece.start, piece.length)),
    webs: mirroredWebs(piece.webs, piece.length),
    cutEnds: { start: piece.cutEnds.end, end: piece.cutEnds.start },
  });
  const before = towardsSeam(subtract(seam, from), rules, (distance) =>
    crowding(seam - distance, neighbours),
  );
  const after = towardsSeam(subtract(to, seam), rules, (distance) => crowding(seam + distance, neighbours));
  return [...place(before, from), ...place(after, seam).map(mirror).reverse()];
}

/** A free end, a step's end or a mitre: no corner piece, so the wall's own blocks fill it. */
export function fillEnd(
  from: Length,
  to: Length,
  rules: CutRules,
  freeAt: 'start' | 'end',
): readonly RowPiece[] {
  const run = subtract(to, from);
  const cuts = cutRun(run, rules);
  if (run <= rules.block) {
    return run === rules.block ? [wholePiece(from, rules)] : [cutPiece(from, run, rules, freeAt)];
  }
  return layRow(cuts, rules, from);
}

/** What of a piece lies between two stations; null where nothing does. Its webs stay where they were, less those the saw takes. */
export function clipPiece(piece: RowPiece, from: Length, to: Length, rules: CutRules): RowPiece | null {
  const start = max(piece.start, from);
  const end = min(add(piece.start, piece.length), to);
  if (end <= start) return null;
  const atStart = start > piece.start;
  const atEnd = end < piece.start + piece.length;
  if (!atStart && !atEnd) return piece;
  const clear = rules.webs.clearOfCut;
  return {
    ...piece,
    kind: 'cut',
    start,
    length: subtract(end, start),
    webs: piece.webs
      .map((web) => add(piece.start, web))
      .filter((web) => (!atStart || web - start >= clear) && (!atEnd || end - web >= clear))
      .filter((web) => web > start && web < end)
      .map((web) => subtract(web, start)),
    cutEnds: { start: piece.cutEnds.start || atStart, end: piece.cutEnds.end || atEnd },
  };
}

/**
 * Cures a flimsy piece that an opening, a step or a free end left: it is one piece with the cut beside it where a block holds both, or
 * shares its length with that cut or with the whole block beside it, in two good lengths where there are any.
 */
export function mendFlimsy(
  pieces: readonly RowPiece[],
  atStart: boolean,
  rules: CutRules,
): readonly RowPiece[] {
  const own = atStart ? pieces[0] : pieces.at(-1);
  const neighbour = atStart ? pieces[1] : pieces.at(-2);
  if (!own || own.kind !== 'cut' || own.length >= rules.shortest) return pieces;
  if (!neighbour || own.mitred || neighbour.mitred) return pieces;
  const both = add(own.length, neighbour.length);
  if (both < rules.block) {
    return atStart
      ? [cutPiece(own.start, both, rules, 'start'), ...pieces.slice(2)]
      : [...pieces.slice(0, -2), cutPiece(neighbour.start, both, rules, 'end')];
  }
  if (both === rules.block) {
    return atStart
      ? [wholePiece(own.start, rules), ...pieces.slice(2)]
      : [...pieces.slice(0, -2), wholePiece(neighbour.start, rules)];
  }
  const share = bestSplit(both, rules);
  if (!share) return pieces;
  const [longer, shorter] = share;
  if (atStart) {
    const first = cutPiece(own.start, shorter, rules, 'start');
    return [first, cutPiece(add(own.start, shorter), longer, rules, 'start'), ...pieces.slice(2)];
  }
  const first = cutPiece(neighbour.start, longer, rules, 'end');
  return [...pieces.slice(0, -2), first, cutPiece(add(neighbour.start, longer), shorter, rules, 'end')];
}
