import { applyEdit, writePlan } from '../../../src/plan';
import { readPlanText } from '../../../src/planFile';
import { describe, expect, it } from 'vitest';
import type { PourChange } from '../../../src/stages/pour/plan';
import type { Plan } from '../../../src/kernel/plan';
import { figuresOfPour } from '../../../src/stages/pour';
import { report } from '../../../src/report';
import { work } from '../../../src/work';
import { inches } from '../../../src/kernel/measure';
import { insertOf, openingOf } from '../../support/openings';
import { valuesIn } from '../../support/values';
import { type Side, planOf, withCourses } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];
const plan = (change: Partial<Plan> = {}): Plan => planOf(RECTANGLE, { ...withCourses(6), ...change });
const edited = (from: Plan, ...changes: readonly PourChange[]): Plan =>
  changes.reduce((each, change) => applyEdit(each, { kind: 'pour', change }), from);

describe('edits of the pour', () => {
  it('keep what is said by pour, lengths with their unit, and take it off again', () => {
    const said = edited(
      plan(),
      { of: 'pour', pour: 'pour-1', change: { start: '06:45', air: 40, lifts: ['30', '40'], loads: 4 } },
      { of: 'pour', pour: 'pour-1', change: { stand: { wall: 'w2', at: '12', out: '20' } } },
    );
    expect(said.pour?.pours?.['pour-1']).toEqual({
      start: '06:45',
      air: 40,
      lifts: ['30ft', '40ft'],
      loads: 4,
      stand: { wall: 'w2', at: '12ft', out: '20ft' },
    });
    const less = edited(said, {
      of: 'pour',
      pour: 'pour-1',
      change: { air: null, lifts: [], loads: null, stand: null },
    });
    expect(less.pour?.pours?.['pour-1']).toEqual({ start: '06:45' });
  });

  it('put side pours in, change them and take them out', () => {
    const side = { id: 'a', name: 'Pad', volume: '1 yd3', when: 'last' as const };
    const put = edited(plan(), { of: 'put-side', side });
    const changed = edited(put, { of: 'put-side', side: { ...side, volume: '2 yd3' } });
    expect(changed.pour?.sides).toEqual([{ ...side, volume: '2 yd3' }]);
    expect(edited(changed, { of: 'remove-side', side: 'a' }).pour?.sides).toEqual([]);
  });

  it('name watchers, keep the ticks of older plans, and draw another day', () => {
    const done = edited(
      plan(),
      { of: 'watcher', wall: 'w1', name: 'Wren' },
      { of: 'watcher', wall: 'w2', name: 'Odell' },
      { of: 'watcher', wall: 'w1', name: null },
      { of: 'pour', pour: 'pour-1', change: { ready: ['site:wash'] } },
      { of: 'seed', seed: 12 },
    );
    expect(done.pour).toEqual({
      watchers: { w2: 'Odell' },
      pours: { 'pour-1': { ready: ['site:wash'] } },
      seed: 12,
    });
    const watch = work(done).pour.pours[0]?.ready.find((each) => each.id === 'site:watch');
    expect(watch?.what).toMatch(/A watcher for A–B, C–D, D–A/);
  });
});

describe('the plan file', () => {
  const full = plan({
    pour: {
      pours: {
        'pour-1': {
          date: '2027-04-14',
          start: '07:30',
          dark: '19:10',
          air: 48,
          concrete: 62,
          lifts: ['30in', '66in'],
          loads: 3,
          corner: 'w3',
          stand: { wall: 'w1', at: '22ft', out: '18ft' },
          ready: ['site:kit'],
        },
      },
      sides: [{ id: 'a', name: 'Pad', volume: '1 yd3', when: 'between', pour: 'pour-1' }],
      watchers: { w1: 'Wren' },
      seed: 9,
    },
  });

  it('keeps the whole pour', () => {
    const reading = readPlanText(JSON.stringify(writePlan(full)));
    expect(reading.ok && reading.plan.pour).toEqual(full.pour);
  });

  it('gives side pours that come without one an id, and pins bare numbers to its units', () => {
    const file = writePlan(full);
    const bare = {
      ...file,
      pour: {
        pours: { 'pour-1': { lifts: ['2.5'], stand: { wall: 'w1', at: '22', out: '18' } } },
        sides: [
          { name: 'Pad', volume: '1', when: 'last' },
          { name: 'Pier', volume: '1', when: 'last' },
        ],
      },
    };
    const reading = readPlanText(JSON.stringify(bare));
    if (!reading.ok) throw new Error(JSON.stringify(reading.problems));
    expect(reading.plan.pour?.pours?.['pour-1']).toEqual({
      lifts: ['2ft 6in'],
      stand: { wall: 'w1', at: '22ft', out: '18ft' },
    });
    expect(new Set(reading.plan.pour?.sides?.map((side) => side.id)).size).toBe(2);
  });

  it.each([
    ['a time', { pours: { 'pour-1': { start: '25:00' } } }],
    ['a date', { pours: { 'pour-1': { date: 'tomorrow' } } }],
    ['a part of a load', { pours: { 'pour-1': { loads: 2.5 } } }],
    ['when', { sides: [{ name: 'Pad', volume: '1', when: 'whenever' }] }],
    ['a key', { pump: true }],
  ])('is refused with %s that cannot be', (_, pour) => {
    const reading = readPlanText(JSON.stringify({ ...writePlan(full), pour }));
    expect(reading.ok).toBe(false);
  });
});

describe('the report', () => {
  it('tells lifts, loads, pressure and hours with their units', () => {
    const told = report(work(plan({ pour: { pours: { 'pour-1': { start: '06:00' } } } })));
    const [pour] = told.pour;
    expect(pour?.lifts).toHaveLength(3);
    expect(pour?.ordered.unit).toBe('yd3');
    expect(pour?.planned.start).toBe('06:00');
    const minutes = (text = ''): number => Number(text.slice(0, 2)) * 60 + Number(text.slice(3));
    const clock = work(plan()).pour.pours[0]?.clock;
    expect(Math.abs(minutes(pour?.planned.finish) - 360 - (clock?.finish ?? 0))).toBeLessThanOrEqual(1);
    expect(minutes(pour?.planned.done)).toBeGreaterThan(minutes(pour?.planned.finish));
    expect(pour?.pressure?.aci347.unit).toBe('kPa');
    expect(told.topoff.plates[0]?.bolts[0]?.unit).toBe('in');
    expect(told.topoff.bolts).toBe(told.topoff.plates.reduce((sum, plate) => sum + plate.bolts.length, 0));
  });
});

describe('the list before the pump', () => {
  const job = plan({
    openings: [openingOf({ sill: '30in', height: '40in' })],
    inserts: [insertOf(), insertOf({ id: 'i2', at: '40in', name: 'Drain' })],
  });
  const [pour] = work(job).pour.pours;
  const ids = pour?.ready.map((item) => item.id) ?? [];

  it('is made of this job: its bucks and sills, caps, braces, steel, bolts', () => {
    for (const id of [
      'buck:opening-1',
      'sill:opening-1',
      'caps:w1',
      'braces:w1',
      'braces:w4',
      'top:bolts',
      'site:kit',
    ]) {
      expect(ids).toContain(id);
    }
    expect(pour?.ready.find((item) => item.id === 'caps:w1')?.what).toMatch(/Sleeve 1, Drain capped tight/);
    expect(new Set(ids).size).toBe(ids.length);
  });

  it('asks for what its way of placing needs', () => {
    const by = (method: string): readonly string[] =>
      work(plan({ rules: { 'pour.method': method } })).pour.pours[0]?.ready.map((item) => item.id) ?? [];
    expect(by('pump')).toContain('site:pump');
    expect(by('chute')).toContain('site:way');
    expect(by('chute')).not.toContain('site:pump');
    expect(by('conveyor')).toContain('site:belt');
    expect(by('holes')).toContain('site:glue');
    // They are filled by a pump’s hose.
    expect(by('holes')).toEqual(expect.arrayContaining(['site:pump', 'site:operator', 'site:hose']));
  });

  it('leaves to a later pour what lies above the first', () => {
    const staged = {
      ...job,
      openings: [openingOf({ sill: '70in', height: '20in' })],
      pours: [
        { id: 'low', toCourse: 3, top: 'half' as const },
        { id: 'high', toCourse: 6, top: 'full' as const },
      ],
    };
    const [low, high] = work(staged).pour.pours;
    const has = (of: typeof low, id: string): boolean => of?.ready.some((item) => item.id === id) ?? false;
    expect(has(low, 'buck:opening-1')).toBe(false);
    expect(has(high, 'buck:opening-1')).toBe(true);
    // The first pour ends at 40 in. A window across it has concrete under its sill then, and its buck is looked at both times.
    const across = { ...staged, openings: [openingOf({ sill: '30in', height: '30in' })] };
    const [below, above] = work(across).pour.pours;
    expect([has(below, 'sill:opening-1'), has(above, 'sill:opening-1')]).toEqual([true, false]);
    expect([has(below, 'buck:opening-1'), has(above, 'buck:opening-1')]).toEqual([true, true]);
    expect(has(low, 'top:bolts')).toBe(false);
    expect(has(high, 'top:bolts')).toBe(true);
    expect(low?.ready.find((item) => item.id === 'top:finish')?.what).toMatch(/halfway up course 3/);
    // Bars of the first pour stand out of its top and are not looked at twice: every upright is told once.
    const told = [low, high].map((each) => {
      const what = each?.ready.find((item) => item.id === 'steel:standing')?.what ?? '';
      return valuesIn(what)[0] ?? '';
    });
    const bars = work(staged).steel.bars.filter(({ use }) => use === 'vertical' || use === 'jamb');
    const foot = (pour: boolean): number => bars.filter(({ bottom }) => bottom < inches(40) === pour).length;
    expect(told.map(Number)).toEqual([foot(true), foot(false)]);
  });
});

describe('money', () => {
  it('adds concrete, pump, crew and waiting, the pump by its least hours', () => {
    const worked = work(plan());
    const [pour] = worked.pour.pours;
    if (!pour) throw new Error('nothing is poured');
    // Half an hour of lead; the crew stays until all is done, the pump until it is washed out.
    const hours = (pour.clock.done + 30) / 60;
    const machine = (pour.clock.finish + 25 + 30) / 60;
    const yards = pour.volumes.ordered.value / 0.764554857984;
    expect(pour.money.value).toBeCloseTo(
      yards * 180 + Math.max(4, machine) * 190 + hours * 6 * 40 + pour.clock.waitCost,
      6,
    );
    expect(figuresOfPour(worked.pour).map((figure) => figure.id)).toContain(pour.money.id);
    const chute = work(plan({ rules: { 'pour.method': 'chute' } })).pour.pours[0];
    expect(chute?.money.how.op === 'sum' && chute.money.how.of.map((each) => each.name)).toEqual([
      'concrete',
      'crew',
      'trucks that wait',
    ]);
  });
});
