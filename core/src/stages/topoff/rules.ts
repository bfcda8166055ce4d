import { inches, millimetres, ZERO } from '../../kernel/measure';
import type { ChoiceRule, CountRule, LengthRule } from '../../kernel/rules';

const commonPractice = { kind: 'common practice' } as const;
const ours = { kind: 'ours' } as const;
const fromMemory = (name: string) => ({ kind: 'standard', name, fromMemory: true }) as const;
const anchorage = fromMemory('IRC R403.1.6');

/** Rules of sill plates and anchor bolts that are lengths. */
const topOffLengthRules = {
  'topoff.plate.stock': {
    id: 'topoff.plate.stock',
    type: 'length',
    statement: 'Sill plates come in {value}.',
    reason: 'Their splices decide where bolts go: 16 ft or 12 ft is usual.',
    default: inches(192),
    least: inches(48),
    most: inches(360),
    source: commonPractice,
  },
  'topoff.anchor.bar': {
    id: 'topoff.anchor.bar',
    type: 'length',
    statement: 'Ledger anchors keep {value} clear of the middle of a bar.',
    reason: 'An anchor that meets a bar stands crooked, or cannot be drilled.',
    default: inches(1),
    least: ZERO,
    most: inches(4),
    source: ours,
  },
  'topoff.plate.least': {
    id: 'topoff.plate.least',
    type: 'length',
    statement: 'No piece of a plate is shorter than {value}.',
    reason: 'Two bolts must fit, each clear of its end. The piece before gives up some length.',
    default: inches(32),
    least: inches(12),
    most: inches(96),
    source: ours,
  },
  'topoff.plate.width': {
    id: 'topoff.plate.width',
    type: 'length',
    statement: 'A sill plate is {value} wide.',
    reason: 'A treated 2×6; bolts go in its middle third.',
    default: inches(5.5),
    least: inches(2.5),
    most: inches(15),
    source: commonPractice,
  },
  'topoff.bolt.spacing': {
    id: 'topoff.bolt.spacing',
    type: 'length',
    statement: 'Anchor bolts are at most {value} apart.',
    reason: 'Others say 4 ft or 3 ft: wind, earthquake and the drawings decide.',
    default: inches(72),
    least: inches(12),
    most: inches(72),
    source: anchorage,
  },
  'topoff.bolt.end': {
    id: 'topoff.bolt.end',
    type: 'length',
    statement: 'A bolt is within {value} of each end of a plate.',
    reason: 'It holds both sides of every splice.',
    default: inches(12),
    least: inches(4),
    most: inches(12),
    source: anchorage,
  },
  'topoff.bolt.diameter': {
    id: 'topoff.bolt.diameter',
    type: 'length',
    statement: 'Anchor bolts are {value} thick.',
    reason: 'Thicker ones where the drawings say so.',
    default: inches(0.5),
    metric: millimetres(12),
    least: inches(0.375),
    most: inches(1.25),
    source: anchorage,
  },
  'topoff.bolt.embed': {
    id: 'topoff.bolt.embed',
    type: 'length',
    statement: 'Anchor bolts reach {value} into the concrete.',
    reason: 'A shallower one pulls out.',
    default: inches(7),
    least: inches(4),
    most: inches(24),
    source: anchorage,
  },
  'topoff.bolt.above': {
    id: 'topoff.bolt.above',
    type: 'length',
    statement: 'Anchor bolts stick {value} out of the concrete, all the same.',
    reason:
      'Plate, washer and nut; at one height the plate can be laid on them and tapped to mark its holes.',
    default: inches(2.5),
    least: inches(1),
    most: inches(12),
    source: commonPractice,
  },
  'topoff.bolt.clear': {
    id: 'topoff.bolt.clear',
    type: 'length',
    statement: 'A bolt stays {value} clear of verticals, center to center.',
    reason: 'Concrete must get around both.',
    default: inches(2),
    least: inches(0.5),
    most: inches(8),
    source: ours,
  },
  'topoff.bolt.brace': {
    id: 'topoff.bolt.brace',
    type: 'length',
    statement: 'A bolt stays {value} clear of the center of a brace.',
    reason: 'Its nut and washer must go on before the brace comes off.',
    default: inches(3),
    least: ZERO,
    most: inches(12),
    source: ours,
  },
} as const satisfies Record<string, LengthRule>;

/** Those that are counts. */
const topOffCountRules = {
  'topoff.bolt.diameters': {
    id: 'topoff.bolt.diameters',
    type: 'count',
    statement: 'A bolt is at least {value} diameters from the end of a plate.',
    reason: 'Nearer, the plate splits.',
    default: 7,
    least: 0,
    most: 20,
    source: anchorage,
  },
  'topoff.bolt.least': {
    id: 'topoff.bolt.least',
    type: 'count',
    statement: 'Every piece of plate has at least {value} bolts.',
    reason: 'On one bolt it turns.',
    default: 2,
    least: 1,
    most: 4,
    source: anchorage,
  },
} as const satisfies Record<string, CountRule>;

/** Those that are a choice. */
const topOffChoiceRules = {
  'topoff.top': {
    id: 'topoff.top',
    type: 'choice',
    statement: 'The top of the last pour is {value}.',
    reason: 'Sill plates need it flat.',
    default: 'trowelled',
    choices: [
      { value: 'trowelled', label: 'struck off and troweled' },
      { value: 'rough', label: 'left rough' },
    ],
    source: commonPractice,
  },
} as const satisfies Record<string, ChoiceRule>;

/** Every house rule that belongs to it. */
export const topoffRules = { ...topOffLengthRules, ...topOffCountRules, ...topOffChoiceRules };

declare module '../../kernel/rules/rule' {
  interface LengthRules extends Record<keyof typeof topOffLengthRules, LengthRule> {}
  interface CountRules extends Record<keyof typeof topOffCountRules, CountRule> {}
  interface ChoiceRules extends Record<keyof typeof topOffChoiceRules, ChoiceRule> {}
}
