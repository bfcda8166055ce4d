import { type Length, type UnitSystem, add, readLength, storeLength, subtract, ZERO } from './kernel/measure';
import type { Plan, PlanEdit } from './kernel/plan';
import { type Shell, type WalkRow, crossingsOf, wallsOf } from './stages/outline';

/** Why a wall cannot be parted. */
export type CannotSplit = 'unreadable' | 'curved' | 'raked' | 'off-wall' | 'walked-round' | 'on-step';

/** What `splitWall` goes by. */
interface SplitWallInput {
  readonly plan: Plan;
  readonly shell: Shell;
  readonly row: string;
  /** Along the wall as drawn, from its first corner walking clockwise. */
  readonly at: Length;
  /** Core of the part from there on. */
  readonly core: string;
  readonly newId: string;
}

/** A wall that is parted: where, on the drawn line and on its outside face, and what its second part is called. */
interface Split {
  readonly id: string;
  readonly newId: string;
  readonly at: Length;
  readonly length: Length;
  readonly onFace: Length;
  readonly units: UnitSystem;
}

/** A length less another, in its stored form; text that cannot be read stays as it is. */
function less(text: string, by: Length, units: UnitSystem): string {
  const reading = readLength(text, units);
  return reading.ok ? storeLength(subtract(reading.length, by), units) : text;
}

const lengthOf = (text: string | undefined, units: UnitSystem): Length => {
  const reading = readLength(text ?? '', units);
  return reading.ok ? reading.length : ZERO;
};

/** What keeps a thing along the wall where it is, by its middle; null where it stays with the first part as it stands. */
function moved(
  each: { readonly wall: string; readonly from: 'start' | 'end'; readonly at: string },
  half: number,
  { id, newId, at, length, units }: Split,
): { readonly wall?: string; readonly at?: string } | null {
  if (each.wall !== id || !readLength(each.at, units).ok) return null;
  const near = lengthOf(each.at, units) + half;
  const beyond = (each.from === 'start' ? near : length - near) > at;
  if (beyond) return { wall: newId, ...(each.from === 'start' ? { at: less(each.at, at, units) } : {}) };
  return each.from === 'end' ? { at: less(each.at, subtract(length, at), units) } : null;
}

/** Places told from the wall's first corner, on the part that they lie on. */
const placed = <Place extends { readonly wall: string; readonly at: string }>(
  places: readonly Place[],
  from: Length,
  { id, newId, units }: Split,
): readonly Place[] =>
  places.map((each) =>
    each.wall === id && lengthOf(each.at, units) > from
      ? { ...each, wall: newId, at: less(each.at, from, units) }
      : each,
  );

/** Steps before and after the place, in their order along the wall; those after it are told from there. */
function parted<Step extends { readonly at: string }>(
  steps: readonly Step[] | undefined,
  { at, units }: Split,
): readonly [before: readonly Step[], after: readonly Step[]] {
  const sorted = [...(steps ?? [])].sort((a, b) => lengthOf(a.at, units) - lengthOf(b.at, units));
  return [
    sorted.filter((step) => lengthOf(step.at, units) < at),
    sorted
      .filter((step) => lengthOf(step.at, units) > at)
      .map((step) => ({ ...step, at: less(step.at, at, units) })),
  ];
}

/** Inside walls that meet the second part meet it by its own name. */
function teesMoved(plan: Plan, shell: Shell, { id, newId, onFace, units }: Split): readonly PlanEdit[] {
  const met = crossingsOf(shell).filter(
    ({ through, from, to }) => through === id && (from + to) / 2 > onFace,
  );
  return plan.loops.flatMap(({ id: loop, tee, walk }): readonly PlanEdit[] => {
    const own = met.filter(({ wall }) => walk.some((row) => row.id === wall));
    if (!tee || own.length === 0) return [];
    const start =
      tee.start && own.some(({ atStart }) => atStart)
        ? { wall: newId, at: less(tee.start.at, onFace, units) }
        : tee.start;
    const end = own.some(({ atStart }) => !atStart) ? { wall: newId } : tee.end;
    const change = { tee: { ...(start ? { start } : {}), ...(end ? { end } : {}) } };
    return [{ kind: 'set-loop', loop, change }];
  });
}

/** What is said of a wall by its id holds for both parts: ground, soil, zones, edges, bracing, who watches it. */
function saidOfBoth(plan: Plan, { id, newId }: Split): readonly PlanEdit[] {
  const pours = plan.pours.map((pour) => {
    const own = pour.ground?.walls?.[id];
    return pour.ground && own
      ? { ...pour, ground: { ...pour.ground, walls: { ...pour.ground.walls, [newId]: own } } }
      : pour;
  });
  const soil = plan.steel?.walls?.[id];
  const edge = plan.edges?.walls?.[id];
  const sides = plan.bracing?.walls?.[id];
  const watcher = plan.pour?.watchers?.[id];
  return [
    ...(pours.some((pour, index) => pour !== plan.pours[index])
      ? [{ kind: 'set-pours' as const, pours }]
      : []),
    ...(soil ? [{ kind: 'set-soil' as const, wall: newId, change: soil }] : []),
    ...(plan.steel?.zones ?? []).flatMap((zone): PlanEdit[] =>
      zone.walls?.includes(id) === true
        ? [{ kind: 'put-zone', zone: { ...zone, walls: [...zone.walls, newId] } }]
        : [],
    ),
    ...(edge ? [{ kind: 'edge' as const, wall: newId, edge }] : []),
    ...(sides
      ? [{ kind: 'bracing' as const, change: { of: 'wall' as const, wall: newId, change: sides } }]
      : []),
    ...(watcher === undefined
      ? []
      : [{ kind: 'pour' as const, change: { of: 'watcher' as const, wall: newId, name: watcher } }]),
  ];
}

/** Readings of the level and places of the pump that lie on the second part. */
function placesMoved(plan: Plan, split: Split): readonly PlanEdit[] {
  const { shots, after } = plan.footing ?? {};
  const onPart = (list: NonNullable<typeof shots>): boolean => list.some(({ wall }) => wall === split.id);
  const stands = Object.entries(plan.pour?.pours ?? {}).flatMap(([pour, { stand }]): PlanEdit[] =>
    stand?.wall === split.id
      ? [
          {
            kind: 'pour',
            change: { of: 'pour', pour, change: { stand: placed([stand], split.onFace, split)[0] ?? stand } },
          },
        ]
      : [],
  );
  const read = {
    ...(shots && onPart(shots) ? { shots: placed(shots, split.at, split) } : {}),
    ...(after && onPart(after) ? { after: placed(after, split.at, split) } : {}),
  };
  return [
    ...(Object.keys(read).length > 0 ? [{ kind: 'set-footing' as const, change: read }] : []),
    ...stands,
  ];
}

/**
 * Parts a straight wall in two in one line, the second with a core of its own. All that lies beyond the place goes with the second
 * part and stays where it is: openings, inserts, steps, inside walls, readings; what is said of the wall holds for both. A bond of
 * the wall's own and its pulled lengths go.
 *
 * @returns one edit, or why it cannot be done
 * @example splitWall({ plan, shell: work(plan).shell, row: 'none', at: feet(20), core: '6in', newId: 'w9' }) // { ok: false, why: 'unreadable' }
 */
export function splitWall({
  plan,
  shell,
  row: id,
  at,
  core,
  newId,
}: SplitWallInput):
  { readonly ok: true; readonly edit: PlanEdit } | { readonly ok: false; readonly why: CannotSplit } {
  const { units } = plan;
  const loop = plan.loops.find((each) => each.walk.some((row) => row.id === id));
  const index = loop?.walk.findIndex((row) => row.id === id) ?? -1;
  const row = loop?.walk[index];
  const reading = readLength(row?.length ?? '', units);
  if (row?.curve) return { ok: false, why: 'curved' };
  if (row?.rake) return { ok: false, why: 'raked' };
  const wall = wallsOf(shell).find((each) => each.id === id);
  if (!loop || !row || !reading.ok || !wall) return { ok: false, why: 'unreadable' };
  const walked = shell.loops.find((each) => each.id === loop.id);
  if (walked?.problems.some(({ kind }) => kind === 'anticlockwise') === true)
    return { ok: false, why: 'walked-round' };
  const { length } = reading;
  if (at <= 0 || at >= length) return { ok: false, why: 'off-wall' };
  if (row.footing?.some((step) => lengthOf(step.at, units) === at) === true)
    return { ok: false, why: 'on-step' };
  const split: Split = { id, newId, at, length, onFace: add(wall.beyondStart, at), units };
  const [footing, footingAfter] = parted(row.footing, split);
  const [topSteps, topStepsAfter] = parted(row.topSteps, split);
  const stepHere = row.topSteps?.find((step) => lengthOf(step.at, units) === at);
  const top = stepHere?.top ?? topSteps.at(-1)?.top ?? row.top;
  const second: WalkRow = {
    id: newId,
    length: storeLength(subtract(length, at), units),
    turn: row.turn,
    core,
    ...(top === undefined ? {} : { top }),
    ...(footingAfter.length > 0 ? { footing: footingAfter } : {}),
    ...(topStepsAfter.length > 0 ? { topSteps: topStepsAfter } : {}),
    ...(row.bearing ? { bearing: row.bearing } : {}),
  };
  const next = loop.walk[index + 1];
  const openings = (plan.openings ?? []).flatMap((each): PlanEdit[] => {
    const change = moved(each, each.to === 'near' ? lengthOf(each.width, units) / 2 : 0, split);
    return change ? [{ kind: 'set-opening', opening: each.id, change }] : [];
  });
  const inserts = (plan.inserts ?? []).flatMap((each): PlanEdit[] => {
    const change = moved(each, lengthOf(each.length, units) / 2, split);
    return change ? [{ kind: 'set-insert', insert: each.id, change }] : [];
  });
  return {
    ok: true,
    edit: {
      kind: 'all',
      edits: [
        {
          kind: 'add-rows',
          loop: loop.id,
          rows: [second],
          ...(next === undefined ? {} : { before: next.id }),
        },
        { kind: 'set-row-length', row: id, length: storeLength(at, units) },
        { kind: 'set-row-turn', row: id, turn: 'straight on' },
        { kind: 'set-wall', row: id, change: { footing, topSteps, bond: null, asLaid: null } },
        ...openings,
        ...inserts,
        ...teesMoved(plan, shell, split),
        ...saidOfBoth(plan, split),
        ...placesMoved(plan, split),
      ],
    },
  };
}
