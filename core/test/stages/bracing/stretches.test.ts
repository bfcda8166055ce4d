import { houseRules } from '../../../src/rules';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Bracing, mostHang, plankRules, planWalkway } from '../../../src/stages/bracing';
import { type Length, inches, toInches } from '../../../src/kernel/measure';
import type { Opening } from '../../../src/stages/openings/plan';
import type { Plan } from '../../../src/kernel/plan';
import { crossingsOf } from '../../../src/stages/outline';
import { work } from '../../../src/work';
import { openingOf } from '../../support/openings';
import { HALL, planOf, withCourses, withInside } from '../../support/plans';

const rules = plankRules(houseRules());

/** A rectangle with an inside wall across it. */
const joined = (at: number, courses: number, change: Partial<Plan> = {}): Plan =>
  withInside(planOf(HALL, { ...withCourses(courses), ...change }), { at: `${String(at)}in` });
const wallOf = (bracing: Bracing, wall: string) => {
  const found = bracing.walls.find((each) => each.wall === wall);
  if (!found) throw new Error(wall);
  return found;
};

describe('the fewest braces', () => {
  const STRIP = 8;
  const planks = (at: readonly number[], from: number, to: number, lengths: readonly number[]): boolean =>
    lengths.some((length) => {
      const over = length - ((at[to] ?? 0) - (at[from] ?? 0));
      return over >= 12 && over <= 2 * toInches(mostHang(inches(length), rules));
    });

  /** Whether planks in a row, each begun on a support of the one before it, reach from the first brace to the last. */
  function walkable(at: readonly number[], lengths: readonly number[]): boolean {
    const open: (readonly [number, number])[] = [[0, 0]];
    const seen = new Set<string>();
    for (;;) {
      const next = open.pop();
      if (!next) return false;
      const [begun, ended] = next;
      if (ended === at.length - 1) return true;
      if (seen.has(next.join())) continue;
      seen.add(next.join());
      for (let on = begun; on <= ended; on++) {
        for (let last = ended + 1; last < at.length; last++) {
          if (planks(at, on, last, lengths)) open.push([on, last]);
        }
      }
    }
  }

  /** The fewest of all ways of standing on the strips. */
  function fewestOfAll(
    strips: number,
    most: number,
    least: number,
    lengths: readonly number[],
  ): number | null {
    let found: number | null = null;
    for (let mask = 0; mask < 1 << (strips - 2); mask++) {
      const between = Array.from({ length: strips - 2 }, (_, index) => index + 1).filter(
        (index) => (mask >> (index - 1)) & 1,
      );
      const at = [0, ...between, strips - 1].map((index) => index * STRIP);
      if (found !== null && at.length >= found) continue;
      const bays = at.slice(1).map((place, index) => place - (at[index] ?? 0));
      if (bays.every((bay) => bay <= most && bay >= least) && walkable(at, lengths)) found = at.length;
    }
    return found;
  }

  const planned = (
    strips: number,
    most: number,
    least: number,
    lengths: readonly number[],
  ): number | null => {
    const all = Array.from({ length: strips }, (_, index) => ({ at: inches(index * STRIP), courses: [1] }));
    const ends = [all[0], all.at(-1)].flatMap((strip) => (strip ? [{ strip, why: 'corner' as const }] : []));
    const found = planWalkway({
      strips: all,
      anchors: ends,
      bounds: [-Infinity, Infinity] as unknown as readonly [Length, Length],
      kinds: lengths.map((length) => ({ length: inches(length), left: Infinity })),
      most: inches(most),
      least: inches(least),
      rules,
    });
    return found?.stood.length ?? null;
  };

  it('are as few as trying every way finds, on any small wall', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 4, max: 15 }),
        fc.constantFrom(24, 32, 40, 48, 64, 72),
        fc.constantFrom(12, 24),
        fc.subarray([60, 72, 84, 96, 108, 120, 144], { minLength: 1, maxLength: 2 }),
        (strips, most, least, lengths) => {
          expect(planned(strips, most, least, lengths)).toBe(fewestOfAll(strips, most, least, lengths));
        },
      ),
      { numRuns: 200 },
    );
  });

  it('are 15 on 64 ft with planks of 10 ft only', () => {
    expect(planned(97, 72, 12, [120])).toBe(15);
  });
});

describe('a walkway', () => {
  it('is had by nearly all of 100 straight walls of 10 to 60 ft; the others say what would help', () => {
    let without = 0;
    fc.assert(
      fc.property(fc.integer({ min: 120, max: 720 }), (length) => {
        const plan = planOf([[length, 90]], withCourses(6));
        const open: Plan = { ...plan, loops: plan.loops.map((loop) => ({ ...loop, closed: false })) };
        const { bracing } = work(open);
        const missing = bracing.problems.filter((problem) => problem.kind === 'plank-plan-missing');
        without += missing.length;
        for (const { cure } of missing) expect(['plank', 'braces', 'scaffold']).toContain(cure.kind);
        expect(wallOf(bracing, 'w1').planks.length > 0).toBe(missing.length === 0);
      }),
      { numRuns: 100 },
    );
    expect(without).toBeLessThanOrEqual(5);
  });

  it('is made by moving a corner brace within the rule', () => {
    // Inside, 146 in are left between the walls across: braces at 24 in from both leave 98 in, which no plank spans by the rules.
    const moved = (most: string): Bracing =>
      work(
        planOf(
          [
            [172, 90],
            [336, 90],
            [172, 90],
            [336, 90],
          ],
          {
            ...withCourses(6),
            rules: { 'bracing.corner.most': most },
            bracing: { planks: [{ length: '8ft' }] },
          },
        ),
      ).bracing;
    const braces = wallOf(moved('36in'), 'w1').braces.map(({ at }) => toInches(at));
    expect(wallOf(moved('36in'), 'w1').planks.length).toBeGreaterThan(0);
    for (const end of [(braces[0] ?? 0) - 13, 159 - (braces.at(-1) ?? 0)]) {
      expect(end).toBeLessThanOrEqual(36);
    }
  });

  it('is planked on both sides of a door that no plank spans', () => {
    const door: Opening = openingOf({
      kind: 'garage',
      at: '150in',
      width: '192in',
      height: '84in',
      sill: '0in',
    });
    const { bracing } = work(
      planOf(HALL, {
        ...withCourses(7),
        openings: [door],
        bracing: { planks: [{ length: '8ft' }, { length: '10ft' }] },
      }),
    );
    const { planks } = wallOf(bracing, 'w1');
    expect(planks.some(({ to }) => to < inches(160))).toBe(true);
    expect(planks.some(({ from }) => from > inches(330))).toBe(true);
    expect(planks.some(({ from, to }) => from < inches(160) && to > inches(330))).toBe(false);
    expect(bracing.problems).toContainEqual({ kind: 'walkway-parted', wall: 'w1', opening: door.id });
  });
});

describe('at an inside wall', () => {
  it('braces stand clear of it and planks go round it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 110, max: 380 }), fc.integer({ min: 5, max: 10 }), (at, courses) => {
        const worked = work(joined(at, courses));
        for (const crossing of crossingsOf(worked.shell)) {
          const { braces, planks } = wallOf(worked.bracing, crossing.through);
          for (const brace of braces) {
            const off = Math.max(crossing.from - brace.at, brace.at - crossing.to);
            expect(toInches(off as Length)).toBeGreaterThanOrEqual(1.75);
          }
          for (const plank of planks)
            expect(plank.to <= crossing.from || plank.from >= crossing.to).toBe(true);
          // Held on both sides of it, as at a corner.
          const near = braces.filter(
            (brace) =>
              brace.why === 'tee' &&
              Math.min(Math.abs(brace.at - crossing.from), Math.abs(brace.at - crossing.to)) <= inches(36),
          );
          expect(near.length).toBeGreaterThanOrEqual(2);
        }
      }),
      { numRuns: 15 },
    );
  });

  it('is where the tee’s own geometry puts it, on the face that it stands against', () => {
    // 13 in of wall, to the right of the walk: before the 200 in at which its outside starts.
    const own = { wall: 'inside', side: 'inside' } as const;
    const place = (from: number, to: number, at: number) => ({
      from: inches(from),
      to: inches(to),
      at: inches(at),
    });
    expect(crossingsOf(work(joined(200, 4)).shell)).toEqual([
      { ...own, through: 'w1', atStart: true, ...place(187, 200, 200) },
      { ...own, through: 'w3', atStart: false, ...place(280, 293, 280) },
    ]);
  });

  it('diagonals of low walls are clear of it and of the walls across their ends', () => {
    fc.assert(
      fc.property(fc.integer({ min: 110, max: 380 }), (at) => {
        const worked = work(joined(at, 3));
        const crossings = crossingsOf(worked.shell);
        for (const { wall, diagonals, ends } of worked.bracing.walls) {
          expect(diagonals.length).toBeGreaterThan(1);
          for (const place of diagonals) {
            expect(place).toBeGreaterThanOrEqual(ends[0].at);
            expect(place).toBeLessThanOrEqual(ends[1].at);
            for (const crossing of crossings.filter(({ through }) => through === wall)) {
              expect(place < crossing.from || place > crossing.to).toBe(true);
            }
          }
          const gaps = diagonals.slice(1).map((place, index) => {
            const before = diagonals[index] ?? place;
            const crossed = crossings.some(
              (each) => each.through === wall && each.from > before && each.to < place,
            );
            return crossed ? 0 : place - before;
          });
          for (const gap of gaps) expect(gap).toBeLessThanOrEqual(inches(96));
        }
      }),
      { numRuns: 15 },
    );
  });
});

describe('a taller wall', () => {
  it('has its braces closer, by the rule', () => {
    const widest = (courses: number, change: Plan['rules'] = {}): number => {
      const { braces } = wallOf(
        work(planOf(HALL, { ...withCourses(courses), rules: { 'bracing.access': 'moved', ...change } }))
          .bracing,
        'w1',
      );
      return Math.max(
        ...braces.slice(1).map((brace, index) => toInches((brace.at - (braces[index]?.at ?? 0)) as Length)),
      );
    };
    // Seven courses stand 9 ft 4 in, eight 10 ft 8 in.
    expect(widest(7)).toBe(72);
    expect(widest(8)).toBeLessThanOrEqual(60);
    expect(widest(8, { 'bracing.tall.over': '12ft' })).toBe(72);
    expect(widest(8, { 'bracing.spacing.tall': '4ft' })).toBeLessThanOrEqual(48);
  });
});

describe('a metric job', () => {
  it('has planks and uprights of metric lengths where nothing is said of them', () => {
    const { walls } = work(planOf(HALL, { ...withCourses(6), units: 'metric' })).bracing;
    const planks = new Set(walls.flatMap((wall) => wall.planks.map(({ length }) => length / 1_000_000)));
    expect(planks.size).toBeGreaterThan(0);
    for (const length of planks) expect([2400, 3000, 3600, 4800]).toContain(length);
    const uprights = new Set(
      walls.flatMap((wall) => wall.braces.map(({ upright }) => upright.length / 1_000_000)),
    );
    for (const length of uprights) expect([2400, 3000, 3600]).toContain(length);
  });
});
