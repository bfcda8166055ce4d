import { readFileSync } from 'node:fs';
import { booksOf } from '@ombra/core/books';
import type { UnitSystem } from '@ombra/core/kernel/measure';
import { readPlanText } from '@ombra/core/planFile';
import { report } from '@ombra/core/report';
import { work } from '@ombra/core/work';
import FormulaParser from 'fast-formula-parser';
import JSZip from 'jszip';
import readXlsx from 'read-excel-file/node';
import { beforeAll, describe, expect, it } from 'vitest';
import { writeWorkbook } from '../src/server/exports/workbook';

const read = (units: UnitSystem) => {
  const reading = readPlanText(readFileSync('demo/sorrel-fork-hatchery.json', 'utf8'));
  if (!reading.ok) throw new Error('the demo does not read');
  return { ...reading.plan, units };
};

/** Every formula of a sheet with its cell and its kept result, read from the XML that is in the file. */
async function formulasOf(bytes: Uint8Array, sheet: number) {
  const zip = await JSZip.loadAsync(bytes);
  const xml = await zip.file(`xl/worksheets/sheet${String(sheet)}.xml`)?.async('string');
  return [...(xml ?? '').matchAll(/<c r="([A-Z]+)(\d+)"[^>]*><f>([^<]+)<\/f><v>([^<]+)<\/v><\/c>/g)].map(
    ([, letter = '', row = '', formula = '', value = '']) => ({
      letter,
      row: Number(row),
      formula,
      value: Number(value),
    }),
  );
}

describe.each(['imperial', 'metric'] as const)('workbooks of the demo, %s', (units) => {
  const plan = read(units);
  const worked = work(plan);
  const told = report(worked);
  const options = { units, name: 'Hatchery & =kennel', state: 'State 3' };
  let books: Awaited<ReturnType<typeof booksOf>> = [];
  beforeAll(async () => {
    books = await booksOf(plan, worked);
  });
  const book = (id: string) => {
    const found = books.find((each) => each.id === id);
    if (!found) throw new Error(`no book ${id}`);
    return found;
  };

  it('has the tally’s own numbers, read back by another package', async () => {
    const rows = await readXlsx(Buffer.from(await writeWorkbook(book('tally'), options)));
    const sheet = rows[0]?.data ?? [];
    expect(sheet[0]?.[6]).toBe(units === 'imperial' ? 'Core (yd³)' : 'Core (m³)');
    told.tally.courses.forEach((course, index) => {
      expect(sheet[index + 1]).toEqual([
        course.course,
        course.straight,
        course.cut,
        course.cornerLH,
        course.cornerRH,
        course.buckFaces,
        course.coreVolume.value,
      ]);
    });
    const total = sheet.at(-1) ?? [];
    expect(total.slice(0, 4)).toEqual([
      'Total',
      told.tally.total.straight,
      told.tally.total.cut,
      told.tally.total.cornerLH,
    ]);
    expect(Number(total[6])).toBeCloseTo(told.tally.total.coreVolume.value, 9);
  });

  it('evaluates every formula to the result that is kept beside it', async () => {
    let formulas = 0;
    for (const each of books) {
      const bytes = await writeWorkbook(each, options);
      const sheets = await readXlsx(Buffer.from(bytes));
      for (const [index, { data }] of sheets.entries()) {
        const parser = new FormulaParser({
          onCell: ({ row, col }: { row: number; col: number }) => data[row - 1]?.[col - 1] ?? null,
          onRange: ({ from, to }: { from: Spot; to: Spot }) =>
            data
              .slice(from.row - 1, to.row)
              .map((row) => row.slice(from.col - 1, to.col).map((cell) => cell ?? null)),
        });
        for (const { letter, row, formula, value } of await formulasOf(bytes, index + 1)) {
          const at = { sheet: 'S', row, col: letter.charCodeAt(0) - 64 };
          expect(parser.parse(formula, at), `${each.id} ${letter}${String(row)}`).toBeCloseTo(value, 6);
          formulas += 1;
        }
      }
    }
    expect(formulas).toBeGreaterThan(40);
  });

  it('orders what the tally buys, and bends what it lists', () => {
    const [order] = book('order').listings;
    const straights = order?.rows.filter((row) => row[1] === 'Straight') ?? [];
    const needed = straights.reduce((sum, row) => sum + Number(row[3]), 0);
    expect(needed).toBe(told.tally.total.blocksBought);
    const [bending] = book('bending').listings;
    const mass = bending?.rows.reduce((sum, row) => sum + Number(row.at(-1)), 0) ?? 0;
    // The schedule weighed line by line, against the steel weighed size by size.
    expect(mass).toBeCloseTo(told.steel.mass.value, 6);
    const lifts = book('pour').listings[1]?.rows.reduce((sum, row) => sum + Number(row[3]), 0) ?? 0;
    const cores = book('pour').listings[0]?.rows.reduce((sum, row) => sum + Number(row[1]), 0);
    expect(lifts).toBeCloseTo(Number(cores), 9);
  });
});

interface Spot {
  readonly row: number;
  readonly col: number;
}

it('freezes the head, repeats it on every page, and takes no text for a formula', async () => {
  const bytes = await writeWorkbook(
    {
      id: 'log',
      listings: [
        {
          id: 'log',
          title: 'Log: [all]',
          columns: [{ key: 'what', name: 'What', kind: 'text' }],
          rows: [['=HYPERLINK("http://elsewhere")'], ['+1'], ['@x'], [null]],
        },
      ],
    },
    { units: 'metric', name: '&A', state: '' },
  );
  const xml = (await (await JSZip.loadAsync(bytes)).file('xl/worksheets/sheet1.xml')?.async('string')) ?? '';
  expect(xml).toContain('<pane ySplit="1"');
  expect(xml).toContain('state="frozen"');
  expect(xml).not.toContain('<f>');
  expect(xml).toContain('&amp;L&amp;&amp;A');
  const [sheet] = await readXlsx(Buffer.from(bytes));
  expect(sheet?.data.map(([cell]) => cell)).toEqual(['What', '=HYPERLINK("http://elsewhere")', '+1', '@x']);
});
