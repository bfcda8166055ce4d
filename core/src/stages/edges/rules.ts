import { inches } from '../../kernel/measure';
import type { LengthRule } from '../../kernel/rules';

const commonPractice = { kind: 'common practice' } as const;
const ours = { kind: 'ours' } as const;

/** Rules of exposed edges that are lengths. */
const edgesLengthRules = {
  'edges.height.most': {
    id: 'edges.height.most',
    type: 'length',
    statement: 'A board form on top of the wall holds up to {value} of concrete.',
    reason: 'Boards screwed to the foam bow under more: use a form of its own.',
    default: inches(8),
    least: inches(2),
    most: inches(24),
    source: commonPractice,
  },
  'edges.board.lap': {
    id: 'edges.board.lap',
    type: 'length',
    statement: 'An edge board laps the form by at least {value}.',
    reason: 'Its screws must find the strips below the top of the foam.',
    default: inches(1.5),
    least: inches(0.5),
    most: inches(6),
    source: ours,
  },
} as const satisfies Record<string, LengthRule>;

/** House rules of exposed edges. */
export const edgesRules = { ...edgesLengthRules };

declare module '../../kernel/rules/rule' {
  interface LengthRules extends Record<keyof typeof edgesLengthRules, LengthRule> {}
}
