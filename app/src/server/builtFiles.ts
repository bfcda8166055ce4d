import { readFile, readdir } from 'node:fs/promises';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { lookup } from 'mrmime';

/** How a body may be compressed, best first: what a client names it, and the ending of such a file. */
const ENCODINGS = [
  ['br', '.br'],
  ['gzip', '.gz'],
] as const;

/** Answers a request for a built file; false if it is for something else. */
export type BuiltFiles = (request: IncomingMessage, response: ServerResponse) => boolean;

/**
 * Serves the files of the build that carry a hash of what they hold in their name. They never change, so they are read once, at the start,
 * and sent from memory: a page asks for some fifty at once, and opening each on the disk took longer than sending it.
 *
 * @param folder where they are; those that the build compressed lie beside them
 * @param under the path that they are asked for under, with its slash
 */
export async function builtFiles(folder: URL, under: string): Promise<BuiltFiles> {
  const names = await readdir(folder);
  const bodies = new Map(
    await Promise.all(names.map(async (name) => [name, await readFile(new URL(name, folder))] as const)),
  );
  return (request, response) => {
    const path = request.url?.split('?')[0] ?? '';
    if (request.method !== 'GET' || !path.startsWith(under)) return false;
    const name = path.slice(under.length);
    const whole = bodies.get(name);
    const type = lookup(name);
    // A compressed copy by its own name is nothing that a page asks for.
    if (!whole || type === undefined || ENCODINGS.some(([, ending]) => name.endsWith(ending))) return false;
    const taken = request.headers['accept-encoding'] ?? '';
    const [encoding, ending] = ENCODINGS.find(
      ([each, end]) => taken.includes(each) && bodies.has(name + end),
    ) ?? ['', ''];
    const body = bodies.get(name + ending) ?? whole;
    response.writeHead(200, {
      'Content-Type': type,
      'Content-Length': body.length,
      'Cache-Control': 'public, max-age=31536000, immutable',
      Vary: 'Accept-Encoding',
      ...(encoding !== '' && { 'Content-Encoding': encoding }),
    });
    response.end(body);
    return true;
  };
}
