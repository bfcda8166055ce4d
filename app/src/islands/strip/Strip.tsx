import type { Piece } from '@ombra/core/courses';
import { type Length, showLength } from '@ombra/core/measure';
import { type PieceSelector, selects } from '@ombra/core/tally/how';
import type { WorkedPlan } from '@ombra/core/work';
import { FlipHorizontal2, Maximize2, ZoomIn, ZoomOut } from 'lucide-react';
import { type PointerEvent as ReactPointerEvent, useEffect, useMemo, useRef } from 'react';
import type { Place } from '../job/place';
import { StripDrawing, StripPatterns } from './StripDrawing';
import {
  type StripFrame,
  courseTop,
  pieceSpans,
  stripFrame,
  stripSpan,
  stripX,
  tapeMarks,
  wallIndex,
} from './stripGeometry';

interface StripProps {
  readonly worked: WorkedPlan;
  readonly place: Place;
  readonly onPlace: (change: Partial<Place>) => void;
  /** Pieces that an open why card counts. */
  readonly lit: PieceSelector | null;
}

/** Height that the whole wall takes when nothing else is asked for, in pixels. */
const FITTED_HEIGHT = 178;
const ZOOM_STEP = 1.3;
const NANOMETRES_PER_METRE = 1e9;
/** Shortest and longest metre on the strip, in pixels. */
const ZOOM_LIMITS = [4, 400] as const;

/** Pixels per metre that show the wall's whole height. */
const fittedZoom = (worked: WorkedPlan): number => {
  const metres = worked.courses.height / NANOMETRES_PER_METRE;
  return Math.min(90, FITTED_HEIGHT / Math.max(metres, 0.1));
};

const clampZoom = (zoom: number): number => Math.min(ZOOM_LIMITS[1], Math.max(ZOOM_LIMITS[0], zoom));

/** Corner letters and wall lengths above the strip. */
function Heads({
  frame,
  worked,
  place,
  onPlace,
}: { readonly frame: StripFrame } & Pick<StripProps, 'worked' | 'place' | 'onPlace'>) {
  return (
    <svg width={frame.width} height={34} className="block" aria-hidden="true">
      {frame.loops.map((loop) => (
        <g key={loop.id}>
          {loop.built.walls.map((wall) => {
            const span = stripSpan(frame, loop, wall.station, wall.station + wall.length);
            return (
              <text
                key={wall.id}
                x={span.x + span.width / 2}
                y={18}
                textAnchor="middle"
                dominantBaseline="middle"
                className={`figures cursor-pointer text-[15px] font-semibold ${wall.id === place.wall ? 'fill-chalk' : 'fill-ink'}`}
                onClick={() => {
                  onPlace({ wall: wall.id });
                }}
              >
                {span.width > 84
                  ? `${wall.name} ${showLength(wall.length, worked.units)}`
                  : span.width > 40
                    ? wall.name
                    : ''}
              </text>
            );
          })}
          {[
            ...loop.built.corners,
            { letter: loop.built.corners[0]?.letter ?? 'A', station: loop.built.perimeter },
          ].map((corner) => (
            <g key={corner.station}>
              <circle cx={stripX(frame, loop, corner.station)} cy={18} r={11} className="fill-ink" />
              <text
                x={stripX(frame, loop, corner.station)}
                y={18}
                textAnchor="middle"
                dominantBaseline="central"
                className="figures fill-paper text-[13px] font-semibold"
              >
                {corner.letter}
              </text>
            </g>
          ))}
        </g>
      ))}
    </svg>
  );
}

/** Stations from A under the strip. */
function Tape({ frame, worked }: { readonly frame: StripFrame; readonly worked: WorkedPlan }) {
  return (
    <svg width={frame.width} height={36} className="block bg-paper" aria-hidden="true">
      {frame.loops.map((loop) => (
        <g key={loop.id}>
          {tapeMarks(loop.built.perimeter, frame.scale, worked.units === 'metric').map((mark) => {
            const x = stripX(frame, loop, mark.at);
            return (
              <g key={mark.at}>
                <line x1={x} x2={x} y1={2} y2={mark.long ? 14 : 8} className="stroke-ink" />
                {mark.label !== null && (
                  <text x={x} y={27} textAnchor="middle" className="figures fill-quiet text-[12px]">
                    {mark.label}
                  </text>
                )}
              </g>
            );
          })}
        </g>
      ))}
    </svg>
  );
}

function outlineOf(frame: StripFrame, piece: Piece, walls: ReturnType<typeof wallIndex>) {
  const top = courseTop(frame, piece.course);
  return pieceSpans(frame, walls, piece).map((span) => ({ ...span, top }));
}

/** Everything that changes with a press or a key, over the drawing that does not. */
function Overlay({
  frame,
  worked,
  place,
  lit,
}: { readonly frame: StripFrame } & Pick<StripProps, 'worked' | 'place' | 'lit'>) {
  const walls = useMemo(() => wallIndex(frame), [frame]);
  const { pieces } = worked.courses;
  const chosen = pieces.find((piece) => piece.id === place.piece);
  const litPieces = lit ? pieces.filter((piece) => selects(lit, piece)) : [];
  return (
    <g pointerEvents="none">
      {litPieces.flatMap((piece) =>
        outlineOf(frame, piece, walls).map(({ x, width, top }, index) => (
          <g key={`${piece.id}:${String(index)}`} data-lit={piece.id}>
            <rect x={x} y={top} width={width} height={frame.courseHeight} className="fill-chalk/25" />
            <rect
              x={x + 1}
              y={top + 1}
              width={Math.max(width - 2, 1)}
              height={Math.max(frame.courseHeight - 2, 1)}
              fill="url(#lit-dots)"
              className="stroke-chalk"
              strokeWidth={1.5}
            />
          </g>
        )),
      )}
      {place.course <= frame.courses && (
        <rect
          x={4}
          y={courseTop(frame, place.course)}
          width={frame.width - 8}
          height={frame.courseHeight}
          className="fill-none stroke-chalk"
          strokeWidth={2}
        />
      )}
      {chosen &&
        outlineOf(frame, chosen, walls).map(({ x, width, top }, index) => (
          <rect
            key={index}
            data-chosen={chosen.id}
            x={x}
            y={top}
            width={width}
            height={frame.courseHeight}
            className="fill-none stroke-chalk"
            strokeWidth={4}
          />
        ))}
    </g>
  );
}

/** The piece under a point of the drawing. */
function pieceAt(frame: StripFrame, pieces: readonly Piece[], x: number, y: number): Piece | null {
  const walls = wallIndex(frame);
  const course = Math.floor((frame.height - y) / frame.courseHeight) + 1;
  return (
    pieces.find(
      (piece) =>
        piece.course === course &&
        pieceSpans(frame, walls, piece).some((span) => x >= span.x && x <= span.x + span.width),
    ) ?? null
  );
}

/** Drags the strip along with a mouse; touch scrolls by itself. */
function useDragScroll() {
  const start = useRef<{ x: number; left: number; moved: boolean } | null>(null);
  return {
    moved: () => start.current?.moved === true,
    handlers: {
      onPointerDown: (event: ReactPointerEvent<HTMLElement>) => {
        if (event.pointerType !== 'mouse' || event.button !== 0) return;
        start.current = { x: event.clientX, left: event.currentTarget.scrollLeft, moved: false };
      },
      onPointerMove: (event: ReactPointerEvent<HTMLElement>) => {
        const from = start.current;
        if (!from || event.buttons === 0) return;
        if (Math.abs(event.clientX - from.x) > 4) from.moved = true;
        if (from.moved) event.currentTarget.scrollLeft = from.left - (event.clientX - from.x);
      },
    },
  };
}

/** Height of a course's top above the footing, on the story pole. */
function StoryPole({
  frame,
  worked,
  place,
  onPlace,
}: { readonly frame: StripFrame } & Pick<StripProps, 'worked' | 'place' | 'onPlace'>) {
  return (
    <div
      className="relative"
      role="group"
      aria-label="Story pole: courses and their heights"
      style={{ height: frame.height }}
    >
      {Array.from({ length: frame.courses }, (_, index) => {
        const course = index + 1;
        const chosen = course === place.course;
        return (
          <button
            key={course}
            type="button"
            aria-pressed={chosen}
            aria-label={`Course ${String(course)}, top at ${showLength((course * worked.courses.courseHeight) as Length, worked.units)}`}
            className={`figures absolute flex min-h-0! w-full items-center justify-between border border-foam-edge px-1.5 leading-none ${
              chosen ? 'bg-chalk text-on-chalk' : 'bg-sheet'
            }`}
            style={{
              top: courseTop(frame, course),
              height: frame.courseHeight + 1,
              fontSize: Math.min(15, frame.courseHeight * 0.7),
            }}
            onClick={() => {
              onPlace({ course, piece: null });
            }}
          >
            <span className="font-semibold">{course}</span>
            <span className={chosen ? '' : 'text-quiet'}>
              {showLength((course * worked.courses.courseHeight) as Length, worked.units)}
            </span>
          </button>
        );
      })}
    </div>
  );
}

/** Keeps the scroll where the user left it, and brings what is chosen into view. */
function useStripScroll(
  frame: StripFrame,
  place: Place,
  onPlace: StripProps['onPlace'],
  pieces: readonly Piece[],
) {
  const element = useRef<HTMLDivElement>(null);
  const first = useRef(true);
  const focus = useRef<string | null>(null);
  useEffect(() => {
    const strip = element.current;
    if (!strip) return;
    if (first.current) {
      first.current = false;
      focus.current = `${place.wall ?? ''}|${place.piece ?? ''}|${place.face}`;
      strip.scrollLeft = place.scroll;
      return;
    }
    const now = `${place.wall ?? ''}|${place.piece ?? ''}|${place.face}`;
    if (focus.current === now) return;
    focus.current = now;
    const walls = wallIndex(frame);
    const piece = pieces.find((each) => each.id === place.piece);
    const wall = place.wall === null ? undefined : walls.get(place.wall);
    const span = piece
      ? pieceSpans(frame, walls, piece)[0]
      : wall && stripSpan(frame, wall.loop, wall.wall.station, wall.wall.station + wall.wall.length);
    if (!span) return;
    const view = strip.clientWidth - 72;
    if (span.x < strip.scrollLeft || span.x + Math.min(span.width, view) > strip.scrollLeft + view) {
      strip.scrollLeft = span.x - Math.max(24, (view - span.width) / 2);
    }
  }, [frame, place, pieces]);
  useEffect(() => {
    const strip = element.current;
    if (!strip) return undefined;
    let timer: ReturnType<typeof setTimeout>;
    const keep = (): void => {
      clearTimeout(timer);
      timer = setTimeout(() => {
        onPlace({ scroll: strip.scrollLeft });
      }, 200);
    };
    strip.addEventListener('scroll', keep, { passive: true });
    return () => {
      clearTimeout(timer);
      strip.removeEventListener('scroll', keep);
    };
  }, [onPlace]);
  return element;
}

/** The whole perimeter unrolled into one elevation, true to scale, between story pole and tape. */
export function Strip({ worked, place, onPlace, lit }: StripProps) {
  const zoom = place.zoom ?? fittedZoom(worked);
  const frame = useMemo(
    () => stripFrame(worked.shell, worked.courses, zoom / NANOMETRES_PER_METRE, place.face),
    [worked.shell, worked.courses, zoom, place.face],
  );
  const { pieces } = worked.courses;
  const scroller = useStripScroll(frame, place, onPlace, pieces);
  const drag = useDragScroll();
  const setZoom = (next: number): void => {
    const strip = scroller.current;
    const clamped = clampZoom(next);
    if (strip) {
      const middle = (strip.scrollLeft + strip.clientWidth / 2) * (clamped / zoom) - strip.clientWidth / 2;
      requestAnimationFrame(() => {
        strip.scrollLeft = middle;
      });
    }
    onPlace({ zoom: clamped });
  };
  const fitAll = (): void => {
    const strip = scroller.current;
    if (strip) setZoom(((strip.clientWidth - 90) / (frame.width - 48)) * zoom);
  };
  const inside = place.face === 'inside';
  return (
    <section aria-label="Strip" className="min-w-0">
      <div className="mb-1 flex flex-wrap items-center gap-2">
        <p className="figures text-base">
          <span className="text-quiet">Seen from </span>
          <span className="font-semibold">{inside ? 'inside' : 'outside'}</span>
          <span className="text-quiet">
            {' '}
            · hands told from outside · lengths and stations on the form’s outside face
          </span>
        </p>
        <div className="no-print ml-auto flex gap-1">
          <button
            type="button"
            className="button"
            aria-keyshortcuts="f"
            onClick={() => {
              onPlace({ face: inside ? 'outside' : 'inside' });
            }}
          >
            <FlipHorizontal2 aria-hidden="true" size={15} /> From {inside ? 'outside' : 'inside'}
          </button>
          <button
            type="button"
            className="button px-2"
            aria-label="Zoom out"
            onClick={() => {
              setZoom(zoom / ZOOM_STEP);
            }}
          >
            <ZoomOut aria-hidden="true" size={15} />
          </button>
          <button
            type="button"
            className="button px-2"
            aria-label="Zoom in"
            onClick={() => {
              setZoom(zoom * ZOOM_STEP);
            }}
          >
            <ZoomIn aria-hidden="true" size={15} />
          </button>
          <button type="button" className="button" onClick={fitAll}>
            <Maximize2 aria-hidden="true" size={14} /> All round
          </button>
          <button
            type="button"
            className="button"
            onClick={() => {
              onPlace({ zoom: null });
            }}
          >
            Full height
          </button>
        </div>
      </div>
      <div
        ref={scroller}
        className="relative max-h-[46vh] cursor-grab overflow-auto border-y border-line active:cursor-grabbing"
        // A scrolling region must be reachable by keyboard.
        // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
        tabIndex={0}
        role="group"
        aria-label="Unrolled walls; arrow keys walk from piece to piece and from course to course"
        {...drag.handlers}
      >
        <div className="grid w-max grid-cols-[72px_auto]">
          <div className="sticky top-0 left-0 z-20 bg-paper" />
          <div className="sticky top-0 z-10 bg-paper">
            <Heads frame={frame} worked={worked} place={place} onPlace={onPlace} />
          </div>
          <div className="sticky left-0 z-10 bg-paper">
            <StoryPole frame={frame} worked={worked} place={place} onPlace={onPlace} />
          </div>
          {/* Pressing a block is a shortcut of the mouse; the arrow keys do the same. */}
          {}
          <svg
            width={frame.width}
            height={frame.height + 7}
            className="block"
            role="img"
            aria-label={`${String(frame.courses)} courses, ${String(pieces.length)} pieces, seen from ${place.face}`}
            onClick={(event) => {
              if (drag.moved()) return;
              const box = event.currentTarget.getBoundingClientRect();
              const piece = pieceAt(frame, pieces, event.clientX - box.left, event.clientY - box.top);
              if (piece)
                onPlace({
                  piece: piece.id,
                  course: piece.course,
                  wall: piece.kind === 'corner' ? piece.wallAfter : piece.wall,
                });
            }}
          >
            <StripPatterns />
            {frame.loops.map((loop) => {
              const span = stripSpan(frame, loop, 0, loop.built.perimeter);
              return (
                <rect
                  key={loop.id}
                  x={span.x + 6}
                  y={frame.height}
                  width={span.width}
                  height={6}
                  className="fill-shadow"
                />
              );
            })}
            <StripDrawing frame={frame} pieces={pieces} units={worked.units} />
            <Overlay frame={frame} worked={worked} place={place} lit={lit} />
          </svg>
          <div className="sticky bottom-0 left-0 z-20 bg-paper" />
          <div className="sticky bottom-0 z-10">
            <Tape frame={frame} worked={worked} />
          </div>
        </div>
      </div>
    </section>
  );
}
