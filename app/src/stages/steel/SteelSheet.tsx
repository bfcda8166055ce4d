import { rulesOf } from '@ombra/core/rules';
import { showQuantity } from '@ombra/core/kernel/figures';
import { type Length, showLength } from '@ombra/core/kernel/measure';
import { type RuleId, stateRule } from '@ombra/core/kernel/rules';
import { type Wall, wallsOf } from '@ombra/core/stages/outline';
import { type Bar, leastUnwatched } from '@ombra/core/stages/steel';
import type { WorkedPlan } from '@ombra/core/work';
import { CutList, LayingOrder } from './LayingOrder';
import { ScheduleTable } from './SchedulePanel';
import { SlotSection } from './SlotSection';
import { SteelLayer } from './SteelLayer';
import { CutPatterns, proofText } from './StockPanel';
import { SheetFrame } from '../../frame/sheet/SheetFrame';
import { whatIsMissing } from '../../frame/sheet/missing';
import type { SheetProps } from '../../frame/stage';
import { elevationFrame, WallElevation } from '../../drawing/WallElevation';

/** What an inspector asks first. */
const STATED: readonly RuleId[] = [
  'steel.horizontal.size',
  'steel.horizontal.courses',
  'steel.vertical.size',
  'steel.vertical.spacing',
  'steel.lap',
  'steel.grade',
  'steel.concrete.strength',
  'steel.cover.foam',
];

const NONE: ReadonlySet<string> = new Set();

/** Stations of what stands on the footing of a wall, from both of its corners. */
function DowelPlan({
  wall,
  dowels,
  units,
}: {
  readonly wall: Wall;
  readonly dowels: readonly Bar[];
  readonly units: WorkedPlan['units'];
}) {
  const stations = dowels.map((bar) => bar.from).sort((a, b) => a - b);
  return (
    <li className="break-inside-avoid">
      <h3 className="figures font-semibold">
        {wall.name}, from {wall.from} on the outside face of the form: {stations.length}
      </h3>
      <p className="figures text-[16px]">{stations.map((at: Length) => showLength(at, units)).join(' · ')}</p>
    </li>
  );
}

/** The steel on paper: what holds, every wall with its bars, dowels to set, laying order, schedule, cut list and stock. */
export function SteelSheet({ worked, ...job }: Omit<SheetProps, 'asked'>) {
  const { plan } = job;
  const { units, steel } = worked;
  const rules = rulesOf(plan);
  const walls = wallsOf(worked.shell);
  const frame = elevationFrame(worked);
  const stands = steel.bars.length > 0;
  const dowelsOf = (wall: string): readonly Bar[] =>
    steel.bars.filter((bar) => bar.use === 'dowel' && bar.wall === wall);
  return (
    <SheetFrame
      job={job}
      here="steel"
      title="steel"
      line={`${showQuantity(steel.mass.value, 'mass', units)}, ${String(steel.schedule.length)} marks`}
    >
      <p className="mb-2 text-sm">
        {STATED.map((id) => stateRule(id, rules, units)).join(' ')} Walls and zones that differ follow their
        own spec. The drawings or the engineer decide sizes and spacings.
      </p>
      {!stands && <p className="text-lg font-semibold">No steel yet. {whatIsMissing(worked.shell)}</p>}
      {stands && (
        <>
          <p className="mb-2 text-sm">
            Walls seen from inside, left to right as walked. A line above a bar is its lap; dowels stand
            beside the bar that laps them.
          </p>
          <div className="flex flex-col gap-3">
            {walls.map((wall) => (
              <WallElevation key={wall.id} wall={wall} frame={frame} worked={worked}>
                <SteelLayer
                  frame={frame}
                  bars={steel.bars.filter((bar) => bar.wall === wall.id)}
                  lit={NONE}
                />
              </WallElevation>
            ))}
          </div>
          <section aria-label="Slots" className="mt-4">
            <h2 className="border-b border-ink text-lg font-semibold">Slots, walls in section</h2>
            <ul className="mt-2 flex flex-wrap gap-3">
              {steel.sections.map((section) => {
                const wall = walls.find((each) => each.id === section.wall);
                return (
                  wall && (
                    <li key={section.wall} className="break-inside-avoid">
                      <h3 className="figures font-semibold">{wall.name}</h3>
                      <SlotSection
                        wall={wall}
                        section={section}
                        courses={worked.courses.count}
                        units={units}
                      />
                    </li>
                  )
                );
              })}
            </ul>
          </section>
          <section aria-label="Dowels" className="mt-4">
            <h2 className="border-b border-ink text-lg font-semibold">Dowels to set in the footing</h2>
            <ul className="mt-1 flex flex-col gap-2">
              {walls.map((wall) => (
                <DowelPlan key={wall.id} wall={wall} dowels={dowelsOf(wall.id)} units={units} />
              ))}
            </ul>
          </section>
          <div className="mt-4 break-inside-avoid">
            <LayingOrder steel={steel} />
          </div>
          <section aria-label="Bending schedule" className="mt-4 print:break-before-page">
            <h2 className="border-b border-ink text-lg font-semibold">
              Bending schedule, shapes by the codes of BS 8666
            </h2>
            <ScheduleTable schedule={steel.schedule} units={units} />
          </section>
          <section aria-label="Cut list" className="mt-4">
            <h2 className="mb-1 border-b border-ink text-lg font-semibold">What to have ready, by course</h2>
            <CutList steel={steel} units={units} by="course" />
          </section>
          <section aria-label="Stock" className="mt-4">
            <h2 className="mb-1 border-b border-ink text-lg font-semibold">
              Stock, and what to cut from each bar
            </h2>
            <div className="grid grid-cols-2 gap-5">
              {steel.stock.map(leastUnwatched).map((own) => (
                <div key={own.size} className="break-inside-avoid">
                  <h3 className="figures font-semibold">
                    {own.size}: {own.lengths.length} of {showLength(own.stock, units)},{' '}
                    {showQuantity(own.mass.value, 'mass', units)}
                  </h3>
                  <p className="text-sm">{proofText(own)}</p>
                  <CutPatterns own={own} units={units} />
                </div>
              ))}
            </div>
          </section>
        </>
      )}
    </SheetFrame>
  );
}
