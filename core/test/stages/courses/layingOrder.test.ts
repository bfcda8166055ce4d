import { houseRules } from '../../../src/rules';
import { describe, expect, it } from 'vitest';
import {
  type LayingManner,
  type Piece,
  clipPiece,
  cutPiece,
  cutRulesOf,
  cutRun,
  isGoodCut,
  layingOrder,
  layRow,
  mendFlimsy,
} from '../../../src/stages/courses';
import { findFamily, systemOf } from '../../../src/kernel/forms';
import { type Length, inches, toInches } from '../../../src/kernel/measure';
import { wallsOf } from '../../../src/stages/outline';
import { work } from '../../../src/work';
import { HATCHERY, planOf, withCourses } from '../../support/plans';

const worked = work(planOf(HATCHERY, withCourses(2)));
const walls = wallsOf(worked.shell);
const order = (manner: LayingManner, from?: string): readonly Piece[] =>
  layingOrder({ pieces: worked.courses.pieces, course: 1, walls, manner, from });
const inCourse = worked.courses.pieces.filter((piece) => piece.course === 1);

// Source: common practice; the three ways that crews go about a course.
describe('the laying order', () => {
  it.each(['round', 'corners-first', 'leads'] as const)('%s has every piece of the course once', (manner) => {
    for (const from of [undefined, 'w4']) {
      const ids = order(manner, from).map((piece) => piece.id);
      expect([...ids].sort()).toEqual(inCourse.map((piece) => piece.id).sort());
    }
  });

  it('goes round from the chosen corner', () => {
    expect(order('round')[0]?.id).toBe('1:A');
    const fromD = order('round', 'w4');
    expect(fromD[0]?.id).toBe('1:D');
    const corners = fromD.flatMap((piece) => (piece.kind === 'corner' ? [piece.corner] : []));
    expect(corners.join('')).toBe('DEFABC');
  });

  it('lays all corners first, then from both ends towards the middles', () => {
    const list = order('corners-first');
    expect(list.slice(0, 6).every((piece) => piece.kind === 'corner')).toBe(true);
    const row = list.filter((piece) => piece.kind !== 'corner' && piece.wall === 'w1');
    const starts = row.map((piece) => piece.station);
    const [first, second, third] = starts;
    expect([first, second]).toEqual([Math.min(...starts), Math.max(...starts)]);
    expect(third).toBeGreaterThan(first ?? 0);
    expect(third).toBeLessThan(second ?? 0);
  });

  it('builds leads of two blocks on both sides of every corner before any fill', () => {
    const list = order('leads');
    const lastCorner = list.findLastIndex((piece) => piece.kind === 'corner');
    const row = inCourse.filter((piece) => piece.kind !== 'corner' && piece.wall === 'w1');
    const middle = row[4]?.id;
    expect(list.findIndex((piece) => piece.id === middle)).toBeGreaterThan(lastCorner);
    const lead = list.slice(0, 5).map((piece) => piece.id);
    expect(lead).toContain('1:A');
    expect(lead).toEqual(expect.arrayContaining([row[0]?.id, row[1]?.id]));
  });

  it('of an empty course is empty', () => {
    expect(layingOrder({ pieces: worked.courses.pieces, course: 9, walls })).toEqual([]);
    expect(layingOrder({ pieces: [], course: 1, walls: [] })).toEqual([]);
  });
});

describe('what a step leaves of a row', () => {
  const family = findFamily('module-48');
  if (!family) throw new Error('no family');
  const rules = cutRulesOf(systemOf(family), houseRules());
  const row = layRow(cutRun(inches(224), rules), rules, inches(40));

  it('keeps the pattern and loses the webs that the saw takes', () => {
    // Pieces 48, 48, 32, 48, 48 from 40 in; the third is the filler.
    const clipped = row.flatMap((piece) => clipPiece(piece, inches(100), inches(200), rules) ?? []);
    expect(clipped.map((piece) => [toInches(piece.start), toInches(piece.length), piece.kind])).toEqual([
      [100, 36, 'cut'],
      [136, 32, 'cut'],
      [168, 32, 'cut'],
    ]);
    // The second block starts at 88: its webs at 92 and 100 are gone, the one at 108 is 8 in from the saw.
    expect(clipped[0]?.webs.map(toInches)).toEqual([8, 16, 24, 32]);
    expect(clipped[0]?.cutEnds).toEqual({ start: true, end: false });
    expect(clipped[2]?.cutEnds).toEqual({ start: false, end: true });
    expect(clipPiece(row[0] as (typeof row)[number], inches(100), inches(200), rules)).toBeNull();
    expect(clipPiece(row[1] as (typeof row)[number], inches(0), inches(400), rules)).toBe(row[1]);
  });

  it.each([true, false])('shares a sliver with the block beside it (at the start: %s)', (atStart) => {
    const from = inches(atStart ? 84 : 40);
    const to = inches(atStart ? 264 : 220);
    const clipped = row.flatMap((piece) => clipPiece(piece, from, to, rules) ?? []);
    const mended = mendFlimsy(clipped, atStart, rules);
    expect(mended.length).toBe(clipped.length);
    const lengths = mended.map((piece) => toInches(piece.length));
    expect(Math.min(...lengths)).toBeGreaterThanOrEqual(12);
    expect(lengths.reduce((sum, each) => sum + each, 0)).toBe(180);
    mended.slice(1).forEach((piece, index) => {
      const before = mended[index];
      expect(piece.start).toBe((before?.start ?? 0) + (before?.length ?? 0));
    });
  });

  it('is one piece with the cut beside it, or shares a length with it that a block does not hold', () => {
    const rest = (lengths: readonly number[]) => {
      let at = 0;
      return lengths.map((each) => {
        const piece = cutPiece(inches(at), inches(each), rules, 'start');
        at += each;
        return piece;
      });
    };
    const mend = (lengths: readonly number[], atStart: boolean) =>
      mendFlimsy(rest(lengths), atStart, rules).map((piece) => [
        piece.kind,
        toInches(piece.start),
        toInches(piece.length),
      ]);
    // [by hand] Half a block at a free end and half an inch before an opening are one piece of 24 1/2 in.
    expect(mend([24, 0.5], false)).toEqual([['cut', 0, 24.5]]);
    expect(mend([0.5, 24, 30], true)).toEqual([
      ['cut', 0, 24.5],
      ['cut', 24.5, 30],
    ]);
    expect(mend([40, 8], false)).toEqual([['straight', 0, 48]]);
    expect(mend([8, 40], true)).toEqual([['straight', 0, 48]]);
    // 5 and 46 in are more than a block: two pieces that are long enough, with short ears.
    const shared = mend([46, 5], false).map(([, , length]) => Number(length));
    expect(shared.reduce((sum, each) => sum + each, 0)).toBe(51);
    expect(shared.every((each) => isGoodCut(inches(each), rules))).toBe(true);
  });

  it('is left alone where the end piece is long enough, or has no whole block beside it', () => {
    expect(mendFlimsy(row, true, rules)).toBe(row);
    const lonely = [cutPiece(0 as Length, inches(6), rules, 'end')];
    expect(mendFlimsy(lonely, true, rules)).toBe(lonely);
  });
});
