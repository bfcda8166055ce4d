import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type Length,
  type UnitSystem,
  feet,
  inches,
  millimetres,
  readLength,
  showLength,
  SIXTY_FOURTH,
  storeLength,
} from '../../../src/kernel/measure';

const anyLength = fc.integer({ min: -2e12, max: 2e12 }).map((value) => value as Length);
const anySixtyFourth = fc.integer({ min: -4e6, max: 4e6 }).map((count) => (count * SIXTY_FOURTH) as Length);
const anyUnits = fc.constantFrom<UnitSystem>('imperial', 'metric');

const back = (text: string, units: UnitSystem): number => {
  const reading = readLength(text, units);
  if (!reading.ok) throw new Error(`${text}: ${reading.message}`);
  return reading.length;
};

describe('the stored form', () => {
  it('is readable', () => {
    expect(storeLength(inches(533.5), 'imperial')).toBe('44ft 5 1/2in');
    expect(storeLength(feet(44), 'imperial')).toBe('44ft');
    expect(storeLength(inches(8), 'imperial')).toBe('8in');
    expect(storeLength(inches(0.75), 'imperial')).toBe('3/4in');
    expect(storeLength(inches(12.75), 'imperial')).toBe('1ft 3/4in');
    expect(storeLength(inches(0), 'imperial')).toBe('0in');
    expect(storeLength(millimetres(2400), 'metric')).toBe('2400mm');
    expect(storeLength(millimetres(6540), 'imperial')).toBe('6540mm');
    expect(storeLength(inches(1), 'metric')).toBe('25.4mm');
    expect(storeLength(-5 as Length, 'metric')).toBe('-0.000005mm');
  });

  it('reads back to the same nanometre, whatever the job’s units', () => {
    fc.assert(
      fc.property(fc.oneof(anyLength, anySixtyFourth), anyUnits, anyUnits, (length, written, read) => {
        expect(back(storeLength(length, written), read)).toBe(length);
      }),
      { numRuns: 2000 },
    );
  });
});

describe('the shown form', () => {
  it('is what a crew would write', () => {
    expect(showLength(inches(257.5), 'imperial')).toBe('21′ 5 1/2″');
    expect(showLength(feet(44), 'imperial')).toBe('44′');
    expect(showLength(inches(5.5), 'imperial')).toBe('5 1/2″');
    expect(showLength(inches(0), 'imperial')).toBe('0″');
    expect(showLength(inches(11.99), 'imperial')).toBe('1′');
    expect(showLength(inches(32), 'imperial', { style: 'inches' })).toBe('32″');
    expect(showLength(inches(32.5), 'imperial', { style: 'inches', bare: true })).toBe('32 1/2');
    expect(showLength(inches(-5), 'imperial')).toBe('−5″');
    expect(showLength(inches(-0.001), 'imperial')).toBe('0″');
    expect(showLength(millimetres(6540), 'metric')).toBe('6540 mm');
    expect(showLength(inches(32), 'metric', { bare: true })).toBe('813');
    expect(showLength(inches(1 / 32), 'imperial', { partsPerInch: 64 })).toBe('1/32″');
  });

  it('is within half its step of the length', () => {
    fc.assert(
      fc.property(anyLength, anyUnits, (length, units) => {
        const step = units === 'imperial' ? 25_400_000 / 16 : 1_000_000;
        expect(Math.abs(back(showLength(length, units), units) - length)).toBeLessThanOrEqual(step / 2);
      }),
      { numRuns: 2000 },
    );
  });

  it('is exact for whole sixteenths', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 100_000 }), (sixteenths) => {
        const length = inches(sixteenths / 16);
        expect(back(showLength(length, 'imperial'), 'imperial')).toBe(length);
        expect(back(showLength(length, 'imperial', { style: 'inches' }), 'imperial')).toBe(length);
      }),
    );
  });
});
