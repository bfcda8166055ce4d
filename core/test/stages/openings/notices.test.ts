import type { Insert } from '../../../src/stages/inserts/plan';
import { applyEdit } from '../../../src/plan';
import { describe, expect, it } from 'vitest';
import type { Notice } from '../../../src/kernel/notices/notice';
import type { Opening } from '../../../src/stages/openings/plan';
import type { Plan } from '../../../src/kernel/plan';
import { valuesIn } from '../../support/values';
import { work } from '../../../src/work';
import { insertOf, openingOf } from '../../support/openings';
import { HATCHERY, planOf, withCourses } from '../../support/plans';

const planWith = (
  openings: readonly Partial<Opening>[],
  inserts: readonly Partial<Insert>[] = [],
  change: Partial<Plan> = {},
): Plan =>
  planOf(HATCHERY, {
    ...withCourses(7),
    openings: openings.map((each, index) => openingOf({ id: `o${String(index)}`, ...each })),
    inserts: inserts.map((each, index) => insertOf({ id: `i${String(index)}`, ...each })),
    ...change,
  });

const told = (plan: Plan, id: string): Notice => {
  const notices = work(plan).notices;
  const found = notices.find((notice) => notice.id.startsWith(id));
  if (!found) throw new Error(`no ${id}: ${notices.map((notice) => notice.id).join(', ')}`);
  return found;
};

const door = { kind: 'door', at: '200in', height: '80in', sill: '0in' } as const;

describe('an opening where an inside wall meets its wall', () => {
  const parted = (at: string, change: Partial<Opening> = {}, top?: string): Plan => {
    const plan = planWith([{ at, width: '36in', height: '40in', sill: '32in', ...change }]);
    return {
      ...plan,
      loops: [
        ...plan.loops,
        {
          id: 'inner',
          closed: false,
          tee: { start: { wall: 'w1', at: '200in' } },
          walk: [{ id: 'inside', length: '120in', turn: 'right 90', ...(top ? { top } : {}) }],
        },
      ],
    };
  };
  const atTee = (plan: Plan): Notice | undefined =>
    work(plan).notices.find(({ id }) => id.startsWith('opening-at-tee'));

  it('is told with what of it lies behind that wall, and either way out of it', () => {
    // The inside wall is 13 in thick and set out from 200 in: it takes 187 to 200. The hole in the concrete is 39 in wide.
    const plan = parted('170in');
    const notice = atTee(plan);
    expect(notice?.severity).toBe('check');
    expect(valuesIn(notice?.what)).toContain('13″');
    // The hole lies from 168 1/2 to 207 1/2 in: 20 1/2 in before it ends at 187, 31 1/2 in before it begins at 200.
    expect(notice?.fixes.map(({ label }) => label)).toEqual([
      'Move it 1′ 8 1/2″ toward A',
      'Move it 2′ 7 1/2″ toward B',
    ]);
    for (const { edit } of notice?.fixes ?? []) expect(atTee(applyEdit(plan, edit))).toBeUndefined();
  });

  it('is nothing to tell beside it, or over it', () => {
    // From 148 1/2 to 187 1/2 in, and an inch less.
    expect(atTee(parted('150in'))?.what).toContain('1/2″');
    expect(atTee(parted('149 1/2in'))).toBeUndefined();
    expect(atTee(parted('201 1/2in'))).toBeUndefined();
    // Its buck's sill lies on the two courses of the inside wall.
    expect(atTee(parted('170in', { sill: '33 1/2in' }, '2 courses'))).toBeUndefined();
    expect(atTee(parted('170in', { sill: '33in' }, '2 courses'))).toBeDefined();
  });
});

describe('what openings have to say', () => {
  it.each<readonly [string, Plan, string, Notice['severity'], readonly string[]]>([
    ['no distance', planWith([{ at: '', sill: '3ft' }]), 'opening-unreadable', 'stop', []],
    ['a sill that cannot be read', planWith([{ sill: 'low' }]), 'opening-unreadable', 'stop', ['“low”']],
    [
      'an opening in its corner',
      planWith([{ at: '10in', sill: '3ft' }]),
      'opening-off-wall',
      'stop',
      ['4 1/2″'],
    ],
    [
      'two on one spot',
      planWith([{ sill: '3ft' }, { at: '210in', sill: '3ft' }]),
      'opening-overlaps',
      'stop',
      ['1'],
    ],
    ['one below the footing', planWith([{ sill: '-6in' }]), 'opening-below-footing', 'stop', ['6″', 'A–B']],
    ['one above the wall', planWith([{ sill: '120in' }]), 'opening-above-wall', 'stop', []],
    ['one through the top', planWith([{ sill: '80in' }]), 'opening-open-top', 'check', ['16″']],
    [
      'a round top that rises too high',
      planWith([{ kind: 'round-top', sill: '3ft', rise: '30in' }]),
      'opening-rise-too-high',
      'check',
      ['18″'],
    ],
    [
      'a short pier',
      planWith([{ sill: '3ft' }, { at: '250in', sill: '3ft' }]),
      'opening-short-pier',
      'check',
      ['11″', '2'],
    ],
    [
      'nothing to hold down',
      planWith([{ ...door, sill: '2in', threshold: { kind: 'slab-over', depth: '4in' } }]),
      'opening-nothing-to-hold-down',
      'check',
      ['2″', '4″'],
    ],
    [
      'a head that just misses the door’s',
      planWith([door, { at: '400in', head: '82in' }]),
      'opening-not-lined-through',
      'tip',
      ['1', '6′ 10″', '6′ 8″'],
    ],
    [
      'a figure of its buck that cannot be',
      planWith([{ sill: '3ft' }], [], { bucks: { lumber: { stock: 'long' } } }),
      'opening-buck-figure',
      'check',
      ['“long”'],
    ],
    ['a strip too low to stand', planWith([{ sill: '35in' }]), 'strip-too-low', 'check', ['1 1/2″', '3']],
  ])('of %s', (_, plan, id, severity, values) => {
    const notice = told(plan, id);
    expect([notice.severity, valuesIn(notice.what)]).toEqual([severity, values]);
    expect(notice.place.stage).toBe('openings');
  });

  it('names the opening, points to it and its wall', () => {
    const notice = told(planWith([{ name: 'Kitchen', sill: '80in' }]), 'opening-open-top');
    expect([notice.where, notice.place]).toEqual([
      'Kitchen',
      { stage: 'openings', opening: 'o0', wall: 'w1' },
    ]);
  });

  it.each<readonly [string, Plan, string]>([
    ['off the wall’s start', planWith([{ at: '10in', sill: '3ft' }]), 'opening-off-wall'],
    ['off the wall’s end', planWith([{ at: '490in', sill: '3ft' }]), 'opening-off-wall'],
    [
      'off a wall told from its other corner',
      planWith([{ from: 'end', at: '10in', sill: '3ft' }]),
      'opening-off-wall',
    ],
    ['below the footing', planWith([{ sill: '-6in' }]), 'opening-below-footing'],
    ['too round', planWith([{ kind: 'round-top', sill: '3ft', rise: '30in' }]), 'opening-rise-too-high'],
    [
      'with nothing to hold down',
      planWith([{ ...door, sill: '2in', threshold: { kind: 'slab-over' } }]),
      'opening-nothing-to-hold-down',
    ],
    ['out of line', planWith([door, { at: '400in', head: '82in' }]), 'opening-not-lined-through'],
    [
      'with a wrong figure',
      planWith([{ sill: '3ft' }], [], { bucks: { lumber: { kerf: '4ft' } } }),
      'opening-buck-figure',
    ],
  ])('offers a way out %s that works', (_, plan, id) => {
    const [fix] = told(plan, id).fixes;
    if (!fix) throw new Error('no fix');
    const mended = work(applyEdit(plan, fix.edit));
    expect(mended.notices.some((notice) => notice.id.startsWith(id))).toBe(false);
    expect(mended.openings.placed.every((each) => each.worked)).toBe(true);
  });
});

describe('what inserts have to say', () => {
  it.each<readonly [string, Plan, string, Notice['severity'], readonly string[]]>([
    ['one past its wall', planWith([], [{ at: '530in' }]), 'insert-off-wall', 'stop', ['4″', 'A–B']],
    ['one over the top', planWith([], [{ up: '112in' }]), 'insert-off-height', 'check', ['A–B']],
    ['one in the ground', planWith([], [{ up: '1in' }]), 'insert-off-height', 'check', ['A–B']],
    [
      'one in an opening',
      planWith([{ sill: '3ft' }], [{ at: '215in', up: '50in' }]),
      'insert-in-opening',
      'stop',
      ['1'],
    ],
    [
      'one close to an opening',
      planWith([{ sill: '3ft' }], [{ at: '241in', up: '50in' }]),
      'insert-near-opening',
      'check',
      ['1', '1 1/2″'],
    ],
    [
      'two in each other',
      planWith([], [{ at: '400in' }, { at: '402in', size: '6in' }]),
      'insert-near-insert',
      'check',
      ['2', '3″'],
    ],
    ['one in a corner', planWith([], [{ at: '16in' }]), 'insert-near-corner', 'check', ['1″']],
    [
      'a pocket through the wall',
      planWith([], [{ kind: 'pocket', depth: '10in', up: '90in' }]),
      'insert-too-deep',
      'stop',
      ['10″', '8″'],
    ],
    [
      'a drain that hardly falls',
      planWith([], [{ fall: '1/8in' }]),
      'insert-falls-little',
      'check',
      ['1/4″', '1/8″'],
    ],
    ['no height', planWith([], [{ up: '' }]), 'insert-unreadable', 'stop', ['“up”']],
    [
      'a size that cannot be read',
      planWith([], [{ size: 'big' }]),
      'insert-unreadable',
      'stop',
      ['“big”', '“size”'],
    ],
  ])('of %s', (_, plan, id, severity, values) => {
    const notice = told(plan, id);
    expect([notice.severity, valuesIn(notice.what)]).toEqual([severity, values]);
  });

  it('offers a fall that drains', () => {
    const plan = planWith([], [{ fall: '0in' }]);
    const [fix] = told(plan, 'insert-falls-little').fixes;
    const mended = applyEdit(plan, fix?.edit ?? { kind: 'all', edits: [] });
    expect(mended.inserts?.[0]?.fall).toBe('1/4in');
    expect(work(mended).notices.some((notice) => notice.id.startsWith('insert-falls-little'))).toBe(false);
  });
});
