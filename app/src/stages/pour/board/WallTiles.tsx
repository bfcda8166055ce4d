import type { Levels } from '@ombra/core/stages/outline';
import type { Openings } from '@ombra/core/stages/openings';
import type { BoardProps } from './boardProps';
import { AGE_WORDS, boardTime, spanText } from './boardWords';
import { type Say, useSay } from './say';
import { type AgeState, type WallState, wallStates } from './surfaces';

const HEIGHT = 72;

/** How an open top is drawn: never by colour alone. */
const TOPS: Readonly<
  Record<AgeState, { readonly className: string; readonly width: number; readonly dash?: string }>
> = {
  fresh: { className: 'stroke-tip', width: 3 },
  soon: { className: 'stroke-cut-line', width: 5, dash: '12 4' },
  now: { className: 'stroke-record', width: 7, dash: '6 4' },
  set: { className: 'stroke-stop', width: 9, dash: '3 3' },
  done: { className: 'stroke-ink', width: 2 },
};

interface WallPictureProps {
  readonly state: WallState;
  readonly length: number;
  readonly spans: Levels['walls'][string];
  readonly openings: Openings['placed'];
  readonly bottom: number;
  readonly top: number;
  /** Where the hose is along the wall. */
  readonly hose: number | null;
}

/** One wall as it fills, seen from inside; as wide as its tile. */
function WallPicture({ state, length, spans, openings, bottom, top, hose }: WallPictureProps) {
  const y = (height: number): number => HEIGHT - ((height - bottom) / (top - bottom)) * HEIGHT;
  const x = (along: number): number => (along / length) * 100;
  const within = (height: number): number => Math.min(top, Math.max(bottom, height));
  return (
    <svg
      viewBox={`0 0 100 ${String(HEIGHT)}`}
      preserveAspectRatio="none"
      className="h-18 w-full"
      aria-hidden="true"
    >
      {spans.map((span) => (
        <rect
          key={`${String(span.from)} ${String(span.bottom)}`}
          x={x(span.from)}
          width={x(span.to - span.from)}
          y={y(within(span.top))}
          height={Math.max(0, y(within(span.bottom)) - y(within(span.top)))}
          className="fill-foam stroke-foam-edge"
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {state.surfaces.map((surface) => (
        <rect
          key={surface.stop}
          x={x(surface.from)}
          width={x(surface.to - surface.from)}
          y={y(surface.top)}
          height={Math.max(0, y(surface.bottom) - y(surface.top))}
          className="fill-concrete"
        />
      ))}
      {state.surfaces.map((surface) => {
        if (surface.state === null) return null;
        const look = TOPS[surface.state];
        return (
          <line
            key={surface.stop}
            x1={x(surface.from)}
            x2={x(surface.to)}
            y1={y(surface.top)}
            y2={y(surface.top)}
            className={look.className}
            strokeWidth={look.width}
            strokeDasharray={look.dash}
            vectorEffect="non-scaling-stroke"
          />
        );
      })}
      {openings.map(({ id, concrete }) => (
        <rect
          key={id}
          x={x(concrete.from)}
          width={x(concrete.to - concrete.from)}
          y={y(within(concrete.top))}
          height={Math.max(0, y(within(concrete.bottom)) - y(within(concrete.top)))}
          className="fill-paper stroke-ink"
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {hose !== null && (
        <path
          d={`M${String(x(hose) - 3)} 0h6l-3 12z`}
          className="fill-chalk stroke-sheet"
          vectorEffect="non-scaling-stroke"
        />
      )}
    </svg>
  );
}

interface WallTilesProps extends Pick<BoardProps, 'pour' | 'board' | 'now' | 'wallName'> {
  readonly levels: Levels;
  readonly openings: Openings;
  readonly lengths: ReadonlyMap<string, number>;
  readonly watchers: Readonly<Record<string, string>>;
  readonly chosen: string | null;
  /** Left out where the tiles are only looked at. */
  readonly onChoose?: (wall: string | null) => void;
}

/** What a wall's tile says under its picture. */
function stateText(
  say: Say,
  { oldest, share }: WallState,
  board: WallTilesProps['board'],
  now: number,
): string {
  if (share <= 0) return say('empty');
  if (oldest === null) {
    return share >= 1 - 1e-6 ? say('full') : say('{percent} % full', { percent: Math.round(share * 100) });
  }
  const age = spanText(say, oldest.age);
  if (oldest.state === 'fresh') return oldest.age < 1 ? say('just placed') : say('{age} old', { age });
  if (oldest.state === 'set') return say('set: a cold joint, {age} old', { age });
  return say('{what}: by {time}, in {span}', {
    what: say(AGE_WORDS[oldest.state]),
    time: boardTime(board, oldest.by),
    span: spanText(say, oldest.by - now),
  });
}

/** The walls as they fill, side by side in the order of the outline; a tap chooses one to set its height. */
export function WallTiles({
  pour,
  board,
  now,
  wallName,
  levels,
  openings,
  lengths,
  watchers,
  chosen,
  onChoose,
}: WallTilesProps) {
  const say = useSay();
  const states = wallStates(pour, board, now);
  const heights = board.stops.filter(({ where }) => where !== null);
  const bottom = Math.min(...heights.map((stop) => stop.bottom));
  const top = Math.max(...heights.map((stop) => stop.top));
  const hose = board.hose === null || board.done !== null ? undefined : board.stops[board.hose.stop]?.where;
  return (
    <ul aria-label={say('Walls as they fill')} className="flex flex-wrap gap-2">
      {states.map((state) => {
        const length = lengths.get(state.wall) ?? 1;
        const watcher = watchers[state.wall];
        const said = stateText(say, state, board, now);
        const late = state.oldest?.state === 'now' || state.oldest?.state === 'set';
        const inside = (
          <>
            <span className="flex items-baseline justify-between gap-2">
              <strong className="text-xl">{wallName(state.wall)}</strong>
              {watcher !== undefined && <span className="text-quiet">{watcher}</span>}
            </span>
            <WallPicture
              state={state}
              length={length}
              spans={levels.walls[state.wall] ?? []}
              openings={openings.placed.filter((each) => each.worked && each.wall === state.wall)}
              bottom={bottom}
              top={top}
              hose={hose?.wall === state.wall ? (hose.from + hose.to) / 2 : null}
            />
            <span className={`block text-left ${late ? 'font-semibold text-stop' : ''}`}>{said}</span>
          </>
        );
        return (
          <li
            key={state.wall}
            className="min-w-38"
            style={{ flexGrow: Math.max(1, Math.round(length / 1e9)), flexBasis: '9.5rem' }}
          >
            {onChoose ? (
              <button
                type="button"
                aria-pressed={state.wall === chosen}
                aria-label={say('{wall}: {state}. Set its height', {
                  wall: wallName(state.wall),
                  state: said,
                })}
                className={`block w-full border bg-sheet p-1 ${state.wall === chosen ? 'border-4 border-chalk' : 'border-ink'}`}
                onClick={() => {
                  onChoose(state.wall === chosen ? null : state.wall);
                }}
              >
                {inside}
              </button>
            ) : (
              <div className="border border-line p-1">{inside}</div>
            )}
          </li>
        );
      })}
    </ul>
  );
}
