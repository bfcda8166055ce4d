import {
  type Length,
  type UnitSystem,
  SIXTY_FOURTH,
  millimetres,
  nanometres,
  storeLength,
} from '../kernel/measure';

/** The finest step of a tape: a sixty-fourth of an inch, a tenth of a millimetre. */
const STEP: Readonly<Record<UnitSystem, Length>> = {
  imperial: SIXTY_FOURTH,
  metric: millimetres(0.1),
};

/**
 * A length of a file in its stored form: as a tape would show it where it is as near to that as the file's own rounding, otherwise to
 * the nanometre.
 *
 * @param off how far from the tape's step it may be, in nanometres
 */
export function storedOnTape(length: number, units: UnitSystem, off: number): string {
  const near = Math.round(length / STEP[units]) * STEP[units];
  return storeLength(nanometres(Math.abs(near - length) <= off ? near : length), units);
}
