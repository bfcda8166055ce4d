import type { IncomingMessage } from 'node:http';
import { parse, serialize } from 'cookie';
import type { Refusal } from '../guard';
import type { AccessStore } from './accessStore';
import type { Doorkeeper } from './passphrase';
import { type Need, needOf } from './permissions';
import { type Person, OWNER, reaches } from './roles';

/** How people come in, where Ombra is open to more than its own machine; null where it is not. */
export interface Access {
  readonly store: AccessStore;
  readonly door: Doorkeeper;
}

/** What the gate makes of a request. */
type GateOutcome =
  /** Nobody is known, and the address is for anyone. */
  | { readonly kind: 'through'; readonly person: Person | null }
  /** A page for somebody who is not in: they are led to the door. */
  | { readonly kind: 'sign-in' }
  | { readonly kind: 'refused'; readonly refusal: Refusal };

const COOKIE = 'ombra-session';

/** Seconds that a browser keeps a session: longer than the server honours it without being used. */
const KEPT = 400 * 86_400;

const ROLE_DOES = {
  look: 'may read',
  crew: 'may read, and write the log and the board of a pour',
  office: 'may do all',
} as const;

/** The secret that a browser shows; empty where it shows none. */
export const tokenIn = (cookies: string | undefined): string => parse(cookies ?? '')[COOKIE] ?? '';

/** The header that gives a browser its session, or takes it away with an empty secret. */
export const sessionCookie = (token: string, secure: boolean): string =>
  serialize(COOKIE, token, {
    path: '/',
    httpOnly: true,
    // Lax, so that a link in a message leads in; writes are guarded by where they come from.
    sameSite: 'lax',
    secure,
    maxAge: token === '' ? 0 : KEPT,
  });

/** Lets a request through, leads it to the door, or refuses it in words. */
export async function gate(
  access: Access | null,
  { method, path, cookies }: { readonly method: string; readonly path: string; readonly cookies?: string },
): Promise<GateOutcome> {
  if (access === null) return { kind: 'through', person: OWNER };
  const token = tokenIn(cookies);
  const person = token === '' ? null : await access.store.personOf(token);
  const refusal = refusalOf(person, needOf(method, path), token !== '');
  if (refusal === null) return { kind: 'through', person };
  return refusal.status === 401 && !path.startsWith('/api/')
    ? { kind: 'sign-in' }
    : { kind: 'refused', refusal };
}

/**
 * Why somebody may not do what takes a role; null where they may.
 *
 * @param known whether the browser shows a session, though it is not honored
 */
export function refusalOf(person: Person | null, need: Need, known = false): Refusal | null {
  if (need === 'anyone') return null;
  if (person === null) {
    const what = known
      ? 'This device was signed out, or was away for long. Sign in again; what waits in the browser is kept.'
      : 'Sign in first, with the link you got or with the passphrase.';
    return { status: 401, where: 'sign-in', what };
  }
  if (reaches(person.role, need)) return null;
  return {
    status: 403,
    where: 'role',
    what: `The role “${person.role}” ${ROLE_DOES[person.role]}; this takes “${need}”. Ask the office for another link.`,
  };
}

/** Addresses behind which a proxy on the same machine stands. */
const LOOPBACK = new Set(['127.0.0.1', '::1', '::ffff:127.0.0.1']);

/** Who knocks: the address of the other end, or what a proxy on this machine says of it, where one is declared. */
export function knocker(
  request: Pick<IncomingMessage, 'headers'> & {
    readonly socket: { readonly remoteAddress?: string | undefined };
  },
  behindProxy: boolean,
): string {
  const peer = request.socket.remoteAddress ?? '';
  if (!behindProxy || !LOOPBACK.has(peer)) return peer;
  const said = request.headers['x-forwarded-for'];
  // The last one is the proxy's own word; those before it are whatever a client claims.
  return (Array.isArray(said) ? said.join(',') : (said ?? '')).split(',').at(-1)?.trim() || peer;
}
