import type { UnitSystem } from '@ombra/core/kernel/measure';
import type { HouseRules, RuleId } from '@ombra/core/kernel/rules';
import { useState } from 'react';
import { RuleLine } from './RuleLine';

/** What a field is called, and the rule behind it. */
export type FormLine = readonly [name: string, id: RuleId];

/** Fields of a long form that are shown unasked. [ours] */
const SHOWN = 5;
/** Longer, the rest is folded; a form with one field more than is shown would hide it for nothing. [ours] */
const SHORT = SHOWN + 2;

/**
 * Fields of house rules: those that the trade asks first and those that this job has changed; the rest is folded under a line.
 * What is changed while the form is open stays in its place, so that nothing moves from under a hand that types.
 */
export function RuleForm({
  lines,
  rules,
  units,
  find = '',
  onSet,
}: {
  readonly lines: readonly FormLine[];
  readonly rules: HouseRules;
  readonly units: UnitSystem;
  /** Only fields with this in their name are shown, folded or not. */
  readonly find?: string;
  readonly onSet: (rule: RuleId, value: string | number | null) => void;
}) {
  const [changed] = useState(
    () => new Set(lines.filter(([, id]) => rules.changed.has(id)).map(([, id]) => id)),
  );
  const wanted = find.trim().toLowerCase();
  const found = lines.filter(([name]) => name.toLowerCase().includes(wanted));
  const whole = wanted !== '' || lines.length <= SHORT;
  const open = whole ? found : lines.filter(([, id], index) => index < SHOWN || changed.has(id));
  const folded = whole ? [] : lines.filter((line) => !open.includes(line));
  const lineOf = ([name, id]: FormLine) => (
    <RuleLine
      key={id}
      name={name}
      id={id}
      rules={rules}
      units={units}
      onSet={(value) => {
        onSet(id, value);
      }}
    />
  );
  return (
    <>
      <ul>{open.map(lineOf)}</ul>
      {folded.length > 0 && (
        <details>
          <summary className="py-1.5 text-quiet">{folded.length} more</summary>
          <ul>{folded.map(lineOf)}</ul>
        </details>
      )}
    </>
  );
}

/** Looks for fields of a long form by their names. */
export function FindField({
  find,
  onFind,
}: {
  readonly find: string;
  readonly onFind: (find: string) => void;
}) {
  return (
    <label className="flex items-center gap-2">
      <span className="heading">Find a field</span>
      <input
        type="search"
        className="field w-48!"
        value={find}
        onChange={(event) => {
          onFind(event.currentTarget.value);
        }}
      />
    </label>
  );
}
