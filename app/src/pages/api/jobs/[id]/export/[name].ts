import type { APIRoute } from 'astro';
import { noSuchJob, only, refuse } from '../../../../../server/answers';
import { exportOf } from '../../../../../server/exports/exports';
import { sheetOf } from '../../../../../server/sheets';

/** A job as a file for other programs: a table, a drawing, a model, or its packet. */
export const GET: APIRoute = async ({ locals, params, request, url }) => {
  const { id = '', name = '' } = params;
  const job = await sheetOf(locals.services, id);
  if (!job) return noSuchJob(id);
  const { onProgress } = locals;
  const file = await exportOf(job, name, url.searchParams, {
    // As it was asked for: a code on paper must lead back to this very address, port and all.
    origin: `http://${request.headers.get('host') ?? url.host}`,
    ...(onProgress ? { onProgress } : {}),
  });
  if (file === null) {
    return refuse(404, {
      where: 'address',
      what: `There is no file “${name.slice(0, 60)}”; docs/api.md names those that there are.`,
    });
  }
  if (!file.ok) return refuse(file.status ?? 409, { where: file.where, what: file.what });
  const body = typeof file.body === 'string' ? file.body : Buffer.from(file.body);
  return new Response(body, {
    headers: { 'Content-Type': file.type, 'Content-Disposition': `attachment; filename="${name}"` },
  });
};

export const ALL = only('GET');
