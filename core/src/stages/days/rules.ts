import type { ChoiceRule, CountRule } from '../../kernel/rules';

const commonPractice = { kind: 'common practice' } as const;
const ours = { kind: 'ours' } as const;

const rate = <const Id extends string>(id: Id, statement: string, reason: string, value: number) =>
  ({ id, type: 'count', statement, reason, default: value, least: 0, most: 2000, source: ours }) as const;

/** Rules of the days that are counts. */
const daysCountRules = {
  'days.people': {
    id: 'days.people',
    type: 'count',
    statement: 'The crew is {value} people.',
    reason: 'A day of its own number of people is set in the list of days.',
    default: 4,
    least: 1,
    most: 60,
    source: ours,
  },
  'days.hours': {
    id: 'days.hours',
    type: 'count',
    statement: 'A working day has {value} hours.',
    reason: 'Hours at work, without the way there and the noon break.',
    default: 8,
    least: 2,
    most: 16,
    source: ours,
  },
  'days.begin': {
    id: 'days.begin',
    type: 'count',
    statement: 'Work begins at {value} o’clock.',
    reason: 'Cool mornings are best for concrete.',
    default: 7,
    least: 0,
    most: 18,
    source: ours,
  },
  'days.rate.strip': rate(
    'days.rate.strip',
    'Stripping 100 ft of footing forms takes {value} man-minutes.',
    'Forms pulled, cleaned and stacked.',
    120,
  ),
  'days.rate.chalk': rate(
    'days.rate.chalk',
    'Chalking and squaring 100 ft of wall takes {value} man-minutes.',
    'Two pull, two snap, and the diagonals are pulled again.',
    90,
  ),
  'days.rate.survey': rate(
    'days.rate.survey',
    'Surveying and shimming 100 ft of footing takes {value} man-minutes.',
    'A reading every few feet and what it asks for.',
    120,
  ),
  'days.rate.first': {
    ...rate(
      'days.rate.first',
      'The first course takes {value} man-minutes for 100 ft.',
      'Half an hour by eight people for 560 ft.',
      43,
    ),
    source: commonPractice,
  },
  'days.rate.wall': {
    ...rate(
      'days.rate.wall',
      'Each further course takes {value} man-minutes for 10 ft² of wall, bars in it.',
      '0.035 man-hours a square foot for four courses with all that goes with them.',
      21,
    ),
    source: commonPractice,
  },
  'days.rate.corner': rate(
    'days.rate.corner',
    'A corner adds {value} man-minutes to a course.',
    'Corners are set first and checked twice.',
    4,
  ),
  'days.rate.opening': rate(
    'days.rate.opening',
    'An opening adds {value} man-minutes to each course that it cuts.',
    'Cuts at both sides, and the buck to fit.',
    15,
  ),
  'days.rate.buck': rate(
    'days.rate.buck',
    'A buck takes {value} man-minutes to make and to set.',
    'Cut, put together, braced square, set and fastened.',
    75,
  ),
  'days.rate.brace': rate(
    'days.rate.brace',
    'A brace with its share of planks takes {value} man-minutes.',
    'Upright, screws, leg, bracket, planks over.',
    25,
  ),
  'days.rate.vertical': rate(
    'days.rate.vertical',
    'A vertical takes {value} man-minutes.',
    'Dropped from the planks and tied at its dowel.',
    4,
  ),
  'days.rate.insert': rate(
    'days.rate.insert',
    'An insert takes {value} man-minutes.',
    'Marked, cut, set, capped.',
    25,
  ),
  'days.rate.straighten': {
    ...rate(
      'days.rate.straighten',
      'Straightening 100 ft of wall takes {value} man-minutes.',
      'Strings and every leg: most of a day for two.',
      200,
    ),
    source: commonPractice,
  },
  'days.rate.list': rate(
    'days.rate.list',
    'The list before the pump takes {value} man-minutes.',
    'Two people walk along every wall.',
    60,
  ),
  'days.rate.bolt': rate(
    'days.rate.bolt',
    'A bolt or a yard of top takes {value} man-minutes.',
    'Struck off, set, and checked for height.',
    5,
  ),
  'days.rate.sight': rate(
    'days.rate.sight',
    'Sighting 100 ft of wall while it is soft takes {value} man-minutes.',
    'Strings once more, legs turned while the concrete still moves.',
    30,
  ),
  'days.rate.unbrace': rate(
    'days.rate.unbrace',
    'Taking a brace down takes {value} man-minutes.',
    'Planks off, screws out, carried and stacked.',
    10,
  ),
  'days.rate.seal': rate(
    'days.rate.seal',
    'Membrane, drain and protection take {value} man-minutes for 100 ft of wall.',
    'Primed, rolled, lapped; the drain bedded; boards stood on.',
    300,
  ),
  'days.rate.backfill': rate(
    'days.rate.backfill',
    'Backfilling 100 ft of wall evenly takes {value} man-minutes.',
    'In passes all round, with a machine and a watcher.',
    120,
  ),
  'days.wait.stand': {
    id: 'days.wait.stand',
    type: 'count',
    statement: 'A straightened wall stands {value} hours before concrete.',
    reason: 'What moves overnight is turned back in the morning.',
    default: 24,
    least: 0,
    most: 240,
    source: commonPractice,
  },
  'days.wait.braces': {
    id: 'days.wait.braces',
    type: 'count',
    statement: 'Braces stay on for {value} hours after the pour.',
    reason: 'Longer in the cold: the engineer or the code decides.',
    default: 24,
    least: 12,
    most: 336,
    source: commonPractice,
  },
  'days.wait.backfill': {
    id: 'days.wait.backfill',
    type: 'count',
    statement: 'Backfill waits {value} days after the pour.',
    reason: 'For strength, and for the floor or braces that hold the wall: IRC R404.1.7, from memory.',
    default: 7,
    least: 1,
    most: 56,
    source: commonPractice,
  },
} as const satisfies Record<string, CountRule>;

/** Rules of the days that are choices. */
const daysChoiceRules = {
  'days.week': {
    id: 'days.week',
    type: 'choice',
    statement: 'The crew works {value}.',
    reason: 'Owner-builders often have the weekend alone.',
    default: 'mon-fri',
    choices: [
      { value: 'mon-fri', label: 'Monday to Friday' },
      { value: 'mon-sat', label: 'Monday to Saturday' },
      { value: 'sat-sun', label: 'on weekends' },
      { value: 'every', label: 'every day' },
    ],
    source: ours,
  },
} as const satisfies Record<string, ChoiceRule>;

/** House rules of the days. */
export const daysRules = { ...daysCountRules, ...daysChoiceRules };

declare module '../../kernel/rules/rule' {
  interface CountRules extends Record<keyof typeof daysCountRules, CountRule> {}
  interface ChoiceRules extends Record<keyof typeof daysChoiceRules, ChoiceRule> {}
}
