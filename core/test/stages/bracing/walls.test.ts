import { valuesIn } from '../../support/values';
import { evaluate } from '../../../src/kernel/figures/how';
import { houseRules } from '../../../src/rules';
import { describe, expect, it } from 'vitest';
import { faceEnds, plankRules, planWalkway, stripsByWall } from '../../../src/stages/bracing';
import { type Length, ZERO, feet, inches, toInches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import type { FaceEnd } from '../../../src/stages/bracing/faces';
import { stretchesOf } from '../../../src/stages/bracing/stretches';
import type { Crossing, Levels } from '../../../src/stages/outline';
import { orderOf } from '../../../src/orderOf';
import { report } from '../../../src/report';
import { work } from '../../../src/work';
import { insertOf, openingOf } from '../../support/openings';
import { type Side, HALL, HATCHERY, planOf, withCourses } from '../../support/plans';

const plan = (change: Partial<Plan> = {}): Plan => planOf(HALL, { ...withCourses(7), ...change });
const rules = houseRules();

describe('the face that is braced', () => {
  const ends = (sides: readonly Side[], wall: number, side: 'inside' | 'outside') => {
    const { shell } = work(planOf(sides, withCourses(6)));
    const built = shell.loops[0]?.built;
    const own = built?.walls[wall];
    if (!built || !own) throw new Error('does not stand');
    return faceEnds(built, own, side).map(({ at, how }) => [toInches(at), how]);
  };

  it('ends inside against the walls across it, a thickness in from outside corners', () => {
    // Module 48 with an 8 in core is 13 in thick.
    expect(ends(HALL, 0, 'inside')).toEqual([
      [13, 'inward'],
      [467, 'inward'],
    ]);
  });

  it('turns outward at a corner that goes the other way, and runs a thickness past it', () => {
    // The third wall of the outline ends at a left turn.
    expect(ends(HATCHERY, 2, 'inside')).toEqual([
      [13, 'inward'],
      [205, 'outward'],
    ]);
    expect(ends(HATCHERY, 3, 'inside')[0]).toEqual([-13, 'outward']);
  });

  it('is the other way about outside', () => {
    expect(ends(HALL, 0, 'outside')).toEqual([
      [0, 'outward'],
      [480, 'outward'],
    ]);
    expect(ends(HATCHERY, 2, 'outside')[1]).toEqual([192, 'inward']);
  });

  it('of an open wall ends free, and is held there as a bulkhead', () => {
    const open = work({
      ...plan(),
      loops: [{ id: 'l', closed: false, walk: [{ id: 'w', length: '40ft', turn: 'right 90' }] }],
    });
    const [wall] = open.bracing.walls;
    expect(wall?.ends.map(({ how }) => how)).toEqual(['free', 'free']);
    expect(wall?.braces.filter(({ why }) => why === 'bulkhead')).toHaveLength(2);
  });
});

describe('fastening strips', () => {
  it('of blocks that all begin alike stand in every course', () => {
    const { shell, courses } = work(plan());
    const strips = stripsByWall(shell, courses, 0 as Length).get('w1') ?? [];
    expect(strips.length).toBeGreaterThan(50);
    const full = strips.filter((strip) => strip.courses.length === 7).length;
    expect(full / strips.length).toBeGreaterThan(0.8);
  });

  it('that a cut shifts line up in fewer courses; a wider reach catches more', () => {
    const { shell, courses } = work(
      planOf(
        [
          [483, 90],
          [339, 90],
          [483, 90],
          [339, 90],
        ],
        withCourses(7),
      ),
    );
    const caught = (reach: number) =>
      (stripsByWall(shell, courses, inches(reach)).get('w1') ?? []).map((strip) => strip.courses.length);
    expect(Math.min(...caught(0))).toBeLessThan(7);
    const sum = (list: readonly number[]): number => list.reduce((total, each) => total + each, 0);
    expect(sum(caught(3)) / caught(3).length).toBeGreaterThan(sum(caught(0)) / caught(0).length);
  });
});

describe('a walkway with its braces', () => {
  const strips = (to: number) =>
    Array.from({ length: Math.floor(to / 8) + 1 }, (_, index) => ({ at: inches(index * 8), courses: [1] }));
  const walk = (to: number, lengths: readonly number[], most = 72, anchors: readonly number[] = [0, to]) => {
    const all = strips(to);
    return planWalkway({
      strips: all,
      anchors: anchors.map((at) => {
        const strip = all.find((each) => each.at === inches(at));
        if (!strip) throw new Error(String(at));
        return { strip, why: 'corner' as const };
      }),
      bounds: [-Infinity, Infinity] as unknown as readonly [Length, Length],
      kinds: lengths.map((feet) => ({ length: inches(feet * 12), left: Infinity })),
      most: inches(most),
      least: inches(12),
      rules: plankRules(rules),
    });
  };

  it('takes the fewest braces that its planks allow', () => {
    // 256 in: two 12 ft planks of two bays of 64 in each.
    const found = walk(256, [12]);
    expect(found?.stood).toHaveLength(5);
    expect(found?.planks).toHaveLength(2);
    const bays = found?.stood.map(
      ({ strip }, index, all) => strip.at - (all[index - 1]?.strip.at ?? strip.at),
    );
    for (const bay of bays ?? []) expect(bay).toBeLessThanOrEqual(inches(72));
  });

  it('keeps every brace that must stand', () => {
    const found = walk(256, [12, 10, 8], 72, [0, 40, 104, 256]);
    const at = found?.stood.map(({ strip }) => toInches(strip.at));
    for (const must of [0, 40, 104, 256]) expect(at).toContain(must);
  });

  it('is none where planks are too short for the bays that must be', () => {
    expect(walk(256, [1])).toBeNull();
    expect(walk(16, [16])).toBeNull();
  });

  it('uses planks on hand before those that are not', () => {
    const all = strips(144);
    const laid = planWalkway({
      strips: all,
      anchors: [all[0], all.at(-1)].flatMap((strip) => (strip ? [{ strip, why: 'corner' as const }] : [])),
      bounds: [-Infinity, Infinity] as unknown as readonly [Length, Length],
      kinds: [
        { length: inches(168), left: 0 },
        { length: inches(96), left: 4 },
      ],
      most: inches(72),
      least: inches(12),
      rules: plankRules(rules),
    });
    expect(laid?.planks.map(({ length }) => toInches(length))).toEqual([96, 96]);
  });
});

describe('a doorway near a corner', () => {
  const door = (at: string, change: Partial<Plan> = {}) =>
    plan({
      openings: [
        openingOf({
          kind: 'door',
          name: 'Side door',
          wall: 'w1',
          at,
          width: '36in',
          height: '80in',
          sill: '0in',
        }),
      ],
      ...change,
    });
  const told = (job: Plan) => work(job).notices.filter(({ id }) => id.startsWith('bracing-leg-in-doorway'));

  it('is told of the leg round the corner that stands in front of it', () => {
    // The door begins 60 in from A: 47 in from the wall across, whose legs reach 60 in out, 24 in along.
    const [notice] = told(door('60in'));
    expect(notice?.where).toBe('D–A');
    expect(valuesIn(notice?.what)).toEqual(expect.arrayContaining(['36″']));
  });

  it('is passable farther off, with shorter legs, or with legs outside', () => {
    expect(told(door('120in'))).toEqual([]);
    expect(told(door('60in', { rules: { 'bracing.leg.out': '40in' } }))).toEqual([]);
    const outside = { walls: { w4: { side: 'outside' } } } as const;
    expect(told(door('60in', { bracing: outside }))).toEqual([]);
  });

  it('that is a window lets legs stand', () => {
    const window = openingOf({ wall: 'w1', at: '60in', width: '36in', height: '40in', sill: '40in' });
    expect(told(plan({ openings: [window] }))).toEqual([]);
  });
});

describe('brackets at corners', () => {
  it('are dropped course about, and two down on the last of an odd number of walls', () => {
    const levels = (sides: readonly Side[]) =>
      work(planOf(sides, withCourses(7))).bracing.walls.map(({ dropped }) => dropped);
    expect(levels(HALL)).toEqual([0, 1, 0, 1]);
    expect(
      levels([
        [600, 120],
        [600, 120],
        [600, 120],
      ]),
    ).toHaveLength(3);
  });
});

describe('the order and the report', () => {
  it('have boards and screws over weak joints, by pour too', () => {
    const job = planOf(HATCHERY, {
      pours: [
        { id: 'a', toCourse: 4, top: 'full' },
        { id: 'b', toCourse: 8, top: 'full' },
      ],
    });
    const worked = work(job);
    const screws = (pour?: string): number => {
      const line = orderOf(job, worked, pour).lines.find((each) => each.id === 'strap-screws');
      return line ? evaluate(line.needed) : 0;
    };
    expect(screws()).toBe(worked.bracing.straps.screws.value);
    expect(screws('a') + screws('b')).toBe(screws());
    expect(screws('a')).toBeGreaterThan(0);
  });

  it('say of every wall its braces and planks, with units', () => {
    const worked = work(plan({ bracing: { onHand: { turnbuckle: 5 } } }));
    const { bracing } = report(worked);
    expect(bracing.walls.map(({ wall }) => wall)).toEqual(['w1', 'w2', 'w3', 'w4']);
    expect(bracing.walls[0]?.braces).toHaveLength(worked.bracing.walls[0]?.braces.length ?? 0);
    expect(bracing.gear.find(({ part }) => part.startsWith('Turnbuckle'))).toMatchObject({ onHand: 5 });
  });
});

describe('what stands in the way', () => {
  it('moves a brace off a pocket on its own side, and not off one on the other', () => {
    const wall = (change: Partial<Plan>) => work(plan(change)).bracing.walls[0];
    const at = toInches(wall({})?.braces[3]?.at ?? (0 as Length));
    const pocket = (face: 'inside' | 'outside') =>
      insertOf({ kind: 'pocket', at: `${String(at)}in`, up: '96in', size: '8in', face });
    const hit = (face: 'inside' | 'outside') =>
      wall({ inserts: [pocket(face)] })?.braces.some((brace) => toInches(brace.at) === at);
    expect(hit('inside')).toBe(false);
    expect(hit('outside')).toBe(true);
  });

  it('tells of a bay that an opening makes too wide', () => {
    const opening = openingOf({ at: '60in', width: '200in', height: '60in', sill: '20in' });
    const { bracing } = work(plan({ openings: [opening] }));
    expect(bracing.problems.some(({ kind }) => kind === 'bay-wide')).toBe(true);
  });
});

describe('the stretches of a braced face', () => {
  const inside = (from: number, to: number): Crossing => ({
    through: 'w1',
    wall: `i${String(from)}`,
    atStart: true,
    from: inches(from),
    to: inches(to),
    at: inches(to),
    side: 'inside',
  });
  const levels: Pick<Levels, 'walls'> = {
    walls: Object.fromEntries(
      [27, 200, 220, 300].map((from) => [
        `i${String(from)}`,
        [{ from: ZERO, to: feet(10), bottom: ZERO, top: feet(from === 300 ? 3 : 10) }],
      ]),
    ),
  };
  const stretches = (how: FaceEnd['how'], crossings: readonly Crossing[]) =>
    stretchesOf({
      ends: [
        { at: inches(13), how, corner: null },
        { at: inches(467), how: 'inward', corner: null },
      ],
      crossings,
      side: 'inside',
      platform: feet(6),
      held: inches(24),
      levels: levels as Levels,
    });
  const places = (found: ReturnType<typeof stretches>) =>
    found.stretches.map(({ start, end }) => [toInches(start.at), toInches(end.at)]);

  it('run between high inside walls; low ones only keep uprights off', () => {
    const found = stretches('inward', [inside(300, 313), inside(200, 213)]);
    expect(places(found)).toEqual([
      [13, 200],
      [213, 467],
    ]);
    expect(found.across.map(({ from }) => toInches(from))).toEqual([200, 300]);
    expect(found.under.map(({ from }) => toInches(from))).toEqual([300]);
    expect(places(stretches('inward', [{ ...inside(200, 213), side: 'outside' }]))).toEqual([[13, 467]]);
  });

  it('are left out where they are short and held at both ends, unless one is all that there is', () => {
    // 14 in to the corner, and 7 in between two inside walls, are held by what stands there.
    expect(places(stretches('inward', [inside(27, 40), inside(200, 213), inside(220, 233)]))).toEqual([
      [40, 200],
      [233, 467],
    ]);
    // Nothing holds a free end.
    expect(places(stretches('free', [inside(27, 40)]))).toEqual([
      [13, 27],
      [40, 467],
    ]);
    const only = stretchesOf({
      ends: [
        { at: ZERO, how: 'inward', corner: null },
        { at: inches(20), how: 'inward', corner: null },
      ],
      crossings: [],
      side: 'inside',
      platform: feet(6),
      held: inches(24),
      levels: levels as Levels,
    });
    expect(places(only)).toEqual([[0, 20]]);
  });
});
