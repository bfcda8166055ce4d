import type { UnitSystem } from '../../kernel/measure';
import { said } from '../../kernel/plan/said';
import { storedLengthText } from '../../kernel/plan/storedText';

/** When a side pour takes its concrete: before the walls, while their first lift stiffens, or with what is left. */
export const SIDE_TIMES = ['first', 'between', 'last'] as const;
export type SideTime = (typeof SIDE_TIMES)[number];

/** Concrete besides the walls that shares their trucks: a beam form inside, a pier, a pad. */
export interface SidePour {
  readonly id: string;
  readonly name: string;
  /** `2.5 yd³`, or the box that it fills: `12ft × 8in × 16in`. */
  readonly volume: string;
  readonly when: SideTime;
  /** The pour with which it is poured; the first one where left out. */
  readonly pour?: string;
}

/** What a job says of the day of one of its pours. */
export interface PourDay {
  /** `2026-11-30` */
  readonly date?: string;
  /** First truck on site, `07:30`. */
  readonly start?: string;
  /** When it is too dark to go on. */
  readonly dark?: string;
  /** Air, and the concrete as it comes, in degrees Fahrenheit. */
  readonly air?: number;
  readonly concrete?: number;
  /** Depths of the lifts from the bottom up, where they are set by hand. */
  readonly lifts?: readonly string[];
  /** How many loads are ordered; as many as the volume takes where left out. */
  readonly loads?: number;
  /** The wall at whose first corner the pour starts or arrives. */
  readonly corner?: string;
  /** Where the pump, the chute or the conveyor stands: out from a wall's face. */
  readonly stand?: PourStand;
  /** What has been looked at and found true before the pump unfolds, by its id on the list. */
  readonly ready?: readonly string[];
}

/** A place outside: beside a wall, at a station of it, so far out from its outside face. */
export interface PourStand {
  readonly wall: string;
  readonly at: string;
  readonly out: string;
}

/** What a job says of its pours besides its house rules. */
export interface PourPlan {
  readonly pours?: Readonly<Record<string, PourDay>>;
  readonly sides?: readonly SidePour[];
  /** Who watches which wall from below. */
  readonly watchers?: Readonly<Record<string, string>>;
  /** The draw of the rehearsal, so that a run can be repeated. */
  readonly seed?: number;
}

/** A change of the pour; null takes away what was said. */
export type PourChange =
  | {
      readonly of: 'pour';
      readonly pour: string;
      readonly change: { readonly [K in keyof PourDay]?: PourDay[K] | null };
    }
  | { readonly of: 'put-side'; readonly side: SidePour }
  | { readonly of: 'remove-side'; readonly side: string }
  | { readonly of: 'watcher'; readonly wall: string; readonly name: string | null }
  | { readonly of: 'seed'; readonly seed: number };

function changeDay(
  before: PourDay | undefined,
  change: { readonly [K in keyof PourDay]?: PourDay[K] | null },
  units: UnitSystem,
): PourDay {
  const stored = (text: string): string => storedLengthText(text, units);
  const { lifts, stand, ready } = change;
  return said({
    ...before,
    ...change,
    ...(lifts ? { lifts: lifts.length === 0 ? null : lifts.map(stored) } : {}),
    ...(ready?.length === 0 ? { ready: null } : {}),
    ...(stand ? { stand: { ...stand, at: stored(stand.at), out: stored(stand.out) } } : {}),
  }) as PourDay;
}

/** The pour with a change; lengths are kept with their unit. */
export function changePour(pour: PourPlan | undefined, change: PourChange, units: UnitSystem): PourPlan {
  switch (change.of) {
    case 'pour':
      return {
        ...pour,
        pours: {
          ...pour?.pours,
          [change.pour]: changeDay(pour?.pours?.[change.pour], change.change, units),
        },
      };
    case 'put-side': {
      const sides = pour?.sides ?? [];
      const known = sides.some((side) => side.id === change.side.id);
      return {
        ...pour,
        sides: known
          ? sides.map((side) => (side.id === change.side.id ? change.side : side))
          : [...sides, change.side],
      };
    }
    case 'remove-side':
      return { ...pour, sides: (pour?.sides ?? []).filter((side) => side.id !== change.side) };
    case 'watcher': {
      const others = Object.entries(pour?.watchers ?? {}).filter(([wall]) => wall !== change.wall);
      const own = change.name === null || change.name === '' ? [] : [[change.wall, change.name] as const];
      return { ...pour, watchers: Object.fromEntries([...others, ...own]) };
    }
    case 'seed':
      return { ...pour, seed: change.seed };
  }
}

declare module '../../kernel/plan/plan' {
  interface Plan {
    readonly pour?: PourPlan;
  }
  interface PlanEdits {
    /** The day, its lifts and loads by pour, side pours, watchers, what has been looked at. */
    readonly pour: { readonly kind: 'pour'; readonly change: PourChange };
  }
}
