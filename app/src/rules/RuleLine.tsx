import type { UnitSystem } from '@ombra/core/kernel/measure';
import type { HouseRules, RuleId } from '@ombra/core/kernel/rules';
import { RotateCcw } from 'lucide-react';
import { RuleValue } from './RuleRow';

/** A choice of more letters than these is cut off beside its name. */
const SHORT_CHOICE = 16;

/** A rule in the words of its stage, with the job's own value and the way back to the default. */
export function RuleLine({
  name,
  id,
  rules,
  units,
  onSet,
}: {
  readonly name: string;
  readonly id: RuleId;
  readonly rules: HouseRules;
  readonly units: UnitSystem;
  readonly onSet: (value: string | number | null) => void;
}) {
  const changed = rules.changed.has(id);
  const rule = rules.book[id];
  // A choice told in a sentence takes the whole line under its name.
  const long = rule.type === 'choice' && rule.choices.some(({ label }) => label.length > SHORT_CHOICE);
  return (
    <li
      className={`grid items-center gap-x-1 border-b border-line py-0.5 ${long ? 'grid-cols-[minmax(0,1fr)_minmax(24px,auto)]' : 'grid-cols-[minmax(0,1fr)_minmax(0,160px)_minmax(24px,auto)]'}`}
    >
      <span
        className={`${changed ? 'font-semibold text-chalk' : ''} ${long ? 'col-span-2' : ''}`}
        title={rule.reason}
      >
        {name}
      </span>
      <RuleValue id={id} rules={rules} units={units} label={name} onSet={onSet} />
      {changed ? (
        <button
          type="button"
          className="button plain px-0.5"
          aria-label={`${name}: use the default again`}
          onClick={() => {
            onSet(null);
          }}
        >
          <RotateCcw aria-hidden="true" size={14} />
        </button>
      ) : (
        <span />
      )}
    </li>
  );
}
