import { RULES } from '@ombra/core/rules';
import { describe, expect, it } from 'vitest';
import { groupedRules } from '../src/rules/RulesDialog';

describe('house rules in groups', () => {
  it('have a place for every rule, once', () => {
    const all = groupedRules('', RULES).flatMap(({ ids }) => ids);
    expect(all).toHaveLength(Object.keys(RULES).length);
    expect(new Set(all).size).toBe(all.length);
  });

  it('are found by all the words of their sentence or reason', () => {
    const planks = groupedRules('plank support', RULES);
    expect(planks.map(({ name }) => name)).toEqual(['Bracing and planks']);
    expect(planks[0]?.ids).toContain('bracing.plank.end.least');
    expect(groupedRules('LAP', RULES).some(({ name }) => name === 'Steel')).toBe(true);
    expect(groupedRules('no such words at all', RULES)).toEqual([]);
  });
});
