import { writeInsertsFile } from '@ombra/core/stages/inserts';
import type { APIRoute } from 'astro';
import { csvOf } from '../../../../server/csv';
import { only } from '../../../../server/answers';

/** A job's inserts as CSV. */
export const GET: APIRoute = ({ locals, params }) =>
  csvOf(locals.services, params['id'] ?? '', 'inserts', (plan, { shell }) =>
    writeInsertsFile(plan.inserts ?? [], shell, plan.units),
  );

export const ALL = only('GET');
