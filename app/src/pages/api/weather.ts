import type { APIRoute } from 'astro';
import { only, refuse } from '../../server/answers';
import { askedDay } from '../../server/chance';
import { simulatedWeather } from '../../server/weather/simulatedWeather';

/** Most days in one answer. */
const MOST_DAYS = 120;

/** Wind of the next nights, the weather of the requested day, and of the days from it on; simulated. */
export const GET: APIRoute = async ({ url }) => {
  const day = askedDay(url);
  if (!day) return refuse(422, { where: 'date', what: 'The date cannot be read; write it as 2026-11-30.' });
  const count = Number(url.searchParams.get('days') ?? '0');
  if (!Number.isInteger(count) || count < 0 || count > MOST_DAYS) {
    return refuse(422, { where: 'days', what: `Ask for 0 to ${String(MOST_DAYS)} days, a whole number.` });
  }
  return Response.json({
    simulated: true,
    nights: await simulatedWeather.nights(new Date()),
    day: await simulatedWeather.day(day),
    ...(count > 0 ? { days: await simulatedWeather.days(day, count) } : {}),
  });
};

export const ALL = only('GET');
