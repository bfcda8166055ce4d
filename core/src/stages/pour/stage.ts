import type { Stage } from '../../kernel/engine/stage';
import type { Pouring } from './buildPour';
import { pourPart } from './part';
import { pourRules } from './rules';

/** Concrete. */
export const pourStage: Stage = {
  id: 'pour',
  rules: pourRules,
  part: pourPart,
  file: () => import('./file'),
  makes: ['pour'],
  load: () => import('./work'),
  books: () => import('./books'),
};

declare module '../../kernel/engine/stage' {
  interface Worked {
    readonly pour: Pouring;
  }
}
