import type { Figure } from '@ombra/core/kernel/figures';
import { type Length, showLength, USUAL } from '@ombra/core/kernel/measure';
import type { Bucks } from '@ombra/core/stages/bucks';
import { type BuckKind, type BuckMaterial, buckName } from '@ombra/core/stages/openings';
import type { WorkedPlan } from '@ombra/core/work';
import { LengthField } from '../../ui/LengthField';
import { ScrollBox } from '../../ui/ScrollBox';
import { TableHead } from '../../ui/TableHead';
import type { Job } from '../../job/useJob';
import { FigureRow } from '../../frame/figures/FigureRow';
import { accessText, partText } from './openingText';

interface BucksPanelProps {
  readonly job: Job;
  readonly worked: WorkedPlan;
  readonly open: string | null;
  readonly onOpen: (figure: Figure) => void;
}

const FIELDS = [
  { field: 'thickness', name: 'Thickness' },
  { field: 'stock', name: 'Stock length' },
  { field: 'kerf', name: 'Kerf' },
] as const;

/** Figures of the materials in use, each editable for this job. */
function Materials({ job, worked }: Pick<BucksPanelProps, 'job' | 'worked'>) {
  const { plan, edit, endMerge } = job;
  const used = new Map<BuckKind, BuckMaterial>(worked.openings.placed.map(({ buck }) => [buck.kind, buck]));
  return (
    <table className="w-full border-collapse">
      <TableHead
        names={['material', ...FIELDS.map(({ name }) => name)]}
        left={FIELDS.map(({ name }) => name)}
      />
      <tbody>
        {[...used.values()].map((material) => (
          <tr key={material.kind} className="border-b border-line">
            <th scope="row" className="pr-2 text-left font-medium">
              {buckName(material.kind)}
            </th>
            {FIELDS.map(({ field, name }) => (
              <td key={field} className="w-24 pr-1">
                <LengthField
                  usual={USUAL.thickness}
                  label={`${name} of ${buckName(material.kind)}`}
                  text={plan.bucks?.[material.kind]?.[field] ?? ''}
                  units={plan.units}
                  placeholder={showLength(material[field], plan.units, {
                    style: field === 'stock' ? 'feet' : 'inches',
                  })}
                  onType={(text) => {
                    edit(
                      {
                        kind: 'set-buck',
                        buck: material.kind,
                        change: { [field]: text === '' ? null : text },
                      },
                      `${material.kind}:${field}`,
                    );
                  }}
                  onLeave={endMerge}
                />
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What each buck is cut from, and the least lumber for all of them. */
export function CutLists({ bucks, units }: { readonly bucks: Bucks; readonly units: WorkedPlan['units'] }) {
  const inInches = (length: Length): string => showLength(length, units, { style: 'inches' });
  return (
    <ul className="flex flex-col gap-2">
      {bucks.bucks.map((buck) => (
        <li key={buck.opening} className="break-inside-avoid border-b border-line pb-1">
          <p className="flex justify-between gap-2">
            <strong>{buck.name}</strong>
            <span className="figures text-sm text-quiet">diagonals {showLength(buck.diagonal, units)}</span>
          </p>
          <p className="figures text-[16px]">
            {buck.members.map((member, index) => (
              <span key={index} className="mr-3 inline-block">
                {member.count} {partText(member.part, member.count)}{' '}
                <span className="felt">{inInches(member.length)}</span>
                {member.width === null ? (
                  ''
                ) : (
                  <span className="text-quiet"> of {inInches(member.width)}</span>
                )}
              </span>
            ))}
          </p>
          <p className="text-sm text-quiet">{accessText(buck.access, units)}</p>
        </li>
      ))}
    </ul>
  );
}

/** Lengths to buy, and what comes out of each. */
export function LumberLists({
  bucks,
  units,
}: {
  readonly bucks: Bucks;
  readonly units: WorkedPlan['units'];
}) {
  const inInches = (length: Length): string => showLength(length, units, { style: 'inches' });
  return (
    <ul className="flex flex-col gap-2">
      {bucks.lumber.map((list) => {
        const patterns = new Map<string, number>();
        for (const cuts of list.lengths) {
          const text = cuts.map((cut) => inInches(cut as Length)).join(' + ');
          patterns.set(text, (patterns.get(text) ?? 0) + 1);
        }
        return (
          <li key={list.id} className="break-inside-avoid">
            <p>
              <strong>
                {list.name}
                {list.board === null ? '' : `, ${list.board}`}
              </strong>
              {list.board === null && list.width !== null ? `, ${inInches(list.width)} wide` : ''}
              {list.ripped.length === 0 ? '' : `, ripped to ${list.ripped.map(inInches).join(', ')}`}:{' '}
              <span className="figures font-semibold">
                {list.lengths.length} of {showLength(list.stock, units)}
              </span>{' '}
              <span className="text-sm text-quiet">
                {list.proved ? 'lowest possible, proved' : `${String(list.bound)} at least, not proved`}
                {list.spliced === 0 ? '' : `; ${String(list.spliced)} spliced from more than one`}
              </span>
            </p>
            <ul className="figures columns-2 text-[16px]">
              {[...patterns].map(([text, count]) => (
                <li key={text}>
                  {count} × <span className="felt text-[14px]">{text}</span>
                </li>
              ))}
            </ul>
          </li>
        );
      })}
      {bucks.sheets.map((list) => (
        <li key={list.id} className="break-inside-avoid">
          <p>
            <strong>{list.name}</strong>:{' '}
            <span className="figures font-semibold">
              {list.sheets} {list.sheets === 1 ? 'sheet' : 'sheets'} of {inInches(list.width)} ×{' '}
              {inInches(list.length)}
            </span>
          </p>
          <ul className="figures text-[16px]">
            {list.strips.map(({ width, lengths }) => (
              <li key={width}>
                {lengths.length} {lengths.length === 1 ? 'strip' : 'strips'} of {inInches(width)}:{' '}
                <span className="felt text-[14px]">
                  {lengths.map((cuts) => cuts.map((cut) => inInches(cut as Length)).join(' + ')).join('; ')}
                </span>
              </li>
            ))}
          </ul>
        </li>
      ))}
    </ul>
  );
}

/** All bucks: what they are made of, cut to and fastened with. */
export function BucksPanel({ job, worked, open, onOpen }: BucksPanelProps) {
  const { bucks, units } = worked;
  if (bucks.bucks.length === 0) return <p className="py-3 text-quiet">No openings yet.</p>;
  return (
    <div className="grid grid-cols-2 gap-6 max-md:grid-cols-1">
      <section aria-label="Cut lists" className="min-w-0">
        <h3 className="heading mb-1">Cut lists, with diagonals to check square</h3>
        <ScrollBox label="Cut lists of bucks" height="max-h-80">
          <CutLists bucks={bucks} units={units} />
        </ScrollBox>
        <FigureRow
          figure={bucks.fasteners}
          name="Fasteners of all bucks"
          units={units}
          open={open}
          onOpen={onOpen}
        />
      </section>
      <section aria-label="Lumber" className="min-w-0">
        <h3 className="heading mb-1">Lumber, cut for least waste</h3>
        <LumberLists bucks={bucks} units={units} />
        <h3 className="heading mt-3">Buck materials in this job</h3>
        <Materials job={job} worked={worked} />
      </section>
    </div>
  );
}
