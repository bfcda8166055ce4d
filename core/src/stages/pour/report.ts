import type { UnitSystem } from '../../kernel/measure';
import { type Pouring, type WorkedPour, clockText } from '.';
import type { TopOff } from '../topoff';
import { lengthQuantity, volumeQuantity } from '../../kernel/figures/quantity';

const pressure = (pascals: number) => ({ value: pascals / 1000, unit: 'kPa' as const });

const onePourReport = (pour: WorkedPour, units: UnitSystem) => ({
  pour: pour.span.pour,
  bottom: lengthQuantity(pour.span.bottom, units),
  top: lengthQuantity(pour.span.top, units),
  lifts: pour.volumes.lifts.map(({ lift, whole, walls }) => ({
    lift,
    volume: volumeQuantity(whole.value, units),
    walls: Object.entries(walls).map(([wall, volume]) => ({ wall, volume: volumeQuantity(volume, units) })),
  })),
  sides: pour.volumes.sides.map((side) => ({
    name: side.name,
    when: side.when,
    volume: volumeQuantity(side.volume.value, units),
  })),
  holes: pour.holes.map(({ wall, lift, course, at, up }) => ({
    wall,
    lift,
    course,
    at: lengthQuantity(at, units),
    up: lengthQuantity(up, units),
  })),
  core: volumeQuantity(pour.volumes.core.value, units),
  ordered: volumeQuantity(pour.volumes.ordered.value, units),
  weight: { value: pour.volumes.weight.value, unit: 'kg' as const },
  loads: pour.volumes.loads.map((load) => volumeQuantity(load, units)),
  ...(pour.pressing
    ? {
        pressure: {
          aci347: pressure(pour.pressing.aci.value),
          ciria108: pressure(pour.pressing.ciria.value),
          judged: pressure(pour.pressing.judged),
          wholeHead: pour.pressing.wholeHead,
          worst: {
            wall: pour.pressing.worst.wall,
            lift: pour.pressing.worst.lift,
            rise: { value: pour.pressing.rise.value, unit: 'm/h' as const },
          },
          fastest:
            typeof pour.pressing.fastest === 'number'
              ? { value: pour.pressing.fastest, unit: 'm3/h' as const }
              : pour.pressing.fastest,
          shortestLifts: pour.pressing.shortestLifts.map((value) => ({ value, unit: 'min' as const })),
          capacity: pour.pressing.capacity === null ? null : pressure(pour.pressing.capacity),
        },
      }
    : {}),
  planned: {
    start: clockText(pour.start),
    finish: clockText(pour.start + pour.clock.finish),
    done: clockText(pour.start + pour.clock.done),
    longestWait: { value: pour.clock.gap, unit: 'min' as const },
    oldestLoad: { value: pour.clock.age, unit: 'min' as const },
  },
});

/** The pours as they are exported: lifts, volumes, loads, pressure and the planned hours. */
export const pourReport = (pour: Pouring, units: UnitSystem) =>
  pour.pours.map((each) => onePourReport(each, units));

/** Sill plates and their bolts as they are exported. */
export const topOffReport = (topoff: TopOff, units: UnitSystem) => ({
  boards: topoff.boards.value,
  bolts: topoff.bolts.value,
  plates: topoff.runs.flatMap((run) =>
    run.pieces.map((piece) => ({
      wall: run.wall,
      from: lengthQuantity(piece.from, units),
      to: lengthQuantity(piece.to, units),
      cut: lengthQuantity(piece.cut, units),
      bolts: piece.bolts.map((bolt) => lengthQuantity(bolt, units)),
    })),
  ),
});
