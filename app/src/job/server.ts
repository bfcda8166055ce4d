import { writePlan } from '@ombra/core/plan';
import type { Plan } from '@ombra/core/kernel/plan';
import { type Problem, UNREACHABLE, call } from './call';
import type { PendingSave, SendOutcome } from './sync';

export type { Problem } from './call';

interface Answer {
  readonly version?: number;
  readonly job?: { readonly id: string };
  readonly current?: { readonly version: number; readonly name: string; readonly updatedAt: string };
  readonly problems?: readonly Problem[];
  readonly newest?: { readonly version: number; readonly plan: Plan } | null;
}

async function ask(
  method: string,
  path: string,
  body?: unknown,
): Promise<{ readonly status: number; readonly answer: Answer }> {
  const { status, answer } = await call(method, path, body);
  return { status, answer: answer as Answer };
}

/** Sends one save; a server that cannot be reached or breaks is tried again later. */
export async function sendSave({ jobId, baseVersion, saveId, plan }: PendingSave): Promise<SendOutcome> {
  try {
    const { status, answer } = await ask('PUT', `/api/jobs/${jobId}`, {
      baseVersion,
      saveId,
      plan: writePlan(plan),
    });
    if (status === 200 && answer.version !== undefined) return { kind: 'saved', version: answer.version };
    if (status === 409 && answer.current) return { kind: 'stale', ...answer.current };
    if (status === 409) return { kind: 'reused' };
    if (status === 404) return { kind: 'missing' };
    // Sent again after signing in.
    if (status >= 500 || status === 401) return { kind: 'unreachable' };
    return { kind: 'refused', problems: answer.problems ?? [] };
  } catch {
    return { kind: 'unreachable' };
  }
}

/** Keeps a plan in the history of its job; false where that failed. */
export async function setAside({ jobId, saveId, plan }: PendingSave): Promise<boolean> {
  try {
    const { status } = await ask('POST', `/api/jobs/${jobId}/revisions`, {
      saveId,
      plan: writePlan(plan),
    });
    // A job that is gone has no history to keep it in.
    return status === 201 || status === 404;
  } catch {
    return false;
  }
}

/** The newest state of a job, where it is newer than a version. */
export async function newestOf(
  jobId: string,
  since: number,
): Promise<{ readonly version: number; readonly plan: Plan } | null> {
  try {
    const { status, answer } = await ask('GET', `/api/jobs/${jobId}/newest?since=${String(since)}`);
    return status === 200 ? (answer.newest ?? null) : null;
  } catch {
    return null;
  }
}

type Made =
  { readonly ok: true; readonly id: string } | { readonly ok: false; readonly problems: readonly Problem[] };

async function make(body: unknown): Promise<Made> {
  try {
    const { answer } = await ask('POST', '/api/jobs', body);
    return answer.job
      ? { ok: true, id: answer.job.id }
      : { ok: false, problems: answer.problems ?? [UNREACHABLE] };
  } catch {
    return { ok: false, problems: [UNREACHABLE] };
  }
}

/** A new job from a plan; `id` makes it safe to send again. */
export const makeJob = (plan: Plan, id: string): Promise<Made> => make({ id, plan: writePlan(plan) });

/** A new job from the text of a plan file. */
export async function makeJobFromFile(text: string): Promise<Made> {
  let plan: unknown;
  try {
    plan = JSON.parse(text.replace(/^\ufeff/, ''));
  } catch {
    return {
      ok: false,
      problems: [{ where: 'the file', what: 'This is not readable JSON; choose a plan file.' }],
    };
  }
  return make({ plan });
}

/** A new job from a packed one, with its log and pictures. */
export async function makeJobFromZip(file: Blob): Promise<Made> {
  try {
    const response = await fetch('/api/import/job', {
      method: 'POST',
      headers: { 'Content-Type': 'application/zip' },
      body: file,
    });
    const answer = (await response.json()) as {
      readonly job?: { readonly id: string };
      readonly problems?: readonly Problem[];
    };
    return answer.job
      ? { ok: true, id: answer.job.id }
      : { ok: false, problems: answer.problems ?? [UNREACHABLE] };
  } catch {
    return { ok: false, problems: [UNREACHABLE] };
  }
}

export const makeEmptyJob = (name: string, id: string): Promise<Made> => make({ name, id });

/** Takes a job off the list or brings it back; false where that failed. */
export async function setRemoved(id: string, removed: boolean): Promise<boolean> {
  try {
    const { status } = await (removed
      ? ask('DELETE', `/api/jobs/${id}`)
      : ask('POST', `/api/jobs/${id}/restore`, {}));
    return status === 200;
  } catch {
    return false;
  }
}

/** A job as the list shows it. */
export interface ListedJob {
  readonly id: string;
  readonly name: string;
  /** When it was last saved, as the server writes it. */
  readonly updatedAt: string;
}

export interface JobPage {
  readonly jobs: readonly ListedJob[];
  readonly total: number;
}

/** A page of jobs; null where the server does not answer. */
export async function listJobs(query: {
  readonly search: string;
  readonly from: number;
  readonly removed: boolean;
}): Promise<JobPage | null> {
  const asked = new URLSearchParams({ search: query.search, from: String(query.from) });
  if (query.removed) asked.set('removed', '');
  try {
    const response = await fetch(`/api/jobs?${asked.toString()}`);
    return response.ok ? ((await response.json()) as JobPage) : null;
  } catch {
    return null;
  }
}
