import type { Stage } from '../../kernel/engine/stage';
import type { Days } from './buildDays';
import { daysPart } from './part';
import { daysRules } from './rules';

/** What is done on which day. */
export const daysStage: Stage = {
  id: 'days',
  rules: daysRules,
  part: daysPart,
  file: () => import('./file'),
  makes: ['days'],
  load: () => import('./work'),
};

declare module '../../kernel/engine/stage' {
  interface Worked {
    readonly days: Days;
  }
}
