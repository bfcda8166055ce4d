import type { Notice } from '@ombra/core/notices/notice';
import { showQuantity } from '@ombra/core/tally/explain';
import { Notices } from '../notices/Notices';
import { PlanDrawing } from '../plan/PlanDrawing';
import type { StageProps } from '../stage';
import { JobSettings } from './JobSettings';
import { WalkEditor } from './WalkEditor';

/** The outline walked with the keyboard on the left, drawn as it is typed on the right. */
export function OutlineStage({ job, place, onPlace }: StageProps) {
  const { plan, worked, edit, endMerge, freshId } = job;
  const choose = (wall: string): void => {
    onPlace({ wall });
  };
  const go = (notice: Notice): void => {
    if (notice.place.wall !== undefined) choose(notice.place.wall);
    if (notice.place.setting !== undefined) document.getElementById(notice.place.setting)?.focus();
  };
  return (
    <div className="grid grow grid-cols-[minmax(360px,430px)_1fr] gap-6 p-4 max-md:grid-cols-1">
      <section aria-label="Outline" className="flex flex-col gap-4">
        <JobSettings plan={plan} onEdit={edit} />
        {plan.loops.map((loop) => (
          <WalkEditor
            key={loop.id}
            loop={loop}
            shell={worked?.shell.loops.find((each) => each.id === loop.id)}
            units={plan.units}
            measuredTo={plan.measuredTo}
            chosen={place.wall}
            freshId={freshId}
            onEdit={edit}
            onLeaveField={endMerge}
            onChoose={choose}
          />
        ))}
      </section>
      <section aria-label="Plan" className="flex min-w-0 flex-col gap-3">
        {worked && (
          <>
            <PlanDrawing
              shell={worked.shell}
              units={plan.units}
              width={760}
              height={480}
              chosen={place.wall}
              onChoose={choose}
              dimensions
            />
            {worked.shell.loops.map(
              (loop) =>
                loop.built && (
                  <dl key={loop.id} className="figures flex flex-wrap gap-x-8 gap-y-1 text-lg">
                    <div className="flex gap-2">
                      <dt className="text-quiet">Round the form face</dt>
                      <dd className="font-semibold">
                        {showQuantity(loop.built.perimeter, 'length', plan.units)}
                      </dd>
                    </div>
                    <div className="flex gap-2">
                      <dt className="text-quiet">Plan area of the core</dt>
                      <dd className="font-semibold">
                        {showQuantity(loop.built.coreArea, 'area', plan.units)}
                      </dd>
                    </div>
                    <div className="flex gap-2">
                      <dt className="text-quiet">Wall height</dt>
                      <dd className="font-semibold">
                        {showQuantity(worked.courses.height, 'length', plan.units)}
                      </dd>
                    </div>
                  </dl>
                ),
            )}
            <div>
              <h2 className="heading mb-1">Notices</h2>
              <Notices notices={worked.notices} onEdit={edit} onGo={go} />
            </div>
          </>
        )}
      </section>
    </div>
  );
}
