import { rulesOf } from '@ombra/core/rules';
import { type Figure, showQuantity } from '@ombra/core/kernel/figures';
import { nanometres, showLength, subtract, USUAL } from '@ombra/core/kernel/measure';
import type { RuleId } from '@ombra/core/kernel/rules';
import type { Wall } from '@ombra/core/stages/outline';
import { type WorkedPour, clockText, liftHours } from '@ombra/core/stages/pour';
import { Plus, X } from 'lucide-react';
import { LengthField } from '../../ui/LengthField';
import { TableHead } from '../../ui/TableHead';
import type { Job } from '../../job/useJob';
import { RuleLines } from '../../rules/RuleLines';
import { FigureRow } from '../../frame/figures/FigureRow';
import { HoleList } from './HoleList';
import { timeOf } from './pourWords';
import type { DayEdit } from './dayEdit';

interface LiftsPanelProps {
  readonly job: Job;
  readonly pour: WorkedPour;
  readonly walls: readonly Wall[];
  readonly open: string | null;
  readonly onOpen: (figure: Figure) => void;
  readonly set: DayEdit;
}

const LINES: readonly (readonly [string, RuleId])[] = [
  ['Lifts', 'pour.lifts'],
  ['First lift depth', 'pour.lift.first'],
  ['Max depth of the next lifts', 'pour.lift.next'],
  ['Under sills', 'pour.sills'],
  ['The pour', 'pour.start'],
  ['Start this far from the corner', 'pour.start.away'],
  ['Seen from above', 'pour.direction'],
  ['Hose stop every', 'pour.hose.step'],
];

/** What a pour through access holes goes by besides. */
const OF_HOLES: readonly (readonly [string, RuleId])[] = [
  ['Max access hole spacing', 'pour.hole.spacing'],
  ['Plug one and go on, min', 'pour.hole.plug'],
];

/** Depths of the lifts, typed from the bottom up. */
function ByHand({ job, pour, set }: Pick<LiftsPanelProps, 'job' | 'pour' | 'set'>) {
  const { plan } = job;
  const typed = plan.pour?.pours?.[pour.span.pour]?.lifts ?? [];
  return (
    <section aria-label="Lifts set by hand">
      <h3 className="heading">Lifts set by hand, from the bottom up</h3>
      <ol className="flex flex-wrap gap-2">
        {typed.map((text, index) => (
          <li key={index} className="flex w-40 items-center gap-1">
            <LengthField
              usual={USUAL.step}
              label={`Depth of lift ${String(index + 1)}`}
              text={text}
              units={plan.units}
              onType={(depth) => {
                set(
                  { lifts: typed.map((each, at) => (at === index ? depth : each)) },
                  `lift:${String(index)}`,
                );
              }}
              onLeave={job.endMerge}
            />
            <button
              type="button"
              className="button plain px-1"
              aria-label={`Remove lift ${String(index + 1)}`}
              onClick={() => {
                set({ lifts: typed.filter((_, at) => at !== index) });
              }}
            >
              <X aria-hidden="true" size={15} />
            </button>
          </li>
        ))}
        <li>
          <button
            type="button"
            className="button"
            onClick={() => {
              set({ lifts: [...typed, plan.units === 'imperial' ? '30in' : '750mm'] });
            }}
          >
            <Plus aria-hidden="true" size={14} /> Lift
          </button>
        </li>
      </ol>
    </section>
  );
}

/** The places of the hose in the order of a lift, wall after wall, from each wall's first corner. */
function Stations({ job, pour }: Pick<LiftsPanelProps, 'job' | 'pour'>) {
  const legs: { readonly name: string; readonly at: string[] }[] = [];
  for (const index of pour.route) {
    const slice = pour.slices[index];
    if (!slice) continue;
    const at = showLength(nanometres((slice.from + slice.to) / 2), job.plan.units, { partsPerInch: 1 });
    const last = legs.at(-1);
    if (last?.name === slice.name) last.at.push(at);
    else legs.push({ name: slice.name, at: [at] });
  }
  return (
    <details className="mt-2">
      <summary className="cursor-pointer">Hose stops in order ({pour.route.length} places)</summary>
      <ol className="figures mt-1 text-[16px]">
        {legs.map((leg, index) => (
          <li key={index}>
            <strong>{leg.name}</strong>, from its first corner: {leg.at.join(' · ')}
          </li>
        ))}
      </ol>
    </details>
  );
}

/** Lifts with their heights, hours and concrete, wall by wall; and the school that makes them. */
export function LiftsPanel({ job, pour, walls, open, onOpen, set }: LiftsPanelProps) {
  const { plan } = job;
  const rules = rulesOf(plan);
  const hours = liftHours(pour);
  const own = plan.pour?.pours?.[pour.span.pour];
  const volume = (value: number): string => showQuantity(value, 'volume', plan.units);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_330px] gap-6 max-lg:grid-cols-1">
      <section aria-label="Lifts" className="min-w-0">
        <h3 className="heading">
          {pour.span.name}: {String(pour.lifts.length)} {pour.lifts.length === 1 ? 'lift' : 'lifts'},{' '}
          {clockText(pour.start)} to {timeOf(pour, pour.clock.finish)} if all goes to plan, finished{' '}
          {timeOf(pour, pour.clock.done)}
        </h3>
        <div className="overflow-x-auto">
          <table className="figures w-full border-collapse text-[17px]">
            <TableHead
              names={[
                'lift',
                'up to',
                'deep',
                'hours',
                'concrete',
                ...pour.volumes.walls.map(({ name }) => name),
              ]}
              left={['lift', 'hours']}
            />
            <tbody>
              {pour.lifts.map((lift, index) => {
                const figure = pour.volumes.lifts[index]?.whole;
                const time = hours[index];
                return (
                  <tr key={index} className="border-b border-line">
                    <th scope="row" className="px-1 text-left">
                      {index + 1}
                    </th>
                    <td className="px-1 text-right whitespace-nowrap">{showLength(lift.top, plan.units)}</td>
                    <td className="px-1 text-right whitespace-nowrap">
                      {showLength(subtract(lift.top, lift.bottom), plan.units)}
                    </td>
                    <td className="px-1 whitespace-nowrap">
                      {time ? `${timeOf(pour, time.from)}–${timeOf(pour, time.to)}` : ''}
                    </td>
                    <td className="px-1 text-right whitespace-nowrap">
                      {figure && (
                        <button
                          type="button"
                          className={`px-1 font-semibold underline decoration-dotted underline-offset-3 ${open === figure.id ? 'bg-chalk-wash text-chalk' : ''}`}
                          aria-expanded={open === figure.id}
                          aria-label={`Concrete in lift ${String(index + 1)}: ${volume(figure.value)}. Why?`}
                          onClick={() => {
                            onOpen(figure);
                          }}
                        >
                          {volume(figure.value)}
                        </button>
                      )}
                    </td>
                    {pour.volumes.walls.map(({ wall }) => {
                      const part = pour.volumes.lifts[index]?.walls[wall] ?? 0;
                      return (
                        <td key={wall} className="px-1 text-right text-quiet">
                          {part > 0 ? volume(part).replace(/ .*$/, '') : '–'}
                        </td>
                      );
                    })}
                  </tr>
                );
              })}
              <tr className="border-t-2 border-ink">
                <th scope="row" colSpan={4} className="px-1 text-left">
                  walls
                </th>
                {[pour.volumes.core, ...pour.volumes.walls.map((each) => each.volume)].map((figure) => (
                  <td key={figure.id} className="px-1 text-right">
                    <button
                      type="button"
                      className={`font-semibold underline decoration-dotted underline-offset-3 ${open === figure.id ? 'bg-chalk-wash text-chalk' : ''}`}
                      aria-expanded={open === figure.id}
                      aria-label={`${figure.title}: ${volume(figure.value)}. Why?`}
                      onClick={() => {
                        onOpen(figure);
                      }}
                    >
                      {figure === pour.volumes.core
                        ? volume(figure.value)
                        : volume(figure.value).replace(/ .*$/, '')}
                    </button>
                  </td>
                ))}
              </tr>
            </tbody>
          </table>
        </div>
        {rules.choice('pour.lifts') === 'by-hand' && <ByHand job={job} pour={pour} set={set} />}
        <details className="mt-2">
          <summary className="cursor-pointer">Concrete course by course</summary>
          {job.worked?.tally.courses
            .filter(({ course }) => course >= pour.span.fromCourse && course <= pour.span.toCourse)
            .map(({ course, coreVolume }) => (
              <FigureRow
                key={course}
                figure={coreVolume}
                name={`Course ${String(course)}, the whole of it`}
                units={plan.units}
                open={open}
                onOpen={onOpen}
              />
            ))}
        </details>
        <HoleList holes={pour.holes} units={plan.units} />
        <Stations job={job} pour={pour} />
        <p className="mt-2 max-w-[78ch] text-sm text-quiet">
          Each lift ends at one height all the way around.{' '}
          {pour.span.stopsMidBlock
            ? 'The last lift stops halfway up its block: the joint is inside the foam, and interlock and top web stay clean.'
            : 'The last lift is struck off at the top.'}{' '}
          The longest wait between layers is {Math.round(pour.clock.gap)} min; the limit is{' '}
          {Math.round(pour.mix.working)}.
        </p>
      </section>
      <section aria-label="Route of the hose">
        <h3 className="heading">Route of the hose</h3>
        <RuleLines job={job} lines={pour.method === 'holes' ? [...LINES, ...OF_HOLES] : LINES} />
        <label className="mt-2 block">
          <span className="heading mb-0.5 block">Corner</span>
          <select
            className="field"
            value={own?.corner ?? ''}
            onChange={(event) => {
              set({ corner: event.currentTarget.value || null });
            }}
          >
            <option value="">first corner</option>
            {walls.map((wall) => (
              <option key={wall.id} value={wall.id}>
                {wall.from}, where {wall.name} begins
              </option>
            ))}
          </select>
        </label>
      </section>
    </div>
  );
}
