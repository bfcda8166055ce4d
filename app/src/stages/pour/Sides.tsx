import type { Figure } from '@ombra/core/kernel/figures';
import { readVolume } from '@ombra/core/kernel/measure';
import { type SidePour, type SideTime, type WorkedPour, SIDE_TIMES } from '@ombra/core/stages/pour';
import { Plus, X } from 'lucide-react';
import { newId } from '../../ids';
import type { Job } from '../../job/useJob';
import { FigureRow } from '../../frame/figures/FigureRow';

interface SidesProps {
  readonly job: Job;
  readonly pour: WorkedPour;
  readonly open: string | null;
  readonly onOpen: (figure: Figure) => void;
}

const WHEN: Readonly<Record<SideTime, string>> = {
  first: 'before the walls',
  between: 'while the first lift sets',
  last: 'with what is left over',
};

/** Concrete beside the walls: a beam form, a pier, a pad. */
export function Sides({ job, pour, open, onOpen }: SidesProps) {
  const { plan, edit } = job;
  const typed = (plan.pour?.sides ?? []).filter(
    (side) => side.pour === undefined || side.pour === pour.span.pour,
  );
  const put = (side: SidePour, merge?: string): void => {
    edit({ kind: 'pour', change: { of: 'put-side', side } }, merge);
  };
  return (
    <section aria-label="Side pours">
      <h3 className="heading">Side pours, from the same trucks</h3>
      {pour.volumes.sides
        .filter((side) => side.own)
        .map((side) => (
          <FigureRow
            key={side.id}
            figure={side.volume}
            name={side.name}
            units={plan.units}
            open={open}
            onOpen={onOpen}
          />
        ))}
      <ul className="flex flex-col gap-1">
        {typed.map((side, index) => (
          <li
            key={side.id}
            className="grid grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)_minmax(0,1fr)_28px] items-center gap-1"
          >
            <input
              className="field"
              aria-label={`Name of side pour ${String(index + 1)}`}
              maxLength={80}
              value={side.name}
              onChange={(event) => {
                put({ ...side, name: event.currentTarget.value }, `side-name:${side.id}`);
              }}
              onBlur={job.endMerge}
            />
            <input
              className="field figures"
              aria-label={`Volume of side pour ${String(index + 1)}`}
              aria-invalid={!readVolume(side.volume, plan.units).ok}
              placeholder={plan.units === 'imperial' ? '2.5 yd³, or 12ft × 8in × 16in' : '1,9 m³'}
              maxLength={60}
              value={side.volume}
              onChange={(event) => {
                put({ ...side, volume: event.currentTarget.value }, `side-volume:${side.id}`);
              }}
              onBlur={job.endMerge}
            />
            <select
              className="field"
              aria-label={`When side pour ${String(index + 1)} is filled`}
              value={side.when}
              onChange={(event) => {
                put({ ...side, when: event.currentTarget.value as SideTime });
              }}
            >
              {SIDE_TIMES.map((when) => (
                <option key={when} value={when}>
                  {WHEN[when]}
                </option>
              ))}
            </select>
            <button
              type="button"
              className="button plain px-1"
              aria-label={`Remove ${side.name || 'this side pour'}`}
              onClick={() => {
                edit({ kind: 'pour', change: { of: 'remove-side', side: side.id } });
              }}
            >
              <X aria-hidden="true" size={15} />
            </button>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="button mt-1"
        onClick={() => {
          put({
            id: newId(),
            name: `Side pour ${String(typed.length + 1)}`,
            volume: plan.units === 'imperial' ? '1 yd³' : '1 m³',
            when: 'between',
            pour: pour.span.pour,
          });
        }}
      >
        <Plus aria-hidden="true" size={14} /> Side pour
      </button>
    </section>
  );
}
