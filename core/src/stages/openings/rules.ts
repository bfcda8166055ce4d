import { inches, ZERO } from '../../kernel/measure';
import type { ChoiceRule, CountRule, LengthRule } from '../../kernel/rules';

const commonPractice = { kind: 'common practice' } as const;
const ours = { kind: 'ours' } as const;

/** Rules of openings, bucks and inserts that are lengths. */
const openingLengthRules = {
  'openings.pier.least': {
    id: 'openings.pier.least',
    type: 'length',
    statement: 'Between two openings, or an opening and a corner, at least {value} of wall is left.',
    reason: 'A shorter pier has few webs whole: it is strapped on both faces, and its bars crowd.',
    default: inches(24),
    least: inches(4),
    most: inches(120),
    source: ours,
  },
  'openings.head.near': {
    id: 'openings.head.near',
    type: 'length',
    statement: 'A head that misses a door’s by up to {value} counts as one that should line up.',
    reason: 'Heads usually line up with the door heads.',
    default: inches(6),
    least: ZERO,
    most: inches(24),
    source: ours,
  },
  'openings.head.wide': {
    id: 'openings.head.wide',
    type: 'length',
    statement: 'Over a hole wider than {value} boards are screwed along both faces.',
    reason: 'A wide hole cuts through the bottom webs over its head: nothing holds the panels there.',
    default: inches(72),
    least: inches(24),
    most: inches(480),
    source: ours,
  },
  'openings.head.past': {
    id: 'openings.head.past',
    type: 'length',
    statement: 'Boards over a wide head run {value} past it on both sides.',
    reason: 'They carry the head into the wall beside it.',
    default: inches(24),
    least: inches(4),
    most: inches(96),
    source: ours,
  },
  'openings.fastener.spacing': {
    id: 'openings.fastener.spacing',
    type: 'length',
    statement: 'Bucks are fastened all around, on both faces, every {value}.',
    reason: 'The concrete pushes the form off the buck as hard as it pushes the form off itself.',
    default: inches(6),
    least: inches(2),
    most: inches(16),
    source: commonPractice,
  },
  'openings.brace.spacing': {
    id: 'openings.brace.spacing',
    type: 'length',
    statement: 'Cross-braces inside a buck are at most {value} apart, vertical and level.',
    reason: 'They keep the buck from folding under the concrete.',
    default: inches(24),
    least: inches(8),
    most: inches(48),
    source: commonPractice,
  },
  'openings.sill.hole': {
    id: 'openings.sill.hole',
    type: 'length',
    statement: 'A hole in the sill is {value} wide.',
    reason: 'The head of the vibrator must go through it, and the hand that looks.',
    default: inches(4),
    least: inches(1.5),
    most: inches(12),
    source: ours,
  },
  'openings.sill.spacing': {
    id: 'openings.sill.spacing',
    type: 'length',
    statement: 'Holes in a sill lie no more than {value} apart; a slot is that long.',
    reason: 'Without access under a window a void forms there.',
    default: inches(16),
    least: inches(6),
    most: inches(48),
    source: ours,
  },
  'openings.sill.member': {
    id: 'openings.sill.member',
    type: 'length',
    statement: 'A split sill is two members {value} wide, one along each face.',
    reason: 'The gap between them is what the concrete is placed and vibrated through.',
    default: inches(3.5),
    least: inches(1.5),
    most: inches(6),
    source: ours,
  },
  'openings.rib.spacing': {
    id: 'openings.rib.spacing',
    type: 'length',
    statement: 'Ribs of a curved head are at both faces and at most {value} apart.',
    reason: 'Bending plywood sags between them under wet concrete.',
    default: inches(8),
    least: inches(4),
    most: inches(24),
    source: ours,
  },
  'openings.rib.depth': {
    id: 'openings.rib.depth',
    type: 'length',
    statement: 'A rib is left {value} deep over the middle of its arc.',
    reason: 'Thinner, it breaks when it is handled.',
    default: inches(4),
    least: inches(2),
    most: inches(12),
    source: ours,
  },
  'openings.strip.stock': {
    id: 'openings.strip.stock',
    type: 'length',
    statement: 'Scabs and cross-braces are cut from lengths of {value}.',
    reason: 'Site lumber, used again in the frame.',
    default: inches(144),
    least: inches(48),
    most: inches(288),
    source: ours,
  },
  'openings.threshold.depth': {
    id: 'openings.threshold.depth',
    type: 'length',
    statement: 'Under a threshold the wall’s concrete is held down by {value}.',
    reason: 'The thickness of a slab: a 4 in step is usual.',
    default: inches(4),
    least: inches(1),
    most: inches(24),
    source: commonPractice,
  },
  'openings.liner.window': {
    id: 'openings.liner.window',
    type: 'length',
    statement: 'Openings of bare concrete in the caps around a liner are {value} square.',
    reason: 'Something solid to fix the frame to; they are concrete too.',
    default: inches(4),
    least: inches(1),
    most: inches(12),
    source: commonPractice,
  },
  'openings.liner.spacing': {
    id: 'openings.liner.spacing',
    type: 'length',
    statement: 'Openings of bare concrete every {value}.',
    reason: 'As close as the frame’s screws need.',
    default: inches(12),
    least: inches(6),
    most: inches(48),
    source: commonPractice,
  },
} as const satisfies Record<string, LengthRule>;

/** Those that are counts. */
const openingCountRules = {} as const satisfies Record<string, CountRule>;

/** Those that are a choice between schools. */
const openingChoiceRules = {
  'openings.buck': {
    id: 'openings.buck',
    type: 'choice',
    statement: 'Bucks are made of {value}, unless an opening says otherwise.',
    reason:
      'The hole in the foam follows from it: wider than the rough opening by its thickness on each side.',
    default: 'lumber',
    choices: [
      { value: 'lumber', label: 'treated lumber as wide as the wall' },
      { value: 'lumber-split-sill', label: 'treated lumber with a split sill' },
      { value: 'foam', label: 'foam' },
      { value: 'vinyl', label: 'vinyl' },
      { value: 'laminated', label: 'laminated veneer' },
      { value: 'form-scrap', label: 'form scraps as end caps' },
      { value: 'scrap-liner', label: 'form scraps around a liner that is removed' },
    ],
    source: commonPractice,
  },
  'openings.setting': {
    id: 'openings.setting',
    type: 'choice',
    statement: 'Bucks are set {value}.',
    reason: 'Set early they brace the wall; dropped in last, bars go in freely.',
    default: 'rising',
    choices: [
      { value: 'rising', label: 'as the courses reach the sill' },
      { value: 'last', label: 'last: stacked and marked first, the openings cut, bucks dropped in' },
    ],
    source: commonPractice,
  },
  'openings.sill.access': {
    id: 'openings.sill.access',
    type: 'choice',
    statement: 'The concrete under a sill is reached through {value}.',
    reason: 'Without access a void forms under the window.',
    default: 'holes',
    choices: [
      { value: 'holes', label: 'holes drilled in it' },
      { value: 'slot', label: 'slots left in it' },
    ],
    source: commonPractice,
  },
  'courses.filler.place': {
    id: 'courses.filler.place',
    type: 'choice',
    statement: 'A wall’s filler goes {value}.',
    reason: 'Within an opening it disappears; over or under one it carries the least.',
    default: 'openings',
    choices: [
      { value: 'openings', label: 'into an opening, over or under one, where it can' },
      { value: 'middle', label: 'in the middle of the wall' },
    ],
    source: commonPractice,
  },
} as const satisfies Record<string, ChoiceRule>;

/** Every house rule that belongs to it. */
export const openingsRules = { ...openingLengthRules, ...openingCountRules, ...openingChoiceRules };

declare module '../../kernel/rules/rule' {
  interface LengthRules extends Record<keyof typeof openingLengthRules, LengthRule> {}
  interface CountRules extends Record<keyof typeof openingCountRules, CountRule> {}
  interface ChoiceRules extends Record<keyof typeof openingChoiceRules, ChoiceRule> {}
}
