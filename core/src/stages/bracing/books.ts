import type { BooksOf } from '../../kernel/engine/stage';

/** The gear against what is on hand, and every brace with its place. */
export const booksOf: BooksOf = ({ bracing }) => [
  {
    id: 'gear',
    listings: [
      {
        id: 'gear',
        title: 'Gear',
        columns: [
          { key: 'part', name: 'Part', kind: 'text' },
          { key: 'wanted', name: 'Wanted', kind: 'count' },
          { key: 'onHand', name: 'On hand', kind: 'count' },
          { key: 'short', name: 'To find', kind: 'count' },
        ],
        rows: bracing.gear.map(({ name, wanted, onHand, short }) => [
          name,
          wanted.value,
          onHand,
          onHand === null ? null : short,
        ]),
      },
      {
        id: 'gear-braces',
        title: 'Braces by wall',
        columns: [
          { key: 'pour', name: 'Pour', kind: 'text' },
          { key: 'wall', name: 'Wall', kind: 'text' },
          { key: 'side', name: 'Side', kind: 'text' },
          { key: 'at', name: 'From the wall’s first corner', kind: 'length' },
          { key: 'why', name: 'Why there', kind: 'text' },
          { key: 'upright', name: 'Upright', kind: 'length' },
        ],
        rows: bracing.pours.flatMap((pour) =>
          pour.walls.flatMap((wall) =>
            wall.braces.map(({ at, why, upright }) => [
              pour.name,
              wall.name,
              wall.side,
              at,
              why,
              upright.length,
            ]),
          ),
        ),
      },
    ],
  },
];
