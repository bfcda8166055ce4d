import { describe, expect, it } from 'vitest';
import { type ReceiverEvent } from '../src/server/receiver/receiver';
import { type SimulatedSpot, groundAt, simulatedReceiver } from '../src/server/receiver/simulatedReceiver';
import { receiverStream } from '../src/server/receiver/stream';

const spot: SimulatedSpot = { seed: 'job', station: 3, round: 40, above: 0, shimmed: false };

/** A repeatable stand-in for chance. */
function chance(): () => number {
  let state = 7;
  return () => {
    state = (state * 16_807) % 2_147_483_647;
    return state / 2_147_483_647;
  };
}

async function hear(at: SimulatedSpot, count: number): Promise<readonly ReceiverEvent[]> {
  const stopper = new AbortController();
  const heard: ReceiverEvent[] = [];
  for await (const event of simulatedReceiver(at, chance()).listen(stopper.signal)) {
    heard.push(event);
    if (heard.length >= count) stopper.abort();
  }
  return heard;
}

describe('the simulated laser receiver', () => {
  it('scatters about the ground under its rod and now and then loses the beam', async () => {
    const heard = await hear(spot, 40);
    const readings = heard.flatMap((event) => (event.kind === 'reading' ? [event.millimetres] : []));
    expect(readings.length).toBeGreaterThan(30);
    expect(heard.some((event) => event.kind !== 'reading')).toBe(true);
    const middle = [...readings].sort((a, b) => a - b)[readings.length >> 1] ?? 0;
    expect(Math.abs(middle - (1680 - groundAt(spot)))).toBeLessThan(0.5);
  });

  it('reads a spot on a higher footing as much nearer to the laser, and one too high not at all', async () => {
    const high = await hear({ ...spot, above: 0.4 }, 20);
    const [first] = high.flatMap((event) => (event.kind === 'reading' ? [event.millimetres] : []));
    expect(Math.abs((first ?? 0) - (1280 - groundAt(spot)))).toBeLessThan(3);
    const kinds = new Set((await hear({ ...spot, above: 1.6 }, 12)).map((event) => event.kind));
    expect(kinds.has('reading')).toBe(false);
    expect(kinds.has('out-of-range')).toBe(true);
  });

  it('stands on the same ground every time, which comes back to where it began', () => {
    expect(groundAt(spot)).toBe(groundAt({ ...spot }));
    expect(groundAt({ ...spot, station: 40 })).toBeCloseTo(groundAt({ ...spot, station: 0 }), 9);
    expect(groundAt({ ...spot, seed: 'other' })).not.toBe(groundAt(spot));
    expect(groundAt({ ...spot, shimmed: true })).toBe(0);
  });
});

describe('the receiver’s stream', () => {
  it('passes on what is said as server-sent events, and stops listening when its reader goes', async () => {
    let stopped = false;
    const answer = receiverStream({
      async *listen(signal) {
        signal.addEventListener('abort', () => {
          stopped = true;
        });
        yield await Promise.resolve({ kind: 'no-beam' });
        yield { kind: 'reading', millimetres: 1234.5 };
      },
    });
    expect(answer.headers.get('content-type')).toContain('text/event-stream');
    const reader = answer.body?.getReader();
    const first = await reader?.read();
    expect(new TextDecoder().decode(first?.value as Uint8Array)).toBe('data: {"kind":"no-beam"}\n\n');
    await reader?.cancel();
    expect(stopped).toBe(true);
  });

  it('is closed after a while, however patient its reader is', async () => {
    const answer = receiverStream(simulatedReceiver(spot, chance()), 150);
    const text = await answer.text();
    expect(text.split('\n\n').length).toBeGreaterThan(1);
  });
});
