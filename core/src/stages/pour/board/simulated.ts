import type { Entry, EntryKind, EntryOf, Trouble } from '../../../kernel/record';
import type { WorkedPour } from '../buildPour';
import type { DayEvent, PlayedRun } from '../rehearsal';
import { stopsOfBoard } from './board';

/** What a trouble of the rehearsal is on the board. */
const TROUBLE_OF: Readonly<Record<DayEvent['kind'], Trouble>> = {
  late: 'late',
  stiff: 'load',
  lightning: 'lightning',
  blowout: 'blowout',
  pump: 'pump',
};

/** How a played day is written down. */
interface Written {
  readonly who: string;
  /** A minute of the day as an entry writes a moment. */
  readonly time: (minute: number) => string;
}

/**
 * The taps that a crew would make of a played day, in the order of their minutes: every truck as it comes, is tested, discharges and
 * leaves, every stop of the hose and the height where it left, and what went wrong. Loads that were called for are numbered after
 * those of the plan.
 *
 * @example simulatedTaps(pour, pour.clock, { who: 'Rehearsal', time: (minute) => new Date(minute * 60_000).toISOString() }).at(-1)?.kind // 'halt'
 */
export function simulatedTaps(pour: WorkedPour, run: PlayedRun, { who, time }: Written): readonly Entry[] {
  const { day } = pour;
  const name = pour.span.pour;
  const taps: { readonly minute: number; readonly entry: Entry }[] = [];
  const tap = <Kind extends EntryKind>(
    id: string,
    minute: number,
    kind: Kind,
    body: EntryOf<Kind>['body'],
  ): void => {
    taps.push({ minute, entry: { id, at: time(minute), who, kind, body } as Entry });
  };
  let [planned, called] = [0, 0];
  for (const trip of run.trips) {
    const load = trip.extra ? day.loads.length + ++called : ++planned;
    const id = `load-${String(load)}`;
    const own = { pour: name, load };
    const step = (which: EntryOf<'load'>['body']['step'], minute: number, more: object = {}): void => {
      tap(`${id}-${which}`, minute, 'load', { ...own, step: which, time: time(minute), ...more });
    };
    // The last load of the plan is a balance: ordered when it is measured, like those that are called for.
    if (trip.extra || load === day.loads.length) step('ordered', trip.batched, { volumeM3: trip.volume });
    step('arrived', trip.arrived, { volumeM3: trip.volume, batched: time(trip.batched) });
    step('tested', Math.min(trip.from, trip.arrived + day.backing), {
      slumpIn: pour.mix.slump.ordered,
      temperatureF: pour.mix.concrete,
    });
    step('placing', trip.from);
    step(trip.sentBack ? 'back' : 'empty', trip.to, trip.sentBack ? { volumeM3: trip.left } : {});
  }
  const stops = stopsOfBoard(pour);
  for (const { stop: index, from, to } of run.placed) {
    const stop = stops[index];
    if (!stop) continue;
    const id = `stop-${String(index)}`;
    const { where, side, top } = stop;
    const place = where
      ? { wall: where.wall, along: Math.round((where.from + where.to) / 2) }
      : { side: side ?? '' };
    tap(`${id}-hose`, from, 'hose', { pour: name, to: place, time: time(from) });
    if (where) {
      tap(`${id}-top`, to, 'rise', {
        pour: name,
        wall: where.wall,
        from: where.from,
        to: where.to,
        top,
        time: time(to),
      });
    } else if (side !== null) {
      tap(`${id}-top`, to, 'side', { pour: name, side, share: 1, time: time(to) });
    }
  }
  for (const [index, { event, from, to }] of run.events.entries()) {
    const id = `trouble-${String(index)}`;
    tap(id, from, 'trouble', { pour: name, trouble: TROUBLE_OF[event.kind], time: time(from), what: '' });
    if (to <= from) continue;
    tap(`${id}-stop`, from, 'halt', { pour: name, way: 'stop', time: time(from) });
    tap(`${id}-go`, to, 'halt', { pour: name, way: 'go', time: time(to) });
  }
  if (run.complete) tap('done', run.finish, 'halt', { pour: name, way: 'done', time: time(run.finish) });
  return taps.sort((a, b) => a.minute - b.minute).map(({ entry }) => entry);
}
