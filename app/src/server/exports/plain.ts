import { writePlan } from '@ombra/core/plan';
import { daysFile } from '../daysFile';
import { type ExportJob, type Made, made } from './job';

/** The days as a calendar file, `days.ics`. */
export function calendarOf({ worked, jobId }: ExportJob, name: string): Promise<Made | null> {
  if (name !== 'days') return Promise.resolve(null);
  const text = daysFile(worked.days, jobId, worked.name);
  return Promise.resolve(
    text === null
      ? {
          ok: false,
          where: 'days',
          what: 'This job has no first day yet. Enter it under Days, then get the calendar file again.',
        }
      : made('text/calendar; charset=utf-8', text),
  );
}

/** The plan file, `plan.json`. */
export const planOf = ({ plan }: ExportJob, name: string): Promise<Made | null> =>
  Promise.resolve(
    name === 'plan'
      ? made('application/json; charset=utf-8', `${JSON.stringify(writePlan(plan), null, 2)}\n`)
      : null,
  );
