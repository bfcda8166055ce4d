import { applyEdit } from '../../../src/plan';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Length, inches, showLength, storeLength, toInches } from '../../../src/kernel/measure';
import {
  areaOf,
  areaWithin,
  halfWidthAt,
  moveOpening,
  repeated,
  takenBetween,
} from '../../../src/stages/openings';
import { jointsOf, snapOpening } from '../../../src/stages/courses';
import type { Opening } from '../../../src/stages/openings/plan';
import type { Plan } from '../../../src/kernel/plan';
import { work } from '../../../src/work';
import reference from '../../data/trade-values.json';
import { openingOf } from '../../support/openings';
import { HATCHERY, planOf, withCourses } from '../../support/plans';

const planWith = (openings: readonly Opening[], change: Partial<Plan> = {}): Plan =>
  planOf(HATCHERY, { ...withCourses(7), openings, ...change });
const placedOf = (opening: Partial<Opening>, change: Partial<Plan> = {}) => {
  const [placed] = work(planWith([openingOf(opening)], change)).openings.placed;
  if (!placed) throw new Error('not placed');
  return placed;
};
const noticesOf = (plan: Plan) => work(plan).notices.filter((notice) => notice.place.stage === 'openings');
const kinds = (plan: Plan): readonly string[] =>
  noticesOf(plan)
    .map((notice) => notice.id.split(':')[0] ?? '')
    .filter((kind) => kind.startsWith('opening-'));

// Source: ../data/trade-values.json, common practice.
describe.each(reference.foamOpening)('a $roughIn in opening with a $buckIn in buck', (each) => {
  it(`wants a hole of ${String(each.foamIn)} in`, () => {
    const placed = placedOf({
      width: `${String(each.roughIn)}in`,
      height: `${String(each.roughIn)}in`,
      sill: '32in',
      buck: 'foam',
    });
    expect(placed.buck.thickness).toBe(inches(each.buckIn));
    expect(placed.hole.to - placed.hole.from).toBe(inches(each.foamIn));
    expect(placed.hole.top - placed.hole.bottom).toBe(inches(each.foamIn));
    expect(placed.concrete).toEqual(placed.hole);
  });
});

describe('three sizes', () => {
  it('follow the kind of buck: end caps stand between the panels, so the hole is the rough opening', () => {
    const caps = placedOf({ sill: '32in', buck: 'form-scrap' });
    expect(toInches((caps.hole.to - caps.hole.from) as Length)).toBe(36);
    expect(toInches((caps.concrete.to - caps.concrete.from) as Length)).toBe(36 + 2 * 2.5);
    const lumber = placedOf({ sill: '32in' });
    expect(toInches((lumber.hole.to - lumber.hole.from) as Length)).toBe(39);
  });

  it('have no sill where a door stands, and no head where the wall ends', () => {
    const door = placedOf({ kind: 'door', height: '80in' });
    expect([door.finished.bottom, door.hole.bottom, door.hole.top]).toEqual([0, 0, inches(81.5)]);
    const open = placedOf({ height: '60in', sill: '60in' });
    expect(open.openTop).toBe(true);
    expect(open.hole.top).toBe(open.finished.top);
  });

  it('take figures of the job for a material, and refuse what cannot be', () => {
    const bucks = { lumber: { thickness: '1 3/4in' } };
    expect(placedOf({ sill: '32in' }, { bucks }).buck.thickness).toBe(inches(1.75));
    const plan = planWith([openingOf({ sill: '32in' })], { bucks: { lumber: { thickness: '3ft' } } });
    const [notice] = noticesOf(plan);
    expect(notice?.id).toMatch(/^opening-buck-figure/);
    const mended = applyEdit(plan, notice?.fixes[0]?.edit ?? { kind: 'all', edits: [] });
    expect([mended.bucks, noticesOf(mended)]).toEqual([undefined, []]);
  });

  it('keep a round top concentric', () => {
    const round = placedOf({ kind: 'round-top', width: '48in', height: '60in', sill: '20in', buck: 'foam' });
    expect(round.finished.rise).toBe(inches(24));
    // The outside of a half round is a half round: its rise grows with its half width.
    expect(round.hole.rise).toBe(inches(26));
    const flat = placedOf({
      kind: 'round-top',
      width: '48in',
      height: '60in',
      sill: '20in',
      rise: '6in',
      buck: 'foam',
    });
    // Radius 24²/(2·6) + 6/2 = 51 in; outside 53 in over a half width of 26: it springs √(53² − 26²) above the centre.
    expect(toInches(flat.hole.rise)).toBeCloseTo(53 - Math.sqrt(53 ** 2 - 26 ** 2), 6);
  });
});

describe('where an opening lies', () => {
  it('is told from either corner, to its near side or its centre', () => {
    const from = (change: Partial<Opening>): number =>
      toInches(placedOf({ sill: '32in', ...change }).finished.from);
    expect(from({ at: '100in' })).toBe(100);
    expect(from({ at: '100in', to: 'centre' })).toBe(82);
    expect(from({ at: '100in', from: 'end' })).toBe(528 - 100 - 36);
    expect(from({ at: '100in', from: 'end', to: 'centre' })).toBe(528 - 100 - 18);
  });

  it('follows the face that the job measures to', () => {
    // Measured to the concrete, the form's face starts a panel earlier.
    expect(toInches(placedOf({ at: '100in', sill: '32in' }, { measuredTo: 'concrete' }).finished.from)).toBe(
      102.5,
    );
  });

  it('stands by its sill, its head, or on the footing', () => {
    expect(placedOf({ sill: '30in' }).finished.bottom).toBe(inches(30));
    expect(placedOf({ head: '80in' }).finished.bottom).toBe(inches(32));
    expect(placedOf({ kind: 'door' }).finished.bottom).toBe(0);
  });

  it('is kept and told when its wall goes, and worked again when it comes back', () => {
    const plan = planWith([openingOf({ sill: '32in' })]);
    const gone = applyEdit(plan, { kind: 'remove-row', row: 'w1' });
    expect(gone.openings).toEqual(plan.openings);
    expect(kinds(gone)).toContain('opening-wall-gone');
    const moved = applyEdit(plan, { kind: 'set-opening', opening: 'opening-1', change: { wall: 'w5' } });
    expect(work(moved).openings.placed[0]?.wallName).toBe('E–F');
  });

  it('is left out, said so, and nothing breaks, wherever it cannot be', () => {
    const at = (change: Partial<Opening>): readonly string[] => kinds(planWith([openingOf(change)]));
    expect(at({ at: 'twelve', sill: '32in' })).toEqual(['opening-unreadable']);
    expect(at({ height: '', sill: '32in' })).toEqual(['opening-unreadable']);
    expect(at({ at: '510in', sill: '32in' })).toEqual(['opening-off-wall']);
    expect(at({ sill: '-10in' })).toEqual(['opening-below-footing']);
    expect(at({ sill: '120in' })).toEqual(['opening-above-wall']);
    expect(at({ sill: '80in', height: '48in' })).toEqual(['opening-open-top']);
    const twice = planWith([
      openingOf({ sill: '32in' }),
      openingOf({ id: 'opening-2', at: '236in', sill: '32in' }),
    ]);
    expect(kinds(twice)).toEqual(['opening-overlaps']);
    expect(work(twice).openings.placed.map((each) => each.worked)).toEqual([true, false]);
  });

  it('says when a pier is short, when a head misses a door’s, and offers the way out', () => {
    const plan = planWith([
      openingOf({ kind: 'door', at: '200in', height: '80in', sill: '0in' }),
      openingOf({ id: 'opening-2', at: '250in', head: '82in' }),
    ]);
    expect([...kinds(plan)].sort()).toEqual(['opening-not-lined-through', 'opening-short-pier']);
    const pier = work(plan).courses.weakJoints.filter((joint) => joint.reasons.includes('pier'));
    // The door's own height: courses 1 to 6.
    expect(pier.map((joint) => joint.course)).toEqual([1, 2, 3, 4, 5, 6]);
    const fix = noticesOf(plan).find((notice) => notice.id.includes('not-lined'))?.fixes[0];
    const lined = applyEdit(plan, fix?.edit ?? { kind: 'all', edits: [] });
    expect(work(lined).openings.placed[1]?.finished.top).toBe(inches(80));
    expect(lined.openings?.[1]).not.toHaveProperty('sill');
  });

  it('counts the pier to a corner though something lower stands between', () => {
    const low = openingOf({ at: '15in', width: '3in', height: '8in', sill: '4in' });
    const high = openingOf({ id: 'opening-2', at: '22in', sill: '48in' });
    const piers = (openings: readonly Opening[]) =>
      work(planWith(openings)).openings.problems.flatMap((each) =>
        each.kind === 'short-pier' ? [[each.opening, each.beyond]] : [],
      );
    expect(piers([high])).toEqual([['opening-2', 'corner A']]);
    expect(piers([low, high])).toEqual([
      ['opening-1', 'corner A'],
      ['opening-2', 'corner A'],
    ]);
    // At one height only the nearer of the two has a pier to the corner.
    expect(piers([low, { ...high, sill: '4in' }])).toEqual([
      ['opening-1', 'corner A'],
      ['opening-1', 'Window 2'],
    ]);
  });

  it('puts boards over a wide head on the strap list', () => {
    const wide = work(
      planWith([openingOf({ kind: 'garage', at: '150in', width: '120in', height: '84in', sill: '0in' })]),
    );
    const boards = wide.courses.weakJoints.find((joint) => joint.reasons.includes('wide-head'));
    // The head lies 85 1/2 in up, in course 6; boards run 24 in past the hole of 123 in.
    expect([boards?.course, boards?.boards]).toEqual([
      6,
      { from: inches(150 - 1.5 - 24), to: inches(150 + 121.5 + 24) },
    ]);
  });
});

describe('a shape', () => {
  const shape = { from: inches(100), to: inches(160), bottom: inches(20), top: inches(80), rise: inches(18) };

  it('has the area that a fine sum of strips has, wherever it is cut', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 80, max: 180 }),
        fc.integer({ min: 0, max: 100 }),
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 1, max: 60 }),
        (from, bottom, wide, high) => {
          const rect = {
            from: inches(from),
            to: inches(from + wide),
            bottom: inches(bottom),
            top: inches(bottom + high),
          };
          const strips = 4000;
          let sum = 0;
          for (let strip = 0; strip < strips; strip++) {
            const height = rect.bottom + ((strip + 0.5) * (rect.top - rect.bottom)) / strips;
            if (height < shape.bottom || height > shape.top) continue;
            const half = halfWidthAt(shape, height);
            const left = Math.max(rect.from, inches(130) - half);
            const right = Math.min(rect.to, inches(130) + half);
            sum += Math.max(0, right - left) * ((rect.top - rect.bottom) / strips);
          }
          expect(areaWithin(shape, rect)).toBeCloseTo(sum / 1e18, 3);
          expect(areaWithin(shape, rect)).toBeLessThanOrEqual(areaOf(rect) + 1e-9);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('takes a course away only where it does so from foot to top', () => {
    expect(takenBetween(shape, inches(20), inches(36))).toEqual({ from: inches(100), to: inches(160) });
    expect(takenBetween(shape, inches(10), inches(26))).toBeNull();
    // In the round top the chord at the course's top is what is gone.
    const chord = takenBetween(shape, inches(60), inches(76));
    expect(toInches(((chord?.to ?? 0) - (chord?.from ?? 0)) as Length)).toBeCloseTo(
      (2 * halfWidthAt(shape, inches(76))) / 25_400_000,
      6,
    );
  });
});

describe('moving', () => {
  const worked = work(planWith([openingOf({ at: '202in', sill: '33in' })]));
  const [placed] = worked.openings.placed;
  if (!placed) throw new Error('not placed');
  const joints = jointsOf(worked.courses.pieces, 'w1');
  const none = 0 as Length;

  it('is drawn to a joint and a course line within reach, and to nothing without', () => {
    const reach = inches(8);
    const move = snapOpening({
      opening: placed,
      wanted: { along: none, up: none },
      joints,
      levels: worked.levels,
      heads: [],
      reach,
    });
    const edges = [placed.hole.from + move.along, placed.hole.to + move.along];
    expect(move.toJoint && edges.some((edge) => joints.includes(edge as Length))).toBe(true);
    // The hole's foot stands 31 1/2 in up: half an inch lifts it to course 3's line.
    expect([move.toLine, move.up]).toEqual([true, inches(0.5)]);
    const free = snapOpening({
      opening: placed,
      wanted: { along: inches(3), up: none },
      joints,
      levels: worked.levels,
      heads: [],
      reach: none,
    });
    expect([free.along, free.up]).toEqual([inches(3), 0]);
  });

  it('is drawn to other heads', () => {
    const head = (placed.finished.top + inches(2)) as Length;
    const move = snapOpening({
      opening: placed,
      wanted: { along: none, up: none },
      joints: [],
      levels: { tops: [] },
      heads: [head],
      reach: inches(3),
    });
    expect(move.up).toBe(inches(2));
  });

  it('keeps the corner and the edge that the opening is told by', () => {
    const said = openingOf({ at: '202in', from: 'end', head: '81in' });
    expect(moveOpening(said, placed, { along: inches(5), up: inches(2) }, 'imperial')).toEqual({
      at: storeLength(inches(197), 'imperial'),
      head: storeLength(inches(83), 'imperial'),
    });
    const door = openingOf({ kind: 'door', at: '202in' });
    expect(moveOpening(door, placed, { along: none, up: inches(2) }, 'imperial')).toEqual({
      sill: '2ft 11in',
    });
    expect(showLength(placed.finished.bottom, 'imperial')).toBe('2′ 9″');
  });

  it('repeats at a spacing, each with a place of its own', () => {
    const copies = repeated(openingOf({ name: 'Bay', at: '100in' }), 2, inches(60), 'imperial');
    expect(copies.map((each) => [each.name, each.at])).toEqual([
      ['Bay 2', '13ft 4in'],
      ['Bay 3', '18ft 4in'],
    ]);
    const plan = applyEdit(planWith([openingOf({ at: '100in', sill: '32in' })]), {
      kind: 'add-openings',
      openings: repeated(openingOf({ at: '100in', sill: '32in' }), 2, inches(60), 'imperial'),
    });
    expect(new Set(plan.openings?.map((each) => each.id)).size).toBe(3);
    expect(work(plan).openings.placed.every((each) => each.worked)).toBe(true);
  });
});
