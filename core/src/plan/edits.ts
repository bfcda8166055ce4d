import type { FamilyFile } from '../forms';
import { type FootingChange, changeFooting } from './footingEdit';
import { type Angle, readTurn, storeTurn, type UnitSystem } from '../measure';
import type { BuckKind, Insert, Opening } from './opening';
import {
  type BuckChange,
  type InsertChange,
  type OpeningChange,
  changeBuck,
  changeInsert,
  changeOpening,
  changedIn,
} from './openingEdit';
import type { Loop, LoopTees, MeasuredTo, Plan, Stage, WalkRow } from './plan';
import { type BracingChange, changeBracing } from './bracingPlan';
import { type PourChange, changePour } from './pourPlan';
import {
  type ReinforcementTable,
  type SoilChange,
  type SteelZone,
  changeSoil,
  putTable,
  putZone,
  removeZone,
} from './steelPlan';
import { storedLengthText, storedTurnText } from './storedText';
import { type WallChange, changeWall } from './wallEdit';

/** A row to add. Without an id it is given a fresh one when it is added. */
export type NewRow = Omit<WalkRow, 'id'> & Partial<Pick<WalkRow, 'id'>>;

/** Something to add that may come without its id. */
export type NewThing<Thing extends { readonly id: string }> = Omit<Thing, 'id'> & Partial<Pick<Thing, 'id'>>;

/** What may be set on an outline as a whole; null takes it off again. */
export interface LoopChange {
  readonly name?: string | null;
  readonly closed?: boolean;
  readonly base?: string | null;
  readonly right?: string | null;
  readonly down?: string | null;
  readonly tee?: LoopTees | null;
}

/** What a user can do to a plan. Every edit is plain data: it can be kept, sent, and offered as the fix of a notice. */
export type PlanEdit =
  | { readonly kind: 'rename'; readonly name: string }
  | { readonly kind: 'set-units'; readonly units: UnitSystem }
  | { readonly kind: 'set-measured-to'; readonly measuredTo: MeasuredTo }
  | { readonly kind: 'set-family'; readonly family: string }
  | { readonly kind: 'set-core'; readonly core: string }
  | { readonly kind: 'set-courses'; readonly courses: number }
  | { readonly kind: 'set-row-length'; readonly row: string; readonly length: string }
  | { readonly kind: 'set-row-turn'; readonly row: string; readonly turn: string }
  | {
      readonly kind: 'add-rows';
      readonly loop: string;
      readonly rows: readonly NewRow[];
      readonly before?: string;
    }
  | { readonly kind: 'remove-row'; readonly row: string }
  /** What else hangs on a wall: core, top, steps, bond, corner, as-laid lengths. */
  | { readonly kind: 'set-wall'; readonly row: string; readonly change: WallChange }
  | { readonly kind: 'set-footing'; readonly change: FootingChange }
  /** Openings to add; those without an id are given a fresh one. */
  | { readonly kind: 'add-openings'; readonly openings: readonly NewThing<Opening>[] }
  | { readonly kind: 'set-opening'; readonly opening: string; readonly change: OpeningChange }
  | { readonly kind: 'remove-opening'; readonly opening: string }
  | { readonly kind: 'add-inserts'; readonly inserts: readonly NewThing<Insert>[] }
  | { readonly kind: 'set-insert'; readonly insert: string; readonly change: InsertChange }
  | { readonly kind: 'remove-insert'; readonly insert: string }
  | { readonly kind: 'set-buck'; readonly buck: BuckKind; readonly change: BuckChange }
  /** Soil against a wall, and what holds its top. */
  | { readonly kind: 'set-soil'; readonly wall: string; readonly change: SoilChange }
  | { readonly kind: 'put-zone'; readonly zone: SteelZone }
  | { readonly kind: 'remove-zone'; readonly zone: string }
  /** A reinforcement table; null goes back to the spec's own verticals. */
  | { readonly kind: 'put-table'; readonly table: ReinforcementTable | null }
  /** Bracing: sides and ground by wall, planks and gear on hand, wind, readings of the string. */
  | { readonly kind: 'bracing'; readonly change: BracingChange }
  /** The pour: the day, its rounds and loads by stage, side pours, watchers, what has been looked at. */
  | { readonly kind: 'pour'; readonly change: PourChange }
  /** A height for the walls; null goes back to counting courses. */
  | { readonly kind: 'set-height'; readonly height: string | null }
  | { readonly kind: 'set-stages'; readonly stages: readonly Stage[] }
  | { readonly kind: 'add-loop'; readonly loop: string; readonly name?: string }
  | { readonly kind: 'remove-loop'; readonly loop: string }
  | { readonly kind: 'set-loop'; readonly loop: string; readonly change: LoopChange }
  /** Adds a family of the job's own, or puts it in the place of the one with its id. */
  | { readonly kind: 'put-family'; readonly family: FamilyFile }
  | { readonly kind: 'remove-family'; readonly family: string }
  | { readonly kind: 'turn-walk-round'; readonly loop: string }
  | { readonly kind: 'set-rule'; readonly rule: string; readonly value: string | number | null }
  | { readonly kind: 'all'; readonly edits: readonly PlanEdit[] };

function editRow(plan: Plan, id: string, change: (row: WalkRow) => WalkRow): Plan {
  return {
    ...plan,
    loops: plan.loops.map((loop) =>
      loop.walk.some((row) => row.id === id)
        ? { ...loop, walk: loop.walk.map((row) => (row.id === id ? change(row) : row)) }
        : loop,
    ),
  };
}

const editLoop = (plan: Plan, id: string, change: (loop: Loop) => Loop): Plan => ({
  ...plan,
  loops: plan.loops.map((loop) => (loop.id === id ? change(loop) : loop)),
});

/** The same outline walked the other way from the same corner; turns change side. */
function turnedRound(walk: readonly WalkRow[]): readonly WalkRow[] {
  const opposite = (text: string): string => {
    const reading = readTurn(text);
    return reading.ok ? storeTurn((0 - reading.turn) as Angle) : text;
  };
  return walk.map((_, index) => {
    const row = walk[walk.length - 1 - index] as WalkRow;
    const turnBefore = walk[(2 * walk.length - 2 - index) % walk.length] as WalkRow;
    return {
      ...row,
      turn: opposite(turnBefore.turn),
      ...(row.curve ? { curve: { ...row.curve, sweep: opposite(row.curve.sweep) } } : {}),
    };
  });
}

function addRows(loop: Loop, rows: readonly WalkRow[], before: string | undefined): Loop {
  const index = before === undefined ? -1 : loop.walk.findIndex((row) => row.id === before);
  const at = index < 0 ? loop.walk.length : index;
  return { ...loop, walk: [...loop.walk.slice(0, at), ...rows, ...loop.walk.slice(at)] };
}

/** Ids that no row of the plan has. Good for scripts and tests; an application passes ids that were never used before. */
function unusedIds(plan: Plan): () => string {
  const taken = new Set([
    ...plan.loops.flatMap((loop) => loop.walk.map((row) => row.id)),
    ...(plan.openings ?? []).map((each) => each.id),
    ...(plan.inserts ?? []).map((each) => each.id),
  ]);
  let next = 0;
  return () => {
    let id: string;
    do id = `wall-${String(++next)}`;
    while (taken.has(id));
    return id;
  };
}

function setRule(plan: Plan, rule: string, value: string | number | null): Plan {
  const rules = Object.fromEntries(Object.entries(plan.rules).filter(([id]) => id !== rule));
  return { ...plan, rules: value === null ? rules : { ...rules, [rule]: value } };
}

/** A plan without one of its optional parts. */
function without(plan: Plan, key: 'height' | 'families'): Plan {
  return Object.fromEntries(Object.entries(plan).filter(([each]) => each !== key)) as unknown as Plan;
}

/** An outline with a change on it; a text that is emptied or null takes its part off again. */
function setLoop(plan: Plan, id: string, change: LoopChange): Plan {
  const length = (text: string | null | undefined): string | null =>
    text === null || text === undefined || text.trim() === '' ? null : storedLengthText(text, plan.units);
  const { base, right, down } = change;
  const stored = {
    ...change,
    ...(base === undefined ? {} : { base: length(base) }),
    ...(right === undefined ? {} : { right: length(right) }),
    ...(down === undefined ? {} : { down: length(down) }),
  };
  return editLoop(
    plan,
    id,
    (loop) =>
      Object.fromEntries(
        Object.entries({ ...loop, ...stored }).filter(([, value]) => value !== null),
      ) as unknown as Loop,
  );
}

function putFamilies(plan: Plan, families: readonly FamilyFile[]): Plan {
  return families.length === 0 ? without(plan, 'families') : { ...plan, families };
}

/**
 * The plan after an edit. An edit of something that is no longer there leaves the plan as it is.
 * Typed lengths and turns are kept in their stored form where they can be read, and as typed where not.
 *
 * @param newId gives ids to rows that are added without one; they must never have been used, since what hangs on a
 * wall finds it by id
 */
export function applyEdit(plan: Plan, edit: PlanEdit, newId: () => string = unusedIds(plan)): Plan {
  switch (edit.kind) {
    case 'rename':
      return { ...plan, name: edit.name };
    case 'set-units':
      return { ...plan, units: edit.units };
    case 'set-measured-to':
      return { ...plan, measuredTo: edit.measuredTo };
    case 'set-family':
      return { ...plan, family: edit.family };
    case 'set-core':
      return { ...plan, core: edit.core };
    case 'set-courses':
      return {
        ...plan,
        stages: plan.stages.map((stage, index) =>
          index === plan.stages.length - 1 ? { ...stage, toCourse: edit.courses } : stage,
        ),
      };
    case 'set-row-length':
      return editRow(plan, edit.row, (row) => ({
        ...row,
        length: storedLengthText(edit.length, plan.units),
      }));
    case 'set-row-turn':
      return editRow(plan, edit.row, (row) => ({ ...row, turn: storedTurnText(edit.turn) }));
    case 'add-rows':
      return editLoop(plan, edit.loop, (loop) =>
        addRows(
          loop,
          edit.rows.map((row) => ({ ...row, id: row.id ?? newId() })),
          edit.before,
        ),
      );
    case 'remove-row':
      return {
        ...plan,
        loops: plan.loops.map((loop) => ({ ...loop, walk: loop.walk.filter((row) => row.id !== edit.row) })),
      };
    case 'set-wall':
      return editRow(plan, edit.row, (row) => changeWall(row, edit.change, plan.units));
    case 'set-footing':
      return { ...plan, footing: changeFooting(plan.footing, edit.change, plan.units) };
    case 'add-openings':
      return {
        ...plan,
        openings: [
          ...(plan.openings ?? []),
          ...edit.openings.map((each) => changeOpening({ ...each, id: each.id ?? newId() }, {}, plan.units)),
        ],
      };
    case 'set-opening':
      return {
        ...plan,
        openings: changedIn(plan.openings, edit.opening, (each) =>
          changeOpening(each, edit.change, plan.units),
        ),
      };
    case 'remove-opening':
      return { ...plan, openings: (plan.openings ?? []).filter((each) => each.id !== edit.opening) };
    case 'add-inserts':
      return {
        ...plan,
        inserts: [
          ...(plan.inserts ?? []),
          ...edit.inserts.map((each) => changeInsert({ ...each, id: each.id ?? newId() }, {}, plan.units)),
        ],
      };
    case 'set-insert':
      return {
        ...plan,
        inserts: changedIn(plan.inserts, edit.insert, (each) => changeInsert(each, edit.change, plan.units)),
      };
    case 'remove-insert':
      return { ...plan, inserts: (plan.inserts ?? []).filter((each) => each.id !== edit.insert) };
    case 'set-buck':
      return changeBuck(plan, edit.buck, edit.change);
    case 'set-soil':
      return { ...plan, steel: changeSoil(plan.steel, edit.wall, edit.change, plan.units) };
    case 'put-zone':
      return { ...plan, steel: putZone(plan.steel, edit.zone) };
    case 'remove-zone':
      return { ...plan, steel: removeZone(plan.steel, edit.zone) };
    case 'put-table':
      return { ...plan, steel: putTable(plan.steel, edit.table, plan.units) };
    case 'bracing':
      return { ...plan, bracing: changeBracing(plan.bracing, edit.change, plan.units) };
    case 'pour':
      return { ...plan, pour: changePour(plan.pour, edit.change, plan.units) };
    case 'set-height':
      return edit.height === null
        ? without(plan, 'height')
        : { ...plan, height: storedLengthText(edit.height, plan.units) };
    case 'set-stages':
      return { ...plan, stages: edit.stages };
    case 'add-loop':
      return {
        ...plan,
        loops: [
          ...plan.loops,
          {
            id: edit.loop,
            ...(edit.name === undefined ? {} : { name: edit.name }),
            closed: true,
            walk: [],
          },
        ],
      };
    case 'set-loop':
      return setLoop(plan, edit.loop, edit.change);
    case 'remove-loop':
      return plan.loops.length < 2
        ? plan
        : { ...plan, loops: plan.loops.filter((loop) => loop.id !== edit.loop) };
    case 'put-family': {
      const families = plan.families ?? [];
      const known = families.some((each) => each.id === edit.family.id);
      return putFamilies(
        plan,
        known
          ? families.map((each) => (each.id === edit.family.id ? edit.family : each))
          : [...families, edit.family],
      );
    }
    case 'remove-family':
      return putFamilies(
        plan,
        (plan.families ?? []).filter((each) => each.id !== edit.family),
      );
    case 'turn-walk-round':
      return editLoop(plan, edit.loop, (loop) => ({ ...loop, walk: turnedRound(loop.walk) }));
    case 'set-rule':
      return setRule(plan, edit.rule, edit.value);
    case 'all':
      return edit.edits.reduce((edited, each) => applyEdit(edited, each, newId), plan);
  }
}
