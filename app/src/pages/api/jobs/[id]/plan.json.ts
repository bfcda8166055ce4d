import { writePlan } from '@ombra/core/plan';
import type { APIRoute } from 'astro';
import { noSuchJob, only } from '../../../../server/answers';

/** The job's plan file, for keeping and for handing on; with `raw`, the very text that is stored, readable or not. */
export const GET: APIRoute = async ({ locals, params, url }) => {
  const { id = '' } = params;
  const { jobs } = locals.services;
  const job = await jobs.get(id);
  if (!job) return noSuchJob(id);
  const name =
    job.name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '') || 'plan';
  const raw = url.searchParams.has('raw');
  const text = raw ? await jobs.rawPlan(id) : `${JSON.stringify(writePlan(job.plan), null, 2)}\n`;
  return new Response(text, {
    headers: {
      'Content-Type': 'application/json; charset=utf-8',
      'Content-Disposition': `attachment; filename="${name}${raw ? '-as-stored' : ''}.json"`,
    },
  });
};

export const ALL = only('GET');
