import type { Length } from '../../kernel/measure';
import type { CutRules } from './rest';
import type { RowPiece } from './row';
import { type WebRules, websOfWhole } from './webs';

/** What a piece asks of the block that it is sawn from. */
type Sawn = Pick<RowPiece, 'length' | 'webs' | 'cutEnds' | 'mitred'>;

/** Whether a block turned end for end has its webs where it had them. */
export function turnsAlike(block: Length, webs: WebRules): boolean {
  const places = websOfWhole(block, webs);
  return places.every((web, index) => web === block - (places[places.length - 1 - index] as number));
}

/** Where along a block a piece that the saw makes both ends of may lie, so that it has its own webs; from the block's end. */
function placesBetween(piece: Sawn, { block, webs, cutMark }: CutRules): readonly number[] {
  const places = websOfWhole(block, webs);
  const { clearOfCut } = webs;
  // The saw takes a cut mark off at least: less of a moulded end is not sawn.
  const [least, most] = [cutMark, block - piece.length - cutMark];
  const whole = (from: number): readonly Length[] =>
    places.filter((web) => web - from >= clearOfCut && from + piece.length - web >= clearOfCut);
  const [first] = piece.webs;
  // Without webs it may lie anywhere past one that the saw takes: as near to an end as can be.
  const tried =
    first === undefined
      ? [least, ...places.map((web) => web - clearOfCut + 1)]
      : places.map((web) => web - first);
  return tried.filter((from) => {
    const own = whole(from);
    return (
      from >= least &&
      from <= most &&
      own.length === piece.webs.length &&
      own.every((web, index) => web - from === piece.webs[index])
    );
  });
}

/**
 * How much of its block a cut piece takes, counted from the end where another may be sawn: a piece that keeps one of the block's
 * own ends takes its length; one that the saw makes both ends of lies where its webs are, and what is left beside it on the better
 * side is all that another may have. Two pieces share a block where together they take no more than all of it.
 *
 * A piece that wants both of the block's own ends, or a mitre, leaves nothing that is sure to serve; nor does any in a family whose
 * blocks are not the same turned end for end.
 */
export function takenOf(piece: Sawn, rules: CutRules): Length {
  const { block, webs } = rules;
  const { start, end } = piece.cutEnds;
  if (piece.mitred?.start === true || piece.mitred?.end === true) return block;
  if ((!start && !end) || !turnsAlike(block, webs)) return block;
  if (start !== end) return piece.length;
  const rooms = placesBetween(piece, rules).map((from) => Math.max(from, block - from - piece.length));
  return (block - Math.max(0, ...rooms)) as Length;
}
