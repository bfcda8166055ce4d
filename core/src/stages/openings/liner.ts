import { type Length, nanometres } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import type { PlacedOpening } from './placeOpenings';
import { heightOf, widthOf } from './shape';

/** A window of bare concrete in the caps round a liner, by the height of its middle. */
export interface BareWindow {
  readonly side: 'sill' | 'jamb' | 'head';
  readonly up: Length;
  /** Concrete in it, in cubic metres. */
  readonly volume: number;
}

const CUBIC_METRES = 1e-27;

/**
 * Windows of bare concrete round an opening whose liner is taken out: one every so often along each side, the rests shared
 * by its ends. They run through the caps and are filled with the wall. [common practice]
 */
export function bareWindows(opening: PlacedOpening, rules: HouseRules): readonly BareWindow[] {
  if (!opening.buck.liner) return [];
  const { finished, concrete } = opening;
  const size = rules.length('openings.liner.window');
  const spacing = rules.length('openings.liner.spacing');
  const volume = size * size * opening.buck.thickness * CUBIC_METRES;
  const places = (length: Length): readonly number[] => {
    const count = Math.floor(length / spacing);
    return Array.from(
      { length: count },
      (_, index) => (length - (count - 1) * spacing) / 2 + index * spacing,
    );
  };
  const along = places(widthOf(finished));
  const half = opening.buck.thickness / 2;
  const jamb = nanometres(heightOf(finished) - finished.rise);
  const level = (side: 'sill' | 'head', up: number): readonly BareWindow[] =>
    along.map(() => ({ side, up: nanometres(up), volume }));
  return [
    ...(opening.openBottom ? [] : level('sill', concrete.bottom + half)),
    ...(opening.openTop || finished.rise > 0 ? [] : level('head', concrete.top - half)),
    ...places(jamb).flatMap((at): readonly BareWindow[] => {
      const window = { side: 'jamb' as const, up: nanometres(finished.bottom + at), volume };
      return [window, window];
    }),
  ];
}
