import { emptyPlan } from '@ombra/core/stages/outline';
import { describe, expect, it } from 'vitest';
import { keptAs, planKept } from '../src/job/keptPlan';

/** An edit as version 1 left it in a browser: the plan as it was worked on, with the names of then. */
const OLD = {
  name: 'Left unsent',
  units: 'imperial',
  measuredTo: 'form',
  family: 'module-48',
  core: '8in',
  loops: [{ id: 'loop', closed: true, walk: [{ id: 'w1', length: '44ft', turn: 'right 90' }] }],
  stages: [{ id: 'stage-1', name: 'Low', toCourse: 4, top: 'half' }],
  pour: { stages: { 'stage-1': { rounds: ['30in'], loads: 3 } } },
  rules: { 'pour.rounds': 'by-hand' },
};

describe('a plan kept in the browser', () => {
  it('comes back as it was', async () => {
    const plan = { ...emptyPlan('Barn'), rules: { 'pour.lifts': 'two' } };
    expect(await planKept(structuredClone(keptAs(plan)))).toEqual(plan);
  });

  it('comes back under the names of today where an older version kept it', async () => {
    expect(await planKept(OLD)).toMatchObject({
      name: 'Left unsent',
      pours: [{ id: 'stage-1', name: 'Low', toCourse: 4, top: 'half' }],
      pour: { pours: { 'stage-1': { lifts: ['30in'], loads: 3 } } },
      rules: { 'pour.lifts': 'by-hand' },
      loops: OLD.loops,
    });
  });

  it('never stops the page, whatever was kept', async () => {
    for (const kept of [{}, { name: 5 }, { loops: 'none', stages: [null] }, { version: 9, roof: {} }]) {
      const { loops } = await planKept(kept);
      expect(loops.length).toBeGreaterThan(0);
    }
  });
});
