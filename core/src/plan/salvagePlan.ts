import { isObject } from '../forms';
import { PLAN_FORMAT, PLAN_VERSION, type Plan, emptyPlan } from './plan';
import { type PlanProblem, readPlan } from './readPlan';
import { planFileSchema } from './schema';
import { writePlan } from './writePlan';

/** What of a stored document could be read, and what had to be left out for that. */
export interface Salvaged {
  readonly plan: Plan;
  /** Empty where the document reads as it is. */
  readonly lost: readonly PlanProblem[];
}

type Json = Record<string, unknown>;
type Path = readonly PropertyKey[];

/** Rounds of taking out what does not read: each goes at least one level up, and no document is deeper. */
const MOST_ROUNDS = 40;

const at = (document: Json, path: Path): unknown =>
  path.reduce<unknown>(
    (holder, key) =>
      typeof holder === 'object' && holder !== null ? (holder as Json)[String(key)] : undefined,
    document,
  );

/** Takes out what stands at a path; where nothing stands there, what should have held it. */
function takeOut(document: Json, path: Path): void {
  for (let length = path.length; length > 0; length--) {
    const holder = at(document, path.slice(0, length - 1));
    const key = path[length - 1] as PropertyKey;
    if (Array.isArray(holder) && Number(key) < holder.length) {
      holder.splice(Number(key), 1);
      return;
    }
    if (isObject(holder) && !Array.isArray(holder) && Object.hasOwn(holder, key)) {
      Reflect.deleteProperty(holder, key);
      return;
    }
  }
}

/** The places of a document that the schema does not take, those later in a list first, so that none moves another. */
function wrongPlaces(document: Json): readonly Path[] {
  const parsed = planFileSchema.safeParse(document);
  if (parsed.success) return [];
  return parsed.error.issues
    .flatMap((issue): Path[] =>
      issue.code === 'unrecognized_keys' ? issue.keys.map((key) => [...issue.path, key]) : [issue.path],
    )
    .filter((path) => path.length > 0)
    .sort((a, b) => b.map(String).join('/').localeCompare(a.map(String).join('/'), 'en', { numeric: true }));
}

/** Ids that are used a second time are taken off: reading gives new ones. */
function withoutRepeatedIds(value: unknown, seen = new Set<unknown>()): void {
  if (typeof value !== 'object' || value === null) return;
  const holder = value as Json;
  if (!Array.isArray(value) && typeof holder['id'] === 'string') {
    if (seen.has(holder['id'])) delete holder['id'];
    else seen.add(holder['id']);
  }
  for (const each of Object.values(holder)) withoutRepeatedIds(each, seen);
}

/** One of several ways to say the same: the first that is there stays; the fallback where none is. */
function oneOf(document: Json, names: readonly string[], fallback: Json): void {
  const [first, ...others] = names.filter((name) => document[name] !== undefined);
  for (const name of others) Reflect.deleteProperty(document, name);
  if (first === undefined) Object.assign(document, fallback);
}

/** What no plan can do without, from an empty job. */
function fillIn(document: Json, name: string): void {
  const { outline, courses, ...empty } = writePlan(emptyPlan(name));
  for (const [key, value] of Object.entries(empty)) document[key] ??= value;
  document['format'] = PLAN_FORMAT;
  document['version'] = PLAN_VERSION;
  oneOf(document, ['stages', 'courses'], document['height'] === undefined ? { courses } : {});
  oneOf(document, ['loops', 'outline'], { outline });
}

/**
 * Reads as much of a stored plan as can be read, whatever has happened to it: one of an older or newer version, one that was
 * written by hand, one that is no JSON at all. Never fails; what is left out is told, place by place.
 *
 * @param text what is stored
 * @param name the job's name, for a plan that has lost its own
 * @example salvagePlan('{"format":"ombra.plan","version":1,"courses":6}', 'Barn').plan.name // 'Barn'
 */
export function salvagePlan(text: string, name: string): Salvaged {
  let document: unknown;
  try {
    document = JSON.parse(text.replace(/^\ufeff/, ''));
  } catch {
    return { plan: emptyPlan(name), lost: [{ where: 'the plan', what: 'It is no readable JSON.' }] };
  }
  const whole = readPlan(document);
  if (whole.ok) return { plan: whole.plan, lost: [] };
  const first = whole.problems;
  if (!isObject(document) || Array.isArray(document)) return { plan: emptyPlan(name), lost: first };
  const kept = document;
  fillIn(kept, name);
  // With the frame put right, all else that is wrong is seen as well.
  const inside = readPlan(kept);
  const lost = [...first, ...(inside.ok ? [] : inside.problems)].filter(
    (problem, index, all) => all.findIndex((each) => each.where === problem.where) === index,
  );
  for (let round = 0; round < MOST_ROUNDS; round++) {
    fillIn(kept, name);
    const wrong = wrongPlaces(kept);
    if (wrong.length === 0) break;
    for (const path of wrong) takeOut(kept, path);
  }
  let reading = readPlan(kept);
  if (!reading.ok) {
    withoutRepeatedIds(kept);
    reading = readPlan(kept);
  }
  return { plan: reading.ok ? reading.plan : emptyPlan(name), lost };
}
