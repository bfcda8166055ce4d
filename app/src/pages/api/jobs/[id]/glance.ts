import type { APIRoute } from 'astro';
import { glanceOf } from '../../../../jobs/glance';
import { json, only } from '../../../../server/answers';
import { sheetOf } from '../../../../server/sheets';

/** What the list of jobs shows of a job besides its name: its outline, its main figures, and what is wrong with it. */
export const GET: APIRoute = async ({ locals, params }) => {
  const { id = '' } = params;
  const job = await sheetOf(locals.services, id);
  // A list may ask for a job that was removed a moment ago: there is nothing to show, and nothing wrong.
  return json({ glance: job ? glanceOf(job.plan, job.worked) : null });
};

export const ALL = only('GET');
