import type { Plan } from '@ombra/core/kernel/plan';
import type { LaidRowRecord } from '@ombra/core/kernel/record';
import type { OtherwiseLaid } from '@ombra/core/trials/asLaid';
import { wrap } from 'comlink';
import type { BestApi } from '../../../workers/best.worker';

/** Works out, in a worker of its own, how a course stands that was laid otherwise than planned. */
export async function asLaid(plan: Plan, how: OtherwiseLaid): Promise<readonly LaidRowRecord[]> {
  const worker = new Worker(new URL('../../../workers/best.worker.ts', import.meta.url), { type: 'module' });
  try {
    return await wrap<BestApi>(worker).rowsAsLaid(plan, how);
  } finally {
    worker.terminate();
  }
}
