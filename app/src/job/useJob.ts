import { type WorkedKey, patched } from '@ombra/core/kernel/engine';
import type { Plan } from '@ombra/core/kernel/plan';
import type { WorkedPlan } from '@ombra/core/work';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useStore } from 'zustand';
import { latestWins } from '../workers/latest';
import type { WorkAnswer } from '../workers/work.worker';
import { endWorker, onWorkerEnded, workClient } from '../workers/workClient';
import { useKeptAlong } from '../away/useKeptAlong';
import { useLive } from '../live/useLive';
import { findPending, keepPending, tabName } from './pendingSaves';
import { makePlanStore } from './planStore';
import { workedAtHand, workedByServer } from './firstWorked';
import { newestOf, sendSave, setAside } from './server';
import { type SaveState, type Sync, makeSync } from './sync';
import { roleHere } from './role';
import { LOOK_EVERY, useLog } from './useLog';

export interface OpenJob {
  readonly id: string;
  readonly version: number;
  readonly plan: Plan;
  /** What of the stored plan could not be read, and is left out. */
  readonly lost?: readonly { readonly where: string; readonly what: string }[];
  /** Whether it comes from what was taken along, and may be older than what the server has. */
  readonly away?: boolean;
}

const newId = (): string => crypto.randomUUID();

/** Milliseconds without an answer after which the page offers to stop the worker. */
const LONG_WORK = 8_000;

/** How working out the newest plan stands. */
type WorkState = 'well' | 'slow' | 'stopped' | 'broken';

/** A plan to be worked, which of those that are worked here it is, and what of it is shown. */
interface Asked {
  readonly plan: Plan;
  readonly turn: number;
  readonly shows: readonly WorkedKey[];
}

/** What was worked: all that is known of it, which plan it is about, and what of it is of that plan. */
interface Held {
  readonly whole: WorkedPlan;
  readonly turn: number;
  readonly keys: ReadonlySet<string>;
}

const NOTHING_HELD: Held = {
  whole: { notices: [] as WorkedPlan['notices'] } as WorkedPlan,
  turn: -1,
  keys: new Set(),
};

/** What the server has worked of the plan as it was opened. */
const heldOf = (given: WorkedPlan): Held => ({ whole: given, turn: 0, keys: new Set(Object.keys(given)) });

const holds = ({ keys }: Held, shows: readonly WorkedKey[]): boolean => shows.every((key) => keys.has(key));

/** Milliseconds that the server is waited for before the page's own worker begins. */
const PATIENCE = 700;

/** Milliseconds after the server's answer that its drawing has the machine to itself. */
const FIRST_DRAWING = 200;

/** The job as it was opened, and whether it is still as it was. */
interface Opened {
  readonly job: OpenJob;
  readonly isUnedited: () => boolean;
}

/**
 * What a view shows of the worked plan of the newest edit; the one before it stays on screen until then. The rest follows when
 * that is drawn. What an edit did not change stays the same object from one answer to the next. The first answer is the server's;
 * then, or where it does not come, a worker of the page's own works what is edited.
 */
function useWorked(plan: Plan, shows: readonly WorkedKey[], opened: Opened) {
  const [first] = useState(opened);
  const [worked, setWorked] = useState(() => {
    const given = first.job.away === true ? null : workedAtHand(first.job, shows);
    return given ? heldOf(given) : NOTHING_HELD;
  });
  const [state, setState] = useState<WorkState>('well');
  const [checked, setChecked] = useState(false);
  const ask = useRef<((asked: Asked) => void) | null>(null);
  const newest = useRef<Asked>({ plan, shows, turn: 0 });
  /** What was answered last, shown or not: answers tell what has changed since the one before. */
  const held = useRef(worked);
  useEffect(() => {
    let told = false;
    let over = false;
    const start = (): ((asked: Asked) => void) => {
      const by = newId();
      const take = (answer: WorkAnswer | null): Held => {
        told = true;
        if (answer) {
          const { turn, keys, patch } = answer;
          held.current = {
            whole: patched(held.current.whole, patch) as WorkedPlan,
            turn,
            keys: new Set(keys),
          };
        }
        return held.current;
      };
      const rest = latestWins(
        async () => take(await workClient().rest(by)),
        (output) => {
          setWorked(output);
          setChecked(true);
        },
        // The rest is asked for again with the next edit.
        () => undefined,
      );
      const work = latestWins(
        async (asked: Asked) => {
          const timer = setTimeout(() => {
            setState('slow');
          }, LONG_WORK);
          try {
            return { asked, output: take(await workClient().work(asked, by)) };
          } finally {
            clearTimeout(timer);
          }
        },
        ({ asked, output }) => {
          setWorked(output);
          setState('well');
          requestAnimationFrame(() => {
            if (newest.current.plan === asked.plan) rest(undefined);
          });
        },
        () => {
          setState('broken');
        },
      );
      ask.current = work;
      return work;
    };
    const begin = (): void => {
      if (!over && !ask.current) start()(newest.current);
    };
    const timer = setTimeout(begin, first.job.away === true ? 0 : PATIENCE);
    if (first.job.away !== true)
      void workedByServer(first.job, newest.current.shows).then((given) => {
        if (over || told) return;
        if (given && first.isUnedited()) {
          held.current = heldOf(given);
          setWorked(held.current);
        }
        setTimeout(begin, FIRST_DRAWING);
      });
    // A worker that was ended never answers: the next plan goes to a new one, in a queue of its own.
    const unlisten = onWorkerEnded(() => {
      held.current = NOTHING_HELD;
      start();
      setState('stopped');
    });
    return () => {
      over = true;
      ask.current = null;
      clearTimeout(timer);
      unlisten();
    };
  }, [first]);
  useEffect(() => {
    const before = newest.current;
    const turn = before.plan === plan ? before.turn : before.turn + 1;
    newest.current = { plan, shows, turn };
    // Another view of the same plan, and all of it is worked.
    if (held.current.turn === turn && holds(held.current, shows)) return;
    ask.current?.(newest.current);
  }, [plan, shows]);
  const again = useCallback(() => {
    setState('well');
    ask.current?.(newest.current);
  }, []);
  return {
    // A view that is gone to before its part is worked waits for it.
    worked: holds(worked, shows) ? worked.whole : null,
    notices: worked.whole.notices,
    /** Whether every stage has been worked once: until then notices are still to come. */
    checked,
    workState: state,
    stopWork: endWorker,
    workAgain: again,
  };
}

/** Milliseconds until what was left unsent is tried to be read again. */
const READ_AGAIN = 2000;

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
      const findLeft = async (): ReturnType<typeof findPending> => {
        while (!visit.over) {
          try {
            return await findPending(tab, job.id);
          } catch {
            // What reads it did not come. Nothing else is kept in its place until it has been read.
            setSaveState({ kind: 'unreachable' });
            await new Promise((resolve) => setTimeout(resolve, READ_AGAIN));
          }
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
  const onVersion = useCallback((version: number) => void sync?.look(version), [sync]);
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
    /** Whether the browser has no room to keep what waits to be sent. */
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
