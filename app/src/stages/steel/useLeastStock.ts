import type { StockOfSize } from '@ombra/core/stages/steel';
import { proxy, wrap } from 'comlink';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { BestApi, LeastSoFar } from '../../workers/best.worker';

/** How the search for the fewest bars stands. */
type LeastState = 'running' | 'done' | 'stopped' | 'broken';

interface Search {
  /** The cuts that the search was started with: what it found holds for those only. */
  readonly cuts: string;
  readonly state: LeastState;
  readonly found: ReadonlyMap<string, LeastSoFar>;
}

const cutsOf = (stock: readonly StockOfSize[]): string =>
  JSON.stringify(stock.map(({ size, stock: length, lengths }) => [size, length, lengths]));

/**
 * The fewest stock bars for a job's cuts, searched for and proved in a worker as soon as the cuts change; sizes that are proved
 * already are left alone.
 */
export function useLeastStock(stock: readonly StockOfSize[]) {
  const cuts = useMemo(() => cutsOf(stock), [stock]);
  const [search, setSearch] = useState<Search | null>(null);
  const worker = useRef<Worker | null>(null);
  const latest = useRef(stock);
  useEffect(() => {
    latest.current = stock;
  }, [stock]);

  const end = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
  }, []);

  const start = useCallback(() => {
    end();
    const open = latest.current.filter((own) => !own.proved);
    const nothing: Search = { cuts, state: open.length === 0 ? 'done' : 'running', found: new Map() };
    setSearch(nothing);
    if (open.length === 0) return;
    const own = new Worker(new URL('../../workers/best.worker.ts', import.meta.url), { type: 'module' });
    worker.current = own;
    const settle = (state: LeastState): void => {
      if (worker.current !== own) return;
      end();
      setSearch((before) => ({ ...(before ?? nothing), state }));
    };
    const report = (found: LeastSoFar): Promise<void> => {
      if (worker.current === own) {
        setSearch((before) => ({
          ...(before ?? nothing),
          found: new Map(before?.found).set(found.own.size, found),
        }));
      }
      return Promise.resolve();
    };
    wrap<BestApi>(own)
      .leastStock(open, proxy(report))
      .then(
        () => {
          settle('done');
        },
        () => {
          settle('broken');
        },
      );
  }, [cuts, end]);

  useEffect(() => {
    start();
    return end;
  }, [start, end]);

  const stop = useCallback(() => {
    end();
    setSearch((before) => before && { ...before, state: 'stopped' });
  }, [end]);

  const own = search?.cuts === cuts ? search : null;
  return {
    state: own?.state ?? 'running',
    tried: own ? [...own.found.values()].reduce((sum, each) => sum + each.tried, 0) : 0,
    /** The stock with the best plan so far of every size. */
    stock: stock.map((each): StockOfSize => {
      const better = own?.found.get(each.size)?.own;
      return better ? { ...each, lengths: better.lengths, bound: better.bound, proved: better.proved } : each;
    }),
    start,
    stop,
  };
}

export type LeastStock = Readonly<Omit<ReturnType<typeof useLeastStock>, 'stock'>> & {
  readonly stock: readonly StockOfSize[];
};
