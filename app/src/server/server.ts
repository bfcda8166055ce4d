import { type IncomingMessage, type Server, type ServerResponse, createServer } from 'node:http';
import { createServer as createTlsServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import sirv from 'sirv';
import type { Pair } from './access/certificates';
import { gate, knocker } from './access/gate';
import { inAddress, originsNow } from './access/origins';
import type { Person } from './access/roles';
import { builtFiles } from './builtFiles';
import { wholeLog } from './entryStore';
import { failureOf, logged } from './errors';
import { type Refusal, LONGEST_DRAIN, SECURITY_HEADERS, guard, originsAs } from './guard';
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
  /** Every address under which it is reached, those that another device can reach first. */
  readonly origins: () => readonly string[];
  /** Where a device fetches the authority that it is to trust; null where there is none. */
  readonly trust: string | null;
  /** Speaks with another certificate from now on. */
  readonly renew: (pair: Pair) => void;
}

/** What is known of a request beside what it asks. */
interface Asked {
  readonly person: Person | null;
  readonly secure: boolean;
  readonly from: string;
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

const LOOKED_AT = ['host', 'cookie', 'accept', 'accept-encoding', 'accept-language'];

/** Headers of a request that a page may look at. */
const headersOf = (request: IncomingMessage): Readonly<Record<string, string>> =>
  Object.fromEntries(
    Object.entries(request.headers).flatMap(([name, value]) =>
      typeof value === 'string' && LOOKED_AT.includes(name) ? [[name, value] as const] : [],
    ),
  );

/** What a server is made of. */
interface ServerParts {
  readonly services: Omit<Services, 'origins'>;
  /** What it speaks TLS with; null where it does not. */
  readonly pair: Pair | null;
  /** The built files that any page may ask for. */
  readonly clientFolder: URL;
  readonly pages: PageHandler;
  readonly heavy: HeavyPool;
}

/** The refusal of a page, drawn as one. */
const asPage = ({ status, where, what }: Refusal): NonNullable<App.Locals['failure']> => ({
  id: 'refused',
  status,
  title: 'This is not yours to open',
  problem: { where, what },
});

/** Listens, and tells at which port. */
async function listening(server: Server, port: number, host: string): Promise<number> {
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, resolve);
  });
  return (server.address() as AddressInfo).port;
}

/** What a device that does not trust us yet may fetch without TLS: the authority, and the page that tells how. */
const FOR_TRUST = /^\/(trust(\/authority\.crt)?$|_astro\/|favicon\.svg$)/;

/** A door beside the main one, without TLS: it serves what is needed to trust the other, and leads there for all else. */
function trustDoor(
  serve: (request: IncomingMessage, response: ServerResponse, under: readonly string[]) => void,
  origins: () => readonly string[],
): Server {
  const door = createServer((request, response) => {
    const { port } = door.address() as AddressInfo;
    const under = origins().flatMap((each) => {
      const { protocol, hostname } = new URL(each);
      return protocol === 'https:' ? [`http://${hostname}:${String(port)}`] : [];
    });
    const host = originsAs(request.headers.host, under)[0];
    if (host !== undefined && !FOR_TRUST.test(pathOf(request))) {
      const { hostname } = new URL(host);
      const to = origins().find((each) => new URL(each).hostname === hostname) ?? '';
      response.writeHead(308, { Location: `${to}${request.url ?? '/'}` }).end();
      return;
    }
    serve(request, response, under);
  });
  return door;
}

/** Where the door for trust is reached from other devices; from this one where there is no network. */
function doorAddress(door: Server, origins: readonly string[]): string {
  const { port } = door.address() as AddressInfo;
  return `http://${new URL(origins[0] ?? 'https://localhost').hostname}:${String(port)}/trust`;
}

/** Serves the built application: guard first, then files, which hold no data, then the gate, then pages. */
export async function startServer(
  settings: Settings,
  { services: known, clientFolder, pages, heavy, pair }: ServerParts,
): Promise<RunningServer> {
  const { log, access } = known;
  // The port is known once it listens.
  let origins: () => readonly string[] = () => [];
  const services: Services = { ...known, origins: () => origins() };
  const hashed = await builtFiles(new URL('_astro/', clientFolder), '/_astro/');
  const files = sirv(fileURLToPath(clientFolder), {
    setHeaders: (response) => {
      response.setHeader('Cache-Control', 'no-cache');
    },
  });

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
    asked: Asked,
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
      await pages(request, response, failed, { services, ...asked, ...(failure && { failure }) });
    } catch (error) {
      failed(error);
    }
  };

  /** A sheet or a list: worked in a thread of its own, within its time. */
  const toWorker = async (
    request: IncomingMessage,
    response: ServerResponse,
    { id, asked }: { readonly id: string; readonly asked: Asked },
  ): Promise<void> => {
    const job = await services.jobs.get(id);
    if (!job) return toPages(request, response, asked);
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
    else await toPages(request, response, asked, tooMuch);
  };

  /** Through the gate, then to whoever answers. */
  const answer = async (request: IncomingMessage, response: ServerResponse): Promise<void> => {
    const path = pathOf(request);
    const method = request.method ?? 'GET';
    const { cookie: cookies, host } = request.headers;
    // A route answers with and without a slash at its end.
    const route = path.replace(/\/+$/, '') || '/';
    const outcome = await gate(access, { method, path: route, ...(cookies !== undefined && { cookies }) });
    if (outcome.kind === 'sign-in') {
      const to = encodeURIComponent(request.url ?? '/');
      response.writeHead(303, { Location: `/sign-in?to=${to}` }).end();
      return;
    }
    const asked: Asked = {
      person: outcome.kind === 'through' ? outcome.person : null,
      secure: originsAs(host, origins()).some((each) => each.startsWith('https:')),
      from: knocker(request, settings.address !== null),
    };
    if (outcome.kind === 'refused') {
      const { refusal } = outcome;
      if (!path.startsWith('/api/')) return toPages(request, response, asked, asPage(refusal));
      drainThen(request, () => {
        answerPlainly(response, refusal);
      });
      return;
    }
    const id = ['GET', 'HEAD'].includes(method) ? heavyJob(path) : null;
    return id === null ? toPages(request, response, asked) : toWorker(request, response, { id, asked });
  };

  const serve = (request: IncomingMessage, response: ServerResponse, under: readonly string[]): void => {
    const started = process.hrtime.bigint();
    response.on('finish', () => {
      const milliseconds = Number(process.hrtime.bigint() - started) / 1e6;
      const entry = {
        method: request.method,
        // What lets somebody in is nobody's to read in a log.
        path: pathOf(request).replace(/^\/join\/.*/, '/join/…'),
        status: response.statusCode,
        milliseconds,
      };
      log.info(entry, 'request');
    });
    for (const [name, value] of Object.entries(SECURITY_HEADERS)) response.setHeader(name, value);
    // Nothing that a job says is ever taken from a cache: the back key must not show the plan of before the edit.
    response.setHeader('Cache-Control', 'no-store');
    const refusal = guard(request.method ?? 'GET', request.headers, under, pathOf(request));
    if (refusal) {
      drainThen(request, () => {
        answerPlainly(response, refusal);
      });
      return;
    }
    if (hashed(request, response)) return;
    files(request, response, () => {
      answer(request, response).catch((error: unknown) => {
        fail(request, response, error);
      });
    });
  };
  const listen = (request: IncomingMessage, response: ServerResponse): void => {
    serve(request, response, origins());
  };
  const secured = pair && createTlsServer({ cert: pair.certificate, key: pair.key }, listen);
  const server = secured ?? createServer(listen);
  // A client that speaks again after some seconds would else meet a connection that is just being closed.
  server.keepAliveTimeout = KEEP_ALIVE;
  const port = await listening(server, settings.port, settings.host);
  origins = originsNow(settings, port);
  const door = services.authority === null ? null : trustDoor(serve, origins);
  if (door) {
    await listening(door, port === 0 ? 0 : port + 1, settings.host);
    server.once('close', () => door.close());
  }
  return {
    server,
    // What this machine’s own browser can open: an address that stands for all of them cannot be opened.
    address: origins().find((each) => each.includes(`//${inAddress(settings.host)}:`)) ?? origins()[0] ?? '',
    origins,
    trust: door && doorAddress(door, origins()),
    renew: ({ certificate, key }) => secured?.setSecureContext({ cert: certificate, key }),
  };
}
