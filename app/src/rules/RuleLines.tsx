import { rulesOf } from '@ombra/core/rules';
import { useState } from 'react';
import type { Job } from '../job/useJob';
import { FindField, type FormLine, RuleForm } from './RuleForm';

/** With more fields than these, they can be looked for. [ours] */
const MANY = 12;

/** Some of the job's house rules in the words of a stage, to be changed there. */
export function RuleLines({
  job,
  lines,
}: {
  readonly job: Pick<Job, 'plan' | 'edit'>;
  readonly lines: readonly FormLine[];
}) {
  const [find, setFind] = useState('');
  return (
    <>
      {lines.length > MANY && <FindField find={find} onFind={setFind} />}
      <RuleForm
        lines={lines}
        rules={rulesOf(job.plan)}
        units={job.plan.units}
        find={find}
        onSet={(rule, value) => {
          job.edit({ kind: 'set-rule', rule, value });
        }}
      />
    </>
  );
}
