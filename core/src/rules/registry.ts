import { type Length, NANOMETRES_PER_INCH, inches, nanometres } from '../measure';
import type { ChoiceRule, CountRule, LengthRule, Rule } from './rule';

const commonPractice = { kind: 'common practice' } as const;
const ours = { kind: 'ours' } as const;
const anyLength = { least: 0 as Length, most: inches(96) };

const lengthRules = {
  'outline.gap.closed': {
    id: 'outline.gap.closed',
    type: 'length',
    statement: 'A gap shorter than {value} where the walk comes home is closed on the last wall.',
    reason: 'It is under what a tape can tell, and angled walls bring such gaps with them.',
    default: nanometres(NANOMETRES_PER_INCH / 32),
    least: 0 as Length,
    most: inches(1),
    source: ours,
  },
  'outline.wall.longest': {
    id: 'outline.wall.longest',
    type: 'length',
    statement: 'No wall is longer than {value}.',
    reason: 'A longer one is a slip of the unit.',
    default: 1_000_000_000_000 as Length,
    least: inches(12),
    most: 1_000_000_000_000 as Length,
    source: ours,
  },
  'courses.filler.shortest': {
    id: 'courses.filler.shortest',
    type: 'length',
    statement: 'A cut piece is at least {value} long.',
    reason: 'A shorter one is flimsy: two middling pieces hold better.',
    default: inches(12),
    ...anyLength,
    source: commonPractice,
  },
  'courses.ear.longest': {
    id: 'courses.ear.longest',
    type: 'length',
    statement: 'The foam past the last web of a cut end, its ear, is at most {value} long.',
    reason: 'Nothing ties the two panels together there; a longer ear wants strapping.',
    default: inches(4),
    ...anyLength,
    source: commonPractice,
  },
  'outline.curve.tightest': {
    id: 'outline.curve.tightest',
    type: 'length',
    statement: 'A wall is bent to a radius of {value} on its shorter face at least.',
    reason: 'Tighter, the relief cuts meet at the webs and nothing is left of the foam between them.',
    default: inches(48),
    least: inches(12),
    most: inches(960),
    source: ours,
  },
  'courses.rip.least': {
    id: 'courses.rip.least',
    type: 'length',
    statement: 'A ripped course is at least {value} high.',
    reason: 'A lower strip of foam has no web whole and will not stand.',
    default: inches(4),
    ...anyLength,
    source: ours,
  },
  'offcuts.shortest': {
    id: 'offcuts.shortest',
    type: 'length',
    statement: 'An offcut of {value} or more is kept and used again.',
    reason: 'Shorter ones are not worth the carrying, and too flimsy to lay.',
    default: inches(12),
    ...anyLength,
    source: commonPractice,
  },
  'order.board.length': {
    id: 'order.board.length',
    type: 'length',
    statement: 'Kicker boards come {value} long.',
    reason: 'They hold the first course on its line; the rests are cut out of as few boards as can be.',
    default: inches(144),
    least: inches(24),
    most: inches(240),
    source: ours,
  },
  'order.foam.spacing': {
    id: 'order.foam.spacing',
    type: 'length',
    statement: 'The first course is glued to the footing with a spot every {value} on both sides.',
    reason: 'Crews glue every 18 to 20 in; some glue all along, some not at all.',
    default: inches(18),
    least: inches(6),
    most: inches(96),
    source: commonPractice,
  },
  'courses.growth.perPiece': {
    id: 'courses.growth.perPiece',
    type: 'length',
    statement: 'A row grows by {value} a piece.',
    reason:
      'Blocks vary by up to a quarter inch, so a long row comes out longer than planned; pull the tape every course.',
    default: nanometres(NANOMETRES_PER_INCH / 64),
    least: 0 as Length,
    most: inches(0.5),
    source: ours,
  },
  'courses.web.clearOfCut': {
    id: 'courses.web.clearOfCut',
    type: 'length',
    statement: 'A web counts as whole when its centre lies at least {value} inside the cut.',
    reason: 'A saw through a web destroys it.',
    default: inches(1),
    ...anyLength,
    source: ours,
  },
  'courses.webToWeb.longest': {
    id: 'courses.webToWeb.longest',
    type: 'length',
    statement: 'Across a joint the nearest webs stand at most {value} apart.',
    reason: 'A wider gap leaves the panels untied; strap or brace that joint.',
    default: inches(8),
    ...anyLength,
    source: commonPractice,
  },
  'courses.stagger.least': {
    id: 'courses.stagger.least',
    type: 'length',
    statement: 'A joint keeps at least {value} from the joints of the course below.',
    reason: 'Joints over joints make a line that opens under pressure.',
    default: inches(8),
    ...anyLength,
    source: ours,
  },
} as const satisfies Record<string, LengthRule>;

const countRules = {
  'courses.most': {
    id: 'courses.most',
    type: 'count',
    statement: 'A wall has at most {value} courses.',
    reason: 'More is a slip of the keyboard.',
    default: 60,
    least: 1,
    most: 60,
    source: ours,
  },
  'courses.filler.blocksFromCorner': {
    id: 'courses.filler.blocksFromCorner',
    type: 'count',
    statement: 'Whole blocks between a corner and the nearest cut piece: at least {value}.',
    reason: 'No filler beside a corner: a whole block comes first, for stiffness.',
    default: 1,
    least: 0,
    most: 4,
    source: commonPractice,
  },
  'order.spares': {
    id: 'order.spares',
    type: 'count',
    statement: 'Of every article {value} in a hundred are ordered to spare, and one at least.',
    reason: 'Blocks break in transit, and a missing one stops the crew.',
    default: 2,
    least: 0,
    most: 50,
    source: ours,
  },
  'order.ties.perJoint': {
    id: 'order.ties.perJoint',
    type: 'count',
    statement: 'Each joint of the first course is tied with {value} zip ties.',
    reason: 'Nothing above holds the first course yet.',
    default: 2,
    least: 0,
    most: 8,
    source: ours,
  },
  'order.clips.perJoint': {
    id: 'order.clips.perJoint',
    type: 'count',
    statement: 'Each joint of the top course of a pour takes {value} clips.',
    reason:
      'Clipped at the second web on each side of the joint, it cannot float or roll when wet concrete hits it.',
    default: 2,
    least: 0,
    most: 8,
    source: commonPractice,
  },
  'order.foam.spotsPerCan': {
    id: 'order.foam.spotsPerCan',
    type: 'count',
    statement: 'A can of foam glue gives {value} spots.',
    reason: 'It depends on the gun and the cold; your own log will tell better.',
    default: 120,
    least: 1,
    most: 2000,
    source: ours,
  },
  'courses.cut.minutes': {
    id: 'courses.cut.minutes',
    type: 'count',
    statement: 'A cut takes {value} minutes: measure, saw, carry.',
    reason: 'Only for comparing plans; your own log will tell better.',
    default: 4,
    least: 0,
    most: 60,
    source: ours,
  },
  'offcuts.fromCourse': {
    id: 'offcuts.fromCourse',
    type: 'count',
    statement: 'Offcuts are laid from course {value} up.',
    reason: 'The bottom courses carry the most pressure: they are cut from fresh blocks.',
    default: 3,
    least: 1,
    most: 60,
    source: commonPractice,
  },
  'offcuts.perBlock': {
    id: 'offcuts.perBlock',
    type: 'count',
    statement: 'At most {value} pieces are cut from one block.',
    reason:
      'Two pieces keep a moulded end each; one between them would have a sawn end on both sides. 1 uses no offcut.',
    default: 2,
    least: 1,
    most: 2,
    source: ours,
  },
  'courses.curve.webs': {
    id: 'courses.curve.webs',
    type: 'count',
    statement: 'On a curve a relief cut is sawn at every web, or every {value} webs.',
    reason: 'The shorter face has too much foam; cuts between the webs let it close.',
    default: 1,
    least: 1,
    most: 2,
    source: commonPractice,
  },
} as const satisfies Record<string, CountRule>;

const choiceRules = {
  'courses.corner.lead': {
    id: 'courses.corner.lead',
    type: 'choice',
    statement: 'In the first course: {value}. Each next course swaps.',
    reason:
      'The swap makes the running bond, and each wall’s clear run hardly changes from course to course.',
    default: 'starting-wall',
    choices: [
      { value: 'starting-wall', label: 'long legs on the wall that starts at the corner, walking clockwise' },
      { value: 'ending-wall', label: 'long legs on the wall that ends at the corner, walking clockwise' },
      {
        value: 'alternating',
        label: 'long legs alternate round the job, so that every second wall has two of them',
      },
    ],
    source: commonPractice,
  },
  'courses.laying': {
    id: 'courses.laying',
    type: 'choice',
    statement: 'A course is laid {value}.',
    reason:
      'Going round needs one crew; corners first give everyone a line to work to; leads keep the string up.',
    default: 'round',
    choices: [
      { value: 'round', label: 'round from one corner' },
      { value: 'corners-first', label: 'corners first, then towards the middles' },
      { value: 'leads', label: 'leads at the corners, then the fill between' },
    ],
    source: commonPractice,
  },
  'best.order': {
    id: 'best.order',
    type: 'choice',
    statement: 'The best plan has the fewest {value}.',
    reason: 'Blocks cost money, cuts cost time, straps cost both; what counts first is the crew’s choice.',
    default: 'blocks-cuts-straps',
    choices: [
      { value: 'blocks-cuts-straps', label: 'blocks, then cuts, then joints to strap' },
      { value: 'blocks-straps-cuts', label: 'blocks, then joints to strap, then cuts' },
      { value: 'cuts-blocks-straps', label: 'cuts, then blocks, then joints to strap' },
      { value: 'cuts-straps-blocks', label: 'cuts, then joints to strap, then blocks' },
      { value: 'straps-blocks-cuts', label: 'joints to strap, then blocks, then cuts' },
      { value: 'straps-cuts-blocks', label: 'joints to strap, then cuts, then blocks' },
    ],
    source: ours,
  },
  'courses.height.rest': {
    id: 'courses.height.rest',
    type: 'choice',
    statement: 'Where the height is no whole number of courses: {value}.',
    reason:
      'Ripping the first course keeps the interlock on top, where the next storey carries on; a half-height piece needs no saw.',
    default: 'rip-first',
    choices: [
      { value: 'rip-first', label: 'the first course is ripped to the rest' },
      { value: 'rip-last', label: 'the last course is ripped to the rest' },
      {
        value: 'half-piece',
        label: 'half-height pieces make the last course where they fit, otherwise a rip',
      },
    ],
    source: commonPractice,
  },
} as const satisfies Record<string, ChoiceRule>;

export type LengthRuleId = keyof typeof lengthRules;
export type CountRuleId = keyof typeof countRules;
export type ChoiceRuleId = keyof typeof choiceRules;
export type RuleId = LengthRuleId | CountRuleId | ChoiceRuleId;

/** Every house rule by its id. */
export const RULES: Readonly<Record<RuleId, Rule>> = { ...lengthRules, ...countRules, ...choiceRules };

export const isRuleId = (id: string): id is RuleId => Object.hasOwn(RULES, id);
