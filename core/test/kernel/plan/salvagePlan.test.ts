import { writePlan } from '../../../src/plan';
import { readPlan, salvagePlan } from '../../../src/planFile';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { work } from '../../../src/work';
import { struckPlans } from '../../support/absurd';
import { DEMO_FILE } from '../../support/demo';

const demo = () => JSON.parse(DEMO_FILE) as Record<string, unknown>;
const salvaged = (document: unknown) => salvagePlan(JSON.stringify(document), 'Barn');

describe('a stored plan that no longer reads', () => {
  it('is left as it is where it does read', () => {
    const reading = readPlan(demo());
    expect(salvaged(demo())).toEqual({ plan: reading.ok && reading.plan, lost: [] });
  });

  it('loses only what cannot be read: an unknown part, an opening without a wall, a number for a text', () => {
    const document = demo();
    const openings = document['openings'] as Record<string, unknown>[];
    delete openings[1]?.['wall'];
    const { plan, lost } = salvaged({ ...document, weather: 'fair', core: 8 });
    expect(lost.length).toBeGreaterThanOrEqual(3);
    expect(plan.openings).toHaveLength(openings.length - 1);
    expect(plan.loops[0]?.walk).toHaveLength(6);
    expect(plan.core).toBe('8in');
    expect(plan.name).toBe(document['name']);
    expect(work(plan).courses.pieces.length).toBeGreaterThan(100);
  });

  it('of a newer version keeps what this one knows', () => {
    const { plan, lost } = salvaged({ ...demo(), version: 99, roof: { pitch: 12 } });
    expect(lost.map(({ where }) => where)).toEqual(['version', expect.stringMatching(/roof|the plan/)]);
    expect(plan.loops[0]?.walk).toHaveLength(6);
  });

  it('gets new ids where two rows share one', () => {
    const walk = [1, 2, 3, 4].map(() => ({ id: 'same', length: '20ft', turn: 'right 90' }));
    const { plan } = salvaged({ ...demo(), openings: [], outline: { closed: true, walk } });
    expect(new Set(plan.loops[0]?.walk.map((row) => row.id)).size).toBe(4);
  });

  it.each([
    ['nothing', ''],
    ['no JSON', '{"format":'],
    ['a list', '[1,2]'],
    ['null', 'null'],
    ['a number', '7'],
  ])('that is %s opens as an empty job of its name', (_, text) => {
    const { plan, lost } = salvagePlan(text, 'Barn');
    expect(plan).toMatchObject({ name: 'Barn', loops: [{ walk: [] }] });
    expect(lost).toHaveLength(1);
  });

  it('always comes back as a plan that can be saved and read again', () => {
    fc.assert(
      fc.property(struckPlans(6), (document) => {
        const { plan } = salvaged(document);
        expect(readPlan(writePlan(plan))).toEqual({ ok: true, plan });
      }),
      { numRuns: 500 },
    );
  });
});
