import { z } from 'zod';
import type { UnitSystem } from '../../kernel/measure';
import { idField, idGiver, lengthField, pinned, rulesField } from '../../kernel/plan/fields';
import { filePart } from '../../kernel/plan/part';
import { type SteelPlan, type SteelZone, HELD } from './plan';

const steelZone = z.strictObject({
  id: idField.optional(),
  name: z.string().max(60).optional(),
  walls: z.array(z.string().max(60)).max(1000).optional().describe('Ids of its walls; all where left out.'),
  fromCourse: z.number().int().optional(),
  toCourse: z.number().int().optional(),
  rules: rulesField,
});

const reinforcementTable = z.strictObject({
  name: z.string().max(80),
  rows: z
    .array(
      z.strictObject({
        height: lengthField.describe('Greatest height of the wall, footing to top.'),
        backfill: lengthField.describe('Greatest height of the soil against it.'),
        soil: z.number().describe('Greatest equivalent fluid weight, in pounds a cubic foot.'),
        size: z.string().max(20),
        spacing: lengthField,
      }),
    )
    .max(500),
});

const steel = z.strictObject({
  table: reinforcementTable
    .optional()
    .describe('Table of a code or a form maker from which each wall takes its verticals.'),
  walls: z
    .record(
      z.string().max(60),
      z.strictObject({ backfill: lengthField.optional(), held: z.enum(HELD).optional() }),
    )
    .optional()
    .describe('By wall: soil against it above its footing, and what holds its top.'),
  zones: z
    .array(steelZone)
    .max(60)
    .optional()
    .describe('Parts of the job whose steel rules differ; a later one goes before an earlier one.'),
});

type File = z.infer<typeof steel>;

function steelOf(file: File, units: UnitSystem): SteelPlan {
  const give = idGiver(
    'zone',
    (file.zones ?? []).map((zone) => zone.id),
  );
  return {
    ...(file.table === undefined
      ? {}
      : {
          table: {
            name: file.table.name,
            rows: file.table.rows.map((row) => ({
              ...row,
              height: pinned(row.height, units),
              backfill: pinned(row.backfill, units),
              spacing: pinned(row.spacing, units),
            })),
          },
        }),
    ...(file.walls === undefined
      ? {}
      : {
          walls: Object.fromEntries(
            Object.entries(file.walls).map(([wall, soil]) => [
              wall,
              { ...soil, ...(soil.backfill === undefined ? {} : { backfill: pinned(soil.backfill, units) }) },
            ]),
          ) as NonNullable<SteelPlan['walls']>,
        }),
    ...(file.zones === undefined
      ? {}
      : { zones: file.zones.map((zone) => ({ ...zone, id: zone.id ?? give() })) as readonly SteelZone[] }),
  };
}

/** Soil, and where the steel differs from the house rules. */
export const file = filePart({
  fields: { steel: steel.optional().describe('Soil, and where the steel differs from the house rules.') },
  read: (file, units) => (file.steel === undefined ? {} : { steel: steelOf(file.steel, units) }),
});
