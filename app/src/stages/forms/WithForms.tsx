import type { PlanFigures } from '@ombra/core/trials/planFigures';
import { applyEdit } from '@ombra/core/plan';
import { showVolume } from '@ombra/core/kernel/figures';
import type { Family } from '@ombra/core/kernel/forms';
import type { Plan } from '@ombra/core/kernel/plan';
import { useEffect, useState } from 'react';
import { workClient } from '../../workers/workClient';

interface WithFormsProps {
  readonly plan: Plan;
  readonly family: Family;
  readonly onTake: () => void;
}

interface Made extends PlanFigures {
  readonly cubicMetres: number;
  readonly stops: readonly string[];
}

/** What a family would make of the job as it stands: blocks, cuts, straps, concrete, or why it cannot be built of it. */
export function WithForms({ plan, family, onTake }: WithFormsProps) {
  const [made, setMade] = useState<Made | null>(null);
  useEffect(() => {
    let over = false;
    void workClient()
      .tryOut(applyEdit(plan, { kind: 'set-family', family: family.id }))
      .then((found) => {
        if (!over) setMade(found);
      });
    return () => {
      over = true;
    };
  }, [plan, family]);
  const inUse = plan.family === family.id;
  return (
    <div className="mt-4 border-t-2 border-ink pt-2">
      <h3 className="font-semibold">{inUse ? 'This job, with it' : `This job with ${family.name}`}</h3>
      {made && made.stops.length === 0 && (
        <p className="figures text-lg">
          {made.blocks} blocks to buy · {made.cuts} cuts · {made.straps} joints to strap ·{' '}
          {showVolume(made.cubicMetres, plan.units)}
        </p>
      )}
      {made && made.stops.length > 0 && (
        <ul className="list-disc pl-5 text-stop">
          {made.stops.map((stop) => (
            <li key={stop}>{stop}</li>
          ))}
        </ul>
      )}
      {!inUse && (
        <button type="button" className="button strong mt-2" onClick={onTake}>
          Use for this job: {family.name}
        </button>
      )}
    </div>
  );
}
