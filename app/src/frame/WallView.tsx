import type { Point } from '@ombra/core/kernel/geometry';
import type { PieceSelector } from '@ombra/core/kernel/figures';
import type { Bases } from '@ombra/core/stages/footing';
import type { Wall } from '@ombra/core/stages/outline';
import type { WorkedPlan } from '@ombra/core/worked';
import type { ReactNode } from 'react';
import { placeOfNotice } from '../job/place';
import type { PlanFrame } from '../drawing/plan/planGeometry';
import { Strip } from '../drawing/strip/Strip';
import type { StripFrame } from '../drawing/strip/stripGeometry';
import type { StageProps } from './stage';
import { WallsAside } from './walls/WallsAside';

/** What a stage puts beside the walls: a figure for each, what it draws on the plan, what a press there does besides. */
export interface AsideOf {
  readonly heading: string;
  readonly figure: (wall: Wall) => string;
  readonly bases?: Bases;
  /** Points that the plan is drawn large enough for. */
  readonly also?: readonly Point[];
  readonly over?: (frame: PlanFrame) => ReactNode;
  /** What happens besides when another wall is chosen. */
  readonly onChoose?: () => void;
  /** What stands under the notices. */
  readonly below?: ReactNode;
}

/** What a stage draws on the strip: over the walls, or in a band below them. */
export interface StripOf {
  readonly over?: (frame: StripFrame) => ReactNode;
  readonly below?: { readonly height: number; readonly draw: (frame: StripFrame) => ReactNode };
  /** Pieces that are lit. */
  readonly lit?: PieceSelector | null;
  /** The course that is chosen; none where left out. */
  readonly course?: number;
}

/** Every view of walls: the plan, the walls and the notices on the left; the strip, and what the stage says under it. */
export function WallView({
  job,
  place,
  onPlace,
  onStage,
  stage,
  worked,
  walls,
  wall,
  aside,
  strip,
  before,
  children,
}: StageProps & {
  readonly stage: string;
  readonly worked: WorkedPlan;
  readonly walls: readonly Wall[];
  /** The chosen wall; without one, no strip is shown. */
  readonly wall: Wall | undefined;
  readonly aside: AsideOf;
  readonly strip: StripOf;
  /** What stands over the strip. */
  readonly before?: ReactNode;
  readonly children: ReactNode;
}) {
  const { figure, heading, bases, also, over, below } = aside;
  const choose = (id: string): void => {
    aside.onChoose?.();
    onPlace({ wall: id, piece: null });
  };
  return (
    <div
      className={`grid grow max-md:grid-cols-1 ${place.folded ? 'grid-cols-[44px_minmax(0,1fr)]' : 'grid-cols-[232px_minmax(0,1fr)]'}`}
    >
      <WallsAside
        job={job}
        worked={worked}
        walls={walls}
        chosen={wall?.id ?? null}
        stage={stage}
        folded={place.folded}
        onFold={(folded) => {
          onPlace({ folded });
        }}
        heading={heading}
        figure={figure}
        {...(bases ? { bases } : {})}
        {...(also ? { also } : {})}
        {...(over ? { over } : {})}
        onGo={(notice) => {
          const { stage: other } = notice.place;
          if (other !== undefined && other !== stage) onStage(other);
          if (notice.place.wall !== undefined) aside.onChoose?.();
          onPlace(placeOfNotice(notice));
        }}
        onChoose={choose}
      >
        {below}
      </WallsAside>
      <div className="flex min-w-0 flex-col gap-3 p-4">
        {before}
        {wall && (
          <Strip
            worked={worked}
            place={{ ...place, wall: wall.id, course: strip.course ?? worked.courses.count + 1 }}
            onPlace={onPlace}
            lit={strip.lit ?? null}
            plan={job.plan}
            onEdit={job.edit}
            {...(strip.over ? { over: strip.over } : {})}
            {...(strip.below ? { below: strip.below } : {})}
          />
        )}
        {children}
      </div>
    </div>
  );
}
