import type { APIRoute } from 'astro';
import { only, refuse } from '../../server/answers';
import { askedDay } from '../../server/chance';
import { simulatedPlant } from '../../server/plant/simulatedPlant';

/** What the plant says of the day that is asked for, simulated. */
export const GET: APIRoute = async ({ url }) => {
  const day = askedDay(url);
  if (!day) return refuse(422, { where: 'date', what: 'The date cannot be read; write it as 2026-11-30.' });
  return Response.json({ simulated: true, plant: await simulatedPlant.quote(day) });
};

export const ALL = only('GET');
