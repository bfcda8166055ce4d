import { rulesOf } from '@ombra/core/rules';
import { type Length, showLength } from '@ombra/core/kernel/measure';
import { type RuleId, stateRule } from '@ombra/core/kernel/rules';
import type { WorkedPlan } from '@ombra/core/work';
import { PlateTable } from '../pour/TopPanel';
import { type SheetJob, SheetFoot, SheetHead, SheetLinks } from '../../frame/sheet/SheetHead';

interface TopSheetProps extends SheetJob {
  readonly worked: WorkedPlan;
}

const STATED: readonly RuleId[] = [
  'topoff.bolt.spacing',
  'topoff.bolt.end',
  'topoff.bolt.diameters',
  'topoff.bolt.embed',
  'topoff.bolt.above',
];

/** The tape sheet of plates and bolts, for whoever sets them while the top is soft. */
export function TopSheet({ worked, ...job }: TopSheetProps) {
  const { topoff, units } = worked;
  const rules = rulesOf(job.plan);
  const told = (length: Length): string => showLength(length, units, { style: 'inches' });
  return (
    <div className="mx-auto max-w-[760px] p-6 print:p-0">
      <SheetLinks jobId={job.jobId} here="top" />
      <SheetHead
        job={job}
        title="plates and bolts"
        line={`${String(topoff.bolts.value)} anchor bolts, ${String(topoff.boards.value)} boards`}
      />
      <main>
        {topoff.runs.length === 0 ? (
          <p className="text-lg font-semibold">No walls stand yet: no plates to set.</p>
        ) : (
          <>
            <PlateTable topoff={topoff} units={units} />
            <p className="mt-2 text-[15px]">
              Bolts between {told(topoff.band.from)} and {told(topoff.band.to)} in from the concrete’s outside
              face. {STATED.map((id) => stateRule(id, rules, units)).join(' ')}
            </p>
            <p className="mt-1 text-[15px]">
              Boards:{' '}
              {topoff.stock.pieces
                .map((board) => board.map((piece) => showLength(piece as Length, units)).join(' + '))
                .join('; ')}
              .
            </p>
          </>
        )}
      </main>
      <SheetFoot />
    </div>
  );
}
