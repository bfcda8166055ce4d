import { rulesOf } from '@ombra/core/rules';
import { type Length, showLength } from '@ombra/core/kernel/measure';
import { type RuleId, stateRule } from '@ombra/core/kernel/rules';
import { edgeText } from '../pour/EdgePanel';
import { PlateTable, bandsText } from '../pour/TopPanel';
import { SheetFrame } from '../../frame/sheet/SheetFrame';
import type { SheetProps } from '../../frame/stage';

const STATED: readonly RuleId[] = [
  'topoff.bolt.spacing',
  'topoff.bolt.end',
  'topoff.bolt.diameters',
  'topoff.bolt.embed',
  'topoff.bolt.above',
];

/** The tape sheet of plates and bolts, for whoever sets them while the top is soft. */
export function TopSheet({ worked, ...job }: Omit<SheetProps, 'asked'>) {
  const { topoff, edges, units } = worked;
  const rules = rulesOf(job.plan);
  return (
    <SheetFrame
      job={job}
      here="top"
      title="plates and bolts"
      line={`${String(topoff.bolts.value)} anchor bolts, ${String(topoff.boards.value)} boards`}
    >
      {topoff.runs.length === 0 ? (
        <p className="text-lg font-semibold">No walls yet: no plates to set.</p>
      ) : (
        <>
          <PlateTable topoff={topoff} units={units} />
          <p className="mt-2 text-[15px]">
            Bolts {bandsText(topoff, units)} in from the concrete’s outside face.{' '}
            {STATED.map((id) => stateRule(id, rules, units)).join(' ')}
          </p>
          {edges.walls.length > 0 && (
            <p className="mt-1 text-[15px]">
              Exposed edge above the foam:{' '}
              {edges.walls.map((edge) => `${edge.name} ${edgeText(edge, units)}`).join('; ')}. Boards:{' '}
              {edges.boards.map(({ board, count }) => `${String(count.value)} of ${board}`).join(', ')}. Bolts
              and plates on top of it.
            </p>
          )}
          <p className="mt-1 text-[15px]">
            Plates:{' '}
            {topoff.stock.pieces
              .map((board) => board.map((piece) => showLength(piece as Length, units)).join(' + '))
              .join('; ')}
            .
          </p>
        </>
      )}
    </SheetFrame>
  );
}
