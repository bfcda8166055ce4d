import type { Role } from './roles';

/** What a request needs: a role, or nothing where anyone may ask. */
export type Need = Role | 'anyone';

/** What is there for somebody who has not come in yet: the doors themselves, and whether the house is well. */
const DOORS: readonly RegExp[] = [
  /^\/sign-in$/,
  /^\/join\/[^/]+$/,
  /^\/api\/(sign-in|join)$/,
  /^\/healthz$/,
  /^\/manifest\.webmanifest$/,
  /^\/trust(\/[^/]+)?$/,
  // The shell of the program for a device without signal; it holds no data of a job.
  /^\/away$/,
];

/** What only the office may see. */
const OFFICE_SEES: readonly RegExp[] = [/^\/people$/, /^\/api\/(links|devices)(\/|$)/];

/** What the crew writes: the log, its pictures, and what the board asks of devices and services. */
const CREW_WRITES: readonly RegExp[] = [
  /^\/api\/jobs\/[^/]+\/(entries|files)$/,
  /^\/api\/(plant|receiver|ticket|weather)$/,
];

/** What whoever is in may send: that they go. */
const ALL_WRITE: readonly RegExp[] = [/^\/api\/sign-out$/];

const READING = new Set(['GET', 'HEAD']);

/**
 * What a request needs to be let through, by its path or by the pattern of the route that answers it. Whatever is not named here is read by all who are in, and written by the office: a new
 * address is closed until somebody opens it.
 *
 * @param path without what stands behind `?`
 * @example needOf('POST', '/api/jobs/shed/entries') // 'crew'
 */
export function needOf(method: string, path: string): Need {
  const among = (list: readonly RegExp[]): boolean => list.some((each) => each.test(path));
  if (among(DOORS)) return 'anyone';
  if (among(OFFICE_SEES)) return 'office';
  if (READING.has(method)) return 'look';
  if (among(ALL_WRITE)) return 'look';
  return among(CREW_WRITES) ? 'crew' : 'office';
}
