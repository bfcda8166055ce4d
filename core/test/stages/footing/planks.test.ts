import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Length, toInches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import type { FootingForms, PlankRun } from '../../../src/stages/footing';
import { work } from '../../../src/work';
import { type CoveredSide, type Rectangle, footingSides } from '../../support/clipper';
import { type Side, HALL, planOf, rectilinear, withCourses, withInside, withStub } from '../../support/plans';

/** Walls are 13 in thick in these plans, and planks 2 in. */
const [WALL, PLANK] = [13, 2];

const formsOf = (plan: Plan): FootingForms => {
  const { forms } = work(plan).footing;
  if (!forms) throw new Error('no forms');
  return forms;
};

const inOrder = (lengths: readonly number[]): readonly number[] =>
  lengths.map((each) => Math.round(each * 1000) / 1000).sort((a, b) => a - b);

const lengthsOf = (runs: readonly PlankRun[]): readonly number[] =>
  inOrder(runs.map(({ length }) => toInches(length)));

/** A plank covers its side of the concrete, and laps its neighbour by its own thickness at corners that point outward. */
const fromLongPoints = (sides: readonly CoveredSide[]): readonly number[] =>
  inOrder(sides.map(({ length, outwardCorners }) => length + PLANK * outwardCorners));

/** The corners that a walk of square turns comes by, in inches. */
function cornersOf(sides: readonly Side[]): readonly (readonly [number, number])[] {
  let [x, y, heading] = [0, 0, 0];
  return sides.map(([length, turn]) => {
    const corner = [x, y] as const;
    x += length * Math.round(Math.cos(heading));
    y += length * Math.round(Math.sin(heading));
    heading += (turn * Math.PI) / 180;
    return corner;
  });
}

/** The strip of the inside wall of `withInside`, whose outside face stands at some place along the first wall. */
const strip = (at: number, width: number): Rectangle => [
  at - WALL - (width - WALL) / 2,
  0,
  at + (width - WALL) / 2,
  336,
];

// Source: Clipper (offsets and union of polygons), through the clipper-lib package.
describe('planks of insulated footing forms', () => {
  it('run along every side of the concrete, from long point to long point', () => {
    fc.assert(
      fc.property(rectilinear(), fc.constantFrom(18, 24, 30), (sides, width) => {
        const plan = planOf(sides, {
          ...withCourses(2),
          footing: { kind: 'forms', width: `${String(width)}in`, depth: '10in' },
        });
        const out = (width - WALL) / 2;
        const covered = footingSides(cornersOf(sides), { out, inward: WALL + out });
        // Where footings on both sides of a narrow place grow together there are no planks between them, which is the eye's to see.
        fc.pre(covered.length === 2 * sides.length);
        expect(lengthsOf(formsOf(plan).runs)).toEqual(fromLongPoints(covered));
      }),
      { numRuns: 60 },
    );
  });

  it('leave the way free where the footing of an inside wall joins, whatever the widths', () => {
    for (const [width, inner] of [
      [24, 24],
      [30, 20],
      [18, 26],
    ] as const) {
      const plan = withInside(
        planOf(HALL, {
          ...withCourses(4),
          footing: { kind: 'forms', width: `${String(width)}in`, depth: '10in' },
        }),
        { bearing: { width: `${String(inner)}in` } },
      );
      const out = (width - WALL) / 2;
      const covered = footingSides(cornersOf(HALL), { out, inward: WALL + out }, [strip(200, inner)]);
      const forms = formsOf(plan);
      expect(lengthsOf(forms.runs)).toEqual(fromLongPoints(covered));
      // The bead runs wherever a plank does: along every side of the concrete.
      expect(toInches(forms.bead)).toBeCloseTo(
        covered.reduce((sum, { length }) => sum + length, 0),
        3,
      );
      const parted = forms.runs.filter(({ parts }) => parts > 1);
      expect(parted.map(({ wall, side, part, parts }) => [wall, side, part, parts])).toEqual([
        ['w1', 'inside', 1, 2],
        ['w1', 'inside', 2, 2],
        ['w3', 'inside', 1, 2],
        ['w3', 'inside', 2, 2],
      ]);
      // A tie needs a plank on both sides; the layout has none where the inside wall's concrete runs through.
      const [left, , right] = strip(200, inner);
      const through = forms.layout.find(({ wall }) => wall === 'w1');
      expect(through?.ties.some((at) => toInches(at) > left && toInches(at) < right)).toBe(false);
      const drawn = forms.layout.reduce((sum, { ties }) => sum + ties.length, 0);
      expect(forms.ties.value).toBe(drawn);
    }
  });

  it('close a free end, over the ends of both planks', () => {
    const forms = formsOf(
      withStub(planOf(HALL, { ...withCourses(4), footing: { kind: 'forms', width: '24in', depth: '10in' } })),
    );
    const ends = forms.runs.filter(({ side }) => side === 'end');
    expect(ends.map(({ wall, length }) => [wall, toInches(length)])).toEqual([['inside', 24 + 2 * PLANK]]);
    expect(ends[0]).toMatchObject({ part: 1, parts: 1, whole: 0 });
  });
});

describe('the footing of an inside wall that meets another aslant', () => {
  /** Inside walls that turn by some degrees on their way from the first wall to the third. */
  const aslant = (turn: number): Plan => {
    const plan = withInside(
      planOf(HALL, { ...withCourses(4), footing: { kind: 'strip', width: '24in', depth: '10in' } }),
    );
    // From the first wall's inside face straight down, then aslant to that of the third: 310 in between them.
    const rest = (310 - 150) / Math.cos((turn * Math.PI) / 180);
    return {
      ...plan,
      loops: plan.loops.map((loop) =>
        loop.tee
          ? {
              ...loop,
              walk: [
                { id: 'inside', length: '150in', turn: `left ${String(turn)}` },
                { id: 'slant', length: `${rest.toFixed(4)}in`, turn: 'right 90' },
              ],
            }
          : loop,
      ),
    };
  };

  it.each([10, 25, 40])('ends along the edge of the footing that it meets, %s° off square', (turn) => {
    const { footing, shell } = work(aslant(turn));
    const slant = footing.bases.loops.flatMap(({ walls }) => walls).find(({ wall }) => wall === 'slant');
    expect(shell.loops[1]?.built?.tees.end?.wall).toBe('w3');
    // The third wall lies from 336 in up to 323 in; its footing shows 5 1/2 in more.
    const ends = [slant?.outerSide[1], slant?.innerSide[1]].map((point) => toInches(point?.y as Length));
    for (const y of ends) expect(y).toBeCloseTo(336 - WALL - 5.5, 4);
    // Neither as long as the other: what is aslant ends later on one side.
    const apart = toInches(((slant?.outerLength ?? 0) - (slant?.innerLength ?? 0)) as Length);
    const half = Math.tan((turn * Math.PI) / 180 / 2);
    // 24 in of width, by the slant at its end, and by half of the turn at the corner before.
    expect(Math.abs(apart)).toBeCloseTo(24 * (Math.tan((turn * Math.PI) / 180) - half), 3);
  });

  it('is nothing where the footings of both walls that it meets leave it no room', () => {
    const narrow: readonly Side[] = [
      [480, 90],
      [36, 90],
      [480, 90],
      [36, 90],
    ];
    const plan = withInside(
      planOf(narrow, { ...withCourses(4), footing: { kind: 'forms', width: '24in', depth: '10in' } }),
      { length: '10in' },
    );
    const without = planOf(narrow, plan);
    const worked = work(plan);
    const inside = worked.footing.bases.loops
      .flatMap(({ walls }) => walls)
      .find(({ wall }) => wall === 'inside');
    expect([inside?.outerLength, inside?.innerLength]).toEqual([0, 0]);
    expect(worked.footing.concrete.value).toBeCloseTo(
      work({ ...plan, loops: without.loops }).footing.concrete.value,
      9,
    );
    expect(worked.footing.forms?.runs.filter(({ wall }) => wall === 'inside')).toEqual([]);
  });
});
