import { wrap } from 'comlink';
import type { WorkApi } from './work.worker';

/** Starts the worker that works plans out. */
export function startWorkClient() {
  const worker = new Worker(new URL('./work.worker.ts', import.meta.url), { type: 'module' });
  return wrap<WorkApi>(worker);
}
