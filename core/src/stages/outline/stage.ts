import type { Stage } from '../../kernel/engine/stage';
import type { Family, FormSystem } from '../../kernel/forms';
import type { Ground } from './ground';
import type { Levels } from './levels';
import type { Pour } from './plan';
import type { Shell } from './shell';
import { outlinePart } from './part';
import { outlineRules } from './rules';

/** Outlines, their walls and levels. */
export const outlineStage: Stage = {
  id: 'outline',
  rules: outlineRules,
  part: outlinePart,
  file: () => import('./file'),
  makes: ['families', 'shell', 'system', 'levels', 'stacks', 'ground'],
  load: () => import('./work'),
};

declare module '../../kernel/engine/stage' {
  interface Worked {
    /** The families that the job may choose from: those that ship, and its own. */
    readonly families: readonly Family[];
    readonly shell: Shell;
    /** The forms as they are laid; null where the plan names none that can be. */
    readonly system: FormSystem | null;
    readonly levels: Levels;
    /** What is stacked and poured in one go, the last of it as high as the walls. */
    readonly stacks: readonly Pour[];
    /** How high the ground stands beside each wall, from pour to pour. */
    readonly ground: Ground;
  }
}
