import { type DocumentProblem, isObject, problemsOf } from '../forms';
import type { UnitSystem } from '../measure';
import {
  type FootingPlan,
  type FootingStep,
  type Loop,
  type LoopTees,
  PLAN_FORMAT,
  PLAN_VERSION,
  type Plan,
  type Shot,
  type Stage,
  type TopStep,
  type WallBond,
  type WalkRow,
} from './plan';
import type { Insert, Opening } from './opening';
import { LENGTH_FIELDS } from './openingEdit';
import { type PlanFile, planFileSchema } from './schema';
import type { BracingPlan } from './bracingPlan';
import type { PourPlan } from './pourPlan';
import type { SteelPlan, SteelZone } from './steelPlan';
import { storedLengthText } from './storedText';

export type PlanProblem = DocumentProblem;

export type PlanReading =
  | { readonly ok: true; readonly plan: Plan }
  | { readonly ok: false; readonly problems: readonly PlanProblem[] };

const refused = (where: string, what: string): PlanReading => ({ ok: false, problems: [{ where, what }] });

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

type FileRow = NonNullable<PlanFile['outline']>['walk'][number];

/** What hangs on a wall besides its length and turn, as far as the file tells it. */
function wallExtras(row: FileRow, units: UnitSystem): Omit<WalkRow, 'id' | 'length' | 'turn'> {
  const length = (text: string): string => pinned(text, units);
  const stepId = idGiver('step', [
    ...(row.footing ?? []).map((step) => step.id),
    ...(row.topSteps ?? []).map((step) => step.id),
  ]);
  const bond = (): WallBond | undefined => {
    if (row.bond?.kind === 'seam') return { kind: 'seam', at: length(row.bond.at) };
    const before = row.bond?.before === undefined ? {} : { before: row.bond.before };
    if (row.bond?.cuts === undefined) return row.bond && { kind: 'running', ...before };
    const { odd, even } = row.bond.cuts;
    return { kind: 'running', ...before, cuts: { odd: odd.map(length), even: even.map(length) } };
  };
  const chosen = bond();
  return {
    ...(row.curve === undefined
      ? {}
      : { curve: { radius: length(row.curve.radius), sweep: row.curve.sweep } }),
    ...(row.core === undefined ? {} : { core: length(row.core) }),
    ...(row.top === undefined ? {} : { top: length(row.top) }),
    ...(row.topSteps === undefined
      ? {}
      : {
          topSteps: row.topSteps.map((step): TopStep => ({
            id: step.id ?? stepId(),
            at: length(step.at),
            top: length(step.top),
          })),
        }),
    ...(row.footing === undefined
      ? {}
      : {
          footing: row.footing.map((step): FootingStep => ({
            id: step.id ?? stepId(),
            at: length(step.at),
            step: step.step,
          })),
        }),
    ...(chosen === undefined ? {} : { bond: chosen }),
    ...(row.lead === undefined ? {} : { lead: row.lead }),
    ...(row.asLaid === undefined
      ? {}
      : { asLaid: row.asLaid.map(({ course, length: text }) => ({ course, length: length(text) })) }),
    ...(row.bearing === undefined
      ? {}
      : {
          bearing: {
            ...(row.bearing.width === undefined ? {} : { width: length(row.bearing.width) }),
            ...(row.bearing.offset === undefined ? {} : { offset: row.bearing.offset }),
          },
        }),
  };
}

function footingOf(file: NonNullable<PlanFile['footing']>, units: UnitSystem): FootingPlan {
  const length = (text: string): string => pinned(text, units);
  const shots = (list: typeof file.shots, prefix: string): readonly Shot[] | undefined => {
    const give = idGiver(
      prefix,
      (list ?? []).map((each) => each.id),
    );
    return list?.map((each) => ({
      id: each.id ?? give(),
      wall: each.wall,
      at: length(each.at),
      reading: length(each.reading),
    }));
  };
  const pullId = idGiver(
    'pull',
    (file.pulls ?? []).map((each) => each.id),
  );
  const pulls = file.pulls?.map((each) => ({
    id: each.id ?? pullId(),
    from: each.from,
    to: each.to,
    length: length(each.length),
  }));
  const [before, after] = [shots(file.shots, 'shot'), shots(file.after, 'after')];
  return {
    kind: file.kind,
    ...(file.width === undefined ? {} : { width: length(file.width) }),
    ...(file.depth === undefined ? {} : { depth: length(file.depth) }),
    ...(file.withWall === undefined ? {} : { withWall: file.withWall }),
    ...(file.sheet === undefined ? {} : { sheet: length(file.sheet) }),
    ...(before === undefined ? {} : { shots: before }),
    ...(after === undefined ? {} : { after }),
    ...(pulls === undefined ? {} : { pulls }),
    ...(file.ready === undefined ? {} : { ready: file.ready }),
  };
}

function teesOf(tee: NonNullable<NonNullable<PlanFile['outline']>['tee']>, units: UnitSystem): LoopTees {
  return {
    ...(tee.start === undefined ? {} : { start: { wall: tee.start.wall, at: pinned(tee.start.at, units) } }),
    ...(tee.end === undefined ? {} : { end: { wall: tee.end.wall } }),
  };
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
    ...(loop.base === undefined ? {} : { base: pinned(loop.base, file.units) }),
    ...(loop.right === undefined ? {} : { right: pinned(loop.right, file.units) }),
    ...(loop.down === undefined ? {} : { down: pinned(loop.down, file.units) }),
    ...(loop.tee === undefined ? {} : { tee: teesOf(loop.tee, file.units) }),
    walk: loop.walk.map((row): WalkRow => ({
      id: row.id ?? rowId(),
      length: pinned(row.length, file.units),
      turn: row.turn,
      ...wallExtras(row, file.units),
    })),
  }));
}

function stagesOf(file: PlanFile): readonly Stage[] {
  // Where the height alone is given, the only stage reaches its top, whatever number stands here.
  const stages = file.stages ?? [{ toCourse: file.courses ?? 1 }];
  const stageId = idGiver(
    'stage',
    stages.map((stage) => stage.id),
  );
  return stages.map((stage) => ({
    id: stage.id ?? stageId(),
    ...(stage.name === undefined ? {} : { name: stage.name }),
    toCourse: stage.toCourse,
    top: stage.top ?? 'full',
    ...(stage.then === undefined ? {} : { then: stage.then }),
  }));
}

/** Rules that had another name once, and how what was said of them is written now. */
const RENAMED: ReadonlyMap<string, readonly [id: string, unit: string]> = new Map([
  ['pour.truck.yards', ['pour.truck.load', 'yd3']],
  ['pour.truck.metres', ['pour.truck.load', 'm3']],
]);

/** A plan's rules under the names that they have now; what is said under a new name stands. */
function renamedRules(rules: Plan['rules']): Plan['rules'] {
  const told = Object.entries(rules).map(([id, value]): readonly [string, string | number, boolean] => {
    const now = RENAMED.get(id);
    return now ? [now[0], `${String(value)} ${now[1]}`, true] : [id, value, false];
  });
  return Object.fromEntries(
    told.filter(([id, , renamed]) => !renamed || !Object.hasOwn(rules, id)).map(([id, value]) => [id, value]),
  );
}

/** Bare lengths of openings, inserts and bucks pinned to the job's unit. */
function pinLengths(thing: object, units: UnitSystem): object {
  return Object.fromEntries(
    Object.entries(thing).map(([key, value]: [string, unknown]) => {
      if (typeof value === 'string' && LENGTH_FIELDS.has(key)) return [key, pinned(value, units)];
      return [key, typeof value === 'object' && value !== null ? pinLengths(value, units) : value];
    }),
  );
}

function steelOf(file: NonNullable<PlanFile['steel']>, units: UnitSystem): SteelPlan {
  const give = idGiver(
    'zone',
    (file.zones ?? []).map((zone) => zone.id),
  );
  return {
    ...(file.table === undefined
      ? {}
      : {
          table: {
            name: file.table.name,
            rows: file.table.rows.map((row) => ({
              ...row,
              height: pinned(row.height, units),
              backfill: pinned(row.backfill, units),
              spacing: pinned(row.spacing, units),
            })),
          },
        }),
    ...(file.walls === undefined
      ? {}
      : {
          walls: Object.fromEntries(
            Object.entries(file.walls).map(([wall, soil]) => [
              wall,
              { ...soil, ...(soil.backfill === undefined ? {} : { backfill: pinned(soil.backfill, units) }) },
            ]),
          ) as NonNullable<SteelPlan['walls']>,
        }),
    ...(file.zones === undefined
      ? {}
      : { zones: file.zones.map((zone) => ({ ...zone, id: zone.id ?? give() })) as readonly SteelZone[] }),
  };
}

function pourOf(file: NonNullable<PlanFile['pour']>, units: UnitSystem): PourPlan {
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

function bracingOf(file: NonNullable<PlanFile['bracing']>, units: UnitSystem): BracingPlan {
  const stocked = (list: readonly { readonly length: string }[]) =>
    list.map((each) => ({ ...each, length: pinned(each.length, units) }));
  return {
    ...file,
    ...(file.planks === undefined ? {} : { planks: stocked(file.planks) }),
    ...(file.uprights === undefined ? {} : { uprights: stocked(file.uprights) }),
    ...(file.readings === undefined
      ? {}
      : {
          readings: Object.fromEntries(
            Object.entries(file.readings).map(([brace, reading]) => [
              brace,
              Object.fromEntries(
                Object.entries(reading).map(([pass, text]) => [pass, pinned(String(text), units)]),
              ),
            ]),
          ),
        }),
  } as BracingPlan;
}

/** Openings or inserts with ids. */
function withIds<Thing extends { readonly id?: string | undefined }>(
  list: readonly Thing[],
  prefix: string,
  units: UnitSystem,
): readonly (Thing & { readonly id: string })[] {
  const give = idGiver(
    prefix,
    list.map((each) => each.id),
  );
  return list.map((each) => ({ ...(pinLengths(each, units) as Thing), id: each.id ?? give() }));
}

function repeatedId(plan: Plan): string | undefined {
  const seen = new Set<string>();
  return [
    ...plan.loops.flatMap((loop) => [loop.id, ...loop.walk.map((row) => row.id)]),
    ...(plan.openings ?? []).map((each) => each.id),
    ...(plan.inserts ?? []).map((each) => each.id),
  ].find((id) => seen.size === seen.add(id).size);
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
    return { ok: false, problems: problemsOf(parsed.error, 'the plan') };
  }
  const file = parsed.data;
  const countedOnce = (file.courses === undefined) !== (file.stages === undefined);
  const byHeight = file.courses === undefined && file.stages === undefined && file.height !== undefined;
  if (!countedOnce && !byHeight) {
    return refused('courses', 'Give either “courses” or “stages”, one of the two, or a “height” alone.');
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
    ...(file.height === undefined ? {} : { height: pinned(file.height, file.units) }),
    ...(file.families === undefined ? {} : { families: file.families }),
    ...(file.footing === undefined ? {} : { footing: footingOf(file.footing, file.units) }),
    ...(file.openings === undefined || file.openings.length === 0
      ? {}
      : { openings: withIds(file.openings, 'opening', file.units) as readonly Opening[] }),
    ...(file.inserts === undefined || file.inserts.length === 0
      ? {}
      : { inserts: withIds(file.inserts, 'insert', file.units) as readonly Insert[] }),
    ...(file.bracing === undefined ? {} : { bracing: bracingOf(file.bracing, file.units) }),
    ...(file.pour === undefined ? {} : { pour: pourOf(file.pour, file.units) }),
    ...(file.steel === undefined ? {} : { steel: steelOf(file.steel, file.units) }),
    ...(file.bucks === undefined ? {} : { bucks: pinLengths(file.bucks, file.units) }),
    rules: renamedRules(file.rules ?? {}),
  };
  const repeated = repeatedId(plan);
  if (repeated !== undefined) {
    return refused(
      'outline',
      `The id “${repeated}” is used twice; every loop, row, opening and insert needs one of its own.`,
    );
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
