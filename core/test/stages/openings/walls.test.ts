import { evaluate } from '../../../src/kernel/figures/how';
import type { WalkRow } from '../../../src/stages/outline/plan';
import { applyEdit } from '../../../src/plan';
import { houseRules } from '../../../src/rules';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cutRulesOf, seamHoles, snapSeam } from '../../../src/stages/courses';
import { findFamily, systemOf } from '../../../src/kernel/forms';
import { type Length, inches, millimetres, toInches } from '../../../src/kernel/measure';
import { areaWithin } from '../../../src/stages/openings';
import { orderOf } from '../../../src/orderOf';
import type { Opening } from '../../../src/stages/openings/plan';
import type { Plan } from '../../../src/kernel/plan';
import { wallsOf } from '../../../src/stages/outline';
import { manners } from '../../../src/trials/compare';
import { type WorkedPlan, work } from '../../../src/work';
import { openingOf } from '../../support/openings';
import { type Side, HATCHERY, planOf, withCourses } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];

const rectangle = (openings: readonly Opening[], change: Partial<Plan> = {}): Plan =>
  planOf(RECTANGLE, { ...withCourses(8), openings, ...change });

const withRow = (plan: Plan, row: string, change: Partial<WalkRow>): Plan => ({
  ...plan,
  loops: plan.loops.map((loop) => ({
    ...loop,
    walk: loop.walk.map((each) => (each.id === row ? { ...each, ...change } : each)),
  })),
});

const cubicInches = (plan: WorkedPlan): number => plan.tally.total.coreVolume.value / 0.0254 ** 3;
const needed = (plan: Plan, id: string, pour?: string): number => {
  const line = orderOf(plan, work(plan), pour).lines.find((each) => each.id.startsWith(id));
  return line ? evaluate(line.needed) : 0;
};

describe('on a stepped footing', () => {
  // Wall A–B stands 32 in higher from 20 ft on; back down on C–D.
  const stepped = (openings: readonly Opening[]): Plan =>
    withRow(
      withRow(rectangle(openings), 'w1', { footing: [{ id: 'up', at: '20ft', step: 'up 32in' }] }),
      'w3',
      { footing: [{ id: 'down', at: '20ft', step: 'down 32in' }] },
    );

  it('a door stands on the footing under it, heads line through by the story pole', () => {
    const worked = work(
      stepped([
        openingOf({ kind: 'door', at: '80in', height: '80in' }),
        openingOf({ id: 'b', kind: 'door', at: '330in', height: '48in' }),
      ]),
    );
    expect(worked.openings.placed.map((each) => toInches(each.finished.bottom))).toEqual([0, 32]);
    expect(worked.openings.placed.map((each) => toInches(each.finished.top))).toEqual([80, 80]);
  });

  it('displaces only where its wall stands', () => {
    // Half of it over the low footing, half over the step: below 32 in only the low half is wall.
    const across = openingOf({ kind: 'door', at: '222in', width: '33in', height: '80in', sill: '0in' });
    const [before, after] = [work(stepped([])), work(stepped([across]))];
    const { concrete } = after.openings.placed[0] ?? {};
    if (!concrete) throw new Error('not placed');
    const low = toInches((inches(240) - concrete.from) as Length);
    const high = toInches((concrete.to - inches(240)) as Length);
    const out = low * 81.5 * 8 + high * (81.5 - 32) * 8;
    expect(cubicInches(before) - cubicInches(after)).toBeCloseTo(out, 3);
  });
});

describe('in other walls', () => {
  it('of cell blocks takes its share of the maker’s volume by the face of the blocks', () => {
    const cells = { family: 'cell-24', core: '6in' };
    const opening = openingOf({ width: '48in', height: '24in', sill: '24in', buck: 'form-scrap' });
    const [before, after] = [work(rectangle([], cells)), work(rectangle([opening], cells))];
    const hole = after.openings.placed[0]?.hole;
    const family = findFamily('cell-24');
    if (!hole || family?.kind !== 'cell') throw new Error('no cells');
    const blocks = (48 * 24) / (toInches(family.blockLength) * toInches(family.courseHeight));
    expect(before.tally.total.coreVolume.value - after.tally.total.coreVolume.value).toBeCloseTo(
      blocks * family.volumePerBlock,
      9,
    );
  });

  it('of two thicknesses displaces by its own wall’s core', () => {
    const opening = openingOf({ sill: '32in', wall: 'w2', at: '100in' });
    const thick = (openings: readonly Opening[]): Plan =>
      withRow(rectangle(openings), 'w2', { core: '10in' });
    const out = cubicInches(work(thick([]))) - cubicInches(work(thick([opening])));
    expect(out).toBeCloseTo(39 * 51 * 10, 3);
  });

  it('of a metric job is whole millimetres', () => {
    const opening = openingOf({
      at: '2000mm',
      width: '900mm',
      height: '1200mm',
      sill: '800mm',
      buck: 'foam',
    });
    const worked = work(
      planOf(RECTANGLE, {
        ...withCourses(8),
        units: 'metric',
        openings: [opening],
        bucks: { foam: { thickness: '50mm' } },
      }),
    );
    expect(worked.openings.placed[0]?.hole).toMatchObject({
      from: millimetres(1950),
      to: millimetres(2950),
      bottom: millimetres(750),
      top: millimetres(2050),
    });
  });

  it('of an arc is told along its longer face, and says that its buck is bent', () => {
    const sides: readonly Side[] = [
      [240, 90],
      [240, 90],
      [480, 90],
      [240, 90],
    ];
    const plan = planOf(sides, { ...withCourses(6), openings: [openingOf({ at: '100in', sill: '32in' })] });
    const curved = withRow(plan, 'w1', { curve: { radius: '20ft', sweep: 'right 40' } });
    const worked = work({
      ...curved,
      loops: curved.loops.map((loop) => ({ ...loop, closed: false, walk: loop.walk.slice(0, 1) })),
    });
    const wall = wallsOf(worked.shell)[0];
    expect(wall?.curve).not.toBeNull();
    expect(worked.openings.placed[0]?.worked).toBe(true);
    expect(worked.notices.some((notice) => notice.id.startsWith('opening-on-curve'))).toBe(true);
    const bare = work({
      ...curved,
      openings: [],
      loops: curved.loops.map((loop) => ({ ...loop, closed: false, walk: loop.walk.slice(0, 1) })),
    });
    // The middle of the core is shorter than the longer face: 39 in of it are displaced by as much less.
    const out = (bare.tally.total.coreVolume.value - worked.tally.total.coreVolume.value) / 0.0254 ** 3;
    const { outside = 0, inside = 0 } = wall?.curve ?? {};
    expect(out).toBeCloseTo(39 * 51 * 8 * ((outside + inside) / 2 / Math.max(outside, inside)), 1);
  });
});

describe('the courses round openings', () => {
  it('keep joints and webs of the whole row in line, above, below and beside', () => {
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 360 }), fc.integer({ min: 0, max: 40 }), (at, sill) => {
        const bare = work(rectangle([], { rules: { 'courses.filler.place': 'middle' } }));
        const opened = work(
          rectangle([openingOf({ at: `${String(at)}in`, sill: `${String(sill)}in` })], {
            rules: { 'courses.filler.place': 'middle' },
          }),
        );
        const hole = opened.openings.placed[0]?.hole;
        if (!hole) throw new Error('not placed');
        const webs = (plan: WorkedPlan, course: number): ReadonlySet<number> =>
          new Set(
            plan.courses.pieces.flatMap((piece) =>
              piece.kind !== 'corner' && piece.wall === 'w1' && piece.course === course
                ? piece.webs.map((web) => piece.start + web)
                : [],
            ),
          );
        for (let course = 1; course <= 8; course++) {
          const before = webs(bare, course);
          // Two blocks beside the opening may share a flimsy rest: only there may webs shift.
          const far = [...webs(opened, course)].filter(
            (web) => web < hole.from - inches(60) || web > hole.to + inches(60),
          );
          for (const web of far) expect(before.has(web)).toBe(true);
        }
      }),
      { numRuns: 25 },
    );
  });

  it('go on between two openings, one over the other, and past a corner’s leg', () => {
    const stacked = work(
      rectangle([
        openingOf({ at: '40in', width: '30in', height: '20in', sill: '20in' }),
        openingOf({ id: 'b', at: '40in', width: '30in', height: '50in', sill: '60in' }),
      ]),
    );
    expect(stacked.openings.placed.every((each) => each.worked)).toBe(true);
    const legs = stacked.courses.pieces.flatMap((piece) =>
      piece.kind === 'corner' && piece.corner === 'A' ? [toInches(piece.legAfter)] : [],
    );
    // Holes from 38 1/2 in: only the long legs of 40 in are cut, where an opening takes the whole course.
    expect(legs.every((leg) => leg === 24 || leg === 40 || leg === 38.5)).toBe(true);
    expect(legs).toContain(38.5);
    const beyond = work(rectangle([openingOf({ at: '16in', width: '8in', height: '48in', sill: '32in' })]));
    const filled = beyond.courses.pieces.filter(
      (piece) =>
        piece.kind === 'cut' && piece.wall === 'w1' && piece.course === 4 && piece.start < inches(48),
    );
    // What the vent parts from the leg of 40 in is filled from a block of the wall's own.
    expect(filled.map((piece) => (piece.kind === 'cut' ? toInches(piece.start) : 0))).toContain(25.5);
  });

  it('leave lucky lengths to walls without openings', () => {
    const opened = work(planOf(HATCHERY, { ...withCourses(7), openings: [openingOf({ sill: '32in' })] }));
    const walls = opened.lucky.flatMap((lucky) => lucky.changes.map((change) => change.wall));
    expect(walls).not.toContain('w1');
  });

  it('say in the tally what is left of every count', () => {
    const openings = [
      openingOf({ sill: '32in' }),
      openingOf({ id: 'b', kind: 'round-top', wall: 'w3', sill: '32in', width: '60in' }),
    ];
    const worked = work(rectangle(openings));
    const laid = (kind: string): number =>
      worked.courses.pieces.filter((piece) => piece.kind === kind).length;
    expect(worked.tally.total.straight.value).toBe(laid('straight'));
    expect(worked.tally.total.cut.value).toBe(laid('cut'));
    for (const row of worked.tally.courses) {
      expect(evaluate(row.coreVolume.how)).toBeCloseTo(row.coreVolume.value, 12);
    }
    const bought = worked.tally.total.blocksBought.value;
    const { opened, ripped, byCore } = worked.courses.offcuts;
    expect(bought).toBe(opened + ripped + byCore.reduce((sum, own) => sum + own.whole, 0));
    // Foam is bought for the walls less their holes, and never less than that.
    const face = worked.courses.pieces.length;
    expect(face).toBeGreaterThan(0);
    const holes = worked.openings.placed.reduce(
      (sum, each) => sum + areaWithin(each.hole, { ...each.hole }),
      0,
    );
    expect(holes).toBeGreaterThan(0);
    expect(bought).toBeLessThanOrEqual(work(rectangle([])).tally.total.blocksBought.value);
  });
});

describe('a common seam', () => {
  const door = openingOf({ kind: 'door', at: '200in', width: '60in', height: '96in', sill: '0in' });
  const plan = rectangle([door]);
  const worked = work(plan);
  const fill = worked.courses.fills[0];
  const family = findFamily('module-48');
  if (!fill || !family) throw new Error('no fill');
  const rules = cutRulesOf(systemOf(family), houseRules());

  it('is drawn into an opening within reach, and keeps to cut marks elsewhere', () => {
    const holes = seamHoles(worked.openings.placed);
    const [hole] = holes;
    if (!hole) throw new Error('no hole');
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 420 }), (wanted) => {
        const at = snapSeam({
          fill,
          length: inches(480),
          wanted: inches(wanted),
          rules,
          within: inches(24),
          holes,
        });
        if (at === null) throw new Error('no room');
        const reached = inches(wanted) + inches(24) >= hole.from && inches(wanted) - inches(24) <= hole.to;
        if (reached) expect(at >= hole.from && at <= hole.to).toBe(true);
        else expect(Number.isInteger(toInches((at - fill.odd.start) as Length))).toBe(true);
      }),
    );
  });

  it('within an opening cuts only the courses over and under it', () => {
    const seamed = work(withRow(plan, 'w1', { bond: { kind: 'seam', at: '230in' } }));
    const cutIn = (course: number): number =>
      seamed.courses.pieces.filter(
        (piece) =>
          piece.kind !== 'corner' &&
          piece.wall === 'w1' &&
          piece.course === course &&
          piece.start + piece.length === inches(230),
      ).length;
    // The hole reaches up to 97 1/2 in: courses 1 to 6 have no joint at the seam, 7 and 8 do.
    expect([1, 2, 3, 4, 5, 6, 7, 8].map(cutIn)).toEqual([0, 0, 0, 0, 0, 0, 1, 1]);
    const strapped = seamed.courses.weakJoints.filter((joint) => joint.reasons.includes('seam'));
    expect(strapped.map((joint) => joint.course)).toEqual([7, 8]);
  });

  it('is put into openings when plans are set side by side', () => {
    const seams = manners(plan).find((manner) => manner.id === 'seams');
    const changed = seams ? applyEdit(plan, seams.edit) : plan;
    const at = work(changed).courses.fills[0]?.seam ?? (0 as Length);
    const hole = worked.openings.placed[0]?.hole;
    expect(at >= (hole?.from ?? 0) && at <= (hole?.to ?? 0)).toBe(true);
  });
});

describe('the order', () => {
  it('of panels leaves ties out of openings and has split ones beside bucks', () => {
    const panels = { family: 'panel-48', core: '8in' };
    // A hole of 39 × 51 in from 12 in up: rows of ties at 24, 36 and 48 in run into it, those at 12 and 60 and more do not.
    const opening = openingOf({ at: '121.5in', width: '36in', height: '45in', sill: '13.5in' });
    const [before, after] = [rectangle([], panels), rectangle([opening], panels)];
    // 40 ft with a tie a foot: 41 along the whole row; 10 ft and 26 ft 9 in beside the hole: 11 and 27.
    expect(needed(before, 'ties') - needed(after, 'ties')).toBe(3 * (41 - 11 - 27));
    // Courses of 12 in from 12 to 60 in: four, with a jamb on either side.
    expect(needed(after, 'split-ties')).toBe(2 * 4);
  });

  it('of a pour has the bucks whose foot lies in it', () => {
    const plan: Plan = {
      ...rectangle([
        openingOf({ sill: '20in' }),
        openingOf({ id: 'b', at: '300in', height: '20in', sill: '100in' }),
      ]),
      pours: [
        { id: 'low', toCourse: 4, top: 'full' },
        { id: 'high', toCourse: 8, top: 'full' },
      ],
    };
    // 51 in and 39 in at 6 in: 36 a face; 23 in and 39 in: 26 a face.
    expect(needed(plan, 'buck-fasteners', 'low')).toBe(2 * (10 + 10 + 8 + 8));
    expect(needed(plan, 'buck-fasteners', 'high')).toBe(2 * (5 + 5 + 8 + 8));
    expect(needed(plan, 'buck-fasteners')).toBe(72 + 52);
  });
});
