import type { APIRoute } from 'astro';
import { json, only, refuse } from '../server/answers';

/** Whether the database answers and was found whole. */
export const GET: APIRoute = async ({ locals }) => {
  const wrong = await locals.services.health();
  return wrong === null ? json({ ok: true }) : refuse(503, { where: 'database', what: wrong });
};

export const ALL = only('GET');
