import { valuesIn } from '../../support/values';
import type { WalkRow } from '../../../src/stages/outline/plan';
import { applyEdit } from '../../../src/plan';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Length, inches, storeLength, toCubicYards, toInches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { work } from '../../../src/work';
import { expectFilled, noticesOf } from '../../support/cover';
import { type Side, HATCHERY, planOf, rectilinear, withCourses } from '../../support/plans';
import tradeValues from '../../data/trade-values.json';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];

const withRow = (plan: Plan, row: string, change: Partial<WalkRow>): Plan => ({
  ...plan,
  loops: plan.loops.map((loop) => ({
    ...loop,
    walk: loop.walk.map((each) => (each.id === row ? { ...each, ...change } : each)),
  })),
});

/** A footing that goes up along w1 and down again along w3. */
const stepped = (step: string, at = '20ft', sides = RECTANGLE, courses = 6): Plan =>
  withRow(
    withRow(planOf(sides, withCourses(courses)), 'w1', { footing: [{ id: 'a', at, step: `up ${step}` }] }),
    'w3',
    { footing: [{ id: 'b', at, step: `down ${step}` }] },
  );

describe('a height in courses', () => {
  // Source: common practice.
  it.each(tradeValues.courseHeights)(
    '$courses courses of $courseIn in are $heightIn in',
    ({ courses, heightIn }) => {
      for (const rest of ['rip-first', 'rip-last', 'half-piece']) {
        const plan = planOf(RECTANGLE, {
          height: storeLength(inches(heightIn), 'imperial'),
          rules: { 'courses.height.rest': rest },
        });
        const { levels, tally } = work(plan);
        expect(levels.courses).toBe(Math.ceil(courses));
        expect(toInches(tally.outline.height.value as Length)).toBe(heightIn);
      }
    },
  );

  it('takes the rest at the foot, at the head, or in half-height pieces', () => {
    const tops = (rest: string): readonly number[] =>
      work(planOf(RECTANGLE, { height: '3ft 4in', rules: { 'courses.height.rest': rest } })).levels.tops.map(
        toInches,
      );
    expect(tops('rip-first')).toEqual([0, 8, 24, 40]);
    expect(tops('rip-last')).toEqual([0, 16, 32, 40]);
    expect(tops('half-piece')).toEqual([0, 16, 32, 40]);
  });

  it('uses both halves of a reversible block, and one of any other', () => {
    const height = (family: string, tall: string) =>
      work(planOf(RECTANGLE, { family, core: '6in', height: tall, rules: { 'offcuts.perBlock': 1 } }));
    const module = height('module-48', '3ft 4in');
    const rows = module.courses.pieces.filter((piece) => piece.course === 1 && piece.kind !== 'corner');
    expect(module.courses.offcuts.ripped).toBe(rows.length / 2);
    const long = height('long-96', '3ft 9in');
    const strips = long.courses.pieces.filter((piece) => piece.course === 1 && piece.kind !== 'corner');
    expect(long.courses.offcuts.ripped).toBe(strips.length);
  });

  it('counts half-height pieces apart, and says when the family has none that fit', () => {
    const rules = { 'courses.height.rest': 'half-piece' };
    const half = work(planOf(RECTANGLE, { height: '3ft 4in', rules }));
    expect(half.courses.offcuts.halfPieces).toBeGreaterThan(0);
    expect(half.courses.offcuts.ripped).toBe(0);
    expect(half.tally.total.blocksBought.title).toContain('besides the half-height pieces');
    expect(noticesOf(work(planOf(RECTANGLE, { height: '3ft 2in', rules })), 'check')).toContain(
      'half-piece-missing',
    );
  });

  it.each(['high', '', '-2ft', '0'])('refuses “%s”', (height) => {
    expect(noticesOf(work(planOf(RECTANGLE, { height })), 'stop')).toEqual(['height-unreadable']);
  });

  it('has as much concrete as its polygon is high', () => {
    const { tally, shell } = work(planOf(HATCHERY, { height: '9ft 7 1/2in' }));
    const area = shell.loops[0]?.built?.coreArea ?? 0;
    expect(tally.total.coreVolume.value / (area * (115.5 * 0.0254))).toBeCloseTo(1, 9);
  });
});

describe('a stepped footing', () => {
  it('of two courses leaves them out above it, and butts their ends against it', () => {
    const worked = work(stepped('32in'));
    expect(noticesOf(worked, 'stop')).toEqual([]);
    expectFilled(worked);
    const ends = worked.courses.weakJoints.filter((joint) => joint.reasons.includes('step-end'));
    expect(ends.map((joint) => [joint.course, joint.wall, toInches(joint.at)])).toEqual([
      [1, 'w1', 240],
      [2, 'w1', 240],
      [1, 'w3', 240],
      [2, 'w3', 240],
    ]);
    expect(new Set(worked.courses.rows.filter((row) => row.wall === 'w2').map((row) => row.course))).toEqual(
      new Set([3, 4, 5, 6]),
    );
  });

  it('holds less concrete by what the step leaves out', () => {
    const whole = work(planOf(RECTANGLE, withCourses(6))).tally.total.coreVolume.value;
    const less = work(stepped('32in')).tally.total.coreVolume.value;
    // Left out: w2, and w1 and w3 past 20 ft, 32 in high; their middle line is 240 + 336 + 240 less two corners of 13 in.
    expect(toCubicYards(whole - less)).toBeCloseTo((8 * (240 + 336 + 240 - 26) * 32) / 46656, 6);
  });

  it('that is no whole course says what step would be, what the rip is, and offers both', () => {
    const worked = work(stepped('30in'));
    const notice = worked.notices.find((each) => each.id.startsWith('step-off-course:w1'));
    expect(valuesIn(notice?.what)).toEqual(['16″', '2″', '30″', '32″']);
    expect(notice?.fixes.map((fix) => fix.label)).toEqual(['Step 1′ 4″', 'Step 2′ 8″']);
    const fix = notice?.fixes[1];
    if (!fix) throw new Error('no fix');
    expect(
      work(applyEdit(stepped('30in'), fix.edit)).notices.filter((each) =>
        each.id.startsWith('step-off-course:w1'),
      ),
    ).toEqual([]);
    expect(noticesOf(worked, 'check').map((id) => id.replace(/:\d+$/, ''))).toContain('rip-too-low:w2');
    expectFilled(worked);
  });

  it('must come home', () => {
    const plan = withRow(planOf(RECTANGLE), 'w1', { footing: [{ id: 'a', at: '10ft', step: 'up 16in' }] });
    expect(noticesOf(work(plan), 'stop')).toEqual(['steps-not-home:loop']);
    expectFilled(work(plan));
  });

  it.each([
    [{ id: 'a', at: '50ft', step: 'up 16in' }, 'step-off-wall:w1'],
    [{ id: 'a', at: 'there', step: 'up 16in' }, 'step-unreadable:w1'],
    [{ id: 'a', at: '10ft', step: '16in' }, 'step-unreadable:w1'],
    [{ id: 'a', at: '10ft', step: 'up 0in' }, 'step-unreadable:w1'],
  ])('off its wall or unreadable is said with its place', (step, id) => {
    const worked = work(withRow(planOf(RECTANGLE), 'w1', { footing: [step] }));
    expect(noticesOf(worked, 'stop')).toEqual([id]);
    expect(worked.courses.pieces.length).toBeGreaterThan(0);
  });

  it('is measured to the same face as the walls', () => {
    const worked = work({ ...stepped('32in'), measuredTo: 'concrete' });
    const ends = worked.courses.weakJoints.filter((joint) => joint.reasons.includes('step-end'));
    // The outside form face starts 2 1/2 in before the concrete's corner.
    expect(toInches(ends[0]?.at ?? (0 as Length))).toBe(242.5);
  });
});

describe('tops', () => {
  it('may be lower on one wall: its neighbours end in bulkheads above it', () => {
    const worked = work(withRow(planOf(RECTANGLE, withCourses(6)), 'w2', { top: '3 courses' }));
    expectFilled(worked);
    const free = worked.courses.weakJoints.filter((joint) => joint.reasons.includes('free-end'));
    expect(new Set(free.map((joint) => `${joint.wall} ${String(toInches(joint.at))}`))).toEqual(
      new Set(['w1 480', 'w3 0']),
    );
    expect(free.map((joint) => joint.course)).toEqual([4, 5, 6, 4, 5, 6]);
    expect(worked.courses.pieces.filter((piece) => piece.kind === 'corner' && piece.course > 3).length).toBe(
      6,
    );
  });

  it('may step within a wall, and be given as a height', () => {
    const plan = withRow(planOf(RECTANGLE, withCourses(6)), 'w1', {
      topSteps: [
        { id: 'a', at: '10ft', top: '4ft 4in' },
        { id: 'b', at: '30ft', top: '6 courses' },
      ],
    });
    const worked = work(plan);
    expect(noticesOf(worked, 'stop')).toEqual([]);
    expectFilled(worked);
    const row = worked.courses.rows.filter((each) => each.wall === 'w1' && each.course === 4);
    // Course 4 is ripped to 4 in between 10 and 30 ft.
    expect(
      row.map((each) => [
        toInches(each.from),
        toInches(each.to),
        toInches((each.top - each.bottom) as Length),
      ]),
    ).toEqual([
      [0, 120, 16],
      [120, 360, 4],
      [360, 480, 16],
    ]);
  });

  it.each([
    ['7 courses', 'stop', 'top-unreadable:w1'],
    ['tall', 'stop', 'top-unreadable:w1'],
    ['20ft', 'check', 'top-too-high:w1'],
  ])('of “%s” are refused or cut to the job', (top, severity, id) => {
    expect(noticesOf(work(withRow(planOf(RECTANGLE), 'w1', { top })), severity)).toContain(id);
  });

  it('below the footing lay nothing there, and say so', () => {
    const plan = withRow(stepped('32in'), 'w2', { top: '1 courses' });
    const worked = work(plan);
    expect(noticesOf(worked, 'stop')).toEqual(['top-below-bottom:w2']);
    expect(worked.courses.pieces.some((piece) => piece.kind !== 'corner' && piece.wall === 'w2')).toBe(false);
    expectFilled(worked);
  });
});

describe('any footing and any tops', () => {
  const anyPlan: fc.Arbitrary<Plan> = fc
    .record({
      sides: rectilinear(200),
      steps: fc.array(
        fc.record({
          wall: fc.nat(),
          at: fc.integer({ min: 2, max: 98 }),
          step: fc.integer({ min: 1, max: 40 }),
        }),
        {
          maxLength: 3,
        },
      ),
      tops: fc.array(
        fc.record({
          wall: fc.nat(),
          at: fc.integer({ min: 1, max: 150 }),
          top: fc.integer({ min: 20, max: 80 }),
        }),
        {
          maxLength: 3,
        },
      ),
      family: fc.constantFrom('module-48', 'long-96', 'panel-48', 'cell-24'),
    })
    .map(({ sides, steps, tops, family }) => {
      let plan = planOf(sides, { family, core: '6in', height: '6ft 8in' });
      for (const { wall, at, step } of steps) {
        const up = `w${String((wall % sides.length) + 1)}`;
        const down = `w${String(((wall + 1) % sides.length) + 1)}`;
        plan = withRow(plan, up, {
          footing: [{ id: 'up', at: `${String(at)}in`, step: `up ${String(step)}in` }],
        });
        plan = withRow(plan, down, {
          footing: [{ id: 'down', at: `${String(at)}in`, step: `down ${String(step)}in` }],
        });
      }
      for (const { wall, at, top } of tops) {
        plan = withRow(plan, `w${String((wall % sides.length) + 1)}`, {
          topSteps: [{ id: 't', at: `${String(at)}in`, top: `${String(top)}in` }],
        });
      }
      return plan;
    });

  it('fill every stretch exactly, and hold the concrete that stands between footing and top', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const worked = work(plan);
        expectFilled(worked);
        for (const piece of worked.courses.pieces) expect(piece.top).toBeGreaterThan(piece.bottom);
        const byCourse = worked.tally.courses.reduce((sum, row) => sum + row.coreVolume.value, 0);
        expect(Math.abs(byCourse - worked.tally.total.coreVolume.value)).toBeLessThan(1e-9);
      }),
      { numRuns: 25 },
    );
  });
});

describe('pours', () => {
  const pours = (top: 'full' | 'half'): Plan['pours'] => [
    { id: 'low', name: 'Out of the ground', toCourse: 4, top, then: 'Backfill, then slab' },
    { id: 'high', toCourse: 7, top: 'full' },
  ];

  it('count their own courses, and share the concrete of a half course', () => {
    const full = work(planOf(HATCHERY, { pours: pours('full') })).tally;
    const half = work(planOf(HATCHERY, { pours: pours('half') })).tally;
    expect(full.pours.map((pour) => [pour.name, pour.from, pour.to, pour.then])).toEqual([
      ['Out of the ground', 1, 4, 'Backfill, then slab'],
      ['Pour 2', 5, 7, null],
    ]);
    expect(half.pours.map((pour) => pour.straight.value)).toEqual([104, 78]);
    const course = half.courses[3]?.coreVolume.value ?? 0;
    const [low, high] = half.pours.map((pour) => pour.coreVolume.value);
    expect(low).toBeCloseTo(3.5 * course, 9);
    expect(high).toBeCloseTo(3.5 * course, 9);
    expect((low ?? 0) + (high ?? 0)).toBeCloseTo(half.total.coreVolume.value, 9);
  });

  it('of a job poured in one go are not told apart', () => {
    expect(work(planOf(HATCHERY)).tally.pours).toEqual([]);
  });
});
