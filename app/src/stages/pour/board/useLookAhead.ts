import { type Way, type WayTried } from '@ombra/core/stages/pour/board';
import type { Odds } from '@ombra/core/stages/pour/rehearsal';
import { wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { RehearsalApi } from '../../../workers/rehearsal.worker';

/** Days that are played from now on as it goes, and of each way that may help. */
const DAYS = { on: 3000, way: 400 } as const;

/** Milliseconds that the board must rest before it is looked ahead from. */
const REST = 400;

/** What was found of the minutes ahead. */
export interface Found {
  readonly odds: Odds;
  readonly ways: readonly WayTried[];
  /** The minute from which it was looked ahead. */
  readonly at: number;
}

/**
 * Plays the pour on from the board’s taps in a worker of its own, anew with every tap and every minute; what was found last stays
 * until the next is there.
 *
 * @param key changes with what is looked ahead from
 */
export function useLookAhead(ways: () => readonly Way[], key: string, now: number) {
  const [found, setFound] = useState<Found | null>(null);
  const [state, setState] = useState<'idle' | 'playing' | 'broken'>('idle');
  const worker = useRef<Worker | null>(null);
  const latest = useRef({ ways, now });
  useEffect(() => {
    latest.current = { ways, now };
  });
  useEffect(() => {
    const timer = setTimeout(() => {
      const own = new Worker(new URL('../../../workers/rehearsal.worker.ts', import.meta.url), {
        type: 'module',
      });
      worker.current?.terminate();
      worker.current = own;
      setState('playing');
      const { ways: of, now: at } = latest.current;
      wrap<RehearsalApi>(own)
        .ahead(of(), 1, DAYS)
        .then(
          (answer) => {
            if (worker.current !== own) return;
            setFound(answer && { ...answer, at });
            setState('idle');
          },
          () => {
            if (worker.current === own) setState('broken');
          },
        )
        .finally(() => {
          own.terminate();
        });
    }, REST);
    return () => {
      clearTimeout(timer);
    };
  }, [key]);
  useEffect(
    () => () => {
      worker.current?.terminate();
      worker.current = null;
    },
    [],
  );
  return { found, state };
}
