import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type TypedQuantity, readQuantity, writeQuantity } from '../../../src/kernel/measure';

describe('a quantity as crews write it', () => {
  // 1 lbf/ft² = 47.880259 Pa, 1 yd³ = 0.764554857984 m³, 1 lb = 0.45359237 kg. [NIST SP 811]
  it.each<readonly [string, TypedQuantity, number]>([
    ['700 psf', 'pressure', 33_516.1813],
    ['700 lb/ft²', 'pressure', 33_516.1813],
    ['33 kPa', 'pressure', 33_000],
    ['33 kN/m2', 'pressure', 33_000],
    ['5 psi', 'pressure', 34_473.7865],
    ['6,5 lb', 'mass', 2.9483504],
    ['3kg', 'mass', 3],
    ['0.4 ft³', 'volume', 0.0113267],
    ['12 litres', 'volume', 0.012],
    ['16 yd3/h', 'flow', 12.2328777],
    ['12,5 m³ an hour', 'flow', 12.5],
    ['9 yards', 'concrete', 6.8809937],
    ['15 ft/h', 'rise', 4.572],
    ['4.5 m/h', 'rise', 4.5],
  ])('%s', (text, of, value) => {
    for (const units of ['imperial', 'metric'] as const) {
      expect(readQuantity(text, of, units)).toBeCloseTo(value, 3);
    }
  });

  it('bare is in the job’s own unit', () => {
    expect(readQuantity('700', 'pressure', 'imperial')).toBeCloseTo(33_516.18, 1);
    expect(readQuantity('33', 'pressure', 'metric')).toBe(33_000);
    expect(readQuantity('12', 'flow', 'metric')).toBe(12);
    expect(readQuantity('9', 'concrete', 'imperial')).toBeCloseTo(6.881, 3);
  });

  it('that is none, or of another kind, is not read', () => {
    for (const text of ['', 'soon', '-3 kPa', '33 kg', '33 kPa/h', '1e9 psf', 'x'.repeat(500)]) {
      expect(readQuantity(text, 'pressure', 'imperial')).toBeNull();
    }
  });

  it('comes back from what is written, near enough', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<TypedQuantity>('pressure', 'mass', 'concrete', 'flow', 'rise'),
        fc.constantFrom('imperial' as const, 'metric' as const),
        fc.integer({ min: 1, max: 5000 }),
        (of, units, tenths) => {
          const value = (tenths / 10) * (of === 'pressure' ? 1000 : 1);
          const text = writeQuantity(value, of, units);
          expect(Math.abs((readQuantity(text, of, units) ?? 0) / value - 1)).toBeLessThan(0.06);
          // Written once more it is the same to the letter.
          expect(writeQuantity(readQuantity(text, of, 'imperial') ?? 0, of, units)).toBe(text);
        },
      ),
    );
  });
});
