import { type StageWork, saying, step } from '../../kernel/engine/stage';
import { atTees } from './atTees';
import { clashesOf } from './clashes';
import { insertNotices } from './notices';
import { placeInserts } from './placeInserts';

/** Where inserts come to lie, and what they clash with. */
export const work: StageWork = {
  steps: [
    step(
      'placed',
      { needs: ['shell', 'levels', 'courses', 'openings'], reads: ['units', 'inserts'] },
      placeInserts,
    ),
    step(
      'inserts',
      { needs: ['placed', 'openings', 'courses', 'shell', 'levels'], reads: [] },
      ({ placed, ...others }, _, rules) => ({
        ...placed,
        problems: [...placed.problems, ...clashesOf(placed, others, rules), ...atTees(placed.placed, others)],
      }),
    ),
  ],
  says: saying(['inserts'], ({ inserts }, { plan, nameOf }) => insertNotices(inserts, plan, nameOf)),
};
