import type { Wall } from '@ombra/core/stages/outline';

interface WallListProps {
  readonly heading: string;
  readonly walls: readonly Wall[];
  readonly chosen: string | null;
  readonly onChoose: (wall: string) => void;
  /** What stands beside a wall's name. */
  readonly figure: (wall: Wall) => string;
}

/** The job's walls with a figure each; pressing one chooses it. */
export function WallList({ heading, walls, chosen, onChoose, figure }: WallListProps) {
  return (
    <div>
      <h2 className="heading mb-1">{heading}</h2>
      <ul>
        {walls.map((each) => (
          <li key={each.id} className="border-b border-line">
            <button
              type="button"
              aria-pressed={each.id === chosen}
              className={`figures flex w-full justify-between px-1.5 py-0.5 text-[17px] ${each.id === chosen ? 'bg-sheet font-semibold text-chalk' : ''}`}
              onClick={() => {
                onChoose(each.id);
              }}
            >
              <span>{each.name}</span>
              <span>{figure(each)}</span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
