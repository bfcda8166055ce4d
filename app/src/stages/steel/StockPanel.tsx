import type { Figure } from '@ombra/core/kernel/figures';
import { type Length, type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import { type Steel, type StockOfSize, offcutsOf } from '@ombra/core/stages/steel';
import { useState } from 'react';
import { Choice } from '../../ui/Choice';
import { ScrollBox } from '../../ui/ScrollBox';
import { FigureRow } from '../../frame/figures/FigureRow';
import { type CutPart, CutList } from './LayingOrder';
import type { LeastStock } from './useLeastStock';

interface StockPanelProps {
  readonly steel: Steel;
  readonly least: LeastStock;
  readonly units: UnitSystem;
  readonly open: string | null;
  readonly onOpen: (figure: Figure) => void;
}

/** `Lowest possible, proved.` */
export const proofText = (own: StockOfSize): string =>
  own.proved
    ? 'Lowest possible, proved.'
    : `${String(own.bound)} at least; ${String(own.lengths.length - own.bound)} over that, not proved.`;

/** What comes out of each bar, bars cut alike told once. */
export function CutPatterns({ own, units }: { readonly own: StockOfSize; readonly units: UnitSystem }) {
  const patterns = new Map<string, number>();
  for (const cuts of own.lengths) {
    const text = cuts.map((cut) => showLength(cut as Length, units, { style: 'inches' })).join(' + ');
    patterns.set(text, (patterns.get(text) ?? 0) + 1);
  }
  return (
    <ul className="figures text-[16px]">
      {[...patterns].map(([text, count]) => (
        <li key={text} className="border-b border-line">
          {count} × <span className="felt text-[14px]">{text}</span>
        </li>
      ))}
    </ul>
  );
}

/** How the search for fewer bars stands, and the way to stop it or to begin again. */
function Proof({ least }: { readonly least: LeastStock }) {
  const words = {
    running: `Looking for fewer bars: ${String(least.tried)} cutting patterns tried.`,
    done: least.stock.every((own) => own.proved)
      ? 'Every size is proved: no cutting plan takes fewer bars.'
      : 'Nothing more found. Sizes not proved say by how much.',
    stopped: 'Stopped. What was found so far is kept.',
    broken: 'The search failed. The quick cut lists still hold. Reload and try again.',
  }[least.state];
  return (
    <p className="flex flex-wrap items-center gap-2 text-sm text-quiet" role="status">
      {words}
      {least.state === 'running' && (
        <button type="button" className="button" onClick={least.stop}>
          Stop
        </button>
      )}
      {least.state === 'stopped' && (
        <button type="button" className="button" onClick={least.start}>
          Search again
        </button>
      )}
    </p>
  );
}

/** Bars to buy by size, what comes out of each, what is left over, and their mass. */
export function StockPanel({ steel, least, units, open, onOpen }: StockPanelProps) {
  const [part, setPart] = useState<CutPart>('pour');
  return (
    <div className="flex flex-col gap-3">
      <Proof least={least} />
      <div className="grid grid-cols-[repeat(auto-fit,minmax(300px,1fr))] gap-6">
        {least.stock.map((own) => {
          const [longest, ...others] = offcutsOf(own);
          const pieces = [longest, ...others].reduce((sum, each) => sum + (each?.count ?? 0), 0);
          return (
            <section key={own.size} aria-label={`Stock of ${own.size}`} className="min-w-0">
              <h3 className="text-lg font-semibold">
                {own.size}: {own.lengths.length} of {showLength(own.stock, units)}
              </h3>
              <p className="text-sm text-quiet">
                {proofText(own)} {showLength(own.total, units)} in all, {showLength(own.laps, units)} of it
                laps.{' '}
                {longest &&
                  `${String(pieces)} ends left over, the longest ${showLength(longest.length, units)}: ties and chairs.`}
              </p>
              <FigureRow figure={own.mass} name="Mass" units={units} open={open} onOpen={onOpen} />
              <ScrollBox label={`Cut list of ${own.size}`} height="max-h-64">
                <CutPatterns own={own} units={units} />
              </ScrollBox>
            </section>
          );
        })}
        <section aria-label="All steel" className="min-w-0">
          <FigureRow figure={steel.mass} name="All steel" units={units} open={open} onOpen={onOpen} />
        </section>
      </div>
      <section aria-label="What to cut when">
        <div className="mb-2 w-72">
          <Choice
            label="What to cut and bend, in the order needed"
            name="cut-part"
            value={part}
            options={[
              { value: 'pour', label: 'by pour' },
              { value: 'course', label: 'by course' },
            ]}
            onChoose={setPart}
          />
        </div>
        <CutList steel={steel} units={units} by={part} />
      </section>
    </div>
  );
}
