import { useEffect, useEffectEvent, useState } from 'react';
import { newId } from '../ids';
import { keptName } from '../job/signature';

/** What the server tells of an open job. */
interface LiveMessage {
  readonly version: number;
  readonly last: number;
  readonly here: readonly { readonly page: string; readonly name: string }[];
}

interface LivePorts {
  /** The plan stands at this version. */
  readonly onVersion: (version: number) => void;
  /** The log goes up to this number. */
  readonly onLast: (last: number) => void;
}

/** One page of one browser. */
const PAGE = newId();

/** Names of the others who have the job open, each once. Calls back on their changes. A hidden page closes its event stream. */
export function useLive(jobId: string, { onVersion, onLast }: LivePorts): readonly string[] {
  const [others, setOthers] = useState<readonly string[]>([]);
  const hear = useEffectEvent(({ data }: MessageEvent<string>): void => {
    const { version, last, here } = JSON.parse(data) as LiveMessage;
    onVersion(version);
    onLast(last);
    const names = [...new Set(here.filter(({ page }) => page !== PAGE).map(({ name }) => name))];
    setOthers((before) => (before.join('\n') === names.join('\n') ? before : names));
  });
  useEffect(() => {
    let line: EventSource | null = null;
    const close = (): void => {
      line?.close();
      line = null;
    };
    const look = (): void => {
      if (document.visibilityState !== 'visible') {
        close();
        return;
      }
      if (line !== null && line.readyState !== EventSource.CLOSED) return;
      line = new EventSource(
        `/api/jobs/${jobId}/live?${new URLSearchParams({ page: PAGE, who: keptName() }).toString()}`,
      );
      line.onmessage = (message: MessageEvent<string>) => {
        hear(message);
      };
      line.onerror = () => {
        setOthers((before) => (before.length === 0 ? before : []));
      };
    };
    look();
    document.addEventListener('visibilitychange', look);
    window.addEventListener('online', look);
    // It would ask again every second or so until the signal is back.
    window.addEventListener('offline', close);
    window.addEventListener('pagehide', close);
    window.addEventListener('pageshow', look);
    return () => {
      close();
      document.removeEventListener('visibilitychange', look);
      window.removeEventListener('online', look);
      window.removeEventListener('offline', close);
      window.removeEventListener('pagehide', close);
      window.removeEventListener('pageshow', look);
    };
  }, [jobId]);
  return others;
}
