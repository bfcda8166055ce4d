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
import { HATCHERY, planOf } from './support/plans';

/** Everything that is bought, laid, tied and told of a building, without the names of its corners. */
function figuresOf(plan: Plan) {
  const worked = work(plan);
  const rounded = (value: number): number => Number(value.toPrecision(9));
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
    told: worked.notices.map(({ severity, id }) => `${severity} ${id.split(':')[0] ?? ''}`).sort(),
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

describe('one building, told another way, takes the same of everything', () => {
  it('walked from any corner', () => {
    fc.assert(
      fc.property(families, holes, fc.integer({ min: 1, max: 5 }), (family, cut, by) => {
        const plan = hatchery(family, cutIn(cut));
        const restarted: Plan = {
          ...plan,
          loops: plan.loops.map((loop) => ({
            ...loop,
            walk: [...loop.walk.slice(by), ...loop.walk.slice(0, by)],
          })),
        };
        expect(figuresOf(restarted)).toEqual(figuresOf(plan));
      }),
      { numRuns: 8 },
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
      { numRuns: 8 },
    );
  });
});
