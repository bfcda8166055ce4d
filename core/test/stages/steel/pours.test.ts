import { valuesIn } from '../../support/values';
import { applyEdit } from '../../../src/plan';
import { houseRules } from '../../../src/rules';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Length, type UnitSystem, inches, toInches } from '../../../src/kernel/measure';
import { writeListing } from '../../../src/kernel/table';
import type { Plan } from '../../../src/kernel/plan';
import {
  type Bar,
  type Steel,
  barSize,
  cutListByCourse,
  cutListByPour,
  lapBasis,
  lapOfTwo,
  widestGap,
} from '../../../src/stages/steel';
import { booksOf } from '../../../src/stages/steel/books';
import { work } from '../../../src/work';
import { behindOn } from '../../support/behind';
import { insertOf, openingOf } from '../../support/openings';
import { type Side, planOf, withCourses } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];
/** Two storeys: eight courses, then six. */
const STOREYS: Plan['pours'] = [
  { id: 'a', toCourse: 8, top: 'full' },
  { id: 'b', toCourse: 14, top: 'full' },
];
const plan = (change: Partial<Plan> = {}): Plan => planOf(RECTANGLE, { ...withCourses(8), ...change });
const storeys = (change: Partial<Plan> = {}): Plan => plan({ pours: STOREYS, ...change });
const steelOf = (each: Plan): Steel => work(each).steel;
const of = (steel: Steel, use: Bar['use'], wall = 'w1'): readonly Bar[] =>
  steel.bars.filter((bar) => bar.use === use && bar.wall === wall);
const toldOf = (each: Plan, kind: string) =>
  work(each).notices.filter((notice) => `${notice.id}:`.startsWith(`steel-${kind}:`));
const at = (bars: readonly Bar[]): readonly number[] => bars.map((bar) => toInches(bar.from));

describe('verticals pour by pour', () => {
  const lower = (steel: Steel) => of(steel, 'vertical').filter((bar) => bar.bottom === 0);
  const upper = (steel: Steel) => of(steel, 'vertical').filter((bar) => bar.bottom > 0);

  it('stand out of the joint at the same stations, and are lapped there', () => {
    const steel = steelOf(storeys({ rules: { 'steel.vertical.projection': '38in' } }));
    expect(at(upper(steel))).toEqual(at(lower(steel)));
    // Eight courses of 16 in: the joint at 128 in.
    expect(new Set(lower(steel).map((bar) => toInches(bar.top)))).toEqual(new Set([128 + 38]));
    expect(new Set(upper(steel).map((bar) => toInches(bar.bottom)))).toEqual(new Set([128]));
    expect(new Set(lower(steel).map((bar) => toInches(bar.laps.after)))).toEqual(new Set([38]));
    expect(toldOf(storeys({ rules: { 'steel.vertical.projection': '38in' } }), 'stands-short')).toEqual([]);
  });

  it('say when they stand out by less than a lap, and offer the lap', () => {
    const short = storeys();
    const [notice, ...others] = toldOf(short, 'stands-short');
    expect(others).toEqual([]);
    // 24 in stand out; #5 of Grade 60 laps 38 in. [IRC R608.5.4(1); from memory]
    expect(valuesIn(notice?.what)).toEqual(['24″', '38″']);
    const [fix] = notice?.fixes ?? [];
    if (!fix) throw new Error('no fix');
    expect(toldOf(applyEdit(short, fix.edit), 'stands-short')).toEqual([]);
  });

  it('go on in one bar where less than the projection is left above the joint', () => {
    const steel = steelOf(
      plan({
        pours: [
          { id: 'a', toCourse: 7, top: 'full' },
          { id: 'b', toCourse: 8, top: 'full' },
        ],
      }),
    );
    expect(upper(steel)).toEqual([]);
    expect(new Set(lower(steel).map((bar) => toInches(bar.top)))).toEqual(new Set([126]));
  });

  it('take the zone of their pour’s first course: another size and spacing above grade', () => {
    const above = {
      id: 'z',
      name: 'Above grade',
      fromCourse: 9,
      rules: { 'steel.vertical.size': '#4', 'steel.vertical.spacing': '48in' },
    };
    const job = storeys({ steel: { zones: [above] } });
    const steel = steelOf(job);
    expect(new Set(lower(steel).map((bar) => bar.size))).toEqual(new Set(['#5']));
    expect(new Set(upper(steel).map((bar) => bar.size))).toEqual(new Set(['#4']));
    expect(upper(steel).length).toBeLessThan(lower(steel).length);
    // 48 in is twice 24 in: every bar above has one below to lap.
    expect(toldOf(job, 'nothing-to-lap')).toEqual([]);
    const odd = { ...above, rules: { 'steel.vertical.spacing': '34in' } };
    const told = toldOf(storeys({ steel: { zones: [odd] } }), 'nothing-to-lap');
    expect(told).toHaveLength(4);
    expect(valuesIn(told[0]?.what)).toEqual(expect.arrayContaining(['6″', '8']));
  });

  it('are set so many courses below the top of their pour', () => {
    const moments = (rules: Plan['rules']) =>
      steelOf(storeys({ rules }))
        .sequence.filter((step) => step.what.some(({ use }) => use === 'vertical'))
        .map(({ course, when }) => [course, when]);
    expect(moments({})).toEqual([
      [7, 'after'],
      [13, 'after'],
    ]);
    expect(moments({ 'steel.vertical.set': 3 })).toEqual([
      [5, 'after'],
      [11, 'after'],
    ]);
    // Never before the pour's own first course.
    expect(moments({ 'steel.vertical.set': 20 })).toEqual([
      [1, 'after'],
      [9, 'after'],
    ]);
  });

  it('keep their lap where dowels and joints meet, whatever the sizes', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('#4', '#5', '#6', '15M', '12 mm'),
        fc.constantFrom('same', '#4', '#6'),
        fc.constantFrom('diameters', 'class-b'),
        (vertical, dowel, lap) => {
          const rules = { 'steel.vertical.size': vertical, 'steel.dowel.size': dowel, 'steel.lap': lap };
          const steel = steelOf(storeys({ rules: { ...rules, 'steel.vertical.projection': '60in' } }));
          const own = barSize(dowel === 'same' ? vertical : dowel);
          const met = barSize(vertical);
          if (!own || !met) throw new Error('no size');
          const wants = lapOfTwo(own, met, lapBasis(houseRules(rules)));
          const bars = of(steel, 'dowel');
          expect(bars.length).toBeGreaterThan(10);
          for (const bar of bars) {
            expect(bar.laps.after).toBe(wants);
            expect(bar.top).toBe(wants);
          }
        },
      ),
      { numRuns: 12 },
    );
  });
});

describe('laps of two sizes', () => {
  const size = (id: string) => {
    const found = barSize(id);
    if (!found) throw new Error(id);
    return found;
  };
  const basis = (lap: string) => lapBasis(houseRules({ 'steel.lap': lap }));

  // Source: ACI 318-19 §25.5.2.2, from memory: the longer of the larger bar's development and the smaller one's lap.
  it('are the longer of the larger bar’s development and the smaller bar’s lap', () => {
    // #5 in 4000 psi develops in 23.72 in; #4 laps 1.3 × 18.97 = 24.67 in.
    expect(toInches(lapOfTwo(size('#4'), size('#5'), basis('class-b')))).toBeCloseTo(24.67, 2);
    // #6 develops in 28.46 in, which is more than #4 laps.
    expect(toInches(lapOfTwo(size('#6'), size('#4'), basis('class-b')))).toBeCloseTo(28.46, 2);
  });

  it('are the larger bar’s by diameters, and a size’s own where both are one', () => {
    expect(toInches(lapOfTwo(size('#4'), size('#6'), basis('diameters')))).toBe(45);
    expect(toInches(lapOfTwo(size('#5'), size('#5'), basis('class-b')))).toBeCloseTo(30.83, 2);
  });

  it('hold round a corner where two zones meet: the larger bar goes round', () => {
    const zone = { id: 'z', walls: ['w2'], rules: { 'steel.horizontal.size': '#6' } };
    const steel = steelOf(plan({ steel: { zones: [zone] } }));
    const corners = steel.bars.filter((bar) => bar.use === 'corner');
    expect(corners.filter((bar) => bar.corner === 'B').every((bar) => bar.size === '#6')).toBe(true);
    expect(corners.filter((bar) => bar.corner === 'D').every((bar) => bar.size === '#4')).toBe(true);
    const [round] = corners.filter((bar) => bar.corner === 'B');
    expect(round?.legs.map(toInches)).toEqual([45, 45]);
  });

  it('count as top bars once over a foot of concrete lies under them', () => {
    const corners = steelOf(plan({ rules: { 'steel.lap': 'class-b' } })).bars.filter(
      (bar) => bar.use === 'corner' && bar.corner === 'A',
    );
    const leg = (course: number): number =>
      toInches(corners.find((bar) => bar.course === course)?.legs[0] ?? (0 as Length));
    // #4: 1.3 × 18.97 in, and × 1.3 again from the second course, whose bar lies 24 in up. [ACI 318-19 §25.4.2.5; from memory]
    expect(leg(1)).toBeCloseTo(24.67, 1);
    expect(leg(2)).toBeCloseTo(32.07, 1);
  });
});

describe('dowels', () => {
  it('stand under every bar that stands on the footing, hooked, up a lap', () => {
    const steel = steelOf(plan());
    const [dowel] = of(steel, 'dowel');
    expect(at(of(steel, 'dowel'))).toEqual(at(of(steel, 'vertical')));
    expect(dowel?.legs).toHaveLength(2);
    expect(toInches(dowel?.top as Length)).toBe(38);
  });

  it('are straight, of a size and a projection of their own where the drawings say', () => {
    const rules = {
      'steel.dowel.foot': 'straight',
      'steel.dowel.size': '#6',
      'steel.dowel.projection': '48in',
      'steel.dowel.embed': '10in',
    };
    const [dowel] = of(steelOf(plan({ rules })), 'dowel');
    expect(dowel?.size).toBe('#6');
    expect(dowel?.legs.map(toInches)).toEqual([58]);
    expect(toInches(dowel?.cut as Length)).toBe(58);
  });

  it('say when they stand out by less than a lap', () => {
    const [notice] = toldOf(plan({ rules: { 'steel.dowel.projection': '20in' } }), 'stands-short');
    expect(notice?.where).toBe('Dowels');
    expect(valuesIn(notice?.what)).toEqual(expect.arrayContaining(['20″', '38″']));
  });

  it('at a spacing of their own leave bars without one, and say how many', () => {
    const job = plan({ rules: { 'steel.dowel.spacing': '48in' } });
    const steel = steelOf(job);
    const [dowels, feet] = [of(steel, 'dowel'), of(steel, 'vertical')];
    expect(dowels.length).toBeLessThan(feet.length);
    const gap = widestGap(inches(38));
    const alone = feet.filter((foot) => !dowels.some((each) => Math.abs(each.from - foot.from) <= gap));
    const told = toldOf(job, 'nothing-to-lap').find((notice) => notice.place.wall === 'w1');
    expect(told?.what).toContain(`${String(alone.length)} bars start on the footing`);
    expect(toldOf(plan({ rules: { 'steel.dowel.spacing': '24in' } }), 'nothing-to-lap')).toEqual([]);
  });

  it('never stand up into a sill', () => {
    const opening = openingOf({ at: '100in', width: '96in', height: '48in', sill: '20in' });
    const rules = { 'steel.dowel.spacing': '16in', 'steel.dowel.projection': '60in' };
    const { openings, steel } = work(plan({ openings: [opening], rules }));
    const [{ concrete }] = openings.placed as [(typeof openings.placed)[0]];
    const under = of(steel, 'dowel').filter((bar) => bar.from > concrete.from && bar.from < concrete.to);
    expect(under.length).toBeGreaterThan(3);
    for (const bar of under) expect(bar.top).toBeLessThanOrEqual(concrete.bottom);
  });
});

describe('bars of a brick ledge', () => {
  const ledge = (rules: Plan['rules'] = {}) =>
    steelOf(
      plan({
        rules,
        inserts: [insertOf({ kind: 'brick-ledge', at: '48in', length: '240in', up: '96in' })],
      }),
    );

  it('are bent one to each web, or every second, with one along the front', () => {
    const bent = (steel: Steel) => of(steel, 'ledge').filter((bar) => bar.legs.length === 2);
    const [every, second] = [bent(ledge()), bent(ledge({ 'steel.ledge.webs': 2 }))];
    expect(every.length).toBeGreaterThan(20);
    expect(second.length).toBe(Math.ceil(every.length / 2));
    const along = of(ledge(), 'ledge').filter((bar) => bar.legs.length === 1);
    expect(along.reduce((sum, bar) => sum + bar.cut - bar.laps.after, 0)).toBe(inches(236));
    // Across the core of 8 in, the panel of 2 1/2 in and the ledge of 4 1/2 in, less 2 in at both ends.
    const [first] = every;
    expect(toInches(first?.legs[0] as Length)).toBe(8 + 2.5 + 4.5 - 4);
  });

  it('stand at the webs of the course that carries the brick, not of those above and below', () => {
    fc.assert(
      fc.property(fc.integer({ min: 300, max: 560 }), fc.integer({ min: 2, max: 7 }), (long, course) => {
        const worked = work(
          planOf(
            [
              [long, 90],
              [200, 90],
              [long, 90],
              [200, 90],
            ],
            {
              ...withCourses(8),
              inserts: [
                insertOf({
                  kind: 'brick-ledge',
                  at: '48in',
                  length: `${String(long - 96)}in`,
                  up: `${String(course * 16)}in`,
                }),
              ],
            },
          ),
        );
        const at = { bottom: inches(course * 16 - 1), top: inches(course * 16) };
        // Bars are covered by 2 in at either end of the ledge.
        const webs = new Set(behindOn(worked, 'w1', at).webs.filter((web) => web >= 50 && web <= long - 50));
        const bars = of(worked.steel, 'ledge').filter((bar) => bar.legs.length === 2);
        expect(bars.map((bar) => toInches(bar.from))).toEqual([...webs].sort((a, b) => a - b));
      }),
      { numRuns: 25 },
    );
  });

  it('go in with the course that carries the brick', () => {
    const [step] = ledge().sequence.filter(({ what }) => what.some(({ use }) => use === 'ledge'));
    expect([step?.course, step?.when]).toEqual([6, 'in']);
  });
});

describe('courses that want a bar', () => {
  it('are those that the maker of cell blocks says, unless the drawings say otherwise', () => {
    const courses = (rules: Plan['rules']) => [
      ...new Set(
        of(steelOf(plan({ family: 'cell-24', core: '6in', rules })), 'horizontal').map((bar) => bar.course),
      ),
    ];
    expect(courses({})).toEqual([1, 3, 5, 7, 8]);
    expect(courses({ 'steel.horizontal.courses': 'every' })).toHaveLength(8);
  });
});

describe('the cut list', () => {
  const opening = openingOf({ at: '200in', width: '48in', height: '48in', sill: '32in' });
  const steel = steelOf(storeys({ openings: [opening] }));
  const all = steel.schedule.reduce((sum, line) => sum + line.count, 0);

  it('by course has every bar of the schedule once, lintels before their course', () => {
    const days = cutListByCourse(steel.bars, steel.schedule);
    expect(days.flatMap((day) => day.lines).reduce((sum, line) => sum + line.count, 0)).toBe(all);
    expect(days[0]).toMatchObject({ course: 0, when: 'in' });
    expect(days[0]?.lines.every((line) => line.use === 'dowel')).toBe(true);
    const lintel = days.find((day) => day.lines.some((line) => line.use === 'lintel bottom'));
    // The head at 81 1/2 in lies in course 6: its bars go in before that.
    expect([lintel?.course, lintel?.when]).toEqual([6, 'before']);
    const order = days.map((day) => day.course * 3 + ['before', 'in', 'after'].indexOf(day.when));
    expect(order).toEqual([...order].sort((a, b) => a - b));
  });

  it('by pour has the footing, then each pour, and every bar once', () => {
    const pours = cutListByPour(steel.bars, steel.schedule, steel.pours);
    expect(pours.map((pour) => pour.courses)).toEqual([null, { from: 1, to: 8 }, { from: 9, to: 14 }]);
    expect(pours.flatMap((pour) => pour.lines).reduce((sum, line) => sum + line.count, 0)).toBe(all);
  });
});

describe('the bending schedule as CSV', () => {
  const csvOf = (schedule: ReturnType<typeof steelOf>['schedule'], units: UnitSystem): string => {
    const [listing] =
      booksOf({ steel: { schedule, stock: [] } } as never, {} as never, {} as never)[0]?.listings ?? [];
    if (!listing) throw new Error('no schedule');
    return writeListing(listing, units);
  };

  it('has a row for every mark, legs as A, B and C', () => {
    const opening = openingOf({ at: '200in', width: '48in', height: '48in', sill: '32in' });
    const { schedule } = steelOf(plan({ openings: [opening] }));
    const rows = csvOf(schedule, 'imperial').trim().split('\n');
    expect(rows).toHaveLength(schedule.length + 1);
    // #4 laps 30 in both ways; a bend of 3 in inside saves 1.07 in. [ACI 318-19 §25.3; geometry of the circle]
    const corner = rows.find((each) => each.startsWith('C1,'))?.split(',') ?? [];
    expect(corner.slice(1, 7)).toEqual(['corner', '#4', '11', '30', '30', '']);
    const stirrup = rows.find((each) => each.startsWith('S1,'))?.split(',') ?? [];
    expect(stirrup.slice(3, 7)).toEqual(['21', '4.125', '20', '4.125']);
    const metric = csvOf(schedule, 'metric');
    expect(metric).toContain('A (mm)');
    expect(metric).toContain(',762,');
  });
});

describe('what is said once bars lie', () => {
  it.each<readonly [string, Plan, readonly string[]]>([
    ['congested', plan({ rules: { 'steel.horizontal.bottom': 3 } }), ['1', '3', '5', '5″', '6', '6 1/2″']],
    [
      'nothing-under-sill',
      plan({
        openings: [openingOf({ sill: '40in', height: '48in' })],
        rules: { 'steel.horizontal.courses': 'least' },
      }),
      ['16″'],
    ],
    [
      'nothing-over-head',
      plan({
        openings: [openingOf({ sill: '32in', height: '48in' })],
        rules: { 'steel.lintel.bottom': 0, 'steel.lintel.top': 0, 'steel.stirrup.spacing': '24in' },
      }),
      [],
    ],
    [
      'cut-longer-than-stock',
      plan({ rules: { 'steel.lap': 'typed', 'steel.lap.length': '130in' } }),
      ['20′', '21′ 6 3/4″', '32'],
    ],
    [
      'lap-longer-than-stock',
      plan({ rules: { 'steel.lap': 'typed', 'steel.lap.length': '24ft' } }),
      ['#4', '20′', '288″'],
    ],
    ['cover-small', plan({ rules: { 'steel.cover.foam': '3in' } }), ['1', '2 7/16″', '3″']],
  ])('%s', (kind, job, values) => {
    const [notice] = toldOf(job, kind);
    expect(notice).toBeDefined();
    expect(valuesIn(notice?.what)).toEqual(values);
  });

  it('nothing of a plain opening, whose laps may lie under it', () => {
    const opening = openingOf({ at: '200in', width: '72in', height: '48in', sill: '32in' });
    for (const kind of ['nothing-under-sill', 'nothing-over-head', 'congested', 'course-without-bar']) {
      expect(toldOf(plan({ openings: [opening] }), kind)).toEqual([]);
    }
  });
});
