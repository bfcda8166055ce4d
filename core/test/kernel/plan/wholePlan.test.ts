import { type Loop, type WalkRow, type WallBond, emptyPlan } from '../../../src/stages/outline/plan';
import { applyEdit, writePlan } from '../../../src/plan';
import { planJsonSchema, readPlan } from '../../../src/planFile';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FAMILIES, writeFamily } from '../../../src/kernel/forms';
import type { Plan } from '../../../src/kernel/plan';
import { insertOf, openingOf } from '../../support/openings';
import { HATCHERY, planOf } from '../../support/plans';

const inchText = fc.integer({ min: 1, max: 900 }).map((value) => `${String(value)}in`);
const some = <Value>(of: fc.Arbitrary<Value>): fc.Arbitrary<Value | undefined> =>
  fc.option(of, { nil: undefined });

const bond: fc.Arbitrary<WallBond> = fc.oneof(
  fc.record({ kind: fc.constant('seam' as const), at: inchText }),
  fc.record({
    kind: fc.constant('running' as const),
    before: fc.nat(9),
    cuts: fc.record({
      odd: fc.array(inchText, { maxLength: 2 }),
      even: fc.array(inchText, { maxLength: 2 }),
    }),
  }),
);

/** Everything that can hang on a wall; what is not there is left out, as the plan does. */
const extras = fc
  .record({
    curve: some(fc.record({ radius: inchText, sweep: fc.constantFrom('right 90', 'left 30') })),
    core: some(inchText),
    flush: some(fc.constantFrom('outside' as const, 'inside' as const, 'middle' as const)),
    top: some(fc.constantFrom('5 courses', '7ft 4in')),
    topSteps: some(
      fc.array(fc.record({ id: fc.constant('t'), at: inchText, top: fc.constantFrom('3 courses', '5ft') }), {
        minLength: 1,
        maxLength: 1,
      }),
    ),
    rake: some(
      fc.record({
        how: fc.constantFrom('cut' as const, 'stepped' as const),
        points: fc.array(
          fc.record({ id: fc.constant('r'), at: inchText, top: fc.constantFrom('3 courses', '5ft') }),
          { minLength: 1, maxLength: 1 },
        ),
      }),
    ),
    footing: some(
      fc.array(
        fc.record({
          id: fc.constant('f'),
          at: inchText,
          step: fc.constantFrom('up 32in', 'down 16in', 'up 2 courses'),
        }),
        {
          minLength: 1,
          maxLength: 1,
        },
      ),
    ),
    bond: some(bond),
    lead: some(fc.constantFrom('starting-wall' as const, 'ending-wall' as const)),
    asLaid: some(
      fc.array(fc.record({ course: fc.integer({ min: 1, max: 9 }), length: inchText }), {
        minLength: 1,
        maxLength: 2,
      }),
    ),
  })
  .map((all) => Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined)));

const loop = (number: number): fc.Arbitrary<Loop> =>
  fc
    .record({
      closed: fc.boolean(),
      base: some(inchText),
      right: some(inchText),
      down: some(inchText),
      name: some(fc.constant('Wing')),
      tee: some(fc.record({ start: fc.record({ wall: fc.constant('w0-0'), at: inchText }) })),
      rows: fc.array(fc.tuple(inchText, extras), { maxLength: 4 }),
    })
    .map(({ rows, ...rest }) => ({
      id: `loop-${String(number)}`,
      ...(Object.fromEntries(Object.entries(rest).filter(([, value]) => value !== undefined)) as Pick<
        Loop,
        'closed'
      >),
      walk: rows.map(([length, extra], index) => ({
        id: `w${String(number)}-${String(index)}`,
        length,
        turn: 'right 90',
        ...extra,
      })),
    }));

/** Everything that can be said of openings, inserts and bucks. */
const OPENED: Pick<Plan, 'openings' | 'inserts' | 'bucks'> = {
  openings: [
    openingOf({ name: 'North', from: 'end', to: 'centre', sill: '3ft', buck: 'scrap-liner' }),
    openingOf({ id: 'b', kind: 'round-top', head: '7ft', rise: '6in' }),
    openingOf({
      id: 'c',
      kind: 'garage',
      threshold: { kind: 'slab-over', depth: '4in', tongue: 'saw-cut', truck: 'wall' },
    }),
  ],
  inserts: [
    insertOf({ name: 'Drain', size: '4in', fall: '1/4in', face: 'outside' }),
    insertOf({ id: 'e', kind: 'ledger', length: '10ft', spacing: '2ft', rows: 3, fixing: 'drilled' }),
    insertOf({ id: 'f', kind: 'pocket', size: '6in', height: '10in', depth: '4in' }),
  ],
  bucks: { lumber: { thickness: '1 3/4in', stock: '12ft', kerf: '3/16in' }, foam: { stock: '10ft' } },
};

/** Everything that can be said of exposed edges, and of the days. */
const EDGED: Pick<Plan, 'edges' | 'days'> = {
  days: { start: '2027-03-01', people: { '2027-03-02': 6 }, off: ['2027-03-03'] },
  edges: {
    all: { height: '6in', over: 'outside' },
    walls: { 'w0-1': 'none', 'w1-0': { height: '2in', over: 'both' } },
  },
};

/** Everything that can be said of steel. */
const REINFORCED: Pick<Plan, 'steel'> = {
  steel: {
    walls: { 'w0-0': { backfill: '6ft', held: 'top' }, 'w0-1': { held: 'alone' } },
    zones: [
      { id: 'z', name: 'Below', walls: ['w0-0'], fromCourse: 1, toCourse: 3, rules: { 'steel.slots': 3 } },
      { id: 'y', rules: {} },
    ],
  },
};

const anyPlan: fc.Arbitrary<Plan> = fc
  .record({
    loops: fc.tuple(loop(0), loop(1)),
    height: some(inchText),
    half: fc.boolean(),
    own: fc.boolean(),
    opened: fc.boolean(),
  })
  .map(({ loops, height, half, own, opened }) => ({
    ...emptyPlan('Any'),
    loops,
    pours: [
      {
        id: 'a',
        name: 'Low',
        toCourse: 4,
        top: half ? ('half' as const) : ('full' as const),
        then: 'Backfill',
        ...(opened
          ? {
              ground: {
                outside: { to: '3ft', with: 'fill' as const },
                walls: { 'w0-0': { inside: { to: '12in', with: 'slab' as const } } },
                before: true,
              },
            }
          : {}),
      },
      { id: 'b', toCourse: 7, top: 'full' as const },
    ],
    ...(height === undefined ? {} : { height }),
    ...(opened ? { ...OPENED, ...REINFORCED, ...EDGED } : {}),
    ...(own ? { families: FAMILIES.slice(0, 1).map(writeFamily) } : {}),
  }));

describe('a plan with everything on it', () => {
  it('is written as a file and read back to the same plan', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const file: unknown = JSON.parse(JSON.stringify(writePlan(plan)));
        expect(readPlan(file)).toEqual({ ok: true, plan });
      }),
    );
  });

  it('has a schema that says so', () => {
    const text = JSON.stringify(planJsonSchema());
    for (const key of [
      'curve',
      'footing',
      'topSteps',
      'bond',
      'lead',
      'asLaid',
      'tee',
      'families',
      'height',
      'then',
      'openings',
      'threshold',
      'inserts',
      'bucks',
      'steel',
      'zones',
    ]) {
      expect(text).toContain(`"${key}"`);
    }
  });

  it('may leave courses out where a height is given, and ids out everywhere', () => {
    const whole = writePlan(planOf(HATCHERY)) as Record<string, unknown>;
    const file = Object.fromEntries(Object.entries(whole).filter(([key]) => key !== 'courses'));
    const reading = readPlan({ ...file, height: '8ft' });
    expect(reading.ok && reading.plan.height).toBe('8ft');
    expect(readPlan(file).ok).toBe(false);
    const walk = [
      {
        length: '10ft',
        turn: 'right 90',
        footing: [
          { at: '2', step: 'up 16in' },
          { at: '4', step: 'down 16in' },
        ],
      },
    ];
    const bare = readPlan({ ...file, courses: 3, outline: { closed: true, walk } });
    expect(bare.ok && bare.plan.loops[0]?.walk[0]?.footing).toEqual([
      { id: 'step-1', at: '2ft', step: 'up 16in' },
      { id: 'step-2', at: '4ft', step: 'down 16in' },
    ]);
  });

  it('refuses a bond or a family that is none', () => {
    const file = writePlan(planOf(HATCHERY)) as Record<string, unknown>;
    const wrong = { closed: true, walk: [{ length: '10ft', turn: 'right 90', bond: { kind: 'stack' } }] };
    const reading = readPlan({ ...file, outline: wrong });
    expect(reading.ok ? [] : reading.problems.map((problem) => problem.where)).toEqual([
      'outline.walk[0].bond.kind',
    ]);
    expect(readPlan({ ...file, families: [{ kind: 'flat-wall' }] }).ok).toBe(false);
  });
});

describe('openings in a hand-written file', () => {
  const file = writePlan(planOf(HATCHERY)) as Record<string, unknown>;

  it('get ids, and bare numbers are pinned to the job’s unit', () => {
    const bare = {
      kind: 'door',
      wall: 'w1',
      from: 'start',
      to: 'near',
      at: '12',
      width: '3',
      height: '6ft 8in',
    };
    const reading = readPlan({
      ...file,
      openings: [bare, bare],
      inserts: [{ kind: 'sleeve', wall: 'w1', from: 'end', at: '4', up: '2' }],
      bucks: { foam: { thickness: '2in' } },
    });
    expect(reading.ok && reading.plan.openings?.map(({ id, at, width }) => [id, at, width])).toEqual([
      ['opening-1', '12ft', '3ft'],
      ['opening-2', '12ft', '3ft'],
    ]);
    expect(reading.ok && reading.plan.inserts?.[0]).toMatchObject({ id: 'insert-1', at: '4ft', up: '2ft' });
  });

  it('are refused with their place where they are malformed', () => {
    const wrong = (openings: unknown): readonly string[] => {
      const reading = readPlan({ ...file, openings });
      return reading.ok ? [] : reading.problems.map((problem) => problem.where);
    };
    expect(
      wrong([{ kind: 'hatch', wall: 'w1', from: 'start', to: 'near', at: '1', width: '1', height: '1' }]),
    ).toEqual(['openings[0].kind']);
    const same = openingOf({});
    expect(wrong([same, same])).toEqual(['outline']);
  });
});

describe('edits of openings and inserts', () => {
  const plan = planOf(HATCHERY, { openings: [openingOf({ sill: '3ft' })], inserts: [insertOf()] });
  const opening = (changed: Plan) => changed.openings?.[0];

  it('keep lengths in stored form, and tell a height by sill or head, never both', () => {
    const headed = applyEdit(plan, { kind: 'set-opening', opening: 'opening-1', change: { head: `7' 2"` } });
    expect(opening(headed)).toMatchObject({ head: '7ft 2in' });
    expect(opening(headed)).not.toHaveProperty('sill');
    const standing = applyEdit(headed, { kind: 'set-opening', opening: 'opening-1', change: { head: '' } });
    expect(opening(standing)).not.toHaveProperty('head');
    const emptied = applyEdit(plan, { kind: 'set-opening', opening: 'opening-1', change: { width: '' } });
    expect(opening(emptied)?.width).toBe('');
  });

  it('add with fresh ids and take out again', () => {
    const added = applyEdit(plan, {
      kind: 'all',
      edits: [
        { kind: 'add-openings', openings: [{ ...openingOf({ at: '30' }), id: 'x' }] },
        { kind: 'add-inserts', inserts: [{ kind: 'conduit', wall: 'w2', from: 'start', at: '5', up: '1' }] },
      ],
    });
    expect(added.openings?.map(({ id, at }) => [id, at])).toEqual([
      ['opening-1', '200in'],
      ['x', '30ft'],
    ]);
    expect(new Set(added.inserts?.map(({ id }) => id)).size).toBe(2);
    const [, second] = added.inserts ?? [];
    const fewer = applyEdit(added, {
      kind: 'all',
      edits: [
        { kind: 'remove-opening', opening: 'opening-1' },
        { kind: 'set-insert', insert: second?.id ?? '', change: { size: '2"', face: 'outside' } },
        { kind: 'remove-insert', insert: 'insert-1' },
      ],
    });
    expect(fewer.openings?.map(({ id }) => id)).toEqual(['x']);
    expect(fewer.inserts).toEqual([
      {
        id: second?.id,
        kind: 'conduit',
        wall: 'w2',
        from: 'start',
        at: '5ft',
        up: '1ft',
        size: '2in',
        face: 'outside',
      },
    ]);
  });
});

describe('edits of the steel', () => {
  const plan = planOf(HATCHERY);

  it('say what soil presses and what holds, in stored form, and take it off again', () => {
    const said = applyEdit(plan, { kind: 'set-soil', wall: 'w1', change: { backfill: `6' 6`, held: 'top' } });
    expect(said.steel?.walls).toEqual({ w1: { backfill: '6ft 6in', held: 'top' } });
    const less = applyEdit(said, { kind: 'set-soil', wall: 'w1', change: { held: 'unsaid' } });
    expect(less.steel?.walls).toEqual({ w1: { backfill: '6ft 6in' } });
    const none = applyEdit(less, { kind: 'set-soil', wall: 'w1', change: { backfill: null } });
    expect(none.steel?.walls).toEqual({});
  });

  it('put zones in, change them in place, and take them out', () => {
    const one = applyEdit(plan, { kind: 'put-zone', zone: { id: 'a', rules: {} } });
    const two = applyEdit(one, { kind: 'put-zone', zone: { id: 'b', toCourse: 2, rules: {} } });
    const changed = applyEdit(two, {
      kind: 'put-zone',
      zone: { id: 'a', name: 'Low', rules: { 'steel.slots': 3 } },
    });
    expect(changed.steel?.zones?.map(({ id, name }) => [id, name])).toEqual([
      ['a', 'Low'],
      ['b', undefined],
    ]);
    expect(applyEdit(changed, { kind: 'remove-zone', zone: 'a' }).steel?.zones?.map(({ id }) => id)).toEqual([
      'b',
    ]);
  });

  it('are read from a hand-written file, ids and units given', () => {
    const file = writePlan(plan) as Record<string, unknown>;
    const reading = readPlan({
      ...file,
      steel: { walls: { w1: { backfill: '6', held: 'alone' } }, zones: [{ rules: { 'steel.slots': 3 } }] },
    });
    expect(reading.ok && reading.plan.steel).toEqual({
      walls: { w1: { backfill: '6ft', held: 'alone' } },
      zones: [{ id: 'zone-1', rules: { 'steel.slots': 3 } }],
    });
    expect(readPlan({ ...file, steel: { walls: { w1: { held: 'maybe' } } } }).ok).toBe(false);
  });
});

describe('edits of what hangs on walls and outlines', () => {
  const plan = planOf(HATCHERY);
  const row = (changed: Plan, id = 'w1'): WalkRow | undefined =>
    changed.loops[0]?.walk.find((each) => each.id === id);

  it('keep lengths in stored form and take parts off again', () => {
    const set = applyEdit(plan, {
      kind: 'set-wall',
      row: 'w1',
      change: {
        core: '6"',
        top: '7 4',
        curve: { radius: '10', sweep: 'r 45' },
        bond: { kind: 'seam', at: `20' 8"` },
        footing: [{ id: 'f', at: '12', step: 'Up 2 ft' }],
        topSteps: [{ id: 't', at: '12', top: '3 courses' }],
        asLaid: [{ course: 2, length: `44' 1/8"` }],
        lead: 'ending-wall',
      },
    });
    expect(row(set)).toMatchObject({
      core: '6in',
      curve: { radius: '10ft', sweep: 'right 45' },
      bond: { kind: 'seam', at: '20ft 8in' },
      footing: [{ id: 'f', at: '12ft', step: 'up 2ft' }],
      topSteps: [{ id: 't', at: '12ft', top: '3 courses' }],
      asLaid: [{ course: 2, length: '44ft 1/8in' }],
      lead: 'ending-wall',
    });
    const off = applyEdit(set, {
      kind: 'set-wall',
      row: 'w1',
      change: {
        core: null,
        top: null,
        curve: null,
        bond: null,
        footing: [],
        topSteps: null,
        asLaid: [],
        lead: null,
      },
    });
    expect(off).toEqual(plan);
    expect(applyEdit(plan, { kind: 'set-wall', row: 'gone', change: { core: '6in' } })).toEqual(plan);
  });

  it('keep what cannot be read as it was typed', () => {
    const odd = applyEdit(plan, {
      kind: 'set-wall',
      row: 'w1',
      change: { footing: [{ id: 'f', at: 'there', step: 'a bit' }] },
    });
    expect(row(odd)?.footing).toEqual([{ id: 'f', at: 'there', step: 'a bit' }]);
  });

  it('give a height, and go back to courses', () => {
    const high = applyEdit(plan, { kind: 'set-height', height: '8' });
    expect(high.height).toBe('8ft');
    expect(applyEdit(high, { kind: 'set-height', height: null })).toEqual(plan);
  });

  it('add, set and remove outlines, never the last one', () => {
    const two = applyEdit(plan, { kind: 'add-loop', loop: 'other', name: 'Garage' });
    const set = applyEdit(two, {
      kind: 'set-loop',
      loop: 'other',
      change: { closed: false, base: '-32in', right: '60', tee: { start: { wall: 'w1', at: '10ft' } } },
    });
    expect(set.loops[1]).toEqual({
      id: 'other',
      name: 'Garage',
      closed: false,
      base: '-2ft 8in',
      right: '60ft',
      tee: { start: { wall: 'w1', at: '10ft' } },
      walk: [],
    });
    const plain = applyEdit(set, {
      kind: 'set-loop',
      loop: 'other',
      change: { base: '', right: null, tee: null, name: null },
    });
    expect(plain.loops[1]).toEqual({ id: 'other', closed: false, walk: [] });
    expect(applyEdit(plain, { kind: 'remove-loop', loop: 'other' })).toEqual(plan);
    expect(applyEdit(plan, { kind: 'remove-loop', loop: 'loop' })).toEqual(plan);
  });

  it('put families in, change them in place and take them out', () => {
    const [family] = FAMILIES.map(writeFamily);
    if (!family) throw new Error('no family');
    const own = { ...family, id: 'own', name: 'Own' };
    const put = applyEdit(plan, { kind: 'put-family', family: own });
    expect(put.families?.map((each) => each.name)).toEqual(['Own']);
    const renamed = applyEdit(put, { kind: 'put-family', family: { ...own, name: 'Ours' } });
    expect(renamed.families?.map((each) => each.name)).toEqual(['Ours']);
    expect(applyEdit(renamed, { kind: 'remove-family', family: 'own' })).toEqual(plan);
  });

  it('turn a walk with curves round and round again', () => {
    const bent = applyEdit(plan, {
      kind: 'set-wall',
      row: 'w2',
      change: { curve: { radius: '10ft', sweep: 'right 90' } },
    });
    const once = applyEdit(bent, { kind: 'turn-walk-round', loop: 'loop' });
    expect(once.loops[0]?.walk.find((each) => each.id === 'w2')?.curve?.sweep).toBe('left 90');
    expect(applyEdit(once, { kind: 'turn-walk-round', loop: 'loop' })).toEqual(bent);
  });
});
