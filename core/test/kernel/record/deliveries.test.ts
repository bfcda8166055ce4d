import { describe, expect, it } from 'vitest';
import { deliveredOf } from '../../../src/kernel/record/deliveries';
import { entryOf } from '../../support/entries';

const came = (ticket: string, ...lines: readonly (readonly [string, number, number, number])[]) =>
  entryOf('delivery', {
    day: '2027-03-02',
    ticket,
    lines: lines.map(([article, counted, broken, short]) => ({ article, counted, broken, short })),
  });

describe('what was delivered', () => {
  it('is added up by article, in the order in which articles first came', () => {
    const first = came('A-1', ['Straight blocks', 120, 2, 4], ['Corners', 16, 0, 0]);
    const second = came('A-2', ['Corners', 8, 1, 0], ['Straight blocks', 40, 0, 0], ['Ties', 200, 0, 50]);
    expect(deliveredOf([first, second])).toEqual([
      { article: 'Straight blocks', counted: 160, broken: 2, short: 4 },
      { article: 'Corners', counted: 24, broken: 1, short: 0 },
      { article: 'Ties', counted: 200, broken: 0, short: 50 },
    ]);
  });

  it('counts a corrected ticket once, and one that is taken back not at all', () => {
    const first = came('A-1', ['Straight blocks', 120, 2, 0]);
    const right = {
      ...came('A-1', ['Straight blocks', 102, 2, 0]),
      corrects: first.id,
      at: '2027-03-02T16:00:00-05:00',
    };
    expect(deliveredOf([first, right])).toEqual([
      { article: 'Straight blocks', counted: 102, broken: 2, short: 0 },
    ]);
    const gone = entryOf(
      'withdrawn',
      { why: 'wrong job' },
      { corrects: right.id, at: '2027-03-02T17:00:00-05:00' },
    );
    expect(deliveredOf([first, right, gone])).toEqual([]);
  });
});
