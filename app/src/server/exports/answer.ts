import type { APIContext } from 'astro';
import { noSuchJob, refuse } from '../answers';
import { sheetOf } from '../sheets';
import { exportOf } from './exports';

/** A file of a job as an answer to save, or why there is none. @param name `tally.xlsx` */
export async function exportAnswer(
  { locals, params, request, url }: Pick<APIContext, 'locals' | 'params' | 'request' | 'url'>,
  name: string,
): Promise<Response> {
  const { id = '' } = params;
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
      what: `There is no file “${name.slice(0, 60)}”; docs/api.md lists the names.`,
    });
  }
  if (!file.ok) return refuse(file.status ?? 409, { where: file.where, what: file.what });
  const body = typeof file.body === 'string' ? file.body : Buffer.from(file.body);
  return new Response(body, {
    headers: { 'Content-Type': file.type, 'Content-Disposition': `attachment; filename="${name}"` },
  });
}
