import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Length, inches, toInches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { writePlan } from '../../../src/plan';
import { readPlan } from '../../../src/planFile';
import type { Flush, MeasuredTo } from '../../../src/stages/outline/plan';
import { faceRing, wallsOf } from '../../../src/stages/outline';
import { polygonArea } from '../../../src/kernel/geometry/polygon';
import { rulesOf } from '../../../src/rules';
import { orderFor } from '../../../src/stages/order';
import { work } from '../../../src/work';
import { type Rectangle, unionArea } from '../../support/clipper';
import { expectFilled } from '../../support/cover';
import { type Part, hall } from '../../support/hall';

const SQUARE_INCHES_PER_M2 = 1 / 0.0254 ** 2;

const problems = (plan: Plan): readonly string[] =>
  work(plan).shell.loops.flatMap(({ problems: found }) => found.map(({ kind }) => kind));
const total = (plan: Plan): number => work(plan).tally.total.coreVolume.value;

describe('a straight wall that changes its core part-way', () => {
  // Worked by hand: skins of 2 1/2 in, so that walls are 13 and 11 in thick.
  const parts = (flush?: Flush): readonly Part[] => [
    { length: 720, core: 8 },
    { length: 480, core: 6, ...(flush ? { flush } : {}) },
  ];

  it.each([
    // Core of the front from the drawn line, before and after the joint, at the depths that the flush faces leave.
    ['outside', 1195 * 355 - (709.5 * 339 + 469.5 * 341)],
    ['middle', 1195 * 355 - 477.5 * 1 - (709.5 * 339 + 469.5 * 340)],
    ['inside', 1195 * 355 - 477.5 * 2 - (709.5 * 339 + 469.5 * 339)],
  ] as const)('is flush %s, and its core has the area worked by hand', (flush, area) => {
    const plan = hall(parts(flush), 360);
    const worked = work(plan);
    const [loop] = worked.shell.loops;
    expect(loop?.built?.coreArea).toBeCloseTo(area / SQUARE_INCHES_PER_M2, 9);
    expect(worked.tally.total.coreVolume.value).toBeCloseTo(area * 96 * 0.0254 ** 3, 9);
    expect(problems(plan)).toEqual(['core-change']);
    const side = wallsOf(worked.shell).find(({ id }) => id === 'o1');
    expect(toInches(side?.length as Length)).toBe(360 - { outside: 0, middle: 1, inside: 2 }[flush]);
  });

  it('stands on one middle where lengths run to the middle, unless it is told otherwise', () => {
    const centre = { measuredTo: 'centre' as const };
    expect(total(hall(parts(), 360, centre))).toBeCloseTo(total(hall(parts('middle'), 360, centre)), 12);
    expect(total(hall(parts(), 360, centre))).not.toBeCloseTo(total(hall(parts('inside'), 360, centre)), 3);
  });

  it('covers what the union of its walls covers, whatever the cores and faces', () => {
    // Source: Clipper (polygon union), through the clipper-lib package.
    const cores = fc.constantFrom(4, 6, 8, 10);
    const flushes = fc.constantFrom<Flush[]>('outside', 'inside', 'middle');
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 96, max: 400 }), cores, flushes), { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 200, max: 500 }),
        fc.constantFrom<MeasuredTo[]>('form', 'concrete', 'centre'),
        (front, depth, measuredTo) => {
          const plan = hall(
            front.map(([length, core, flush], index) => ({ length, core, ...(index > 0 ? { flush } : {}) })),
            depth,
            { measuredTo },
          );
          const inset = (core: number): number =>
            ({ form: 0, concrete: 2.5, centre: 2.5 + core / 2 })[measuredTo];
          const width = front.reduce((sum, [length]) => sum + length, 0);
          const out = inset(8);
          const [left, right] = [2.5 - out, width - 2.5 + out];
          const back = depth - 2.5 + out;
          let [x, face] = [0, 0];
          const rectangles = front.map(([length, core, flush], index): Rectangle => {
            const before = front[index - 1]?.[1];
            const more = core - (before ?? core);
            face =
              before === undefined
                ? -inset(core)
                : face - { outside: 0, middle: more / 2, inside: more }[flush];
            const [from, to] = [index === 0 ? left : x, index === front.length - 1 ? right : x + length];
            x += length;
            return [from, face + 2.5, to, face + 2.5 + core];
          });
          const tops = [rectangles[0], rectangles.at(-1)].map((each) => each?.[1] ?? 0);
          const area = unionArea([
            ...rectangles,
            [left, tops[0] ?? 0, left + 8, back],
            [right - 8, tops[1] ?? 0, right, back],
            [left, back - 8, right, back],
          ]);
          const worked = work(plan);
          const built = worked.shell.loops[0]?.built;
          expect((built?.coreArea ?? 0) * SQUARE_INCHES_PER_M2).toBeCloseTo(area, 2);
          expect(worked.tally.total.coreVolume.value / 0.0254 ** 3 / 96).toBeCloseTo(area, 2);
          // The faces as they are drawn hold the same.
          const ring = (each: 'concreteOutside' | 'concreteInside'): number =>
            built ? polygonArea(faceRing(built, each)) : 0;
          const drawn = ring('concreteOutside') - ring('concreteInside');
          expect(drawn * SQUARE_INCHES_PER_M2).toBeCloseTo(area, 2);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('is strapped at the joint in every course, and says what core neither form closes', () => {
    const plan = hall(
      [
        { length: 720, core: 10 },
        { length: 480, core: 4 },
      ],
      360,
    );
    const worked = work(plan);
    const joint = inches(720);
    const straps = worked.courses.weakJoints.filter(
      ({ station, reasons }) => station === joint && reasons.includes('seam'),
    );
    expect(new Set(straps.map(({ course }) => course))).toEqual(new Set([1, 2, 3, 4, 5, 6]));
    const change = worked.shell.loops[0]?.problems.find(({ kind }) => kind === 'core-change');
    // Ten inches of core from 2 1/2 in; the thinner form ends 9 in from the outside face: 3 1/2 in are left.
    expect(change).toMatchObject({
      wall: 'f2',
      before: 'f1',
      corner: 'B',
      open: [{ wall: 'f1', side: 'inside', width: inches(3.5) }],
    });
    const board = orderFor(worked, 'imperial', rulesOf(plan)).lines.find(
      ({ id }) => id === 'core-board:B:inside',
    );
    expect(board?.article).toContain('3 1/2″');
    expect(board?.ordered).toBe(inches(96));
  });

  it('is filled exactly in every course, and its bars stay in the concrete of both walls', () => {
    const cores = fc.constantFrom(4, 6, 8, 10);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 140, max: 400 }), cores), { minLength: 2, maxLength: 3 }),
        fc.constantFrom<Flush[]>('outside', 'inside', 'middle'),
        fc.constantFrom('bend', 'bar'),
        (front, flush, corner) => {
          const plan = hall(
            front.map(([length, core], index) => ({ length, core, ...(index > 0 ? { flush } : {}) })),
            300,
            { rules: { 'steel.corner': corner } },
          );
          const worked = work(plan);
          expectFilled(worked);
          const walls = wallsOf(worked.shell);
          const across = worked.steel.bars.filter(({ use }) => use === 'corner');
          for (const change of worked.shell.loops[0]?.problems ?? []) {
            if (change.kind !== 'core-change') continue;
            const [before, after] = [change.before, change.wall].map((id) => walls.find((w) => w.id === id));
            const bars = across.filter((bar) => bar.corner === change.corner);
            expect(bars.length).toBeGreaterThan(0);
            const more = (after?.core ?? 0) - (before?.core ?? 0);
            if (more === 0) continue;
            // Where the cores lie, from the second one’s outside face.
            const from = { outside: 0, middle: more / 2, inside: more }[flush];
            const own = after?.core ?? 0;
            for (const bar of bars) {
              const radius = inches(0.25);
              const depth = own / 2 + bar.offset;
              expect(depth - radius).toBeGreaterThanOrEqual(Math.max(from, 0));
              expect(depth + radius).toBeLessThanOrEqual(Math.min(from + (before?.core ?? 0), own));
            }
          }
        },
      ),
      { numRuns: 30 },
    );
  });

  it('leaves nothing open where the thinner panel covers the rest of the core', () => {
    const change = work(hall(parts(), 360)).shell.loops[0]?.problems.find(
      ({ kind }) => kind === 'core-change',
    );
    expect(change).toMatchObject({ open: [] });
  });

  it('with one core on both sides is told, and planned all the same', () => {
    const plan = hall(
      [
        { length: 720, core: 8 },
        { length: 480, core: 8 },
      ],
      360,
    );
    expect(problems(plan)).toEqual(['no-turn']);
    const whole = hall([{ length: 1200, core: 8 }], 360);
    expect(total(plan)).toBeCloseTo(total(whole), 12);
  });

  it('goes out into a file and comes back', () => {
    const plan = hall(parts('inside'), 360);
    const reading = readPlan(JSON.parse(JSON.stringify(writePlan(plan))));
    expect(reading.ok && reading.plan).toEqual(plan);
  });
});
