import type { PlanEdit } from '../plan';
import type { RuleId } from '../rules';

/** `stop`: cannot go on as it stands. `check`: may hurt somebody or cost something. `tip`: good to know. */
export type Severity = 'stop' | 'check' | 'tip';

/** Where a notice points: on screen it can be pressed to go there. */
export interface NoticePlace {
  readonly loop?: string;
  readonly wall?: string;
  readonly corner?: string;
  readonly rule?: string;
  /** The view that deals with it; none for what belongs to the whole job. */
  readonly stage?: string;
  readonly opening?: string;
  readonly insert?: string;
  readonly setting?: 'family' | 'core' | 'courses' | 'height';
}

export interface NoticeFix {
  /** What pressing it does: `Make E–F 28′`. */
  readonly label: string;
  readonly edit: PlanEdit;
}

/** Something wrong, risky or good to know: what, where, why, and a way out where there is one. */
export interface Notice {
  /** Stable for the same matter at the same place. */
  readonly id: string;
  /** The same for every notice of one cause: `steel-bar-through`. */
  readonly kind: string;
  /** The cause in a few words, for several of a kind at once: `Bars run into inserts`. */
  readonly about: string;
  readonly severity: Severity;
  readonly place: NoticePlace;
  /** The place in words: `C–D`, `Walk`, `Courses`. */
  readonly where: string;
  readonly what: string;
  readonly why?: string;
  readonly rule?: RuleId;
  readonly fixes: readonly NoticeFix[];
}
