import type { UnitSystem } from '../../kernel/measure';
import type { BuckFigures, BuckKind, Opening, Threshold } from './plan';
import type { Plan } from '../../kernel/plan/plan';
import { withoutKey } from '../../kernel/plan/copies';
import type { PlanPart } from '../../kernel/plan/part';
import { changedIn, NEEDED, storedThing } from '../../kernel/plan/things';

/** What may be set on an opening; null takes it off again. Setting a sill takes the head off, and the other way about. */
export type OpeningChange = {
  readonly [Key in keyof Omit<Opening, 'id'>]?: Opening[Key] | null;
};

/** What may be set on a buck's material; null goes back to the usual figure. */
export type BuckChange = { readonly [Key in keyof BuckFigures]?: string | null };

const storedThreshold = (threshold: Threshold, units: UnitSystem): Threshold =>
  threshold.depth === undefined ? threshold : storedThing(threshold, units, new Set());

/** An opening with a change on it, lengths in their stored form. */
export function changeOpening(opening: Opening, change: OpeningChange, units: UnitSystem): Opening {
  const given = (text: string | null | undefined): boolean => typeof text === 'string' && text !== '';
  const next = {
    ...opening,
    ...change,
    ...(given(change.sill) ? { head: null } : {}),
    ...(given(change.head) ? { sill: null } : {}),
    ...(change.threshold ? { threshold: storedThreshold(change.threshold, units) } : {}),
  };
  return storedThing(next as Opening, units, new Set([...NEEDED, 'height']));
}

/** The plan's own figures of one buck's material changed; with none left they go. */
function changeBuck(plan: Plan, buck: BuckKind, change: BuckChange): Plan {
  const figures = storedThing({ ...plan.bucks?.[buck], ...change } as BuckFigures, plan.units, new Set());
  const others = Object.entries(plan.bucks ?? {}).filter(([kind]) => kind !== buck);
  const bucks = Object.fromEntries([
    ...others,
    ...(Object.keys(figures).length === 0 ? [] : [[buck, figures] as const]),
  ]) as NonNullable<Plan['bucks']>;
  return Object.keys(bucks).length === 0 ? withoutKey(plan, 'bucks') : { ...plan, bucks };
}

/** What can be done to openings and to the figures of their bucks. */
export const openingEdits: PlanPart['edits'] = {
  'add-openings': (plan, { openings }, newId) => ({
    ...plan,
    openings: [
      ...(plan.openings ?? []),
      ...openings.map((each) => changeOpening({ ...each, id: each.id ?? newId() }, {}, plan.units)),
    ],
  }),
  'set-opening': (plan, { opening, change }) => ({
    ...plan,
    openings: changedIn(plan.openings, opening, (each) => changeOpening(each, change, plan.units)),
  }),
  'remove-opening': (plan, { opening }) => ({
    ...plan,
    openings: (plan.openings ?? []).filter((each) => each.id !== opening),
  }),
  'set-buck': (plan, { buck, change }) => changeBuck(plan, buck, change),
};
