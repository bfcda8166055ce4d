import { writeOpeningsFile } from '@ombra/core/stages/openings';
import type { APIRoute } from 'astro';
import { csvOf } from '../../../../server/csv';
import { only } from '../../../../server/answers';

/** A job's openings as CSV. */
export const GET: APIRoute = ({ locals, params }) =>
  csvOf(locals.services, params['id'] ?? '', 'openings', (plan, { shell }) =>
    writeOpeningsFile(plan.openings ?? [], shell, plan.units),
  );

export const ALL = only('GET');
