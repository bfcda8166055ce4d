import { showMinutes, showVolume } from '@ombra/core/kernel/figures';
import { dayOfEntry } from '@ombra/core/kernel/record';
import { rulesOf } from '@ombra/core/rules';
import { wallsOf } from '@ombra/core/stages/outline';
import type { WorkedPour } from '@ombra/core/stages/pour';
import { boardOf, doneOf } from '@ombra/core/stages/pour/board';
import type { ReactNode } from 'react';
import { SheetFrame } from '../../frame/sheet/SheetFrame';
import type { SheetProps } from '../../frame/stage';
import { TableHead } from '../../ui/TableHead';
import { TROUBLE_NAMES } from '../days/log/entryWords';
import { boardTime, standsText } from './board/boardWords';
import { degreesText, loadText, slumpText } from './pourWords';

/** After the last tap nothing of a pour changes: a moment that lies after all of them. */
const AFTERWARDS = '9999-12-31T00:00:00Z';

function Cell({ children, right = false }: { readonly children: ReactNode; readonly right?: boolean }) {
  return <td className={`px-1 ${right ? 'text-right' : ''}`}>{children}</td>;
}

/** One pour as it was, on a page: loads with their tickets, heights, incidents, and room to sign. */
function Record({
  pour,
  worked,
  entries,
  plan,
}: Pick<SheetProps, 'worked' | 'entries' | 'plan'> & { readonly pour: WorkedPour }) {
  const { units } = worked;
  const board = boardOf(pour, entries, AFTERWARDS, rulesOf(plan));
  const names = new Map(wallsOf(worked.shell).map((wall) => [wall.id, wall.name]));
  const last = Math.max(0, ...board.taps.map(({ at }) => at));
  const done = doneOf(pour, board, last);
  const used = board.loads.filter(({ arrived }) => arrived !== null);
  const day = board.taps[0] ? dayOfEntry({ at: board.taps[0].tap.body.time }) : null;
  const volume = (m3: number): string => showVolume(m3, units, 1);
  const time = (minute: number | null): string => (minute === null ? '' : boardTime(board, minute));
  return (
    <section aria-label={pour.span.name} className="mb-6 break-after-page last:break-after-auto">
      <h2 className="border-b-2 border-ink text-xl font-semibold">
        {pour.span.name}
        {day === null ? '' : `, ${day}`}
      </h2>
      {day === null ? (
        <p className="my-2">Nothing is recorded of this pour yet: its board writes it down.</p>
      ) : (
        <>
          <p className="figures my-2 text-[17px]">
            {volume(done.placed)} placed in {showMinutes(done.minutes)}, {time(board.began)} to{' '}
            {time(board.done ?? last)} · {done.trucks} {done.trucks === 1 ? 'truck' : 'trucks'}
            {done.sentBack > 0 ? `, ${String(done.sentBack)} sent back` : ''} · trucks waited{' '}
            {showMinutes(done.waited)}, the hose {showMinutes(done.stood)} · planned{' '}
            {volume(pour.volumes.ordered.value)} in {showMinutes(pour.clock.finish)}
          </p>
          <h3 className="font-semibold">Loads</h3>
          <table className="figures w-full border-collapse text-[15px]">
            <TableHead
              names={[
                'load',
                'ticket',
                'volume',
                'batched',
                'came',
                'at the hose',
                'left',
                'age',
                'slump',
                'concrete',
                '',
              ]}
              left={['load', 'ticket', '']}
            />
            <tbody>
              {used.map((load) => (
                <tr key={load.number} className="border-b border-line">
                  <th scope="row" className="px-1 text-left">
                    {load.number}
                  </th>
                  <Cell>{load.ticket ?? ''}</Cell>
                  <Cell right>{loadText(load.volume, units)}</Cell>
                  <Cell right>{load.ticket === null ? '' : time(load.batched)}</Cell>
                  <Cell right>{time(load.arrived)}</Cell>
                  <Cell right>{time(load.began)}</Cell>
                  <Cell right>{time(load.ended)}</Cell>
                  <Cell right>
                    {load.batched === null || load.ended === null
                      ? ''
                      : showMinutes(load.ended - load.batched)}
                  </Cell>
                  <Cell right>{load.slump === null ? '' : slumpText(load.slump, units)}</Cell>
                  <Cell right>{load.temperature === null ? '' : degreesText(load.temperature, units)}</Cell>
                  <Cell>{load.back === null ? '' : standsText(load)}</Cell>
                </tr>
              ))}
            </tbody>
          </table>
          <h3 className="mt-3 font-semibold">Walls, lift by lift</h3>
          <ul className="figures columns-3 text-[15px]">
            {done.walls.map(({ wall, lift, volume: m3, from, to }) => (
              <li key={`${wall} ${String(lift)}`} className="break-inside-avoid">
                {names.get(wall) ?? ''}, lift {lift}: {volume(m3)}, {time(from)} to {time(to)}
              </li>
            ))}
          </ul>
          <h3 className="mt-3 font-semibold">What went wrong</h3>
          {board.troubles.length === 0 && board.cold.length === 0 && <p>Nothing was written down.</p>}
          <ul className="text-[15px]">
            {board.troubles.map(({ entry, trouble, at, wall, what }) => (
              <li key={entry}>
                {time(at)} {TROUBLE_NAMES[trouble]}
                {wall === null ? '' : `, ${names.get(wall) ?? ''}`}
                {what === '' ? '' : `: ${what}`}
              </li>
            ))}
            {board.cold.map(({ slice, waited }) => (
              <li key={slice}>
                {pour.slices[slice % pour.slices.length]?.name ?? ''}: a layer waited {showMinutes(waited)},
                longer than the {showMinutes(board.working)} it may. The engineer says what is done.
              </li>
            ))}
          </ul>
        </>
      )}
      <p className="mt-8 flex gap-8 text-sm">
        <span className="grow border-t border-ink">signed, lead installer</span>
        <span className="grow border-t border-ink">signed, for the plant</span>
        <span className="grow border-t border-ink">signed, for the owner</span>
      </p>
    </section>
  );
}

/** The record of the pours, a page each; one of them where its address asks for it (`?pour=2`). */
export function PourRecordSheet({ worked, entries, asked, ...job }: SheetProps) {
  const only = Number(asked.get('pour') ?? '0');
  const pours = worked.pour.pours.filter(
    ({ volumes }, index) => volumes.walls.length > 0 && (only === 0 || index === only - 1),
  );
  return (
    <SheetFrame job={job} here="pour-record" title="pour record">
      {pours.length === 0 ? (
        <p className="text-lg font-semibold">There is no such pour.</p>
      ) : (
        pours.map((pour) => (
          <Record key={pour.span.pour} pour={pour} worked={worked} entries={entries} plan={job.plan} />
        ))
      )}
    </SheetFrame>
  );
}
