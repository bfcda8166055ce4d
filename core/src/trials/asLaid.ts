import type { Plan } from '../kernel/plan';
import type { LaidRowRecord } from '../kernel/record';
import {
  type CornerPiece,
  type WallPiece,
  blocksBefore,
  handOf,
  parityOf,
  rowOnSite,
} from '../stages/courses';
import type { Corner } from '../stages/outline';
import type { CornerLead } from '../stages/outline/plan';
import { work } from '../work';

/** How a course was laid otherwise than planned. */
export interface OtherwiseLaid {
  readonly course: number;
  readonly walls: readonly string[];
  /** Corners that were laid with the other hand, each by the wall that starts there. */
  readonly turned: readonly string[];
  /** Whole blocks before the cuts, by wall, where the cuts were moved. */
  readonly before: Readonly<Record<string, number>>;
}

/**
 * The rows of a course as they stand: as planned, but for corners with the other hand and cuts that were moved. The neighbours of a
 * corner that was turned are laid to it.
 *
 * @param plan with what stands below it
 * @example rowsAsLaid(plan, { course: 1, walls: [], turned: [], before: {} }) // []
 */
export function rowsAsLaid(
  plan: Plan,
  { course, walls, turned, before }: OtherwiseLaid,
): readonly LaidRowRecord[] {
  const worked = work(plan);
  const corners = worked.shell.loops.flatMap(({ built }) => built?.corners ?? []);
  const cornerKind = ({ wallBefore, wallAfter }: CornerPiece): Corner['kind'] =>
    corners.find((each) => each.wallBefore === wallBefore && each.wallAfter === wallAfter)?.kind ?? 'outside';
  /** The setting under which a corner has the hand that it has in this course, or the other one. */
  const leadAt = (wall: string): CornerLead | null => {
    const piece = worked.courses.pieces.find(
      (each): each is CornerPiece =>
        each.kind === 'corner' && each.course === course && each.wallAfter === wall,
    );
    if (!piece) return null;
    // In odd courses the long leg lies on the wall that leads; an inside corner is seen from its own outer side.
    const leads = parityOf(course) === 'odd' ? 'after' : 'before';
    const longOn = handOf({ kind: cornerKind(piece) }, 'after') === piece.hand ? 'after' : 'before';
    return (longOn === leads) !== turned.includes(wall) ? 'starting-wall' : 'ending-wall';
  };
  /** Whole blocks before the cuts of a wall: as counted, or as they stand below; null where the plan says. */
  const beforeAt = (wall: string): number | null => {
    if (before[wall] !== undefined) return before[wall];
    const row = worked.courses.rows.find((each) => each.wall === wall && each.course === course);
    if (!plan.laid || !row || row.opened) return null;
    return blocksBefore(
      worked.courses.pieces.filter(
        (piece): piece is WallPiece =>
          piece.kind !== 'corner' && piece.wall === wall && piece.course === course,
      ),
    );
  };
  const changed: Plan = {
    ...plan,
    // What stands below would turn the corners back.
    ...(plan.laid ? { laid: { rows: [], pulled: plan.laid.pulled } } : {}),
    loops: plan.loops.map((loop) => ({
      ...loop,
      walk: loop.walk.map((row) => {
        const lead = leadAt(row.id);
        const moved = beforeAt(row.id);
        return {
          ...row,
          ...(lead ? { lead } : {}),
          ...(moved === null || row.bond?.kind === 'seam'
            ? {}
            : { bond: { kind: 'running' as const, ...row.bond, before: moved } }),
        };
      }),
    })),
  };
  const laid = work(changed);
  return walls.flatMap((wall) => rowOnSite(laid, wall, course) ?? []);
}
