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
  rise: 'It rises faster than the formulas cover',
  deep: 'A vibrated lift is deeper than the formula covers',
  return: 'The hose comes back before the layer below has set',
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
        full liquid head
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
      <p>No pressure to show: the temperature is out of range, or nothing is poured. See the notices.</p>
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
            Worst place:{' '}
            <strong>
              {pressing.worst.name}, lift {pressing.worst.lift}
            </strong>
            : <strong>{showPressure(pressing.judged, plan.units)}</strong>.
            {pressing.wholeHead !== null && (
              <strong className="text-stop">
                {' '}
                {WHOLE_HEAD_WORDS[pressing.wholeHead]}: full liquid head.
              </strong>
            )}
          </p>
          <div className="mt-1">
            <RuleLines
              job={job}
              lines={[
                ['Formula', 'pour.pressure'],
                ['Consolidated by', 'pour.consolidate'],
                ['Deepest vibrated lift', 'pour.vibrate.deepest'],
                ['Min time between lifts at a spot, min', 'pour.return.least'],
              ]}
            />
          </div>
        </section>
        <section aria-label="Safe pace" aria-live="polite">
          <h3 className="heading">Safe pace</h3>
          {capacity === null ? (
            <p>
              <strong>No capacity entered: shown, not checked.</strong> Take it from the form maker’s manual
              and enter it in Job settings, Forms.
            </p>
          ) : fastest === 'none' ? (
            <p className="font-semibold text-stop">
              Even the slowest pour is over the {showPressure(capacity, plan.units)} the form is rated for.
            </p>
          ) : fastest === 'any' ? (
            <p>Any rate: even the full liquid head stays under {showPressure(capacity, plan.units)}.</p>
          ) : (
            <p>
              Rated {showPressure(capacity, plan.units)}: up to{' '}
              <strong>{showVolume(fastest ?? 0, plan.units, 1)} an hour</strong>; then allow at least{' '}
              {pressing.shortestLifts.map((minutes) => showMinutes(minutes)).join(', ')}.{' '}
              {pressing.judged > capacity ? (
                <strong className="text-stop">The planned pace is over that.</strong>
              ) : (
                'The planned pace is within that.'
              )}
            </p>
          )}
        </section>
        <section aria-label="How fast it rises">
          <h3 className="heading">Fastest rise, {plan.units === 'imperial' ? 'feet' : 'metres'} an hour</h3>
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
            The crew’s pace over the core filled at that height. A tall wall among low ones rises alone once
            they are full. ! = past the formulas.
            {pressing.soonest !== null &&
              ` The hose comes back after ${showMinutes(pressing.soonest.minutes)} at the earliest (${pressing.soonest.name}, lift ${String(pressing.soonest.lift)}).`}
          </p>
        </section>
        <section aria-label="Very short walls">
          <h3 className="heading">Seconds to fill a wall’s lift if the hose stays there</h3>
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
            ! = under {rules.count('pour.dwell.least')} s: a very short wall. Keep the hose moving.
          </p>
        </section>
      </div>
      <div>
        <PressurePicture pour={pour} pressing={pressing} units={plan.units} />
        <p className="mt-2 text-sm text-quiet">
          Formulas from memory: look them up before you rely on them. A form fails at its weakest joint, not
          its average. Never stand where one could burst.
        </p>
      </div>
    </div>
  );
}
