import { type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import type { Footing, RockStretch, Survey } from '@ombra/core/stages/footing';
import type { WorkedPlan } from '@ombra/core/work';
import {
  type StripFrame,
  type StripLoop,
  stripSpan,
  stripX,
  stripY,
} from '../../drawing/strip/stripGeometry';

/** Room under the walls: the footing to scale, then the ground much taller than it is. */
export const LAYER_HEIGHT = 116;
/** Where the level line of the exaggerated ground lies below the walls' foot, and how far the lowest spot hangs under it. */
const LINE = 46;
const DEEPEST = 46;
/** Less room than this between two labels and one of them goes. */
const LABEL_ROOM = 30;

interface LayerProps {
  readonly frame: StripFrame;
  readonly worked: WorkedPlan;
  readonly footing: Footing;
  readonly survey: Survey | null;
  /** Drawn on rock: gaps, not shims. */
  readonly units: UnitSystem;
}

/** The footing in elevation, to scale, under every stretch of wall and through its steps. */
function Strips({ frame, worked, footing }: LayerProps) {
  if (footing.bases.kind === 'rock') return null;
  const depth = footing.bases.depth * frame.scale;
  const shown = Math.min(depth, LINE - 12);
  return frame.loops.flatMap((loop) =>
    loop.built.walls.flatMap((wall) =>
      (worked.levels.walls[wall.id] ?? []).map((span) => {
        const { x, width } = stripSpan(frame, loop, wall.station + span.from, wall.station + span.to);
        return (
          <rect
            key={`${wall.id}:${String(span.from)}`}
            x={x}
            y={stripY(frame, span.bottom)}
            width={width}
            height={shown}
            fill={footing.forms ? undefined : 'url(#ground-dots)'}
            className={footing.forms ? 'fill-foam stroke-ink' : 'stroke-ink'}
            strokeWidth={1}
          />
        );
      }),
    ),
  );
}

/** Plank joints and ties of insulated footing forms, on the elevation of the footing. */
function Ties({ frame, worked, footing }: LayerProps) {
  const depth = Math.min(footing.bases.depth * frame.scale, LINE - 12);
  return frame.loops.flatMap((loop) =>
    loop.built.walls.map((wall) => {
      const own = footing.forms?.layout.find((each) => each.wall === wall.id);
      const top = (at: number): number =>
        stripY(frame, (worked.levels.walls[wall.id] ?? []).findLast((span) => span.from <= at)?.bottom ?? 0);
      const upright = (at: number, from: number, to: number): string =>
        `M${rounded(stripX(frame, loop, wall.station + at))} ${rounded(top(at) + from)}V${rounded(top(at) + to)}`;
      return (
        <g key={wall.id} data-forms={wall.id}>
          <path
            d={own?.joints.map((at) => upright(at, 0, depth)).join('') ?? ''}
            className="stroke-ink"
            strokeWidth={1.4}
          />
          <path
            d={own?.ties.map((at) => upright(at, depth * 0.2, depth * 0.8)).join('') ?? ''}
            className="stroke-chalk"
            strokeWidth={2}
          />
        </g>
      );
    }),
  );
}

const rounded = (value: number): string => value.toFixed(1);

/** How much taller than true the ground is drawn. */
function exaggeration(survey: Survey, frame: StripFrame): number {
  const pixels = Math.max(survey.outOfLevel, 1) * frame.scale;
  return Math.max(1, Math.min(400, DEEPEST / pixels));
}

/** Labels that keep clear of each other, in the order given. */
function spaced<Item extends { readonly x: number }>(items: readonly Item[]): readonly Item[] {
  const kept: Item[] = [];
  for (const item of [...items].sort((a, b) => a.x - b.x)) {
    const last = kept.at(-1);
    if (!last || item.x - last.x >= LABEL_ROOM) kept.push(item);
  }
  return kept;
}

interface GroundProps extends LayerProps {
  readonly survey: Survey;
  readonly loop: StripLoop;
  readonly tall: number;
}

/** The surveyed ground of one outline under its level line, with the shims that fill between. */
function Surveyed({ frame, worked, survey, loop, tall, units, footing }: GroundProps) {
  const shots = survey.shots.filter((shot) => shot.loop === loop.id);
  const [first] = shots;
  const last = shots.at(-1);
  const { high } = survey;
  if (!first || !last || !high) return null;
  const y0 = frame.height + LINE;
  const y = (height: number): number => y0 + (high.height - height) * frame.scale * tall;
  const x = (station: number): number => stripX(frame, loop, station);
  const around = [
    { station: 0, height: first.height },
    ...shots,
    { station: loop.built.perimeter, height: last.height },
  ];
  const line = around.map((shot) => `${rounded(x(shot.station))} ${rounded(y(shot.height))}`).join('L');
  const bottom = frame.height + LAYER_HEIGHT - 6;
  const own = new Set(loop.built.walls.map((wall) => wall.id));
  const places = [
    ...new Map(
      survey.blocks
        .flatMap((block) => block.places)
        .filter((place) => own.has(place.wall) && place.shim > 0)
        .map((place) => [place.station, place] as const),
    ).values(),
  ];
  const past = survey.pastLimit.filter((place) => own.has(place.wall));
  const rock = footing.rock;
  const onRock = footing.bases.kind === 'rock';
  const wallStation = new Map(loop.built.walls.map((wall) => [wall.id, wall.station]));
  const stretchMiddle = (stretch: RockStretch): number =>
    (wallStation.get(stretch.wall) ?? 0) + (stretch.from + stretch.to) / 2;
  return (
    <g>
      <path
        d={`M${line}L${rounded(x(loop.built.perimeter))} ${rounded(bottom)}L${rounded(x(0))} ${rounded(bottom)}Z`}
        fill="url(#ground-dots)"
      />
      <path d={`M${line}`} className="fill-none stroke-record" strokeWidth={1.6} />
      {!onRock && (
        <path
          d={places
            .map((place) => {
              const height = place.shim * frame.scale * tall;
              return `M${rounded(x(place.station) - 3)} ${rounded(y0)}h6v${rounded(height)}h-6z`;
            })
            .join('')}
          className="fill-cut stroke-ink"
          strokeWidth={0.8}
        />
      )}
      {onRock &&
        rock?.blocks
          .filter((block) => own.has(block.wall))
          .map((block) => (
            <rect
              key={`${block.piece}:${String(block.at)}`}
              x={x(block.station) - 4}
              y={y0}
              width={8}
              height={block.height * frame.scale * tall}
              className="fill-cut stroke-ink"
              strokeWidth={0.8}
            />
          ))}
      <path
        d={shots.map((shot) => `M${rounded(x(shot.station))} ${rounded(y(shot.height) - 2.5)}v5`).join('')}
        className="stroke-record"
        strokeWidth={1.4}
      />
      {!onRock && (
        <path
          data-past-limit={past.length}
          d={past
            .map((place) => `M${rounded(x(place.station))} ${rounded(y(place.height) + 4)}l4 7h-8z`)
            .join('')}
          className="fill-check"
        />
      )}
      <line
        x1={x(0)}
        x2={x(loop.built.perimeter)}
        y1={y0}
        y2={y0}
        className="stroke-chalk"
        strokeWidth={1.6}
        strokeDasharray="8 3"
      />
      {!onRock &&
        spaced(places.map((place) => ({ x: x(place.station), place }))).map(({ x: left, place }) => (
          <text
            key={place.station}
            x={left}
            y={y0 - 4}
            textAnchor="middle"
            className="felt fill-ink text-[10px]"
          >
            {showLength(place.shim, units, { style: 'inches', bare: true })}
          </text>
        ))}
      {onRock &&
        spaced(
          (rock?.stretches ?? [])
            .filter((stretch) => own.has(stretch.wall) && stretch.closure !== 'touches')
            .map((stretch) => ({ x: x(stretchMiddle(stretch)), stretch })),
        ).map(({ x: middle, stretch }) => (
          <text
            key={`${stretch.wall}:${String(stretch.from)}`}
            x={middle}
            y={y0 - 4}
            textAnchor="middle"
            className="figures fill-ink text-[12px]"
          >
            {stretch.closure}
          </text>
        ))}
      <text
        x={x(high.loop === loop.id ? high.station : 0)}
        y={y0 - 15}
        textAnchor="middle"
        className="figures fill-chalk text-[12px] font-semibold"
      >
        {high.loop === loop.id ? 'high point' : ''}
      </text>
      <title>{`Ground of ${worked.name}, drawn ${String(Math.round(tall))} times taller than it is`}</title>
    </g>
  );
}

/** What the footing stage draws under the walls. */
export function FootingLayer(props: LayerProps) {
  const { frame, survey } = props;
  const tall = survey ? exaggeration(survey, frame) : 1;
  return (
    <g data-layer="footing">
      <Strips {...props} />
      {props.footing.forms && <Ties {...props} />}
      {survey?.high &&
        frame.loops.map((loop) => (
          <Surveyed key={loop.id} {...props} survey={survey} loop={loop} tall={tall} />
        ))}
    </g>
  );
}
