import { evaluate } from '../../../src/kernel/figures/how';
import type { Insert } from '../../../src/stages/inserts/plan';
import { applyEdit } from '../../../src/plan';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Length, inches, toInches } from '../../../src/kernel/measure';
import type { Opening } from '../../../src/stages/openings/plan';
import type { Plan } from '../../../src/kernel/plan';
import { wallsOf } from '../../../src/stages/outline';
import { type Bar, type Steel, barSize } from '../../../src/stages/steel';
import { type WorkedPlan, work } from '../../../src/work';
import { insertOf, openingOf } from '../../support/openings';
import { type Side, HATCHERY, planOf, rectilinear, withCourses } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];

const rectangle = (change: Partial<Plan> = {}): Plan => planOf(RECTANGLE, { ...withCourses(8), ...change });
const steelOf = (plan: Plan): Steel => work(plan).steel;
const of = (steel: Steel, use: Bar['use'], wall?: string): readonly Bar[] =>
  steel.bars.filter((bar) => bar.use === use && (wall === undefined || bar.wall === wall));
const count = (bars: readonly Bar[]): number => bars.reduce((sum, bar) => sum + bar.count, 0);
const kinds = (plan: Plan): readonly string[] =>
  work(plan)
    .notices.filter((notice) => notice.place.stage === 'steel')
    .map((notice) => (notice.id.split(':')[0] ?? '').replace('steel-', ''));

/** What holds for the steel of any plan. */
function expectSound(worked: WorkedPlan): void {
  const { steel, openings, levels } = worked;
  const walls = new Map(wallsOf(worked.shell).map((wall) => [wall.id, wall]));
  for (const bar of steel.bars) {
    const size = barSize(bar.size);
    const wall = walls.get(bar.wall);
    if (!size || !wall) throw new Error(bar.id);
    expect(bar.cut).toBeGreaterThan(0);
    // No more than a step of a quarter inch over its legs.
    expect(bar.cut).toBeLessThan(bar.legs.reduce<number>((sum, leg) => sum + leg, 0) + inches(0.25));
    // Between the panels, whole; only a ledge reaches out through one.
    if (bar.use !== 'ledge')
      expect(Math.abs(bar.offset) + size.diameter / 2).toBeLessThanOrEqual(wall.core / 2);
    const tops = (levels.walls[bar.wall] ?? []).map((span) => span.top);
    expect(bar.top).toBeLessThanOrEqual(Math.max(...tops));
    // No bar in an opening: not even its end in the buck.
    for (const opening of openings.placed) {
      if (!opening.worked || opening.wall !== bar.wall || opening.concrete.rise > 0) continue;
      const { concrete } = opening;
      const beside = bar.to <= concrete.from || bar.from >= concrete.to;
      const clear = bar.top <= concrete.bottom || bar.bottom >= concrete.top;
      expect(beside || clear, `${bar.id} in ${opening.name}`).toBe(true);
    }
  }
  for (const own of steel.stock) {
    const bars = steel.bars.filter((bar) => bar.size === own.size);
    const cut = bars.reduce((sum, bar) => sum + bar.cut * bar.count, 0);
    expect(own.total).toBe(cut);
    // Every cut comes out of the stock once.
    expect(own.lengths.flat().reduce((sum, length) => sum + length, 0)).toBe(cut);
    for (const pattern of own.lengths) {
      expect(pattern.reduce((sum, length) => sum + length, 0)).toBeLessThanOrEqual(own.stock);
    }
    expect(own.bound).toBeLessThanOrEqual(own.lengths.length);
    expect(evaluate(own.mass.how)).toBeCloseTo(own.mass.value, 9);
    expect(own.mass.value).toBeCloseTo((cut / 1e9) * (barSize(own.size)?.massPerMetre ?? 0), 6);
  }
  expect(steel.schedule.reduce((sum, line) => sum + line.count, 0)).toBe(count(steel.bars));
  expect(new Set(steel.schedule.map((line) => line.mark)).size).toBe(steel.schedule.length);
  const sequence = steel.sequence.flatMap((step) => step.what).reduce((sum, each) => sum + each.count, 0);
  expect(sequence).toBe(count(steel.bars));
}

const anyOpening: fc.Arbitrary<Opening> = fc
  .record({
    id: fc.uuid(),
    kind: fc.constantFrom<Opening['kind']>('window', 'door', 'void'),
    wall: fc.integer({ min: 1, max: 4 }),
    at: fc.integer({ min: 20, max: 380 }),
    width: fc.integer({ min: 10, max: 100 }),
    height: fc.integer({ min: 10, max: 100 }),
    sill: fc.integer({ min: 0, max: 60 }),
  })
  .map((each) =>
    openingOf({
      id: each.id,
      kind: each.kind,
      wall: `w${String(each.wall)}`,
      at: `${String(each.at)}in`,
      width: `${String(each.width)}in`,
      height: `${String(each.height)}in`,
      sill: `${String(each.sill)}in`,
    }),
  );

describe('the steel of any job', () => {
  it('fits its walls, keeps out of openings, and is all cut from stock', () => {
    fc.assert(
      fc.property(
        fc.array(anyOpening, { maxLength: 4 }),
        fc.constantFrom<Plan['rules']>(
          {},
          { 'steel.horizontal.courses': 'second', 'steel.corner': 'bend' },
          { 'steel.horizontal.courses': 'least', 'steel.lap': 'class-b', 'steel.stock': '40ft' },
          {
            'steel.horizontal.slots': 'centred',
            'steel.vertical.spacing': '16in',
            'steel.vertical.size': '15M',
          },
        ),
        (openings, rules) => {
          expectSound(work(rectangle({ openings, rules })));
        },
      ),
      { numRuns: 15 },
    );
  });

  it('holds for any outline', () => {
    fc.assert(
      fc.property(rectilinear(), (sides) => {
        expectSound(work(planOf(sides, withCourses(5))));
      }),
      { numRuns: 15 },
    );
  });
});

describe('horizontals', () => {
  it('lie in every course, second, third, or the least; always in the bottom and the top one', () => {
    const courses = (rules: Plan['rules']): readonly number[] => [
      ...new Set(of(steelOf(rectangle({ rules })), 'horizontal').map((bar) => bar.course ?? 0)),
    ];
    expect(courses({})).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
    expect(courses({ 'steel.horizontal.courses': 'second' })).toEqual([1, 3, 5, 7, 8]);
    expect(courses({ 'steel.horizontal.courses': 'third' })).toEqual([1, 4, 7, 8]);
    // One in the bottom course, one in the top, one at each third between. [common practice]
    expect(courses({ 'steel.horizontal.courses': 'least' })).toEqual([1, 3, 6, 8]);
  });

  it('are doubled at bottom and top as drawn', () => {
    const steel = steelOf(rectangle({ rules: { 'steel.horizontal.bottom': 2, 'steel.horizontal.top': 3 } }));
    const counts = (course: number) =>
      new Set(of(steel, 'horizontal', 'w1').flatMap((bar) => (bar.course === course ? [bar.offset] : [])))
        .size;
    expect([counts(1), counts(2), counts(8)]).toEqual([2, 1, 3]);
  });

  it('reach the far face of the core at corners, less cover', () => {
    const bars = of(steelOf(rectangle()), 'horizontal', 'w1').filter((bar) => bar.course === 3);
    // Panels 2 1/2 in, cover 2 in: from 4 1/2 in to 475 1/2 in.
    expect(toInches(Math.min(...bars.map((bar) => bar.from)) as Length)).toBe(4.5);
    expect(toInches(Math.max(...bars.map((bar) => bar.to)) as Length)).toBe(475.5);
    // Round an inside corner they run on to the other wall's far face: 13 − 2 1/2 in past it.
    const hatchery = of(steelOf(planOf(HATCHERY, withCourses(4))), 'horizontal', 'w4');
    expect(toInches(Math.min(...hatchery.map((bar) => bar.from)) as Length)).toBe(-10.5 + 2);
  });

  it('carry round corners by bars of their own, or by a bend', () => {
    const bars = of(steelOf(rectangle()), 'corner');
    expect(count(bars)).toBe(4 * 8);
    // #4, Grade 60: 30 in both ways.
    expect(bars.every((bar) => bar.legs.every((leg) => leg === inches(30)))).toBe(true);
    const bent = steelOf(rectangle({ rules: { 'steel.corner': 'bend' } }));
    expect(of(bent, 'corner')).toEqual([]);
    expect(of(bent, 'horizontal').filter((bar) => bar.legs.length === 2).length).toBe(4 * 8);
  });

  it('are cut by openings, cover and all', () => {
    const opening = openingOf({ at: '200in', width: '36in', height: '48in', sill: '32in' });
    const bars = of(steelOf(rectangle({ openings: [opening] })), 'horizontal', 'w1');
    const beside = bars.filter((bar) => bar.course === 4).flatMap((bar) => [bar.from, bar.to]);
    // The buck's outside at 198 1/2 and 237 1/2 in, 2 in of cover.
    expect(beside).toContain(inches(196.5));
    expect(beside).toContain(inches(239.5));
    expect(bars.filter((bar) => bar.course === 1).some((bar) => bar.to === inches(196.5))).toBe(false);
  });

  it('get none in a course that its pour fills only half way', () => {
    const plan = rectangle({
      pours: [
        { id: 'low', toCourse: 4, top: 'half' },
        { id: 'high', toCourse: 8, top: 'full' },
      ],
    });
    const courses = new Set(of(steelOf(plan), 'horizontal').map((bar) => bar.course));
    expect(courses.has(4)).toBe(false);
    expect(courses.has(5)).toBe(true);
    // That is told, where the rules would have one.
    const told = (change: Partial<Plan>): readonly unknown[] =>
      work({ ...plan, ...change }).notices.flatMap(({ id, severity }) =>
        id.startsWith('steel-left-in-joint') ? [[severity, id]] : [],
      );
    expect(told({})).toEqual([['check', 'steel-left-in-joint:4']]);
    // Counted from the first, every second one passes over the fourth.
    expect(told({ rules: { 'steel.horizontal.courses': 'second' } })).toEqual([]);
    expect(told({ pours: [{ id: 'low', toCourse: 8, top: 'half' }] })).toEqual([]);
  });
});

describe('verticals', () => {
  const webs = (worked: WorkedPlan, wall: string): readonly number[] =>
    worked.courses.pieces.flatMap((piece) =>
      piece.kind !== 'corner' && piece.wall === wall ? piece.webs.map((web) => piece.start + web) : [],
    );

  it('stand at their spacing, clear of every web, dowels beside them', () => {
    const worked = work(rectangle());
    const bars = of(worked.steel, 'vertical', 'w1');
    for (const bar of bars) {
      for (const web of webs(worked, 'w1')) {
        expect(Math.abs(web - bar.from)).toBeGreaterThanOrEqual(inches(1.5));
      }
    }
    // From 12 in off one corner to 12 in off the other, every 24 in: 20 of them.
    expect(bars.length).toBe(20);
    const dowels = of(worked.steel, 'dowel', 'w1');
    expect(dowels.map((bar) => bar.from)).toEqual(bars.map((bar) => bar.from));
    // #5: 38 in of lap above the footing, 7 in into it; a hook of 12 diameters.
    expect(toInches((dowels[0]?.top ?? 0) as Length)).toBe(38);
    expect(toInches((dowels[0]?.legs[0] ?? 0) as Length)).toBe(45);
  });

  it('reach from the footing to the cover under the top, lapped where stock is shorter', () => {
    const [bar] = of(steelOf(rectangle()), 'vertical', 'w1');
    expect([bar?.bottom, bar?.top]).toEqual([0, inches(126)]);
    const tall = of(steelOf(planOf(RECTANGLE, withCourses(20))), 'vertical', 'w1').filter(
      (each) => each.from === bar?.from,
    );
    expect(tall.length).toBe(2);
    expect((tall[0]?.top ?? 0) - (tall[1]?.bottom ?? 0)).toBe(inches(38));
  });

  it('stand out of a pour’s joint for the next to lap', () => {
    const plan = rectangle({
      pours: [
        { id: 'low', toCourse: 4, top: 'full' },
        { id: 'high', toCourse: 8, top: 'full' },
      ],
    });
    const [first] = of(steelOf(plan), 'vertical', 'w1');
    const own = of(steelOf(plan), 'vertical', 'w1').filter((bar) => bar.from === first?.from);
    expect(own.map((bar) => [toInches(bar.bottom), toInches(bar.top)])).toEqual([
      [0, 64 + 24],
      [64, 126],
    ]);
  });

  it('stand doubled beside openings, and short over and under them', () => {
    const opening = openingOf({ at: '200in', width: '48in', height: '48in', sill: '32in' });
    const steel = steelOf(rectangle({ openings: [opening] }));
    const jambs = of(steel, 'jamb', 'w1');
    expect(jambs.length).toBe(4);
    for (const jamb of jambs) {
      const off = Math.min(Math.abs(toInches(jamb.from) - 198.5), Math.abs(toInches(jamb.from) - 249.5));
      expect(off).toBeLessThanOrEqual(12);
    }
    const inside = of(steel, 'vertical', 'w1').filter(
      (bar) => bar.from > inches(200) && bar.from < inches(248),
    );
    expect(inside.length).toBeGreaterThan(1);
    // Under the sill's buck at 30 1/2 in, and over the head's at 81 1/2 in; 2 in of cover.
    expect(
      new Set(inside.map((bar) => `${String(toInches(bar.bottom))}–${String(toInches(bar.top))}`)),
    ).toEqual(new Set(['0–28.5', '83.5–126']));
  });

  it('shift off sleeves', () => {
    const plain = of(steelOf(rectangle()), 'vertical', 'w1').map((bar) => bar.from);
    const at = toInches(plain[5] as Length);
    const sleeve: Insert = insertOf({ at: `${String(at)}in`, up: '40in' });
    const shifted = of(steelOf(rectangle({ inserts: [sleeve] })), 'vertical', 'w1').map((bar) => bar.from);
    expect(shifted.length).toBeGreaterThanOrEqual(plain.length);
    expect(shifted.some((place) => Math.abs(toInches(place) - at) < 4)).toBe(false);
  });
});

describe('lintels', () => {
  it('have bars past the opening on both sides, and stirrups over its width', () => {
    const opening = openingOf({ at: '200in', width: '48in', height: '48in', sill: '32in' });
    const steel = steelOf(rectangle({ openings: [opening] }));
    const [bottom, ...others] = of(steel, 'lintel bottom');
    // 51 in between the concrete faces, 24 in past each: 99 in; 2 in over the head.
    expect([others.length, toInches(bottom?.cut as Length), bottom?.size]).toEqual([1, 99, '#5']);
    expect(toInches(bottom?.bottom as Length)).toBe(83.5);
    // Every 8 in over 51 in: seven.
    expect(of(steel, 'stirrup').length).toBe(7);
    const [stirrup] = of(steel, 'stirrup');
    // 24 in deep less 2 in below and above; hooks of 3 in past a bend of 1 1/2 in.
    expect(stirrup?.legs.map(toInches)).toEqual([4.125, 20, 4.125]);
  });

  it('are cut short by the end of the wall, and say so', () => {
    const opening = openingOf({ at: '20in', width: '48in', height: '48in', sill: '32in' });
    expect(kinds(rectangle({ openings: [opening] }))).toContain('lintel-cut-short');
  });
});

describe('the rules of steel', () => {
  it('keep their own measures: jambs, reach, cover and projection follow them', () => {
    const opening = openingOf({ at: '200in', width: '48in', height: '48in', sill: '32in' });
    const plan = rectangle({
      openings: [opening],
      rules: {
        'steel.jamb.bars': 1,
        'steel.lintel.reach': '36in',
        'steel.lintel.bottom': 3,
        'steel.cover.end': '3in',
        'steel.dowel.embed': '9in',
      },
    });
    const steel = steelOf(plan);
    expect(of(steel, 'jamb').length).toBe(2);
    expect(of(steel, 'lintel bottom').length).toBe(3);
    expect(toInches(of(steel, 'lintel bottom')[0]?.cut as Length)).toBe(51 + 2 * 36);
    expect(toInches(of(steel, 'vertical', 'w2')[0]?.top as Length)).toBe(128 - 3);
    expect(toInches(of(steel, 'dowel', 'w2')[0]?.bottom as Length)).toBe(-9);
  });
});

describe('the schedule', () => {
  it('has alike bars under one mark, with shapes in the standard’s terms', () => {
    const { schedule } = steelOf(rectangle());
    const shape = (use: Bar['use']) => schedule.find((line) => line.use === use)?.shape;
    expect([shape('horizontal'), shape('corner'), shape('dowel')]).toEqual(['00', '11', '11']);
    expect(schedule.filter((line) => line.use === 'corner').map((line) => [line.mark, line.count])).toEqual([
      ['C1', 32],
    ]);
  });
});

describe('soil and zones', () => {
  it('decide the slots: inside where the top is held, on the soil’s side where the wall stands alone', () => {
    const offsets = (held: 'top' | 'alone') =>
      of(
        steelOf(
          rectangle({
            rules: { 'steel.horizontal.slots': 'tension' },
            steel: { walls: { w1: { backfill: '6ft', held } } },
          }),
        ),
        'horizontal',
        'w1',
      ).map((bar) => bar.offset);
    expect(Math.min(...offsets('top'))).toBeGreaterThanOrEqual(0);
    expect(Math.max(...offsets('alone'))).toBeLessThanOrEqual(0);
  });

  it('ask what holds the top, and offer both answers', () => {
    const plan = rectangle({ steel: { walls: { w1: { backfill: '6ft' } } } });
    const notice = work(plan).notices.find((each) => each.id.startsWith('steel-support-unsaid'));
    expect(notice?.fixes.length).toBe(2);
    for (const fix of notice?.fixes ?? []) {
      expect(kinds(applyEdit(plan, fix.edit))).not.toContain('support-unsaid');
    }
    expect(kinds(rectangle({ steel: { walls: { w1: { backfill: 'deep' } } } }))).toContain(
      'backfill-unreadable',
    );
  });

  it('let a part of the job have rules of its own, and tell a bar of less steel', () => {
    const zone = {
      id: 'z',
      name: 'Below',
      walls: ['w1'],
      toCourse: 3,
      rules: { 'steel.horizontal.size': '10M' },
    };
    const plan = rectangle({ steel: { zones: [zone] } });
    const sizes = (wall: string, course: number) =>
      of(steelOf(plan), 'horizontal', wall).find((bar) => bar.course === course)?.size;
    expect([sizes('w1', 2), sizes('w1', 4), sizes('w2', 2)]).toEqual(['10M', '#4', '#4']);
    expect(kinds(plan)).toContain('less-steel');
    expect(kinds({ ...plan, rules: { 'steel.horizontal.size': '10M' } })).not.toContain('less-steel');
  });
});

describe('notices of the steel', () => {
  it('say when the chase is blocked, a bar runs into a sleeve, slots are few, laps eat the stock', () => {
    expect(
      kinds(
        planOf(RECTANGLE, {
          ...withCourses(8),
          core: '4in',
          rules: { 'steel.horizontal.size': '#6', 'steel.vertical.size': '#6' },
        }),
      ),
    ).toContain('chase-blocked');
    expect(kinds(rectangle({ inserts: [insertOf({ at: '240in', up: '40in' })] }))).toContain('bar-through');
    expect(kinds(rectangle({ rules: { 'steel.slots': 2 } }))).toContain('few-slots');
    const eaten = { 'steel.lap': 'typed', 'steel.lap.length': '10ft', 'steel.stock': '20ft' };
    expect(kinds(rectangle({ rules: eaten }))).not.toContain('lap-longer-than-stock');
    expect(kinds(rectangle({ rules: { 'steel.vertical.spacing': '120in' } }))).toEqual([]);
  });

  it('are none for a plain job', () => {
    expect(kinds(rectangle())).toEqual([]);
  });
});
