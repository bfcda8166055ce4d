import { writePlan } from '@ombra/core/plan';
import type { APIRoute } from 'astro';
import { noSuchJob, only } from '../../../../../server/answers';
import { wholeLog } from '../../../../../server/entryStore';
import { packJob } from '../../../../../server/jobZip';

/** A whole job with its log and pictures as one ZIP. */
export const GET: APIRoute = async ({ locals, params }) => {
  const { id = '' } = params;
  const { jobs, entries, files } = locals.services;
  const job = await jobs.get(id);
  if (!job) return noSuchJob(id);
  const log = (await wholeLog(entries, id)).map(({ entry }) => entry);
  const pictures = new Map<string, Uint8Array>();
  for (const hash of await files.ofJob(id)) {
    const found = await files.get(id, hash);
    if (found) pictures.set(hash, found.bytes);
  }
  const packed = packJob(`${JSON.stringify(writePlan(job.plan), null, 2)}\n`, { entries: log, pictures });
  return new Response(Buffer.from(packed), {
    headers: { 'Content-Type': 'application/zip', 'Content-Disposition': 'attachment; filename="job.zip"' },
  });
};

export const ALL = only('GET');
