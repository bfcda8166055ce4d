import type { APIRoute } from 'astro';
import { nobodyComesIn } from '../../server/access/answers';
import { sessionCookie } from '../../server/access/gate';
import { json, only } from '../../server/answers';

/** Ends the session of the device that asks. */
export const POST: APIRoute = async ({ locals }) => {
  const { access } = locals.services;
  const device = locals.person?.device ?? null;
  if (access === null || device === null) return nobodyComesIn();
  await access.store.withdrawDevice(device, true);
  const answer = json({ out: true });
  answer.headers.append('Set-Cookie', sessionCookie('', locals.secure === true));
  return answer;
};

export const ALL = only('POST');
