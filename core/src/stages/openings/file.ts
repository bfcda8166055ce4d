import { z } from 'zod';
import { idField, lengthField, pinLengths, withIds } from '../../kernel/plan/fields';
import { filePart } from '../../kernel/plan/part';
import { LENGTH_FIELDS } from '../../kernel/plan/things';
import { type Opening, BUCK_KINDS, OPENING_KINDS } from './plan';

/** Which corner something on a wall is measured from. */
export const wallEnd = z
  .enum(['start', 'end'])
  .describe('The corner that it is measured from: the first of its wall clockwise, or the other.');

const opening = z.strictObject({
  id: idField.optional(),
  name: z.string().max(60).optional(),
  kind: z.enum(OPENING_KINDS),
  wall: z.string().max(60).describe('Id of its wall.'),
  from: wallEnd,
  to: z.enum(['near', 'centre']).describe('Whether “at” runs to its near side or to its centre.'),
  at: lengthField,
  width: lengthField.describe('Of the rough opening.'),
  height: lengthField.describe('Of the rough opening.'),
  sill: lengthField
    .optional()
    .describe('Above the lowest footing; with neither sill nor head it stands on its wall’s footing.'),
  head: lengthField.optional().describe('Above the lowest footing, in place of the sill.'),
  rise: lengthField.optional().describe('Of a round top; half the width where left out.'),
  buck: z.enum(BUCK_KINDS).optional(),
  threshold: z
    .strictObject({
      kind: z.enum(['slab-over', 'slab-inside']),
      depth: lengthField.optional(),
      tongue: z.enum(['dowels', 'crack-bar', 'saw-cut']).optional(),
      truck: z.enum(['slab', 'wall']).optional(),
    })
    .optional()
    .describe('The wall held down under a slab that runs out over it, or the slab stopped inside.'),
  lintel: z
    .record(z.string().max(80), z.union([z.string().max(80), z.number()]))
    .optional()
    .describe('Rules of its lintel that differ from the job’s, by their ids.'),
});

const buckFigures = z.strictObject({
  thickness: lengthField.optional(),
  stock: lengthField.optional(),
  kerf: lengthField.optional(),
});

/** Windows, doors and other holes with a buck. */
export const file = filePart({
  fields: {
    openings: z.array(opening).max(500).optional().describe('Windows, doors and other holes with a buck.'),
    bucks: z
      .partialRecord(z.enum(BUCK_KINDS), buckFigures)
      .optional()
      .describe('Figures of buck materials, where the job has its own.'),
  },
  read: (file, units) => {
    const pin = (thing: object): object => pinLengths(thing, LENGTH_FIELDS, units);
    return {
      ...(file.openings === undefined || file.openings.length === 0
        ? {}
        : { openings: withIds(file.openings, 'opening', pin) as readonly Opening[] }),
      ...(file.bucks === undefined ? {} : { bucks: pin(file.bucks) }),
    };
  },
});
