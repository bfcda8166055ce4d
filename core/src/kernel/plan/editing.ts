import { copyOf, withoutKey } from './copies';
import type { Editing, FileFields, PlanPart } from './part';
import { type Plan, type PlanEdit, MOST_KEPT_OF_NOTICE, PLAN_FORMAT, PLAN_VERSION } from './plan';

/** What can be done to plans, and how they are written. */
export interface PlanEditing {
  /** The plan as a plan file, in its short forms where they will do. Reading it gives the same plan. */
  readonly writePlan: (plan: Plan) => FileFields;
  /**
   * The plan after an edit. An edit of something that is no longer there leaves the plan as it is.
   *
   * @param newId gives ids to things that are added without one; they must never have been used, since what hangs on a
   * wall finds it by id. Left out, one that no thing of the plan has: good for scripts and tests.
   */
  readonly applyEdit: (plan: Plan, edit: PlanEdit, newId?: () => string) => Plan;
}

/** A plan without the notices of these ids among those that are set aside. */
function withoutAsides(plan: Plan, ids: readonly string[]): Plan {
  const left = (plan.setAside ?? []).filter(({ notice }) => !ids.includes(notice));
  return left.length === 0 ? withoutKey(plan, 'setAside') : { ...plan, setAside: left };
}

/** What can be done to the frame. */
const FRAME_EDITS: PlanPart['edits'] = {
  rename: (plan, { name }) => ({ ...plan, name }),
  'set-units': (plan, { units }) => ({ ...plan, units }),
  'set-rule': (plan, { rule, value }) => {
    const others = Object.fromEntries(Object.entries(plan.rules).filter(([id]) => id !== rule));
    return { ...plan, rules: value === null ? others : { ...others, [rule]: value } };
  },
  'set-aside': (plan, { notices, word }) => {
    const ids = notices.map(({ notice }) => notice);
    const others = withoutAsides(plan, ids).setAside ?? [];
    // Past the most that a plan keeps, the oldest are shown again.
    const all = [...others, ...notices.map((each) => ({ ...each, word }))];
    return { ...plan, setAside: all.slice(-MOST_KEPT_OF_NOTICE.notices) };
  },
  'bring-back': (plan, { notices }) => withoutAsides(plan, notices),
};

/** Ids of all things of a plan, by its parts. */
export const idsOf = (parts: readonly PlanPart[], plan: Plan): readonly string[] =>
  parts.flatMap((part) => part.ids?.(plan) ?? []);

/** The editing of plans made of its parts, in their order. */
export function planEditing(parts: readonly PlanPart[]): PlanEditing {
  const edits = Object.assign({}, FRAME_EDITS, ...parts.map((part) => part.edits)) as PlanPart['edits'];

  const unusedIds = (plan: Plan): (() => string) => {
    const taken = new Set(idsOf(parts, plan));
    let next = 0;
    return () => {
      let id: string;
      do id = `wall-${String(++next)}`;
      while (taken.has(id));
      return id;
    };
  };

  const applyEdit = (plan: Plan, edit: PlanEdit, newId: () => string = unusedIds(plan)): Plan =>
    edit.kind === 'all'
      ? edit.edits.reduce((edited, each) => applyEdit(edited, each, newId), plan)
      : ((edits[edit.kind] as Editing<PlanEdit['kind']> | undefined)?.(plan, edit, newId) ?? plan);

  return {
    writePlan: (plan) => ({
      format: PLAN_FORMAT,
      version: PLAN_VERSION,
      name: plan.name,
      units: plan.units,
      ...(Object.assign({}, ...parts.map((part) => part.write(plan))) as FileFields),
      rules: { ...plan.rules },
      ...(plan.setAside === undefined || plan.setAside.length === 0
        ? {}
        : { setAside: copyOf(plan.setAside) }),
    }),
    applyEdit,
  };
}
