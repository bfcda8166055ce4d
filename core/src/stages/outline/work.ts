import { type StageWork, saying, step } from '../../kernel/engine/stage';
import { systemOf } from '../../kernel/forms';
import { buildShell } from './buildShell';
import { groundOfJob } from './ground';
import { groundNotices } from './groundNotices';
import { levelNotices } from './levelNotices';
import { buildLevels, workedPours } from './levels';
import { outlineNotices } from './notices';
import { familiesOf } from './setup';

/** The walls as they run, how high they stand, and what is stacked in one go. */
export const work: StageWork = {
  steps: [
    step('families', { needs: [], reads: ['families'] }, (_, plan) => familiesOf(plan)),
    step(
      'shell',
      { needs: [], reads: ['loops', 'units', 'measuredTo', 'family', 'families', 'core'] },
      (_, plan, rules) => buildShell(plan, rules),
    ),
    step('system', { needs: ['shell'], reads: [] }, ({ shell }) =>
      shell.family ? systemOf(shell.family) : null,
    ),
    step(
      'levels',
      { needs: ['shell', 'system'], reads: ['loops', 'units', 'pours', 'height'] },
      ({ shell, system }, plan, rules) => buildLevels(shell, system, plan, rules),
    ),
    step('stacks', { needs: ['levels'], reads: ['pours'] }, ({ levels }, { pours }) =>
      workedPours(pours, levels),
    ),
    step('ground', { needs: ['shell', 'levels', 'stacks'], reads: ['units'] }, groundOfJob),
  ],
  says: saying(['shell', 'levels', 'ground'], ({ shell, levels, ground }, { units, nameOf, plan }) => [
    ...outlineNotices(shell, units, nameOf),
    ...levelNotices(levels, plan, nameOf),
    ...groundNotices(ground, plan, nameOf),
  ]),
};
