import { describe, expect, it } from 'vitest';
import { inches } from '../../../src/kernel/measure';
import { noticeGroups } from '../../../src/kernel/notices';
import type { Plan } from '../../../src/kernel/plan';
import { readPlan } from '../../../src/planFile';
import { work } from '../../../src/work';

/** A cooperage of 560 ft round, two cores in one line on both long sides, a dividing wall, three pours up to 18 ft. */
const COOPERAGE = {
  format: 'ombra.plan',
  version: 2,
  name: 'Cooperage',
  units: 'imperial',
  measuredTo: 'form',
  family: 'module-48',
  core: '8in',
  pours: [
    {
      id: 'p1',
      toCourse: 4,
      ground: { outside: '4ft', inside: { to: '4ft 6in', with: 'slab' } },
    },
    { id: 'p2', toCourse: 9 },
    { id: 'p3', toCourse: 14 },
  ],
  loops: [
    {
      id: 'round',
      closed: true,
      walk: [
        { id: 'a', length: '120ft', turn: 'straight on' },
        { id: 'b', length: '60ft', turn: 'right 90', core: '6in' },
        { id: 'c', length: '100ft', turn: 'right 90', core: '6in' },
        { id: 'd', length: '60ft', turn: 'straight on', core: '6in' },
        { id: 'e', length: '120ft', turn: 'right 90' },
        { id: 'f', length: '100ft', turn: 'right 90' },
      ],
    },
    {
      id: 'dividing',
      closed: false,
      tee: { start: { wall: 'a', at: '118ft 11in' }, end: { wall: 'e' } },
      walk: [{ id: 'g', length: '97ft 10in', turn: 'right 90' }],
    },
  ],
  openings: [
    ...[10, 30, 50, 70, 90].map((at, index) => ({
      id: `w${String(index)}`,
      kind: 'window',
      wall: 'a',
      from: 'start',
      to: 'near',
      at: `${String(at)}ft`,
      width: '4ft',
      height: '4ft',
      sill: '8ft',
    })),
    ...[20, 50].map((at) => ({
      id: `g${String(at)}`,
      kind: 'garage',
      wall: 'f',
      from: 'start',
      to: 'near',
      at: `${String(at)}ft`,
      width: '14ft',
      height: '14ft',
    })),
    ...['g', 'c'].map((wall) => ({
      id: `d-${wall}`,
      kind: 'door',
      wall,
      from: 'start',
      to: 'near',
      at: '40ft',
      width: '3ft',
      height: '7ft',
    })),
  ],
};

function cooperage(): Plan {
  const reading = readPlan(COOPERAGE as never);
  if (!reading.ok) throw new Error(reading.problems.map(({ what }) => what).join(' '));
  return reading.plan;
}

describe('a hall of two cores in one line with a dividing wall', () => {
  const worked = work(cooperage());

  it('stands, and says what matters in under twelve lines', () => {
    expect(worked.shell.loops.every(({ built }) => built !== null)).toBe(true);
    expect(worked.notices.filter(({ severity }) => severity === 'stop')).toEqual([]);
    expect(noticeGroups(worked.notices).length).toBeLessThan(12);
  });

  it('is braced beside the joint, and needs no brace in the foot of wall between it and the dividing wall', () => {
    const [pour] = worked.bracing.pours;
    const wall = (id: string) => pour?.walls.find((each) => each.wall === id);
    const at = (id: string): readonly number[] => (wall(id)?.braces ?? []).map((brace) => brace.at);
    // The dividing wall takes the face up to 118 ft 11 in; what is left of A–B is 13 in.
    expect(at('a').length).toBeGreaterThan(0);
    expect(Math.max(...at('a'))).toBeLessThan(inches(118 * 12));
    // B–C has its first brace on the first strip beside the joint.
    expect(Math.min(...at('b'))).toBeLessThanOrEqual(inches(12));
    expect(worked.bracing.problems.some(({ kind }) => kind === 'walkway-gap')).toBe(false);
  });

  it('has its concrete in each pour by its own ground, and everything adds up', () => {
    const poured = worked.pour.pours.reduce((sum, { volumes }) => sum + volumes.core.value, 0);
    expect(poured).toBeCloseTo(worked.tally.total.coreVolume.value, 9);
    expect(worked.pour.pours).toHaveLength(3);
  });
});
