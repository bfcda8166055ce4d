/** Wind of one night. */
export interface Night {
  /** `2026-11-24` */
  readonly date: string;
  /** Strongest gust, miles an hour. */
  readonly gust: number;
}

/** One day, as a pour asks for it. */
export interface DayWeather {
  readonly date: string;
  /** Air in the morning and in the afternoon, degrees Fahrenheit. */
  readonly low: number;
  readonly high: number;
  /** When it is dark, `17:40`. */
  readonly dark: string;
  readonly lightning: boolean;
}

/** A weather service; a real one may take its place. */
export interface Weather {
  /** The next nights from a day on. */
  readonly nights: (from: Date) => Promise<readonly Night[]>;
  readonly day: (day: Date) => Promise<DayWeather>;
}
