import { describe, expect, it } from 'vitest';
import type { Notice } from '../../../src/kernel/notices/notice';
import type { Plan } from '../../../src/kernel/plan';
import { report } from '../../../src/report';
import { valuesIn } from '../../support/values';
import { work } from '../../../src/work';
import { insertOf, openingOf } from '../../support/openings';
import { type Side, planOf, withCourses } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];
const rectangle = (change: Partial<Plan> = {}): Plan => planOf(RECTANGLE, { ...withCourses(8), ...change });

const told = (plan: Plan, id: string): Notice => {
  const { notices } = work(plan);
  const found = notices.find((notice) => notice.id.startsWith(`steel-${id}`));
  if (!found) throw new Error(`no ${id}: ${notices.map((notice) => notice.id).join(', ')}`);
  return found;
};

describe('what the steel has to say', () => {
  it.each<readonly [string, Plan, Notice['severity'], readonly string[]]>([
    ['few-slots', rectangle({ rules: { 'steel.slots': 2 } }), 'check', ['2']],
    [
      'bar-through',
      rectangle({ inserts: [insertOf({ name: 'Drain', at: '240in', up: '40in' })] }),
      'check',
      ['3'],
    ],
    [
      'backfill-unreadable',
      rectangle({ steel: { walls: { w1: { backfill: 'high' } } } }),
      'stop',
      ['4in', '6ft', '“high”'],
    ],
    [
      'spacing-wide',
      planOf(
        [
          [100, 90],
          [336, 90],
          [100, 90],
          [336, 90],
        ],
        { ...withCourses(4), rules: { 'steel.vertical.spacing': '120in' } },
      ),
      'check',
      ['120″', '8′ 4″'],
    ],
    ['no-lintel-room', rectangle({ openings: [openingOf({ height: '40in', sill: '84in' })] }), 'stop', []],
    [
      'lintel-cut-short',
      rectangle({ openings: [openingOf({ at: '20in', sill: '20in' })] }),
      'check',
      ['14″'],
    ],
    [
      'corner-cut-short',
      rectangle({ openings: [openingOf({ at: '20in', sill: '20in' })] }),
      'check',
      ['12″', '2'],
    ],
    ['support-unsaid', rectangle({ steel: { walls: { w1: { backfill: '6ft' } } } }), 'check', []],
  ])('of %s', (id, plan, severity, values) => {
    const notice = told(plan, id);
    expect([notice.severity, valuesIn(notice.what)]).toEqual([severity, values]);
    expect(notice.place.stage).toBe('steel');
  });
});

describe('the report', () => {
  it('has the schedule, the stock and the masses, with units', () => {
    const worked = work(rectangle());
    const { steel } = report(worked);
    expect(steel.schedule.length).toBe(worked.steel.schedule.length);
    expect(steel.schedule[0]).toMatchObject({ mark: 'H1', use: 'horizontal', size: '#4', shape: '00' });
    expect(steel.stock.map((own) => own.size)).toEqual(['#4', '#5']);
    expect(steel.stock.reduce((sum, own) => sum + own.mass.value, 0)).toBeCloseTo(steel.mass.value, 9);
    expect(steel.mass.unit).toBe('kg');
  });
});

describe('a mix that is weaker than the steel counts on', () => {
  const mixed = (rules: Plan['rules'], change: Partial<Plan> = {}): readonly Notice[] =>
    work(rectangle({ rules, ...change })).notices.filter(({ id }) => id === 'steel-mix-weaker');
  const screened = { steel: { walls: { w1: { backfill: '6ft', held: 'top' } } } } as const;

  it('is told where laps or the screening follow from the strength, with the mix that is enough', () => {
    const [notice] = mixed({ 'steel.lap': 'class-b', 'pour.mix.strength': '3000' });
    expect(notice?.severity).toBe('check');
    expect(notice?.fixes[0]?.edit).toMatchObject({ rule: 'pour.mix.strength', value: '4000' });
    expect(mixed({ 'pour.mix.strength': '3000' }, screened)).toHaveLength(1);
  });

  it('is nothing to tell where laps are counted in diameters, or the mix is as strong', () => {
    expect(mixed({ 'pour.mix.strength': '3000' })).toEqual([]);
    expect(mixed({ 'steel.lap': 'class-b', 'pour.mix.strength': '4000' })).toEqual([]);
    // 28 MPa counted on, 4000 psi ordered: the same concrete by another name.
    expect(
      mixed({ 'steel.lap': 'class-b', 'pour.mix.strength': '4000' }, { units: 'metric', ...screened }),
    ).toEqual([]);
  });

  it('has no mix to offer where none that is ordered is enough', () => {
    const [notice] = mixed({ 'steel.lap': 'class-b', 'steel.concrete.strength': '8000 psi' });
    expect(notice?.fixes).toEqual([]);
  });
});

describe('quantities that were typed in metric', () => {
  const row = { height: '2400mm', backfill: '1200mm', soil: 30, size: '#5', spacing: '600mm' };
  const whats = (rules: Plan['rules'], change: Partial<Plan> = {}): string =>
    work(rectangle({ units: 'metric', rules, ...change }))
      .notices.map(({ what }) => what)
      .join('\n');

  it('are told in the job’s own unit, rounded as they are measured', () => {
    const steel = {
      table: { name: 'Invented', rows: [row] },
      walls: { w1: { backfill: '1500mm', held: 'top' as const } },
    };
    const soil = whats({ 'steel.soil.weight': '7 kN/m³' }, { steel });
    expect(soil).toContain('of soil at 7 kN/m³');
    const slump = whats({ 'pour.mix.slump': '230 mm' });
    expect(valuesIn(slump)).toEqual(expect.arrayContaining(['230 mm']));
    expect(`${soil}${slump}`).not.toMatch(/\d\.\d{4}/);
  });
});
