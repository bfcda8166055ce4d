import type { Worked, WorkedKey } from '../../kernel/engine/stage';
import { type Notice, inFormWords } from '../../kernel/notices';
import type { Plan } from '../../kernel/plan/plan';

/** The shown names of walls, by their rows: `A–B`; and what is said, in the words of the job’s forms. */
export const namesOf = {
  needs: ['shell'] as const satisfies readonly WorkedKey[],
  of: ({ shell }: Pick<Worked, 'shell'>): ((id: string) => string) => {
    const names = new Map(shell.loops.flatMap((loop) => loop.rowNames.map(({ row, name }) => [row, name])));
    return (id) => names.get(id) ?? id;
  },
  inWords: ({ shell }: Pick<Worked, 'shell'>, notices: readonly Notice[]): readonly Notice[] =>
    inFormWords(shell.family?.kind, notices),
};

/** The names of openings and inserts as well, as they stand in the plan. */
export function thingNames(plan: Plan, nameOf: (id: string) => string): (id: string) => string {
  const things = new Map(
    [...(plan.openings ?? []), ...(plan.inserts ?? [])].map(({ id, name }) => [id, name ?? 'Without a name']),
  );
  return (id) => things.get(id) ?? nameOf(id);
}
