import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type Length,
  abs,
  feet,
  half,
  inches,
  lerp,
  max,
  min,
  nanometres,
  subtract,
  sum,
  ZERO,
} from '../../../src/kernel/measure';

const anyLength = fc.integer({ min: -(10 ** 12), max: 10 ** 12 }).map((value) => nanometres(value));

describe('lengths', () => {
  it('stay whole nanometres whatever is done with them', () => {
    fc.assert(
      fc.property(anyLength, anyLength, fc.double({ min: 0, max: 1, noNaN: true }), (a, b, share) => {
        for (const length of [half(a), lerp(a, b, share), sum([a, b]), max(a, b), min(a, b), abs(a)]) {
          expect(Number.isSafeInteger(length)).toBe(true);
        }
      }),
    );
  });

  it('are halved to the nearest nanometre', () => {
    expect(half(inches(5))).toBe(inches(2.5));
    fc.assert(
      fc.property(anyLength, (length) => {
        expect(Math.abs(length - 2 * half(length))).toBeLessThanOrEqual(1);
      }),
    );
  });

  it('lie between two others, at their ends where no share or all of it is taken', () => {
    expect(lerp(feet(2), feet(4), 0.25)).toBe(feet(2.5));
    fc.assert(
      fc.property(anyLength, anyLength, fc.double({ min: 0, max: 1, noNaN: true }), (a, b, share) => {
        expect(lerp(a, b, 0)).toBe(a);
        expect(lerp(a, b, 1)).toBe(b);
        const between = lerp(a, b, share);
        expect(between).toBeGreaterThanOrEqual(min(a, b));
        expect(between).toBeLessThanOrEqual(max(a, b));
      }),
    );
  });

  it('have a longest, a shortest, a sum and a size', () => {
    const three: readonly Length[] = [inches(3), inches(-4), inches(1)];
    expect(max(...three)).toBe(inches(3));
    expect(min(...three)).toBe(inches(-4));
    expect(sum(three)).toBe(ZERO);
    expect(sum([])).toBe(ZERO);
    // However many: they are not handed over one by one.
    expect(sum(Array.from({ length: 300_000 }, () => inches(1)))).toBe(inches(300_000));
    expect(abs(inches(-4))).toBe(inches(4));
    expect(subtract(max(...three), min(...three))).toBe(inches(7));
  });
});
