import type { FamilyFile } from '../../kernel/forms';
import { type Angle, type UnitSystem, readTurn, storeTurn } from '../../kernel/measure';
import { withoutKey } from '../../kernel/plan/copies';
import type { PlanPart } from '../../kernel/plan/part';
import type { Plan } from '../../kernel/plan/plan';
import { storedLengthText, storedTurnText } from '../../kernel/plan/storedText';
import type { GroundHeight, GroundSides, Loop, LoopChange, Pour, WalkRow } from './plan';
import { changeWall } from './wallEdit';

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
  return families.length === 0 ? withoutKey(plan, 'families') : { ...plan, families };
}

/** The ground of a wall's two sides, heights with their unit. */
const storedSides = <Sides extends GroundSides>(sides: Sides, units: UnitSystem): Sides => {
  const stored = (height: GroundHeight): GroundHeight => ({
    ...height,
    to: storedLengthText(height.to, units),
  });
  return {
    ...sides,
    ...(sides.outside ? { outside: stored(sides.outside) } : {}),
    ...(sides.inside ? { inside: stored(sides.inside) } : {}),
  };
};

/** A pour whose ground heights carry their unit. */
function withStoredGround(pour: Pour, units: UnitSystem): Pour {
  if (!pour.ground) return pour;
  const { walls, ...own } = pour.ground;
  return {
    ...pour,
    ground: {
      ...storedSides(own, units),
      ...(walls
        ? {
            walls: Object.fromEntries(
              Object.entries(walls).map(([wall, sides]) => [wall, storedSides(sides, units)]),
            ),
          }
        : {}),
    },
  };
}

/** What can be done to the outline, its pours and its forms. Typed lengths and turns are kept in their stored form where they can be read. */
export const outlineEdits: PlanPart['edits'] = {
  'set-measured-to': (plan, { measuredTo }) => ({ ...plan, measuredTo }),
  'set-family': (plan, { family }) => ({ ...plan, family }),
  'set-core': (plan, { core }) => ({ ...plan, core }),
  'set-courses': (plan, { courses }) => ({
    ...plan,
    pours: plan.pours.map((pour, index) =>
      index === plan.pours.length - 1 ? { ...pour, toCourse: courses } : pour,
    ),
  }),
  'set-row-length': (plan, { row, length }) =>
    editRow(plan, row, (each) => ({ ...each, length: storedLengthText(length, plan.units) })),
  'set-row-turn': (plan, { row, turn }) =>
    editRow(plan, row, (each) => ({ ...each, turn: storedTurnText(turn) })),
  'add-rows': (plan, { loop, rows, before }, newId) =>
    editLoop(plan, loop, (each) =>
      addRows(
        each,
        rows.map((row) => ({ ...row, id: row.id ?? newId() })),
        before,
      ),
    ),
  'remove-row': (plan, { row }) => ({
    ...plan,
    loops: plan.loops.map((loop) => ({ ...loop, walk: loop.walk.filter((each) => each.id !== row) })),
  }),
  'set-wall': (plan, { row, change }) => editRow(plan, row, (each) => changeWall(each, change, plan.units)),
  'set-height': (plan, { height }) =>
    height === null ? withoutKey(plan, 'height') : { ...plan, height: storedLengthText(height, plan.units) },
  'set-pours': (plan, { pours }) => ({
    ...plan,
    pours: pours.map((pour) => withStoredGround(pour, plan.units)),
  }),
  'add-loop': (plan, { loop, name }) => ({
    ...plan,
    loops: [...plan.loops, { id: loop, ...(name === undefined ? {} : { name }), closed: true, walk: [] }],
  }),
  'set-loop': (plan, { loop, change }) => setLoop(plan, loop, change),
  'remove-loop': (plan, { loop }) =>
    plan.loops.length < 2 ? plan : { ...plan, loops: plan.loops.filter((each) => each.id !== loop) },
  'put-family': (plan, { family }) => {
    const families = plan.families ?? [];
    const known = families.some((each) => each.id === family.id);
    return putFamilies(
      plan,
      known ? families.map((each) => (each.id === family.id ? family : each)) : [...families, family],
    );
  },
  'remove-family': (plan, { family }) =>
    putFamilies(
      plan,
      (plan.families ?? []).filter((each) => each.id !== family),
    ),
  'turn-walk-round': (plan, { loop }) =>
    editLoop(plan, loop, (each) => ({ ...each, walk: turnedRound(each.walk) })),
};
