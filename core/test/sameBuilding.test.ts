import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../src/kernel/figures/how';
import { inches, storeLength } from '../src/kernel/measure';
import type { Plan } from '../src/kernel/plan';
import { orderOf } from '../src/orderOf';
import type { Insert } from '../src/stages/inserts/plan';
import type { Opening } from '../src/stages/openings/plan';
import { work } from '../src/work';
import { insertOf, openingOf } from './support/openings';
import { angledHalls } from './support/angledHalls';
import { type Side, HATCHERY, planOf } from './support/plans';

/** Everything that is bought, laid, tied and told of a building, without the names of its corners. */
function figuresOf(plan: Plan, digits = 9) {
  const worked = work(plan);
  const rounded = (value: number): number => Number(value.toPrecision(digits));
  return {
    order: Object.fromEntries(
      orderOf(plan, worked).lines.map(({ id, needed, ordered }) => [
        id,
        [rounded(evaluate(needed)), rounded(ordered)],
      ]),
    ),
    tally: Object.fromEntries(
      Object.entries(worked.tally.total).map(([key, figure]) => [key, rounded(figure.value)]),
    ),
    straps: worked.courses.weakJoints.length,
    braces: worked.bracing.pours.map(({ walls }) =>
      walls.reduce((sum, { braces }) => sum + braces.length, 0),
    ),
    told: worked.notices
      // Which way it was walked is told as such; when the hose is back depends on the corner at which a pour starts, the first of the walk.
      .filter(({ id }) => !/^(anticlockwise|pour:(whole-head|lift-slow))/.test(id))
      .map(({ severity, id }) => `${severity} ${id.split(':')[0] ?? ''}`)
      .sort(),
  };
}

const families = fc.constantFrom('module-48', 'long-96', 'panel-48', 'cell-24');

/** Openings and inserts at random places, at most one of either to a wall. */
const holes = fc.record({
  openings: fc.uniqueArray(
    fc.record({
      wall: fc.constantFrom('w1', 'w2', 'w5', 'w6'),
      at: fc.integer({ min: 40, max: 90 }),
      width: fc.integer({ min: 16, max: 60 }),
      sill: fc.constantFrom('0in', '32in', '45in'),
    }),
    { maxLength: 3, selector: ({ wall }) => wall },
  ),
  sleeve: fc.integer({ min: 300, max: 420 }),
});

interface Holes {
  readonly openings: readonly {
    readonly wall: string;
    readonly at: number;
    readonly width: number;
    readonly sill: string;
  }[];
  readonly sleeve: number;
}

/** @param later how much later the drawing's tape starts than the form's outside, by wall */
const cutIn = ({ openings, sleeve }: Holes, later: (wall: string) => number = () => 0) => ({
  openings: openings.map(({ wall, at, width, sill }, index): Opening =>
    openingOf({
      id: `o${String(index)}`,
      wall,
      at: `${String(at - later(wall))}in`,
      width: `${String(width)}in`,
      height: '40in',
      sill,
    }),
  ),
  inserts: [insertOf({ wall: 'w1', at: `${String(sleeve - later('w1'))}in` })] satisfies readonly Insert[],
});

const hatchery = (family: string, change: Partial<Plan>): Plan =>
  planOf(HATCHERY, {
    family,
    core: family === 'cell-24' ? '6in' : '8in',
    pours: [
      { id: 'low', toCourse: 3, top: 'half' },
      { id: 'high', toCourse: 6, top: 'full' },
    ],
    ...change,
  });

const THICK: Readonly<Record<string, number>> = {
  'module-48': 13,
  'long-96': 13,
  'panel-48': 12.5,
  'cell-24': 12,
};

const restartedPlan = (plan: Plan, by: number): Plan => ({
  ...plan,
  loops: plan.loops.map((loop) => ({ ...loop, walk: [...loop.walk.slice(by), ...loop.walk.slice(0, by)] })),
});

/** The same walls walked the other way round: the turn at each corner is now told by the wall after it, to the other hand. */
const walkedBack = (plan: Plan): Plan => ({
  ...plan,
  loops: plan.loops.map((loop) => ({
    ...loop,
    walk: loop.walk
      .map((row, index) => {
        const turn = loop.walk.at(index - 1)?.turn ?? '';
        return {
          ...row,
          turn: turn.startsWith('right') ? turn.replace('right', 'left') : turn.replace('left', 'right'),
        };
      })
      .reverse(),
  })),
});

describe('one building, told another way, takes the same of everything', () => {
  it('walked from any corner', () => {
    fc.assert(
      fc.property(families, holes, fc.integer({ min: 1, max: 5 }), (family, cut, by) => {
        const plan = hatchery(family, cutIn(cut));
        expect(figuresOf(restartedPlan(plan, by))).toEqual(figuresOf(plan));
      }),
      { numRuns: 6 },
    );
  });

  it('drawn to the concrete or to the middle of the wall', () => {
    fc.assert(
      fc.property(families, holes, fc.constantFrom('concrete', 'centre'), (family, cut, measuredTo) => {
        const thick = THICK[family] ?? 0;
        const core = family === 'cell-24' ? 6 : 8;
        const off = measuredTo === 'concrete' ? (thick - core) / 2 : thick / 2;
        // Each outward corner takes so much off both of its walls, an inward one adds it.
        const ends = HATCHERY.map(([, turn], index) => {
          const before = HATCHERY.at(index - 1)?.[1] ?? 90;
          return [before > 0 ? off : -off, turn > 0 ? off : -off] as const;
        });
        const later = (wall: string): number => ends[Number(wall.slice(1)) - 1]?.[0] ?? 0;
        const plan = hatchery(family, cutIn(cut));
        const drawn: Plan = {
          ...plan,
          ...cutIn(cut, later),
          measuredTo,
          loops: plan.loops.map((loop) => ({
            ...loop,
            walk: loop.walk.map((row, index) => {
              const [length] = HATCHERY[index] ?? [0];
              const [start, end] = ends[index] ?? [0, 0];
              return { ...row, length: storeLength(inches(length - start - end), 'imperial') };
            }),
          })),
        };
        expect(figuresOf(drawn)).toEqual(figuresOf(plan));
      }),
      { numRuns: 6 },
    );
  });

  it('walked the other way round', () => {
    fc.assert(
      fc.property(families, holes, (family, cut) => {
        const plan = hatchery(family, cutIn(cut));
        expect(figuresOf(walkedBack(plan))).toEqual(figuresOf(plan));
      }),
      { numRuns: 6 },
    );
  });

  it('with corners at any angle and walls of any cores, but for what typed angles round', () => {
    fc.assert(
      fc.property(angledHalls, fc.integer({ min: 1, max: 7 }), (plan, by) => {
        const own = figuresOf(plan, 5);
        expect(figuresOf(restartedPlan(plan, by), 5)).toEqual(own);
        expect(figuresOf(walkedBack(plan), 5)).toEqual(own);
      }),
      { numRuns: 6 },
    );
  });
});

describe('two outlines in one job', () => {
  it('take what each takes by itself', () => {
    fc.assert(
      fc.property(
        families,
        fc.integer({ min: 150, max: 700 }),
        fc.integer({ min: 150, max: 500 }),
        (family, length, width) => {
          const one = hatchery(family, {});
          const sides = [length, width, length, width].map((side): Side => [side, 90]);
          const two: Plan = { ...one, loops: planOf(sides).loops };
          const beside = two.loops.map((loop) => ({
            ...loop,
            id: 'beside',
            right: '2000in',
            walk: loop.walk.map((row) => ({ ...row, id: `beside-${row.id}` })),
          }));
          const [own, other, both] = [one, two, { ...one, loops: [...one.loops, ...beside] }].map((plan) =>
            figuresOf(plan, 15),
          );
          if (!own || !other || !both) throw new Error('no figures');
          for (const key of ['straight', 'cut', 'cornerLH', 'cornerRH', 'coreVolume'])
            expect(both.tally[key], key).toBeCloseTo((own.tally[key] ?? 0) + (other.tally[key] ?? 0), 6);
          // What is cut from stock may come out of fewer lengths together; all else adds up.
          for (const id of ['zip-ties', 'clips', 'tape', 'brackets', 'ties', 'top-ties', 'bottom-track'])
            expect(both.order[id]?.[0] ?? 0, id).toBe(
              (own.order[id]?.[0] ?? 0) + (other.order[id]?.[0] ?? 0),
            );
          expect(both.straps).toBe(own.straps + other.straps);
        },
      ),
      { numRuns: 6 },
    );
  });
});
