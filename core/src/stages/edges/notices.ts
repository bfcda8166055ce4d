import { type UnitSystem, showLength } from '../../kernel/measure';
import { type Notice, type NoticeTable, noticesOf } from '../../kernel/notices';
import type { EdgeProblem, Edges } from './buildEdges';
import { edgesRules } from './rules';

/** The causes, for several places at once. */
const ABOUT: Readonly<Record<EdgeProblem['kind'], string>> = {
  'edge-unreadable': 'Edge heights that cannot be read',
  'edge-high': 'Edges too high for boards',
};

const wording = (units: UnitSystem, nameOf: (wall: string) => string): NoticeTable<EdgeProblem> => ({
  'edge-unreadable': ({ wall, text }) => ({
    severity: 'stop',
    where: wall === null ? 'Exposed edge' : nameOf(wall),
    place: wall === null ? {} : { wall },
    what: `“${text}” cannot be read as the height of an exposed edge. Enter the concrete above the foam, like 6″.`,
  }),
  'edge-high': ({ wall, height, most }) => ({
    severity: 'check',
    where: nameOf(wall),
    place: { wall },
    rule: 'edges.height.most',
    what: `The exposed edge is ${showLength(height, units, { style: 'inches' })} high; boards on the foam hold up to ${showLength(most, units, { style: 'inches' })}. Use a braced form of its own.`,
    why: edgesRules['edges.height.most'].reason,
  }),
});

/** What exposed edges have to say, in the words and units of the job. */
export const edgeNotices = (
  edges: Edges,
  units: UnitSystem,
  nameOf: (wall: string) => string,
): readonly Notice[] =>
  noticesOf(edges.problems, { before: '', stage: 'pour', about: ABOUT, table: wording(units, nameOf) });
