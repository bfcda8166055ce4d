import { type StageWork, step } from '../../kernel/engine/stage';
import { buildTally } from './buildTally';

/** Counts by course and in all. */
export const work: StageWork = {
  steps: [
    step(
      'tally',
      {
        needs: ['shell', 'system', 'levels', 'courses', 'stacks', 'openings', 'placed'],
        reads: [],
      },
      (worked, _, rules) => buildTally(worked, rules),
    ),
  ],
};
