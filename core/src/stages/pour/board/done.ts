import type { EntryBody } from '../../../kernel/record';
import type { WorkedPour } from '../buildPour';
import { rateRule } from '../method';
import { loadsBy } from './balance';
import type { Board } from './board';
import { type BoardLoad, placedOf } from './loads';

/** A pour as it was, for its record. Cubic metres and minutes. */
export interface PourDone {
  readonly placed: number;
  /** From the first concrete to the last. */
  readonly minutes: number;
  readonly trucks: number;
  readonly sentBack: number;
  /** Minutes that trucks stood before their discharge, and that the hose had no truck. */
  readonly waited: number;
  readonly stood: number;
  /** Concrete that was paid for and is in no form. */
  readonly left: number;
  /** What waiting trucks, machine, crew and that concrete cost, in the job's money; by the day's prices. */
  readonly cost: number;
  /** By wall and lift, as the drawings have it, and when it was placed. */
  readonly walls: readonly {
    readonly wall: string;
    readonly lift: number;
    readonly volume: number;
    readonly from: number;
    readonly to: number;
  }[];
}

/** Minutes between each truck's leaving and the next one's discharge. */
function gapsOf(
  loads: readonly BoardLoad[],
): readonly { readonly from: number; readonly to: number; readonly next: BoardLoad }[] {
  const inOrder = loads.filter(({ began }) => began !== null).sort((a, b) => (a.began ?? 0) - (b.began ?? 0));
  return inOrder.slice(1).flatMap((next, index) => {
    const from = inOrder[index]?.ended ?? null;
    return from === null ? [] : [{ from, to: next.began ?? from, next }];
  });
}

/** What a day cost beside its concrete: told as the rehearsal tells it. */
function costOf({ day }: WorkedPour, loads: readonly BoardLoad[], last: number, left: number): number {
  const { money } = day;
  const waits = loads.reduce(
    (sum, { arrived, ended }) =>
      arrived === null || ended === null ? sum : sum + Math.max(0, ended - arrived - money.free) * money.wait,
    0,
  );
  const hours = (last + Math.max(day.after, day.washOut) + money.lead) / 60;
  const machine = (last + day.washOut + money.lead) / 60;
  const paid = money.pump > 0 ? Math.max(machine, money.pumpHours) * money.pump : 0;
  return waits + paid + hours * money.crew + left * money.concrete;
}

/** What a pour came to so far. */
export function doneOf(pour: WorkedPour, board: Board, now: number): PourDone {
  const used = board.loads.filter(({ began }) => began !== null);
  const ends = [...board.filled.map(({ to }) => to), ...used.flatMap(({ ended }) => ended ?? [])];
  const last = board.done ?? (ends.length > 0 ? Math.max(...ends) : now);
  const began = board.began ?? last;
  const left = board.loads.reduce((sum, { back }) => sum + (back ?? 0), 0);
  const walls = new Map<string, { wall: string; lift: number; volume: number; from: number; to: number }>();
  for (const { stop: index, from, to, before, after } of board.filled) {
    const stop = pour.stops[index];
    if (!stop?.wall) continue;
    const key = `${stop.wall} ${String(stop.lift)}`;
    const known = walls.get(key);
    const volume = stop.volume * (after - before);
    walls.set(key, {
      wall: stop.wall,
      lift: stop.lift,
      volume: volume + (known?.volume ?? 0),
      from: Math.min(from, known?.from ?? from),
      to: Math.max(to, known?.to ?? to),
    });
  }
  return {
    placed:
      used.reduce((sum, load) => sum + (load.stands === 'gone' ? placedOf(load) : 0), 0) +
      loadsBy(pour, { ...board, loads: used.filter(({ stands }) => stands === 'at-hose') }, last),
    minutes: Math.max(0, last - began),
    trucks: used.length,
    sentBack: board.loads.filter(({ back }) => back !== null).length,
    waited: used.reduce(
      (sum, { arrived, began: at }) => sum + Math.max(0, (at ?? 0) - (arrived ?? at ?? 0)),
      0,
    ),
    stood: gapsOf(board.loads).reduce((sum, { from, to }) => sum + Math.max(0, to - from), 0),
    left,
    cost: costOf(pour, used, last, left),
    walls: [...walls.values()].sort((a, b) => a.lift - b.lift || a.from - b.from),
  };
}

/**
 * What a pour says of the rules of its clock: what was seen, in the rule's own unit, and the minutes behind it. A truck's test is
 * told by those that found the hose free, a change by those that stood there already.
 */
export function seenOf(pour: WorkedPour, board: Board): NonNullable<EntryBody<'pour'>['seen']> {
  const { day } = pour;
  const seen: Record<string, { value: number; weight: number }> = {};
  const add = (rule: string, minutes: readonly number[]): void => {
    const real = minutes.filter((each) => each > 0 && each < 240);
    if (real.length === 0) return;
    const sum = real.reduce((all, each) => all + each, 0);
    seen[rule] = { value: sum / real.length, weight: sum };
  };
  const tickets = board.taps.flatMap(({ tap }) =>
    tap.kind === 'load' && tap.body.step === 'arrived' && tap.body.batched !== undefined
      ? [tap.body.load]
      : [],
  );
  add(
    'pour.plant.travel',
    board.loads.flatMap(({ number, arrived, batched }) =>
      tickets.includes(number) && arrived !== null && batched !== null ? [arrived - batched - day.load] : [],
    ),
  );
  const gaps = gapsOf(board.loads);
  add(
    'pour.truck.change',
    gaps.flatMap(({ from, to, next }) => ((next.arrived ?? to) + day.backing <= from ? [to - from] : [])),
  );
  add(
    'pour.truck.test',
    gaps.flatMap(({ from, to, next }) =>
      next.arrived !== null && next.arrived >= from + day.change ? [to - next.arrived] : [],
    ),
  );
  return seen;
}

/** The entry that a pour is recorded with when it is done. */
export function pourEntry(pour: WorkedPour, board: Board, now: number, day: string): EntryBody<'pour'> {
  const done = doneOf(pour, board, now);
  return {
    day,
    pour: board.pour,
    placedM3: done.placed,
    rule: rateRule(pour.method),
    minutes: Math.min(24 * 60, Math.max(1, Math.round(done.minutes))),
    trucks: done.trucks,
    word: '',
    seen: seenOf(pour, board),
  };
}
