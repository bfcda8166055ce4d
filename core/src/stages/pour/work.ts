import { type StageWork, saying, step } from '../../kernel/engine/stage';
import { buildPour } from './buildPour';
import { pourNotices } from './notices';

/** How the concrete goes in. */
export const work: StageWork = {
  steps: [
    step(
      'pour',
      {
        needs: [
          'shell',
          'levels',
          'courses',
          'openings',
          'placed',
          'bucks',
          'footing',
          'steel',
          'bracing',
          'edges',
          'topoff',
          'stacks',
          'ground',
        ],
        reads: ['units', 'pour'],
      },
      buildPour,
    ),
  ],
  says: saying(['pour', 'topoff'], ({ pour, topoff }, { units, nameOf }) =>
    pourNotices(pour, topoff, units, nameOf),
  ),
};
