import type { Plan } from '@ombra/core/kernel/plan';
import { type WorkedPlan, work } from '@ombra/core/work';
import type { Services } from './services';

/** A stored job worked out for paper. */
interface Sheet {
  readonly plan: Plan;
  readonly worked: WorkedPlan;
  readonly jobId: string;
  readonly version: number;
  readonly savedAt: string;
}

/** The job of a sheet's address, worked; null where there is none. What could not be read of its plan is left out. */
export async function sheetOf(services: Services, id: string): Promise<Sheet | null> {
  const job = await services.jobs.get(id);
  if (!job) return null;
  return {
    plan: job.plan,
    worked: work(job.plan),
    jobId: job.id,
    version: job.version,
    savedAt: job.updatedAt,
  };
}
