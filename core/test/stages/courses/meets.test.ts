import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { blockJoints, endsWall, standsOnFooting } from '../../../src/stages/courses';
import { type Wall, wallsOf } from '../../../src/stages/outline';
import { type WorkedPlan, work } from '../../../src/work';
import { openingOf } from '../../support/openings';
import {
  HALL,
  HATCHERY,
  planOf,
  roundedHall,
  withCourses,
  withInside,
  withStub,
  withTop,
} from '../../support/plans';

interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** Where foam of one wall touches foam in a course, piece by piece: a corner's legs are pieces of both of its walls. */
function touching({ courses }: WorkedPlan, { id: wall, length }: Wall, course: number): number {
  const stretches = courses.pieces
    .filter((piece) => piece.course === course)
    .flatMap((piece): Stretch[] => {
      if (piece.kind !== 'corner')
        return piece.wall === wall ? [{ from: piece.start, to: piece.start + piece.length }] : [];
      return [
        ...(piece.wallBefore === wall && piece.legBefore > 0
          ? [{ from: length - piece.legBefore, to: length }]
          : []),
        ...(piece.wallAfter === wall && piece.legAfter > 0 ? [{ from: 0, to: piece.legAfter }] : []),
      ];
    });
  return stretches.filter((one) => stretches.some((other) => other !== one && other.from === one.to)).length;
}

const joints = ({ courses, levels }: WorkedPlan, wall: string, course: number): number =>
  blockJoints(courses.rows, levels).filter((each) => each.wall === wall && each.course === course).length;

describe('joints of a course', () => {
  it('are where two pieces touch, whatever openings take, in every family', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('module-48', 'long-96', 'panel-48', 'cell-24'),
        fc.constantFrom(HALL, HATCHERY),
        fc.array(
          fc.record({
            at: fc.integer({ min: 2, max: 190 }),
            wall: fc.constantFrom('w1', 'w2', 'w3', 'w4'),
            width: fc.integer({ min: 16, max: 120 }),
            sill: fc.constantFrom('0in', '13in', '32in'),
          }),
          { maxLength: 3 },
        ),
        (family, sides, list) => {
          const openings = list.map(({ at, wall, width, sill }, index) =>
            openingOf({
              id: `o${String(index)}`,
              at: `${String(at)}in`,
              wall,
              width: `${String(width)}in`,
              sill,
            }),
          );
          const all = work(planOf(sides, { family, openings, ...withCourses(5) }));
          const inward = all.shell.loops.flatMap(({ built }) =>
            (built?.corners ?? []).filter(({ kind }) => kind === 'inside').map(({ letter }) => letter),
          );
          for (let course = 1; course <= all.courses.count; course++) {
            // At an inward corner the wall that butts begins at its own first inch: it has no leg of the other one.
            const butting = all.courses.pieces.filter(
              (piece) =>
                piece.kind === 'corner' &&
                piece.course === course &&
                piece.make === 'lapped' &&
                inward.includes(piece.corner),
            );
            const walls = wallsOf(all.shell);
            expect(walls.reduce((sum, { id }) => sum + joints(all, id, course), 0)).toBe(
              walls.reduce((sum, wall) => sum + touching(all, wall, course), butting.length),
            );
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('are one where corners are mitred, one where a curve begins, and one where an inside wall meets', () => {
    const around = (plan: Plan): number => {
      const all = work(plan);
      return blockJoints(all.courses.rows, all.levels).filter(({ course }) => course === 2).length;
    };
    // Round a closed outline every piece ends at one other, corner pieces at two.
    const pieces = (plan: Plan): number =>
      work(plan).courses.pieces.filter(({ course }) => course === 2).length;
    const bay = planOf(
      [
        [480, 90],
        [276, 45],
        [84.853, 45],
        [420, 90],
        [336, 90],
      ],
      { ...withCourses(3), core: '6in' },
    );
    const rounded = roundedHall(120, withCourses(3));
    for (const plan of [bay, rounded]) expect(around(plan)).toBe(pieces(plan));
    const hall = planOf(HALL, withCourses(3));
    expect(around(withInside(hall))).toBe(pieces(withInside(hall)) + 1);
    expect(around(withStub(hall))).toBe(pieces(withStub(hall)));
  });

  it('is one where the legs of two corners touch and leave no block between them', () => {
    // Legs of 27 and 11 in inside, each 13 in longer outside.
    const sides = [
      [480, 90],
      [64, 90],
      [480, 90],
      [64, 90],
    ] as const;
    const all = work(planOf(sides, withCourses(2)));
    const between = all.courses.pieces.filter((piece) => piece.kind !== 'corner' && piece.wall === 'w2');
    expect(between).toEqual([]);
    expect([joints(all, 'w2', 1), joints(all, 'w2', 2)]).toEqual([1, 1]);
  });

  it('tell what stands under and over them', () => {
    const { courses, levels } = work(withTop(planOf(HALL, withCourses(6)), 'w2', '4 courses'));
    const all = blockJoints(courses.rows, levels);
    expect(all.filter(standsOnFooting)).toEqual(all.filter(({ course }) => course === 1));
    const last = all.filter(endsWall);
    expect(new Set(last.map(({ course }) => course))).toEqual(new Set([4, 6]));
    expect(last.filter(({ course }) => course === 4).every(({ wall }) => wall === 'w2')).toBe(true);
    expect(last.some(({ wall, course, at }) => wall === 'w2' && course === 4 && at > inches(100))).toBe(true);
  });
});
