import { type How, given } from '../../kernel/figures/how';
import type { Wall } from '../outline';
import type { PlacedOpening } from './placeOpenings';
import { areaOf } from './shape';

/**
 * Slab concrete in the thickness of a wall under an opening: over its core and its inner panel, out to the thermal strip. Null where
 * the slab stops inside.
 *
 * @param opening as it is placed
 * @param wall that it is in
 * @returns a volume worked out, in cubic metres
 */
export function slabInWall({ threshold }: Pick<PlacedOpening, 'threshold'>, wall: Wall): How | null {
  if (!threshold?.slab) return null;
  return {
    op: 'product',
    name: 'slab in the wall’s thickness',
    unit: 'volume',
    of: [
      given('face of the slab under the opening', 'area', areaOf(threshold.slab)),
      {
        op: 'sum',
        name: 'core and inner panel',
        unit: 'length',
        of: [given('core', 'length', wall.core), given('inner panel', 'length', wall.skin)],
      },
    ],
  };
}
