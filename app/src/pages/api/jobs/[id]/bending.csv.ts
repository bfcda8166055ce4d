import { writeScheduleFile } from '@ombra/core/stages/steel';
import type { APIRoute } from 'astro';
import { csvOf } from '../../../../server/csv';
import { only } from '../../../../server/answers';

/** A job's bending schedule as CSV. */
export const GET: APIRoute = ({ locals, params }) =>
  csvOf(locals.services, params['id'] ?? '', 'bending', (plan, { steel }) =>
    writeScheduleFile(steel.schedule, plan.units),
  );

export const ALL = only('GET');
