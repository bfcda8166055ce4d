import type { StoredJob } from '../jobStore';

/** What the worker is asked: an address of one job, and the job as it stands. */
export interface HeavyRequest {
  readonly url: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly job: StoredJob;
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
  | { readonly kind: 'failed'; readonly message: string };
