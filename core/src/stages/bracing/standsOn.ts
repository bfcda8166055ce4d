import type { StandsOn } from './brace';

/** What a height above the ground is measured from, in words: `5′ 4″ above the slab`. */
export const STANDS_ON: Readonly<Record<StandsOn, string>> = {
  footing: 'the footing',
  fill: 'the fill',
  slab: 'the slab',
};
