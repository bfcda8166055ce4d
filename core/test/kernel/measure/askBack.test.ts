import { describe, expect, it } from 'vitest';
import {
  type Usual,
  USUAL,
  askBack,
  feet,
  inches,
  millimetres,
  readLength,
  storeLength,
} from '../../../src/kernel/measure';

describe('a bare number far out of what is usual', () => {
  it.each([
    ['32', USUAL.step, [inches(32), feet(32)]],
    ['36', USUAL.opening, [inches(36), feet(36)]],
    ['528', USUAL.wall, [inches(528), feet(528)]],
    ['96', USUAL.height, [inches(96), feet(96)]],
    ['-32', USUAL.step, [inches(-32), feet(-32)]],
  ] as const)('%s in a feet-inch job is asked back', (text, usual, readings) => {
    expect(askBack(text, 'imperial', usual)).toEqual(readings);
  });

  it.each([
    ['3.6', USUAL.wall, [millimetres(3.6 * 1000), millimetres(3.6)]],
    ['44', USUAL.wall, [millimetres(44 * 1000), millimetres(440), millimetres(44)]],
    ['9,5', USUAL.wall, [millimetres(9.5 * 1000), millimetres(9.5)]],
  ] as const)('%s in a metric job is asked back', (text, usual, readings) => {
    expect(askBack(text, 'metric', usual)).toEqual(readings);
  });

  it.each<[string, 'imperial' | 'metric', Usual]>([
    // A unit was written: it is meant.
    ['32ft', 'imperial', USUAL.step],
    ['32"', 'imperial', USUAL.step],
    ['528 ft', 'imperial', USUAL.wall],
    ['3.6 mm', 'metric', USUAL.wall],
    // Usual as it stands.
    ['3', 'imperial', USUAL.step],
    ['44', 'imperial', USUAL.wall],
    ['3600', 'metric', USUAL.wall],
    ['0', 'imperial', USUAL.step],
    // No unit would make it usual, or nothing can be read.
    ['90000', 'imperial', USUAL.step],
    ['knee', 'imperial', USUAL.step],
    ['5-1/2', 'imperial', USUAL.step],
    ['', 'metric', USUAL.wall],
  ])('%s (%s) is not', (text, units, usual) => {
    expect(askBack(text, units, usual)).toBeNull();
  });

  it('is never asked again once a reading is chosen', () => {
    for (const usual of Object.values(USUAL)) {
      for (const units of ['imperial', 'metric'] as const) {
        for (const number of [0.02, 0.3, 1.5, 7, 40, 300, 2500, 60000]) {
          for (const length of askBack(String(number), units, usual) ?? []) {
            const text = storeLength(length, units);
            expect(askBack(text, units, usual)).toBeNull();
            expect(readLength(text, units)).toEqual({ ok: true, length });
          }
        }
      }
    }
  });
});
