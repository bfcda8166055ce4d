import { type Length, type UnitSystem, showLength } from '@ombra/core/measure';
import type { Steel } from '@ombra/core/steel/buildSteel';
import type { Figure } from '@ombra/core/tally/figure';
import { ScrollBox } from '../../ui/ScrollBox';
import { FigureRow } from '../tally/FigureRow';

interface StockPanelProps {
  readonly steel: Steel;
  readonly units: UnitSystem;
  readonly open: string | null;
  readonly onOpen: (figure: Figure) => void;
}

/** Bars to buy by size, what comes out of each, and their mass. */
export function StockPanel({ steel, units, open, onOpen }: StockPanelProps) {
  return (
    <div className="grid grid-cols-[repeat(auto-fit,minmax(300px,1fr))] gap-6">
      {steel.stock.map((own) => {
        const patterns = new Map<string, number>();
        for (const cuts of own.lengths) {
          const text = cuts.map((cut) => showLength(cut as Length, units, { style: 'inches' })).join(' + ');
          patterns.set(text, (patterns.get(text) ?? 0) + 1);
        }
        return (
          <section key={own.size} aria-label={`Stock of ${own.size}`} className="min-w-0">
            <h3 className="text-lg font-semibold">
              {own.size}: {own.lengths.length} of {showLength(own.stock, units)}
            </h3>
            <p className="text-sm text-quiet">
              {own.proved ? 'Least possible, proved.' : `${String(own.bound)} at the least; not proved.`}{' '}
              {showLength(own.total, units)} in all, {showLength(own.laps, units)} of it laps.
            </p>
            <FigureRow figure={own.mass} name="Mass" units={units} open={open} onOpen={onOpen} />
            <ScrollBox label={`Cut list of ${own.size}`} height="max-h-64">
              <ul className="figures text-[16px]">
                {[...patterns].map(([text, count]) => (
                  <li key={text} className="border-b border-line">
                    {count} × <span className="felt text-[14px]">{text}</span>
                  </li>
                ))}
              </ul>
            </ScrollBox>
          </section>
        );
      })}
      <section aria-label="All steel" className="min-w-0">
        <FigureRow figure={steel.mass} name="All steel" units={units} open={open} onOpen={onOpen} />
      </section>
    </div>
  );
}
