import type { APIRoute } from 'astro';
import { noSuchJob, only, refuse } from '../../../../server/answers';
import { liveStream } from '../../../../server/live/stream';

/**
 * How a job stands and who has it open, as server-sent events: at once, and whenever one of it changes. A line that was lost is taken
 * up by asking again: each message says all of it.
 */
export const GET: APIRoute = async ({ locals, params, url, request }) => {
  const { id = '' } = params;
  const { jobs, live } = locals.services;
  if (!(await jobs.get(id))) return noSuchJob(id);
  const page = url.searchParams.get('page') ?? '';
  if (!/^[\w-]{1,60}$/.test(page))
    return refuse(422, {
      where: 'page',
      what: 'Give the page an id of its own: up to 60 letters, digits, - or _.',
    });
  const said = (url.searchParams.get('who') ?? '').trim().slice(0, 80);
  // Where people come in, the door knows them; on the machine itself, a page says who sits there.
  const name = locals.person?.name || said || 'Somebody';
  return liveStream(live, id, { page, name }, request.signal);
};

export const ALL = only('GET');
