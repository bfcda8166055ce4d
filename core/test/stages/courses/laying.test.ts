import { valuesIn } from '../../support/values';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type CornerPiece, type Piece, type WallPiece, earOf, staggerOf } from '../../../src/stages/courses';
import { type Length, inches, toInches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { type Wall, wallsOf } from '../../../src/stages/outline';
import { type WorkedPlan, work } from '../../../src/work';
import {
  type Side,
  HATCHERY,
  mirrored,
  planOf,
  rectilinear,
  restarted,
  withCourses,
} from '../../support/plans';

const isOnWall = (piece: Piece, wall: Wall): piece is WallPiece =>
  piece.kind !== 'corner' && piece.wall === wall.id;

interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** Everything that lies along one wall in one course, legs and blocks, in order. */
function stretches(worked: WorkedPlan, wall: Wall, course: number): readonly Stretch[] {
  return worked.courses.pieces
    .filter((piece) => piece.course === course)
    .flatMap((piece): Stretch[] => {
      if (piece.kind !== 'corner')
        return isOnWall(piece, wall) ? [{ from: piece.start, to: piece.start + piece.length }] : [];
      return [
        ...(piece.wallAfter === wall.id ? [{ from: 0, to: piece.legAfter as number }] : []),
        ...(piece.wallBefore === wall.id
          ? [{ from: wall.length - piece.legBefore, to: wall.length as number }]
          : []),
      ];
    })
    .sort((a, b) => a.from - b.from);
}

const notices = (worked: WorkedPlan, kind: string, wall: string): boolean =>
  worked.notices.some((notice) => notice.id === `${kind}:${wall}`);

const anyPlan: fc.Arbitrary<Plan> = fc
  .record({
    sides: rectilinear(),
    family: fc.constantFrom('module-48', 'long-96'),
    core: fc.constantFrom('6in', '8in'),
    measuredTo: fc.constantFrom('form', 'concrete', 'centre'),
    courses: fc.integer({ min: 1, max: 5 }),
    lead: fc.constantFrom('starting-wall', 'ending-wall'),
  })
  .map(({ sides, family, core, measuredTo, courses, lead }) =>
    planOf(sides, {
      family,
      core,
      measuredTo,
      ...withCourses(courses),
      rules: { 'courses.corner.lead': lead },
    }),
  );

describe('the courses of any rectilinear outline', () => {
  it('fill every wall exactly, with no gap and no overlap', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const worked = work(plan);
        expect(worked.notices.filter((notice) => notice.severity === 'stop')).toEqual([]);
        for (const wall of wallsOf(worked.shell)) {
          for (let course = 1; course <= worked.courses.count; course++) {
            const row = stretches(worked, wall, course);
            expect(row[0]?.from).toBe(0);
            row.forEach((stretch, index) => {
              expect(stretch.to).toBe(row[index + 1]?.from ?? wall.length);
            });
          }
        }
      }),
      { numRuns: 20 },
    );
  });

  it('hold no piece longer than the stock block, and no long ear, thin piece or close joint without a notice', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const worked = work(plan);
        const { family } = worked.shell;
        if (family?.kind !== 'flat-wall') throw new Error('no flat-wall family');
        const webs = { first: family.firstWeb, spacing: family.webSpacing, clearOfCut: inches(1) };
        for (const wall of wallsOf(worked.shell)) {
          const rows = Array.from({ length: worked.courses.count }, (_, index) =>
            stretches(worked, wall, index + 1),
          );
          for (const piece of worked.courses.pieces) {
            if (!isOnWall(piece, wall)) continue;
            expect(piece.length).toBeLessThanOrEqual(family.straightLength);
            const weak =
              piece.kind === 'cut' && (earOf(piece.length, webs) > inches(4) || piece.length < inches(12));
            if (weak) expect(notices(worked, 'straps', wall.id)).toBe(true);
            if (piece.kind === 'straight') expect(piece.length).toBe(family.straightLength);
            else {
              const partner = worked.courses.pieces.find((each) => each.id === piece.cutFrom?.partner);
              const shared = partner && partner.kind !== 'corner' ? partner.length : 0;
              expect(piece.cutFrom?.offcut).toBe(family.straightLength - piece.length - shared);
            }
          }
          for (let course = 2; course <= rows.length; course++) {
            const joints = (index: number): readonly number[] =>
              rows[index]?.slice(0, -1).map((each) => each.to) ?? [];
            const close = joints(course - 1).some((at) =>
              joints(course - 2).some((below) => Math.abs(at - below) < inches(8)),
            );
            if (close) expect(notices(worked, 'stagger', wall.id)).toBe(true);
          }
        }
      }),
      { numRuns: 20 },
    );
  });

  it('give the core the volume of its polygon, in every course', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const worked = work(plan);
        const height = worked.courses.courseHeight / 1e9;
        const area = worked.shell.loops[0]?.built?.coreArea ?? 0;
        for (const row of worked.tally.courses) {
          expect(Math.abs(row.coreVolume.value / (area * height) - 1)).toBeLessThan(1e-9);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('need the same blocks walked from another corner, and mirrored', () => {
    const counts = (plan: Plan) => {
      const { total } = work(plan).tally;
      const hands = [total.cornerLH.value, total.cornerRH.value];
      return {
        straight: total.straight.value,
        cut: total.cut.value,
        volume: total.coreVolume.value.toFixed(9),
        hands,
      };
    };
    fc.assert(
      fc.property(rectilinear(), fc.nat(), fc.integer({ min: 1, max: 4 }), (sides, start, courses) => {
        const own = counts(planOf(sides, withCourses(courses)));
        expect(counts(planOf(restarted(sides, start % sides.length), withCourses(courses)))).toEqual(own);
        // In the mirror the long legs lead the other way round, so each hand stays what it was.
        const twin = counts(
          planOf(mirrored(sides), {
            ...withCourses(courses),
            rules: { 'courses.corner.lead': 'ending-wall' },
          }),
        );
        expect({ ...twin, hands: [...twin.hands].reverse() }).toEqual(own);
      }),
      { numRuns: 60 },
    );
  });
});

describe('corners', () => {
  const corners = (plan: Plan, course: number): readonly CornerPiece[] =>
    work(plan).courses.pieces.filter(
      (piece): piece is CornerPiece => piece.kind === 'corner' && piece.course === course,
    );

  it('lead the same way round and swap every course', () => {
    const odd = corners(planOf(HATCHERY), 1);
    const even = corners(planOf(HATCHERY), 2);
    expect(odd.map((corner) => corner.hand).join(' ')).toBe('LH LH LH RH LH LH');
    expect(even.map((corner) => corner.hand).join(' ')).toBe('RH RH RH LH RH RH');
    expect(odd.map((corner) => toInches(corner.legAfter))).toEqual([40, 40, 40, 27, 40, 40]);
    expect(odd.map((corner) => toInches(corner.legBefore))).toEqual([24, 24, 24, 11, 24, 24]);
    expect(even.map((corner) => toInches(corner.legBefore))).toEqual([40, 40, 40, 27, 40, 40]);
  });

  it('swap their first course with the house rule', () => {
    const swapped = planOf(HATCHERY, { rules: { 'courses.corner.lead': 'ending-wall' } });
    expect(corners(swapped, 1).map((corner) => corner.hand)).toEqual(
      corners(planOf(HATCHERY), 2).map((corner) => corner.hand),
    );
  });

  it('keep the block’s web pattern from their free ends, so that strips carry on across the joint', () => {
    const [a] = corners(planOf(HATCHERY), 1);
    expect(a?.websAfter.map(toInches)).toEqual([36, 28, 20]);
    expect(a?.websBefore.map(toInches)).toEqual([20]);
  });
});

describe('where the cuts fall', () => {
  const rectangle = (long: number, short: number): readonly Side[] => [
    [long, 90],
    [short, 90],
    [long, 90],
    [short, 90],
  ];

  it('is the middle of the row, at the same place in every course', () => {
    const worked = work(planOf(rectangle(480, 336)));
    const [wall] = wallsOf(worked.shell);
    if (!wall) throw new Error('no wall');
    for (let course = 1; course <= 6; course++) {
      const row = worked.courses.pieces.filter((piece) => piece.course === course && isOnWall(piece, wall));
      expect(row.map((piece) => piece.kind)).toEqual([
        'straight',
        'straight',
        'straight',
        'straight',
        'cut',
        'straight',
        'straight',
        'straight',
        'straight',
      ]);
    }
  });

  it('faces two cuts with their cut ends and keeps whole ends outward', () => {
    const worked = work(planOf(rectangle(312, 312)));
    const cuts = worked.courses.pieces
      .filter((piece): piece is WallPiece => piece.kind === 'cut' && piece.course === 1)
      .slice(0, 2);
    expect(cuts.map((piece) => piece.cutEnds)).toEqual([
      { start: false, end: true },
      { start: true, end: false },
    ]);
    expect(cuts.map((piece) => piece.webs.map(toInches))).toEqual([
      [4, 12, 20, 28],
      [4, 12, 20],
    ]);
  });

  it('next to a corner is noticed', () => {
    expect(notices(work(planOf(HATCHERY)), 'filler-near-corner', 'w4')).toBe(true);
    expect(notices(work(planOf(HATCHERY)), 'filler-near-corner', 'w1')).toBe(false);
    const relaxed = work(planOf(HATCHERY, { rules: { 'courses.filler.blocksFromCorner': 0 } }));
    expect(notices(relaxed, 'filler-near-corner', 'w4')).toBe(false);
  });

  it('off the interlock pitch is laid the same way, with a notice', () => {
    const worked = work(planOf(rectangle(480.5, 336)));
    expect(notices(worked, 'off-pitch', 'w1')).toBe(true);
    expect(notices(worked, 'off-pitch', 'w2')).toBe(false);
    expect(worked.tally.total.cut.value).toBeGreaterThan(0);
    const long = work(planOf(rectangle(745, 408), { family: 'long-96', core: '6in' }));
    expect(notices(long, 'off-pitch', 'w1')).toBe(true);
  });

  it('over a joint of the course below is on the strap list, from the second course up', () => {
    const sides = rectangle(64 + 48 * 4 + 16, 64 + 48 * 4 + 32);
    const worked = work(planOf(sides, withCourses(3)));
    const staggered = worked.courses.weakJoints.filter((joint) => joint.reasons.includes('stagger'));
    expect(new Set(staggered.map((joint) => joint.course))).toEqual(new Set([2, 3]));
    expect(new Set(staggered.map((joint) => joint.wall))).toEqual(new Set(['w1', 'w3']));
    // Two walls, one joint each in both upper courses: the filler is as long as the corner stagger.
    expect(staggered.length).toBe(4);
    expect(
      work(planOf(sides, { ...withCourses(3), rules: { 'courses.stagger.least': '0in' } })).courses
        .weakJoints,
    ).toEqual([]);
  });

  it('is judged by the job’s own rules', () => {
    const sides = rectangle(289, 305);
    expect(work(planOf(sides)).tally.courses[0]?.wallsToStrap).toBe(4);
    const lenient = work(
      planOf(sides, { rules: { 'courses.ear.longest': '5in', 'courses.webToWeb.longest': '9in' } }),
    );
    expect(lenient.tally.courses[0]?.wallsToStrap).toBe(0);
    expect(lenient.notices.some((notice) => notice.id.startsWith('straps'))).toBe(false);
  });

  it('flags joints whose webs stand too far apart', () => {
    const worked = work(planOf(rectangle(289, 305), withCourses(1)));
    const reasons = new Set(worked.courses.weakJoints.flatMap((joint) => joint.reasons));
    expect(reasons).toEqual(new Set(['ear', 'web-to-web']));
  });
});

describe('what cannot be laid', () => {
  const stops = (plan: Plan): readonly string[] =>
    work(plan).notices.flatMap((notice) => (notice.severity === 'stop' ? [notice.id] : []));

  it('is a wall shorter than its two corner legs', () => {
    const plan = planOf([
      [312, 90],
      [63, 90],
      [312, 90],
      [63, 90],
    ]);
    expect(stops(plan)).toEqual(['too-short-for-corners:w2', 'too-short-for-corners:w4']);
    expect(valuesIn(work(plan).notices[0]?.what)).toEqual(['5′ 3″', '5′ 4″']);
    expect(
      stops(
        planOf([
          [312, 90],
          [64, 90],
          [312, 90],
          [64, 90],
        ]),
      ),
    ).toEqual([]);
  });

  it.each([0, -3, 61, 2.5, 1e9])('%d courses', (courses) => {
    const plan = planOf(HATCHERY, withCourses(courses));
    expect(stops(plan)).toEqual(['courses-out-of-range']);
    expect(work(plan).courses.pieces).toEqual([]);
    expect(work(plan).shell.loops[0]?.built).not.toBeNull();
  });

  it('is 60 courses and more: 60 are', () => {
    expect(stops(planOf(HATCHERY, withCourses(60)))).toEqual([]);
  });

  it('is pours out of order; pours in order are laid to the last', () => {
    const pour = (id: string, toCourse: number) => ({ id, name: id, toCourse, top: 'full' as const });
    expect(stops(planOf(HATCHERY, { pours: [pour('low', 4), pour('high', 4)] }))).toEqual([
      'pours-out-of-order',
    ]);
    expect(work(planOf(HATCHERY, { pours: [pour('low', 4), pour('high', 7)] })).courses.count).toBe(7);
  });
});

describe('stagger', () => {
  it('is the distance to the nearest joint below', () => {
    const at = (...values: number[]): readonly Length[] => values.map(inches);
    expect(staggerOf(at(10, 50, 90), at(0, 48, 60)).map(toInches)).toEqual([10, 2, 30]);
    expect(staggerOf(at(5), [])[0]).toBe(Number.MAX_SAFE_INTEGER);
    fc.assert(
      fc.property(fc.array(fc.nat(1000)), fc.array(fc.nat(1000), { minLength: 1 }), (joints, below) => {
        const [own, under] = [joints, below].map((list) => [...list].sort((a, b) => a - b) as Length[]) as [
          Length[],
          Length[],
        ];
        expect(staggerOf(own, under)).toEqual(
          own.map((joint) => Math.min(...under.map((each) => Math.abs(each - joint)))),
        );
      }),
    );
  });
});
