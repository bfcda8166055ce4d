import type { Stage } from '../../kernel/engine/stage';
import type { Edges } from './buildEdges';
import { edgesPart } from './part';
import { edgesRules } from './rules';

/** Concrete that stands above the foam. */
export const edgesStage: Stage = {
  id: 'edges',
  rules: edgesRules,
  part: edgesPart,
  file: () => import('./file'),
  makes: ['edges'],
  load: () => import('./work'),
};

declare module '../../kernel/engine/stage' {
  interface Worked {
    readonly edges: Edges;
  }
}
