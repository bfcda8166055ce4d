import { type FreshConcrete, type PressureSchool, pressureOn } from '../pressure';
import type { Day } from './day';
import type { Layer } from './underway';

/** Less than this is an empty truck, or a full stop: a cubic centimetre or so, in cubic metres. */
export const NOTHING = 1e-6;
/** A wall fills no faster than this, whatever the figures say: a minute, in hours. */
const LEAST_HOURS = 1 / 60;

/** What a run keeps of every slice while it goes. Arrays are made once and used again by the next run. */
export interface Scratch {
  readonly firstEnd: Float64Array;
  readonly firstDepth: Float64Array;
  readonly last: Float64Array;
  readonly depth: Float64Array;
  readonly cold: Uint8Array;
}

export const scratchFor = ({ slices }: Day): Scratch => ({
  firstEnd: new Float64Array(slices),
  firstDepth: new Float64Array(slices),
  last: new Float64Array(slices),
  depth: new Float64Array(slices),
  cold: new Uint8Array(slices),
});

/** How a layer rose, and what presses on its forms: what came after the first concrete rose at its own pace. Pascals and m/h. */
export function pressedBy(
  school: PressureSchool,
  fresh: FreshConcrete,
  { firstEnd, firstDepth, last, depth }: Omit<Layer, 'slice'>,
): { readonly pressure: number; readonly rise: number } {
  const hours = (last - firstEnd) / 60;
  const rise =
    depth - firstDepth > NOTHING ? (depth - firstDepth) / Math.max(hours, LEAST_HOURS) : depth / LEAST_HOURS;
  return { pressure: pressureOn(school, fresh, rise, depth), rise };
}

/** The greatest pressure over all slices. */
export function pressed(
  day: Day,
  scratch: Scratch,
): { readonly pressure: number | null; readonly rise: number } {
  if (!day.fresh) return { pressure: null, rise: 0 };
  let pressure = 0;
  let rise = 0;
  for (let slice = 0; slice < day.slices; slice++) {
    const depth = scratch.depth[slice] ?? 0;
    if (depth === 0) continue;
    const here = pressedBy(day.school, day.fresh, {
      firstEnd: scratch.firstEnd[slice] ?? 0,
      firstDepth: scratch.firstDepth[slice] ?? 0,
      last: scratch.last[slice] ?? 0,
      depth,
    });
    if (here.pressure > pressure) ({ pressure, rise } = here);
  }
  return { pressure, rise };
}
