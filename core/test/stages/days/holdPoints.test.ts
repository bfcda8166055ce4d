import { describe, expect, it } from 'vitest';
import type { Plan } from '../../../src/kernel/plan';
import { type Entry, recordOf } from '../../../src/kernel/record';
import { type HoldState, openBefore } from '../../../src/stages/days';
import { work } from '../../../src/work';
import { entryOf, workOn } from '../../support/entries';
import { openingOf } from '../../support/openings';
import { type Side, planOf, withCourses } from '../../support/plans';

const SIDES: readonly Side[] = [
  [480, 90],
  [360, 90],
  [480, 90],
  [360, 90],
];
const job = (change: Partial<Plan> = {}): Plan =>
  planOf(SIDES, {
    ...withCourses(6),
    days: { start: '2027-03-01' },
    openings: [openingOf({ wall: 'w1', at: '10ft', sill: '32in', height: '40in' })],
    ...change,
  });
const withLog = (plan: Plan, log: readonly Entry[]): Plan => ({ ...plan, ...recordOf(log) });
const holds = (plan: Plan, log: readonly Entry[] = []): readonly HoldState[] =>
  work(withLog(plan, log)).days.holds;
const hold = (plan: Plan, id: string, log: readonly Entry[] = []): HoldState => {
  const found = holds(plan, log).find((each) => each.id === id);
  if (!found) throw new Error(`no hold point ${id}`);
  return found;
};
/** A signature of a hold point as it reads in a plan. */
const signed = (plan: Plan, id: string): Entry =>
  entryOf('hold', {
    point: id,
    name: id,
    lines: hold(plan, id).lines.map(({ what }) => what),
    by: 'Ida',
    word: '',
  });

describe('hold points', () => {
  it('stand in the order of the work, each between two items', () => {
    const { days } = work(job());
    expect(days.holds.map(({ id }) => id)).toEqual([
      'footing',
      'square',
      'first-course',
      'two-courses',
      'openings:pour-1',
      'bars:pour-1',
      'braces:pour-1',
      'straight:pour-1',
      'list:pour-1',
      'soft:pour-1',
      'voids:pour-1',
      'braces-off:pour-1',
      'plates:pour-1',
      'membrane:pour-1',
      'backfill:pour-1',
    ]);
    const place = (id: string): number => days.items.findIndex((item) => item.id === id);
    for (const { after, before, lines } of days.holds) {
      expect(lines.length).toBeGreaterThan(0);
      for (const id of [after, before]) if (id !== null) expect(place(id)).toBeGreaterThanOrEqual(0);
      if (after !== null && before !== null) expect(place(after)).toBeLessThan(place(before));
    }
  });

  it('has the one before backfill where the fill comes: after the floor, or around forms that are still empty', () => {
    const filled = (before: boolean): Plan => {
      const outside = { to: '3ft', with: 'fill' as const };
      const ground = before ? { outside, inside: outside, before } : { outside };
      return job({
        pours: [
          { id: 'low', toCourse: 3, top: 'full', ground },
          { id: 'high', toCourse: 6, top: 'full' },
        ],
      });
    };
    const around = (before: boolean) => {
      const { days } = work(filled(before));
      const place = (id: string | null): number => days.items.findIndex((item) => item.id === id);
      for (const { after, before: next } of days.holds)
        if (after !== null && next !== null) expect(place(after)).toBeLessThan(place(next));
      const own = days.holds.filter(({ pour }) => pour === 'low').map(({ id }) => id.split(':')[0]);
      return [
        own.indexOf('backfill') < own.indexOf('straight'),
        own.filter((id) => id === 'backfill').length,
      ];
    };
    expect(around(false)).toEqual([false, 1]);
    expect(around(true)).toEqual([true, 1]);
  });

  it('hold every line of the two lists, each once', () => {
    const { days, footing, pour } = work(job());
    const all = days.holds.flatMap(({ id, lines }) =>
      lines
        .filter(({ id: line }) => !/^\d$/.test(line))
        .map((line) => `${id.split(':')[1] ?? ''} ${line.id}`),
    );
    const wanted = [
      ...footing.ready.map(({ id }) => ` ${id}`),
      ...pour.pours.flatMap(({ span, ready }) => ready.map(({ id }) => `${span.pour} ${id}`)),
      // Ours beside them.
      ' cuts',
    ];
    expect([...all].sort()).toEqual([...wanted].sort());
  });

  it('are signed as they read, and fall off with the reason when the job changes', () => {
    const log = [signed(job(), 'braces:pour-1')];
    expect(hold(job(), 'braces:pour-1', log)).toMatchObject({ state: 'signed', fell: [] });
    const closer = job({ rules: { 'bracing.spacing.most': '3ft' } });
    const fallen = hold(closer, 'braces:pour-1', log);
    expect(fallen.state).toBe('fallen');
    // Every wall has more braces now: each of the four lines was something else.
    expect(fallen.fell.filter(({ was }) => was !== '')).toHaveLength(4);
    expect(work(withLog(closer, log)).notices.map(({ kind }) => kind)).toContain('days:fallen');
  });

  it('lose the tick of a line that reads differently now, and say what it was', () => {
    const [line] = hold(job(), 'braces:pour-1').lines;
    const tick = entryOf('tick', {
      point: 'braces:pour-1',
      line: line?.id ?? '',
      what: line?.what ?? '',
      done: true,
    });
    expect(hold(job(), 'braces:pour-1', [tick]).ticked).toEqual([line?.id]);
    const closer = job({ rules: { 'bracing.spacing.most': '3ft' } });
    const now = hold(closer, 'braces:pour-1', [tick]);
    expect(now.ticked).toEqual([]);
    expect(now.fell).toEqual([{ was: line?.what, now: now.lines[0]?.what }]);
  });

  it('keep what was ticked in the plan before there was a log', () => {
    const plan = job({
      footing: { kind: 'strip', ready: ['dowels'] },
      pour: { pours: { 'pour-1': { ready: ['steel:caps'] } } },
    });
    expect(hold(plan, 'footing').ticked).toEqual(['dowels']);
    expect(hold(plan, 'bars:pour-1').ticked).toEqual(['steel:caps']);
    const off = entryOf('tick', { point: 'footing', line: 'dowels', what: '', done: false });
    expect(hold(plan, 'footing', [off]).ticked).toEqual([]);
  });

  it('are open before an item until they are signed, with all that come before it', () => {
    const { days } = work(job());
    const open = (log: readonly Entry[], item: string) =>
      openBefore(holds(job(), log), days.items, item).map(({ id }) => id);
    expect(open([], 'course:2')).toEqual(['footing', 'square', 'first-course']);
    expect(open([signed(job(), 'footing'), signed(job(), 'first-course')], 'course:2')).toEqual(['square']);
    expect(open([], 'strip')).toEqual([]);
    expect(open([], 'no such item')).toEqual([]);
  });

  it('that were passed are told, until they are signed', () => {
    const kinds = (log: readonly Entry[]) =>
      work(withLog(job(), log)).days.problems.flatMap((problem) =>
        problem.kind === 'gone-on' ? [problem.item, ...problem.points] : [],
      );
    const laid = workOn('course:2');
    expect(kinds([laid])).toEqual(['course:2', 'First course level and straight']);
    expect(kinds([laid, signed(job(), 'first-course')])).toEqual([]);
  });
});
