import { copyOf } from '../../kernel/plan/copies';
import type { PlanPart } from '../../kernel/plan/part';
import { openingEdits } from './edits';

/** Windows, doors and other holes with a buck. */
export const openingsPart: PlanPart = {
  write: ({ openings, bucks }) => ({
    openings: copyOf(openings ?? []),
    ...(bucks === undefined ? {} : { bucks: copyOf(bucks) }),
  }),
  ids: ({ openings }) => (openings ?? []).map((each) => each.id),
  edits: openingEdits,
};
