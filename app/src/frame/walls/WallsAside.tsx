import type { Point } from '@ombra/core/kernel/geometry';
import type { Notice } from '@ombra/core/kernel/notices';
import type { Plan } from '@ombra/core/kernel/plan';
import type { Bases } from '@ombra/core/stages/footing';
import type { Wall } from '@ombra/core/stages/outline';
import type { WorkedPlan } from '@ombra/core/work';
import { PanelLeftClose, PanelLeftOpen } from 'lucide-react';
import type { ReactNode } from 'react';
import type { Job } from '../../job/useJob';
import { Notices } from '../notices/Notices';
import { PlanDrawing } from '../../drawing/plan/PlanDrawing';
import type { PlanFrame } from '../../drawing/plan/planGeometry';
import { WallList } from './WallList';

/** Left of a stage that works wall by wall: the plan, the walls with a figure each, and the notices, the stage's own first. */
export function WallsAside({
  job,
  worked,
  walls,
  chosen,
  stage,
  folded,
  onFold,
  heading,
  figure,
  bases,
  also,
  over,
  onChoose,
  onGo,
  children,
}: {
  readonly job: Pick<Job, 'edit' | 'checked'> & { readonly plan: Plan };
  readonly worked: WorkedPlan;
  readonly walls: readonly Wall[];
  readonly chosen: string | null;
  readonly stage: string;
  /** Folded, it leaves its room to the drawing. */
  readonly folded: boolean;
  readonly onFold: (folded: boolean) => void;
  readonly heading: string;
  readonly figure: (wall: Wall) => string;
  readonly bases?: Bases;
  readonly also?: readonly Point[];
  readonly over?: (frame: PlanFrame) => ReactNode;
  readonly onChoose: (wall: string) => void;
  /** Goes to what a notice is about. */
  readonly onGo: (notice: Notice) => void;
  readonly children?: ReactNode;
}) {
  const fold = (
    <button
      type="button"
      className="button plain self-end px-1.5"
      aria-expanded={!folded}
      aria-label="Walls and notices"
      title={folded ? 'Show walls and notices' : 'Fold walls and notices away'}
      onClick={() => {
        onFold(!folded);
      }}
    >
      {folded ? (
        <PanelLeftOpen aria-hidden="true" size={17} />
      ) : (
        <PanelLeftClose aria-hidden="true" size={17} />
      )}
    </button>
  );
  if (folded) {
    return (
      <aside
        aria-label="Walls and notices"
        className="flex flex-col items-center border-r border-line py-2 max-md:border-r-0"
      >
        {fold}
      </aside>
    );
  }
  return (
    <aside
      aria-label="Walls and notices"
      className="relative flex flex-col gap-4 border-r border-line p-4 max-md:border-r-0"
    >
      <div className="absolute top-1 right-1 z-10">{fold}</div>
      <div className="max-md:mx-auto max-md:w-56">
        <PlanDrawing
          shell={worked.shell}
          bases={bases}
          {...(also ? { also } : {})}
          {...(over ? { over } : {})}
          units={job.plan.units}
          width={200}
          height={170}
          chosen={chosen}
          onChoose={onChoose}
        />
      </div>
      <WallList heading={heading} walls={walls} chosen={chosen} onChoose={onChoose} figure={figure} />
      <Notices job={job} notices={worked.notices} stage={stage} onGo={onGo} />
      {children}
    </aside>
  );
}
