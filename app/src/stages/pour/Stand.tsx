import { USUAL } from '@ombra/core/kernel/measure';
import type { Wall } from '@ombra/core/stages/outline';
import type { WorkedPour } from '@ombra/core/stages/pour';
import { LengthField } from '../../ui/LengthField';
import type { Job } from '../../job/useJob';
import type { DayEdit } from './dayEdit';

interface StandProps {
  readonly job: Job;
  readonly pour: WorkedPour;
  readonly walls: readonly Wall[];
  readonly set: DayEdit;
}

/** Where the machine stands, and what it must reach from there. */
export function Stand({ job, pour, walls, set }: StandProps) {
  const { plan } = job;
  const stand = plan.pour?.pours?.[pour.span.pour]?.stand;
  return (
    <section aria-label="Position">
      <h3 className="heading">Position of pump or hose line</h3>
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_minmax(0,1fr)] gap-1">
        <select
          className="field"
          aria-label="Next to which wall"
          value={stand?.wall ?? ''}
          onChange={(event) => {
            const wall = event.currentTarget.value;
            set({
              stand: wall === '' ? null : { at: stand?.at ?? '10ft', out: stand?.out ?? '20ft', wall },
            });
          }}
        >
          <option value="">not said</option>
          {walls.map((wall) => (
            <option key={wall.id} value={wall.id}>
              outside {wall.name}
            </option>
          ))}
        </select>
        {stand && (
          <>
            <LengthField
              usual={USUAL.station}
              label="How far along the wall"
              text={stand.at}
              units={plan.units}
              onType={(at) => {
                set({ stand: { ...stand, at } }, 'stand-at');
              }}
              onLeave={job.endMerge}
            />
            <LengthField
              usual={USUAL.station}
              label="How far out from the wall"
              text={stand.out}
              units={plan.units}
              onType={(out) => {
                set({ stand: { ...stand, out } }, 'stand-out');
              }}
              onLeave={job.endMerge}
            />
          </>
        )}
      </div>
      {pour.moves > 0 && (
        <p className="mt-1 text-[15px]">
          Moved during the pour {pour.moves} {pour.moves === 1 ? 'time' : 'times'}: that is its reach.
        </p>
      )}
      <p className="mt-1 text-sm text-quiet">
        Before ordering, decide where mixer and pump can set up: slope, mud, the bank, wires over the boom.
      </p>
    </section>
  );
}
