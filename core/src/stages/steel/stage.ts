import type { Stage } from '../../kernel/engine/stage';
import type { Steel } from './buildSteel';
import { steelPart } from './part';
import { steelRules } from './rules';

/** Reinforcement. */
export const steelStage: Stage = {
  id: 'steel',
  rules: steelRules,
  part: steelPart,
  file: () => import('./file'),
  makes: ['steel'],
  load: () => import('./work'),
  books: () => import('./books'),
};

declare module '../../kernel/engine/stage' {
  interface Worked {
    readonly steel: Steel;
  }
}
