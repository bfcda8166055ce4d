import { Worker, type WorkerOptions } from 'node:worker_threads';

/** Starts a TypeScript module in a thread of its own; what it is given stands in its `workerData`. */
export const startThread = (script: URL, data: object, options: WorkerOptions = {}): Worker =>
  new Worker(new URL('./threadEntry.mjs', import.meta.url), {
    ...options,
    workerData: { ...data, script: script.href },
  });
