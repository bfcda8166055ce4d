import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Length, inches, storeLength } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import type { Laid, LaidRow } from '../../../src/kernel/record';
import { type CornerPiece, type Piece, rowOnSite } from '../../../src/stages/courses';
import { wallsOf } from '../../../src/stages/outline';
import { rowsAsLaid } from '../../../src/trials/asLaid';
import { work } from '../../../src/work';
import { anyChange } from '../../support/histories';
import { openingOf } from '../../support/openings';
import { HATCHERY, planOf, rectilinear, withCourses } from '../../support/plans';

/** What stands of a plan when its courses up to one are laid as they are worked, on every wall or some. */
function laidOf(plan: Plan, upTo: number, only: (wall: string) => boolean = () => true): Laid {
  const worked = work(plan);
  const rows = wallsOf(worked.shell)
    .filter(({ id }) => only(id))
    .flatMap(({ id }) =>
      Array.from({ length: upTo }, (_, index) => rowOnSite(worked, id, index + 1)).flatMap(
        (row): LaidRow[] => (row ? [{ ...row, entry: 'e', day: '2027-03-02' }] : []),
      ),
    );
  return { rows, pulled: [] };
}

/** What a piece is, whatever it is called and cut from. */
const bare = (pieces: readonly Piece[], course: number, wall?: string): readonly unknown[] =>
  pieces
    .filter((piece) => piece.course === course)
    .filter((piece) => wall === undefined || (piece.kind !== 'corner' && piece.wall === wall))
    .map((piece) =>
      piece.kind === 'corner' ? { ...piece, id: '' } : { ...piece, id: '', cutFrom: undefined },
    );

const handOf = (plan: Plan, corner: string, course: number): string | undefined =>
  work(plan).courses.pieces.find(
    (piece): piece is CornerPiece =>
      piece.kind === 'corner' && piece.corner === corner && piece.course === course,
  )?.hand;

const job = (change: Partial<Plan> = {}): Plan => planOf(HATCHERY, { ...withCourses(6), ...change });

describe('what stands', () => {
  it('changes nothing while the plan is as it was laid', () => {
    fc.assert(
      fc.property(rectilinear(), fc.integer({ min: 1, max: 4 }), fc.nat(9), (sides, upTo, part) => {
        const plan = planOf(sides, withCourses(5));
        const laid = laidOf(plan, upTo, (wall) => Number(wall.slice(1)) % 10 >= part);
        expect(work({ ...plan, laid }).courses).toEqual(work(plan).courses);
      }),
      { numRuns: 25 },
    );
  }, 60_000);

  it('is frozen: whatever is edited, its blocks stay, or its wall is said to have changed', () => {
    fc.assert(
      fc.property(
        fc.array(anyChange, { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 1, max: 4 }),
        (changes, upTo) => {
          const plan = job({
            openings: [openingOf({ wall: 'w1', at: '12ft', sill: '16in', height: '48in' })],
          });
          const laid = laidOf(plan, upTo);
          const before = work(plan);
          const edited = changes.reduce((each, change) => change(each), plan);
          const after = work({ ...edited, laid });
          const moved = new Set(
            after.courses.findings.flatMap((finding) =>
              finding.kind === 'laid-elsewhere' ? [`${finding.wall}:${String(finding.course)}`] : [],
            ),
          );
          if (after.courses.count === 0) return;
          // A loop that a change leaves unlaid says so with a stop of its own.
          const standing = new Set(after.courses.rows.map((row) => row.wall));
          for (const { wall, course } of laid.rows) {
            if (!standing.has(wall) || moved.has(`${wall}:${String(course)}`) || course > after.courses.count)
              continue;
            const stations = (pieces: readonly unknown[]) =>
              (pieces as readonly { station: number }[]).map((piece) => ({ ...piece, station: 0 }));
            expect(stations(bare(after.courses.pieces, course, wall))).toEqual(
              stations(bare(before.courses.pieces, course, wall)),
            );
          }
        },
      ),
      { numRuns: 40 },
    );
  }, 120_000);
});

describe('a course over what stands', () => {
  it('turns its corners in turn with a hand that was laid wrong', () => {
    const plan = job();
    const otherHands = job({ rules: { 'courses.corner.lead': 'ending-wall' } });
    // Course 2 was laid with the other hands all round.
    const stands: Laid = {
      rows: laidOf(otherHands, 2).rows.filter(({ course }) => course === 2),
      pulled: [],
    };
    const laid = { ...plan, laid: stands };
    const hands = (from: Plan) => [1, 2, 3, 4].map((course) => handOf(from, 'A', course));
    const [one, two] = [handOf(plan, 'A', 1), handOf(plan, 'A', 2)];
    expect(one).not.toBe(two);
    expect(hands(plan)).toEqual([one, two, one, two]);
    expect(hands(laid)).toEqual([one, one, two, one]);
    // The course above is laid to its corners: every wall is filled exactly, and no joint stands on another.
    const worked = work(laid);
    for (const course of [3, 4]) {
      expect(bare(worked.courses.pieces, course)).toEqual(bare(work(otherHands).courses.pieces, course));
    }
    const told = worked.courses.findings.filter(({ kind }) => kind === 'laid-otherwise');
    expect(told.length).toBeGreaterThan(0);
    expect(new Set(told.map((each) => ('course' in each ? each.course : 0)))).toEqual(new Set([2]));
  });

  it('keeps its stagger over cuts that were moved', () => {
    const plan = job();
    const moved = job();
    const bent: Plan = {
      ...moved,
      loops: moved.loops.map((loop) => ({
        ...loop,
        walk: loop.walk.map((row) =>
          row.id === 'w1' ? { ...row, bond: { kind: 'running' as const, before: 2 } } : row,
        ),
      })),
    };
    const stands: Laid = { rows: laidOf(bent, 2, (wall) => wall === 'w1').rows, pulled: [] };
    const worked = work({ ...plan, laid: stands });
    for (const course of [1, 2, 3, 4, 5, 6]) {
      expect(bare(worked.courses.pieces, course, 'w1')).toEqual(
        bare(work(bent).courses.pieces, course, 'w1'),
      );
    }
    const close = worked.courses.findings.filter(
      (finding) => finding.kind === 'stagger' && finding.wall === 'w1',
    );
    expect(close).toEqual([]);
  });

  it('is told to trim what the tape pulled too long', () => {
    const plan = job();
    const [first] = wallsOf(work(plan).shell);
    const pulled = storeLength(((first?.length ?? 0) + inches(0.5)) as Length, 'imperial');
    const laid = { rows: [], pulled: [{ wall: 'w1', course: 3, length: pulled }] };
    const found = work({ ...plan, laid }).courses.findings.find(({ kind }) => kind === 'as-laid');
    expect(found).toMatchObject({ wall: 'w1', course: 3, by: inches(0.5) });
  });

  it('says that a wall which was lengthened after it was laid is another', () => {
    const laid = laidOf(job(), 2);
    const longer = planOf(
      [[552, 90], ...HATCHERY.slice(1, 4), [360, 90], ...HATCHERY.slice(5)],
      withCourses(6),
    );
    const told = work({ ...longer, laid }).notices.filter(({ kind }) => kind.endsWith('laid-elsewhere'));
    expect(told.map(({ severity }) => severity)).toContain('stop');
    expect(new Set(told.map(({ place }) => place.wall))).toEqual(new Set(['w1', 'w5']));
  });
});

describe('a course that was laid otherwise', () => {
  it('has the other hand at the corners that were turned, all else as planned', () => {
    const plan = job();
    const all = wallsOf(work(plan).shell).map(({ id }) => id);
    for (const course of [1, 2]) {
      const rows = rowsAsLaid(plan, { course, walls: all, turned: ['w2', 'w4'], before: {} });
      const hands = new Map(
        rows.flatMap(({ corners }) => corners.map((corner) => [corner.wallAfter, corner.hand] as const)),
      );
      const planned = new Map(
        work(plan).courses.pieces.flatMap((piece) =>
          piece.kind === 'corner' && piece.course === course ? [[piece.wallAfter, piece.hand] as const] : [],
        ),
      );
      for (const wall of all) {
        const turned = ['w2', 'w4'].includes(wall);
        expect([wall, hands.get(wall) === planned.get(wall)]).toEqual([wall, !turned]);
      }
      // What stands keeps the courses above in bond: each corner turns from the one below.
      const laid = { rows: rows.map((row) => ({ ...row, entry: 'e', day: '2027-03-02' })), pulled: [] };
      const above = work({ ...plan, laid }).courses.pieces;
      for (const wall of all) {
        const hand = (of: number) =>
          above.find((piece) => piece.kind === 'corner' && piece.course === of && piece.wallAfter === wall);
        const [low, high] = [hand(course), hand(course + 1)] as [CornerPiece, CornerPiece];
        expect(high.hand).not.toBe(low.hand);
      }
    }
  });

  it('has its cuts where those below were moved to, though a corner was turned', () => {
    const plan = job();
    const moved = rowsAsLaid(plan, { course: 1, walls: ['w1'], turned: [], before: { w1: 2 } });
    const laid = { rows: moved.map((row) => ({ ...row, entry: 'e', day: '2027-03-02' })), pulled: [] };
    const [row] = rowsAsLaid({ ...plan, laid }, { course: 2, walls: ['w1'], turned: ['w4'], before: {} });
    expect(row?.blocks.map(({ kind }) => kind).indexOf('cut')).toBe(2);
  });

  it('has its cuts after as many whole blocks as were counted', () => {
    const rows = rowsAsLaid(job(), { course: 3, walls: ['w1'], turned: [], before: { w1: 1 } });
    const kinds = rows[0]?.blocks.map(({ kind }) => kind) ?? [];
    expect(kinds.indexOf('cut')).toBe(1);
  });
});
