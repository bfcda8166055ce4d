import type { Plan } from '@ombra/core/kernel/plan';
import type { Nudge } from '@ombra/core/trials/nudge';
import { type Remote, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { BestApi } from '../../workers/best.worker';

/** Milliseconds that the plan must rest before it is searched. */
const REST = 350;

interface NudgeState {
  /** Null while they are looked for. */
  readonly found: readonly Nudge[] | null;
  readonly broken: boolean;
}

/** Nudges of an opening, looked for in a worker of their own once the plan rests; a newer plan ends the search. */
export function useNudges(plan: Plan, opening: string | null): NudgeState {
  const [state, setState] = useState<NudgeState & { readonly of: Plan | null; readonly id: string | null }>({
    found: null,
    broken: false,
    of: null,
    id: null,
  });
  useEffect(() => {
    if (opening === null) return;
    let worker: Worker | null = null;
    const timer = setTimeout(() => {
      worker = new Worker(new URL('../../workers/best.worker.ts', import.meta.url), { type: 'module' });
      const api: Remote<BestApi> = wrap<BestApi>(worker);
      const own = worker;
      api.nudges(plan, opening).then(
        (found) => {
          setState({ found, broken: false, of: plan, id: opening });
          own.terminate();
        },
        () => {
          setState({ found: [], broken: true, of: plan, id: opening });
          own.terminate();
        },
      );
    }, REST);
    return () => {
      clearTimeout(timer);
      worker?.terminate();
    };
  }, [plan, opening]);
  const current = state.of === plan && state.id === opening;
  return { found: current ? state.found : null, broken: current && state.broken };
}
