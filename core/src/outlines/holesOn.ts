import type { UnitSystem } from '../kernel/measure';
import type { FileHole, FoundOpening, FoundOutline, LeftOut } from './found';
import { storedOnTape } from './onTape';

/** A hole belongs to a side that it lies within so many nanometres of: more than any wall is thick. [ours] */
const NEAR = 800e6;
/** Narrower ones are no openings, in nanometres. [ours] */
const NARROWEST = 100e6;
/** A hundredth of a millimetre: nobody measures an opening finer, and meshes are rounded by as much. [ours] */
const OFF_TAPE = 10_000;

interface Placed {
  readonly side: number;
  readonly from: number;
  readonly to: number;
  readonly away: number;
}

/** The straight side that a hole lies along, and where on it; null where there is none. */
function sideOf(hole: FileHole, outline: FoundOutline): Placed | null {
  let best: Placed | null = null;
  for (const [side, row] of outline.rows.entries()) {
    if (row.curve) continue;
    const from = outline.corners[side];
    const to = outline.corners[(side + 1) % outline.corners.length];
    if (!from || !to) continue;
    const length = Math.hypot(to.x - from.x, to.y - from.y);
    const [ax, ay] = [(to.x - from.x) / length, (to.y - from.y) / length];
    const along = hole.points.map(({ x, y }) => (x - from.x) * ax + (y - from.y) * ay);
    const aside = hole.points.map(({ x, y }) => Math.abs((y - from.y) * ax - (x - from.x) * ay));
    const [start, end, away] = [Math.min(...along), Math.max(...along), Math.max(...aside)];
    if (start < -1e6 || end > length + 1e6 || away > NEAR || end - start < NARROWEST) continue;
    // A hole is as long as its wall is not thick: a side that it stands across is none of its own.
    if (end - start < Math.max(...aside) - Math.min(...aside)) continue;
    if (!best || away < best.away) best = { side, from: Math.max(0, start), to: Math.min(length, end), away };
  }
  return best;
}

/**
 * The holes of a file on the sides of an outline. Where the file tells heights, they are counted from the lowest bottom given.
 *
 * @param ground what heights are counted from, in nanometres
 */
export function holesOn(
  outline: FoundOutline,
  holes: readonly FileHole[],
  units: UnitSystem,
  ground: number,
): { readonly openings: readonly FoundOpening[]; readonly leftOut: readonly LeftOut[] } {
  const openings: FoundOpening[] = [];
  const leftOut: LeftOut[] = [];
  const stored = (length: number): string => storedOnTape(length, units, OFF_TAPE);
  for (const hole of holes) {
    const placed = sideOf(hole, outline);
    if (!placed) {
      leftOut.push({ what: hole.name, why: 'It lies along no straight side of this outline.' });
      continue;
    }
    const { bottom, top } = hole;
    openings.push({
      name: hole.name,
      side: placed.side,
      at: stored(placed.from),
      width: stored(placed.to - placed.from),
      height: bottom !== null && top !== null && top > bottom ? stored(top - bottom) : '',
      sill: bottom === null ? null : stored(Math.max(0, bottom - ground)),
    });
  }
  return { openings: openings.sort((a, b) => a.side - b.side), leftOut };
}
