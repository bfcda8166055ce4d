import type { EntryBody, EntryKind, EntryPlace } from '@ombra/core/kernel/record';
import type { WorkedPlan } from '@ombra/core/worked';
import type { Job } from '../../../job/useJob';

/** What a form of an entry is given. */
export interface EntryFormProps<Kind extends EntryKind> {
  readonly job: Job;
  readonly worked: WorkedPlan;
  /** The day that is offered. */
  readonly day: string;
  /** What is being corrected; null for a new entry. */
  readonly initial: EntryBody<Kind> | null;
  readonly onWrite: (body: EntryBody<Kind>, place?: EntryPlace) => void;
}
