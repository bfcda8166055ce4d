import { writePlan } from '@ombra/core/plan';
import { salvagePlan } from '@ombra/core/planFile';
import type { APIRoute } from 'astro';
import { json, noSuchJob, only, refuse } from '../../../../../server/answers';

/** One state of a job: its plan, as it was saved. */
export const GET: APIRoute = async ({ locals, params }) => {
  const { id = '', version = '' } = params;
  const job = await locals.services.jobs.get(id);
  if (!job) return noSuchJob(id);
  const text = /^\d{1,9}$/.test(version) ? await locals.services.jobs.revision(id, Number(version)) : null;
  if (text === null) {
    return refuse(404, {
      where: 'version',
      what: `There is no state ${version.slice(0, 20)} of this job; older ones are thinned out.`,
    });
  }
  return json({ version: Number(version), plan: writePlan(salvagePlan(text, job.name).plan) });
};

export const ALL = only('GET');
