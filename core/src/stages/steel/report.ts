import type { UnitSystem } from '../../kernel/measure';
import { type Steel, leastUnwatched } from '.';
import { lengthQuantity } from '../../kernel/figures/quantity';

/** The steel as it is exported: the bending schedule, stock by size and masses. */
export const steelReport = (steel: Steel, units: UnitSystem) => ({
  schedule: steel.schedule.map((line) => ({
    mark: line.mark,
    use: line.use,
    size: line.size,
    shape: line.shape,
    legs: line.legs.map((leg) => lengthQuantity(leg, units)),
    bends: line.bends,
    cut: lengthQuantity(line.cut, units),
    count: line.count,
  })),
  stock: steel.stock.map(leastUnwatched).map((own) => ({
    size: own.size,
    stock: lengthQuantity(own.stock, units),
    bars: own.lengths.length,
    least: own.bound,
    proved: own.proved,
    total: lengthQuantity(own.total, units),
    laps: lengthQuantity(own.laps, units),
    mass: { value: own.mass.value, unit: 'kg' as const },
  })),
  mass: { value: steel.mass.value, unit: 'kg' as const },
});
