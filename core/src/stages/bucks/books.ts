import type { BooksOf } from '../../kernel/engine/stage';

/** Lumber and sheets of the bucks: the lengths to buy, each with what is cut out of it. */
export const booksOf: BooksOf = ({ bucks, openings }) => {
  const names = new Map(openings.placed.map(({ id, name }) => [id, name]));
  return [
    {
      id: 'lumber',
      listings: [
        {
          id: 'lumber',
          title: 'Lumber to buy',
          columns: [
            { key: 'material', name: 'Material', kind: 'text' },
            { key: 'board', name: 'Board', kind: 'text' },
            { key: 'stock', name: 'Length', kind: 'length' },
            { key: 'boards', name: 'Boards', kind: 'count', totalled: true },
            { key: 'least', name: 'No plan takes fewer than', kind: 'count' },
          ],
          rows: bucks.lumber.map((list) => [
            list.name,
            list.board,
            list.stock,
            list.lengths.length,
            list.bound,
          ]),
        },
        {
          id: 'lumber-cuts',
          title: 'What is cut out of each board',
          columns: [
            { key: 'material', name: 'Material', kind: 'text' },
            { key: 'number', name: 'Board number', kind: 'count' },
            { key: 'cut', name: 'Cut length', kind: 'length' },
          ],
          rows: bucks.lumber.flatMap((list) =>
            list.lengths.flatMap((cuts, index) => cuts.map((cut) => [list.name, index + 1, cut])),
          ),
        },
        {
          id: 'lumber-bucks',
          title: 'Members by opening',
          columns: [
            { key: 'opening', name: 'Opening', kind: 'text' },
            { key: 'part', name: 'Part', kind: 'text' },
            { key: 'count', name: 'Count', kind: 'count', totalled: true },
            { key: 'length', name: 'Length', kind: 'length' },
            { key: 'width', name: 'Width', kind: 'length' },
          ],
          rows: bucks.bucks.flatMap(({ opening, members }) =>
            members.map(({ part, count, length, width }) => [
              names.get(opening) ?? opening,
              part,
              count,
              length,
              width,
            ]),
          ),
        },
        {
          id: 'lumber-sheets',
          title: 'Sheets',
          columns: [
            { key: 'material', name: 'Material', kind: 'text' },
            { key: 'length', name: 'Length', kind: 'length' },
            { key: 'width', name: 'Width', kind: 'length' },
            { key: 'sheets', name: 'Sheets', kind: 'count', totalled: true },
          ],
          rows: bucks.sheets.map(({ name, length, width, sheets }) => [name, length, width, sheets]),
        },
      ],
    },
  ];
};
