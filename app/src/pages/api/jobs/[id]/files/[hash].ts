import type { APIRoute } from 'astro';
import { only, refuse } from '../../../../../server/answers';

/** A picture of a job, by the hash of what it holds. */
export const GET: APIRoute = async ({ locals, params }) => {
  const { id = '', hash = '' } = params;
  const file = await locals.services.files.get(id, hash);
  if (!file) return refuse(404, { where: 'the picture', what: 'There is no such picture of this job.' });
  return new Response(new Uint8Array(file.bytes), {
    headers: { 'Content-Type': file.type, 'Cache-Control': 'private, max-age=31536000, immutable' },
  });
};

export const ALL = only('GET');
