import { describe, expect, it } from 'vitest';
import type { Plan } from '../../../src/kernel/plan';
import { MOST_SIDE_VOLUME, MOST_WALLS, withinLimits } from '../../../src/stages/limits';
import type { WalkRow } from '../../../src/stages/outline/plan';
import { work } from '../../../src/work';
import { insertOf, openingOf } from '../../support/openings';
import { HALL, planOf, withCourses } from '../../support/plans';

const hall = (change: Partial<Plan> = {}): Plan =>
  planOf(HALL, { ...withCourses(6), units: 'metric', ...change });

const onRow = (change: Partial<WalkRow>): Plan => {
  const plan = hall();
  return {
    ...plan,
    loops: plan.loops.map((loop) => ({
      ...loop,
      walk: loop.walk.map((row, index) => (index === 0 ? { ...row, ...change } : row)),
    })),
  };
};

const onLoop = (change: Partial<Plan['loops'][number]>): Plan => {
  const plan = hall();
  return { ...plan, loops: plan.loops.map((loop) => ({ ...loop, ...change })) };
};

const shot = (change: Partial<{ at: string; reading: string }>) => ({
  id: 's',
  wall: 'w1',
  at: '1m',
  reading: '1m',
  ...change,
});

interface Case {
  /** Where it is told, and the name of its field. */
  readonly name: readonly [of: string, field: string];
  readonly with: (text: string) => Plan;
  /** In metres. [written out here by hand, not read from the code] */
  readonly most: number;
  /** In metres; what is less by a tenth of a millimetre is told. Left out where zero, and anything over it, is taken. */
  readonly least?: number;
}

const [PIECE, STATION, HEIGHT, PLACE] = [100, 1000, 100, 10_000];
const SMALLEST = 0.0005;
const INCH = 0.0254;

const CASES: readonly Case[] = [
  { name: ['opening', 'at'], with: (at) => hall({ openings: [openingOf({ at })] }), most: STATION },
  {
    name: ['opening', 'width'],
    with: (width) => hall({ openings: [openingOf({ width })] }),
    most: PIECE,
    least: SMALLEST,
  },
  {
    name: ['opening', 'height'],
    with: (height) => hall({ openings: [openingOf({ height })] }),
    most: PIECE,
    least: SMALLEST,
  },
  {
    name: ['opening', 'sill'],
    with: (sill) => hall({ openings: [openingOf({ sill })] }),
    most: HEIGHT,
    least: -HEIGHT,
  },
  {
    name: ['opening', 'head'],
    with: (head) => hall({ openings: [openingOf({ head })] }),
    most: HEIGHT,
    least: -HEIGHT,
  },
  {
    name: ['opening', 'rise'],
    with: (rise) => hall({ openings: [openingOf({ kind: 'round-top', rise })] }),
    most: PIECE,
  },
  {
    name: ['opening', 'depth'],
    with: (depth) =>
      hall({ openings: [openingOf({ kind: 'door', threshold: { kind: 'slab-over', depth } })] }),
    most: PIECE,
  },
  { name: ['insert', 'at'], with: (at) => hall({ inserts: [insertOf({ at })] }), most: STATION },
  {
    name: ['insert', 'up'],
    with: (up) => hall({ inserts: [insertOf({ up })] }),
    most: HEIGHT,
    least: -HEIGHT,
  },
  {
    name: ['insert', 'size'],
    with: (size) => hall({ inserts: [insertOf({ size })] }),
    most: PIECE,
    least: SMALLEST,
  },
  {
    name: ['insert', 'height'],
    with: (height) => hall({ inserts: [insertOf({ kind: 'pocket', height })] }),
    most: PIECE,
    least: SMALLEST,
  },
  {
    name: ['insert', 'depth'],
    with: (depth) => hall({ inserts: [insertOf({ kind: 'pocket', depth })] }),
    most: PIECE,
  },
  {
    name: ['insert', 'length'],
    with: (length) => hall({ inserts: [insertOf({ kind: 'ledger', length })] }),
    most: STATION,
    least: SMALLEST,
  },
  {
    name: ['insert', 'spacing'],
    with: (spacing) => hall({ inserts: [insertOf({ kind: 'ledger', length: '4m', spacing })] }),
    most: PIECE,
    least: INCH,
  },
  { name: ['insert', 'fall'], with: (fall) => hall({ inserts: [insertOf({ fall })] }), most: HEIGHT },
  { name: ['buck', 'thickness'], with: (thickness) => hall({ bucks: { foam: { thickness } } }), most: PIECE },
  {
    name: ['buck', 'stock'],
    with: (stock) => hall({ bucks: { foam: { stock } } }),
    most: PIECE,
    least: SMALLEST,
  },
  { name: ['buck', 'kerf'], with: (kerf) => hall({ bucks: { foam: { kerf } } }), most: PIECE },
  {
    name: ['wall', 'footing'],
    with: (at) => onRow({ footing: [{ id: 'f', at, step: 'up 0.4m' }] }),
    most: STATION,
  },
  {
    name: ['wall', 'footing'],
    with: (size) => onRow({ footing: [{ id: 'f', at: '2m', step: `up ${size}` }] }),
    most: HEIGHT,
  },
  {
    name: ['wall', 'footing'],
    with: (size) => onRow({ footing: [{ id: 'f', at: '2m', step: `Down ${size}` }] }),
    most: HEIGHT,
  },
  {
    name: ['wall', 'topSteps'],
    with: (at) => onRow({ topSteps: [{ id: 't', at, top: '5 courses' }] }),
    most: STATION,
  },
  {
    name: ['wall', 'topSteps'],
    with: (top) => onRow({ topSteps: [{ id: 't', at: '2m', top }] }),
    most: HEIGHT,
    least: -HEIGHT,
  },
  { name: ['wall', 'top'], with: (top) => onRow({ top }), most: HEIGHT, least: -HEIGHT },
  {
    name: ['wall', 'rake'],
    with: (at) => onRow({ rake: { how: 'cut', points: [{ id: 'r', at, top: '5 courses' }] } }),
    most: STATION,
  },
  {
    name: ['wall', 'rake'],
    with: (top) => onRow({ rake: { how: 'cut', points: [{ id: 'r', at: '2m', top }] } }),
    most: HEIGHT,
    least: -HEIGHT,
  },
  { name: ['wall', 'asLaid'], with: (length) => onRow({ asLaid: [{ course: 1, length }] }), most: STATION },
  { name: ['wall', 'offset'], with: (size) => onRow({ bearing: { offset: `out ${size}` } }), most: PIECE },
  {
    name: ['wall', 'backfill'],
    with: (backfill) => hall({ steel: { walls: { w1: { backfill } } } }),
    most: HEIGHT,
  },
  { name: ['loop', 'base'], with: (base) => onLoop({ base }), most: HEIGHT, least: -HEIGHT },
  { name: ['loop', 'right'], with: (right) => onLoop({ right }), most: PLACE, least: -PLACE },
  { name: ['loop', 'down'], with: (down) => onLoop({ down }), most: PLACE, least: -PLACE },
  {
    name: ['footing', 'at'],
    with: (at) => hall({ footing: { kind: 'strip', shots: [shot({ at })] } }),
    most: STATION,
  },
  {
    name: ['footing', 'reading'],
    with: (reading) => hall({ footing: { kind: 'strip', shots: [shot({ reading })] } }),
    most: HEIGHT,
  },
  {
    name: ['footing', 'reading'],
    with: (reading) => hall({ footing: { kind: 'strip', after: [shot({ reading })] } }),
    most: HEIGHT,
  },
  {
    name: ['footing', 'length'],
    with: (length) =>
      hall({ footing: { kind: 'strip', pulls: [{ id: 'p', from: 'w1', to: 'w3', length }] } }),
    most: PLACE,
  },
  {
    name: ['bracing', 'planks'],
    with: (length) => hall({ bracing: { planks: [{ length }] } }),
    most: PIECE,
    least: SMALLEST,
  },
  {
    name: ['bracing', 'uprights'],
    with: (length) => hall({ bracing: { uprights: [{ length }] } }),
    most: PIECE,
    least: SMALLEST,
  },
];

const TENTH = 0.0001;
const text = (metres: number): string => `${metres.toFixed(4)}m`;

describe('every length that a plan may say', () => {
  it.each(CASES.map((each, index) => ({ ...each, called: `${each.name.join(' ')} ${String(index)}` })))(
    '$called: is taken up to its most, told over it, and then left out',
    ({ name: [of, field], with: plan, most, least }) => {
      const told = (metres: number) =>
        withinLimits(plan(text(metres))).problems.map((each) =>
          each.kind === 'out-of-range' ? [each.place.of, each.field] : [each.kind],
        );
      expect(told(most)).toEqual([]);
      expect(told(most + TENTH)).toEqual([[of, field]]);
      if (least !== undefined) {
        expect(told(least)).toEqual([]);
        expect(told(least - TENTH)).toEqual([[of, field]]);
      }
      const beyond = plan(text(most * 10));
      const kept = withinLimits(beyond);
      expect(JSON.stringify(kept.plan)).not.toContain(text(most * 10));
      expect(withinLimits(kept.plan)).toEqual({ plan: kept.plan, problems: [] });
      const notice = work(beyond).notices.find(({ id }) => id.startsWith('limit-out-of-range'));
      expect(notice?.severity).toBe('stop');
    },
  );

  it('tells each of two things that are beyond, and keeps what stands beside them', () => {
    const fine = openingOf({ id: 'fine', at: '3m', width: '1m', height: '1m' });
    const bad = openingOf({ id: 'bad', at: '2000m', width: '200m' });
    const { plan, problems } = withinLimits(
      hall({ openings: [bad, fine], inserts: [insertOf({ up: '200m' })] }),
    );
    expect(problems).toHaveLength(3);
    expect(plan.openings).toEqual([fine]);
    expect(plan.inserts).toEqual([]);
    expect(plan.loops).toEqual(hall().loops);
  });

  it('holds walls and side pours to their most, in the units of the job', () => {
    const walls = (count: number): Plan => {
      const [row] = hall().loops.flatMap((loop) => loop.walk);
      if (!row) throw new Error('no row');
      const walk = Array.from({ length: count }, (_, index) => ({ ...row, id: `w${String(index)}` }));
      const half = Math.floor(count / 2);
      return hall({
        loops: [
          { id: 'a', closed: false, walk: walk.slice(0, half) },
          { id: 'b', closed: false, walk: walk.slice(half) },
        ],
      });
    };
    expect(withinLimits(walls(MOST_WALLS)).problems).toEqual([]);
    const over = withinLimits(walls(MOST_WALLS + 1));
    expect(over.problems).toEqual([{ kind: 'too-many-walls', walls: MOST_WALLS + 1, most: MOST_WALLS }]);
    expect(over.plan.loops.map(({ id }) => id)).toEqual(['a']);
    const side = (volume: string, units: Plan['units']): Plan =>
      hall({ units, pour: { sides: [{ id: 's', name: 'Pad', volume, when: 'first' }] } });
    expect(withinLimits(side(`${String(MOST_SIDE_VOLUME)} m3`, 'metric')).problems).toEqual([]);
    const said = (volume: string, units: Plan['units']) =>
      work(side(volume, units)).notices.find(({ id }) => id.startsWith('limit-side'))?.what;
    expect(said('1001 m3', 'metric')).toContain('1001 m³ is over the limit of a side pour (1000 m³)');
    // A cubic yard is 0.764 555 m³.
    expect(said('2000 yd3', 'imperial')).toContain('2000 yd³ is over the limit of a side pour (1308 yd³)');
    expect(withinLimits(side('1001 m3', 'metric')).plan.pour?.sides).toEqual([]);
  });
});
