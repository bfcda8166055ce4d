import { NANOMETRES_PER_METRE } from '@ombra/core/measure';
import { readPlan } from '@ombra/core/plan';
import { wallsOf } from '@ombra/core/shell';
import { work } from '@ombra/core/work';
import type { APIRoute } from 'astro';
import { noSuchJob, refuse } from '../../server/answers';
import { simulatedReceiver } from '../../server/receiver/simulatedReceiver';
import { receiverStream } from '../../server/receiver/stream';

/** Readings of the laser receiver at one spot of a job's footing, as server-sent events. */
export const GET: APIRoute = async ({ locals, url }) => {
  const query = url.searchParams;
  const id = query.get('job') ?? '';
  const job = await locals.services.jobs.get(id);
  const reading = job ? readPlan(job.plan) : null;
  if (!job || !reading?.ok) return noSuchJob(id);
  const { shell, levels } = work(reading.plan);
  const wall = wallsOf(shell).find((each) => each.id === query.get('wall'));
  const at = Number(query.get('at') ?? '');
  if (!wall || !Number.isFinite(at) || at < 0 || at > wall.length) {
    return refuse(422, {
      where: wall ? 'at' : 'wall',
      what: wall
        ? 'The rod stands off this wall; give its distance from the wall’s first corner in whole nanometres.'
        : 'There is no such wall; give the id of one that stands.',
    });
  }
  const face = Math.min(at + Math.max(wall.beyondStart, 0), wall.length);
  const span = (levels.walls[wall.id] ?? []).findLast((each) => each.from <= face);
  const loop = shell.loops.find((each) => each.id === wall.loop)?.built;
  return receiverStream(
    simulatedReceiver({
      seed: id,
      station: (wall.station + face) / NANOMETRES_PER_METRE,
      round: (loop?.perimeter ?? wall.length) / NANOMETRES_PER_METRE,
      above: (span?.bottom ?? 0) / NANOMETRES_PER_METRE,
      shimmed: query.get('pass') === 'first-course',
    }),
  );
};
