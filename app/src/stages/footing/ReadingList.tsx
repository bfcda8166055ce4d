import type { Shot, Survey, SurveyPass } from '@ombra/core/stages/footing';
import { type Length, readLength, showLength, USUAL } from '@ombra/core/kernel/measure';
import type { Wall } from '@ombra/core/stages/outline';
import { Plus, X } from 'lucide-react';
import { useRef, useState } from 'react';
import { LengthField } from '../../ui/LengthField';
import type { Job } from '../../job/useJob';
import { ScrollBox } from '../../ui/ScrollBox';
import { putShots, shotsIn } from './shots';

interface ReadingListProps {
  readonly job: Job;
  readonly wall: Wall;
  readonly pass: SurveyPass;
  readonly survey: Survey | null;
}

/** More readings than these are shown by the strip alone until they are asked for. */
const SHOWN = 60;

/** Readings on one wall, each editable, and a line to add the next one by keyboard. */
export function ReadingList({ job, wall, pass, survey }: ReadingListProps) {
  const { units } = job.plan;
  const shots = shotsIn(job, pass);
  const placeOf = (shot: Shot): number => {
    const reading = readLength(shot.at, units);
    return reading.ok ? reading.length : Number.MAX_SAFE_INTEGER;
  };
  // Kept in the order that they stand in while one of them is typed; sorted when the list is opened.
  const own = shots.filter((shot) => shot.wall === wall.id).sort((a, b) => placeOf(a) - placeOf(b));
  const [all, setAll] = useState(false);
  const [at, setAt] = useState('');
  const [reading, setReading] = useState('');
  const first = useRef<HTMLInputElement>(null);
  const judged = new Map((survey?.shots ?? []).map((shot) => [shot.id, shot]));
  const put = (shot: Shot, merge: string): void => {
    putShots(
      job,
      pass,
      shots.map((each) => (each.id === shot.id ? shot : each)),
      `shot:${shot.id}:${merge}`,
    );
  };
  const readable = readLength(at, units).ok && readLength(reading, units).ok;
  const addOne = (): void => {
    if (!readable) return;
    putShots(job, pass, [...shots, { id: job.freshId(), wall: wall.id, at, reading }]);
    setAt('');
    setReading('');
    first.current?.focus();
  };
  return (
    <section aria-label={`Readings on ${wall.name}`} className="min-w-0">
      <div className="flex items-baseline justify-between gap-2">
        <h3 className="heading">
          Readings on {wall.name}: from {wall.from}, down from the laser
        </h3>
        {own.length > 0 && (
          <button
            type="button"
            className="button plain text-sm"
            onClick={() => {
              putShots(
                job,
                pass,
                shots.filter((shot) => shot.wall !== wall.id),
              );
            }}
          >
            Remove these {own.length}
          </button>
        )}
      </div>
      <ScrollBox label="Readings" height="max-h-56">
        <table className="figures w-full border-collapse text-[16px]">
          <thead className="sr-only">
            <tr>
              <th scope="col">at</th>
              <th scope="col">reading</th>
              <th scope="col">below high point</th>
              <th scope="col">remove</th>
            </tr>
          </thead>
          <tbody>
            {own.slice(0, all ? own.length : SHOWN).map((shot, index) => {
              const found = judged.get(shot.id);
              const drop = found && survey?.high ? ((survey.high.height - found.height) as Length) : null;
              return (
                <tr key={shot.id} className="border-b border-line">
                  <td className="w-1/3 pr-1">
                    <LengthField
                      usual={USUAL.station}
                      label={`Reading ${String(index + 1)}: how far from ${wall.from}`}
                      text={shot.at}
                      units={units}
                      onType={(text) => {
                        put({ ...shot, at: text }, 'at');
                      }}
                      onLeave={job.endMerge}
                    />
                  </td>
                  <td className="w-1/3 pr-1">
                    <LengthField
                      usual={USUAL.rod}
                      label={`Reading ${String(index + 1)}: on the rod`}
                      text={shot.reading}
                      units={units}
                      onType={(text) => {
                        put({ ...shot, reading: text }, 'reading');
                      }}
                      onLeave={job.endMerge}
                    />
                  </td>
                  <td className="px-1 text-right text-record">
                    {drop === null
                      ? 'left out'
                      : drop === 0
                        ? 'high'
                        : `−${showLength(drop, units, { style: 'inches', partsPerInch: 32 })}`}
                  </td>
                  <td className="w-9">
                    <button
                      type="button"
                      className="button plain px-1.5"
                      aria-label={`Remove reading ${String(index + 1)}`}
                      onClick={() => {
                        putShots(
                          job,
                          pass,
                          shots.filter((each) => each.id !== shot.id),
                        );
                      }}
                    >
                      <X aria-hidden="true" size={15} />
                    </button>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
        {!all && own.length > SHOWN && (
          <button
            type="button"
            className="button plain"
            onClick={() => {
              setAll(true);
            }}
          >
            Show the other {own.length - SHOWN}
          </button>
        )}
      </ScrollBox>
      <form
        className="mt-2 flex items-start gap-1"
        onSubmit={(event) => {
          event.preventDefault();
          addOne();
        }}
      >
        <div className="grow">
          <LengthField
            usual={USUAL.station}
            inputRef={(element) => {
              first.current = element;
            }}
            label={`New reading: how far from ${wall.from}`}
            text={at}
            units={units}
            placeholder={`from ${wall.from}`}
            onType={setAt}
          />
        </div>
        <div className="grow">
          <LengthField
            usual={USUAL.rod}
            label="New reading: on the rod"
            text={reading}
            units={units}
            placeholder="on the rod"
            onType={setReading}
          />
        </div>
        <button type="submit" className="button" disabled={!readable}>
          <Plus aria-hidden="true" size={14} /> Reading
        </button>
      </form>
    </section>
  );
}
