import { rulesOf } from '@ombra/core/rules';
import { showLength } from '@ombra/core/kernel/measure';
import { useMemo, useState } from 'react';
import { BRACING_PANELS, BRACING_PANEL_NAMES } from './panels';
import { PourChoice } from '../../frame/PourChoice';
import type { StageProps } from '../../frame/stage';
import { StageFrame, Summary, Working } from '../../frame/StageFrame';
import { BraceLayer } from './BraceLayer';
import { BraceTicks } from './BraceTicks';
import { GroundLayer } from './GroundLayer';
import { GearPanel } from './GearPanel';
import { LinePanel } from './LinePanel';
import { WallsPanel } from './WallsPanel';
import { WindPanel } from './WindPanel';

/** Braces, the planks over them, and the line that they hold: on the strip, by wall, as gear, against the wind. */
export function BracingStage({ job, place, onPlace, onStage }: StageProps) {
  const { worked, plan } = job;
  const [brace, setBrace] = useState<string | null>(null);
  const rules = useMemo(() => rulesOf(plan), [plan]);
  if (!worked) return <Working />;
  const { bracing } = worked;
  const pour = bracing.pours.find(({ pour: id }) => id === place.pour) ?? bracing.pours[0];
  const shown = pour?.walls ?? [];
  const bracesOn = (id: string): string => {
    const own = shown.find((each) => each.wall === id);
    return own ? (own.way === 'waler' ? 'waler' : String(own.braces.length)) : '';
  };
  const braces = shown.reduce((sum, each) => sum + each.braces.length, 0);
  const planks = shown.reduce((sum, each) => sum + each.abreast * each.planks.length, 0);
  return (
    <StageFrame
      job={job}
      place={place}
      onPlace={onPlace}
      onStage={onStage}
      stage="bracing"
      worked={worked}
      empty="No walls to brace yet"
      stands={bracing.walls.length > 0}
      aside={{
        heading: 'Walls: braces',
        figure: (each) => bracesOn(each.id),
        over: (frame) => <BraceTicks shell={worked.shell} walls={shown} frame={frame} />,
        onChoose: () => {
          setBrace(null);
        },
      }}
      before={
        pour && (
          <PourChoice
            pours={bracing.pours.map(({ pour: id, name }) => ({ id, name }))}
            shown={pour.pour}
            onChoose={(chosen) => {
              setBrace(null);
              onPlace({ pour: chosen, figure: null });
            }}
          />
        )
      }
      strip={{
        over: (frame) => (
          <>
            <BraceLayer frame={frame} walls={shown} straps={bracing.straps} chosen={brace} />
            <GroundLayer frame={frame} walls={shown} units={plan.units} />
          </>
        ),
      }}
      summary={
        <Summary
          said={`Braces go up at course ${String(rules.count('bracing.first.courses'))}, and before the wall is left overnight.`}
        >
          <strong>{braces}</strong> braces{' '}
          {bracing.spacing && (
            <>
              up to <strong>{showLength(bracing.spacing.spacing, plan.units)}</strong> apart{' '}
            </>
          )}
          · <strong>{planks}</strong> planks · boards over <strong>{bracing.straps.boards.length}</strong>{' '}
          weak places
        </Summary>
      }
      tabs={{ label: 'Parts of the bracing', panels: BRACING_PANELS, names: BRACING_PANEL_NAMES }}
      figures={bracing.gear.map((line) => line.wanted)}
    >
      {({ panel, wall, walls, open, onOpen }) => (
        <>
          {panel === 'walls' && (
            <WallsPanel
              job={job}
              bracing={bracing}
              braced={shown}
              wall={wall}
              chosen={brace}
              onChoose={setBrace}
            />
          )}
          {panel === 'gear' && <GearPanel job={job} bracing={bracing} open={open} onOpen={onOpen} />}
          {panel === 'wind' && <WindPanel job={job} wind={pour?.wind ?? []} braced={shown} walls={walls} />}
          {panel === 'line' && <LinePanel job={job} bracing={bracing} braced={shown} wall={wall} />}
        </>
      )}
    </StageFrame>
  );
}
