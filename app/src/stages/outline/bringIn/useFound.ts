import type { UnitSystem } from '@ombra/core/kernel/measure';
import type { FileUnit, PointOrder, Understood } from '@ombra/core/outlines';
import { useRef, useState } from 'react';

/** What the server understood of a file. */
export interface Answer {
  readonly kind: 'dxf' | 'ifc' | 'points' | 'walk';
  readonly understood: Understood;
  readonly unit: FileUnit | null;
  readonly unitNamed: boolean;
}

interface Problem {
  readonly where: string;
  readonly what: string;
}

export type FoundState =
  | { readonly kind: 'none' }
  | { readonly kind: 'reading' }
  | { readonly kind: 'found'; readonly answer: Answer }
  | { readonly kind: 'refused'; readonly problems: readonly Problem[] };

/** How a file is asked to be read. */
export interface Ask {
  readonly units: UnitSystem;
  readonly unit: FileUnit;
  readonly order: PointOrder;
}

/** Files larger than this are not sent: the server takes none. */
const LARGEST = 16_000_000;

const refused = (where: string, what: string): FoundState => ({
  kind: 'refused',
  problems: [{ where, what }],
});

/** Has files read by the server, the newest asking counts. */
export function useFound() {
  const [state, setState] = useState<FoundState>({ kind: 'none' });
  const running = useRef<AbortController | null>(null);
  const cancel = (): void => {
    running.current?.abort();
    running.current = null;
    setState({ kind: 'none' });
  };
  const read = async (file: Blob, ask: Ask): Promise<void> => {
    running.current?.abort();
    if (file.size > LARGEST) {
      setState(refused('the file', 'It has over 16 MB. Keep only the outline in it, then try again.'));
      return;
    }
    const abort = new AbortController();
    running.current = abort;
    setState({ kind: 'reading' });
    const asked = new URLSearchParams({ units: ask.units, unit: ask.unit, order: ask.order });
    try {
      const response = await fetch(`/api/import/outline?${asked.toString()}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/octet-stream' },
        body: file,
        signal: abort.signal,
      });
      const body = (await response.json()) as Answer & { readonly problems?: readonly Problem[] };
      if (abort.signal.aborted) return;
      setState(
        response.ok ? { kind: 'found', answer: body } : { kind: 'refused', problems: body.problems ?? [] },
      );
    } catch {
      if (!abort.signal.aborted) {
        setState(refused('the server', 'It cannot be reached. Start it, then try again.'));
      }
    }
  };
  return { state, read, cancel };
}
