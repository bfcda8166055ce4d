import type { Loop } from '../../../src/stages/outline/plan';
import { houseRules } from '../../../src/rules';
import { describe, expect, it } from 'vitest';
import { type Length, inches, NANOMETRES_PER_METRE, toInches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { pourSpans } from '../../../src/stages/outline';
import { pointOver, slicesOf } from '../../../src/stages/pour';
import { distance } from '../../../src/kernel/geometry/point';
import { work } from '../../../src/work';
import { type Side, HATCHERY, planOf, withCourses } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];
const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);

/** A rectangle with two of its corners rounded: its second wall is a quarter circle of 10 ft. */
const rounded = (): Plan => {
  const straight = (id: string, length: string, turn = 'straight on') => ({ id, length, turn });
  return {
    ...planOf([]),
    ...withCourses(4),
    loops: [
      {
        id: 'loop',
        closed: true,
        walk: [
          straight('w1', '30ft'),
          { id: 'w2', length: '', turn: 'straight on', curve: { radius: '10ft', sweep: 'right 90' } },
          straight('w3', '10ft', 'right 90'),
          straight('w4', '40ft', 'right 90'),
          straight('w5', '20ft', 'right 90'),
        ],
      },
    ],
  };
};

const inside: Loop = {
  id: 'inside',
  closed: false,
  tee: { start: { wall: 'w1', at: '20ft' }, end: { wall: 'w3' } },
  walk: [{ id: 'i1', length: '25ft 10in', turn: 'right 90' }],
};
const withInside = (): Plan => {
  const base = planOf(RECTANGLE, withCourses(6));
  return { ...base, loops: [...base.loops, inside] };
};

describe('jobs of several outlines', () => {
  const worked = work(withInside());
  const [pour] = worked.pour.pours;

  it('pour the inside wall with the others, volume and all', () => {
    expect(
      worked.notices.filter((each) => each.severity === 'stop' && each.place.stage === undefined),
    ).toEqual([]);
    if (!pour) throw new Error('nothing is poured');
    expect(pour.volumes.walls.map(({ wall }) => wall)).toContain('i1');
    expect(pour.volumes.core.value).toBeCloseTo(worked.tally.total.coreVolume.value, 9);
    expect(sum(pour.stops.map((stop) => stop.volume))).toBeCloseTo(pour.volumes.core.value, 9);
  });

  it('go round one outline after the other in every lift', () => {
    if (!pour) throw new Error('nothing is poured');
    for (const lift of [1, 2, 3]) {
      const loops = pour.stops
        .filter((stop) => stop.lift === lift && stop.slice !== null)
        .map((stop) => pour.slices[stop.slice ?? -1]?.loop ?? '');
      expect(loops.filter((loop, index) => loop !== loops[index - 1])).toEqual(['loop', 'inside']);
    }
  });

  it('set plates on the inside wall up to the edges of the plates that it meets', () => {
    const run = worked.topoff.runs.find((each) => each.wall === 'i1');
    const length = worked.shell.loops[1]?.built?.walls[0]?.length ?? 0;
    // The other wall’s plate lies in the middle of its 8 in core, 2 1/2 in of foam before it: its edge is 3 3/4 in away.
    expect(toInches(run?.from as Length)).toBe(-3.75);
    expect(toInches(((run?.to ?? 0) - length) as Length)).toBe(3.75);
  });
});

describe('where slices lie in the plan', () => {
  it('is over the middle of the core, inside the wall that they belong to', () => {
    const { shell, openings } = work(planOf(HATCHERY, withCourses(4)));
    for (const slice of slicesOf(shell, openings.placed, houseRules())) {
      const built = shell.loops[0]?.built;
      const wall = built?.walls.find((each) => each.id === slice.wall);
      if (!built || !wall) throw new Error('does not stand');
      const middle = (slice.from + slice.to) / 2;
      const outer = pointOver(built, wall, middle, 0);
      const inner = pointOver(built, wall, middle, wall.thickness);
      expect(distance(outer, slice.at) + distance(slice.at, inner)).toBeCloseTo(wall.thickness, -1);
    }
  });

  it('covers every wall once, end to end', () => {
    const { shell, openings } = work(planOf(HATCHERY, withCourses(4)));
    const slices = slicesOf(shell, openings.placed, houseRules());
    for (const wall of shell.loops[0]?.built?.walls ?? []) {
      const own = slices.filter((slice) => slice.wall === wall.id);
      expect(own[0]?.from).toBe(0);
      expect(own.at(-1)?.to).toBe(wall.length);
      own.slice(1).forEach((slice, index) => {
        expect(slice.from).toBe(own[index]?.to);
      });
    }
  });

  it('follows an arc lift its centre, half of the wall inside its outer face', () => {
    const worked = work(rounded());
    const [pour] = worked.pour.pours;
    if (!pour) throw new Error('nothing is poured');
    // Walked from the origin to the right for 30 ft; the centre lies 10 ft below where the arc begins.
    const centre = { x: inches(360), y: inches(120) };
    const onArc = pour.slices.filter((slice) => slice.wall === 'w2');
    expect(onArc.length).toBeGreaterThan(2);
    for (const slice of onArc) expect(toInches(distance(slice.at, centre))).toBeCloseTo(120 - 6.5, 3);
    expect(pour.volumes.core.value).toBeCloseTo(worked.tally.total.coreVolume.value, 9);
    expect(sum(pour.stops.map((stop) => stop.volume))).toBeCloseTo(pour.volumes.core.value, 9);
    const plate = worked.topoff.runs.find((run) => run.wall === 'w2');
    expect(plate).toMatchObject({ curved: true });
    expect(plate?.pieces).toHaveLength(1);
    expect(worked.notices.some((notice) => notice.id.startsWith('pour:top:plate-curved'))).toBe(true);
  });
});

describe('spans of the pours', () => {
  const { levels } = work(planOf(RECTANGLE, withCourses(6)));
  const at = (height: number): number => Math.round((height / NANOMETRES_PER_METRE) * 1e6) / 1e6;

  it('follow each other without a gap, half a course where a pour stops half way up', () => {
    const spans = pourSpans(
      [
        { id: 'a', toCourse: 2, top: 'half' },
        { id: 'b', toCourse: 4, top: 'full' },
        { id: 'c', toCourse: 6, top: 'half' },
      ],
      levels,
    );
    expect(spans.map(({ bottom, top }) => [toInches(bottom), toInches(top)])).toEqual([
      [0, 24],
      [24, 64],
      [64, 96],
    ]);
    expect(spans.map(({ stopsMidBlock }) => stopsMidBlock)).toEqual([true, false, false]);
    expect(spans.map(({ fromCourse, toCourse }) => [fromCourse, toCourse])).toEqual([
      [1, 2],
      [2, 4],
      [5, 6],
    ]);
    expect(at(spans[2]?.top ?? 0)).toBeCloseTo(96 * 0.0254, 6);
  });

  it('are named by their pour, or by their number', () => {
    const names = (pours: Plan['pours']): readonly string[] =>
      pourSpans(pours, levels).map(({ name }) => name);
    expect(names([{ id: 'a', toCourse: 6, top: 'full' }])).toEqual(['Walls']);
    expect(
      names([
        { id: 'a', toCourse: 3, top: 'full' },
        { id: 'b', name: 'Up', toCourse: 6, top: 'full' },
      ]),
    ).toEqual(['Pour 1', 'Up']);
  });
});
