import { lengthQuantity, volumeQuantity } from '../../kernel/figures/quantity';
import type { UnitSystem } from '../../kernel/measure';
import type { Edges } from './buildEdges';

/** Exposed edges as they are exported. */
export const edgesReport = ({ walls, boards }: Edges, units: UnitSystem) => ({
  walls: walls.map(({ wall, height, over, width, volume }) => ({
    wall,
    over,
    height: lengthQuantity(height, units),
    width: lengthQuantity(width, units),
    volume: volumeQuantity(volume.value, units),
  })),
  boards: boards.map(({ board, count }) => ({ board, count: count.value })),
});
