import { writeSurveyFile } from '@ombra/core/stages/footing';
import type { APIRoute } from 'astro';
import { csvOf } from '../../../../server/csv';
import { only } from '../../../../server/answers';

/** A job's level survey as CSV, of the footing or, asked for, of its first course. */
export const GET: APIRoute = ({ locals, params, url }) => {
  const first = url.searchParams.get('pass') === 'first-course';
  return csvOf(
    locals.services,
    params['id'] ?? '',
    first ? 'first-course-survey' : 'footing-survey',
    ({ footing, units }, { shell }) =>
      writeSurveyFile((first ? footing?.after : footing?.shots) ?? [], shell, units),
  );
};

export const ALL = only('GET');
