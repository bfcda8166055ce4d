import { inches } from '../../kernel/measure';
import type { CountRule, LengthRule } from '../../kernel/rules';

const commonPractice = { kind: 'common practice' } as const;
const ours = { kind: 'ours' } as const;

/** House rules of the order that take a length. */
const orderLengthRules = {
  'order.board.length': {
    id: 'order.board.length',
    type: 'length',
    statement: 'Boards come {value} long: kickers, walers, edges, those over weak joints.',
    reason: 'Short pieces are cut from as few boards as possible.',
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
} as const satisfies Record<string, LengthRule>;

/** House rules of the order that take a count. */
const orderCountRules = {
  'order.spares': {
    id: 'order.spares',
    type: 'count',
    statement: 'Order {value} % spares of every article, at least one.',
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
    reason: 'It depends on the gun and the cold; your own log tells you better.',
    default: 120,
    least: 1,
    most: 2000,
    source: ours,
  },
} as const satisfies Record<string, CountRule>;

/** Every house rule that belongs to it. */
export const orderRules = { ...orderLengthRules, ...orderCountRules };

declare module '../../kernel/rules/rule' {
  interface LengthRules extends Record<keyof typeof orderLengthRules, LengthRule> {}
  interface CountRules extends Record<keyof typeof orderCountRules, CountRule> {}
}
