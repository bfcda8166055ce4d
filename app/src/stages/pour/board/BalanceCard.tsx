import type { Figure } from '@ombra/core/kernel/figures';
import { roundedUp, showVolume } from '@ombra/core/kernel/figures';
import { balanceFigures } from '@ombra/core/stages/pour/board';
import { useState } from 'react';
import { WhyCard } from '../../../frame/figures/WhyCard';
import { loadText } from '../pourWords';
import type { BoardProps } from './boardProps';
import { boardTime, spanText } from './boardWords';
import { useSay } from './say';
import { Taps } from './Taps';

/** Loads and heights that differ by more are reported: a share of the loads, and cubic metres at least. [ours] */
const APART = { share: 0.05, least: 0.4 };

/** What is left, and the last truck: how much of it, and until when it must be called. */
export function BalanceCard({ pour, board, now, balance, last, units, rules, mayTap, tap }: BoardProps) {
  const say = useSay();
  const [open, setOpen] = useState<Figure | null>(null);
  const figures = balanceFigures(pour, board, balance, now);
  const volume = (m3: number): string => showVolume(m3, units, 1);
  const { compared } = balance;
  const apart = compared === null ? 0 : compared.byLoads - compared.byHeights;
  const told = compared !== null && Math.abs(apart) > Math.max(APART.least, APART.share * compared.byLoads);
  const number = pour.day.loads.length;
  const under = board.loads.some(({ arrived }) => arrived !== null);
  /** Another load than those of the plan. */
  const order = (volumeM3: number): void => {
    const load = Math.max(number, ...board.loads.map((each) => each.number)) + 1;
    tap('load', { load, step: 'ordered', volumeM3 });
  };
  const why = (figure: Figure, name: string) => (
    <button
      type="button"
      className="button plain underline decoration-dotted underline-offset-4"
      aria-expanded={open?.id === figure.id}
      onClick={() => {
        setOpen(open?.id === figure.id ? null : figure);
      }}
    >
      {name}
    </button>
  );
  const opened = open && (open.id === figures.left.id ? figures.left : figures.last);
  return (
    <section aria-label={say('What is left')} className="lifted flex flex-col gap-2 p-4">
      <h2 className="text-[22px] font-semibold">
        {say('{volume} left to place', { volume: volume(balance.left) })}
        {balance.left > 0 && (
          <span className="figures text-lg font-normal text-quiet"> ± {volume(1.28 * balance.spread)}</span>
        )}
      </h2>
      <p className="figures">
        {say('At the hose {hose} · waiting {waiting} · to come {coming}', {
          hose: volume(balance.atHose),
          waiting: volume(balance.waiting),
          coming: volume(balance.toCome),
        })}
      </p>
      {told && (
        <p className="border-l-4 border-check pl-3">
          {apart > 0
            ? say(
                'The trucks brought {volume} more than the heights say: look for a bulge, a lost load, an opening that fills, or a height that was not tapped.',
                { volume: volume(apart) },
              )
            : say(
                'The trucks brought {volume} less than the heights say: check the heights and the tickets.',
                {
                  volume: volume(-apart),
                },
              )}
        </p>
      )}
      {last && last.order > 0 && (
        <>
          <p className="text-[26px] leading-tight font-semibold">
            {say('Order {volume} by {time}', {
              volume: loadText(last.order, units),
              time: boardTime(board, last.by),
            })}
          </p>
          <p className={under && last.by < now ? 'text-xl font-semibold text-stop' : 'text-xl'} role="timer">
            {!under
              ? say('by the plan; it counts down once the first truck has come')
              : last.by < now
                ? say('{span} over: call now. The hose runs dry at {time}.', {
                    span: spanText(say, now - last.by),
                    time: boardTime(board, last.dry),
                  })
                : say('in {span}; the hose runs dry at {time} without it', {
                    span: spanText(say, last.by - now),
                    time: boardTime(board, last.dry),
                  })}
          </p>
          <Taps may={mayTap}>
            {last.overTruck > 0 && (
              <>
                <p className="font-semibold text-stop">
                  {say('One truck does not take all of it: {volume} more.', {
                    volume: volume(last.overTruck),
                  })}
                </p>
                <button
                  type="button"
                  className="button"
                  onClick={() => {
                    order(Math.min(pour.day.truck, Math.max(pour.day.step, last.overTruck)));
                  }}
                >
                  {say('One more truck is ordered')}
                </button>
              </>
            )}
            <button
              type="button"
              className="button strong"
              onClick={() => {
                tap('load', { load: number, step: 'ordered', volumeM3: last.order });
              }}
            >
              {say('{volume} is ordered', { volume: loadText(last.order, units) })}
            </button>
          </Taps>
        </>
      )}
      {last?.order === 0 && (
        <p className="text-xl">{say('What is at hand is enough: call off the last truck.')}</p>
      )}
      {balance.settled && balance.left > 0 && (
        <>
          <p>
            {say('The last load is ordered.')}
            {balance.last > 0.05
              ? ` ${say('It is {volume} short by now.', { volume: volume(balance.last) })}`
              : ''}
          </p>
          {balance.last > balance.spread && balance.last > 0.05 && (
            <Taps may={mayTap}>
              <button
                type="button"
                className="button"
                onClick={() => {
                  order(
                    Math.min(
                      pour.day.truck,
                      Math.max(pour.day.least, roundedUp(balance.last + balance.spread, pour.day.step)),
                    ),
                  );
                }}
              >
                {say('One more is ordered')}
              </button>
            </Taps>
          )}
        </>
      )}
      <p className="flex flex-wrap">
        {why(figures.left, say('Why so much left'))}
        {!balance.settled && why(figures.last, say('Why so much to order'))}
      </p>
      {opened && (
        <WhyCard
          figure={opened}
          units={units}
          rules={rules}
          onClose={() => {
            setOpen(null);
          }}
        />
      )}
    </section>
  );
}
