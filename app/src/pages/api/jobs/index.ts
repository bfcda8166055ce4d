import { emptyPlan } from '@ombra/core/plan';
import type { APIRoute } from 'astro';
import { json, readBody, readSentPlan, refuse } from '../../../server/answers';

/** The list of jobs, newest work first. */
export const GET: APIRoute = async ({ locals }) => json({ jobs: await locals.services.jobs.list() });

/** A new job: empty with a name, or from a plan file. With an id of its own, sending it twice makes one job. */
export const POST: APIRoute = async ({ locals, request }) => {
  const reading = await readBody(request);
  if (!reading.ok) return reading.answer;
  const { id, name, plan } = reading.body;
  if (id !== undefined && !(typeof id === 'string' && /^[\w-]{1,60}$/.test(id))) {
    return refuse(422, {
      where: 'id',
      what: 'An id is up to 60 letters, digits, - or _; leave it out to get one.',
    });
  }
  if (plan === undefined && !(typeof name === 'string' && name.trim() !== '' && name.length <= 120)) {
    return refuse(422, { where: 'name', what: 'Give the job a name of up to 120 characters.' });
  }
  const sent = plan === undefined ? null : readSentPlan(plan);
  if (sent && !sent.ok) return sent.answer;
  const job = await locals.services.jobs.create(sent ? sent.plan : emptyPlan(String(name).trim()), id);
  return json({ job }, 201);
};
