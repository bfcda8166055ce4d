import type { Notice } from '@ombra/core/notices/notice';
import type { Plan } from '@ombra/core/plan/plan';
import { houseRules } from '@ombra/core/rules/houseRules';
import { showQuantity } from '@ombra/core/tally/explain';
import type { Figure, Tally } from '@ombra/core/tally/figure';
import { Notices } from '../notices/Notices';
import { PlanDrawing } from '../plan/PlanDrawing';
import type { StageProps } from '../stage';
import { WhyCard } from '../tally/WhyCard';
import { JobSettings } from './JobSettings';
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
          rules={houseRules(plan.rules)}
          onClose={() => {
            onPlace({ figure: null });
          }}
        />
      )}
    </>
  );
}

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
            {worked.shell.loops.some((loop) => loop.built) && (
              <WallFigures plan={plan} tally={worked.tally} place={place} onPlace={onPlace} />
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
