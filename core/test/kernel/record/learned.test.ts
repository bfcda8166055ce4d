import { describe, expect, it } from 'vitest';
import { type Entry, learnRates, ratesSeen, weightedQuantile } from '../../../src/kernel/record';
import { entryOf, workOn } from '../../support/entries';

const learn = (entries: readonly Entry[], house = 20) =>
  learnRates(ratesSeen('job', entries), () => house, 3);

/** A day of so many man-minutes where 100 were planned at a rate of 20. */
const dayAt = (manMinutes: number, day: string, more: object = {}): Entry =>
  workOn('course:2', { day, manMinutes, ...more });

describe('rates that are learned', () => {
  it('are worked by hand: 150 man-minutes where 100 were planned at 20 make 30', () => {
    const [rate] = learn([dayAt(150, '2027-03-02')]);
    expect(rate).toMatchObject({ rule: 'days.rate.wall', middle: 30, low: 30, high: 30 });
  });

  it('are not ruled by two odd days: the house rule counts as three', () => {
    const odd = [dayAt(300, '2027-03-02'), dayAt(320, '2027-03-03')];
    expect(learn(odd)[0]).toMatchObject({ ours: 20, middle: 60 });
    const four = [...odd, dayAt(310, '2027-03-04'), dayAt(305, '2027-03-05')];
    // 20 weighs 3 of 7 days, so the middle one of seven is the lowest that was worked: 60.
    expect(learn(four)[0]?.ours).toBe(60);
  });

  it('are of a day’s weight: a morning counts less', () => {
    const long = workOn('course:3', { manMinutes: 900, planned: 1000, rates: { 'days.rate.wall': 20 } });
    const short = [1, 2].map((day) => dayAt(300, `2027-03-0${String(day)}`));
    // 18 weighs 1000, 60 weighs 200 in all.
    expect(learn([long, ...short])[0]).toMatchObject({ middle: 18 });
  });

  it('leave out days with somebody new to it, where there are others', () => {
    const slow = dayAt(400, '2027-03-02', { first: true });
    expect(learn([slow])[0]?.middle).toBe(80);
    expect(learn([slow, dayAt(100, '2027-03-03')])[0]).toMatchObject({ middle: 20, high: 20 });
    expect(learn([slow, dayAt(100, '2027-03-03')])[0]?.days).toHaveLength(2);
  });

  it('say nothing of work that nobody counted, was taken back, or belongs to no rule', () => {
    expect(learn([workOn('course:2')])).toEqual([]);
    const day = dayAt(150, '2027-03-02');
    expect(learn([day, entryOf('withdrawn', { why: '' }, { corrects: day.id })])).toEqual([]);
    expect(learnRates(ratesSeen('job', [dayAt(150, '2027-03-02')]), () => null, 3)).toEqual([]);
  });

  it('know how fast concrete was placed: 24 m³ in two hours are 12 an hour', () => {
    const pour = entryOf('pour', {
      day: '2027-03-09',
      pour: 'pour-1',
      placedM3: 24,
      rule: 'pour.rate.pump',
      minutes: 120,
      trucks: 4,
      word: '',
    });
    expect(learn([pour], 10)[0]).toMatchObject({ rule: 'pour.rate.pump', middle: 12 });
  });
});

describe('the weighted quantile', () => {
  it('of whole weights is the quantile of values written so many times', () => {
    const seen = [
      { value: 5, weight: 2 },
      { value: 1, weight: 1 },
      { value: 9, weight: 4 },
    ];
    const written = [1, 5, 5, 9, 9, 9, 9];
    for (const share of [0.1, 0.25, 0.5, 0.75, 1]) {
      expect(weightedQuantile(seen, share)).toBe(written[Math.ceil(share * written.length) - 1]);
    }
  });
});
