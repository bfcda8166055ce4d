import type { Worker } from 'node:worker_threads';
import { startThread } from '../thread';
import type { HeavyAnswer, HeavyMessage, HeavyRequest } from './messages';

export type HeavyOutcome =
  | { readonly kind: 'answer'; readonly answer: HeavyAnswer }
  /** Over the time limit, or out of memory. */
  | { readonly kind: 'too-much' }
  /** The client closed the request. */
  | { readonly kind: 'cancelled' }
  | { readonly kind: 'failed'; readonly message: string };

/** What goes with a request while it is under way. */
export interface HeavyWatch {
  /** Cancels the work when the client closes the request. */
  readonly signal?: AbortSignal;
  readonly onProgress?: (done: number, of: number) => void;
}

/** Workers of sheets and lists. */
export interface HeavyPool {
  readonly ask: (request: HeavyRequest, watch?: HeavyWatch) => Promise<HeavyOutcome>;
  /** Starts a worker ahead of the first that asks. */
  readonly warm: () => void;
  readonly close: () => Promise<void>;
}

export interface HeavyLimits {
  /** Milliseconds that one answer may take once its worker has begun. */
  readonly time: number;
  /** Milliseconds that a cancelled request may still run once others wait for a worker; then its own is terminated. */
  readonly grace: number;
  readonly workers: number;
  readonly megabytes: number;
}

/** Twenty seconds for a sheet that takes one; three at once on any machine, more than which wait. [ours] */
const HEAVY_LIMITS: HeavyLimits = { time: 20_000, grace: 500, workers: 3, megabytes: 700 };

interface Waiting {
  readonly request: HeavyRequest;
  readonly watch: HeavyWatch;
  readonly done: (outcome: HeavyOutcome) => void;
}

/**
 * Starts workers when they are first asked for, gives each one request at a time, and ends one that takes too long: a job that
 * cannot be worked delays only the request for it.
 *
 * @param script the worker's module
 * @param data what it is started with
 */
export function makeHeavyPool(script: URL, data: object, limits: HeavyLimits = HEAVY_LIMITS): HeavyPool {
  const idle: Worker[] = [];
  const all = new Set<Worker>();
  const queue: Waiting[] = [];
  let closed = false;

  const start = (): Worker => {
    const worker = startThread(script, data, {
      resourceLimits: { maxOldGenerationSizeMb: limits.megabytes },
    });
    all.add(worker);
    worker.once('exit', () => {
      all.delete(worker);
      const at = idle.indexOf(worker);
      if (at >= 0) idle.splice(at, 1);
      next();
    });
    // The request under way reports a worker's failure; the pool forgets an idle one that dies.
    worker.on('error', () => undefined);
    return worker;
  };

  const run = (worker: Worker, { request, watch, done }: Waiting, fresh: boolean): void => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let began = 0;
    let cancelled = false;
    const finish = (outcome: HeavyOutcome, reuse: boolean): void => {
      clearTimeout(timer);
      worker.off('message', onMessage);
      worker.off('error', onError);
      worker.off('exit', onExit);
      watch.signal?.removeEventListener('abort', onAbort);
      if (!cancelled) done(outcome);
      if (reuse && !closed) {
        idle.push(worker);
        next();
      } else void worker.terminate();
    };
    const end = (): void => {
      finish({ kind: 'too-much' }, false);
    };
    const begin = (): void => {
      if (cancelled) {
        finish({ kind: 'cancelled' }, true);
        return;
      }
      began = performance.now();
      timer = setTimeout(end, limits.time);
      worker.postMessage(request);
    };
    const onMessage = (message: HeavyMessage): void => {
      if (message.kind === 'ready') begin();
      else if (message.kind === 'progress') watch.onProgress?.(message.done, message.of);
      else if (message.kind === 'answer') finish({ kind: 'answer', answer: message.answer }, true);
      else finish({ kind: 'failed', message: message.message }, true);
    };
    const onError = (error: Error & { code?: string }): void => {
      const full = error.code === 'ERR_WORKER_OUT_OF_MEMORY';
      finish(full ? { kind: 'too-much' } : { kind: 'failed', message: error.message }, false);
    };
    const onExit = (): void => {
      finish({ kind: 'failed', message: 'The worker ended.' }, false);
    };
    /**
     * Work under way is stopped only by ending its worker, and a new worker takes longer to start than most work takes. So cancelled work
     * goes on, up to the time limit, until another request waits for a worker.
     */
    const endWhenWanted = (): void => {
      clearTimeout(timer);
      const left = began + limits.time - performance.now();
      timer = setTimeout(
        () => {
          if (queue.length > 0 || left <= limits.grace) end();
          else endWhenWanted();
        },
        Math.min(limits.grace, left),
      );
    };
    const onAbort = (): void => {
      cancelled = true;
      done({ kind: 'cancelled' });
      if (timer !== undefined) endWhenWanted();
    };
    watch.signal?.addEventListener('abort', onAbort);
    worker.on('message', onMessage);
    worker.once('error', onError);
    worker.once('exit', onExit);
    if (!fresh) begin();
  };

  const next = (): void => {
    while (queue.length > 0 && !closed) {
      if (queue[0]?.watch.signal?.aborted === true) {
        queue.shift()?.done({ kind: 'cancelled' });
        continue;
      }
      const ready = idle.pop();
      if (!ready && all.size >= limits.workers) return;
      run(ready ?? start(), queue.shift() as Waiting, !ready);
    }
  };

  const warm = (): void => {
    if (all.size > 0 || closed) return;
    const worker = start();
    worker.once('message', () => {
      if (closed) return;
      idle.push(worker);
      next();
    });
  };

  return {
    warm,
    ask: (request, watch = {}) =>
      new Promise((done) => {
        queue.push({ request, watch, done });
        next();
      }),
    close: async () => {
      closed = true;
      await Promise.all([...all].map((worker) => worker.terminate()));
    },
  };
}
