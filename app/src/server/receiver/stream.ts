import type { LaserReceiver } from './receiver';

/** A stream that nobody closes is closed after so long, milliseconds. */
const LONGEST = 120_000;

/** What a receiver says, as server-sent events, until the listener goes away. */
export function receiverStream(receiver: LaserReceiver, longest = LONGEST): Response {
  const stopper = new AbortController();
  const timer = setTimeout(() => {
    stopper.abort();
  }, longest);
  const events = receiver.listen(stopper.signal);
  const encoder = new TextEncoder();
  const stream = new ReadableStream<Uint8Array>({
    async pull(controller) {
      const next = await events.next();
      if (next.done === true) {
        clearTimeout(timer);
        controller.close();
      } else controller.enqueue(encoder.encode(`data: ${JSON.stringify(next.value)}\n\n`));
    },
    cancel() {
      clearTimeout(timer);
      stopper.abort();
    },
  });
  return new Response(stream, {
    headers: { 'Content-Type': 'text/event-stream; charset=utf-8', 'Cache-Control': 'no-store' },
  });
}
