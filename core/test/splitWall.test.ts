import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Length, inches, readLength } from '../src/kernel/measure';
import type { Plan } from '../src/kernel/plan';
import { applyEdit } from '../src/plan';
import { splitWall } from '../src/splitWall';
import { crossingsOf, wallsOf } from '../src/stages/outline';
import type { WalkRow } from '../src/stages/outline/plan';
import { work } from '../src/work';
import { hall } from './support/hall';

const problems = (plan: Plan): readonly string[] =>
  work(plan).shell.loops.flatMap(({ problems: found }) => found.map(({ kind }) => kind));

describe('parting a wall', () => {
  const plan: Plan = {
    ...hall([{ length: 1200, core: 8 }], 360),
    openings: [
      { at: '100in', from: 'start' },
      { at: '900in', from: 'start' },
      { at: '120in', from: 'end' },
      { at: '1000in', from: 'end' },
    ].map(({ at, from }, index) => ({
      id: `op${String(index)}`,
      kind: 'window' as const,
      wall: 'f1',
      from: from as 'start' | 'end',
      to: index % 2 === 0 ? ('near' as const) : ('centre' as const),
      at,
      width: '36in',
      height: '30in',
      sill: '40in',
    })),
    inserts: [
      { id: 'in1', kind: 'sleeve', wall: 'f1', from: 'end', at: '300in', up: '20in', size: '4in' },
      { id: 'in2', kind: 'sleeve', wall: 'f1', from: 'start', at: '300in', up: '20in', size: '4in' },
    ],
  };
  const stationsOf = (each: Plan): Readonly<Record<string, number>> => {
    const { shell, openings, inserts } = work(each);
    const start = new Map(wallsOf(shell).map(({ id, station }) => [id, station]));
    return Object.fromEntries([
      ...openings.placed.map(({ id, wall, hole }) => [id, (start.get(wall) ?? 0) + hole.from] as const),
      ...inserts.placed.map(({ id, wall, rect }) => [id, (start.get(wall) ?? 0) + rect.from] as const),
    ]);
  };
  const part = (each: Plan, at: Length, { row = 'f1', core = '6in' } = {}) =>
    splitWall({ plan: each, shell: work(each).shell, row, at, core, newId: 'new' });

  it('leaves openings and inserts where they are, whichever end they are measured from', () => {
    const before = stationsOf(plan);
    fc.assert(
      fc.property(fc.integer({ min: 150, max: 1050 }), (at) => {
        const parted = part(plan, inches(at));
        if (!parted.ok) throw new Error(parted.why);
        const after = applyEdit(plan, parted.edit);
        expect(stationsOf(after)).toEqual(before);
        expect(problems(after)).toEqual(['core-change']);
        const second = after.loops[0]?.walk[1];
        expect(second).toMatchObject({ id: 'new', core: '6in', turn: 'right 90' });
        expect(after.loops[0]?.walk[0]?.turn).toBe('straight on');
      }),
      { numRuns: 25 },
    );
  });

  it('shares out the steps of footing and top', () => {
    const stepped: Plan = {
      ...plan,
      loops: plan.loops.map((loop) => ({
        ...loop,
        walk: loop.walk.map((row) =>
          row.id === 'f1'
            ? {
                ...row,
                top: '5 courses',
                footing: [
                  { id: 's1', at: '200in', step: 'up 16in' },
                  { id: 's2', at: '900in', step: 'down 16in' },
                ],
                // Not in their order along the wall: they are read by their places all the same.
                topSteps: [
                  { id: 't2', at: '1000in', top: '4 courses' },
                  { id: 't1', at: '400in', top: '6 courses' },
                ],
              }
            : row,
        ),
      })),
    };
    const parted = part(stepped, inches(600));
    if (!parted.ok) throw new Error(parted.why);
    const after = applyEdit(stepped, parted.edit);
    const levels = (each: Plan, walls: readonly string[]): readonly (readonly number[])[] => {
      const { levels: found, shell } = work(each);
      return wallsOf(shell)
        .filter(({ id }) => walls.includes(id))
        .flatMap(({ id, station }) =>
          (found.walls[id] ?? []).map(({ from, bottom, top }) => [station + from, bottom, top]),
        );
    };
    // The same heights from the same places; at the joint a span begins anew.
    const parts = levels(after, ['f1', 'new']).filter(([at]) => at !== inches(600));
    expect(parts).toEqual(levels(stepped, ['f1']));
  });

  it('keeps inside walls where they meet it, before the place and beyond, at either end', () => {
    const place = fc.integer({ min: 150, max: 1050 });
    fc.assert(
      fc.property(place, place, fc.constantFrom('f1', 'o2'), (at, inside, row) => {
        const along = row === 'f1' ? at : 1200 - at;
        fc.pre(Math.abs(along - inside) > 30);
        const teed: Plan = {
          ...plan,
          openings: [],
          inserts: [],
          loops: [
            ...plan.loops,
            {
              id: 'inside',
              closed: false,
              // Clear between two walls of 13 in.
              walk: [{ id: 't1', length: '334in', turn: 'right 90' }],
              tee: { start: { wall: 'f1', at: `${String(inside)}in` }, end: { wall: 'o2' } },
            },
          ],
        };
        const met = (each: Plan): readonly unknown[] => {
          const { shell } = work(each);
          const start = new Map(wallsOf(shell).map(({ id, station }) => [id, station]));
          return crossingsOf(shell).map(({ through, wall, atStart, from, to, side }) => {
            const station = start.get(through) ?? 0;
            return { wall, atStart, side, from: station + from, to: station + to };
          });
        };
        // One core throughout, so that both faces stay where they are.
        const parted = part(teed, inches(at), { row, core: '8in' });
        if (!parted.ok) throw new Error(parted.why);
        const after = applyEdit(teed, parted.edit);
        expect(met(teed)).toHaveLength(2);
        expect(met(after)).toEqual(met(teed));
        expect(problems(after)).toEqual(['no-turn', ...problems(teed)]);
        // With a thinner core beyond, the near end stays in its place along the wall.
        const thinner = part(teed, inches(at), { row });
        expect(thinner.ok && problems(applyEdit(teed, thinner.edit))).not.toContain('tee-nowhere');
      }),
      { numRuns: 25 },
    );
  });

  it('says for both parts what was said of the wall, and moves readings and the pump to the part they lie on', () => {
    const said: Plan = {
      ...plan,
      pours: plan.pours.map((pour) => ({
        ...pour,
        ground: { walls: { f1: { outside: { to: '5ft', with: 'fill' as const } } } },
      })),
      steel: {
        walls: { f1: { backfill: '6ft', held: 'top' } },
        zones: [{ id: 'z1', walls: ['f1'], fromCourse: 2, rules: { 'steel.vertical.size': '#5' } }],
      },
      edges: { walls: { f1: { height: '4in', over: 'core' } } },
      bracing: { walls: { f1: { inside: 'bank' } } },
      footing: {
        kind: 'strip',
        shots: [
          { id: 'r1', wall: 'f1', at: '500in', reading: '50in' },
          { id: 'r2', wall: 'f1', at: '700in', reading: '51in' },
        ],
        after: [{ id: 'r3', wall: 'f1', at: '700in', reading: '52in' }],
      },
      pour: {
        watchers: { f1: 'Ana' },
        pours: { 'pour-1': { stand: { wall: 'f1', at: '800in', out: '120in' } } },
      },
    };
    const parted = part(said, inches(600));
    if (!parted.ok) throw new Error(parted.why);
    const after = applyEdit(said, parted.edit);
    for (const walls of [
      after.pours[0]?.ground?.walls,
      after.steel?.walls,
      after.edges?.walls,
      after.bracing?.walls,
      after.pour?.watchers,
    ]) {
      expect(walls?.new).toBeDefined();
      expect(walls?.new).toEqual(walls?.f1);
    }
    expect(after.steel?.zones?.[0]?.walls).toEqual(['f1', 'new']);
    expect(after.footing?.shots?.map(({ wall, at }) => [wall, readLength(at, 'imperial')])).toEqual([
      ['f1', { ok: true, length: inches(500) }],
      ['new', { ok: true, length: inches(100) }],
    ]);
    expect(after.footing?.after?.[0]?.wall).toBe('new');
    const before = work(said).pour.pours[0]?.stand;
    expect(before).toBeDefined();
    expect(work(after).pour.pours[0]?.stand?.at).toEqual(before?.at);
  });

  it('is refused where its outline is walked counterclockwise', () => {
    const round: Plan = {
      ...plan,
      loops: plan.loops.map((loop) => ({
        ...loop,
        walk: loop.walk.map((row): WalkRow => ({ ...row, turn: 'left 90' })),
      })),
    };
    expect(part(round, inches(600))).toEqual({ ok: false, why: 'walked-round' });
  });

  it.each([
    ['off-wall', '1200in', {}],
    ['off-wall', '0in', {}],
    ['curved', '600in', { curve: { radius: '20ft', sweep: 'right 90' } }],
    ['raked', '600in', { rake: { how: 'cut' as const, points: [] } }],
    ['unreadable', '600in', { length: 'long' }],
    ['on-step', '600in', { footing: [{ id: 's1', at: '600in', step: 'up 16in' }] }],
  ] as const)('is refused where it cannot be: %s at %s', (why, at, change) => {
    const reading = readLength(at, 'imperial');
    const odd: Plan = {
      ...plan,
      loops: plan.loops.map((loop) => ({
        ...loop,
        walk: loop.walk.map((row) => (row.id === 'f1' ? { ...row, ...change } : row)),
      })),
    };
    expect(part(odd, (reading.ok ? reading.length : 0) as Length)).toEqual({ ok: false, why });
  });
});
