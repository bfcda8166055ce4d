import { NANOMETRES_PER_METRE } from '@ombra/core/kernel/measure';
import type { APIRoute } from 'astro';
import { noSuchJob, only, refuse } from '../../server/answers';
import { simulatedReceiver } from '../../server/receiver/simulatedReceiver';
import { receiverStream } from '../../server/receiver/stream';

/** No outline is longer, and no step higher, than this; nanometres. */
const FURTHEST = 1e14;

/**
 * Readings of the laser receiver, as server-sent events. Where its rod stands, in nanometres, is told for the simulated
 * receiver only: along the outline, all round it, and above the lowest footing.
 */
export const GET: APIRoute = async ({ locals, url }) => {
  const query = url.searchParams;
  const id = query.get('job') ?? '';
  if (!(await locals.services.jobs.get(id))) return noSuchJob(id);
  const place = { station: Number.NaN, round: Number.NaN, above: Number.NaN };
  for (const key of ['station', 'round', 'above'] as const) {
    const text = query.get(key) ?? '';
    const value = Number(text);
    if (text.trim() === '' || !Number.isFinite(value) || value < 0 || value > FURTHEST) {
      return refuse(422, {
        where: key,
        what: 'Say where the rod stands: station, round and above, each a length in whole nanometres.',
      });
    }
    place[key] = value / NANOMETRES_PER_METRE;
  }
  return receiverStream(
    simulatedReceiver({ seed: id, ...place, shimmed: query.get('pass') === 'first-course' }),
  );
};

export const ALL = only('GET');
