import { chanceOf } from '../chance';
import type { Plant } from './plant';

/** A plant that ships with the application: invented, and the same for the same date. */
export const simulatedPlant: Plant = {
  quote: (day) => {
    const date = day.toISOString().slice(0, 10);
    const between = (what: string, least: number, most: number): number =>
      Math.round(least + chanceOf(`${date}:${what}`) * (most - least));
    return Promise.resolve({
      name: 'Tern Hollow Ready-mix',
      travel: between('travel', 16, 34),
      load: between('load', 6, 11),
      trucks: between('trucks', 2, 5),
      step: '0.25',
    });
  },
};
