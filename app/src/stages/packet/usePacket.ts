import { useEffect, useRef, useState } from 'react';
import type { Job } from '../../job/useJob';
import { type PacketChoice, writeChoice } from './choice';

/** The packet being made, made, or why it was not. */
export type PacketState =
  | { readonly kind: 'none' }
  | { readonly kind: 'making'; readonly done: number; readonly of: number }
  | { readonly kind: 'made'; readonly url: string; readonly bytes: number }
  | { readonly kind: 'failed'; readonly what: string };

/** How often the server is asked how far it is, in milliseconds. */
const ASK_EVERY = 250;

async function failureOf(response: Response): Promise<string> {
  try {
    const { problems = [] } = (await response.json()) as { problems?: readonly { what: string }[] };
    return problems.map(({ what }) => what).join(' ') || 'The packet was not made. Try again.';
  } catch {
    return 'The packet was not made. Try again.';
  }
}

/** Makes packets on the server, one at a time; it can be told to stop. */
export function usePacket(job: Pick<Job, 'id' | 'sync' | 'freshId'>) {
  const [state, setState] = useState<PacketState>({ kind: 'none' });
  const running = useRef<AbortController | null>(null);
  const url = useRef<string | null>(null);
  const forget = (): void => {
    running.current?.abort();
    running.current = null;
    if (url.current !== null) URL.revokeObjectURL(url.current);
    url.current = null;
  };
  useEffect(() => forget, []);

  const make = async (choice: PacketChoice): Promise<void> => {
    forget();
    const abort = new AbortController();
    running.current = abort;
    setState({ kind: 'making', done: 0, of: 0 });
    const key = job.freshId();
    const timer = setInterval(() => {
      void fetch(`/api/progress?key=${key}`, { signal: abort.signal })
        .then(
          async (response) => (await response.json()) as { progress: { done: number; of: number } | null },
        )
        .then(({ progress }) => {
          if (progress && running.current === abort) setState({ kind: 'making', ...progress });
        })
        // A question that is lost is asked again a moment later.
        .catch(() => undefined);
    }, ASK_EVERY);
    try {
      // What was typed a moment ago belongs into it.
      await job.sync?.flush();
      const response = await fetch(
        `/api/jobs/${job.id}/export/packet.pdf?${writeChoice(choice)}&key=${key}`,
        {
          signal: abort.signal,
        },
      );
      if (!response.ok) setState({ kind: 'failed', what: await failureOf(response) });
      else {
        const blob = await response.blob();
        url.current = URL.createObjectURL(blob);
        setState({
          kind: 'made',
          url: url.current,
          bytes: blob.size,
        });
      }
    } catch {
      if (abort.signal.aborted) {
        if (running.current === abort) setState({ kind: 'none' });
      } else setState({ kind: 'failed', what: 'The server cannot be reached. Start it, then try again.' });
    } finally {
      clearInterval(timer);
      if (running.current === abort) running.current = null;
    }
  };
  const cancel = (): void => {
    running.current?.abort();
    running.current = null;
    setState({ kind: 'none' });
  };
  return { state, make, cancel };
}
