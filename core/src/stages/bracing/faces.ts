import { type Length, nanometres } from '../../kernel/measure';
import { type BuiltLoop, type Corner, type Wall, cornerAt, insideLater } from '../outline';
import type { Side } from './problem';

/** The end of a wall on the face that is braced. */
export interface FaceEnd {
  /** Where the face ends, from the wall's first corner on its outside face. */
  readonly at: Length;
  /** How it ends: against a wall across it, round an outward turn, where the next goes straight on, at a tee, or free. */
  readonly how: 'inward' | 'outward' | 'straight' | 'tee' | 'free';
  readonly corner: Corner | null;
}

/** Both ends of a wall's braced face. */
export function faceEnds(built: BuiltLoop, wall: Wall, side: Side): readonly [start: FaceEnd, end: FaceEnd] {
  const end = (atStart: boolean): FaceEnd => {
    const met = cornerAt(built, wall, atStart);
    const place = (off: number): Length => nanometres(atStart ? off : wall.length - off);
    if (!met) {
      const tee = atStart ? built.tees.start : built.tees.end;
      return { at: place(0), how: tee ? 'tee' : 'free', corner: null };
    }
    const { corner, other } = met;
    if (corner.kind === 'straight') return { at: place(0), how: 'straight', corner };
    const inward = (corner.kind === 'outside') === (side === 'inside');
    const off = side === 'outside' ? 0 : insideLater(corner, wall, other);
    return { at: place(off), how: inward ? 'inward' : 'outward', corner };
  };
  return [end(true), end(false)];
}
