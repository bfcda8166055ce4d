import type { MeasuredTo } from '@ombra/core/stages/outline';
import { findFamily } from '@ombra/core/kernel/forms';
import { readLength, showLength } from '@ombra/core/kernel/measure';
import type { Plan } from '@ombra/core/kernel/plan';

/** The face that lengths run to, as said beside them. */
export const FACE_WORDS: Readonly<Record<MeasuredTo, string>> = {
  form: 'outside of form',
  concrete: 'outside of concrete',
  centre: 'center line',
};

/** A family's name: of the job's own, of those that ship, or its id where nobody knows it. */
const familyName = (plan: Pick<Plan, 'family' | 'families'>): string =>
  plan.families?.find((each) => each.id === plan.family)?.name ??
  findFamily(plan.family)?.name ??
  plan.family;

/** What every length of the job hangs on, in one line: `Module 48 · 8″ core · lengths to outside of form`. */
export function jobLine(plan: Plan): string {
  const core = readLength(plan.core, plan.units);
  const coreText = core.ok ? showLength(core.length, plan.units, { style: 'inches' }) : plan.core;
  return `${familyName(plan)} · ${coreText} core · lengths to ${FACE_WORDS[plan.measuredTo]}`;
}
