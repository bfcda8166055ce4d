import { rulesOf } from '@ombra/core/rules';
import { showMinutes, showVolume } from '@ombra/core/kernel/figures';
import { type WorkedPour, figuresOfPour } from '@ombra/core/stages/pour';
import { useMemo } from 'react';
import { panelOf } from '../../job/place';
import { POUR_PANELS, POUR_PANEL_NAMES } from './panels';
import { PourChoice } from '../../frame/PourChoice';
import type { StageProps } from '../../frame/stage';
import { StageFrame, Summary, Working } from '../../frame/StageFrame';
import { NothingStands } from '../../frame/walls/NothingStands';
import { BoltLayer } from './BoltLayer';
import { EdgeLayer } from './EdgeLayer';
import { FillLayer } from './FillLayer';
import { MixPanel } from './MixPanel';
import { OrderPanel } from './OrderPanel';
import { METHOD_WORDS, timeOf } from './pourWords';
import { PressurePanel } from './PressurePanel';
import { ReadyList } from './ReadyList';
import { RehearsalPanel } from './RehearsalPanel';
import { LiftLayer } from './LiftLayer';
import { LiftsPanel } from './LiftsPanel';
import { RouteOnPlan } from './RouteOnPlan';
import type { DayEdit } from './dayEdit';
import { TopPanel } from './TopPanel';
import { stopAt, usePlayed } from './usePlayed';
import { useRehearsal } from './useRehearsal';

const EMPTY = 'No wall to pour yet';

const FIRST_SEED = 1;

interface PouredProps extends StageProps {
  readonly pour: WorkedPour;
  readonly pours: readonly WorkedPour[];
}

/** One pour on the strip and on the plan, and what of it is looked at. */
function Poured({ job, place, onPlace, onStage, pour, pours }: PouredProps) {
  const { worked, plan, edit } = job;
  const panel = panelOf(place, 'pour', POUR_PANELS);
  const rules = useMemo(() => rulesOf(plan), [plan]);
  const seed = plan.pour?.seed ?? FIRST_SEED;
  const played = usePlayed(pour, seed);
  const rehearsal = useRehearsal({
    plan,
    pour: pour.span.pour,
    day: pour.day,
    seed,
    mostOdds: rules.count('pour.odds.most') / 100,
  });
  if (!worked || !played) return null;
  const { volumes } = pour;
  const set: DayEdit = (change, merge) => {
    edit(
      { kind: 'pour', change: { of: 'pour', pour: pour.span.pour, change } },
      merge === undefined ? undefined : `pour:${pour.span.pour}:${merge}`,
    );
  };
  const rehearsing = panel === 'rehearsal';
  const number = rehearsing ? stopAt(played.run, played.at) : null;
  const hose = number === null ? null : (pour.stops[number]?.slice ?? null);
  const ofWall = (id: string): string => {
    const own = volumes.walls.find((each) => each.wall === id);
    return own ? showVolume(own.volume.value, plan.units, 1) : '';
  };
  return (
    <StageFrame
      job={job}
      place={place}
      onPlace={onPlace}
      onStage={onStage}
      stage="pour"
      worked={worked}
      empty={EMPTY}
      aside={{
        heading: 'Walls: concrete',
        figure: (each) => ofWall(each.id),
        ...(pour.stand ? { also: [pour.stand.at] } : {}),
        over: (frame) => <RouteOnPlan frame={frame} pour={pour} hose={hose} />,
      }}
      before={
        <PourChoice
          pours={pours.map(({ span }) => ({ id: span.pour, name: span.name }))}
          shown={pour.span.pour}
          onChoose={(chosen) => {
            onPlace({ pour: chosen, figure: null });
          }}
        />
      }
      strip={(figure) => ({
        lit: figure && Object.keys(figure.pieces).length > 0 ? figure.pieces : null,
        over: (frame) =>
          rehearsing ? (
            <FillLayer frame={frame} levels={worked.levels} pour={pour} run={played.run} at={played.at} />
          ) : panel === 'top' ? (
            <>
              <EdgeLayer frame={frame} edges={worked.edges} levels={worked.levels} />
              <BoltLayer frame={frame} topoff={worked.topoff} />
            </>
          ) : (
            <LiftLayer frame={frame} levels={worked.levels} pour={pour} />
          ),
      })}
      summary={
        <Summary said={`if all goes to plan; a layer may wait ${showMinutes(pour.mix.working)}.`}>
          <strong>{showVolume(volumes.ordered.value, plan.units)}</strong> ordered in{' '}
          <strong>{volumes.loads.length}</strong> {volumes.loads.length === 1 ? 'load' : 'loads'} ·{' '}
          <strong>{pour.lifts.length}</strong> {pour.lifts.length === 1 ? 'lift' : 'lifts'} by{' '}
          {METHOD_WORDS[pour.method]}, {pour.crew} people · {timeOf(pour, 0)} to{' '}
          {timeOf(pour, pour.clock.finish)}
        </Summary>
      }
      tabs={{
        label: 'Parts of the pour',
        panels: POUR_PANELS,
        names: POUR_PANEL_NAMES,
        tools: (
          <a className="button mb-1" href={`/jobs/${job.id}/pours/${String(pours.indexOf(pour) + 1)}/board`}>
            Board of the pour day
          </a>
        ),
      }}
      figures={[
        ...figuresOfPour(worked.pour),
        ...worked.tally.courses.map((course) => course.coreVolume),
        worked.topoff.bolts,
        worked.topoff.boards,
        ...worked.edges.walls.map(({ volume }) => volume),
        ...worked.edges.boards.map(({ count }) => count),
      ]}
    >
      {({ wall, walls, open, onOpen }) => {
        const common = { job, pour, open, onOpen };
        return (
          <>
            {panel === 'lifts' && <LiftsPanel {...common} walls={walls} set={set} />}
            {panel === 'order' && <OrderPanel {...common} walls={walls} set={set} />}
            {panel === 'mix' && <MixPanel {...common} set={set} />}
            {panel === 'pressure' && <PressurePanel {...common} />}
            {rehearsing && (
              <RehearsalPanel job={job} pour={pour} played={played} rehearsal={rehearsal} seed={seed} />
            )}
            {panel === 'top' && (
              <TopPanel
                job={job}
                topoff={worked.topoff}
                edges={worked.edges}
                wall={wall}
                open={open}
                onOpen={onOpen}
              />
            )}
            {panel === 'ready' && <ReadyList job={job} pour={pour} />}
          </>
        );
      }}
    </StageFrame>
  );
}

/** The day of the pour: lifts and route, order and trucks, mix, pressure, a rehearsal, the top of the walls, and what must be true before. */
export function PourStage(props: StageProps) {
  const { worked } = props.job;
  if (!worked) return <Working />;
  const { pours } = worked.pour;
  const pour = pours.find(({ span }) => span.pour === props.place.pour) ?? pours[0];
  if (!pour || pour.volumes.walls.length === 0) return <NothingStands title={EMPTY} />;
  return <Poured key={pour.span.pour} {...props} pour={pour} pours={pours} />;
}
