import { dsvFormat } from 'd3-dsv';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Length, inches, readLength } from '../../../src/kernel/measure';
import {
  type RowProblem,
  cellOf,
  lengthCell,
  lengthHeading,
  lengthNumber,
  lengthNumberOf,
  readTable,
  toldProblems,
  wallKey,
  writeTable,
} from '../../../src/kernel/table';

const WORDS = {
  names: { wall: ['wall'], at: ['at', 'from corner'], note: ['note'] },
  wanted: 'wall and at',
  complete: ({ wall, at }: Readonly<Record<'wall' | 'at' | 'note', number>>) => wall >= 0 && at >= 0,
  what: 'marks',
  most: 5,
} as const;

const read = (text: string) => readTable<'wall' | 'at' | 'note'>(text, WORDS);
const problemsOf = (text: string): readonly RowProblem[] => {
  const reading = read(text);
  return reading.ok ? [] : reading.problems;
};

describe('a table from a file', () => {
  it.each([
    ['commas', 'wall,at\nA-B,4ft'],
    ['semicolons', 'wall;at\nA-B;4ft'],
    ['tabs', 'wall\tat\nA-B\t4ft'],
    ['a byte order mark and empty rows', '\ufeffwall,at\n\n,\nA-B,4ft\n\n'],
    ['other columns and another order', 'x,At (mm),WALL\n1,4ft,A-B'],
    ['another name of a column', 'from corner,wall\n4ft,A-B'],
    ['line ends of other systems', 'wall,at\r\nA-B,4ft\r\n'],
  ])('is read with %s', (_, text) => {
    const reading = read(text);
    if (!reading.ok) throw new Error(JSON.stringify(reading.problems));
    const { table } = reading;
    expect(table.rows.map((row) => [cellOf(table, row, 'wall'), cellOf(table, row, 'at')])).toEqual([
      ['A-B', '4ft'],
    ]);
    expect(table.rows.map((row) => cellOf(table, row, 'note'))).toEqual(['']);
  });

  it('keeps quotes, separators and line ends within a cell', () => {
    const reading = read('wall,at,note\nA-B,4ft,"wide, and ""deep""\nbelow"');
    expect(
      reading.ok && cellOf(reading.table, reading.table.rows[0] ?? { number: 0, cells: [] }, 'note'),
    ).toBe('wide, and "deep"\nbelow');
  });

  it('says what is missing: anything, the columns, the rows; and when there are too many', () => {
    expect(problemsOf('')).toEqual([
      { row: 1, what: 'This is empty. A first row names the columns: wall and at.' },
    ]);
    expect(problemsOf('wall,place\nA-B,4ft')).toEqual([
      { row: 1, what: 'The first row must name the columns: wall and at. It says: wall, place.' },
    ]);
    expect(problemsOf('wall,at')).toEqual([{ row: 2, what: 'There are no marks below the heading.' }]);
    const six = `wall,at\n${'A-B,4ft\n'.repeat(6)}`;
    expect(problemsOf(six)).toEqual([{ row: 7, what: 'This file has 6 rows; 5 marks at most are taken.' }]);
  });

  it('tells rows by the number that an editor shows', () => {
    const reading = read('wall,at\nA-B,4ft\n\nB-C,5ft');
    // The reader of CSV passes over a line with nothing on it, but the row is counted.
    expect(reading.ok && reading.table.rows.map((row) => row.number)).toEqual([2, 4]);
  });

  it('is what was written', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.string({ minLength: 1 }), fc.string()), { minLength: 1, maxLength: 5 }),
        (rows) => {
          const plain = rows.map(([wall, note]) => [wall.trim() || 'x', '1ft', note.trim()]);
          const reading = read(writeTable([['wall', 'at', 'note'], ...plain]));
          if (!reading.ok) throw new Error(JSON.stringify(reading.problems));
          const { table } = reading;
          expect(
            table.rows.map((row) => [
              cellOf(table, row, 'wall'),
              cellOf(table, row, 'at'),
              cellOf(table, row, 'note'),
            ]),
          ).toEqual(plain);
        },
      ),
    );
  });
});

describe('a file as a spreadsheet saves it', () => {
  it('may begin with the mark that tells its letters; only there is that mark left out', () => {
    const marked = read('\ufeffwall,at\nA-B,4ft');
    expect(marked.ok && marked.table.columns.wall).toBe(0);
    const inside = read('wall,at,note\nA-B,4ft,a\ufeffb');
    expect(inside.ok && cellOf(inside.table, inside.table.rows[0] ?? never(), 'note')).toBe('a\ufeffb');
  });
});

const never = (): never => {
  throw new Error('no row');
};

describe('a length in a cell', () => {
  const lengthIn = (text: string, units: 'imperial' | 'metric' = 'imperial') => {
    const reading = read(text);
    if (!reading.ok) throw new Error('not read');
    const [row] = reading.table.rows;
    if (!row) throw new Error('no row');
    const { value: stored, problems } = lengthCell({ table: reading.table, row, column: 'at', units });
    return { stored, problems };
  };

  it.each([
    ['wall,at\nA-B,4ft 2in', 'imperial', '4ft 2in'],
    ['wall,at\nA-B,4', 'imperial', '4ft'],
    ['wall,at\nA-B,1200', 'metric', '1200mm'],
    ['wall,at (mm)\nA-B,1200', 'imperial', '1200mm'],
    ['wall,at (in)\nA-B,30', 'metric', '762mm'],
    // A unit of its own wins over the heading's.
    ['wall,at (mm)\nA-B,4ft', 'imperial', '4ft'],
  ] as const)('of %j in a job in %s is %s', (text, units, stored) => {
    expect(lengthIn(text, units)).toEqual({ stored, problems: [] });
  });

  it('that cannot be read or is missing is told, row and all', () => {
    expect(lengthIn('wall,at\nA-B,far').problems[0]).toMatchObject({ row: 2 });
    expect(lengthIn('wall,at\nA-B,far').problems[0]?.what).toMatch(/^“far” cannot be read: /);
    expect(lengthIn('wall,at\nA-B,').problems).toEqual([{ row: 2, what: 'The at is missing.' }]);
  });
});

describe('what is told', () => {
  it('stops after a dozen rows and counts the rest', () => {
    const many = Array.from({ length: 40 }, (_, index) => ({ row: index + 2, what: 'wrong' }));
    expect(toldProblems(many).length).toBe(13);
    expect(toldProblems(many).at(-1)).toEqual({ row: 14, what: 'and 28 more rows are wrong.' });
    expect(toldProblems(many.slice(0, 12)).length).toBe(12);
  });

  it('knows a wall however its dash is written', () => {
    expect(new Set(['A-B', 'a – b', 'A—B', 'A  B'.replace('  ', ' ')].map(wallKey))).toEqual(
      new Set(['A-B']),
    );
  });

  it('holds nothing that a spreadsheet runs, and gives back what was in it', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.constantFrom('=', '+', '-', '@', '\t', '\r', "'", "'='", ''),
            fc.string({ unit: 'grapheme-ascii' }).map((text) => text.trim()),
          ),
          { minLength: 1, maxLength: 5 },
        ),
        (parts) => {
          const cells = parts.map(([sign, text]) => `${sign}${text}x`);
          const text = writeTable([['wall', 'at', 'note'], ...cells.map((cell) => [cell, '1ft', ''])]);
          // Read by another reader of CSV: no cell begins with what starts a formula.
          const raw = dsvFormat(',').parseRows(text.replace(/^\ufeff/, ''));
          for (const [cell = ''] of raw) expect(cell).not.toMatch(/^[=+\-@\t\r]/);
          const reading = read(text);
          if (!reading.ok) throw new Error(JSON.stringify(reading.problems));
          const { table } = reading;
          expect(table.rows.map((row) => cellOf(table, row, 'wall'))).toEqual(cells);
        },
      ),
    );
  });

  it('begins with the mark by which spreadsheets know UTF-8, and keeps plain numbers plain', () => {
    expect(writeTable([['at (in)'], ['-5.5']])).toBe('\ufeffat (in)\n-5.5\n');
  });

  it('has lengths as plain numbers in the unit of the heading, to the nanometre', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -1e12, max: 1e12 }),
        fc.constantFrom('imperial' as const, 'metric' as const),
        (nanometres, units) => {
          const number = lengthNumber(nanometres as Length, units);
          expect(number).toMatch(/^-?\d+(\.\d+)?$/);
          expect(readLength(`${number}${units === 'imperial' ? 'in' : 'mm'}`, 'imperial')).toEqual({
            ok: true,
            length: nanometres,
          });
        },
      ),
    );
    expect(lengthNumber(inches(48.5), 'imperial')).toBe('48.5');
    expect(lengthNumberOf('four feet', 'imperial')).toBe('four feet');
    expect(lengthHeading('width', 'metric')).toBe('width (mm)');
  });
});
