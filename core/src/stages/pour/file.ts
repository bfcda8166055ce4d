import { z } from 'zod';
import type { UnitSystem } from '../../kernel/measure';
import { idField, idGiver, lengthField, pinned } from '../../kernel/plan/fields';
import { type FileFields, filePart } from '../../kernel/plan/part';
import { isObject } from '../../kernel/forms';
import { type PourPlan, SIDE_TIMES } from './plan';

const clockTime = z
  .string()
  .regex(/^([01]\d|2[0-3]):[0-5]\d$/)
  .describe('Hours and minutes, such as "07:30".');

const pourDay = z.strictObject({
  date: z
    .string()
    .regex(/^\d{4}-\d{2}-\d{2}$/)
    .optional(),
  start: clockTime.optional().describe('First truck on site.'),
  dark: clockTime.optional().describe('When it is too dark to go on.'),
  air: z.number().min(-200).max(300).optional().describe('Air, degrees Fahrenheit.'),
  concrete: z.number().min(-200).max(300).optional().describe('Concrete as it comes, degrees Fahrenheit.'),
  lifts: z.array(lengthField).max(40).optional().describe('Depths of the lifts, where set by hand.'),
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
  pours: z.record(z.string().max(60), pourDay).optional().describe('By pour: the day, lifts, loads.'),
  sides: z
    .array(
      z.strictObject({
        id: idField.optional(),
        name: z.string().max(80),
        volume: z.string().max(60).describe('"2.5 yd3", or the box that it fills: "12ft x 8in x 16in".'),
        when: z.enum(SIDE_TIMES),
        pour: z.string().max(60).optional(),
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
    ...(file.pours === undefined
      ? {}
      : {
          pours: Object.fromEntries(
            Object.entries(file.pours).map(([pour, own]) => [
              pour,
              {
                ...own,
                ...(own.lifts === undefined ? {} : { lifts: own.lifts.map((lift) => pinned(lift, units)) }),
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

/**
 * The pour as version 2 writes it: version 1 called a pour a stage and a lift a round, and gave `stage-1` to a pour that came
 * without an id.
 */
function withPours(file: FileFields): FileFields {
  const { pour } = file;
  if (!isObject(pour)) return file;
  const { stages, sides, ...others } = pour;
  const named = new Set(
    Array.isArray(file['pours']) ? file['pours'].map((each: { id?: unknown } | null) => each?.id) : [],
  );
  const nameOf = (id: string): string => (named.has(id) ? id : id.replace(/^stage-(?=\d+$)/, 'pour-'));
  const dayOf = (day: unknown): unknown => {
    if (!isObject(day) || !('rounds' in day)) return day;
    const { rounds, ...rest } = day;
    return { ...rest, lifts: rounds };
  };
  const sideOf = (side: unknown): unknown => {
    if (!isObject(side) || typeof side['stage'] !== 'string') return side;
    const { stage, ...rest } = side;
    return { ...rest, pour: nameOf(stage) };
  };
  return {
    ...file,
    pour: {
      ...others,
      ...(isObject(stages)
        ? { pours: Object.fromEntries(Object.entries(stages).map(([id, day]) => [nameOf(id), dayOf(day)])) }
        : {}),
      ...(sides === undefined ? {} : { sides: Array.isArray(sides) ? sides.map(sideOf) : sides }),
    },
  };
}

/** The pour: its days, lifts, loads and side pours. */
export const file = filePart({
  upgrades: { 1: withPours },
  fields: { pour: pour.optional().describe('The pour: its days, lifts, loads and side pours.') },
  read: (file, units) => (file.pour === undefined ? {} : { pour: pourOf(file.pour, units) }),
});
