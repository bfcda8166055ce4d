/** What a refusal says: where it went wrong, and what to do. */
export interface Problem {
  readonly where: string;
  readonly what: string;
}

type Sent =
  | { readonly ok: true; readonly body: Readonly<Record<string, unknown>> }
  | { readonly ok: false; readonly problems: readonly Problem[] };

const UNREACHABLE: Problem = {
  where: 'Server',
  what: 'The server does not answer. Nothing was changed. Try again once there is a signal.',
};

/** Sends JSON and reads the answer; what went wrong comes back in words. */
export async function send(method: 'GET' | 'POST' | 'PUT', path: string, body?: unknown): Promise<Sent> {
  try {
    const response = await fetch(path, {
      method,
      ...(body !== undefined && {
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(body),
      }),
    });
    const answer = (await response.json()) as Record<string, unknown>;
    if (response.ok) return { ok: true, body: answer };
    return { ok: false, problems: (answer['problems'] as readonly Problem[] | undefined) ?? [UNREACHABLE] };
  } catch {
    return { ok: false, problems: [UNREACHABLE] };
  }
}
