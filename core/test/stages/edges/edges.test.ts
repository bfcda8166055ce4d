import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../../../src/kernel/figures/how';
import { inches, toCubicYards, toInches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { applyEdit, writePlan } from '../../../src/plan';
import { readPlan } from '../../../src/planFile';
import { type Edge, EDGE_OVER } from '../../../src/stages/edges';
import { orderOf } from '../../../src/orderOf';
import { work } from '../../../src/work';
import { bandArea } from '../../support/clipper';
import { openingOf } from '../../support/openings';
import { HALL, HATCHERY, planOf, rectilinear, withCourses, withRake } from '../../support/plans';

const plan = (edge: Edge | undefined, change: Partial<Plan> = {}, sides = HALL): Plan =>
  planOf(sides, { ...withCourses(6), ...(edge ? { edges: { all: edge } } : {}), ...change });
const volumeIn = (each: Plan): number =>
  work(each).edges.walls.reduce((sum, { volume }) => sum + volume.value, 0);

describe('an exposed edge above the foam', () => {
  it('is a ring of the core, or of core and foam, worked by hand', () => {
    // [by hand] Outside 480 × 336, wall 13 = 2.5 + 8 + 2.5. Core ring: 475 × 331 less 459 × 315; 6 in high.
    const core = (475 * 331 - 459 * 315) * 6;
    const whole = (480 * 336 - 454 * 310) * 6;
    const outside = (480 * 336 - 459 * 315) * 6;
    const inside = (475 * 331 - 454 * 310) * 6;
    for (const [over, cubicInches] of [
      ['core', core],
      ['both', whole],
      ['outside', outside],
      ['inside', inside],
    ] as const) {
      expect(toCubicYards(volumeIn(plan({ height: '6in', over })))).toBeCloseTo(cubicInches / 46656, 9);
    }
  });

  it('of any outline is what a polygon library makes of its faces', () => {
    fc.assert(
      fc.property(rectilinear(), fc.constantFrom(...EDGE_OVER), (sides, over) => {
        const each = plan({ height: '4in', over }, {}, sides);
        const { shell, edges } = work(each);
        const corners = (shell.loops[0]?.walked ?? []).map(({ x, y }) => [toInches(x), toInches(y)] as const);
        const [outer, inner] = [
          over === 'outside' || over === 'both' ? 0 : 2.5,
          over === 'inside' || over === 'both' ? 13 : 10.5,
        ];
        const volume = edges.walls.reduce((sum, { volume: own }) => sum + own.value, 0);
        expect(toCubicYards(volume) * 46656).toBeCloseTo(bandArea(corners, outer, inner) * 4, 1);
        for (const { volume: own } of edges.walls) expect(evaluate(own.how)).toBe(own.value);
      }),
      { numRuns: 40 },
    );
  });

  it('follows a slope: a gable of 28 ft that rises four feet to its middle, worked by hand', () => {
    const gable = (how: 'cut' | 'stepped'): Plan =>
      withRake(plan({ height: '6in', over: 'core' }, withCourses(10)), 'w2', {
        how,
        points: [
          { id: 'a', at: '0', top: '6 courses' },
          { id: 'b', at: '168in', top: '9 courses' },
          { id: 'c', at: '336in', top: '6 courses' },
        ],
      });
    const edge = work(gable('cut')).edges.walls.find(({ wall }) => wall === 'w2');
    // [by hand] Two slopes of √(168² + 48²) = 174.722 in instead of 168: 13.445 in longer.
    const longer = 2 * Math.hypot(168, 48) - 336;
    expect(edge?.boards.map((length) => toInches(length))).toEqual([
      expect.closeTo(336 - 5 + longer, 6),
      expect.closeTo(336 - 21 + longer, 6),
    ]);
    const flat = ((336 - 5 + 336 - 21) / 2) * 8 * 6;
    expect(toCubicYards(edge?.volume.value ?? 0)).toBeCloseTo((flat + longer * 8 * 6) / 46656, 9);
    expect(evaluate(edge?.volume.how ?? { op: 'given', name: '', unit: 'volume', value: 0 })).toBe(
      edge?.volume.value,
    );
    // Steps are level, and their risers are forms.
    const stepped = work(gable('stepped')).edges.walls.find(({ wall }) => wall === 'w2');
    expect(stepped?.boards.map((length) => toInches(length))).toEqual([331, 315]);
  });

  it('leaves out doors that reach through the top', () => {
    const door = openingOf({ kind: 'garage', wall: 'w1', at: '120in', width: '40in', height: '96in' });
    const worked = work(plan({ height: '6in', over: 'core' }, { openings: [door] }));
    const hole = worked.openings.placed[0]?.concrete;
    if (!hole) throw new Error('no opening');
    expect(hole.top).toBeGreaterThanOrEqual(inches(96));
    // [by hand] What the buck takes of the top, 8 in of core wide and 6 in high.
    const gap = toInches((hole.to - hole.from) as typeof hole.to);
    expect(gap).toBeGreaterThan(40);
    const all = volumeIn(plan({ height: '6in', over: 'core' }));
    const left = worked.edges.walls.reduce((sum, { volume }) => sum + volume.value, 0);
    expect(toCubicYards(all - left) * 46656).toBeCloseTo(gap * 8 * 6, 4);
  });

  it('is poured and ordered with the pour in which its wall ends', () => {
    const low = plan(
      { height: '6in', over: 'core' },
      {
        pours: [
          { id: 'a', toCourse: 3, top: 'full' },
          { id: 'b', toCourse: 6, top: 'full' },
        ],
      },
    );
    const job: Plan = {
      ...low,
      loops: low.loops.map((loop) => ({
        ...loop,
        walk: loop.walk.map((row) => (row.id === 'w2' ? { ...row, top: '3 courses' } : row)),
      })),
    };
    const sides = work(job).pour.pours.map(({ volumes }) =>
      volumes.sides.map(({ id }) => id).filter((id) => id.startsWith('edge:')),
    );
    expect(sides).toEqual([['edge:w2'], ['edge:w1', 'edge:w3', 'edge:w4']]);
    const boards = ['a', 'b'].map((pour) => {
      const line = orderOf(job, work(job), pour).lines.find(({ id }) => id.startsWith('edge-boards'));
      return line ? evaluate(line.needed) : 0;
    });
    // [by hand] w2: 331 in outside and 315 inside, boards of 12 ft: 2 + 2 and the rests of 43 and 27 in out of one.
    expect(boards[0]).toBe(5);
    expect(boards[1]).toBeGreaterThan(10);
  });

  it('is ordered with the pour that ends there', () => {
    const without = volumeIn(plan({ height: '6in', over: 'core' }));
    const [pour] = work(plan({ height: '6in', over: 'core' })).pour.pours;
    const bare = work(plan(undefined)).pour.pours[0];
    const sides = pour?.volumes.sides.filter(({ id }) => id.startsWith('edge:')) ?? [];
    expect(sides.reduce((sum, { volume }) => sum + volume.value, 0)).toBeCloseTo(without, 9);
    expect((pour?.volumes.ordered.value ?? 0) > (bare?.volumes.ordered.value ?? 0)).toBe(true);
  });

  it('lifts plates and bolts, and takes boards along both faces', () => {
    const each = plan({ height: '6in', over: 'core' });
    const { topoff, edges } = work(each);
    expect([...new Set(topoff.runs.map(({ top }) => toInches(top)))]).toEqual([96 + 6]);
    // [by hand] 475 + 331 outside and 459 + 315 inside, twice; 6 in and a lap of 1 1/2 are more than a 2×8's 7 1/4.
    expect(edges.boards.map(({ board }) => board)).toEqual(['2×10']);
    const length = edges.walls.flatMap(({ boards }) => boards).reduce((sum, run) => sum + toInches(run), 0);
    expect(length).toBeCloseTo(2 * (475 + 331 + 459 + 315), 6);
  });

  it('is set for all walls, otherwise for one, and taken off again', () => {
    const all = applyEdit(plan(undefined), { kind: 'edge', wall: null, edge: { height: '6', over: 'core' } });
    expect(all.edges?.all?.height).toBe('6ft');
    const some = applyEdit(
      applyEdit(plan({ height: '6in', over: 'core' }), { kind: 'edge', wall: 'w2', edge: 'none' }),
      { kind: 'edge', wall: 'w3', edge: { height: '2in', over: 'both' } },
    );
    expect(work(some).edges.walls.map(({ wall, height }) => [wall, toInches(height)])).toEqual([
      ['w1', 6],
      ['w3', 2],
      ['w4', 6],
    ]);
    expect(readPlan(writePlan(some))).toEqual({ ok: true, plan: some });
    const back = applyEdit(applyEdit(some, { kind: 'edge', wall: 'w2', edge: null }), {
      kind: 'edge',
      wall: 'w3',
      edge: null,
    });
    expect(back.edges).toEqual({ all: { height: '6in', over: 'core' } });
  });

  it('of what cannot be read is told once, and a high one on each wall', () => {
    const kinds = (height: string) =>
      work(plan({ height, over: 'core' })).edges.problems.map(({ kind }) => kind);
    expect(kinds('some')).toEqual(['edge-unreadable']);
    expect(kinds('0in')).toEqual(['edge-unreadable']);
    expect(kinds('8in')).toEqual([]);
    expect(kinds('9in')).toEqual(Array(4).fill('edge-high'));
    expect(work(planOf(HATCHERY, withCourses(7))).edges.walls).toEqual([]);
  });
});
