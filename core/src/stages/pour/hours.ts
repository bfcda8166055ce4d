import { max, min } from 'd3-array';
import type { WorkedPour } from './buildPour';
import type { Stop } from './stops';

/** A time of the day of a pour, in minutes after its first truck is due. */
export interface Hours {
  readonly from: number;
  readonly to: number;
}

/**
 * When the clock of a pour places the stops that pass: from the first minute of the first of them to the last of the last.
 *
 * @param passes says whether a stop is meant
 * @returns minutes after the first truck is due; null where no stop passes
 */
export function hoursOf(
  { clock, stops }: Pick<WorkedPour, 'clock' | 'stops'>,
  passes: (stop: Stop) => boolean,
): Hours | null {
  const own = clock.placed.filter(({ stop }) => {
    const found = stops[stop];
    return found !== undefined && passes(found);
  });
  const [from, to] = [min(own, (each) => each.from), max(own, (each) => each.to)];
  return from === undefined || to === undefined ? null : { from, to };
}

/**
 * When each lift is placed, as planned: with what stands in the walls, without sills that are filled from the side.
 *
 * @returns one a lift, from the lowest; null for a lift that nothing is placed in
 */
export const liftHours = (pour: Pick<WorkedPour, 'clock' | 'stops' | 'lifts'>): readonly (Hours | null)[] =>
  pour.lifts.map((_, index) => hoursOf(pour, (stop) => stop.lift === index + 1 && stop.kind !== 'side'));
