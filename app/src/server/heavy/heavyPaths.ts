/** Addresses whose answer takes a job worked from end to end: sheets to print, lists to save, what views show. */
const HEAVY =
  /^\/jobs\/([^/]+)\/sheets\/[^/]+\/?$|^\/api\/jobs\/([^/]+)\/(?:[^/]+\.csv|glance|worked|export\/(?!job\.zip)[^/]+)\/?$/;

/** The job of an address whose answer is made in a worker; null where the answer is light. */
export function heavyJob(path: string): string | null {
  const found = HEAVY.exec(path);
  const id = found?.[1] ?? found?.[2];
  if (id === undefined) return null;
  try {
    return decodeURIComponent(id);
  } catch {
    return null;
  }
}

/** Whether an address asks what a job is worked out to: the same of the same job and log, whenever it is asked. */
export const workedJob = (url: string): boolean => /^\/api\/jobs\/[^/]+\/worked\/?(\?|$)/.test(url);
