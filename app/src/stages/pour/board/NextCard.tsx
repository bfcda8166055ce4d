import { ArrowRight, Pause, Play } from 'lucide-react';
import type { BoardProps } from './boardProps';
import { boardTime, calledLength, footAt, placeOf, spanText, zeroOf } from './boardWords';
import { useSay } from './say';

const FULL = 1 - 1e-6;

/** Where the hose is, what it fills there, and where it goes next: one press says that a place is full. */
export function NextCard({ pour, number, board, now, next, units, rules, tap }: BoardProps) {
  const say = useSay();
  const [here, ...after] = next;
  const halt = board.halts.at(-1);
  const stopped = halt?.to === null ? halt : null;
  const thunder = board.troubles.findLast(({ trouble }) => trouble === 'lightning');
  const until = thunder ? thunder.at + rules.count('pour.lightning.wait') : null;
  const hoseTo = (stop: number): void => {
    const own = board.stops[stop];
    if (own?.where) {
      const along = Math.round((own.where.from + own.where.to) / 2);
      tap('hose', { to: { wall: own.where.wall, along } });
    } else if (typeof own?.side === 'string') tap('hose', { to: { side: own.side } });
  };
  const full = (stop: number): void => {
    const own = board.stops[stop];
    if (own?.where) {
      const { wall, from, to } = own.where;
      tap('rise', { wall, from, to, top: own.top });
    } else if (typeof own?.side === 'string') tap('side', { side: own.side, share: 1 });
    if (after[0] !== undefined) hoseTo(after[0]);
  };
  if (board.done !== null) {
    return (
      <section aria-label={say('Hose')} className="lifted p-4">
        <p className="text-2xl font-semibold">
          {say('Poured to the end at {time}.', { time: boardTime(board, board.done) })}
        </p>
        <p>{say('Sight the strings while it is soft. If there is more to place, go on.')}</p>
        <button
          type="button"
          className="button mt-3"
          onClick={() => {
            tap('halt', { way: 'go' });
          }}
        >
          <Play aria-hidden="true" /> {say('Go on')}
        </button>
      </section>
    );
  }
  const own = here === undefined ? undefined : board.stops[here];
  const there = board.hose !== null && board.hose.stop === here;
  return (
    <section aria-label={say('Hose')} className={`lifted p-4 ${stopped ? 'border-4 border-stop!' : ''}`}>
      {stopped ? (
        <>
          <p className="text-2xl font-semibold text-stop">
            {say('Stopped since {time}, {span}.', {
              time: boardTime(board, stopped.from),
              span: spanText(say, now - stopped.from),
            })}
          </p>
          {until !== null && until > now && (
            <p>
              {say.rich('Thunder at {time}: stay clear until <b>{until}</b>, in {span}.', {
                time: boardTime(board, thunder?.at ?? now),
                until: boardTime(board, until),
                span: spanText(say, until - now),
              })}
            </p>
          )}
        </>
      ) : null}
      {here === undefined || !own ? (
        <p className="text-2xl font-semibold">
          {board.shares.every((share) => share >= FULL)
            ? say('All of it is placed.')
            : say('By what the trucks brought, all of it is placed: tap the heights that are missing.')}
        </p>
      ) : (
        <>
          <p className="heading">
            {there ? say('The hose is at') : board.began === null ? say('Begin at') : say('The hose goes to')}
          </p>
          <p className="text-[26px] leading-tight font-semibold">
            {placeOf(say, { pour, board, stop: here, units })}
          </p>
          {own.where && (
            <p className="text-xl">
              {say.rich('Fill to <b>{height}</b> {above}, lift {lift} of {lifts}.', {
                height: calledLength(own.top - footAt(board, here), units),
                above: zeroOf(say, number),
                lift: pour.stops[here]?.lift ?? 0,
                lifts: pour.lifts.length,
              })}
            </p>
          )}
        </>
      )}
      <div className="mt-3 flex flex-wrap gap-3">
        {here !== undefined && !there && (
          <button
            type="button"
            className="button strong grow"
            onClick={() => {
              hoseTo(here);
            }}
          >
            {say('Hose is there')}
          </button>
        )}
        {here !== undefined && there && (
          <button
            type="button"
            className="button strong grow"
            onClick={() => {
              full(here);
            }}
          >
            {after[0] === undefined ? say('Full here') : say('Full here: next')}{' '}
            <ArrowRight aria-hidden="true" />
          </button>
        )}
        {here === undefined && (
          <button
            type="button"
            className="button strong grow"
            onClick={() => {
              tap('halt', { way: 'done' });
            }}
          >
            {say('The pour is done')}
          </button>
        )}
        <button
          type="button"
          className={`button ${stopped ? 'strong grow' : ''}`}
          onClick={() => {
            tap('halt', { way: stopped ? 'go' : 'stop' });
          }}
        >
          {stopped ? <Play aria-hidden="true" /> : <Pause aria-hidden="true" />}{' '}
          {stopped ? say('Go on') : say('Stop')}
        </button>
      </div>
      {here !== undefined && board.began !== null && (
        <button
          type="button"
          className="button plain mt-3 underline decoration-dotted underline-offset-4"
          onClick={() => {
            tap('halt', { way: 'done' });
          }}
        >
          {say('The pour ends here')}
        </button>
      )}
      {after.length > 0 && (
        <p className="mt-3 text-quiet">
          {after
            .slice(0, 2)
            .map((stop) => say('Then {place}.', { place: placeOf(say, { pour, board, stop, units }) }))
            .join(' ')}
        </p>
      )}
    </section>
  );
}
