import { TROUBLES, type Trouble } from '@ombra/core/kernel/record';
import { TriangleAlert } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { TROUBLE_NAMES } from '../../days/log/entryWords';
import type { BoardProps } from './boardProps';
import { boardTime } from './boardWords';
import { useSay } from './say';
import { TROUBLE_CARDS } from './troubleCards';

/** When something goes wrong: one press each, and the card of what is done. */
export function TroubleTab({ pour, board, now, wallName, tap }: BoardProps) {
  const say = useSay();
  const [shown, setShown] = useState<Trouble | null>(null);
  const opened = useRef<HTMLElement>(null);
  useEffect(() => {
    opened.current?.scrollIntoView({ block: 'start' });
  }, [shown]);
  const here = board.hose === null ? null : (board.stops[board.hose.stop]?.where?.wall ?? null);
  const [wall, setWall] = useState<string | null>(here);
  const stopped = board.halts.at(-1)?.to === null;
  const card = shown === null ? null : TROUBLE_CARDS[shown];
  const press = (trouble: Trouble): void => {
    setShown(trouble);
    const placed = trouble === 'bulge' || trouble === 'blowout';
    tap('trouble', { trouble, what: '' }, placed && wall !== null ? { wall } : undefined);
    if (TROUBLE_CARDS[trouble].stops && !stopped && board.done === null) tap('halt', { way: 'stop' });
  };
  return (
    <>
      <div className="flex flex-col gap-2">
        <div role="group" aria-label={say('Wall')} className="flex flex-wrap gap-2">
          {pour.volumes.walls.map((each) => (
            <button
              key={each.wall}
              type="button"
              className={`button ${each.wall === wall ? 'border-chalk! text-chalk' : ''}`}
              aria-pressed={each.wall === wall}
              onClick={() => {
                setWall(each.wall === wall ? null : each.wall);
              }}
            >
              {each.name}
            </button>
          ))}
        </div>
        <p>
          {wall === null
            ? say('One press records it, with its time.')
            : say('One press records it, with its time and {wall}.', { wall: wallName(wall) })}
        </p>
        <div role="group" aria-label={say('What went wrong')} className="grid grid-cols-2 gap-2">
          {TROUBLES.map((trouble) => (
            <button
              key={trouble}
              type="button"
              className="button min-h-20! border-2! border-stop! text-xl text-stop"
              onClick={() => {
                press(trouble);
              }}
            >
              <TriangleAlert aria-hidden="true" /> {say(TROUBLE_NAMES[trouble])}
            </button>
          ))}
        </div>
      </div>
      {card && shown !== null && (
        <section
          ref={opened}
          aria-label={say(TROUBLE_NAMES[shown])}
          aria-live="polite"
          className="border-4 border-stop bg-sheet p-4"
        >
          <h2 className="text-2xl font-semibold text-stop">{say(TROUBLE_NAMES[shown])}</h2>
          <p className="text-xl font-semibold">{say(card.caution)}</p>
          <ol className="my-3 flex list-decimal flex-col gap-2 pl-7 text-xl">
            {card.steps.map(({ who, does }) => (
              <li key={does}>
                <strong>{say(who)}:</strong> {say(does)}
              </li>
            ))}
          </ol>
          <p>{say(card.layers)}</p>
          <p className="mt-2 text-quiet">
            {say(
              'The engineer, the manufacturer’s manual and the local rules for safety at work come before this card.',
            )}
          </p>
          {stopped && (
            <button
              type="button"
              className="button strong mt-3 w-full"
              onClick={() => {
                tap('halt', { way: 'go' });
              }}
            >
              {say('Go on')}
            </button>
          )}
        </section>
      )}
      {board.troubles.length > 0 && (
        <section aria-label={say('What went wrong so far')}>
          <h2 className="text-[22px] font-semibold">{say('So far')}</h2>
          <ul>
            {board.troubles.map(({ entry, trouble, at, wall: where }) => (
              <li key={entry} className="figures border-t border-line py-2">
                {boardTime(board, at)} {say(TROUBLE_NAMES[trouble])}
                {where === null ? '' : `, ${wallName(where)}`}
              </li>
            ))}
          </ul>
        </section>
      )}
      <p className="text-quiet">
        {say('Now {time}. A press by mistake is taken back at the foot of the page.', {
          time: boardTime(board, now),
        })}
      </p>
    </>
  );
}
