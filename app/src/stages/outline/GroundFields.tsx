import { type UnitSystem, readLength, showLength, USUAL } from '@ombra/core/kernel/measure';
import { withoutKey } from '@ombra/core/kernel/plan';
import type { GroundHeight, GroundSides, PourGround, Wall } from '@ombra/core/stages/outline';
import { X } from 'lucide-react';
import { useState } from 'react';
import { LengthField } from '../../ui/LengthField';

const SIDES = ['outside', 'inside'] as const;
type Side = (typeof SIDES)[number];

/** Ground heights with one of them set, or taken off where it is emptied. */
const withSide = (sides: GroundSides, side: Side, height: GroundHeight | null): GroundSides => ({
  ...withoutKey(sides, side),
  ...(height === null ? {} : { [side]: height }),
});

/** What is said of the ground in a few words: `outside 3′, slab inside at 1′`. */
export function groundText(ground: PourGround | undefined, units: UnitSystem): string {
  const told = (side: Side): readonly string[] => {
    const height = ground?.[side];
    if (!height) return [];
    const reading = readLength(height.to, units);
    const at = reading.ok ? showLength(reading.length, units) : height.to;
    return [height.with === 'slab' ? `slab ${side} at ${at}` : `fill ${side} to ${at}`];
  };
  const walls = Object.keys(ground?.walls ?? {}).length;
  const all = [
    ...SIDES.flatMap(told),
    ...(walls === 0 ? [] : [`${String(walls)} ${walls === 1 ? 'wall differs' : 'walls differ'}`]),
  ];
  return all.length === 0 ? 'as it was' : all.join(', ');
}

interface SideFieldProps {
  readonly label: string;
  readonly height: GroundHeight | undefined;
  readonly units: UnitSystem;
  readonly onSet: (height: GroundHeight | null, merge?: boolean) => void;
  readonly onLeave: () => void;
}

/** The height of the ground on one side, and whether it is fill or a slab. */
function SideField({ label, height, units, onSet, onLeave }: SideFieldProps) {
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_88px] items-end gap-1">
      <LengthField
        usual={USUAL.height}
        label={label}
        text={height?.to ?? ''}
        units={units}
        placeholder="as it was"
        onType={(to) => {
          onSet(to.trim() === '' ? null : { to, with: height?.with ?? 'fill' }, true);
        }}
        onLeave={onLeave}
      />
      <select
        className="field"
        aria-label={`${label}: what with`}
        disabled={height === undefined}
        value={height?.with ?? 'fill'}
        onChange={(event) => {
          if (height) onSet({ ...height, with: event.currentTarget.value === 'slab' ? 'slab' : 'fill' });
        }}
      >
        <option value="fill">fill</option>
        <option value="slab">slab</option>
      </select>
    </div>
  );
}

/** What `GroundFields` goes by. */
interface GroundFieldsProps {
  /** The pour's name. */
  readonly name: string;
  readonly ground: PourGround | undefined;
  readonly walls: readonly Pick<Wall, 'id' | 'name'>[];
  readonly units: UnitSystem;
  readonly onChange: (ground: PourGround | null, merge?: boolean) => void;
  readonly onLeave: () => void;
}

/** How high the ground is raised after a pour: outside and inside for all walls, and by wall where it differs. */
export function GroundFields({ name, ground, walls, units, onChange, onLeave }: GroundFieldsProps) {
  /** Walls that were picked and have no height yet. */
  const [picked, setPicked] = useState<readonly string[]>([]);
  const put = (next: PourGround, merge?: boolean): void => {
    const own = Object.entries(next.walls ?? {}).filter(([, sides]) => Object.keys(sides).length > 0);
    const { outside, inside, before } = next;
    const kept: PourGround = {
      ...(outside ? { outside } : {}),
      ...(inside ? { inside } : {}),
      ...(own.length === 0 ? {} : { walls: Object.fromEntries(own) }),
      ...(before === true ? { before } : {}),
    };
    onChange(Object.keys(kept).length === 0 ? null : kept, merge);
  };
  const listed = walls.filter(({ id }) => ground?.walls?.[id] !== undefined || picked.includes(id));
  const others = walls.filter((wall) => !listed.includes(wall));
  return (
    <div className="mt-1 flex flex-col gap-1.5 border-l-4 border-line pl-2">
      <p className="text-sm text-quiet">
        Heights above the lowest footing. Braces and planks start from here.
      </p>
      <div className="grid grid-cols-2 gap-2">
        {SIDES.map((side) => (
          <div key={side}>
            <span className="heading mb-0.5 block">{side === 'outside' ? 'Outside' : 'Inside'}</span>
            <SideField
              label={`Ground ${side} after ${name}`}
              height={ground?.[side]}
              units={units}
              onSet={(height, merge) => {
                put({ ...withoutKey(ground ?? {}, side), ...withSide({}, side, height) }, merge);
              }}
              onLeave={onLeave}
            />
          </div>
        ))}
      </div>
      {listed.map(({ id, name: wall }) => (
        <div key={id} className="grid grid-cols-2 items-center gap-x-2 gap-y-0.5">
          <span className="figures font-semibold">{wall}</span>
          <button
            type="button"
            className="button plain justify-self-end px-1"
            aria-label={`${wall} like the other walls`}
            onClick={() => {
              setPicked(picked.filter((each) => each !== id));
              put({
                ...ground,
                walls: Object.fromEntries(
                  Object.entries(ground?.walls ?? {}).filter(([each]) => each !== id),
                ),
              });
            }}
          >
            <X aria-hidden="true" size={15} />
          </button>
          {SIDES.map((side) => (
            <SideField
              key={side}
              label={`Ground ${side} of ${wall} after ${name}`}
              height={ground?.walls?.[id]?.[side]}
              units={units}
              onSet={(height, merge) => {
                put(
                  {
                    ...ground,
                    walls: { ...ground?.walls, [id]: withSide({ ...ground?.walls?.[id] }, side, height) },
                  },
                  merge,
                );
              }}
              onLeave={onLeave}
            />
          ))}
        </div>
      ))}
      {others.length > 0 && (
        <select
          className="field w-auto! self-start"
          aria-label={`A wall whose ground differs after ${name}`}
          value=""
          onChange={(event) => {
            setPicked([...picked, event.currentTarget.value]);
          }}
        >
          <option value="">A wall that differs …</option>
          {others.map(({ id, name: wall }) => (
            <option key={id} value={id}>
              {wall}
            </option>
          ))}
        </select>
      )}
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          checked={ground?.before === true}
          onChange={(event) => {
            put({ ...ground, before: event.currentTarget.checked });
          }}
        />
        Filled around the empty forms, before their concrete
      </label>
    </div>
  );
}
