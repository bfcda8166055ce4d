import { type Length, USUAL, readLength, showLength, storeLength } from '@ombra/core/kernel/measure';
import { type CannotSplit, splitWall } from '@ombra/core/splitWall';
import type { Wall } from '@ombra/core/stages/outline';
import type { WorkedPlan } from '@ombra/core/work';
import { useState } from 'react';
import type { Job } from '../../../job/useJob';
import { LengthField } from '../../../ui/LengthField';

const WHY: Readonly<Record<CannotSplit, string>> = {
  unreadable: 'Write how far from its first corner, as 20′ or 6.5 m.',
  curved: 'A curved wall keeps one core.',
  raked: 'Take the slope off first; set it again on both parts.',
  'off-wall': 'The wall ends before that. Choose a place along it.',
  'walked-round': 'Its walk runs counterclockwise. Reverse its rows in the outline first.',
  'on-step': 'A step of the footing is there. Choose a place beside it.',
};

interface SplitFieldsProps {
  readonly job: Job;
  readonly worked: WorkedPlan;
  readonly wall: Wall;
}

/** A place along a wall from which it goes on with another core. */
export function SplitFields({ job, worked, wall }: SplitFieldsProps) {
  const { plan, edit, freshId } = job;
  const { units } = plan;
  const [at, setAt] = useState('');
  const [why, setWhy] = useState<CannotSplit | null>(null);
  const { family } = worked.shell;
  const others = (family?.cores ?? []).filter((core) => core !== wall.core);
  const [core, setCore] = useState<Length | undefined>(others[0]);
  if (core === undefined) return null;
  const split = (): void => {
    const reading = readLength(at, units);
    if (!reading.ok) {
      setWhy('unreadable');
      return;
    }
    const parted = splitWall({
      plan,
      shell: worked.shell,
      row: wall.id,
      at: reading.length,
      core: storeLength(core, 'imperial'),
      newId: freshId(),
    });
    setWhy(parted.ok ? null : parted.why);
    if (!parted.ok) return;
    edit(parted.edit);
    setAt('');
  };
  return (
    <div>
      <span className="heading mb-0.5 block">Another core from a place on</span>
      <div className="flex flex-wrap items-start gap-1">
        <div className="w-24">
          <LengthField
            usual={USUAL.station}
            label={`Core changes, how far from ${wall.from}`}
            placeholder={`from ${wall.from}`}
            text={at}
            units={units}
            onType={setAt}
            onLeave={() => undefined}
          />
        </div>
        <select
          className="field figures w-auto!"
          aria-label="Core from there on"
          value={core}
          onChange={(event) => {
            setCore(Number(event.currentTarget.value) as Length);
          }}
        >
          {others.map((each) => (
            <option key={each} value={each}>
              {showLength(each, units, { style: 'inches' })}
            </option>
          ))}
        </select>
        <button type="button" className="button" disabled={at.trim() === ''} onClick={split}>
          Change core there
        </button>
      </div>
      {why && (
        <p role="alert" className="text-sm text-stop">
          {WHY[why]}
        </p>
      )}
    </div>
  );
}
