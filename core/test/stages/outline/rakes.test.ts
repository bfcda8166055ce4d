import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Length, feet, inches, toCubicYards, toInches, ZERO } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { applyEdit, writePlan } from '../../../src/plan';
import { readPlan } from '../../../src/planFile';
import { rakedStretches, slopeAt } from '../../../src/stages/outline';
import type { Rake } from '../../../src/stages/outline/plan';
import { work } from '../../../src/work';
import { type Side, planOf, withCourses } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];
type Spot = readonly [at: number, top: number];
const rake = (how: Rake['how'], spots: readonly Spot[]): Rake => ({
  how,
  points: spots.map(([at, top], index) => ({
    id: `r${String(index)}`,
    at: `${String(at)}in`,
    top: `${String(top)}in`,
  })),
});

/** A rectangle of 40 by 28 ft, its long walls level at some courses and its short ones raked between 12 in all. */
const plan = (ends: Rake, change: Partial<Plan> = {}): Plan => {
  const job = planOf(RECTANGLE, { ...withCourses(12), ...change });
  return {
    ...job,
    loops: job.loops.map((loop) => ({
      ...loop,
      walk: loop.walk.map((row) => (row.id === 'w2' ? { ...row, rake: ends } : row)),
    })),
  };
};
const problems = (each: Plan): readonly string[] => work(each).levels.problems.map(({ kind }) => kind);
/** Concrete of one wall, counted from the pour’s own figures. */
const concreteOf = (each: Plan, wall: string): number =>
  work(each).pour.pours.reduce(
    (sum, { volumes }) => sum + (volumes.walls.find((own) => own.wall === wall)?.volume.value ?? 0),
    0,
  );
const cubicInches = (cubicMetres: number): number => toCubicYards(cubicMetres) * 46656;

describe('a sloping top', () => {
  it('runs straight from point to point and level beyond', () => {
    const points = [
      { at: feet(10), top: feet(16) },
      { at: feet(30), top: feet(22) },
    ];
    expect([0, 10, 20, 30, 40].map((at) => slopeAt(points, feet(at)))).toEqual(
      [16, 16, 19, 22, 22].map((top) => feet(top)),
    );
  });

  it('is parted where it passes a course; each part lies within one', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 16, max: 190 }), { minLength: 2, maxLength: 4 }),
        fc.integer({ min: 60, max: 700 }),
        (heights, length) => {
          const points = heights.map((top, index) => ({
            at: inches((length * index) / (heights.length - 1)),
            top: inches(top),
          }));
          const tops = Array.from({ length: 13 }, (_, index) => inches(16 * index));
          const parts = rakedStretches(points, tops, inches(length), []);
          expect(parts[0]?.from).toBe(0);
          expect(parts.at(-1)?.to).toBe(inches(length));
          parts.forEach((part, index) => {
            expect(part.from).toBe(index === 0 ? ZERO : parts[index - 1]?.to);
            for (const height of part.slope) {
              // A station is rounded to a nanometre, and the slope at it with it.
              expect(height).toBeGreaterThanOrEqual(part.under - 50);
              expect(height).toBeLessThanOrEqual(part.over + 50);
            }
            expect([0, inches(16)]).toContain(part.over - part.under);
          });
        },
      ),
    );
  });
});

describe('a raked wall', () => {
  it('cut to the slope holds the trapezoid of its core, worked by hand', () => {
    // [by hand] w2 is 336 in, 13 thick, core 8; its core’s middle runs from 6.5 to 329.5. 96 in high at its start, 192 at its end.
    const cut = plan(
      rake('cut', [
        [0, 96],
        [336, 192],
      ]),
    );
    expect(problems(cut)).toEqual([]);
    const over96 = (at: number): number => (96 * at) / 336;
    const under = (from: number, to: number, base: number): number =>
      ((over96(from) + over96(to)) / 2 - base) * (to - from);
    const area =
      // Up to 96 in both corners stand: from the middle of one to the middle of the other.
      96 * (329.5 - 6.5) +
      // Over it the wall’s low end is a bulkhead, 2 1/2 in thick; at its high end the corner stands up to 176 in.
      under(2.5, 280, 0) +
      80 * (329.5 - 280) +
      // The last course is cut there, so no corner stands in it: it ends in a bulkhead as well.
      under(280, 333.5, 80);
    expect(cubicInches(concreteOf(cut, 'w2'))).toBeCloseTo(area * 8, 1);
  });

  it('in the middle of a wall, clear of corners, is exact whatever its points', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 40, max: 192 }), { minLength: 3, maxLength: 3 }),
        fc.constantFrom('cut' as const),
        ([a = 100, b = 100, c = 100], how) => {
          // Level at 192 to 60 in and from 280 in on: nothing changes at the corners.
          const spots: Spot[] = [
            [60, 192],
            [100, a],
            [170, b],
            [240, c],
            [280, 192],
          ];
          const whole = cubicInches(
            concreteOf(
              plan(
                rake(how, [
                  [0, 192],
                  [336, 192],
                ]),
              ),
              'w2',
            ),
          );
          const missing = spots.slice(1).reduce((sum, [at, top], index) => {
            const [was, before] = spots[index] ?? [0, 0];
            return sum + ((192 - top + 192 - before) / 2) * (at - was);
          }, 0);
          const left = cubicInches(concreteOf(plan(rake(how, spots)), 'w2'));
          expect(whole - left).toBeCloseTo(missing * 8, 0);
        },
      ),
      { numRuns: 10 },
    );
  });

  it('stepped stays under the slope in whole courses, and its steps are its concrete', () => {
    const spots: readonly Spot[] = [
      [60, 192],
      [140, 112],
      [196, 112],
      [276, 192],
    ];
    const stepped = plan(rake('stepped', spots));
    const { levels } = work(stepped);
    const points = spots.map(([at, top]) => ({ at: inches(at), top: inches(top) }));
    for (const span of levels.walls['w2'] ?? []) {
      expect(levels.tops).toContain(span.top);
      expect(span.cut).toBeUndefined();
      const low = Math.min(slopeAt(points, span.from), slopeAt(points, span.to));
      expect(span.top).toBeLessThanOrEqual(low + 50);
      expect(low - span.top).toBeLessThan(inches(16) + 50);
    }
    expect(cubicInches(concreteOf(stepped, 'w2'))).toBeLessThan(
      cubicInches(concreteOf(plan(rake('cut', spots)), 'w2')),
    );
  });

  it('adds up: walls to courses, courses to the job', () => {
    const cut = plan(
      rake('cut', [
        [0, 100],
        [168, 190],
        [336, 100],
      ]),
    );
    const { tally, pour } = work(cut);
    const byCourse = tally.courses.reduce((sum, row) => sum + row.coreVolume.value, 0);
    const byWall = pour.pours.reduce(
      (sum, { volumes }) => sum + volumes.walls.reduce((total, { volume }) => total + volume.value, 0),
      0,
    );
    expect(byCourse).toBeCloseTo(tally.total.coreVolume.value, 9);
    expect(byWall).toBeCloseTo(tally.total.coreVolume.value, 6);
  });

  it('lays its blocks up to the course that the slope cuts, and no bar above the slope', () => {
    const spots: readonly Spot[] = [
      [0, 100],
      [168, 190],
      [336, 100],
    ];
    const worked = work(plan(rake('cut', spots)));
    const points = spots.map(([at, top]) => ({ at: inches(at), top: inches(top) }));
    for (const piece of worked.courses.pieces) {
      if (piece.kind === 'corner' || piece.wall !== 'w2') continue;
      // Some of each lies under the slope.
      const highest = Math.max(
        slopeAt(points, piece.start),
        slopeAt(points, piece.start + piece.length),
        piece.start < inches(168) && piece.start + piece.length > inches(168) ? inches(190) : 0,
      );
      expect(highest).toBeGreaterThan(piece.bottom - 50);
    }
    for (const bar of worked.steel.bars.filter(({ wall, use }) => wall === 'w2' && use !== 'corner')) {
      const over = Math.min(slopeAt(points, bar.from), slopeAt(points, bar.to));
      expect(bar.top).toBeLessThanOrEqual(over + 50);
    }
    expect(
      worked.notices.some(({ kind }) => kind === 'topoff-plate-raked' || kind.endsWith('plate-raked')),
    ).toBe(true);
  });

  it('that comes down too low, says too little or runs off its wall is told, and the wall stays level', () => {
    expect(
      problems(
        plan(
          rake('cut', [
            [0, 10],
            [336, 192],
          ]),
        ),
      ),
    ).toEqual(['rake-low']);
    expect(problems(plan(rake('cut', [[0, 100]])))).toEqual(['rake-unclear']);
    expect(
      problems(
        plan(
          rake('cut', [
            [0, 100],
            [0, 120],
          ]),
        ),
      ),
    ).toEqual(['rake-unclear']);
    expect(
      problems(
        plan(
          rake('stepped', [
            [0, 100],
            [400, 120],
            [336, 150],
          ]),
        ),
      ),
    ).toEqual(['step-off-wall']);
    expect(
      problems(
        plan(
          rake('cut', [
            [0, 100],
            [336, 250],
          ]),
        ),
      ),
    ).toEqual(['top-too-high']);
    const level =
      work(
        plan(
          rake('cut', [
            [0, 10],
            [336, 192],
          ]),
        ),
      ).levels.walls['w2'] ?? [];
    expect(level.map((span) => toInches(span.top))).toEqual([192]);
    for (const each of [
      rake('cut', [
        [0, 10],
        [336, 192],
      ]),
      rake('cut', [[0, 100]]),
    ]) {
      expect(work(plan(each)).notices.filter(({ severity }) => severity === 'stop')).not.toEqual([]);
    }
  });

  it('is typed, stored with its units, written and read', () => {
    const typed = applyEdit(planOf(RECTANGLE, withCourses(12)), {
      kind: 'set-wall',
      row: 'w2',
      change: {
        rake: {
          how: 'cut',
          points: [
            { id: 'a', at: '0', top: '8' },
            { id: 'b', at: '28', top: '12 courses' },
          ],
        },
      },
    });
    expect(typed.loops[0]?.walk[1]?.rake?.points.map(({ at, top }) => [at, top])).toEqual([
      ['0in', '8ft'],
      ['28ft', '12 courses'],
    ]);
    expect(readPlan(writePlan(typed))).toEqual({ ok: true, plan: typed });
    const heights = work(typed).levels.walls['w2']?.flatMap(({ cut }) => (cut ? [...cut.slope] : [])) ?? [];
    expect([Math.min(...heights), Math.max(...heights)].map((each) => toInches(each as Length))).toEqual([
      96, 192,
    ]);
  });
});
