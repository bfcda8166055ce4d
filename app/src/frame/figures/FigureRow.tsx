import { type Figure, showQuantity } from '@ombra/core/kernel/figures';
import type { UnitSystem } from '@ombra/core/kernel/measure';

interface FigureRowProps {
  readonly figure: Figure;
  readonly name: string;
  readonly units: UnitSystem;
  /** The figure whose why card is open. */
  readonly open: string | null;
  readonly onOpen: (figure: Figure) => void;
}

/** A figure on a line of its own; pressing it opens its why. Ratios are things to buy and are told whole. */
export const FigureRow = ({ figure, name, units, open, onOpen }: FigureRowProps) => (
  <button
    type="button"
    className={`figures flex w-full justify-between border-b border-line px-1 text-[17px] hover:bg-chalk-wash ${open === figure.id ? 'bg-chalk-wash text-chalk' : ''}`}
    aria-expanded={open === figure.id}
    onClick={() => {
      onOpen(figure);
    }}
  >
    <span>{name}</span>
    <span className="font-semibold">
      {figure.unit === 'ratio' ? Math.ceil(figure.value) : showQuantity(figure.value, figure.unit, units)}
    </span>
  </button>
);
