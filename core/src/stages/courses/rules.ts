import { inches, nanometres, NANOMETRES_PER_INCH, ZERO } from '../../kernel/measure';
import type { ChoiceRule, CountRule, LengthRule } from '../../kernel/rules';

const commonPractice = { kind: 'common practice' } as const;
const ours = { kind: 'ours' } as const;
const anyLength = { least: ZERO, most: inches(96) };

/** House rules of the courses that take a length. */
const coursesLengthRules = {
  'courses.filler.shortest': {
    id: 'courses.filler.shortest',
    type: 'length',
    statement: 'A cut piece is at least {value} long.',
    reason: 'A shorter one is flimsy: two medium pieces hold better.',
    default: inches(12),
    ...anyLength,
    source: commonPractice,
  },
  'courses.ear.longest': {
    id: 'courses.ear.longest',
    type: 'length',
    statement: 'The foam past the last web of a cut end, its ear, is at most {value} long.',
    reason: 'Nothing ties the two panels together there; a longer ear needs strapping.',
    default: inches(4),
    ...anyLength,
    source: commonPractice,
  },
  'courses.rip.least': {
    id: 'courses.rip.least',
    type: 'length',
    statement: 'A ripped course is at least {value} high.',
    reason: 'A lower strip of foam has no whole web.',
    default: inches(4),
    ...anyLength,
    source: ours,
  },
  'offcuts.shortest': {
    id: 'offcuts.shortest',
    type: 'length',
    statement: 'An offcut of {value} or more is kept and used again.',
    reason: 'Shorter ones are not worth carrying, and too flimsy to lay.',
    default: inches(12),
    ...anyLength,
    source: commonPractice,
  },
  'courses.growth.perPiece': {
    id: 'courses.growth.perPiece',
    type: 'length',
    statement: 'A row grows by {value} a piece.',
    reason:
      'Blocks vary by up to a quarter inch, so a long row comes out longer than planned; pull the tape every course.',
    default: nanometres(NANOMETRES_PER_INCH / 64),
    least: ZERO,
    most: inches(0.5),
    source: ours,
  },
  'courses.web.clearOfCut': {
    id: 'courses.web.clearOfCut',
    type: 'length',
    statement: 'A web counts as whole when its center is at least {value} inside the cut.',
    reason: 'A saw through a web destroys it.',
    default: inches(1),
    ...anyLength,
    source: ours,
  },
  'courses.webToWeb.longest': {
    id: 'courses.webToWeb.longest',
    type: 'length',
    statement: 'Across a joint the nearest webs are at most {value} apart.',
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

/** House rules of the courses that take a count. */
const coursesCountRules = {
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
  'courses.cut.minutes': {
    id: 'courses.cut.minutes',
    type: 'count',
    statement: 'A cut takes {value} minutes: measure, saw, carry.',
    reason: 'Only for comparing plans; your own log tells you better.',
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
      'Two pieces each keep a molded end; one between them would be sawn on both ends. 1 uses no offcuts.',
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

/** House rules of the courses that take a choice. */
const coursesChoiceRules = {
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
        label: 'long legs alternate around the job, so every second wall has two',
      },
    ],
    source: commonPractice,
  },
  'courses.laying': {
    id: 'courses.laying',
    type: 'choice',
    statement: 'A course is laid {value}.',
    reason:
      'Going around needs one crew. Corners first gives everyone a line to work to. Leads keep the string up.',
    default: 'round',
    choices: [
      { value: 'round', label: 'around from one corner' },
      { value: 'corners-first', label: 'corners first, then toward the middle' },
      { value: 'leads', label: 'leads at the corners, then fill in between' },
    ],
    source: commonPractice,
  },
} as const satisfies Record<string, ChoiceRule>;

/** Every house rule that belongs to it. */
export const coursesRules = { ...coursesLengthRules, ...coursesCountRules, ...coursesChoiceRules };

declare module '../../kernel/rules/rule' {
  interface LengthRules extends Record<keyof typeof coursesLengthRules, LengthRule> {}
  interface CountRules extends Record<keyof typeof coursesCountRules, CountRule> {}
  interface ChoiceRules extends Record<keyof typeof coursesChoiceRules, ChoiceRule> {}
}
