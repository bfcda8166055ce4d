import { showMinutes, showQuantity, showVolume } from '@ombra/core/kernel/figures';
import { type Entry, ofKind, standingEntries } from '@ombra/core/kernel/record';
import { type Board, boardOf, doneOf, pourEntry } from '@ombra/core/stages/pour/board';
import { formatISO } from 'date-fns';
import { useMemo, useState } from 'react';
import { timeOf } from '../pourWords';
import type { BoardProps } from './boardProps';
import { boardTime } from './boardWords';
import { useSay } from './say';

interface AfterTabProps extends BoardProps {
  readonly jobId: string;
  readonly entries: readonly Entry[];
  /** Left out while it is practised: nothing is recorded. */
  readonly onRecord?: (body: ReturnType<typeof pourEntry>) => void;
  /** The walls as they stood at a minute. */
  readonly picture: (board: Board, minute: number) => React.ReactNode;
}

/** The pour as it was, beside what was planned: played back, told wall by wall, and recorded. */
export function AfterTab({
  jobId,
  pour,
  number,
  board,
  now,
  units,
  rules,
  wallName,
  entries,
  mayTap,
  onRecord,
  picture,
  time,
}: AfterTabProps) {
  const say = useSay();
  const done = doneOf(pour, board, now);
  const begin = Math.min(0, board.began ?? 0);
  const end = board.done ?? Math.max(now, begin + 1);
  const [at, setAt] = useState<number | null>(null);
  const minute = Math.min(end, at ?? end);
  const then = useMemo(
    () => (at === null ? board : boardOf(pour, entries, time(minute), rules)),
    [at, board, entries, minute, pour, rules, time],
  );
  const [recorded, setRecorded] = useState(false);
  const known = useMemo(
    () => ofKind(standingEntries(entries), 'pour').some(({ body }) => body.pour === pour.span.pour),
    [entries, pour.span.pour],
  );
  const planned = pour.clock;
  const between = planned.trips.reduce(
    (sum, trip, index) => sum + Math.max(0, (planned.trips[index + 1]?.from ?? trip.to) - trip.to),
    0,
  );
  const volume = (m3: number): string => showVolume(m3, units, 1);
  const money = (sum: number): string => showQuantity(sum, 'money', units);
  const rows: readonly (readonly [string, string, string])[] = [
    [
      say('Begun'),
      timeOf(pour, planned.placed[0]?.from ?? 0),
      board.began === null ? '' : boardTime(board, board.began),
    ],
    [
      say('Done'),
      timeOf(pour, planned.finish),
      board.done === null ? say('not yet') : boardTime(board, board.done),
    ],
    [say('Concrete'), volume(pour.volumes.ordered.value), volume(done.placed)],
    [say('Trucks'), String(pour.volumes.loads.length), String(done.trucks)],
    [say('Trucks waited'), showMinutes(planned.waited), showMinutes(done.waited)],
    [say('Hose without a truck'), showMinutes(between), showMinutes(done.stood)],
    [
      say('Placed an hour'),
      `${volume(pour.day.rate)}/h`,
      done.minutes > 0 ? `${volume((done.placed / done.minutes) * 60)}/h` : '',
    ],
    [say('Cost beside the concrete'), money(planned.cost), board.done === null ? '' : money(done.cost)],
    [say('Cold joints'), String(planned.cold.length), String(board.cold.length)],
  ];
  return (
    <>
      <section aria-label={say('Played back')} className="flex flex-col gap-2">
        <h2 className="text-[22px] font-semibold">
          {say('The day at {time}', { time: boardTime(board, minute) })}
        </h2>
        <input
          type="range"
          aria-label={say('Minute that is shown')}
          aria-valuetext={boardTime(board, minute)}
          className="h-14 w-full"
          min={Math.floor(begin)}
          max={Math.ceil(end)}
          value={Math.round(minute)}
          onChange={(event) => {
            setAt(Number(event.currentTarget.value));
          }}
        />
        {picture(then, minute)}
      </section>
      <section aria-label={say('Planned and real')}>
        <table className="figures w-full border-collapse text-xl">
          <thead>
            <tr className="border-b border-ink text-left">
              <th scope="col" className="py-1">
                <span className="sr-only">{say('what')}</span>
              </th>
              <th scope="col" className="py-1 text-right text-chalk">
                {say('planned')}
              </th>
              <th scope="col" className="py-1 text-right text-record">
                {say('real')}
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map(([name, plan, real]) => (
              <tr key={name} className="border-b border-line">
                <th scope="row" className="py-1 text-left font-normal">
                  {name}
                </th>
                <td className="py-1 text-right">{plan}</td>
                <td className="py-1 text-right font-semibold">{real}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <section aria-label={say('By wall and lift')}>
        <h2 className="text-[22px] font-semibold">{say('By wall and lift')}</h2>
        {done.walls.length === 0 && <p>{say('No height was tapped.')}</p>}
        <ul>
          {done.walls.map(({ wall, lift, volume: m3, from, to }) => (
            <li
              key={`${wall} ${String(lift)}`}
              className="figures flex justify-between gap-2 border-t border-line py-1 text-xl"
            >
              <span>{say('{wall}, lift {lift}', { wall: wallName(wall), lift })}</span>
              <span>{volume(m3)}</span>
              <span className="text-quiet">
                {say('{from} to {to}', { from: boardTime(board, from), to: boardTime(board, to) })}
              </span>
            </li>
          ))}
        </ul>
      </section>
      {onRecord && (
        <section aria-label={say('Record')} className="flex flex-col gap-2">
          <h2 className="text-[22px] font-semibold">{say('Record')}</h2>
          <p>
            {say(
              'The record goes into the log. Pace, drive, change and test of the trucks are kept for the rates, where you may take them over.',
            )}
          </p>
          <button
            type="button"
            className="button strong"
            disabled={!mayTap || board.done === null || recorded || known}
            onClick={() => {
              onRecord(pourEntry(pour, board, now, formatISO(board.origin, { representation: 'date' })));
              setRecorded(true);
            }}
          >
            {recorded || known
              ? say('Recorded')
              : board.done === null
                ? say('Recorded when the pour is done')
                : say('Record this pour')}
          </button>
          <a className="button" href={`/jobs/${jobId}/sheets/pour-record?pour=${String(number)}`}>
            {say('Pour record to print')}
          </a>
        </section>
      )}
    </>
  );
}
