import { z } from 'zod';
import { idField, lengthField, pinLengths, withIds } from '../../kernel/plan/fields';
import { filePart } from '../../kernel/plan/part';
import { LENGTH_FIELDS } from '../../kernel/plan/things';
import { wallEnd } from '../openings/file';
import { type Insert, INSERT_KINDS } from './plan';

const insert = z.strictObject({
  id: idField.optional(),
  name: z.string().max(60).optional(),
  kind: z.enum(INSERT_KINDS),
  wall: z.string().max(60).describe('Id of its wall.'),
  from: wallEnd,
  at: lengthField.describe('To the middle of a single one, to the near end of a run.'),
  up: lengthField.describe('Above the lowest footing.'),
  size: lengthField.optional(),
  height: lengthField.optional(),
  depth: lengthField.optional(),
  length: lengthField.optional(),
  spacing: lengthField.optional(),
  rows: z.number().int().min(1).max(6).optional(),
  face: z.enum(['inside', 'outside']).optional(),
  fall: lengthField.optional(),
  fixing: z.enum(['cast', 'drilled']).optional(),
});

/** What else goes through a wall, into it or onto it. */
export const file = filePart({
  fields: {
    inserts: z
      .array(insert)
      .max(1_000)
      .optional()
      .describe('Sleeves, pockets, ledgers and what else goes through the wall, into it or onto it.'),
  },
  read: ({ inserts }, units) =>
    inserts === undefined || inserts.length === 0
      ? {}
      : {
          inserts: withIds(inserts, 'insert', (each) =>
            pinLengths(each, LENGTH_FIELDS, units),
          ) as readonly Insert[],
        },
});
