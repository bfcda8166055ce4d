import type { PlanEdit } from '@ombra/core/kernel/plan';

/** A small L, to see what follows from a few lengths. */
const EXAMPLE = [
  { length: '36ft', turn: 'right 90' },
  { length: '24ft', turn: 'right 90' },
  { length: '16ft', turn: 'right 90' },
  { length: '8ft', turn: 'left 90' },
  { length: '20ft', turn: 'right 90' },
  { length: '16ft', turn: 'right 90' },
] as const;

/** What to type first in a job that has no walls, and an example that one undo takes back. */
export function FirstWalls({
  loop,
  onEdit,
}: {
  readonly loop: string;
  readonly onEdit: (edit: PlanEdit) => void;
}) {
  return (
    <section aria-label="Where to start" className="lifted p-3">
      <h2 className="font-semibold">Start with the walls</h2>
      <ol className="mt-1 list-decimal pl-5">
        <li>
          Press <strong>Wall</strong> and type the length of the first wall: 24' 6, 24.5' or 7470 mm.
        </li>
        <li>Press Enter for the next wall. Go clockwise around the building, as seen from above.</li>
        <li>Every corner turns right. Press the turn to make it left, or type any angle.</li>
        <li>Then set form, core and courses above. All other stages follow.</li>
      </ol>
      <button
        type="button"
        className="button mt-2"
        onClick={() => {
          onEdit({ kind: 'add-rows', loop, rows: EXAMPLE.map((row) => ({ ...row })) });
        }}
      >
        Try six example walls
      </button>
      <span className="ml-2 text-sm text-quiet">Ctrl Z takes them out again.</span>
    </section>
  );
}
