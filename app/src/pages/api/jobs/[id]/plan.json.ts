import type { APIRoute } from 'astro';
import { noSuchJob } from '../../../../server/answers';

/** The job's plan file, for keeping and for handing on. */
export const GET: APIRoute = async ({ locals, params }) => {
  const { id = '' } = params;
  const job = await locals.services.jobs.get(id);
  if (!job) return noSuchJob(id);
  const name =
    job.name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '') || 'plan';
  return new Response(`${JSON.stringify(job.plan, null, 2)}\n`, {
    headers: {
      'Content-Type': 'application/json; charset=utf-8',
      'Content-Disposition': `attachment; filename="${name}.json"`,
    },
  });
};
