import type { Shot, SurveyPass } from '@ombra/core/stages/footing';
import type { Job } from '../../job/useJob';

/** Readings of a pass as the plan keeps them. */
export const shotsIn = (job: Job, pass: SurveyPass): readonly Shot[] =>
  (pass === 'footing' ? job.plan.footing?.shots : job.plan.footing?.after) ?? [];

/** An edit that puts readings in the place of a pass's own. */
export function putShots(job: Job, pass: SurveyPass, shots: readonly Shot[], merge?: string): void {
  job.edit({ kind: 'set-footing', change: pass === 'footing' ? { shots } : { after: shots } }, merge);
}
