import { USUAL, showLength } from '@ombra/core/kernel/measure';
import { showQuantity } from '@ombra/core/kernel/figures';
import type { Figure } from '@ombra/core/kernel/figures';
import { type Edge, type EdgeOver, type Edges, EDGE_OVER, edgeOf } from '@ombra/core/stages/edges';
import type { Wall } from '@ombra/core/stages/outline';
import { LengthField } from '../../ui/LengthField';
import type { Job } from '../../job/useJob';
import { FigureRow } from '../../frame/figures/FigureRow';

const OVER_WORDS: Readonly<Record<EdgeOver, string>> = {
  core: 'the core only',
  outside: 'the core and the outside foam',
  inside: 'the core and the inside foam',
  both: 'the whole wall',
};

/** An edge’s height and what it covers; an emptied height takes it off. */
function EdgeFields({
  name,
  edge,
  job,
  placeholder,
  onSet,
}: {
  readonly name: string;
  readonly edge: Edge | null;
  readonly job: Pick<Job, 'plan' | 'endMerge'>;
  readonly placeholder: string;
  readonly onSet: (edge: Edge | null, merge?: string) => void;
}) {
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,2fr)] gap-1">
      <LengthField
        label={`Exposed edge of ${name}: concrete above the foam`}
        text={edge?.height ?? ''}
        units={job.plan.units}
        usual={{ least: USUAL.thickness.least, most: USUAL.step.least }}
        placeholder={placeholder}
        onType={(height) => {
          onSet(height.trim() === '' ? null : { height, over: edge?.over ?? 'core' }, `edge:${name}`);
        }}
        onLeave={job.endMerge}
      />
      <select
        className="field"
        aria-label={`Exposed edge of ${name}: covers`}
        disabled={edge === null}
        value={edge?.over ?? 'core'}
        onChange={(event) => {
          const over = EDGE_OVER.find((each) => each === event.currentTarget.value);
          if (edge && over) onSet({ ...edge, over });
        }}
      >
        {EDGE_OVER.map((over) => (
          <option key={over} value={over}>
            {OVER_WORDS[over]}
          </option>
        ))}
      </select>
    </div>
  );
}

/** What an edge is in a few words: `6″ over the core only`. */
export const edgeText = (
  { height, over }: Pick<Edges['walls'][number], 'height' | 'over'>,
  units: Job['plan']['units'],
): string => `${showLength(height, units, { style: 'inches' })} over ${OVER_WORDS[over]}`;

/** Concrete above the foam in board forms: for all walls, for the chosen wall where it differs, and what it takes. */
export function EdgePanel({
  job,
  edges,
  wall,
  open,
  onOpen,
}: {
  readonly job: Job;
  readonly edges: Edges;
  readonly wall: Pick<Wall, 'id' | 'name'>;
  readonly open: string | null;
  readonly onOpen: (figure: Figure) => void;
}) {
  const { plan, edit } = job;
  const own = plan.edges?.walls?.[wall.id];
  const total = edges.walls.reduce((sum, { volume }) => sum + volume.value, 0);
  const set = (of: string | null, edge: Edge | 'none' | null, merge?: string): void => {
    edit({ kind: 'edge', wall: of, edge }, merge);
  };
  return (
    <section aria-label="Exposed edge" className="max-w-lg">
      <h3 className="heading">Exposed edge above the foam</h3>
      <p className="text-sm text-quiet">
        Concrete in boards screwed on top of the forms: a cap of an inch or two, or an edge that stays
        visible.
      </p>
      <div className="mt-1">
        <span className="heading mb-0.5 block">All walls</span>
        <EdgeFields
          name="all walls"
          edge={plan.edges?.all ?? null}
          job={job}
          placeholder="none"
          onSet={(edge, merge) => {
            set(null, edge, merge);
          }}
        />
      </div>
      <div className="mt-1">
        <span className="heading mb-0.5 block">{wall.name}</span>
        <EdgeFields
          name={wall.name}
          edge={edgeOf(plan.edges, wall.id)}
          job={job}
          placeholder={own === 'none' ? 'none' : 'as all walls'}
          onSet={(edge, merge) => {
            set(wall.id, edge ?? (plan.edges?.all ? 'none' : null), merge);
          }}
        />
        {own !== undefined && (
          <button
            type="button"
            className="button mt-1"
            onClick={() => {
              set(wall.id, null);
            }}
          >
            {wall.name} as all walls
          </button>
        )}
      </div>
      {edges.walls.length > 0 && (
        <div className="mt-2">
          {edges.walls.map(({ wall: id, volume }) => (
            <FigureRow
              key={id}
              figure={volume}
              name={volume.title}
              units={plan.units}
              open={open}
              onOpen={onOpen}
            />
          ))}
          {edges.boards.map(({ count }) => (
            <FigureRow
              key={count.id}
              figure={count}
              name={count.title}
              units={plan.units}
              open={open}
              onOpen={onOpen}
            />
          ))}
          <p className="mt-1 text-[15px]">
            <strong>{showQuantity(total, 'volume', plan.units)}</strong> in all, poured last and counted in
            the order. Bolts and plates stand on top of it.
          </p>
        </div>
      )}
    </section>
  );
}
