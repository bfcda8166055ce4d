import { readInsertsFile } from '@ombra/core/stages/inserts';
import { readOpeningsFile } from '@ombra/core/stages/openings';
import type { WorkedPlan } from '@ombra/core/work';
import { CsvBox } from '../../ui/CsvBox';
import type { Job } from '../../job/useJob';

interface FilesPanelProps {
  readonly job: Job;
  readonly worked: WorkedPlan;
}

/** Openings and inserts in and out as CSV. */
export function FilesPanel({ job, worked }: FilesPanelProps) {
  const { plan, edit, freshId } = job;
  return (
    <div className="grid grid-cols-2 gap-6 max-md:grid-cols-1">
      <CsvBox
        label="Openings: wall, at, width, height; name, kind, from, to, sill or head, buck where wanted"
        placeholder={
          'name, kind, wall, from, to, at, width, height, head\nKitchen, window, A-B, A, centre, 12ft, 4ft, 3ft 6in, 8ft'
        }
        what="list of openings"
        onTake={(text) => {
          const reading = readOpeningsFile(text, worked.shell, plan.units);
          if (!reading.ok) return { problems: reading.problems };
          edit({
            kind: 'add-openings',
            openings: reading.openings.map((each) => ({ ...each, id: freshId() })),
          });
          return { taken: `${String(reading.openings.length)} openings taken.` };
        }}
        {...((plan.openings ?? []).length > 0 ? { href: `/api/jobs/${job.id}/openings.csv` } : {})}
      />
      <CsvBox
        label="Inserts: kind, wall, at, up; name, from, size, height, depth, length, spacing where wanted"
        placeholder={'name, kind, wall, from, at, up, size\nWater in, sleeve, E-F, E, 3ft 2in, 22in, 4in'}
        what="list of inserts"
        onTake={(text) => {
          const reading = readInsertsFile(text, worked.shell, plan.units);
          if (!reading.ok) return { problems: reading.problems };
          edit({
            kind: 'add-inserts',
            inserts: reading.inserts.map((each) => ({ ...each, id: freshId() })),
          });
          return { taken: `${String(reading.inserts.length)} inserts taken.` };
        }}
        {...((plan.inserts ?? []).length > 0 ? { href: `/api/jobs/${job.id}/inserts.csv` } : {})}
      />
    </div>
  );
}
