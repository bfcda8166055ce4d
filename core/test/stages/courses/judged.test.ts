import { describe, expect, it } from 'vitest';
import { type Length, inches, toInches } from '../../../src/kernel/measure';
import { type RowEnd, judgeJoints } from '../../../src/stages/courses/joints';
import type { RowPiece } from '../../../src/stages/courses/row';
import { segmentsOf } from '../../../src/stages/courses/segments';
import { jointsOf } from '../../../src/stages/courses/snapOpening';
import { work } from '../../../src/work';
import { HALL, planOf, roundedHall, withCourses } from '../../support/plans';

/** Blocks of 48 in with webs every 8 in from 4 in on; a cut one is sawn at its end. */
const row = (...lengths: readonly number[]): readonly RowPiece[] => {
  let at = 0;
  return lengths.map((length): RowPiece => {
    const start = inches(at);
    at += length;
    const webs = Array.from({ length: Math.floor((length - 4) / 8) + 1 }, (_, index) =>
      inches(4 + 8 * index),
    );
    const cut = length < 48;
    return {
      kind: cut ? 'cut' : 'straight',
      start,
      length: inches(length),
      webs,
      cutEnds: { start: false, end: cut },
    };
  });
};

const reasonsAt = (
  pieces: readonly RowPiece[],
  ends: readonly [RowEnd['kind'], RowEnd['kind']],
  blocksFromCorner: number,
) => {
  const [start, end] = ends.map((kind): RowEnd => ({ kind, webs: [] })) as [RowEnd, RowEnd];
  const rules = {
    cuts: {
      block: inches(48),
      cutMark: inches(1),
      webs: { first: inches(4), spacing: inches(8), clearOfCut: inches(1) },
      shortest: inches(8),
      longestEar: inches(4),
    },
    longestWebToWeb: inches(8),
    blocksFromCorner,
    seam: null,
    curved: false,
  };
  return judgeJoints({ from: inches(0), pieces, start, end }, rules).map(({ at, reasons }) => [
    toInches(at),
    ...reasons,
  ]);
};

describe('a cut near a corner', () => {
  it('is told at the corner, from either end, for as many blocks as are wanted between', () => {
    // 20 in are 4 + 8 + 8 in: the ear is 0, so nothing else is told of the cut.
    const first = row(20, 48, 48);
    expect(reasonsAt(first, ['leg', 'leg'], 1)[0]).toEqual([0, 'beside-corner']);
    expect(reasonsAt(first, ['leg', 'leg'], 1).at(-1)).toEqual([116]);
    expect(reasonsAt(first, ['leg', 'leg'], 0)[0]).toEqual([0]);
    const second = row(48, 20, 48);
    expect(reasonsAt(second, ['leg', 'leg'], 1)[0]).toEqual([0]);
    expect(reasonsAt(second, ['leg', 'leg'], 2)[0]).toEqual([0, 'beside-corner']);
    const last = row(48, 48, 20);
    expect(reasonsAt(last, ['leg', 'leg'], 1)[0]).toEqual([0]);
    expect(reasonsAt(last, ['leg', 'leg'], 1).at(-1)).toContain('beside-corner');
  });

  it('is nothing at an end without a corner', () => {
    expect(reasonsAt(row(20, 48), ['free', 'leg'], 1)[0]).toEqual([0, 'free-end']);
    expect(reasonsAt(row(20, 48), ['tee', 'leg'], 1)[0]).toEqual([0, 'tee']);
  });
});

describe('the end of a course inside a wall', () => {
  const feet = (value: number): Length => inches(12 * value);
  const span = (from: number, to: number, bottom: number, top: number) => ({
    from: feet(from),
    to: feet(to),
    bottom: inches(bottom),
    top: inches(top),
  });
  const endsOf = (spans: Parameters<typeof segmentsOf>[0], course: number) =>
    segmentsOf(spans, inches(16 * (course - 1)), inches(16 * course), feet(40)).map(
      ({ from, to, start, end }) => [toInches(from) / 12, toInches(to) / 12, start, end],
    );

  it('is at the footing where that steps up, and free where the top steps down', () => {
    const up = [span(0, 10, 0, 96), span(10, 40, 16, 96)];
    expect(endsOf(up, 1)).toEqual([[0, 10, 'wall-end', 'footing']]);
    expect(endsOf(up, 2)).toEqual([[0, 40, 'wall-end', 'wall-end']]);
    const down = [span(0, 30, 0, 96), span(30, 40, 0, 80)];
    expect(endsOf(down, 6)).toEqual([[0, 30, 'wall-end', 'free']]);
    expect(endsOf(down, 5)).toEqual([[0, 40, 'wall-end', 'wall-end']]);
    const both = [span(0, 10, 16, 96), span(10, 30, 0, 96), span(30, 40, 0, 32)];
    expect(endsOf(both, 1)).toEqual([[10, 40, 'footing', 'wall-end']]);
    expect(endsOf(both, 3)).toEqual([[0, 30, 'wall-end', 'free']]);
    const trough = [span(0, 10, 0, 32), span(10, 40, 0, 96)];
    expect(endsOf(trough, 3)).toEqual([[10, 40, 'free', 'wall-end']]);
  });

  it('is a joint where a course is cut lower for part of its length', () => {
    const lower = [span(0, 10, 0, 96), span(10, 40, 0, 88)];
    expect(endsOf(lower, 6)).toEqual([
      [0, 10, 'wall-end', 'joint'],
      [10, 40, 'joint', 'wall-end'],
    ]);
  });
});

describe('joints that no saw has made', () => {
  it('are at the end of a corner’s leg and between whole blocks, on the one wall', () => {
    const { courses } = work(planOf(HALL, withCourses(2)));
    const pieces = courses.pieces.filter(({ course }) => course === 1);
    const corner = pieces.find((piece) => piece.kind === 'corner' && piece.wallAfter === 'w1');
    const joints = jointsOf(pieces, 'w1').map((at) => toInches(at));
    expect(corner?.kind === 'corner' && joints[0] === toInches(corner.legAfter)).toBe(true);
    const own = pieces.flatMap((piece) => (piece.kind !== 'corner' && piece.wall === 'w1' ? [piece] : []));
    const whole = own.flatMap(({ start, length, cutEnds }) => [
      ...(cutEnds.start ? [] : [toInches(start)]),
      ...(cutEnds.end ? [] : [toInches((start + length) as Length)]),
    ]);
    expect(joints).toEqual([...new Set([joints[0] ?? 0, ...whole])].sort((a, b) => a - b));
    // The other corner pieces lie on other walls.
    expect(joints.every((at) => at > 0 && at < 480)).toBe(true);
  });
});

describe('what is told of a curved wall', () => {
  it('is how many relief cuts a course takes and how wide each is, the difference of both faces shared', () => {
    const { courses } = work(roundedHall(120, withCourses(3)));
    const found = courses.findings.find(({ kind }) => kind === 'curved');
    if (found?.kind !== 'curved') throw new Error('no curve told');
    // A quarter of a circle, 120 in outside and 107 in inside. [arc = radius · angle]
    const [outside, inside] = [(120 * Math.PI) / 2, (107 * Math.PI) / 2];
    expect(found.cutsACourse * toInches(found.wedge)).toBeCloseTo(outside - inside, 4);
    // One cut between every so many webs of 8 in.
    const every = 48 / found.cutsABlock;
    expect(found.cutsACourse).toBe(Math.floor(outside / every));
  });
});
