/** What a refusal says: where it went wrong, and what to do. */
export interface Problem {
  readonly where: string;
  readonly what: string;
}

/** The refusal of a server that does not answer. */
export const UNREACHABLE: Problem = {
  where: 'Server',
  what: 'The server does not answer. Nothing was changed. Try again when it does.',
};

/** Sends JSON and reads the JSON that comes back. Throws if the server cannot be reached or answers with something else. */
export async function call(
  method: string,
  path: string,
  body?: unknown,
): Promise<{ readonly status: number; readonly answer: unknown }> {
  const response = await fetch(path, {
    method,
    ...(body !== undefined && {
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    }),
  });
  return { status: response.status, answer: await response.json() };
}
