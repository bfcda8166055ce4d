import { type Remote, wrap } from 'comlink';
import type { WorkApi } from './work.worker';

let client: Remote<WorkApi> | null = null;

/** The page's one worker that works plans out; started when it is first asked for. */
export const workClient = (): Remote<WorkApi> =>
  (client ??= wrap<WorkApi>(new Worker(new URL('./work.worker.ts', import.meta.url), { type: 'module' })));
