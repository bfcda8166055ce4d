import type { KeptEntry } from '../entryStore';
import type { StoredJob } from '../jobStore';

/** What the worker is asked: an address of one job, the job as it stands, and its log. */
export interface HeavyRequest {
  readonly url: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly job: StoredJob;
  readonly entries: readonly KeptEntry[];
}

/** What it answers, ready to be sent. */
export interface HeavyAnswer {
  readonly status: number;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: Uint8Array;
}

export type HeavyMessage =
  | { readonly kind: 'ready' }
  | { readonly kind: 'answer'; readonly answer: HeavyAnswer }
  /** Progress: steps done, of all steps. */
  | { readonly kind: 'progress'; readonly done: number; readonly of: number }
  | { readonly kind: 'failed'; readonly message: string };
