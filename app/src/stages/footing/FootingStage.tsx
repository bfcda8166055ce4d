import { rulesOf } from '@ombra/core/rules';
import type { Figure } from '@ombra/core/kernel/figures';
import { showLength } from '@ombra/core/kernel/measure';
import { figuresOfFooting } from '@ombra/core/stages/footing';
import { type Wall, wallsOf } from '@ombra/core/stages/outline';
import { useMemo } from 'react';
import { panelOf } from '../../job/place';
import { type FootingPanel, FOOTING_PANELS } from './panels';
import { Tabs } from '../../ui/Tabs';
import type { StageProps } from '../../frame/stage';
import { Strip } from '../../drawing/strip/Strip';
import { WhyCard } from '../../frame/figures/WhyCard';
import { NothingStands } from '../../frame/walls/NothingStands';
import { WallsAside } from '../../frame/walls/WallsAside';
import { FirstCoursePanel } from './FirstCoursePanel';
import { FootingLayer, LAYER_HEIGHT } from './FootingLayer';
import { GroundPanel } from './GroundPanel';
import { LevelPanel } from './LevelPanel';
import { ReadyPanel } from './ReadyPanel';
import { SquarePanel } from './SquarePanel';

const NAMES: Readonly<Record<FootingPanel, string>> = {
  ground: 'Footing and chalk',
  square: 'Square',
  level: 'Level',
  first: 'First course',
  ready: 'Ready for the wall',
};

/** From bare ground to the first course: footing, chalk lines, squareness, level, and what is looked at before the wall. */
export function FootingStage({ job, place, onPlace }: StageProps) {
  const { worked, plan, edit } = job;
  const panel = panelOf(place, 'footing', FOOTING_PANELS);
  const rules = useMemo(() => rulesOf(plan), [plan]);
  if (!worked) return <p className="p-6 text-quiet">Working the plan out …</p>;
  const { footing } = worked;
  const walls = wallsOf(worked.shell);
  const wall = walls.find((each) => each.id === place.wall) ?? walls[0];
  if (!wall || worked.courses.count === 0) {
    return <NothingStands title="Nothing to stand on a footing yet" />;
  }
  const choose = (id: string): void => {
    onPlace({ wall: id, piece: null });
  };
  const survey = panel === 'level' && place.pass === 'first-course' ? footing.after : footing.survey;
  const figure = figuresOfFooting(footing).find((each) => each.id === place.figure);
  const openFigure = (next: Figure): void => {
    onPlace({ figure: next.id === place.figure ? null : next.id });
  };
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
  const done = footing.ready.filter((item) => item.done).length;
  return (
    <div className="grid grow grid-cols-[232px_minmax(0,1fr)] max-md:grid-cols-1">
      <WallsAside
        job={job}
        worked={worked}
        walls={walls}
        chosen={wall.id}
        stage="footing"
        heading={footing.bases.kind === 'rock' ? 'Walls, form face' : 'Chalk lines: outer · inner'}
        figure={chalk}
        bases={footing.bases}
        onChoose={choose}
      />
      <div className="flex min-w-0 flex-col gap-3 p-4">
        <Strip
          worked={worked}
          place={{ ...place, wall: wall.id, course: worked.courses.count + 1 }}
          onPlace={onPlace}
          lit={null}
          plan={plan}
          onEdit={edit}
          below={{
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
          }}
        />
        <Tabs
          label="Parts of the footing"
          panel="footing-panel"
          tabs={FOOTING_PANELS.map((id) => ({
            id,
            name: `${NAMES[id]}${id === 'ready' ? ` (${String(done)} of ${String(footing.ready.length)})` : ''}`,
          }))}
          chosen={panel}
          onChoose={(next) => {
            onPlace({ panels: { footing: next }, figure: null });
          }}
        >
          <a className="button mb-1 ml-auto" href={`/jobs/${job.id}/sheets/footing`}>
            Footing sheet
          </a>
        </Tabs>
        <div role="tabpanel" id="footing-panel" aria-labelledby={`tab-${panel}`}>
          {panel === 'ground' && (
            <GroundPanel
              job={job}
              worked={worked}
              wall={wall}
              open={figure?.id ?? null}
              onOpen={openFigure}
            />
          )}
          {panel === 'square' && <SquarePanel job={job} worked={worked} />}
          {panel === 'level' && (
            <LevelPanel job={job} worked={worked} wall={wall} place={place} onPlace={onPlace} />
          )}
          {panel === 'first' && (
            <FirstCoursePanel job={job} worked={worked} open={figure?.id ?? null} onOpen={openFigure} />
          )}
          {panel === 'ready' && <ReadyPanel job={job} worked={worked} />}
          {figure && (
            <div className="mt-3 max-w-2xl">
              <WhyCard
                key={figure.id}
                figure={figure}
                units={plan.units}
                rules={rules}
                onClose={() => {
                  onPlace({ figure: null });
                }}
              />
            </div>
          )}
        </div>
      </div>
    </div>
  );
}
