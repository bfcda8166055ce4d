import { z } from 'zod';
import type { UnitSystem } from '../../kernel/measure';
import { idField, idGiver, lengthField, pinned } from '../../kernel/plan/fields';
import { filePart } from '../../kernel/plan/part';
import { type FootingPlan, type Shot, FOOTING_KINDS } from './plan';

const shot = z.strictObject({
  id: idField.optional(),
  wall: z.string().max(60),
  at: lengthField,
  reading: lengthField,
});

const footing = z.strictObject({
  kind: z
    .enum(FOOTING_KINDS)
    .describe(
      'A plain strip, one cast in insulated forms, straight on rock, or a strip under a thermal-break sheet.',
    ),
  width: lengthField.optional(),
  depth: lengthField.optional(),
  withWall: z.boolean().optional().describe('Footing and wall are poured as one.'),
  sheet: lengthField.optional().describe('Thickness of the thermal-break sheet.'),
  shots: z
    .array(shot)
    .max(5_000)
    .optional()
    .describe(
      'Level survey: readings on the rod, below the laser, by wall and station from its first corner.',
    ),
  after: z.array(shot).max(5_000).optional().describe('The same on the first course, once it is shimmed.'),
  pulls: z
    .array(
      z.strictObject({
        id: idField.optional(),
        from: z.string().max(60),
        to: z.string().max(60),
        length: lengthField,
      }),
    )
    .max(500)
    .optional()
    .describe('Lengths taped between two corners; a corner is the id of the wall that starts there.'),
  ready: z
    .array(z.string().max(120))
    .max(200)
    .optional()
    .describe('What has been looked at before the wall.'),
});

type File = z.infer<typeof footing>;

function footingOf(file: File, units: UnitSystem): FootingPlan {
  const length = (text: string): string => pinned(text, units);
  const shots = (list: typeof file.shots, prefix: string): readonly Shot[] | undefined => {
    const give = idGiver(
      prefix,
      (list ?? []).map((each) => each.id),
    );
    return list?.map((each) => ({
      id: each.id ?? give(),
      wall: each.wall,
      at: length(each.at),
      reading: length(each.reading),
    }));
  };
  const pullId = idGiver(
    'pull',
    (file.pulls ?? []).map((each) => each.id),
  );
  const pulls = file.pulls?.map((each) => ({
    id: each.id ?? pullId(),
    from: each.from,
    to: each.to,
    length: length(each.length),
  }));
  const [before, after] = [shots(file.shots, 'shot'), shots(file.after, 'after')];
  return {
    kind: file.kind,
    ...(file.width === undefined ? {} : { width: length(file.width) }),
    ...(file.depth === undefined ? {} : { depth: length(file.depth) }),
    ...(file.withWall === undefined ? {} : { withWall: file.withWall }),
    ...(file.sheet === undefined ? {} : { sheet: length(file.sheet) }),
    ...(before === undefined ? {} : { shots: before }),
    ...(after === undefined ? {} : { after }),
    ...(pulls === undefined ? {} : { pulls }),
    ...(file.ready === undefined ? {} : { ready: file.ready }),
  };
}

/** What the walls stand on, and what was measured on it. */
export const file = filePart({
  fields: { footing: footing.optional().describe('What the walls stand on, and what was measured on it.') },
  read: (file, units) => (file.footing === undefined ? {} : { footing: footingOf(file.footing, units) }),
});
