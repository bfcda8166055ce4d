import { rulesOf } from '@ombra/core/rules';
import type { Figure } from '@ombra/core/kernel/figures';
import { wallsOf } from '@ombra/core/stages/outline';
import { Magnet, MousePointerSquareDashed } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Tabs } from '../../ui/Tabs';
import { panelOf } from '../../job/place';
import { type OpeningsPanel, OPENINGS_PANELS } from './panels';
import type { StageProps } from '../../frame/stage';
import { Strip } from '../../drawing/strip/Strip';
import { lineFigures, TallyLine } from '../../frame/figures/TallyLine';
import { WhyCard } from '../../frame/figures/WhyCard';
import { NothingStands } from '../../frame/walls/NothingStands';
import { WallsAside } from '../../frame/walls/WallsAside';
import { BucksPanel } from './BucksPanel';
import { FilesPanel } from './FilesPanel';
import { InsertsPanel } from './InsertsPanel';
import { OpeningCard } from './OpeningCard';
import { OpeningHandles } from './OpeningHandles';
import { OpeningTable } from './OpeningTable';
import { PlaceNew } from './PlaceNew';

const NAMES: Readonly<Record<OpeningsPanel, string>> = {
  openings: 'Openings',
  bucks: 'Bucks and lumber',
  inserts: 'Inserts',
  files: 'CSV',
};

/** Windows, doors and whatever else goes through the walls: placed on the strip or typed, with bucks, marks and lumber. */
export function OpeningsStage({ job, place, onPlace }: StageProps) {
  const { worked, plan, edit, endMerge } = job;
  const panel = panelOf(place, 'openings', OPENINGS_PANELS);
  const [snaps, setSnaps] = useState(true);
  const [placing, setPlacing] = useState(false);
  const rules = useMemo(() => rulesOf(plan), [plan]);
  if (!worked) return <p className="p-6 text-quiet">Working the plan out …</p>;
  const walls = wallsOf(worked.shell);
  const openings = plan.openings ?? [];
  const chosen = openings.find((each) => each.id === place.opening) ?? openings[0];
  const wall = walls.find((each) => each.id === place.wall) ?? walls[0];
  if (!wall || worked.courses.count === 0) {
    return <NothingStands title="No wall to open yet" />;
  }
  const { placed } = worked.openings;
  const placedOf = new Map(placed.map((each) => [each.id, each]));
  const buckOf = new Map(worked.bucks.bucks.map((each) => [each.opening, each]));
  const choose = (opening: string, on: string): void => {
    onPlace({ opening, wall: walls.some((each) => each.id === on) ? on : place.wall, piece: null });
  };
  const chooseWall = (id: string): void => {
    onPlace({ wall: id, piece: null });
  };
  const figures = [
    ...lineFigures(worked.tally).map(([each]) => each),
    worked.bucks.fasteners,
    ...worked.bucks.bucks.map((buck) => buck.fasteners),
  ];
  const figure = figures.find((each) => each.id === place.figure);
  const openFigure = (next: Figure): void => {
    onPlace({ figure: next.id === place.figure ? null : next.id });
  };
  const inWall = (id: string): string => {
    const doors = placed.filter((each) => each.wall === id).length;
    const inserts = worked.inserts.placed.filter((each) => each.wall === id).length;
    return `${String(doors)} · ${String(inserts)}`;
  };
  const chosenPlaced = chosen ? placedOf.get(chosen.id) : undefined;
  return (
    <div className="grid grow grid-cols-[232px_minmax(0,1fr)] max-md:grid-cols-1">
      <WallsAside
        job={job}
        worked={worked}
        walls={walls}
        chosen={wall.id}
        stage="openings"
        heading="Walls: openings · inserts"
        figure={(each) => inWall(each.id)}
        onChoose={chooseWall}
        onGo={(notice) => {
          const { opening, insert, wall: on } = notice.place;
          onPlace({
            ...(on === undefined ? {} : { wall: on }),
            ...(opening === undefined ? {} : { opening, panels: { openings: 'openings' } }),
            ...(insert === undefined ? {} : { insert, panels: { openings: 'inserts' } }),
          });
        }}
      />
      <div className="flex min-w-0 flex-col gap-3 p-4">
        <Strip
          worked={worked}
          place={{ ...place, wall: wall.id, course: worked.courses.count + 1 }}
          onPlace={onPlace}
          lit={figure?.pieces ?? null}
          plan={plan}
          onEdit={edit}
          over={(frame) =>
            placing ? (
              <PlaceNew
                frame={frame}
                worked={worked}
                plan={plan}
                like={chosenPlaced}
                onPlace={(opening) => {
                  const id = job.freshId();
                  edit({ kind: 'add-openings', openings: [{ ...opening, id }] });
                  setPlacing(false);
                  onPlace({ opening: id, wall: opening.wall, panels: { openings: 'openings' } });
                }}
              />
            ) : (
              <OpeningHandles
                frame={frame}
                worked={worked}
                plan={plan}
                chosen={chosen?.id ?? null}
                snaps={snaps}
                onChoose={(opening) => {
                  choose(opening.id, opening.wall);
                }}
                onEdit={edit}
                onLeave={endMerge}
              />
            )
          }
        />
        <TallyLine tally={worked.tally} units={plan.units} open={figure?.id ?? null} onOpen={openFigure} />
        <Tabs
          label="Parts of the openings"
          panel="openings-panel"
          tabs={OPENINGS_PANELS.map((id) => ({
            id,
            name:
              id === 'openings'
                ? `${NAMES[id]} (${String(openings.length)})`
                : id === 'inserts'
                  ? `${NAMES[id]} (${String((plan.inserts ?? []).length)})`
                  : NAMES[id],
          }))}
          chosen={panel}
          onChoose={(next) => {
            onPlace({ panels: { openings: next }, figure: null });
          }}
        >
          <div className="mb-1 ml-auto flex gap-1">
            <button
              type="button"
              className={`button ${placing ? 'strong' : ''}`}
              aria-pressed={placing}
              onClick={() => {
                setPlacing(!placing);
              }}
            >
              <MousePointerSquareDashed aria-hidden="true" size={15} />
              {placing ? 'Press on the strip' : 'Place on the strip'}
            </button>
            <button
              type="button"
              className="button"
              aria-pressed={snaps}
              title="Draw dragged edges to joints, course lines and heads near them; Alt lets go for a while"
              onClick={() => {
                setSnaps(!snaps);
              }}
            >
              <Magnet aria-hidden="true" size={15} /> {snaps ? 'Snaps' : 'Free'}
            </button>
            <a className="button" href={`/jobs/${job.id}/sheets/openings`}>
              Openings sheet
            </a>
          </div>
        </Tabs>
        <div
          role="tabpanel"
          id="openings-panel"
          aria-labelledby={`tab-${panel}`}
          className="flex flex-col gap-3"
        >
          {panel === 'openings' && (
            <>
              <OpeningTable
                job={job}
                walls={walls}
                placed={placed}
                chosen={chosen?.id ?? null}
                wall={wall}
                onChoose={choose}
              />
              {chosen && (
                <OpeningCard
                  key={chosen.id}
                  job={job}
                  opening={chosen}
                  placed={chosenPlaced}
                  buck={buckOf.get(chosen.id)}
                  wall={walls.find((each) => each.id === chosen.wall)}
                  others={placed.filter((each) => each.id !== chosen.id)}
                  openFigure={figure?.id ?? null}
                  onFigure={openFigure}
                />
              )}
            </>
          )}
          {panel === 'bucks' && (
            <BucksPanel job={job} worked={worked} open={figure?.id ?? null} onOpen={openFigure} />
          )}
          {panel === 'inserts' && (
            <InsertsPanel
              job={job}
              walls={walls}
              wall={wall}
              placed={worked.inserts.placed}
              chosen={place.insert}
              onChoose={(insert, on) => {
                onPlace({ insert, ...(walls.some((each) => each.id === on) ? { wall: on } : {}) });
              }}
            />
          )}
          {panel === 'files' && <FilesPanel job={job} worked={worked} />}
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
