import { writePlan } from '@ombra/core/plan';
import type { APIRoute } from 'astro';
import { json, noSuchJob, only, readBody, readSave, refuse, signed } from '../../../../server/answers';
import type { StoredJob } from '../../../../server/jobStore';

const shown = ({ plan, ...job }: StoredJob) => ({ ...job, plan: writePlan(plan) });

export const GET: APIRoute = async ({ locals, params }) => {
  const { id = '' } = params;
  const job = await locals.services.jobs.get(id);
  return job ? json({ job: shown(job) }) : noSuchJob(id);
};

/**
 * Saves a plan over the version it started from. A stale save is answered 409 with the newer state and changes nothing;
 * the same save sent twice is answered twice and done once; an id that comes again with another plan is refused.
 */
export const PUT: APIRoute = async ({ locals, params, request }) => {
  const { id = '' } = params;
  const reading = await readBody(request);
  if (!reading.ok) return reading.answer;
  const { baseVersion } = reading.body;
  if (typeof baseVersion !== 'number' || !Number.isInteger(baseVersion)) {
    return refuse(422, {
      where: 'baseVersion',
      what: 'Name the version that this plan started from, a whole number.',
    });
  }
  const sent = readSave(reading.body);
  if (!sent.ok) return sent.answer;
  const outcome = await locals.services.jobs.save(id, { baseVersion, ...sent.save, ...signed(locals) });
  switch (outcome.kind) {
    case 'saved':
      return json({ version: outcome.version });
    case 'missing':
      return noSuchJob(id);
    case 'reused':
      return refuse(409, {
        where: 'saveId',
        what: 'Another plan was saved under this id; give every save one of its own. Nothing was changed.',
      });
    case 'stale':
      return json(
        {
          problems: [
            { where: 'job', what: 'This job was changed elsewhere since; choose which state to keep.' },
          ],
          current: shown(outcome.current),
        },
        409,
      );
  }
};

/** Takes a job off the list; `restore` brings it back. */
export const DELETE: APIRoute = async ({ locals, params }) => {
  const { id = '' } = params;
  return (await locals.services.jobs.remove(id)) ? json({ removed: id }) : noSuchJob(id);
};

export const ALL = only('GET', 'PUT', 'DELETE');
