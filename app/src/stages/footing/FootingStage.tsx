import { pointOfFooting } from '@ombra/core/stages/days';
import { useSeen } from '../../job/useSeen';
import { showQuantity } from '@ombra/core/kernel/figures';
import { showLength } from '@ombra/core/kernel/measure';
import { figuresOfFooting } from '@ombra/core/stages/footing';
import type { Wall } from '@ombra/core/stages/outline';
import { panelOf } from '../../job/place';
import { FOOTING_PANELS, FOOTING_PANEL_NAMES } from './panels';
import type { StageProps } from '../../frame/stage';
import { StageFrame, Summary, Working } from '../../frame/StageFrame';
import { FirstCoursePanel } from './FirstCoursePanel';
import { FootingLayer, LAYER_HEIGHT } from './FootingLayer';
import { GroundPanel } from './GroundPanel';
import { LevelPanel } from './LevelPanel';
import { ReadyPanel } from './ReadyPanel';
import { SquarePanel } from './SquarePanel';

/** A list that stays the same one. */
const NONE: readonly string[] = [];

/** From bare ground to the first course: footing, chalk lines, squareness, level, and what is looked at before the wall. */
export function FootingStage({ job, place, onPlace, onStage }: StageProps) {
  const { worked, plan } = job;
  const seen = useSeen(job, job.plan.footing?.ready ?? NONE);
  if (!worked) return <Working />;
  const { footing } = worked;
  const afterFirst = panelOf(place, 'footing', FOOTING_PANELS) === 'level' && place.pass === 'first-course';
  const survey = afterFirst ? footing.after : footing.survey;
  const bases = new Map(
    footing.bases.loops.flatMap((loop) => loop.walls.map((base) => [base.wall, base] as const)),
  );
  const chalk = (each: Wall): string => {
    const base = bases.get(each.id);
    if (!base || footing.bases.kind === 'rock') return showLength(each.length, plan.units);
    const inInches = (length: typeof base.outer): string =>
      showLength(length, plan.units, { style: 'inches' });
    return `${inInches(base.outer)} · ${inInches(base.inner)}`;
  };
  const done = footing.ready.filter((item) => seen.done(pointOfFooting(item.id), item)).length;
  return (
    <StageFrame
      job={job}
      place={place}
      onPlace={onPlace}
      onStage={onStage}
      stage="footing"
      worked={worked}
      empty="No walls on a footing yet"
      aside={{
        heading: footing.bases.kind === 'rock' ? 'Walls, form face' : 'Chalk lines: outer · inner',
        figure: chalk,
        bases: footing.bases,
      }}
      strip={{
        below: {
          height: LAYER_HEIGHT,
          draw: (frame) => (
            <FootingLayer
              frame={frame}
              worked={worked}
              footing={footing}
              survey={survey}
              units={plan.units}
            />
          ),
        },
      }}
      summary={
        <Summary>
          {footing.concrete.value > 0 && (
            <>
              <strong>{showQuantity(footing.concrete.value, 'volume', plan.units)}</strong> in the footing
              ·{' '}
            </>
          )}
          <strong>{done}</strong> of {footing.ready.length} checked before the wall
        </Summary>
      }
      tabs={{
        label: 'Parts of the footing',
        panels: FOOTING_PANELS,
        names: FOOTING_PANEL_NAMES,
        counts: { ready: `${String(done)} of ${String(footing.ready.length)}` },
        tools: (
          <a className="button mb-1 ml-auto" href={`/jobs/${job.id}/sheets/footing`}>
            Footing sheet
          </a>
        ),
      }}
      figures={figuresOfFooting(footing)}
    >
      {({ panel, wall, open, onOpen }) => (
        <>
          {panel === 'ground' && (
            <GroundPanel job={job} worked={worked} wall={wall} open={open} onOpen={onOpen} />
          )}
          {panel === 'square' && <SquarePanel job={job} worked={worked} />}
          {panel === 'level' && (
            <LevelPanel job={job} worked={worked} wall={wall} place={place} onPlace={onPlace} />
          )}
          {panel === 'first' && <FirstCoursePanel job={job} worked={worked} open={open} onOpen={onOpen} />}
          {panel === 'ready' && <ReadyPanel job={job} worked={worked} />}
        </>
      )}
    </StageFrame>
  );
}
