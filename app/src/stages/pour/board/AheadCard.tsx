import { showPressure } from '@ombra/core/kernel/figures';
import { pressedNow } from '@ombra/core/stages/pour/board';
import { oddsText } from '../pourWords';
import type { BoardProps } from './boardProps';
import { boardTime, wayText } from './boardWords';
import { useSay } from './say';
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
  const say = useSay();
  const odds = (share: number): string => say(oddsText(share));
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
    <section
      aria-label={say('Ahead')}
      aria-busy={state === 'playing'}
      className="lifted flex flex-col gap-2 p-4"
    >
      <h2 className="text-[22px] font-semibold">{say('Ahead')}</h2>
      {state === 'broken' && <p>{say('It could not be played on. The next tap tries again.')}</p>}
      {board.done !== null && <p>{say('The pour is done: nothing is ahead.')}</p>}
      {board.done === null && !found && state !== 'broken' && <p>{say('Playing the rest of the day …')}</p>}
      {board.done === null && found && on && (
        <>
          <p className="text-xl">
            {say.rich('Last concrete at <b>{middle}</b>, mostly between {early} and {late}.', {
              middle: boardTime(board, found.odds.finish.middle),
              early: boardTime(board, found.odds.finish.tenth),
              late: boardTime(board, found.odds.finish.ninetieth),
            })}
          </p>
          <p className={on.cold > WORTH ? 'font-semibold text-stop' : ''}>
            {found.odds.cold > WORTH && coldAt?.slice
              ? say('Cold joint: {odds}, most likely in {place}.', {
                  odds: odds(found.odds.cold),
                  place: coldAt.slice.name,
                })
              : say('Cold joint: {odds}.', { odds: odds(found.odds.cold) })}
          </p>
          <p className={on.overAge > WORTH ? 'font-semibold text-check' : ''}>
            {say('A load past its time: {odds}.', { odds: odds(found.odds.overAge) })}
            {found.odds.dark !== null && found.odds.dark > WORTH
              ? ` ${say('Not done by dark: {odds}.', { odds: odds(found.odds.dark) })}`
              : ''}
          </p>
          {better.length > 0 ? (
            <div>
              <p className="heading">{say('What would help')}</p>
              <ol className="list-decimal pl-6">
                {better.slice(0, 3).map((way) => (
                  <li key={way.kind}>
                    {say.rich(
                      '<b>{way}</b>: cold joint {cold}, load past its time {past}, done about {time}.',
                      {
                        way: wayText(say, way.kind),
                        cold: odds(way.cold),
                        past: odds(way.overAge),
                        time: boardTime(board, way.finish),
                      },
                    )}
                  </li>
                ))}
              </ol>
            </div>
          ) : (
            <p className="text-quiet">{say('Nothing that we tried is better than going on as it goes.')}</p>
          )}
        </>
      )}
      {pressed && slice && (
        <p className={over ? 'font-semibold text-stop' : near ? 'font-semibold text-check' : ''}>
          {say('Pressed hardest: {wall}, {pressure}.', {
            wall: wallName(slice.wall),
            pressure: showPressure(pressed.pressure, units),
          })}{' '}
          {pressed.capacity === null
            ? say('No capacity is entered for this form.')
            : say('The forms take {capacity}.', { capacity: showPressure(pressed.capacity, units) })}
          {over ? ` ${say('Slow down there, and watch both faces.')}` : ''}
        </p>
      )}
    </section>
  );
}
