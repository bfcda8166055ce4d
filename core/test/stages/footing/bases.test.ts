import { evaluate } from '../../../src/kernel/figures/how';
import type { Shot } from '../../../src/stages/footing/plan';
import { applyEdit, writePlan } from '../../../src/plan';
import { readPlan } from '../../../src/planFile';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { figuresOfFooting, tiesOn } from '../../../src/stages/footing';
import { type Length, inches, storeLength, toCubicYards, toInches } from '../../../src/kernel/measure';
import { orderOf } from '../../../src/orderOf';
import type { Plan } from '../../../src/kernel/plan';
import { type WorkedPlan, work } from '../../../src/work';
import values from '../../data/trade-values.json';
import { type Side, HATCHERY, planOf, rectilinear, roundedHall, withCourses } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [288, 90],
  [480, 90],
  [288, 90],
];

const standing = (change: Partial<Plan> = {}): WorkedPlan =>
  work(planOf(RECTANGLE, { ...withCourses(3), ...change }));

const basesIn = (worked: WorkedPlan) => worked.footing.bases.loops.flatMap((loop) => loop.walls);

describe('chalk lines', () => {
  it.each(values.chalkOffset)(
    'a $wallIn in wall on a $footingIn in footing: $offsetIn in from its edge ($source)',
    ({ footingIn, wallIn, offsetIn }) => {
      // Panels of 2 1/2 in on both sides of the core.
      const worked = standing({
        core: `${String(wallIn - 5)}in`,
        footing: { kind: 'strip', width: `${String(footingIn)}in` },
      });
      for (const base of basesIn(worked)) {
        expect(toInches(base.thickness)).toBe(wallIn);
        expect(toInches(base.outer)).toBe(offsetIn);
        expect(toInches(base.inner)).toBe(offsetIn);
      }
    },
  );

  it('move with a wall that stands off the middle, width and offset wall by wall', () => {
    const plan = applyEdit(planOf(RECTANGLE), {
      kind: 'set-wall',
      row: 'w2',
      change: { bearing: { width: '30', offset: 'out 2in' } },
    });
    expect(plan.loops[0]?.walk[1]?.bearing?.width).toBe('30ft');
    const worked = work(
      applyEdit(plan, {
        kind: 'set-wall',
        row: 'w2',
        change: { bearing: { width: '30in', offset: 'OUT 2"' } },
      }),
    );
    const [first, second] = basesIn(worked);
    expect([second?.outer, second?.inner]).toEqual([inches(6.5), inches(10.5)]);
    expect([first?.outer, first?.inner]).toEqual([inches(5.5), inches(5.5)]);
    const cleared = applyEdit(plan, { kind: 'set-wall', row: 'w2', change: { bearing: { width: ' ' } } });
    expect(cleared.loops[0]?.walk[1]).not.toHaveProperty('bearing');
  });

  it('say where they run off the footing or leave less than a rule’s edge, and how to mend it', () => {
    const cases: readonly (readonly [Plan['footing'], string | undefined, string])[] = [
      [{ kind: 'strip', width: '12in' }, undefined, 'narrower-than-wall'],
      [{ kind: 'strip', width: '24in' }, 'in 6in', 'off-footing'],
      [{ kind: 'strip', width: '15in' }, undefined, 'edge-small'],
      [{ kind: 'strip', width: 'wide' }, undefined, 'text-unreadable'],
      [{ kind: 'strip', depth: '1000m' }, undefined, 'size-out-of-range'],
      [{ kind: 'strip', width: '1in' }, undefined, 'size-out-of-range'],
      [{ kind: 'strip' }, 'sideways', 'text-unreadable'],
    ];
    for (const [footing, offset, kind] of cases) {
      const plan = planOf(RECTANGLE, { ...(footing ? { footing } : {}) });
      const edited =
        offset === undefined
          ? plan
          : applyEdit(plan, { kind: 'set-wall', row: 'w1', change: { bearing: { offset } } });
      const worked = work(edited);
      expect(worked.footing.problems.map((problem) => problem.kind)).toContain(kind);
      const notice = worked.notices.find((each) => each.id.startsWith(kind));
      const fix = notice?.fixes[0];
      if (fix) {
        const mended = work(applyEdit(edited, fix.edit));
        expect(
          mended.footing.problems.filter((problem) => 'wall' in problem && problem.wall === 'w1'),
        ).toEqual([]);
      }
    }
  });

  it('come with a tape sheet: every corner, leg, cut and step from the first corner on', () => {
    const worked = work(planOf(HATCHERY, withCourses(4)));
    const { tape } = worked.footing;
    expect(tape.filter((mark) => mark.what === 'corner').map((mark) => mark.letter)).toEqual([
      'A',
      'B',
      'C',
      'D',
      'E',
      'F',
    ]);
    expect(tape.map((mark) => mark.station)).toEqual(
      [...tape.map((mark) => mark.station)].sort((a, b) => a - b),
    );
    const cuts = worked.courses.pieces.filter((piece) => piece.course === 1 && piece.kind === 'cut');
    expect(
      tape
        .filter((mark) => mark.what === 'cut')
        .map((mark) => mark.length)
        .sort(),
    ).toEqual(cuts.map((piece) => (piece.kind === 'cut' ? piece.length : 0)).sort());
  });
});

describe('concrete in the footing', () => {
  it('is the area between its edges by its depth, whatever the outline', () => {
    fc.assert(
      fc.property(rectilinear(), fc.integer({ min: 14, max: 40 }), (sides, width) => {
        const worked = work(
          planOf(sides, { footing: { kind: 'strip', width: `${String(width)}in`, depth: '10in' } }),
        );
        const [loop] = worked.footing.bases.loops;
        if (!loop) return;
        const area = (points: readonly { readonly x: number; readonly y: number }[]): number =>
          points.reduce((sum, point, index) => {
            const next = points[(index + 1) % points.length];
            return sum + (next ? point.x * next.y - next.x * point.y : 0);
          }, 0) / 2e18;
        const metres = (area(loop.outer) - area(loop.inner)) * 0.254;
        expect(worked.footing.concrete.value).toBeCloseTo(metres, 6);
      }),
      { numRuns: 40 },
    );
  });

  it('is told figure by figure, and every how comes to its value', () => {
    const stepped = applyEdit(
      planOf(RECTANGLE, {
        ...withCourses(4),
        footing: { kind: 'forms', withWall: true, width: '24in', depth: '10in' },
      }),
      {
        kind: 'all',
        edits: [
          { kind: 'set-wall', row: 'w1', change: { footing: [{ id: 'a', at: '10ft', step: 'up 16in' }] } },
          { kind: 'set-wall', row: 'w3', change: { footing: [{ id: 'b', at: '10ft', step: 'down 16in' }] } },
        ],
      },
    );
    const flat = planOf(RECTANGLE, {
      ...withCourses(4),
      footing: { kind: 'strip', width: '24in', depth: '10in' },
    });
    const [one, other] = [work(stepped).footing, work(flat).footing];
    for (const figure of [...figuresOfFooting(one), ...figuresOfFooting(other)]) {
      expect(evaluate(figure.how)).toBe(figure.value);
    }
    // 1536 in of faces less a 13 in square at each of four corners; 24 × 10 in. Two risers of 16 × 24 × 10 in.
    const middle = 1536 - 4 * 13;
    expect(toCubicYards(other.concrete.value)).toBeCloseTo((middle * 24 * 10) / 46_656, 6);
    expect(toCubicYards(one.concrete.value - other.concrete.value)).toBeCloseTo(
      (2 * 16 * 24 * 10) / 46_656,
      6,
    );
    expect(one.firstLift?.value).toBeGreaterThan(one.concrete.value);
    expect(other.firstLift).toBeNull();
  });

  it('has a thermal-break sheet under it only where one is asked for, as wide as the walls', () => {
    const { sheet, bases } = standing({ footing: { kind: 'sheet', sheet: '1 1/2in' } }).footing;
    expect(bases.sheet).toBe(inches(1.5));
    expect((sheet?.value ?? 0) / 0.0254 ** 2).toBeCloseTo(13 * (1536 - 4 * 13), 6);
    expect(standing().footing.sheet).toBeNull();
  });

  it('is none on rock', () => {
    expect(standing({ footing: { kind: 'rock' } }).footing.concrete.value).toBe(0);
  });
});

describe('insulated footing forms', () => {
  it.each(values.footingFormTies)(
    '$ties ties at $spacingIn in leave $endIn in on a plank of $plankIn in ($source)',
    ({ plankIn, ties, spacingIn, endIn }) => {
      expect(tiesOn(inches(plankIn), inches(spacingIn), inches(1))).toEqual({ ties, end: inches(endIn) });
    },
  );

  it('never leave a tie at the very end of a plank, and never more than a bay', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 200 }), fc.integer({ min: 4, max: 48 }), (plank, spacing) => {
        const { ties, end } = tiesOn(inches(plank), inches(spacing), inches(1));
        expect((ties - 1) * spacing + 2 * toInches(end)).toBeCloseTo(plank, 9);
        expect(toInches(end)).toBeGreaterThanOrEqual(1);
        expect(toInches(end)).toBeLessThan(spacing / 2 + 1);
      }),
    );
  });

  it('are cut per wall to the long points of their mitres, split ties in every corner', () => {
    const { forms } = standing({ footing: { kind: 'forms', width: '24in', depth: '10in' } }).footing;
    if (!forms) throw new Error('no forms');
    expect(forms.runs).toHaveLength(8);
    // 480 in and 5 1/2 in beyond the form at both ends, 2 in of plank more at each mitre; inside, 13 + 5 1/2 in back at both ends.
    expect(forms.runs.slice(0, 2).map((run) => toInches(run.length))).toEqual([480 + 11 + 4, 480 - 2 * 18.5]);
    expect(forms.splitTies).toBe(4);
    // A rounded corner has no mitre, nor have the lines at which its curve begins.
    const rounded = roundedHall(100, {
      ...withCourses(4),
      footing: { kind: 'forms', width: '24in', depth: '10in' },
    });
    expect(work(rounded).footing.forms?.splitTies).toBe(3);
    const bought = forms.planks.value * 96;
    const wanted = forms.runs.reduce((sum, run) => sum + toInches(run.length), 0);
    expect(bought).toBeGreaterThanOrEqual(wanted);
    expect(bought - wanted).toBeLessThan(2 * 96);
    expect(forms.ties.value).toBeGreaterThan(wanted / 2 / 18);
    expect(forms.bars.count).toBe(2);
  });
});

describe('walls on rock', () => {
  const shots = (list: readonly (readonly [string, number, number])[]): readonly Shot[] =>
    list.map(([wall, at, reading], index) => ({
      id: `s${String(index)}`,
      wall,
      at: storeLength(inches(at), 'imperial'),
      reading: storeLength(inches(reading), 'imperial'),
    }));
  const rough = shots([
    ['w1', 0, 50],
    ['w1', 240, 56],
    ['w1', 480, 50],
    ['w2', 144, 51],
    ['w3', 240, 50],
    ['w4', 144, 50],
  ]);
  const rockIn = (change: Partial<Plan> = {}) => {
    const { rock } = standing({ footing: { kind: 'rock', shots: rough }, ...change }).footing;
    if (!rock) throw new Error('no rock');
    return rock;
  };

  it('are closed by scribing where the gap is small and by boards where it is large, end to end', () => {
    const rock = rockIn();
    const onFirst = rock.stretches.filter((stretch) => stretch.wall === 'w1');
    expect(onFirst.map((stretch) => stretch.closure)).toEqual([
      'touches',
      'scribed',
      'boards',
      'scribed',
      'touches',
    ]);
    onFirst.forEach((stretch, index) => {
      expect(stretch.from).toBe(index === 0 ? 0 : onFirst[index - 1]?.to);
    });
    expect(onFirst.at(-1)?.to).toBe(inches(480));
    // The gap passes 4 in at 160 in from either end: 160 in of boards under both panels.
    expect(Math.abs(rock.boards - inches(320))).toBeLessThan(10);
    expect(rock.lost.value).toBe(0);
  });

  it('fill with concrete as much as the gap holds under the core, and lose some where they are left open', () => {
    const closed = rockIn();
    // A triangle 6 in high on 480 in, an inch at the most under the second wall, under an 8 in core.
    const first = 0.5 * 6 * 480 * 8;
    expect(toCubicYards(closed.fills.value) * 46_656).toBeGreaterThan(first);
    const open = rockIn({ rules: { 'footing.rock.small': 'open' } });
    expect(open.fills.value).toBeCloseTo(closed.fills.value, 9);
    expect(open.lost.value).toBeGreaterThan(0);
  });

  it('stand on wood blocks under webs, two to a block, as high as the gap is there', () => {
    const { courses, footing } = standing({ footing: { kind: 'rock', shots: rough } });
    for (const block of footing.rock?.blocks ?? []) {
      const piece = courses.pieces.find((each) => each.id === block.piece);
      if (!piece) throw new Error('no piece');
      if (piece.kind === 'corner') {
        // [by hand] A leg’s webs are told from its corner: at the wall’s end, or at its beginning.
        const length = block.wall === 'w1' || block.wall === 'w3' ? inches(480) : inches(288);
        expect(
          block.wall === piece.wallAfter
            ? piece.websAfter.includes(block.at)
            : piece.websBefore.some((web) => web === length - block.at),
        ).toBe(true);
      } else expect(piece.webs).toContain(block.at - piece.start);
      if (block.wall === 'w1') {
        const at = toInches(block.at);
        const gap = (6 * Math.min(at, 480 - at)) / 240;
        expect(toInches(block.height)).toBeCloseTo(gap, 6);
      }
    }
    expect(footing.rock?.blocks.length).toBeGreaterThan(8);
    const corners = new Set(courses.pieces.filter(({ kind }) => kind === 'corner').map(({ id }) => id));
    expect(footing.rock?.blocks.some(({ piece }) => corners.has(piece))).toBe(true);
  });

  it('are taken to run from the readings on either side where a wall has none of its own', () => {
    const { stretches } = rockIn({
      footing: {
        kind: 'rock',
        shots: shots([
          ['w1', 480, 50],
          ['w3', 0, 53],
          ['w4', 0, 53],
        ]),
      },
    });
    const second = stretches.filter((stretch) => stretch.wall === 'w2');
    expect(second[0]?.from).toBe(0);
    expect(second.at(-1)?.to).toBe(inches(288));
    expect(second[0]?.least).toBe(0);
    expect(second.at(-1)?.most).toBe(inches(3));
    const third = stretches.filter((stretch) => stretch.wall === 'w3');
    expect(third.map((stretch) => [stretch.least, stretch.most])).toEqual([[inches(3), inches(3)]]);
  });

  it('say nothing before they are surveyed', () => {
    expect(standing({ footing: { kind: 'rock' } }).footing.rock).toBeNull();
  });
});

describe('the first course', () => {
  it('is counted by the crew’s school, and the order list follows', () => {
    const order = (rules: Plan['rules']) => {
      const plan = planOf(RECTANGLE, { ...withCourses(3), rules });
      return orderOf(plan, work(plan));
    };
    const article = (rules: Plan['rules'], id: string): number | undefined =>
      order(rules).lines.find((line) => line.id === id)?.ordered;
    expect(article({}, 'kickers')).toBeGreaterThan(0);
    expect(article({ 'footing.hold': 'track' }, 'kickers')).toBeUndefined();
    expect(article({ 'footing.hold': 'track' }, 'track')).toBeGreaterThan(0);
    const cans = ['two-courses-first', 'as-laid', 'foamed-last', 'mortar'].map(
      (school) => standing({ rules: { 'footing.glue': school } }).footing.firstCourse.fixed,
    );
    expect(cans.map((figure) => figure.unit)).toEqual(['ratio', 'ratio', 'ratio', 'volume']);
    // [by hand] Mortar under both panels of 2 1/2 in, 3/4 in thick, all round: the ring of the wall less that of its core.
    const ring = (length: number, width: number, thick: number): number =>
      length * width - (length - 2 * thick) * (width - 2 * thick);
    const panels = ring(432, 336, 13) - ring(432 - 5, 336 - 5, 8);
    expect(toCubicYards(cans[3]?.value ?? 0) * 46_656).toBeCloseTo(panels * 0.75, 3);
    expect(article({ 'footing.glue': 'mortar' }, 'foam')).toBeLessThanOrEqual(article({}, 'foam') ?? 0);
  });

  it('has as many joints as pieces round a closed outline', () => {
    const worked = standing();
    const pieces = worked.courses.pieces.filter((piece) => piece.course === 1).length;
    expect(worked.footing.firstCourse.joints).toBe(pieces);
  });
});

describe('what fixes the first course', () => {
  it('runs along what stands on the footing, once, over any steps', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 120, max: 400 }),
        fc.integer({ min: 1, max: 3 }),
        fc.constantFrom('mortar', 'foamed-last', 'as-laid'),
        (at, up, school) => {
          const rules = { 'footing.glue': school };
          const flat = planOf(RECTANGLE, { ...withCourses(6), rules });
          const stepped: Plan = {
            ...flat,
            loops: flat.loops.map((loop) => ({
              ...loop,
              walk: loop.walk.map((row, index) => {
                const step = { id: `s${String(index)}`, at: `${String(at)}in` };
                if (index === 0) return { ...row, footing: [{ ...step, step: `up ${String(16 * up)}in` }] };
                return index === 2
                  ? { ...row, footing: [{ ...step, step: `down ${String(16 * up)}in` }] }
                  : row;
              }),
            })),
          };
          const [one, other] = [work(flat), work(stepped)].map(
            ({ footing }) => footing.firstCourse.fixed.value,
          );
          // Blocks of the two heights meet at a step: no more than a wall's thickness is counted at either.
          expect(other).toBeGreaterThan((one ?? 0) * 0.97);
          expect(other).toBeLessThan((one ?? 0) * 1.03);
        },
      ),
      { numRuns: 12 },
    );
  });

  it('is nothing in insulated footing forms but the foam of their bead', () => {
    const plan = planOf(RECTANGLE, { ...withCourses(3), footing: { kind: 'forms' } });
    const { firstCourse } = work(plan).footing;
    expect(firstCourse.hold).toBe('forms');
    expect([firstCourse.held.value, firstCourse.fixed.value]).toEqual([0, 0]);
    const ids = orderOf(plan, work(plan)).lines.map((line) => line.id);
    expect(ids).not.toContain('kickers');
    expect(ids).toContain('footing:bead');
  });
});

describe('ready for the wall', () => {
  it('lists what this kind of footing asks for', () => {
    const ids = (kind: 'strip' | 'forms' | 'rock' | 'sheet') =>
      standing({ footing: { kind } }).footing.ready.map((item) => item.id.split(':')[0]);
    expect(ids('forms')).toContain('forms');
    expect(ids('rock')).not.toContain('chalk');
    expect(ids('strip')).toContain('chalk');
  });
});

describe('the plan file', () => {
  it('keeps all of the footing, and gives ids to hand-written readings', () => {
    const file = {
      ...writePlan(planOf(RECTANGLE)),
      footing: {
        kind: 'sheet',
        width: '24',
        sheet: '2in',
        withWall: true,
        shots: [
          { wall: 'w1', at: '3', reading: '4ft 2in' },
          { wall: 'w1', at: '6ft', reading: '4ft 2in' },
        ],
        pulls: [{ from: 'w1', to: 'w3', length: '46ft' }],
        ready: ['dowels'],
      },
    };
    const reading = readPlan(file);
    if (!reading.ok) throw new Error(JSON.stringify(reading.problems));
    const { footing } = reading.plan;
    expect(footing?.width).toBe('24ft');
    expect(footing?.shots?.map((shot) => shot.id)).toEqual(['shot-1', 'shot-2']);
    const again = readPlan(writePlan(reading.plan));
    expect(again.ok && again.plan).toEqual(reading.plan);
    expect(readPlan({ ...file, footing: { kind: 'moss' } }).ok).toBe(false);
  });

  it('is edited in stored lengths; what is emptied goes', () => {
    const plan = planOf(RECTANGLE);
    const edited = applyEdit(plan, {
      kind: 'set-footing',
      change: { width: '26"', shots: [{ id: 's', wall: 'w1', at: '3', reading: '4-2' }] },
    });
    expect(edited.footing).toEqual({
      kind: 'strip',
      width: '2ft 2in',
      shots: [{ id: 's', wall: 'w1', at: '3ft', reading: '4ft 2in' }],
    });
    const back = applyEdit(edited, { kind: 'set-footing', change: { width: '', shots: [] } });
    expect(back.footing).toEqual({ kind: 'strip' });
    const length: Length = inches(24);
    expect(basesIn(work(back)).every((base) => base.width === length)).toBe(true);
  });
});
