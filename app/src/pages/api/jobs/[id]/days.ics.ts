import type { APIRoute } from 'astro';
import { only } from '../../../../server/answers';
import { exportAnswer } from '../../../../server/exports/answer';

/** A job’s days as a calendar file: the same file as under `export/`. */
export const GET: APIRoute = (context) => exportAnswer(context, 'days.ics');

export const ALL = only('GET');
