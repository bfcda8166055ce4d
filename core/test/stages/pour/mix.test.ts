import { valuesIn } from '../../support/values';
import { evaluate } from '../../../src/kernel/figures/how';
import { houseRules } from '../../../src/rules';
import { describe, expect, it } from 'vitest';
import { METRES_PER_FOOT, PASCALS_PER_PSF, toCubicYards } from '../../../src/kernel/measure';
import type { PourDay } from '../../../src/stages/pour/plan';
import type { Plan } from '../../../src/kernel/plan';
import { type WorkedPour, chemistryOf, ciriaMaterial, mixOf, workingMinutes } from '../../../src/stages/pour';
import { pressureOn } from '../../../src/stages/pour/pressure';
import { explainLine } from '../../../src/kernel/figures/explain';
import { work } from '../../../src/work';
import { type Side, planOf, withCourses } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];
const plan = (change: Partial<Plan> = {}): Plan => planOf(RECTANGLE, { ...withCourses(6), ...change });
const on = (said: PourDay, change: Partial<Plan> = {}): Plan =>
  plan({ ...change, pour: { pours: { 'pour-1': said } } });
function pourOf(each: Plan): WorkedPour {
  const [pour] = work(each).pour.pours;
  if (!pour) throw new Error('nothing is poured');
  return pour;
}
const told = (each: Plan, kind: string): readonly string[] =>
  work(each)
    .notices.filter((notice) => `${notice.id}:`.startsWith(`pour:${kind}:`))
    .map((notice) => notice.what);

describe('chemistry', () => {
  // ACI 347R-14 and CIRIA Report 108, from memory.
  it.each([
    ['plain', 'none', 1, 0.3],
    ['plain', 'reducer', 1, 0.3],
    ['plain', 'retarder', 1.2, 0.45],
    ['blend', 'none', 1.2, 0.45],
    ['blend', 'retarder', 1.4, 0.45],
    ['high-blend', 'none', 1.4, 0.6],
    ['high-blend', 'retarder', 1.4, 0.6],
  ])('of %s cement with %s is Cc %f and C2 %f', (cement, admixture, cc, c2) => {
    expect(chemistryOf(cement, admixture)).toBe(cc);
    expect(ciriaMaterial(cement, admixture)).toBe(c2);
  });
});

describe('the working time', () => {
  it('is the crew’s own at 70 °F, half of it so many degrees warmer, twice as long colder', () => {
    const rules = houseRules();
    expect(workingMinutes(70, rules)).toBe(75);
    expect(workingMinutes(100, rules)).toBeCloseTo(37.5, 9);
    expect(workingMinutes(40, rules)).toBeCloseTo(150, 9);
    expect(workingMinutes(70, houseRules({ 'pour.mix.admixture': 'retarder' }))).toBeCloseTo(112.5, 9);
    // Common practice: 60 to 90 min at 70 °F.
    expect(rules.count('pour.work.minutes')).toBeGreaterThanOrEqual(60);
    expect(rules.count('pour.work.minutes')).toBeLessThanOrEqual(90);
  });
});

describe('the mix card', () => {
  it('says what may be taken', () => {
    const { mix } = pourOf(plan({ rules: { 'pour.mix.slump': 6 } }));
    expect(mix.slump).toEqual({ ordered: 6, least: 5, most: 7 });
    expect(mix.temperature).toEqual({ least: null, most: 95 });
    expect(mix.discharge).toBe(90);
  });

  it('wants warm concrete under cold air, and no hot concrete ever [ACI 306 and 301; from memory]', () => {
    const cold = on({ air: 35, concrete: 50 });
    expect(pourOf(cold).mix.temperature.least).toBe(55);
    expect(valuesIn(told(cold, 'too-cold')[0])).toEqual(expect.arrayContaining(['40 °F', '50 °F', '55 °F']));
    expect(told(on({ air: 35, concrete: 56 }), 'too-cold')).toEqual([]);
    expect(told(on({ air: 41, concrete: 50 }), 'too-cold')).toEqual([]);
    expect(valuesIn(told(on({ concrete: 96 }), 'too-hot')[0])).toEqual(
      expect.arrayContaining(['95 °F', '96 °F']),
    );
    expect(told(on({ air: 35, concrete: 50 }, { units: 'metric' }), 'too-cold')[0]).toMatch(/4 °C .* 10 °C/);
  });

  it('tells no pressure of temperatures that nobody pours at', () => {
    for (const said of [{ concrete: 250 }, { concrete: -5 }] as const) {
      const absurd = on(said);
      expect(valuesIn(told(absurd, 'temperature-absurd')[0])).toEqual([
        `${String(Math.abs(said.concrete))} °F`,
      ]);
      expect(pourOf(absurd).pressing).toBeNull();
      expect(pourOf(absurd).clock.pressure).toBeNull();
    }
    expect(valuesIn(told(on({ air: -60 }), 'temperature-absurd')[0])).toEqual(
      expect.arrayContaining(['60 °F']),
    );
    expect(pourOf(on({ air: -60 })).mix.air).toBeNull();
  });

  it('takes a set of cylinders a day, for every 150 yd³ and every 5 000 ft² [ACI 318-19 26.12.2; from memory]', () => {
    const small = pourOf(plan());
    expect(toCubicYards(small.volumes.ordered.value)).toBeLessThan(150);
    expect(small.mix.sets.value).toBe(1);
    const long = pourOf(
      planOf(
        [
          [6000, 90],
          [3000, 90],
          [6000, 90],
          [3000, 90],
        ],
        withCourses(6),
      ),
    );
    // 1 500 ft of wall 8 ft high: 12 000 ft², three sets; 288 yd³ and more, two.
    expect(long.mix.sets.value).toBe(3);
  });

  it('takes what lies on a limit, and tells what lies past it', () => {
    const kinds = (said: PourDay): readonly string[] =>
      mixOf('p', said, { method: 'pump', volume: 10, face: 100 }, houseRules()).problems.map(
        ({ kind }) => kind,
      );
    // 95 °F at the warmest; in air under 40 °F, 55 °F at the coldest. [ASTM C94, ACI 306R; from memory]
    expect(kinds({ concrete: 95 })).toEqual([]);
    expect(kinds({ concrete: 95.5 })).toEqual(['too-hot']);
    expect(kinds({ air: 39, concrete: 55 })).toEqual([]);
    expect(kinds({ air: 39, concrete: 54.5 })).toEqual(['too-cold']);
    expect(kinds({ air: 40, concrete: 54.5 })).toEqual([]);
  });

  it.each([
    [150, 5000, 1],
    [150.25, 5000, 2],
    [150, 5000.1, 2],
    [450, 100, 3],
    [451, 100, 4],
    [10, 15_001, 4],
    // [ACI 318-19 26.12.2; from memory]
  ])('%f yd³ and %f ft² take %i sets: a part of one is one more', (volume, face, sets) => {
    const cubicMetres = volume * 0.764554857984;
    expect(mixOf('p', {}, { method: 'pump', volume: cubicMetres, face }, houseRules()).value.sets.value).toBe(
      sets,
    );
  });
});

describe('pressure on the forms', () => {
  const capable = (psf: number): Plan => {
    const base = plan();
    return {
      ...base,
      family: 'stated',
      families: [
        {
          format: 'ombra.family',
          version: 1,
          kind: 'flat-wall',
          id: 'stated',
          name: 'Stated',
          cores: ['8in'],
          courseHeight: '16in',
          straightLength: '48in',
          panel: '2 1/2in',
          corner90: { long: '27in', short: '11in' },
          webSpacing: '8in',
          firstWeb: '4in',
          interlock: '1in',
          cutMark: '1in',
          reversible: true,
          capacityPascals: psf * PASCALS_PER_PSF,
        },
      ],
    };
  };

  it('follows from the average rise: the crew’s rate over the plan area', () => {
    const { pressing, mix, day, span } = pourOf(plan());
    // 16 yd³ an hour on (1632 − 52) in of an 8 in core: 432 ft³/h over 87.8 ft².
    expect((pressing?.rise.value ?? 0) / METRES_PER_FOOT).toBeCloseTo(432 / ((1580 * 8) / 144), 6);
    const height = (span.top - span.bottom) / 1e9;
    for (const school of ['aci', 'ciria'] as const) {
      const figure = pressing?.[school];
      if (!figure || !mix.fresh) throw new Error('no pressure');
      expect(figure.value).toBeCloseTo(pressureOn(school, mix.fresh, pressing.rise.value, height), 6);
      expect(evaluate(figure.how)).toBeCloseTo(figure.value, 6);
      expect(explainLine(figure.how, 'imperial')?.result).toMatch(/lb\/ft²$/);
    }
    expect(day.fresh).toEqual(mix.fresh);
  });

  it('is explained in every branch of the formula', () => {
    const cases: readonly Partial<Plan>[] = [
      { rules: { 'pour.rate.pump': 40 } },
      { ...withCourses(12), rules: { 'pour.rate.pump': 8 } },
      { rules: { 'pour.mix.slump': 9 } },
      { rules: { 'pour.rate.pump': 60, 'pour.mix.cement': 'high-blend' } },
      { ...withCourses(1) },
    ];
    for (const change of cases) {
      const { pressing, mix, span } = pourOf(plan(change));
      if (!pressing || !mix.fresh) throw new Error('no pressure');
      const height = (span.top - span.bottom) / 1e9;
      expect(evaluate(pressing.aci.how)).toBeCloseTo(
        pressureOn('aci', mix.fresh, pressing.rise.value, height),
        6,
      );
      expect(evaluate(pressing.ciria.how)).toBeCloseTo(
        pressureOn('ciria', mix.fresh, pressing.rise.value, height),
        6,
      );
    }
  });

  it('is drawn as the head from the top down, no more than the formula allows', () => {
    const { pressing } = pourOf(plan());
    const profile = pressing?.profile ?? [];
    expect(profile[0]).toMatchObject({ up: 0, pressure: pressing?.judged });
    expect(profile.at(-1)?.pressure).toBe(0);
    profile.slice(1).forEach((point, index) => {
      expect(point.up).toBeGreaterThan(profile[index]?.up ?? 0);
      expect(point.pressure).toBeLessThanOrEqual(profile[index]?.pressure ?? 0);
    });
  });

  it('is only reported where the form has no stated capacity', () => {
    expect(told(plan(), 'capacity-unsaid')).toHaveLength(1);
    expect(pourOf(plan()).pressing?.fastest).toBeNull();
  });

  it('says how fast stays inside a stated capacity', () => {
    const { pressing, volumes, mix, span } = pourOf(capable(900));
    const fastest = pressing?.fastest;
    if (typeof fastest !== 'number' || !mix.fresh) throw new Error('no rate');
    const area = volumes.core.value / ((span.top - span.bottom) / 1e9);
    const height = (span.top - span.bottom) / 1e9;
    expect(pressureOn('aci', mix.fresh, fastest / area, height) / PASCALS_PER_PSF).toBeCloseTo(900, 2);
    expect(pressing?.shortestLifts).toHaveLength(3);
    expect(pressing?.shortestLifts[0]).toBeCloseTo(((volumes.lifts[0]?.whole.value ?? 0) / fastest) * 60, 6);
    expect(told(capable(900), 'over-capacity')).toEqual([]);
  });

  it('stops where the planned pace, or even the slowest, is over it', () => {
    const fast: Plan = { ...capable(700), rules: { 'pour.rate.pump': 30 } };
    expect(valuesIn(told(fast, 'over-capacity')[0])).toEqual(expect.arrayContaining(['700 lb/ft²']));
    expect(valuesIn(told(capable(500), 'capacity-too-low')[0])).toEqual(['500 lb/ft²', '600 lb/ft²']);
    expect(pourOf(capable(500)).pressing?.fastest).toBe('none');
    expect(pourOf(capable(1300)).pressing?.fastest).toBe('any');
  });

  it('minds a lift whose own depth is over it where the hose dwells', () => {
    const deep: Plan = { ...capable(610), rules: { 'pour.lifts': 'two', 'pour.lift.first': '30in' } };
    expect(told(deep, 'lift-over-capacity')).toEqual([]);
    const deeper: Plan = { ...capable(590), rules: { 'pour.lifts': 'two' } };
    expect(valuesIn(told(deeper, 'lift-over-capacity')[0])).toEqual(
      expect.arrayContaining(['1', '4′', '600 lb/ft²']),
    );
  });

  it('takes the whole head over 7 in of slump', () => {
    const wet = plan({ rules: { 'pour.mix.slump': 8 } });
    expect(valuesIn(told(wet, 'slump-past-formula')[0])).toEqual(expect.arrayContaining(['7 in', '8 in']));
    const { pressing } = pourOf(wet);
    expect(pressing?.aci.value).toBeCloseTo(pressing?.head.value ?? 0, 6);
  });
});

describe('what else cannot be', () => {
  it('is said plainly', () => {
    const sides = (volume: string, pour?: string): Plan =>
      plan({
        pour: {
          sides: [{ id: 'a', name: 'Pad', volume, when: 'last', ...(pour === undefined ? {} : { pour }) }],
        },
      });
    expect(valuesIn(told(sides('three buckets'), 'side-unreadable')[0])).toEqual(
      expect.arrayContaining(['2.5 yd³', '“three buckets”']),
    );
    expect(told(sides('0'), 'side-unreadable')).toHaveLength(1);
    expect(told(sides('1 yd3', 'gone'), 'side-nowhere')).toHaveLength(1);
    expect(valuesIn(told(on({ loads: 12 }), 'too-many-loads')[0])).toEqual(
      expect.arrayContaining(['12', '4']),
    );
    expect(valuesIn(told(on({ loads: 1 }), 'too-few-loads')[0])).toEqual(expect.arrayContaining(['1', '4']));
    expect(told(plan({ rules: { 'pour.method': 'holes' } }), 'holes-for-cells')).toHaveLength(1);
    // A rate of nothing is no rule that the job can have: its default stands, and that is said.
    const zero = work(plan({ rules: { 'pour.rate.pump': 0 } }));
    expect(zero.notices.some((notice) => notice.place.rule === 'pour.rate.pump')).toBe(true);
    expect(zero.pour.pours[0]?.clock.finish).toBeLessThan(600);
  });

  it('is nothing where no walls stand', () => {
    expect(work(plan({ loops: [{ id: 'l', closed: true, walk: [] }] })).pour).toEqual({
      pours: [],
      problems: [],
    });
  });
});
