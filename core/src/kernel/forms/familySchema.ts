import { z } from 'zod';
import { isObject, problemsOf } from './reading';
import { type FamilyReading, FAMILY_FORMAT, familyOfFile } from './familyFile';

const lengthText = z.string().max(60).describe('A length with its unit: "48in", "1200mm".');
const legs = z.strictObject({ long: lengthText, short: lengthText });

const common = {
  format: z.literal(FAMILY_FORMAT).optional(),
  version: z.literal(1).optional(),
  id: z.string().min(1).max(60),
  name: z.string().min(1).max(80),
  cores: z.array(lengthText).min(1).max(20).describe('Core thicknesses that it comes in.'),
  courseHeight: lengthText,
  bundle: z.number().optional().describe('Pieces in a bundle.'),
  massKilograms: z.number().optional().describe('Mass of one whole piece.'),
  capacityPascals: z.number().optional().describe('Pressure that the maker states the form can take.'),
};

/** A form family as a file: plain JSON, lengths as text with their unit. */
export const familyFileSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('flat-wall'),
    ...common,
    straightLength: lengthText,
    panel: lengthText,
    corner90: legs.describe('Legs on the outside face without the wall’s thickness.'),
    corner45Inside: legs.optional().describe('Legs of a 45° corner on the inside face.'),
    webSpacing: lengthText,
    firstWeb: lengthText,
    interlock: lengthText,
    cutMark: lengthText,
    reversible: z.boolean(),
    halfHeight: lengthText.optional(),
    slotsPerWeb: z.number().optional(),
  }),
  z.strictObject({
    kind: z.literal('panel-and-tie'),
    ...common,
    panelLength: lengthText,
    panel: lengthText,
    tieSpacing: lengthText,
    topTieSpacing: lengthText,
    track: z.strictObject({ bottom: z.boolean(), top: z.boolean() }),
  }),
  z.strictObject({
    kind: z.literal('cell'),
    ...common,
    blockLength: lengthText,
    blockThickness: lengthText,
    cellSpacing: lengthText,
    volumePerBlock: z.number().describe('Concrete that fills one block, in cubic metres.'),
    barEveryCourses: z.number(),
  }),
]);

/**
 * Reads a form family. Malformed files and figures that no block can have are refused, with every problem and its place.
 *
 * @param document parsed JSON of a family file
 */
export function readFamily(document: unknown): FamilyReading {
  if (!isObject(document)) {
    return {
      ok: false,
      problems: [{ where: 'the family', what: 'A family is a JSON object; this is something else.' }],
    };
  }
  const parsed = familyFileSchema.safeParse(document, { reportInput: true });
  if (!parsed.success) return { ok: false, problems: problemsOf(parsed.error, 'the family') };
  return familyOfFile(parsed.data);
}
