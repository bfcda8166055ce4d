import { parentPort, workerData } from 'node:worker_threads';
import { type OutlineAsk, readOutline } from './readOutline';

/** Reads one file and ends: what a file of strangers does to the memory ends with it. */
const { bytes, ask } = workerData as { readonly bytes: Uint8Array; readonly ask: OutlineAsk };
parentPort?.postMessage(await readOutline(bytes, ask));
