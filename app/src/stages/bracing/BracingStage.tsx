import { rulesOf } from '@ombra/core/rules';
import type { Figure } from '@ombra/core/kernel/figures';
import { showLength } from '@ombra/core/kernel/measure';
import { wallsOf } from '@ombra/core/stages/outline';
import { useMemo, useState } from 'react';
import { Tabs } from '../../ui/Tabs';
import { panelOf } from '../../job/place';
import { type BracingPanel, BRACING_PANELS } from './panels';
import type { StageProps } from '../../frame/stage';
import { Strip } from '../../drawing/strip/Strip';
import { WhyCard } from '../../frame/figures/WhyCard';
import { NothingStands } from '../../frame/walls/NothingStands';
import { WallsAside } from '../../frame/walls/WallsAside';
import { BraceLayer } from './BraceLayer';
import { BraceTicks } from './BraceTicks';
import { GearPanel } from './GearPanel';
import { LinePanel } from './LinePanel';
import { WallsPanel } from './WallsPanel';
import { WindPanel } from './WindPanel';

const NAMES: Readonly<Record<BracingPanel, string>> = {
  walls: 'Where they stand',
  gear: 'Planks and gear',
  wind: 'Wind tonight',
  line: 'String lines',
};

/** Braces, the planks over them, and the line that they hold: on the strip, by wall, as gear, against the wind. */
export function BracingStage({ job, place, onPlace }: StageProps) {
  const { worked, plan, edit } = job;
  const panel = panelOf(place, 'bracing', BRACING_PANELS);
  const [brace, setBrace] = useState<string | null>(null);
  const rules = useMemo(() => rulesOf(plan), [plan]);
  if (!worked) return <p className="p-6 text-quiet">Working the plan out …</p>;
  const { bracing } = worked;
  const walls = wallsOf(worked.shell);
  const wall = walls.find((each) => each.id === place.wall) ?? walls[0];
  if (!wall || bracing.walls.length === 0) return <NothingStands title="No wall to brace yet" />;
  const figures = bracing.gear.map((line) => line.wanted);
  const figure = figures.find((each) => each.id === place.figure);
  const bracesOn = (id: string): string => {
    const own = bracing.walls.find((each) => each.wall === id);
    return own ? (own.way === 'waler' ? 'waler' : String(own.braces.length)) : '';
  };
  const openFigure = (next: Figure): void => {
    onPlace({ figure: next.id === place.figure ? null : next.id });
  };
  const braces = bracing.walls.reduce((sum, each) => sum + each.braces.length, 0);
  const planks = bracing.walls.reduce((sum, each) => sum + each.abreast * each.planks.length, 0);
  return (
    <div className="grid grow grid-cols-[232px_minmax(0,1fr)] max-md:grid-cols-1">
      <WallsAside
        job={job}
        worked={worked}
        walls={walls}
        chosen={wall.id}
        stage="bracing"
        heading="Walls: braces"
        figure={(each) => bracesOn(each.id)}
        over={(frame) => <BraceTicks shell={worked.shell} walls={bracing.walls} frame={frame} />}
        onChoose={(id) => {
          setBrace(null);
          onPlace({ wall: id, piece: null });
        }}
      />
      <div className="flex min-w-0 flex-col gap-3 p-4">
        <Strip
          worked={worked}
          place={{ ...place, wall: wall.id, course: worked.courses.count + 1 }}
          onPlace={onPlace}
          lit={null}
          plan={plan}
          onEdit={edit}
          over={(frame) => (
            <BraceLayer frame={frame} walls={bracing.walls} straps={bracing.straps} chosen={brace} />
          )}
        />
        <p className="figures text-[17px]">
          <strong>{braces}</strong> braces{' '}
          {bracing.spacing && (
            <>
              up to <strong>{showLength(bracing.spacing.spacing, plan.units)}</strong> apart{' '}
            </>
          )}
          · <strong>{planks}</strong> planks · boards over <strong>{bracing.straps.boards.length}</strong>{' '}
          weak places{' '}
          <span className="text-sm text-quiet">
            Up at course {rules.count('bracing.first.courses')}, and before the wall is left overnight.
          </span>
        </p>
        <Tabs
          label="Parts of the bracing"
          panel="bracing-panel"
          tabs={BRACING_PANELS.map((id) => ({ id, name: NAMES[id] }))}
          chosen={panel}
          onChoose={(next) => {
            onPlace({ panels: { bracing: next }, figure: null });
          }}
        />
        <div
          role="tabpanel"
          id="bracing-panel"
          aria-labelledby={`tab-${panel}`}
          className="flex flex-col gap-3"
        >
          {panel === 'walls' && (
            <WallsPanel job={job} bracing={bracing} wall={wall} chosen={brace} onChoose={setBrace} />
          )}
          {panel === 'gear' && (
            <GearPanel job={job} bracing={bracing} open={figure?.id ?? null} onOpen={openFigure} />
          )}
          {panel === 'wind' && <WindPanel job={job} bracing={bracing} walls={walls} />}
          {panel === 'line' && <LinePanel job={job} bracing={bracing} wall={wall} />}
          {figure && (
            <div className="max-w-2xl">
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
