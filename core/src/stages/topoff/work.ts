import { type StageWork, step } from '../../kernel/engine/stage';
import { buildTopOff } from './buildTopOff';

/** Plates and their anchor bolts. */
export const work: StageWork = {
  steps: [
    step(
      'topoff',
      { needs: ['shell', 'levels', 'openings', 'placed', 'steel', 'bracing', 'edges', 'stacks'], reads: [] },
      (worked, _, rules) => buildTopOff(worked, rules),
    ),
  ],
};
