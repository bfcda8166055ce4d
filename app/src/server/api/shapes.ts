import { FILE_UNITS, POINT_ORDERS } from '@ombra/core/outlines';
import { z } from 'zod';

/** What every refusal says: where it went wrong, and what to do. */
export const problems = z
  .object({ problems: z.array(z.object({ where: z.string(), what: z.string() })) })
  .meta({ title: 'Problems', description: 'Where it went wrong, what is wrong, and what to do.' });

const moment = z.string().describe('ISO 8601, UTC.');
const summary = {
  id: z.string(),
  name: z.string(),
  version: z.number().int().describe('Counts the saved states of the plan.'),
  updatedAt: moment,
};

export const jobList = z
  .object({ jobs: z.array(z.object(summary)), total: z.number().int() })
  .meta({ title: 'JobList' });

const plan = z.record(z.string(), z.unknown()).describe('A plan file; its schema is at /schema/plan-2.json.');

export const job = z.object({ job: z.object({ ...summary, plan }) }).meta({ title: 'Job' });

export const newJob = z
  .object({
    id: z.string().max(60).optional().describe('Of your own, so that sending it twice makes one job.'),
    name: z.string().max(120).optional().describe('For an empty job.'),
    plan: plan.optional().describe('A plan file, in place of a name.'),
  })
  .meta({ title: 'NewJob' });

export const save = z
  .object({
    baseVersion: z.number().int().describe('The version that the plan started from.'),
    saveId: z.string().max(60).describe('Of your own for every save, so that one sent twice is done once.'),
    plan,
  })
  .meta({ title: 'Save' });

export const saved = z.object({ version: z.number().int() }).meta({ title: 'Saved' });
export const removed = z.object({ removed: z.string() }).meta({ title: 'Removed' });
export const restored = z.object({ restored: z.string() }).meta({ title: 'Restored' });

export const newest = z
  .object({ newest: z.object({ version: z.number().int(), plan }).nullable() })
  .meta({ title: 'Newest' });

export const worked = z
  .object({
    version: z.number().int(),
    worked: z.looseObject({ name: z.string() }).describe('By name; lengths are in nanometres.'),
  })
  .meta({ title: 'Worked' });

export const revisions = z
  .object({ revisions: z.array(z.looseObject({ version: z.number().int() })) })
  .meta({ title: 'Revisions' });

const entry = z.record(z.string(), z.unknown()).describe('An entry; its schema is at /schema/entry-1.json.');
export const entries = z
  .object({
    entries: z.array(z.object({ number: z.number().int(), entry })),
    last: z.number().int().describe('Ask for what comes after it next time.'),
    more: z.boolean().describe('Whether further entries may follow now; ask again, after `last`.'),
  })
  .meta({ title: 'Entries' });
export const newEntries = z.object({ entries: z.array(entry).max(500) }).meta({ title: 'NewEntries' });
export const addedEntries = z
  .object({ added: z.number().int(), last: z.number().int() })
  .meta({ title: 'AddedEntries' });

export const picture = z
  .object({
    hash: z.string().describe('SHA-256 of the picture, by which an entry names it.'),
    type: z.string(),
  })
  .meta({ title: 'Picture' });

export const importedJob = z
  .object({
    job: z.object({ id: z.string(), name: z.string() }),
    entries: z.number().int(),
    pictures: z.number().int(),
  })
  .meta({ title: 'ImportedJob' });

const point = z.object({ x: z.number(), y: z.number() });
/** What was understood of an outline’s file. */
export const outlineAnswer = z
  .object({
    kind: z.enum(['dxf', 'ifc', 'points', 'walk']),
    unit: z.enum(Object.keys(FILE_UNITS) as [string, ...string[]]).nullable(),
    unitNamed: z.boolean().describe('Whether the file names its unit itself.'),
    understood: z.object({
      outlines: z.array(
        z.object({
          name: z.string(),
          closed: z.boolean(),
          rows: z.array(
            z.object({
              length: z.string(),
              turn: z.string(),
              curve: z.object({ radius: z.string(), sweep: z.string() }).optional(),
            }),
          ),
          drawn: z.array(point).describe('Corners in nanometres, y down, arcs in short sides.'),
          corners: z.array(point),
          perimeter: z.number().describe('Nanometres.'),
          openings: z.array(
            z.object({
              name: z.string(),
              side: z.number().int(),
              at: z.string(),
              width: z.string(),
              height: z.string(),
              sill: z.string().nullable(),
            }),
          ),
        }),
      ),
      leftOut: z.array(z.object({ what: z.string(), why: z.string() })),
    }),
  })
  .meta({ title: 'OutlineAnswer' });

export const pointOrder = z.enum(POINT_ORDERS);
export const fileUnit = z.enum(Object.keys(FILE_UNITS) as [string, ...string[]]);

export const progress = z
  .object({ progress: z.object({ done: z.number(), of: z.number() }).nullable() })
  .meta({ title: 'Progress' });

const role = z.enum(['look', 'crew', 'office']);
const link = z.object({
  id: z.string(),
  role,
  name: z.string().describe('Whom it is for.'),
  job: z.string().nullable().describe('The job that it leads to; null for the list.'),
  madeAt: moment,
  madeBy: z.string(),
  expiresAt: moment.describe('Lets no new device in from then on.'),
  withdrawnAt: moment.nullable(),
});
export const links = z.object({ links: z.array(link) }).meta({ title: 'Links' });
export const newLink = z
  .object({
    name: z.string().max(80),
    role,
    days: z.number().int().min(1).max(90),
    job: z.string().nullable().optional(),
  })
  .meta({ title: 'NewLink' });
export const madeLink = z
  .object({ link, path: z.string().describe('Told this once; only its hash is kept.') })
  .meta({ title: 'MadeLink' });
export const devices = z
  .object({
    devices: z.array(
      z.object({
        id: z.string(),
        role,
        name: z.string(),
        link: z.string().nullable().describe('The link that it came in by; null for the passphrase.'),
        browser: z.string(),
        since: moment,
        seenAt: moment,
        withdrawnAt: moment.nullable(),
      }),
    ),
  })
  .meta({ title: 'Devices' });
export const withdrawn = z.object({ withdrawn: z.boolean() }).meta({ title: 'Withdrawn' });
export const signIn = z
  .object({ name: z.string().max(80), passphrase: z.string(), to: z.string().optional() })
  .meta({ title: 'SignIn' });
export const join = z.object({ name: z.string().max(80), token: z.string() }).meta({ title: 'Join' });
export const cameIn = z
  .object({ role, to: z.string().describe('Where to go now.') })
  .meta({ title: 'CameIn' });

/** JSON whose shape is not documented field by field. */
export const anything = z.record(z.string(), z.unknown());
