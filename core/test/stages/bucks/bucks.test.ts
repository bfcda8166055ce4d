import { evaluate } from '../../../src/kernel/figures/how';
import { applyEdit } from '../../../src/plan';
import { houseRules } from '../../../src/rules';
import fc from 'fast-check';
import highsLoader from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { lumberOf } from '../../../src/stages/bucks';
import { boardSizes, ripsFor } from '../../../src/stages/openings';
import { type Length, inches, toInches } from '../../../src/kernel/measure';
import { nudges } from '../../../src/trials/nudge';
import { orderOf } from '../../../src/orderOf';
import type { Opening } from '../../../src/stages/openings/plan';
import type { Plan } from '../../../src/kernel/plan';
import { work } from '../../../src/work';
import { insertOf, openingOf } from '../../support/openings';
import { HATCHERY, planOf, withCourses } from '../../support/plans';

type Highs = Awaited<ReturnType<typeof highsLoader>>;

const planWith = (openings: readonly Opening[], change: Partial<Plan> = {}): Plan =>
  planOf(HATCHERY, { ...withCourses(7), openings, ...change });
const bucksOf = (openings: readonly Opening[], change: Partial<Plan> = {}) =>
  work(planWith(openings, change)).bucks;
const membersIn = (opening: Partial<Opening>, change: Partial<Plan> = {}) =>
  Object.fromEntries(
    (bucksOf([openingOf({ sill: '32in', ...opening })], change).bucks[0]?.members ?? []).map((member) => [
      `${String(member.count)} ${member.part} ${member.from}`,
      toInches(member.length),
    ]),
  );

describe('a buck', () => {
  it('is cut so that head and sill run over the jambs, with scabs round both faces and braces inside', () => {
    expect(membersIn({})).toEqual({
      '1 head buck': 39,
      '1 sill buck': 39,
      '2 jamb buck': 48,
      '4 scab strip': 39,
      '1 upright brace strip': 48,
      '1 level brace strip': 36,
    });
    // The four scabs along the jambs are as long as the hole is high.
    const scabs = bucksOf([openingOf({ sill: '32in' })]).bucks[0]?.members.filter(
      (each) => each.part === 'scab',
    );
    expect(scabs?.map((each) => [each.count, toInches(each.length)])).toEqual([
      [4, 51],
      [4, 39],
    ]);
  });

  it('has a split sill of two narrow members with a gap, or holes or slots by rule', () => {
    const split = bucksOf([openingOf({ sill: '32in', buck: 'lumber-split-sill' })]).bucks[0];
    expect(split?.members.find((each) => each.part === 'half sill')).toMatchObject({
      count: 2,
      width: inches(3.5),
    });
    expect(split?.access).toMatchObject({ kind: 'split', gap: inches(13 - 7) });
    const holes = bucksOf([openingOf({ sill: '32in' })]).bucks[0];
    expect(holes?.access).toMatchObject({ kind: 'holes', count: 3, size: inches(4) });
    expect(holes?.access.at).toEqual([inches(6), inches(18), inches(30)]);
    const slots = bucksOf([openingOf({ sill: '32in' })], { rules: { 'openings.sill.access': 'slot' } });
    expect(slots.bucks[0]?.access).toMatchObject({ kind: 'slot', count: 1, size: inches(16) });
    expect(bucksOf([openingOf({ kind: 'door', height: '80in' })]).bucks[0]?.access.kind).toBe('open');
  });

  it('of end caps is as wide as the core, with a liner as wide as the wall where one is taken out', () => {
    const liner = bucksOf([openingOf({ sill: '32in', buck: 'scrap-liner' })]).bucks[0];
    expect(
      liner?.members.filter((each) => each.from === 'buck').every((each) => each.width === inches(8)),
    ).toBe(true);
    expect(liner?.members.filter((each) => each.from === 'sheet').map((each) => each.count)).toEqual([2, 2]);
    expect(liner?.members.some((each) => each.part === 'scab')).toBe(false);
  });

  it('bends its head over a round top by the length of the arc: foam as it is, boards as ribs with a skin', () => {
    // Half round: π × 18 in. [length of a half circle]
    const foam = membersIn({ kind: 'round-top', height: '60in', buck: 'foam' });
    expect(foam['1 curved head buck']).toBeCloseTo(Math.PI * 18, 6);
    const members = membersIn({ kind: 'round-top', height: '60in' });
    expect(members['1 curved head buck']).toBeUndefined();
    // At both faces of a 13 in wall and at most 8 in apart between: three; as long as the buck is wide.
    expect(members['3 rib sheet']).toBe(39);
    // The skin lies 1 1/2 in outside the rough opening.
    expect(members['1 skin bending']).toBeCloseTo(Math.PI * 19.5, 6);
    expect(members['2 jamb buck']).toBe(42);
  });

  it('is fastened every 6 in on both faces, at each end of every side, and checked by its diagonal', () => {
    const [buck] = bucksOf([openingOf({ sill: '32in' })]).bucks;
    // Jambs 51 in: 10 each; head and sill 39 in: 8 each; twice. [common practice: 6 in or closer]
    expect(buck?.fasteners.value).toBe(2 * (10 + 10 + 8 + 8));
    expect(evaluate(buck?.fasteners.how ?? { op: 'sum', name: '', unit: 'count', of: [] })).toBe(72);
    // 36 × 48: 60, the 3-4-5 of carpenters. [Pythagoras]
    expect(buck?.diagonal).toBe(inches(60));
  });

  it('is marked from both corners, outside and inside, and up from the courses', () => {
    const [buck] = bucksOf([openingOf({ at: '200in', sill: '36in' })]).bucks;
    const [fromA, fromB] = buck?.marking.from ?? [];
    expect([fromA?.corner, toInches(fromA?.outside as Length), toInches(fromA?.inside as Length)]).toEqual([
      'A',
      218,
      205,
    ]);
    expect([fromB?.corner, toInches(fromB?.outside as Length), toInches(fromB?.hole as Length)]).toEqual([
      'B',
      310,
      290.5,
    ]);
    expect(buck?.marking.sill).toEqual({ course: 2, plus: inches(4) });
    expect(buck?.marking.foot).toEqual({ course: 2, plus: inches(2.5) });
    // C–D ends at an inside corner: there the inside tape starts a wall's thickness before the outside one.
    const [inner] = bucksOf([openingOf({ wall: 'w3', at: '60in', sill: '36in' })]).bucks;
    const atD = inner?.marking.from[1];
    expect(toInches(((atD?.inside ?? 0) - (atD?.outside ?? 0)) as Length)).toBe(13);
  });
});

describe('lumber', () => {
  let highs: Highs;
  beforeAll(async () => {
    highs = await highsLoader();
  });

  /** Least stock by an integer program that puts every cut into some piece. Source: HiGHS, an open-source exact solver. */
  function leastByProgram(cuts: readonly number[], stock: number, kerf: number, most: number): number {
    const pieces = Array.from({ length: most }, (_, index) => index);
    const terms = (of: (cut: number, piece: number) => string, piece: number): string =>
      cuts.map((_, cut) => of(cut, piece)).join(' + ');
    const model = [
      'Minimize',
      ` obj: ${pieces.map((piece) => `y${String(piece)}`).join(' + ')}`,
      'Subject To',
      ...cuts.map(
        (_, cut) =>
          ` c${String(cut)}: ${pieces.map((piece) => `x${String(cut)}_${String(piece)}`).join(' + ')} = 1`,
      ),
      ...pieces.map(
        (piece) =>
          ` r${String(piece)}: ${terms((cut, at) => `${String((cuts[cut] ?? 0) + kerf)} x${String(cut)}_${String(at)}`, piece)} - ${String(stock + kerf)} y${String(piece)} <= 0`,
      ),
      ...pieces.slice(1).map((piece) => ` s${String(piece)}: y${String(piece - 1)} - y${String(piece)} >= 0`),
      'Binary',
      ` ${pieces.map((piece) => `y${String(piece)}`).join(' ')}`,
      ` ${cuts.flatMap((_, cut) => pieces.map((piece) => `x${String(cut)}_${String(piece)}`)).join(' ')}`,
      'End',
    ].join('\n');
    return Math.round(highs.solve(model).ObjectiveValue);
  }

  it.each([
    { about: 'two windows and a door', widths: [48, 60, 38], heights: [42, 42, 80] },
    { about: 'five of one size', widths: [36, 36, 36, 36, 36], heights: [48, 48, 48, 48, 48] },
    { about: 'odd sizes', widths: [31, 44.5, 57], heights: [53, 29.25, 66] },
  ])(
    'of $about is as little as an exact solver finds, and proved',
    ({ widths, heights }) => {
      const openings = widths.map((width, index) =>
        openingOf({
          id: `opening-${String(index)}`,
          wall: `w${String(index % 2 === 0 ? 1 : 5)}`,
          at: `${String(44 + Math.floor(index / 2) * 110)}in`,
          width: `${String(width)}in`,
          height: `${String(heights[index] ?? 0)}in`,
          sill: '20in',
        }),
      );
      const [list] = bucksOf(openings).lumber.filter((each) => each.buck === 'lumber');
      const cuts = (list?.lengths ?? []).flat().map((cut) => Math.round((8 * cut) / inches(1)));
      // Walls of 13 in: no board is so wide, so every member is two rips of 6 1/2 in out of 2×8.
      expect([list?.board, (list?.ripped ?? []).map(toInches)]).toEqual(['2×8', [6.5]]);
      expect(cuts.length).toBe(2 * 4 * widths.length);
      const least = leastByProgram(cuts, 192 * 8, 1, list?.lengths.length ?? 0);
      expect([list?.lengths.length, list?.proved]).toEqual([least, true]);
    },
    60_000,
  );

  it('splices members that are longer than the stock', () => {
    const [head] = bucksOf([
      openingOf({ kind: 'garage', at: '100in', width: '216in', height: '84in', sill: '0in' }),
    ]).lumber;
    // Two rips side by side, each of two parts.
    expect(head?.spliced).toBe(2);
    expect(head?.lengths.flat().filter((cut) => cut === inches(109.5)).length).toBe(4);
  });

  it('is bought in widths that are sold, whatever the wall, as few side by side as can be', () => {
    const sold = [3.5, 5.5, 7.25, 9.25, 11.25];
    fc.assert(
      fc.property(fc.integer({ min: 4, max: 18 * 8 }), (eighths) => {
        const width = inches(eighths / 8);
        const { count, width: each, board } = ripsFor(width, boardSizes('lumber'));
        expect(sold).toContain(toInches(board?.width ?? (0 as Length)));
        expect(toInches(each) * count).toBeCloseTo(eighths / 8, 6);
        expect(count).toBe(sold.findIndex((wide) => wide >= eighths / 8) >= 0 ? 1 : Math.ceil(eighths / 90));
        // The next narrower board would not do.
        const narrower = sold[sold.indexOf(toInches(board?.width ?? (0 as Length))) - 1];
        if (narrower !== undefined) expect(narrower).toBeLessThan(toInches(each));
      }),
    );
    expect(ripsFor(inches(13), boardSizes('foam'))).toEqual({ count: 1, width: inches(13), board: null });
  });

  it('of liners and ribs is told in whole sheets, ripped to strips', () => {
    const { sheets, lumber } = bucksOf([openingOf({ sill: '32in', buck: 'scrap-liner' })]);
    // Jambs of 48 and 36 in, two each, 13 in wide: 48 + 36 in a strip of 96 in, three strips to a sheet of 48 in.
    expect(
      sheets.map((list) => [list.id, list.sheets, list.strips.map((each) => each.lengths.length)]),
    ).toEqual([['sheet', 1, [2]]]);
    expect(lumber.every((list) => !list.id.startsWith('sheet'))).toBe(true);
    const four = bucksOf(
      [0, 1, 2, 3].map((index) =>
        openingOf({
          id: `o${String(index)}`,
          at: `${String(60 + 100 * index)}in`,
          sill: '32in',
          buck: 'scrap-liner',
        }),
      ),
    ).sheets[0];
    expect([four?.strips[0]?.lengths.length, four?.sheets]).toEqual([8, 3]);
    const plan = planWith([openingOf({ kind: 'round-top', height: '60in', sill: '20in' })]);
    const ids = orderOf(plan, work(plan)).lines.map((line) => line.id);
    expect(ids).toEqual(expect.arrayContaining(['sheets:sheet', 'sheets:bending', 'brace-screws']));
  });

  it('of nothing is nothing', () => {
    expect(lumberOf([], houseRules())).toEqual([]);
  });

  it('stands on the order with fasteners and what inserts need', () => {
    const plan = planWith([openingOf({ sill: '32in' })], {
      inserts: [
        insertOf({ size: '4in' }),
        insertOf({ id: 'i2', at: '300in', size: '4in' }),
        insertOf({ id: 'i3', kind: 'ledger', at: '20in', up: '80in', length: '10ft', spacing: '2ft' }),
        insertOf({ id: 'i4', kind: 'brick-ledge', wall: 'w5', at: '0in', up: '48in', length: '336in' }),
      ],
    });
    const lines = new Map(orderOf(plan, work(plan)).lines.map((line) => [line.id.split(':')[0], line]));
    const needed = (id: string): number | undefined => {
      const line = lines.get(id);
      return line && evaluate(line.needed);
    };
    expect(needed('buck-fasteners')).toBe(72);
    // Two sleeves through 13 in of wall, a cap and a plate at both ends of each.
    expect([needed('pipe'), needed('caps'), needed('plates')]).toEqual([inches(26), 4, 4]);
    // 10 ft less 6 in at each end in bays of 2 ft: 6 stations, staggered over two rows with both at the ends.
    expect(needed('anchors-cast')).toBe(8);
    const ledge = needed('ledge') ?? 0;
    expect(ledge).toBeGreaterThan(0);
    expect((needed('straight') ?? 0) + ledge).toBe(work(plan).tally.total.blocksBought.value);
  });
});

describe('a nudge', () => {
  it('saves what it says, tried out on the whole job', () => {
    const plan = planWith([openingOf({ at: '203in', width: '38in', height: '41in', sill: '35in' })]);
    const before = work(plan);
    const found = nudges(plan, 'opening-1');
    expect(found.length).toBeGreaterThan(0);
    expect(new Set(found.map((nudge) => nudge.way)).size).toBeGreaterThan(1);
    for (const nudge of found) {
      const after = work(
        applyEdit(plan, { kind: 'set-opening', opening: 'opening-1', change: nudge.change }),
      );
      expect(before.tally.total.cut.value - after.tally.total.cut.value).toBe(nudge.cuts);
      expect(before.tally.total.blocksBought.value - after.tally.total.blocksBought.value).toBe(nudge.blocks);
      expect(nudge.cuts + nudge.shaped).toBeGreaterThan(0);
    }
  });

  it('is not offered where nothing near saves anything, or the opening is not worked', () => {
    expect(nudges(planWith([openingOf({ at: '600in', sill: '32in' })]), 'opening-1')).toEqual([]);
    expect(nudges(planWith([]), 'opening-1')).toEqual([]);
  });
});
