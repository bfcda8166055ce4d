import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { patched, patchOf, share } from '../../../src/kernel/engine';

const plain = fc.jsonValue({ maxDepth: 4 });
const copy = <Value>(value: Value): Value => structuredClone(value);

/** Every list and object in some data, by its path. */
function holders(value: unknown, path = ''): ReadonlyMap<string, object> {
  if (typeof value !== 'object' || value === null) return new Map();
  return new Map([
    [path, value],
    ...Object.entries(value).flatMap(([key, each]) => [...holders(each, `${path}/${key}`)]),
  ]);
}

describe('sharing new data with what was before', () => {
  it('gives the new data, whatever was before', () => {
    fc.assert(
      fc.property(plain, plain, (before, next) => {
        const wanted = copy(next);
        expect(share(copy(before), next)).toEqual(wanted);
      }),
    );
  });

  it('gives the old object where nothing has changed, and for every part that is the same', () => {
    fc.assert(
      fc.property(plain, plain, fc.string(), (one, other, key) => {
        const before = { kept: one, changed: { [key]: other } };
        expect(share(before, copy(before))).toBe(before);
        const next = share(before, { ...copy(before), added: 1 });
        expect(next).not.toBe(before);
        expect(next.kept).toBe(before.kept);
        expect(next.changed).toBe(before.changed);
      }),
    );
  });

  it('knows entries of a list by their id, wherever they have come to stand', () => {
    const before = ['a', 'b', 'c', 'd'].map((id) => ({ id, at: [1] }));
    const [a, b, , d] = before;
    const next = share(before, copy([...before.slice(0, 1), { id: 'x', at: [1] }, ...before.slice(1)]));
    expect(next.map(({ id }) => id)).toEqual(['a', 'x', 'b', 'c', 'd']);
    expect([next[0], next[2], next[4]]).toEqual([a, b, d]);
    expect(next[2]).toBe(b);
    expect(next[4]).toBe(d);
    const fewer = share(before, copy(before.slice(1)));
    expect(fewer).toHaveLength(3);
    expect(fewer[0]).toBe(b);
    const changed = share(before, copy([{ id: 'd', at: [2] }, ...before.slice(0, 2)]));
    expect(changed).toEqual([{ id: 'd', at: [2] }, a, b]);
    expect(changed[1]).toBe(a);
    // A patch that sends a list as a whole leaves what was there as it was.
    const patch = patchOf({ list: before }, { list: copy(before.slice(1)) });
    expect((patched({ list: before }, patch) as { list: unknown[] }).list[0]).toBe(b);
  });

  it('tells apart what only looks alike', () => {
    for (const [before, next] of [
      [{ a: undefined }, {}],
      [{}, { a: undefined }],
      [{ a: undefined }, { b: undefined }],
      [[1], { 0: 1 }],
      [[1, 2], [1]],
      [[], {}],
      [0, -0],
      [null, {}],
    ] as const) {
      expect(Object.is(share(before, next), next)).toBe(true);
    }
    expect(share({ a: NaN }, { a: NaN })).toEqual({ a: NaN });
  });
});

describe('a patch', () => {
  it('makes the one state of the other, whatever they are, and touches neither', () => {
    fc.assert(
      fc.property(plain, plain, (before, now) => {
        const [was, is] = [copy(before), copy(now)];
        const sent = copy(patchOf(before, now));
        expect(patched(before, sent)).toEqual(is);
        expect(before).toEqual(was);
        expect(now).toEqual(is);
      }),
    );
  });

  it('is nothing between equal states, and small for a small change', () => {
    fc.assert(
      fc.property(plain, (value) => {
        expect(patchOf(value, copy(value))).toBeNull();
      }),
    );
    const rows = Array.from({ length: 100 }, (_, index) => ({ id: index, cuts: [index, 2] }));
    const next = rows.map((row) => (row.id === 40 ? { ...row, cuts: [1, 2] } : row));
    expect(patchOf({ rows, name: 'a' }, { rows: next, name: 'a' })).toEqual({
      entries: [
        [
          'rows',
          {
            entries: [['40', { entries: [['cuts', { entries: [['0', { set: 1 }]], length: 2 }]] }]],
            length: 100,
          },
        ],
      ],
    });
  });

  it('changes long lists entry by entry, whether they grow, shrink or stay as long', () => {
    const row = fc.record({ id: fc.nat(40), cuts: fc.array(fc.nat(3), { maxLength: 3 }) });
    fc.assert(
      fc.property(
        fc.array(row, { minLength: 12, maxLength: 20 }),
        fc.nat(11),
        row,
        fc.integer({ min: -3, max: 3 }),
        (before, at, other, by) => {
          const longer = [...before, ...before.slice(0, Math.max(0, by))];
          const now = longer.slice(0, before.length + by).map((each, index) => (index === at ? other : each));
          const patch = patchOf(copy(before), now);
          if (patch !== null && !('set' in patch)) expect(patch.length).toBe(now.length);
          const kept = before[at === 0 ? 1 : 0];
          const after = patched(before, copy(patch)) as typeof now;
          expect(after).toEqual(now);
          expect(after[at === 0 ? 1 : 0]).toBe(kept);
        },
      ),
    );
  });

  it('takes away what is gone, and keeps what only holds the same name', () => {
    const patch = patchOf({ a: 1, b: 2, c: { d: 3 } }, { b: 2, c: { d: 3 } });
    expect(patch).toEqual({ entries: [], gone: ['a'] });
    expect(patched({ a: 1, b: 2, c: { d: 3 } }, patch)).toEqual({ b: 2, c: { d: 3 } });
  });

  it('leaves what it does not touch the same object', () => {
    fc.assert(
      fc.property(fc.dictionary(fc.string(), plain), fc.string(), plain, (before, key, value) => {
        const now = patched(before, copy(patchOf(before, share(before, { ...copy(before), [key]: value }))));
        const [old, fresh] = [holders(before), holders(now)];
        for (const [path, holder] of old) {
          if (path === '' || path === `/${key}` || path.startsWith(`/${key}/`)) continue;
          expect(fresh.get(path)).toBe(holder);
        }
      }),
    );
  });
});
