import type { Entry, EntryBody, EntryKind } from '../../src/kernel/record';
import { houseRules } from '../../src/rules';
import type { Plan } from '../../src/kernel/plan';
import type { WorkedPour } from '../../src/stages/pour';
import { type PlayedRun, playDay } from '../../src/stages/pour/rehearsal';
import { steady } from '../../src/stages/pour';
import { type Board, boardOf, simulatedTaps } from '../../src/stages/pour/board';
import { work } from '../../src/work';

/** Half past seven, the usual hour of a first truck, in UTC. */
const ORIGIN = Date.parse('2026-12-01T07:30:00Z');

/** A minute of the pour as an entry writes it. */
export const timeAt = (minute: number): string => new Date(ORIGIN + minute * 60_000).toISOString();

export function pourOf(plan: Plan): WorkedPour {
  const [pour] = work(plan).pour.pours;
  if (!pour) throw new Error('nothing is poured');
  return pour;
}

/** A day of a pour as it was played, in taps. */
export const tappedDay = (pour: WorkedPour, run: PlayedRun): readonly Entry[] =>
  simulatedTaps(pour, run, { who: 'Rehearsal', time: timeAt });

export const steadyRun = (pour: WorkedPour): PlayedRun => playDay(steady(pour.day), 0);

/** The board of a pour at a minute, by the rules as they are. */
export const boardAt = (pour: WorkedPour, entries: readonly Entry[], minute: number): Board =>
  boardOf(pour, entries, timeAt(minute), houseRules());

let made = 0;

/** A tap of a minute, with an id of its own. */
export function tap<Kind extends EntryKind>(
  minute: number,
  kind: Kind,
  body: Omit<EntryBody<Kind>, 'time' | 'pour'>,
  more: Partial<Entry> = {},
): Entry {
  made += 1;
  return {
    id: `tap-${String(made).padStart(6, '0')}`,
    at: timeAt(minute),
    who: 'Ida',
    kind,
    body: { pour: 'pour-1', time: timeAt(minute), ...body },
    ...more,
  } as Entry;
}
