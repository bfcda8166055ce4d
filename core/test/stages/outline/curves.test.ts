import { valuesIn } from '../../support/values';
import type { WalkRow } from '../../../src/stages/outline/plan';
import { applyEdit } from '../../../src/plan';
import clipper from 'clipper-lib';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Length, inches, toInches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import type { Point } from '../../../src/kernel/geometry/point';
import { wallsOf } from '../../../src/stages/outline';
import { work } from '../../../src/work';
import { expectFilled, noticesOf } from '../../support/cover';
import { type Side, planOf, rectilinear, roundedHall, withCourses } from '../../support/plans';

const straight = (id: string, length: string, turn = 'straight on'): WalkRow => ({ id, length, turn });
const arc = (id: string, radius: string, sweep = 'right 90', turn = 'straight on'): WalkRow => ({
  id,
  length: '',
  turn,
  curve: { radius, sweep },
});

const walked = (walk: readonly WalkRow[], change: Partial<Plan> = {}): Plan => ({
  ...planOf([]),
  ...withCourses(4),
  loops: [{ id: 'loop', closed: true, walk }],
  ...change,
});

/** A hall with one of its corners rounded. */
const rounded = (change: Partial<Plan> = {}): Plan => roundedHall(120, { ...withCourses(4), ...change });

describe('a curved wall', () => {
  it('is an arc with exact faces and area', () => {
    const { shell } = work(rounded());
    const built = shell.loops[0]?.built;
    const wall = built?.walls[1];
    if (!built || !wall?.curve) throw new Error('no arc');
    expect(toInches(wall.curve.outside)).toBe(120);
    expect(toInches(wall.curve.inside)).toBe(107);
    expect(toInches(wall.curve.outsideLength)).toBeCloseTo((120 * Math.PI) / 2, 6);
    expect(toInches(wall.curve.insideLength)).toBeCloseTo((107 * Math.PI) / 2, 6);
    // Source: common geometry. Core 8 in along its middle line: straights less the square corners, and a quarter circle.
    const middle = 360 + 120 + 480 + 240 - 3 * 13 + (113.5 * Math.PI) / 2;
    expect(built.coreArea / 0.0254 ** 2).toBeCloseTo(8 * middle, 4);
    expect(toInches(built.centreLine)).toBeCloseTo(middle, 6);
  });

  it.each(['form', 'concrete', 'centre'] as const)(
    'measured to the %s keeps its core’s middle line',
    (measuredTo) => {
      const { shell } = work(rounded({ measuredTo }));
      const built = shell.loops[0]?.built;
      const wall = built?.walls[1];
      const inset = { form: 0, concrete: 2.5, centre: 6.5 }[measuredTo];
      expect(toInches(wall?.curve?.outside ?? (0 as Length))).toBeCloseTo(120 + inset, 6);
      expect(toInches(wall?.measured ?? (0 as Length))).toBeCloseTo((120 * Math.PI) / 2, 6);
    },
  );

  it('is laid along its longer face, every joint strapped, with relief cuts told', () => {
    const worked = work(rounded());
    expect(noticesOf(worked, 'stop')).toEqual([]);
    expectFilled(worked);
    const notice = worked.notices.find((each) => each.id === 'curved:w2');
    expect(valuesIn(notice?.what)).toEqual(['14′ 1/16″', '15′ 8 1/2″', '23', '6', '7/8″']);
    const joints = worked.courses.weakJoints.filter((joint) => joint.wall === 'w2');
    expect(joints.every((joint) => joint.reasons.includes('curve') || joint.reasons.includes('seam'))).toBe(
      true,
    );
    const byCourse = worked.tally.courses[0]?.coreVolume.value ?? 0;
    expect(byCourse).toBeCloseTo((worked.shell.loops[0]?.built?.coreArea ?? 0) * 0.4064, 9);
  });

  it('that bulges inward is laid on its inner face', () => {
    const worked = work(
      walked([
        straight('w1', '10ft'),
        arc('w2', '10ft', 'left 90'),
        straight('w3', '10ft', 'right 90'),
        straight('w4', '20ft', 'right 90'),
        straight('w5', '40ft', 'right 90'),
        straight('w6', '40ft', 'right 90'),
        straight('w7', '20ft', 'right 90'),
      ]),
    );
    expect(noticesOf(worked, 'stop')).toEqual([]);
    expectFilled(worked);
    const wall = wallsOf(worked.shell)[1];
    expect(toInches(wall?.length ?? (0 as Length))).toBeCloseTo((133 * Math.PI) / 2, 6);
    expect(worked.notices.find((each) => each.id === 'curved:w2')?.what).toContain('to the inner face');
    // Straights less four square corners, and a quarter circle about the outside.
    const middle = 120 + 120 + 240 + 480 + 480 + 240 - 5 * 13 + (126.5 * Math.PI) / 2;
    expect((worked.shell.loops[0]?.built?.coreArea ?? 0) / 0.0254 ** 2).toBeCloseTo(8 * middle, 4);
  });

  it('walked anticlockwise is the same', () => {
    const turned = work(applyEdit(rounded(), { kind: 'turn-walk-round', loop: 'loop' }));
    const own = work(rounded());
    expect(noticesOf(turned, 'stop')).toEqual([]);
    expect(turned.tally.total.coreVolume.value).toBeCloseTo(own.tally.total.coreVolume.value, 9);
    expect(turned.tally.total.straight.value).toBe(own.tally.total.straight.value);
    expect(turned.tally.total.cut.value).toBe(own.tally.total.cut.value);
  });

  it.each([
    [arc('w2', 'wide'), 'curve-unreadable:w2'],
    [arc('w2', '10ft', 'right 0'), 'curve-unreadable:w2'],
    [arc('w2', '-10ft'), 'curve-unreadable:w2'],
    [arc('w2', '3ft'), 'curve-too-tight:w2'],
    [arc('w2', '10ft', 'right 90', 'right 90'), 'curve-not-tangent:w2'],
  ])('that cannot be bent says so, and keeps what was typed', (row, id) => {
    const plan = rounded();
    const walk = plan.loops[0]?.walk.map((each) => (each.id === 'w2' ? row : each)) ?? [];
    // A smaller arc needs shorter neighbours, or the gap is told first.
    const small = row.curve?.radius === '3ft';
    const fitted = small
      ? [
          straight('w1', '37ft'),
          row,
          straight('w3', '17ft', 'right 90'),
          straight('w4', '40ft', 'right 90'),
          straight('w5', '20ft', 'right 90'),
        ]
      : walk;
    expect(
      noticesOf(work({ ...plan, loops: [{ id: 'loop', closed: true, walk: fitted }] }), 'stop'),
    ).toContain(id);
  });

  it('is told wherever two straight walls run straight on with one core', () => {
    const plan = walked([
      straight('w1', '20ft'),
      straight('w2', '20ft', 'right 90'),
      straight('w3', '20ft', 'right 90'),
      straight('w4', '40ft', 'right 90'),
      straight('w5', '20ft', 'right 90'),
    ]);
    expect(noticesOf(work(plan), 'check')).toContain('no-turn:w1');
  });

  it('may have a footing step, and the walls round it fill exactly', () => {
    const plan = rounded();
    const walk = plan.loops[0]?.walk.map((row) =>
      row.id === 'w2'
        ? { ...row, footing: [{ id: 'a', at: '8ft', step: 'up 16in' }] }
        : row.id === 'w4'
          ? { ...row, footing: [{ id: 'b', at: '8ft', step: 'down 16in' }] }
          : row,
    );
    expectFilled(work({ ...plan, loops: [{ id: 'loop', closed: true, walk: walk ?? [] }] }));
  });
});

describe('the core where walls of different thickness meet', () => {
  const SCALE = 1e3;
  const inch = (point: Point) => ({
    X: Math.round(toInches(point.x) * SCALE),
    Y: Math.round(toInches(point.y) * SCALE),
  });

  // Source: Clipper (polygon union), through the clipper-lib package.
  it('is the union of the walls’ own cores, as a general-purpose polygon library has it', () => {
    fc.assert(
      fc.property(
        rectilinear(150),
        fc.array(fc.constantFrom('4in', '6in', '8in', '10in'), { minLength: 40, maxLength: 40 }),
        (sides: readonly Side[], cores) => {
          const plan = planOf(sides);
          const mixed: Plan = {
            ...plan,
            loops: plan.loops.map((loop) => ({
              ...loop,
              walk: loop.walk.map((row, index) => ({ ...row, core: cores[index] ?? '8in' })),
            })),
          };
          const { shell } = work(mixed);
          const built = shell.loops[0]?.built;
          if (!built) return;
          const join = new clipper.Clipper();
          const { concreteOutside, concreteInside } = built.faces;
          wallsOf(shell).forEach((_, index) => {
            const next = (index + 1) % concreteOutside.length;
            const corners = [
              concreteOutside[index],
              concreteOutside[next],
              concreteInside[next],
              concreteInside[index],
            ];
            // The slab of one wall between its two mitres, each from its own four corners.
            const path = corners.flatMap((corner) => (corner ? [inch(corner)] : []));
            if (!clipper.Clipper.Orientation(path)) path.reverse();
            join.AddPath(path, clipper.PolyType.ptSubject, true);
          });
          const solution: clipper.Path[] = [];
          join.Execute(
            clipper.ClipType.ctUnion,
            solution,
            clipper.PolyFillType.pftNonZero,
            clipper.PolyFillType.pftNonZero,
          );
          const area = solution.reduce((sum, path) => sum + clipper.Clipper.Area(path), 0) / SCALE ** 2;
          expect(Math.abs(area)).toBeCloseTo(built.coreArea / 0.0254 ** 2, 0);
          // Each wall’s core is as thick as it was asked for.
          wallsOf(shell).forEach((wall, index) => {
            const [outer, inner] = [concreteOutside[index], concreteInside[index]];
            if (!outer || !inner) throw new Error('no corner');
            const across = [inner.x - outer.x, inner.y - outer.y];
            const [cos, sin] = [
              Math.cos((wall.heading / 1e6) * (Math.PI / 180)),
              Math.sin((wall.heading / 1e6) * (Math.PI / 180)),
            ];
            const depth = (across[1] ?? 0) * cos - (across[0] ?? 0) * sin;
            expect(depth).toBeCloseTo(wall.core, 0);
          });
        },
      ),
      { numRuns: 40 },
    );
    expect(inches(1)).toBe(25_400_000);
  });
});
