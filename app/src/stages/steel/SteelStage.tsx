import { showQuantity } from '@ombra/core/kernel/figures';
import type { UnitSystem } from '@ombra/core/kernel/measure';
import type { Wall } from '@ombra/core/stages/outline';
import type { Steel } from '@ombra/core/stages/steel';
import type { WorkedPlan } from '@ombra/core/worked';
import { Download, Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { STEEL_PANELS, STEEL_PANEL_NAMES } from './panels';
import type { StageProps } from '../../frame/stage';
import { StageFrame, Summary, Working } from '../../frame/StageFrame';
import { CapacityCard } from './CapacityCard';
import { CourseSteel } from './CourseSteel';
import { LayingOrder } from './LayingOrder';
import { SchedulePanel } from './SchedulePanel';
import { SlotSection } from './SlotSection';
import { SpecPanel } from './SpecPanel';
import { SteelLayer } from './SteelLayer';
import { StockPanel } from './StockPanel';
import { TablePanel } from './TablePanel';
import { useLeastStock } from './useLeastStock';

const NONE: ReadonlySet<string> = new Set();
const NO_STOCK: Steel['stock'] = [];

/** Every bar by the drawings' rules: on the strip, across the wall, as a bending schedule, and as stock to buy. */
export function SteelStage({ job, place, onPlace, onStage }: StageProps) {
  const { worked, plan } = job;
  const [mark, setMark] = useState<string | null>(null);
  const steel = worked?.steel;
  const least = useLeastStock(steel?.stock ?? NO_STOCK);
  const lit = useMemo(
    () => new Set(steel?.schedule.find((line) => line.mark === mark)?.bars ?? NONE),
    [steel, mark],
  );
  if (!worked || !steel) return <Working />;
  const barsIn = (id: string): string =>
    String(steel.bars.reduce((sum, bar) => sum + (bar.wall === id ? bar.count : 0), 0));
  return (
    <StageFrame
      job={job}
      place={place}
      onPlace={onPlace}
      onStage={onStage}
      stage="steel"
      worked={worked}
      empty="No walls to reinforce yet"
      aside={{ heading: 'Walls: bars', figure: (each) => barsIn(each.id) }}
      strip={{ over: (frame) => <SteelLayer frame={frame} bars={steel.bars} lit={lit} /> }}
      summary={
        <Summary said="The drawings or the engineer decide. Ombra lays out, counts and cuts what they say.">
          {least.stock.map((own) => (
            <span key={own.size} className="mr-4">
              <strong>{own.lengths.length}</strong> of {own.size}
            </span>
          ))}
          <strong>{showQuantity(steel.mass.value, 'mass', plan.units)}</strong>
        </Summary>
      }
      tabs={{ label: 'Parts of the steel', panels: STEEL_PANELS, names: STEEL_PANEL_NAMES }}
      figures={[steel.mass, ...steel.stock.map((own) => own.mass)]}
    >
      {({ panel, wall, walls, open, onOpen }) => (
        <>
          {panel === 'spec' && (
            <SpecPanel
              job={job}
              walls={walls}
              openings={worked.openings.placed.filter((opening) => opening.worked)}
              courses={worked.courses.count}
              fromTable={steel.picks.filter((pick) => pick.row !== null).length}
            />
          )}
          {panel === 'table' && <TablePanel job={job} steel={steel} walls={walls} />}
          {panel === 'courses' && (
            <BarsByCourse worked={worked} units={plan.units} wall={wall} place={place} onPlace={onPlace} />
          )}
          {panel === 'schedule' && (
            <>
              <SchedulePanel schedule={steel.schedule} units={plan.units} chosen={mark} onChoose={setMark} />
              <div className="flex gap-1.5">
                <a className="button" href={`/api/jobs/${job.id}/bending.csv`} download>
                  <Download aria-hidden="true" size={15} /> Save as CSV
                </a>
                <a className="button" href={`/jobs/${job.id}/sheets/steel`}>
                  <Printer aria-hidden="true" size={15} /> Steel sheet
                </a>
              </div>
            </>
          )}
          {panel === 'stock' && (
            <StockPanel steel={steel} least={least} units={plan.units} open={open} onOpen={onOpen} />
          )}
        </>
      )}
    </StageFrame>
  );
}

/** The bars of one wall: across its thickness, in one course, against the soil, and in the order of laying. */
function BarsByCourse({
  worked,
  units,
  wall,
  place,
  onPlace,
}: Pick<StageProps, 'place' | 'onPlace'> & {
  readonly worked: WorkedPlan;
  readonly units: UnitSystem;
  readonly wall: Wall;
}) {
  const { steel } = worked;
  const { count } = worked.courses;
  const section = steel.sections.find((each) => each.wall === wall.id);
  return (
    <div className="grid grid-cols-[220px_minmax(0,1fr)] gap-6 max-md:grid-cols-1">
      <section aria-label={`Section of wall ${wall.name}`}>
        <h3 className="heading">{wall.name} cut across</h3>
        {section && <SlotSection wall={wall} section={section} courses={count} units={units} />}
      </section>
      <div className="flex min-w-0 flex-col gap-4">
        <CourseSteel
          worked={worked}
          wall={wall}
          course={Math.min(place.course, count)}
          face={place.face}
          onCourse={(course) => {
            onPlace({ course });
          }}
        />
        <CapacityCard capacity={section?.capacity ?? undefined} units={units} />
        <LayingOrder steel={steel} />
      </div>
    </div>
  );
}
