import type { Tally } from '@ombra/core/stages/tally';
import { type Figure, showQuantity } from '@ombra/core/kernel/figures';
import type { UnitSystem } from '@ombra/core/kernel/measure';

interface TallyLineProps {
  readonly tally: Tally;
  readonly units: UnitSystem;
  /** The figure whose why card is open. */
  readonly open: string | null;
  readonly onOpen: (figure: Figure) => void;
}

/** What a stage that changes the courses keeps in view. */
export const lineFigures = ({ total }: Tally): readonly (readonly [Figure, string])[] => [
  [total.straight, 'straight'],
  [total.cut, 'cut'],
  [total.blocksBought, 'blocks to buy'],
  [total.buckFaces, 'buck faces'],
  [total.coreVolume, 'concrete'],
];

/** The job's totals on one line, following every change; each opens its why. */
export const TallyLine = ({ tally, units, open, onOpen }: TallyLineProps) => (
  <p className="figures flex flex-wrap items-baseline gap-x-4 text-[17px]" role="group" aria-label="Totals">
    {lineFigures(tally).map(([figure, name]) => (
      <button
        key={figure.id}
        type="button"
        className={`px-0.5 underline decoration-dotted underline-offset-3 ${open === figure.id ? 'bg-chalk text-on-chalk' : ''}`}
        aria-expanded={open === figure.id}
        onClick={() => {
          onOpen(figure);
        }}
      >
        <span className="font-semibold">{showQuantity(figure.value, figure.unit, units)}</span> {name}
      </button>
    ))}
  </p>
);
