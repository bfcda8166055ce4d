import type { WorkedKey } from '@ombra/core/kernel/engine';
import type { WorkedPlan } from '@ombra/core/work';

/** Where the server tells what it has worked of a job. */
export const workedAddress = (jobId: string, shows: readonly WorkedKey[]): string =>
  `/api/jobs/${jobId}/worked?of=${shows.join(',')}`;

/**
 * What the server has worked of a job for the view that is opened: it has all at hand, while the page still fetches what works plans
 * out. Null where it has another version by now, or cannot tell.
 */
export async function workedByServer(
  job: { readonly id: string; readonly version: number },
  shows: readonly WorkedKey[],
): Promise<WorkedPlan | null> {
  try {
    const response = await fetch(workedAddress(job.id, shows));
    if (!response.ok) return null;
    const { version, worked } = (await response.json()) as {
      readonly version: number;
      readonly worked: Omit<WorkedPlan, 'notices'>;
    };
    return version === job.version ? { ...worked, notices: [] } : null;
  } catch {
    return null;
  }
}
