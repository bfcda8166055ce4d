import { type Length, ZERO, add, max, min, subtract } from '../../kernel/measure';
import { type BuiltLoop, type Wall, cornerReach } from '../outline';
import type { Insert, InsertKind } from './plan';

/** Kinds that run along a wall; the others stand at one place. */
export const isRun = (kind: InsertKind): boolean =>
  kind === 'ledger' || kind === 'hangers' || kind === 'brick-ledge';

/** The face that an insert is on: its own, or the usual one of its kind. */
export const faceOf = ({ face, kind }: Pick<Insert, 'face' | 'kind'>): 'inside' | 'outside' =>
  face ?? (kind === 'brick-ledge' ? 'outside' : 'inside');

/** Where something along a wall begins and ends, as stations of it. */
export interface Stretch {
  readonly from: Length;
  readonly to: Length;
}

/**
 * What of a wall there is for an insert, as stations of its outside face. A run on the inside has its own face: walls across outside
 * corners take their thickness of it, and it goes on past an inside corner.
 */
export const faceEnds = (insert: Pick<Insert, 'face' | 'kind'>, built: BuiltLoop, wall: Wall): Stretch =>
  isRun(insert.kind) && faceOf(insert) === 'inside'
    ? {
        from: cornerReach(built, wall, true),
        to: subtract(wall.length, cornerReach(built, wall, false)),
      }
    : { from: ZERO, to: wall.length };

/** What `runAlong` goes by. */
interface RunAlongInput {
  /** The corner that it is measured from, and the station that it begins at. */
  readonly from: Insert['from'];
  readonly at: Length;
  readonly length: Length | 'rest';
  readonly wall: Pick<Wall, 'length'>;
  readonly ends: Stretch;
}

/**
 * Where a run lies: so long, away from the corner that it is measured from, or the rest of its face. From the wall's corner on, the rest
 * is all of the face; past the end of it, nothing.
 *
 * @example runAlong({ from: 'end', at: feet(40), length: feet(10), wall: { length: feet(40) }, ends: { from: ZERO, to: feet(40) } }) // { from: feet(30), to: feet(40) }
 * @example runAlong({ from: 'start', at: ZERO, length: 'rest', wall: { length: feet(40) }, ends: { from: inches(13), to: feet(39) } }) // { from: inches(13), to: feet(39) }
 */
export function runAlong({ from, at, length, wall, ends }: RunAlongInput): Stretch {
  const forward = from === 'start';
  if (length !== 'rest')
    return forward ? { from: at, to: add(at, length) } : { from: subtract(at, length), to: at };
  const atCorner = forward ? at <= 0 : at >= wall.length;
  if (forward) {
    const near = atCorner ? ends.from : max(at, ends.from);
    return { from: near, to: max(near, ends.to) };
  }
  const near = atCorner ? ends.to : min(at, ends.to);
  return { from: min(near, ends.from), to: near };
}
