import { type UnitSystem, NANOMETRES_PER_METRE } from './length';
import { CUBIC_METRES_PER_CUBIC_YARD, METRES_PER_FOOT } from './quantities';
import { LONGEST_TEXT, readLength } from './readLength';

type VolumeReading =
  { readonly ok: true; readonly cubicMetres: number } | { readonly ok: false; readonly text: string };

const UNITS: readonly (readonly [RegExp, number])[] = [
  [/^(yd3|yd³|yards?|yds?|cy|cu\.? ?yd)$/, CUBIC_METRES_PER_CUBIC_YARD],
  [/^(m3|m³|cu\.? ?m)$/, 1],
  [/^(ft3|ft³|cf|cu\.? ?ft)$/, METRES_PER_FOOT ** 3],
];

/** Length × width × depth, each as crews write it; null where one of them cannot be read. */
function boxOf(sides: readonly string[], units: UnitSystem): number | null {
  let cubicMetres = 1;
  for (const side of sides) {
    const reading = readLength(side, units);
    if (!reading.ok || reading.length <= 0) return null;
    cubicMetres *= reading.length / NANOMETRES_PER_METRE;
  }
  return cubicMetres;
}

/**
 * A volume of concrete as a crew writes it: `2.5 yd³`, `2,5 m³`, or the box that it fills, `12ft × 8in × 16in`. A bare number is
 * cubic yards in a feet-inch job and cubic metres in a metric one.
 *
 * @example readVolume('2.5', 'imperial').cubicMetres // 1.911387
 */
export function readVolume(text: string, units: UnitSystem): VolumeReading {
  if (text.length > LONGEST_TEXT) return { ok: false, text };
  const sides = text.split(/\s*[×x*]\s*/i);
  if (sides.length === 3) {
    const box = boxOf(sides, units);
    return box === null ? { ok: false, text } : { ok: true, cubicMetres: box };
  }
  const found = /^\s*(\d{1,6}(?:[.,]\d{1,4})?)\s*([a-z³3. ]*?)\s*$/i.exec(text);
  if (!found) return { ok: false, text };
  const value = Number((found[1] ?? '').replace(',', '.'));
  const unit = (found[2] ?? '').toLowerCase();
  if (unit === '') {
    return { ok: true, cubicMetres: value * (units === 'imperial' ? CUBIC_METRES_PER_CUBIC_YARD : 1) };
  }
  const factor = UNITS.find(([pattern]) => pattern.test(unit))?.[1];
  return factor === undefined ? { ok: false, text } : { ok: true, cubicMetres: value * factor };
}
