import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Chain, type WallChoices, cheapestChain, optionsUnder } from '../../../src/trials/best/chain';
import type { WallOption } from '../../../src/trials/best/options';
import {
  blocksOf,
  heightsOf,
  lengthsByArticle,
  mixed,
  priced,
  pricesAt,
  pricesByLength,
} from '../../../src/trials/best/prices';
import { boundByRepeats, repeatsIn } from '../../../src/trials/best/repeats';
import { findFamily, systemOf } from '../../../src/kernel/forms';
import { inches } from '../../../src/kernel/measure';

const family = findFamily('module-48');
if (!family) throw new Error('no family');
const system = systemOf(family);

interface Wanted {
  readonly whole: number;
  readonly cuts: readonly { readonly length: number; readonly fresh: number; readonly reusable: number }[];
  readonly straps: number;
}

const option = ({ whole, cuts, straps }: Wanted): WallOption => ({
  bond: null,
  needs: [
    {
      article: '8:16',
      height: system.courseHeight,
      whole,
      cuts: cuts.map((cut) => ({ ...cut, length: inches(cut.length) })),
    },
  ],
  cuts: cuts.reduce((sum, cut) => sum + cut.fresh + cut.reusable, 0),
  straps,
});

const anyOption: fc.Arbitrary<WallOption> = fc
  .record({
    whole: fc.nat(5),
    straps: fc.nat(6),
    cuts: fc.array(
      fc.record({ length: fc.integer({ min: 12, max: 47 }), fresh: fc.nat(2), reusable: fc.nat(3) }),
      { maxLength: 3 },
    ),
  })
  .map(option);

/** Walls round a loop, or along an open walk whose ends are free, with options for every lead of their corners. */
function chainOf(
  tables: readonly (readonly (readonly (readonly WallOption[])[])[])[],
  closed: boolean,
): Chain {
  const count = tables.length;
  const walls = tables.map((options, index): WallChoices => {
    const start = closed ? index : index === 0 ? null : index - 1;
    const end = closed ? (index + 1) % count : index === count - 1 ? null : index;
    return {
      wall: `w${String(index)}`,
      start,
      end,
      options: options.slice(0, start === null ? 1 : 2).map((row) => row.slice(0, end === null ? 1 : 2)),
    };
  });
  const corners = closed ? count : count - 1;
  return {
    corners: Array.from({ length: corners }, (_, index) => String.fromCharCode(65 + index)),
    rows: walls.slice(0, corners).map((wall) => wall.wall),
    walls,
  };
}

const anyChain = fc
  .record({
    tables: fc.array(
      fc.array(
        fc.array(fc.array(anyOption, { minLength: 1, maxLength: 3 }), { minLength: 2, maxLength: 2 }),
        { minLength: 2, maxLength: 2 },
      ),
      { minLength: 2, maxLength: 5 },
    ),
    closed: fc.boolean(),
  })
  .map(({ tables, closed }) => chainOf(tables, closed));

describe('the programme along the corners', () => {
  it('finds what trying every choice of leads finds, round a loop and along an open walk', () => {
    fc.assert(
      fc.property(anyChain, fc.nat(5), fc.nat(5), (chain, cuts, straps) => {
        const cost = (each: WallOption): number => cuts * each.cuts + straps * each.straps;
        let least = Number.POSITIVE_INFINITY;
        for (let choice = 0; choice < 2 ** chain.corners.length; choice++) {
          const leads = chain.corners.map((_, corner) => (choice >> corner) & 1);
          const sum = chain.walls.reduce(
            (total, wall) => total + Math.min(...optionsUnder(wall, leads).map(cost)),
            0,
          );
          least = Math.min(least, sum);
        }
        const found = cheapestChain(chain, cost);
        expect(found?.cost).toBe(least);
        expect(found?.choice.options.reduce((sum, each) => sum + cost(each), 0)).toBe(least);
        // Every option that it chose is one that its leads allow.
        chain.walls.forEach((wall, index) => {
          expect(optionsUnder(wall, found?.choice.leads ?? [])).toContain(found?.choice.options[index]);
        });
      }),
      { numRuns: 150 },
    );
  });

  it('finds nothing where a wall cannot be laid at all', () => {
    const empty = chainOf(
      [
        [
          [[], []],
          [[], []],
        ],
        [
          [[], []],
          [[], []],
        ],
      ],
      true,
    );
    expect(cheapestChain(empty, () => 1)).toBeNull();
  });
});

describe('prices of cuts', () => {
  // A valid price list charges no block more than itself, so no choice costs fewer blocks than its prices add up to.
  it('never come to more than the blocks that are really taken', () => {
    fc.assert(
      fc.property(
        fc.array(anyOption, { minLength: 1, maxLength: 6 }),
        fc.integer({ min: 0, max: 24 }),
        fc.integer({ min: 0, max: 24 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.constantFrom(1, 2),
        (options, one, other, share, perBlock) => {
          const rules = { system, perBlock, heights: heightsOf(options) };
          const lengths = lengthsByArticle(options);
          const lists = [
            pricesAt(lengths, inches(one), rules),
            pricesByLength(lengths, rules),
            mixed(pricesAt(lengths, inches(one), rules), pricesAt(lengths, inches(other), rules), share),
          ];
          const blocks = blocksOf(options, rules);
          for (const prices of lists) {
            const charged = options.reduce((sum, each) => sum + priced(each, prices, rules), 0);
            expect(charged).toBeLessThanOrEqual(blocks + 1e-9);
          }
        },
      ),
      { numRuns: 300 },
    );
  });
});

describe('rows that repeat', () => {
  const timesAll = (each: WallOption, times: number): WallOption =>
    option({
      straps: each.straps,
      whole: times * (each.needs[0]?.whole ?? 0),
      cuts: (each.needs[0]?.cuts ?? []).map((cut) => ({
        length: cut.length / inches(1),
        fresh: cut.fresh * times,
        reusable: cut.reusable * times,
      })),
    });
  const searchOf = (chain: Chain, perBlock = 2) => ({
    chains: [chain],
    order: ['blocks'] as const,
    rules: { system, perBlock, heights: new Set([system.courseHeight]) },
  });

  it('never bound a plan above the blocks of any choice', () => {
    fc.assert(
      fc.property(anyChain, fc.constantFrom(2, 3, 5), (once, times) => {
        const chain: Chain = {
          ...once,
          walls: once.walls.map((wall) => ({
            ...wall,
            options: wall.options.map((row) => row.map((list) => list.map((each) => timesAll(each, times)))),
          })),
        };
        const search = searchOf(chain);
        const bound = boundByRepeats(search);
        for (let choice = 0; choice < 2 ** chain.corners.length; choice++) {
          const leads = chain.corners.map((_, corner) => (choice >> corner) & 1);
          const plans = chain.walls.reduce<readonly (readonly WallOption[])[]>(
            (found, wall) =>
              found.flatMap((some) => optionsUnder(wall, leads).map((each) => [...some, each])),
            [[]],
          );
          for (const plan of plans) expect(blocksOf(plan, search.rules)).toBeGreaterThanOrEqual(bound);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('round the length that is bought up to half the repeats first', () => {
    // Five rows of a 16 in and a 20 in cut: 3.75 blocks by length alone; two cuts of 16 and 20 in share a block, so five.
    const row = option({
      whole: 0,
      straps: 0,
      cuts: [
        { length: 16, fresh: 0, reusable: 5 },
        { length: 20, fresh: 0, reusable: 5 },
      ],
    });
    const chain = chainOf([[[[row]]]], false);
    expect(repeatsIn([row], searchOf(chain))).toBe(5);
    expect(boundByRepeats(searchOf(chain))).toBe(5);
    expect(blocksOf([row], searchOf(chain).rules)).toBe(5);
    // One piece to a block: the rule says nothing.
    expect(boundByRepeats(searchOf(chain, 1))).toBe(0);
  });
});
