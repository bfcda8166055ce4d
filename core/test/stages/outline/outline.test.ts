import { rulesOf } from '../../../src/rules';
import type { MeasuredTo } from '../../../src/stages/outline/plan';
import { applyEdit } from '../../../src/plan';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Length, inches, toInches, toSquareInches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { type LoopProblem, type Shell, buildShell, cornerLetter, wallsOf } from '../../../src/stages/outline';
import { work } from '../../../src/work';
import {
  type Side,
  cornersOf,
  HATCHERY,
  planOf,
  rectilinear,
  restarted,
  withCourses,
} from '../../support/plans';
import { bandArea } from '../../support/clipper';

const shellOf = (plan: Plan): Shell => buildShell(plan, rulesOf(plan));
const loopOf = (plan: Plan): Shell['loops'][number] => shellOf(plan).loops[0] as Shell['loops'][number];
const built = (plan: Plan) => {
  const loop = loopOf(plan);
  if (!loop.built) throw new Error(JSON.stringify(loop.problems));
  return loop.built;
};
const problem = <Kind extends LoopProblem['kind']>(
  plan: Plan,
  kind: Kind,
): Extract<LoopProblem, { kind: Kind }> => {
  const found = loopOf(plan).problems.find((each) => each.kind === kind);
  if (!found) throw new Error(`no ${kind} in ${JSON.stringify(loopOf(plan).problems)}`);
  return found as Extract<LoopProblem, { kind: Kind }>;
};

describe('an outline that comes home', () => {
  it('has corners lettered in walking order, outside and inside', () => {
    const { corners, walls } = built(planOf(HATCHERY));
    expect(corners.map((corner) => `${corner.letter} ${corner.kind}`)).toEqual([
      'A outside',
      'B outside',
      'C outside',
      'D inside',
      'E outside',
      'F outside',
    ]);
    expect(walls.map((wall) => wall.name)).toEqual(['A–B', 'B–C', 'C–D', 'D–E', 'E–F', 'F–A']);
    expect(walls.map((wall) => toInches(wall.station))).toEqual([0, 528, 768, 960, 1104, 1440]);
  });

  it('letters on past Z', () => {
    expect([0, 25, 26, 27, 51, 52, 701, 702].map(cornerLetter)).toEqual([
      'A',
      'Z',
      'AA',
      'AB',
      'AZ',
      'BA',
      'ZZ',
      'AAA',
    ]);
  });

  it.each<[MeasuredTo, number]>([
    ['form', 0],
    ['concrete', 5],
    ['centre', 13],
  ])('measured to %s has form faces %d in longer between two outside corners', (measuredTo, more) => {
    const walls = built(planOf(HATCHERY, { measuredTo })).walls;
    expect(walls.map((wall) => toInches(wall.length) - toInches(wall.measured))).toEqual([
      more,
      more,
      0,
      0,
      more,
      more,
    ]);
  });

  it('has a core as large as a general-purpose polygon library says, for any rectilinear outline', () => {
    const faces = [
      ['form', 0],
      ['concrete', 2.5],
      ['centre', 6.5],
    ] as const;
    fc.assert(
      fc.property(rectilinear(), fc.constantFrom(...faces), (sides, [measuredTo, inset]) => {
        const { coreArea } = built(planOf(sides, { measuredTo }));
        // Source: Clipper (polygon offsetting), through the clipper-lib package.
        const expected = bandArea(cornersOf(sides), 2.5 - inset, 10.5 - inset);
        expect(toSquareInches(coreArea)).toBeCloseTo(expected, 5);
      }),
      { numRuns: 150 },
    );
  });

  it('has a core of its thickness times its centre line', () => {
    fc.assert(
      fc.property(rectilinear(), (sides) => {
        const { coreArea, centreLine } = built(planOf(sides));
        expect(Math.abs(coreArea / ((centreLine / 1e9) * 0.2032) - 1)).toBeLessThan(1e-9);
      }),
    );
  });

  it('keeps its walls wherever the walk starts', () => {
    const lengths = (sides: readonly Side[]): readonly number[] =>
      built(planOf(sides, { measuredTo: 'centre' }))
        .walls.map((wall) => wall.length)
        .sort((a, b) => a - b);
    for (let by = 0; by < HATCHERY.length; by++)
      expect(lengths(restarted(HATCHERY, by))).toEqual(lengths(HATCHERY));
  });

  it('works angled corners too: a hexagon’s core is thickness × centre line', () => {
    const side = 240;
    const hexagon = Array.from({ length: 6 }, (): Side => [side, 60]);
    const { coreArea, walls, centreLine } = built(planOf(hexagon, { measuredTo: 'centre' }));
    // Source: geometry; offsetting by d lengthens a hexagon's side by 2·d·tan 30°.
    expect(toSquareInches(coreArea)).toBeCloseTo(8 * 6 * side, 3);
    expect(toInches(centreLine)).toBeCloseTo(6 * side, 6);
    for (const wall of walls)
      expect(toInches(wall.length)).toBeCloseTo(side + 2 * 6.5 * Math.tan(Math.PI / 6), 6);
    expect(toSquareInches(coreArea)).toBeCloseTo(bandArea(cornersOf(hexagon), -4, 4), 1);
  });

  it('takes walls of different core, each face offset by its own', () => {
    const plan = planOf([
      [480, 90],
      [336, 90],
      [480, 90],
      [336, 90],
    ]);
    const mixed: Plan = {
      ...plan,
      loops: plan.loops.map((loop) => ({
        ...loop,
        walk: loop.walk.map((row, index) => (index === 1 ? { ...row, core: '10in' } : row)),
      })),
    };
    // Outer face of the concrete 475 × 331; inner face narrower by 8 + 10 one way and 8 + 8 the other.
    expect(toSquareInches(built(mixed).coreArea)).toBeCloseTo(475 * 331 - (475 - 18) * (331 - 16), 6);
    expect(toInches(wallsOf(shellOf(mixed))[1]?.thickness as Length)).toBe(15);
  });

  it('keeps several loops apart and letters on', () => {
    const one = planOf(HATCHERY);
    const [first] = one.loops;
    if (!first) throw new Error('no loop');
    const second = { ...first, id: 'second', walk: first.walk.map((row) => ({ ...row, id: `s-${row.id}` })) };
    const shell = shellOf({ ...one, loops: [first, second] });
    expect(
      wallsOf(shell)
        .map((wall) => wall.name)
        .slice(5, 8),
    ).toEqual(['F–A', 'G–H', 'H–I']);
    expect(shell.loops.map((loop) => loop.built?.coreArea)).toEqual([
      built(one).coreArea,
      built(one).coreArea,
    ]);
  });
});

describe('an outline that does not come home', () => {
  const open = (...sides: readonly Side[]): Plan => planOf(sides);

  it('says by how much and which way, and what would close it', () => {
    const plan = open([528, 90], [240, 90], [204, -90], [144, 90], [336, 90], [384, 90]);
    const { gap, closings } = problem(plan, 'gap');
    expect([toInches(gap.size), toInches(gap.right), toInches(gap.down)]).toEqual([12, 12, 0]);
    expect(closings).toEqual([
      { kind: 'lengths', rows: [{ row: 'w5', length: inches(324) }] },
      { kind: 'lengths', rows: [{ row: 'w3', length: inches(192) }] },
    ]);
  });

  it('offers two lengths where no single one would do', () => {
    const plan = open([480, 90], [336, 90], [468, 90], [330, 90]);
    const { closings } = problem(plan, 'gap');
    expect(closings).toEqual([
      {
        kind: 'lengths',
        rows: [
          { row: 'w3', length: inches(480) },
          { row: 'w4', length: inches(336) },
        ],
      },
    ]);
  });

  it('offers the walls that are still missing', () => {
    const { closings } = problem(open([480, 90], [336, 90]), 'turns');
    expect(closings).toEqual([
      {
        kind: 'rows',
        rows: [
          { length: inches(480), turn: 90_000_000 },
          { length: inches(336), turn: 90_000_000 },
        ],
      },
    ]);
    const last = problem(open([480, 90], [336, 90], [480, 90]), 'turns');
    expect(last.closings).toEqual([{ kind: 'rows', rows: [{ length: inches(336), turn: 90_000_000 }] }]);
  });

  it('comes home with any fix that it offers', () => {
    const anyGap = fc.integer({ min: -90, max: 90 });
    fc.assert(
      fc.property(rectilinear(), fc.nat(), fc.nat(), anyGap, anyGap, (sides, one, other, more, less) => {
        const bent = sides.map(([length, turn], index): Side => {
          const grown =
            length + (index === one % sides.length ? more : 0) + (index === other % sides.length ? less : 0);
          return [grown, turn];
        });
        const plan = planOf(bent);
        const worked = work(plan);
        for (const notice of worked.notices.filter((each) => each.id === 'gap:loop')) {
          for (const fix of notice.fixes) {
            const mended = work(applyEdit(plan, fix.edit));
            expect(mended.notices.some((each) => each.id === 'gap:loop' || each.id === 'turns:loop')).toBe(
              false,
            );
          }
        }
      }),
      { numRuns: 25 },
    );
  });

  it('closes an unfinished walk, typed or half typed, with the rows that it offers', () => {
    const plan = open([480, 90], [336, 90]);
    const started = applyEdit(plan, {
      kind: 'add-rows',
      loop: 'loop',
      rows: [{ id: 'new', length: '', turn: 'right 90' }],
    });
    for (const begun of [plan, started]) {
      const fix = work(begun).notices.find((notice) => notice.id === 'turns:loop')?.fixes[0];
      if (!fix) throw new Error('no fix offered');
      const mended = applyEdit(begun, fix.edit);
      expect(mended.loops[0]?.walk.map((row) => row.length)).toEqual(['40ft', '28ft', '40ft', '28ft']);
      expect(work(mended).notices.filter((notice) => notice.severity === 'stop')).toEqual([]);
    }
  });

  it('closes a gap too small for a tape, says so, and leaves every length as it was typed', () => {
    const plan = open([480, 90], [336, 90], [480, 90], [336 - 1 / 64, 90]);
    expect(problem(plan, 'gap-closed')).toMatchObject({ row: 'w4', given: null });
    expect(toInches(built(plan).walls[3]?.length as Length)).toBe(336 - 1 / 64);
    // A job that takes more has it taken up by its last wall.
    const loose = {
      ...open([480, 90], [336, 90], [480, 90], [335.5, 90]),
      rules: { 'outline.gap.closed': '1in' },
    };
    expect(problem(loose, 'gap-closed').given).toBe(inches(336));
    expect(toInches(built(loose).walls[3]?.length as Length)).toBe(336);
    const said = (of: Plan) => work(of).notices.find(({ id }) => id.startsWith('gap-closed'))?.what;
    expect(said(plan)).toContain('less than 1/32″. It counts as closed');
    expect(said(loose)).toMatch(/misses home by 1\/2″ up on the plan\. This last wall is worked as 28′/);
    // A gap across the last wall hardly changes its length, and is told by its size all the same.
    const aside = { ...open([480, 90], [336, 90], [479.5, 90], [336, 90]), rules: loose.rules };
    expect(said(aside)).toContain('1/2″ to the left');
    const wider = open([480, 90], [336, 90], [480, 90], [336 - 1 / 32, 90]);
    expect(problem(wider, 'gap').gap.size).toBe(inches(1 / 32));
  });

  it('saws no block for the tiny gaps that angles bring, whichever wall is the last', () => {
    // A wall of nine blocks between legs of 40 and 24 in, where others meet at angles in whole millionths: its blocks are whole from every corner.
    const sides: readonly Side[] = [
      [520, 45],
      [113.1371, 45],
      [416, 90],
      [600, 90],
      [496, 90],
    ];
    for (let by = 0; by < sides.length; by++) {
      const { courses } = work(planOf(restarted(sides, by), withCourses(2)));
      const index = (4 - by + sides.length) % sides.length;
      const own = courses.pieces.filter(
        (piece) => piece.kind !== 'corner' && piece.wall === `w${String(index + 1)}`,
      );
      expect(own.filter(({ kind, course }) => kind === 'cut' && course === 1)).toEqual([]);
      expect(own.length).toBeGreaterThan(8);
    }
  });

  it('closes the tiny gaps that angles bring', () => {
    const octagon = Array.from({ length: 8 }, (): Side => [120.4375, 45]);
    expect(loopOf(planOf(octagon)).built).not.toBeNull();
  });
});

describe('an outline walked the other way', () => {
  const leftRound = HATCHERY.map(([length, turn]): Side => [length, -turn]);

  it('is turned round, not refused', () => {
    const loop = loopOf(planOf(leftRound));
    expect(loop.problems.map((each) => each.kind)).toEqual(['anticlockwise']);
    expect(loop.built?.corners.filter((corner) => corner.kind === 'inside').length).toBe(1);
    // The last row typed is the first wall clockwise.
    expect(loop.rowNames.find(({ row }) => row === 'w6')?.name).toBe('A–B');
  });

  it('needs the same blocks as the same walk clockwise, and after its rows are turned round', () => {
    const plan = planOf(leftRound);
    const turned = applyEdit(plan, { kind: 'turn-walk-round', loop: 'loop' });
    const counts = (each: Plan) => {
      const { total } = work(each).tally;
      return [total.straight.value, total.cut.value, total.coreVolume.value];
    };
    expect(counts(turned)).toEqual(counts(plan));
    expect(counts(plan)).toEqual(counts(planOf(HATCHERY)));
    expect(loopOf(turned).problems).toEqual([]);
    expect(applyEdit(turned, { kind: 'turn-walk-round', loop: 'loop' })).toEqual(plan);
  });
});

describe('an outline that cannot stand', () => {
  it('names the walls that cross', () => {
    // A slot that runs out through the opposite wall.
    const plan = planOf([
      [400, 90],
      [300, 90],
      [150, 90],
      [350, -90],
      [100, -90],
      [350, 90],
      [150, 90],
      [300, 90],
    ]);
    expect(problem(plan, 'crossing').walls).toEqual(['w1', 'w4']);
    const notice = work(plan).notices.find((each) => each.id.startsWith('crossing'));
    expect(notice).toMatchObject({ severity: 'stop', where: 'A–B and D–E' });
  });

  it('has no room inside its walls', () => {
    expect(
      problem(
        planOf([
          [480, 90],
          [20, 90],
          [480, 90],
          [20, 90],
        ]),
        'no-room',
      ).wall,
    ).toBe('w2');
  });

  it.each([
    ['', 'nothing-walked'],
    ['0', 'length-not-positive'],
    ['-4', 'length-not-positive'],
    ['1001 m', 'length-too-long'],
    ['forty', 'length-unreadable'],
    ['5-1/2', 'length-ambiguous'],
  ])('keeps a row of “%s” and says %s', (length, kind) => {
    const plan = applyEdit(planOf([[480, 90]]), { kind: 'set-row-length', row: 'w1', length });
    expect(loopOf(plan).problems.map((each) => each.kind)).toContain(kind);
    expect(work(plan).tally.total.straight.value).toBe(0);
  });

  it('stops for an empty row in the middle, not for one at the end', () => {
    const plan = planOf(HATCHERY);
    const middle = applyEdit(plan, { kind: 'set-row-length', row: 'w3', length: '' });
    expect(loopOf(middle).problems).toEqual([{ kind: 'length-empty', row: 'w3' }]);
    const end = applyEdit(plan, {
      kind: 'add-rows',
      loop: 'loop',
      rows: [{ id: 'x', length: '', turn: 'right 90' }],
    });
    expect(loopOf(end).built).not.toBeNull();
    expect(work(end).notices.filter((notice) => notice.severity === 'stop')).toEqual([]);
  });

  it('says when a walk is marked open, a turn cannot be read, or the forms are unknown', () => {
    const plan = planOf(HATCHERY);
    const open: Plan = { ...plan, loops: plan.loops.map((loop) => ({ ...loop, closed: false })) };
    expect(problem(open, 'open').kind).toBe('open');
    expect(
      problem(applyEdit(plan, { kind: 'set-row-turn', row: 'w2', turn: 'round' }), 'turn-unreadable').text,
    ).toBe('round');
    const shell = shellOf({ ...plan, family: 'nobody' });
    expect(shell.setupProblems.map((each) => each.kind)).toEqual(['family-unknown']);
    expect(shell.loops[0]?.comesHome).toBe(true);
    expect(shellOf({ ...plan, core: '7in' }).setupProblems.map((each) => each.kind)).toEqual([
      'core-not-offered',
    ]);
    expect(shellOf({ ...plan, core: 'thick' }).setupProblems.map((each) => each.kind)).toEqual([
      'core-unreadable',
    ]);
  });
});
