import { type StageWork, saying, step } from '../../kernel/engine/stage';
import { buildSteel } from './buildSteel';
import { steelNotices } from './notices';

/** Every bar, and the stock that it is cut from. */
export const work: StageWork = {
  steps: [
    step(
      'steel',
      {
        needs: ['shell', 'levels', 'courses', 'placed', 'openings', 'stacks', 'ground'],
        reads: ['units', 'steel'],
      },
      buildSteel,
    ),
  ],
  says: saying(['steel', 'openings'], ({ steel, openings }, { units, nameOf }) =>
    steelNotices(steel, units, nameOf, openings),
  ),
};
