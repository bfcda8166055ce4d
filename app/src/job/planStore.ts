import { applyEdit } from '@ombra/core/plan';
import type { Plan, PlanEdit } from '@ombra/core/kernel/plan';
import { temporal } from 'zundo';
import { create } from 'zustand';

interface PlanState {
  readonly plan: Plan;
}

/** Steps of undo that are kept. */
const UNDO_STEPS = 500;

/**
 * The plan of the open job, with undo and redo. Each job page makes one.
 *
 * @param newId never gives the same id twice
 */
export function makePlanStore(initial: Plan, newId: () => string) {
  const store = create<PlanState>()(
    temporal((): PlanState => ({ plan: initial }), {
      limit: UNDO_STEPS,
      equality: (a, b) => a.plan === b.plan,
    }),
  );
  const history = store.temporal;
  let merging: string | null = null;

  return {
    store,
    history,
    /**
     * Applies an edit. Edits with the same `merge` key, one after the other, undo as one: a word typed, not its letters.
     */
    edit: (edit: PlanEdit, merge: string | null = null): void => {
      const plan = applyEdit(store.getState().plan, edit, newId);
      const goesOn = merge !== null && merge === merging;
      merging = merge;
      if (goesOn) history.getState().pause();
      store.setState({ plan });
      if (goesOn) history.getState().resume();
    },
    /** A state that was saved elsewhere takes the place of this one; undo brings this one back. */
    receive: (plan: Plan): void => {
      merging = null;
      store.setState({ plan });
    },
    /** Ends a run of merged edits, when a field is left. */
    endMerge: (): void => {
      merging = null;
    },
    undo: (): void => {
      merging = null;
      history.getState().undo();
    },
    redo: (): void => {
      merging = null;
      history.getState().redo();
    },
  };
}
