import { rulesOf } from '@ombra/core/rules';
import type { Figure } from '@ombra/core/kernel/figures';
import { storeLength, USUAL } from '@ombra/core/kernel/measure';
import { type Bracing, type StockOnHand, comesInLengths, usualLengths } from '@ombra/core/stages/bracing';
import { Plus, X } from 'lucide-react';
import { LengthField } from '../../ui/LengthField';
import { TableHead } from '../../ui/TableHead';
import type { Job } from '../../job/useJob';
import { FigureRow } from '../../frame/figures/FigureRow';

interface GearPanelProps {
  readonly job: Job;
  readonly bracing: Bracing;
  readonly open: string | null;
  readonly onOpen: (figure: Figure) => void;
}

/** A count typed in; empty is as many as are wanted. */
function CountField({
  label,
  value,
  placeholder,
  onSet,
}: {
  readonly label: string;
  readonly value: number | undefined;
  readonly placeholder: string;
  readonly onSet: (count: number | null) => void;
}) {
  return (
    <input
      className="field figures w-20! text-right"
      inputMode="numeric"
      aria-label={label}
      placeholder={placeholder}
      maxLength={5}
      value={value ?? ''}
      onChange={(event) => {
        const text = event.currentTarget.value.trim();
        const count = Number(text);
        if (text === '') onSet(null);
        else if (Number.isInteger(count) && count >= 0) onSet(count);
      }}
    />
  );
}

/** Lengths on hand of planks or uprights, with how many. */
function StockList({
  job,
  title,
  what,
  list,
  onPut,
}: {
  readonly job: Job;
  readonly title: string;
  readonly what: string;
  readonly list: readonly StockOnHand[];
  readonly onPut: (list: readonly StockOnHand[], merge?: string) => void;
}) {
  const { plan, endMerge } = job;
  const change = (index: number, next: StockOnHand, merge?: string): void => {
    onPut(
      list.map((each, at) => (at === index ? next : each)),
      merge,
    );
  };
  return (
    <section aria-label={title}>
      <h3 className="heading">{title}</h3>
      <ul className="flex flex-col gap-1">
        {list.map((stock, index) => (
          <li key={index} className="grid grid-cols-[minmax(0,1fr)_84px_28px] items-center gap-1">
            <LengthField
              usual={USUAL.board}
              label={`Length of ${what} ${String(index + 1)}`}
              text={stock.length}
              units={plan.units}
              onType={(length) => {
                change(index, { ...stock, length }, `${what}:${String(index)}`);
              }}
              onLeave={endMerge}
            />
            <CountField
              label={`How many of ${what} ${String(index + 1)}`}
              value={stock.count}
              placeholder="enough"
              onSet={(count) => {
                change(
                  index,
                  { length: stock.length, ...(count === null ? {} : { count }) },
                  `${what}:${String(index)}`,
                );
              }}
            />
            <button
              type="button"
              className="button plain px-1"
              aria-label={`Remove ${what} ${String(index + 1)}`}
              onClick={() => {
                onPut(list.filter((_, at) => at !== index));
              }}
            >
              <X aria-hidden="true" size={15} />
            </button>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="button mt-1"
        onClick={() => {
          onPut([...list, { length: list.at(-1)?.length ?? '12ft' }]);
        }}
      >
        <Plus aria-hidden="true" size={14} /> Length
      </button>
    </section>
  );
}

/** What the bracing takes, counted by the piece against what is on hand; planks and uprights by length. */
export function GearPanel({ job, bracing, open, onOpen }: GearPanelProps) {
  const { plan, edit } = job;
  const rules = rulesOf(plan);
  const weeks = rules.count('bracing.rent.weeks');
  const usual = (lengths: readonly Parameters<typeof storeLength>[0][]): readonly StockOnHand[] =>
    lengths.map((length) => ({ length: storeLength(length, plan.units) }));
  const frames = bracing.gear.find((line) => line.part === 'turnbuckle')?.wanted.value ?? 0;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_300px] gap-6 max-lg:grid-cols-1">
      <section aria-label="Gear" className="min-w-0">
        <h3 className="heading">Gear, the whole job</h3>
        <table className="figures w-full border-collapse text-[17px]">
          <TableHead names={['part and needed', 'on hand', 'short']} left={['part and needed']} />
          <tbody>
            {bracing.gear.map((line) => (
              <tr key={line.part} className="border-b border-line">
                <td className="px-1">
                  <FigureRow
                    figure={line.wanted}
                    name={line.name}
                    units={plan.units}
                    open={open}
                    onOpen={onOpen}
                  />
                </td>
                <td className="px-1 text-right">
                  {comesInLengths(line.part) ? (
                    (line.onHand ?? 'enough')
                  ) : (
                    <CountField
                      label={`On hand: ${line.name}`}
                      value={line.onHand ?? undefined}
                      placeholder="not said"
                      onSet={(count) => {
                        edit(
                          { kind: 'bracing', change: { of: 'on-hand', part: line.part, count } },
                          `on-hand:${line.part}`,
                        );
                      }}
                    />
                  )}
                </td>
                <td className={`px-1 text-right ${line.short > 0 ? 'font-semibold text-stop' : ''}`}>
                  {line.short > 0 ? `${String(line.short)} short` : ''}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {frames > 0 && (
          <p className="mt-2">
            {frames} frames for {weeks} {weeks === 1 ? 'week' : 'weeks'}: <strong>{frames * weeks}</strong>{' '}
            frame-weeks of rental. Screws, and boards over weak joints with their screws, are on the order
            list.
          </p>
        )}
      </section>
      <div className="flex flex-col gap-4">
        <StockList
          job={job}
          title="Planks on hand"
          what="plank"
          list={plan.bracing?.planks ?? usual(usualLengths('plank', plan.units))}
          onPut={(planks, merge) => {
            edit({ kind: 'bracing', change: { of: 'planks', planks } }, merge);
          }}
        />
        <StockList
          job={job}
          title="Uprights on hand"
          what="upright"
          list={plan.bracing?.uprights ?? usual(usualLengths('upright', plan.units))}
          onPut={(uprights, merge) => {
            edit({ kind: 'bracing', change: { of: 'uprights', uprights } }, merge);
          }}
        />
      </div>
    </div>
  );
}
