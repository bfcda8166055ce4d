import { type Length, type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import type { Survey } from '@ombra/core/stages/footing';
import type { Wall } from '@ombra/core/stages/outline';
import type { WorkedPlan } from '@ombra/core/work';
import { useState } from 'react';
import { Choice } from '../../ui/Choice';
import type { Place } from '../../job/place';
import type { Job } from '../../job/useJob';
import { ReadingList } from './ReadingList';
import { ReceiverBox } from './ReceiverBox';
import { SurveyFileBox } from './SurveyFileBox';

interface LevelPanelProps {
  readonly job: Job;
  readonly worked: WorkedPlan;
  readonly wall: Wall;
  readonly place: Place;
  readonly onPlace: (change: Partial<Place>) => void;
}

const inInches = (length: Length, units: UnitSystem): string =>
  showLength(length, units, { style: 'inches' });

/** The survey in a few lines: high point, how far out, shims by thickness. */
function Summary({
  survey,
  worked,
  onRock,
}: {
  readonly survey: Survey | null;
  readonly worked: WorkedPlan;
  readonly onRock: boolean;
}) {
  const { units } = worked;
  const nameOf = (id: string): string =>
    worked.shell.loops.flatMap((loop) => loop.built?.walls ?? []).find((wall) => wall.id === id)?.name ?? '';
  if (!survey?.high) {
    return (
      <p className="text-quiet">
        Take a reading at about every block, from the laser down to the concrete. The smallest reading is the
        high point.
      </p>
    );
  }
  const { high } = survey;
  return (
    <div className="flex flex-col gap-2">
      <dl className="figures grid grid-cols-[auto_1fr] gap-x-3 text-[17px]">
        <dt className="text-quiet">Readings</dt>
        <dd className="text-right font-semibold">{survey.shots.length}</dd>
        <dt className="text-quiet">High point</dt>
        <dd className="text-right font-semibold text-chalk">
          {nameOf(high.wall)} {showLength(high.at, units)}
        </dd>
        <dt className="text-quiet">Lowest to highest</dt>
        <dd className="text-right font-semibold text-record">{inInches(survey.outOfLevel, units)}</dd>
        {!onRock && (
          <>
            <dt className="text-quiet">Shims in all, one per spot</dt>
            <dd className="text-right font-semibold">{inInches(survey.total, units)}</dd>
          </>
        )}
      </dl>
      {!onRock && survey.pastLimit.length > 0 && (
        <p className="text-sm text-check">
          <span aria-hidden="true">▲</span> {survey.pastLimit.length} places out of tolerance.
        </p>
      )}
      {!onRock && (
        <div>
          <h3 className="heading">Shims by thickness</h3>
          {survey.thicknesses.length === 0 ? (
            <p className="text-sm">None needed: it is level.</p>
          ) : (
            <ul className="figures flex flex-wrap gap-x-4 text-[16px]">
              {survey.thicknesses.map(({ shim, places }) => (
                <li key={shim}>
                  <span className="felt">{inInches(shim, units)}</span> × {places}
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
    </div>
  );
}

/** The level survey: its readings, where they come from, and the shims that follow. */
export function LevelPanel({ job, worked, wall, place, onPlace }: LevelPanelProps) {
  const [source, setSource] = useState<'receiver' | 'file'>('receiver');
  const { pass } = place;
  const survey = pass === 'footing' ? worked.footing.survey : worked.footing.after;
  return (
    <div className="grid grid-cols-[250px_minmax(0,1fr)_290px] gap-6 max-lg:grid-cols-2 max-md:grid-cols-1">
      <div className="flex flex-col gap-3">
        <Choice
          label="Survey of"
          name="survey-pass"
          value={pass}
          options={[
            { value: 'footing', label: worked.footing.bases.kind === 'rock' ? 'the rock' : 'the footing' },
            { value: 'first-course', label: 'first course' },
          ]}
          onChoose={(next) => {
            onPlace({ pass: next });
          }}
        />
        <Summary
          survey={survey}
          worked={worked}
          onRock={pass === 'footing' && worked.footing.bases.kind === 'rock'}
        />
      </div>
      <ReadingList job={job} wall={wall} pass={pass} survey={survey} />
      <div className="flex flex-col gap-2 max-lg:col-span-2 max-md:col-span-1">
        <Choice
          label="Add readings from"
          name="survey-source"
          value={source}
          options={[
            { value: 'receiver', label: 'laser receiver' },
            { value: 'file', label: 'file or paste' },
          ]}
          onChoose={setSource}
        />
        {source === 'receiver' ? (
          <ReceiverBox key={pass} job={job} worked={worked} wall={wall} pass={pass} />
        ) : (
          <SurveyFileBox job={job} worked={worked} pass={pass} />
        )}
      </div>
    </div>
  );
}
