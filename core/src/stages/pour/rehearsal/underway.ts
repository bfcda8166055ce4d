/** A layer as it lies when the day is taken up: minutes from the start, depths in metres. */
export interface Layer {
  /** Number of its place, as stops have it. */
  readonly slice: number;
  /** When the first concrete there was placed, and how deep it was. */
  readonly firstEnd: number;
  readonly firstDepth: number;
  /** When the last one was, and how deep all of it is. */
  readonly last: number;
  readonly depth: number;
}

/** A truck that is on site. */
export interface OnSite {
  readonly batched: number;
  readonly arrived: number;
  /** Cubic metres that are still in it. */
  readonly size: number;
  /** Called for on the day. */
  readonly extra: boolean;
}

/**
 * A day that is under way. What of the walls is still to be filled are the stops of the day that is played from here; its loads are
 * those of the whole day.
 */
export interface Underway {
  /** Where the clock stands, or from when on concrete is placed again. */
  readonly clock: number;
  readonly layers: readonly Layer[];
  /** The truck that discharges, and since when; null between two. */
  readonly hose: (OnSite & { readonly began: number }) | null;
  /** When the last truck left the hose; null before the first one did. */
  readonly left: number | null;
  readonly waiting: readonly OnSite[];
  /** Loads of the plan that have come, and loads in all that have been at the hose. */
  readonly planned: number;
  readonly trips: number;
  /** Minutes at which the trucks of the rotation are back at the plant, trip by trip. */
  readonly back: readonly number[];
  /** When the plant may load the next one. */
  readonly plantFree: number;
  /** Loads that were called for and have not come; cubic metres. */
  readonly called: readonly { readonly at: number; readonly volume: number }[];
  /** Whether the last load of the plan was ordered with its volume. */
  readonly settled: boolean;
  /** Minutes by which the plant brings the loads to come later than planned; earlier below zero. */
  readonly shift: number;
  readonly firstPlaced: number;
  /** What the forms take over the drawings, as far as it is known by now, and by how much that may be off. */
  readonly swell: { readonly mean: number; readonly spread: number };
  /** The crew's pace against that of the rules as far as it is known, and the share by which that may be off. */
  readonly pace: { readonly mean: number; readonly spread: number };
}
