import { type SurveyPass, readSurveyFile } from '@ombra/core/stages/footing';
import type { WorkedPlan } from '@ombra/core/work';
import { CsvBox } from '../../ui/CsvBox';
import type { Job } from '../../job/useJob';
import { putShots, shotsIn } from './shots';

interface SurveyFileBoxProps {
  readonly job: Job;
  readonly worked: WorkedPlan;
  readonly pass: SurveyPass;
}

/** Readings from a CSV file or pasted from a sheet; nothing is taken while a row is wrong. */
export const SurveyFileBox = ({ job, worked, pass }: SurveyFileBoxProps) => (
  <CsvBox
    label="Paste here: wall, at, reading (or station, reading)"
    placeholder={'wall, at, reading\nA-B, 4ft, 4ft 2 1/8in'}
    what="survey"
    onTake={(text) => {
      const reading = readSurveyFile(text, worked.shell, job.plan.units);
      if (!reading.ok) return { problems: reading.problems };
      putShots(job, pass, [
        ...shotsIn(job, pass),
        ...reading.shots.map((shot) => ({ ...shot, id: job.freshId() })),
      ]);
      return { taken: `${String(reading.shots.length)} readings taken.` };
    }}
    {...(shotsIn(job, pass).length > 0 ? { href: `/api/jobs/${job.id}/survey.csv?pass=${pass}` } : {})}
  />
);
