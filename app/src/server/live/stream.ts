import type { Here } from './liveStore';
import type { LiveHub } from './liveHub';

/** Milliseconds after which a browser that lost the line asks again. */
const AGAIN_AFTER = 1500;

/** How a job stands, as server-sent events, until the listener goes away. */
export function liveStream(hub: LiveHub, jobId: string, here: Here, gone: AbortSignal): Response {
  const encoder = new TextEncoder();
  let end: () => void = () => undefined;
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      /** Whoever has gone is told nothing more. */
      const unlessGone = (act: () => void): void => {
        try {
          act();
        } catch {
          end();
        }
      };
      const put = (text: string): void => {
        unlessGone(() => {
          controller.enqueue(encoder.encode(text));
        });
      };
      put(`retry: ${String(AGAIN_AFTER)}\n\n`);
      end = hub.listen(jobId, here, (message) => {
        if (message === 'over') {
          unlessGone(() => {
            controller.close();
          });
        } else put(message === null ? ': still here\n\n' : `data: ${JSON.stringify(message)}\n\n`);
      });
      gone.addEventListener('abort', () => {
        end();
      });
    },
    cancel() {
      end();
    },
  });
  return new Response(stream, {
    headers: {
      'Content-Type': 'text/event-stream; charset=utf-8',
      'Cache-Control': 'no-store',
      // Proxies that gather answers would hold these back.
      'X-Accel-Buffering': 'no',
    },
  });
}
