import { writeTableFile } from '@ombra/core/stages/steel';
import type { APIRoute } from 'astro';
import { csvOf } from '../../../../server/csv';
import { only } from '../../../../server/answers';

/** A job's code table as CSV; only its heading where the job has none. */
export const GET: APIRoute = ({ locals, params }) =>
  csvOf(locals.services, params['id'] ?? '', 'reinforcement', (plan) =>
    writeTableFile(plan.steel?.table ?? { name: '', rows: [] }, plan.units),
  );

export const ALL = only('GET');
