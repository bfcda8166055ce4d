import { type WalkRow, emptyPlan } from '../../src/stages/outline/plan';
import fc from 'fast-check';
import { inches, storeLength } from '../../src/kernel/measure';
import type { Plan } from '../../src/kernel/plan';

/** A wall of the walk in inches and degrees, right positive. */
export type Side = readonly [lengthIn: number, turnDegrees: number];

export const turnText = (turn: number): string => `${turn < 0 ? 'left' : 'right'} ${String(Math.abs(turn))}`;

/** A plan with one closed loop, from sides in inches. */
export function planOf(sides: readonly Side[], change: Partial<Plan> = {}): Plan {
  const walk = sides.map(([length, turn], index): WalkRow => ({
    id: `w${String(index + 1)}`,
    length: storeLength(inches(length), 'imperial'),
    turn: turnText(turn),
  }));
  return { ...emptyPlan('Test'), loops: [{ id: 'loop', closed: true, walk }], ...change };
}

export const withCourses = (toCourse: number): Pick<Plan, 'pours'> => ({
  pours: [{ id: 'pour-1', toCourse, top: 'full' }],
});

/** Pours `p0`, `p1` … that end with these courses, each in the middle of its last one where asked. */
export const poursAt = (toCourses: readonly number[], half = false): Plan['pours'] =>
  toCourses.map((toCourse, index) => ({
    id: `p${String(index)}`,
    toCourse,
    top: half ? 'half' : 'full',
  }));

/** The plan with an inside wall from its first wall to its third, whose outside face starts so far along the first. */
export const withInside = (
  plan: Plan,
  { at = '200in', ...row }: Partial<WalkRow> & { readonly at?: string } = {},
): Plan => ({
  ...plan,
  loops: [
    ...plan.loops,
    {
      id: 'inner',
      closed: false,
      tee: { start: { wall: 'w1', at }, end: { wall: 'w3' } },
      walk: [{ id: 'inside', length: '25ft 10in', turn: 'right 90', ...row }],
    },
  ],
});

/** A hall of 40 by 28 ft. */
export const HALL: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];

/** The plan with an inside wall of 200 in that meets its first wall and ends free. */
export const withStub = (plan: Plan): Plan => {
  const inside = withInside(plan, { length: '200in' });
  return {
    ...inside,
    loops: inside.loops.map((loop) =>
      loop.tee ? { ...loop, tee: { start: { wall: 'w1', at: '200in' } } } : loop,
    ),
  };
};

/** The plan with one wall ending at a top of its own. */
export const withTop = (plan: Plan, wall: string, top: string): Plan => ({
  ...plan,
  loops: plan.loops.map((loop) => ({
    ...loop,
    walk: loop.walk.map((row) => (row.id === wall ? { ...row, top } : row)),
  })),
});

/** The plan with the top of one wall sloped. */
export const withRake = (plan: Plan, wall: string, rake: NonNullable<WalkRow['rake']>): Plan => ({
  ...plan,
  loops: plan.loops.map((loop) => ({
    ...loop,
    walk: loop.walk.map((row) => (row.id === wall ? { ...row, rake } : row)),
  })),
});

/** A hall one of whose corners, its second wall, is rounded by a radius outside, in inches. */
export function roundedHall(radius: number, change: Partial<Plan> = {}): Plan {
  const straight = (id: string, length: number, turn: string): WalkRow => ({
    id,
    length: `${String(length)}in`,
    turn,
  });
  const walk: readonly WalkRow[] = [
    straight('w1', 360, 'straight on'),
    {
      id: 'w2',
      length: '',
      turn: 'straight on',
      curve: { radius: `${String(radius)}in`, sweep: 'right 90' },
    },
    straight('w3', 120, 'right 90'),
    straight('w4', 360 + radius, 'right 90'),
    straight('w5', 120 + radius, 'right 90'),
  ];
  return { ...planOf([]), loops: [{ id: 'loop', closed: true, walk }], ...change };
}

export const HATCHERY: readonly Side[] = [
  [528, 90],
  [240, 90],
  [192, -90],
  [144, 90],
  [336, 90],
  [384, 90],
];

/** A point in whole inches. */
type Spot = readonly [x: number, y: number];

/** Sides of a closed rectilinear outline from its corners, clockwise on the plan. */
function sidesOf(corners: readonly Spot[]): readonly Side[] {
  const count = corners.length;
  const at = (index: number): Spot => corners[(index + count) % count] as Spot;
  return corners.map((_, index) => {
    const [x1, y1] = at(index);
    const [x2, y2] = at(index + 1);
    const [x3, y3] = at(index + 2);
    const cross = (x2 - x1) * (y3 - y2) - (y2 - y1) * (x3 - x2);
    return [Math.abs(x2 - x1) + Math.abs(y2 - y1), cross > 0 ? 90 : -90];
  });
}

/**
 * Random rectilinear outlines that never cross: a straight top edge and a skyline below it, each bay deeper or
 * shallower than the last by enough for a corner's legs.
 */
export const rectilinear = (least = 110, step = 1): fc.Arbitrary<readonly Side[]> =>
  fc
    .array(
      fc.record({
        width: fc.integer({ min: least, max: 700 }),
        depth: fc.integer({ min: 2, max: 6 }),
        odd: fc.integer({ min: 0, max: 40 }),
      }),
      { minLength: 1, maxLength: 5 },
    )
    .map((bays) => {
      const corners: Spot[] = [];
      const width = bays.reduce((sum, bay) => sum + bay.width * step, 0);
      corners.push([0, 0], [width, 0]);
      let x = width;
      let last: number | null = null;
      for (const bay of [...bays].reverse()) {
        // Depths that differ do so by at least 110 in; equal ones join into one bay.
        const depth = bay.depth * 150 + bay.odd;
        if (last === null) corners.push([x, depth]);
        else if (Math.abs(depth - last) >= least) corners.push([x, last], [x, depth]);
        const floor: number = last === null || Math.abs(depth - last) >= least ? depth : last;
        last = floor;
        x -= bay.width * step;
      }
      corners.push([0, last ?? 0]);
      return sidesOf(corners);
    });

/** The same outline walked from another corner. */
export const restarted = (sides: readonly Side[], by: number): readonly Side[] =>
  sides.map((_, index) => sides[(index + by) % sides.length] as Side);

/** The outline's mirror image, still clockwise: the sides in the other order, each with the turn before it. */
export const mirrored = (sides: readonly Side[]): readonly Side[] =>
  sides.map((_, index) => {
    const count = sides.length;
    const [length] = sides[count - 1 - index] as Side;
    const [, turn] = sides[(2 * count - 2 - index) % count] as Side;
    return [length, turn];
  });

/** Corners of a walk in inches, for checks by another library. */
export function cornersOf(sides: readonly Side[]): readonly Spot[] {
  let [x, y, heading] = [0, 0, 0];
  return sides.map(([length, turn]) => {
    const spot: Spot = [x, y];
    x += length * Math.cos((heading * Math.PI) / 180);
    y += length * Math.sin((heading * Math.PI) / 180);
    heading += turn;
    return spot;
  });
}

/** The demo job without the steps of its footing and without openings, seven courses high: the hatchery of the reference cases. */
export const flat = (plan: Plan): Plan => ({
  ...plan,
  openings: [],
  inserts: [],
  steel: {},
  rules: {},
  ...withCourses(7),
  loops: plan.loops.map((loop) => ({
    ...loop,
    walk: loop.walk.map(({ id, length, turn }): WalkRow => ({ id, length, turn })),
  })),
});
