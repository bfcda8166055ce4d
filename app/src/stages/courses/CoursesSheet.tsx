import { showVolume } from '@ombra/core/kernel/figures';
import { showLength } from '@ombra/core/kernel/measure';
import { wallsOf } from '@ombra/core/stages/outline';
import { PlanDrawing } from '../../drawing/plan/PlanDrawing';
import { TallyTable } from '../../frame/figures/TallyTable';
import { StrapTable } from './cards/StrapCard';
import { elevationFrame, WallElevation } from '../../drawing/WallElevation';
import { SheetFrame } from '../../frame/sheet/SheetFrame';
import type { SheetProps } from '../../frame/stage';

/** The courses on paper: outline, tally, every wall in elevation, and what to mind. Reads well in black and white. */
export function CoursesSheet({ worked, ...job }: Omit<SheetProps, 'asked'>) {
  const { plan } = job;
  const walls = wallsOf(worked.shell);
  const laid = worked.courses.pieces.length > 0;
  const frame = elevationFrame(worked);
  /** How far bars stand out of a pour's joint, where others lap with them. */
  const barsOut = (pour: string): string => {
    const bars = worked.topoff.tops.find((top) => top.pour === pour)?.bars ?? null;
    return bars === null ? '' : `, bars sticking out ${showLength(bars, plan.units)}`;
  };
  return (
    <SheetFrame
      job={job}
      here="courses"
      title="courses"
      line={`${String(worked.courses.count)} courses, ${showLength(worked.courses.height, plan.units)} high`}
    >
      <div className="grid grid-cols-[1fr_300px] gap-6 max-sm:grid-cols-1 print:grid-cols-[1fr_300px]">
        <PlanDrawing
          shell={worked.shell}
          units={plan.units}
          width={430}
          height={270}
          chosen={null}
          dimensions
        />
        {laid ? (
          <TallyTable tally={worked.tally} units={plan.units} course={null} open={null} />
        ) : (
          <p className="text-lg font-semibold">No courses yet. The notices below say what is missing.</p>
        )}
      </div>
      <p className="mt-2 mb-3 text-sm" hidden={!laid}>
        Walls seen from inside, left to right as walked. Hatched: cut pieces, their length in{' '}
        {plan.units === 'imperial' ? 'inches' : 'millimetres'}. LH, RH: hand of the corner, seen from outside.
      </p>
      {laid && (
        <div className="flex flex-col gap-3">
          {walls.map((wall) => (
            <WallElevation key={wall.id} wall={wall} frame={frame} worked={worked} />
          ))}
        </div>
      )}
      {worked.notices.length > 0 && (
        <section className="mt-4 break-inside-avoid">
          <h2 className="heading">Notices</h2>
          <ul className="list-disc pl-5 text-sm">
            {worked.notices.map((notice) => (
              <li key={notice.id}>
                <strong>
                  {notice.severity}, {notice.where}:
                </strong>{' '}
                {notice.what}
              </li>
            ))}
          </ul>
        </section>
      )}
      {worked.tally.pours.length > 0 && (
        <section className="mt-4 break-inside-avoid">
          <h2 className="heading">Pours</h2>
          <ul className="figures text-base">
            {worked.tally.pours.map((pour) => (
              <li key={pour.id}>
                <strong>{pour.name}</strong>, courses {pour.from} to {pour.to}: {pour.straight.value} whole,{' '}
                {pour.cut.value} cut, {pour.cornerLH.value + pour.cornerRH.value} corners, pour{' '}
                {showVolume(pour.coreVolume.value, plan.units)}
                {pour.top === 'half' ? `, to the middle of its last block${barsOut(pour.id)}` : ''}
                {pour.then === null ? '' : `; then ${pour.then}`}
              </li>
            ))}
          </ul>
        </section>
      )}
      {worked.courses.weakJoints.length > 0 && (
        <section className="mt-4">
          <h2 className="heading">Strap list: both faces</h2>
          <StrapTable
            joints={worked.courses.weakJoints}
            walls={walls}
            units={plan.units}
            kind={worked.shell.family?.kind}
          />
        </section>
      )}
    </SheetFrame>
  );
}
