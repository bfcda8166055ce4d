import type { WorkedPour } from '@ombra/core/stages/pour';
import { type DayEvent, type PlayedRun, playDay } from '@ombra/core/stages/pour/rehearsal';
import { useCallback, useEffect, useMemo, useState } from 'react';

/** Minutes of the day that pass in a second. */
export const SPEEDS = [2, 6, 20] as const;

/** One day of the rehearsal and where its clock stands. */
export interface Played {
  readonly run: PlayedRun;
  readonly at: number;
  readonly playing: boolean;
  readonly speed: number;
  readonly events: readonly DayEvent[];
  readonly goTo: (minutes: number) => void;
  readonly play: (playing: boolean) => void;
  readonly setSpeed: (speed: number) => void;
  readonly setEvents: (events: readonly DayEvent[]) => void;
}

/** Plays one day of a pour: the same one for the same seed and troubles. The clock runs with the pictures of the browser. */
export function usePlayed(pour: WorkedPour | undefined, seed: number): Played | null {
  const [events, setEvents] = useState<readonly DayEvent[]>([]);
  const [at, setAt] = useState(0);
  const [playing, setPlaying] = useState(false);
  const [speed, setSpeed] = useState<number>(SPEEDS[1]);
  const day = pour?.day;
  const run = useMemo(() => (day ? playDay(day, seed, events) : null), [day, seed, events]);
  const finish = run?.finish ?? 0;
  useEffect(() => {
    if (!playing) return;
    let last: number | null = null;
    let frame = requestAnimationFrame(function tick(now) {
      const passed = last === null ? 0 : ((now - last) / 1000) * speed;
      last = now;
      setAt((before) => {
        const next = Math.min(finish, before + passed);
        if (next >= finish) setPlaying(false);
        return next;
      });
      frame = requestAnimationFrame(tick);
    });
    return () => {
      cancelAnimationFrame(frame);
    };
  }, [playing, speed, finish]);
  const goTo = useCallback((minutes: number) => {
    setPlaying(false);
    setAt(minutes);
  }, []);
  const play = useCallback(
    (next: boolean) => {
      if (next) setAt((before) => (before >= finish ? 0 : before));
      setPlaying(next);
    },
    [finish],
  );
  if (!run) return null;
  return {
    run,
    at: Math.min(at, finish),
    playing,
    speed,
    events,
    goTo,
    play,
    setSpeed,
    setEvents,
  };
}

/** Where the hose is at a time: the stop that is being filled, or the last one that was. */
export function stopAt(run: PlayedRun, at: number): number | null {
  let found: number | null = null;
  for (const placed of run.placed) {
    if (placed.from > at) break;
    found = placed.stop;
  }
  return found;
}
