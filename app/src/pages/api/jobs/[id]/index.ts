import type { APIRoute } from 'astro';
import { json, noSuchJob, readBody, readSentPlan, refuse } from '../../../../server/answers';

export const GET: APIRoute = async ({ locals, params }) => {
  const { id = '' } = params;
  const job = await locals.services.jobs.get(id);
  return job ? json({ job }) : noSuchJob(id);
};

/**
 * Saves a plan over the version it started from. A stale save is answered 409 with the newer state and changes nothing;
 * the same save sent twice is answered twice and done once.
 */
export const PUT: APIRoute = async ({ locals, params, request }) => {
  const { id = '' } = params;
  const reading = await readBody(request);
  if (!reading.ok) return reading.answer;
  const { baseVersion, saveId, plan } = reading.body;
  if (typeof baseVersion !== 'number' || !Number.isInteger(baseVersion)) {
    return refuse(422, {
      where: 'baseVersion',
      what: 'Name the version that this plan started from, a whole number.',
    });
  }
  if (typeof saveId !== 'string' || !/^[\w-]{1,60}$/.test(saveId)) {
    return refuse(422, {
      where: 'saveId',
      what: 'Give this save an id of its own: up to 60 letters, digits, - or _.',
    });
  }
  const sent = readSentPlan(plan);
  if (!sent.ok) return sent.answer;
  const outcome = await locals.services.jobs.save(id, { baseVersion, saveId, plan: sent.plan });
  switch (outcome.kind) {
    case 'saved':
      return json({ version: outcome.version });
    case 'missing':
      return noSuchJob(id);
    case 'stale':
      return json(
        {
          problems: [
            { where: 'job', what: 'This job was changed elsewhere since; choose which state to keep.' },
          ],
          current: outcome.current,
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
