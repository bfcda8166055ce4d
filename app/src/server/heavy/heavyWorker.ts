import { parentPort, workerData } from 'node:worker_threads';
import inject from 'light-my-request';
import pino from 'pino';
import type { EntryStore, KeptEntry } from '../entryStore';
import type { JobStore, StoredJob } from '../jobStore';
import type { PageHandler } from '../server';
import { compressAnswer } from './compressAnswer';
import type { HeavyMessage, HeavyRequest } from './messages';

/**
 * Works and draws sheets and lists of jobs in a thread of its own, one at a time, through the same pages as the server. It has
 * no database: the job comes with the request.
 */
const { entry } = workerData as { readonly entry: string };
const { handler } = (await import(entry)) as { handler: PageHandler };
const log = pino({ level: 'error' }, pino.destination(2));

/** A store that knows one job, and only to read. */
const onlyStore = (job: StoredJob): JobStore =>
  ({ get: (id: string) => Promise.resolve(id === job.id ? job : null) }) as JobStore;

/** A log of that job, and only to read. */
const onlyLog = (job: StoredJob, entries: readonly KeptEntry[]): EntryStore =>
  ({
    after: (id: string, number: number) =>
      Promise.resolve(id === job.id ? entries.filter((each) => each.number > number) : null),
  }) as Pick<EntryStore, 'after'> as EntryStore;

const tell = (message: HeavyMessage, transfer: readonly ArrayBuffer[] = []): void => {
  parentPort?.postMessage(message, transfer);
};

parentPort?.on('message', ({ url, headers, job, entries }: HeavyRequest) => {
  const onProgress = (done: number, of: number): void => {
    tell({ kind: 'progress', done, of });
  };
  const services = { jobs: onlyStore(job), entries: onlyLog(job, entries), log };
  void inject(
    (request, response) => {
      // Whoever sends it says when.
      response.sendDate = false;
      const failed = (error: unknown): void => {
        log.error(
          { error: error instanceof Error ? error.message.slice(0, 300) : 'no page' },
          'sheet failed',
        );
        response.statusCode = 500;
        response.end();
      };
      Promise.resolve(handler(request, response, failed, { services, onProgress } as never)).catch(failed);
    },
    { method: 'GET', url, headers: { ...headers } },
  ).then(
    (response) => {
      const answer = compressAnswer(
        {
          status: response.statusCode,
          headers: response.headers as Record<string, string>,
          body: new Uint8Array(response.rawPayload),
        },
        headers['accept-encoding'] ?? '',
      );
      tell({ kind: 'answer', answer }, [answer.body.buffer as ArrayBuffer]);
    },
    (error: unknown) => {
      tell({ kind: 'failed', message: error instanceof Error ? error.message : String(error) });
    },
  );
});

tell({ kind: 'ready' });
