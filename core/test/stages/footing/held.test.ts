import { describe, expect, it } from 'vitest';
import type { Plan } from '../../../src/kernel/plan';
import { work } from '../../../src/work';
import { openingOf } from '../../support/openings';
import { type Side, planOf, withCourses } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];
const firstOf = (openings: NonNullable<Plan['openings']>) =>
  work(planOf(RECTANGLE, { ...withCourses(6), openings })).footing.firstCourse;

describe('boards that hold the first course', () => {
  it('leave out doorways, and run on under windows', () => {
    // [by hand] Boards of 12 ft along both faces. Two doors of 10 ft take 40 ft of board and more: three boards less at the least.
    const door = (id: string, at: string) =>
      openingOf({ id, kind: 'garage', at, width: '120in', height: '80in', sill: '0in' });
    const shut = firstOf([]).held.value;
    const doors = firstOf([door('a', '90in'), door('b', '270in')]).held.value;
    expect(shut - doors).toBeGreaterThanOrEqual(3);
    expect(shut - doors).toBeLessThanOrEqual(5);
    const window = openingOf({ sill: '32in' });
    expect(firstOf([window]).held.value).toBe(shut);
    expect(firstOf([window]).fixed.value).toBe(firstOf([]).fixed.value);
    expect(firstOf([door('a', '90in'), door('b', '270in')]).fixed.value).toBeLessThan(
      firstOf([]).fixed.value,
    );
  });
});
