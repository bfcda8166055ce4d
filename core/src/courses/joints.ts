import { type Length, add } from '../measure';
import type { StrapReason } from './piece';
import type { CutRules } from './rest';
import type { RowPiece } from './row';
import { earOf } from './webs';

/** A joint of a row, from the wall's first corner, with the rules that it breaks. */
export interface RowJoint {
  readonly at: Length;
  readonly reasons: readonly StrapReason[];
}

/** A wall's row in one course, as its joints are judged: legs at both ends, blocks between, all from the wall's start. */
export interface JointRow {
  readonly legAtStart: Length;
  /** Webs of the two legs, from the wall's start. */
  readonly legWebs: readonly Length[];
  readonly pieces: readonly RowPiece[];
}

/** Every joint of a row, judged by ear, length and the distance of the webs on either side. */
export function judgeJoints(row: JointRow, rules: CutRules, longestWebToWeb: Length): readonly RowJoint[] {
  const offset = row.legAtStart;
  const webs = [
    ...row.legWebs,
    ...row.pieces.flatMap((piece) => piece.webs.map((web) => add(offset, piece.start, web))),
  ].sort((a, b) => a - b);
  const places = [offset, ...row.pieces.map((piece) => add(offset, piece.start, piece.length))];
  let next = 0;
  return places.map((at, index) => {
    const before = row.pieces[index - 1];
    const after = row.pieces[index];
    const reasons = new Set<StrapReason>();
    const cutHere = [
      ...(before?.cutEnds.end === true ? [before] : []),
      ...(after?.cutEnds.start === true ? [after] : []),
    ];
    if (cutHere.some((piece) => earOf(piece.length, rules.webs) > rules.longestEar)) reasons.add('ear');
    if ([before, after].some((piece) => piece?.kind === 'cut' && piece.length < rules.shortest)) {
      reasons.add('short');
    }
    while (next < webs.length && (webs[next] as Length) <= at) next++;
    const left = webs[next - 1];
    const right = webs[next];
    if (left !== undefined && right !== undefined && right - left > longestWebToWeb)
      reasons.add('web-to-web');
    return { at, reasons: [...reasons] };
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
