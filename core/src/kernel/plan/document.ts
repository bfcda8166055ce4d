import { z } from 'zod';
import { type DocumentProblem, isObject, problemsOf } from '../forms';
import { idsOf } from './editing';
import { rulesField } from './fields';
import type { FileFields, FilePart, PlanPart } from './part';
import { type Plan, MOST_KEPT_OF_NOTICE, PLAN_FORMAT, PLAN_VERSION } from './plan';
import { renamedRules } from './renamed';
import { upgraded } from './upgraded';

export type PlanProblem = DocumentProblem;

export type PlanReading =
  | { readonly ok: true; readonly plan: Plan }
  | { readonly ok: false; readonly problems: readonly PlanProblem[] };

/** The plan file of all stages: what may stand in it, and how it is read. */
export interface PlanDocument {
  readonly files: readonly FilePart[];
  /** Plain on purpose, so that a JSON Schema can be made of it; reading adds what a schema cannot say. */
  readonly schema: z.ZodObject;
  /**
   * Reads a plan document. Whatever can be stored is taken, even if it cannot be worked; only a malformed document or
   * one of a newer version is refused, with every problem and its place.
   *
   * @param document parsed JSON
   * @returns the plan with ids filled in, or what is wrong and where
   */
  readonly readPlan: (document: unknown) => PlanReading;
  /** Reads a plan from the text of a file; text that is not JSON is a plan problem like any other. */
  readonly readPlanText: (text: string) => PlanReading;
}

const refused = (where: string, what: string): PlanReading => ({ ok: false, problems: [{ where, what }] });

/** The fields that belong to no stage. */
const FRAME = {
  format: z.literal(PLAN_FORMAT),
  version: z.literal(PLAN_VERSION),
  name: z.string().max(120),
  units: z.enum(['imperial', 'metric']).describe('What a bare number means and how lengths are shown.'),
};

const rules = {
  rules: rulesField.optional().describe('House rules that this job sets for itself, by rule id.'),
  setAside: z
    .array(
      z.strictObject({
        notice: z.string().max(MOST_KEPT_OF_NOTICE.id),
        what: z.string().max(MOST_KEPT_OF_NOTICE.what),
        word: z.string().max(MOST_KEPT_OF_NOTICE.word),
      }),
    )
    .max(MOST_KEPT_OF_NOTICE.notices)
    .optional()
    .describe('Notices that somebody has seen and accepted: which, what it said, and why it can stand.'),
};

/**
 * The plan file made of its parts, in their order.
 *
 * @param parts of the plan: their ids may be used once only
 */
export function planDocument(files: readonly FilePart[], parts: readonly PlanPart[]): PlanDocument {
  const fields = Object.assign({}, ...files.map((file) => file.fields)) as z.ZodRawShape;
  const schema = z
    .strictObject({ ...FRAME, ...fields, ...rules })
    .meta({ title: 'Ombra plan', description: 'The plan of one job: its outline, forms and courses.' });
  const readPlan = (document: unknown): PlanReading => {
    if (!isObject(document)) return refused('the plan', 'A plan is a JSON object; this is something else.');
    if (document['format'] !== PLAN_FORMAT) {
      return refused('format', `This is not an Ombra plan: “format” must be “${PLAN_FORMAT}”.`);
    }
    const version = document['version'];
    if (typeof version === 'number' && version > PLAN_VERSION) {
      return refused(
        'version',
        `This plan was written by a newer Ombra (version ${String(version)}); this one reads up to version ${String(PLAN_VERSION)}. Open it with a newer Ombra.`,
      );
    }
    const parsed = schema.safeParse(upgraded(document, files), { reportInput: true });
    if (!parsed.success) return { ok: false, problems: problemsOf(parsed.error, 'the plan') };
    const file = parsed.data as FileFields &
      Pick<Plan, 'name' | 'units'> &
      Partial<Pick<Plan, 'rules' | 'setAside'>>;
    for (const part of files) {
      const problem = part.judge?.(file);
      if (problem) return { ok: false, problems: [problem] };
    }
    const plan = Object.assign(
      { name: file.name, units: file.units, rules: renamedRules(file.rules ?? {}) },
      file.setAside === undefined || file.setAside.length === 0 ? {} : { setAside: file.setAside },
      ...files.map((part) => part.read(file as never, file.units)),
    ) as Plan;
    const seen = new Set<string>();
    const repeated = idsOf(parts, plan).find((id) => seen.size === seen.add(id).size);
    if (repeated !== undefined) {
      return refused(
        'outline',
        `The id “${repeated}” is used twice; every loop, row, opening and insert needs one of its own.`,
      );
    }
    return { ok: true, plan };
  };

  return {
    files,
    schema,
    readPlan,
    readPlanText: (text) => {
      let document: unknown;
      try {
        document = JSON.parse(text.replace(/^\ufeff/, ''));
      } catch {
        return refused(
          'the plan',
          'This is not readable JSON; a bracket, comma or quote is missing somewhere.',
        );
      }
      return readPlan(document);
    },
  };
}
