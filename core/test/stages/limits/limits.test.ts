import type { Insert } from '../../../src/stages/inserts/plan';
import { emptyPlan } from '../../../src/stages/outline/plan';
import { readPlan } from '../../../src/planFile';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MOST_FIXINGS, MOST_PIECES, MOST_WALLS, withinLimits } from '../../../src/stages/limits';
import { readLength, readTurn, readVolume } from '../../../src/kernel/measure';
import type { Notice } from '../../../src/kernel/notices/notice';
import { orderOf } from '../../../src/orderOf';
import type { Plan } from '../../../src/kernel/plan';
import { readTable } from '../../../src/kernel/table';
import { makeWork, work } from '../../../src/work';
import { struckPlans } from '../../support/absurd';
import { insertOf, openingOf } from '../../support/openings';
import { HATCHERY, planOf, rectilinear, withCourses } from '../../support/plans';
import { demoPlan } from '../../support/demo';

const hatchery = (change: Partial<Plan> = {}): Plan => planOf(HATCHERY, { ...withCourses(6), ...change });

/** The stop notices of a plan, which is worked to its order as well: none may throw or take for ever. */
function stopsOf(plan: Plan): readonly Notice[] {
  const worked = makeWork()(plan);
  orderOf(plan, worked);
  return worked.notices.filter((notice) => notice.severity === 'stop');
}

/** Open walks of two-metre walls in zigzag: many, and none crossing. */
const zigzags = (loops: number, walls: number): Partial<Plan> => ({
  units: 'metric',
  loops: Array.from({ length: loops }, (_, loop) => ({
    id: `loop-${String(loop)}`,
    closed: false,
    walk: Array.from({ length: walls }, (_, wall) => ({
      id: `w${String(loop)}-${String(wall)}`,
      length: '2m',
      turn: wall % 2 ? 'right 90' : 'left 90',
    })),
  })),
});

const run = (kind: Insert['kind'], spacing: string, count = 1): Partial<Plan> => ({
  inserts: Array.from({ length: count }, (_, index) =>
    insertOf({ id: `i${String(index)}`, kind, at: '1ft', up: '4ft', length: '40ft', spacing }),
  ),
});

describe('what no job ever measures is kept as typed, told with a stop, and not worked', () => {
  const cases: readonly (readonly [string, Plan, RegExp, Notice['place']])[] = [
    ['hangers a nanometre apart', hatchery(run('hangers', '0.000001mm')), /spacing/, { insert: 'i0' }],
    ['a ledger bolted each nanometre', hatchery(run('ledger', '0.000001mm')), /spacing/, { insert: 'i0' }],
    [
      'an opening 1000 km high',
      hatchery({ openings: [openingOf({ height: '1000000m' })] }),
      /height/,
      { opening: 'opening-1' },
    ],
    [
      'an opening 1000 km wide',
      hatchery({ openings: [openingOf({ width: '1000000m' })] }),
      /width/,
      { opening: 'opening-1' },
    ],
    [
      'a thousand ledgers bolted each inch',
      hatchery(run('ledger', '1in', 1000)),
      new RegExp(String(MOST_FIXINGS)),
      { stage: 'openings' },
    ],
    [
      'side pours of a million cubic metres',
      hatchery({
        pour: {
          sides: Array.from({ length: 60 }, (_, index) => ({
            id: `s${String(index)}`,
            name: `Pad ${String(index)}`,
            volume: '999999 m3',
            when: 'first' as const,
          })),
        },
      }),
      /yd³/,
      { stage: 'pour' },
    ],
    [
      'a radius of 3 km',
      {
        ...emptyPlan('Arc', 'metric'),
        loops: [
          {
            id: 'l',
            closed: false,
            walk: [
              { id: 'w', length: '', turn: 'straight on', curve: { radius: '3000m', sweep: 'right 90' } },
            ],
          },
        ],
      },
      /longest/,
      { wall: 'w' },
    ],
    ['12 000 walls', hatchery(zigzags(12, 1000)), new RegExp(String(MOST_WALLS)), {}],
    [
      '60 courses round a square kilometre',
      planOf(
        [
          [39_000, 90],
          [39_000, 90],
          [39_000, 90],
          [39_000, 90],
        ],
        withCourses(60),
      ),
      new RegExp(String(MOST_PIECES)),
      { setting: 'courses' },
    ],
    [
      'a footing step up to the clouds',
      hatchery({
        loops: hatchery().loops.map((loop) => ({
          ...loop,
          walk: loop.walk.map((row, index) =>
            index === 0 ? { ...row, footing: [{ id: 'f', at: '10ft', step: 'up 1000000m' }] } : row,
          ),
        })),
      }),
      /footing/,
      { wall: 'w1' },
    ],
  ];
  it.each(cases)('%s', (_, plan, words, place) => {
    const before = structuredClone(plan);
    const stops = stopsOf(plan);
    expect(plan).toEqual(before);
    const told = stops.find((stop) => words.test(stop.what));
    expect(told?.place).toMatchObject(place);
  });

  it('a spacing of a rule under an inch is refused, and nothing at all is still taken where it means something', () => {
    const refused = (spacing: string) =>
      work(hatchery({ rules: { 'steel.dowel.spacing': spacing } })).notices.filter(
        (notice) => notice.place.rule === 'steel.dowel.spacing',
      );
    expect(refused('0.000001mm')).toHaveLength(1);
    expect(refused('0')).toEqual([]);
    expect(refused('1in')).toEqual([]);
  });

  it('many out of range are counted after the first score', () => {
    const plan = hatchery({
      footing: {
        kind: 'strip',
        shots: Array.from({ length: 5000 }, (_, index) => ({
          id: `s${String(index)}`,
          wall: 'w1',
          at: '1ft',
          reading: '5000m',
        })),
      },
    });
    const stops = stopsOf(plan);
    expect(stops.filter((stop) => stop.id.startsWith('limit-'))).toHaveLength(21);
    expect(stops.find((stop) => stop.id === 'limit-more')?.what).toContain('4980');
  });

  it('a reinforcement table of 500 rows tells a few of its gaps and counts the others', () => {
    const rows = Array.from({ length: 500 }, (_, index) => ({
      height: `${String(index + 1)}in`,
      backfill: '0ft',
      soil: index + 1,
      size: '#5',
      spacing: '12in',
    }));
    const { problems } = work(hatchery({ steel: { table: { name: 'T', rows } } })).steel;
    expect(problems.filter((problem) => problem.kind === 'table-gap')).toHaveLength(8);
    // 500 heights by 500 soils, of which the rows have 500.
    expect(problems.find((problem) => problem.kind === 'table-gaps-more')).toEqual({
      kind: 'table-gaps-more',
      count: 500 * 500 - 500 - 8,
    });
  });

  it('takes 560 ft by 60 courses', () => {
    const plan = planOf(
      [
        [2400, 90],
        [960, 90],
        [2400, 90],
        [960, 90],
      ],
      withCourses(60),
    );
    expect(work(plan).courses.count).toBe(60);
  });
});

describe('the limits', () => {
  it('leave the demo and every ordinary outline as they are, to the very object', () => {
    const demo = demoPlan();
    expect(withinLimits(demo)).toEqual({ plan: demo, problems: [] });
    expect(withinLimits(demo).plan).toBe(demo);
    fc.assert(
      fc.property(rectilinear(), (sides) => {
        const plan = planOf(sides, run('ledger', '16in'));
        expect(withinLimits(plan).plan).toBe(plan);
      }),
      { numRuns: 50 },
    );
  });

  it('hold the core in bounds whatever a plan says: it works or is refused, and never throws', () => {
    fc.assert(
      fc.property(struckPlans(), (document) => {
        const reading = readPlan(document);
        if (!reading.ok) {
          expect(reading.problems.length).toBeGreaterThan(0);
          return;
        }
        const worked = makeWork()(reading.plan);
        orderOf(reading.plan, worked);
        expect(worked.courses.pieces.length).toBeLessThanOrEqual(2 * MOST_PIECES);
      }),
      { numRuns: 250 },
    );
  });
});

describe('text of any length is read at once', () => {
  const long = (part: string): string => part.repeat(Math.ceil(100_000 / part.length));
  // The time is the test's own limit: a scan that goes back over what it read takes minutes here.
  it.each([
    '(',
    ')',
    ' ',
    '-',
    '9',
    '1/',
    "'",
    '" ',
    '9 ',
    '(mm)',
    ',',
    ';',
    '\t',
    '\n',
    '"',
    'a-b ',
    '″',
    'ft ',
  ])(
    '100 000 characters of %j',
    (part) => {
      const text = long(part);
      const words = {
        names: { wall: ['wall'] },
        wanted: 'wall',
        complete: () => true,
        what: 'rows',
        most: 10,
      } as const;
      for (const each of [text, `wall\n${text}`, `9${text}`, `right ${text}`, `wall${text}\n1`]) {
        readTable<'wall'>(each, words);
        readLength(each, 'imperial');
        readTurn(each);
        readVolume(each, 'imperial');
      }
      expect(readLength(`${text}9x`, 'metric').ok).toBe(false);
    },
    2000,
  );
});
