import type { ChoiceRule } from '../../kernel/rules';

const ours = { kind: 'ours' } as const;

/** House rules of the best plan that take a choice. */
const bestChoiceRules = {
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
} as const satisfies Record<string, ChoiceRule>;

/** Every house rule that belongs to it. */
export const bestRules = { ...bestChoiceRules };

declare module '../../kernel/rules/rule' {
  interface ChoiceRules extends Record<keyof typeof bestChoiceRules, ChoiceRule> {}
}
