import { Workbench } from '../frame/Workbench';
import type { OpenJob } from '../job/useJob';
import { viewOf } from '../stages';
import AwayList from './AwayList';

interface AwayWorkbenchProps {
  readonly job: OpenJob;
  readonly stage: string;
  readonly panel: string | undefined;
}

/** The stages of a job that was taken along. */
export default function AwayWorkbench({ job, stage, panel }: AwayWorkbenchProps) {
  if (!viewOf(stage)) return <AwayList missing />;
  return <Workbench job={job} stage={stage} {...(panel !== undefined && { panel })} />;
}
