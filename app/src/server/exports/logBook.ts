import type { Plan } from '@ombra/core/kernel/plan';
import type { Entry } from '@ombra/core/kernel/record';
import type { Book } from '@ombra/core/kernel/table';
import { KIND_NAMES, entryText, placeText } from '../../stages/days/log/entryWords';

/** The site’s log as a table, an entry a row, in the order in which it was written. */
export function logBook(
  plan: Plan,
  entries: readonly Entry[],
  wallName: (id: string) => string | null,
): Book {
  const words = { units: plan.units, wallName };
  return {
    id: 'log',
    listings: [
      {
        id: 'log',
        title: 'Log',
        columns: [
          { key: 'at', name: 'Written', kind: 'text' },
          { key: 'who', name: 'By', kind: 'text' },
          { key: 'kind', name: 'Kind', kind: 'text' },
          { key: 'place', name: 'Where', kind: 'text' },
          { key: 'text', name: 'What', kind: 'text' },
          { key: 'id', name: 'Entry', kind: 'text' },
          { key: 'corrects', name: 'In place of', kind: 'text' },
        ],
        rows: entries.map((entry) => [
          entry.at,
          entry.who,
          KIND_NAMES[entry.kind],
          placeText(entry, words),
          entryText(entry, words),
          entry.id,
          entry.corrects ?? null,
        ]),
      },
    ],
  };
}
