import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { outlived } from '../src/server/backups';
import { pack, unpack } from '../src/server/pack';
import { type ThinnedState, thinnedOut } from '../src/server/thinning';

const DAY = 24 * 3_600_000;

describe('a packed text', () => {
  it('comes back letter by letter, by itself and as a difference', () => {
    const text = fc.string({ unit: 'binary', maxLength: 300 });
    fc.assert(
      fc.property(text, text, text, text, (front, middle, other, end) => {
        const [base, changed] = [front + middle + end, front + other + end];
        expect(unpack(pack(changed, null), null)).toBe(changed);
        expect(unpack(pack(changed, base), base)).toBe(changed);
        expect(unpack(pack(base, base), base)).toBe(base);
      }),
    );
  });
});

describe('thinning', () => {
  const now = new Date('2026-11-28T12:00:00Z');
  const state = (version: number, age: number, base: number | null = null): ThinnedState => ({
    version,
    savedAt: new Date(now.getTime() - age).toISOString(),
    base,
  });

  it('keeps all of two days, an hour’s last for a month, a day’s last for ever', () => {
    const minutes = (from: number, count: number, age: number) =>
      Array.from({ length: count }, (_, index) => state(from + index, age - index * 60_000));
    const young = minutes(201, 60, DAY);
    // Begins on a whole hour: sixty minutes of one hour, of one day.
    const month = minutes(101, 60, 10 * DAY);
    const old = minutes(1, 60, 100 * DAY);
    const gone = new Set(thinnedOut([...young, ...month, ...old], now));
    expect(young.some(({ version }) => gone.has(version))).toBe(false);
    expect(month.filter(({ version }) => !gone.has(version)).map(({ version }) => version)).toEqual([160]);
    expect(old.filter(({ version }) => !gone.has(version)).map(({ version }) => version)).toEqual([1, 60]);
  });

  it('never takes the first, the newest, or what a kept difference stands on', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 200 * DAY }), fc.boolean()), {
          minLength: 1,
          maxLength: 80,
        }),
        (ages) => {
          let whole = 1;
          const states = ages.map(([age, alone], index) => {
            if (alone || index === 0) whole = index + 1;
            return state(index + 1, age, whole === index + 1 ? null : whole);
          });
          const gone = new Set(thinnedOut(states, now));
          const left = states.filter(({ version }) => !gone.has(version));
          const versions = new Set(left.map(({ version }) => version));
          expect(versions.has(1)).toBe(true);
          expect(versions.has(states.length)).toBe(true);
          for (const { base } of left) expect(base === null || versions.has(base)).toBe(true);
          for (const { version, savedAt } of states) {
            if (now.getTime() - Date.parse(savedAt) <= 2 * DAY) expect(versions.has(version)).toBe(true);
          }
        },
      ),
    );
  });
});

describe('backups', () => {
  it('of seven days and of four weeks before them are kept, and no other file is touched', () => {
    const days = Array.from(
      { length: 60 },
      (_, index) => `ombra-${new Date(Date.UTC(2026, 0, 1 + index)).toISOString().slice(0, 10)}.sqlite`,
    );
    const others = ['before-002.sqlite', 'replaced-2026.sqlite', 'notes.txt'];
    const gone = new Set(outlived([...others, ...days]));
    const kept = days.filter((name) => !gone.has(name)).map((name) => name.slice(6, 16));
    // 1 March 2026 is a Sunday: the week before the last seven days ends on 22 February, and so on back.
    expect(kept).toEqual([
      '2026-02-01',
      '2026-02-08',
      '2026-02-15',
      '2026-02-22',
      '2026-02-23',
      '2026-02-24',
      '2026-02-25',
      '2026-02-26',
      '2026-02-27',
      '2026-02-28',
      '2026-03-01',
    ]);
    expect(others.some((name) => gone.has(name))).toBe(false);
    expect(outlived(days.slice(0, 7))).toEqual([]);
  });
});
