import { rulesOf } from '@ombra/core/rules';
import type { Figure } from '@ombra/core/kernel/figures';
import { type Length, showLength } from '@ombra/core/kernel/measure';
import type { RuleId } from '@ombra/core/kernel/rules';
import type { TopOff } from '@ombra/core/stages/topoff';
import { TableHead } from '../../ui/TableHead';
import type { Job } from '../../job/useJob';
import type { Edges } from '@ombra/core/stages/edges';
import type { Wall } from '@ombra/core/stages/outline';
import { EdgePanel } from './EdgePanel';
import { RuleLines } from '../../rules/RuleLines';
import { FigureRow } from '../../frame/figures/FigureRow';

interface TopPanelProps {
  readonly job: Job;
  readonly topoff: TopOff;
  readonly edges: Edges;
  /** The wall that is chosen; its rows stand out. */
  readonly wall: Pick<Wall, 'id' | 'name'>;
  readonly open: string | null;
  readonly onOpen: (figure: Figure) => void;
}

const LINES: readonly (readonly [string, RuleId])[] = [
  ['Max bolt spacing', 'topoff.bolt.spacing'],
  ['Max distance from a plate end', 'topoff.bolt.end'],
  ['Bolt diameter', 'topoff.bolt.diameter'],
  ['Min diameters from an end', 'topoff.bolt.diameters'],
  ['Min bolts per piece', 'topoff.bolt.least'],
  ['Embedment', 'topoff.bolt.embed'],
  ['Height above concrete', 'topoff.bolt.above'],
  ['Plate stock length', 'topoff.plate.stock'],
  ['Plate width', 'topoff.plate.width'],
  ['Shortest piece', 'topoff.plate.least'],
  ['The top is', 'topoff.top'],
];

const FINISH = {
  trowelled: 'struck off and troweled',
  rough: 'left rough',
  'half-block': 'stopped halfway up the block, not troweled',
} as const;

/** Where bolts stand across the core: `3 1/8″ to 4 7/8″`; where cores differ, each with its own. */
export const bandsText = ({ bands }: TopOff, units: Job['plan']['units']): string => {
  const told = (length: Length): string => showLength(length, units, { style: 'inches' });
  return bands
    .map(
      ({ core, from, to }) =>
        `${told(from)} to ${told(to)}${bands.length > 1 ? ` where the core is ${told(core)}` : ''}`,
    )
    .join(', ');
};

/** Pieces of plate with their bolts, as a tape sheet: every station from the wall's first corner. */
export function PlateTable({
  topoff,
  units,
  wall = null,
}: {
  readonly topoff: TopOff;
  readonly units: Job['plan']['units'];
  readonly wall?: string | null;
}) {
  // Round an inside corner a plate begins before the corner that the tape hangs on.
  const told = (length: Length): string =>
    length < 0 ? `${showLength(-length as Length, units)} before it` : showLength(length, units);
  return (
    <table className="figures w-full border-collapse text-[16px]">
      <TableHead
        names={['wall', 'plate from', 'to', 'cut', 'bolts, from the first corner along the outside face']}
        left={['bolts, from the first corner along the outside face']}
      />
      <tbody>
        {topoff.runs.flatMap((run) =>
          run.pieces.map((piece, index) => (
            <tr
              key={`${run.wall}:${String(piece.from)}`}
              className={`break-inside-avoid border-b border-line align-top ${run.wall === wall ? 'bg-chalk-wash' : ''}`}
            >
              <th scope="row" className="px-1 text-left whitespace-nowrap">
                {index === 0 ? run.name : ''}
              </th>
              <td className="px-1 text-right">{told(piece.from)}</td>
              <td className="px-1 text-right">{told(piece.to)}</td>
              <td className="px-1 text-right">{run.curved ? 'to the curve' : told(piece.cut)}</td>
              <td className="px-1 font-semibold">{piece.bolts.map(told).join(' · ')}</td>
            </tr>
          )),
        )}
      </tbody>
    </table>
  );
}

/** Topping off: how each pour's top is left, sill plates from stock with their splices, and anchor bolts clear of what stands there. */
export function TopPanel({ job, topoff, edges, wall, open, onOpen }: TopPanelProps) {
  const { plan } = job;
  const rules = rulesOf(plan);
  const told = (length: Length): string => showLength(length, plan.units, { style: 'inches' });
  const { cast, drilled } = topoff.ledgerAnchors;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_330px] gap-6 max-lg:grid-cols-1">
      <div className="flex min-w-0 flex-col gap-3">
        <section aria-label="Plates and bolts">
          <h3 className="heading">Sill plates and anchor bolts</h3>
          <div className="max-w-lg">
            {[topoff.bolts, topoff.boards].map((figure) => (
              <FigureRow
                key={figure.id}
                figure={figure}
                name={figure.title}
                units={plan.units}
                open={open}
                onOpen={onOpen}
              />
            ))}
          </div>
          <p className="mt-1 text-[15px]">
            Plates follow the middle of the core. The plate that starts at a square corner runs through, the
            other butts; at other corners both are mitered, and cut from long point to long point. Bolts in
            the middle third: {bandsText(topoff, plan.units)} in from the concrete’s outside face,{' '}
            {told(rules.length('topoff.bolt.embed'))} deep, all {told(rules.length('topoff.bolt.above'))}{' '}
            above it. Lay the plate on them and tap it to mark the holes.
            {cast + drilled > 0 && ` Ledger anchors: ${String(cast)} cast in, ${String(drilled)} drilled.`}
          </p>
          <div className="mt-2 overflow-x-auto">
            <PlateTable topoff={topoff} units={plan.units} wall={wall.id} />
          </div>
          <p className="mt-1 text-[15px]">
            Cut of {topoff.boards.value} boards
            {topoff.stock.proved ? ', the fewest possible' : `, at least ${String(topoff.stock.bound)}`}:{' '}
            {topoff.stock.pieces
              .map((board) => board.map((piece) => showLength(piece as Length, plan.units)).join(' + '))
              .join('; ')}
            .
          </p>
        </section>
        <section aria-label="Tops">
          <h3 className="heading">How each top is finished</h3>
          <ul className="text-[17px]">
            {topoff.tops.map((top) => (
              <li key={top.pour}>
                <strong>{top.name}</strong>: {FINISH[top.finish]}
                {top.bars === null ? '' : `, bars sticking ${told(top.bars)} out of the joint`}.
              </li>
            ))}
          </ul>
        </section>
      </div>
      <section aria-label="Rules of topping off" className="flex flex-col gap-3">
        <EdgePanel job={job} edges={edges} wall={wall} open={open} onOpen={onOpen} />
        <div>
          <h3 className="heading">Bolts and plates</h3>
          <RuleLines job={job} lines={LINES} />
        </div>
        <p className="text-sm text-quiet">
          IRC R403.1.6, from memory: at most 6 ft apart, two to a piece, one within 12 in of each end and not
          nearer than seven diameters, 7 in deep. Wind, earthquake and the stamped drawings may require more.
        </p>
      </section>
    </div>
  );
}
