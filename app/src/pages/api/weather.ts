import type { APIRoute } from 'astro';
import { simulatedWeather } from '../../server/weather/simulatedWeather';

/** Wind of the next nights, simulated. */
export const GET: APIRoute = async () =>
  Response.json({ simulated: true, nights: await simulatedWeather.nights(new Date()) });
