import { writeSurveyFile } from '@ombra/core/footing/surveyFile';
import { readPlan } from '@ombra/core/plan';
import { work } from '@ombra/core/work';
import type { APIRoute } from 'astro';
import { noSuchJob } from '../../../../server/answers';

/** A job's level survey as CSV, of the footing or, asked for, of its first course. */
export const GET: APIRoute = async ({ locals, params, url }) => {
  const { id = '' } = params;
  const job = await locals.services.jobs.get(id);
  const reading = job ? readPlan(job.plan) : null;
  if (!job || !reading?.ok) return noSuchJob(id);
  const { footing } = reading.plan;
  const first = url.searchParams.get('pass') === 'first-course';
  const shots = (first ? footing?.after : footing?.shots) ?? [];
  return new Response(writeSurveyFile(shots, work(reading.plan).shell), {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8',
      'Content-Disposition': `attachment; filename="${first ? 'first-course' : 'footing'}-survey.csv"`,
    },
  });
};
