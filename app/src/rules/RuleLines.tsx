import { RULES, rulesOf } from '@ombra/core/rules';
import { type RuleId, defaultOf } from '@ombra/core/kernel/rules';
import { useState } from 'react';
import type { Job } from '../job/useJob';
import { FindField } from './FindField';
import { RuleLine } from './RuleLine';

/** What a field is called, and the rule behind it. */
type FormLine = readonly [name: string, id: RuleId];

/** Fields of a long form that are shown unasked. [ours] */
const SHOWN = 5;
/** Up to this many fields a form is short, and all of them are shown. [ours] */
const SHORT = SHOWN + 3;
/** With more fields than these, a form has a search. [ours] */
const MANY = 12;

/**
 * House rules in the words of a stage, to be changed there: the fields that the trade asks first, and those that this job has
 * changed. The rest is folded. What is changed while the form is open stays in its place, so that nothing moves while somebody
 * types.
 */
export function RuleLines({
  job,
  lines,
  find,
}: {
  readonly job: Pick<Job, 'plan' | 'edit'>;
  readonly lines: readonly FormLine[];
  /** A search that several forms share: only fields with this in their name are shown. */
  readonly find?: string;
}) {
  const { plan, edit } = job;
  const rules = rulesOf(plan);
  const [own, setOwn] = useState('');
  const [changed] = useState(
    () => new Set(lines.filter(([, id]) => rules.changed.has(id)).map(([, id]) => id)),
  );
  const wanted = (find ?? own).trim().toLowerCase();
  const whole = wanted !== '' || lines.length <= SHORT;
  const open = whole
    ? lines.filter(([name]) => name.toLowerCase().includes(wanted))
    : lines.filter(([, id], index) => index < SHOWN || changed.has(id));
  const folded = whole ? [] : lines.filter((line) => !open.includes(line));
  const lineOf = ([name, id]: FormLine) => (
    <RuleLine
      key={id}
      name={name}
      id={id}
      rules={rules}
      units={plan.units}
      onSet={(value) => {
        // A field that is set back to the default by hand is no change of the job's.
        edit({
          kind: 'set-rule',
          rule: id,
          value: value === defaultOf(RULES[id], plan.units) ? null : value,
        });
      }}
    />
  );
  return (
    <>
      {find === undefined && lines.length > MANY && <FindField find={own} onFind={setOwn} />}
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
