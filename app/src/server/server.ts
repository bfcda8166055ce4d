import { type IncomingMessage, type Server, type ServerResponse, createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import sirv from 'sirv';
import { LONGEST_DRAIN, SECURITY_HEADERS, guard } from './guard';
import type { Services } from './services';
import type { Settings } from './settings';

/** The built pages' own request handler. */
export type PageHandler = (
  request: IncomingMessage,
  response: ServerResponse,
  next: (error?: unknown) => void,
  locals: { services: Services },
) => unknown;

export interface RunningServer {
  readonly server: Server;
  readonly address: string;
}

function answerPlainly(
  response: ServerResponse,
  status: number,
  problem: { where: string; what: string },
): void {
  response.writeHead(status, { 'Content-Type': 'application/json; charset=utf-8', Connection: 'close' });
  response.end(JSON.stringify({ problems: [problem] }));
}

/** Lets a refused body run out before answering: a sender cut off in the middle would never hear the answer. */
function drainThen(request: IncomingMessage, answer: () => void): void {
  let size = 0;
  request.on('data', (chunk: Buffer) => {
    size += chunk.length;
    if (size > LONGEST_DRAIN) request.destroy();
  });
  request.once('end', answer);
}

/** Serves the built application on the loopback interface: guard first, then files, then pages. */
export async function startServer(
  settings: Settings,
  services: Services,
  clientFolder: URL,
  pages: PageHandler,
): Promise<RunningServer> {
  const { log } = services;
  const files = sirv(fileURLToPath(clientFolder), {
    setHeaders: (response, path) => {
      if (path.startsWith('/_astro/'))
        response.setHeader('Cache-Control', 'public, max-age=31536000, immutable');
    },
  });
  let port = settings.port;
  const server = createServer((request, response) => {
    const started = process.hrtime.bigint();
    response.on('finish', () => {
      const milliseconds = Number(process.hrtime.bigint() - started) / 1e6;
      const entry = { method: request.method, path: request.url, status: response.statusCode, milliseconds };
      if (response.statusCode >= 500) log.error(entry, 'request');
      else log.info(entry, 'request');
    });
    for (const [name, value] of Object.entries(SECURITY_HEADERS)) response.setHeader(name, value);
    const refusal = guard(request.method ?? 'GET', request.headers, port);
    if (refusal) {
      drainThen(request, () => {
        answerPlainly(response, refusal.status, refusal);
      });
      return;
    }
    files(request, response, () => {
      const failed = (error: unknown): void => {
        if (error === undefined) {
          answerPlainly(response, 404, { where: 'address', what: 'Nothing is kept under this address.' });
          return;
        }
        log.error({ error, path: request.url }, 'request failed');
        if (response.headersSent) response.end();
        else {
          answerPlainly(response, 500, {
            where: 'Ombra',
            what: 'Something broke here, not with you; nothing saved was lost. Try again.',
          });
        }
      };
      try {
        Promise.resolve(pages(request, response, failed, { services })).catch(failed);
      } catch (error) {
        failed(error);
      }
    });
  });
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(settings.port, settings.host, resolve);
  });
  ({ port } = server.address() as AddressInfo);
  return { server, address: `http://${settings.host === '::1' ? '[::1]' : settings.host}:${String(port)}` };
}
