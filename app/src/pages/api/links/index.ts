import type { APIRoute } from 'astro';
import { nameIn, nobodyComesIn } from '../../../server/access/answers';
import { ROLES } from '../../../server/access/roles';
import { json, only, readBody, refuse } from '../../../server/answers';

/** Days that a link may let new devices in. */
const LONGEST = 90;

/** Every link, the newest first. */
export const GET: APIRoute = async ({ locals }) => {
  const { access } = locals.services;
  return access === null ? nobodyComesIn() : json({ links: await access.store.links() });
};

/** A new link for a role; its secret is answered this once. */
export const POST: APIRoute = async ({ locals, request }) => {
  const { access, jobs } = locals.services;
  if (access === null) return nobodyComesIn();
  const reading = await readBody(request);
  if (!reading.ok) return reading.answer;
  const { role: asked, days, job = null } = reading.body;
  const named = nameIn(reading.body['name']);
  if ('problem' in named)
    return refuse(422, {
      where: 'name',
      what: 'Say whom the link is for, up to 80 letters: a crew or a person.',
    });
  const role = ROLES.find((each) => each === asked);
  if (!role) return refuse(422, { where: 'role', what: `A link is for one of ${ROLES.join(', ')}.` });
  if (typeof days !== 'number' || !Number.isInteger(days) || days < 1 || days > LONGEST) {
    return refuse(422, {
      where: 'days',
      what: `Say for how many days the link lets devices in: a whole number from 1 to ${String(LONGEST)}.`,
    });
  }
  if (job !== null && (typeof job !== 'string' || (await jobs.get(job)) === null))
    return refuse(422, {
      where: 'job',
      what: 'There is no such job; leave it out to lead to the list of jobs.',
    });
  const { link, token } = await access.store.makeLink({
    role,
    name: named.name,
    job,
    days,
    madeBy: locals.person?.name ?? '',
  });
  return json({ link, path: `/join/${token}` }, 201);
};

export const ALL = only('GET', 'POST');
