import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CUBIC_METRES_PER_CUBIC_YARD, METRES_PER_FOOT } from '../../../../src/kernel/measure';
import { pressureOn } from '../../../../src/stages/pour/pressure';
import {
  type Day,
  type DayEvent,
  type DayStop,
  playDay,
  runDay,
  scratchFor,
  seedOf,
} from '../../../../src/stages/pour/rehearsal';
import { work } from '../../../../src/work';
import { dayOf, scattered, stopsOf } from '../../../support/days';
import { planOf, withCourses } from '../../../support/plans';

describe('a steady day, worked by hand', () => {
  // A stop of 1 m³ takes 5 min. Truck 1 is loaded at −30, drives from −20, is there at 0 and empty at 30.
  // Truck 2 is there at 40: the crew stands from 30 (5 min of change in it), goes on at 40 and is done at 70.
  const run = playDay(dayOf(), 7);

  it('has every truck where the paper has it', () => {
    expect(run.trips).toEqual([
      { volume: 6, batched: -30, arrived: 0, from: 0, to: 30, left: 0, sentBack: false, extra: false },
      { volume: 6, batched: 10, arrived: 40, from: 40, to: 70, left: 0, sentBack: false, extra: false },
    ]);
    expect(run.finish).toBe(70);
    expect(run.complete).toBe(true);
  });

  it('has every stop in its minutes', () => {
    expect(run.placed.map(({ from, to }) => [from, to])).toEqual([
      [0, 5],
      [5, 10],
      [10, 15],
      [15, 20],
      [20, 25],
      [25, 30],
      [40, 45],
      [45, 50],
      [50, 55],
      [55, 60],
      [60, 65],
      [65, 70],
    ]);
  });

  it('says why nobody placed', () => {
    expect(run.idle).toEqual([
      { from: 30, to: 35, why: 'change' },
      { from: 35, to: 40, why: 'no-truck' },
    ]);
  });

  it('knows the longest wait of a layer, the oldest load, and what it cost', () => {
    // Every slice waits 35 min from the end of its first layer to its second.
    expect(run.gap).toBe(35);
    expect(run.cold).toEqual([]);
    // The first load was batched at −30 and gone at 30.
    expect(run.age).toBe(60);
    expect(run.waited).toBe(0);
    // On site 30 min each: free. Pump and crew from half an hour before: 100 min.
    expect(run.waitCost).toBe(0);
    expect(run.cost).toBeCloseTo((100 / 60) * (100 + 60), 9);
  });

  it('presses by the rise after the first layer', () => {
    // A second metre in 40 min, from 5 to 45 at the first slice: 1.5 m/h over 2 m of wall.
    expect(run.rise).toBeCloseTo(1.5, 9);
    const day = dayOf();
    expect(run.pressure).toBeCloseTo(day.fresh ? pressureOn('aci', day.fresh, 1.5, 2) : 0, 6);
  });

  it('is the same with and without its record', () => {
    expect(run).toMatchObject(runDay(dayOf(), 7));
  });
});

describe('trucks', () => {
  it('that come too close wait longer and longer, and are charged', () => {
    // 30 min and 5 of change to a load, one every 15: the n-th waits 20 (n − 1). [D/D/1]
    const day = dayOf({ stops: stopsOf(6, 5, 1), loads: [6, 6, 6, 6, 6], spacing: 15, trucks: 5 });
    const { trips, waitCost, waited } = playDay(day, 1);
    expect(trips.map((trip) => trip.from - trip.arrived)).toEqual([0, 20, 40, 60, 80]);
    expect(waited).toBe(200);
    // On site 30, 50, 70, 90, 110 min, 30 of them free, 2 a minute.
    expect(waitCost).toBe((0 + 20 + 40 + 60 + 80) * 2);
  });

  it('that are few come back before they are loaded again', () => {
    // One truck: empty at 30, washed at 40, home at 60, loaded at 70, back at 90.
    const { trips, gap } = playDay(dayOf({ trucks: 1 }), 1);
    expect(trips.map((trip) => trip.arrived)).toEqual([0, 90]);
    expect(gap).toBe(85);
  });

  it('are loaded one after another', () => {
    // Ordered every 2 min, but the plant takes 10 to load each.
    const { trips } = playDay(dayOf({ spacing: 2 }), 1);
    expect(trips.map((trip) => trip.arrived)).toEqual([0, 10]);
  });

  it('bring a balance at the end, in the plant’s step, and one more where that was not enough', () => {
    const { trips, left, extraLoads } = playDay(dayOf({ stops: stopsOf(6, 2, 0.7) }), 1);
    // 8.4 m³: 6, and 2.4 rounded up to 2.5.
    expect(trips.map((trip) => trip.volume)).toEqual([6, 2.5]);
    expect(left).toBeCloseTo(0.1, 9);
    expect(extraLoads).toBe(0);
    const more = playDay(dayOf({ swell: 0.1 }), 1);
    // 13.2 m³: two full trucks, and the rest called for when they are empty.
    expect(more.trips.map((trip) => trip.volume)).toEqual([6, 6, 1.5]);
    expect(more.extraLoads).toBe(1);
    expect(more.trips[2]?.extra).toBe(true);
    expect(more.trips[2]?.batched).toBe(more.trips[1]?.to);
  });
});

describe('what crews see', () => {
  const yards = (count: number): number => count * CUBIC_METRES_PER_CUBIC_YARD;
  const placing = (ratePerHour: number, loads: readonly number[], change: Partial<Day> = {}): number => {
    const volume = loads.reduce((sum, load) => sum + load, 0);
    const day = dayOf({
      stops: stopsOf(30, 1, yards(volume) / 30),
      slices: 30,
      loads: loads.map(yards),
      truck: yards(10),
      rate: yards(ratePerHour),
      spacing: 30,
      change: 3,
      ...change,
    });
    return playDay(day, 1).finish;
  };

  it('is 5 1/2 yards by conveyor in about half an hour [common practice]', () => {
    expect(placing(11, [5.5])).toBeCloseTo(30, 6);
  });

  it('is thirty yards by pump in just under two hours [common practice]', () => {
    const minutes = placing(16, [10, 10, 10], { trucks: 3 });
    expect(minutes).toBeGreaterThan(105);
    expect(minutes).toBeLessThan(120);
  });

  it('is seven yards off the chute in more than half an hour [common practice]', () => {
    expect(placing(10, [7])).toBeGreaterThan(30);
  });
});

describe('a queue', () => {
  it('of steady arrivals and scattered loads waits no longer than theory allows [Kingman 1962; from memory]', () => {
    // Trucks every 40 min; a load takes 30 min over a lognormal pace, and 5 of change. Mean wait of such a queue is at most
    // (variance of arrivals + variance of service) / (2 · spacing · (1 − ρ)).
    const loads = 400;
    const scatter = 0.2;
    const day = dayOf({
      stops: Array.from({ length: loads }, () => ({
        slice: null,
        lift: 1,
        volume: 6,
        foot: 0,
        depth: 0,
        move: false,
        chuteMove: false,
      })),
      loads: Array.from({ length: loads }, () => 6),
      trucks: loads,
      load: 0,
      rateScatter: scatter,
    });
    const mean = 30 * Math.exp(scatter ** 2 / 2) + 5;
    const variance = 900 * (Math.exp(scatter ** 2) - 1) * Math.exp(scatter ** 2);
    const bound = variance / (2 * 40 * (1 - mean / 40));
    const waits = [1, 2, 3, 4, 5, 6].map((seed) => runDay(day, seed).waited / loads);
    const average = waits.reduce((sum, each) => sum + each, 0) / waits.length;
    expect(average).toBeGreaterThan(bound / 4);
    expect(average).toBeLessThanOrEqual(bound);
  });

  it('of trucks ordered at a steady pace grows by service less spacing, for any of them [D/D/1]', () => {
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 60 }), fc.integer({ min: 2, max: 8 }), (spacing, loads) => {
        const day = dayOf({
          stops: stopsOf(6, loads, 1),
          loads: Array.from({ length: loads }, () => 6),
          trucks: loads,
          load: 0,
          spacing,
        });
        const { trips } = playDay(day, 1);
        trips.forEach((trip, index) => {
          expect(trip.from - trip.arrived).toBeCloseTo(
            Math.max(index === 0 ? 0 : Math.max(0, 35 - spacing) * index, 0),
            6,
          );
        });
      }),
    );
  });
});

describe('a layer', () => {
  it('that waits too long makes a cold joint there, and nowhere else', () => {
    const { cold, gap, gapSlice } = playDay(dayOf({ working: 34 }), 1);
    expect(gap).toBe(35);
    expect(gapSlice).toBe(0);
    expect(cold).toEqual([0, 1, 2, 3, 4, 5]);
    // The second truck is late: only what it should have covered has waited.
    const late: DayEvent = { kind: 'late', at: 20, answer: 'wait', minutes: 30 };
    expect(playDay(dayOf({ working: 64 }), 1, [late]).cold).toEqual([0, 1, 2, 3, 4, 5]);
    expect(playDay(dayOf({ working: 66 }), 1, [late]).cold).toEqual([]);
  });

  it('that has nothing under it has not waited', () => {
    const apart: readonly DayStop[] = stopsOf(12, 1, 1);
    expect(playDay(dayOf({ stops: apart, slices: 12, working: 1 }), 1).cold).toEqual([]);
  });

  it('filled in one go presses with its whole depth', () => {
    const day = dayOf({ stops: stopsOf(6, 1, 2, 2), loads: [6, 6] });
    const head = day.fresh ? pressureOn('aci', day.fresh, 1000, 2) : 0;
    expect(playDay(day, 1).pressure).toBeCloseTo(head, 6);
    expect(head).toBeCloseTo((150 * 2) / METRES_PER_FOOT / 0.020885434, -1);
  });

  it('is told no pressure where the concrete cannot be', () => {
    expect(playDay(dayOf({ fresh: null }), 1).pressure).toBeNull();
  });
});

describe('troubles', () => {
  const with1 = (event: DayEvent, change: Partial<Day> = {}) => playDay(dayOf(change), 1, [event]);
  const plain = playDay(dayOf(), 1);

  it('a late truck makes the crew wait, or go slower until it comes', () => {
    const wait = with1({ kind: 'late', at: 12, answer: 'wait', minutes: 20 });
    expect(wait.trips[1]?.arrived).toBe(60);
    expect(wait.finish).toBe(plain.finish + 20);
    const slow = with1({ kind: 'late', at: 10, answer: 'slow', minutes: 20 });
    // 20 min of work left at 10 take 20 / 0.6.
    expect(slow.trips[0]?.to).toBeCloseTo(10 + 20 / 0.6, 9);
    expect(slow.finish).toBe(90);
    const stood = ({ idle }: typeof slow): number => idle.reduce((sum, each) => sum + each.to - each.from, 0);
    expect(stood(slow)).toBeLessThan(stood(wait));
  });

  it('a truck that is waited for can still be late', () => {
    const run = with1({ kind: 'late', at: 35, answer: 'wait', minutes: 20 });
    expect(run.trips.map((trip) => trip.arrived)).toEqual([0, 60]);
    expect(run.finish).toBe(plain.finish + 20);
  });

  it('a truck that is on site already is not late', () => {
    // Truck 2 is there at 15, waits, and begins at 35; the trouble at 20 meets the third.
    const day = { stops: stopsOf(6, 3, 1), loads: [6, 6, 6], spacing: 15 };
    const { trips } = with1({ kind: 'late', at: 20, answer: 'wait', minutes: 50 }, day);
    expect(trips.map((trip) => trip.arrived)).toEqual([0, 15, 80]);
  });

  it('a stiff load is thinned while the crew waits, or sent back and made up for', () => {
    expect(with1({ kind: 'stiff', at: 10, answer: 'thin', minutes: 5 }).finish).toBe(plain.finish);
    const thinned = with1({ kind: 'stiff', at: 50, answer: 'thin', minutes: 5 });
    expect(thinned.finish).toBe(plain.finish + 5);
    const back = with1({ kind: 'stiff', at: 15, answer: 'send-back', minutes: 0 });
    expect(back.trips[0]).toMatchObject({ sentBack: true, to: 15 });
    // Half of the first load is missing: a third one is called for.
    expect(back.trips).toHaveLength(3);
    expect(back.trips[2]).toMatchObject({ extra: true, volume: 3 });
    expect(back.placed.at(-1)?.stop).toBe(11);
    expect(back.left).toBeCloseTo(3, 9);
  });

  it('lightning stops everyone, or ends the day with bulkheads', () => {
    const wait = with1({ kind: 'lightning', at: 50, answer: 'wait', minutes: 30 });
    expect(wait.finish).toBe(plain.finish + 30);
    expect(wait.idle).toContainEqual({ from: 50, to: 80, why: 'lightning' });
    const off = with1({ kind: 'lightning', at: 50, answer: 'call-off', minutes: 0 });
    expect(off.complete).toBe(false);
    expect(off.finish).toBe(50);
    expect(off.left).toBeCloseTo(4, 9);
  });

  it('that come while nobody places run beside the wait', () => {
    // Between the trucks, from 30 to 40.
    expect(with1({ kind: 'lightning', at: 31, answer: 'wait', minutes: 8 }).finish).toBe(plain.finish);
    expect(with1({ kind: 'lightning', at: 31, answer: 'wait', minutes: 19 }).finish).toBe(plain.finish + 10);
  });

  it('a blowout is plated, or passed by for less', () => {
    const plated = with1({ kind: 'blowout', at: 50, answer: 'plate', minutes: 20 });
    const passed = with1({ kind: 'blowout', at: 50, answer: 'skip', minutes: 20 });
    expect(plated.finish).toBe(plain.finish + 20);
    expect(passed.finish).toBeLessThan(plated.finish);
    expect(passed.finish).toBeGreaterThan(plain.finish);
  });

  it('a broken pump is waited for, or the chute takes over at its own pace', () => {
    const wait = with1({ kind: 'pump', at: 50, answer: 'wait', minutes: 40 });
    expect(wait.finish).toBe(plain.finish + 40);
    const chute = with1({ kind: 'pump', at: 50, answer: 'chute', minutes: 0 });
    // 4 m³ left at 6 m³/h.
    expect(chute.finish).toBeCloseTo(50 + 40, 9);
  });

  it('happen in the order of their minutes, however they were thrown in; one beside another costs its time once', () => {
    const events: readonly DayEvent[] = [
      { kind: 'pump', at: 60, answer: 'wait', minutes: 10 },
      { kind: 'lightning', at: 45, answer: 'wait', minutes: 30 },
    ];
    const run = playDay(dayOf(), 1, events);
    expect(run.events.map(({ event, from, to }) => [event.kind, from, to])).toEqual([
      ['lightning', 45, 75],
      ['pump', 60, 70],
    ]);
    expect(run.finish).toBe(plain.finish + 30);
  });
});

describe('a day as a crew boss knows it', () => {
  it('waits for the pump to be primed, and for every truck to back in and be tested', () => {
    const run = playDay(dayOf({ backing: 5, prime: 10 }), 1);
    // There at 0, tested at 5, primed at 15; the second is there at 40, the hose free since 45.
    expect(run.trips.map((trip) => trip.from)).toEqual([15, 50]);
    expect(run.idle).toContainEqual({ from: 5, to: 15, why: 'prime' });
    // A truck that comes when nobody discharges is tested while the crew stands.
    const late = playDay(dayOf({ backing: 5, spacing: 60 }), 1);
    expect(late.trips[1]).toMatchObject({ arrived: 60, from: 65 });
    expect(late.idle).toContainEqual({ from: 60, to: 65, why: 'backing' });
  });

  it('is done when all is struck off and washed out, and pays for it', () => {
    const plain = playDay(dayOf(), 1);
    const run = playDay(dayOf({ after: 30, washOut: 20 }), 1);
    expect([run.finish, run.done]).toEqual([plain.finish, plain.finish + 30]);
    // Half an hour more of the crew at 60, twenty minutes more of the pump at 100.
    expect(run.cost - plain.cost).toBeCloseTo(30 + (20 / 60) * 100, 9);
  });

  it('sizes its balance when it is batched: what is sent back after that is called for by itself', () => {
    // Two loads of 6; the balance of what is left is batched at 10. The first load is sent back at 15 with 3 in it.
    const stops = stopsOf(6, 2, 0.9);
    const back: DayEvent = { kind: 'stiff', at: 15, answer: 'send-back', minutes: 0 };
    const run = playDay(dayOf({ stops }), 1, [back]);
    // 10.8 in all: 6, a balance of 5 out of 4.8, and 3 again, batched as it was sent back and the plant was free.
    expect(run.trips.map((trip) => [trip.volume, trip.batched])).toEqual([
      [6, -30],
      [5, 10],
      [3, 20],
    ]);
    expect(run.refused).toBe(1);
    // Sent back before the balance is batched, the balance does not bring it a second time.
    const later = playDay(dayOf({ stops, spacing: 60 }), 1, [back]);
    expect(later.trips.map((trip) => trip.volume)).toEqual([6, 3, 5]);
  });

  it('brings no short load', () => {
    const run = playDay(dayOf({ stops: stopsOf(6, 2, 0.52), least: 1 }), 1);
    expect(run.trips.map((trip) => trip.volume)).toEqual([6, 1]);
  });

  it('pays for what is loaded or on the road when it is called off', () => {
    const day = dayOf({ stops: stopsOf(6, 4, 1), loads: [6, 6, 6, 6], spacing: 15 });
    const off: DayEvent = { kind: 'lightning', at: 10, answer: 'call-off', minutes: 0 };
    // Batched at −30, −15 and 0; the fourth at 15 is stopped in time. 2 of the first are in the forms.
    const run = playDay(day, 1, [off]);
    expect(run.complete).toBe(false);
    expect(run.left).toBeCloseTo(4 + 6 + 6, 9);
  });

  it('sends an old load back where the rule has it so, and takes it otherwise', () => {
    const slow = { rate: 6, discharge: 70 };
    const taken = playDay(dayOf(slow), 1);
    expect(taken.age).toBeGreaterThan(70);
    expect(taken.refused).toBe(0);
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 20 }), fc.integer({ min: 45, max: 120 }), (rate, discharge) => {
        const day = dayOf({ rate, discharge, oldLoads: 'refuse', stops: stopsOf(6, 3, 1), loads: [6, 6, 6] });
        const run = playDay(day, 1);
        for (const trip of run.trips) expect(trip.to - trip.batched).toBeLessThanOrEqual(discharge + 1e-6);
        expect(run.age).toBeLessThanOrEqual(discharge + 1e-6);
        if (run.complete) expect(run.placed).toHaveLength(day.stops.length);
      }),
    );
    // A plant farther away than a load may be old is no endless day.
    expect(playDay(dayOf({ travel: 200, oldLoads: 'refuse' }), 1).complete).toBe(false);
  });

  it('goes on off the chute with its own pace, reach and moves', () => {
    const stops = stopsOf(6, 2, 1).map((stop) => ({
      ...stop,
      chuteMove: stop.slice === 2 || stop.slice === 4,
    }));
    const broken: DayEvent = { kind: 'pump', at: 50, answer: 'chute', minutes: 0 };
    const run = playDay(dayOf({ stops, chuteMoving: 6 }), 1, [broken]);
    // 4 m³ at 6 m³/h; the chute is set up where the hose stood, and moved before the fifth slice.
    expect(run.finish).toBeCloseTo(50 + 6 + 40 + 6, 9);
    expect(run.idle.filter(({ why }) => why === 'move')).toHaveLength(1);
  });
});

describe('the planned clock', () => {
  it('and the middle rehearsed day agree within a few minutes', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 300, max: 700 }),
        fc.integer({ min: 4, max: 8 }),
        fc.integer({ min: 30, max: 60 }),
        fc.constantFrom('pump', 'conveyor'),
        (length, courses, spacing, method) => {
          const plan = planOf(
            [
              [length, 90],
              [360, 90],
              [length, 90],
              [360, 90],
            ],
            { ...withCourses(courses), rules: { 'pour.truck.spacing': spacing, 'pour.method': method } },
          );
          const [pour] = work(plan).pour.pours;
          if (!pour) throw new Error('nothing is poured');
          const runs = Array.from({ length: 301 }, (_, day) => runDay(pour.day, seedOf(3, day)).finish);
          const middle = runs.sort((a, b) => a - b)[150] ?? 0;
          // Of some three hours; trucks early and late do not quite cancel out.
          expect(Math.abs(middle - pour.clock.finish)).toBeLessThanOrEqual(12);
        },
      ),
      { numRuns: 12 },
    );
  });
});

describe('any day', () => {
  const anyDay = fc.record({
    spacing: fc.integer({ min: 5, max: 120 }),
    trucks: fc.integer({ min: 1, max: 6 }),
    lifts: fc.integer({ min: 1, max: 4 }),
    rate: fc.integer({ min: 3, max: 30 }),
    seed: fc.integer({ min: 0, max: 1e9 }),
  });
  const build = ({
    spacing,
    trucks,
    lifts,
    rate,
  }: {
    spacing: number;
    trucks: number;
    lifts: number;
    rate: number;
  }) => {
    const loads = Array.from({ length: lifts }, () => 6);
    return scattered({ stops: stopsOf(6, lifts, 1), loads, spacing, trucks, rate });
  };

  it('is the same for the same seed, whatever was played before it', () => {
    fc.assert(
      fc.property(anyDay, (each) => {
        const day = build(each);
        const scratch = scratchFor(day);
        const first = runDay(day, each.seed, scratch);
        runDay(day, each.seed + 1, scratch);
        expect(runDay(day, each.seed, scratch)).toEqual(first);
      }),
      { numRuns: 40 },
    );
  });

  it('places everything in order, out of trucks that are there, and loses no concrete', () => {
    fc.assert(
      fc.property(anyDay, (each) => {
        const day = build(each);
        const run = playDay(day, each.seed);
        expect(run.placed.map(({ stop }) => stop)).toEqual(day.stops.map((_, index) => index));
        let last = 0;
        for (const { from, to } of run.placed) {
          expect(from).toBeGreaterThanOrEqual(last - 1e-9);
          expect(to).toBeGreaterThanOrEqual(from);
          last = to;
        }
        for (const [index, trip] of run.trips.entries()) {
          expect(trip.arrived).toBeGreaterThan(trip.batched);
          expect(trip.from).toBeGreaterThanOrEqual(trip.arrived - 1e-9);
          const before = run.trips[index - 1];
          if (before) expect(trip.from).toBeGreaterThanOrEqual(before.to + day.change - 1e-9);
        }
        const brought = run.trips.reduce((sum, trip) => sum + trip.volume, 0);
        const drawn = day.stops.reduce((sum, stop) => sum + stop.volume, 0);
        // What was brought is in the forms or left over; forms took what was drawn, and some more.
        expect(brought - run.left).toBeGreaterThanOrEqual(drawn - 1e-4);
        expect(brought - run.left).toBeLessThan(drawn * 1.15);
      }),
      { numRuns: 60 },
    );
  });

  it('does not begin before its hour, though the first truck may be early', () => {
    fc.assert(
      fc.property(anyDay, (each) => {
        const run = playDay(build(each), each.seed);
        expect(run.placed[0]?.stop).toBe(0);
        expect(run.placed[0]?.from).toBeGreaterThanOrEqual(0);
      }),
    );
  });

  it('takes longer with a slower crew', () => {
    fc.assert(
      fc.property(anyDay, (each) => {
        const day = build(each);
        const faster = { ...day, rate: day.rate * 1.5 };
        expect(runDay(faster, each.seed).finish).toBeLessThanOrEqual(runDay(day, each.seed).finish + 1e-9);
      }),
      { numRuns: 40 },
    );
  });
});
