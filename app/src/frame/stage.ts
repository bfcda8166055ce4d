import type { WorkedKey } from '@ombra/core/kernel/engine';
import type { Plan } from '@ombra/core/kernel/plan';
import type { Entry } from '@ombra/core/kernel/record';
import type { WorkedPlan } from '@ombra/core/worked';
import type { ComponentType } from 'react';
import type { Place, PlaceChange } from '../job/place';
import type { Job } from '../job/useJob';

/** What every stage is given: the job, where the user is in it, and a way to move. */
export interface StageProps {
  readonly job: Job;
  readonly place: Place;
  readonly onPlace: (change: PlaceChange) => void;
  readonly onStage: (stage: string) => void;
}

/** What every sheet is given: the job, worked, the state that it is printed from, and what its address asks for. */
export interface SheetProps {
  readonly plan: Plan;
  readonly worked: WorkedPlan;
  readonly jobId: string;
  readonly version: number;
  readonly savedAt: string;
  readonly asked: URLSearchParams;
  /** The site’s log. */
  readonly entries: readonly Entry[];
}

/** What every view shows: the walls, the strip with what stands on it, and the tally. */
export const FRAME_SHOWS: readonly WorkedKey[] = [
  'shell',
  'levels',
  'openings',
  'courses',
  'inserts',
  'tally',
];

/** A sheet to print. */
export interface SheetView {
  /** Its place in the address. */
  readonly path: string;
  readonly name: string;
  readonly title: string;
  readonly load: () => Promise<ComponentType<SheetProps>>;
}

/** How a stage is seen: as a view of the job, on sheets, or both. */
export interface StageView {
  readonly id: string;
  readonly name: string;
  /** Its view; left out where it is only printed. */
  readonly view?: {
    /** What it shows of the worked plan besides what every view does (`FRAME_SHOWS`); what that is made from is there as well. */
    readonly shows: readonly WorkedKey[];
    /** Its parts, side by side, in the order of the work. */
    readonly panels?: readonly { readonly id: string; readonly name: string }[];
    /** Fetched when it is first looked at, or a moment after the first view. */
    readonly load: () => Promise<ComponentType<StageProps>>;
    /** Belongs to the job’s settings, not to the order of work. */
    readonly setting?: true;
  };
  /** Over its house rules: another name than its own, and the stages without a view whose rules stand there too. */
  readonly rules?: { readonly name: string; readonly of?: readonly string[] };
  readonly sheets?: readonly SheetView[];
  /** Which of the sheets is printed from here; the courses' where left out. */
  readonly prints?: string;
}
