import type { IncomingHttpHeaders } from 'node:http';

/** Largest plan that is kept, as it is stored; what a file of it adds in blanks and ids fits into the largest body. */
export const LARGEST_PLAN = 4_000_000;

/** Largest request body that is read. */
export const LARGEST_BODY = 16_000_000;

/** Largest packed job that is taken in. */
export const LARGEST_JOB = 200_000_000;

/** Where packed jobs come in. */
const JOBS_IN = '/api/import/job';

/** How much of a refused body is let run out, so that its sender hears the answer; more is cut off. */
export const LONGEST_DRAIN = 50_000_000;

/** A refusal in plain words, as every endpoint gives it. */
export interface Refusal {
  readonly status: number;
  readonly what: string;
  readonly where: string;
  /** Headers that go with it. */
  readonly headers?: Readonly<Record<string, string>>;
}

const READING = new Set(['GET', 'HEAD']);

/** Our origins under the name that a request calls this server by. */
export function originsAs(host: string | undefined, origins: readonly string[]): readonly string[] {
  const called = (host ?? '').toLowerCase();
  return origins.filter((each) => each.slice(each.indexOf('//') + 2) === called);
}

/**
 * Whether a path reads the same to everybody: what a URL would resolve (`..`, `%2e`, backslashes) is refused, so that no check looks
 * at another address than the one that is served. Browsers send nothing else.
 *
 * @example isStraight('/join/..') // false
 */
export function isStraight(path: string): boolean {
  try {
    return new URL(`http://localhost${path}`).pathname === path && decodeURI(path) !== '';
  } catch {
    return false;
  }
}

/** Addresses that the framework would answer though nothing of ours uses them. */
const UNUSED = /^\/_(image|server-islands|actions)(\/|$)/;

/**
 * Refuses what does not come from our own pages: a foreign `Host` (another name pointed at this machine), a write whose
 * `Origin` is missing or not ours, a body that is too large, a write to a page. Null lets the request through.
 *
 * @param origins those under which this server is meant to be reached
 */
export function guard(
  method: string,
  headers: IncomingHttpHeaders,
  origins: readonly string[],
  path = '/api/',
): Refusal | null {
  const origin = headers.origin?.toLowerCase();
  const own = originsAs(headers.host, origins);
  if (own.length === 0) {
    return {
      status: 403,
      where: 'Host',
      what: 'Ombra does not answer under this name; open it under the address that it tells when it starts. A name of yours, or of a proxy, goes into OMBRA_ADDRESS.',
    };
  }
  if (!isStraight(path)) {
    return {
      status: 400,
      where: 'address',
      what: 'This address is not written straight; leave out “..”, backslashes and whatever a browser would write otherwise.',
    };
  }
  if (UNUSED.test(path)) {
    return { status: 404, where: 'address', what: 'There is nothing at this address.' };
  }
  if (READING.has(method)) return null;
  if (origin === undefined || !own.includes(origin)) {
    return {
      status: 403,
      where: 'Origin',
      what: 'Only Ombra’s own pages may write; send this request from there.',
    };
  }
  if (!path.startsWith('/api/')) {
    return {
      status: 405,
      where: 'method',
      what: 'A page can only be read; writing goes to /api.',
      headers: { Allow: 'GET, HEAD' },
    };
  }
  const largest = path === JOBS_IN ? LARGEST_JOB : LARGEST_BODY;
  if (Number(headers['content-length'] ?? 0) > largest) return tooLarge;
  return null;
}

export const tooLarge: Refusal = {
  status: 413,
  where: 'the request',
  what: `This is larger than any plan that Ombra keeps (${String(LARGEST_PLAN / 1_000_000)} MB); nothing was changed.`,
};

/** Headers that every answer carries; pages replace the policy with one that names their own scripts. */
export const SECURITY_HEADERS: Readonly<Record<string, string>> = {
  'Content-Security-Policy':
    "default-src 'none'; script-src 'self'; style-src 'self'; font-src 'self'; img-src 'self'; connect-src 'self'; worker-src 'self'; manifest-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'",
  'X-Content-Type-Options': 'nosniff',
  'X-Frame-Options': 'DENY',
  // Not no-referrer: browsers would then send “Origin: null” with our own forms.
  'Referrer-Policy': 'same-origin',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Cross-Origin-Resource-Policy': 'same-origin',
  'Permissions-Policy': 'camera=(), microphone=(), geolocation=(), payment=(), usb=()',
};
