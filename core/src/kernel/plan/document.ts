import { z } from 'zod';
import { type DocumentProblem, isObject, problemsOf } from '../forms';
import { copyOf, rulesField, withoutKey } from './fields';
import type { Editing, FileFields, PlanPart } from './part';
import { type Plan, type PlanEdit, MOST_KEPT_OF_NOTICE, PLAN_FORMAT, PLAN_VERSION } from './plan';
import { renamedRules } from './renamed';
import { upgraded } from './upgraded';

export type PlanProblem = DocumentProblem;

export type PlanReading =
  | { readonly ok: true; readonly plan: Plan }
  | { readonly ok: false; readonly problems: readonly PlanProblem[] };

/** The plan document of all parts: how it is read, written and edited. */
export interface PlanDocument {
  readonly parts: readonly PlanPart[];
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
  /** The plan as a plan file, in its short forms where they will do. Reading it gives the same plan. */
  readonly writePlan: (plan: Plan) => FileFields;
  /**
   * The plan after an edit. An edit of something that is no longer there leaves the plan as it is.
   *
   * @param newId gives ids to things that are added without one; they must never have been used, since what hangs on a
   * wall finds it by id. Left out, one that no thing of the plan has: good for scripts and tests.
   */
  readonly applyEdit: (plan: Plan, edit: PlanEdit, newId?: () => string) => Plan;
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

/** A plan without the notices of these ids among those that are set aside. */
function withoutAsides(plan: Plan, ids: readonly string[]): Plan {
  const left = (plan.setAside ?? []).filter(({ notice }) => !ids.includes(notice));
  return left.length === 0 ? withoutKey(plan, 'setAside') : { ...plan, setAside: left };
}

/** What can be done to the frame. */
const FRAME_EDITS: PlanPart['edits'] = {
  rename: (plan, { name }) => ({ ...plan, name }),
  'set-units': (plan, { units }) => ({ ...plan, units }),
  'set-rule': (plan, { rule, value }) => {
    const others = Object.fromEntries(Object.entries(plan.rules).filter(([id]) => id !== rule));
    return { ...plan, rules: value === null ? others : { ...others, [rule]: value } };
  },
  'set-aside': (plan, { notices, word }) => {
    const ids = notices.map(({ notice }) => notice);
    const others = withoutAsides(plan, ids).setAside ?? [];
    // Past the most that a plan keeps, the oldest are shown again.
    const all = [...others, ...notices.map((each) => ({ ...each, word }))];
    return { ...plan, setAside: all.slice(-MOST_KEPT_OF_NOTICE.notices) };
  },
  'bring-back': (plan, { notices }) => withoutAsides(plan, notices),
};

/** The plan document made of its parts, in their order. */
export function planDocument(parts: readonly PlanPart[]): PlanDocument {
  const fields = Object.assign({}, ...parts.map((part) => part.fields)) as z.ZodRawShape;
  const schema = z
    .strictObject({ ...FRAME, ...fields, ...rules })
    .meta({ title: 'Ombra plan', description: 'The plan of one job: its outline, forms and courses.' });
  const edits = Object.assign({}, FRAME_EDITS, ...parts.map((part) => part.edits)) as PlanPart['edits'];
  const idsOf = (plan: Plan): readonly string[] => parts.flatMap((part) => part.ids?.(plan) ?? []);

  const unusedIds = (plan: Plan): (() => string) => {
    const taken = new Set(idsOf(plan));
    let next = 0;
    return () => {
      let id: string;
      do id = `wall-${String(++next)}`;
      while (taken.has(id));
      return id;
    };
  };

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
    const parsed = schema.safeParse(upgraded(document, parts), { reportInput: true });
    if (!parsed.success) return { ok: false, problems: problemsOf(parsed.error, 'the plan') };
    const file = parsed.data as FileFields &
      Pick<Plan, 'name' | 'units'> &
      Partial<Pick<Plan, 'rules' | 'setAside'>>;
    for (const part of parts) {
      const problem = part.judge?.(file);
      if (problem) return { ok: false, problems: [problem] };
    }
    const plan = Object.assign(
      { name: file.name, units: file.units, rules: renamedRules(file.rules ?? {}) },
      file.setAside === undefined || file.setAside.length === 0 ? {} : { setAside: file.setAside },
      ...parts.map((part) => part.read(file as never, file.units)),
    ) as Plan;
    const seen = new Set<string>();
    const repeated = idsOf(plan).find((id) => seen.size === seen.add(id).size);
    if (repeated !== undefined) {
      return refused(
        'outline',
        `The id “${repeated}” is used twice; every loop, row, opening and insert needs one of its own.`,
      );
    }
    return { ok: true, plan };
  };

  const applyEdit = (plan: Plan, edit: PlanEdit, newId: () => string = unusedIds(plan)): Plan =>
    edit.kind === 'all'
      ? edit.edits.reduce((edited, each) => applyEdit(edited, each, newId), plan)
      : ((edits[edit.kind] as Editing<PlanEdit['kind']> | undefined)?.(plan, edit, newId) ?? plan);

  return {
    parts,
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
    writePlan: (plan) => ({
      format: PLAN_FORMAT,
      version: PLAN_VERSION,
      name: plan.name,
      units: plan.units,
      ...(Object.assign({}, ...parts.map((part) => part.write(plan))) as FileFields),
      rules: { ...plan.rules },
      ...(plan.setAside === undefined || plan.setAside.length === 0
        ? {}
        : { setAside: copyOf(plan.setAside) }),
    }),
    applyEdit,
  };
}
