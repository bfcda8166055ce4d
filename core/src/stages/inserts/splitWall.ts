import { type Length, type UnitSystem, readLength, storeLength, subtract, ZERO } from '../../kernel/measure';
import type { Plan, PlanEdit } from '../../kernel/plan';
import type { WalkRow } from '../outline/plan';

/** Something that lies along a wall, by one of its ends. */
interface Along {
  readonly id: string;
  readonly wall: string;
  readonly from: 'start' | 'end';
  readonly at: string;
}

/** Why a wall cannot be parted. */
export type CannotSplit = 'unreadable' | 'curved' | 'raked' | 'off-wall' | 'walked-round';

/** What `splitWall` goes by. */
interface SplitWallInput {
  readonly plan: Plan;
  readonly row: string;
  /** Along the wall as drawn, from its first corner walking clockwise. */
  readonly at: Length;
  /** Core of the part from there on. */
  readonly core: string;
  readonly newId: string;
  /** Whether the outline was walked counterclockwise: its rows then stand in the other order. */
  readonly anticlockwise: boolean;
}

/** The middle of something, from the wall's start, and the change that keeps it where it is once its wall is parted. */
function moved(
  each: Along,
  half: number,
  split: { readonly at: Length; readonly length: Length; readonly newId: string },
  units: UnitSystem,
): { readonly wall?: string; readonly at?: string } | null {
  const reading = readLength(each.at, units);
  if (!reading.ok) return null;
  const { at, length, newId } = split;
  const middle = reading.length + half;
  const beyond = (each.from === 'start' ? middle : length - middle) > at;
  const change = (by: Length): { readonly at: string } => ({
    at: storeLength(subtract(reading.length, by), units),
  });
  if (beyond) return { wall: newId, ...(each.from === 'start' ? change(at) : {}) };
  return each.from === 'end' ? change(subtract(length, at)) : null;
}

const halfOf = (text: string | undefined, units: UnitSystem): number => {
  const reading = readLength(text ?? '', units);
  return reading.ok ? reading.length / 2 : 0;
};

/** Steps before and after a station; those after it are told from there. */
function parted<Step extends { readonly at: string }>(
  steps: readonly Step[] | undefined,
  at: Length,
  units: UnitSystem,
): readonly [before: readonly Step[], after: readonly Step[]] {
  const read = (steps ?? []).map((step) => ({ step, reading: readLength(step.at, units) }));
  const late = ({ reading }: (typeof read)[number]): boolean => reading.ok && reading.length > at;
  return [
    read.filter((each) => !late(each)).map(({ step }) => step),
    read.filter(late).map(({ step, reading }) => ({
      ...step,
      at: storeLength(subtract(reading.ok ? reading.length : ZERO, at), units),
    })),
  ];
}

/**
 * Parts a straight wall in two in one line, the second with a core of its own. Openings, inserts and steps beyond the place go
 * with the second part and stay where they are; a bond of the wall's own and its pulled lengths go.
 *
 * @param input where, and with which core
 * @returns one edit, or why it cannot be done
 * @example
 * splitWall({ plan, row: 'w1', at: feet(20), core: '6in', newId: 'w9', anticlockwise: false }) // { ok: true, edit }
 */
export function splitWall({
  plan,
  row: id,
  at,
  core,
  newId,
  anticlockwise,
}: SplitWallInput):
  { readonly ok: true; readonly edit: PlanEdit } | { readonly ok: false; readonly why: CannotSplit } {
  const { units } = plan;
  const loop = plan.loops.find((each) => each.walk.some((row) => row.id === id));
  const index = loop?.walk.findIndex((row) => row.id === id) ?? -1;
  const row = loop?.walk[index];
  const reading = readLength(row?.length ?? '', units);
  if (!loop || !row || !reading.ok) return { ok: false, why: 'unreadable' };
  if (row.curve) return { ok: false, why: 'curved' };
  if (row.rake) return { ok: false, why: 'raked' };
  if (anticlockwise) return { ok: false, why: 'walked-round' };
  const { length } = reading;
  if (at <= 0 || at >= length) return { ok: false, why: 'off-wall' };
  const [footing, footingAfter] = parted(row.footing, at, units);
  const [topSteps, topStepsAfter] = parted(row.topSteps, at, units);
  const top = topSteps.at(-1)?.top ?? row.top;
  const split = { at, length, newId };
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
    const half = each.to === 'near' ? halfOf(each.width, units) : 0;
    const change = each.wall === id ? moved(each, half, split, units) : null;
    return change ? [{ kind: 'set-opening', opening: each.id, change }] : [];
  });
  const inserts = (plan.inserts ?? []).flatMap((each): PlanEdit[] => {
    const change = each.wall === id ? moved(each, halfOf(each.length, units), split, units) : null;
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
      ],
    },
  };
}
