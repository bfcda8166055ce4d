import { z } from 'zod';
import { familyFileSchema } from '../../kernel/forms';
import type { UnitSystem } from '../../kernel/measure';
import { idField, idGiver, lengthField, pinned } from '../../kernel/plan/fields';
import { type FileFields, filePart } from '../../kernel/plan/part';
import { fileLoop } from './part';
import {
  type FootingStep,
  type GroundHeight,
  type GroundSides,
  type Loop,
  type LoopTees,
  type Pour,
  type PourGround,
  type TopStep,
  type WalkRow,
  type WallBond,
  emptyPlan,
} from './plan';

const topText = z.string().max(60).describe('“5 courses”, or a height above the lowest footing: "7ft 4in".');

const row = z.strictObject({
  id: idField.optional(),
  length: lengthField,
  turn: z
    .string()
    .max(40)
    .describe(
      'The turn at the far end of this wall: "right 90", "left 45". The last row’s turn is the one at A.',
    ),
  curve: z
    .strictObject({ radius: lengthField, sweep: z.string().max(40) })
    .optional()
    .describe(
      'The wall is an arc: radius on the drawn face, and how far it turns. It runs straight on at both ends.',
    ),
  core: lengthField.optional().describe('Core thickness of this wall, where it differs from the job’s.'),
  flush: z
    .enum(['outside', 'inside', 'middle'])
    .optional()
    .describe(
      'The face that stays flush with the wall before, where this one goes straight on with another core.',
    ),
  top: topText.optional().describe('This wall’s top, where it differs from the job’s.'),
  topSteps: z
    .array(z.strictObject({ id: idField.optional(), at: lengthField, top: topText }))
    .max(40)
    .optional()
    .describe('Where the top changes along the wall, from its first corner in clockwise order.'),
  rake: z
    .strictObject({
      how: z.enum(['cut', 'stepped']),
      points: z.array(z.strictObject({ id: idField.optional(), at: lengthField, top: topText })).max(40),
    })
    .optional()
    .describe(
      'A top that slopes from point to point, cut to the slope or stepped in whole courses under it; takes the place of top and topSteps.',
    ),
  footing: z
    .array(z.strictObject({ id: idField.optional(), at: lengthField, step: z.string().max(60) }))
    .max(40)
    .optional()
    .describe(
      'Steps of the footing along the wall, clockwise: {"at": "12ft", "step": "up 32in"}, or "down 2 courses".',
    ),
  bond: z
    .discriminatedUnion('kind', [
      z.strictObject({
        kind: z.literal('running'),
        cuts: z
          .strictObject({ odd: z.array(lengthField).max(2), even: z.array(lengthField).max(2) })
          .optional()
          .describe('Cut lengths chosen for odd and even courses.'),
        before: z.number().int().min(0).max(10_000).optional().describe('Whole blocks before the cuts.'),
      }),
      z.strictObject({ kind: z.literal('seam'), at: lengthField }),
    ])
    .optional()
    .describe('Running bond (the default), or a common seam at a station of the wall.'),
  lead: z
    .enum(['starting-wall', 'ending-wall'])
    .optional()
    .describe('Which wall has the long leg in course 1 at the corner where this wall starts.'),
  asLaid: z
    .array(z.strictObject({ course: z.number(), length: lengthField }))
    .max(60)
    .optional()
    .describe('How long the wall came out in a course, pulled with the tape.'),
  bearing: z
    .strictObject({ width: lengthField.optional(), offset: z.string().max(60).optional() })
    .optional()
    .describe(
      'This wall’s footing, where it differs: its width, and the wall off its middle: "out 2in", "in 2in".',
    ),
});

const walk = z.array(row).max(1000).describe('The walls in walking order, clockwise seen from above.');

const outline = z.strictObject({
  id: idField.optional(),
  name: z.string().max(120).optional(),
  closed: z
    .boolean()
    .optional()
    .describe(
      'Whether the walk comes home to its first corner: it does where not said, unless it has a tee.',
    ),
  base: lengthField
    .optional()
    .describe('Its footing at its first corner, above that of the first outline; a minus is below.'),
  right: lengthField.optional().describe('Its first corner, to the right of the first outline’s.'),
  down: lengthField.optional().describe('Its first corner, down the plan from the first outline’s.'),
  tee: z
    .strictObject({
      start: z.strictObject({ wall: z.string().max(60), at: lengthField }).optional(),
      end: z.strictObject({ wall: z.string().max(60) }).optional(),
    })
    .optional()
    .describe('For an open walk: the walls, by id, that its ends meet.'),
  walk,
});

const groundHeight = z
  .union([lengthField, z.strictObject({ to: lengthField, with: z.enum(['fill', 'slab']) })])
  .describe(
    'A height above the lowest footing, "3ft", or {"to": "3ft", "with": "slab"}; fill where not said.',
  );
const groundSides = { outside: groundHeight.optional(), inside: groundHeight.optional() };

const pour = z.strictObject({
  id: idField.optional(),
  name: z.string().max(120).optional(),
  toCourse: z.number().describe('The last course of this pour, counted from the footing.'),
  top: z
    .enum(['full', 'half'])
    .optional()
    .describe(
      'Poured to the top of its last course (the default), or to the middle of it where walls go on.',
    ),
  then: z.string().max(200).optional().describe('What is done before the next pour: backfill, slab.'),
  ground: z
    .strictObject({
      ...groundSides,
      walls: z.record(idField, z.strictObject(groundSides)).optional(),
      before: z
        .boolean()
        .optional()
        .describe('Filled around the stacked forms before this pour’s own concrete.'),
    })
    .optional()
    .describe('How high the ground is raised after this pour, outside and inside; by wall where it differs.'),
});

const fields = {
  measuredTo: z
    .enum(['form', 'concrete', 'centre'])
    .describe('The face that lengths run to: outside of form, outside of concrete, or centre line.'),
  family: z.string().max(60).describe('Id of the form family, such as "module-48".'),
  core: lengthField.describe('Thickness of the concrete core, such as "8in".'),
  courses: z.number().optional().describe('Short for one pour up to this course. Give courses or pours.'),
  pours: z
    .array(pour)
    .min(1)
    .max(40)
    .optional()
    .describe('What is stacked and poured in one go, from the footing up.'),
  height: lengthField
    .optional()
    .describe('Height of the walls above the lowest footing; the courses follow from it.'),
  families: z
    .array(familyFileSchema)
    .max(20)
    .optional()
    .describe('Form families of the job’s own, as family files.'),
  outline: outline.optional().describe('Short for one loop. Give outline or loops.'),
  loops: z.array(outline).min(1).max(60).optional().describe('Separate outlines of one job.'),
};

type File = z.infer<z.ZodObject<typeof fields>>;
type FileLoop = z.infer<typeof outline>;
type FileRow = z.infer<typeof row>;

/** What hangs on a wall besides its length and turn, as far as the file tells it. */
function wallExtras(row: FileRow, units: UnitSystem): Omit<WalkRow, 'id' | 'length' | 'turn'> {
  const length = (text: string): string => pinned(text, units);
  const stepId = idGiver('step', [
    ...(row.footing ?? []).map((step) => step.id),
    ...(row.topSteps ?? []).map((step) => step.id),
    ...(row.rake?.points ?? []).map((point) => point.id),
  ]);
  const bond = (): WallBond | undefined => {
    if (row.bond?.kind === 'seam') return { kind: 'seam', at: length(row.bond.at) };
    const before = row.bond?.before === undefined ? {} : { before: row.bond.before };
    if (row.bond?.cuts === undefined) return row.bond && { kind: 'running', ...before };
    const { odd, even } = row.bond.cuts;
    return { kind: 'running', ...before, cuts: { odd: odd.map(length), even: even.map(length) } };
  };
  const chosen = bond();
  return {
    ...(row.curve === undefined
      ? {}
      : { curve: { radius: length(row.curve.radius), sweep: row.curve.sweep } }),
    ...(row.core === undefined ? {} : { core: length(row.core) }),
    ...(row.flush === undefined ? {} : { flush: row.flush }),
    ...(row.top === undefined ? {} : { top: length(row.top) }),
    ...(row.topSteps === undefined
      ? {}
      : {
          topSteps: row.topSteps.map((step): TopStep => ({
            id: step.id ?? stepId(),
            at: length(step.at),
            top: length(step.top),
          })),
        }),
    ...(row.rake === undefined
      ? {}
      : {
          rake: {
            how: row.rake.how,
            points: row.rake.points.map((point) => ({
              id: point.id ?? stepId(),
              at: length(point.at),
              top: length(point.top),
            })),
          },
        }),
    ...(row.footing === undefined
      ? {}
      : {
          footing: row.footing.map((step): FootingStep => ({
            id: step.id ?? stepId(),
            at: length(step.at),
            step: step.step,
          })),
        }),
    ...(chosen === undefined ? {} : { bond: chosen }),
    ...(row.lead === undefined ? {} : { lead: row.lead }),
    ...(row.asLaid === undefined
      ? {}
      : { asLaid: row.asLaid.map(({ course, length: text }) => ({ course, length: length(text) })) }),
    ...(row.bearing === undefined
      ? {}
      : {
          bearing: {
            ...(row.bearing.width === undefined ? {} : { width: length(row.bearing.width) }),
            ...(row.bearing.offset === undefined ? {} : { offset: row.bearing.offset }),
          },
        }),
  };
}

function teesOf(tee: NonNullable<FileLoop['tee']>, units: UnitSystem): LoopTees {
  return {
    ...(tee.start === undefined ? {} : { start: { wall: tee.start.wall, at: pinned(tee.start.at, units) } }),
    ...(tee.end === undefined ? {} : { end: { wall: tee.end.wall } }),
  };
}

function loopsOf(file: File, units: UnitSystem): readonly Loop[] {
  const loops = file.loops ?? (file.outline ? [file.outline] : []);
  const loopId = idGiver(
    'loop',
    loops.map((loop) => loop.id),
  );
  const rowId = idGiver(
    'wall',
    loops.flatMap((loop) => loop.walk.map((row) => row.id)),
  );
  return loops.map((loop) => ({
    id: loop.id ?? loopId(),
    ...(loop.name === undefined ? {} : { name: loop.name }),
    closed: loop.closed ?? loop.tee === undefined,
    ...(loop.base === undefined ? {} : { base: pinned(loop.base, units) }),
    ...(loop.right === undefined ? {} : { right: pinned(loop.right, units) }),
    ...(loop.down === undefined ? {} : { down: pinned(loop.down, units) }),
    ...(loop.tee === undefined ? {} : { tee: teesOf(loop.tee, units) }),
    walk: loop.walk.map((row): WalkRow => ({
      id: row.id ?? rowId(),
      length: pinned(row.length, units),
      turn: row.turn,
      ...wallExtras(row, units),
    })),
  }));
}

type FileGround = NonNullable<z.infer<typeof pour>['ground']>;

/** The two sides of a wall as a file gives them. */
function sidesOf(
  { outside, inside }: Pick<FileGround, 'outside' | 'inside'>,
  units: UnitSystem,
): GroundSides {
  const height = (given: NonNullable<FileGround['outside']>): GroundHeight =>
    typeof given === 'string'
      ? { to: pinned(given, units), with: 'fill' }
      : { ...given, to: pinned(given.to, units) };
  return {
    ...(outside === undefined ? {} : { outside: height(outside) }),
    ...(inside === undefined ? {} : { inside: height(inside) }),
  };
}

const groundOf = ({ walls, before, ...sides }: FileGround, units: UnitSystem): PourGround => ({
  ...sidesOf(sides, units),
  ...(walls === undefined
    ? {}
    : {
        walls: Object.fromEntries(Object.entries(walls).map(([wall, own]) => [wall, sidesOf(own, units)])),
      }),
  ...(before === undefined ? {} : { before }),
});

function poursOf(file: File, units: UnitSystem): readonly Pour[] {
  // Where the height alone is given, the only pour reaches its top, whatever number stands here.
  const pours = file.pours ?? [{ toCourse: file.courses ?? 1 }];
  const pourId = idGiver(
    'pour',
    pours.map((pour) => pour.id),
  );
  return pours.map((pour) => ({
    id: pour.id ?? pourId(),
    ...(pour.name === undefined ? {} : { name: pour.name }),
    toCourse: pour.toCourse,
    top: pour.top ?? 'full',
    ...(pour.then === undefined ? {} : { then: pour.then }),
    ...(pour.ground === undefined ? {} : { ground: groundOf(pour.ground, units) }),
  }));
}

/** What of a document's ways to say the same is there first stays; the fallback where none is. */
function oneOf(document: FileFields, names: readonly string[], fallback: FileFields): void {
  const [first, ...others] = names.filter((name) => document[name] !== undefined);
  for (const name of others) Reflect.deleteProperty(document, name);
  if (first === undefined) Object.assign(document, fallback);
}

/** Outlines, the pours that they are stacked in, and what they are built of. */
export const file = filePart({
  fields,
  // Version 1 called what is poured in one go a stage.
  upgrades: { 1: ({ stages, ...file }) => (stages === undefined ? file : { ...file, pours: stages }) },
  judge: (file) => {
    const countedOnce = (file['courses'] === undefined) !== (file['pours'] === undefined);
    const byHeight =
      file['courses'] === undefined && file['pours'] === undefined && file['height'] !== undefined;
    if (!countedOnce && !byHeight) {
      return {
        where: 'courses',
        what: 'Give either “courses” or “pours”, one of the two, or a “height” alone.',
      };
    }
    return (file['outline'] === undefined) === (file['loops'] === undefined)
      ? { where: 'outline', what: 'Give either “outline” or “loops”, one of the two.' }
      : null;
  },
  read: (file, units) => ({
    measuredTo: file.measuredTo,
    family: file.family,
    core: pinned(file.core, units),
    loops: loopsOf(file, units),
    pours: poursOf(file, units),
    ...(file.height === undefined ? {} : { height: pinned(file.height, units) }),
    ...(file.families === undefined ? {} : { families: file.families }),
  }),
  mend: (document) => {
    const { measuredTo, family, core, loops, pours } = emptyPlan('');
    for (const [key, value] of Object.entries({ measuredTo, family, core })) document[key] ??= value;
    oneOf(
      document,
      ['pours', 'courses'],
      document['height'] === undefined ? { courses: pours[0]?.toCourse } : {},
    );
    oneOf(document, ['loops', 'outline'], { outline: loops.map(fileLoop)[0] });
  },
});
