import { describe, expect, it } from 'vitest';
import { inches } from '../../../src/kernel/measure';
import { rulesOf } from '../../../src/rules';
import { booksOf } from '../../../src/stages/order/books';
import { orderFor } from '../../../src/stages/order/orderFor';
import { work } from '../../../src/work';
import { demoPlan } from '../../support/demo';
import { columnOf, listingsOf, totalOf, totalled } from '../../support/listings';
import { planOf, withCourses } from '../../support/plans';

describe('the order as tables', () => {
  const plan = demoPlan();
  const order = orderFor(work(plan), plan.units, rulesOf(plan));
  const tables = listingsOf(booksOf, plan);
  const column = (key: string): readonly unknown[] => columnOf(tables, 'order', key);

  it('has every line once: by the piece, or by length', () => {
    expect(column('article').length + columnOf(tables, 'order-lengths', 'article').length).toBe(
      order.lines.length,
    );
    expect(columnOf(tables, 'order-lengths', 'article')).toContain('Tape over the top interlock');
    // The top of the demo's outline is 152 ft round; its roll-up door and its windows end below it.
    expect(totalOf(tables, 'order-lengths', 'ordered')).toBeGreaterThanOrEqual(inches(12 * 152));
    expect(columnOf(tables, 'order', 'core')[column('article').indexOf('Straight')]).toBe(inches(8));
    expect(new Set(column('group'))).toEqual(new Set(['forms', 'parts', 'fixings']));
  });

  it('orders what is needed and to spare, in whole bundles', () => {
    const rows = column('ordered').map((ordered, index) => ({
      ordered: Number(ordered),
      needed: Number(column('needed')[index]),
      spare: Number(column('spare')[index]),
      pieces: Number(column('pieces')[index]),
      bundle: column('bundle')[index],
      bundles: column('bundles')[index],
    }));
    expect(rows.some(({ bundle }) => bundle !== null)).toBe(true);
    for (const { ordered, needed, spare, pieces, bundle, bundles } of rows) {
      // Two in a hundred to spare, one at least, and no part of one.
      expect([Math.max(1, Math.ceil(needed / 50)), 0]).toContain(spare);
      expect(spare === 0).toBe(needed === 0);
      expect(pieces - spare).toBe(needed);
      if (bundle === null) expect([ordered, bundles]).toEqual([pieces, null]);
      else {
        expect(ordered).toBe(Number(bundle) * Number(bundles));
        expect(ordered - pieces).toBeGreaterThanOrEqual(0);
        expect(ordered - pieces).toBeLessThan(Number(bundle));
      }
    }
  });

  it('weighs its forms, and shares out every bundle of blocks', () => {
    expect(totalled(tables)).toEqual(['order.mass', 'order-staging.bundles']);
    expect(totalOf(tables, 'order', 'mass')).toBeCloseTo(order.massKilograms ?? 0, 9);
    expect(columnOf(tables, 'order-staging', 'wall')).toEqual(['A–B', 'B–C', 'C–D', 'D–E', 'E–F', 'F–A']);
    const straights = column('article').indexOf('Straight');
    expect(totalOf(tables, 'order-staging', 'bundles')).toBe(column('bundles')[straights]);
  });

  it('is empty where nothing stands', () => {
    const empty = listingsOf(booksOf, planOf([], withCourses(4)));
    expect([...empty.values()].flatMap(({ rows }) => rows)).toEqual([]);
  });
});
