import { writePlan } from '../../../src/plan';
import { readPlanText } from '../../../src/planFile';
import { houseRules, isRuleId, RULES } from '../../../src/rules';
import { describe, expect, it } from 'vitest';
import { FAMILIES, writeFamily } from '../../../src/kernel/forms';
import { toMillimetres } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { figuresOfPour } from '../../../src/stages/pour';
import { metricStep, stateRule } from '../../../src/kernel/rules';
import { type ExplainedLine, explainLine, showQuantity } from '../../../src/kernel/figures/explain';
import type { Figure } from '../../../src/kernel/figures/figure';
import { work } from '../../../src/work';
import { planOf, withCourses } from '../../support/plans';

const SIDES = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
] as const;

/** A job whose forms have a mass and a capacity. */
const plan = (change: Partial<Plan> = {}): Plan => {
  const [family] = FAMILIES;
  if (!family) throw new Error('no family');
  const own = { ...writeFamily(family), id: 'own', massKilograms: 3, capacityPascals: 33_000 };
  return planOf(SIDES, { ...withCourses(6), families: [own], family: 'own', ...change });
};

const words = (line: ExplainedLine | undefined): readonly string[] =>
  line === undefined
    ? []
    : [line.result, ...line.terms.flatMap((term) => [term.name, term.value, ...words(term.line)])];
/** Every word of a figure on its card. */
const told = (figure: Figure, units: Plan['units']): readonly string[] => [
  figure.title,
  showQuantity(figure.value, figure.unit, units),
  ...words(explainLine(figure.how, units)),
];

describe('a feet-inch job', () => {
  it('shows no pascal, cubic metre or kilogram: not on a card, in a notice, or in a rule', () => {
    const worked = work(plan({ rules: { 'pour.rate.pump': '24 yd3/h' } }));
    const metric = /(?:^|[\s\d])(?:Pa|kPa|m³|kg|N\/m³|pascals?|kilograms?)(?:$|[\s,./])/;
    const figures = [
      ...figuresOfPour(worked.pour),
      worked.steel.mass,
      ...worked.steel.stock.map(({ mass }) => mass),
    ];
    expect(figures.length).toBeGreaterThan(20);
    for (const figure of figures) {
      // The metric school's formula is told in its own units.
      if (figure.id.endsWith('.ciria')) continue;
      for (const each of told(figure, 'imperial')) expect(each, figure.id).not.toMatch(metric);
    }
    for (const notice of worked.notices) expect(`${notice.where} ${notice.what}`).not.toMatch(metric);
    for (const id of Object.keys(RULES).filter(isRuleId)) {
      expect(stateRule(id, houseRules(), 'imperial'), id).not.toMatch(/\d (?:Pa|kPa|m³|kg)\b/);
    }
  });

  it('explains the formula in its own units, and ends where the figure is', () => {
    const [pour] = work(plan()).pour.pours;
    const line = pour?.pressing && explainLine(pour.pressing.aci.how, 'imperial');
    expect(line?.result).toMatch(/lb\/ft²$/);
    expect(words(line ?? undefined).join(' ')).not.toMatch(/pascals/);
    const metric = pour?.pressing && explainLine(pour.pressing.aci.how, 'metric');
    expect(words(metric ?? undefined)).toContain('kPa in a lb/ft²');
  });
});

describe('a metric job', () => {
  it('rates its crews in m³ an hour and has its defaults in metric steps', () => {
    const rules = houseRules({}, 'metric');
    expect(stateRule('pour.rate.pump', rules, 'metric')).toBe('A pump crew places 12 m³/h.');
    expect(stateRule('pour.rate.pump', houseRules(), 'imperial')).toBe('A pump crew places 16 yd³/h.');
    expect(toMillimetres(rules.length('pour.lift.first'))).toBe(750);
    expect(toMillimetres(rules.length('steel.vertical.spacing'))).toBe(600);
    expect(toMillimetres(rules.length('bracing.spacing.most'))).toBe(1800);
    // What follows the blocks' module does so in any units.
    expect(toMillimetres(rules.length('courses.ear.longest'))).toBeCloseTo(101.6, 9);
    // At least 6 in past its support, 12 in of lap, 18 in wide: never less. [OSHA 29 CFR 1926.451; from memory]
    expect(toMillimetres(rules.length('bracing.plank.end.least'))).toBeGreaterThanOrEqual(152.4);
    expect(toMillimetres(rules.length('bracing.plank.lap'))).toBeGreaterThanOrEqual(304.8);
    expect(toMillimetres(rules.length('bracing.platform.width'))).toBeGreaterThanOrEqual(457.2);
  });

  it('has every default within its own limits, and near the one that it stands for', () => {
    for (const rule of Object.values(RULES)) {
      if (rule.type !== 'length' || rule.default === 0) continue;
      const value = houseRules({}, 'metric').length(rule.id as 'steel.cut.step');
      expect(value, rule.id).toBeLessThanOrEqual(rule.most);
      expect(value, rule.id).toBeGreaterThanOrEqual(rule.least);
      if (rule.id !== 'steel.cut.step') expect(Math.abs(value / rule.default - 1), rule.id).toBeLessThan(0.3);
    }
  });

  it('takes a length to whole steps', () => {
    const steps = [3, 30, 42, 24, 72, 96, 144].map((inch) =>
      toMillimetres(metricStep((inch * 25_400_000) as never)),
    );
    expect(steps).toEqual([75, 750, 1050, 600, 1800, 2400, 3600]);
  });
});

describe('rules that had another name', () => {
  it('are read under the one that they have now', () => {
    const text = JSON.stringify(writePlan(plan({ rules: { 'pour.truck.yards': 8 } })));
    const reading = readPlanText(text);
    if (!reading.ok) throw new Error('not read');
    expect(reading.plan.rules).toEqual({ 'pour.truck.load': '8 yd3' });
    expect(houseRules(reading.plan.rules).quantity('pour.truck.load')).toBeCloseTo(8 * 0.764554857984, 9);
    // Rates were whole yards an hour.
    expect(houseRules({ 'pour.rate.pump': 20 }).quantity('pour.rate.pump')).toBeCloseTo(
      20 * 0.764554857984,
      9,
    );
  });
});
