import type { Pull, Shot } from '../../../src/stages/footing/plan';
import { applyEdit } from '../../../src/plan';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Footing, rodPlace } from '../../../src/stages/footing';
import { type Length, feet, inches, storeLength, toInches } from '../../../src/kernel/measure';
import { orderOf } from '../../../src/orderOf';
import type { Plan } from '../../../src/kernel/plan';
import { wallsOf } from '../../../src/stages/outline';
import { type WorkedPlan, work } from '../../../src/work';
import { type Side, HATCHERY, planOf, rectilinear, turnText, withCourses } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [288, 90],
  [480, 90],
  [288, 90],
];

const basesIn = ({ bases }: Footing) => bases.loops.flatMap((loop) => loop.walls);

/** The same outline walked from its next corner. */
const fromNext = (sides: readonly Side[]): readonly Side[] => [...sides.slice(1), ...sides.slice(0, 1)];

const shots = (list: readonly (readonly [string, number, number])[]): readonly Shot[] =>
  list.map(([wall, at, reading], index) => ({
    id: `s${String(index)}`,
    wall,
    at: storeLength(inches(at), 'imperial'),
    reading: storeLength(inches(reading), 'imperial'),
  }));

/** A second outline of its own beside the first. */
function withSecond(plan: Plan): Plan {
  const [loop] = plan.loops;
  if (!loop) throw new Error('no loop');
  return {
    ...plan,
    loops: [
      loop,
      {
        id: 'second',
        closed: true,
        walk: [120, 96, 120, 96].map((length, index) => ({
          id: `s${String(index + 1)}`,
          length: storeLength(inches(length), 'imperial'),
          turn: turnText(90),
        })),
      },
    ],
  };
}

describe('a footing', () => {
  it('takes the same concrete, pulls and forms from whichever corner it is walked', () => {
    fc.assert(
      fc.property(rectilinear(), (sides) => {
        const [one, other] = [sides, fromNext(sides)].map(
          (each) => work(planOf(each, { ...withCourses(2), footing: { kind: 'forms' } })).footing,
        );
        if (!one || !other) throw new Error('not worked');
        expect(other.concrete.value).toBeCloseTo(one.concrete.value, 9);
        expect(other.forms?.ties.value).toBe(one.forms?.ties.value);
        expect(other.forms?.planks.value).toBe(one.forms?.planks.value);
        const pulls = (footing: Footing): readonly number[] =>
          footing.square.rectangles.map(({ diagonals }) => diagonals[0].length).sort((a, b) => a - b);
        expect(pulls(other)).toEqual(pulls(one));
      }),
      { numRuns: 30 },
    );
  });

  it('runs along an open walk with free ends', () => {
    const plan = planOf([
      [240, 90],
      [144, 90],
    ]);
    const [loop] = plan.loops;
    if (!loop) throw new Error('no loop');
    const { footing } = work({ ...plan, ...withCourses(2), loops: [{ ...loop, closed: false }] });
    const [first, second] = basesIn(footing);
    // 5 1/2 in beyond the form outside the corner, 18 1/2 in short of it inside; square at the free ends.
    expect([first?.outerLength, first?.innerLength].map((each) => toInches(each ?? (0 as Length)))).toEqual([
      245.5, 221.5,
    ]);
    expect([second?.outerLength, second?.innerLength].map((each) => toInches(each ?? (0 as Length)))).toEqual(
      [149.5, 125.5],
    );
    expect(footing.square.rectangles).toEqual([]);
    expect(footing.square.corners).toHaveLength(1);
    expect(footing.tape.at(-1)?.what).toBe('end');
  });

  it('follows a curve: its edges are arcs as far outside and inside', () => {
    const plan = planOf(RECTANGLE, withCourses(2));
    const [loop] = plan.loops;
    if (!loop) throw new Error('no loop');
    const walk = [
      { id: 'a', length: '20ft', turn: 'straight on' },
      { id: 'b', length: '', turn: 'straight on', curve: { radius: '10ft', sweep: 'right 90' } },
      { id: 'c', length: '20ft', turn: 'right 90' },
      { id: 'd', length: '30ft', turn: 'right 90' },
      { id: 'e', length: '30ft', turn: 'right 90' },
    ];
    const worked = work({ ...plan, loops: [{ ...loop, walk }] });
    const base = basesIn(worked.footing).find((each) => each.wall === 'b');
    if (!base) throw new Error(JSON.stringify(worked.notices.map((notice) => notice.what)));
    const quarter = (radius: number): number => (Math.PI / 2) * radius;
    expect(toInches(base.outerLength)).toBeCloseTo(quarter(120 + 5.5), 5);
    expect(toInches(base.innerLength)).toBeCloseTo(quarter(120 - 18.5), 5);
  });

  it('has a tape sheet and rectangles for every outline of the job', () => {
    const { footing, shell } = work(withSecond(planOf(RECTANGLE, withCourses(2))));
    expect(footing.square.rectangles.map((each) => each.loop)).toEqual(['loop', 'second']);
    expect(footing.tape.filter((mark) => mark.what === 'corner')).toHaveLength(8);
    expect(footing.firstCourse.joints).toBeGreaterThan(8);
    expect(footing.bases.loops).toHaveLength(shell.loops.length);
  });

  it('shims a block that runs past a step as far as it stands on the footing, and a step of the top not at all', () => {
    const plan = planOf(RECTANGLE, {
      ...withCourses(4),
      footing: {
        kind: 'strip',
        shots: shots([
          ['w1', 12, 50],
          ['w1', 400, 66],
          ['w3', 400, 50],
          ['w3', 100, 66.25],
        ]),
      },
    });
    const stepped = work(
      applyEdit(plan, {
        kind: 'all',
        edits: [
          {
            kind: 'set-wall',
            row: 'w1',
            change: {
              footing: [{ id: 'a', at: '20ft', step: 'down 16in' }],
              topSteps: [{ id: 't', at: '10ft', top: '3 courses' }],
            },
          },
          { kind: 'set-wall', row: 'w3', change: { footing: [{ id: 'b', at: '20ft', step: 'up 16in' }] } },
        ],
      }),
    );
    const { survey } = stepped.footing;
    const onFirst = (survey?.blocks ?? []).filter((block) => block.wall === 'w1');
    for (const block of onFirst) {
      const [from, to] = [block.places[0]?.at ?? 0, block.places.at(-1)?.at ?? 0];
      // No block is shimmed on both sides of the step.
      expect(from < feet(20) && to > feet(20)).toBe(false);
    }
    const tops = onFirst.flatMap((block) => block.places).filter((place) => place.at === feet(10));
    const joints = stepped.courses.pieces.filter(
      (piece) =>
        piece.kind !== 'corner' && piece.wall === 'w1' && piece.start === feet(10) && piece.course <= 2,
    );
    if (joints.length === 0) expect(tops).toEqual([]);
  });

  it('is marked where inside walls meet its walls', () => {
    const plan = planOf(RECTANGLE, withCourses(2));
    const [loop] = plan.loops;
    if (!loop) throw new Error('no loop');
    const { footing } = work({
      ...plan,
      loops: [
        loop,
        {
          id: 'inside',
          closed: false,
          tee: { start: { wall: 'w1', at: '15ft' }, end: { wall: 'w3' } },
          walk: [{ id: 'in', length: '21ft 10in', turn: 'right 90' }],
        },
      ],
    });
    // The wall across is walked the other way, from the far end of its 40 ft.
    expect(
      footing.tape
        .filter((mark) => mark.what === 'wall-meets')
        .map((mark) => [mark.wall, toInches(mark.at), mark.letter]),
    ).toEqual([
      ['w1', 180, 'E–F'],
      ['w3', 300, 'E–F'],
    ]);
  });
});

describe('a rod', () => {
  it('stands so far round its outline and as high as its footing is by plan', () => {
    const { shell, levels } = work(
      applyEdit(planOf(RECTANGLE, withCourses(4)), {
        kind: 'all',
        edits: [
          { kind: 'set-wall', row: 'w2', change: { footing: [{ id: 'a', at: '10ft', step: 'up 16in' }] } },
          { kind: 'set-wall', row: 'w4', change: { footing: [{ id: 'b', at: '10ft', step: 'down 16in' }] } },
        ],
      }),
    );
    const wall = wallsOf(shell)[1];
    if (!wall) throw new Error('no wall');
    expect(rodPlace(shell, levels, wall, feet(4))).toEqual({
      station: feet(44),
      round: inches(1536),
      above: 0,
    });
    expect(rodPlace(shell, levels, wall, feet(12)).above).toBe(inches(16));
    expect(rodPlace(shell, levels, wall, feet(99)).station).toBe(inches(480 + 288));
  });
});

describe('ties of insulated forms', () => {
  it('stand where they are counted: inside their planks, joints at whole planks', () => {
    fc.assert(
      fc.property(rectilinear(), fc.integer({ min: 8, max: 30 }), (sides, spacing) => {
        const { forms } = work(
          planOf(sides, {
            ...withCourses(2),
            footing: { kind: 'forms' },
            rules: { 'footing.tie.spacing': `${String(spacing)}in` },
          }),
        ).footing;
        if (!forms) return;
        const drawn = forms.layout.reduce((sum, each) => sum + each.ties.length, 0);
        expect(drawn).toBe(forms.ties.value);
        for (const { ties, joints } of forms.layout) {
          ties.slice(1).forEach((tie, index) => {
            const gap = toInches((tie - (ties[index] ?? 0)) as Length);
            // One spacing within a plank; across a joint what is left at both ends, two inches at the least.
            expect(gap).toBeGreaterThan(1.99);
            expect(gap).toBeLessThan(spacing + 2.01);
          });
          for (const joint of joints)
            expect(ties.every((tie) => Math.abs(tie - joint) >= inches(0.99))).toBe(true);
        }
      }),
      { numRuns: 30 },
    );
  });

  it('are ordered with the planks, before the first pour and not again', () => {
    const plan: Plan = planOf(RECTANGLE, {
      footing: { kind: 'forms' },
      pours: [
        { id: 'one', name: 'One', toCourse: 3, top: 'full' },
        { id: 'two', name: 'Two', toCourse: 6, top: 'full' },
      ],
    });
    const worked = work(plan);
    const parts = (pour?: string): readonly string[] =>
      orderOf(plan, worked, pour)
        .lines.filter((line) => line.id.startsWith('footing:'))
        .map((line) => line.id);
    const all = ['footing:planks', 'footing:ties', 'footing:split-ties', 'footing:stakes', 'footing:bead'];
    expect(parts()).toEqual(all);
    expect(parts('one')).toEqual(all);
    expect(parts('two')).toEqual([]);
    const ordered = (pour: string, id: string): number | undefined =>
      orderOf(plan, worked, pour).lines.find((line) => line.id === id)?.ordered;
    // The forms hold the first course: no kicker boards.
    expect(ordered('one', 'kickers')).toBeUndefined();
    expect(ordered('one', 'zip-ties')).toBeGreaterThan(0);
    expect(ordered('two', 'zip-ties')).toBe(0);
  });
});

describe('pulls on larger outlines', () => {
  const pullsFor = (worked: WorkedPlan, by: (index: number) => number): readonly Pull[] => {
    const built = worked.shell.loops[0]?.built;
    const corners = built?.faces.formOutside ?? [];
    const walls = built?.walls ?? [];
    const found: Pull[] = [];
    for (let a = 0; a < walls.length; a++) {
      for (let b = a + 2; b < walls.length; b++) {
        if (a === 0 && b === walls.length - 1) continue;
        const [p, q] = [corners[a], corners[b]];
        const length = p && q ? Math.hypot(p.x - q.x, p.y - q.y) : 0;
        found.push({
          id: `p${String(found.length)}`,
          from: walls[a]?.id ?? '',
          to: walls[b]?.id ?? '',
          length: storeLength(Math.round(length + by(found.length) * 25_400_000) as Length, 'imperial'),
        });
      }
    }
    return found;
  };

  it('agree when all are as planned, and find any single one that is two inches off', () => {
    const plan = planOf(HATCHERY, withCourses(2));
    const worked = work(plan);
    const count = pullsFor(worked, () => 0).length;
    const [true_] = work({ ...plan, footing: { kind: 'strip', pulls: pullsFor(worked, () => 0) } }).footing
      .adjusted;
    expect(true_?.agree).toBe(true);
    expect(true_?.spare).toBe(6 + count - 9);
    for (let wrong = 0; wrong < count; wrong++) {
      const pulls = pullsFor(worked, (index) => (index === wrong ? 2 : 0));
      const [loop] = work({ ...plan, footing: { kind: 'strip', pulls } }).footing.adjusted;
      expect(loop?.agree).toBe(false);
      expect(loop?.suspect).toBe(`p${String(wrong)}`);
    }
  });

  it('recover a corner that stands off by any small amount', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        (dx, dy) => {
          const plan = planOf(HATCHERY, withCourses(2));
          const worked = work(plan);
          const built = worked.shell.loops[0]?.built;
          const corners = (built?.faces.formOutside ?? []).map((point, index) =>
            index === 3 ? { x: point.x + dx * 25_400_000, y: point.y + dy * 25_400_000 } : point,
          );
          const walls = built?.walls ?? [];
          const pulls: Pull[] = walls.flatMap((from, a) =>
            walls.slice(a + 1).map((to, offset): Pull => {
              const [p, q] = [corners[a], corners[a + 1 + offset]];
              const length = p && q ? Math.hypot(p.x - q.x, p.y - q.y) : 0;
              return {
                id: `${from.id}${to.id}`,
                from: from.id,
                to: to.id,
                length: storeLength(Math.round(length) as Length, 'imperial'),
              };
            }),
          );
          const [loop] = work({ ...plan, footing: { kind: 'strip', pulls } }).footing.adjusted;
          expect(loop?.agree).toBe(true);
          for (const move of loop?.moves ?? []) {
            const expected = move.corner === 'D' ? Math.hypot(dx, dy) : 0;
            // A move of an inch on walls of yards: what the solver leaves is far under what a tape can tell.
            expect(Math.abs(toInches(move.size) - expected)).toBeLessThan(0.002);
          }
        },
      ),
      { numRuns: 25 },
    );
  });
});

describe('a survey of more than one outline', () => {
  it('is levelled to one line, round the corner from the last reading to the first', () => {
    const plan = withSecond(planOf(RECTANGLE, withCourses(2)));
    const worked = work({
      ...plan,
      footing: {
        kind: 'strip',
        shots: shots([
          ['w1', 240, 50],
          ['w3', 240, 51],
          ['s1', 60, 50.5],
          ['s3', 60, 50.5],
        ]),
      },
    });
    const { survey } = worked.footing;
    if (!survey?.high) throw new Error('no survey');
    const byWall = (wall: string) =>
      survey.blocks.filter((block) => block.wall === wall).flatMap((block) => block.places);
    for (const place of byWall('s2')) expect(place.shim).toBe(inches(0.5));
    // Half way round either way from the high point to the low one: between the two, whichever way it is walked.
    for (const wall of ['w2', 'w4']) {
      for (const place of byWall(wall)) {
        expect(place.shim).toBeGreaterThan(0);
        expect(place.shim).toBeLessThan(inches(1));
      }
    }
    const station = (id: string): number =>
      wallsOf(worked.shell).find((wall) => wall.id === id)?.station ?? 0;
    const [fourth] = byWall('w4');
    const round = 1536;
    const along =
      (toInches((station('w4') + (fourth?.at ?? 0)) as Length) - (480 + 288 + 240)) /
      (round - (480 + 288 + 240) + 240);
    expect(Math.abs(toInches(fourth?.shim ?? (0 as Length)) - (1 - along))).toBeLessThanOrEqual(1 / 32);
  });

  it('waits for an outline that does not come home, and says nothing of lost walls', () => {
    const plan = planOf(RECTANGLE, {
      ...withCourses(2),
      footing: {
        kind: 'strip',
        shots: shots([
          ['w1', 12, 50],
          ['w3', 12, 50.25],
        ]),
        pulls: [{ id: 'a', from: 'w1', to: 'w3', length: '46ft 7 3/4in' }],
      },
    });
    const astray = work(applyEdit(plan, { kind: 'set-row-length', row: 'w2', length: '20ft' }));
    expect(astray.footing.problems).toEqual([]);
    expect(astray.footing.survey?.shots).toEqual([]);
    expect(work(plan).footing.survey?.shots).toHaveLength(2);
    expect(work(plan).footing.adjusted).toHaveLength(1);
  });

  it('stays with its walls when units change, and is kept when a wall goes', () => {
    const plan = planOf(RECTANGLE, {
      ...withCourses(2),
      footing: {
        kind: 'strip',
        shots: shots([
          ['w1', 12, 50],
          ['w3', 12, 50.25],
          ['w4', 12, 50],
        ]),
      },
    });
    const gone = applyEdit(plan, { kind: 'remove-row', row: 'w3' });
    expect(gone.footing?.shots).toHaveLength(3);
    const metric = work(applyEdit(plan, { kind: 'set-units', units: 'metric' }));
    expect(metric.footing.survey?.outOfLevel).toBe(inches(0.25));
  });
});
