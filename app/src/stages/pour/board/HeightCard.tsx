import { Check, X } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { BoardProps } from './boardProps';
import { calledLength, zeroOf } from './boardWords';

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
    { id: 'whole', name: 'All of it' },
    { id: 'first', name: `Half at ${first}` },
    { id: 'second', name: `Half at ${second}` },
  ];
  const card = useRef<HTMLElement>(null);
  useEffect(() => {
    card.current?.scrollIntoView({ block: 'center' });
  }, []);
  return (
    <section ref={card} aria-label={`Height of ${name}`} className="border-4 border-chalk bg-sheet p-4">
      <div className="flex items-start justify-between gap-2">
        <p className="text-[26px] leading-tight font-semibold">
          {name} filled to <span className="figures">{calledLength(top - foot, units)}</span>
        </p>
        <button type="button" className="button" aria-label="Close without a height" onClick={onClose}>
          <X aria-hidden="true" />
        </button>
      </div>
      <p className="text-quiet">{zeroOf(number)}</p>
      <input
        type="range"
        aria-label={`Height of the concrete in ${name}`}
        aria-valuetext={`${calledLength(top - foot, units)} ${zeroOf(number)}`}
        className="my-2 h-14 w-full"
        min={0}
        max={Math.round((most - foot) / step)}
        value={Math.round((top - foot) / step)}
        onChange={(event) => {
          setTop(Math.min(most, foot + Number(event.currentTarget.value) * step));
        }}
      />
      <div role="group" aria-label="Lifts" className="flex flex-wrap gap-2">
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
            Lift {index + 1} <span className="figures text-quiet">{calledLength(height - foot, units)}</span>
          </button>
        ))}
      </div>
      <div role="group" aria-label="Where" className="mt-2 flex flex-wrap gap-2">
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
        <Check aria-hidden="true" /> Set this height
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
          The hose is here
        </button>
      )}
    </section>
  );
}
