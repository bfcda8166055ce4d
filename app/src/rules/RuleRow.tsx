import {
  type UnitSystem,
  readLength,
  readQuantity,
  storeLength,
  writeQuantity,
} from '@ombra/core/kernel/measure';
import type { PlanEdit } from '@ombra/core/kernel/plan';
import {
  type ChoiceRule,
  type ChoiceRuleId,
  type CountRule,
  type CountRuleId,
  type HouseRules,
  type LengthRule,
  type LengthRuleId,
  type QuantityRule,
  type QuantityRuleId,
  type RuleId,
  defaultOf,
  showRuleLength,
  sourceText,
  stateRule,
  takesLength,
  takesQuantity,
} from '@ombra/core/kernel/rules';
import { RotateCcw } from 'lucide-react';
import { useState } from 'react';

interface RuleRowProps {
  readonly id: RuleId;
  readonly rules: HouseRules;
  readonly units: UnitSystem;
  readonly onEdit: (edit: PlanEdit) => void;
}

interface ControlProps {
  readonly label: string;
  readonly onSet: (value: string | number) => void;
}

/** A value typed as text: what cannot be taken is said beside it and changes nothing. */
function TypedValue({
  label,
  shown,
  take,
}: {
  readonly label: string;
  readonly shown: string;
  /** Takes the text, or says why not. */
  readonly take: (text: string) => string | null;
}) {
  const [draft, setDraft] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <div className="relative w-40 max-w-full">
      <input
        className="field figures"
        aria-label={label}
        aria-invalid={problem !== null}
        maxLength={40}
        value={draft ?? shown}
        onChange={(event) => {
          setDraft(event.currentTarget.value);
          setProblem(take(event.currentTarget.value));
        }}
        onBlur={() => {
          setDraft(null);
          setProblem(null);
        }}
      />
      {problem !== null && (
        <p className="lifted absolute top-full left-0 z-20 mt-0.5 w-max max-w-72 p-1.5 text-sm text-stop">
          {problem}
        </p>
      )}
    </div>
  );
}

function LengthValue({
  rule,
  rules,
  units,
  label,
  onSet,
}: ControlProps & { readonly rule: LengthRule } & Pick<RuleRowProps, 'rules' | 'units'>) {
  return (
    <TypedValue
      label={label}
      shown={showRuleLength(rules.length(rule.id as LengthRuleId), units)}
      take={(text) => {
        const reading = readLength(text, units);
        if (!reading.ok) return reading.message;
        if (!takesLength(rule, reading.length)) {
          return `From ${showRuleLength(rule.least, units)} to ${showRuleLength(rule.most, units)}${rule.orNone ? ', or 0' : ''}.`;
        }
        onSet(storeLength(reading.length, units));
        return null;
      }}
    />
  );
}

function CountValue({
  rule,
  rules,
  label,
  onSet,
}: ControlProps & { readonly rule: CountRule } & Pick<RuleRowProps, 'rules'>) {
  return (
    <TypedValue
      label={label}
      shown={String(rules.count(rule.id as CountRuleId))}
      take={(text) => {
        const value = Number(text);
        if (text.trim() === '' || !Number.isInteger(value) || value < rule.least || value > rule.most) {
          return `A whole number from ${String(rule.least)} to ${String(rule.most)}.`;
        }
        onSet(value);
        return null;
      }}
    />
  );
}

function QuantityValue({
  rule,
  rules,
  units,
  label,
  onSet,
}: ControlProps & { readonly rule: QuantityRule } & Pick<RuleRowProps, 'rules' | 'units'>) {
  const written = (value: number): string => writeQuantity(value, rule.of, units);
  return (
    <TypedValue
      label={label}
      shown={written(rules.quantity(rule.id as QuantityRuleId))}
      take={(text) => {
        const value = readQuantity(text, rule.of, units);
        if (value === null) return `Write it as ${written(defaultOf(rule, units) as number)}.`;
        if (!takesQuantity(rule, value)) return `From ${written(rule.least)} to ${written(rule.most)}.`;
        onSet(written(value));
        return null;
      }}
    />
  );
}

function ChoiceValue({
  rule,
  rules,
  label,
  onSet,
}: ControlProps & { readonly rule: ChoiceRule } & Pick<RuleRowProps, 'rules'>) {
  return (
    <select
      className="field max-w-md"
      aria-label={label}
      value={rules.choice(rule.id as ChoiceRuleId)}
      onChange={(event) => {
        onSet(event.currentTarget.value);
      }}
    >
      {rule.choices.map((choice) => (
        <option key={choice.value} value={choice.value}>
          {choice.label}
        </option>
      ))}
    </select>
  );
}

/** A rule's value to change, by itself. */
export function RuleValue({
  id,
  rules,
  units,
  ...control
}: ControlProps & Pick<RuleRowProps, 'id' | 'rules' | 'units'>) {
  const rule = rules.book[id];
  switch (rule.type) {
    case 'length':
      return <LengthValue rule={rule} rules={rules} units={units} {...control} />;
    case 'count':
      return <CountValue rule={rule} rules={rules} {...control} />;
    case 'quantity':
      return <QuantityValue rule={rule} rules={rules} units={units} {...control} />;
    case 'choice':
      return <ChoiceValue rule={rule} rules={rules} {...control} />;
  }
}

/** One house rule: its sentence as it holds here, why crews keep it, where it comes from, and its value to change. */
export function RuleRow({ id, rules, units, onEdit }: RuleRowProps) {
  const rule = rules.book[id];
  const changed = rules.changed.has(id);
  const control: ControlProps = {
    label: `Value of: ${stateRule(id, rules, units)}`,
    onSet: (value) => {
      onEdit({ kind: 'set-rule', rule: id, value: value === defaultOf(rule, units) ? null : value });
    },
  };
  return (
    <li className="border-b border-line py-2">
      <p className="font-semibold">{stateRule(id, rules, units)}</p>
      <p className="text-sm text-quiet">
        {rule.reason} <span className="italic">{sourceText(rule.source)}</span>
      </p>
      <div className="mt-1 flex flex-wrap items-start gap-2">
        <RuleValue id={id} rules={rules} units={units} {...control} />
        {changed && (
          <button
            type="button"
            className="button"
            onClick={() => {
              onEdit({ kind: 'set-rule', rule: id, value: null });
            }}
          >
            <RotateCcw aria-hidden="true" size={14} /> Changed for this job. Use the default again
          </button>
        )}
      </div>
    </li>
  );
}
