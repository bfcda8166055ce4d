import { describe, expect, it } from 'vitest';
import { evaluate } from '../../../src/kernel/figures/how';
import { feet, inches, toInches } from '../../../src/kernel/measure';
import { ladderLength } from '../../../src/stages/bracing/ladders';
import { work } from '../../../src/work';
import { type Side, planOf, withCourses } from '../../support/plans';

const rectangle = (length: number, depth: number): readonly Side[] => [
  [length, 90],
  [depth, 90],
  [length, 90],
  [depth, 90],
];
const laddersOf = (plan: ReturnType<typeof planOf>) =>
  work(plan).bracing.gear.filter(({ part }) => part.startsWith('ladder:'));

describe('ladders to the planks', () => {
  it.each([
    // [by hand] height over the ground, √(h² + (h/4)²) + 3 ft, in whole feet above.
    [feet(6), 10],
    [feet(8), 12],
    [inches(100), 12],
    [feet(16), 20],
  ] as const)('of %s nanometres up are told in whole feet', (platform, long) => {
    expect(ladderLength(platform, feet(3), 'imperial')).toBe(feet(long));
  });

  it('are one for every hundred feet of walkway, and none beside a low one', () => {
    // 2 × (60 + 30) ft of outside face; inside the planks run 52 in less.
    const [line, ...others] = laddersOf(planOf(rectangle(720, 360), withCourses(8)));
    expect(others).toEqual([]);
    expect(line?.wanted.value).toBe(2);
    expect(evaluate(line?.wanted.how ?? { op: 'given', name: '', unit: 'count', value: 0 })).toBe(2);
    expect(laddersOf(planOf(rectangle(720, 360), withCourses(2)))).toEqual([]);
    const [long] = laddersOf(planOf(rectangle(2400, 1200), withCourses(8)));
    // 600 ft less 52 in: six.
    expect(long?.wanted.value).toBe(6);
  });

  it('are shorter from fill: they stand on the ground of their pour', () => {
    const plan = {
      ...planOf(rectangle(720, 360)),
      pours: [
        {
          id: 'pour-1',
          toCourse: 6,
          top: 'full' as const,
          ground: { inside: { to: '5ft', with: 'slab' as const } },
        },
        { id: 'pour-2', toCourse: 12, top: 'full' as const },
      ],
    };
    const [first, second] = work(plan).bracing.pours.map((pour) =>
      pour.gear.find(({ part }) => part.startsWith('ladder:')),
    );
    const platforms = work(plan).bracing.pours.map((pour) =>
      toInches(pour.walls.find(({ planks }) => planks.length > 0)?.platform ?? (0 as never)),
    );
    const byHand = platforms.map((up) => Math.ceil((up * Math.sqrt(17)) / 4 / 12 + 3) * 12);
    expect([first, second].map((line) => Number(line?.part.split(':')[1]) / inches(1))).toEqual(byHand);
    // From the footing the second pour's planks would be five feet farther up.
    expect(platforms[1]).toBeLessThan(16 * 12 - 60);
  });
});
