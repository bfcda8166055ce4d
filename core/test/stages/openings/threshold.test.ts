import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { toInches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import type { Opening } from '../../../src/stages/openings/plan';
import { work } from '../../../src/work';
import { openingOf } from '../../support/openings';
import { HATCHERY, planOf, withCourses } from '../../support/plans';

const door = (change: Partial<Opening> = {}): Opening =>
  openingOf({
    kind: 'garage',
    width: '96in',
    height: '80in',
    at: '200in',
    threshold: { kind: 'slab-over', depth: '4in' },
    ...change,
  });
const plan = (opening: Opening, rules: Plan['rules'] = {}): Plan =>
  planOf(HATCHERY, { ...withCourses(7), openings: [opening], rules });
const tongues = (job: Plan) => work(job).steel.bars.filter(({ use }) => use === 'tongue');

describe('a slab that runs out over a wall', () => {
  const held = plan(door({ sill: '24in' }));

  it('leaves its depth out of the wall, between the sides of the buck', () => {
    const [opening] = work(held).openings.placed;
    const { notch, slab } = opening?.threshold ?? {};
    expect(notch).toEqual(slab);
    expect(
      [notch?.bottom, notch?.top, notch?.from, notch?.to].map((each) => toInches(each ?? (0 as never))),
    ).toEqual([20, 24, 198.5, 297.5]);
  });

  it('has dowels in the schedule, worked by hand: 99 in in seven bays, twelve inches down, to the middle of the slab', () => {
    const bars = tongues(held);
    expect(bars).toHaveLength(7);
    // Middles of bays of 99 / 7 in, none moved more than a web's clearance of 1 1/2 in either way.
    bars.forEach((bar, index) => {
      expect(Math.abs(toInches(bar.from) - (198.5 + (99 / 7) * (index + 0.5)))).toBeLessThanOrEqual(3);
      expect([toInches(bar.bottom), toInches(bar.top)]).toEqual([8, 22]);
      expect(bar.legs.map(toInches)).toEqual([14, 24]);
      expect(bar.bends).toEqual([90]);
      expect(bar.set).toEqual({ course: 2, when: 'after' });
    });
    const { schedule } = work(held).steel;
    const line = schedule.find(({ bars: ids }) => ids.some((id) => id.startsWith('t:')));
    expect(line?.count).toBe(7);
  });

  it('has none where a crack bar or a saw cut does it', () => {
    for (const tongue of ['crack-bar', 'saw-cut'] as const) {
      expect(tongues(plan(door({ sill: '24in', threshold: { kind: 'slab-over', tongue } })))).toEqual([]);
    }
  });

  it('stands down no farther than the wall that is left, and its cover', () => {
    // Held down to 6 in over the footing: 4 in of it, with 2 in of cover.
    const [bar] = tongues(plan(door({ sill: '10in' })));
    expect(bar?.legs.map(toInches)).toEqual([6, 24]);
    expect(toInches(bar?.bottom ?? (0 as never))).toBe(2);
  });

  it('has its dowels in the footing where no more wall than its cover is left', () => {
    // Held down to 2 in over the footing, all of it cover: 8 in of embedment, those 2 in, and 2 in to the middle of the slab.
    for (const [sill, up] of [
      ['6in', 2],
      ['4in', 0],
    ] as const) {
      const bars = tongues(plan(door({ sill }), { 'steel.dowel.embed': '8in' }));
      expect(bars, sill).toHaveLength(7);
      const [bar] = bars;
      expect(bar?.legs.map(toInches)).toEqual([8 + up + 2, 24]);
      expect(toInches(bar?.bottom ?? (0 as never))).toBe(-8);
      expect([bar?.course, bar?.set]).toEqual([0, { course: 0, when: 'in' }]);
    }
  });

  it('ends every bar of the wall under it with cover, at any depth and sill', () => {
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 60 }), fc.integer({ min: 2, max: 10 }), (sill, depth) => {
        const job = plan(
          door({
            sill: `${String(sill)}in`,
            height: '30in',
            threshold: { kind: 'slab-over', depth: `${String(depth)}in` },
          }),
        );
        const worked = work(job);
        const notch = worked.openings.placed[0]?.threshold?.notch;
        if (!notch) return;
        for (const bar of worked.steel.bars) {
          if (bar.wall !== 'w1' || bar.use === 'tongue' || bar.use === 'stirrup') continue;
          const beside = bar.to <= notch.from || bar.from >= notch.to;
          const clear = bar.top <= notch.bottom || bar.bottom >= notch.top;
          expect(beside || clear, `${bar.id} lies in the slab`).toBe(true);
          // Two inches of cover for what ends under it.
          const ends = !beside && bar.from === bar.to && bar.top <= notch.bottom;
          if (ends) expect(toInches(notch.bottom) - toInches(bar.top)).toBeGreaterThanOrEqual(2);
        }
      }),
      { numRuns: 25 },
    );
  });

  it('comes with the slab’s truck unless the wall’s is chosen', () => {
    const sides = (truck?: 'wall' | 'slab') =>
      work(
        plan(door({ sill: '24in', threshold: { kind: 'slab-over', ...(truck ? { truck } : {}) } })),
      ).pour.pours.flatMap(({ volumes }) => volumes.sides.map(({ id }) => id));
    expect(sides()).toEqual([]);
    expect(sides('slab')).toEqual([]);
    expect(sides('wall')).toEqual(['threshold:opening-1']);
  });
});

describe('a slab that runs out over the footing', () => {
  const onFooting = plan(door({ threshold: { kind: 'slab-over', depth: '5in', truck: 'wall' } }));

  it('takes nothing off the wall, and fills its thickness between the legs of the buck', () => {
    const worked = work(onFooting);
    const { notch, slab } = worked.openings.placed[0]?.threshold ?? {};
    expect(notch).toBeNull();
    expect(
      [slab?.from, slab?.to, slab?.bottom, slab?.top].map((each) => toInches(each ?? (0 as never))),
    ).toEqual([200, 296, 0, 5]);
    expect(worked.notices.some(({ id }) => id.startsWith('opening-nothing-to-hold-down'))).toBe(false);
    const without = work(plan(door({ threshold: { kind: 'slab-inside' } })));
    expect(worked.tally.total.coreVolume.value).toBe(without.tally.total.coreVolume.value);
    const [side] = worked.pour.pours[0]?.volumes.sides ?? [];
    expect(side?.volume.value).toBeCloseTo(96 * 5 * 10.5 * 0.0254 ** 3, 9);
  });

  it('has its dowels in the footing', () => {
    const bars = tongues(onFooting);
    // 96 in in six bays of 16.
    expect(bars.map(({ from }) => toInches(from))).toEqual([208, 224, 240, 256, 272, 288]);
    expect(bars[0]?.legs.map(toInches)).toEqual([9.5, 24]);
    expect(bars[0]?.course).toBe(0);
    expect(bars[0]?.set).toEqual({ course: 0, when: 'in' });
  });
});
