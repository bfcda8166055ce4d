import { type Insert, INSERT_KINDS } from '../../../src/stages/inserts/plan';
import { applyEdit } from '../../../src/plan';
import { houseRules } from '../../../src/rules';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type FillerCourse,
  type Segment,
  cutRulesOf,
  cutRun,
  hidingPlaces,
  stretchesOf,
} from '../../../src/stages/courses';
import { findFamily, systemOf } from '../../../src/kernel/forms';
import { readInsertsFile, writeInsertsFile } from '../../../src/stages/inserts';
import { type Length, inches, storeLength, toInches, ZERO } from '../../../src/kernel/measure';
import {
  type PlacedOpening,
  grown,
  halfWidthAt,
  moveOpening,
  readOpeningsFile,
  takenBetween,
  writeOpeningsFile,
} from '../../../src/stages/openings';
import { type Opening, BUCK_KINDS, OPENING_KINDS } from '../../../src/stages/openings/plan';
import { work } from '../../../src/work';
import { openingOf } from '../../support/openings';
import { HATCHERY, planOf, withCourses } from '../../support/plans';

const lengthText = fc
  .integer({ min: 1, max: 16 * 400 })
  .map((sixteenths) => storeLength(inches(sixteenths / 16), 'imperial'));
const name = fc.constantFrom('Kitchen', 'North, high', 'The “old” door', 'a;b');
const maybe = <Value>(key: string, of: fc.Arbitrary<Value>): fc.Arbitrary<Record<string, Value>> =>
  fc.oneof(
    fc.constant({}),
    of.map((value) => ({ [key]: value })),
  );

const anyOpening: fc.Arbitrary<Omit<Opening, 'id'>> = fc
  .tuple(
    fc.record({
      kind: fc.constantFrom(...OPENING_KINDS),
      wall: fc.integer({ min: 1, max: 6 }).map((wall) => `w${String(wall)}`),
      from: fc.constantFrom('start' as const, 'end' as const),
      to: fc.constantFrom('near' as const, 'centre' as const),
      at: lengthText,
      width: lengthText,
      height: lengthText,
    }),
    maybe('name', name),
    fc.oneof(maybe('sill', lengthText), maybe('head', lengthText)),
    maybe('rise', lengthText),
    maybe('buck', fc.constantFrom(...BUCK_KINDS)),
    maybe(
      'threshold',
      fc
        .tuple(
          fc.record({ kind: fc.constantFrom('slab-over' as const, 'slab-inside' as const) }),
          maybe('depth', lengthText),
          maybe('tongue', fc.constantFrom('dowels', 'crack-bar', 'saw-cut')),
          maybe('truck', fc.constantFrom('slab', 'wall')),
        )
        .map((parts) => Object.assign({}, ...parts) as NonNullable<Opening['threshold']>),
    ),
  )
  .map((parts) => Object.assign({}, ...parts) as Omit<Opening, 'id'>);

const anyInsert: fc.Arbitrary<Omit<Insert, 'id'>> = fc
  .tuple(
    fc.record({
      kind: fc.constantFrom(...INSERT_KINDS),
      wall: fc.integer({ min: 1, max: 6 }).map((wall) => `w${String(wall)}`),
      from: fc.constantFrom('start' as const, 'end' as const),
      at: lengthText,
      up: lengthText,
    }),
    maybe('name', name),
    maybe('size', lengthText),
    maybe('height', lengthText),
    maybe('depth', lengthText),
    maybe('length', lengthText),
    maybe('spacing', lengthText),
    maybe('rows', fc.integer({ min: 1, max: 6 })),
    maybe('face', fc.constantFrom('inside', 'outside')),
    maybe('fall', lengthText),
    maybe('fixing', fc.constantFrom('cast', 'drilled')),
  )
  .map((parts) => Object.assign({}, ...parts) as Omit<Insert, 'id'>);

describe('files of openings and inserts', () => {
  const { shell } = work(planOf(HATCHERY));

  it('come back as they went out, whatever is in them', () => {
    fc.assert(
      fc.property(
        fc.array(anyOpening, { minLength: 1, maxLength: 8 }),
        fc.array(anyInsert, { minLength: 1, maxLength: 8 }),
        (openings, inserts) => {
          const withIds = openings.map((each, index) => ({ ...each, id: String(index) }));
          const read = readOpeningsFile(writeOpeningsFile(withIds, shell, 'imperial'), shell, 'imperial');
          expect(read).toEqual({ ok: true, openings });
          const insertIds = inserts.map((each, index) => ({ ...each, id: String(index) }));
          const back = readInsertsFile(writeInsertsFile(insertIds, shell, 'imperial'), shell, 'imperial');
          expect(back).toEqual({ ok: true, inserts });
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('moving an opening', () => {
  it('moves it just so far, however it is told, and back again', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('start' as const, 'end' as const),
        fc.constantFrom('near' as const, 'centre' as const),
        fc.constantFrom<Partial<Opening>>({ sill: '30in' }, { head: '80in' }),
        fc.integer({ min: -16 * 60, max: 16 * 60 }),
        fc.integer({ min: -16 * 8, max: 16 * 8 }),
        (from, to, told, along, up) => {
          const said = openingOf({ at: '220in', from, to, ...told });
          const plan = planOf(HATCHERY, { ...withCourses(7), openings: [said] });
          const placed = work(plan).openings.placed[0] as PlacedOpening;
          const by = [inches(along / 16), inches(up / 16)] as const;
          const moved = applyEdit(plan, {
            kind: 'set-opening',
            opening: said.id,
            change: moveOpening(said, placed, { along: by[0], up: by[1] }, 'imperial'),
          });
          const after = work(moved).openings.placed[0] as PlacedOpening;
          expect(after.finished.from - placed.finished.from).toBe(by[0]);
          expect(after.finished.bottom - placed.finished.bottom).toBe(by[1]);
          const [opening] = moved.openings ?? [];
          if (!opening) throw new Error('gone');
          const back = moveOpening(
            opening,
            after,
            { along: (0 - by[0]) as Length, up: (0 - by[1]) as Length },
            'imperial',
          );
          const home = applyEdit(moved, { kind: 'set-opening', opening: said.id, change: back });
          expect(work(home).openings.placed[0]?.finished).toEqual(placed.finished);
        },
      ),
      { numRuns: 40 },
    );
  });
});

/** A hole in a wall, as the courses see it. */
const hole = (from: number, to: number, bottom: number, top: number, rise = 0): PlacedOpening => {
  const placed = work(
    planOf(HATCHERY, {
      ...withCourses(7),
      openings: [openingOf({ sill: '32in', buck: 'form-scrap' })],
    }),
  ).openings.placed[0] as PlacedOpening;
  const shape = {
    from: inches(from),
    to: inches(to),
    bottom: inches(bottom),
    top: inches(top),
    rise: inches(rise),
  };
  return { ...placed, hole: shape, concrete: shape, finished: shape };
};

describe('stretches beside openings', () => {
  const segment: Segment = {
    from: ZERO,
    to: inches(480),
    bottom: inches(16),
    top: inches(32),
    start: 'wall-end',
    end: 'wall-end',
  };

  it('and the openings between them are the whole segment, in order, each once', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: -20, max: 480 }), fc.integer({ min: 1, max: 120 })), {
          maxLength: 5,
        }),
        (list) => {
          const holes = list.map(([from, wide]) => hole(from, from + wide, 0, 100));
          const left = stretchesOf([segment], holes);
          let at: number = segment.from;
          for (const stretch of left) {
            expect(stretch.from).toBeGreaterThanOrEqual(at);
            expect(stretch.to).toBeGreaterThan(stretch.from);
            expect(stretch.start).toBe(stretch.from === segment.from ? 'wall-end' : 'opening');
            expect(stretch.end).toBe(stretch.to === segment.to ? 'wall-end' : 'opening');
            at = stretch.to;
          }
          for (let inch = 0; inch < 480; inch++) {
            const middle = inches(inch + 0.5);
            const open = holes.some((each) => each.hole.from < middle && middle < each.hole.to);
            expect(left.some((each) => each.from < middle && middle < each.to)).toBe(!open);
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('are whole where an opening only reaches into the course', () => {
    expect(stretchesOf([segment], [hole(100, 200, 20, 100)])).toEqual([segment]);
    expect(stretchesOf([segment], [hole(100, 200, 0, 30)])).toEqual([segment]);
  });
});

describe('a round top', () => {
  it('is narrower the higher, and what is taken at a height is the chord there', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 12, max: 120 }),
        fc.integer({ min: 1, max: 100 }),
        fc.integer({ min: 0, max: 40 }),
        (wide, share, thick) => {
          const rise = Math.max(1, Math.round((wide / 2) * (share / 100)));
          const { hole: shape } = hole(0, wide, 0, 100, rise);
          let last = Infinity;
          for (let up = 0; up <= 100; up += 4) {
            const half = halfWidthAt(shape, inches(up));
            expect(half).toBeLessThanOrEqual(last + 1);
            last = half;
          }
          const taken = takenBetween(shape, ZERO, inches(99));
          const chord = 2 * halfWidthAt(shape, inches(99));
          expect(Math.abs((taken ? taken.to - taken.from : 0) - chord)).toBeLessThanOrEqual(2);
          // A buck of any thickness stays concentric: its outside is everywhere as far off.
          const outer = grown(shape, inches(thick), inches(thick), ZERO);
          const radius = (inner: typeof shape): number => {
            const width = (inner.to - inner.from) / 25_400_000;
            const up = toInches(inner.rise);
            return (width * width) / 4 / (2 * up) + up / 2;
          };
          expect(radius(outer)).toBeCloseTo(radius(shape) + thick, 3);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('places that hide a filler', () => {
  const family = findFamily('module-48');
  if (!family) throw new Error('no family');
  const rules = cutRulesOf(systemOf(family), houseRules());
  const run = inches(464);
  const cuts = { odd: cutRun(run, rules), even: cutRun(run, rules) };
  const from = { odd: inches(40), even: inches(24) };
  const courses = Array.from({ length: 6 }, (_, index): FillerCourse => ({
    parity: index % 2 === 0 ? 'odd' : 'even',
    bottom: inches(16 * index),
    top: inches(16 * index + 16),
  }));

  it('lie within an opening’s width in some course, and away from the corners', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 480 }), fc.integer({ min: 20, max: 120 }), (at, wide) => {
        const opening = hole(at, at + wide, 20, 70);
        for (const before of hidingPlaces({
          from,
          cuts,
          block: rules.block,
          courses,
          holes: [opening],
          beside: 1,
        })) {
          expect(before).toBeGreaterThanOrEqual(1);
          expect(before).toBeLessThanOrEqual(cuts.odd.whole - 1);
          const hides = (['odd', 'even'] as const).some((parity) => {
            const start = from[parity] + before * rules.block;
            return start >= opening.hole.from && start + inches(32) <= opening.hole.to;
          });
          expect(hides).toBe(true);
        }
      }),
    );
  });

  it('are first the one where it disappears in the most courses', () => {
    // After three blocks it stands at 184 or 168 in: the wide hole hides both, the narrow one further on only one.
    const [best] = hidingPlaces({
      from,
      cuts,
      block: rules.block,
      courses,
      holes: [hole(160, 220, 0, 96), hole(325, 362, 0, 96)],
      beside: 1,
    });
    expect(best).toBe(3);
    expect(hidingPlaces({ from, cuts, block: rules.block, courses, holes: [], beside: 1 })).toEqual([]);
  });
});
