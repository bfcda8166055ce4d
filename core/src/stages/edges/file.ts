import { z } from 'zod';
import { idField, lengthField, pinned } from '../../kernel/plan/fields';
import { filePart } from '../../kernel/plan/part';
import { type Edge, type EdgesPlan, EDGE_OVER } from './plan';

const edge = z.strictObject({
  height: lengthField.describe('Concrete above the top of the forms.'),
  over: z.enum(EDGE_OVER).describe('The core alone, or the foam of the outside, the inside or both with it.'),
});

const edges = z
  .strictObject({
    all: edge.optional(),
    walls: z.record(idField, z.union([edge, z.literal('none')])).optional(),
  })
  .describe('Exposed concrete above the foam, in board forms: of all walls, and by wall where it differs.');

/** Exposed edges on top of walls. */
export const file = filePart({
  fields: { edges: edges.optional() },
  read: (file, units) => {
    if (file.edges === undefined) return {};
    const own = (each: Edge): Edge => ({ ...each, height: pinned(each.height, units) });
    const { all, walls } = file.edges;
    const read: EdgesPlan = {
      ...(all === undefined ? {} : { all: own(all) }),
      ...(walls === undefined
        ? {}
        : {
            walls: Object.fromEntries(
              Object.entries(walls).map(([wall, each]) => [wall, each === 'none' ? each : own(each)]),
            ),
          }),
    };
    return { edges: read };
  },
});
