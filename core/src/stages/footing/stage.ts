import type { Stage } from '../../kernel/engine/stage';
import type { Footing } from './buildFooting';
import { footingPart } from './part';
import { footingRules } from './rules';

/** What the walls stand on. */
export const footingStage: Stage = {
  id: 'footing',
  rules: footingRules,
  part: footingPart,
  file: () => import('./file'),
  makes: ['footing'],
  load: () => import('./work'),
};

declare module '../../kernel/engine/stage' {
  interface Worked {
    readonly footing: Footing;
  }
}
