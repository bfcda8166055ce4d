import type { PlanEdit } from '../plan';
import type { RuleId } from '../rules';

/** `stop`: cannot be worked as it stands. `mind`: works, but somebody must decide or strap. `tip`: good to know. */
export type Severity = 'stop' | 'mind' | 'tip';

/** Where a notice points: on screen it can be pressed to go there. */
export interface NoticePlace {
  readonly loop?: string;
  readonly wall?: string;
  readonly corner?: string;
  readonly rule?: string;
  /** The stage that it is about, where that is not the outline. */
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
  readonly severity: Severity;
  readonly place: NoticePlace;
  /** The place in words: `C–D`, `Walk`, `Courses`. */
  readonly where: string;
  readonly what: string;
  readonly why?: string;
  readonly rule?: RuleId;
  readonly fixes: readonly NoticeFix[];
}
