import type { DayWeather } from '@ombra/core/stages/days';
import { chanceOf } from '../chance';
import type { Night, Weather } from './weather';

const NIGHTS = 3;
const DAY = 86_400_000;
/** Gusts from a still night to a blow, miles an hour. */
const LEAST = 5;
const MOST = 45;
/** Thunder on one summer day in so many. */
const THUNDER = 6;

/** How far a day is into the warm half of the year: −1 in deep winter, 1 in high summer. */
const season = (day: Date): number => {
  const start = Date.UTC(day.getUTCFullYear(), 0, 1);
  const share = (day.getTime() - start) / (365 * DAY);
  return -Math.cos(2 * Math.PI * (share - 0.05));
};

const clock = (hours: number): string =>
  `${String(Math.floor(hours)).padStart(2, '0')}:${String(Math.floor((hours % 1) * 60)).padStart(2, '0')}`;

/** Millimetres of rain on one day in three, the more the seldomer. */
const rainOf = (date: string): number => {
  const chance = chanceOf(`${date}:rain`);
  return chance < 2 / 3 ? 0 : Math.round(60 * (chance - 2 / 3) ** 1.5 * 3);
};

const gustOf = (date: string): number => Math.round(LEAST + chanceOf(date) * (MOST - LEAST));

const dateOf = (day: Date): string => day.toISOString().slice(0, 10);

/** One day. */
function dayOf(day: Date): DayWeather {
  const date = dateOf(day);
  const warm = season(day);
  const low = Math.round(48 + 18 * warm + 12 * (chanceOf(`${date}:low`) - 0.5));
  return {
    date,
    low,
    high: low + Math.round(8 + 16 * chanceOf(`${date}:high`)),
    dark: clock(18.5 + 2 * warm),
    lightning: warm > 0.3 && chanceOf(`${date}:thunder`) < 1 / THUNDER,
    gust: gustOf(date),
    rain: rainOf(date),
  };
}

/** Weather that ships with the application: invented, and the same for the same date. */
export const simulatedWeather: Weather = {
  nights: (from) =>
    Promise.resolve(
      Array.from({ length: NIGHTS }, (_, index): Night => {
        const date = dateOf(new Date(from.getTime() + index * DAY));
        return { date, gust: gustOf(date) };
      }),
    ),
  day: (day) => Promise.resolve(dayOf(day)),
  days: (from, count) =>
    Promise.resolve(
      Array.from({ length: count }, (_, index) => dayOf(new Date(from.getTime() + index * DAY))),
    ),
};
