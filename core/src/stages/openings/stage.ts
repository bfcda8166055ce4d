import type { Stage } from '../../kernel/engine/stage';
import type { Openings } from './placeOpenings';
import { openingsPart } from './part';
import { openingsRules } from './rules';

/** Windows, doors and other holes. */
export const openingsStage: Stage = {
  id: 'openings',
  rules: openingsRules,
  part: openingsPart,
  file: () => import('./file'),
  makes: ['openings'],
  load: () => import('./work'),
};

declare module '../../kernel/engine/stage' {
  interface Worked {
    readonly openings: Openings;
  }
}
