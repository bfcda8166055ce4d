import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Plan, clashKey, mergePlans, placeName } from '../../../src/kernel/plan';
import { writePlan } from '../../../src/plan';
import { readPlan } from '../../../src/planFile';
import { anyChange } from '../../support/histories';
import { demoPlan } from '../../support/demo';

const BASE = demoPlan();

/** Ids of all things of a plan. */
const ids = (plan: Plan): readonly string[] =>
  [...JSON.stringify(writePlan(plan)).matchAll(/"id":"([^"]+)"/g)].map(([, id = '']) => id);
const IDS = ids(BASE);

/** Several changes, one after the other. */
const some = fc.array(anyChange, { minLength: 1, maxLength: 4 }).map(
  (changes) =>
    (plan: Plan): Plan =>
      changes.reduce((now, change) => change(now), plan),
);

const same = (a: Plan, b: Plan): boolean => JSON.stringify(writePlan(a)) === JSON.stringify(writePlan(b));

describe('plans of two people', () => {
  it('come together as what one of them changed, where the other changed nothing or the same', () => {
    fc.assert(
      fc.property(some, (change) => {
        const changed = change(BASE);
        for (const [mine, theirs] of [
          [changed, BASE],
          [BASE, changed],
          [changed, changed],
        ] as const) {
          const { merged, clashes } = mergePlans(BASE, mine, theirs);
          expect(clashes).toEqual([]);
          expect(writePlan(merged)).toEqual(writePlan(changed));
        }
      }),
    );
  });

  it('come together as both changes made one after the other, where their order does not matter and nobody is asked', () => {
    let met = 0;
    fc.assert(
      fc.property(some, some, (one, other) => {
        const [first, second] = [other(one(BASE)), one(other(BASE))];
        const { merged, clashes } = mergePlans(BASE, one(BASE), other(BASE));
        if (clashes.length > 0 || !same(first, second)) return;
        // Changes name things by their place: two that take away the first one take away two, one after the other.
        const gone = (plan: Plan): Set<string> => {
          const left = new Set(ids(plan));
          return new Set(IDS.filter((id) => !left.has(id)));
        };
        const alsoGone = gone(other(BASE));
        if ([...gone(one(BASE))].some((id) => alsoGone.has(id))) return;
        met += 1;
        expect(writePlan(merged)).toEqual(writePlan(first));
      }),
      { numRuns: 400 },
    );
    expect(met).toBeGreaterThan(60);
  });

  it('ask the same whichever of the two is called mine, and take what was chosen', () => {
    fc.assert(
      fc.property(some, some, (one, other) => {
        const [mine, theirs] = [one(BASE), other(BASE)];
        const { clashes } = mergePlans(BASE, mine, theirs);
        const turned = mergePlans(BASE, theirs, mine).clashes;
        expect(turned.map(({ path }) => clashKey(path)).sort()).toEqual(
          clashes.map(({ path }) => clashKey(path)).sort(),
        );
        const all = Object.fromEntries(clashes.map(({ path }) => [clashKey(path), 'theirs' as const]));
        const chosen = mergePlans(BASE, mine, theirs, all).merged;
        const other_ = mergePlans(BASE, theirs, mine).merged;
        // Taking theirs everywhere is what the other one would have taken as mine; lists may differ in the order of what was added.
        expect(Object.keys(chosen).sort()).toEqual(Object.keys(other_).sort());
        expect(new Set(ids(chosen))).toEqual(new Set(ids(other_)));
      }),
      { numRuns: 200 },
    );
  });

  it('lose nothing that either added, and bring back nothing that one took away and the other left', () => {
    fc.assert(
      fc.property(fc.nat(5), fc.nat(5), fc.nat(6), (mineAdds, theyAdd, gone) => {
        const added = (by: string, count: number) =>
          Array.from({ length: count }, (_, index) => ({ id: `${by}-${String(index)}`, name: by }));
        const list = added('old', 6);
        const without = list.filter((_, index) => index !== gone);
        const base = { list };
        const mine = { list: [...without.slice(0, 2), ...added('mine', mineAdds), ...without.slice(2)] };
        const theirs = { list: [...added('theirs', theyAdd), ...list] };
        const { merged, clashes } = mergePlans(base, mine, theirs);
        expect(clashes).toEqual([]);
        const found = merged.list.map(({ id }) => id);
        expect([...found].sort()).toEqual(
          [...without, ...added('mine', mineAdds), ...added('theirs', theyAdd)].map(({ id }) => id).sort(),
        );
        // Each side’s own order holds.
        for (const side of [mine.list, theirs.list]) {
          const own = side.map(({ id }) => id).filter((id) => found.includes(id));
          expect(found.filter((id) => own.includes(id))).toEqual(own);
        }
      }),
    );
  });

  it('read as plans whenever nobody has to be asked', () => {
    fc.assert(
      fc.property(some, some, (one, other) => {
        const { merged, clashes } = mergePlans(BASE, one(BASE), other(BASE));
        if (clashes.length === 0) expect(readPlan(writePlan(merged)).ok).toBe(true);
      }),
      { numRuns: 200 },
    );
  });
});

describe('what is asked', () => {
  const [door, other] = BASE.openings ?? [];
  const opening = (change: object, id = door?.id): Plan => ({
    ...BASE,
    openings: (BASE.openings ?? []).map((each) => (each.id === id ? { ...each, ...change } : each)),
  });

  it('is the field that both changed otherwise, and no more', () => {
    const mine = opening({ width: '36in', at: '100in' });
    const theirs = opening({ width: '40in', height: '7ft' });
    const { merged, clashes } = mergePlans(BASE, mine, theirs);
    expect(clashes).toEqual([{ path: ['openings', door?.id, 'width'], mine: '36in', theirs: '40in' }]);
    expect(merged.openings?.[0]).toMatchObject({ width: '36in', at: '100in', height: '7ft' });
    const [clash] = clashes;
    expect(placeName(merged, clash?.path ?? [])).toBe(`opening ${door?.name ?? ''}, width`);
    expect(
      mergePlans(BASE, mine, theirs, { [clashKey(clash?.path ?? [])]: 'theirs' }).merged.openings?.[0]?.width,
    ).toBe('40in');
  });

  it('is nothing where two work on different openings, walls or rules', () => {
    const walls = (index: number, length: string): Plan['loops'] =>
      BASE.loops.map((loop) => ({
        ...loop,
        walk: loop.walk.map((row, at) => (at === index ? { ...row, length } : row)),
      }));
    const mine = {
      ...opening({ width: '36in' }),
      loops: walls(0, '44ft'),
      rules: { ...BASE.rules, 'days.crew': 3 },
    };
    const theirs = { ...opening({ width: '30in' }, other?.id), loops: walls(2, '12ft'), name: 'Hatchery' };
    const { merged, clashes } = mergePlans<Plan>(BASE, mine as Plan, theirs);
    expect(clashes).toEqual([]);
    expect(merged.name).toBe('Hatchery');
    expect(merged.rules).toMatchObject({ 'days.crew': 3 });
    expect([merged.loops[0]?.walk[0]?.length, merged.loops[0]?.walk[2]?.length]).toEqual(['44ft', '12ft']);
    expect([merged.openings?.[0]?.width, merged.openings?.[1]?.width]).toEqual(['36in', '30in']);
  });

  it('is the opening that one took away while the other changed it', () => {
    const mine: Plan = { ...BASE, openings: (BASE.openings ?? []).slice(1) };
    const theirs = opening({ width: '30in' });
    const { clashes, merged } = mergePlans(BASE, mine, theirs);
    expect(clashes.map(({ path }) => path)).toEqual([['openings', door?.id]]);
    expect(merged.openings).toHaveLength((BASE.openings ?? []).length - 1);
    expect(placeName(theirs, clashes[0]?.path ?? [])).toBe(`opening ${door?.name ?? ''}`);
  });

  it('is told by the names that things have on screen, and counted where they have none', () => {
    const [loop] = BASE.loops;
    const [wall] = loop?.walk ?? [];
    const path = ['loops', loop?.id ?? '', 'walk', wall?.id ?? '', 'length'];
    expect(placeName(BASE, path, (id) => (id === wall?.id ? 'A–B' : undefined))).toBe('wall A–B, length');
    const two = { ...BASE, loops: [...BASE.loops, { id: 'shed', closed: true, walk: [] }] };
    expect(placeName(two, path)).toBe('outline 1, wall 1, length');
  });

  it('is the whole walk where both added walls to it', () => {
    const plus = (id: string): Plan => ({
      ...BASE,
      loops: BASE.loops.map((loop) => ({
        ...loop,
        walk: [...loop.walk, { id, length: '4ft', turn: 'right 90' }],
      })),
    });
    const { clashes } = mergePlans(BASE, plus('mine'), plus('theirs'));
    expect(clashes.map(({ path }) => path.at(-1))).toEqual(['walk']);
    expect(placeName(BASE, clashes[0]?.path ?? [])).toBe('walls');
  });
});
