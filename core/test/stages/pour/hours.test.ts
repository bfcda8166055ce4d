import { describe, expect, it } from 'vitest';
import { hoursOf, liftHours } from '../../../src/stages/pour';
import { work } from '../../../src/work';
import { planOf, withCourses } from '../../support/plans';

const RECTANGLE = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
] as const;

function pourOf() {
  const [pour] = work(planOf(RECTANGLE, withCourses(6))).pour.pours;
  if (!pour) throw new Error('nothing is poured');
  return pour;
}

describe('hours of a pour', () => {
  it('follow one another lift by lift, from the first concrete to the last, as the hose goes round', () => {
    const pour = pourOf();
    const hours = liftHours(pour);
    expect(hours.length).toBeGreaterThan(1);
    expect(hours).toHaveLength(pour.lifts.length);
    // The clock lists what it places in the order in which it is placed.
    expect(hours[0]?.from).toBe(pour.clock.placed[0]?.from);
    expect(hours.at(-1)?.to).toBe(pour.clock.placed.at(-1)?.to);
    for (const [index, each] of hours.entries()) {
      expect(each?.to).toBeGreaterThan(each?.from ?? Infinity);
      if (index > 0) expect(each?.from).toBeGreaterThanOrEqual(hours[index - 1]?.to ?? Infinity);
    }
  });

  it('of a wall lie within those of its lift, and are none where nothing is meant', () => {
    const pour = pourOf();
    const lifts = liftHours(pour);
    const walls = [...new Set(pour.stops.flatMap(({ wall }) => wall ?? []))];
    expect(walls).toHaveLength(4);
    for (const wall of walls) {
      const own = hoursOf(pour, (stop) => stop.wall === wall && stop.lift === 2);
      expect(own?.from).toBeGreaterThanOrEqual(lifts[1]?.from ?? Infinity);
      expect(own?.to).toBeLessThanOrEqual(lifts[1]?.to ?? -Infinity);
    }
    expect(hoursOf(pour, () => false)).toBeNull();
  });

  it('of a lift leave out what is filled from the side before it', () => {
    const pour = pourOf();
    const [first, ...others] = pour.stops;
    if (!first) throw new Error('no stop');
    const sided = { ...pour, stops: [{ ...first, kind: 'side' as const }, ...others] };
    expect(liftHours(sided)[0]?.from).toBe(pour.clock.placed.filter(({ stop }) => stop !== 0)[0]?.from);
    const only = { ...pour, stops: pour.stops.map((stop) => ({ ...stop, kind: 'side' as const })) };
    expect(liftHours(only)).toEqual(pour.lifts.map(() => null));
  });
});
