import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inWordsOf } from '../../../src/kernel/forms';
import { RULES, rulesOf } from '../../../src/rules';
import { STRAP_REASONS } from '../../../src/stages/courses';
import { work } from '../../../src/work';
import { insertOf, openingOf } from '../../support/openings';
import { planOf, rectilinear, withCourses } from '../../support/plans';

const OF_FOAM = /\b(webs?|ears?|Webs?)\b/;

describe('the words of a job’s forms', () => {
  it('know no webs and no ears where blocks have cells', () => {
    fc.assert(
      fc.property(
        rectilinear(),
        fc.constantFrom(['cell-24', '6in'] as const, ['element-112', '6in'] as const),
        (sides, [family, core]) => {
          const { notices } = work(
            planOf(sides, {
              ...withCourses(7),
              family,
              core,
              openings: [openingOf({ at: '40in', sill: '24in' })],
              inserts: [
                insertOf({ at: '20in' }),
                insertOf({ id: 'l', kind: 'ledger', at: '10in', up: '60in', length: '90in' }),
              ],
            }),
          );
          for (const { what, why = '', about } of notices) {
            expect(`${about} ${what} ${why}`).not.toMatch(OF_FOAM);
          }
        },
      ),
      { numRuns: 30 },
    );
    for (const reason of Object.values(STRAP_REASONS)) expect(inWordsOf('cell', reason)).not.toMatch(OF_FOAM);
  });

  it('are those of its house rules too', () => {
    const { book } = rulesOf(planOf([], { family: 'cell-24', core: '6in' }));
    for (const rule of Object.values(book)) {
      const labels = rule.type === 'choice' ? rule.choices.map(({ label }) => label) : [];
      for (const text of [rule.statement, rule.reason, ...labels]) expect(text).not.toMatch(OF_FOAM);
    }
    expect(Object.keys(book)).toEqual(Object.keys(RULES));
    expect(rulesOf(planOf([])).book).toBe(RULES);
  });

  it('leave those of foam blocks and panels as they are', () => {
    for (const reason of Object.values(STRAP_REASONS)) {
      expect(inWordsOf('flat-wall', reason)).toBe(reason);
      expect(inWordsOf('panel-and-tie', reason)).toBe(reason);
      expect(inWordsOf(undefined, reason)).toBe(reason);
    }
  });
});
