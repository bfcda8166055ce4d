// First module of every worker thread: Node 20 does not hand the TypeScript loader on to threads.
import { workerData } from 'node:worker_threads';
import { register } from 'tsx/esm/api';

register();
await import(workerData.script);
