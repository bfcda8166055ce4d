import { copyOf } from '../../kernel/plan/copies';
import type { PlanPart } from '../../kernel/plan/part';
import { changeDays, changePeople } from './plan';

/** The days of a job. */
export const daysPart: PlanPart = {
  write: (plan) => (plan.days === undefined ? {} : { days: copyOf(plan.days) }),
  edits: {
    'set-days': (plan, { change }) => ({ ...plan, days: changeDays(plan.days, change) }),
    'set-people': (plan, { day, people, of = 'people' }) => ({
      ...plan,
      days: changePeople(plan.days, of, day, people),
    }),
  },
};
