import { describe, expect, it } from 'vitest';
import { type Length, inches } from '../../../src/kernel/measure';
import { hidingPlaces } from '../../../src/stages/courses/holes';
import { atRowEnds } from '../../../src/stages/courses/offcuts';
import type { WallPiece } from '../../../src/stages/courses/piece';
import { type LaidRow, meetsBySegment } from '../../../src/stages/courses/stack';
import type { PlacedOpening } from '../../../src/stages/openings';

describe('fillers that openings hide', () => {
  // A run of eight blocks of 48 in and a filler of 20, from 40 in in odd courses and from 24 in even ones.
  const cuts = { step: 2, rest: inches(20), held: 8, whole: 8, cuts: [inches(20)] } as const;
  const places = (
    holes: readonly (readonly [from: number, to: number, bottom: number, top: number])[],
    parities: readonly ('odd' | 'even')[] = ['odd', 'even'],
  ): readonly number[] =>
    hidingPlaces({
      from: { odd: inches(40), even: inches(24) },
      cuts: { odd: cuts, even: cuts },
      block: inches(48),
      courses: parities.map((parity, index) => ({
        parity,
        bottom: inches(index * 16),
        top: inches(index * 16 + 16),
      })),
      holes: holes.map(
        ([from, to, bottom, top]) =>
          ({
            hole: { from: inches(from), to: inches(to), bottom: inches(bottom), top: inches(top), rise: 0 },
          }) as unknown as PlacedOpening,
      ),
      beside: 1,
    });

  it('lie within one from end to end, to the very edge', () => {
    // After three blocks the filler of an odd course lies from 184 to 204 in. [by hand]
    expect(places([[184, 204, 0, 16]], ['odd'])).toEqual([3]);
    expect(places([[184, 203, 0, 16]], ['odd'])).toEqual([]);
    expect(places([[185, 204, 0, 16]], ['odd'])).toEqual([]);
    // In the even one from 168 to 188: one opening for both of them, or none.
    expect(places([[168, 204, 0, 32]])).toEqual([3]);
  });

  it('are better gone in one than over or under it, then nearer to the middle', () => {
    // After two blocks gone in an opening, from 136 to 156 in; after five under another, from 280 to 300, nearer to the middle.
    const under = [280, 300, 100, 120] as const;
    expect(places([under, [136, 156, 0, 16]], ['odd'])).toEqual([2, 5]);
    // One that does not reach the top of the course leaves a strip of the filler.
    expect(places([under, [136, 156, 0, 15]], ['odd'])).toEqual([5, 2]);
    // Both no more than under one: five is nearer to the middle of eight than two, and three as near as five.
    expect(
      places(
        [
          [280, 300, 100, 120],
          [88, 108, 100, 120],
        ],
        ['odd'],
      ),
    ).toEqual([5, 1]);
    expect(
      places(
        [
          [184, 204, 100, 120],
          [280, 300, 0, 16],
        ],
        ['odd'],
      ),
    ).toEqual([5, 3]);
    // The courses are summed: gone in one of two is no more than under it in both.
    expect(
      places([
        [88, 108, 0, 16],
        [168, 204, 100, 120],
      ]),
    ).toEqual([3, 1]);
  });

  it('leave a whole block at both ends of the run', () => {
    expect(places([[40, 60, 0, 16]], ['odd'])).toEqual([]);
    expect(places([[88, 108, 0, 16]], ['odd'])).toEqual([1]);
    expect(places([[376, 396, 0, 16]], ['odd'])).toEqual([7]);
    expect(places([[424, 444, 0, 16]], ['odd'])).toEqual([]);
    expect(places([[0, 480, 0, 16]], ['odd'])).toEqual([4, 3, 5, 2, 6, 1, 7]);
  });
});

describe('cut pieces at the ends of their rows', () => {
  it('are the first and the last of each, in whatever order they come', () => {
    const piece = (course: number, start: number): WallPiece =>
      ({
        kind: 'cut',
        id: `${String(course)}@${String(start)}`,
        wall: 'w1',
        course,
        start: inches(start),
      }) as WallPiece;
    const row = [96, 40, 200, 144].map((start) => piece(1, start));
    const found = (pieces: readonly WallPiece[]) => [...atRowEnds(pieces)].sort();
    expect(found(row)).toEqual(['1@200', '1@40']);
    expect(found([...row].reverse())).toEqual(['1@200', '1@40']);
    expect(found([...row, piece(2, 64)])).toEqual(['1@200', '1@40', '2@64']);
  });
});

describe('where blocks meet in a row of several stretches', () => {
  it('belongs to the stretch that it lies in, between two of them to the first, beyond them to the last', () => {
    const row = (ends: readonly (readonly [number, number])[], at: readonly number[]): LaidRow =>
      ({
        segments: ends.map(([from, to]) => ({ from: inches(from), to: inches(to) })),
        joints: [...at.map((each) => ({ at: inches(each), meets: true })), { at: inches(50), meets: false }],
      }) as unknown as LaidRow;
    const met = (of: LaidRow) => meetsBySegment(of).map((own) => own.map((each: Length) => each / inches(1)));
    const at = [10, 100, 150, 200, 260, 310];
    expect(
      met(
        row(
          [
            [0, 100],
            [200, 300],
          ],
          at,
        ),
      ),
    ).toEqual([
      [10, 100],
      [150, 200, 260, 310],
    ]);
    expect(met(row([[0, 300]], at))).toEqual([at]);
    expect(met(row([], at))).toEqual([]);
  });
});
