import type { APIRoute } from 'astro';
import { letIn, nameIn, nobodyComesIn, tooMany } from '../../server/access/answers';
import { whyNot } from '../../server/access/linkWords';
import { only, readBody, refuse } from '../../server/answers';

/** Lets a device in by a link. */
export const POST: APIRoute = async ({ locals, request }) => {
  const { access } = locals.services;
  if (access === null) return nobodyComesIn();
  const reading = await readBody(request);
  if (!reading.ok) return reading.answer;
  const from = locals.from ?? '';
  const wait = await access.door.wait(from);
  if (wait !== null) return tooMany(wait);
  const { token } = reading.body;
  const link = await access.store.readLink(typeof token === 'string' ? token : '');
  if (link.kind === 'unknown') await access.door.wrongLink(from);
  const what = whyNot(link);
  if (what !== null || link.kind !== 'open') return refuse(410, { where: 'link', what: what ?? '' });
  const named = nameIn(reading.body['name']);
  if ('problem' in named) return refuse(422, named.problem);
  const { id, role, job } = link.link;
  return letIn(
    access,
    { role, name: named.name, link: id },
    { request, secure: locals.secure === true, to: job === null ? '/' : `/jobs/${job}/today` },
  );
};

export const ALL = only('POST');
