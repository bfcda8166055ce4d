import type { BooksOf } from '../../kernel/engine/stage';
import { evaluate } from '../../kernel/figures/how';
import type { Cell, Column } from '../../kernel/table';
import { type OrderLine, wholePieces } from './article';
import { orderFor } from './orderFor';

const ARTICLE: readonly Column[] = [
  { key: 'group', name: 'Group', kind: 'text' },
  { key: 'article', name: 'Article', kind: 'text' },
  { key: 'core', name: 'Core', kind: 'length' },
];

const isLength = ({ needed }: OrderLine): boolean => needed.unit === 'length';

/**
 * What is ordered. Pieces and what is bought by length stand apart, since a column has one unit. In each row what is needed and
 * what is spare make the pieces; bundles round them up.
 */
export const booksOf: BooksOf = (worked, plan, rules) => {
  const order = orderFor(worked, plan.units, rules);
  const article = (line: OrderLine): readonly Cell[] => [line.group, line.article, line.core];
  return [
    {
      id: 'order',
      listings: [
        {
          id: 'order',
          title: 'Order',
          columns: [
            ...ARTICLE,
            { key: 'needed', name: 'Needed', kind: 'count' },
            { key: 'spare', name: 'Spare', kind: 'count' },
            { key: 'pieces', name: 'Needed and spare', kind: 'count', sumOf: ['needed', 'spare'] },
            { key: 'bundle', name: 'Pieces in a bundle', kind: 'count' },
            { key: 'bundles', name: 'Bundles', kind: 'count' },
            { key: 'ordered', name: 'To order', kind: 'count' },
            { key: 'mass', name: 'Weight', kind: 'mass', totalled: true },
          ],
          rows: order.lines
            .filter((line) => !isLength(line))
            .map((line) => {
              const needed = wholePieces(evaluate(line.needed));
              return [
                ...article(line),
                needed,
                line.spare,
                needed + line.spare,
                line.bundle,
                line.bundles,
                line.ordered,
                line.massKilograms,
              ];
            }),
        },
        {
          id: 'order-lengths',
          title: 'Bought by length',
          columns: [...ARTICLE, { key: 'ordered', name: 'To order', kind: 'length' }],
          rows: order.lines.filter(isLength).map((line) => [...article(line), line.ordered]),
        },
        {
          id: 'order-staging',
          title: 'Bundles by wall',
          columns: [
            { key: 'wall', name: 'Wall', kind: 'text' },
            { key: 'bundles', name: 'Bundles inside it', kind: 'count', totalled: true },
          ],
          rows: order.staging.map(({ name, bundles }) => [name, bundles]),
        },
      ],
    },
  ];
};
