import { type Remote, wrap } from 'comlink';
import type { WorkApi } from './work.worker';

let worker: Worker | null = null;
let client: Remote<WorkApi> | null = null;
const listeners = new Set<() => void>();

/** The page's one worker that works plans out; started when it is first asked for. */
export function workClient(): Remote<WorkApi> {
  if (client) return client;
  worker = new Worker(new URL('./work.worker.ts', import.meta.url), { type: 'module' });
  client = wrap<WorkApi>(worker);
  return client;
}

/** Ends the worker in the middle of its work; the next plan gets a new one. */
export function endWorker(): void {
  worker?.terminate();
  worker = null;
  client = null;
  for (const tell of listeners) tell();
}

/** Calls back when the worker was ended; the answer stops that. */
export function onWorkerEnded(tell: () => void): () => void {
  listeners.add(tell);
  return () => {
    listeners.delete(tell);
  };
}
