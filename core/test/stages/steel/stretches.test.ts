import type { WalkRow } from '../../../src/stages/outline/plan';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { work } from '../../../src/work';
import { type Side, planOf, withCourses } from '../../support/plans';

const LONG: readonly Side[] = [
  [720, 90],
  [480, 90],
  [720, 90],
  [480, 90],
];

/** The first and the third wall stepped: the footing up and down again, the first one's top lower from a place on. */
function stepped(courses: number, up: number, low: number, every: string): Plan {
  const plan = planOf(LONG, { ...withCourses(courses), rules: { 'steel.horizontal.courses': every } });
  return {
    ...plan,
    loops: plan.loops.map((loop) => ({
      ...loop,
      walk: loop.walk.map((row, index): WalkRow => {
        if (index === 0) {
          return {
            ...row,
            footing: [{ id: 'a', at: '300in', step: `up ${String(up * 16)}in` }],
            topSteps: [{ id: 't', at: '500in', top: `${String(low)} courses` }],
          };
        }
        return index === 2
          ? { ...row, footing: [{ id: 'b', at: '300in', step: `down ${String(up * 16)}in` }] }
          : row;
      }),
    })),
  };
}

describe('every stretch of a wall', () => {
  it('is told where its highest bar lies lower under the top than the rule has it', () => {
    // Bars lie in the middle of a course of 16 in: 8 in under its top.
    const low = (within: string) =>
      work(planOf(LONG, { ...withCourses(6), rules: { 'steel.top.within': within } })).steel.problems.filter(
        (problem) => problem.kind === 'top-bar-low',
      );
    expect(low('8in')).toEqual([]);
    expect(low('7in')).toHaveLength(4);
    expect(low('7in')[0]).toMatchObject({ below: inches(8), most: inches(7) });
  });

  // Common practice: always a bar in the bottom course, one within 12 in of the top.
  it('has a bar in its lowest course and one within 12 in of its top, over steps and under lower tops too', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 6, max: 9 }),
        fc.integer({ min: 1, max: 2 }),
        fc.constantFrom('second', 'third', 'least'),
        fc.integer({ min: 1, max: 2 }),
        (courses, up, every, less) => {
          const { steel, levels } = work(stepped(courses, up, courses - less, every));
          for (const [wall, spans] of Object.entries(levels.walls)) {
            for (const { from, to, bottom, top } of spans) {
              const middle = (from + to) / 2;
              const heights = steel.bars
                .filter(
                  (bar) =>
                    bar.use === 'horizontal' && bar.wall === wall && bar.from <= middle && middle <= bar.to,
                )
                .map((bar) => bar.bottom);
              expect(heights.some((at) => at > bottom && at < bottom + inches(16))).toBe(true);
              expect(heights.some((at) => at < top && at >= top - inches(12))).toBe(true);
            }
          }
        },
      ),
      { numRuns: 24 },
    );
  });
});
