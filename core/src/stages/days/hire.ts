import { type Figure, figureOf } from '../../kernel/figures/figure';
import { type How, evaluate, given, givenCount } from '../../kernel/figures/how';
import type { HouseRules } from '../../kernel/rules';
import { type Clock, dayOf } from './calendar';

/** Braces of a pour: from when until when they are hired, and what that costs. */
export interface Hire {
  readonly pour: string;
  readonly name: string;
  readonly frames: number;
  /** First and last day that they are wanted, counted from the first day of the job. */
  readonly from: number;
  readonly until: number;
  readonly money: Figure;
  /** What one day later costs: the crew of a day, and the frames for one more. */
  readonly slip: Figure;
}

/** What `hireOf` goes by. */
interface HireInput {
  readonly pour: string;
  readonly name: string;
  readonly frames: number;
  /** When braces go up, and when they are down again. */
  readonly up: Clock;
  readonly down: Clock;
  /** People of the crew as a rule. */
  readonly people: number;
  readonly rules: HouseRules;
}

const WEEK = 7;

/**
 * What braces cost over the days of a pour, in whole weeks, and what a day’s slip costs. Money is the job’s own.
 *
 * @example hireOf({ pour: 'p', name: 'Pour 1', frames: 10, up: 0, down: 8 * 1440, people: 4, rules }).money.value // 240
 */
export function hireOf({ pour, name, frames, up, down, people, rules }: HireInput): Hire {
  const from = dayOf(up);
  const until = Math.max(from, dayOf(Math.max(up, down - 1)));
  const weeks: How = {
    op: 'rounded-up',
    name: 'whole weeks',
    unit: 'count',
    of: [
      {
        op: 'quotient',
        name: 'weeks',
        unit: 'ratio',
        of: [givenCount('days', until - from + 1), givenCount('days a week', WEEK)],
      },
      givenCount('a week', 1),
    ],
  };
  const aWeek = givenCount('a frame a week', rules.count('days.money.frame'));
  const product = (title: string, of: readonly How[]): How => ({
    op: 'product',
    name: title,
    unit: 'money',
    of,
  });
  const money: How = product('frames', [givenCount('frames', frames), weeks, aWeek]);
  const slip: How = {
    op: 'sum',
    name: 'a day later',
    unit: 'money',
    of: [
      product('crew', [
        givenCount('people', people),
        givenCount('hours', rules.count('days.hours')),
        givenCount('an hour of one', rules.count('pour.money.crew')),
      ]),
      {
        op: 'quotient',
        name: 'frames for a day',
        unit: 'money',
        of: [
          product('frames for a week', [givenCount('frames', frames), aWeek]),
          given('days a week', 'ratio', WEEK),
        ],
      },
    ].filter((each) => evaluate(each as How) > 0) as How[],
  };
  return {
    pour,
    name,
    frames,
    from,
    until,
    money: figureOf({
      id: `days.hire.${pour}`,
      title: `Hire of braces, ${name}`,
      how: money,
      rules: ['days.money.frame'],
      pieces: {},
    }),
    slip: figureOf({
      id: `days.slip.${pour}`,
      title: `What a day later costs, ${name}`,
      how: slip,
      rules: ['days.hours', 'pour.money.crew', 'days.money.frame'],
      pieces: {},
    }),
  };
}
