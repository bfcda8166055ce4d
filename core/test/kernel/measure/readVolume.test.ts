import { describe, expect, it } from 'vitest';
import {
  CUBIC_METRES_PER_CUBIC_YARD,
  PASCALS_PER_PSF,
  readVolume,
  toCelsius,
  toFahrenheit,
} from '../../../src/kernel/measure';

const yards = (text: string, units: 'imperial' | 'metric' = 'imperial'): number | null => {
  const reading = readVolume(text, units);
  return reading.ok ? reading.cubicMetres / CUBIC_METRES_PER_CUBIC_YARD : null;
};

describe('a volume of concrete', () => {
  it.each([
    ['2.5', 2.5],
    ['2,5 yd³', 2.5],
    ['2.5 yd3', 2.5],
    ['3 yards', 3],
    ['27 ft³', 1],
    ['27 cf', 1],
  ])('is read from %s', (text, expected) => {
    expect(yards(text)).toBeCloseTo(expected, 12);
  });

  it('is cubic metres where the job is metric and nothing is said', () => {
    expect(readVolume('1,9', 'metric')).toEqual({ ok: true, cubicMetres: 1.9 });
    expect(readVolume('1.9 m³', 'imperial')).toEqual({ ok: true, cubicMetres: 1.9 });
  });

  it('is read from the box that it fills, in any notation of lengths', () => {
    // 9 ft × 3 ft × 1 ft are 27 cubic feet, a yard.
    expect(yards('9ft x 36in × 12in')).toBeCloseTo(1, 12);
    const box = readVolume('4 m × 200 mm × 400 mm', 'metric');
    expect(box.ok && box.cubicMetres).toBeCloseTo(0.32, 12);
  });

  it.each(['', 'some', '3 buckets', '12ft × 8in', '12ft × 8in × ', '-2', '1e9'])(
    'is not read from “%s”',
    (text) => {
      expect(readVolume(text, 'imperial')).toEqual({ ok: false, text });
    },
  );
});

describe('quantities of the pour', () => {
  it('turn into each other exactly', () => {
    // 1 lbf/ft² = 47.880 26 Pa [NIST SP 811, appendix B.8].
    expect(PASCALS_PER_PSF).toBeCloseTo(47.88026, 4);
    expect(toCelsius(212)).toBe(100);
    expect(toFahrenheit(-40)).toBe(-40);
    expect(toFahrenheit(toCelsius(61))).toBeCloseTo(61, 12);
  });
});
