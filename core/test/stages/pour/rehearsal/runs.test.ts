import { describe, expect, it } from 'vitest';
import { drawFrom, factor, normal } from '../../../../src/kernel/chance/random';
import {
  type Day,
  type Odds,
  type Ordered,
  type TruckSearch,
  bestOf,
  bestTrucks,
  manyDays,
  riskOf,
  runDay,
  seedOf,
  spacingWhy,
  spreadOf,
} from '../../../../src/stages/pour/rehearsal';
import { dayOf, scattered, stopsOf } from '../../../support/days';

function oddsOf(
  day: Day,
  days = 1000,
  seed = 3,
): { readonly odds: Odds; readonly reports: readonly number[] } {
  const steps = manyDays(day, seed, days);
  const reports: number[] = [];
  for (;;) {
    const step = steps.next();
    if (step.done === true) return { odds: step.value, reports };
    reports.push(step.value);
  }
}

describe('draws', () => {
  it('are the same for a seed and spread evenly', () => {
    const [one, other] = [drawFrom(42), drawFrom(42)];
    const drawn = Array.from({ length: 10_000 }, () => one());
    expect(drawn.slice(0, 5)).toEqual(Array.from({ length: 5 }, () => other()));
    expect(drawn.every((each) => each >= 0 && each < 1)).toBe(true);
    expect(drawn.reduce((sum, each) => sum + each, 0) / drawn.length).toBeCloseTo(0.5, 1);
  });

  it('make a normal spread with mean 0 and deviation 1, and factors with median 1', () => {
    const draw = drawFrom(7);
    const values = Array.from({ length: 20_000 }, () => normal(draw));
    const mean = values.reduce((sum, each) => sum + each, 0) / values.length;
    const deviation = Math.sqrt(values.reduce((sum, each) => sum + (each - mean) ** 2, 0) / values.length);
    expect(mean).toBeCloseTo(0, 1);
    expect(deviation).toBeCloseTo(1, 1);
    const factors = Array.from({ length: 10_001 }, () => factor(0.2, draw)).sort((a, b) => a - b);
    expect(factors[5000]).toBeCloseTo(1, 1);
    expect(factors[0]).toBeGreaterThan(0);
    expect(factor(0, draw)).toBe(1);
  });

  it('give days seeds of their own', () => {
    const seeds = Array.from({ length: 10_000 }, (_, day) => seedOf(5, day));
    expect(new Set(seeds).size).toBe(10_000);
    expect(seedOf(5, 0)).toBe(5);
  });
});

describe('a spread', () => {
  it('knows mean, middle and tenths, and counts every day once', () => {
    const spread = spreadOf(Float64Array.from({ length: 100 }, (_, index) => index));
    expect(spread).toMatchObject({ mean: 49.5, tenth: 10, middle: 50, ninetieth: 90 });
    expect(spread.bins.reduce((sum, bin) => sum + bin.days, 0)).toBe(100);
    expect(spread.bins[0]?.from).toBe(0);
    expect(spread.bins.at(-1)?.to).toBeCloseTo(99, 9);
  });

  it('of days that are all alike is one bin', () => {
    const { bins } = spreadOf(new Float64Array(50).fill(7));
    expect(bins[0]).toEqual({ from: 7, to: 7, days: 50 });
    expect(bins.slice(1).every((bin) => bin.days === 0)).toBe(true);
  });
});

describe('many days', () => {
  it('of a steady day are that day again and again', () => {
    const { odds } = oddsOf(dayOf({ working: 34, dark: 69 }), 300);
    const day = runDay(dayOf(), 0);
    expect(odds.finish.mean).toBeCloseTo(day.finish, 9);
    expect(odds.gap).toMatchObject({ tenth: 35, middle: 35, ninetieth: 35 });
    expect(odds.cold).toBe(1);
    expect(odds.dark).toBe(1);
    expect(odds.coldAt).toEqual([300, 300, 300, 300, 300, 300]);
    expect(odds.overAge).toBe(0);
  });

  it('count what each of them came to', () => {
    const day = scattered({ working: 45, discharge: 62, dark: 80 });
    const { odds } = oddsOf(day, 500, 11);
    const runs = Array.from({ length: 500 }, (_, index) => runDay(day, seedOf(11, index)));
    const share = (of: (run: (typeof runs)[number]) => boolean): number => runs.filter(of).length / 500;
    expect(odds.cold).toBe(share((run) => run.cold.length > 0));
    expect(odds.overAge).toBe(share((run) => run.age > 62));
    expect(odds.dark).toBe(share((run) => run.finish > 80));
    expect(odds.waits).toBe(share((run) => run.waitCost > 0));
    expect(odds.extraLoad).toBe(share((run) => run.extraLoads > 0));
    expect(odds.coldAt[2]).toBe(runs.filter((run) => run.cold.includes(2)).length);
    // Neither never nor always: otherwise this would say nothing.
    expect(odds.cold).toBeGreaterThan(0);
    expect(odds.cold).toBeLessThan(1);
    expect(odds.overAge).toBeGreaterThan(0);
  });

  it('say how far they are, and can be left', () => {
    const { reports } = oddsOf(scattered(), 1000);
    expect(reports).toEqual([250, 500, 750, 1000]);
  });

  it('say nothing of dark and pressure where nobody has', () => {
    const { odds } = oddsOf(scattered({ dark: null, fresh: null }), 50);
    expect(odds.dark).toBeNull();
    expect(odds.pressure).toBeNull();
  });

  it('are worse with trucks far apart, and in the heat', () => {
    const day = scattered({ stops: stopsOf(6, 3, 1), loads: [6, 6, 6], trucks: 2 });
    const cold = (change: Partial<Day>): number => oddsOf({ ...day, ...change }, 400).odds.cold;
    expect(cold({ spacing: 90 })).toBeGreaterThan(cold({ spacing: 40 }));
    expect(cold({ working: 45 })).toBeGreaterThan(cold({ working: 90 }));
  });
});

describe('the best trucks', () => {
  const search = (day: Day, mostOdds = 0.05): TruckSearch => {
    const steps = bestTrucks(day, 2, mostOdds);
    for (;;) {
      const step = steps.next();
      if (step.done === true) return step.value;
    }
  };
  const day = scattered({ stops: stopsOf(6, 5, 1), loads: [6, 6, 6, 6, 6], working: 75 });

  it('are the best of all that were tried: the risk first, then the waiting, then the money', () => {
    const { best, tried, done, of } = search(day);
    expect(done).toBe(of);
    expect(tried).toHaveLength(of);
    if (!best) throw new Error('none found');
    expect(bestOf(tried, 0.05)).toEqual(best);
    expect(riskOf(best)).toBeLessThanOrEqual(0.05);
    const waits = ({ waited, stood }: Ordered): number => waited + stood;
    const safe = tried.filter((each) => riskOf(each) <= 0.05);
    const least = Math.min(...safe.map(waits));
    expect(waits(best)).toBeLessThanOrEqual(Math.max(least + 10, least * 1.1));
    // Of those that wait about as little none is cheaper by more than the tolerance.
    const quick = safe.filter((each) => waits(each) <= Math.max(least + 10, least * 1.1));
    expect(best.cost).toBeLessThanOrEqual(Math.min(...quick.map(({ cost }) => cost)) * 1.02);
  });

  it('come about as often as the crew empties one', () => {
    const { best } = search(day);
    const { service } = spacingWhy(day, 30);
    expect(service).toBe(35);
    expect(best?.spacing).toBeGreaterThanOrEqual(service - 10);
    expect(best?.spacing).toBeLessThanOrEqual(service + 15);
  });

  it('come farther apart off a chute, where 30 minutes are too tight', () => {
    const chute = { ...day, rate: 7.6, money: { ...day.money, pump: 0 } };
    const why = spacingWhy(chute, 30);
    // 6 m³ at 7.6 m³/h take 47 min, and 5 of change: every truck waits 22 min longer than the one before it.
    expect(why.service).toBeCloseTo(52.37, 2);
    expect(why.grows).toBeCloseTo(22.37, 2);
    expect(why.lastWaits).toBeCloseTo(4 * 22.37, 1);
    const tight = search(chute).tried.find((each) => each.trucks === 5 && each.spacing === 30);
    const { best } = search(chute);
    expect(best?.spacing).toBeGreaterThan(30);
    expect(tight?.overAge).toBeGreaterThan(best?.overAge ?? 0);
  });

  it('of ways about as good are the fewest, then the farthest apart', () => {
    const one: Ordered = {
      trucks: 2,
      spacing: 40,
      cold: 0,
      overAge: 0,
      over: 0,
      waited: 20,
      stood: 5,
      cost: 100,
      waitCost: 0,
      finish: 90,
    };
    expect(bestOf([{ ...one, trucks: 3 }, one], 0.05)).toBe(one);
    expect(bestOf([{ ...one, spacing: 35 }, one], 0.05)).toBe(one);
    // A cent or a minute less is not worth another truck; half an hour of waiting is.
    expect(bestOf([{ ...one, trucks: 3, cost: 99, waited: 19 }, one], 0.05)).toBe(one);
    const slow = { ...one, waited: 60, cost: 60 };
    expect(bestOf([slow, one], 0.05)).toBe(one);
    // What is over the odds comes last, however cheap; of such the least risky.
    const bad = { ...one, cold: 0.2, cost: 1 };
    const worse = { ...one, over: 0.3, cost: 0 };
    expect(bestOf([bad, one, worse], 0.05)).toBe(one);
    expect(bestOf([worse, bad], 0.05)).toBe(bad);
    expect(bestOf([], 0.05)).toBeNull();
  });
});
