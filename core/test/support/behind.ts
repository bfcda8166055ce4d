import { type Length, toInches } from '../../src/kernel/measure';
import { wallIn } from '../../src/stages/outline';
import type { WorkedPlan } from '../../src/worked';

/** Webs and joints of a wall between two heights, in inches: of its blocks, and of its corners’ legs back from either end. */
export function behindOn(
  { courses, shell }: Pick<WorkedPlan, 'courses' | 'shell'>,
  wall: string,
  { bottom, top }: { readonly bottom: number; readonly top: number },
): { readonly webs: readonly number[]; readonly joints: readonly number[] } {
  const long = toInches(wallIn(shell.loops, wall)?.wall.length ?? (0 as Length));
  const webs: number[] = [];
  const joints = new Set<number>();
  const end = (at: number): void => {
    if (at > 0 && at < long) joints.add(at);
  };
  for (const piece of courses.pieces) {
    if (piece.bottom >= top || piece.top <= bottom) continue;
    if (piece.kind === 'corner') {
      if (piece.wallAfter === wall) {
        webs.push(...piece.websAfter.map(toInches));
        end(toInches(piece.legAfter));
      }
      if (piece.wallBefore === wall) {
        webs.push(...piece.websBefore.map((web) => long - toInches(web)));
        end(long - toInches(piece.legBefore));
      }
    } else if (piece.wall === wall) {
      const start = toInches(piece.start);
      webs.push(...piece.webs.map((web) => start + toInches(web)));
      end(start);
      end(start + toInches(piece.length));
    }
  }
  return { webs, joints: [...joints] };
}
