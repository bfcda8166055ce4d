import type { WorkedPour } from '../buildPour';
import { pressedBy } from '../rehearsal';
import type { Board } from './board';

/** Where the forms are pressed hardest, by the pace at which the concrete really rose. Pascals and m/h. */
export interface PressedNow {
  /** A slice of the pour. */
  readonly slice: number;
  readonly pressure: number;
  readonly rise: number;
  /** What the forms are stated for; null where nobody has said. */
  readonly capacity: number | null;
}

/**
 * The hardest pressed place of a pour that is under way, by the concrete's temperature and slump as they were measured; null before
 * anything stands, or where no formula holds.
 */
export function pressedNow(pour: WorkedPour, board: Board): PressedNow | null {
  const { day, mix } = pour;
  if (!mix.fresh) return null;
  const slump = board.loads.flatMap((load) => load.slump ?? []).at(-1);
  const fresh = {
    ...mix.fresh,
    temperature: board.temperature ?? mix.fresh.temperature,
    slump: slump ?? mix.fresh.slump,
  };
  let worst: PressedNow | null = null;
  for (const layer of board.layers) {
    if (layer.depth <= 0) continue;
    const { pressure, rise } = pressedBy(day.school, fresh, layer);
    if (worst !== null && pressure <= worst.pressure) continue;
    worst = { slice: layer.slice % pour.slices.length, pressure, rise, capacity: day.capacity };
  }
  return worst;
}
