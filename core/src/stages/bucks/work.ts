import { type StageWork, step } from '../../kernel/engine/stage';
import { makeBucks } from './buildBucks';

const buildBucks = makeBucks();

/** The bucks' cut lists, and the lumber that they are cut from. */
export const work: StageWork = {
  steps: [
    step(
      'bucks',
      { needs: ['openings', 'shell', 'levels'], reads: [] },
      ({ openings, shell, levels }, _, rules) => buildBucks(openings, shell, levels, rules),
    ),
  ],
};
