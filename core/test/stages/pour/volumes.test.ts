import { evaluate } from '../../../src/kernel/figures/how';
import type { Pour } from '../../../src/stages/outline/plan';
import { houseRules } from '../../../src/rules';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type Length,
  CUBIC_METRES_PER_CUBIC_YARD,
  inches,
  KILOGRAMS_PER_POUND,
  storeLength,
  toCubicYards,
  toInches,
} from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { type WorkedPour, figuresOfPour, loadsOf } from '../../../src/stages/pour';
import { concreteOfCourse, coreOf, displacingOf } from '../../../src/stages/tally';
import { work } from '../../../src/work';
import reference from '../../data/trade-values.json';
import { insertOf, openingOf } from '../../support/openings';
import { type Side, HATCHERY, planOf, rectilinear, withCourses } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];
const plan = (change: Partial<Plan> = {}): Plan => planOf(RECTANGLE, { ...withCourses(7), ...change });
const poursOf = (each: Plan): readonly WorkedPour[] => work(each).pour.pours;
function pourOf(each: Plan, index = 0): WorkedPour {
  const pour = poursOf(each)[index];
  if (!pour) throw new Error('nothing is poured');
  return pour;
}
const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);

/** Outlines with openings, steps and thicker walls, as jobs have them. */
const jobs: readonly (readonly [name: string, plan: Plan])[] = [
  ['a rectangle', plan()],
  ['the hatchery', planOf(HATCHERY, withCourses(8))],
  [
    'openings and inserts',
    plan({
      openings: [
        openingOf({ at: '100in' }),
        openingOf({ id: 'o2', wall: 'w2', at: '150in', kind: 'round-top', rise: '12in' }),
        openingOf({ id: 'o3', wall: 'w3', at: '60in', buck: 'scrap-liner' }),
        openingOf({
          id: 'o4',
          wall: 'w4',
          at: '100in',
          width: '96in',
          height: '80in',
          sill: '20in',
          kind: 'garage',
          threshold: { kind: 'slab-over' },
        }),
      ],
      inserts: [
        insertOf(),
        insertOf({ id: 'i2', kind: 'pocket', wall: 'w2', at: '40in', up: '90in' }),
        insertOf({ id: 'i3', kind: 'brick-ledge', wall: 'w3', at: '200in', up: '64in', length: '8ft' }),
      ],
    }),
  ],
  [
    'walls of different core',
    planOf(RECTANGLE, {
      ...withCourses(6),
      loops: planOf(RECTANGLE).loops.map((loop) => ({
        ...loop,
        walk: loop.walk.map((row, index) => (index === 1 ? { ...row, core: '10in' } : row)),
      })),
    }),
  ],
  [
    'a stepped footing and a lower top',
    planOf(RECTANGLE, {
      ...withCourses(7),
      loops: planOf(RECTANGLE).loops.map((loop) => ({
        ...loop,
        walk: loop.walk.map((row, index) =>
          index === 0
            ? { ...row, footing: [{ id: 's1', at: '10ft', step: 'down 32in' }] }
            : index === 2
              ? { ...row, footing: [{ id: 's2', at: '20ft', step: 'up 32in' }], top: '6 courses' }
              : row,
        ),
      })),
    }),
  ],
  [
    'cell blocks',
    plan({ family: 'cell-24', core: '6in', openings: [openingOf({ height: '36in', sill: '24in' })] }),
  ],
  ['panels', plan({ family: 'panel-48', core: '6in' })],
  ['a height that is no whole courses', plan({ height: '9ft' })],
];

describe.each(jobs)('the concrete of %s', (_, job) => {
  const worked = work(job);
  const [pour] = worked.pour.pours;

  it('stands', () => {
    expect(
      worked.notices.filter((notice) => notice.severity === 'stop' && notice.place.stage !== 'pour'),
    ).toEqual([]);
    expect(pour).toBeDefined();
  });

  it('adds up: lifts, walls and courses are one volume', () => {
    if (!pour) throw new Error('nothing is poured');
    const total = worked.tally.total.coreVolume.value;
    expect(pour.volumes.core.value).toBeCloseTo(total, 9);
    expect(sum(pour.volumes.lifts.map(({ whole }) => whole.value))).toBeCloseTo(total, 9);
    expect(sum(pour.volumes.walls.map(({ volume }) => volume.value))).toBeCloseTo(total, 9);
    for (const { whole, walls } of pour.volumes.lifts) {
      expect(sum(Object.values(walls))).toBeCloseTo(whole.value, 9);
    }
  });

  it('is shared out among the stops of the hose, each lift all of it', () => {
    if (!pour) throw new Error('nothing is poured');
    for (const { lift, whole } of pour.volumes.lifts) {
      const stops = pour.stops.filter((stop) => stop.lift === lift && stop.kind !== 'side');
      expect(sum(stops.map((stop) => stop.volume))).toBeCloseTo(whole.value, 9);
      expect(stops.every((stop) => stop.volume > 0)).toBe(true);
    }
  });

  it('is in every course what its walls, and its two halves, hold', () => {
    const core = coreOf(worked.shell, worked.courses);
    const displacing = displacingOf(worked, houseRules(job.rules));
    for (const { course, coreVolume } of worked.tally.courses) {
      const middle = Math.round(
        ((worked.courses.tops[course - 1] ?? 0) + (worked.courses.tops[course] ?? 0)) / 2,
      ) as Length;
      const part = (of: Parameters<typeof concreteOfCourse>[3]): number =>
        evaluate(concreteOfCourse(core, course, displacing, of));
      expect(sum([...core.walls.keys()].map((wall) => part({ wall })))).toBeCloseTo(coreVolume.value, 9);
      expect(part({ top: middle }) + part({ bottom: middle })).toBeCloseTo(coreVolume.value, 9);
    }
  });

  it('is explained: every figure’s tree gives its value', () => {
    for (const figure of figuresOfPour(worked.pour)) {
      expect(evaluate(figure.how)).toBeCloseTo(figure.value, 9);
    }
  });
});

describe('any outline', () => {
  it('is poured wall by wall, lift by lift, without a rest', () => {
    fc.assert(
      fc.property(
        rectilinear(),
        fc.integer({ min: 1, max: 10 }),
        fc.constantFrom('low-first', 'two', 'three'),
        fc.constantFrom('6in', '8in', '10in'),
        (sides, courses, lifts, core) => {
          const worked = work(
            planOf(sides, { ...withCourses(courses), core, rules: { 'pour.lifts': lifts } }),
          );
          const [pour] = worked.pour.pours;
          if (!pour) throw new Error('nothing is poured');
          expect(pour.volumes.core.value).toBeCloseTo(worked.tally.total.coreVolume.value, 9);
          expect(sum(pour.stops.map((stop) => stop.volume))).toBeCloseTo(pour.volumes.core.value, 8);
          expect(sum(pour.volumes.loads)).toBeCloseTo(pour.volumes.ordered.value, 9);
        },
      ),
      { numRuns: 10 },
    );
  });
});

describe('pours', () => {
  const pours: readonly Pour[] = [
    { id: 'low', name: 'Out of the ground', toCourse: 4, top: 'half' },
    { id: 'high', name: 'Up', toCourse: 7, top: 'full' },
  ];
  const staged = plan({ pours, openings: [openingOf({ sill: '40in', height: '40in' })] });

  it('share the job’s concrete, split where the lower one really stops', () => {
    const { tally, pour } = work(staged);
    const [low, high] = pour.pours;
    expect((low?.volumes.core.value ?? 0) + (high?.volumes.core.value ?? 0)).toBeCloseTo(
      tally.total.coreVolume.value,
      9,
    );
    expect(low?.volumes.core.value).toBeCloseTo(tally.pours[0]?.coreVolume.value ?? 0, 9);
    expect(high?.volumes.core.value).toBeCloseTo(tally.pours[1]?.coreVolume.value ?? 0, 9);
    // Three and a half courses of 16 in.
    expect(toInches(low?.span.top as Length)).toBe(56);
    expect(low?.span.stopsMidBlock).toBe(true);
    expect(high?.lifts[0]?.bottom).toBe(low?.span.top);
  });

  it('leave out just the part of an opening that lies below the stop', () => {
    // The sill’s buck is at 38 1/2 in: of the course from 48 to 64, the opening takes its width in both halves; below it, from 38 1/2.
    const [low] = work(staged).pour.pours;
    const [whole] = work(plan({ pours })).pour.pours;
    const lost = (whole?.volumes.core.value ?? 0) - (low?.volumes.core.value ?? 0);
    // 39 in wide outside the buck, from 38 1/2 to 56 in, in a core of 8 in.
    expect(lost).toBeCloseTo(39 * 17.5 * 8 * 0.0254 ** 3, 9);
  });
});

describe('the order', () => {
  it('takes the allowance, and is rounded up to the plant’s step', () => {
    const pour = pourOf(plan({ rules: { 'pour.allowance': 7 } }));
    const wanted = toCubicYards(pour.volumes.core.value) * 1.07;
    const ordered = toCubicYards(pour.volumes.ordered.value);
    expect(ordered).toBeGreaterThanOrEqual(wanted - 1e-9);
    expect(ordered - wanted).toBeLessThan(0.25);
    expect((ordered * 4) % 1).toBeCloseTo(0, 9);
    const whole = pourOf(plan({ rules: { 'pour.plant.step': '1' } }));
    expect(toCubicYards(whole.volumes.ordered.value) % 1).toBeCloseTo(0, 9);
  });

  it.each(reference.weight)(
    'weighs $lb lb at $volumeYd3 yd³ [common practice]',
    ({ volumeYd3, densityPcf, lb }) => {
      const pour = pourOf(plan());
      const perYard = pour.volumes.weight.value / toCubicYards(pour.volumes.ordered.value);
      expect((perYard / KILOGRAMS_PER_POUND) * volumeYd3).toBeCloseTo(lb, 6);
      expect(houseRules().quantity('pour.density')).toBe(densityPcf);
      // Thirty yards is 120 000 lb, as crews say.
      expect(Math.abs((perYard / KILOGRAMS_PER_POUND) * 30 - 120_000) / 120_000).toBeLessThan(0.02);
    },
  );

  it('comes in full trucks and a balance', () => {
    const { loads, truck } = pourOf(plan()).volumes;
    expect(loads.slice(0, -1).every((load) => load === truck)).toBe(true);
    expect(loads.at(-1)).toBeLessThanOrEqual(truck);
  });

  it('counts what shares the trucks, in its own time', () => {
    const job = plan({
      pour: {
        sides: [
          { id: 'a', name: 'Pad', volume: '1 yd3', when: 'last' },
          { id: 'b', name: 'Beam', volume: '9ft × 3ft × 12in', when: 'between' },
          { id: 'c', name: 'Pier', volume: '0.5', when: 'first' },
        ],
      },
    });
    const pour = pourOf(job);
    expect(pour.volumes.sides.map((side) => toCubicYards(side.volume.value))).toEqual([
      expect.closeTo(1, 9),
      expect.closeTo(1, 9),
      expect.closeTo(0.5, 9),
    ]);
    const at = pour.stops.map((stop, index) => ({ ...stop, index })).filter((stop) => stop.kind === 'side');
    expect(at.map((stop) => stop.name)).toEqual(['Pier', 'Beam', 'Pad']);
    expect(at[0]?.index).toBe(0);
    expect(pour.stops[(at[1]?.index ?? 0) - 1]?.lift).toBe(1);
    expect(pour.stops[(at[1]?.index ?? 0) + 1]?.lift).toBe(2);
    expect(at[2]?.index).toBe(pour.stops.length - 1);
    const plain = pourOf(plan());
    expect(toCubicYards(pour.volumes.ordered.value - plain.volumes.ordered.value)).toBeCloseTo(2.5 * 1.07, 0);
  });

  it('counts a footing that is poured as one with the walls, and slab concrete over a threshold', () => {
    const job = plan({
      footing: { kind: 'forms', withWall: true },
      openings: [
        openingOf({
          kind: 'garage',
          sill: '20in',
          width: '96in',
          height: '80in',
          threshold: { kind: 'slab-over', depth: '4in', truck: 'wall' },
        }),
      ],
    });
    const worked = work(job);
    const sides = worked.pour.pours[0]?.volumes.sides ?? [];
    expect(sides.map((side) => side.id)).toEqual(['footing', 'threshold:opening-1']);
    expect(sides[0]?.volume.value).toBe(worked.footing.concrete.value);
    const notch = worked.openings.placed[0]?.threshold?.notch;
    const width = notch ? toInches((notch.to - notch.from) as Length) : 0;
    // Over the core of 8 in and the inner panel of 2 1/2 in, out to the thermal strip.
    expect(sides[1]?.volume.value).toBeCloseTo(width * 4 * 10.5 * 0.0254 ** 3, 9);
  });

  it('says what an inch of core, of height, or a forgotten opening would change', () => {
    const { whatIf, core } = pourOf(plan({ openings: [openingOf({ sill: '40in' })] })).volumes;
    const by = (id: string): number => whatIf.find((each) => each.id === id)?.volume.value ?? 0;
    expect(by('core')).toBeCloseTo(core.value / 8, 9);
    // Centre line of the rectangle: 1632 in less four thicknesses of 13 in.
    expect(by('height')).toBeCloseTo((1632 - 52) * 8 * 0.0254 ** 3, 9);
    // 36 in and a buck of 1 1/2 in on either side; 48 in and one above and below.
    expect(by('opening:opening-1')).toBeCloseTo(39 * 51 * 8 * 0.0254 ** 3, 9);
  });
});

describe('loads', () => {
  const yard = CUBIC_METRES_PER_CUBIC_YARD;
  const PLANT = { truck: 9 * yard, step: 0.25 * yard, least: yard };
  const loads = (ordered: number, chosen?: number) => {
    const { value, problems } = loadsOf('s', ordered * yard, PLANT, chosen);
    return { loads: value.map((load) => Math.round((load / yard) * 1000) / 1000), problems };
  };

  it('are as many as the volume takes', () => {
    expect(loads(20).loads).toEqual([9, 9, 2]);
    expect(loads(18).loads).toEqual([9, 9]);
    expect(loads(3).loads).toEqual([3]);
    expect(loads(0).loads).toEqual([]);
  });

  it('are alike, in the plant’s steps, where more of them are chosen; and that is said', () => {
    const { loads: four, problems } = loads(20, 4);
    expect(four).toEqual([5, 5, 5, 5]);
    expect(problems).toEqual([{ kind: 'too-many-loads', pour: 's', loads: 4, wanted: 3 }]);
    expect(loads(1, 40).loads).toEqual([1]);
  });

  it('are never short where that can be helped: half a yard over two trucks is shared out', () => {
    expect(loads(18.5).loads).toEqual([6.25, 6.25, 6]);
    expect(loads(9.25).loads).toEqual([4.75, 4.5]);
    expect(loads(5, 9).loads).toEqual([1, 1, 1, 1, 1]);
    expect(loads(0.5)).toEqual({
      loads: [0.5],
      problems: [{ kind: 'load-short', pour: 's', load: 0.5 * yard, least: yard }],
    });
  });

  it('are all there, though fewer were chosen', () => {
    const { loads: three, problems } = loads(20, 2);
    expect(three).toEqual([9, 9, 2]);
    expect(problems).toEqual([{ kind: 'too-few-loads', pour: 's', loads: 2, wanted: 3 }]);
  });

  it('always bring what was ordered, none over a truck', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }),
        fc.option(fc.integer({ min: 1, max: 60 })),
        (quarters, chosen) => {
          const ordered = (quarters / 4) * yard;
          const { value: found } = loadsOf('s', ordered, PLANT, chosen ?? undefined);
          expect(sum(found)).toBeCloseTo(ordered, 9);
          expect(Math.max(...found)).toBeLessThanOrEqual(9 * yard + 1e-9);
          expect(Math.min(...found)).toBeGreaterThanOrEqual(Math.min(yard, ordered) - 1e-9);
        },
      ),
    );
  });
});

describe('metric jobs', () => {
  it('have trucks and steps in cubic metres', () => {
    const job = plan({ units: 'metric', core: storeLength(inches(8), 'metric') });
    const { truck, step, ordered } = pourOf(job).volumes;
    expect(truck).toBe(7);
    expect(step).toBe(0.25);
    expect((ordered.value * 4) % 1).toBeCloseTo(0, 9);
  });
});
