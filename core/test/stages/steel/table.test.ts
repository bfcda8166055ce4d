import { valuesIn } from '../../support/values';
import { applyEdit, writePlan } from '../../../src/plan';
import { readPlanText } from '../../../src/planFile';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Length, inches, toInches } from '../../../src/kernel/measure';
import type { TableRow } from '../../../src/stages/steel/plan';
import type { Plan } from '../../../src/kernel/plan';
import {
  type WorkedRow,
  barSize,
  readTableFile,
  rowFor,
  sizeNamed,
  writeTableFile,
} from '../../../src/stages/steel';
import { work } from '../../../src/work';
import { type Side, planOf, withCourses } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];
const row = (height: string, backfill: string, soil: number, size: string, spacing: string): TableRow => ({
  height,
  backfill,
  soil,
  size,
  spacing,
});
const ROWS: readonly TableRow[] = [
  row('9ft', '5ft', 45, '#4', '36in'),
  row('9ft', '8ft', 45, '#5', '24in'),
  row('9ft', '8ft', 60, '#5', '16in'),
  row('11ft', '5ft', 45, '#5', '32in'),
  row('11ft', '8ft', 60, '#6', '16in'),
];
/** Walls of 8 ft in six courses; soil of 4 ft, 7 ft, none and none said. */
const plan = (rows: readonly TableRow[] = ROWS, change: Partial<Plan> = {}): Plan =>
  planOf(RECTANGLE, {
    ...withCourses(6),
    steel: {
      table: { name: 'Sample', rows },
      walls: {
        w1: { backfill: '4ft', held: 'top' },
        w2: { backfill: '7ft', held: 'top' },
        w3: { backfill: '0', held: 'top' },
      },
    },
    ...change,
  });
const picked = (each: Plan) =>
  Object.fromEntries(work(each).steel.picks.map((pick) => [pick.wall, pick.row?.number ?? null]));
const told = (each: Plan, kind: string): readonly string[] =>
  work(each)
    .notices.filter((notice) => `${notice.id}:`.startsWith(`steel-${kind}:`))
    .map((notice) => `${notice.where}: ${notice.what}`);
const verticals = (each: Plan, wall: string) =>
  work(each).steel.bars.filter((bar) => bar.use === 'vertical' && bar.wall === wall);

describe('a reinforcement table', () => {
  it('gives each wall the tightest row that covers it', () => {
    expect(picked(plan())).toEqual({ w1: 1, w2: 2, w3: 1, w4: null });
    expect(new Set(verticals(plan(), 'w1').map((bar) => bar.size))).toEqual(new Set(['#4']));
    const [one, two] = verticals(plan(), 'w2');
    // 24 in apart, give or take what they are shifted off webs.
    expect(Math.abs(toInches(((two?.from ?? 0) - (one?.from ?? 0)) as Length) - 24)).toBeLessThan(4);
  });

  it('asks for a heavier row in heavier soil and behind a higher wall', () => {
    expect(picked(plan(ROWS, { rules: { 'steel.soil.weight': 60 } }))).toMatchObject({ w1: 3, w2: 3 });
    // Eight courses: 10 ft 8 in.
    expect(picked(plan(ROWS, withCourses(8)))).toMatchObject({ w1: 4, w2: 5 });
  });

  it('leaves the spec’s own verticals where no row covers a wall, and says so', () => {
    const heavy = plan(ROWS, { rules: { 'steel.soil.weight': 90, 'steel.vertical.size': '15M' } });
    expect(picked(heavy)).toMatchObject({ w1: null, w2: null });
    expect(valuesIn(told(heavy, 'no-table-row')[1])).toEqual(['7′', '8′', '90 lb/ft³', 'B–C']);
    expect(new Set(verticals(heavy, 'w2').map((bar) => bar.size))).toEqual(new Set(['15M']));
  });

  it('takes no row for a wall whose soil nobody has said, rather than none for soil', () => {
    expect(told(plan(), 'table-soil-unsaid').map(valuesIn)).toEqual([['0', 'D–A']]);
  });

  it('goes after a zone that sets its own verticals', () => {
    const zoned = plan(ROWS, {});
    const zone = { id: 'z', walls: ['w1'], rules: { 'steel.vertical.size': '#6' } };
    const edited = applyEdit(zoned, { kind: 'put-zone', zone });
    expect(new Set(verticals(edited, 'w1').map((bar) => bar.size))).toEqual(new Set(['#6']));
    expect(new Set(verticals(edited, 'w2').map((bar) => bar.size))).toEqual(new Set(['#5']));
  });

  it('tells gaps: a soil that one height has a row for and another has not', () => {
    const gap = told(plan([...ROWS, row('7ft', '7ft', 45, '#4', '24in')]), 'table-gap');
    expect(gap.map(valuesIn)).toEqual([['60 lb/ft³', '7′']]);
    expect(told(plan(), 'table-gap')).toEqual([]);
  });

  it('tells rows that overlap with different bars, and takes the one with more steel', () => {
    const twice = plan([...ROWS, row('9ft', '5ft', 45, '#5', '12in')]);
    expect(told(twice, 'table-rows-clash').map(valuesIn)).toEqual([['1', '6']]);
    expect(picked(twice)).toMatchObject({ w1: 6 });
    expect(told(plan([...ROWS, row('9ft', '5ft', 45, '#4', '36in')]), 'table-rows-clash')).toEqual([]);
  });

  it.each<readonly [string, TableRow, RegExp]>([
    ['height', row('tall', '5ft', 45, '#4', '24in'), /wall’s height cannot be read/],
    ['backfill', row('9ft', '', 45, '#4', '24in'), /backfill cannot be read/],
    ['soil', row('9ft', '5ft', 0, '#4', '24in'), /no weight above 0/],
    ['size', row('9ft', '5ft', 45, '#14', '24in'), /bar is of no known size/],
    ['spacing of nothing', row('9ft', '5ft', 45, '#4', '0'), /spacing is no length from 4 in/],
    ['spacing too wide', row('9ft', '5ft', 45, '#4', '20ft'), /spacing is no length from 4 in/],
  ])('passes over a row of which the %s cannot be used, and says which', (_, wrong, words) => {
    const [notice] = told(plan([wrong, ...ROWS]), 'table-row-unreadable');
    expect(valuesIn(notice)).toEqual(expect.arrayContaining(['1']));
    expect(notice).toMatch(words);
    expect(picked(plan([wrong, ...ROWS]))).toMatchObject({ w1: 2, w2: 3 });
  });

  it('is put in, changed and taken out by edits, and survives the file', () => {
    const { table } = plan().steel ?? {};
    if (!table) throw new Error('no table');
    const put = applyEdit(planOf(RECTANGLE, withCourses(6)), { kind: 'put-table', table });
    expect(put.steel?.table?.rows.map((each) => each.size)).toEqual(ROWS.map((each) => each.size));
    const back = readPlanText(JSON.stringify(writePlan(put)));
    expect(back.ok && back.plan.steel).toEqual(put.steel);
    expect(applyEdit(put, { kind: 'put-table', table: null }).steel).toEqual({});
  });

  it('never gives less than a covering row, whatever the table', () => {
    const size = (id: string) => {
      const found = barSize(id);
      if (!found) throw new Error(id);
      return found;
    };
    const anyRow = fc
      .record({
        height: fc.integer({ min: 4, max: 14 }),
        backfill: fc.integer({ min: 0, max: 12 }),
        soil: fc.constantFrom(30, 45, 60),
        spacing: fc.integer({ min: 4, max: 60 }),
        id: fc.constantFrom('#4', '#5', '#6'),
      })
      .map((each): WorkedRow => ({
        number: 1,
        height: inches(each.height * 12),
        backfill: inches(each.backfill * 12),
        soil: each.soil,
        size: size(each.id),
        spacing: inches(each.spacing),
      }));
    fc.assert(
      fc.property(
        fc.array(anyRow, { maxLength: 12 }),
        fc.integer({ min: 4, max: 14 }),
        fc.integer({ min: 0, max: 12 }),
        fc.constantFrom(30, 45, 60),
        (rows, height, backfill, soil) => {
          const wall = [inches(height * 12), inches(backfill * 12), soil] as const;
          const covers = (each: WorkedRow): boolean =>
            each.height >= wall[0] && each.backfill >= wall[1] && each.soil >= wall[2];
          const found = rowFor(rows, ...wall);
          expect(found === null).toBe(!rows.some(covers));
          if (!found) return;
          expect(covers(found)).toBe(true);
          // Nothing tighter in all three covers the wall too.
          const tighter = rows.some(
            (each) =>
              covers(each) &&
              each.height < found.height &&
              each.soil < found.soil &&
              each.backfill < found.backfill,
          );
          expect(tighter).toBe(false);
        },
      ),
    );
  });
});

describe('sizes as people write them', () => {
  it.each([
    ['#5', '#5'],
    ['5', '#5'],
    ['No. 4', '#4'],
    ['15m', '15M'],
    ['12mm', '12 mm'],
    ['16 mm', '16 mm'],
  ])('%s is %s', (text, id) => {
    expect(sizeNamed(text)?.id).toBe(id);
  });

  it('are not guessed', () => {
    for (const text of ['', '#9', '25M', '15', 'five']) expect(sizeNamed(text)).toBeNull();
  });
});

describe('a reinforcement table as CSV', () => {
  const good = 'Wall height,Backfill,Soil,Size,Spacing (in)\n9ft,7ft,45,#5,24\n3 m,2 m,60,15M,16';

  it('is read with units in cells or headings, and written so that it reads back', () => {
    const reading = readTableFile(good, 'imperial');
    if (!reading.ok) throw new Error('refused');
    expect(reading.rows.map(({ soil, size }) => [soil, size])).toEqual([
      [45, '#5'],
      [60, '15M'],
    ]);
    const again = readTableFile(writeTableFile({ name: '', rows: reading.rows }, 'imperial'), 'imperial');
    expect(again).toEqual(reading);
  });

  it('is refused whole, row by row, where anything is wrong', () => {
    const wrong = `${good}\ntall,7ft,45,#5,24\n9ft,7ft,wet,#5,24\n9ft,7ft,45,#25,24`;
    const reading = readTableFile(wrong, 'imperial');
    expect(reading.ok).toBe(false);
    if (reading.ok) return;
    expect(reading.problems.map(({ row: number }) => number)).toEqual([4, 5, 6]);
    expect(reading.problems[1]?.what).toMatch(/“wet” is no weight of soil/);
    expect(reading.problems[2]?.what).toMatch(/“#25” is no size of bar; write one of #3, #4/);
    expect(readTableFile('height,size\n9ft,#5', 'imperial').ok).toBe(false);
    expect(readTableFile('', 'imperial').ok).toBe(false);
  });
});

describe('rules of a zone that cannot be used', () => {
  it('are told, and the job’s own hold', () => {
    const zone = { id: 'z', name: 'Odd', rules: { 'steel.vertical.spacing': '0in', 'steel.no.such': 1 } };
    const zoned = planOf(RECTANGLE, { ...withCourses(6), steel: { zones: [zone] } });
    expect(told(zoned, 'zone-rule-refused').map(valuesIn)).toEqual([
      ['“Verticals are at most … apart.”'],
      ['“steel.no.such”'],
    ]);
    const plain = planOf(RECTANGLE, withCourses(6));
    expect(work(zoned).steel.bars).toEqual(work(plain).steel.bars);
  });
});
