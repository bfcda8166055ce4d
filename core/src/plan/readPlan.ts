import type { z } from 'zod';
import type { UnitSystem } from '../measure';
import { type Loop, PLAN_FORMAT, PLAN_VERSION, type Plan, type Stage, type WalkRow } from './plan';
import { type PlanFile, planFileSchema } from './schema';
import { storedLengthText } from './storedText';

/** One thing wrong with a plan document: where it stands in the file and what to do about it. */
export interface PlanProblem {
  readonly where: string;
  readonly what: string;
}

export type PlanReading =
  | { readonly ok: true; readonly plan: Plan }
  | { readonly ok: false; readonly problems: readonly PlanProblem[] };

const refused = (where: string, what: string): PlanReading => ({ ok: false, problems: [{ where, what }] });

/** `outline.walk[2].length` */
function place(path: readonly PropertyKey[]): string {
  const text = path
    .map((step) => (typeof step === 'number' ? `[${String(step)}]` : `.${String(step)}`))
    .join('')
    .replace(/^\./, '');
  return text === '' ? 'the plan' : text;
}

function sentence(issue: z.core.$ZodIssue): string {
  switch (issue.code) {
    case 'unrecognized_keys':
      return `Ombra does not know ${issue.keys.map((key) => `“${key}”`).join(', ')} here; take it out or check its spelling.`;
    case 'invalid_type':
      return issue.input === undefined && issue.expected !== 'never'
        ? `This is missing or not a ${issue.expected}; write a ${issue.expected} here.`
        : `This must be a ${issue.expected}.`;
    case 'invalid_value':
      return `This must be ${issue.values.map((value) => `“${String(value)}”`).join(' or ')}.`;
    case 'too_big':
      return `This is too long; at most ${String(issue.maximum)} fit here.`;
    case 'too_small':
      return `This is too short; at least ${String(issue.minimum)} must stand here.`;
    default:
      return 'This does not have the form that a plan file wants here.';
  }
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Ids for rows that came without one, never one that another row already has. */
function idGiver(prefix: string, taken: readonly (string | undefined)[]): () => string {
  const used = new Set(taken);
  let next = 0;
  return () => {
    let candidate: string;
    do candidate = `${prefix}-${String(++next)}`;
    while (used.has(candidate));
    return candidate;
  };
}

/** A length that already carries a unit is left as it is written; only bare numbers are pinned down. */
function pinned(text: string, units: UnitSystem): string {
  return /^[\s\d.,]+$/.test(text) ? storedLengthText(text, units) : text;
}

function loopsOf(file: PlanFile): readonly Loop[] {
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
    closed: loop.closed,
    walk: loop.walk.map((row): WalkRow => ({
      id: row.id ?? rowId(),
      length: pinned(row.length, file.units),
      turn: row.turn,
      ...(row.core === undefined ? {} : { core: pinned(row.core, file.units) }),
    })),
  }));
}

function stagesOf(file: PlanFile): readonly Stage[] {
  const stages = file.stages ?? [{ toCourse: file.courses ?? 0 }];
  const stageId = idGiver(
    'stage',
    stages.map((stage) => stage.id),
  );
  return stages.map((stage) => ({
    id: stage.id ?? stageId(),
    ...(stage.name === undefined ? {} : { name: stage.name }),
    toCourse: stage.toCourse,
    top: stage.top ?? 'full',
  }));
}

function repeatedId(plan: Plan): string | undefined {
  const seen = new Set<string>();
  return plan.loops
    .flatMap((loop) => [loop.id, ...loop.walk.map((row) => row.id)])
    .find((id) => seen.size === seen.add(id).size);
}

/**
 * Reads a plan document. Whatever can be stored is taken, even if it cannot be worked; only a malformed document or
 * one of a newer version is refused, with every problem and its place.
 *
 * @param document parsed JSON
 * @returns the plan with loops, stages and ids filled in, or what is wrong and where
 */
export function readPlan(document: unknown): PlanReading {
  if (!isObject(document)) {
    return refused('the plan', 'A plan is a JSON object; this is something else.');
  }
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
  const parsed = planFileSchema.safeParse(document, { reportInput: true });
  if (!parsed.success) {
    return {
      ok: false,
      problems: parsed.error.issues
        .slice(0, 20)
        .map((issue) => ({ where: place(issue.path), what: sentence(issue) })),
    };
  }
  const file = parsed.data;
  if ((file.courses === undefined) === (file.stages === undefined)) {
    return refused('courses', 'Give either “courses” or “stages”, one of the two.');
  }
  if ((file.outline === undefined) === (file.loops === undefined)) {
    return refused('outline', 'Give either “outline” or “loops”, one of the two.');
  }
  const plan: Plan = {
    name: file.name,
    units: file.units,
    measuredTo: file.measuredTo,
    family: file.family,
    core: pinned(file.core, file.units),
    loops: loopsOf(file),
    stages: stagesOf(file),
    rules: file.rules ?? {},
  };
  const repeated = repeatedId(plan);
  if (repeated !== undefined) {
    return refused('outline', `The id “${repeated}” is used twice; every loop and row needs one of its own.`);
  }
  return { ok: true, plan };
}

/** Reads a plan from the text of a file; text that is not JSON is a plan problem like any other. */
export function readPlanText(text: string): PlanReading {
  let document: unknown;
  try {
    document = JSON.parse(text.replace(/^\ufeff/, ''));
  } catch {
    return refused('the plan', 'This is not readable JSON; a bracket, comma or quote is missing somewhere.');
  }
  return readPlan(document);
}
