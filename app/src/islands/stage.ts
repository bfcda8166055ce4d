import type { Place } from './job/place';
import type { Job } from './job/useJob';

/** What every stage is given: the job, where the user is in it, and a way to move. */
export interface StageProps {
  readonly job: Job;
  readonly place: Place;
  readonly onPlace: (change: Partial<Place>) => void;
}

/** Stages in the order of the work. */
export const STAGES = [
  { id: 'outline', name: 'Outline' },
  { id: 'footing', name: 'Footing' },
  { id: 'courses', name: 'Courses' },
  { id: 'openings', name: 'Openings' },
  { id: 'steel', name: 'Steel' },
  { id: 'bracing', name: 'Bracing' },
  { id: 'pour', name: 'Pour' },
  { id: 'forms', name: 'Forms' },
] as const;

export type StageId = (typeof STAGES)[number]['id'];

export const isStage = (id: string | undefined): id is StageId => STAGES.some((stage) => stage.id === id);
