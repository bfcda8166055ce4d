import type { Plan } from '@ombra/core/plan/plan';
import type { WorkedPlan } from '@ombra/core/work';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useStore } from 'zustand';
import { latestWins } from '../../workers/latest';
import { workClient } from '../../workers/workClient';
import { findPending, keepPending, tabName } from './pendingSaves';
import { makePlanStore } from './planStore';
import { sendSave } from './server';
import { type SaveState, type Sync, makeSync } from './sync';

export interface OpenJob {
  readonly id: string;
  readonly version: number;
  readonly plan: Plan;
}

// The worker loads while the page is still being put together, not after it.
if (typeof Worker !== 'undefined') workClient();

const newId = (): string => crypto.randomUUID();

/** The worked plan of the newest edit; the one before it stays on screen until then. */
function useWorked(plan: Plan): { readonly worked: WorkedPlan | null; readonly broken: boolean } {
  const [worked, setWorked] = useState<WorkedPlan | null>(null);
  const [broken, setBroken] = useState(false);
  const ask = useRef<((plan: Plan) => void) | null>(null);
  const newest = useRef(plan);
  useEffect(() => {
    let fetching = false;
    ask.current = latestWins(
      (input: Plan) => workClient().work(input),
      (output) => {
        setWorked(output);
        setBroken(false);
        if (output.complete || fetching) return;
        // What the first view does without comes after it; a fetch that fails is tried again with the next edit.
        fetching = true;
        workClient()
          .fetchLate()
          .then(
            () => ask.current?.(newest.current),
            () => undefined,
          )
          .finally(() => {
            fetching = false;
          });
      },
      () => {
        setBroken(true);
      },
    );
  }, []);
  useEffect(() => {
    newest.current = plan;
    ask.current?.(plan);
  }, [plan]);
  return { worked, broken };
}

/** Connects the plan to the server and to the edits kept in the browser. */
function useSync(job: OpenJob, planStore: ReturnType<typeof makePlanStore>) {
  const [saveState, setSaveState] = useState<SaveState>({ kind: 'saved' });
  const [sync, setSync] = useState<Sync | null>(null);
  useEffect(() => {
    let unsubscribe: () => void = () => undefined;
    const visit = { over: false };
    void (async () => {
      const tab = await tabName(newId);
      const made = makeSync(
        {
          send: sendSave,
          keep: (pending) => keepPending(tab, job.id, pending),
          newId,
          later: (callback, milliseconds) => {
            const timer = setTimeout(callback, milliseconds);
            return () => {
              clearTimeout(timer);
            };
          },
          show: setSaveState,
        },
        job,
      );
      const left = await findPending(tab, job.id);
      if (visit.over) return;
      const typedMeanwhile = planStore.store.getState().plan;
      if (left && typedMeanwhile === job.plan) planStore.store.setState({ plan: left.plan });
      unsubscribe = planStore.store.subscribe(({ plan }) => {
        void made.changed(plan);
      });
      setSync(made);
      if (left) await made.resume(left);
      if (typedMeanwhile !== job.plan) await made.changed(typedMeanwhile);
    })();
    return () => {
      visit.over = true;
      unsubscribe();
    };
  }, [job, planStore]);

  useEffect(() => {
    const send = (): void => {
      void sync?.flush();
    };
    window.addEventListener('online', send);
    document.addEventListener('visibilitychange', send);
    return () => {
      window.removeEventListener('online', send);
      document.removeEventListener('visibilitychange', send);
    };
  }, [sync]);
  return { saveState, sync };
}

/** Everything a job page needs: the plan and its edits, what follows from it, and how it is saved. */
export function useJob(job: OpenJob) {
  const planStore = useMemo(() => makePlanStore(job.plan, newId), [job]);
  const plan = useStore(planStore.store, (state) => state.plan);
  const canUndo = useStore(planStore.history, (state) => state.pastStates.length > 0);
  const canRedo = useStore(planStore.history, (state) => state.futureStates.length > 0);
  const { worked, broken } = useWorked(plan);
  const { saveState, sync } = useSync(job, planStore);
  const { edit, endMerge, undo, redo } = planStore;
  return {
    id: job.id,
    plan,
    worked,
    broken,
    edit,
    endMerge,
    undo,
    redo,
    canUndo,
    canRedo,
    saveState,
    sync,
    freshId: newId,
  };
}

export type Job = ReturnType<typeof useJob>;
