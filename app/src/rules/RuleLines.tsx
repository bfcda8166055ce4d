import { rulesOf } from '@ombra/core/rules';
import type { RuleId } from '@ombra/core/kernel/rules';
import type { Job } from '../job/useJob';
import { RuleLine } from './RuleLine';

/** Some of the job's house rules in the words of a stage, to be changed there. */
export function RuleLines({
  job,
  lines,
}: {
  readonly job: Pick<Job, 'plan' | 'edit'>;
  readonly lines: readonly (readonly [name: string, id: RuleId])[];
}) {
  const rules = rulesOf(job.plan);
  return (
    <ul>
      {lines.map(([name, id]) => (
        <RuleLine
          key={id}
          name={name}
          id={id}
          rules={rules}
          units={job.plan.units}
          onSet={(value) => {
            job.edit({ kind: 'set-rule', rule: id, value });
          }}
        />
      ))}
    </ul>
  );
}
