import { rulesOf } from '@ombra/core/rules';
import { type Figure, showMinutes, showPressure, showVolume } from '@ombra/core/kernel/figures';
import { type Length, METRES_PER_FOOT, showLength } from '@ombra/core/kernel/measure';
import type { Pressing, WorkedPour } from '@ombra/core/stages/pour';
import { TableHead } from '../../ui/TableHead';
import type { Job } from '../../job/useJob';
import { RuleLines } from '../../rules/RuleLines';
import { FigureRow } from '../../frame/figures/FigureRow';

interface PressurePanelProps {
  readonly job: Job;
  readonly pour: WorkedPour;
  readonly open: string | null;
  readonly onOpen: (figure: Figure) => void;
}

const WHOLE_HEAD_WORDS = {
  rise: 'It rises faster than any formula holds for',
  deep: 'A vibrated lift is deeper than the formula holds for',
  return: 'The hose comes back before the layer below has stiffened',
} as const;

/** The fastest rise of a wall in a lift, m/h; nothing where it takes none. */
const fastestIn = (pressing: Pressing, wall: string, lift: number): number =>
  pressing.rises
    .filter((each) => each.wall === wall && each.lift === lift)
    .reduce((most, each) => Math.max(most, each.rise), 0);

const showRise = (metres: number, units: Job['plan']['units']): string =>
  units === 'imperial' ? (metres / METRES_PER_FOOT).toFixed(1) : metres.toFixed(2);

const WIDTH = 360;
const HEIGHT = 250;

/** Pressure over the height of the wall, with the form's capacity and the tops of the lifts. */
function PressurePicture({
  pour,
  pressing,
  units,
}: {
  readonly pour: WorkedPour;
  readonly pressing: Pressing;
  readonly units: Job['plan']['units'];
}) {
  // Of the tallest wall; on an odd pour that is lower than the pour itself.
  const height = pressing.profile.at(-1)?.up ?? 1;
  const most = Math.max(pressing.head.value, pressing.capacity ?? 0) * 1.05;
  const x = (pressure: number): number => 70 + (pressure / most) * (WIDTH - 90);
  const y = (up: number): number => HEIGHT - 34 - (up / height) * (HEIGHT - 56);
  const line = pressing.profile.map(({ up, pressure }) => `${x(pressure).toFixed(1)} ${y(up).toFixed(1)}`);
  return (
    <svg
      viewBox={`0 0 ${String(WIDTH)} ${String(HEIGHT)}`}
      className="w-full max-w-[420px] border border-line bg-sheet"
      role="img"
      aria-label={`Pressure over the height: ${showPressure(pressing.judged, units)} at most, none at the top`}
    >
      <rect x={56} y={y(height)} width={12} height={y(0) - y(height)} className="fill-foam stroke-ink" />
      <path
        d={`M70 ${y(0).toFixed(1)}L${line.join('L')}Z`}
        className="fill-concrete stroke-ink"
        strokeWidth={1.5}
      />
      <line
        x1={x(pressing.head.value)}
        y1={y(0)}
        x2={70}
        y2={y(height)}
        className="stroke-quiet"
        strokeDasharray="4 4"
      />
      <text
        x={x(pressing.head.value) - 4}
        y={y(0) - 6}
        textAnchor="end"
        className="figures fill-quiet text-[12px]"
      >
        if all stayed fluid
      </text>
      {pressing.capacity !== null && (
        <g>
          <line
            x1={x(pressing.capacity)}
            x2={x(pressing.capacity)}
            y1={y(0)}
            y2={y(height)}
            className="stroke-stop"
            strokeWidth={2}
          />
          <text
            x={x(pressing.capacity)}
            y={y(height) - 6}
            textAnchor="middle"
            className="figures fill-stop text-[13px]"
          >
            form’s capacity
          </text>
        </g>
      )}
      {pour.lifts.map((lift, index) => {
        const up = (lift.top - pour.span.bottom) / 1e9;
        if (up > height) return null;
        return (
          <g key={index}>
            <line x1={48} x2={70} y1={y(up)} y2={y(up)} className="stroke-chalk" />
            <text x={44} y={y(up) + 4} textAnchor="end" className="figures fill-chalk text-[12px]">
              {showLength((lift.top - pour.span.bottom) as Length, units, { style: 'feet' })}
            </text>
          </g>
        );
      })}
      <text
        x={x(pressing.judged)}
        y={y(0) + 18}
        textAnchor="middle"
        className="figures fill-ink text-[14px] font-semibold"
      >
        {showPressure(pressing.judged, units)}
      </text>
    </svg>
  );
}

/** What presses on the forms by both schools, what stays inside their capacity, and where a hose fills a wall too fast. */
export function PressurePanel({ job, pour, open, onOpen }: PressurePanelProps) {
  const { plan } = job;
  const rules = rulesOf(plan);
  const { pressing } = pour;
  if (!pressing) {
    return (
      <p>
        No pressure can be told: the temperature is out of any range, or nothing is poured. See the notices.
      </p>
    );
  }
  const { fastest, capacity } = pressing;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_430px] gap-6 max-lg:grid-cols-1">
      <div className="flex min-w-0 flex-col gap-3">
        <section aria-label="Pressure">
          <h3 className="heading">Pressure on the forms</h3>
          {[pressing.rise, pressing.aci, pressing.ciria, pressing.head, pressing.liftHead].map((figure) => (
            <FigureRow
              key={figure.id}
              figure={figure}
              name={figure.title}
              units={plan.units}
              open={open}
              onOpen={onOpen}
            />
          ))}
          <p className="mt-1">
            Judged at the worst place,{' '}
            <strong>
              {pressing.worst.name}, lift {pressing.worst.lift}
            </strong>
            : <strong>{showPressure(pressing.judged, plan.units)}</strong>.
            {pressing.wholeHead !== null && (
              <strong className="text-stop">
                {' '}
                {WHOLE_HEAD_WORDS[pressing.wholeHead]}: the whole head counts.
              </strong>
            )}
          </p>
          <div className="mt-1">
            <RuleLines
              job={job}
              lines={[
                ['Judged by', 'pour.pressure'],
                ['Concrete made dense', 'pour.consolidate'],
                ['Deepest vibrated lift', 'pour.vibrate.deepest'],
                ['Least minutes between lifts at a place', 'pour.return.least'],
              ]}
            />
          </div>
        </section>
        <section aria-label="What stays inside" aria-live="polite">
          <h3 className="heading">What stays inside</h3>
          {capacity === null ? (
            <p>
              <strong>No stated capacity: reported only.</strong> The form maker’s manual has the number; the
              Forms page takes it.
            </p>
          ) : fastest === 'none' ? (
            <p className="font-semibold text-stop">
              Even the slowest pour presses harder than the {showPressure(capacity, plan.units)} that the form
              is stated for.
            </p>
          ) : fastest === 'any' ? (
            <p>
              Any rate: even the whole head of this pour stays inside {showPressure(capacity, plan.units)}.
            </p>
          ) : (
            <p>
              Stated for {showPressure(capacity, plan.units)}: up to{' '}
              <strong>{showVolume(fastest ?? 0, plan.units, 1)} an hour</strong>; lifts then take at least{' '}
              {pressing.shortestLifts.map((minutes) => showMinutes(minutes)).join(', ')}.{' '}
              {pressing.judged > capacity ? (
                <strong className="text-stop">The planned pace is over it.</strong>
              ) : (
                'The planned pace is inside it.'
              )}
            </p>
          )}
        </section>
        <section aria-label="How fast it rises">
          <h3 className="heading">
            Rise where it is fastest, {plan.units === 'imperial' ? 'feet' : 'metres'} an hour
          </h3>
          <table className="figures w-full border-collapse text-[17px]">
            <TableHead names={['wall', ...pour.lifts.map((_, index) => `lift ${String(index + 1)}`)]} />
            <tbody>
              {pour.volumes.walls.map(({ wall, name }) => (
                <tr key={wall} className="border-b border-line">
                  <th scope="row" className="px-1 text-left">
                    {name}
                  </th>
                  {pour.lifts.map((_, index) => {
                    const rise = fastestIn(pressing, wall, index + 1);
                    const over = rise > rules.quantity('pour.rise.most');
                    return (
                      <td key={index} className={`px-1 text-right ${over ? 'font-semibold text-stop' : ''}`}>
                        {rise > 0 ? `${showRise(rise, plan.units)}${over ? ' !' : ''}` : '–'}
                      </td>
                    );
                  })}
                </tr>
              ))}
            </tbody>
          </table>
          <p className="mt-1 text-sm text-quiet">
            The crew’s pace over the core that is filled at that height: a tall wall among low ones rises
            alone once they are full. ! = past what any formula holds for.
            {pressing.soonest !== null &&
              ` The hose comes back to a place after ${showMinutes(pressing.soonest.minutes)} at the soonest (${pressing.soonest.name}, lift ${String(pressing.soonest.lift)}).`}
          </p>
        </section>
        <section aria-label="Where the hose dwells">
          <h3 className="heading">Seconds that a wall takes of a lift, if the hose stays on it</h3>
          <table className="figures w-full border-collapse text-[17px]">
            <TableHead names={['wall', ...pour.lifts.map((_, index) => `lift ${String(index + 1)}`)]} />
            <tbody>
              {pour.volumes.walls.map(({ wall, name }) => (
                <tr key={wall} className="border-b border-line">
                  <th scope="row" className="px-1 text-left">
                    {name}
                  </th>
                  {pour.lifts.map((_, index) => {
                    const own = pour.dwell.find((each) => each.wall === wall && each.lift === index + 1);
                    const short = own !== undefined && own.seconds < rules.count('pour.dwell.least');
                    return (
                      <td key={index} className={`px-1 text-right ${short ? 'font-semibold text-stop' : ''}`}>
                        {own ? `${String(Math.round(own.seconds))}${short ? ' !' : ''}` : '–'}
                      </td>
                    );
                  })}
                </tr>
              ))}
            </tbody>
          </table>
          <p className="mt-1 text-sm text-quiet">
            ! = under {rules.count('pour.dwell.least')} s: a very short wall. Do not dwell; its whole depth
            would stand fluid at once.
          </p>
        </section>
      </div>
      <div>
        <PressurePicture pour={pour} pressing={pressing} units={plan.units} />
        <p className="mt-2 text-sm text-quiet">
          Formulas from memory: look them up before you lean on them. A form gives at its weakest joint, not
          at its average: never stand where one may burst.
        </p>
      </div>
    </div>
  );
}
