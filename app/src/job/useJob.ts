import type { WorkedKey } from '@ombra/core/kernel/engine';
import type { Plan } from '@ombra/core/kernel/plan';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import { newId } from '../ids';
import { useKeptAlong } from '../away/useKeptAlong';
import { useLive } from '../live/useLive';
import { findPending, keepPending, tabName } from './pendingSaves';
import { makePlanStore } from './planStore';
import { newestOf, sendSave, setAside } from './server';
import { type PendingSave, type SaveState, type Sync, makeSync } from './sync';
import { roleHere } from './role';
import { LOOK_EVERY, useLog } from './useLog';
import { useWorked } from './useWorked';

export interface OpenJob {
  readonly id: string;
  readonly version: number;
  readonly plan: Plan;
  /** What of the stored plan could not be read, and is left out. */
  readonly lost?: readonly { readonly where: string; readonly what: string }[];
  /** Whether it comes from what was taken along, and may be older than what the server has. */
  readonly away?: boolean;
}

/** Milliseconds until what was left unsent is tried to be read again. */
const READ_AGAIN = 2000;

/** How often it is tried in a browser that does not open what it keeps. */
const SHUT_TRIES = 2;

/** Connects the plan to the server, to the edits kept in the browser, and to the other tabs on the same job. */
function useSync(job: OpenJob, planStore: ReturnType<typeof makePlanStore>) {
  const [saveState, setSaveState] = useState<SaveState>({ kind: 'saved' });
  const [sync, setSync] = useState<Sync | null>(null);
  const [unkept, setUnkept] = useState(false);
  useEffect(() => {
    let unsubscribe: () => void = () => undefined;
    const visit = { over: false };
    const channel = new BroadcastChannel(`ombra.job.${job.id}`);
    let received: Plan | null = null;
    // Whether the browser does not open what it keeps: what is written is sent, and nothing that may lie there is written over.
    let shut = false;
    void (async () => {
      const tab = await tabName(newId);
      const made = makeSync(
        {
          send: sendSave,
          setAside,
          newest: (since) => newestOf(job.id, since),
          fetchMerge: () =>
            import('./mergePlans').then(
              ({ mergedPlan }) => mergedPlan,
              () => null,
            ),
          receive: (plan) => {
            received = plan;
            planStore.receive(plan);
          },
          announce: (version) => {
            // The page was left before its last save was answered: there is no screen to write to.
            if (!visit.over) channel.postMessage(version);
          },
          keep: async (pending) => {
            try {
              if (shut) throw new Error('shut');
              await keepPending(tab, job.id, pending);
              setUnkept(false);
            } catch {
              // No room to keep it: it is sent all the same, and said to be only on this page until then.
              setUnkept(pending !== null);
            }
          },
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
      const findLeft = async (): Promise<PendingSave | null> => {
        for (let tries = 1; !visit.over; tries++) {
          try {
            const left = await findPending(tab, job.id);
            if (left.kind === 'read') return left.pending;
            if (tries === SHUT_TRIES) {
              shut = true;
              return null;
            }
          } catch {
            // What reads it did not come. Nothing else is kept in its place until it has been read.
            setSaveState({ kind: 'unreachable' });
          }
          await new Promise((resolve) => setTimeout(resolve, READ_AGAIN));
        }
        return null;
      };
      const left = await findLeft();
      if (visit.over) return;
      const typedMeanwhile = planStore.store.getState().plan;
      if (left && typedMeanwhile === job.plan) planStore.store.setState({ plan: left.plan });
      unsubscribe = planStore.store.subscribe(({ plan }) => {
        // What came from the server is not sent back to it; brought back by redo, it is an edit like any other.
        const own = plan !== received;
        received = null;
        if (own) void made.changed(plan);
      });
      channel.onmessage = ({ data }: MessageEvent<unknown>) => {
        if (typeof data === 'number') void made.look(data);
      };
      setSync(made);
      if (left) await made.resume(left);
      else if (job.away === true) void made.look();
      if (typedMeanwhile !== job.plan) await made.changed(typedMeanwhile);
    })();
    return () => {
      visit.over = true;
      channel.close();
      unsubscribe();
    };
  }, [job, planStore]);

  useEffect(() => {
    const send = (): void => {
      void sync?.flush();
    };
    const back = (): void => {
      void sync?.look();
    };
    const look = (): void => {
      if (document.visibilityState === 'visible') back();
      else send();
    };
    // A page that the back key brings out of the browser's memory shows what was there when it was left.
    const shown = ({ persisted }: PageTransitionEvent): void => {
      if (persisted) void sync?.look();
    };
    window.addEventListener('online', back);
    window.addEventListener('pageshow', shown);
    window.addEventListener('pagehide', send);
    document.addEventListener('visibilitychange', look);
    return () => {
      window.removeEventListener('online', back);
      window.removeEventListener('pageshow', shown);
      window.removeEventListener('pagehide', send);
      document.removeEventListener('visibilitychange', look);
    };
  }, [sync]);
  return { saveState, sync, unkept };
}

/**
 * Everything a job page needs: the plan and its edits, what follows from it, and how it is saved.
 *
 * @param shows what the open view needs of the worked plan; the same list as long as the view stays open
 * @param lookEvery milliseconds after which the log is asked for what others wrote
 */
export function useJob(job: OpenJob, shows: readonly WorkedKey[], lookEvery = LOOK_EVERY) {
  const planStore = useMemo(() => makePlanStore(job.plan, newId), [job]);
  const plan = useStore(planStore.store, (state) => state.plan);
  const canUndo = useStore(planStore.history, (state) => state.pastStates.length > 0);
  const canRedo = useStore(planStore.history, (state) => state.futureStates.length > 0);
  const log = useLog(job.id, lookEvery);
  // What stands on site is worked with the plan, and never stored in it.
  const planOnSite = useMemo(() => (log.onSite ? { ...plan, ...log.onSite } : plan), [plan, log.onSite]);
  const { worked, notices, checked, workState, stopWork, workAgain } = useWorked(planOnSite, shows, {
    job,
    isUnedited: () => planStore.store.getState().plan === job.plan,
  });
  const { saveState, sync, unkept } = useSync(job, planStore);
  const { lookTo } = log;
  // A version may be announced before saving is ready. An object, so that the same version announced twice is fetched twice: the first
  // fetch may have failed.
  const [told, setTold] = useState<{ readonly version: number } | null>(null);
  useEffect(() => {
    if (told) void sync?.look(told.version);
  }, [sync, told]);
  const onVersion = useCallback((version: number) => {
    setTold({ version });
  }, []);
  const others = useLive(job.id, { onVersion, onLast: lookTo });
  useKeptAlong(job.id, { sync, saveState, plan }, log);
  const { edit: change, endMerge, undo, redo } = planStore;
  const [refusedEdit, setRefusedEdit] = useState(false);
  const mayEdit = roleHere() === 'office';
  const edit: typeof change = useCallback(
    (...given) => {
      if (mayEdit) change(...given);
      else setRefusedEdit(true);
    },
    [change, mayEdit],
  );
  return {
    id: job.id,
    plan,
    /** The plan with what stands on site beside it. */
    planOnSite,
    log,
    worked,
    notices,
    checked,
    workState,
    stopWork,
    workAgain,
    edit,
    /** Whether something was to be edited by somebody who only reads the plan. */
    refusedEdit,
    /** Whether the browser does not keep what waits to be sent. */
    unkept: unkept || log.unkept,
    /** Names of the others that have the job open. */
    others,
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
