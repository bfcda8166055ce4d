import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { recordOf, type Entry } from '../../src/kernel/record';
import { readEntry } from '../../src/kernel/record';
import { rulesOf } from '../../src/rules';
import { wallsOf } from '../../src/stages/outline';
import { coursesOfWall, nextCourse, todayCard, workOnWall } from '../../src/today';
import { work } from '../../src/work';
import { planOf, rectilinear, withCourses } from '../support/plans';
import { demoPlan } from '../support/demo';

const plan = demoPlan();
const worked = work(plan);
const rules = rulesOf(plan);
const walls = wallsOf(worked.shell);

describe('the card of a wall in a course', () => {
  it('has every piece of the plan once on its wall, corners on both that meet there', () => {
    const told = new Map<string, number>();
    for (const wall of walls) {
      for (const course of coursesOfWall(worked, wall.id)) {
        for (const piece of todayCard(worked, undefined, wall.id, course)?.pieces ?? [])
          told.set(piece.id, (told.get(piece.id) ?? 0) + 1);
      }
    }
    for (const piece of worked.courses.pieces)
      expect(told.get(piece.id), piece.id).toBe(piece.kind === 'corner' ? 2 : 1);
    expect(told.size).toBe(worked.courses.pieces.length);
  });

  it('walks along the wall without a gap but where an opening stands, to its whole length', () => {
    fc.assert(
      fc.property(rectilinear(), fc.integer({ min: 1, max: 4 }), (sides, course) => {
        const random = work(planOf(sides, withCourses(4)));
        for (const wall of wallsOf(random.shell)) {
          const card = todayCard(random, undefined, wall.id, course);
          if (!card) continue;
          // Without openings the legs and the lengths of the row make up the wall, counted piece by piece.
          const sum = card.pieces.reduce(
            (all, piece) => all + (piece.kind === 'corner' ? piece.leg : piece.length),
            0,
          );
          expect(sum).toBe(wall.length);
          const starts = card.pieces.flatMap((piece) => (piece.kind === 'corner' ? [] : [piece.start]));
          expect([...starts].sort((a, b) => a - b)).toEqual(starts);
          expect(card.pieces.at(0)).toMatchObject({ kind: 'corner', at: 'start' });
          expect(card.pieces.at(-1)).toMatchObject({ kind: 'corner', at: 'end' });
        }
      }),
      { numRuns: 10 },
    );
  }, 20_000);

  it('counts every bar that goes in with a course, corner bars at both of their walls', () => {
    const counted = new Map<string, number>();
    for (const wall of walls) {
      for (const course of coursesOfWall(worked, wall.id)) {
        const card = todayCard(worked, undefined, wall.id, course);
        for (const bar of card?.bars ?? []) {
          counted.set(bar.mark, (counted.get(bar.mark) ?? 0) + bar.count);
          if (bar.use === 'horizontal') {
            expect(bar.slot).toBeGreaterThanOrEqual(1);
            expect(bar.slot).toBeLessThanOrEqual(card?.slots ?? 0);
          } else expect(bar.slot).toBeNull();
        }
      }
    }
    const wanted = new Map<string, number>();
    for (const { mark, bars, use } of worked.steel.schedule) {
      const own = new Set(bars);
      for (const bar of worked.steel.bars)
        if (own.has(bar.id) && bar.set.course > 0)
          wanted.set(mark, (wanted.get(mark) ?? 0) + bar.count * (use === 'corner' ? 2 : 1));
    }
    expect(Object.fromEntries([...counted].sort())).toEqual(Object.fromEntries([...wanted].sort()));
  });

  it('names the slots that the section of the wall draws', () => {
    for (const section of worked.steel.sections) {
      for (const { course, slots } of section.used) {
        const card = todayCard(worked, undefined, section.wall, course);
        const told = card?.bars.flatMap(({ slot }) => (slot === null ? [] : [slot])) ?? [];
        expect([...new Set(told)].sort()).toEqual([...new Set(slots)].sort());
      }
    }
  });

  it('says when braces go up: at least once on every wall that has any', () => {
    for (const { wall, braces, diagonals } of worked.bracing.walls) {
      const card = todayCard(worked, undefined, wall, coursesOfWall(worked, wall)[0] ?? 1);
      expect(card?.braces?.at).toHaveLength(braces.length + diagonals.length);
      const item = worked.days.items.findIndex(({ kind }) => kind === 'braces');
      const before = worked.days.items.slice(0, item).filter(({ kind }) => kind === 'course');
      expect(card?.braces?.after).toBe(before.at(-1)?.course ?? null);
    }
  });

  it('is there for courses that the wall has, and for no other', () => {
    expect(todayCard(worked, undefined, 'no-such-wall', 1)).toBeNull();
    expect(todayCard(worked, undefined, walls[0]?.id ?? '', 99)).toBeNull();
  });
});

describe('a wall that is recorded as laid', () => {
  const entry = (wall: string, course: number, id: string): Entry => {
    const body = workOnWall(worked, rules, { wall, course, day: '2027-04-05' });
    const read = readEntry({ id, at: '2027-04-05T10:00:00-04:00', who: 'Bo', kind: 'work', body });
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    return read.entry;
  };

  it('stands, and the next course of that wall comes up; all walls make the whole course', () => {
    const wall = walls[0]?.id ?? '';
    const [first = 0, second = 0] = coursesOfWall(worked, wall);
    expect(nextCourse(worked, undefined, wall)).toBe(first);
    const { laid } = recordOf([entry(wall, first, 'one')]);
    expect(nextCourse(worked, laid, wall)).toBe(second);
    expect(todayCard(worked, laid, wall, first)?.laid).toBe(true);
    expect(todayCard(worked, laid, wall, second)?.laid).toBe(false);
    const course = second;
    const own = walls.filter(({ id }) => coursesOfWall(worked, id).includes(course));
    const all = own.map(({ id }, index) => entry(id, course, `all-${String(index)}`));
    const item = work({ ...plan, ...recordOf(all) }).days.items.find(
      ({ id }) => id === `course:${String(course)}`,
    );
    expect(item?.done).toBeCloseTo(1, 9);
  });

  it('changes no piece of the plan: what stands is what was planned', () => {
    const wall = walls[1]?.id ?? '';
    const [first = 1] = coursesOfWall(worked, wall);
    const after = work({ ...plan, ...recordOf([entry(wall, first, 'one')]) });
    expect(after.courses.pieces.length).toBe(worked.courses.pieces.length);
    expect(after.tally.total.blocksBought).toEqual(worked.tally.total.blocksBought);
  });

  it('is nothing where the plan has no such course', () => {
    expect(workOnWall(worked, rules, { wall: 'gone', course: 1, day: '2027-04-05' })).toBeNull();
    expect(workOnWall(worked, rules, { wall: walls[0]?.id ?? '', course: 40, day: '2027-04-05' })).toBeNull();
  });
});
