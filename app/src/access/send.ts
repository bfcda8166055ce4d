import { type Problem, UNREACHABLE, call } from '../job/call';

type Sent =
  | { readonly ok: true; readonly body: Readonly<Record<string, unknown>> }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** Sends JSON and reads the answer; what went wrong comes back in words. */
export async function send(method: 'GET' | 'POST' | 'PUT', path: string, body?: unknown): Promise<Sent> {
  try {
    const { status, answer: read } = await call(method, path, body);
    const answer = read as Readonly<Record<string, unknown>>;
    if (status < 400) return { ok: true, body: answer };
    return { ok: false, problems: (answer['problems'] as readonly Problem[] | undefined) ?? [UNREACHABLE] };
  } catch {
    return { ok: false, problems: [UNREACHABLE] };
  }
}

/** Text that was typed into a field of a form, also before the page's script was running. */
export function typedIn(form: HTMLFormElement, field: string): string {
  const value = new FormData(form).get(field);
  return typeof value === 'string' ? value : '';
}
