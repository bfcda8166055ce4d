import type { UnitSystem } from '../measure';
import type { RuleOverrides } from '../rules';

export const PLAN_FORMAT = 'ombra.plan';
/** The newest version of the plan document that this code reads and the one that it writes. */
export const PLAN_VERSION = 2;

/**
 * The plan of a job as Ombra keeps it: always with ids, whatever short forms a file used. This is the frame; every stage adds
 * its own part beside its types (`declare module`).
 */
export interface Plan {
  readonly name: string;
  readonly units: UnitSystem;
  readonly rules: RuleOverrides;
  /** Notices that somebody has seen and accepted. */
  readonly setAside?: readonly SetAside[];
}

/** Letters of a notice that a plan keeps, and notices that can be set aside in one job. [ours] */
export const MOST_KEPT_OF_NOTICE = { id: 300, what: 2_000, word: 300, notices: 5_000 } as const;

/** A notice that somebody has seen and accepted, with their word for it. */
export interface SetAside {
  /** The notice's id. */
  readonly notice: string;
  /** What it said. If that changes, the notice is shown again. */
  readonly what: string;
  /** Why it can stand, in the words of whoever set it aside; may be empty. */
  readonly word: string;
}

/** What a user can do to a plan, by kind. Every stage adds the edits of its part. */
export interface PlanEdits {
  readonly rename: { readonly kind: 'rename'; readonly name: string };
  readonly 'set-units': { readonly kind: 'set-units'; readonly units: UnitSystem };
  readonly 'set-rule': {
    readonly kind: 'set-rule';
    readonly rule: string;
    readonly value: string | number | null;
  };
  /** Sets notices aside with a word, or changes the word of those that are. */
  readonly 'set-aside': {
    readonly kind: 'set-aside';
    readonly notices: readonly Pick<SetAside, 'notice' | 'what'>[];
    readonly word: string;
  };
  /** Tells notices again that were set aside. */
  readonly 'bring-back': { readonly kind: 'bring-back'; readonly notices: readonly string[] };
  readonly all: { readonly kind: 'all'; readonly edits: readonly PlanEdit[] };
}

/** What a user can do to a plan. Every edit is plain data: it can be kept, sent, and offered as the fix of a notice. */
export type PlanEdit = PlanEdits[keyof PlanEdits];

/** Something to add that may come without its id; it is given a fresh one when it is added. */
export type NewThing<Thing extends { readonly id: string }> = Omit<Thing, 'id'> & Partial<Pick<Thing, 'id'>>;
