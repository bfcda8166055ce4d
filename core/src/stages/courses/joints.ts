import { type Length, add, subtract } from '../../kernel/measure';
import type { StrapReason } from './piece';
import type { CutRules } from './rest';
import type { RowPiece } from './row';
import { earOf } from './webs';

/**
 * What a row of blocks ends at: a corner's leg, the wall that it butts against, a corner that it runs through, a mitre, the
 * line where a curve begins, open air, another wall's inside face, the face of a footing step, a buck, or more blocks.
 */
export type RowEndKind =
  'leg' | 'butt' | 'through' | 'mitre' | 'join' | 'free' | 'tee' | 'footing' | 'joint' | 'opening';

/** One end of a row as its joints are judged. */
export interface RowEnd {
  readonly kind: RowEndKind;
  /** Webs of the corner's leg on this wall, from the wall's first corner. */
  readonly webs: readonly Length[];
}

/** A joint of a row, from the wall's first corner, with the rules that it breaks. */
export interface RowJoint {
  readonly at: Length;
  readonly reasons: readonly StrapReason[];
  /** Whether joints of the next course must keep away from it. A seam and the end of a row need not. */
  readonly bonds: boolean;
  /** Whether two blocks meet there, and the row of no other wall or stretch counts it. */
  readonly meets: boolean;
}

export interface JudgeRules {
  readonly cuts: CutRules;
  readonly longestWebToWeb: Length;
  /** Whole blocks wanted between a corner and the nearest cut. */
  readonly blocksFromCorner: number;
  /** The wall's common seam, where it has one. */
  readonly seam: Length | null;
  /** Every joint of a curve is strapped. */
  readonly curved: boolean;
}

/** A row of blocks between two ends, in the order of their stations. */
interface JudgedRow {
  /** Where its pieces begin; where two legs leave no room between them, the joint of these. */
  readonly from: Length;
  readonly pieces: readonly RowPiece[];
  readonly start: RowEnd;
  readonly end: RowEnd;
}

const END_REASONS: Readonly<Partial<Record<RowEndKind, StrapReason>>> = {
  butt: 'lapped-corner',
  mitre: 'mitred-corner',
  join: 'seam',
  free: 'free-end',
  tee: 'tee',
  footing: 'step-end',
};

/** Ends at which the row's own block meets another one that counts no joint there. */
const MET: ReadonlySet<RowEndKind> = new Set(['leg', 'butt', 'tee']);

/** Ends that two rows come to: the one that ends there counts the joint. */
const SHARED: ReadonlySet<RowEndKind> = new Set(['mitre', 'join', 'joint']);

/** The ear of a piece at a sawn end: foam past its last whole web. */
function earAt(piece: RowPiece, atEnd: boolean, rules: CutRules): Length {
  const single = piece.cutEnds.start !== piece.cutEnds.end && piece.mitred === undefined;
  if (single) return earOf(piece.length, rules.webs);
  const web = atEnd ? piece.webs.at(-1) : piece.webs[0];
  if (web === undefined) return piece.length;
  return atEnd ? subtract(piece.length, web) : web;
}

/** How many pieces from a corner the nearest cut lies; a mitred piece is a corner itself. */
function cutBesideCorner(pieces: readonly RowPiece[], within: number): boolean {
  return pieces
    .filter((piece) => piece.mitred === undefined)
    .slice(0, within)
    .some((piece) => piece.kind === 'cut');
}

/** Every joint of a row, judged by ear, length, the distance of the webs on either side, and what it stands beside. */
export function judgeJoints(row: JudgedRow, rules: JudgeRules): readonly RowJoint[] {
  const { from, pieces, start, end } = row;
  const legs = start.kind === 'leg' && end.kind === 'leg';
  if (pieces.length === 0 && !legs) return [];
  const webs = [
    ...start.webs,
    ...end.webs,
    ...pieces.flatMap((piece) => piece.webs.map((web) => add(piece.start, web))),
  ].sort((a, b) => a - b);
  const places = [pieces[0]?.start ?? from, ...pieces.map((piece) => add(piece.start, piece.length))];
  let next = 0;
  return places.flatMap((at, index): RowJoint[] => {
    const before = pieces[index - 1];
    const after = pieces[index];
    const rowEnd = index === 0 ? start : index === pieces.length ? end : null;
    const reasons = new Set<StrapReason>();
    const ending = rowEnd && END_REASONS[rowEnd.kind];
    if (ending) reasons.add(ending);
    const joined =
      rowEnd === null || rowEnd.kind === 'leg' || rowEnd.kind === 'butt' || rowEnd.kind === 'joint';
    const isSeam = rules.seam !== null && Math.abs(at - rules.seam) < 2 && rowEnd === null;
    if (isSeam) reasons.add('seam');
    if (joined) {
      const ears = [
        ...(before?.cutEnds.end === true ? [earAt(before, true, rules.cuts)] : []),
        ...(after?.cutEnds.start === true ? [earAt(after, false, rules.cuts)] : []),
      ];
      if (ears.some((ear) => ear > rules.cuts.longestEar)) reasons.add('ear');
      if ([before, after].some((piece) => piece?.kind === 'cut' && piece.length < rules.cuts.shortest)) {
        reasons.add('short');
      }
      while (next < webs.length && (webs[next] as Length) <= at) next++;
      const left = webs[next - 1];
      const right = webs[next];
      if (left !== undefined && right !== undefined && right - left > rules.longestWebToWeb) {
        reasons.add('web-to-web');
      }
    }
    if (rules.curved && rowEnd === null) reasons.add('curve');
    const atCorner = rowEnd !== null && (rowEnd.kind === 'leg' || rowEnd.kind === 'butt');
    const inwards = (): readonly RowPiece[] => (index === 0 ? pieces : [...pieces].reverse());
    if (atCorner && cutBesideCorner(inwards(), rules.blocksFromCorner)) reasons.add('beside-corner');
    const meets = rowEnd === null || MET.has(rowEnd.kind) || (index > 0 && SHARED.has(rowEnd.kind));
    return [{ at, reasons: [...reasons], bonds: joined && !isSeam, meets }];
  });
}

/** Distance from each joint to the nearest joint of the course below, in order; both lists ascending. */
export function staggerOf(joints: readonly Length[], below: readonly Length[]): readonly Length[] {
  let index = 0;
  return joints.map((at) => {
    while (
      index + 1 < below.length &&
      Math.abs((below[index + 1] as Length) - at) <= Math.abs((below[index] as Length) - at)
    ) {
      index++;
    }
    return below.length === 0
      ? (Number.MAX_SAFE_INTEGER as Length)
      : (Math.abs((below[index] as Length) - at) as Length);
  });
}
