import { showPressure } from '@ombra/core/kernel/figures';
import { pressedNow } from '@ombra/core/stages/pour/board';
import { oddsText } from '../pourWords';
import type { BoardProps } from './boardProps';
import { WAY_WORDS, boardTime } from './boardWords';
import type { Found } from './useLookAhead';

/** Risks over this share of the days are shown in bold. [ours] */
const WORTH = 0.02;

/** Share of what the forms take from which a pressure is near it. [ours] */
const NEAR = 0.85;

/** What lies ahead: the finish, what may go wrong, and what would help. */
export function AheadCard({
  pour,
  board,
  units,
  wallName,
  found,
  state,
}: Pick<BoardProps, 'pour' | 'board' | 'units' | 'wallName'> & {
  readonly found: Found | null;
  readonly state: 'idle' | 'playing' | 'broken';
}) {
  const pressed = pressedNow(pour, board);
  const slice = pressed ? pour.slices[pressed.slice] : undefined;
  const capacity = pressed?.capacity ?? Infinity;
  const over = pressed !== null && pressed.pressure > capacity;
  const near = pressed !== null && pressed.pressure > NEAR * capacity;
  const on = found?.ways.find(({ kind }) => kind === 'on');
  const better =
    found?.ways.slice(
      0,
      found.ways.findIndex(({ kind }) => kind === 'on'),
    ) ?? [];
  const coldAt = found
    ? found.odds.coldAt
        .map((share, part) => ({ share, slice: pour.slices[part % pour.slices.length] }))
        .sort((a, b) => b.share - a.share)[0]
    : undefined;
  return (
    <section aria-label="Ahead" aria-busy={state === 'playing'} className="lifted flex flex-col gap-2 p-4">
      <h2 className="text-[22px] font-semibold">Ahead</h2>
      {state === 'broken' && <p>It could not be played on. The next tap tries again.</p>}
      {board.done !== null && <p>The pour is done: nothing is ahead.</p>}
      {board.done === null && !found && state !== 'broken' && <p>Playing the rest of the day …</p>}
      {board.done === null && found && on && (
        <>
          <p className="text-xl">
            Last concrete at <strong>{boardTime(board, found.odds.finish.middle)}</strong>, mostly between{' '}
            {boardTime(board, found.odds.finish.tenth)} and {boardTime(board, found.odds.finish.ninetieth)}.
          </p>
          <p className={on.cold > WORTH ? 'font-semibold text-stop' : ''}>
            Cold joint: {oddsText(found.odds.cold)}
            {found.odds.cold > WORTH && coldAt?.slice ? `, most likely in ${coldAt.slice.name}` : ''}.
          </p>
          <p className={on.overAge > WORTH ? 'font-semibold text-check' : ''}>
            A load past its time: {oddsText(found.odds.overAge)}.
            {found.odds.dark !== null && found.odds.dark > WORTH
              ? ` Not done by dark: ${oddsText(found.odds.dark)}.`
              : ''}
          </p>
          {better.length > 0 ? (
            <div>
              <p className="heading">What would help</p>
              <ol className="list-decimal pl-6">
                {better.slice(0, 3).map((way) => (
                  <li key={way.kind}>
                    <strong>{WAY_WORDS[way.kind]}</strong>: cold joint {oddsText(way.cold)}, load past its
                    time {oddsText(way.overAge)}, done about {boardTime(board, way.finish)}.
                  </li>
                ))}
              </ol>
            </div>
          ) : (
            <p className="text-quiet">Nothing that we tried is better than going on as it goes.</p>
          )}
        </>
      )}
      {pressed && slice && (
        <p className={over ? 'font-semibold text-stop' : near ? 'font-semibold text-check' : ''}>
          Pressed hardest: {wallName(slice.wall)}, {showPressure(pressed.pressure, units)}
          {pressed.capacity === null
            ? '. No capacity is entered for this form.'
            : ` of the ${showPressure(pressed.capacity, units)} that the forms take${over ? '. Slow down there, and watch both faces.' : '.'}`}
        </p>
      )}
    </section>
  );
}
