import type { APIRoute } from 'astro';
import { json, noSuchJob, only, refuse } from '../../../../server/answers';

/** The newest state of a job as its page works with it, where it is newer than `since`; null where it is not. */
export const GET: APIRoute = async ({ locals, params, url }) => {
  const { id = '' } = params;
  const since = Number(url.searchParams.get('since') ?? '0');
  if (!Number.isInteger(since)) {
    return refuse(422, { where: 'since', what: 'Name the version that is known, a whole number.' });
  }
  const job = await locals.services.jobs.get(id);
  if (!job) return noSuchJob(id);
  return json({ newest: job.version > since ? { version: job.version, plan: job.plan } : null });
};

export const ALL = only('GET');
