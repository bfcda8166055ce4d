import type { Plan } from '@ombra/core/kernel/plan';
import { type Entry, recordOf } from '@ombra/core/kernel/record';
import { type WorkedPlan, work } from '@ombra/core/work';
import { wholeLog } from './entryStore';
import type { Services } from './services';

/** A stored job worked out for paper. */
interface Sheet {
  readonly plan: Plan;
  readonly worked: WorkedPlan;
  readonly jobId: string;
  readonly version: number;
  readonly savedAt: string;
  readonly entries: readonly Entry[];
}

/** The job of a sheet's address, worked; null where there is none. What could not be read of its plan is left out. */
export async function sheetOf(services: Services, id: string): Promise<Sheet | null> {
  const job = await services.jobs.get(id);
  if (!job) return null;
  const entries = (await wholeLog(services.entries, id)).map(({ entry }) => entry);
  return {
    plan: job.plan,
    entries,
    worked: work({ ...job.plan, ...recordOf(entries) }),
    jobId: job.id,
    version: job.version,
    savedAt: job.updatedAt,
  };
}
