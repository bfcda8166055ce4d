import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Piece } from '../../../src/stages/courses';
import { type Length, inches, storeLength, ZERO } from '../../../src/kernel/measure';
import { type PlacedOpening, type Rect, areaOf, areaWithin } from '../../../src/stages/openings';
import type { BuckKind, Opening } from '../../../src/stages/openings/plan';
import type { Plan } from '../../../src/kernel/plan';
import { wallsOf } from '../../../src/stages/outline';
import { type WorkedPlan, work } from '../../../src/work';
import { openingOf } from '../../support/openings';
import { HATCHERY, planOf, withCourses } from '../../support/plans';

/** Where a piece lies on the faces of its walls. */
function facesOf(piece: Piece, worked: WorkedPlan): readonly (Rect & { readonly wall: string })[] {
  const { bottom, top } = piece;
  if (piece.kind !== 'corner') {
    const to = (piece.start + piece.length) as Length;
    return [{ wall: piece.wall, from: piece.start, to, bottom, top }];
  }
  const before = wallsOf(worked.shell).find((wall) => wall.id === piece.wallBefore);
  const end = before?.length ?? ZERO;
  return [
    { wall: piece.wallBefore, from: (end - piece.legBefore) as Length, to: end, bottom, top },
    { wall: piece.wallAfter, from: ZERO, to: piece.legAfter, bottom, top },
  ];
}

const worked = (openings: readonly Opening[], change: Partial<Plan> = {}): WorkedPlan =>
  work(planOf(HATCHERY, { ...withCourses(7), openings, ...change }));

/** Pieces cover every wall but its openings, once: told by areas, and by pieces of a course that never overlap. */
function expectCovered(plan: WorkedPlan): void {
  const holes = plan.openings.placed.filter((each) => each.worked);
  for (const row of plan.courses.rows) {
    const own = holes.filter((each) => each.wall === row.wall);
    const faces = plan.courses.pieces
      .filter((piece) => piece.course === row.course)
      .flatMap((piece) =>
        facesOf(piece, plan).map((face) => ({
          piece,
          // What runs on past an inside corner lies on no outside face.
          face: {
            ...face,
            from: Math.max(face.from, row.from) as Length,
            to: Math.min(face.to, row.to) as Length,
          },
        })),
      )
      .filter(({ face }) => face.wall === row.wall && face.to > face.from)
      .sort((a, b) => a.face.from - b.face.from);
    faces.forEach(({ face }, index) => {
      expect(faces[index + 1]?.face.from ?? face.to).toBeGreaterThanOrEqual(face.to);
    });
    const foam = faces.reduce((sum, { piece, face }) => {
      const notched = (piece.notches ?? [])
        .filter((notch) => notch.wall === row.wall)
        .reduce((total, notch) => {
          const hole = own.find((each) => each.id === notch.opening) as PlacedOpening;
          return total + areaWithin(hole.hole, notch);
        }, 0);
      // What a piece says is notched is all that any opening takes of it.
      const taken = own.reduce((total, each) => total + areaWithin(each.hole, face), 0);
      expect(notched).toBeCloseTo(taken, 9);
      return sum + areaOf(face) - taken;
    }, 0);
    const open = own.reduce((sum, each) => sum + areaWithin(each.hole, row), 0);
    expect(foam + open).toBeCloseTo(areaOf(row), 9);
  }
}

const grossOf = (openings: readonly Opening[], change: Partial<Plan> = {}): number => {
  const plan = worked(openings, change);
  return worked([], change).tally.total.coreVolume.value - plan.tally.total.coreVolume.value;
};

const anyOpening: fc.Arbitrary<Opening> = fc
  .record({
    kind: fc.constantFrom<Opening['kind']>('window', 'door', 'garage', 'round-top', 'void'),
    wall: fc.integer({ min: 1, max: 6 }),
    from: fc.constantFrom<'start' | 'end'>('start', 'end'),
    to: fc.constantFrom<'near' | 'centre'>('near', 'centre'),
    at: fc.integer({ min: 4 * 20, max: 4 * 300 }),
    width: fc.integer({ min: 4 * 6, max: 4 * 110 }),
    height: fc.integer({ min: 4 * 6, max: 4 * 90 }),
    sill: fc.integer({ min: 0, max: 4 * 60 }),
    buck: fc.constantFrom<BuckKind>('lumber', 'foam', 'form-scrap', 'vinyl'),
  })
  .map((each) =>
    openingOf({
      id: `any-${String(each.wall)}-${String(each.at)}-${String(each.width)}`,
      kind: each.kind,
      wall: `w${String(each.wall)}`,
      from: each.from,
      to: each.to,
      at: storeLength(inches(each.at / 4), 'imperial'),
      width: storeLength(inches(each.width / 4), 'imperial'),
      height: storeLength(inches(each.height / 4), 'imperial'),
      sill: storeLength(inches(each.sill / 4), 'imperial'),
      buck: each.buck,
    }),
  );
const anyOpenings = fc.uniqueArray(anyOpening, { maxLength: 6, selector: ({ id }) => id });

describe('courses round openings', () => {
  it('cover everything but the openings, and nothing twice', () => {
    fc.assert(
      fc.property(
        anyOpenings,
        fc.constantFrom<Partial<Plan>>(
          {},
          { family: 'long-96' },
          { family: 'panel-48' },
          { family: 'cell-24', core: '6in' },
          { height: '8ft 7in' },
        ),
        (openings, change) => {
          expectCovered(worked(openings, change));
        },
      ),
      { numRuns: 50 },
    );
  });

  it.each([
    ['ends', openingOf({ wall: 'w3', from: 'end', at: '1in' })],
    ['begins', openingOf({ wall: 'w4', from: 'start', at: '1in' })],
  ] as const)('leave nothing of the leg of an inside corner where an opening %s at it', (_, opening) => {
    const hole = { to: 'near', width: '7 3/4in', height: '1ft 3in', sill: '0in', buck: 'vinyl' } as const;
    const plan = worked([{ ...opening, ...hole }]);
    expect(plan.openings.placed[0]?.worked).toBe(true);
    expectCovered(plan);
  });

  it('with the displaced volume make up the gross wall exactly', () => {
    fc.assert(
      fc.property(anyOpenings, (openings) => {
        const plan = worked(openings);
        const displaced = plan.openings.placed
          .filter((each) => each.worked)
          .reduce((sum, each) => {
            const rows = plan.courses.rows.filter((row) => row.wall === each.wall);
            const core = wallsOf(plan.shell).find((wall) => wall.id === each.wall)?.core ?? ZERO;
            return (
              sum + rows.reduce((total, row) => total + areaWithin(each.concrete, row), 0) * (core / 1e9)
            );
          }, 0);
        const gross = worked([]).tally.total.coreVolume.value;
        expect(plan.tally.total.coreVolume.value + displaced).toBeCloseTo(gross, 9);
        // The figure's own tree says the same, course by course.
        const courses = plan.tally.courses.reduce((sum, row) => sum + row.coreVolume.value, 0);
        expect(courses).toBeCloseTo(plan.tally.total.coreVolume.value, 9);
      }),
      { numRuns: 60 },
    );
  });

  it('lay nothing inside, cut at the edges, rip under the sill and notch across it', () => {
    // A 48 in window of 2 in foam bucks on whole blocks' joints: hole 52 in wide, from course 3 plus 2 in.
    const plan = worked([
      openingOf({ at: '240in', to: 'centre', width: '100in', height: '44in', sill: '36in', buck: 'foam' }),
    ]);
    const [opening] = plan.openings.placed;
    expect(opening?.hole).toMatchObject({ from: inches(188), to: inches(292), bottom: inches(34) });
    const within = plan.courses.pieces.filter(
      (piece) =>
        piece.kind !== 'corner' &&
        piece.wall === 'w1' &&
        piece.start < inches(292) &&
        piece.start + piece.length > inches(188),
    );
    // The hole runs from 34 to 82 in: course 3 keeps 2 in of its 16 under the sill, course 6 keeps 14 in over the head.
    expect(within.some((piece) => piece.course === 4 || piece.course === 5)).toBe(false);
    const ripped = within.filter((piece) => piece.kind !== 'corner' && piece.ripped !== undefined);
    expect(
      new Set(ripped.map((piece) => `${String(piece.course)}:${String(piece.top - piece.bottom)}`)),
    ).toEqual(new Set([`3:${String(inches(2))}`, `6:${String(inches(14))}`]));
    expect(within.filter((piece) => piece.notches).map((piece) => piece.course)).toEqual(
      expect.arrayContaining([3, 6]),
    );
    expect(plan.notices.filter((notice) => notice.id.startsWith('strip-too-low')).length).toBe(1);
  });

  it('leave a strip within a block, under a sill narrower than it, that is told as well', () => {
    // Courses of 16 in, a buck of 1 1/2 in: a sill at 50 1/2 in leaves 1 in of course 4, one at 53 1/2 in leaves 4, which stands.
    const told = (sill: string): number =>
      worked([openingOf({ at: '238in', to: 'near', width: '12in', height: '30in', sill })]).notices.filter(
        (notice) => notice.id.startsWith('strip-too-low'),
      ).length;
    expect([told('50 1/2in'), told('53 1/2in')]).toEqual([1, 0]);
    const under = worked([
      openingOf({ at: '238in', to: 'near', width: '12in', height: '30in', sill: '50 1/2in' }),
    ]).courses.pieces.filter((piece) => piece.kind !== 'corner' && piece.ripped !== undefined);
    expect(under).toEqual([]);
  });

  it('cut a corner’s leg that an opening reaches into, and never into the wall that it meets', () => {
    const near = worked([openingOf({ at: '20in', to: 'near', width: '30in', height: '40in', sill: '32in' })]);
    const corner = near.courses.pieces.find((piece) => piece.id === '4:A');
    expect(corner?.kind === 'corner' && corner.legAfter).toBe(inches(18.5));
    expectCovered(near);
    const into = worked([openingOf({ at: '10in', to: 'near', width: '30in', height: '40in', sill: '32in' })]);
    expect(into.openings.placed[0]?.worked).toBe(false);
    expect(into.notices.find((notice) => notice.id.startsWith('opening-off-wall'))?.fixes[0]?.edit).toEqual({
      kind: 'set-opening',
      opening: 'opening-1',
      change: { at: '1ft 2 1/2in' },
    });
  });

  it('count the faces of bucks by course: jambs all the way, a sill and a head where they lie', () => {
    const plan = worked([openingOf({ at: '200in', width: '36in', height: '45in', sill: '33 1/2in' })]);
    // The hole of 2× lumber runs from 32 to 80 in: courses 3, 4 and 5 on the mark.
    expect(plan.tally.courses.map((row) => row.buckFaces.value)).toEqual([0, 0, 3, 2, 3, 0, 0]);
    expect(plan.tally.total.buckFaces.value).toBe(8);
  });
});

describe('volume', () => {
  it('is displaced by the outside of the buck, not by the rough opening', () => {
    // 36 × 48 in with 1 1/2 in bucks: 39 × 51 in × 8 in of core. [common practice]
    const cubicInches = 39 * 51 * 8;
    const out = grossOf([openingOf({ at: '200in', width: '36in', height: '48in', sill: '20in' })]);
    expect(out / 0.0254 ** 3).toBeCloseTo(cubicInches, 4);
  });

  it('of a half round is that of the circle', () => {
    // A circle's half of 60 in, bucks 2 in: radius 32 in outside; the rest of the outside is 64 in wide.
    const round = openingOf({
      kind: 'round-top',
      at: '200in',
      width: '60in',
      height: '70in',
      sill: '20in',
      buck: 'foam',
    });
    const cubicInches = ((Math.PI * 32 ** 2) / 2 + 64 * 42) * 8;
    expect(grossOf([round]) / 0.0254 ** 3).toBeCloseTo(cubicInches, 3);
  });

  it('keeps the windows of bare concrete round a liner', () => {
    const plain = { at: '200in', width: '36in', height: '48in', sill: '20in' };
    const caps = grossOf([openingOf({ ...plain, buck: 'form-scrap' })]);
    const liner = grossOf([openingOf({ ...plain, buck: 'scrap-liner' })]);
    // Every 12 in: 3 in the sill, 3 in the head, 4 in each jamb; 4 × 4 in through a panel of 2 1/2 in. [common practice]
    expect((caps - liner) / 0.0254 ** 3).toBeCloseTo(14 * 4 * 4 * 2.5, 6);
  });

  it('is held down under a threshold by the slab’s thickness', () => {
    const door = { kind: 'door', at: '200in', width: '36in', height: '80in', sill: '16in' } as const;
    const held = grossOf([openingOf({ ...door, threshold: { kind: 'slab-over' } })]);
    const inside = grossOf([openingOf({ ...door, threshold: { kind: 'slab-inside' } })]);
    expect((held - inside) / 0.0254 ** 3).toBeCloseTo(39 * 4 * 8, 6);
    const low = worked([openingOf({ ...door, sill: '2in', threshold: { kind: 'slab-over' } })]);
    expect(low.notices.some((notice) => notice.id.startsWith('opening-nothing-to-hold-down'))).toBe(true);
  });
});

describe('fillers and seams', () => {
  it('put the filler where an opening hides it', () => {
    const opening = openingOf({ at: '10ft', to: 'near', width: '60in', height: '60in', sill: '32in' });
    const hidden = worked([opening]);
    const middle = worked([opening], { rules: { 'courses.filler.place': 'middle' } });
    const cutsOf = (plan: WorkedPlan): number => plan.tally.total.cut.value;
    const [hole] = hidden.openings.placed;
    const cuts = hidden.courses.pieces.filter(
      (piece) => piece.kind === 'cut' && piece.wall === 'w1' && !piece.cutEnds.start && piece.course < 3,
    );
    expect(cuts.length).toBeGreaterThan(0);
    for (const cut of cuts) {
      if (cut.kind === 'corner') continue;
      expect(cut.start).toBeGreaterThanOrEqual(hole?.hole.from ?? 0);
      expect(cut.start + cut.length).toBeLessThanOrEqual(hole?.hole.to ?? 0);
    }
    expect(cutsOf(hidden)).toBeLessThanOrEqual(cutsOf(middle));
  });
});
