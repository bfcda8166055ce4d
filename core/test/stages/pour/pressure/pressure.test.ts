import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { METRES_PER_FOOT, PASCALS_PER_PSF } from '../../../../src/kernel/measure';
import {
  type FreshConcrete,
  aci347,
  aciBranch,
  ciria108,
  fastestRise,
  pressureOn,
  weightCoefficient,
  weightOf,
} from '../../../../src/stages/pour/pressure';
import reference from '../../../data/trade-values.json';

const fresh: FreshConcrete = { weight: 150, temperature: 60, slump: 6, chemistry: 1, c2: 0.3 };

describe('ACI 347R-14', () => {
  // Reference values; formula from memory, as their source says.
  it.each(reference.aci347.cases)('gives $psf lb/ft² at $R ft/h, $T °F, $w lb/ft³, $h ft', (each) => {
    const pressure = aci347({
      rise: each.R,
      temperature: each.T,
      weight: each.w,
      height: each.h,
      chemistry: each.cc,
      slump: 6,
    });
    expect(pressure).toBeCloseTo(each.psf, 1);
  });

  const wall = { rise: 4, temperature: 60, weight: 150, height: 20, chemistry: 1, slump: 6 };

  it('takes the whole head over 7 in of slump, and where it rises faster than 15 ft an hour', () => {
    expect(aci347({ ...wall, slump: 8 })).toBe(3000);
    expect(aci347({ ...wall, rise: 15.1 })).toBe(3000);
    expect(aci347({ ...wall, rise: 15 })).toBeLessThan(3000);
  });

  it('changes its branch over 14 ft, and at 7 ft an hour without a jump', () => {
    expect(aciBranch({ ...wall, height: 14 })).toBe('slow');
    expect(aciBranch({ ...wall, height: 14.1 })).toBe('fast');
    const below = aci347({ ...wall, height: 14, rise: 7 - 1e-9 });
    expect(aci347({ ...wall, height: 14, rise: 7 })).toBeCloseTo(below, 4);
  });

  it('weighs light and heavy concrete by its coefficient', () => {
    // 0.5 (1 + w/145) under 140 lb/ft³ but 0.80 at least; w/145 over 150. [ACI 347R-14; from memory]
    expect(weightCoefficient(120)).toBeCloseTo(0.9138, 4);
    expect(weightCoefficient(80)).toBe(0.8);
    expect(weightCoefficient(145)).toBe(1);
    expect(weightCoefficient(174)).toBe(1.2);
  });

  it('never leaves least pressure and whole head, and never falls as the pour goes faster', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 14.9, noNaN: true }),
        fc.double({ min: 0, max: 14.9, noNaN: true }),
        fc.double({ min: 2, max: 20, noNaN: true }),
        fc.double({ min: 40, max: 100, noNaN: true }),
        (one, other, height, temperature) => {
          const at = (rise: number): number =>
            aci347({ rise, temperature, weight: 150, height, chemistry: 1, slump: 6 });
          const [slow, fast] = [Math.min(one, other), Math.max(one, other)];
          expect(at(slow)).toBeLessThanOrEqual(at(fast) + 1e-9);
          expect(at(fast)).toBeLessThanOrEqual(150 * height + 1e-9);
          expect(at(slow)).toBeGreaterThanOrEqual(Math.min(600, 150 * height) - 1e-9);
        },
      ),
    );
  });
});

describe('CIRIA 108', () => {
  // Reference values; formula from memory, as their source says.
  it.each(reference.ciria108.cases)('gives $kPa kN/m² at $R m/h, $T °C, $H m', (each) => {
    const pressure = ciria108({
      rise: each.R,
      temperature: each.T,
      weight: each.D,
      height: each.H,
      c1: each.c1,
      c2: each.c2,
    });
    expect(pressure).toBeCloseTo(each.kPa, 1);
  });

  it('is the whole head where the wall is full before anything stiffens', () => {
    expect(ciria108({ rise: 9, temperature: 10, weight: 25, height: 3, c1: 1, c2: 0.3 })).toBe(75);
  });
});

describe('the same wall in either school’s units', () => {
  it('is put into feet, pounds and Fahrenheit for one, metres and Celsius for the other', () => {
    // 4 ft/h in 9 ft: 750 lb/ft², from the reference values.
    const aci = pressureOn('aci', fresh, 4 * METRES_PER_FOOT, 9 * METRES_PER_FOOT);
    expect(aci / PASCALS_PER_PSF).toBeCloseTo(750, 6);
    const ciria = pressureOn('ciria', fresh, 2, 4);
    const own = ciria108({
      rise: 2,
      temperature: (60 - 32) / 1.8,
      weight: weightOf(fresh) / 1000,
      height: 4,
      c1: 1,
      c2: 0.3,
    });
    expect(ciria).toBeCloseTo(own * 1000, 6);
    // 150 lb/ft³ are 23.56 kN/m³.
    expect(weightOf(fresh) / 1000).toBeCloseTo(23.563, 3);
  });
});

describe('the fastest rise that a form allows', () => {
  it('presses just as hard as the form is stated for', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('aci' as const, 'ciria' as const),
        fc.double({ min: 2.4, max: 4, noNaN: true }),
        fc.double({ min: 30_000, max: 60_000, noNaN: true }),
        (school, height, capacity) => {
          const rise = fastestRise(school, fresh, height, capacity);
          if (typeof rise !== 'number') return;
          expect(pressureOn(school, fresh, rise, height)).toBeLessThanOrEqual(capacity);
          expect(pressureOn(school, fresh, rise * 1.001 + 1e-6, height)).toBeGreaterThan(capacity);
        },
      ),
    );
  });

  it('is any where the whole head stays inside, and none where the least pressure does not', () => {
    const head = weightOf(fresh) * 2;
    expect(fastestRise('aci', fresh, 2, head)).toBe('any');
    expect(fastestRise('aci', fresh, 3, 599 * PASCALS_PER_PSF)).toBe('none');
  });
});
