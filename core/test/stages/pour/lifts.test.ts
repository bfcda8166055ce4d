import { valuesIn } from '../../support/values';
import { houseRules } from '../../../src/rules';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Length, inches, subtract, toInches, ZERO } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import type { PourSpan } from '../../../src/stages/outline';
import { type WorkedPour, clockText, minutesOf, liftsOf, standsAlong } from '../../../src/stages/pour';
import { work } from '../../../src/work';
import { openingOf } from '../../support/openings';
import { type Side, HATCHERY, planOf, rectilinear, withCourses } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];
const plan = (change: Partial<Plan> = {}): Plan => planOf(RECTANGLE, { ...withCourses(6), ...change });
function pourOf(each: Plan): WorkedPour {
  const [pour] = work(each).pour.pours;
  if (!pour) throw new Error('nothing is poured');
  return pour;
}
const depths = (each: Plan): readonly number[] =>
  pourOf(each).lifts.map(({ bottom, top }) => toInches(subtract(top, bottom)));
const byHand = (...lifts: readonly string[]): Plan =>
  plan({
    rules: { 'pour.lifts': 'by-hand' },
    pour: { pours: { 'pour-1': { lifts } } },
  });
const kinds = (each: Plan): readonly string[] => work(each).pour.problems.map((problem) => problem.kind);
const told = (each: Plan, kind: string): readonly string[] =>
  work(each)
    .notices.filter((notice) => `${notice.id}:`.startsWith(`pour:${kind}:`))
    .map((notice) => notice.what);

describe('lifts', () => {
  // Six courses of 16 in: 96 in.
  it('go low first, then as deep as the rule lets them [common practice: 2–3 ft, then 3–4]', () => {
    expect(depths(plan())).toEqual([30, 33, 33]);
    expect(depths(plan({ rules: { 'pour.lift.first': '24in', 'pour.lift.next': '36in' } }))).toEqual([
      24, 36, 36,
    ]);
    expect(depths(plan(withCourses(1)))).toEqual([16]);
  });

  it('are two or three equal ones by the other schools', () => {
    expect(depths(plan({ rules: { 'pour.lifts': 'two' } }))).toEqual([48, 48]);
    expect(depths(plan({ rules: { 'pour.lifts': 'three' } }))).toEqual([32, 32, 32]);
  });

  it('end on whole inches, or whole centimetres, which can be marked on foam', () => {
    const tops = (each: Plan): readonly Length[] => pourOf(each).lifts.map(({ top }) => top);
    expect(tops(plan({ ...withCourses(7), rules: { 'pour.lifts': 'three' } })).map(toInches)).toEqual([
      37, 75, 112,
    ]);
    const metric = tops(plan({ units: 'metric', rules: { 'pour.lifts': 'three' } }));
    expect(metric.slice(0, -1).every((top) => top % 10_000_000 === 0)).toBe(true);
  });

  it('warn of two lifts in a high wall, and offer three', () => {
    const high = plan({ ...withCourses(7), rules: { 'pour.lifts': 'two' } });
    expect(valuesIn(told(high, 'two-lifts-high')[0])).toEqual(expect.arrayContaining(['8′', '9′ 4″']));
    const fix = work(high).notices.find((notice) => notice.id.startsWith('pour:two-lifts-high'))?.fixes[0];
    expect(fix?.edit).toEqual({ kind: 'set-rule', rule: 'pour.lifts', value: 'three' });
  });

  it('are set by hand, from the bottom up', () => {
    expect(depths(byHand('20in', '36in', '40in'))).toEqual([20, 36, 40]);
    expect(kinds(byHand('20in', '36in', '40in'))).not.toContain('lifts-short');
  });

  it('by hand that do not reach the top get one more, and say so', () => {
    expect(depths(byHand('20in', '36in'))).toEqual([20, 36, 40]);
    expect(valuesIn(told(byHand('20in', '36in'), 'lifts-short')[0])).toEqual(
      expect.arrayContaining(['3′ 4″']),
    );
  });

  it('by hand higher than the wall are stopped, and cut off', () => {
    expect(depths(byHand('20in', '120in'))).toEqual([20, 76]);
    expect(told(byHand('20in', '120in'), 'lift-too-high')[0]).toMatch(
      /Lift 2 is 10′ deep and only 6′ 4″ of wall is left/,
    );
    expect(told(byHand('96in', '12in'), 'lift-too-high')[0]).toMatch(/no wall is left for it/);
  });

  it('by hand that cannot be read leave the low first lift standing in', () => {
    expect(depths(byHand('a bit'))).toEqual([30, 33, 33]);
    expect(valuesIn(told(byHand('a bit'), 'lift-unreadable')[0])).toEqual(
      expect.arrayContaining(['1', '“a bit”']),
    );
    expect(kinds(byHand('0in'))).toContain('lift-unreadable');
  });
});

describe('the route', () => {
  const wallsInOrder = (each: Plan): readonly string[] => {
    const pour = pourOf(each);
    const names = pour.route.map((index) => pour.slices[index]?.name ?? '');
    return names.filter((name, index) => name !== names[index - 1]);
  };

  it('goes once lift every slice', () => {
    for (const sides of [RECTANGLE, HATCHERY]) {
      const pour = pourOf(planOf(sides, withCourses(4)));
      expect([...pour.route].sort((a, b) => a - b)).toEqual(pour.slices.map((slice) => slice.index));
    }
  });

  it('starts so far from the corner that it arrives at it, or in it', () => {
    const arrive = pourOf(plan());
    const first = arrive.slices[arrive.route[0] ?? -1];
    expect(toInches(first?.to as Length)).toBeGreaterThan(72);
    // The last stop of a lift lies between the corner and where the hose began.
    const last = arrive.slices[arrive.route.at(-1) ?? -1];
    expect(last?.wall).toBe('w1');
    expect(toInches(last?.from as Length)).toBeLessThan(72);
    const corner = pourOf(plan({ rules: { 'pour.start': 'corner' } }));
    expect(corner.slices[corner.route[0] ?? -1]?.from).toBe(0);
    expect(wallsInOrder(plan({ rules: { 'pour.start': 'corner' } }))).toEqual(['A–B', 'B–C', 'C–D', 'D–A']);
  });

  it('goes the other way, or from another corner, where that is said', () => {
    expect(
      wallsInOrder(plan({ rules: { 'pour.start': 'corner', 'pour.direction': 'anticlockwise' } })),
    ).toEqual(['D–A', 'C–D', 'B–C', 'A–B']);
    expect(
      wallsInOrder(
        plan({ rules: { 'pour.start': 'corner' }, pour: { pours: { 'pour-1': { corner: 'w3' } } } }),
      ),
    ).toEqual(['C–D', 'D–A', 'A–B', 'B–C']);
  });

  it('sets the hose down no farther apart than about a step', () => {
    for (const { from, to } of pourOf(plan()).slices) {
      expect(toInches(subtract(to, from))).toBeLessThanOrEqual(72);
    }
    const fine = pourOf(plan({ rules: { 'pour.hose.step': '24in' } }));
    expect(fine.slices.length).toBeGreaterThan(pourOf(plan()).slices.length * 1.8);
  });
});

describe('sills', () => {
  const window = openingOf({ at: '100in', width: '48in', height: '40in', sill: '40in' });
  const sillsOf = (rule: string) => {
    const pour = pourOf(plan({ openings: [window], rules: { 'pour.sills': rule } }));
    return { pour, first: pour.stops.filter((stop) => stop.lift === 1).map((stop) => stop.kind) };
  };

  it('are filled first in a lift, or after the walls beside them', () => {
    const before = sillsOf('first').first;
    expect(before[0]).toBe('sill');
    expect(before.lastIndexOf('sill')).toBeLessThan(before.indexOf('wall'));
    const after = sillsOf('after').first;
    expect(after.at(-1)).toBe('sill');
    expect(after.indexOf('sill')).toBeGreaterThan(after.lastIndexOf('wall'));
  });

  it('are no sills once the lift is over the head', () => {
    const { pour } = sillsOf('first');
    const over = pour.stops.filter((stop) => stop.lift === 3);
    expect(over.every((stop) => stop.kind === 'wall')).toBe(true);
    expect(over.some((stop) => stop.slice !== null && pour.slices[stop.slice]?.opening !== null)).toBe(true);
  });

  it('part the layers: what lies over a head never waited on what lies under the sill', () => {
    const { pour } = sillsOf('first');
    const numbers = new Set(
      pour.stops.flatMap((stop, index) =>
        stop.slice !== null && pour.slices[stop.slice]?.opening ? [pour.day.stops[index]?.slice] : [],
      ),
    );
    const [under, over] = [...numbers].sort((a, b) => (a ?? 0) - (b ?? 0));
    expect(numbers.size).toBe(2);
    expect(over).toBe((under ?? 0) + pour.slices.length);
  });

  it('are none under a door', () => {
    const door = openingOf({ kind: 'door', at: '100in', width: '36in', height: '70in' });
    expect(pourOf(plan({ openings: [door] })).stops.some((stop) => stop.kind === 'sill')).toBe(false);
  });
});

describe('chute and conveyor', () => {
  it('are moved where they reach no farther, in every lift', () => {
    const pump = pourOf(plan());
    expect(pump.moves).toBe(0);
    const chute = pourOf(plan({ rules: { 'pour.method': 'chute' } }));
    const belt = pourOf(plan({ rules: { 'pour.method': 'conveyor' } }));
    expect(chute.moves).toBeGreaterThan(belt.moves);
    const perLift = [1, 2, 3].map(
      (lift) => chute.stops.filter((stop) => stop.lift === lift && stop.move).length,
    );
    expect(perLift[1]).toBe((perLift[0] ?? 0) + 1);
    expect(perLift[2]).toBe(perLift[1]);
  });

  it('reach every slice from where they stand', () => {
    const { slices, route, reach } = pourOf(plan({ rules: { 'pour.method': 'chute' } }));
    const inOrder = route.flatMap((index) => slices[index] ?? []);
    const stands = standsAlong(inOrder, reach);
    // Between two stands no two slices are farther apart than twice the reach.
    let first = inOrder[0];
    for (const slice of inOrder) {
      if (stands.has(slice.index)) first = slice;
      const far = Math.hypot(slice.at.x - (first?.at.x ?? 0), slice.at.y - (first?.at.y ?? 0));
      expect(far).toBeLessThanOrEqual(2 * reach + 1);
    }
  });

  it('may stand too far off, which is said with the walls that are missed', () => {
    const far = plan({
      rules: { 'pour.reach.pump': '40ft' },
      pour: { pours: { 'pour-1': { stand: { wall: 'w1', at: '20ft', out: '20ft' } } } },
    });
    expect(valuesIn(told(far, 'out-of-reach')[0])).toEqual(expect.arrayContaining(['40′', 'C–D']));
    const near = plan({
      pour: { pours: { 'pour-1': { stand: { wall: 'w1', at: '20ft', out: '20ft' } } } },
    });
    expect(told(near, 'out-of-reach')).toEqual([]);
    const { stand } = pourOf(near);
    // Twenty feet out from the middle of A–B; the far corners’ slices lie some 52 ft away.
    expect(toInches(stand?.at.y as Length)).toBe(-240);
    expect(toInches(stand?.farthest as Length)).toBeGreaterThan(600);
    expect(toInches(stand?.farthest as Length)).toBeLessThan(640);
    const gone = plan({ pour: { pours: { 'pour-1': { stand: { wall: 'w9', at: '1ft', out: '1ft' } } } } });
    expect(valuesIn(told(gone, 'stand-unreadable')[0])).toEqual(expect.arrayContaining(['“w9”']));
  });
});

describe('a chute', () => {
  const chuted = (others: Partial<Plan> = {}): Plan =>
    plan({ rules: { 'pour.method': 'chute' }, ...withCourses(5), ...others });

  it('pours no higher over its truck than it slopes: walls that are, are told with how high they stand', () => {
    // Five courses are 6 ft 8 in; the rule is 5 ft.
    expect(valuesIn(told(chuted(), 'over-chute')[0])).toEqual(expect.arrayContaining(['6′ 8″', '5′']));
    expect(told(chuted(withCourses(3)), 'over-chute')).toEqual([]);
    expect(told(plan(withCourses(5)), 'over-chute')).toEqual([]);
  });

  it('stands higher once the ground outside is filled', () => {
    const filled = chuted({
      pours: [
        {
          id: 'pour-1',
          toCourse: 3,
          top: 'full',
          ground: { outside: { to: '3ft', with: 'fill' }, inside: { to: '3ft', with: 'fill' } },
        },
        { id: 'pour-2', toCourse: 6, top: 'full' },
      ],
    });
    // Eight feet less three.
    expect(told(filled, 'over-chute')).toEqual([]);
    const flat = chuted({
      pours: [
        { id: 'pour-1', toCourse: 3, top: 'full' },
        { id: 'pour-2', toCourse: 6, top: 'full' },
      ],
    });
    expect(told(flat, 'over-chute')).toHaveLength(1);
  });
});

describe('the clock', () => {
  it('reads and writes times of the day', () => {
    expect(minutesOf('07:30')).toBe(450);
    expect(minutesOf(undefined)).toBeNull();
    expect(minutesOf('soon')).toBeNull();
    expect(clockText(450)).toBe('07:30');
    expect(clockText(-30)).toBe('23:30');
    expect(clockText(1439.7)).toBe('00:00');
  });

  it('plans the day without any scatter: every stop after the one before it, all of it placed', () => {
    const { clock, stops, day } = pourOf(plan());
    expect(clock.placed.map(({ stop }) => stop)).toEqual(stops.map((_, index) => index));
    const placing = clock.placed.reduce((sum, { from, to }) => sum + to - from, 0);
    // Forms take a little more than is drawn: half of the allowance of 7 %.
    const volume = 1.035 * stops.reduce((sum, stop) => sum + stop.volume, 0);
    const waits = clock.idle.reduce((sum, { from, to }) => sum + to - from, 0);
    expect(placing + waits).toBeGreaterThanOrEqual((volume / day.rate) * 60 - 1e-6);
    expect(clock.finish).toBeCloseTo((volume / day.rate) * 60 + waits, 6);
  });

  it('minds a cold joint that is in the plan, and a load too old', () => {
    const hot = plan({ rules: { 'pour.work.minutes': 15, 'pour.mix.temperature': 95 } });
    expect(told(hot, 'lift-slow')).toHaveLength(1);
    const slow = plan({ rules: { 'pour.rate.pump': 5, 'pour.truck.spacing': 10 } });
    expect(valuesIn(told(slow, 'load-old')[0])).toEqual(expect.arrayContaining(['90 min']));
    // The crew is slower than its trucks and the layers wait already: nobody is told to space them farther apart.
    expect(told(slow, 'trucks-close')).toEqual([]);
    expect(work(slow).pour.problems).toContainEqual(
      expect.objectContaining({ kind: 'lift-slow', trucksWait: true }),
    );
    const close = plan({ rules: { 'pour.truck.spacing': 10 } });
    expect(told(close, 'trucks-close')[0]).toMatch(
      /A load takes the crew \d+ min and a truck comes every 10 min/,
    );
  });
});

describe('very short walls', () => {
  it('are told with their seconds, once a wall', () => {
    const short = planOf(
      [
        [480, 90],
        [84, 90],
        [480, 90],
        [84, 90],
      ],
      withCourses(6),
    );
    const words = told(short, 'dwell-short');
    expect(words).toHaveLength(2);
    expect(valuesIn(words[0])).toEqual(expect.arrayContaining(['1']));
    const { dwell, volumes, day } = pourOf(short);
    const own = dwell.find((each) => each.wall === 'w2' && each.lift === 1);
    expect(own?.seconds).toBeCloseTo(((volumes.lifts[0]?.walls['w2'] ?? 0) / day.rate) * 3600, 9);
  });
});

describe('no silly lifts', () => {
  const span = (height: number): PourSpan => ({
    pour: 's',
    name: 'Walls',
    fromCourse: 1,
    toCourse: 1,
    lowest: true,
    bottom: ZERO,
    top: inches(height),
    stopsMidBlock: false,
  });
  const depths = (height: number, school: string, typed: readonly string[] = []): readonly number[] =>
    liftsOf(span(height), {
      typed,
      units: 'imperial',
      rules: houseRules({ 'pour.lifts': school }),
    }).value.map((lift) => toInches((lift.top - lift.bottom) as Length));

  it('32 in of wall are two lifts of 16 in, not one of 30 and one of 2', () => {
    expect(depths(32, 'low-first')).toEqual([16, 16]);
    expect(depths(30, 'low-first')).toEqual([30]);
    expect(depths(43, 'low-first')).toEqual([30, 13]);
    expect(depths(16, 'three')).toEqual([16]);
    expect(depths(26, 'three')).toEqual([13, 13]);
    expect(depths(62, 'by-hand', ['30in', '30in'])).toEqual([30, 32]);
  });

  it('two of them are for walls up to the rule’s height, and told over it', () => {
    const kinds = (height: number): readonly string[] =>
      liftsOf(span(height), {
        typed: undefined,
        units: 'imperial',
        rules: houseRules({ 'pour.lifts': 'two', 'pour.lift.two.most': '8ft' }),
      }).problems.map(({ kind }) => kind);
    expect(kinds(96)).toEqual([]);
    expect(kinds(96.0625)).toEqual(['two-lifts-high']);
  });

  it('by any school the lifts fill the wall, and none is under 12 in where the wall is not', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 16, max: 4000 }),
        fc.constantFrom('low-first', 'two', 'three'),
        fc.constantFrom('imperial' as const, 'metric' as const),
        (sixteenths, school, units) => {
          const high = inches(sixteenths / 16);
          const { value: lifts } = liftsOf(
            { ...span(1), top: high },
            { typed: undefined, units, rules: houseRules({ 'pour.lifts': school }) },
          );
          let at: number = 0;
          for (const { bottom, top } of lifts) {
            expect(bottom).toBe(at);
            at = top;
            expect(top - bottom).toBeGreaterThanOrEqual(Math.min(inches(12), high) - 1);
          }
          expect(at).toBe(high);
        },
      ),
    );
  });
});

describe('no phantom stops', () => {
  it('every stop of the hose puts down more than a cup', () => {
    fc.assert(
      fc.property(
        rectilinear(),
        fc.integer({ min: 2, max: 6 }),
        fc.integer({ min: 0, max: 200 }),
        (sides, courses, at) => {
          const job = planOf(sides, {
            ...withCourses(courses),
            openings: [openingOf({ at: `${String(20 + at)}in`, height: '20in', sill: '10in' })],
          });
          for (const { stops, volumes } of work(job).pour.pours) {
            for (const stop of stops) expect(stop.volume).toBeGreaterThan(1e-5);
            const all = stops.reduce((sum, stop) => sum + stop.volume, 0);
            expect(all).toBeCloseTo(volumes.core.value, 6);
          }
        },
      ),
      { numRuns: 12 },
    );
  });
});

describe('the first lift', () => {
  it('of a footing that is poured as one is footing and half a course: the same on the footing sheet and in the pour', () => {
    fc.assert(
      fc.property(
        rectilinear(),
        fc.integer({ min: 2, max: 8 }),
        fc.constantFrom('low-first', 'two', 'three'),
        (sides, courses, school) => {
          const worked = work(
            planOf(sides, {
              ...withCourses(courses),
              footing: { kind: 'forms', withWall: true },
              rules: { 'pour.lifts': school },
            }),
          );
          const [pour] = worked.pour.pours;
          if (!pour) throw new Error('nothing is poured');
          expect(toInches(pour.lifts[0]?.top ?? ZERO)).toBe(8);
          const footing = pour.volumes.sides.find(({ id }) => id === 'footing')?.volume.value ?? 0;
          expect(footing).toBeGreaterThan(0);
          const first = footing + (pour.volumes.lifts[0]?.whole.value ?? 0);
          expect(worked.footing.firstLift?.value).toBeCloseTo(first, 9);
          expect(pour.stops[0]).toMatchObject({ kind: 'side', lift: 1 });
        },
      ),
      { numRuns: 30 },
    );
  });

  it('on rock takes along what fills the gap under the forms, and it is ordered', () => {
    const readings = (wall: string, ...at: readonly (readonly [number, string])[]) =>
      at.map(([along, reading], index) => ({
        id: `${wall}-${String(index)}`,
        wall,
        at: `${String(along)}ft`,
        reading,
      }));
    const shots = [
      ...readings('w1', [1, '4ft'], [20, '4ft 3in'], [39, '4ft 1in']),
      ...readings('w2', [14, '4ft 2in']),
      ...readings('w3', [20, '4ft 4in']),
      ...readings('w4', [14, '4ft 1in']),
    ];
    const { pour, footing } = work(plan({ footing: { kind: 'rock', shots } }));
    const gap = (footing.rock?.fills.value ?? 0) + (footing.rock?.lost.value ?? 0);
    expect(gap).toBeGreaterThan(0);
    const [first] = pour.pours;
    expect(first?.volumes.sides.find(({ id }) => id === 'rock')?.volume.value).toBeCloseTo(gap, 12);
    const bare = work(plan()).pour.pours[0]?.volumes.core.value ?? 0;
    expect(first?.volumes.ordered.value).toBeGreaterThanOrEqual((bare + gap) * 1.05);
  });
});
