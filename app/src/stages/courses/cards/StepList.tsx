import { type UnitSystem, USUAL } from '@ombra/core/kernel/measure';
import { Plus, X } from 'lucide-react';
import type { ReactNode } from 'react';
import { LengthField } from '../../../ui/LengthField';

interface Step {
  readonly id: string;
  readonly at: string;
}

interface StepListProps<Item extends Step> {
  readonly heading: string;
  /** What stands over its boxes after the station: `up or down`, `by`. */
  readonly boxes: readonly string[];
  /** What one of them is called: `footing step`. */
  readonly name: string;
  /** The corner that stations are measured from. */
  readonly from: string;
  readonly units: UnitSystem;
  readonly steps: readonly Item[];
  readonly make: () => Item;
  readonly onChange: (steps: readonly Item[], merge?: string) => void;
  readonly onLeave: () => void;
  /** What stands beside the station: how far the footing steps, or the new top. */
  readonly children: (step: Item, change: (step: Item) => void, place: string) => ReactNode;
}

/** Steps along a wall: how far from its first corner, and what changes there. */
export function StepList<Item extends Step>(props: StepListProps<Item>) {
  const { heading, boxes, name, from, units, steps, make, onChange, onLeave, children } = props;
  const put = (changed: Item): void => {
    onChange(
      steps.map((step) => (step.id === changed.id ? changed : step)),
      `${name}:${changed.id}`,
    );
  };
  return (
    <div>
      <h4 className="heading mb-0.5">{heading}</h4>
      {steps.length > 0 && (
        <p className="flex gap-1 text-sm text-quiet" aria-hidden="true">
          <span className="w-28">from {from}</span>
          {boxes.map((box) => (
            <span key={box} className="min-w-20">
              {box}
            </span>
          ))}
        </p>
      )}
      <ul className="flex flex-col gap-1">
        {steps.map((step, index) => (
          <li key={step.id} className="flex items-start gap-1">
            <div className="w-28">
              <LengthField
                usual={USUAL.station}
                label={`${name} ${String(index + 1)}: how far from ${from}`}
                text={step.at}
                units={units}
                onType={(at) => {
                  put({ ...step, at });
                }}
                onLeave={onLeave}
              />
            </div>
            {children(step, put, `${name} ${String(index + 1)}`)}
            <button
              type="button"
              className="button plain px-1.5"
              aria-label={`Remove ${name} ${String(index + 1)}`}
              onClick={() => {
                onChange(steps.filter((each) => each.id !== step.id));
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
          onChange([...steps, make()]);
        }}
      >
        <Plus aria-hidden="true" size={14} /> {name[0]?.toUpperCase()}
        {name.slice(1)}
      </button>
    </div>
  );
}
