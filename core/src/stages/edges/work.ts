import { type StageWork, saying, step } from '../../kernel/engine/stage';
import { buildEdges } from './buildEdges';
import { edgeNotices } from './notices';

/** Exposed edges on top of walls. */
export const work: StageWork = {
  steps: [step('edges', { needs: ['shell', 'levels', 'openings'], reads: ['units', 'edges'] }, buildEdges)],
  says: saying(['edges'], ({ edges }, { units, nameOf }) => edgeNotices(edges, units, nameOf)),
};
