/** Draws numbers between 0 and 1, always the same ones for the same seed. */
type Draw = () => number;

/**
 * A small generator of 32 bits. [mulberry32]
 *
 * @example drawFrom(7)() === drawFrom(7)() // true
 */
export function drawFrom(seed: number): Draw {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = state;
    mixed = Math.imul(mixed ^ (mixed >>> 15), mixed | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

/** A standard normal number from two draws. [Box and Muller 1958] */
export const normal = (draw: Draw): number =>
  Math.sqrt(-2 * Math.log(1 - draw())) * Math.cos(2 * Math.PI * draw());

/**
 * A factor about 1 that scatters by a share, longer upward than downward as times do: lognormal with median 1.
 *
 * @param scatter share within which two of three lie; 0 gives 1
 * @example factor(0, () => 0.3) // 1
 */
export const factor = (scatter: number, draw: Draw): number =>
  scatter === 0 ? 1 : Math.exp(scatter * normal(draw));
