import type { APIRoute } from 'astro';
import { letIn, nameIn, nobodyComesIn, pathTo, tooMany } from '../../server/access/answers';
import { only, readBody, refuse } from '../../server/answers';

/** Lets the office in by the passphrase. */
export const POST: APIRoute = async ({ locals, request }) => {
  const { access } = locals.services;
  if (access === null) return nobodyComesIn();
  const reading = await readBody(request);
  if (!reading.ok) return reading.answer;
  const named = nameIn(reading.body['name']);
  if ('problem' in named) return refuse(422, named.problem);
  const { passphrase, to } = reading.body;
  const tried = await access.door.passphrase(
    typeof passphrase === 'string' ? passphrase.slice(0, 1000) : '',
    locals.from ?? '',
  );
  switch (tried.kind) {
    case 'wait':
      return tooMany(tried.seconds);
    case 'wrong':
      return refuse(401, {
        where: 'passphrase',
        what: 'That is not the passphrase. Look at small and capital letters and blanks, and try again.',
      });
    case 'right':
      return letIn(
        access,
        { role: 'office', name: named.name, link: null },
        { request, secure: locals.secure === true, to: pathTo(to) },
      );
  }
};

export const ALL = only('POST');
