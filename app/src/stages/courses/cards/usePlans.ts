import type { Plan } from '@ombra/core/kernel/plan';
import type { BestFound } from '@ombra/core/trials/best';
import type { Manner } from '@ombra/core/trials/compare';
import { type Remote, proxy, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { BestApi } from '../../../workers/best.worker';

/** How the search stands. */
type SearchState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly found: BestFound | null }
  | { readonly kind: 'done'; readonly found: BestFound }
  | { readonly kind: 'stopped'; readonly found: BestFound | null }
  | { readonly kind: 'nothing'; readonly why: string };

interface Running {
  readonly worker: Worker;
  readonly api: Remote<BestApi>;
}

function start(): Running {
  const worker = new Worker(new URL('../../../workers/best.worker.ts', import.meta.url), { type: 'module' });
  return { worker, api: wrap<BestApi>(worker) };
}

/** The usual manners and the search for the best plan, each in a worker of its own; ending the worker ends the search. */
export function usePlans(plan: Plan) {
  const [usual, setUsual] = useState<readonly Manner[] | null>(null);
  const [search, setSearch] = useState<SearchState>({ kind: 'idle' });
  /** The plan that the search was started with: what it found holds for that one only. */
  const [searched, setSearched] = useState<Plan | null>(null);
  const running = useRef<Running | null>(null);

  useEffect(() => {
    const own = start();
    let over = false;
    own.api.manners(plan).then(
      (found) => {
        if (!over) setUsual(found);
      },
      () => {
        if (!over) setUsual([]);
      },
    );
    return () => {
      over = true;
      own.worker.terminate();
    };
  }, [plan]);

  const end = useCallback(() => {
    running.current?.worker.terminate();
    running.current = null;
  }, []);
  useEffect(() => end, [end]);

  const find = useCallback(() => {
    end();
    const own = start();
    running.current = own;
    setSearched(plan);
    setSearch({ kind: 'running', found: null });
    let last: BestFound | null = null;
    const report = (found: BestFound): Promise<void> => {
      if (running.current === own) {
        if (found.goals.length > 0) last = found;
        setSearch({ kind: 'running', found });
      }
      return Promise.resolve();
    };
    own.api.search(plan, proxy(report)).then(
      (why) => {
        if (running.current !== own) return;
        end();
        if (why !== null) setSearch({ kind: 'nothing', why });
        else if (last) setSearch({ kind: 'done', found: last });
      },
      () => {
        if (running.current !== own) return;
        end();
        setSearch({
          kind: 'nothing',
          why: 'The search broke; the plan is as it was. Try it again after a reload.',
        });
      },
    );
  }, [plan, end]);

  const stop = useCallback(() => {
    end();
    setSearch((before) => ({ kind: 'stopped', found: before.kind === 'running' ? before.found : null }));
  }, [end]);

  return { usual, search, stale: searched !== null && searched !== plan, find, stop };
}
