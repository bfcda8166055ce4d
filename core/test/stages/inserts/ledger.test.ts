import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inches, toInches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { work } from '../../../src/work';
import { behindOn } from '../../support/behind';
import { insertOf } from '../../support/openings';
import { type Side, planOf, withCourses } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];

/** A ledger on the first wall, its middle 80 in up. */
const plan = (change: Parameters<typeof insertOf>[0] = {}, rules: Plan['rules'] = {}): Plan =>
  planOf(RECTANGLE, {
    ...withCourses(6),
    rules,
    inserts: [insertOf({ kind: 'ledger', at: '24in', up: '80in', length: '400in', ...change })],
  });
const ledgerOf = (each: Plan) => {
  const worked = work(each);
  const [placed] = worked.inserts.placed;
  if (!placed?.ledger) throw new Error('no ledger');
  return { worked, placed, layout: placed.ledger };
};
/** Webs and joints of the first wall behind the board, counted from the pieces. */
const behind = (each: Plan) => {
  const { worked, placed } = ledgerOf(each);
  return behindOn(worked, 'w1', placed.rect);
};

describe('a ledger laid out', () => {
  it('is boards of stock end to end; a short rest takes from the board before it', () => {
    const lengths = (each: Plan) =>
      ledgerOf(each).layout.boards.map(({ from, to }) => toInches((to - from) as typeof to));
    // [by hand] 400 in of 192: 192 + 192 leaves 16, under 48: the second gives up 32.
    expect(lengths(plan())).toEqual([192, 160, 48]);
    expect(lengths(plan({ length: '192in' }))).toEqual([192]);
    expect(lengths(plan({ length: '300in' }))).toEqual([192, 108]);
    // From the other end it is the same, turned about.
    expect(lengths(plan({ from: 'end' }))).toEqual([192, 160, 48]);
    const { placed, layout } = ledgerOf(plan({ from: 'end' }));
    expect(layout.boards[0]?.to).toBe(placed.rect.to);
  });

  it('has its joists from the measured end', () => {
    const { placed, layout } = ledgerOf(plan({ length: '100in' }));
    expect(layout.joists.map((at) => toInches((at - placed.rect.from) as typeof at))).toEqual([
      0, 16, 32, 48, 64, 80, 96,
    ]);
    const turned = ledgerOf(plan({ length: '100in', from: 'end' }));
    expect(turned.layout.joists[1]).toBe(turned.placed.rect.to - inches(16));
    // Of one board as well, whose ends do not say which is measured.
    expect([layout.forward, turned.layout.forward]).toEqual([true, false]);
  });

  it('has anchors clear of webs, joints, joists and splices, no farther apart than asked, or tells the stretch', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 60, max: 443 }),
        fc.constantFrom('start' as const, 'end' as const),
        fc.integer({ min: 12, max: 48 }),
        fc.integer({ min: 12, max: 24 }),
        (length, from, spacing, joists) => {
          const each = plan(
            { length: `${String(length)}in`, from, spacing: `${String(spacing)}in` },
            { 'inserts.ledger.joists': `${String(joists)}in` },
          );
          const { worked, layout } = ledgerOf(each);
          const { webs, joints } = behind(each);
          const told = worked.inserts.problems.some(({ kind }) => kind === 'anchor-gap');
          for (const board of layout.boards) {
            const [a, b] = [toInches(board.from), toInches(board.to)];
            const own = layout.anchors.map(toInches).filter((at) => at > a && at < b);
            for (const at of own) {
              expect(Math.min(...webs.map((web) => Math.abs(web - at)))).toBeGreaterThanOrEqual(1.5);
              expect(Math.min(...joints.map((joint) => Math.abs(joint - at)))).toBeGreaterThanOrEqual(1);
              expect(
                Math.min(...layout.joists.map((joist) => Math.abs(toInches(joist) - at))),
              ).toBeGreaterThanOrEqual(2.5);
              expect(Math.min(at - a, b - at)).toBeGreaterThanOrEqual(2);
            }
            const edges = [a, ...own, b];
            const kept = edges
              .slice(1)
              .every(
                (at, index) =>
                  at - (edges[index] ?? 0) <= (index === 0 || index === edges.length - 2 ? 6 : spacing),
              );
            expect(kept || told).toBe(true);
          }
          if (told) expect(layout.gaps.length).toBeGreaterThan(0);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('has an anchor in every row at the ends of a board, and one row by turns between', () => {
    const { placed, layout } = ledgerOf(plan({ length: '192in', rows: 2 }));
    const heights = (at: number) => placed.fixings.filter((each) => each.at === at).length;
    const counts = layout.anchors.map(heights);
    expect([counts[0], counts.at(-1)]).toEqual([2, 2]);
    expect(new Set(counts.slice(1, -1))).toEqual(new Set([1]));
    const between = layout.anchors
      .slice(1, -1)
      .map((at) => placed.fixings.find((each) => each.at === at)?.up);
    between.slice(1).forEach((up, index) => {
      expect(up).not.toBe(between[index]);
    });
  });

  it('tells anchors that meet a bar, by a count made from the bars', () => {
    const each = plan({}, { 'topoff.anchor.bar': '3in' });
    const { worked, placed } = ledgerOf(each);
    const clear = inches(3);
    const met = placed.fixings.filter(({ at, up }) =>
      worked.steel.bars.some(
        (bar) =>
          bar.wall === 'w1' &&
          Math.max(bar.from - at, at - bar.to) < clear &&
          Math.max(bar.bottom - up, up - bar.top) < clear,
      ),
    );
    const told = worked.topoff.problems.find(({ kind }) => kind === 'anchor-on-bar');
    expect(told?.kind === 'anchor-on-bar' ? told.anchors : 0).toBe(met.length);
    expect(met.length).toBeGreaterThan(0);
  });
});
