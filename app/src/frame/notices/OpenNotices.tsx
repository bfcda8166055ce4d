import { noticeGroups, withoutAside } from '@ombra/core/kernel/notices';
import { useMemo } from 'react';
import type { Job } from '../../job/useJob';
import { countText } from './severity';

/** How many notices of a stage are still open, counted by cause: `Open: 2 checks · 1 tip`. */
export function OpenNotices({
  job,
  stage,
}: {
  readonly job: Pick<Job, 'plan' | 'notices' | 'checked'>;
  readonly stage: string;
}) {
  const { notices } = job;
  const { setAside } = job.plan;
  const told = useMemo(() => {
    const { open } = withoutAside(
      notices.filter(({ place }) => place.stage === stage),
      setAside,
    );
    return countText(noticeGroups(open).map(({ severity }) => severity));
  }, [notices, setAside, stage]);
  const none = job.checked ? 'Nothing open' : 'Checking …';
  return <p className="figures text-[17px] text-quiet">{told === '' ? none : `Open: ${told}`}</p>;
}
