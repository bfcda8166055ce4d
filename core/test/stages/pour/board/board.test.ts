import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Entry, ratesSeen } from '../../../../src/kernel/record';
import { houseRules } from '../../../../src/rules';
import { type WorkedPour, steady } from '../../../../src/stages/pour';
import {
  SHIFT,
  type WayKind,
  aheadOf,
  balanceFigures,
  balanceOf,
  doneOf,
  lastOrder,
  lookAhead,
  nextStop,
  originOf,
  pourEntry,
  pressedNow,
  ranked,
  seenOf,
  stopsOfBoard,
  tapsOf,
  waysFrom,
} from '../../../../src/stages/pour/board';
import { type Day, type DayEvent, playDay } from '../../../../src/stages/pour/rehearsal';
import { boardAt, pourOf, steadyRun, tap, tappedDay, timeAt } from '../../../support/boards';
import { openingOf } from '../../../support/openings';
import { type Side, planOf, withCourses } from '../../../support/plans';

/** 40 × 28 ft, six courses of 16 in: 96 in high. */
const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];
const RULES = houseRules();
const PLAIN = pourOf(planOf(RECTANGLE, withCourses(6)));
const WINDOWED = pourOf(planOf(RECTANGLE, { ...withCourses(6), openings: [openingOf()] }));
/** The walls of the plan, each with its whole length in nanometres. */
const wallsOf = ({ volumes, slices }: WorkedPour) =>
  volumes.walls.map(({ wall }) => ({
    wall,
    to: Math.max(...slices.filter((slice) => slice.wall === wall).map((slice) => slice.to)),
  }));
const INCH = 25_400_000;
/** All walls tapped at a height in inches. */
const allAt = (pour: WorkedPour, minute: number, inches: number): readonly Entry[] =>
  wallsOf(pour).map(({ wall, to }) => tap(minute, 'rise', { wall, from: 0, to, top: inches * INCH }));
const drawn = ({ day }: WorkedPour): number => day.stops.reduce((sum, { volume }) => sum + volume, 0);

describe('a day that was played, tapped again', () => {
  const pour = { ...WINDOWED, day: steady(WINDOWED.day) };
  const run = steadyRun(WINDOWED);
  const taps = tappedDay(pour, run);

  it('has the very clock of the rehearsal', () => {
    const board = boardAt(pour, taps, run.finish + 60);
    expect(board.odd).toEqual([]);
    expect(board.done).toBeCloseTo(run.finish, 3);
    expect(board.filled.map(({ stop }) => stop)).toEqual(run.placed.map(({ stop }) => stop));
    for (const [index, placed] of run.placed.entries()) {
      expect(board.filled[index]?.from).toBeCloseTo(placed.from, 3);
      expect(board.filled[index]?.to).toBeCloseTo(placed.to, 3);
    }
    expect(board.loads.map(({ arrived, began, ended, volume }) => [arrived, began, ended, volume])).toEqual(
      run.trips.map(({ arrived, from, to, volume }) =>
        [arrived, from, to].map((each): unknown => expect.closeTo(each, 3)).concat(volume),
      ),
    );
    expect(board.cold).toEqual([]);
  });

  it('goes on from any minute to the very end of the rehearsal', () => {
    for (let minute = -12; minute < run.finish; minute += 3.7) {
      const { day, from } = aheadOf(pour, boardAt(pour, taps, minute), minute, RULES);
      const rest = playDay(day, 1, [], from);
      expect(rest.finish, `from minute ${String(minute)}`).toBeCloseTo(run.finish, 1);
    }
  });

  it('leaves nothing to order once all of it is placed', () => {
    const balance = balanceOf(pour, boardAt(pour, taps, run.finish), run.finish, RULES);
    expect(balance).toMatchObject({ drawnLeft: 0, left: 0 });
    expect(waysFrom(pour, boardAt(pour, taps, run.finish), run.finish, RULES)).toEqual([]);
  });

  it('is the same whatever the order in which its taps arrive, and whichever of them come twice', () => {
    const events: readonly DayEvent[] = [
      { kind: 'blowout', at: 30, answer: 'plate', minutes: 12 },
      { kind: 'stiff', at: 55, answer: 'send-back', minutes: 0 },
    ];
    const scattered = tappedDay(WINDOWED, playDay(WINDOWED.day, 5, events));
    const board = boardAt(WINDOWED, scattered, 90);
    fc.assert(
      fc.property(
        fc.shuffledSubarray([...scattered], { minLength: scattered.length }),
        fc.subarray([...scattered]),
        (shuffled, twice) => {
          expect(boardAt(WINDOWED, [...twice, ...shuffled], 90)).toEqual(board);
        },
      ),
      { numRuns: 20 },
    );
  });
});

describe('the balance', () => {
  it('is half the pour where all walls stand at half their height', () => {
    // By hand: outside faces 2 × (480 + 336) = 1 632 in; the core’s middle runs half a wall inside them, so shorter by 4 walls.
    const [wall] = PLAIN.slices;
    const thick = 2 * Math.abs((wall?.at.y ?? 0) / INCH);
    const middle = 1632 - 4 * thick;
    const area = drawn(PLAIN) / (96 * 0.0254) / (middle * 0.0254);
    // The core of the rule’s family is 8 in wide.
    expect(area / 0.0254).toBeCloseTo(8, 1);
    const { drawnLeft } = balanceOf(PLAIN, boardAt(PLAIN, allAt(PLAIN, 60, 48), 60), 60, RULES);
    expect(drawnLeft).toBeCloseTo(drawn(PLAIN) / 2, 6);
  });

  it('counts what is in the truck, what waits and what is to come', () => {
    const [first = 0, second = 0] = PLAIN.day.loads;
    const taps = [
      tap(0, 'load', { load: 1, step: 'arrived', volumeM3: first }),
      tap(10, 'load', { load: 1, step: 'placing' }),
      tap(38, 'load', { load: 2, step: 'arrived', volumeM3: second }),
      ...allAt(PLAIN, 40, 12),
    ];
    const balance = balanceOf(PLAIN, boardAt(PLAIN, taps, 40), 40, RULES);
    const placed = (drawn(PLAIN) / 8) * (1 + PLAIN.day.swell);
    expect(balance.atHose).toBeCloseTo(first - placed, 6);
    expect(balance.waiting).toBe(second);
    const between = PLAIN.day.loads.slice(2, -1).reduce((sum, load) => sum + load, 0);
    expect(balance.toCome).toBeCloseTo(between, 9);
    expect(balance.settled).toBe(false);
    expect(balance.last).toBeCloseTo(
      (drawn(PLAIN) * 7 * (1 + PLAIN.day.swell)) / 8 - (first - placed) - second - between,
      6,
    );
    const called = [...taps, tap(41, 'load', { load: PLAIN.day.loads.length, step: 'ordered', volumeM3: 3 })];
    const settled = balanceOf(PLAIN, boardAt(PLAIN, called, 41), 41, RULES);
    expect(settled.settled).toBe(true);
    expect(settled.toCome).toBeCloseTo(between + 3, 9);
  });

  it('learns what the forms take from the loads against the heights, each by how well it is known', () => {
    // A quarter of the drawings in the forms, the load that did it ten per cent larger than that.
    const [first = 0] = PLAIN.day.loads;
    const height = ((first / 1.1) * 96) / drawn(PLAIN);
    const taps = [
      tap(0, 'load', { load: 1, step: 'arrived', volumeM3: first }),
      tap(10, 'load', { load: 1, step: 'placing' }),
      ...allAt(PLAIN, 40, height),
      tap(40, 'load', { load: 1, step: 'empty' }),
    ];
    const { swell, compared } = balanceOf(PLAIN, boardAt(PLAIN, taps, 40), 40, RULES);
    expect(swell.seen).toBeCloseTo(0.1, 6);
    expect(swell.mean).toBeGreaterThan(PLAIN.day.swell);
    expect(swell.mean).toBeLessThan(0.1);
    expect(swell.spread).toBeLessThan(PLAIN.day.swellScatter);
    // The reading and the thought before, weighed by hand: mean = (m₀/s₀² + r/s²)/(1/s₀² + 1/s²), so s follows from the spread.
    const [prior, after] = [1 / PLAIN.day.swellScatter ** 2, 1 / swell.spread ** 2];
    expect(swell.mean).toBeCloseTo((PLAIN.day.swell * prior + 0.1 * (after - prior)) / after, 9);
    expect(compared?.byLoads).toBe(first);
    expect(compared?.byHeights).toBeCloseTo((first / 1.1) * (1 + PLAIN.day.swell), 6);
  });

  it('gives back what was sent back', () => {
    const taps = [
      tap(0, 'load', { load: 1, step: 'arrived', volumeM3: 6 }),
      tap(10, 'load', { load: 1, step: 'placing' }),
      ...allAt(PLAIN, 25, 12),
      tap(25, 'load', { load: 1, step: 'back', volumeM3: 2 }),
    ];
    const { compared } = balanceOf(PLAIN, boardAt(PLAIN, taps, 30), 30, RULES);
    expect(compared?.byLoads).toBe(4);
  });
});

describe('the hose', () => {
  const [first, second] = wallsOf(PLAIN);
  const along = (wall: string | undefined): number =>
    PLAIN.slices.find((slice) => slice.wall === wall)?.to ?? 0;
  const taps = [
    tap(0, 'load', { load: 1, step: 'placing' }),
    tap(10, 'hose', { to: { wall: second?.wall ?? '', along: along(second?.wall) / 2 } }),
  ];
  const where = (entries: readonly Entry[]): string | undefined => {
    const board = boardAt(PLAIN, entries, 40);
    return board.stops[nextStop(board) ?? -1]?.where?.wall;
  };
  const height = (minute: number) =>
    tap(minute, 'rise', { wall: first?.wall ?? '', from: 0, to: first?.to ?? 0, top: 20 * INCH });

  it('is where it was tapped, though somebody tells of another wall a moment later', () => {
    expect(where(taps)).toBe(second?.wall);
    expect(where([...taps, height(12)])).toBe(second?.wall);
  });

  it('goes on by the plan where only heights are tapped for long', () => {
    const late = [...taps, height(35)];
    const board = boardAt(PLAIN, late, 40);
    expect(nextStop(board)).toBe((board.filled.at(-1)?.stop ?? 0) + 1);
  });
});

describe('the two counts', () => {
  it('are compared only where a truck was empty: a slow crew is no bulge', () => {
    // At the hose for twice the time that the pace would need for what stands.
    const [first = 0] = PLAIN.day.loads;
    const taps = [
      tap(0, 'load', { load: 1, step: 'arrived', volumeM3: first }),
      tap(10, 'load', { load: 1, step: 'placing' }),
      ...allAt(PLAIN, 34, 10),
    ];
    expect(balanceOf(PLAIN, boardAt(PLAIN, taps, 35), 35, RULES).compared).toBeNull();
  });
});

describe('without heights', () => {
  it('what the trucks brought is taken to stand in the forms, stop after stop', () => {
    const [first = 0] = PLAIN.day.loads;
    const taps = [
      tap(0, 'load', { load: 1, step: 'arrived', volumeM3: first }),
      tap(10, 'load', { load: 1, step: 'placing' }),
      tap(45, 'load', { load: 1, step: 'empty' }),
      tap(46, 'load', { load: 2, step: 'arrived', volumeM3: 6 }),
      tap(50, 'load', { load: 2, step: 'placing' }),
    ];
    const board = boardAt(PLAIN, taps, 60);
    const balance = balanceOf(PLAIN, board, 60, RULES);
    const placed = first + (PLAIN.day.rate * 10) / 60;
    expect(balance.drawnLeft).toBeCloseTo(drawn(PLAIN) - placed / (1 + PLAIN.day.swell), 9);
    expect(balance.atHose).toBeCloseTo(6 - (PLAIN.day.rate * 10) / 60, 9);
    const { day } = aheadOf(PLAIN, board, 60, RULES);
    expect(day.stops.reduce((sum, { volume }) => sum + volume, 0)).toBeCloseTo(balance.drawnLeft, 9);
    expect(day.stops[0]?.stop).toBeGreaterThan(4);
  });
});

describe('taps that cannot be right', () => {
  const kinds = (entries: readonly Entry[], minute = 100): readonly string[] =>
    boardAt(PLAIN, entries, minute).odd.map(({ kind }) => kind);

  it('are told, and read as what must have been', () => {
    const emptied = [
      tap(30, 'load', { load: 1, step: 'empty' }),
      tap(35, 'load', { load: 1, step: 'arrived' }),
    ];
    expect(kinds(emptied)).toEqual(['empty-first']);
    expect(boardAt(PLAIN, emptied, 100).loads[0]).toMatchObject({ arrived: 30, ended: 30, stands: 'gone' });
    const two = [tap(0, 'load', { load: 1, step: 'placing' }), tap(30, 'load', { load: 2, step: 'placing' })];
    expect(kinds(two)).toEqual(['not-emptied']);
    expect(boardAt(PLAIN, two, 100).loads[0]).toMatchObject({ ended: 30, stands: 'gone' });
    const [{ wall, to } = { wall: '', to: 0 }] = wallsOf(PLAIN);
    const falls = [
      tap(10, 'rise', { wall, from: 0, to, top: 30 * INCH }),
      tap(20, 'rise', { wall, from: 0, to, top: 20 * INCH }),
    ];
    expect(kinds(falls)).toEqual(['falls']);
    expect(boardAt(PLAIN, falls, 100).filled).toEqual(boardAt(PLAIN, falls.slice(0, 1), 100).filled);
    expect(kinds([tap(10, 'rise', { wall: 'gone', from: 0, to: 1, top: INCH })])).toEqual(['nowhere']);
    expect(kinds([tap(10, 'hose', { to: { wall: 'gone', along: 0 } })])).toEqual(['nowhere']);
    expect(kinds([tap(10, 'side', { side: 'gone', share: 1 })])).toEqual(['nowhere']);
    expect(
      kinds([tap(5, 'halt', { way: 'done' }), tap(10, 'rise', { wall, from: 0, to, top: INCH })]),
    ).toEqual(['after-done']);
    const full = [
      tap(0, 'load', { load: 1, step: 'arrived', volumeM3: 2 }),
      tap(5, 'load', { load: 1, step: 'placing' }),
      ...allAt(PLAIN, 30, 60),
    ];
    const over = boardAt(PLAIN, full, 100).odd.find(({ kind }) => kind === 'more-placed');
    expect(over).toEqual({ kind: 'more-placed', over: expect.closeTo((drawn(PLAIN) * 60) / 96 - 2, 6) });
  });

  it('count once where two people tap the same thing, and where they belong when they were written an hour late', () => {
    const taps = [
      tap(0, 'load', { load: 1, step: 'arrived', volumeM3: 6 }),
      tap(2, 'load', { load: 1, step: 'arrived', volumeM3: 6 }),
      tap(10, 'load', { load: 1, step: 'placing' }),
    ];
    expect(boardAt(PLAIN, taps, 20).loads[0]).toMatchObject({ arrived: 0, began: 10, volume: 6 });
    const late = tap(15, 'load', { load: 1, step: 'empty' }, { at: timeAt(80) });
    expect(boardAt(PLAIN, [...taps, late], 90).loads[0]).toMatchObject({ ended: 15 });
    // Nothing is known of what is still to happen.
    expect(boardAt(PLAIN, [...taps, late], 12).loads[0]).toMatchObject({ ended: null });
  });

  it('are taken back in one', () => {
    const wrong = tap(10, 'load', { load: 1, step: 'empty' });
    const back = {
      ...tap(11, 'note', { what: '' }),
      kind: 'withdrawn',
      body: { why: '' },
      corrects: wrong.id,
    } as Entry;
    expect(boardAt(PLAIN, [wrong, back], 20).loads[0]?.stands).toBe('to-come');
  });
});

describe('the hour of the first truck', () => {
  const arrived = (minute: number) => tapsOf('pour-1', [tap(minute, 'load', { load: 1, step: 'arrived' })]);
  it('is what the minutes are counted from, in the clock of the site', () => {
    expect(originOf([], 450, '2026-12-01T22:10:00-05:00')).toEqual({
      origin: Date.parse('2026-12-01T12:30:00Z'),
      start: 450,
    });
    expect(originOf(arrived(20), 450, timeAt(30))).toEqual({ origin: Date.parse(timeAt(0)), start: 450 });
  });
  it('is that at which it came where that is quite another', () => {
    expect(originOf(arrived(150), 450, timeAt(160))).toEqual({ origin: Date.parse(timeAt(150)), start: 600 });
  });
});

describe('layers', () => {
  it('are cold joints where they waited longer than the concrete’s own temperature allows', () => {
    const [{ wall, to } = { wall: '', to: 0 }] = wallsOf(PLAIN);
    const slices = PLAIN.slices.filter((slice) => slice.wall === wall).length;
    const taps = (temperatureF: number): readonly Entry[] => [
      tap(0, 'load', { load: 1, step: 'arrived', volumeM3: 7, temperatureF }),
      tap(5, 'load', { load: 1, step: 'placing' }),
      tap(15, 'rise', { wall, from: 0, to, top: 20 * INCH }),
      tap(80, 'hose', { to: { wall, along: 1 } }),
      tap(90, 'rise', { wall, from: 0, to, top: 40 * INCH }),
    ];
    // 75 min at 70 °F by the rule; half of it twenty degrees warmer.
    const [mild, hot] = [70, 90].map((degrees) => boardAt(PLAIN, taps(degrees), 95));
    expect(mild?.working).toBeCloseTo(75, 9);
    expect(mild?.cold).toEqual([]);
    expect(hot?.working).toBeLessThan(60);
    expect(hot?.cold).toHaveLength(slices);
  });
});

describe('ways to go on', () => {
  const run = playDay(WINDOWED.day, 11);
  const minute = run.finish * 0.45;
  // The hose jumps ahead by some stops: those passed by have the oldest layers.
  const before = tappedDay(WINDOWED, run).filter(
    (entry) => Date.parse(entry.at) <= Date.parse(timeAt(minute)),
  );
  const next = nextStop(boardAt(WINDOWED, before, minute)) ?? 0;
  const { where } = stopsOfBoard(WINDOWED)[next + 5] ?? { where: null };
  const taps = [
    ...before,
    ...(where ? [tap(minute, 'hose', { to: { wall: where.wall, along: (where.from + where.to) / 2 } })] : []),
  ];
  const board = boardAt(WINDOWED, taps, minute);
  const ways = waysFrom(WINDOWED, board, minute, RULES);
  const volumeOf = (stops: readonly { readonly volume: number }[]): number =>
    stops.reduce((sum, { volume }) => sum + volume, 0);

  it('place the same concrete, all of them', () => {
    expect(ways.map(({ kind }) => kind)).toEqual(
      expect.arrayContaining(['on', 'sooner', 'later', 'oldest', 'lower', 'slower']),
    );
    const on = volumeOf(ways[0]?.ahead.day.stops ?? []);
    expect(on).toBeGreaterThan(0);
    for (const { ahead } of ways) expect(volumeOf(ahead.day.stops)).toBeCloseTo(on, 9);
  });

  it('begin at the oldest layer, or go round in two', () => {
    const last = new Map(board.layers.map((layer) => [layer.slice, layer.last]));
    const oldest = ways.find(({ kind }) => kind === 'oldest')?.ahead.day.stops ?? [];
    const lift = oldest[0]?.lift;
    const ages = oldest
      .filter((stop) => stop.lift === lift)
      .map(({ slice }) => last.get(slice ?? -1) ?? Infinity);
    expect(ages[0]).toBe(Math.min(...ages));
    const lower = ways.find(({ kind }) => kind === 'lower')?.ahead.day.stops ?? [];
    const on = ways[0]?.ahead.day.stops ?? [];
    expect(lower).toHaveLength(on.length + on.filter((stop) => stop.lift === lift).length);
  });

  it('bring the trucks to come sooner or later', () => {
    const shifts = ways
      .filter(({ kind }) => kind === 'sooner' || kind === 'later')
      .map(({ ahead }) => ahead.from.shift);
    expect(shifts).toEqual([-SHIFT, SHIFT]);
  });

  it('place a quarter slower, off the chute too', () => {
    const [on, slower] = ['on', 'slower'].map((kind) => ways.find((way) => way.kind === kind)?.ahead.day);
    expect(slower?.rate).toBeCloseTo((on?.rate ?? 0) * 0.75, 9);
    expect(slower?.chuteRate).toBeCloseTo((on?.chuteRate ?? 0) * 0.75, 9);
    expect(slower?.stops).toEqual(on?.stops);
  });

  it('stand before going on where they are better in what must not happen, and behind it otherwise', () => {
    const ahead = lookAhead(ways, 3, { on: 200, way: 100 });
    expect(ahead?.ways.map(({ kind }) => kind).sort()).toEqual(ways.map(({ kind }) => kind).sort());
    const [some] = ahead?.ways ?? [];
    if (!some) throw new Error('nothing was tried');
    const way = (kind: WayKind, cold: number, overAge: number, stood: number) => ({
      ...some,
      kind,
      cold,
      overAge,
      over: 0,
      waited: 0,
      stood,
    });
    const order = ranked([
      way('later', 0.2, 0.195, 1),
      way('on', 0.2, 0.2, 5),
      way('slower', 0.1, 0.9, 0),
      way('oldest', 0.05, 0.02, 20),
      way('truck', 0, 0.1, 2),
    ]);
    expect(order.map(({ kind }) => kind)).toEqual(['oldest', 'truck', 'on', 'slower', 'later']);
    // As safe as each other: the sooner done of those that help, the less waiting of the rest, and of those the sooner done.
    const done = (kind: WayKind, risk: number, waited: number, finish: number) => ({
      ...way(kind, risk, 0, 0),
      waited,
      finish,
    });
    const alike = ranked([
      done('later', 0.3, 20, 500),
      done('on', 0.3, 10, 400),
      done('slower', 0.3, 20, 450),
      done('sooner', 0.3, 5, 900),
      done('lower', 0.1, 90, 420),
      done('oldest', 0.1, 0, 430),
    ]);
    expect(alike.map(({ kind }) => kind)).toEqual(['lower', 'oldest', 'on', 'sooner', 'slower', 'later']);
  });

  it('wait half an hour after thunder [NOAA lightning safety guidance; from memory]', () => {
    const storm = [
      ...taps,
      tap(minute, 'trouble', { trouble: 'lightning', what: '' }),
      tap(minute, 'halt', { way: 'stop' }),
    ];
    const later = minute + 10;
    const { from } = aheadOf(WINDOWED, boardAt(WINDOWED, storm, later), later, RULES);
    expect(from.clock).toBeCloseTo(minute + 30, 3);
  });
});

describe('the last truck', () => {
  it('is called so long before the hose runs dry as the plant takes it, loads, drives and backs in', () => {
    // By hand: two loads of 6 m³ and a balance, nothing swells: full at 12 m³/h, each half an hour.
    const day: Day = {
      ...steady(PLAIN.day),
      swell: 0,
      loads: [6, 6, 4],
      rate: 12,
      spacing: 20,
      trucks: 4,
      least: 0,
    };
    const pour = { ...PLAIN, day };
    const taps = [
      tap(0, 'load', { load: 1, step: 'arrived', volumeM3: 6 }),
      tap(10, 'load', { load: 1, step: 'placing' }),
      tap(20, 'load', { load: 2, step: 'arrived', volumeM3: 6 }),
    ];
    const board = boardAt(pour, taps, 20);
    const balance = balanceOf(pour, board, 20, RULES);
    const last = lastOrder(balance, aheadOf(pour, board, 20, RULES), 20, RULES);
    // By the pace alone: nobody has tapped a height. Load 1 is empty at 10 + 30, load 2 at the hose after the change, and empty half an hour later.
    const dry = 40 + day.change + 30;
    expect(last?.dry).toBeCloseTo(dry, 6);
    const lead = RULES.count('pour.plant.call') + day.load + day.travel + day.backing;
    expect(last?.by).toBeCloseTo(dry + Math.min(day.change, day.backing) - lead, 6);
    expect(balance.atHose).toBeCloseTo(4, 9);
    expect(balance.last).toBeCloseTo(drawn(PLAIN) - 12, 6);
    // In the plant’s steps, never under what is needed, and no more than a truck takes.
    expect((last?.order ?? 0) + (last?.overTruck ?? 0)).toBeGreaterThanOrEqual(drawn(PLAIN) - 12);
    expect(last?.order).toBeLessThanOrEqual(day.truck);
  });

  it('is told with its why: the figures evaluate to the balance', () => {
    const taps = [
      tap(0, 'load', { load: 1, step: 'arrived', volumeM3: 6 }),
      tap(10, 'load', { load: 1, step: 'placing' }),
      ...allAt(PLAIN, 25, 12),
    ];
    const board = boardAt(PLAIN, taps, 30);
    const balance = balanceOf(PLAIN, board, 30, RULES);
    const { left, last } = balanceFigures(PLAIN, board, balance, 30);
    expect(left.value).toBeCloseTo(balance.left, 9);
    // The very number that the board asks for.
    const order = lastOrder(balance, aheadOf(PLAIN, board, 30, RULES), 30, RULES);
    expect(last.value).toBeCloseTo((order?.order ?? 0) + (order?.overTruck ?? 0), 9);
    expect(last.value).toBeGreaterThan(0);
  });
});

describe('a pour that is done', () => {
  const run = steadyRun(PLAIN);
  const board = boardAt(PLAIN, tappedDay(PLAIN, run), run.finish + 5);
  const done = doneOf(PLAIN, board, run.finish + 5);

  it('is what the trucks brought, in the minutes that it took, wall by wall', () => {
    expect(done.placed).toBeCloseTo(
      run.trips.reduce((sum, { volume }) => sum + volume, 0),
      9,
    );
    expect(done.minutes).toBeCloseTo(run.finish - (run.placed[0]?.from ?? 0), 2);
    expect(done.trucks).toBe(run.trips.length);
    expect(done.waited).toBeCloseTo(run.waited, 2);
    // The rehearsal pays for what is left in the last truck too; on the board nobody said that it went back.
    const left = run.left * PLAIN.day.money.concrete;
    expect(done.cost).toBeCloseTo(run.cost - left, 1);
    const walls = done.walls.reduce((sum, { volume }) => sum + volume, 0);
    const sides = PLAIN.volumes.sides.reduce((sum, { volume }) => sum + volume.value, 0);
    expect(walls + sides).toBeCloseTo(drawn(PLAIN), 9);
  });

  it('counts of a truck that is still at the hose what the pace placed, not all of it', () => {
    const taps = [
      tap(0, 'load', { load: 1, step: 'arrived', volumeM3: 6 }),
      tap(10, 'load', { load: 1, step: 'placing' }),
      tap(16, 'halt', { way: 'done' }),
    ];
    const early = doneOf(PLAIN, boardAt(PLAIN, taps, 60), 60);
    expect(early.placed).toBeCloseTo((PLAIN.day.rate * 6) / 60, 9);
  });

  it('teaches the rates what it saw: the drive by the tickets, the change where a truck stood there already', () => {
    const entry = { ...pourEntry(PLAIN, board, run.finish, '2026-12-01') };
    expect(entry.seen?.['pour.plant.travel']?.value).toBeCloseTo(PLAIN.day.travel, 3);
    const seen = ratesSeen('job', [tap(run.finish, 'pour', entry)]);
    expect(seen.map(({ rule }) => rule)).toEqual(
      expect.arrayContaining(['pour.rate.pump', 'pour.plant.travel']),
    );
    const pace = seen.find(({ rule }) => rule === 'pour.rate.pump');
    expect(pace?.value).toBeCloseTo((done.placed * 60) / Math.round(done.minutes), 6);
    // Trucks an hour apart find the hose free: their test is told, and no change.
    const apart = { ...PLAIN, day: { ...steady(PLAIN.day), spacing: 60 } };
    const slow = playDay(apart.day, 0);
    const test = seenOf(apart, boardAt(apart, tappedDay(apart, slow), slow.finish));
    expect(test['pour.truck.test']?.value).toBeCloseTo(PLAIN.day.backing, 3);
    expect(test['pour.truck.change']).toBeUndefined();
    // Twenty minutes apart they queue: the change is told.
    const queue = { ...PLAIN, day: { ...steady(PLAIN.day), spacing: 20, trucks: 8 } };
    const quick = playDay(queue.day, 0);
    const change = seenOf(queue, boardAt(queue, tappedDay(queue, quick), quick.finish));
    expect(change['pour.truck.change']?.value).toBeCloseTo(PLAIN.day.change, 3);
  });

  it('teaches no drive of four hours or of no time: those are tickets that were misread', () => {
    const travel = (batched: number) => {
      const taps = [tap(0, 'load', { load: 1, step: 'arrived', volumeM3: 6, batched: timeAt(-batched) })];
      return seenOf(PLAIN, boardAt(PLAIN, taps, 10))['pour.plant.travel']?.value;
    };
    const { load } = PLAIN.day;
    expect(travel(load + 30)).toBeCloseTo(30, 3);
    expect(travel(load + 239)).toBeCloseTo(239, 3);
    expect(travel(load + 240)).toBeUndefined();
    expect(travel(load)).toBeUndefined();
  });
});

describe('the forms', () => {
  it('are pressed by the pace at which the concrete really rose', () => {
    const [{ wall, to } = { wall: '', to: 0 }] = wallsOf(PLAIN);
    const rise = (minutes: number): number | undefined => {
      const taps = [
        tap(0, 'load', { load: 1, step: 'arrived', volumeM3: 7 }),
        tap(5, 'load', { load: 1, step: 'placing' }),
        tap(10, 'rise', { wall, from: 0, to, top: 24 * INCH }),
        tap(10 + minutes, 'rise', { wall, from: 0, to, top: 72 * INCH }),
      ];
      return pressedNow(PLAIN, boardAt(PLAIN, taps, 10 + minutes))?.rise;
    };
    // Four feet in an hour, and in half of it; the last stop of the wall ends with the tap itself.
    expect(rise(60)).toBeGreaterThanOrEqual(4 * 0.3048 * 0.9);
    expect((rise(30) ?? 0) / (rise(60) ?? 1)).toBeGreaterThan(1.8);
  });
});
