import type { APIRoute } from 'astro';
import { glanceOf } from '../../../../jobs/glance';
import { json, noSuchJob, only } from '../../../../server/answers';
import { sheetOf } from '../../../../server/sheets';

/** What the list of jobs shows of a job besides its name: its outline, its main figures, and what is wrong with it. */
export const GET: APIRoute = async ({ locals, params }) => {
  const { id = '' } = params;
  const job = await sheetOf(locals.services, id);
  return job ? json(glanceOf(job.plan, job.worked)) : noSuchJob(id);
};

export const ALL = only('GET');
