import type { IncomingHttpHeaders } from 'node:http';

/** Largest request body that is read: a plan of a thousand walls is a tenth of it. */
export const LARGEST_BODY = 1_000_000;

/** How much of a refused body is let run out, so that its sender hears the answer; more is cut off. */
export const LONGEST_DRAIN = 50_000_000;

/** A refusal in plain words, as every endpoint gives it. */
export interface Refusal {
  readonly status: number;
  readonly what: string;
  readonly where: string;
}

const READING = new Set(['GET', 'HEAD']);

/** The `Host` values under which this server is meant to be reached. */
const ownHosts = (port: number): readonly string[] =>
  ['127.0.0.1', 'localhost', '[::1]'].map((name) => `${name}:${String(port)}`);

/**
 * Refuses what does not come from our own pages: a foreign `Host` (another name pointed at this machine), a write whose
 * `Origin` is missing or not ours, a body that is too large. Null lets the request through.
 */
export function guard(method: string, headers: IncomingHttpHeaders, port: number): Refusal | null {
  const { host = '', origin } = headers;
  if (!ownHosts(port).includes(host)) {
    return {
      status: 403,
      where: 'Host',
      what: `Ombra answers only as 127.0.0.1:${String(port)} or localhost:${String(port)}; open it under one of these.`,
    };
  }
  if (READING.has(method)) return null;
  if (origin !== `http://${host}`) {
    return {
      status: 403,
      where: 'Origin',
      what: 'Only Ombra’s own pages may write; send this request from there.',
    };
  }
  if (Number(headers['content-length'] ?? 0) > LARGEST_BODY) return tooLarge;
  return null;
}

export const tooLarge: Refusal = {
  status: 413,
  where: 'the request',
  what: `This is larger than Ombra takes at once (${String(LARGEST_BODY / 1_000_000)} MB); nothing was changed.`,
};

/** Headers that every answer carries; pages replace the policy with one that names their own scripts. */
export const SECURITY_HEADERS: Readonly<Record<string, string>> = {
  'Content-Security-Policy':
    "default-src 'none'; script-src 'self'; style-src 'self'; font-src 'self'; img-src 'self'; connect-src 'self'; worker-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'",
  'X-Content-Type-Options': 'nosniff',
  'X-Frame-Options': 'DENY',
  // Not no-referrer: browsers would then send “Origin: null” with our own forms.
  'Referrer-Policy': 'same-origin',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Cross-Origin-Resource-Policy': 'same-origin',
  'Permissions-Policy': 'camera=(), microphone=(), geolocation=(), payment=(), usb=()',
};
