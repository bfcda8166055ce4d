import type { Plan } from '@ombra/core/kernel/plan';
import { type Day, type Odds, type TruckSearch, riskOf } from '@ombra/core/stages/pour/rehearsal';
import type { RemedySearch } from '@ombra/core/trials/remedies';
import { proxy, wrap } from 'comlink';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { RehearsalApi } from '../../workers/rehearsal.worker';

/** Days that are played for the odds. */
export const DAYS = 10_000;

/** How the many days stand: their odds, or the search for the trucks. */
type RehearsalState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'odds'; readonly done: number }
  | { readonly kind: 'trucks'; readonly search: TruckSearch | null }
  | { readonly kind: 'remedies'; readonly search: RemedySearch | null }
  | { readonly kind: 'stopped' }
  | { readonly kind: 'broken' };

/** What was found, with the day that it holds for, as text: every edit brings the same day anew. */
interface Found<Value> {
  readonly day: string;
  readonly value: Value;
}

/** What the rehearsal is played from. */
interface Played {
  readonly plan: Plan;
  readonly pour: string;
  readonly day: Day;
  readonly seed: number;
  readonly mostOdds: number;
}

/** Plays many days in a worker of their own; a new start, or leaving, ends the one that runs. */
export function useRehearsal({ plan, pour, day, seed, mostOdds }: Played) {
  const [state, setState] = useState<RehearsalState>({ kind: 'idle' });
  const [odds, setOdds] = useState<Found<Odds> | null>(null);
  const [trucks, setTrucks] = useState<Found<TruckSearch> | null>(null);
  const [remedies, setRemedies] = useState<Found<RemedySearch> | null>(null);
  const worker = useRef<Worker | null>(null);
  const key = useMemo(() => JSON.stringify(day), [day]);

  const end = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
  }, []);
  useEffect(() => end, [end]);

  const begin = useCallback(() => {
    end();
    const own = new Worker(new URL('../../workers/rehearsal.worker.ts', import.meta.url), { type: 'module' });
    worker.current = own;
    /** Only what still runs may say something. */
    const tell = (next: RehearsalState): void => {
      if (worker.current === own) setState(next);
    };
    const settle = (next: RehearsalState): void => {
      if (worker.current !== own) return;
      end();
      setState(next);
    };
    return { api: wrap<RehearsalApi>(own), tell, settle, runs: () => worker.current === own };
  }, [end]);

  const playMany = useCallback(() => {
    const { api, tell, settle, runs } = begin();
    setState({ kind: 'odds', done: 0 });
    const report = (done: number): Promise<void> => {
      tell({ kind: 'odds', done });
      return Promise.resolve();
    };
    api.odds(day, seed, DAYS, proxy(report)).then(
      (value) => {
        if (runs()) setOdds({ day: key, value });
        settle({ kind: 'idle' });
      },
      () => {
        settle({ kind: 'broken' });
      },
    );
  }, [begin, day, key, seed]);

  const findTrucks = useCallback(() => {
    const { api, tell, settle, runs } = begin();
    setState({ kind: 'trucks', search: null });
    const report = (search: TruckSearch): Promise<void> => {
      tell({ kind: 'trucks', search });
      return Promise.resolve();
    };
    const tried = (search: RemedySearch): Promise<void> => {
      tell({ kind: 'remedies', search });
      return Promise.resolve();
    };
    const find = async (): Promise<void> => {
      const value = await api.trucks(day, seed, mostOdds, proxy(report));
      if (!runs()) return;
      setTrucks({ day: key, value });
      setRemedies(null);
      // Where no trucks come well, other ways to pour are tried.
      if (value.best && riskOf(value.best) > mostOdds) {
        tell({ kind: 'remedies', search: null });
        const other = await api.remedies(plan, pour, { seed, mostOdds }, proxy(tried));
        if (runs()) setRemedies({ day: key, value: other });
      }
      settle({ kind: 'idle' });
    };
    find().catch(() => {
      settle({ kind: 'broken' });
    });
  }, [begin, day, key, plan, pour, seed, mostOdds]);

  const stop = useCallback(() => {
    end();
    setState({ kind: 'stopped' });
  }, [end]);

  return { state, day: key, odds, trucks, remedies, playMany, findTrucks, stop };
}

export type Rehearsal = ReturnType<typeof useRehearsal>;
