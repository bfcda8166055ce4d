import type { Stage } from '../../kernel/engine/stage';
import type { Inserts } from './placeInserts';
import { insertsPart } from './part';
import { insertsRules } from './rules';

/** What goes through a wall, into it or onto it. */
export const insertsStage: Stage = {
  id: 'inserts',
  rules: insertsRules,
  part: insertsPart,
  file: () => import('./file'),
  makes: ['placed', 'inserts'],
  load: () => import('./work'),
};

declare module '../../kernel/engine/stage' {
  interface Worked {
    /** Inserts before anything is said of what they clash with. */
    readonly placed: Inserts;
    readonly inserts: Inserts;
  }
}
