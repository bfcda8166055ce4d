import { type StageWork, saying, step } from '../../kernel/engine/stage';
import { buildBracing } from './buildBracing';
import { bracingNotices } from './notices';

/** Braces, planks and straps. */
export const work: StageWork = {
  steps: [
    step(
      'bracing',
      {
        needs: ['shell', 'levels', 'courses', 'openings', 'placed', 'stacks', 'ground'],
        reads: ['units', 'bracing'],
      },
      buildBracing,
    ),
  ],
  says: saying(['bracing', 'openings'], ({ bracing, openings }, { units, nameOf }) =>
    bracingNotices(bracing, units, nameOf, openings),
  ),
};
