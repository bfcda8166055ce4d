import { Worker, type WorkerOptions } from 'node:worker_threads';

/** The script of a thread, as the build lays it beside the server's. */
export const threadScript = (name: 'heavyWorker' | 'dailyWorker' | 'outlineWorker'): URL =>
  new URL(`./${name}.mjs`, import.meta.url);

/** Starts a script in a thread of its own; what it is given stands in its `workerData`. */
export const startThread = (script: URL, data: object, options: WorkerOptions = {}): Worker =>
  new Worker(script, { ...options, workerData: data });
