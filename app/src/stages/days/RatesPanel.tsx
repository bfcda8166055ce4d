import { RULES, rulesOf } from '@ombra/core/rules';
import { writeQuantity } from '@ombra/core/kernel/measure';
import { type LearnedRate, type RateSeen, learnRates } from '@ombra/core/kernel/record';
import { type RuleId, stateRule, valueOf } from '@ombra/core/kernel/rules';
import { useEffect, useMemo, useState } from 'react';
import type { Job } from '../../job/useJob';

const isRule = (id: string): id is RuleId => Object.hasOwn(RULES, id);

/** A rate as the job’s fields take it. */
function written(id: RuleId, value: number, units: Job['plan']['units']): string {
  const rule = RULES[id];
  return rule.type === 'quantity'
    ? writeQuantity(value, rule.of, units)
    : (Math.round(value * 10) / 10).toString();
}

/** What the logs of all jobs say; null until it is there, false where the server does not answer. */
function useSeenRates(count: number): readonly RateSeen[] | null | false {
  const [seen, setSeen] = useState<readonly RateSeen[] | null | false>(null);
  useEffect(() => {
    const visit = { over: false };
    void (async () => {
      try {
        const answer = (await (await fetch('/api/rates')).json()) as { readonly seen?: readonly RateSeen[] };
        if (!visit.over) setSeen(answer.seen ?? false);
      } catch {
        if (!visit.over) setSeen(false);
      }
    })();
    return () => {
      visit.over = true;
    };
    // A new entry may say more.
  }, [count]);
  return seen;
}

/** The days that a rate comes from. */
function DaysOf({
  rate,
  id,
  units,
}: {
  readonly rate: LearnedRate;
  readonly id: RuleId;
  readonly units: Job['plan']['units'];
}) {
  return (
    <ul className="figures text-sm text-quiet">
      {rate.days.map((day, index) => (
        <li key={`${day.job} ${day.day} ${String(index)}`}>
          {day.day} · {written(id, day.value, units)}
          {day.crew === null ? '' : ` · ${day.crew}`}
          {day.first ? ' · with somebody new to it' : ''} · {day.job}
        </li>
      ))}
    </ul>
  );
}

/** Rates as the crews of this machine have worked, beside the house rules. */
export function RatesPanel({ job }: { readonly job: Job }) {
  const { plan, edit, log } = job;
  const { units } = plan;
  const rules = useMemo(() => rulesOf(plan), [plan]);
  const houseDays = rules.count('days.learned.house');
  const seen = useSeenRates(log.entries.length - log.waiting.size);
  const [crew, setCrew] = useState('');
  const crews = [...new Set((seen || []).flatMap((each) => each.crew ?? []))].sort();
  const rates = useMemo(
    () =>
      learnRates(
        (seen || []).filter((each) => crew === '' || each.crew === crew),
        (id) => {
          const value = isRule(id) ? valueOf(rules, id) : null;
          return typeof value === 'number' ? value : null;
        },
        houseDays,
      ),
    [seen, rules, crew, houseDays],
  );
  if (seen === null) return <p className="text-quiet">Reading the logs …</p>;
  if (seen === false)
    return <p className="text-stop">The server does not answer. The house rules are used.</p>;
  return (
    <section aria-label="Our rates">
      <p className="mb-2 max-w-[72ch] text-sm text-quiet">
        From the work and the pours in the logs of all jobs here. The house rule counts as {houseDays} days of
        average work beside them, so that two odd days do not decide. Days with somebody new to the work are
        left out where there are others.
      </p>
      {crews.length > 0 && (
        <label className="mb-2 flex items-center gap-2">
          <span className="heading">Crew</span>
          <select
            className="field w-auto!"
            value={crew}
            onChange={(event) => {
              setCrew(event.currentTarget.value);
            }}
          >
            <option value="">all</option>
            {crews.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </select>
        </label>
      )}
      {rates.length === 0 ? (
        <p>No log has man-hours yet. Record them with the work, and the rates of your crew stand here.</p>
      ) : (
        <ul>
          {rates.map((rate) => {
            const id = rate.rule;
            if (!isRule(id)) return null;
            const house = valueOf(rules, id);
            const ours = written(id, rate.ours, units);
            const same = typeof house === 'number' && written(id, house, units) === ours;
            return (
              <li
                key={id}
                data-rate={id}
                className="flex flex-wrap items-start gap-x-4 border-b border-line py-1"
              >
                <details className="min-w-64 grow basis-80">
                  <summary className="min-h-(--target) cursor-pointer">
                    {stateRule(id, rules, units)}{' '}
                    <span className="text-sm text-quiet">
                      {rate.days.length} {rate.days.length === 1 ? 'day' : 'days'}
                    </span>
                  </summary>
                  <DaysOf rate={rate} id={id} units={units} />
                </details>
                <p className="figures min-w-52">
                  middle of the days <strong>{written(id, rate.middle, units)}</strong>
                  {rate.low !== rate.high && (
                    <span className="block text-sm text-quiet">
                      half of them between {written(id, rate.low, units)} and {written(id, rate.high, units)}
                    </span>
                  )}
                </p>
                <button
                  type="button"
                  className="button figures whitespace-nowrap"
                  disabled={same}
                  aria-label={same ? `Ours is the house rule: ${ours}` : `Use ours: ${ours} for ${id}`}
                  onClick={() => {
                    edit({
                      kind: 'set-rule',
                      rule: id,
                      value: RULES[id].type === 'quantity' ? ours : Math.round(rate.ours),
                    });
                  }}
                >
                  {same ? 'As the house rule' : `Use ours: ${ours}`}
                </button>
              </li>
            );
          })}
        </ul>
      )}
    </section>
  );
}
