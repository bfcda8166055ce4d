import { setTimeout as wait } from 'node:timers/promises';
import type { LaserReceiver, ReceiverEvent } from './receiver';

/** Where a simulated rod stands. */
export interface SimulatedSpot {
  /** Text that the ground is made from: the same one gives the same ground. */
  readonly seed: string;
  /** Along the outline, metres from its first corner. */
  readonly station: number;
  /** All walls, metres: the ground comes back to where it began. */
  readonly round: number;
  /** How high by plan the spot lies above the lowest footing, metres. */
  readonly above: number;
  /** On the first course the ground is as even as shims have made it. */
  readonly shimmed: boolean;
}

/** Height of the laser above the lowest footing as planned, millimetres. */
const LASER = 1680;
/** A receiver slides between these heights on its rod, millimetres. */
const RANGE = [150, 2400] as const;
/** Readings scatter by so much (standard deviation), and of so many the beam is lost, or lost high or low. */
const NOISE = 0.45;
const LOST = 0.08;
const BEYOND = 0.02;
const BETWEEN_READINGS = 60;

/** A whole number from a text, the same every time. (FNV-1a, public domain) */
function hash(text: string): number {
  let value = 0x811c9dc5;
  for (const char of text) value = Math.imul(value ^ (char.codePointAt(0) ?? 0), 0x01000193);
  return value >>> 0;
}

/** Ground above or below its plan, millimetres: a few long waves round the outline and a hump somewhere on it. */
export function groundAt({ seed, station, round, shimmed }: SimulatedSpot): number {
  if (shimmed) return 0;
  const phase = (name: string): number => (hash(`${seed}:${name}`) / 2 ** 32) * 2 * Math.PI;
  const turn = (station / Math.max(round, 1)) * 2 * Math.PI;
  const waves =
    2.2 * Math.sin(turn + phase('one')) +
    1.3 * Math.sin(3 * turn + phase('three')) +
    0.6 * Math.sin(11 * turn + phase('eleven'));
  const hump = (phase('hump') / (2 * Math.PI)) * round;
  const away = Math.abs(station - hump);
  return waves + 3 * Math.exp(-((Math.min(away, round - away) / 0.4) ** 2));
}

/** A receiver that stands in for a real one: it scatters, loses the beam, and runs out of range. */
export function simulatedReceiver(spot: SimulatedSpot, random: () => number = Math.random): LaserReceiver {
  const steady = LASER - spot.above * 1000 - groundAt(spot);
  const normal = (): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const next = (): ReceiverEvent => {
    const chance = random();
    if (chance < LOST) return { kind: 'no-beam' };
    if (chance < LOST + BEYOND || steady < RANGE[0] || steady > RANGE[1]) return { kind: 'out-of-range' };
    return { kind: 'reading', millimetres: Math.round((steady + NOISE * normal()) * 10) / 10 };
  };
  return {
    async *listen(signal) {
      while (!signal.aborted) {
        yield next();
        try {
          await wait(BETWEEN_READINGS, undefined, { signal });
        } catch {
          return;
        }
      }
    },
  };
}
