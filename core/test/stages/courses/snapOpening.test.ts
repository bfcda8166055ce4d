import { describe, expect, it } from 'vitest';
import { inches, toInches } from '../../../src/kernel/measure';
import { jointsOf, snapOpening } from '../../../src/stages/courses/snapOpening';
import { work } from '../../../src/work';
import { openingOf } from '../../support/openings';
import { HALL, planOf, withCourses } from '../../support/plans';

// Walls of 40 ft of blocks of 48 in, 13 in thick: legs of 40 and 24 in at the corners, courses of 16 in.
const worked = work(planOf(HALL, { ...withCourses(7), openings: [openingOf()] }));
const joints = jointsOf(worked.courses.pieces, 'w1');
const [opening] = worked.openings.placed;
if (!opening) throw new Error('no opening');
const { hole, finished } = opening;

/** Where a move takes the opening to, in inches: the sides of its hole, its foot and its heads. */
const moved = (along: number, up: number, reach: number, heads: readonly number[] = []) => {
  const by = snapOpening({
    opening,
    wanted: { along: inches(along), up: inches(up) },
    joints,
    levels: worked.levels,
    heads: heads.map((each) => inches(each)),
    reach: inches(reach),
  });
  return {
    from: toInches(hole.from) + toInches(by.along),
    to: toInches(hole.to) + toInches(by.along),
    foot: toInches(hole.bottom) + toInches(by.up),
    top: toInches(hole.top) + toInches(by.up),
    head: toInches(finished.top) + toInches(by.up),
    joint: by.toJoint,
    line: by.toLine,
  };
};

describe('joints that the saw has not made', () => {
  it('are ends of legs and of whole blocks, each once, first to last', () => {
    const found = joints.map((at) => toInches(at));
    expect(found).toEqual([...new Set(found)].sort((a, b) => a - b));
    // The leg of A and blocks after it, in odd courses from 40 in and in even ones from 24.
    expect(found).toEqual(expect.arrayContaining([24, 40, 72, 88, 120, 136]));
    for (const { kind, ...piece } of worked.courses.pieces) {
      if (kind !== 'cut' || !('cutEnds' in piece) || piece.wall !== 'w1') continue;
      // Two sawn ends that face each other are no joint for an opening's edge.
      if (piece.cutEnds.start) expect(piece.start).toBeGreaterThan(0);
    }
    expect(jointsOf(worked.courses.pieces, 'no such wall')).toEqual([]);
  });
});

describe('an opening that is moved', () => {
  it('stays where it is put without reach', () => {
    const at = moved(7.25, 3.5, 0);
    expect([at.from, at.foot]).toEqual([toInches(hole.from) + 7.25, toInches(hole.bottom) + 3.5]);
    expect([at.joint, at.line]).toEqual([false, false]);
  });

  it('comes with an edge to the nearest joint in reach, whichever edge and way that is', () => {
    const nearest = (from: number, to: number): number =>
      Math.min(...joints.flatMap((at) => [from, to].map((edge) => Math.abs(edge - toInches(at)))));
    for (const along of [-9, -3.25, -0.5, 0, 1.75, 5, 8.5, 13]) {
      const wanted = [toInches(hole.from) + along, toInches(hole.to) + along] as const;
      const found = moved(along, 0.3, 6);
      expect(found.joint).toBe(nearest(...wanted) <= 6);
      expect(nearest(found.from, found.to)).toBeCloseTo(found.joint ? 0 : nearest(...wanted), 9);
      // It moves by as little as it can.
      expect(Math.abs(found.from - wanted[0])).toBeCloseTo(found.joint ? nearest(...wanted) : 0, 9);
    }
    // [by hand] No joint lies between: 120 and 136 in are so far apart, so an edge at 121 in comes back by one.
    const back = moved(121 - toInches(hole.from), 0, 1.5);
    expect([back.from, back.joint]).toEqual([120, true]);
    expect(moved(121 - toInches(hole.from), 0, 1).from).toBe(120);
    expect(moved(122.1 - toInches(hole.from), 0, 0.25).joint).toBe(false);
  });

  it('comes to course lines by foot or head, and to other heads where they are nearer', () => {
    const low = moved(0, 33 - toInches(hole.bottom), 2);
    expect([low.foot, low.line]).toEqual([32, true]);
    const byTop = moved(0, 79 - toInches(hole.top), 1.5);
    expect([byTop.top, byTop.line]).toEqual([80, true]);
    // A head half an inch off another one, while the nearest line is farther.
    const own = toInches(finished.top) - toInches(hole.top);
    const wanted = 84.5 - toInches(finished.top);
    const beside = moved(0, wanted, 3, [84, 200]);
    expect([beside.head, beside.line]).toEqual([84, true]);
    // Nearer to a line than to a head: the line has it.
    const line = moved(0, 79.75 - toInches(hole.top), 3, [81.5 + own]);
    expect(line.top).toBe(80);
  });
});
