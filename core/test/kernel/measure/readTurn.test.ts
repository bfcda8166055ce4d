import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type Angle,
  cosine,
  degrees,
  normalise,
  readTurn,
  sine,
  storeTurn,
  toDegrees,
} from '../../../src/kernel/measure';

describe('turns', () => {
  it.each([
    ['right 90', 90],
    ['left 90', -90],
    ['Right', 90],
    ['l', -90],
    ['R 45', 45],
    ['45 left', -45],
    ['right 22.5°', 22.5],
    ['left 22,5 deg', -22.5],
  ])('%s is %d°', (text, expected) => {
    const reading = readTurn(text);
    expect(reading.ok && toDegrees(reading.turn)).toBe(expected);
  });

  it.each(['', 'right 0', 'left 180', 'right 270', '90', 'right -90'])('%s is refused', (text) => {
    expect(readTurn(text).ok).toBe(false);
  });

  it('store to text that reads back exactly', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 179_999_999 }), fc.boolean(), (size, left) => {
        const turn = (left ? -size : size) as Angle;
        const reading = readTurn(storeTurn(turn));
        expect(reading.ok && reading.turn).toBe(turn);
      }),
    );
  });
});

describe('directions', () => {
  it('are exact at quarter turns, however often one goes round', () => {
    for (let quarter = -8; quarter <= 8; quarter++) {
      const angle = degrees(90 * quarter);
      expect(Math.abs(cosine(angle)) + Math.abs(sine(angle))).toBe(1);
      expect(Number.isInteger(cosine(angle))).toBe(true);
    }
    expect(sine(degrees(90))).toBe(1);
    expect(cosine(degrees(180))).toBe(-1);
  });

  it('agree with the mathematics library elsewhere', () => {
    fc.assert(
      fc.property(fc.double({ min: -720, max: 720, noNaN: true }), (value) => {
        const angle = degrees(value);
        expect(cosine(angle)).toBeCloseTo(Math.cos((toDegrees(angle) * Math.PI) / 180), 12);
        expect(sine(angle)).toBeCloseTo(Math.sin((toDegrees(angle) * Math.PI) / 180), 12);
        expect(normalise(angle)).toBeGreaterThanOrEqual(0);
        expect(normalise(angle)).toBeLessThan(degrees(360));
      }),
    );
  });
});
