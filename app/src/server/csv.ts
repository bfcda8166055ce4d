import type { Plan } from '@ombra/core/kernel/plan';
import type { WorkedPlan } from '@ombra/core/work';
import { noSuchJob } from './answers';
import type { Services } from './services';
import { sheetOf } from './sheets';

/** A list of a stored job as a CSV file to save, or the answer that there is no such job. */
export async function csvOf(
  services: Services,
  id: string,
  name: string,
  write: (plan: Plan, worked: WorkedPlan) => string,
): Promise<Response> {
  const job = await sheetOf(services, id);
  if (!job) return noSuchJob(id);
  return new Response(write(job.plan, job.worked), {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8',
      'Content-Disposition': `attachment; filename="${name}.csv"`,
    },
  });
}
