import { rulesOf } from '@ombra/core/rules';
import { type Figure, showQuantity } from '@ombra/core/kernel/figures';
import { wallsOf } from '@ombra/core/stages/outline';
import type { Steel } from '@ombra/core/stages/steel';
import { Download, Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Tabs } from '../../ui/Tabs';
import { panelOf } from '../../job/place';
import { type SteelPanel, STEEL_PANELS } from './panels';
import type { StageProps } from '../../frame/stage';
import { Strip } from '../../drawing/strip/Strip';
import { WhyCard } from '../../frame/figures/WhyCard';
import { NothingStands } from '../../frame/walls/NothingStands';
import { WallsAside } from '../../frame/walls/WallsAside';
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

const NAMES: Readonly<Record<SteelPanel, string>> = {
  spec: 'What the drawings say',
  table: 'Table of the code',
  courses: 'By course',
  schedule: 'Bending schedule',
  stock: 'Stock and mass',
};

const NONE: ReadonlySet<string> = new Set();
const NO_STOCK: Steel['stock'] = [];

/** Every bar by the drawings' rules: on the strip, across the wall, as a bending schedule, and as stock to buy. */
export function SteelStage({ job, place, onPlace }: StageProps) {
  const { worked, plan, edit } = job;
  const panel = panelOf(place, 'steel', STEEL_PANELS);
  const [mark, setMark] = useState<string | null>(null);
  const rules = useMemo(() => rulesOf(plan), [plan]);
  const steel = worked?.steel;
  const least = useLeastStock(steel?.stock ?? NO_STOCK);
  const lit = useMemo(
    () => new Set(steel?.schedule.find((line) => line.mark === mark)?.bars ?? NONE),
    [steel, mark],
  );
  if (!worked || !steel) return <p className="p-6 text-quiet">Working the plan out …</p>;
  const walls = wallsOf(worked.shell);
  const wall = walls.find((each) => each.id === place.wall) ?? walls[0];
  if (!wall || worked.courses.count === 0) {
    return <NothingStands title="No wall to reinforce yet" />;
  }
  const figures = [steel.mass, ...steel.stock.map((own) => own.mass)];
  const figure = figures.find((each) => each.id === place.figure);
  const openFigure = (next: Figure): void => {
    onPlace({ figure: next.id === place.figure ? null : next.id });
  };
  const choose = (id: string): void => {
    onPlace({ wall: id, piece: null });
  };
  const section = steel.sections.find((each) => each.wall === wall.id);
  const barsIn = (id: string): string =>
    String(steel.bars.reduce((sum, bar) => sum + (bar.wall === id ? bar.count : 0), 0));
  return (
    <div className="grid grow grid-cols-[232px_minmax(0,1fr)] max-md:grid-cols-1">
      <WallsAside
        job={job}
        worked={worked}
        walls={walls}
        chosen={wall.id}
        stage="steel"
        heading="Walls: bars"
        figure={(each) => barsIn(each.id)}
        onChoose={choose}
      />
      <div className="flex min-w-0 flex-col gap-3 p-4">
        <Strip
          worked={worked}
          place={{ ...place, wall: wall.id, course: worked.courses.count + 1 }}
          onPlace={onPlace}
          lit={null}
          plan={plan}
          onEdit={edit}
          over={(frame) => <SteelLayer frame={frame} bars={steel.bars} lit={lit} />}
        />
        <p className="figures text-[17px]">
          {least.stock.map((own) => (
            <span key={own.size} className="mr-4">
              <strong>{own.lengths.length}</strong> of {own.size}
            </span>
          ))}
          <strong>{showQuantity(steel.mass.value, 'mass', plan.units)}</strong>{' '}
          <span className="text-sm text-quiet">
            The drawings or the engineer decide; this lays out, counts and cuts what they say.
          </span>
        </p>
        <Tabs
          label="Parts of the steel"
          panel="steel-panel"
          tabs={STEEL_PANELS.map((id) => ({ id, name: NAMES[id] }))}
          chosen={panel}
          onChoose={(next) => {
            onPlace({ panels: { steel: next }, figure: null });
          }}
        />
        <div
          role="tabpanel"
          id="steel-panel"
          aria-labelledby={`tab-${panel}`}
          className="flex flex-col gap-3"
        >
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
            <div className="grid grid-cols-[220px_minmax(0,1fr)] gap-6 max-md:grid-cols-1">
              <section aria-label={`Wall ${wall.name} cut across`}>
                <h3 className="heading">{wall.name} cut across</h3>
                {section && (
                  <SlotSection
                    wall={wall}
                    section={section}
                    courses={worked.courses.count}
                    units={plan.units}
                  />
                )}
              </section>
              <div className="flex min-w-0 flex-col gap-4">
                <CourseSteel
                  worked={worked}
                  wall={wall}
                  course={Math.min(place.course, worked.courses.count)}
                  face={place.face}
                  onCourse={(course) => {
                    onPlace({ course });
                  }}
                />
                <CapacityCard capacity={section?.capacity ?? undefined} units={plan.units} />
                <LayingOrder steel={steel} />
              </div>
            </div>
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
            <StockPanel
              steel={steel}
              least={least}
              units={plan.units}
              open={figure?.id ?? null}
              onOpen={openFigure}
            />
          )}
          {figure && (
            <div className="max-w-2xl">
              <WhyCard
                key={figure.id}
                figure={figure}
                units={plan.units}
                rules={rules}
                onClose={() => {
                  onPlace({ figure: null });
                }}
              />
            </div>
          )}
        </div>
      </div>
    </div>
  );
}
