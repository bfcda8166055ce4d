import bowser from 'bowser';
import { type Problem, json, refuse } from '../answers';
import type { Access } from './gate';
import { sessionCookie } from './gate';
import type { Role } from './roles';

/** Letters of a browser's word of itself that are looked at. */
const LONGEST_WORD = 400;

/** Which browser on which device, in a few words, as it says itself. */
function browserOf(request: Request): string {
  const said = (request.headers.get('user-agent') ?? '').slice(0, LONGEST_WORD);
  if (said === '') return 'a program';
  const { browser, os, platform } = bowser.parse(said);
  const device = platform.type === 'mobile' ? 'phone' : platform.type === 'tablet' ? 'tablet' : '';
  const words = [browser.name, os.name && `on ${os.name}`, device].filter(Boolean).join(' ');
  return (words || said).slice(0, 120);
}

/** The answer of sign-in endpoints on a server without a passphrase. */
export const nobodyComesIn = (): Response =>
  refuse(404, {
    where: 'address',
    what: 'This Ombra runs for this machine only and has no sign-in. Start it with HOST and OMBRA_PASSPHRASE to open it to the site.',
  });

/** Too many wrong tries: when the next may come. */
export function tooMany(seconds: number): Response {
  const minutes = Math.max(1, Math.ceil(seconds / 60));
  const answer = refuse(429, {
    where: 'sign-in',
    what: `Too many wrong tries from here. Wait ${String(minutes)} ${minutes === 1 ? 'minute' : 'minutes'}, then try again.`,
  });
  answer.headers.set('Retry-After', String(seconds));
  return answer;
}

/** Lets a browser in and gives it its session. */
export async function letIn(
  access: Access,
  who: { readonly role: Role; readonly name: string; readonly link: string | null },
  { request, secure, to }: { readonly request: Request; readonly secure: boolean; readonly to: string },
): Promise<Response> {
  const token = await access.store.letIn({ ...who, browser: browserOf(request) });
  const answer = json({ role: who.role, to }, 201);
  answer.headers.append('Set-Cookie', sessionCookie(token, secure));
  return answer;
}

/** A path of ours to go to; the list of jobs where it is none. A link may lead nowhere else. */
export const pathTo = (to: unknown): string =>
  typeof to === 'string' && /^\/(?![/\\])[\w\-./?=&%]*$/.test(to) && !/^\/(sign-in|join|api)\b/.test(to)
    ? to
    : '/';

const LONGEST_NAME = 80;

/** A name as it is signed with; what is wrong with it where it is none. */
export function nameIn(name: unknown): { readonly name: string } | { readonly problem: Problem } {
  const read = typeof name === 'string' ? name.trim() : '';
  return read === '' || read.length > LONGEST_NAME
    ? {
        problem: {
          where: 'name',
          what: `Say your name, up to ${String(LONGEST_NAME)} letters: the log is signed with it.`,
        },
      }
    : { name: read };
}
