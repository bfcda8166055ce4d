import type { Insert } from '../../../src/stages/inserts/plan';
import { applyEdit } from '../../../src/plan';
import { describe, expect, it } from 'vitest';
import type { Notice } from '../../../src/kernel/notices/notice';
import type { Opening } from '../../../src/stages/openings/plan';
import type { Plan } from '../../../src/kernel/plan';
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

describe('what openings have to say', () => {
  it.each<readonly [string, Plan, string, Notice['severity'], string]>([
    [
      'no distance',
      planWith([{ at: '', sill: '3ft' }]),
      'opening-unreadable',
      'stop',
      'Its distance from the corner is missing; it is left out until that is given.',
    ],
    [
      'a sill that cannot be read',
      planWith([{ sill: 'low' }]),
      'opening-unreadable',
      'stop',
      'Its sill, “low”, cannot be read as a length; it is left out until that is mended.',
    ],
    [
      'an opening in its corner',
      planWith([{ at: '10in', sill: '3ft' }]),
      'opening-off-wall',
      'stop',
      'It reaches 4 1/2″ too far at corner A, past the wall or into the one that meets it there; it is left out.',
    ],
    [
      'two on one spot',
      planWith([{ sill: '3ft' }, { at: '210in', sill: '3ft' }]),
      'opening-overlaps',
      'stop',
      'It overlaps Window 1, bucks and all; it is left out. Move one of them.',
    ],
    [
      'one below the footing',
      planWith([{ sill: '-6in' }]),
      'opening-below-footing',
      'stop',
      'It reaches 6″ below the footing of A–B; it is left out.',
    ],
    [
      'one above the wall',
      planWith([{ sill: '120in' }]),
      'opening-above-wall',
      'stop',
      'It lies above the top of the wall; it is left out.',
    ],
    [
      'one through the top',
      planWith([{ sill: '80in' }]),
      'opening-open-top',
      'check',
      'Its head is 16″ above the top of the wall: it is worked as open at the top, without a lintel.',
    ],
    [
      'a round top that rises too high',
      planWith([{ kind: 'round-top', sill: '3ft', rise: '30in' }]),
      'opening-rise-too-high',
      'check',
      'A round top rises half its width at the most: 18″ here. It is worked so.',
    ],
    [
      'a short pier',
      planWith([{ sill: '3ft' }, { at: '250in', sill: '3ft' }]),
      'opening-short-pier',
      'check',
      'Only 11″ of wall is left between it and Window 2. Strap both faces of that pier, and brace it.',
    ],
    [
      'nothing to hold down',
      planWith([{ ...door, threshold: { kind: 'slab-over', depth: '4in' } }]),
      'opening-nothing-to-hold-down',
      'check',
      'There is 0″ of wall under it, too little to be held down by 4″; nothing is taken off. Raise its sill, or stop the slab inside.',
    ],
    [
      'a head that just misses the door’s',
      planWith([door, { at: '400in', head: '82in' }]),
      'opening-not-lined-through',
      'tip',
      'Its head at 6′ 10″ misses that of Door 1 at 6′ 8″.',
    ],
    [
      'a figure of its buck that cannot be',
      planWith([{ sill: '3ft' }], [], { bucks: { lumber: { stock: 'long' } } }),
      'opening-buck-figure',
      'check',
      '“long” cannot be used as a figure of this buck; the usual one stands.',
    ],
    [
      'a strip too low to stand',
      planWith([{ sill: '35in' }]),
      'strip-too-low',
      'check',
      'A strip of only 1 1/2″ is left of course 3 at its sill or head. Move it to the course line, or glue the strip to the block beside it.',
    ],
  ])('of %s', (_, plan, id, severity, what) => {
    const notice = told(plan, id);
    expect([notice.severity, notice.what]).toEqual([severity, what]);
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
      planWith([{ ...door, threshold: { kind: 'slab-over' } }]),
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
  it.each<readonly [string, Plan, string, Notice['severity'], string]>([
    [
      'one past its wall',
      planWith([], [{ at: '530in' }]),
      'insert-off-wall',
      'stop',
      'It reaches 4″ past corner B of A–B.',
    ],
    [
      'one over the top',
      planWith([], [{ up: '112in' }]),
      'insert-off-height',
      'check',
      'It lies above the top of A–B, in part or altogether.',
    ],
    [
      'one in the ground',
      planWith([], [{ up: '1in' }]),
      'insert-off-height',
      'check',
      'It lies below the footing of A–B, in part or altogether.',
    ],
    [
      'one in an opening',
      planWith([{ sill: '3ft' }], [{ at: '215in', up: '50in' }]),
      'insert-in-opening',
      'stop',
      'It lies in Window 1. Move one of them.',
    ],
    [
      'one close to an opening',
      planWith([{ sill: '3ft' }], [{ at: '241in', up: '50in' }]),
      'insert-near-opening',
      'check',
      'Only 1 1/2″ of wall is left between it and Window 1.',
    ],
    [
      'two in each other',
      planWith([], [{ at: '400in' }, { at: '402in', size: '6in' }]),
      'insert-near-insert',
      'check',
      'It runs 3″ into Sleeve 2. Move one of them.',
    ],
    [
      'one in a corner',
      planWith([], [{ at: '16in' }]),
      'insert-near-corner',
      'check',
      'Only 1″ of wall is left between it and the wall that meets at corner A.',
    ],
    [
      'a pocket through the wall',
      planWith([], [{ kind: 'pocket', depth: '10in', up: '90in' }]),
      'insert-too-deep',
      'stop',
      'It reaches 10″ into a core of 8″: it would come out on the other side.',
    ],
    [
      'a drain that hardly falls',
      planWith([], [{ fall: '1/8in' }]),
      'insert-falls-little',
      'check',
      'It falls 1/8″ over the wall; give it 1/4″ at least.',
    ],
    [
      'no height',
      planWith([], [{ up: '' }]),
      'insert-unreadable',
      'stop',
      'Its “up” is missing; it is left out until that is given.',
    ],
    [
      'a size that cannot be read',
      planWith([], [{ size: 'big' }]),
      'insert-unreadable',
      'stop',
      'Its “size”, “big”, cannot be read as a length; it is left out until that is mended.',
    ],
  ])('of %s', (_, plan, id, severity, what) => {
    const notice = told(plan, id);
    expect([notice.severity, notice.what]).toEqual([severity, what]);
  });

  it('offers a fall that drains', () => {
    const plan = planWith([], [{ fall: '0in' }]);
    const [fix] = told(plan, 'insert-falls-little').fixes;
    const mended = applyEdit(plan, fix?.edit ?? { kind: 'all', edits: [] });
    expect(mended.inserts?.[0]?.fall).toBe('1/4in');
    expect(work(mended).notices.some((notice) => notice.id.startsWith('insert-falls-little'))).toBe(false);
  });
});
