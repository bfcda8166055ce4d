import { writeBendingFile } from '@ombra/core/stages/steel';
import { type ExportJob, type Made, made } from './job';

/** The job as a building model, `plan.ifc`. */
export async function ifcOf({ worked, jobId, savedAt }: ExportJob, name: string): Promise<Made | null> {
  if (name !== 'plan') return null;
  if (!worked.shell.loops.some(({ built }) => built)) {
    return {
      ok: false,
      where: 'outline',
      what: 'There are no walls yet: finish the outline, then get this file again.',
    };
  }
  const { writeIfc } = await import('./ifc/model');
  return made('application/x-step', writeIfc(worked, { jobId, name: worked.name, savedAt }));
}

/** The bending schedule for bending machines, `bending.abs`. */
export function bendingOf({ worked, version }: ExportJob, name: string): Promise<Made | null> {
  if (name !== 'bending') return Promise.resolve(null);
  const text = writeBendingFile(worked.steel.schedule, { job: worked.name, state: String(version) });
  return Promise.resolve(made('text/plain; charset=us-ascii', text));
}
