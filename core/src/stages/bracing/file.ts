import { z } from 'zod';
import type { UnitSystem } from '../../kernel/measure';
import { lengthField, pinned } from '../../kernel/plan/fields';
import { filePart } from '../../kernel/plan/part';
import { type BracingPlan, GROUNDS } from './plan';

const stock = z
  .array(z.strictObject({ length: lengthField, count: z.number().int().min(0).max(10_000).optional() }))
  .max(40)
  .optional();

const ground = z.enum(GROUNDS).optional();

const bracing = z.strictObject({
  walls: z
    .record(
      z.string().max(60),
      z.strictObject({ side: z.enum(['inside', 'outside']).optional(), inside: ground, outside: ground }),
    )
    .optional()
    .describe('By wall: the side that is braced, and ground that is not firm.'),
  planks: stock.describe('Planks on hand; as many as are wanted where no count is given.'),
  uprights: stock.describe('Uprights on hand.'),
  onHand: z.record(z.string().max(60), z.number().int().min(0).max(100_000)).optional(),
  wind: z.number().min(0).max(300).optional().describe('Miles an hour.'),
  readings: z
    .record(
      z.string().max(120),
      z.strictObject({ before: lengthField.optional(), after: lengthField.optional() }),
    )
    .optional()
    .describe('By brace: string to wall at the top, before the pour and after it.'),
});

type File = z.infer<typeof bracing>;

function bracingOf(file: File, units: UnitSystem): BracingPlan {
  const stocked = (list: readonly { readonly length: string }[]) =>
    list.map((each) => ({ ...each, length: pinned(each.length, units) }));
  return {
    ...file,
    ...(file.planks === undefined ? {} : { planks: stocked(file.planks) }),
    ...(file.uprights === undefined ? {} : { uprights: stocked(file.uprights) }),
    ...(file.readings === undefined
      ? {}
      : {
          readings: Object.fromEntries(
            Object.entries(file.readings).map(([brace, reading]) => [
              brace,
              Object.fromEntries(
                Object.entries(reading).map(([pass, text]) => [pass, pinned(String(text), units)]),
              ),
            ]),
          ),
        }),
  } as BracingPlan;
}

/** Braces, planks and the lines of the walls. */
export const file = filePart({
  fields: { bracing: bracing.optional().describe('Braces, planks and the lines of the walls.') },
  read: (file, units) => (file.bracing === undefined ? {} : { bracing: bracingOf(file.bracing, units) }),
});
