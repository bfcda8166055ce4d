import { csvParse } from 'd3-dsv';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { type UnitSystem, writeQuantity } from '../src/kernel/measure';
import { type Rule, defaultOf, showRuleLength, sourceText } from '../src/kernel/rules';
import { houseRules, RULES } from '../src/rules';

/**
 * Every house rule as it was last looked through, line by line, against the standards and the practice that it names: a default,
 * a limit or a source that changes must be changed here too, by somebody who has looked it up.
 */
const REVIEWED = csvParse(readFileSync(new URL('data/rules.csv', import.meta.url), 'utf8'));

const written = (rule: Rule, value: number | string, units: UnitSystem): string => {
  if (rule.type === 'length') return showRuleLength(value as Parameters<typeof showRuleLength>[0], units);
  if (rule.type === 'quantity') return writeQuantity(value as number, rule.of, units);
  return String(value);
};

describe('the defaults of the house rules', () => {
  it('are all in the table that was looked through', () => {
    expect(REVIEWED.map(({ rule }) => rule)).toEqual(Object.keys(RULES));
  });

  it.each(REVIEWED.map((line) => [line.rule ?? '', line] as const))('%s', (id, line) => {
    const rule = (RULES as Readonly<Record<string, Rule>>)[id];
    if (!rule) throw new Error(`There is no rule ${id}.`);
    const limits =
      rule.type === 'choice'
        ? { least: '', most: '', choices: rule.choices.map(({ value }) => value).join(' | ') }
        : {
            least: written(rule, rule.least, 'imperial'),
            most: written(rule, rule.most, 'imperial'),
            choices: '',
          };
    expect({
      rule: id,
      feet: written(rule, defaultOf(rule, 'imperial'), 'imperial'),
      metric: written(rule, defaultOf(rule, 'metric'), 'metric'),
      ...limits,
      source: sourceText(rule.source),
    }).toEqual({ ...line });
  });

  it('are taken by their own rule', () => {
    for (const rule of Object.values(RULES)) {
      for (const units of ['imperial', 'metric'] as const) {
        const value = defaultOf(rule, units);
        if (rule.type === 'choice') expect(rule.choices.map((each) => each.value)).toContain(value);
        else if (rule.type !== 'length' || rule.orNone !== true || value !== 0) {
          expect(value, `${rule.id}, ${units}`).toBeGreaterThanOrEqual(rule.least);
          expect(value, `${rule.id}, ${units}`).toBeLessThanOrEqual(rule.most);
        }
      }
    }
  });

  it('that are quantities are read from older plans as bare numbers in feet and pounds', () => {
    const older = houseRules({ 'pour.mix.temperature': 70, 'steel.concrete.strength': 5000 }, 'metric');
    expect(older.quantity('pour.mix.temperature')).toBe(70);
    expect(older.quantity('steel.concrete.strength')).toBe(5000);
    expect(houseRules({ 'pour.mix.temperature': '20 °C' }).quantity('pour.mix.temperature')).toBe(68);
  });
});
