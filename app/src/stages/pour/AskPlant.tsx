import type { RuleId } from '@ombra/core/kernel/rules';
import { Radio } from 'lucide-react';
import { AskBox } from '../../ui/AskBox';
import type { Job } from '../../job/useJob';

interface Quote {
  readonly name: string;
  readonly travel: number;
  readonly load: number;
  readonly trucks: number;
  readonly step: string;
}

/** What a plant says of itself; null where that is not what came. */
function readQuote(said: unknown): Quote | null {
  const { plant } = (said ?? {}) as { readonly plant?: Partial<Quote> };
  const fits =
    typeof plant?.name === 'string' &&
    [plant.travel, plant.load, plant.trucks].every((each) => typeof each === 'number') &&
    typeof plant.step === 'string';
  return fits ? (plant as Quote) : null;
}

/** Asks the plant for its figures and takes them over in one edit. */
export function AskPlant({ job, date }: { readonly job: Job; readonly date: string | null }) {
  const take = ({ travel, load, trucks, step }: Quote): void => {
    const rule = (id: RuleId, value: string | number) => ({ kind: 'set-rule', rule: id, value }) as const;
    job.edit({
      kind: 'all',
      edits: [
        rule('pour.plant.travel', travel),
        rule('pour.plant.load', load),
        rule('pour.truck.count', trucks),
        rule('pour.plant.step', step),
      ],
    });
  };
  return (
    <AskBox
      label="Ask the plant"
      Icon={Radio}
      url={`/api/plant${date === null ? '' : `?date=${date}`}`}
      read={readQuote}
      who="The plant"
    >
      {(quote) => (
        <>
          <p>
            {quote.name}: {quote.travel} min away at that hour, {quote.load} min to load, {quote.trucks}{' '}
            trucks to spare.
          </p>
          <button
            type="button"
            className="button"
            onClick={() => {
              take(quote);
            }}
          >
            Use these
          </button>
          <p className="text-sm text-quiet">Simulated plant. Call a real one.</p>
        </>
      )}
    </AskBox>
  );
}
