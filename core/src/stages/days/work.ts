import { type StageWork, saying, step } from '../../kernel/engine/stage';
import { buildDays } from './buildDays';
import { daysNotices } from './notices';

/** The job day by day. */
export const work: StageWork = {
  steps: [
    step(
      'days',
      {
        needs: [
          'shell',
          'footing',
          'levels',
          'courses',
          'openings',
          'placed',
          'steel',
          'bracing',
          'topoff',
          'pour',
          'stacks',
        ],
        reads: ['days', 'units', 'record', 'footing', 'pour'],
      },
      buildDays,
    ),
  ],
  says: saying(['days'], ({ days }) => daysNotices(days)),
};
