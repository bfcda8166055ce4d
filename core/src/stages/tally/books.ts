import type { BooksOf } from '../../kernel/engine/stage';
import type { Cell, Column } from '../../kernel/table';
import { type TallyRow, TALLY_KEYS } from './tally';

const COUNTS: readonly Column[] = [
  { key: 'straight', name: 'Whole blocks', kind: 'count', totalled: true },
  { key: 'cut', name: 'Cut pieces', kind: 'count', totalled: true },
  { key: 'cornerLH', name: 'Corners, left-hand', kind: 'count', totalled: true },
  { key: 'cornerRH', name: 'Corners, right-hand', kind: 'count', totalled: true },
  { key: 'buckFaces', name: 'Buck faces', kind: 'count', totalled: true },
  { key: 'coreVolume', name: 'Core', kind: 'volume', totalled: true },
];

const cellsOf = (row: TallyRow): readonly Cell[] => TALLY_KEYS.map((key) => row[key].value);

/** The tally by course, by pour, and every block that is opened with what comes out of it. */
export const booksOf: BooksOf = ({ tally, courses }) => [
  {
    id: 'tally',
    listings: [
      {
        id: 'tally',
        title: 'Tally by course',
        columns: [{ key: 'course', name: 'Course', kind: 'count' }, ...COUNTS],
        rows: tally.courses.map((row) => [row.course, ...cellsOf(row)]),
      },
      {
        id: 'tally-pours',
        title: 'Tally by pour',
        columns: [
          { key: 'pour', name: 'Pour', kind: 'text' },
          { key: 'from', name: 'From course', kind: 'count' },
          { key: 'to', name: 'To course', kind: 'count' },
          ...COUNTS,
        ],
        rows: tally.pours.map((pour) => [pour.name, pour.from, pour.to, ...cellsOf(pour)]),
      },
      {
        id: 'tally-cuts',
        title: 'Blocks opened for cuts',
        columns: [
          { key: 'block', name: 'Block', kind: 'count' },
          { key: 'pieces', name: 'Pieces', kind: 'text' },
          { key: 'left', name: 'Left over', kind: 'length' },
          { key: 'ripped', name: 'Ripped to', kind: 'length' },
        ],
        rows: courses.offcuts.blocks.map(({ number, pieces, left, ripped }) => [
          number,
          pieces.join(' '),
          left,
          ripped,
        ]),
      },
    ],
  },
];
