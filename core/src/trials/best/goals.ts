import type { HouseRules } from '../../kernel/rules';
import type { Chain, ChainChoice } from './chain';
import type { WallOption } from './options';
import { type BlockRules, blocksOf } from './prices';

/** What a plan of the courses is judged by. */
export const GOALS = ['blocks', 'cuts', 'straps'] as const;
export type Goal = (typeof GOALS)[number];

/** The order of goals that the house rule names; all three are in it. */
export const goalOrder = (rules: HouseRules): readonly Goal[] =>
  rules
    .choice('best.order')
    .split('-')
    .filter((goal): goal is Goal => (GOALS as readonly string[]).includes(goal));

export type Score = readonly [number, number, number];

export const less = (a: Score, b: Score): boolean => {
  for (const index of [0, 1, 2] as const) if (a[index] !== b[index]) return a[index] < b[index];
  return false;
};

export interface Search {
  readonly chains: readonly Chain[];
  readonly order: readonly Goal[];
  readonly rules: BlockRules;
}

export type Choice = readonly ChainChoice[];

export const optionsIn = (choice: Choice): readonly WallOption[] => choice.flatMap((each) => each.options);

export function valueOf(goal: Goal, options: readonly WallOption[], rules: BlockRules): number {
  if (goal === 'blocks') return blocksOf(options, rules);
  return options.reduce((sum, option) => sum + option[goal], 0);
}

export const scoreOf = (options: readonly WallOption[], { order, rules }: Search): Score => {
  const [first = 'blocks', second = 'cuts', third = 'straps'] = order;
  return [valueOf(first, options, rules), valueOf(second, options, rules), valueOf(third, options, rules)];
};
