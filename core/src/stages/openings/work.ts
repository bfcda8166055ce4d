import { type StageWork, saying, step } from '../../kernel/engine/stage';
import { openingNotices } from './notices';
import { placeOpenings } from './placeOpenings';

/** Where openings come to lie, and the holes that they make. */
export const work: StageWork = {
  steps: [
    step(
      'openings',
      { needs: ['shell', 'levels'], reads: ['units', 'openings', 'bucks'] },
      ({ shell, levels }, plan, rules) => placeOpenings(shell, levels, plan, rules),
    ),
  ],
  says: saying(['openings'], ({ openings }, { plan, nameOf }) => openingNotices(openings, plan, nameOf)),
};
