import type { PieceSelector } from '@ombra/core/kernel/figures';
import { type Length, NANOMETRES_PER_METRE, showLength } from '@ombra/core/kernel/measure';
import type { Plan, PlanEdit } from '@ombra/core/kernel/plan';
import { wallsOf } from '@ombra/core/stages/outline';
import type { WorkedPlan } from '@ombra/core/work';
import { FlipHorizontal2, Maximize2, ZoomIn, ZoomOut } from 'lucide-react';
import { type ReactNode, useMemo, useState } from 'react';
import { useLater } from '../../ui/useLater';
import { Ground } from './Ground';
import { Heads } from './Heads';
import { OpeningsDrawing } from './OpeningsDrawing';
import { Overlay } from './Overlay';
import { SeamHandles } from './SeamHandles';
import { StoryPole } from './StoryPole';
import { RakeDrawing } from './RakeDrawing';
import { StripDrawing, StripPatterns } from './StripDrawing';
import type { StripView } from './StripView';
import { TallHandle } from './TallHandle';
import { Tape } from './Tape';
import {
  type StripFrame,
  pieceAt,
  POLE_WIDTH,
  stripFrame,
  stripSpan,
  wallAt,
  zoomToFit,
} from './stripGeometry';
import { useDragScroll } from './useDragScroll';
import { useStripScroll } from './useStripScroll';

interface StripProps extends Omit<StripView, 'frame'> {
  readonly plan: Plan;
  readonly onEdit: (edit: PlanEdit, merge?: string) => void;
  /** Pieces that an open why card counts. */
  readonly lit: PieceSelector | null;
  /** What a stage draws under the walls, and how much room it needs; the walls are then shown lower. */
  readonly below?: {
    readonly height: number;
    readonly draw: (frame: StripFrame) => ReactNode;
  };
  /** What a stage lays over the walls to be taken hold of. */
  readonly over?: (frame: StripFrame) => ReactNode;
}

/** Height that the whole wall takes when nothing else is asked for, in pixels. */
const FITTED_HEIGHT = 178;
/** The same where a stage draws below the walls. */
const FITTED_ABOVE = 96;
/** Room for letters and tape around the walls. */
const ROUND = 110;
/** A low wall is not drawn larger than this unless asked for, in pixels a metre. */
const USUAL_MOST = 90;
const ZOOM_STEP = 1.3;
/** Shortest and longest metre on the strip, in pixels. */
const ZOOM_LIMITS = [4, 400] as const;

/** Pixels per metre that show the wall's whole height. */
const fittedZoom = (worked: WorkedPlan, height: number, most: number): number => {
  const metres = worked.courses.height / NANOMETRES_PER_METRE;
  return Math.min(most, height / Math.max(metres, 0.1));
};

const clampZoom = (zoom: number): number => Math.min(ZOOM_LIMITS[1], Math.max(ZOOM_LIMITS[0], zoom));

const fetchGestures = () => import('./gestures');

/** The whole perimeter unrolled into one elevation, true to scale, between story pole and tape. */
export function Strip({ worked, plan, place, onPlace, onEdit, lit, below, over }: StripProps) {
  const [pointed, setPointed] = useState<ReturnType<typeof wallAt>>(null);
  const tall = place.tall ?? (below ? FITTED_ABOVE : FITTED_HEIGHT);
  const zoom = place.zoom ?? fittedZoom(worked, tall, place.tall === null ? USUAL_MOST : ZOOM_LIMITS[1]);
  const frame = useMemo(
    () => stripFrame(worked.shell, worked.courses, zoom / NANOMETRES_PER_METRE, place.face),
    [worked.shell, worked.courses, zoom, place.face],
  );
  const { pieces } = worked.courses;
  const scroller = useStripScroll(frame, place, onPlace, pieces);
  const drag = useDragScroll();
  const stretch = (under: ReturnType<typeof wallAt>): number =>
    under
      ? (worked.levels.walls[under.wall.id] ?? []).findIndex(
          (each) => each.from <= under.at && under.at <= each.to,
        )
      : -1;
  /** @param held what stays where it is, in pixels from the left; the middle where left out */
  const setZoom = (next: number, held?: number): void => {
    const strip = scroller.current;
    const clamped = clampZoom(next);
    if (strip) {
      const at = held ?? strip.clientWidth / 2;
      const left = (strip.scrollLeft + at) * (clamped / zoom) - at;
      requestAnimationFrame(() => {
        strip.scrollLeft = left;
      });
    }
    onPlace({ zoom: clamped });
  };
  const gestures = useLater(fetchGestures);
  const fitAll = (): void => {
    const strip = scroller.current;
    if (strip) setZoom(zoomToFit(frame, strip.clientWidth - POLE_WIDTH) * NANOMETRES_PER_METRE);
  };
  const inside = place.face === 'inside';
  const chosenWall = wallsOf(worked.shell).find((wall) => wall.id === place.wall);
  const shown = pointed ?? (chosenWall ? { wall: chosenWall, at: (chosenWall.length / 2) as Length } : null);
  const span = shown
    ? (worked.levels.walls[shown.wall.id] ?? []).find((each) => each.from <= shown.at && shown.at <= each.to)
    : undefined;
  return (
    <section aria-label="Strip" className="min-w-0">
      <div className="mb-1 flex flex-wrap items-center gap-2">
        <p className="figures text-base">
          <span className="text-quiet">Seen from </span>
          <span className="font-semibold">{inside ? 'inside' : 'outside'}</span>
          <span className="text-quiet">
            {' '}
            · hands as seen from outside · lengths on the outside face of the form
            {shown && span
              ? ` · ${shown.wall.name} ${span.bottom > 0 ? `from ${showLength(span.bottom, worked.units)} ` : ''}to ${showLength(span.top, worked.units)}`
              : ''}
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
            <Maximize2 aria-hidden="true" size={14} /> All walls
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
        className="relative cursor-grab touch-pan-x touch-pan-y overflow-auto border-y border-line active:cursor-grabbing"
        style={{ maxHeight: `max(46vh, ${String(tall + ROUND)}px)` }}
        // A scrolling region must be reachable by keyboard.
        // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
        tabIndex={0}
        role="group"
        aria-label="Unrolled walls; arrow keys move from piece to piece and course to course"
        {...drag.handlers}
      >
        <div className="grid w-max" style={{ gridTemplateColumns: `${String(POLE_WIDTH)}px auto` }}>
          <div className="sticky top-0 left-0 z-20 bg-paper" />
          <div className="sticky top-0 z-10 bg-paper">
            <Heads frame={frame} worked={worked} place={place} onPlace={onPlace} />
          </div>
          <div className="sticky left-0 z-10 bg-paper">
            <StoryPole frame={frame} worked={worked} place={place} onPlace={onPlace} shown={shown} />
          </div>
          <div className="relative">
            {/* Pressing a block is a shortcut of the mouse; the arrow keys do the same. */}
            <svg
              width={frame.width}
              height={frame.height + 7 + (below?.height ?? 0)}
              className="block"
              role="img"
              aria-label={`${String(frame.courses)} courses, ${String(pieces.length)} pieces, seen from ${place.face}`}
              onPointerMove={(event) => {
                const left = event.currentTarget.getBoundingClientRect().left;
                const under = wallAt(frame, event.clientX - left);
                // Redrawn only when another wall, or another stretch of it, is reached.
                if (under?.wall.id !== pointed?.wall.id || stretch(under) !== stretch(pointed))
                  setPointed(under);
              }}
              onPointerLeave={() => {
                setPointed(null);
              }}
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
              <Ground frame={frame} worked={worked} />
              {below?.draw(frame)}
              <StripDrawing frame={frame} pieces={pieces} units={worked.units} />
              <RakeDrawing frame={frame} worked={worked} />
              <OpeningsDrawing
                frame={frame}
                openings={worked.openings.placed}
                inserts={worked.inserts.placed}
                units={worked.units}
              />
              <Overlay frame={frame} worked={worked} place={place} lit={lit} />
            </svg>
            {/* What can be moved lies over the picture, which is a picture to those who cannot see it. */}
            <svg
              width={frame.width}
              height={frame.height + 7 + (below?.height ?? 0)}
              className="pointer-events-none absolute top-0 left-0"
            >
              {over?.(frame)}
              <SeamHandles frame={frame} worked={worked} plan={plan} onPlace={onPlace} onEdit={onEdit} />
            </svg>
          </div>
          <div className="sticky bottom-0 left-0 z-20 bg-paper" />
          <div className="sticky bottom-0 z-10">
            <Tape frame={frame} worked={worked} />
          </div>
        </div>
      </div>
      {gestures && <gestures.Pinch strip={scroller} zoom={zoom} onZoom={setZoom} />}
      <TallHandle
        tall={tall}
        gestures={gestures}
        onTall={(next) => {
          onPlace({ tall: next, zoom: null });
        }}
      />
    </section>
  );
}
