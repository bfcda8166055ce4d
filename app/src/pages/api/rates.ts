import type { APIRoute } from 'astro';
import { json, only } from '../../server/answers';

/** What the logs of all jobs say of the rates, day by day. */
export const GET: APIRoute = async ({ locals }) => json({ seen: await locals.services.entries.rates() });

export const ALL = only('GET');
