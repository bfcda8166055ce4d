import { type StageWork, saying, step } from '../../kernel/engine/stage';
import { buildFooting } from './buildFooting';
import { footingNotices } from './notices';

/** What the walls stand on, and what was measured on it. */
export const work: StageWork = {
  steps: [
    step(
      'footing',
      { needs: ['shell', 'levels', 'openings', 'courses', 'tally'], reads: ['loops', 'units', 'footing'] },
      buildFooting,
    ),
  ],
  says: saying(['footing'], ({ footing }, { units, nameOf, rules }) =>
    footingNotices(footing, units, nameOf, rules),
  ),
};
