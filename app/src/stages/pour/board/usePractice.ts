import type { Entry } from '@ombra/core/kernel/record';
import type { WorkedPour } from '@ombra/core/stages/pour';
import { simulatedTaps } from '@ombra/core/stages/pour/board';
import {
  type DayEvent,
  type DayEventKind,
  EVENT_ANSWERS,
  USUAL_MINUTES,
  playDay,
} from '@ombra/core/stages/pour/rehearsal';
import { startOfDay } from 'date-fns';
import { useEffect, useMemo, useRef, useState } from 'react';
import { writeMoment } from './useNow';

/** Minutes of the practised day that pass in a second. */
export const PRACTICE_SPEEDS = [0.5, 2, 6, 20] as const;

/** Minutes before the first truck at which a practised day begins. */
const BEFORE = 5;

/** A day to practise with: trucks and crew are played, and tap as a crew would; nothing of it is kept. */
export function usePractice(pour: WorkedPour | undefined, seed: number) {
  const [at, setAt] = useState(-BEFORE);
  const [playing, setPlaying] = useState(false);
  const [speed, setSpeed] = useState<number>(PRACTICE_SPEEDS[1]);
  const [events, setEvents] = useState<readonly DayEvent[]>([]);
  const [day, setDay] = useState(0);
  const run = useMemo(() => (pour ? playDay(pour.day, seed + day, events) : null), [pour, seed, day, events]);
  const end = (run?.finish ?? 0) + 30;
  const origin = useMemo(() => startOfDay(new Date()).getTime() + (pour?.start ?? 0) * 60_000, [pour?.start]);
  const taps = useMemo(
    (): readonly Entry[] =>
      pour && run
        ? simulatedTaps(pour, run, {
            who: 'Rehearsal',
            time: (minute) => writeMoment(origin + minute * 60_000),
          })
        : [],
    [pour, run, origin],
  );
  const stopAt = useRef(end);
  useEffect(() => {
    stopAt.current = end;
  });
  useEffect(() => {
    if (!playing) return;
    let last = performance.now();
    // A board changes by the minute: four times a second is smooth enough.
    const timer = setInterval(() => {
      const now = performance.now();
      const passed = ((now - last) / 1000) * speed;
      last = now;
      setAt((before) => Math.min(stopAt.current, before + passed));
    }, 250);
    return () => {
      clearInterval(timer);
    };
  }, [playing, speed]);
  return {
    at,
    playing,
    speed,
    taps,
    now: writeMoment(origin + at * 60_000),
    play: setPlaying,
    setSpeed,
    /** Something goes wrong at this minute, and is answered as mostly. */
    throwIn: (kind: DayEventKind) => {
      const event = { kind, at, answer: EVENT_ANSWERS[kind][0], minutes: USUAL_MINUTES[kind] } as DayEvent;
      setEvents((before) => [...before, event]);
    },
    /** Another day, from its start. */
    again: () => {
      setAt(-BEFORE);
      setEvents([]);
      setDay((before) => before + 1);
    },
  };
}

export type Practice = ReturnType<typeof usePractice>;
