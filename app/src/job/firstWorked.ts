import type { WorkedKey } from '@ombra/core/kernel/engine';
import type { WorkedPlan } from '@ombra/core/work';
import { call } from './call';

/** Where the server tells what it has worked of a job. */
export const workedAddress = (jobId: string, shows: readonly WorkedKey[]): string =>
  `/api/jobs/${jobId}/worked?of=${shows.join(',')}`;

interface Answer {
  readonly version: number;
  readonly worked: Omit<WorkedPlan, 'notices'>;
}

/** A request, and its answer once it has come. */
interface Asked {
  readonly coming: Promise<Answer | null>;
  come?: Answer | null;
}

/** Requests under way or answered, by address; each is used once. */
const asked = new Map<string, Asked>();

async function fetched(address: string): Promise<Answer | null> {
  try {
    const { status, answer } = await call('GET', address);
    return status === 200 ? (answer as Answer) : null;
  } catch {
    return null;
  }
}

/** Asks for what a view shows, while the page is still being put together. */
export function askWorked(jobId: string, shows: readonly WorkedKey[]): void {
  const address = workedAddress(jobId, shows);
  const one: Asked = { coming: fetched(address) };
  asked.set(address, one);
  void one.coming.then((answer) => {
    one.come = answer;
  });
}

interface OfVersion {
  readonly id: string;
  readonly version: number;
}

const ofVersion = (answer: Answer | null | undefined, { version }: OfVersion): WorkedPlan | null =>
  answer?.version === version ? { ...answer.worked, notices: [] } : null;

/** What has already come of what was asked for; null where nothing has, or of another version. */
export const workedAtHand = (job: OfVersion, shows: readonly WorkedKey[]): WorkedPlan | null =>
  ofVersion(asked.get(workedAddress(job.id, shows))?.come, job);

/**
 * What the server has worked of a job for the view that is opened: it has all at hand, while the page still fetches what works plans
 * out. Null where it has another version by now, or cannot tell.
 */
export async function workedByServer(
  job: OfVersion,
  shows: readonly WorkedKey[],
): Promise<WorkedPlan | null> {
  const address = workedAddress(job.id, shows);
  if (!asked.has(address)) askWorked(job.id, shows);
  const answer = await asked.get(address)?.coming;
  asked.delete(address);
  return ofVersion(answer, job);
}
