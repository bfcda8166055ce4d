import type { UnitSystem } from '../../kernel/measure';
import { said } from '../../kernel/plan/said';
import { storedLengthText } from '../../kernel/plan/storedText';

/** Planks or uprights on hand of one length. */
export interface StockOnHand {
  readonly length: string;
  /** How many; as many as are wanted where left out. */
  readonly count?: number;
}

/** What is under the leg of a brace. */
export const GROUNDS = ['firm', 'loose', 'bank'] as const;
export type Ground = (typeof GROUNDS)[number];

/** What a job says of one wall's bracing. */
export interface WallBracing {
  readonly side?: 'inside' | 'outside';
  /** The ground inside and outside where it is not firm: what lies loose holds no stake; a bank leaves no room. */
  readonly inside?: Ground;
  readonly outside?: Ground;
}

/** What was read at a brace, string to wall at the top. */
export interface LineReading {
  readonly before?: string;
  readonly after?: string;
}

/** What a job says of its bracing besides its house rules. */
export interface BracingPlan {
  readonly walls?: Readonly<Record<string, WallBracing>>;
  readonly planks?: readonly StockOnHand[];
  readonly uprights?: readonly StockOnHand[];
  /** Parts on hand, by part; nothing said counts as none to spare and none short. */
  readonly onHand?: Readonly<Record<string, number>>;
  /** Wind that the empty wall must stand, in miles an hour. */
  readonly wind?: number;
  /** Readings by brace. */
  readonly readings?: Readonly<Record<string, LineReading>>;
}

/** A change of the bracing; null takes away what was said. */
type BracingChange =
  | {
      readonly of: 'wall';
      readonly wall: string;
      readonly change: { readonly [K in keyof WallBracing]?: WallBracing[K] | null };
    }
  | { readonly of: 'planks'; readonly planks: readonly StockOnHand[] }
  | { readonly of: 'uprights'; readonly uprights: readonly StockOnHand[] }
  | { readonly of: 'on-hand'; readonly part: string; readonly count: number | null }
  | { readonly of: 'wind'; readonly wind: number | null }
  | {
      readonly of: 'reading';
      readonly brace: string;
      readonly pass: keyof LineReading;
      readonly text: string | null;
    };

/** A record with an entry changed; one of which nothing is left goes. */
function entry<Value extends object>(
  record: Readonly<Record<string, Value>> | undefined,
  key: string,
  change: object,
): Readonly<Record<string, Value>> | undefined {
  const next = said({ ...record?.[key], ...change }) as Value;
  const others = Object.entries(record ?? {}).filter(([id]) => id !== key);
  const entries = Object.keys(next).length === 0 ? others : [...others, [key, next] as const];
  return entries.length === 0 ? undefined : Object.fromEntries(entries);
}

/** The bracing with a change; lengths are kept with their unit. */
export function changeBracing(
  bracing: BracingPlan | undefined,
  change: BracingChange,
  units: UnitSystem,
): BracingPlan {
  // An empty list says nothing: the usual lengths are back.
  const stocked = (list: readonly StockOnHand[]): readonly StockOnHand[] | null =>
    list.length === 0
      ? null
      : list.map((each) => ({ ...each, length: storedLengthText(each.length, units) }));
  switch (change.of) {
    case 'wall':
      return said({ ...bracing, walls: entry(bracing?.walls, change.wall, change.change) }) as BracingPlan;
    case 'planks':
      return said({ ...bracing, planks: stocked(change.planks) }) as BracingPlan;
    case 'uprights':
      return said({ ...bracing, uprights: stocked(change.uprights) }) as BracingPlan;
    case 'on-hand': {
      const others = Object.entries(bracing?.onHand ?? {}).filter(([part]) => part !== change.part);
      return {
        ...bracing,
        onHand: Object.fromEntries(
          change.count === null ? others : [...others, [change.part, change.count] as const],
        ),
      };
    }
    case 'wind':
      return said({ ...bracing, wind: change.wind }) as BracingPlan;
    case 'reading': {
      const text = change.text === null ? null : storedLengthText(change.text, units) || null;
      return said({
        ...bracing,
        readings: entry(bracing?.readings, change.brace, { [change.pass]: text }),
      }) as BracingPlan;
    }
  }
}

declare module '../../kernel/plan/plan' {
  interface Plan {
    readonly bracing?: BracingPlan;
  }
  interface PlanEdits {
    /** Sides and ground by wall, planks and gear on hand, wind, readings of the string. */
    readonly bracing: { readonly kind: 'bracing'; readonly change: BracingChange };
  }
}
