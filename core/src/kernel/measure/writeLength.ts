import {
  type Length,
  type UnitSystem,
  NANOMETRES_PER_INCH,
  NANOMETRES_PER_MILLIMETRE,
  SIXTY_FOURTH,
} from './length';

function greatestCommonDivisor(a: number, b: number): number {
  return b === 0 ? a : greatestCommonDivisor(b, a % b);
}

/** `5 1/2`, `5`, `1/2` or `0` from a count of parts of an inch. */
function inchText(parts: number, partsPerInch: number): string {
  const whole = Math.floor(parts / partsPerInch);
  const rest = parts % partsPerInch;
  if (rest === 0) return String(whole);
  const divisor = greatestCommonDivisor(rest, partsPerInch);
  const part = `${String(rest / divisor)}/${String(partsPerInch / divisor)}`;
  return whole === 0 ? part : `${String(whole)} ${part}`;
}

/**
 * The stored form of a length: exact, and read back to the same nanometre by `readLength`.
 * Feet and inches where the job is written so and the length is whole sixty-fourths, otherwise millimetres.
 *
 * @example storeLength(inches(533.5), 'imperial') // '44ft 5 1/2in'
 * @example storeLength(millimetres(2400), 'metric') // '2400mm'
 */
export function storeLength(length: Length, units: UnitSystem): string {
  const sign = length < 0 ? '-' : '';
  const size = Math.abs(length);
  if (units === 'imperial' && size % SIXTY_FOURTH === 0) {
    const parts = size / SIXTY_FOURTH;
    const feet = Math.floor(parts / 768);
    const inches = inchText(parts % 768, 64);
    if (feet === 0) return `${sign}${inches}in`;
    return inches === '0' ? `${sign}${String(feet)}ft` : `${sign}${String(feet)}ft ${inches}in`;
  }
  const whole = Math.floor(size / NANOMETRES_PER_MILLIMETRE);
  const rest = size % NANOMETRES_PER_MILLIMETRE;
  const decimals = rest === 0 ? '' : `.${String(rest).padStart(6, '0').replace(/0+$/, '')}`;
  return `${sign}${String(whole)}${decimals}mm`;
}

interface ShowLengthOptions {
  /** Parts of an inch to round to; 16 as on a tape. */
  readonly partsPerInch?: number;
  /** `inches` keeps short lengths in inches alone, as cuts are written on foam: 32″, not 2′ 8″. */
  readonly style?: 'feet' | 'inches';
  /** Leaves the unit sign out, for felt pen on foam. */
  readonly bare?: boolean;
}

/**
 * A length as a crew writes it: `21′ 5 1/2″`, or `6540 mm`. Rounded for reading, to 1/16 in or 1 mm.
 *
 * @example showLength(inches(257.5), 'imperial') // '21′ 5 1/2″'
 * @example showLength(inches(32), 'imperial', { style: 'inches' }) // '32″'
 */
export function showLength(length: Length, units: UnitSystem, options: ShowLengthOptions = {}): string {
  const { partsPerInch = 16, style = 'feet', bare = false } = options;
  if (units === 'metric') {
    const rounded = Math.round(Math.abs(length) / NANOMETRES_PER_MILLIMETRE);
    const sign = length < 0 && rounded > 0 ? '−' : '';
    return `${sign}${String(rounded)}${bare ? '' : ' mm'}`;
  }
  const parts = Math.round((Math.abs(length) * partsPerInch) / NANOMETRES_PER_INCH);
  const sign = length < 0 && parts > 0 ? '−' : '';
  const inchSign = bare ? '' : '″';
  const feet = Math.floor(parts / (12 * partsPerInch));
  if (style === 'inches' || feet === 0) return `${sign}${inchText(parts, partsPerInch)}${inchSign}`;
  const inches = inchText(parts % (12 * partsPerInch), partsPerInch);
  return inches === '0' ? `${sign}${String(feet)}′` : `${sign}${String(feet)}′ ${inches}${inchSign || '″'}`;
}
