import { z } from 'zod';
import { familyFileSchema } from '../forms';
import { BUCK_KINDS, INSERT_KINDS, OPENING_KINDS } from './opening';
import { GROUNDS } from './bracingPlan';
import { SIDE_TIMES } from './pourPlan';
import { HELD } from './steelPlan';
import { FOOTING_KINDS, PLAN_FORMAT, PLAN_VERSION } from './plan';

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

const topText = z.string().max(60).describe('“5 courses”, or a height above the lowest footing: "7ft 4in".');

const row = z.strictObject({
  id: id.optional(),
  length: lengthText,
  turn: z
    .string()
    .max(40)
    .describe(
      'The turn at the far end of this wall: "right 90", "left 45". The last row’s turn is the one at A.',
    ),
  curve: z
    .strictObject({ radius: lengthText, sweep: z.string().max(40) })
    .optional()
    .describe(
      'The wall is an arc: radius on the drawn face, and how far it turns. It runs straight on at both ends.',
    ),
  core: lengthText.optional().describe('Core thickness of this wall, where it differs from the job’s.'),
  top: topText.optional().describe('This wall’s top, where it differs from the job’s.'),
  topSteps: z
    .array(z.strictObject({ id: id.optional(), at: lengthText, top: topText }))
    .max(40)
    .optional()
    .describe('Where the top changes along the wall, from its first corner in clockwise order.'),
  footing: z
    .array(z.strictObject({ id: id.optional(), at: lengthText, step: z.string().max(60) }))
    .max(40)
    .optional()
    .describe('Steps of the footing along the wall, clockwise: {"at": "12ft", "step": "up 32in"}.'),
  bond: z
    .discriminatedUnion('kind', [
      z.strictObject({
        kind: z.literal('running'),
        cuts: z
          .strictObject({ odd: z.array(lengthText).max(2), even: z.array(lengthText).max(2) })
          .optional()
          .describe('Cut lengths chosen for odd and even courses.'),
        before: z.number().int().min(0).max(10_000).optional().describe('Whole blocks before the cuts.'),
      }),
      z.strictObject({ kind: z.literal('seam'), at: lengthText }),
    ])
    .optional()
    .describe('Running bond (the default), or a common seam at a station of the wall.'),
  lead: z
    .enum(['starting-wall', 'ending-wall'])
    .optional()
    .describe('Which wall has the long leg in course 1 at the corner where this wall starts.'),
  asLaid: z
    .array(z.strictObject({ course: z.number(), length: lengthText }))
    .max(60)
    .optional()
    .describe('How long the wall came out in a course, pulled with the tape.'),
  bearing: z
    .strictObject({ width: lengthText.optional(), offset: z.string().max(60).optional() })
    .optional()
    .describe(
      'This wall’s footing, where it differs: its width, and the wall off its middle: "out 2in", "in 2in".',
    ),
});

const walk = z.array(row).max(1000).describe('The walls in walking order, clockwise seen from above.');

const outline = z.strictObject({
  id: id.optional(),
  name: z.string().max(120).optional(),
  closed: z.boolean().describe('Whether the walk comes home to its first corner.'),
  base: lengthText
    .optional()
    .describe('Its footing at its first corner, above that of the first outline; a minus is below.'),
  right: lengthText.optional().describe('Its first corner, to the right of the first outline’s.'),
  down: lengthText.optional().describe('Its first corner, down the plan from the first outline’s.'),
  tee: z
    .strictObject({
      start: z.strictObject({ wall: z.string().max(60), at: lengthText }).optional(),
      end: z.strictObject({ wall: z.string().max(60) }).optional(),
    })
    .optional()
    .describe('For an open walk: the walls, by id, that its ends meet.'),
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
  then: z.string().max(200).optional().describe('What is done before the next stage: backfill, slab.'),
});

const shot = z.strictObject({
  id: id.optional(),
  wall: z.string().max(60),
  at: lengthText,
  reading: lengthText,
});

const footing = z.strictObject({
  kind: z
    .enum(FOOTING_KINDS)
    .describe(
      'A plain strip, one cast in insulated forms, straight on rock, or a strip under a thermal-break sheet.',
    ),
  width: lengthText.optional(),
  depth: lengthText.optional(),
  withWall: z.boolean().optional().describe('Footing and wall are poured as one.'),
  sheet: lengthText.optional().describe('Thickness of the thermal-break sheet.'),
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
        id: id.optional(),
        from: z.string().max(60),
        to: z.string().max(60),
        length: lengthText,
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

const wallEnd = z
  .enum(['start', 'end'])
  .describe('The corner that it is measured from: the first of its wall clockwise, or the other.');

const opening = z.strictObject({
  id: id.optional(),
  name: z.string().max(60).optional(),
  kind: z.enum(OPENING_KINDS),
  wall: z.string().max(60).describe('Id of its wall.'),
  from: wallEnd,
  to: z.enum(['near', 'centre']).describe('Whether “at” runs to its near side or to its centre.'),
  at: lengthText,
  width: lengthText.describe('Of the rough opening.'),
  height: lengthText.describe('Of the rough opening.'),
  sill: lengthText
    .optional()
    .describe('Above the lowest footing; with neither sill nor head it stands on its wall’s footing.'),
  head: lengthText.optional().describe('Above the lowest footing, in place of the sill.'),
  rise: lengthText.optional().describe('Of a round top; half the width where left out.'),
  buck: z.enum(BUCK_KINDS).optional(),
  threshold: z
    .strictObject({
      kind: z.enum(['slab-over', 'slab-inside']),
      depth: lengthText.optional(),
      tongue: z.enum(['dowels', 'crack-bar', 'saw-cut']).optional(),
    })
    .optional()
    .describe('The wall held down under a slab that runs out over it, or the slab stopped inside.'),
  lintel: z
    .record(z.string().max(80), z.union([z.string().max(80), z.number()]))
    .optional()
    .describe('Rules of its lintel that differ from the job’s, by their ids.'),
});

const insert = z.strictObject({
  id: id.optional(),
  name: z.string().max(60).optional(),
  kind: z.enum(INSERT_KINDS),
  wall: z.string().max(60).describe('Id of its wall.'),
  from: wallEnd,
  at: lengthText.describe('To the middle of a single one, to the near end of a run.'),
  up: lengthText.describe('Above the lowest footing.'),
  size: lengthText.optional(),
  height: lengthText.optional(),
  depth: lengthText.optional(),
  length: lengthText.optional(),
  spacing: lengthText.optional(),
  rows: z.number().int().min(1).max(6).optional(),
  face: z.enum(['inside', 'outside']).optional(),
  fall: lengthText.optional(),
  fixing: z.enum(['cast', 'drilled']).optional(),
});

const steelZone = z.strictObject({
  id: id.optional(),
  name: z.string().max(60).optional(),
  walls: z.array(z.string().max(60)).max(1000).optional().describe('Ids of its walls; all where left out.'),
  fromCourse: z.number().int().optional(),
  toCourse: z.number().int().optional(),
  rules: z.record(z.string().max(80), z.union([z.string().max(80), z.number()])),
});

const reinforcementTable = z.strictObject({
  name: z.string().max(80),
  rows: z
    .array(
      z.strictObject({
        height: lengthText.describe('Greatest height of the wall, footing to top.'),
        backfill: lengthText.describe('Greatest height of the soil against it.'),
        soil: z.number().describe('Greatest equivalent fluid weight, in pounds a cubic foot.'),
        size: z.string().max(20),
        spacing: lengthText,
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
      z.strictObject({ backfill: lengthText.optional(), held: z.enum(HELD).optional() }),
    )
    .optional()
    .describe('By wall: soil against it above its footing, and what holds its top.'),
  zones: z
    .array(steelZone)
    .max(60)
    .optional()
    .describe('Parts of the job whose steel rules differ; a later one goes before an earlier one.'),
});

const stock = z
  .array(z.strictObject({ length: lengthText, count: z.number().int().min(0).max(10_000).optional() }))
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
      z.strictObject({ before: lengthText.optional(), after: lengthText.optional() }),
    )
    .optional()
    .describe('By brace: string to wall at the top, before the pour and after it.'),
});

const clockTime = z
  .string()
  .regex(/^([01]\d|2[0-3]):[0-5]\d$/)
  .describe('Hours and minutes, such as "07:30".');

const stagePour = z.strictObject({
  date: z
    .string()
    .regex(/^\d{4}-\d{2}-\d{2}$/)
    .optional(),
  start: clockTime.optional().describe('First truck on site.'),
  dark: clockTime.optional().describe('When it is too dark to go on.'),
  air: z.number().min(-200).max(300).optional().describe('Air, degrees Fahrenheit.'),
  concrete: z.number().min(-200).max(300).optional().describe('Concrete as it comes, degrees Fahrenheit.'),
  rounds: z.array(lengthText).max(40).optional().describe('Depths of the rounds, where set by hand.'),
  loads: z.number().int().min(0).max(500).optional().describe('Loads ordered.'),
  corner: z
    .string()
    .max(60)
    .optional()
    .describe('Id of the wall at whose first corner the pour begins or arrives.'),
  stand: z
    .strictObject({ wall: z.string().max(60), at: lengthText, out: lengthText })
    .optional()
    .describe('Where the pump stands: beside a wall, so far out from its outside face.'),
  ready: z.array(z.string().max(160)).max(400).optional(),
});

const pour = z.strictObject({
  stages: z.record(z.string().max(60), stagePour).optional().describe('By stage: the day, rounds, loads.'),
  sides: z
    .array(
      z.strictObject({
        id: id.optional(),
        name: z.string().max(80),
        volume: z.string().max(60).describe('"2.5 yd3", or the box that it fills: "12ft x 8in x 16in".'),
        when: z.enum(SIDE_TIMES),
        stage: z.string().max(60).optional(),
      }),
    )
    .max(60)
    .optional()
    .describe('Concrete besides the walls that shares their trucks.'),
  watchers: z.record(z.string().max(60), z.string().max(60)).optional(),
  seed: z.number().int().min(0).max(4_294_967_295).optional().describe('Draw of the rehearsal.'),
});

const buckFigures = z.strictObject({
  thickness: lengthText.optional(),
  stock: lengthText.optional(),
  kerf: lengthText.optional(),
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
    height: lengthText
      .optional()
      .describe('Height of the walls above the lowest footing; the courses follow from it.'),
    families: z
      .array(familyFileSchema)
      .max(20)
      .optional()
      .describe('Form families of the job’s own, as family files.'),
    outline: outline.optional().describe('Short for one loop. Give outline or loops.'),
    loops: z.array(outline).min(1).max(60).optional().describe('Separate outlines of one job.'),
    openings: z.array(opening).max(500).optional().describe('Windows, doors and other holes with a buck.'),
    inserts: z
      .array(insert)
      .max(1_000)
      .optional()
      .describe('Sleeves, pockets, ledgers and what else goes through the wall, into it or onto it.'),
    bucks: z
      .partialRecord(z.enum(BUCK_KINDS), buckFigures)
      .optional()
      .describe('Figures of buck materials, where the job has its own.'),
    footing: footing.optional().describe('What the walls stand on, and what was measured on it.'),
    bracing: bracing.optional().describe('Braces, planks and the lines of the walls.'),
    pour: pour.optional().describe('The pour: its days, rounds, loads and side pours.'),
    steel: steel.optional().describe('Soil, and where the steel differs from the house rules.'),
    rules: z
      .record(z.string().max(80), z.union([z.string().max(80), z.number()]))
      .optional()
      .describe('House rules that this job sets for itself, by rule id.'),
  })
  .meta({ title: 'Ombra plan', description: 'The plan of one job: its outline, forms and courses.' });

export type PlanFile = z.infer<typeof planFileSchema>;

/** The published JSON Schema (2020-12) of the plan file. */
export const planJsonSchema = (): Record<string, unknown> => z.toJSONSchema(planFileSchema);
