import type { APIRoute } from 'astro';
import { noSuchJob, only, refuse } from '../../../../server/answers';
import { daysFile } from '../../../../server/daysFile';
import { sheetOf } from '../../../../server/sheets';

/** A job's days as a calendar file. */
export const GET: APIRoute = async ({ locals, params }) => {
  const { id = '' } = params;
  const job = await sheetOf(locals.services, id);
  if (!job) return noSuchJob(id);
  const text = daysFile(job.worked.days, id, job.plan.name);
  if (text === null) {
    return refuse(409, {
      where: 'days',
      what: 'This job has no first day yet. Enter it under Days, then get the calendar file again.',
    });
  }
  return new Response(text, {
    headers: {
      'Content-Type': 'text/calendar; charset=utf-8',
      'Content-Disposition': 'attachment; filename="days.ics"',
    },
  });
};

export const ALL = only('GET');
