import type { UnitSystem } from '../../kernel/measure';
import type { PlanPart } from '../../kernel/plan/part';
import { changedIn, storedThing } from '../../kernel/plan/things';
import type { Insert } from './plan';

/** What may be set on an insert; null takes it off again. */
export type InsertChange = {
  readonly [Key in keyof Omit<Insert, 'id'>]?: Insert[Key] | null;
};

/** An insert with a change on it, lengths in their stored form. */
const changeInsert = (insert: Insert, change: InsertChange, units: UnitSystem): Insert =>
  storedThing({ ...insert, ...change } as Insert, units);

/** What can be done to inserts. */
export const insertEdits: PlanPart['edits'] = {
  'add-inserts': (plan, { inserts }, newId) => ({
    ...plan,
    inserts: [
      ...(plan.inserts ?? []),
      ...inserts.map((each) => changeInsert({ ...each, id: each.id ?? newId() }, {}, plan.units)),
    ],
  }),
  'set-insert': (plan, { insert, change }) => ({
    ...plan,
    inserts: changedIn(plan.inserts, insert, (each) => changeInsert(each, change, plan.units)),
  }),
  'remove-insert': (plan, { insert }) => ({
    ...plan,
    inserts: (plan.inserts ?? []).filter((each) => each.id !== insert),
  }),
};
