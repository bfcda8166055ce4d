import type { z } from 'zod';
import { isObject } from '../forms';
import type { PlanDocument, PlanProblem } from './document';
import type { FilePart } from './part';
import { type Plan, PLAN_FORMAT, PLAN_VERSION } from './plan';
import { upgraded } from './upgraded';

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
function wrongPlaces(document: Json, schema: z.ZodObject): readonly Path[] {
  const parsed = schema.safeParse(document);
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

/** What no plan can do without, from an empty job. */
function fillIn(document: Json, name: string, files: readonly FilePart[]): void {
  document['name'] ??= name;
  document['units'] ??= 'imperial';
  document['rules'] ??= {};
  document['format'] = PLAN_FORMAT;
  document['version'] = PLAN_VERSION;
  for (const part of files) part.mend?.(document);
}

/**
 * Reads as much of a stored plan as can be read, whatever has happened to it: one of an older or newer version, one that was
 * written by hand, one that is no JSON at all. Never fails; what is left out is told, place by place.
 *
 * @param document how plans are read
 * @param text what is stored
 * @param name the job's name, for a plan that has lost its own
 * @example salvage(document, '{"format":"ombra.plan","version":1,"courses":6}', 'Barn').plan.name // 'Barn'
 */
export function salvage({ files, schema, readPlan }: PlanDocument, text: string, name: string): Salvaged {
  const emptyPlan = (): Plan => {
    const document: Json = {};
    fillIn(document, name, files);
    const reading = readPlan(document);
    if (!reading.ok) throw new Error('An empty plan does not read.');
    return reading.plan;
  };
  let document: unknown;
  try {
    document = JSON.parse(text.replace(/^\ufeff/, ''));
  } catch {
    return { plan: emptyPlan(), lost: [{ where: 'the plan', what: 'It is no readable JSON.' }] };
  }
  const whole = readPlan(document);
  if (whole.ok) return { plan: whole.plan, lost: [] };
  const first = whole.problems;
  if (!isObject(document) || Array.isArray(document)) return { plan: emptyPlan(), lost: first };
  const kept = upgraded(document, files);
  fillIn(kept, name, files);
  // With the frame put right, all else that is wrong is seen as well.
  const inside = readPlan(kept);
  const lost = [...first, ...(inside.ok ? [] : inside.problems)].filter(
    (problem, index, all) => all.findIndex((each) => each.where === problem.where) === index,
  );
  for (let round = 0; round < MOST_ROUNDS; round++) {
    fillIn(kept, name, files);
    const wrong = wrongPlaces(kept, schema);
    if (wrong.length === 0) break;
    for (const path of wrong) takeOut(kept, path);
  }
  let reading = readPlan(kept);
  if (!reading.ok) {
    withoutRepeatedIds(kept);
    reading = readPlan(kept);
  }
  return { plan: reading.ok ? reading.plan : emptyPlan(), lost };
}
