import { type DayWeather, dayText } from '@ombra/core/stages/days';
import { useEffect, useState } from 'react';

/** Days that the service tells at once. */
const MOST = 120;
/** Days before the first one: rain soaks a way before anybody works. */
const BEFORE = 3;

const NONE: ReadonlyMap<string, DayWeather> = new Map();

/** Weather of a job’s days by date, from the weather that ships with the application; empty until it is there, or where no first day is said. */
export function useWeather(first: number | null, days: number): ReadonlyMap<string, DayWeather> {
  const [weather, setWeather] = useState(NONE);
  const from = first === null ? null : dayText(first - BEFORE);
  const count = Math.min(MOST, days + BEFORE);
  useEffect(() => {
    if (from === null) return;
    const visit = { over: false };
    void (async () => {
      try {
        const response = await fetch(`/api/weather?date=${from}&days=${String(count)}`);
        const { days: told } = (await response.json()) as { readonly days?: readonly DayWeather[] };
        if (!visit.over) setWeather(new Map(told?.map((day) => [day.date, day])));
      } catch {
        // Without weather the days are planned all the same.
      }
    })();
    return () => {
      visit.over = true;
    };
  }, [from, count]);
  return from === null ? NONE : weather;
}
