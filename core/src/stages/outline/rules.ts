import { type Length, inches, nanometres, NANOMETRES_PER_INCH, ZERO } from '../../kernel/measure';
import type { ChoiceRule, CountRule, LengthRule } from '../../kernel/rules';

const commonPractice = { kind: 'common practice' } as const;
const ours = { kind: 'ours' } as const;

/** House rules of the outline that take a length. */
const outlineLengthRules = {
  'outline.gap.closed': {
    id: 'outline.gap.closed',
    type: 'length',
    statement: 'A gap shorter than {value} where the walk comes home is closed by the last wall.',
    reason: 'Smaller than a tape can measure, and angled walls bring such gaps.',
    default: nanometres(NANOMETRES_PER_INCH / 32),
    least: ZERO,
    most: inches(1),
    source: ours,
  },
  'outline.wall.longest': {
    id: 'outline.wall.longest',
    type: 'length',
    statement: 'No wall is longer than {value}.',
    reason: 'A longer one is a unit typed wrong.',
    default: 1_000_000_000_000 as Length,
    least: inches(12),
    most: 1_000_000_000_000 as Length,
    source: ours,
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
  'outline.tee.gap': {
    id: 'outline.tee.gap',
    type: 'length',
    statement: 'An inside wall may end {value} off the wall that it meets.',
    reason: 'Farther off, its length or its place was typed wrong.',
    default: inches(0.25),
    least: ZERO,
    most: inches(6),
    source: ours,
  },
  'ground.fill.unbalanced': {
    id: 'ground.fill.unbalanced',
    type: 'length',
    statement: 'Fill may stand {value} higher on one side of a wall before a floor or braces hold it.',
    reason: 'More of it pushes the wall over: floor on or braces in first, then fill in passes.',
    default: inches(48),
    least: ZERO,
    most: inches(120),
    source: { kind: 'standard', name: 'IRC R404.1.7', fromMemory: true },
  },
  'ground.fill.empty': {
    id: 'ground.fill.empty',
    type: 'length',
    statement: 'Around empty forms the fill is at most {value} higher on one side.',
    reason: 'Empty forms weigh next to nothing: fill both sides in the same passes.',
    default: inches(8),
    least: ZERO,
    most: inches(48),
    source: ours,
  },
} as const satisfies Record<string, LengthRule>;

/** House rules of the outline that take a count. */
const outlineCountRules = {
  'courses.most': {
    id: 'courses.most',
    type: 'count',
    statement: 'A wall has at most {value} courses.',
    reason: 'More is a typing error.',
    default: 60,
    least: 1,
    most: 60,
    source: ours,
  },
} as const satisfies Record<string, CountRule>;

/** House rules of the outline that take a choice. */
const outlineChoiceRules = {
  'courses.height.rest': {
    id: 'courses.height.rest',
    type: 'choice',
    statement: 'Where the height is not a whole number of courses: {value}.',
    reason:
      'Ripping the first course keeps the interlock on top, where the next story continues. A half-height block needs no saw.',
    default: 'rip-first',
    choices: [
      { value: 'rip-first', label: 'the first course is ripped to the rest' },
      { value: 'rip-last', label: 'the last course is ripped to the rest' },
      {
        value: 'half-piece',
        label: 'half-height blocks make the last course where they fit, otherwise it is ripped',
      },
    ],
    source: commonPractice,
  },
} as const satisfies Record<string, ChoiceRule>;

/** Every house rule that belongs to it. */
export const outlineRules = { ...outlineLengthRules, ...outlineCountRules, ...outlineChoiceRules };

declare module '../../kernel/rules/rule' {
  interface LengthRules extends Record<keyof typeof outlineLengthRules, LengthRule> {}
  interface CountRules extends Record<keyof typeof outlineCountRules, CountRule> {}
  interface ChoiceRules extends Record<keyof typeof outlineChoiceRules, ChoiceRule> {}
}
