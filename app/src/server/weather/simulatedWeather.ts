import type { Night, Weather } from './weather';

const NIGHTS = 3;
const DAY = 86_400_000;
/** Gusts from a still night to a blow, miles an hour. */
const LEAST = 5;
const MOST = 45;

/** A number from 0 to 1 that a date always gives again. [FNV-1a, and the last steps of MurmurHash3] */
function chanceOf(date: string): number {
  let hash = 0x811c9dc5;
  for (const letter of date) hash = Math.imul(hash ^ letter.charCodeAt(0), 0x01000193);
  // Days in a row differ in one letter only: the bits are stirred once more.
  hash = Math.imul(hash ^ (hash >>> 16), 0x85ebca6b);
  hash = Math.imul(hash ^ (hash >>> 13), 0xc2b2ae35);
  return ((hash ^ (hash >>> 16)) >>> 0) / 0x100000000;
}

/** Weather that ships with the application: invented, and the same for the same date. */
export const simulatedWeather: Weather = {
  nights: (from) =>
    Promise.resolve(
      Array.from({ length: NIGHTS }, (_, index): Night => {
        const date = new Date(from.getTime() + index * DAY).toISOString().slice(0, 10);
        return { date, gust: Math.round(LEAST + chanceOf(date) * (MOST - LEAST)) };
      }),
    ),
};
