import type { APIRoute } from 'astro';
import { json, noSuchJob, only, readBody, readSave, refuse, signed } from '../../../../../server/answers';

/** States of a job, the newest first: version, time, size in characters. */
export const GET: APIRoute = async ({ locals, params }) => {
  const { id = '' } = params;
  const revisions = await locals.services.jobs.revisions(id);
  return revisions ? json({ revisions }) : noSuchJob(id);
};

/** Keeps a plan in the history of its job, without its taking the place of the newest one: what a person let go of. */
export const POST: APIRoute = async ({ locals, params, request }) => {
  const { id = '' } = params;
  const reading = await readBody(request);
  if (!reading.ok) return reading.answer;
  const sent = readSave(reading.body);
  if (!sent.ok) return sent.answer;
  const outcome = await locals.services.jobs.setAside(id, { ...sent.save, ...signed(locals) });
  if (outcome.kind === 'saved') return json({ version: outcome.version }, 201);
  if (outcome.kind === 'missing') return noSuchJob(id);
  return refuse(409, {
    where: 'saveId',
    what: 'Another plan was kept under this id; give it one of its own.',
  });
};

export const ALL = only('GET', 'POST');
