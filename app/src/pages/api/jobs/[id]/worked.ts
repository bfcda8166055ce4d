import { recordOf } from '@ombra/core/kernel/record';
import { workParts } from '@ombra/core/work';
import { EVERYTHING } from '@ombra/core/worked';
import type { APIRoute } from 'astro';
import { json, noSuchJob, only, refuse } from '../../../../server/answers';
import { wholeLog } from '../../../../server/entryStore';

/** What a job is worked out to: the things that `of` names, with all that they are made from. */
export const GET: APIRoute = async ({ locals, params, url }) => {
  const { id = '' } = params;
  const { jobs, entries } = locals.services;
  const asked = (url.searchParams.get('of') ?? '').split(',').filter((name) => name !== '');
  const keys = EVERYTHING.filter((key) => asked.includes(key));
  if (keys.length === 0 || keys.length < new Set(asked).size) {
    return refuse(422, {
      where: 'of',
      what: `Name what you want, with commas between: ${EVERYTHING.join(', ')}.`,
    });
  }
  const job = await jobs.get(id);
  if (!job) return noSuchJob(id);
  const log = await wholeLog(entries, id);
  const record = recordOf(log.map(({ entry }) => entry));
  return json({ version: job.version, worked: workParts({ ...job.plan, ...record }, keys) });
};

export const ALL = only('GET');
