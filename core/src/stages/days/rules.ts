import { METRES_PER_FOOT, inches, toFahrenheit } from '../../kernel/measure';
import type { ChoiceRule, CountRule, LengthRule, QuantityRule } from '../../kernel/rules';

const commonPractice = { kind: 'common practice' } as const;
const ours = { kind: 'ours' } as const;
/** Man-minutes a foot, and a square foot, in the base of such rules. */
const aFoot = (manMinutes: number): number => manMinutes / METRES_PER_FOOT;
const aSquareFoot = (manMinutes: number): number => manMinutes / METRES_PER_FOOT ** 2;

/** What all rates along a wall have alike. */
const alongWall = { type: 'quantity', of: 'work-along', least: 0, most: aFoot(60), source: ours } as const;
/** What all rates of a piece have alike. */
const ofPiece = { type: 'count', least: 0, most: 2000, source: ours } as const;

/** Rates of work that have a unit. */
const daysQuantityRules = {
  'days.rate.strip': {
    id: 'days.rate.strip',
    ...alongWall,
    statement: 'Stripping the footing forms takes {value}.',
    reason: 'Forms pulled, cleaned and stacked.',
    default: aFoot(1.2),
    metric: 4,
  },
  'days.rate.chalk': {
    id: 'days.rate.chalk',
    ...alongWall,
    statement: 'Chalking and squaring takes {value}.',
    reason: 'Two people pull, two snap, and the diagonals are pulled again.',
    default: aFoot(0.9),
    metric: 3,
  },
  'days.rate.survey': {
    id: 'days.rate.survey',
    ...alongWall,
    statement: 'Surveying and shimming takes {value}.',
    reason: 'A reading every few feet and what it asks for.',
    default: aFoot(1.2),
    metric: 4,
  },
  'days.rate.first': {
    id: 'days.rate.first',
    ...alongWall,
    statement: 'The first course takes {value}.',
    reason: 'Half an hour by eight people for 560 ft.',
    default: aFoot(0.43),
    metric: 1.4,
    source: commonPractice,
  },
  'days.rate.wall': {
    id: 'days.rate.wall',
    type: 'quantity',
    of: 'work-on',
    statement: 'Each further course takes {value} of wall, bars in it.',
    reason: '0.035 man-hours a square foot for four courses with all that goes with them.',
    default: aSquareFoot(2.1),
    metric: 22.5,
    least: 0,
    most: aSquareFoot(200),
    source: commonPractice,
  },
  'days.rate.straighten': {
    id: 'days.rate.straighten',
    ...alongWall,
    statement: 'Straightening takes {value}.',
    reason: 'Strings and every leg: most of a day for two.',
    default: aFoot(2),
    metric: 6.5,
    source: commonPractice,
  },
  'days.rate.top': {
    id: 'days.rate.top',
    ...alongWall,
    statement: 'Striking the top off takes {value}.',
    reason: 'Struck off level, and clean for what comes on it.',
    default: aFoot(1.5),
    metric: 5,
  },
  'days.rate.sight': {
    id: 'days.rate.sight',
    ...alongWall,
    statement: 'Sighting while the concrete is soft takes {value}.',
    reason: 'Strings once more, legs turned while it still moves.',
    default: aFoot(0.3),
    metric: 1,
  },
  'days.rate.plates': {
    id: 'days.rate.plates',
    ...alongWall,
    statement: 'Plates and ledger nuts take {value}.',
    reason: 'Plates marked from the bolts, drilled, laid and drawn down.',
    default: aFoot(2),
    metric: 6.5,
  },
  'days.rate.floor': {
    id: 'days.rate.floor',
    ...alongWall,
    statement: 'Putting the floor on, or braces in, takes {value}.',
    reason: 'What holds the wall against the fill; carpenters of their own take it over.',
    default: aFoot(6),
    metric: 20,
  },
  'days.rate.seal': {
    id: 'days.rate.seal',
    ...alongWall,
    statement: 'Membrane, drain and protection take {value}.',
    reason: 'Primed, rolled, lapped; the drain bedded; boards stood on.',
    default: aFoot(3),
    metric: 10,
  },
  'days.air.hot': {
    id: 'days.air.hot',
    type: 'quantity',
    of: 'temperature',
    statement: 'Air over {value} makes a hot pour.',
    reason: 'Concrete stiffens sooner; start early and bring the trucks closer.',
    default: 90,
    metric: toFahrenheit(32),
    least: 60,
    most: 130,
    source: { kind: 'standard', name: 'ACI 305R', fromMemory: true },
  },
  'days.rate.backfill': {
    id: 'days.rate.backfill',
    ...alongWall,
    statement: 'Backfilling evenly takes {value}.',
    reason: 'In passes all round, with a machine and a watcher.',
    default: aFoot(1.2),
    metric: 4,
  },
} as const satisfies Record<string, QuantityRule>;

/** Rules of the days that take a length. */
const daysLengthRules = {
  'days.rain.wet': {
    id: 'days.rain.wet',
    type: 'length',
    statement: 'Rain of {value} or more in a day stops what must stay dry, and softens the way for trucks.',
    reason: 'Membrane does not stick, fill turns to mud, a slope gets greasy.',
    default: inches(0.3125),
    least: inches(0.0625),
    most: inches(6),
    source: ours,
  },
} as const satisfies Record<string, LengthRule>;

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
  'days.newcomers': {
    id: 'days.newcomers',
    type: 'count',
    statement: '{value} of the crew are new to this work.',
    reason: 'A day of its own number is set in the list of days.',
    default: 0,
    least: 0,
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
  'days.rate.corner': {
    id: 'days.rate.corner',
    ...ofPiece,
    statement: 'A corner adds {value} man-minutes to a course.',
    reason: 'Corners are set first and checked twice.',
    default: 4,
  },
  'days.rate.opening': {
    id: 'days.rate.opening',
    ...ofPiece,
    statement: 'An opening adds {value} man-minutes to each course that it cuts.',
    reason: 'Cuts at both sides, and the buck to fit.',
    default: 15,
  },
  'days.rate.buck': {
    id: 'days.rate.buck',
    ...ofPiece,
    statement: 'A buck takes {value} man-minutes to make and to set.',
    reason: 'Cut, put together, braced square, set and fastened.',
    default: 75,
  },
  'days.rate.brace': {
    id: 'days.rate.brace',
    ...ofPiece,
    statement: 'A brace with its share of planks takes {value} man-minutes.',
    reason: 'Upright, screws, leg, bracket, planks over.',
    default: 25,
  },
  'days.rate.vertical': {
    id: 'days.rate.vertical',
    ...ofPiece,
    statement: 'A vertical takes {value} man-minutes.',
    reason: 'Dropped from the planks and tied at its dowel.',
    default: 4,
  },
  'days.rate.insert': {
    id: 'days.rate.insert',
    ...ofPiece,
    statement: 'An insert takes {value} man-minutes.',
    reason: 'Marked, cut, set and capped, one by one.',
    default: 25,
  },
  'days.rate.list': {
    id: 'days.rate.list',
    ...ofPiece,
    statement: 'The list before the pump takes {value} man-minutes.',
    reason: 'Two people walk along every wall.',
    default: 60,
  },
  'days.rate.bolt': {
    id: 'days.rate.bolt',
    ...ofPiece,
    statement: 'An anchor bolt takes {value} man-minutes.',
    reason: 'Set by the line, and checked for its height.',
    default: 5,
  },
  'days.rate.unbrace': {
    id: 'days.rate.unbrace',
    ...ofPiece,
    statement: 'Taking a brace down takes {value} man-minutes.',
    reason: 'Planks off, screws out, carried and stacked.',
    default: 10,
  },
  'days.money.frame': {
    id: 'days.money.frame',
    type: 'count',
    statement: 'A brace frame rents for {value} a week.',
    reason: 'From the day it comes to the day it goes back, in whole weeks.',
    default: 12,
    least: 0,
    most: 1000,
    source: ours,
  },
  'days.first.timers': {
    id: 'days.first.timers',
    type: 'count',
    statement: 'Somebody new to this work does {value} % of what the others do.',
    reason: 'About half after the first two courses; a third or a quarter in those.',
    default: 50,
    least: 10,
    most: 100,
    source: ours,
  },
  'days.wind.empty': {
    id: 'days.wind.empty',
    type: 'count',
    statement: 'Gusts of {value} mph or more call for a look where a wall stands empty, and before a pour.',
    reason: 'Every brace and stake before such a night; boom and planks before such a pour.',
    default: 25,
    least: 5,
    most: 120,
    source: ours,
  },
  'days.rain.days': {
    id: 'days.rain.days',
    type: 'count',
    statement: 'A way for trucks is soaked by the rain of the last {value} days.',
    reason: 'Clay stays soft longer than gravel.',
    default: 3,
    least: 1,
    most: 14,
    source: ours,
  },
  'days.learned.house': {
    id: 'days.learned.house',
    type: 'count',
    statement: 'Beside the days of the logs, the house rule counts as {value} days of average work.',
    reason: 'Two odd days do not decide.',
    default: 3,
    least: 0,
    most: 100,
    source: ours,
  },
  'days.ahead.inspection': {
    id: 'days.ahead.inspection',
    type: 'count',
    statement: 'An inspection is booked {value} working days ahead.',
    reason: 'Inspectors come when their office sends them; ask yours.',
    default: 2,
    least: 0,
    most: 60,
    source: ours,
  },
  'days.ahead.pump': {
    id: 'days.ahead.pump',
    type: 'count',
    statement: 'Pump and concrete are booked {value} working days ahead.',
    reason: 'Good mornings go first; the balance is ordered on the day.',
    default: 5,
    least: 0,
    most: 60,
    source: ours,
  },
  'days.inspection': {
    id: 'days.inspection',
    type: 'count',
    statement: 'An inspection takes {value} minutes.',
    reason: 'Somebody of the crew should be there to show bars and cover.',
    default: 60,
    least: 0,
    most: 480,
    source: ours,
  },
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
    reason: 'For strength, and for the floor or the braces that hold the wall.',
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
export const daysRules = { ...daysQuantityRules, ...daysLengthRules, ...daysCountRules, ...daysChoiceRules };

declare module '../../kernel/rules/rule' {
  interface LengthRules extends Record<keyof typeof daysLengthRules, LengthRule> {}
  interface QuantityRules extends Record<keyof typeof daysQuantityRules, QuantityRule> {}
  interface CountRules extends Record<keyof typeof daysCountRules, CountRule> {}
  interface ChoiceRules extends Record<keyof typeof daysChoiceRules, ChoiceRule> {}
}
