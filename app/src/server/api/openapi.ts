import { z } from 'zod';
import { LANGUAGES, PACKET_SHEETS, PAPERS, ROLES } from '../../stages/packet/choice';
import { JOB_FILES } from '../../stages/packet/files';
import * as shapes from './shapes';

type Method = 'get' | 'post' | 'put' | 'delete';

interface Parameter {
  readonly name: string;
  readonly about: string;
  readonly schema?: z.ZodType;
}

/** What an address does with a method. */
interface Operation {
  readonly summary: string;
  readonly query?: readonly Parameter[];
  /** What is sent: JSON of a shape, or a file of a media type. */
  readonly sends?: z.ZodType | string;
  /** What comes back: JSON of a shape, or files of media types. */
  readonly answers: z.ZodType | readonly string[];
  readonly status?: number;
  /** Refusals besides 404 and 422, with when they come. */
  readonly refuses?: Readonly<Record<number, string>>;
}

const FILES = ['text/csv'] as const;
const text = z.string();
const whole = z.number().int();
const DATE: Parameter = { name: 'date', about: 'Written as 2026-11-30.', schema: text };

const job: Readonly<Record<string, Parameter>> = {
  id: { name: 'id', about: 'Id of the job.' },
  name: { name: 'name', about: 'Name of the file.' },
  hash: { name: 'hash', about: 'SHA-256 of the picture.' },
  version: { name: 'version', about: 'Number of a saved state.' },
};

const exported = JOB_FILES.flatMap(({ files }) => files.map(({ file }) => file));

/** Every address of the API, as `docs/api.md` tells of it. */
export const OPERATIONS: Readonly<Record<string, Readonly<Partial<Record<Method, Operation>>>>> = {
  '/api/jobs': {
    get: {
      summary: 'Jobs, that which was worked on last first.',
      query: [
        { name: 'search', about: 'Part of a name.', schema: text },
        { name: 'from', about: 'How many to pass over.', schema: whole },
        { name: 'removed', about: 'Those in the bin, where this is given.', schema: text },
      ],
      answers: shapes.jobList,
    },
    post: {
      summary: 'A new job, empty with a name or from a plan file.',
      sends: shapes.newJob,
      answers: shapes.job,
      status: 201,
      refuses: { 409: 'The id belongs to another job.', 413: 'The plan is larger than any that is kept.' },
    },
  },
  '/api/jobs/{id}': {
    get: { summary: 'A job with its plan.', answers: shapes.job },
    put: {
      summary: 'Saves a plan over the version that it started from.',
      sends: shapes.save,
      answers: shapes.saved,
      refuses: { 409: 'Changed elsewhere since: the newer state comes with the answer, nothing is changed.' },
    },
    delete: { summary: 'Takes a job off the list.', answers: shapes.removed },
  },
  '/api/jobs/{id}/restore': { post: { summary: 'Brings a removed job back.', answers: shapes.restored } },
  '/api/jobs/{id}/newest': {
    get: {
      summary: 'The newest state, where it is newer than the one that is known.',
      query: [{ name: 'since', about: 'The version that is known.', schema: whole }],
      answers: shapes.newest,
    },
  },
  '/api/jobs/{id}/live': {
    get: {
      summary: 'How a job stands and who has it open, as server-sent events, whenever it changes.',
      query: [
        { name: 'page', about: 'An id of the page that listens.', schema: text },
        { name: 'who', about: 'Who sits there, on the machine itself.', schema: text },
      ],
      answers: ['text/event-stream'],
    },
  },
  '/api/jobs/{id}/glance': {
    get: { summary: 'What the list shows of a job besides its name.', answers: shapes.anything },
  },
  '/api/jobs/{id}/worked': {
    get: {
      summary: 'What a job is worked out to: the things that are named, with all that they are made from.',
      query: [{ name: 'of', about: 'Names of them, with commas between: tally,order.', schema: text }],
      answers: shapes.worked,
    },
  },
  '/api/jobs/{id}/revisions': {
    get: { summary: 'Saved states, the newest first.', answers: shapes.revisions },
    post: {
      summary: 'Keeps a plan in the history without its taking the place of the newest.',
      sends: shapes.save.omit({ baseVersion: true }).meta({ title: 'Kept' }),
      answers: shapes.saved,
      status: 201,
      refuses: { 409: 'Another plan was kept under this id.' },
    },
  },
  '/api/jobs/{id}/revisions/{version}': {
    get: { summary: 'One saved state.', answers: shapes.anything },
  },
  '/api/jobs/{id}/entries': {
    get: {
      summary: 'The log after an entry; with search, the ids of entries that hold its words.',
      query: [
        { name: 'after', about: 'Number of the last entry that is known.', schema: whole },
        { name: 'search', about: 'Words to look for.', schema: text },
      ],
      answers: shapes.entries,
    },
    post: {
      summary: 'Adds entries to the log: all of them, or none.',
      sends: shapes.newEntries,
      answers: shapes.addedEntries,
      status: 201,
      refuses: { 409: 'Other entries have these ids.' },
    },
  },
  '/api/jobs/{id}/files': {
    post: {
      summary: 'Keeps a picture: the body is the picture itself, up to 12 MB.',
      sends: 'image/*',
      answers: shapes.picture,
      status: 201,
      refuses: { 413: 'Too large.', 415: 'No JPEG, PNG or WebP.' },
    },
  },
  '/api/jobs/{id}/files/{hash}': {
    get: { summary: 'A picture.', answers: ['image/jpeg', 'image/png', 'image/webp'] },
  },
  '/api/jobs/{id}/export/{name}': {
    get: {
      summary: `A file for other programs: ${exported.join(', ')}, packet.pdf; each table as CSV, each drawing (plan, strip, course-N, wall-A-B) as SVG and DXF.`,
      query: [
        {
          name: 'sheets',
          about: `packet.pdf: any of ${PACKET_SHEETS.map(({ id }) => id).join(', ')}, with commas.`,
          schema: text,
        },
        {
          name: 'roles',
          about: `packet.pdf: any of ${ROLES.map(({ id }) => id).join(', ')}, with commas.`,
          schema: text,
        },
        { name: 'language', about: 'packet.pdf.', schema: z.enum(LANGUAGES) },
        { name: 'paper', about: 'packet.pdf.', schema: z.enum(PAPERS) },
        { name: 'ink', about: 'packet.pdf and drawings: black.', schema: z.enum(['black']) },
        { name: 'key', about: 'Of your own: /api/progress tells how far it is.', schema: text },
      ],
      answers: [
        'application/pdf',
        'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
        'text/csv',
        'image/vnd.dxf',
        'application/x-step',
        'image/svg+xml',
        'text/plain',
        'text/calendar',
        'application/json',
        'application/zip',
      ],
      refuses: { 409: 'There is nothing to make it of yet.', 503: 'The job takes too long to work.' },
    },
  },
  '/api/jobs/{id}/plan.json': { get: { summary: 'The plan file.', answers: shapes.anything } },
  '/api/jobs/{id}/days.ics': {
    get: {
      summary: 'The days as a calendar.',
      answers: ['text/calendar'],
      refuses: { 409: 'No first day yet.' },
    },
  },
  '/api/jobs/{id}/bending.csv': { get: { summary: 'The bending schedule.', answers: FILES } },
  '/api/jobs/{id}/openings.csv': { get: { summary: 'Openings, as they are read back.', answers: FILES } },
  '/api/jobs/{id}/inserts.csv': { get: { summary: 'Inserts, as they are read back.', answers: FILES } },
  '/api/jobs/{id}/reinforcement.csv': { get: { summary: 'The reinforcement table.', answers: FILES } },
  '/api/jobs/{id}/survey.csv': { get: { summary: 'Readings of the footing.', answers: FILES } },
  '/api/import/job': {
    post: {
      summary: 'A new job from job.zip, with its log and pictures: whole, or not at all.',
      sends: 'application/zip',
      answers: shapes.importedJob,
      status: 201,
      refuses: { 413: 'Over 200 MB.' },
    },
  },
  '/api/import/outline': {
    post: {
      summary:
        'What is understood of a file with an outline: DXF, IFC, surveyed points, lengths and turns. Nothing is stored.',
      query: [
        { name: 'units', about: 'Those of the job.', schema: z.enum(['imperial', 'metric']) },
        { name: 'unit', about: 'That of the file, where it names none.', schema: shapes.fileUnit },
        { name: 'order', about: 'Of surveyed points.', schema: shapes.pointOrder },
      ],
      sends: 'application/octet-stream',
      answers: shapes.outlineAnswer,
      refuses: { 413: 'Over 16 MB.' },
    },
  },
  '/api/progress': {
    get: {
      summary: 'How far a file is that was asked for with a key.',
      query: [{ name: 'key', about: 'The key.', schema: text }],
      answers: shapes.progress,
    },
  },
  '/api/rates': { get: { summary: 'What the logs of all jobs say of the rates.', answers: shapes.anything } },
  '/api/plant': {
    get: {
      summary: 'Stand-in: what a concrete plant quotes for a day.',
      query: [DATE],
      answers: shapes.anything,
    },
  },
  '/api/weather': {
    get: {
      summary: 'Stand-in: the weather of days.',
      query: [DATE, { name: 'days', about: 'How many from it on.', schema: whole }],
      answers: shapes.anything,
    },
  },
  '/api/receiver': {
    get: {
      summary: 'Stand-in: readings of a laser receiver, as they come.',
      query: [{ name: 'job', about: 'Id of the job.', schema: text }],
      answers: ['text/event-stream'],
    },
  },
  '/api/ticket': {
    get: {
      summary: 'Stand-in: a load’s ticket.',
      query: [
        { name: 'load', about: 'Its number.', schema: whole },
        { name: 'volume', about: 'Cubic meters ordered.', schema: z.number() },
      ],
      answers: shapes.anything,
    },
  },
  '/api/terms': {
    get: {
      summary: 'Terms of the trade in a language, by their English.',
      query: [{ name: 'language', about: 'en, es or fr.', schema: z.enum(LANGUAGES) }],
      answers: shapes.anything,
    },
  },
  '/api/sign-in': {
    post: {
      summary: 'Lets the office in by the passphrase: the answer carries the session’s cookie.',
      sends: shapes.signIn,
      answers: shapes.cameIn,
      status: 201,
      refuses: { 401: 'That is not the passphrase.', 429: 'Too many wrong tries from there.' },
    },
  },
  '/api/join': {
    post: {
      summary: 'Lets a device in by the secret of a link.',
      sends: shapes.join,
      answers: shapes.cameIn,
      status: 201,
      refuses: {
        410: 'The link ended, was withdrawn, or never was.',
        429: 'Too many wrong tries from there.',
      },
    },
  },
  '/api/sign-out': {
    post: { summary: 'Ends the session of the device that asks.', answers: shapes.anything },
  },
  '/api/links': {
    get: { summary: 'Links that let people in, the newest first.', answers: shapes.links },
    post: { summary: 'A new link for a role.', sends: shapes.newLink, answers: shapes.madeLink, status: 201 },
  },
  '/api/links/{id}': {
    put: {
      summary: 'Withdraws a link with the devices that came in by it, or gives it back.',
      sends: shapes.withdrawn,
      answers: shapes.withdrawn,
    },
  },
  '/api/devices': { get: { summary: 'Devices that are in or were.', answers: shapes.devices } },
  '/api/devices/{id}': {
    put: {
      summary: 'Lets go of a device, or takes it back.',
      sends: shapes.withdrawn,
      answers: shapes.withdrawn,
    },
  },
  '/api/openapi.json': { get: { summary: 'This document.', answers: shapes.anything } },
  '/manifest.webmanifest': { get: { summary: 'What a phone installs.', answers: shapes.anything } },
  '/healthz': {
    get: { summary: 'Whether the data is well.', answers: shapes.anything, refuses: { 503: 'It is not.' } },
  },
  '/schema/plan-2.json': { get: { summary: 'JSON Schema of plan files.', answers: shapes.anything } },
  '/schema/entry-1.json': { get: { summary: 'JSON Schema of log entries.', answers: shapes.anything } },
};

/** JSON Schema of a shape, named ones by reference into the document’s components. */
function schemaOf(shape: z.ZodType, named: Map<string, unknown>): unknown {
  const schema = z.toJSONSchema(shape, { io: 'input' }) as Record<string, unknown>;
  delete schema['$schema'];
  const { title } = schema;
  if (typeof title !== 'string') return schema;
  named.set(title, schema);
  return { $ref: `#/components/schemas/${title}` };
}

const jsonOf = (schema: unknown) => ({ 'application/json': { schema } });
const FILE = { schema: { type: 'string', format: 'binary' } };

/** The API as an OpenAPI 3.1 document, made of the same shapes that its answers are tested against. */
export function openApi(): Record<string, unknown> {
  const named = new Map<string, unknown>();
  const refusal = (description: string) => ({
    description,
    content: jsonOf(schemaOf(shapes.problems, named)),
  });
  const operation = (
    path: string,
    { summary, query = [], sends, answers, status = 200, refuses = {} }: Operation,
  ) => {
    const within = [...path.matchAll(/\{(\w+)\}/g)].flatMap(([, name = '']) => job[name] ?? []);
    return {
      summary,
      parameters: [
        ...within.map(({ name, about }) => ({
          name,
          in: 'path',
          required: true,
          description: about,
          schema: { type: 'string' },
        })),
        ...query.map(({ name, about, schema = text }) => ({
          name,
          in: 'query',
          description: about,
          schema: schemaOf(schema, named),
        })),
      ],
      ...(sends === undefined
        ? {}
        : {
            requestBody: {
              required: true,
              content: typeof sends === 'string' ? { [sends]: FILE } : jsonOf(schemaOf(sends, named)),
            },
          }),
      responses: {
        [status]: {
          description: 'As asked.',
          content:
            answers instanceof z.ZodType
              ? jsonOf(schemaOf(answers, named))
              : Object.fromEntries(answers.map((type) => [type, FILE])),
        },
        ...(within.length > 0 ? { 404: refusal('There is no such job, file or state.') } : {}),
        ...(query.length > 0 || sends !== undefined ? { 422: refusal('What was sent cannot be used.') } : {}),
        ...Object.fromEntries(Object.entries(refuses).map(([code, when]) => [code, refusal(when)])),
      },
    };
  };
  const paths = Object.fromEntries(
    Object.entries(OPERATIONS).map(([path, methods]) => [
      path,
      Object.fromEntries(Object.entries(methods).map(([method, each]) => [method, operation(path, each)])),
    ]),
  );
  return {
    openapi: '3.1.0',
    info: {
      title: 'Ombra',
      version: '1',
      description:
        'Jobs, their plans and logs, and everything that is made of them. Lengths in answers carry their units.',
    },
    paths,
    components: { schemas: Object.fromEntries(named) },
  };
}
