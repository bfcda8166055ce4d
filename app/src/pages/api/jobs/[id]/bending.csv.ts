import type { APIRoute } from 'astro';
import { only } from '../../../../server/answers';
import { exportAnswer } from '../../../../server/exports/answer';

/** A job’s bending schedule as CSV: the same file as under `export/`. */
export const GET: APIRoute = (context) => exportAnswer(context, 'bending.csv');

export const ALL = only('GET');
