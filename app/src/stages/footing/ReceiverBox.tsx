import { rulesOf } from '@ombra/core/rules';
import { type Shot, type SurveyPass, rodPlace } from '@ombra/core/stages/footing';
import {
  type Length,
  type UnitSystem,
  nanometres,
  readLength,
  showLength,
  storeLength,
  USUAL,
} from '@ombra/core/kernel/measure';
import { type Wall, wallsOf } from '@ombra/core/stages/outline';
import type { WorkedPlan } from '@ombra/core/work';
import { Radio, Square } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { LengthField } from '../../ui/LengthField';
import type { Job } from '../../job/useJob';
import { putShots, shotsIn } from './shots';
import { type ReceiverEvent, takeReading } from './receiverClient';

interface ReceiverBoxProps {
  readonly job: Job;
  readonly worked: WorkedPlan;
  readonly wall: Wall;
  readonly pass: SurveyPass;
}

interface Spot {
  readonly wall: Wall;
  readonly at: Length;
}

interface Run {
  readonly done: number;
  readonly of: number;
  readonly spot: Spot;
  readonly event: ReceiverEvent | null;
}

/** Where the rod is set down along a wall: so far apart, and at its far end where the walk ends there. */
function spotsOn(wall: Wall, every: Length, withEnd: boolean): readonly Spot[] {
  const count = Math.max(1, Math.ceil(wall.measured / every));
  return Array.from({ length: count + (withEnd ? 1 : 0) }, (_, index) => ({
    wall,
    at: Math.min(index * every, wall.measured) as Length,
  }));
}

const saysOf = (event: ReceiverEvent | null, units: UnitSystem): string => {
  if (!event) return 'waiting for the receiver …';
  if (event.kind === 'no-beam') return 'no beam: turn the receiver to the laser';
  if (event.kind === 'out-of-range') return 'out of range: move the receiver on the rod';
  return showLength(nanometres(event.millimetres * 1e6), units, { partsPerInch: 32 });
};

const isAt = (shot: Shot, at: Length, units: UnitSystem): boolean => {
  const reading = readLength(shot.at, units);
  return reading.ok && reading.length === at;
};

/** Readings streamed from a laser receiver, spot after spot; each is kept as it comes, and the run can be stopped. */
export function ReceiverBox({ job, worked, wall, pass }: ReceiverBoxProps) {
  const { units } = job.plan;
  const [every, setEvery] = useState(units === 'imperial' ? '4ft' : '1200mm');
  const [run, setRun] = useState<Run | null>(null);
  const [report, setReport] = useState<readonly string[]>([]);
  const stopper = useRef<AbortController | null>(null);
  const latest = useRef(job);
  useEffect(() => {
    latest.current = job;
  });
  useEffect(
    () => () => {
      stopper.current?.abort();
    },
    [],
  );
  const reading = readLength(every, units);
  const spacing = reading.ok && reading.length >= 100_000_000 ? reading.length : null;
  const start = async (spots: readonly Spot[]): Promise<void> => {
    const controller = new AbortController();
    stopper.current?.abort();
    stopper.current = controller;
    const wanted = rulesOf(latest.current.plan).count('footing.receiver.readings');
    const merge = `receiver:${job.freshId()}`;
    const missed: string[] = [];
    let [done, read] = [0, 0];
    setReport([]);
    for (const spot of spots) {
      const show = (event: ReceiverEvent | null): void => {
        setRun({ done, of: spots.length, spot, event });
      };
      show(null);
      const taken = await takeReading(
        { job: job.id, pass, ...rodPlace(worked.shell, worked.levels, spot.wall, spot.at) },
        wanted,
        controller.signal,
        show,
      );
      if (taken.kind === 'stopped') break;
      if (taken.kind === 'nothing') {
        missed.push(`${spot.wall.name} ${showLength(spot.at, units)}: ${taken.why}, skipped`);
        if (taken.why === 'receiver not answering') break;
      } else {
        const now = latest.current;
        const at = storeLength(spot.at, units);
        const shot: Shot = {
          id: now.freshId(),
          wall: spot.wall.id,
          at,
          reading: storeLength(taken.length, units),
        };
        // A new reading takes the place of an older one at the same spot.
        const others = shotsIn(now, pass).filter(
          (each) => each.wall !== shot.wall || !isAt(each, spot.at, units),
        );
        putShots(now, pass, [...others, shot], merge);
        read += 1;
      }
      done += 1;
      // The next spot must see the plan with this reading in it.
      await new Promise((resolve) => setTimeout(resolve, 30));
    }
    latest.current.endMerge();
    setRun(null);
    setReport([
      `${String(read)} of ${String(spots.length)} spots read${controller.signal.aborted ? ', then stopped' : ''}.`,
      ...missed,
    ]);
  };
  const walls = wallsOf(worked.shell);
  const round = (list: readonly Wall[]): readonly Spot[] =>
    spacing === null
      ? []
      : list.flatMap((each) => {
          const open = worked.shell.loops.find((loop) => loop.id === each.loop)?.built;
          return spotsOn(each, spacing, open?.open === true && open.walls.at(-1)?.id === each.id);
        });
  return (
    <div className="flex flex-col gap-2">
      <p className="text-sm text-quiet">
        Simulated receiver. It loses the beam and runs out of range as a real one does.
      </p>
      {run === null && (
        <div>
          <span className="heading mb-0.5 block">Reading every</span>
          <LengthField
            usual={USUAL.spacing}
            label="Reading every"
            text={every}
            units={units}
            onType={setEvery}
          />
          {spacing === null && <p className="text-sm text-stop">Give a spacing of 4 in or more.</p>}
        </div>
      )}
      {run === null ? (
        <div className="flex flex-wrap gap-1.5">
          <button
            type="button"
            className="button strong"
            disabled={spacing === null}
            onClick={() => {
              void start(round([wall]));
            }}
          >
            <Radio aria-hidden="true" size={15} /> Read {wall.name}
          </button>
          <button
            type="button"
            className="button"
            disabled={spacing === null}
            onClick={() => {
              void start(round(walls));
            }}
          >
            <Radio aria-hidden="true" size={15} /> Read all walls
          </button>
        </div>
      ) : (
        <div className="lifted p-2">
          <p className="figures text-[17px]">
            Rod on <strong>{run.spot.wall.name}</strong> at {showLength(run.spot.at, units)}
          </p>
          <p className="figures text-2xl font-semibold text-record">{saysOf(run.event, units)}</p>
          <progress
            className="mt-1 w-full accent-record"
            value={run.done}
            max={run.of}
            aria-label="Spots read"
          />
          <div className="flex items-center justify-between">
            <span className="figures text-sm">
              {run.done} of {run.of} spots
            </span>
            <button
              type="button"
              className="button"
              onClick={() => {
                stopper.current?.abort();
              }}
            >
              <Square aria-hidden="true" size={13} /> Stop
            </button>
          </div>
        </div>
      )}
      <ul role="status" className="text-sm">
        {report.slice(0, 8).map((line, index) => (
          <li key={line} className={index === 0 ? 'text-record' : 'text-check'}>
            {line}
          </li>
        ))}
        {report.length > 8 && <li className="text-check">and {report.length - 8} more skipped.</li>}
      </ul>
    </div>
  );
}
