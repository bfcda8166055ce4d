import { copyOf } from '../../kernel/plan/copies';
import type { PlanPart } from '../../kernel/plan/part';
import { insertEdits } from './edits';

/** What else goes through a wall, into it or onto it. */
export const insertsPart: PlanPart = {
  write: ({ inserts }) => (inserts === undefined || inserts.length === 0 ? {} : { inserts: copyOf(inserts) }),
  ids: ({ inserts }) => (inserts ?? []).map((each) => each.id),
  edits: insertEdits,
};
