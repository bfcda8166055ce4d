import { z } from 'zod';
import type { UnitSystem } from '../../kernel/measure';
import { copyOf, idField, idGiver, lengthField, pinned } from '../../kernel/plan/fields';
import { planPart } from '../../kernel/plan/part';
import { type PourPlan, changePour, SIDE_TIMES } from './plan';

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
  rounds: z.array(lengthField).max(40).optional().describe('Depths of the rounds, where set by hand.'),
  loads: z.number().int().min(0).max(500).optional().describe('Loads ordered.'),
  corner: z
    .string()
    .max(60)
    .optional()
    .describe('Id of the wall at whose first corner the pour begins or arrives.'),
  stand: z
    .strictObject({ wall: z.string().max(60), at: lengthField, out: lengthField })
    .optional()
    .describe('Where the pump stands: beside a wall, so far out from its outside face.'),
  ready: z.array(z.string().max(160)).max(400).optional(),
});

const pour = z.strictObject({
  stages: z.record(z.string().max(60), stagePour).optional().describe('By stage: the day, rounds, loads.'),
  sides: z
    .array(
      z.strictObject({
        id: idField.optional(),
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

type File = z.infer<typeof pour>;

function pourOf(file: File, units: UnitSystem): PourPlan {
  const give = idGiver(
    'side',
    (file.sides ?? []).map((side) => side.id),
  );
  return {
    ...file,
    ...(file.stages === undefined
      ? {}
      : {
          stages: Object.fromEntries(
            Object.entries(file.stages).map(([stage, own]) => [
              stage,
              {
                ...own,
                ...(own.rounds === undefined
                  ? {}
                  : { rounds: own.rounds.map((round) => pinned(round, units)) }),
                ...(own.stand === undefined
                  ? {}
                  : {
                      stand: {
                        ...own.stand,
                        at: pinned(own.stand.at, units),
                        out: pinned(own.stand.out, units),
                      },
                    }),
              },
            ]),
          ),
        }),
    ...(file.sides === undefined
      ? {}
      : { sides: file.sides.map((side) => ({ ...side, id: side.id ?? give() })) }),
  } as PourPlan;
}

/** The pour: its days, rounds, loads and side pours. */
export const pourPart = planPart({
  fields: { pour: pour.optional().describe('The pour: its days, rounds, loads and side pours.') },
  read: (file, units) => (file.pour === undefined ? {} : { pour: pourOf(file.pour, units) }),
  write: (plan) => (plan.pour === undefined ? {} : { pour: copyOf(plan.pour) }),
  edits: {
    pour: (plan, { change }) => ({ ...plan, pour: changePour(plan.pour, change, plan.units) }),
  },
});
