import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { type Plan, writePlan } from '../../../src/plan';
import { readPlan, salvagePlan } from '../../../src/planFile';

/** A plan file as it was kept before pours and lifts had their names. */
const OLD = JSON.parse(readFileSync(new URL('../../data/version-1.json', import.meta.url), 'utf8')) as Record<
  string,
  unknown
>;

function read(document: unknown): Plan {
  const reading = readPlan(document);
  if (!reading.ok) throw new Error(JSON.stringify(reading.problems));
  return reading.plan;
}

const uncounted = Object.fromEntries(Object.entries(OLD).filter(([key]) => key !== 'courses'));
const STOREYS = {
  ...uncounted,
  stages: [
    { id: 'low', name: 'Out of the ground', toCourse: 4, top: 'half', then: 'Backfill' },
    { toCourse: 7 },
    { id: 'stage-9', toCourse: 9 },
  ],
  pour: {
    stages: {
      low: { start: '06:45', rounds: ['24in', '30in'], ready: ['site:kit'] },
      'stage-1': { loads: 3 },
      'stage-9': { air: 40 },
    },
    sides: [
      { name: 'Pad', volume: '1 yd3', when: 'last', stage: 'stage-1' },
      { name: 'Pier', volume: '1 yd3', when: 'first' },
    ],
    watchers: { 'wall-1': 'Wren' },
    seed: 7,
  },
};

describe('a plan file of version 1', () => {
  it('keeps all that it says, and the day of a pour that came without an id', () => {
    const plan = read(OLD);
    expect(plan.pours).toEqual([{ id: 'pour-1', toCourse: 8, top: 'full' }]);
    expect(plan.pour?.pours?.['pour-1']).toMatchObject({ date: '2027-04-14', start: '07:30', dark: '19:10' });
    const { courses, openings, inserts } = OLD as Record<string, readonly unknown[]>;
    expect(courses).toBe(8);
    expect([plan.openings?.length, plan.inserts?.length]).toEqual([openings?.length, inserts?.length]);
    expect(readPlan({ ...OLD, version: 2 })).toMatchObject({ ok: false });
  });

  it('has its stages as pours and its rounds as lifts, under the ids that they had or are given now', () => {
    const plan = read(STOREYS);
    expect(plan.pours).toEqual([
      { id: 'low', name: 'Out of the ground', toCourse: 4, top: 'half', then: 'Backfill' },
      { id: 'pour-1', toCourse: 7, top: 'full' },
      { id: 'stage-9', toCourse: 9, top: 'full' },
    ]);
    expect(plan.pour?.pours).toEqual({
      low: { start: '06:45', lifts: ['24in', '30in'], ready: ['site:kit'] },
      'pour-1': { loads: 3 },
      'stage-9': { air: 40 },
    });
    expect(plan.pour?.sides?.map((side) => side.pour)).toEqual(['pour-1', undefined]);
    expect(plan.pour).toMatchObject({ watchers: { 'wall-1': 'Wren' }, seed: 7 });
  });

  it('is written as version 2 and comes back the same', () => {
    const plan = read(STOREYS);
    const file = writePlan(plan);
    expect(file['version']).toBe(2);
    expect(JSON.stringify(file)).not.toMatch(/"stages"|"rounds"/);
    expect(read(file)).toEqual(plan);
  });

  it('keeps its house rules under their names of today; what is said under those stands', () => {
    const rules = {
      'pour.rounds': 'two',
      'pour.round.first': '24in',
      'pour.round.two.most': '9ft',
      'pour.lift.first': '20in',
    };
    expect(read({ ...OLD, rules }).rules).toEqual({
      'pour.lifts': 'two',
      'pour.lift.two.most': '9ft',
      'pour.lift.first': '20in',
    });
  });

  it('is salvaged under the names of today where it is broken', () => {
    const { plan, lost } = salvagePlan(JSON.stringify({ ...STOREYS, core: 8, colour: 'blue' }), 'Old');
    expect(lost.map(({ where }) => where).sort()).toEqual(['core', 'the plan']);
    expect(plan.pours).toHaveLength(3);
    expect(plan.pour?.pours?.['low']?.lifts).toEqual(['24in', '30in']);
  });

  it.each([
    ['a list for the pour', { pour: [] }],
    ['a day that is no object', { pour: { stages: { 'stage-1': 4 } } }],
    ['sides that are no list', { pour: { sides: 'two' } }],
    ['a stage that is nothing', { stages: [null] }],
  ])('is refused with its place, not a fault: %s', (_what, change) => {
    expect(readPlan({ ...('stages' in change ? uncounted : OLD), ...change })).toMatchObject({ ok: false });
  });
});
