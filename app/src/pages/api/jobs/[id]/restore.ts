import type { APIRoute } from 'astro';
import { json, noSuchJob, only } from '../../../../server/answers';

/** Brings a removed job back. */
export const POST: APIRoute = async ({ locals, params }) => {
  const { id = '' } = params;
  return (await locals.services.jobs.restore(id)) ? json({ restored: id }) : noSuchJob(id);
};

export const ALL = only('POST');
