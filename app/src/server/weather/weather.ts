import type { DayWeather } from '@ombra/core/stages/days';

/** Wind of one night. */
export interface Night {
  /** `2026-11-24` */
  readonly date: string;
  /** Strongest gust, miles an hour. */
  readonly gust: number;
}

/** A weather service; a real one may take its place. */
export interface Weather {
  /** The next nights from a day on. */
  readonly nights: (from: Date) => Promise<readonly Night[]>;
  readonly day: (day: Date) => Promise<DayWeather>;
  /** Consecutive days, from a given one. */
  readonly days: (from: Date, count: number) => Promise<readonly DayWeather[]>;
}
