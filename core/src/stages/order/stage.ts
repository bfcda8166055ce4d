import type { Stage } from '../../kernel/engine/stage';
import { orderRules } from './rules';

/** What is bought. */
export const orderStage: Stage = {
  id: 'order',
  rules: orderRules,
  makes: [],
  load: () => Promise.resolve({ work: { steps: [] } }),
  books: () => import('./books'),
};
