import type { APIRoute } from 'astro';
import { json, only } from '../../server/answers';

/** How far the file is that was asked for with this key: `{ progress: { done, of } }`, null before it begins and once it is there. */
export const GET: APIRoute = ({ locals, url }) =>
  json({ progress: locals.services.progress.get(url.searchParams.get('key') ?? '') });

export const ALL = only('GET');
