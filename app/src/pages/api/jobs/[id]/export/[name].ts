import type { APIRoute } from 'astro';
import { only } from '../../../../../server/answers';
import { exportAnswer } from '../../../../../server/exports/answer';

/** A job as a file for other programs: a table, a drawing, a model, or its packet. */
export const GET: APIRoute = (context) => exportAnswer(context, context.params['name'] ?? '');

export const ALL = only('GET');
