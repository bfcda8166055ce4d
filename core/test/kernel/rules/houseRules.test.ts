import { houseRules, isRuleId, RULES } from '../../../src/rules';
import { describe, expect, it } from 'vitest';
import { inches } from '../../../src/kernel/measure';
import { type RuleId, sourceText, stateRule } from '../../../src/kernel/rules';
import { work } from '../../../src/work';
import { HATCHERY, planOf } from '../../support/plans';

const ids = Object.keys(RULES) as RuleId[];

describe('the house rules', () => {
  it('are known by the id that they carry, with a source, a reason and a default within their limits', () => {
    for (const id of ids) {
      const rule = RULES[id];
      expect(rule.id).toBe(id);
      expect(isRuleId(id)).toBe(true);
      expect(rule.statement).toContain('{value}');
      expect(rule.reason.length).toBeGreaterThan(20);
      expect(sourceText(rule.source)).not.toBe('');
      if (rule.type === 'choice') expect(rule.choices.map((choice) => choice.value)).toContain(rule.default);
      else if (!(rule.type === 'length' && rule.orNone && rule.default === 0)) {
        expect(rule.default).toBeGreaterThanOrEqual(rule.least);
        expect(rule.default).toBeLessThanOrEqual(rule.most);
      }
    }
  });

  // Source: common practice, save where the rule says that it is ours.
  it('start from the trade’s own figures', () => {
    const rules = houseRules();
    expect(rules.length('courses.filler.shortest')).toBe(inches(12));
    expect(rules.length('courses.ear.longest')).toBe(inches(4));
    expect(rules.length('courses.web.clearOfCut')).toBe(inches(1));
    expect(rules.length('courses.webToWeb.longest')).toBe(inches(8));
    expect(rules.length('courses.stagger.least')).toBe(inches(8));
    expect(rules.count('courses.filler.blocksFromCorner')).toBe(1);
    expect(rules.choice('courses.corner.lead')).toBe('starting-wall');
    expect(rules.changed.size).toBe(0);
  });

  it('are stated with the value of the job', () => {
    const rules = houseRules({ 'courses.ear.longest': '4 1/4in' });
    expect(stateRule('courses.ear.longest', rules, 'imperial')).toContain('at most 4 1/4″ long');
    expect(stateRule('courses.ear.longest', rules, 'metric')).toContain('at most 108 mm long');
    expect(stateRule('courses.filler.blocksFromCorner', rules, 'imperial')).toContain('at least 1');
    expect(stateRule('courses.corner.lead', rules, 'imperial')).toContain(
      'the wall that starts at the corner',
    );
    expect(stateRule('outline.gap.closed', rules, 'imperial')).toContain('1/32″');
  });

  it('take what a job sets for itself', () => {
    const rules = houseRules({
      'courses.ear.longest': '127mm',
      'courses.most': 12,
      'courses.corner.lead': 'ending-wall',
    });
    expect(rules.length('courses.ear.longest')).toBe(inches(5));
    expect(rules.count('courses.most')).toBe(12);
    expect(rules.choice('courses.corner.lead')).toBe('ending-wall');
    expect([...rules.changed]).toEqual(['courses.ear.longest', 'courses.most', 'courses.corner.lead']);
    expect(rules.refused).toEqual([]);
  });

  it.each([
    ['courses.nothing', '5in', 'unknown'],
    ['courses.ear.longest', 'long', 'unreadable'],
    ['courses.ear.longest', 5, 'unreadable'],
    ['courses.ear.longest', '200in', 'out-of-range'],
    ['courses.most', 0, 'out-of-range'],
    ['courses.most', 1.5, 'unreadable'],
    ['courses.corner.lead', 'sideways', 'not-a-choice'],
  ])('refuse %s = %s (%s): the default stands, and a notice offers to take it out', (id, given, reason) => {
    expect(houseRules({ [id]: given }).refused).toEqual([{ id, given, reason }]);
    const notice = work(planOf(HATCHERY, { rules: { [id]: given } })).notices.find(
      (each) => each.id === `rule:${id}`,
    );
    expect(notice?.severity).toBe('check');
    expect(notice?.fixes[0]?.edit).toEqual({ kind: 'set-rule', rule: id, value: null });
  });
});
