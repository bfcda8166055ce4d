import type { Stage } from '../../kernel/engine/stage';
import type { Bracing } from './buildBracing';
import { bracingPart } from './part';
import { bracingRules } from './rules';

/** What holds the wall until it is poured. */
export const bracingStage: Stage = {
  id: 'bracing',
  rules: bracingRules,
  part: bracingPart,
  file: () => import('./file'),
  makes: ['bracing'],
  load: () => import('./work'),
  books: () => import('./books'),
};

declare module '../../kernel/engine/stage' {
  interface Worked {
    readonly bracing: Bracing;
  }
}
