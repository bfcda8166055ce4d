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
    // 1 lbf/in² = 6.894757 kPa, 1 lb/ft³ = 16.018463 kg/m³, 1 lbf/ft³ = 0.157087 kN/m³, 1 ft² = 0.09290304 m². [NIST SP 811]
    ['28 MPa', 'strength', 4061.0565],
    ['28 N/mm²', 'strength', 4061.0565],
    ['4000 psi', 'strength', 4000],
    ['2400 kg/m³', 'density', 149.8271],
    ['150 pcf', 'density', 150],
    ['7 kN/m3', 'fluid-weight', 44.5612],
    ['18 °C', 'temperature', 64.4],
    ['18c', 'temperature', 64.4],
    ['65 deg F', 'temperature', 65],
    ['17 K', 'warming', 30.6],
    ['150 mm', 'slump', 5.90551],
    ['15 cm', 'slump', 5.90551],
    ['6"', 'slump', 6],
    ['465 m²', 'area', 5005.2183],
    ['235 a m³', 'price', 179.6704],
    ['180/yd3', 'price', 180],
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
    expect(readQuantity('0', 'temperature', 'metric')).toBe(32);
    expect(readQuantity('100', 'temperature', 'metric')).toBeCloseTo(212, 9);
    expect(readQuantity('70', 'temperature', 'imperial')).toBe(70);
    expect(readQuantity('0', 'warming', 'metric')).toBe(0);
    expect(readQuantity('100', 'slump', 'metric')).toBeCloseTo(3.937, 3);
    expect(readQuantity('100', 'price', 'metric')).toBeCloseTo(76.4555, 4);
  });

  it('that is none, or of another kind, is not read', () => {
    for (const text of ['', 'soon', '-3 kPa', '33 kg', '33 kPa/h', '1e9 psf', 'x'.repeat(500)]) {
      expect(readQuantity(text, 'pressure', 'imperial')).toBeNull();
    }
  });

  it('is written in the job’s own unit, as fine as it is measured', () => {
    expect(writeQuantity(4061.06, 'strength', 'metric')).toBe('28 MPa');
    expect(writeQuantity(4000, 'strength', 'imperial')).toBe('4000 psi');
    expect(writeQuantity(64.4, 'temperature', 'metric')).toBe('18 °C');
    expect(writeQuantity(150, 'density', 'metric')).toBe('2403 kg/m³');
    expect(writeQuantity(45, 'fluid-weight', 'metric')).toBe('7.07 kN/m³');
    expect(writeQuantity(6, 'slump', 'metric')).toBe('152 mm');
    expect(writeQuantity(5005.2, 'area', 'metric')).toBe('465 m²');
    expect(writeQuantity(180, 'price', 'imperial')).toBe('180 a yd³');
    expect(writeQuantity(0.01234, 'volume', 'metric')).toBe('0.0123 m³');
    expect(writeQuantity(33_500, 'pressure', 'imperial')).toBe('700 psf');
    expect(writeQuantity(33_456, 'pressure', 'metric')).toBe('33.46 kPa');
  });

  it('comes back from what is written, near enough', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<TypedQuantity>('pressure', 'mass', 'concrete', 'flow', 'rise', 'price'),
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
