import { roundedUp } from '../../../kernel/figures/how';
import { type Figure, figureOf } from '../../../kernel/figures/figure';
import { type How, given } from '../../../kernel/figures/how';
import type { HouseRules } from '../../../kernel/rules';
import type { WorkedPour } from '../buildPour';
import { steady } from '../dayOf';
import { playDay } from '../rehearsal';
import type { Ahead } from './ahead';
import { type Balance, unseenSince } from './balance';
import type { Board } from './board';

/** The last load as it is to be ordered. Times in minutes from the start, volumes in cubic metres. */
export interface LastOrder {
  /** Called for no later than this, it is there when the hose runs dry. */
  readonly by: number;
  /** When the hose runs dry without it. */
  readonly dry: number;
  /** What to order: that and what it may be off by, in the plant’s steps; none where enough is at hand. */
  readonly order: number;
  /** How much that is over what one truck takes. */
  readonly overTruck: number;
}

/**
 * How much the last load must bring, and when it must be called for. The hose runs dry as the rest of the day goes without any
 * scatter; before that the plant takes the call, loads and drives, and the truck backs in.
 */
export function lastOrder(
  balance: Balance,
  { day, from }: Ahead,
  now: number,
  rules: HouseRules,
): LastOrder | null {
  if (balance.settled || balance.drawnLeft <= 0) return null;
  const rest = playDay(steady({ ...day, loads: day.loads.slice(0, -1) }), 0, [], {
    ...from,
    settled: true,
    swell: { ...from.swell, spread: 0 },
    pace: { ...from.pace, spread: 0 },
  });
  // Without the last load the rehearsal calls for one when the hose is dry.
  const short = rest.trips.find(({ extra, batched }) => extra && batched >= now);
  const before = short ? rest.trips[rest.trips.indexOf(short) - 1] : rest.trips.at(-1);
  const dry = before?.to ?? Math.max(now, from.clock);
  const lead = day.backing + day.travel + day.load + rules.count('pour.plant.call');
  const order = orderOf(balance, day);
  return {
    by: dry + Math.min(day.change, day.backing) - lead,
    dry,
    order: Math.min(order, day.truck),
    overTruck: Math.max(0, order - day.truck),
  };
}

/** What must be ordered in all: what is missing with what that may be off by, in the plant's steps; none where enough is at hand. */
const orderOf = ({ last, spread }: Balance, { step, least }: Pick<Ahead['day'], 'step' | 'least'>): number =>
  last + spread <= 0 ? 0 : Math.max(step, least, roundedUp(last + spread, step));

/** The same as a tree: what is missing, what it may be off by, the plant's step, and the least that it brings. */
function orderHow(left: How, balance: Balance, day: Pick<Ahead['day'], 'step' | 'least'>): How {
  const missing: How = {
    op: 'difference',
    name: 'missing',
    unit: 'volume',
    of: [
      left,
      {
        op: 'sum',
        name: 'at hand',
        unit: 'volume',
        of: [
          given('at the hose', 'volume', balance.atHose),
          given('waiting', 'volume', balance.waiting),
          given('still to come', 'volume', balance.toCome),
        ],
      },
    ],
  };
  if (orderOf(balance, day) === 0)
    return { ...missing, op: 'product', of: [missing, given('enough is at hand', 'ratio', 0)] };
  return {
    op: 'greatest',
    name: 'to order',
    unit: 'volume',
    of: [
      {
        op: 'rounded-up',
        name: 'in the plant’s steps',
        unit: 'volume',
        of: [
          {
            op: 'sum',
            name: 'with what it may be off by',
            unit: 'volume',
            of: [missing, given('may be off by', 'volume', balance.spread)],
          },
          given('step', 'volume', day.step),
        ],
      },
      given('least that the plant brings', 'volume', day.least),
    ],
  };
}

/** What is still to be placed, wall by wall, and what the last load must bring of it, with their whys. */
export function balanceFigures(
  pour: WorkedPour,
  board: Board,
  balance: Balance,
  now: number,
): { readonly left: Figure; readonly last: Figure } {
  const unseen = unseenSince(pour, board, now, balance.swell.mean);
  const names = [...new Set(pour.stops.map(({ wall, side, name }) => wall ?? side ?? name))];
  const nameOf = (key: string): string =>
    pour.volumes.walls.find(({ wall }) => wall === key)?.name ??
    pour.stops.find(({ side }) => side === key)?.name ??
    key;
  const walls = names.flatMap((key): How[] => {
    const volume = pour.stops.reduce((sum, stop, index) => {
      if ((stop.wall ?? stop.side ?? stop.name) !== key) return sum;
      const left = stop.volume * (1 - (board.shares[index] ?? 0));
      return sum + left - (unseen.get(index) ?? 0);
    }, 0);
    return volume > 0 ? [given(nameOf(key), 'volume', volume)] : [];
  });
  const left: How = {
    op: 'product',
    name: 'still to be placed',
    unit: 'volume',
    of: [
      { op: 'sum', name: 'left by the heights', unit: 'volume', of: walls },
      given('what the forms take of each drawn', 'ratio', 1 + Math.max(0, balance.swell.mean)),
    ],
  };
  return {
    left: figureOf({
      id: `board.${board.pour}.left`,
      title: 'Still to be placed',
      how: left,
      rules: ['pour.allowance', 'pour.level.within'],
      pieces: {},
    }),
    last: figureOf({
      id: `board.${board.pour}.last`,
      title: 'To order',
      how: orderHow(left, balance, pour.day),
      rules: ['pour.allowance', 'pour.level.within', 'pour.plant.step'],
      pieces: {},
    }),
  };
}
