import type { Tally } from './tally';
import type { Stage } from '../../kernel/engine/stage';

/** What is counted. */
export const tallyStage: Stage = {
  id: 'tally',
  rules: {},
  makes: ['tally'],
  load: () => import('./work'),
  books: () => import('./books'),
};

declare module '../../kernel/engine/stage' {
  interface Worked {
    readonly tally: Tally;
  }
}
