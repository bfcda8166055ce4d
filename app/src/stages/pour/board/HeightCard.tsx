import { Check, X } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { BoardProps } from './boardProps';
import { calledLength, zeroOf } from './boardWords';
import { useSay } from './say';

type Stretch = 'whole' | 'first' | 'second';

interface HeightCardProps extends Pick<
  BoardProps,
  'number' | 'pour' | 'board' | 'units' | 'wallName' | 'tap'
> {
  readonly wall: string;
  readonly length: number;
  readonly onClose: () => void;
}

/** Sets the height of the concrete in a wall: by the lifts, or by a slider. */
export function HeightCard({
  number,
  pour,
  board,
  units,
  wallName,
  tap,
  wall,
  length,
  onClose,
}: HeightCardProps) {
  const say = useSay();
  const own = board.stops.flatMap((stop, index) => (stop.where?.wall === wall ? [{ ...stop, index }] : []));
  const foot = Math.min(...own.map(({ bottom }) => bottom));
  const most = Math.max(...own.map(({ top }) => top));
  const step = units === 'imperial' ? 25_400_000 : 10_000_000;
  const reached = own.map(({ index, bottom, top }) => bottom + (top - bottom) * (board.shares[index] ?? 0));
  const stands = Math.min(...reached.map((height) => Math.max(foot, height)));
  // What a crew most likely wants to say: the lift that is being filled is full here.
  const lifts = pour.lifts.map(({ top }) => Math.min(top, most)).filter((top) => top > foot);
  const likely = lifts.find((top) => top > stands + step / 2) ?? most;
  const [top, setTop] = useState(likely);
  const [stretch, setStretch] = useState<Stretch>('whole');
  const [from, to] = {
    whole: [0, length],
    first: [0, Math.round(length / 2)],
    second: [Math.round(length / 2), length],
  }[stretch] as [number, number];
  const there = own.find(
    ({ index, where }) =>
      where !== null &&
      (board.shares[index] ?? 0) < 1 - 1e-6 &&
      from <= (where.from + where.to) / 2 &&
      (where.from + where.to) / 2 <= to,
  )?.where;
  const name = wallName(wall);
  const [first = '', second = ''] = name.split(/[–-]/);
  const choices: readonly { readonly id: Stretch; readonly name: string }[] = [
    { id: 'whole', name: say('All of it') },
    { id: 'first', name: say('Half at {corner}', { corner: first }) },
    { id: 'second', name: say('Half at {corner}', { corner: second }) },
  ];
  const card = useRef<HTMLElement>(null);
  useEffect(() => {
    card.current?.scrollIntoView({ block: 'center' });
  }, []);
  return (
    <section
      ref={card}
      aria-label={say('Height of {wall}', { wall: name })}
      className="border-4 border-chalk bg-sheet p-4"
    >
      <div className="flex items-start justify-between gap-2">
        <p className="text-[26px] leading-tight font-semibold">
          {say('{wall} filled to {height}', { wall: name, height: calledLength(top - foot, units) })}
        </p>
        <button type="button" className="button" aria-label={say('Close without a height')} onClick={onClose}>
          <X aria-hidden="true" />
        </button>
      </div>
      <p className="text-quiet">{zeroOf(say, number)}</p>
      <input
        type="range"
        aria-label={say('Height of the concrete in {wall}', { wall: name })}
        aria-valuetext={`${calledLength(top - foot, units)} ${zeroOf(say, number)}`}
        className="my-2 h-14 w-full"
        min={0}
        max={Math.round((most - foot) / step)}
        value={Math.round((top - foot) / step)}
        onChange={(event) => {
          setTop(Math.min(most, foot + Number(event.currentTarget.value) * step));
        }}
      />
      <div role="group" aria-label={say('Lifts')} className="flex flex-wrap gap-2">
        {lifts.map((height, index) => (
          <button
            key={height}
            type="button"
            className={`button grow ${height === top ? 'border-chalk! text-chalk' : ''}`}
            aria-pressed={height === top}
            onClick={() => {
              setTop(height);
            }}
          >
            {say('Lift {number}', { number: index + 1 })}{' '}
            <span className="figures text-quiet">{calledLength(height - foot, units)}</span>
          </button>
        ))}
      </div>
      <div role="group" aria-label={say('Where')} className="mt-2 flex flex-wrap gap-2">
        {choices.map((each) => (
          <button
            key={each.id}
            type="button"
            className={`button grow ${each.id === stretch ? 'border-chalk! text-chalk' : ''}`}
            aria-pressed={each.id === stretch}
            onClick={() => {
              setStretch(each.id);
            }}
          >
            {each.name}
          </button>
        ))}
      </div>
      <button
        type="button"
        className="button strong mt-3 w-full"
        onClick={() => {
          tap('rise', { wall, from, to, top }, { wall });
          onClose();
        }}
      >
        <Check aria-hidden="true" /> {say('Set this height')}
      </button>
      {there && (
        <button
          type="button"
          className="button mt-3 w-full"
          onClick={() => {
            tap('hose', { to: { wall, along: Math.round((there.from + there.to) / 2) } }, { wall });
            onClose();
          }}
        >
          {say('The hose is here')}
        </button>
      )}
    </section>
  );
}
