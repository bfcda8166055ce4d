import { writeOpeningsFile } from '@ombra/core/openings';
import type { APIRoute } from 'astro';
import { csvOf } from '../../../../server/csv';

/** A job's openings as CSV. */
export const GET: APIRoute = ({ locals, params }) =>
  csvOf(locals.services, params['id'] ?? '', 'openings', (plan, { shell }) =>
    writeOpeningsFile(plan.openings ?? [], shell),
  );
