import { z } from 'zod';
import { copyOf } from '../../kernel/plan/copies';
import { filePart } from '../../kernel/plan/part';
import { type DaysPlan } from './plan';

const date = z.string().max(20);

const days = z
  .strictObject({
    start: date.optional().describe('The first working day, "2026-12-01".'),
    people: z
      .record(date, z.number().int().min(0).max(60))
      .optional()
      .describe('People on a day that differs from the house rule, by its date.'),
    newcomers: z
      .record(date, z.number().int().min(0).max(60))
      .optional()
      .describe('How many of them are new to this work, by date.'),
    off: z.array(date).max(400).optional().describe('Days on which nobody works.'),
  })
  .describe('The days of the job: when it starts, who is there, and when nobody is.');

/** The days of a job. */
export const file = filePart({
  fields: { days: days.optional() },
  read: (file) => (file.days === undefined ? {} : { days: copyOf(file.days) as DaysPlan }),
});
