import { describe, expect, it } from 'vitest';
import type { Plan } from '../../../src/kernel/plan';
import { work } from '../../../src/work';
import { openingOf } from '../../support/openings';
import { HALL, planOf, withCourses, withInside, withStub } from '../../support/plans';

const firstOf = (openings: NonNullable<Plan['openings']>) =>
  work(planOf(HALL, { ...withCourses(6), openings })).footing.firstCourse;

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

describe('track along both faces', () => {
  it('ends at an inside wall, and goes on past it', () => {
    // [by hand] A hall of 40 by 28 ft, 13 in thick, its inside wall 187 to 200 in from the corner. In lengths of 10 ft: outside 4, 2 and
    // 96 in, twice; inside the shorter walls 2 and 70 in, along the inside wall the same on both faces; inside the longer ones 174 and
    // 267 in: 1 and 54 in, 2 and 27 in. 26 whole; of the rests each 96 takes a length, each 70 one, two of them with 27; two of 54 one.
    const hall = withInside(
      planOf(HALL, {
        ...withCourses(6),
        rules: { 'footing.hold': 'track', 'footing.track.length': '10ft' },
      }),
    );
    expect(work(hall).footing.firstCourse.held.value).toBe(26 + 2 + 4 + 1);
  });
});

describe('joints of the first course', () => {
  const door = (id: string, at: string) =>
    openingOf({ id, kind: 'garage', at, width: '120in', height: '80in', sill: '0in' });

  /** Ends of pieces at which another one of the same wall begins, and both ends of every corner piece. */
  const meeting = (plan: Plan): number => {
    const pieces = work(plan).courses.pieces.filter(({ course }) => course === 1);
    const straight = pieces.filter((piece) => piece.kind !== 'corner');
    const corners = pieces.length - straight.length;
    const abutting = straight.filter((piece) =>
      straight.some((next) => next.wall === piece.wall && next.start === piece.start + piece.length),
    );
    return abutting.length + 2 * corners;
  };

  it('are counted where pieces meet: not across doorways, nor at a free end', () => {
    const hall = (openings: NonNullable<Plan['openings']>) => planOf(HALL, { ...withCourses(6), openings });
    const joints = (plan: Plan) => work(plan).footing.firstCourse.joints;
    const [shut, one, two] = [
      hall([]),
      hall([door('a', '90in')]),
      hall([door('a', '90in'), door('b', '270in')]),
    ];
    for (const plan of [shut, one, two]) expect(joints(plan)).toBe(meeting(plan));
    const between = withInside(shut);
    // Both ends of the inside wall meet others.
    expect(joints(between)).toBe(meeting(between) + 2);
    const stub = withStub(shut);
    expect(joints(stub)).toBe(meeting(stub) + 1);
    for (const each of [shut, one, two, between, stub]) {
      const { ties } = work(each).footing.firstCourse;
      expect(ties.value).toBe(2 * joints(each));
    }
  });
});
