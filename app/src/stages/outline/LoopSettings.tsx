import type { Loop, LoopChange, Wall } from '@ombra/core/stages/outline';
import { type UnitSystem, USUAL } from '@ombra/core/kernel/measure';
import type { PlanEdit } from '@ombra/core/kernel/plan';
import { LengthField } from '../../ui/LengthField';

interface LoopSettingsProps {
  readonly loop: Loop;
  /** Whether it is the first: it lies where it lies, and cannot be removed. */
  readonly first: boolean;
  /** Walls of other outlines that this one may meet. */
  readonly others: readonly Wall[];
  readonly units: UnitSystem;
  readonly onEdit: (edit: PlanEdit, merge?: string) => void;
  readonly onLeave: () => void;
}

/** An outline as a whole: its name, whether it comes home, where it lies and on what footing, and which walls it meets. */
export function LoopSettings({ loop, first, others, units, onEdit, onLeave }: LoopSettingsProps) {
  const set = (change: LoopChange, merge?: string): void => {
    onEdit(
      { kind: 'set-loop', loop: loop.id, change },
      merge === undefined ? undefined : `${loop.id}:${merge}`,
    );
  };
  const field = (label: string, key: 'right' | 'down' | 'base') => (
    <div className="w-28">
      <span className="heading mb-0.5 block">{label}</span>
      <LengthField
        usual={USUAL.station}
        label={`${label}: ${loop.name ?? 'this outline'}`}
        text={loop[key] ?? ''}
        units={units}
        onType={(text) => {
          set({ [key]: text }, key);
        }}
        onLeave={onLeave}
      />
    </div>
  );
  const start = loop.tee?.start;
  const end = loop.tee?.end;
  const tees = (startWall: string, at: string, endWall: string): LoopChange => ({
    tee:
      startWall === '' && endWall === ''
        ? null
        : {
            ...(startWall === '' ? {} : { start: { wall: startWall, at } }),
            ...(endWall === '' ? {} : { end: { wall: endWall } }),
          },
  });
  const wallChoice = (label: string, value: string, onChoose: (wall: string) => void) => (
    <label className="block">
      <span className="heading mb-0.5 block">{label}</span>
      <select
        className="field"
        value={value}
        onChange={(event) => {
          onChoose(event.currentTarget.value);
        }}
      >
        <option value="">free</option>
        {others.map((wall) => (
          <option key={wall.id} value={wall.id}>
            {wall.name}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <details className="mb-2" open={!first}>
      <summary className="heading">
        {first ? 'This outline: open or closed' : (loop.name ?? 'Another outline')}
      </summary>
      <div className="flex flex-wrap items-end gap-3 pt-1">
        <label className="flex min-h-(--target) items-center gap-2">
          <input
            type="checkbox"
            checked={loop.closed}
            onChange={(event) => {
              set({
                closed: event.currentTarget.checked,
                ...(event.currentTarget.checked ? { tee: null } : {}),
              });
            }}
          />
          closed: returns to its first corner
        </label>
        {!first && (
          <>
            <label className="block w-44">
              <span className="heading mb-0.5 block">Name</span>
              <input
                className="field"
                maxLength={120}
                value={loop.name ?? ''}
                onChange={(event) => {
                  set({ name: event.currentTarget.value === '' ? null : event.currentTarget.value }, 'name');
                }}
                onBlur={onLeave}
              />
            </label>
            {start === undefined && field('Right of A', 'right')}
            {start === undefined && field('Down from A', 'down')}
            {field('Footing above A’s', 'base')}
          </>
        )}
        {!loop.closed && !first && (
          <>
            {wallChoice('Starts at', start?.wall ?? '', (wall) => {
              set(tees(wall, start?.at ?? '4ft', end?.wall ?? ''));
            })}
            {start && (
              <div className="w-28">
                <span className="heading mb-0.5 block">so far along it</span>
                <LengthField
                  usual={USUAL.station}
                  label="How far along that wall’s outside face it starts"
                  text={start.at}
                  units={units}
                  onType={(at) => {
                    set(tees(start.wall, at, end?.wall ?? ''), 'tee');
                  }}
                  onLeave={onLeave}
                />
              </div>
            )}
            {wallChoice('Ends at', end?.wall ?? '', (wall) => {
              set(tees(start?.wall ?? '', start?.at ?? '', wall));
            })}
          </>
        )}
        {!first && (
          <button
            type="button"
            className="button"
            onClick={() => {
              onEdit({ kind: 'remove-loop', loop: loop.id });
            }}
          >
            Remove this outline
          </button>
        )}
      </div>
    </details>
  );
}
