import { readPlan } from '@ombra/core/planFile';
import type { Plan, PlanProblem, PlanReading } from '@ombra/core/kernel/plan';
import type { APIRoute } from 'astro';
import { type Refusal, LARGEST_BODY, LARGEST_PLAN, LONGEST_DRAIN, tooLarge } from './guard';
import { storedText } from './jobStore';

/** What every refused request gets: where it went wrong, what is wrong and what to do, in plain words. */
export interface Problem {
  readonly where: string;
  readonly what: string;
}

export const json = (body: unknown, status = 200): Response =>
  new Response(JSON.stringify(body), {
    status,
    headers: { 'Content-Type': 'application/json; charset=utf-8', 'Cache-Control': 'no-store' },
  });

export const refuse = (status: number, ...problems: readonly Problem[]): Response =>
  json({ problems }, status);

/** Under whose name something is saved; nothing on the machine itself. */
export const signed = ({ person }: App.Locals): { readonly by?: string } =>
  person ? { by: person.name } : {};

export const noSuchJob = (id: string): Response =>
  refuse(404, {
    where: 'job',
    what: `There is no job “${id.slice(0, 60)}”; it may have been removed. See the list of jobs.`,
  });

type BodyReading =
  | { readonly ok: true; readonly body: Readonly<Record<string, unknown>> }
  | { readonly ok: false; readonly answer: Response };

/** The answer to every method that an endpoint does not have. */
export const only =
  (...methods: readonly string[]): APIRoute =>
  ({ request }) => {
    const answer = refuse(405, {
      where: 'method',
      what: `${request.method} does nothing here; this address takes ${methods.join(' and ')}.`,
    });
    answer.headers.set('Allow', [...methods, ...(methods.includes('GET') ? ['HEAD'] : [])].join(', '));
    return answer;
  };

/** A refusal without the parts that only the server uses. */
const refused = ({ status, where, what }: Refusal): BodyReading => ({
  ok: false,
  answer: refuse(status, { where, what }),
});

/** The bytes of a request’s body; null where they are more than is read. Counts them as they come. */
export async function readBytes(request: Request, largest = LARGEST_BODY): Promise<Uint8Array | null> {
  const chunks: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  while (reader) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size > Math.max(largest, LONGEST_DRAIN)) {
      await reader.cancel();
      break;
    }
    // What is too much is let run out unread: a sender cut off in the middle would never hear the answer.
    if (size > largest) chunks.length = 0;
    else chunks.push(value);
  }
  return size > largest ? null : Buffer.concat(chunks);
}

/** Reads a JSON object from a request, or says plainly why there is none. Counts bytes as they come. */
export async function readBody(request: Request): Promise<BodyReading> {
  if (!(request.headers.get('content-type') ?? '').startsWith('application/json')) {
    return refused({ status: 415, where: 'Content-Type', what: 'Send this as application/json.' });
  }
  const bytes = await readBytes(request);
  if (bytes === null) return refused(tooLarge);
  try {
    const body: unknown = JSON.parse(Buffer.from(bytes).toString('utf8'));
    if (typeof body === 'object' && body !== null && !Array.isArray(body)) {
      return { ok: true, body: body as Record<string, unknown> };
    }
  } catch {
    // Falls through to the one answer for everything that is not a JSON object.
  }
  return refused({
    status: 422,
    where: 'the request',
    what: 'This is not a readable JSON object; check what was sent.',
  });
}

/** Reads the plan in a request body; a malformed one is refused with every problem and its place. */
export function readSentPlan(
  plan: unknown,
): Extract<PlanReading, { ok: true }> | { ok: false; answer: Response } {
  const reading = readPlan(plan);
  if (reading.ok) {
    const tooMuch = Buffer.byteLength(storedText(reading.plan)) > LARGEST_PLAN;
    return tooMuch
      ? { ok: false, answer: refuse(tooLarge.status, { where: tooLarge.where, what: tooLarge.what }) }
      : reading;
  }
  const problems: readonly PlanProblem[] = reading.problems;
  return { ok: false, answer: refuse(422, ...problems) };
}

/** Reads the plan of a save and the id under which it comes. */
export function readSave({
  saveId,
  plan,
}: Readonly<Record<string, unknown>>):
  | { readonly ok: true; readonly save: { readonly saveId: string; readonly plan: Plan } }
  | { readonly ok: false; readonly answer: Response } {
  if (typeof saveId !== 'string' || !/^[\w-]{1,60}$/.test(saveId)) {
    const what = 'Give this save an id of its own: up to 60 letters, digits, - or _.';
    return { ok: false, answer: refuse(422, { where: 'saveId', what }) };
  }
  const sent = readSentPlan(plan);
  return sent.ok ? { ok: true, save: { saveId, plan: sent.plan } } : sent;
}
