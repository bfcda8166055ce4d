import { type Length, type UnitSystem, showLength, storeLength } from '@ombra/core/kernel/measure';
import type { PlanEdit } from '@ombra/core/kernel/plan';
import type { LengthChange, LuckyLength } from '@ombra/core/stages/courses';

interface LuckyLengthsProps {
  readonly lucky: readonly LuckyLength[];
  readonly units: UnitSystem;
  readonly onEdit: (edit: PlanEdit) => void;
}

/** Offers that fit beside the walls; the best come first. */
const SHOWN = 4;

const signed = (by: Length, units: UnitSystem): string =>
  `${by > 0 ? '+' : '−'}${showLength(Math.abs(by) as Length, units)}`;

/** `A–B and E–F +1′ 4″`, or each with its own sign where they differ. */
function changesText([first, second]: readonly [LengthChange, LengthChange], units: UnitSystem): string {
  const same = first.by === second.by;
  return same
    ? `${first.name} and ${second.name} ${signed(first.by, units)}`
    : `${first.name} ${signed(first.by, units)}, ${second.name} ${signed(second.by, units)}`;
}

const saving = ({ cutsSaved, blocksSaved }: LuckyLength): string => {
  const cuts = cutsSaved === 1 ? '1 cut fewer' : `${String(cutsSaved)} cuts fewer`;
  if (blocksSaved === 0) return cuts;
  return `${cuts}, ${String(Math.abs(blocksSaved))} blocks ${blocksSaved > 0 ? 'fewer' : 'more'}`;
};

const editOf = ({ changes }: LuckyLength, units: UnitSystem): PlanEdit => ({
  kind: 'all',
  edits: changes.map(({ wall, measured }) => ({
    kind: 'set-row-length',
    row: wall,
    length: storeLength(measured, units),
  })),
});

/** How far the nearest lengths are that need no cut, which walls move together, and what that saves; pressed, it is taken. */
export function LuckyLengths({ lucky, units, onEdit }: LuckyLengthsProps) {
  if (lucky.length === 0) return null;
  return (
    <div>
      <h2 className="heading mb-1">Lucky lengths</h2>
      <ul className="flex flex-col gap-1">
        {lucky.slice(0, SHOWN).map((each) => (
          <li key={`${each.wall}:${String(each.changes[0].by)}`}>
            <button
              type="button"
              className="figures w-full text-left text-base leading-tight hover:bg-chalk-wash"
              aria-label={`Move ${each.movedName}: ${changesText(each.changes, units)}, ${saving(each)}`}
              onClick={() => {
                onEdit(editOf(each, units));
              }}
            >
              <span className="font-semibold text-chalk">{changesText(each.changes, units)}</span>
              <span className="block text-quiet">
                move {each.movedName}: {saving(each)}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
