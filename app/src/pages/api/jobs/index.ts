import { writePlan } from '@ombra/core/plan';
import { emptyPlan } from '@ombra/core/stages/outline';
import type { APIRoute } from 'astro';
import { json, only, readBody, readSentPlan, refuse, signed } from '../../../server/answers';

/**
 * A page of jobs, that which was worked on last first; `search` looks for a part of the name, `from` passes over so many,
 * `removed` lists those in the bin.
 */
export const GET: APIRoute = async ({ locals, url }) => {
  const from = Number(url.searchParams.get('from') ?? 0);
  if (!Number.isInteger(from) || from < 0 || from > 1e9) {
    return refuse(422, { where: 'from', what: 'Say how many jobs to pass over, a whole number from 0.' });
  }
  const search = (url.searchParams.get('search') ?? '').slice(0, 120);
  return json(await locals.services.jobs.list({ search, from, removed: url.searchParams.has('removed') }));
};

/** A new job: empty with a name, or from a plan file. With an id of its own, sending it twice makes one job. */
export const POST: APIRoute = async ({ locals, request }) => {
  const reading = await readBody(request);
  if (!reading.ok) return reading.answer;
  const { id, name, plan, ...others } = reading.body;
  const [unknown] = Object.keys(others);
  if (unknown !== undefined) {
    return refuse(422, {
      where: unknown.slice(0, 60),
      what: 'A new job takes “name”, or a plan file under “plan”, and an “id” if you like; nothing of this was taken.',
    });
  }
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
  const given = sent ? sent.plan : emptyPlan(String(name).trim());
  const made = await locals.services.jobs.create(given, id, signed(locals).by);
  if (made.kind === 'made') return json({ job: { ...made.job, plan: writePlan(made.job.plan) } }, 201);
  return refuse(409, {
    where: 'id',
    what: made.removed
      ? 'This id belongs to a job that was removed; bring that one back, or leave the id out to make a new one.'
      : 'This id belongs to another job; leave it out to get one of its own.',
  });
};

export const ALL = only('GET', 'POST');
