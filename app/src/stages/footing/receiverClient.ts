import { type Length, millimetres } from '@ombra/core/kernel/measure';
import type { RodPlace } from '@ombra/core/stages/footing';

/** What a laser receiver says, as the server passes it on. */
export type ReceiverEvent =
  | { readonly kind: 'reading'; readonly millimetres: number }
  | { readonly kind: 'no-beam' }
  | { readonly kind: 'out-of-range' };

/** A spot where the rod stands. */
interface RodSpot extends RodPlace {
  readonly job: string;
  readonly pass: string;
}

type Taken =
  | { readonly kind: 'reading'; readonly length: Length }
  | { readonly kind: 'nothing'; readonly why: 'out of range' | 'no beam' | 'receiver not answering' }
  | { readonly kind: 'stopped' };

/** A spot without a good reading for so long is passed over. */
const PATIENCE = 6000;

function parsed(data: string): ReceiverEvent | null {
  try {
    const value: unknown = JSON.parse(data);
    return typeof value === 'object' && value !== null && 'kind' in value ? (value as ReceiverEvent) : null;
  } catch {
    return null;
  }
}

/**
 * Listens to the receiver at one spot until so many good readings have come, and takes the middle one of them.
 *
 * @param onEvent everything that the receiver says meanwhile, to be shown
 */
export function takeReading(
  spot: RodSpot,
  wanted: number,
  signal: AbortSignal,
  onEvent: (event: ReceiverEvent) => void,
): Promise<Taken> {
  return new Promise((resolve) => {
    const query = new URLSearchParams({
      job: spot.job,
      pass: spot.pass,
      station: String(spot.station),
      round: String(spot.round),
      above: String(spot.above),
    });
    const source = new EventSource(`/api/receiver?${query.toString()}`);
    const good: number[] = [];
    const last: { said: ReceiverEvent['kind'] | null } = { said: null };
    const end = (taken: Taken): void => {
      clearTimeout(timer);
      signal.removeEventListener('abort', stop);
      source.close();
      resolve(taken);
    };
    const stop = (): void => {
      end({ kind: 'stopped' });
    };
    const timer = setTimeout(() => {
      end({
        kind: 'nothing',
        why:
          last.said === 'out-of-range'
            ? 'out of range'
            : last.said === 'no-beam'
              ? 'no beam'
              : 'receiver not answering',
      });
    }, PATIENCE);
    if (signal.aborted) {
      stop();
      return;
    }
    signal.addEventListener('abort', stop);
    source.onmessage = (message: MessageEvent<string>) => {
      const event = parsed(message.data);
      if (!event) return;
      last.said = event.kind;
      onEvent(event);
      if (event.kind !== 'reading') return;
      good.push(event.millimetres);
      if (good.length < wanted) return;
      good.sort((a, b) => a - b);
      end({ kind: 'reading', length: millimetres(good[good.length >> 1] ?? 0) });
    };
  });
}
