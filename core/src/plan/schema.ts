import { z } from 'zod';
import { PLAN_FORMAT, PLAN_VERSION } from './plan';

const id = z
  .string()
  .min(1)
  .max(60)
  .describe('Lasting id. May be left out of a hand-written file; one is given on reading.');

const lengthText = z
  .string()
  .max(60)
  .describe(
    'A length with its unit: "44ft 5 1/2in", "2400mm". Unreadable text is kept and reported, not refused.',
  );

const row = z.strictObject({
  id: id.optional(),
  length: lengthText,
  turn: z
    .string()
    .max(40)
    .describe(
      'The turn at the far end of this wall: "right 90", "left 45". The last row’s turn is the one at A.',
    ),
  core: lengthText.optional().describe('Core thickness of this wall, where it differs from the job’s.'),
});

const walk = z.array(row).max(1000).describe('The walls in walking order, clockwise seen from above.');

const outline = z.strictObject({
  id: id.optional(),
  name: z.string().max(120).optional(),
  closed: z.boolean().describe('Whether the walk comes home to its first corner.'),
  walk,
});

const stage = z.strictObject({
  id: id.optional(),
  name: z.string().max(120).optional(),
  toCourse: z.number().describe('The last course of this stage, counted from the footing.'),
  top: z
    .enum(['full', 'half'])
    .optional()
    .describe(
      'Poured to the top of its last course (the default), or to the middle of it where walls go on.',
    ),
});

/** The plan file. Plain on purpose, so that a JSON Schema can be made of it; `readPlan` adds what a schema cannot say. */
export const planFileSchema = z
  .strictObject({
    format: z.literal(PLAN_FORMAT),
    version: z.literal(PLAN_VERSION),
    name: z.string().max(120),
    units: z.enum(['imperial', 'metric']).describe('What a bare number means and how lengths are shown.'),
    measuredTo: z
      .enum(['form', 'concrete', 'centre'])
      .describe('The face that lengths run to: outside of form, outside of concrete, or centre line.'),
    family: z.string().max(60).describe('Id of the form family, such as "module-48".'),
    core: lengthText.describe('Thickness of the concrete core, such as "8in".'),
    courses: z.number().optional().describe('Short for one stage up to this course. Give courses or stages.'),
    stages: z
      .array(stage)
      .min(1)
      .max(40)
      .optional()
      .describe('What is stacked and poured in one go, from the footing up.'),
    outline: outline.optional().describe('Short for one loop. Give outline or loops.'),
    loops: z.array(outline).min(1).max(60).optional().describe('Separate outlines of one job.'),
    openings: z.array(z.never()).optional().describe('Reserved; empty in this version.'),
    rules: z
      .record(z.string().max(80), z.union([z.string().max(80), z.number()]))
      .optional()
      .describe('House rules that this job sets for itself, by rule id.'),
  })
  .meta({ title: 'Ombra plan', description: 'The plan of one job: its outline, forms and courses.' });

export type PlanFile = z.infer<typeof planFileSchema>;

/** The published JSON Schema (2020-12) of the plan file. */
export const planJsonSchema = (): Record<string, unknown> => z.toJSONSchema(planFileSchema);
