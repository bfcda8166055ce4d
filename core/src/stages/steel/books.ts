import type { BooksOf } from '../../kernel/engine/stage';
import { leastUnwatched } from './stockOfSize';
import { sizeOf } from './setting';
import { massOfBars } from './sizes';

/** The bending schedule with what its bars weigh, and the stock that they are cut from. */
export const booksOf: BooksOf = ({ steel }) => [
  {
    id: 'bending',
    listings: [
      {
        id: 'bending',
        title: 'Bending schedule',
        columns: [
          { key: 'mark', name: 'Mark', kind: 'text' },
          { key: 'use', name: 'Use', kind: 'text' },
          { key: 'size', name: 'Size', kind: 'text' },
          { key: 'shape', name: 'Shape by BS 8666', kind: 'text' },
          { key: 'a', name: 'A', kind: 'length' },
          { key: 'b', name: 'B', kind: 'length' },
          { key: 'c', name: 'C', kind: 'length' },
          { key: 'bends', name: 'Bends in degrees', kind: 'text' },
          { key: 'cut', name: 'Cut length', kind: 'length' },
          { key: 'count', name: 'Bars', kind: 'count', totalled: true },
          { key: 'mass', name: 'Weight', kind: 'mass', totalled: true },
        ],
        rows: steel.schedule.map(({ mark, use, size, shape, legs, bends, cut, count }) => [
          mark,
          use,
          size,
          shape,
          legs[0] ?? null,
          legs[1] ?? null,
          legs[2] ?? null,
          bends.map((degrees) => String(Number(degrees.toFixed(2)))).join(' '),
          cut,
          count,
          massOfBars(sizeOf(size), cut, count),
        ]),
      },
      {
        id: 'bending-stock',
        title: 'Stock bars',
        columns: [
          { key: 'size', name: 'Size', kind: 'text' },
          { key: 'stock', name: 'Stock length', kind: 'length' },
          { key: 'bars', name: 'Bars to buy', kind: 'count', totalled: true },
          { key: 'least', name: 'No plan takes fewer than', kind: 'count' },
          { key: 'total', name: 'Bars end to end', kind: 'length' },
          { key: 'laps', name: 'Of it laps', kind: 'length' },
          { key: 'mass', name: 'Weight', kind: 'mass', totalled: true },
        ],
        rows: steel.stock
          .map(leastUnwatched)
          .map(({ size, stock, lengths, bound, total, laps, mass }) => [
            size,
            stock,
            lengths.length,
            bound,
            total,
            laps,
            mass.value,
          ]),
      },
    ],
  },
];
