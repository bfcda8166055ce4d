import { type IncomingMessage, type Server, type ServerResponse, createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import sirv from 'sirv';
import { wholeLog } from './entryStore';
import { failureOf, logged } from './errors';
import { type Refusal, LONGEST_DRAIN, SECURITY_HEADERS, guard } from './guard';
import { heavyJob } from './heavy/heavyPaths';
import type { HeavyPool } from './heavy/heavyPool';
import type { Services } from './services';
import type { Settings } from './settings';

/** The built pages' own request handler. */
export type PageHandler = (
  request: IncomingMessage,
  response: ServerResponse,
  next: (error?: unknown) => void,
  locals: App.Locals,
) => unknown;

interface RunningServer {
  readonly server: Server;
  readonly address: string;
}

function answerPlainly(response: ServerResponse, { status, where, what, headers = {} }: Refusal): void {
  response.writeHead(status, {
    'Content-Type': 'application/json; charset=utf-8',
    Connection: 'close',
    ...headers,
  });
  response.end(JSON.stringify({ problems: [{ where, what }] }));
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

/** Told of a job that takes too long or too much memory to work out for paper. */
const tooMuch = {
  id: 'too-much',
  status: 503,
  title: 'This job is too much for a sheet',
  problem: {
    where: 'Ombra',
    what: 'Working this out took too long and was stopped; nothing of the job was changed. The notices beside its outline may say what is out of range; a very large job prints better in parts.',
  },
} as const;

/** Milliseconds that an idle connection is kept open. */
const KEEP_ALIVE = 65_000;

const pathOf = (request: IncomingMessage): string => (request.url ?? '/').split('?')[0] ?? '/';

/** Headers of a request that a page may look at. */
const headersOf = (request: IncomingMessage): Readonly<Record<string, string>> =>
  Object.fromEntries(
    Object.entries(request.headers).flatMap(([name, value]) =>
      typeof value === 'string' && ['host', 'cookie', 'accept', 'accept-language'].includes(name)
        ? [[name, value] as const]
        : [],
    ),
  );

/** What a server is made of. */
interface ServerParts {
  readonly services: Services;
  /** The built files that any page may ask for. */
  readonly clientFolder: URL;
  readonly pages: PageHandler;
  readonly heavy: HeavyPool;
}

/** Serves the built application on the loopback interface: guard first, then files, then pages. */
export async function startServer(
  settings: Settings,
  { services, clientFolder, pages, heavy }: ServerParts,
): Promise<RunningServer> {
  const { log } = services;
  const files = sirv(fileURLToPath(clientFolder), {
    setHeaders: (response, path) => {
      response.setHeader(
        'Cache-Control',
        path.startsWith('/_astro/') ? 'public, max-age=31536000, immutable' : 'no-cache',
      );
    },
  });
  let port = settings.port;

  /** Answers an exception outside of any page. */
  const fail = (request: IncomingMessage, response: ServerResponse, error: unknown): void => {
    const { id, status, problem } = failureOf(error);
    log.error({ id, path: pathOf(request), ...logged(error) }, 'failed');
    if (response.headersSent) response.end();
    else answerPlainly(response, { status, ...problem });
  };

  const toPages = async (
    request: IncomingMessage,
    response: ServerResponse,
    failure?: App.Locals['failure'],
  ): Promise<void> => {
    const failed = (error: unknown): void => {
      if (error !== undefined) fail(request, response, error);
      else
        answerPlainly(response, {
          status: 404,
          where: 'address',
          what: 'There is nothing at this address.',
        });
    };
    // A page that fails is shown under its own address; only what draws it is another one.
    if (failure) request.url = '/trouble';
    try {
      await pages(request, response, failed, { services, ...(failure && { failure }) });
    } catch (error) {
      failed(error);
    }
  };

  /** A sheet or a list: worked in a thread of its own, within its time. */
  const toWorker = async (request: IncomingMessage, response: ServerResponse, id: string): Promise<void> => {
    const job = await services.jobs.get(id);
    if (!job) return toPages(request, response);
    const entries = await wholeLog(services.entries, id);
    const abort = new AbortController();
    // Whoever gave up waiting frees the worker for the next.
    response.on('close', () => {
      if (!response.writableFinished) abort.abort();
    });
    const key = new URL(request.url ?? '/', 'http://localhost').searchParams.get('key');
    const outcome = await heavy.ask(
      { url: request.url ?? '/', headers: headersOf(request), job, entries },
      {
        signal: abort.signal,
        onProgress: (done, of) => {
          if (key !== null) services.progress.tell(key, done, of);
        },
      },
    );
    if (key !== null) services.progress.over(key);
    if (outcome.kind === 'cancelled') return;
    if (outcome.kind === 'answer') {
      const { status, headers, body } = outcome.answer;
      response.writeHead(status, { ...headers });
      response.end(request.method === 'HEAD' ? undefined : body);
      return;
    }
    if (outcome.kind === 'failed') throw new Error(outcome.message);
    log.warn({ path: pathOf(request) }, 'took too long');
    if (pathOf(request).startsWith('/api/')) answerPlainly(response, { status: 503, ...tooMuch.problem });
    else await toPages(request, response, tooMuch);
  };

  const server = createServer((request, response) => {
    const started = process.hrtime.bigint();
    response.on('finish', () => {
      const milliseconds = Number(process.hrtime.bigint() - started) / 1e6;
      const entry = {
        method: request.method,
        path: pathOf(request),
        status: response.statusCode,
        milliseconds,
      };
      log.info(entry, 'request');
    });
    for (const [name, value] of Object.entries(SECURITY_HEADERS)) response.setHeader(name, value);
    // Nothing that a job says is ever taken from a cache: the back key must not show the plan of before the edit.
    response.setHeader('Cache-Control', 'no-store');
    const path = pathOf(request);
    const refusal = guard(request.method ?? 'GET', request.headers, port, path);
    if (refusal) {
      drainThen(request, () => {
        answerPlainly(response, refusal);
      });
      return;
    }
    files(request, response, () => {
      const id = ['GET', 'HEAD'].includes(request.method ?? '') ? heavyJob(path) : null;
      const answered = id === null ? toPages(request, response) : toWorker(request, response, id);
      answered.catch((error: unknown) => {
        fail(request, response, error);
      });
    });
  });
  // A client that speaks again after some seconds would else meet a connection that is just being closed.
  server.keepAliveTimeout = KEEP_ALIVE;
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(settings.port, settings.host, resolve);
  });
  ({ port } = server.address() as AddressInfo);
  return { server, address: `http://${settings.host === '::1' ? '[::1]' : settings.host}:${String(port)}` };
}
