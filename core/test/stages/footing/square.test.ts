import type { Pull } from '../../../src/stages/footing/plan';
import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { leastSquares } from '../../../src/stages/footing';
import { type Length, feet, inches, showLength, storeLength, toInches } from '../../../src/kernel/measure';
import { moveText } from '../../../src/kernel/notices/moveText';
import type { Plan } from '../../../src/kernel/plan';
import { work } from '../../../src/work';
import values from '../../data/trade-values.json';
import { type Side, HATCHERY, planOf, rectilinear, withCourses } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [528, 90],
  [384, 90],
  [528, 90],
  [384, 90],
];

const withPulls = (sides: readonly Side[], pulls: readonly (readonly [string, string, number])[]): Plan =>
  planOf(sides, {
    ...withCourses(2),
    footing: {
      kind: 'strip',
      pulls: pulls.map(([from, to, length], index): Pull => ({
        id: `p${String(index)}`,
        from,
        to,
        length: storeLength(inches(length), 'imperial'),
      })),
    },
  });

describe('what to pull', () => {
  it.each(values.diagonal)(
    '$aFt by $bFt has diagonals of $diagonalIn in ($source)',
    ({ aFt, bFt, diagonalIn }) => {
      const { square } = work(
        planOf([
          [aFt * 12, 90],
          [bFt * 12, 90],
          [aFt * 12, 90],
          [bFt * 12, 90],
        ]),
      ).footing;
      expect(square.rectangles).toHaveLength(1);
      const [one, other] = square.rectangles[0]?.diagonals ?? [];
      expect(toInches(one?.length ?? (0 as Length))).toBeCloseTo(diagonalIn, 4);
      expect(other?.length).toBe(one?.length);
      expect([one?.from.letter, one?.to.letter, other?.from.letter, other?.to.letter].sort()).toEqual([
        'A',
        'B',
        'C',
        'D',
      ]);
    },
  );

  it('finds both rectangles of an L, with spots on walls where no corner is', () => {
    // Walked A(0,0) B(20,0) C(20,10) D(10,10) E(10,20) F(0,20), in feet.
    const { square } = work(
      planOf([
        [240, 90],
        [120, 90],
        [120, -90],
        [120, 90],
        [120, 90],
        [240, 90],
      ]),
    ).footing;
    expect(square.rectangles).toHaveLength(2);
    for (const { sides } of square.rectangles) {
      expect([...sides].sort((a, b) => a - b)).toEqual([feet(10), feet(20)]);
    }
    const spots = square.rectangles.flatMap(({ diagonals }) =>
      diagonals.flatMap(({ from, to }) => [from, to]),
    );
    const onWalls = spots.filter((spot) => spot.letter === null);
    expect(onWalls).toHaveLength(2);
    for (const spot of onWalls) expect(spot.at).toBe(feet(10));
    expect(square.diagonals).toEqual([]);
  });

  it('gives rectangles that lie inside any right-angled outline, diagonals by Pythagoras', () => {
    fc.assert(
      fc.property(rectilinear(), (sides) => {
        const { shell, footing } = work(planOf(sides));
        const built = shell.loops[0]?.built;
        if (!built || built.walls.length > 24) return;
        expect(footing.square.rectangles.length).toBeGreaterThan(0);
        for (const {
          sides: [a, b],
          diagonals,
        } of footing.square.rectangles) {
          for (const { length } of diagonals) expect(Math.abs(length - Math.hypot(a, b))).toBeLessThan(2);
          expect(a * b).toBeLessThanOrEqual((built.coreArea + 1e6) * 1e18);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('makes 3-4-5 as large as each corner allows, and measures other angles across', () => {
    const { corners } = work(planOf(RECTANGLE)).footing.square;
    // 44 by 32 ft: 3 and 4 times 10 ft would need 40 along the long wall and 30 along the short one.
    expect(corners.map((corner) => showLength(corner.across, 'imperial'))).toEqual(Array(4).fill('50′'));
    for (const { legBefore, legAfter, across } of corners) {
      expect(across ** 2).toBeCloseTo(legBefore ** 2 + legAfter ** 2, -6);
    }
    const octagon = work(planOf(Array.from({ length: 8 }, (): Side => [120, 45]))).footing.square;
    expect(octagon.rectangles).toEqual([]);
    expect(octagon.diagonals).toHaveLength(20);
    // Legs of 10 ft at 135°: the law of cosines.
    const across = Math.sqrt(2 * 100 - 2 * 100 * Math.cos((135 * Math.PI) / 180)) * 12;
    for (const corner of octagon.corners) expect(toInches(corner.across)).toBeCloseTo(across, 4);
  });
});

describe('pulls of the tape', () => {
  const diagonal = Math.hypot(528, 384);

  it('leave a true rectangle alone', () => {
    const [loop] = work(
      withPulls(RECTANGLE, [
        ['w1', 'w3', diagonal],
        ['w2', 'w4', diagonal],
      ]),
    ).footing.adjusted;
    expect(loop?.agree).toBe(true);
    expect(loop?.spare).toBe(1);
    for (const move of loop?.moves ?? []) expect(toInches(move.size)).toBeLessThan(0.001);
  });

  it('say where a sheared rectangle is moved: the long diagonal’s corners come in', () => {
    // Corners C and D pushed 1/2 in along D–C, away from A: A–C grows, B–D shrinks.
    const sheared = (by: number): number => Math.hypot(528 + by, 384);
    const worked = work(
      withPulls(RECTANGLE, [
        ['w1', 'w3', sheared(0.5)],
        ['w2', 'w4', sheared(-0.5)],
      ]),
    );
    const moves = worked.footing.adjusted[0]?.moves ?? [];
    const byCorner = Object.fromEntries(moves.map((move) => [move.corner, moveText(move.parts, 'imperial')]));
    expect(byCorner).toEqual({ A: 'nowhere', B: 'nowhere', C: '1/2″ toward D', D: '1/2″ away from C' });
    expect(worked.notices.map((notice) => notice.what)).toContain('Move corner C 1/2″ toward D.');
  });

  it('are solved as a general-purpose least-squares library solves them', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -12, max: 12, noNaN: true }), { minLength: 8, maxLength: 8 }),
        (noise) => {
          const start = [0, 0, 6000, 0, 6000, 4000, 0, 4000];
          const pairs = [
            [0, 1],
            [1, 2],
            [2, 3],
            [3, 0],
            [0, 2],
            [1, 3],
          ] as const;
          const observations = pairs.map(([a, b], index) => ({
            a,
            b,
            pull: null,
            length:
              Math.hypot(
                (start[2 * b] ?? 0) - (start[2 * a] ?? 0),
                (start[2 * b + 1] ?? 0) - (start[2 * a + 1] ?? 0),
              ) + (noise[index] ?? 0),
          }));
          const ours = leastSquares(start, observations);
          // The library fits the free coordinates, the first corner and the first wall's direction held.
          const fitted = levenbergMarquardt(
            { x: observations.map((_, index) => index), y: observations.map((each) => each.length) },
            (free) => (at) => {
              const spots = [0, 0, free[0] ?? 0, 0, ...free.slice(1)];
              const [a, b] = pairs[Math.round(at)] ?? [0, 0];
              return Math.hypot(
                (spots[2 * b] ?? 0) - (spots[2 * a] ?? 0),
                (spots[2 * b + 1] ?? 0) - (spots[2 * a + 1] ?? 0),
              );
            },
            {
              initialValues: [6000, 6000, 4000, 0, 4000],
              gradientDifference: 1e-4,
              maxIterations: 200,
              damping: 1e-3,
              errorTolerance: 1e-14,
            },
          );
          const left = ours.residuals.reduce((sum, each) => sum + each * each, 0);
          expect(left).toBeLessThanOrEqual(fitted.parameterError + 1e-4);
          expect(left).toBeCloseTo(fitted.parameterError, 2);
          expect(ours.spare).toBe(1);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('single out the one that is wrong when enough are pulled', () => {
    // Five corners of a house plan, every diagonal pulled: 5 sides and 5 diagonals for 7 unknowns.
    const sides: readonly Side[] = [
      [300, 90],
      [240, 90],
      [150, 45],
      [212.132, 45],
      [90, 90],
    ];
    const plan = planOf(sides);
    const built = work(plan).shell.loops[0]?.built;
    if (!built) throw new Error('does not close');
    const corners = built.faces.formOutside;
    const pulls = [
      ['w1', 'w3'],
      ['w1', 'w4'],
      ['w2', 'w4'],
      ['w2', 'w5'],
      ['w3', 'w5'],
    ].map(([from = '', to = ''], index) => {
      const [a, b] = [corners[Number(from[1]) - 1], corners[Number(to[1]) - 1]];
      const length = a && b ? Math.hypot(a.x - b.x, a.y - b.y) / 25_400_000 : 0;
      return [from, to, length + (index === 2 ? 2 : 0)] as const;
    });
    const worked = work(withPulls(sides, pulls));
    const [loop] = worked.footing.adjusted;
    expect(loop?.spare).toBe(3);
    expect(loop?.agree).toBe(false);
    expect(loop?.suspect).toBe('p2');
    expect(worked.notices.find(({ kind }) => kind === 'pulls-disagree')?.what).toContain('B to D');
  });

  it('do not single out one where any could be it', () => {
    const [loop] = work(
      withPulls(RECTANGLE, [
        ['w1', 'w3', diagonal + 3],
        ['w2', 'w4', diagonal],
      ]),
    ).footing.adjusted;
    expect(loop?.agree).toBe(false);
    expect(loop?.suspect).toBeNull();
  });

  it('keep to what the tape says nothing of: one diagonal of an L moves nothing that it does not touch', () => {
    const worked = work(withPulls(HATCHERY, [['w1', 'w3', 1000]]));
    expect(worked.footing.adjusted).toEqual([]);
    expect(worked.footing.problems).toEqual([
      expect.objectContaining({ kind: 'pull-impossible', from: 'A', to: 'C' }),
    ]);
    expect(worked.notices[0]).toMatchObject({ severity: 'stop', where: 'A to C' });
  });

  it('are left out with a sentence when they cannot be read or used', () => {
    const plan = withPulls(RECTANGLE, []);
    const worked = work({
      ...plan,
      footing: {
        kind: 'strip',
        pulls: [
          { id: 'a', from: 'w1', to: 'w1', length: '10ft' },
          { id: 'b', from: 'w1', to: 'w3', length: 'about fifty' },
          { id: 'c', from: 'w1', to: 'gone', length: '50ft' },
        ],
      },
    });
    expect(worked.footing.problems.map((problem) => problem.kind)).toEqual([
      'pull-to-itself',
      'pull-unreadable',
      'pulls-without-corner',
    ]);
    expect(
      worked.notices.filter((notice) => notice.severity !== 'tip' && notice.place.stage === 'footing'),
    ).toHaveLength(3);
  });
});
