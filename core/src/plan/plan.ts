import type { UnitSystem } from '../measure';
import type { RuleOverrides } from '../rules';

export const PLAN_FORMAT = 'ombra.plan';
/** The newest version of the plan document that this code reads and the one that it writes. */
export const PLAN_VERSION = 1;

/** The face that the drawing's lengths run to: outside of the form, outside of the concrete, or the wall's centre line. */
export type MeasuredTo = 'form' | 'concrete' | 'centre';

/** One row of the walk: a wall's length and the turn at its far end, both as text, so that half-typed rows can be kept. */
export interface WalkRow {
  /** Lasting id of the wall; corner letters are only shown. */
  readonly id: string;
  readonly length: string;
  readonly turn: string;
  /** A core of its own, where it differs from the job's. */
  readonly core?: string;
}

/** One outline walked from its corner A and, where closed, back to it. The last row's turn is the one at A. */
export interface Loop {
  readonly id: string;
  readonly name?: string;
  readonly closed: boolean;
  readonly walk: readonly WalkRow[];
}

/** A part of the wall that is stacked and poured in one go. */
export interface Stage {
  readonly id: string;
  readonly name?: string;
  /** The last course of this stage, counted from the footing. */
  readonly toCourse: number;
  /** Filled to the top of that course, or to the middle of it where walls go on. */
  readonly top: 'full' | 'half';
}

/** The plan of a job as Ombra keeps it: always with loops, stages and ids, whatever short forms a file used. */
export interface Plan {
  readonly name: string;
  readonly units: UnitSystem;
  readonly measuredTo: MeasuredTo;
  /** Id of the form family. */
  readonly family: string;
  /** Core thickness, with its unit. */
  readonly core: string;
  readonly loops: readonly Loop[];
  readonly stages: readonly Stage[];
  readonly rules: RuleOverrides;
}

/** Courses from the footing to the top of the last stage. */
export const courseCount = (plan: Plan): number => plan.stages.at(-1)?.toCourse ?? 0;

/** An empty job: one closed loop without rows. */
export function emptyPlan(name: string, units: UnitSystem = 'imperial'): Plan {
  return {
    name,
    units,
    measuredTo: 'form',
    family: 'module-48',
    core: '8in',
    loops: [{ id: 'loop-1', closed: true, walk: [] }],
    stages: [{ id: 'stage-1', toCourse: 6, top: 'full' }],
    rules: {},
  };
}
