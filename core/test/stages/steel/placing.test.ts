import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Length, inches, toInches } from '../../../src/kernel/measure';
import type { Opening } from '../../../src/stages/openings/plan';
import type { Plan } from '../../../src/kernel/plan';
import { wallsOf } from '../../../src/stages/outline';
import { type Bar, type Steel, barSize, standardHook } from '../../../src/stages/steel';
import { type WorkedPlan, work } from '../../../src/work';
import { openingOf } from '../../support/openings';
import { type Side, planOf, rectilinear, withCourses } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];
const plan = (change: Partial<Plan> = {}): Plan => planOf(RECTANGLE, { ...withCourses(8), ...change });
const of = (steel: Steel, use: Bar['use'], wall?: string): readonly Bar[] =>
  steel.bars.filter((bar) => bar.use === use && (wall === undefined || bar.wall === wall));
const kinds = (steel: Steel): readonly string[] => steel.problems.map(({ kind }) => kind);
const diameterOf = (bar: Bar): number => toInches(barSize(bar.size)?.diameter ?? (0 as Length));

/** Openings of a wall in two rows, one above the other, at any places. */
const windows = (width: number): fc.Arbitrary<readonly Opening[]> =>
  fc
    .array(
      fc.record({
        at: fc.integer({ min: 30, max: 430 }),
        width: fc.integer({ min: 16, max: width }),
        row: fc.integer({ min: 0, max: 1 }),
      }),
      { minLength: 1, maxLength: 5 },
    )
    .map((list) =>
      list.map((each, index) =>
        openingOf({
          id: `o${String(index)}`,
          at: `${String(each.at)}in`,
          width: `${String(each.width)}in`,
          height: '30in',
          sill: each.row === 0 ? '20in' : '74in',
        }),
      ),
    );

/**
 * Length of a bar's middle line, found by walking it: the two legs to where their outer faces meet, the corner rounded by the
 * bend's middle radius in many short steps.
 */
function walkedLength(legs: readonly [number, number], degrees: number, diameter: number): number {
  const middle = 3 * diameter + diameter / 2;
  const turn = (degrees * Math.PI) / 180;
  // Both tangents end where the outer faces are straight again.
  const tangent = (3 * diameter + diameter) * Math.tan(turn / 2);
  let arc = 0;
  const steps = 20_000;
  let [x, y] = [0, 0];
  for (let step = 1; step <= steps; step += 1) {
    const angle = (turn * step) / steps;
    const [nextX, nextY] = [middle * Math.sin(angle), middle * (1 - Math.cos(angle))];
    arc += Math.hypot(nextX - x, nextY - y);
    [x, y] = [nextX, nextY];
  }
  return legs[0] - tangent + legs[1] - tangent + arc;
}

describe('bars that stand', () => {
  it('are never more than their spacing apart, and never so near that stone does not pass, or it is told', () => {
    fc.assert(
      fc.property(
        rectilinear(),
        fc.integer({ min: 10, max: 48 }),
        fc.constantFrom('#4', '#5', '#6'),
        fc.constantFrom('3/8', '3/4'),
        (sides, spacing, size, stone) => {
          const { steel } = work(
            planOf(sides, {
              ...withCourses(4),
              rules: {
                'steel.vertical.spacing': `${String(spacing)}in`,
                'steel.vertical.size': size,
                'pour.mix.stone': stone,
              },
            }),
          );
          // ACI 318-19 §25.2.1, from memory: an inch, the bar's diameter, 4/3 of the stone.
          const told = new Set(
            steel.problems.flatMap((each) => (each.kind === 'no-room' ? [each.wall] : [])),
          );
          for (const wall of new Set(steel.bars.map((bar) => bar.wall))) {
            const at = of(steel, 'vertical', wall).map((bar) => toInches(bar.from));
            at.forEach((place, index) => {
              const next = at[index + 1];
              if (next === undefined) return;
              if (!told.has(wall)) expect(next - place).toBeLessThanOrEqual(spacing + 1e-9);
              const diameter = toInches(barSize(size)?.diameter ?? (0 as Length));
              expect(next - place - diameter).toBeGreaterThanOrEqual(
                Math.max(1, diameter, stone === '3/4' ? 1 : 0.5) - 1e-6,
              );
            });
          }
        },
      ),
      { numRuns: 15 },
    );
  });

  it('of jambs have cover to every opening beside them, and stone between them', () => {
    fc.assert(
      fc.property(windows(90), (openings) => {
        const worked = work(plan({ openings }));
        const bars = worked.steel.bars.filter((bar) => bar.use === 'jamb' || bar.use === 'vertical');
        for (const bar of bars) {
          for (const { concrete, worked: stands } of worked.openings.placed) {
            if (!stands || bar.wall !== 'w1') continue;
            if (bar.top <= concrete.bottom || bar.bottom >= concrete.top) continue;
            const half = diameterOf(bar) / 2;
            const left = toInches(concrete.from) - toInches(bar.from) - half;
            const right = toInches(bar.from) - toInches(concrete.to) - half;
            expect(Math.max(left, right)).toBeGreaterThanOrEqual(2 - 1e-6);
          }
        }
        const places = [...new Set(bars.filter(({ wall }) => wall === 'w1').map((bar) => bar.from))].sort(
          (a, b) => a - b,
        );
        places.forEach((at, index) => {
          const next = places[index + 1];
          if (next !== undefined)
            expect(toInches((next - at) as Length)).toBeGreaterThanOrEqual(1.625 - 1e-6);
        });
      }),
      { numRuns: 25 },
    );
  });

  it('run through beside windows that stand above each other', () => {
    const openings = [
      openingOf({ id: 'low', at: '200in', width: '40in', height: '30in', sill: '20in' }),
      openingOf({ id: 'high', at: '200in', width: '40in', height: '30in', sill: '74in' }),
    ];
    const { steel } = work(plan({ openings }));
    const jambs = of(steel, 'jamb', 'w1');
    // Two to a side for both windows, each from the footing to the cover under the top; where webs leave room for one only, the
    // vertical that stands there anyway is the other.
    expect(jambs).toHaveLength(3);
    expect(kinds(steel)).not.toContain('no-room');
    for (const jamb of jambs) expect([toInches(jamb.bottom), toInches(jamb.top)]).toEqual([0, 126]);
  });

  it('out of half a block stand out of the concrete, and the next are lapped from there', () => {
    const pours: Plan['pours'] = [
      { id: 'low', toCourse: 4, top: 'half' },
      { id: 'high', toCourse: 8, top: 'full' },
    ];
    const bars = of(work(plan({ pours })).steel, 'vertical', 'w1');
    // Three courses and a half of 16 in: 56 in; 24 in out of it.
    expect(
      new Set(bars.map((bar) => `${String(toInches(bar.bottom))}–${String(toInches(bar.top))}`)),
    ).toEqual(new Set(['0–80', '56–126']));
  });
});

describe('bars that are bent', () => {
  it('turn as their corner turns, and are cut to the length that the bend leaves', () => {
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 70 }), fc.constantFrom('#4', '#5', '#6'), (turn, size) => {
        const sides: readonly Side[] = [
          [400, turn],
          [300, 90 - turn],
          [400, 90],
          [300, 90],
        ];
        // The walk need not come home square: only its corners matter.
        const closing = work(closedBy(sides, { 'steel.horizontal.size': size })).steel;
        const bars = of(closing, 'corner').filter((bar) => bar.corner === 'B');
        expect(bars.length).toBeGreaterThan(0);
        for (const bar of bars) {
          const [back = 0, leg = 0] = bar.legs.map(toInches);
          const exact = walkedLength([back, leg], turn, diameterOf(bar));
          expect(toInches(bar.cut)).toBeGreaterThanOrEqual(exact - 1e-6);
          expect(toInches(bar.cut)).toBeLessThan(exact + 0.25);
          expect(bar.bends).toEqual([turn]);
        }
      }),
      { numRuns: 20 },
    );
  });

  it('are told as bent otherwise than square in the schedule', () => {
    const { schedule } = work(
      closedBy(
        [
          [400, 45],
          [300, 45],
          [400, 90],
          [300, 90],
        ],
        {},
      ),
    ).steel;
    const corners = schedule.filter((line) => line.use === 'corner');
    expect(new Set(corners.map(({ shape }) => shape))).toEqual(new Set(['11', '15']));
    expect(new Set(corners.flatMap(({ bends }) => bends))).toEqual(new Set([45, 90]));
  });
});

/** A closed outline that begins with two sides, squared off. */
function closedBy([a, b]: readonly Side[], rules: Plan['rules']): Plan {
  const [length = 0, turn = 0] = a ?? [];
  const [second = 0] = b ?? [];
  const rad = (turn * Math.PI) / 180;
  const [dx, dy] = [second * Math.cos(rad), second * Math.sin(rad)];
  return planOf(
    [
      [length, turn],
      [second, 90 - turn],
      [260, 90],
      [length + dx, 90],
      [260 + dy, 90],
    ],
    { ...withCourses(4), rules },
  );
}

describe('laps', () => {
  /** Where a bar laps the next, along its wall; of a bent one on its straight part. */
  const lapsOf = (bar: Bar): readonly (readonly [number, number])[] =>
    bar.laps.after > 0 ? [[bar.to - bar.laps.after, bar.to]] : [];

  it('keep off openings above and below, and off bends, or it is told', () => {
    fc.assert(
      fc.property(
        windows(120),
        fc.constantFrom('bar', 'bend'),
        fc.constantFrom('20ft', '6m', '40ft'),
        (openings, corner, stock) => {
          const {
            steel,
            shell,
            openings: placed,
          } = work(plan({ openings, rules: { 'steel.corner': corner, 'steel.stock': stock } }));
          const told = steel.problems.flatMap((each) => (each.kind === 'lap-by-opening' ? each.courses : []));
          for (const bar of of(steel, 'horizontal', 'w1')) {
            if (told.includes(bar.course ?? 0)) continue;
            for (const [from, to] of lapsOf(bar)) {
              for (const { concrete, worked } of placed.placed) {
                if (!worked) continue;
                const off = Math.max(concrete.bottom - bar.bottom, bar.bottom - concrete.top);
                const near = off <= concrete.to - concrete.from;
                expect(near && from < concrete.to && concrete.from < to, bar.id).toBe(false);
              }
            }
          }
          for (const bar of of(steel, 'horizontal')) {
            const size = barSize(bar.size);
            const wall = wallsOf(shell).find((each) => each.id === bar.wall);
            if (!size || !wall || bar.legs.length < 2) continue;
            // A bent bar has a lap's length straight before its bend, and the bend before the far face of the core.
            const radius = standardHook(size).inside / 2 + size.diameter;
            if (bar.laps.before > 0)
              expect(bar.to - bar.from).toBeGreaterThanOrEqual(bar.laps.before + radius);
            expect(bar.to).toBeLessThanOrEqual(wall.length - wall.skin);
          }
        },
      ),
      { numRuns: 30 },
    );
  });

  it('are not in lintels: their bars are of one piece, and told where no stock bar is so long', () => {
    const wide = openingOf({ at: '60in', width: '230in', height: '84in', sill: '0in' });
    const { steel } = work(plan({ openings: [wide] }));
    const bars = [...of(steel, 'lintel bottom'), ...of(steel, 'lintel top')];
    expect(bars).toHaveLength(3);
    for (const bar of bars) expect(toInches(bar.cut)).toBeCloseTo(233 + 48, 6);
    expect(kinds(steel)).toContain('cut-longer-than-stock');
    expect(kinds(work(plan({ openings: [wide], rules: { 'steel.stock': '40ft' } })).steel)).not.toContain(
      'cut-longer-than-stock',
    );
  });
});

describe('slots', () => {
  it('alternate by bar, whatever courses bars lie in', () => {
    for (const every of ['every', 'second', 'third', 'least']) {
      const { sections } = work(plan({ rules: { 'steel.horizontal.courses': every } })).steel;
      for (const { used } of sections) {
        const slots = used.map((each) => each.slots.join());
        slots.forEach((slot, index) => {
          if (index > 0) expect(slot).not.toBe(slots[index - 1]);
        });
      }
    }
  });

  it('of two bars in a course are the outermost that leave cover, one toward each face', () => {
    for (const core of ['4in', '6in', '8in', '10in']) {
      const { steel, shell } = work(plan({ core, rules: { 'steel.horizontal.bottom': 2 } }));
      const half = toInches((wallsOf(shell)[0]?.core ?? 0) as Length) / 2;
      const offsets = [
        ...new Set(of(steel, 'horizontal', 'w1').flatMap((bar) => (bar.course === 1 ? [bar.offset] : []))),
      ].map(toInches);
      expect(offsets).toHaveLength(2);
      expect((offsets[0] ?? 0) + (offsets[1] ?? 0)).toBeCloseTo(0, 6);
      for (const at of offsets) expect(half - Math.abs(at) - 0.25).toBeGreaterThanOrEqual(0.75);
    }
  });
});

describe('walls that meet', () => {
  it('have their bars in the same courses over a step too, or their corner is told', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('every', 'second', 'third', 'least'),
        fc.integer({ min: 1, max: 3 }),
        (every, up) => {
          const job = planOf(RECTANGLE, { ...withCourses(9), rules: { 'steel.horizontal.courses': every } });
          const stepped: Plan = {
            ...job,
            loops: job.loops.map((loop) => ({
              ...loop,
              walk: loop.walk.map((row, index) => {
                if (index === 0)
                  return { ...row, footing: [{ id: 'a', at: '300in', step: `up ${String(16 * up)}in` }] };
                if (index === 2)
                  return { ...row, footing: [{ id: 'b', at: '200in', step: `down ${String(16 * up)}in` }] };
                return row;
              }),
            })),
          };
          const { steel, shell } = work(stepped);
          for (const corner of shell.loops[0]?.built?.corners ?? []) {
            const coursesOf = (wall: string, atStart: boolean): readonly number[] => {
              const length = wallsOf(shell).find((each) => each.id === wall)?.length ?? 0;
              return of(steel, 'horizontal', wall)
                .filter((bar) => (atStart ? bar.from < inches(13) : bar.to > length - inches(13)))
                .map((bar) => bar.course ?? 0);
            };
            const told = steel.problems.flatMap((each) =>
              each.kind === 'corner-without-bar' && each.corner === corner.letter ? each.courses : [],
            );
            const round = of(steel, 'corner')
              .filter((bar) => bar.corner === corner.letter)
              .map((bar) => bar.course);
            for (const course of [
              ...coursesOf(corner.wallBefore, false),
              ...coursesOf(corner.wallAfter, true),
            ]) {
              expect(
                round.includes(course) || told.includes(course),
                `${corner.letter} ${String(course)}`,
              ).toBe(true);
            }
          }
        },
      ),
      { numRuns: 12 },
    );
  });
});

describe('inside walls', () => {
  const joined = (rules: Plan['rules'], openings: readonly Opening[] = []): WorkedPlan =>
    work({
      ...plan({ rules, openings }),
      loops: [
        ...plan().loops,
        {
          id: 'inner',
          closed: false,
          tee: { start: { wall: 'w1', at: '200in' }, end: { wall: 'w3' } },
          walk: [{ id: 'inside', length: '25ft 10in', turn: 'right 90' }],
        },
      ],
    });

  it('are tied by L-bars lapped into both walls, in every course, one way and the other', () => {
    const { steel } = joined({});
    const ties = of(steel, 'tee', 'inside');
    expect(ties).toHaveLength(2 * 8);
    for (const tie of ties) {
      // A lap of #4, 30 in, along both; the core of 8 in less 2 in of cover across.
      expect(tie.legs.map(toInches)).toEqual([36, 30]);
      expect(tie.bends).toEqual([90]);
    }
    expect(steel.schedule.filter((line) => line.use === 'tee').map((line) => line.count)).toEqual([16]);
  });

  it('or by hooks on their own bars', () => {
    const { steel } = joined({ 'steel.tee': 'hook' });
    expect(of(steel, 'tee')).toEqual([]);
    const bars = of(steel, 'horizontal', 'inside');
    const hooks = bars.reduce((sum, bar) => sum + bar.bends.length, 0);
    expect(hooks).toBe(2 * 8);
    // #4: 12 diameters past a bend of 1 1/2 in and the bar itself. [ACI 318-19 §25.3; from memory]
    expect(bars.every((bar) => bar.legs.length === 1 || bar.legs.some((leg) => leg === inches(8)))).toBe(
      true,
    );
  });

  it('are told where an opening leaves the tie less than a lap', () => {
    const { steel } = joined({}, [
      openingOf({ id: 'l', at: '150in', width: '40in', height: '90in', sill: '20in' }),
      openingOf({ id: 'r', at: '215in', width: '40in', height: '90in', sill: '20in' }),
    ]);
    expect(kinds(steel)).toContain('tee-cut-short');
  });
});

describe('lintels', () => {
  const pair = (gap: number): readonly Opening[] => [
    openingOf({ id: 'a', at: '150in', width: '40in', height: '48in', sill: '32in' }),
    openingOf({ id: 'b', at: `${String(190 + gap)}in`, width: '60in', height: '48in', sill: '32in' }),
  ];

  it('are shared by neighbours whose pier is shorter than their reach', () => {
    const shared = of(work(plan({ openings: pair(20) })).steel, 'lintel bottom');
    expect(shared).toHaveLength(2);
    // From the first buck's outside to the second's, and 24 in past both: 40 + 20 + 60 + 3 + 48.
    for (const bar of shared) expect(toInches(bar.cut)).toBeCloseTo(171, 6);
    expect(of(work(plan({ openings: pair(40) })).steel, 'lintel bottom')).toHaveLength(4);
    expect(
      of(work(plan({ openings: pair(20), rules: { 'steel.lintel.share': 'own' } })).steel, 'lintel bottom'),
    ).toHaveLength(4);
  });

  it('take what is said of their own opening, and the job’s rules for the rest', () => {
    const [a, b] = pair(60);
    if (!a || !b) throw new Error('no pair');
    const own = {
      'steel.lintel.bottom': 3,
      'steel.lintel.size': '#6',
      'steel.lintel.top.size': '#5',
      'steel.lintel.reach': '30in',
      'steel.stirrup.spacing': '6in',
    };
    const { steel } = work(plan({ core: '8in', openings: [a, { ...b, lintel: own }] }));
    const bottom = of(steel, 'lintel bottom');
    expect(bottom.filter((bar) => bar.opening === 'a').map((bar) => bar.size)).toEqual(['#5', '#5']);
    expect(bottom.filter((bar) => bar.opening === 'b').map((bar) => bar.size)).toEqual(['#6', '#6', '#6']);
    expect(toInches(bottom.find((bar) => bar.opening === 'b')?.cut as Length)).toBeCloseTo(63 + 60, 6);
    expect(of(steel, 'lintel top').map((bar) => bar.size)).toEqual(['#4', '#5']);
    expect(of(steel, 'stirrup').filter((bar) => bar.opening === 'b')).toHaveLength(11);
  });

  it('say when stone does not pass between their bars', () => {
    const [opening] = pair(60);
    if (!opening) throw new Error('no opening');
    const crowded = plan({ core: '4in', openings: [{ ...opening, lintel: { 'steel.lintel.bottom': 3 } }] });
    expect(kinds(work(crowded).steel)).toContain('lintel-crowded');
  });
});

describe('what bars are cut to', () => {
  it('is rounded up to the step: 1/4 in, 5 mm in a metric job, or as the rule says', () => {
    const steps = (change: Partial<Plan>): readonly number[] =>
      work(plan(change)).steel.bars.map((bar) => bar.cut);
    for (const cut of steps({}))
      expect((cut / 25_400_000) * 4).toBeCloseTo(Math.round((cut / 25_400_000) * 4), 9);
    for (const cut of steps({ units: 'metric' })) expect(cut % 5_000_000).toBe(0);
    for (const cut of steps({ rules: { 'steel.cut.step': '1in' } })) expect(cut % 25_400_000).toBe(0);
  });
});

describe('dowels', () => {
  it('may be hooked at the top, at the foot, at both', () => {
    const bends = (rules: Plan['rules']): number =>
      of(work(plan({ rules })).steel, 'dowel')[0]?.bends.length ?? 0;
    expect(bends({})).toBe(1);
    expect(bends({ 'steel.dowel.head': 'hook' })).toBe(2);
    expect(bends({ 'steel.dowel.foot': 'straight', 'steel.dowel.head': 'hook' })).toBe(1);
    expect(bends({ 'steel.dowel.foot': 'straight' })).toBe(0);
  });
});
