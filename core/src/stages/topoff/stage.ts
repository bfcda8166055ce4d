import type { Stage } from '../../kernel/engine/stage';
import type { TopOff } from './topOff';
import { topoffRules } from './rules';

/** The top of the wall. */
export const topoffStage: Stage = {
  id: 'topoff',
  rules: topoffRules,
  makes: ['topoff'],
  load: () => import('./work'),
};

declare module '../../kernel/engine/stage' {
  interface Worked {
    readonly topoff: TopOff;
  }
}
