import { wallsOf } from '@ombra/core/stages/outline';
import { Magnet, MousePointerSquareDashed } from 'lucide-react';
import { useState } from 'react';
import { OPENINGS_PANELS, OPENINGS_PANEL_NAMES } from './panels';
import type { StageProps } from '../../frame/stage';
import { StageFrame, Working } from '../../frame/StageFrame';
import { lineFigures, TallyLine } from '../../frame/figures/TallyLine';
import { BucksPanel } from './BucksPanel';
import { FilesPanel } from './FilesPanel';
import { InsertsPanel } from './InsertsPanel';
import { OpeningCard } from './OpeningCard';
import { OpeningHandles } from './OpeningHandles';
import { OpeningTable } from './OpeningTable';
import { PlaceNew } from './PlaceNew';

/** Windows, doors and whatever else goes through the walls: placed on the strip or typed, with bucks, marks and lumber. */
export function OpeningsStage({ job, place, onPlace, onStage }: StageProps) {
  const { worked, plan, edit, endMerge } = job;
  const [snaps, setSnaps] = useState(true);
  const [placing, setPlacing] = useState(false);
  if (!worked) return <Working />;
  const all = wallsOf(worked.shell);
  const openings = plan.openings ?? [];
  const chosen = openings.find((each) => each.id === place.opening) ?? openings[0];
  const { placed } = worked.openings;
  const chosenPlaced = placed.find((each) => each.id === chosen?.id);
  /** The wall to go to with something on it; where that wall is gone, one stays where one is. */
  const wallWith = (on: string): string | null => (all.some((each) => each.id === on) ? on : place.wall);
  const choose = (opening: string, on: string): void => {
    onPlace({ opening, wall: wallWith(on), piece: null });
  };
  const inWall = (id: string): string => {
    const doors = placed.filter((each) => each.wall === id).length;
    const inserts = worked.inserts.placed.filter((each) => each.wall === id).length;
    return `${String(doors)} · ${String(inserts)}`;
  };
  return (
    <StageFrame
      job={job}
      place={place}
      onPlace={onPlace}
      onStage={onStage}
      stage="openings"
      worked={worked}
      empty="No walls for openings yet"
      aside={{ heading: 'Walls: openings · inserts', figure: (each) => inWall(each.id) }}
      strip={(figure) => ({
        lit: figure?.pieces ?? null,
        over: (frame) =>
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
          ),
      })}
      summary={({ open, onOpen }) => (
        <TallyLine tally={worked.tally} units={plan.units} open={open} onOpen={onOpen} />
      )}
      tabs={{
        label: 'Parts of the openings',
        panels: OPENINGS_PANELS,
        names: OPENINGS_PANEL_NAMES,
        counts: { openings: String(openings.length), inserts: String((plan.inserts ?? []).length) },
        tools: (
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
              {placing ? 'Tap the strip' : 'Place on the strip'}
            </button>
            <button
              type="button"
              className="button"
              aria-pressed={snaps}
              title="Snap dragged edges to joints, course lines and nearby heads. Hold Alt to drag freely"
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
        ),
      }}
      figures={[
        ...lineFigures(worked.tally).map(([each]) => each),
        worked.bucks.fasteners,
        ...worked.bucks.bucks.map((buck) => buck.fasteners),
      ]}
    >
      {({ panel, wall, walls, open, onOpen }) => (
        <>
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
                  buck={worked.bucks.bucks.find((each) => each.opening === chosen.id)}
                  wall={walls.find((each) => each.id === chosen.wall)}
                  others={placed.filter((each) => each.id !== chosen.id)}
                  openFigure={open}
                  onFigure={onOpen}
                />
              )}
            </>
          )}
          {panel === 'bucks' && <BucksPanel job={job} worked={worked} open={open} onOpen={onOpen} />}
          {panel === 'inserts' && (
            <InsertsPanel
              job={job}
              walls={walls}
              wall={wall}
              placed={worked.inserts.placed}
              chosen={place.insert}
              onChoose={(insert, on) => {
                onPlace({ insert, wall: wallWith(on) });
              }}
            />
          )}
          {panel === 'files' && <FilesPanel job={job} worked={worked} />}
        </>
      )}
    </StageFrame>
  );
}
