import type { Figure } from '@ombra/core/kernel/figures';
import { type Days, dayOf } from '@ombra/core/stages/days';
import type { Job } from '../../job/useJob';
import { RuleLines } from '../../rules/RuleLines';
import { bookingText, dayName } from './dayWords';

interface PlanSideProps {
  readonly job: Job;
  readonly days: Days;
  readonly open: string | null;
  readonly onOpen: (figure: Figure) => void;
}

/** Beside the plan of the days: when it starts and who works; when it will be done by the log; what the braces cost. */
export function PlanSide({ job, days, open, onOpen }: PlanSideProps) {
  const { plan, edit, endMerge } = job;
  const { forecast, first, hires, bookings } = days;
  return (
    <div className="flex flex-col gap-3">
      {forecast && (
        <section aria-label="Forecast" className="border-l-4 border-record pl-2">
          <h3 className="heading">Going by the log</h3>
          <p className="figures text-lg">
            Done <strong>{dayName(dayOf(Math.max(0, forecast.finish - 1)), first)}</strong>
          </p>
          <p className="text-sm text-quiet">
            {dayName(dayOf(Math.max(0, forecast.soonest - 1)), first)} to{' '}
            {dayName(dayOf(Math.max(0, forecast.latest - 1)), first)} ·{' '}
            <button
              type="button"
              className="figures px-1 underline decoration-dotted underline-offset-3"
              aria-expanded={open === forecast.left.id}
              aria-label={`${String(Math.round(forecast.left.value / 60))} man-hours left. Why?`}
              onClick={() => {
                onOpen(forecast.left);
              }}
            >
              {Math.round(forecast.left.value / 60)}
            </button>{' '}
            man-hours left at the rates of the job; work took {Math.round(forecast.pace.middle * 100)} % of
            them so far ({forecast.pace.days} {forecast.pace.days === 1 ? 'entry' : 'entries'})
          </p>
        </section>
      )}
      <label className="block">
        <span className="heading mb-0.5 block">First day</span>
        <input
          type="date"
          className="field figures"
          value={plan.days?.start ?? ''}
          onChange={(event) => {
            edit({ kind: 'set-days', change: { start: event.currentTarget.value } }, 'days-start');
          }}
          onBlur={endMerge}
        />
      </label>
      <RuleLines
        job={job}
        lines={[
          ['People', 'days.people'],
          ['New to this work', 'days.newcomers'],
          ['Hours a day', 'days.hours'],
          ['Begins at', 'days.begin'],
          ['Week', 'days.week'],
          ['Stands straight, hours', 'days.wait.stand'],
          ['Braces stay on, hours', 'days.wait.braces'],
          ['Backfill waits, days', 'days.wait.backfill'],
        ]}
      />
      {bookings.length > 0 && (
        <section aria-label="To book">
          <h3 className="heading">To book</h3>
          <ul className="figures">
            {bookings.map(({ day, by, ...booking }) => (
              <li key={booking.item}>
                {bookingText(booking)} for {dayName(day, first)}: by{' '}
                <strong>{by < 0 && first === null ? 'now' : dayName(by, first)}</strong>
              </li>
            ))}
          </ul>
        </section>
      )}
      {hires.length > 0 && (
        <section aria-label="Hire of braces">
          <h3 className="heading">Braces hired</h3>
          <ul className="figures">
            {hires.map((hire) => (
              <li key={hire.pour}>
                {hires.length > 1 ? `${hire.name}: ` : ''}
                {hire.frames} frames, {dayName(hire.from, first)} to {dayName(hire.until, first)}:{' '}
                <button
                  type="button"
                  className="px-1 font-semibold underline decoration-dotted underline-offset-3"
                  aria-expanded={open === hire.money.id}
                  aria-label={`Hire costs ${String(Math.round(hire.money.value))}. Why?`}
                  onClick={() => {
                    onOpen(hire.money);
                  }}
                >
                  {Math.round(hire.money.value)}
                </button>
                · a day later{' '}
                <button
                  type="button"
                  className="px-1 font-semibold underline decoration-dotted underline-offset-3"
                  aria-expanded={open === hire.slip.id}
                  aria-label={`A day later costs ${String(Math.round(hire.slip.value))}. Why?`}
                  onClick={() => {
                    onOpen(hire.slip);
                  }}
                >
                  {Math.round(hire.slip.value)}
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
      <p className="text-sm text-quiet">
        A pour with a date (Pour, Mix and day) is booked, and the work before it is planned to that day. Rates
        are house rules.
      </p>
    </div>
  );
}
