import { EVERYTHING } from '@ombra/core/worked';
import { type ComponentType, useEffect, useState } from 'react';
import type { SheetProps } from '../frame/stage';
import { type OpenJob, useJob } from '../job/useJob';
import { SHEETS } from '../stages';
import AwayList from './AwayList';

interface AwaySheetProps {
  readonly job: OpenJob;
  /** When this device last heard of the job. */
  readonly at: string;
  readonly sheet: string;
}

/** A sheet of a job that was taken along, worked on this device. */
export default function AwaySheet({ job: open, at, sheet }: AwaySheetProps) {
  const job = useJob(open, EVERYTHING);
  const [{ Sheet }, setSheet] = useState<{ readonly Sheet: ComponentType<SheetProps> | null }>({
    Sheet: null,
  });
  const view = SHEETS.find(({ path }) => path === sheet);
  useEffect(() => {
    void view?.load().then((loaded) => {
      setSheet({ Sheet: loaded });
    });
  }, [view]);
  useEffect(() => {
    const onClick = ({ target }: MouseEvent): void => {
      if (target instanceof Element && target.closest('#print')) window.print();
    };
    document.addEventListener('click', onClick);
    return () => {
      document.removeEventListener('click', onClick);
    };
  }, []);
  if (!view) return <AwayList missing />;
  if (!Sheet || !job.worked || !job.checked) return <p className="p-6 text-xl">Working the sheet …</p>;
  return (
    <Sheet
      plan={job.plan}
      worked={{ ...job.worked, notices: job.notices }}
      jobId={job.id}
      version={job.sync?.standing().version ?? open.version}
      savedAt={at}
      asked={new URLSearchParams(location.search)}
      entries={job.log.entries}
    />
  );
}
