import type { FamilyFile } from '../../kernel/forms';
import type { UnitSystem } from '../../kernel/measure';
import type { Plan } from '../../kernel/plan/plan';
import type { WallChange } from './wallEdit';

/** The face that the drawing's lengths run to: outside of the form, outside of the concrete, or the wall's centre line. */
export type MeasuredTo = 'form' | 'concrete' | 'centre';

/** A step of the footing along a wall: so far from the wall's first corner it goes up or down by so much. */
export interface FootingStep {
  readonly id: string;
  readonly at: string;
  /** `up 32in`, `down 2 courses`, walking clockwise. */
  readonly step: string;
}

/** From so far along a wall its top is another one. */
export interface TopStep {
  readonly id: string;
  readonly at: string;
  /** `5 courses`, or a height above the lowest footing. */
  readonly top: string;
}

/** A point of a raked top: so far along the wall, its height as `9 courses` or above the lowest footing. */
export interface RakePoint {
  readonly id: string;
  readonly at: string;
  readonly top: string;
}

/**
 * A top that slopes from point to point, level before the first and after the last: blocks cut to the slope, or stepped in whole
 * courses under it.
 */
export interface Rake {
  readonly how: 'cut' | 'stepped';
  readonly points: readonly RakePoint[];
}

/** Cut lengths that a wall's rows are to have, the longer first, instead of those of the six-step rule. */
export interface ChosenCuts {
  readonly odd: readonly string[];
  readonly even: readonly string[];
}

/** How a wall's blocks are joined: running bond with a filler, or cut on one vertical line in every course. */
export type WallBond =
  | {
      readonly kind: 'running';
      readonly cuts?: ChosenCuts;
      /** Whole blocks before the cuts, counted from the wall's first corner; by the house rule where left out. */
      readonly before?: number;
    }
  /** The common seam, from the wall's first corner along the form's outside face. */
  | { readonly kind: 'seam'; readonly at: string };

/** Which of a corner's two walls has the long leg in the first course, walking clockwise. */
export type CornerLead = 'starting-wall' | 'ending-wall';

/** The faces that are flush where a straight wall goes on with another core: both outside ones, both inside ones, or both cores on one middle. */
export type Flush = 'outside' | 'inside' | 'middle';

/** A wall bent to an arc: its radius on the drawn face, and how far it turns. Its length follows. */
export interface WallCurve {
  readonly radius: string;
  /** `right 90` bulges out of a clockwise walk, `left 90` into it. */
  readonly sweep: string;
}

/** A course as it was pulled with the tape: how long the wall came out. */
export interface AsLaid {
  readonly course: number;
  readonly length: string;
}

/** How a wall stands on its footing, where it differs from the job's way: its footing's width, and `out 2in` or `in 2in` off its middle. */
export interface Bearing {
  readonly width?: string;
  readonly offset?: string;
}

/**
 * One row of the walk: a wall's length and the turn at its far end, both as text, so that half-typed rows can be kept.
 * What else hangs on a wall is told in clockwise order, whichever way the rows were walked: its first corner is the one
 * that comes first clockwise.
 */
export interface WalkRow {
  /** Lasting id of the wall; corner letters are only shown. */
  readonly id: string;
  readonly length: string;
  readonly turn: string;
  /** Where the wall is an arc; the row's own length is then not read. */
  readonly curve?: WallCurve;
  /** A core of its own, where it differs from the job's. */
  readonly core?: string;
  /** The face that it shares with the wall before it where both are in one line; by the face that lengths run to where left out. */
  readonly flush?: Flush;
  /** A top of its own, where it differs from the job's: `5 courses`, or a height above the lowest footing. */
  readonly top?: string;
  readonly topSteps?: readonly TopStep[];
  /** Takes the place of its top and top steps. */
  readonly rake?: Rake;
  readonly footing?: readonly FootingStep[];
  readonly bond?: WallBond;
  /** How the corner where this wall starts leads, where it differs from the house rule. */
  readonly lead?: CornerLead;
  readonly asLaid?: readonly AsLaid[];
  readonly bearing?: Bearing;
}

/**
 * An inside wall's ends at other walls. Where it starts at one, at a station of that wall's outside face, it sets out
 * square to it, inward.
 */
export interface LoopTees {
  readonly start?: { readonly wall: string; readonly at: string };
  readonly end?: { readonly wall: string };
}

/** One outline walked from its corner A and, where closed, back to it. The last row's turn is the one at A. */
export interface Loop {
  readonly id: string;
  readonly name?: string;
  readonly closed: boolean;
  /** Its footing at its first corner, above (or, with a minus, below) that of the first outline. */
  readonly base?: string;
  /** Where its first corner lies, to the right of the first outline's and down the plan; left out, it is set beside the others. */
  readonly right?: string;
  readonly down?: string;
  /** For an open walk: the walls that its ends meet, where they are not free. */
  readonly tee?: LoopTees;
  readonly walk: readonly WalkRow[];
}

/** How high the ground is raised beside a wall, above the lowest footing, and with what. */
export interface GroundHeight {
  readonly to: string;
  readonly with: 'fill' | 'slab';
}

/** What is said of the ground on the two sides of a wall; a side that nobody mentions stays as it was. */
export interface GroundSides {
  readonly outside?: GroundHeight;
  readonly inside?: GroundHeight;
}

/** The ground that follows a pour, for all walls, and by wall where it differs. */
export interface PourGround extends GroundSides {
  readonly walls?: Readonly<Record<string, GroundSides>>;
  /** Filled around while the forms are still empty: stacked, backfilled evenly, poured afterwards. */
  readonly before?: boolean;
}

/** A part of the wall that is stacked and poured in one go. */
export interface Pour {
  readonly id: string;
  readonly name?: string;
  /** The last course of this pour, counted from the footing. */
  readonly toCourse: number;
  /** Filled to the top of that course, or to the middle of it where walls go on. */
  readonly top: 'full' | 'half';
  /** What is done on top of it before the next one: backfill, slab. */
  readonly then?: string;
  /** The ground as it is raised after it. */
  readonly ground?: PourGround;
}

/** A row to add. Without an id it is given a fresh one when it is added. */
type NewRow = Omit<WalkRow, 'id'> & Partial<Pick<WalkRow, 'id'>>;

/** What may be set on an outline as a whole; null takes it off again. */
export interface LoopChange {
  readonly name?: string | null;
  readonly closed?: boolean;
  readonly base?: string | null;
  readonly right?: string | null;
  readonly down?: string | null;
  readonly tee?: LoopTees | null;
}

/** Courses from the footing to the top of the last pour. */
export const courseCount = (plan: Plan): number => plan.pours.at(-1)?.toCourse ?? 0;

/** An empty job: one closed loop without rows. */
export function emptyPlan(name: string, units: UnitSystem = 'imperial'): Plan {
  return {
    name,
    units,
    measuredTo: 'form',
    family: 'module-48',
    core: '8in',
    loops: [{ id: 'loop-1', closed: true, walk: [] }],
    pours: [{ id: 'pour-1', toCourse: 6, top: 'full' }],
    rules: {},
  };
}

declare module '../../kernel/plan/plan' {
  interface Plan {
    readonly measuredTo: MeasuredTo;
    /** Id of the form family. */
    readonly family: string;
    /** Core thickness, with its unit. */
    readonly core: string;
    readonly loops: readonly Loop[];
    readonly pours: readonly Pour[];
    /** Height of the walls above the lowest footing, where it is given so and not in courses. */
    readonly height?: string;
    /** Families of the job's own, by the side of those that ship. */
    readonly families?: readonly FamilyFile[];
  }
  interface PlanEdits {
    readonly 'set-measured-to': { readonly kind: 'set-measured-to'; readonly measuredTo: MeasuredTo };
    readonly 'set-family': { readonly kind: 'set-family'; readonly family: string };
    readonly 'set-core': { readonly kind: 'set-core'; readonly core: string };
    readonly 'set-courses': { readonly kind: 'set-courses'; readonly courses: number };
    readonly 'set-row-length': {
      readonly kind: 'set-row-length';
      readonly row: string;
      readonly length: string;
    };
    readonly 'set-row-turn': { readonly kind: 'set-row-turn'; readonly row: string; readonly turn: string };
    readonly 'add-rows': {
      readonly kind: 'add-rows';
      readonly loop: string;
      readonly rows: readonly NewRow[];
      readonly before?: string;
    };
    readonly 'remove-row': { readonly kind: 'remove-row'; readonly row: string };
    /** What else hangs on a wall: core, top, steps, bond, corner, as-laid lengths. */
    readonly 'set-wall': { readonly kind: 'set-wall'; readonly row: string; readonly change: WallChange };
    /** A height for the walls; null goes back to counting courses. */
    readonly 'set-height': { readonly kind: 'set-height'; readonly height: string | null };
    readonly 'set-pours': { readonly kind: 'set-pours'; readonly pours: readonly Pour[] };
    readonly 'add-loop': { readonly kind: 'add-loop'; readonly loop: string; readonly name?: string };
    readonly 'remove-loop': { readonly kind: 'remove-loop'; readonly loop: string };
    readonly 'set-loop': { readonly kind: 'set-loop'; readonly loop: string; readonly change: LoopChange };
    /** Adds a family of the job's own, or puts it in the place of the one with its id. */
    readonly 'put-family': { readonly kind: 'put-family'; readonly family: FamilyFile };
    readonly 'remove-family': { readonly kind: 'remove-family'; readonly family: string };
    readonly 'turn-walk-round': { readonly kind: 'turn-walk-round'; readonly loop: string };
  }
}
