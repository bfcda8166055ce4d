import type { Stage } from '../../kernel/engine/stage';
import type { Bucks } from './buildBucks';

/** What keeps the concrete out of openings. */
export const bucksStage: Stage = {
  id: 'bucks',
  rules: {},
  makes: ['bucks'],
  load: () => import('./work'),
  books: () => import('./books'),
};

declare module '../../kernel/engine/stage' {
  interface Worked {
    readonly bucks: Bucks;
  }
}
