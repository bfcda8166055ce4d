import type { DayEvent } from './day';

/** One truck's trip: minutes from the start. */
export interface Trip {
  /** Cubic metres. */
  readonly volume: number;
  readonly batched: number;
  readonly arrived: number;
  /** Discharge from and to. */
  readonly from: number;
  readonly to: number;
  /** What was in it still when it left, in cubic metres. */
  readonly left: number;
  /** That was refused. */
  readonly sentBack: boolean;
  /** Called for on the day: in place of one that was sent back, or since the loads of the plan were used up. */
  readonly extra: boolean;
}

/** When one stop was filled. */
export interface Placed {
  readonly stop: number;
  readonly from: number;
  readonly to: number;
}

/** A stretch in which no concrete was placed, and why. */
export interface Idle {
  readonly from: number;
  readonly to: number;
  readonly why: 'no-truck' | 'change' | 'backing' | 'prime' | 'move' | DayEvent['kind'];
}

/** How one day went. */
export interface Run {
  /** The last concrete is placed. */
  readonly finish: number;
  /** All is done: struck off, bolts set, straightened, washed out. */
  readonly done: number;
  /** Poured to the end; false where the day was called off. */
  readonly complete: boolean;
  /** Longest that a layer waited for the next one, and where. */
  readonly gap: number;
  readonly gapSlice: number | null;
  /** Slices whose layer waited longer than the working time. */
  readonly cold: readonly number[];
  /** Age of the oldest load when its last concrete was placed. */
  readonly age: number;
  /** Minutes that trucks stood before their discharge, added up. */
  readonly waited: number;
  /** Minutes that the crew stood for a truck. */
  readonly stood: number;
  /** What waiting trucks cost; and waiting, pump, crew and wasted concrete together. */
  readonly waitCost: number;
  readonly cost: number;
  readonly extraLoads: number;
  /** Loads that were sent back, for what they were or for their age. */
  readonly refused: number;
  /** Concrete that is paid for and not in the forms, in cubic metres: left over, sent back, or on the road when the day was called off. */
  readonly left: number;
  /** Greatest pressure on the forms, pascals, and the rise there, m/h; null where no pressure can be told. */
  readonly pressure: number | null;
  readonly rise: number;
}

/** A run with everything that happened in it, to be played. */
export interface PlayedRun extends Run {
  readonly trips: readonly Trip[];
  readonly placed: readonly Placed[];
  readonly idle: readonly Idle[];
  readonly events: readonly { readonly event: DayEvent; readonly from: number; readonly to: number }[];
}

/** Where a run that is to be played notes what happened. */
export interface Happened {
  readonly trips: Trip[];
  readonly placed: Placed[];
  readonly idle: Idle[];
  readonly events: { event: DayEvent; from: number; to: number }[];
}
