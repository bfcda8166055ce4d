import type { BooksOf } from '../../kernel/engine/stage';
import { pourName } from '../outline';

/** Concrete by pour, by lift and wall, and by load. */
export const booksOf: BooksOf = ({ pour, stacks, shell }) => {
  const wallNames = new Map(
    shell.loops.flatMap(({ built }) => built?.walls ?? []).map(({ id, name }) => [id, name]),
  );
  const nameOf = (id: string): string => pourName(stacks, id);
  return [
    {
      id: 'pour',
      listings: [
        {
          id: 'pour',
          title: 'Pours',
          columns: [
            { key: 'pour', name: 'Pour', kind: 'text' },
            { key: 'core', name: 'Core', kind: 'volume', totalled: true },
            { key: 'ordered', name: 'To order', kind: 'volume', totalled: true },
            { key: 'lifts', name: 'Lifts', kind: 'count' },
            { key: 'loads', name: 'Loads', kind: 'count', totalled: true },
          ],
          rows: pour.pours.map(({ span, volumes }) => [
            nameOf(span.pour),
            volumes.core.value,
            volumes.ordered.value,
            volumes.lifts.length,
            volumes.loads.length,
          ]),
        },
        {
          id: 'pour-lifts',
          title: 'By lift and wall',
          columns: [
            { key: 'pour', name: 'Pour', kind: 'text' },
            { key: 'lift', name: 'Lift', kind: 'count' },
            { key: 'wall', name: 'Wall', kind: 'text' },
            { key: 'volume', name: 'Volume', kind: 'volume', totalled: true },
          ],
          rows: pour.pours.flatMap(({ span, volumes }) =>
            volumes.lifts.flatMap(({ lift, walls }) =>
              Object.entries(walls).map(([wall, volume]) => [
                nameOf(span.pour),
                lift,
                wallNames.get(wall) ?? wall,
                volume,
              ]),
            ),
          ),
        },
        {
          id: 'pour-loads',
          title: 'Loads',
          columns: [
            { key: 'pour', name: 'Pour', kind: 'text' },
            { key: 'load', name: 'Load', kind: 'count' },
            { key: 'volume', name: 'Volume', kind: 'volume', totalled: true },
          ],
          rows: pour.pours.flatMap(({ span, volumes }) =>
            volumes.loads.map((load, index) => [nameOf(span.pour), index + 1, load]),
          ),
        },
      ],
    },
  ];
};
