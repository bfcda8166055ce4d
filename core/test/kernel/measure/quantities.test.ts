import { describe, expect, it } from 'vitest';
import {
  inches,
  toCubicFeet,
  toCubicYards,
  toMetres,
  toSquareFeet,
  toSquareInches,
} from '../../../src/kernel/measure';

// Source: NIST SP 811, Appendix B; 1 yd³ = 0.764554857984 m³ and 1 in = 25.4 mm, exactly.
describe('areas and volumes', () => {
  it('follow from the inch', () => {
    const yard = toMetres(inches(36));
    expect(toCubicYards(yard ** 3)).toBeCloseTo(1, 12);
    expect(toCubicFeet(yard ** 3)).toBeCloseTo(27, 11);
    expect(toSquareFeet(yard ** 2)).toBeCloseTo(9, 12);
    expect(toSquareInches(yard ** 2)).toBeCloseTo(1296, 9);
  });
});
