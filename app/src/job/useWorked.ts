import { type WorkedKey, patched } from '@ombra/core/kernel/engine';
import type { Plan } from '@ombra/core/kernel/plan';
import type { WorkedPlan } from '@ombra/core/work';
import { useCallback, useEffect, useRef, useState } from 'react';
import { newId } from '../ids';
import { latestWins } from '../workers/latest';
import type { WorkAnswer } from '../workers/work.worker';
import { endWorker, onWorkerEnded, workClient } from '../workers/workClient';
import { workedAtHand, workedByServer } from './firstWorked';

/** Milliseconds without an answer after which the page offers to stop the worker. */
const LONG_WORK = 8_000;

/** How working out the newest plan stands. */
type WorkState = 'well' | 'slow' | 'stopped' | 'broken';

/** A plan to work out, its number among the plans of this page, and what of it is shown. */
interface Asked {
  readonly plan: Plan;
  readonly turn: number;
  readonly shows: readonly WorkedKey[];
}

/** What the page has: the worked plan, the number of its plan, and the keys that are up to date with that plan. */
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
  readonly job: { readonly id: string; readonly version: number; readonly away?: boolean };
  readonly isUnedited: () => boolean;
}

/**
 * What a view shows of the worked plan of the newest edit; the one before it stays on screen until then. The rest follows when
 * that is drawn. What an edit did not change stays the same object from one answer to the next. The first answer is the server's;
 * then, or where it does not come, a worker of the page's own works what is edited.
 */
export function useWorked(plan: Plan, shows: readonly WorkedKey[], opened: Opened) {
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
        // What was at hand from the start is on screen already.
        if (given && held.current === NOTHING_HELD && first.isUnedited()) {
          held.current = heldOf(given);
          setWorked(held.current);
        }
        setTimeout(begin, held.current === NOTHING_HELD ? 0 : FIRST_DRAWING);
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
