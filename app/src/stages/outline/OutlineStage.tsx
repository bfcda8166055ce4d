import { wallsOf } from '@ombra/core/stages/outline';
import type { Tally } from '@ombra/core/stages/tally';
import { rulesOf } from '@ombra/core/rules';
import { type Figure, showQuantity } from '@ombra/core/kernel/figures';
import type { Notice } from '@ombra/core/kernel/notices';
import type { Plan } from '@ombra/core/kernel/plan';
import { Plus } from 'lucide-react';
import { Notices } from '../../frame/notices/Notices';
import { PlanDrawing } from '../../drawing/plan/PlanDrawing';
import type { StageProps } from '../../frame/stage';
import { WhyCard } from '../../frame/figures/WhyCard';
import { placeOfNotice } from '../../job/place';
import { BringIn } from './bringIn/BringIn';
import { FirstWalls } from './FirstWalls';
import { JobSettings } from './JobSettings';
import { LoopSettings } from './LoopSettings';
import { PourList } from './PourList';
import { WalkEditor } from './WalkEditor';

interface WallFiguresProps extends Pick<StageProps, 'place' | 'onPlace'> {
  readonly plan: Plan;
  readonly tally: Tally;
}

/** The walls as a whole, each figure opening to its why. */
function WallFigures({ plan, tally, place, onPlace }: WallFiguresProps) {
  const { perimeter, coreArea, height } = tally.outline;
  const figures: readonly Figure[] = [perimeter, coreArea, height];
  const open = figures.find((figure) => figure.id === place.figure);
  return (
    <>
      <p className="figures flex flex-wrap gap-x-8 gap-y-1 text-lg">
        {figures.map((figure) => (
          <button
            key={figure.id}
            type="button"
            aria-expanded={figure === open}
            onClick={() => {
              onPlace({ figure: figure === open ? null : figure.id });
            }}
          >
            <span className="text-quiet">{figure.title}</span>{' '}
            <span className="font-semibold underline decoration-dotted underline-offset-3">
              {showQuantity(figure.value, figure.unit, plan.units)}
            </span>
          </button>
        ))}
      </p>
      {open && (
        <WhyCard
          key={open.id}
          figure={open}
          units={plan.units}
          rules={rulesOf(plan)}
          onClose={() => {
            onPlace({ figure: null });
          }}
        />
      )}
    </>
  );
}

/** The outline walked with the keyboard on the left, drawn as it is typed on the right. */
export function OutlineStage({ job, place, onPlace, onStage }: StageProps) {
  const { plan, worked, edit, endMerge, freshId } = job;
  const [first] = plan.loops;
  const choose = (wall: string): void => {
    onPlace({ wall });
  };
  const go = (notice: Notice): void => {
    const { stage = 'outline' } = notice.place;
    if (stage !== 'outline') onStage(stage);
    onPlace(placeOfNotice(notice));
    if (notice.place.setting !== undefined) {
      const field = document.getElementById(notice.place.setting);
      (field?.querySelector('input') ?? field)?.focus();
    }
  };
  return (
    <div className="grid grow grid-cols-[minmax(360px,430px)_1fr] gap-6 p-4 max-md:grid-cols-1">
      <section aria-label="Outline" className="flex flex-col gap-4">
        <JobSettings
          plan={plan}
          worked={worked}
          onEdit={edit}
          onLeave={endMerge}
          onForms={() => {
            onStage('forms');
          }}
        />
        {first && plan.loops.every(({ walk }) => walk.length === 0) && (
          <FirstWalls loop={first.id} onEdit={edit} />
        )}
        {plan.loops.map((loop, index) => (
          <div key={loop.id}>
            <LoopSettings
              loop={loop}
              first={index === 0}
              others={plan.loops
                .slice(0, index)
                .flatMap(
                  (each) => worked?.shell.loops.find((laid) => laid.id === each.id)?.built?.walls ?? [],
                )}
              units={plan.units}
              onEdit={edit}
              onLeave={endMerge}
            />
            <WalkEditor
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
          </div>
        ))}
        <div className="flex flex-wrap gap-1.5">
          <BringIn job={job} />
          <button
            type="button"
            className="button"
            onClick={() => {
              edit({ kind: 'add-loop', loop: freshId(), name: `Outline ${String(plan.loops.length + 1)}` });
            }}
          >
            <Plus aria-hidden="true" size={15} /> Another outline or inside wall
          </button>
        </div>
        <PourList
          plan={plan}
          courses={worked?.levels.courses ?? 0}
          walls={worked ? wallsOf(worked.shell) : []}
          freshId={freshId}
          onEdit={edit}
          onLeave={endMerge}
        />
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
            {worked.shell.loops.some((loop) => loop.built) && (
              <WallFigures plan={plan} tally={worked.tally} place={place} onPlace={onPlace} />
            )}
            <Notices job={job} notices={worked.notices} stage="outline" onGo={go} />
          </>
        )}
      </section>
    </div>
  );
}
