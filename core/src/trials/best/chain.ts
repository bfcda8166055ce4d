import type { LongLegOn } from '../../stages/courses';
import type { WallOption } from './options';

/** A wall's options for each way that the corners at its two ends may lead: `[start][end]`, 0 for `after` and 1 for `before`. */
export interface WallChoices {
  readonly wall: string;
  /** Place of its corners in the chain's list; null at a free end. */
  readonly start: number | null;
  readonly end: number | null;
  readonly options: readonly (readonly (readonly WallOption[])[])[];
}

/** The walls of one loop, in order, and the letters of its corners. */
export interface Chain {
  readonly corners: readonly string[];
  /** For each corner, the wall that starts there: its row holds the corner's lead. */
  readonly rows: readonly string[];
  readonly walls: readonly WallChoices[];
}

export const LEADS: readonly LongLegOn[] = ['after', 'before'];

/** A choice for one chain: how every corner leads, and one option for every wall. */
export interface ChainChoice {
  readonly leads: readonly number[];
  readonly options: readonly WallOption[];
}

interface Cheapest {
  readonly cost: number;
  readonly option: WallOption | null;
}

/** The cheapest option of a wall for each lead of its two corners. */
function cheapest(
  wall: WallChoices,
  costOf: (option: WallOption) => number,
): readonly (readonly Cheapest[])[] {
  return wall.options.map((row) =>
    row.map((options) => {
      let best: Cheapest = { cost: Number.POSITIVE_INFINITY, option: null };
      for (const option of options) {
        const cost = costOf(option);
        if (cost < best.cost) best = { cost, option };
      }
      return best;
    }),
  );
}

interface State {
  readonly cost: number;
  readonly leads: readonly number[];
  readonly options: readonly WallOption[];
}

/**
 * The cheapest choice of a chain under costs that add up wall by wall. A wall depends on its two corners alone, so this
 * is a dynamic programme along the corners, once for each lead of the first one where the loop is closed: exact for any
 * number of corners.
 *
 * @returns null where some wall has no option at all
 */
export function cheapestChain(
  chain: Chain,
  costOf: (option: WallOption) => number,
): { readonly cost: number; readonly choice: ChainChoice } | null {
  const tables = chain.walls.map((wall) => cheapest(wall, costOf));
  const closed = chain.walls[0]?.start !== null;
  let best: State | null = null;
  for (const first of closed ? [0, 1] : [0]) {
    let states = new Map<number, State>([[first, { cost: 0, leads: closed ? [first] : [], options: [] }]]);
    chain.walls.forEach((wall, index) => {
      const last = index === chain.walls.length - 1;
      const next = new Map<number, State>();
      for (const [lead, state] of states) {
        for (const end of wall.end === null ? [0] : last && closed ? [first] : [0, 1]) {
          const found = tables[index]?.[wall.start === null ? 0 : lead]?.[end];
          if (!found?.option) continue;
          const cost = state.cost + found.cost;
          const known = next.get(end);
          if (known && known.cost <= cost) continue;
          next.set(end, {
            cost,
            leads: last && closed ? state.leads : wall.end === null ? state.leads : [...state.leads, end],
            options: [...state.options, found.option],
          });
        }
      }
      states = next;
    });
    for (const state of states.values()) if (!best || state.cost < best.cost) best = state;
  }
  return best && { cost: best.cost, choice: { leads: best.leads, options: best.options } };
}

/** The options of a wall under a choice of leads. */
export function optionsUnder(wall: WallChoices, leads: readonly number[]): readonly WallOption[] {
  const start = wall.start === null ? 0 : (leads[wall.start] ?? 0);
  const end = wall.end === null ? 0 : (leads[wall.end] ?? 0);
  return wall.options[start]?.[end] ?? [];
}
