import type { WorkedKey } from '@ombra/core/kernel/engine';
import type { Entry, Laid } from '@ombra/core/kernel/record';
import { rulesOf } from '@ombra/core/rules';
import { wallsOf } from '@ombra/core/stages/outline';
import { type TodayCard, coursesOfWall, nextCourse, todayCard, workOnWall } from '@ombra/core/today';
import type { WorkedPlan } from '@ombra/core/worked';
import { formatISO } from 'date-fns';
import { Check, StepBack, StepForward, Undo2 } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { newId } from '../ids';
import { AwayLine } from '../away/AwayLine';
import { OthersHere } from '../live/OthersHere';
import { JobAlerts } from '../job/JobAlerts';
import { StaleDialog } from '../job/StaleDialog';
import { mayWriteHere } from '../job/role';
import { keptName } from '../job/signature';
import { type Job, type OpenJob, useJob } from '../job/useJob';
import { CardView } from './CardView';
import { rememberCard, rememberedCard } from './rememberedCard';
import { Remembered } from './TodayPage';
import { spoken } from './todayWords';
import { useVoice } from './useVoice';
import { siteNow } from '../job/clock';

const SHOWS: readonly WorkedKey[] = ['shell', 'levels', 'openings', 'courses', 'steel', 'bracing', 'days'];

interface DayProps {
  readonly job: Job;
  readonly worked: WorkedPlan;
}

/** What was chosen; without a course, the next one to lay. */
interface Chosen {
  readonly wall: string;
  readonly course: number | null;
  /** Whether it comes from the last visit. */
  readonly remembered?: boolean;
}

const isLaid = (laid: Laid | undefined, wall: string | undefined, course: number | null): boolean =>
  laid?.rows.some((row) => row.wall === wall && row.course === course) === true;

/** Which wall and course are shown, and the piece that comes next. */
function usePlaceToday({ job, worked }: DayProps) {
  const walls = useMemo(() => wallsOf(worked.shell), [worked.shell]);
  const laid = job.log.onSite?.laid;
  const [known] = useState(() => rememberedCard(job.id));
  const [chosen, setChosen] = useState<Chosen | null>(
    known && { wall: known.card.wall, course: known.card.course, remembered: true },
  );
  const wall = walls.find(({ id }) => id === chosen?.wall) ?? walls[0];
  const courses = wall ? coursesOfWall(worked, wall.id) : [];
  const next = wall ? nextCourse(worked, laid, wall.id) : null;
  // The course of the last visit may have been laid since.
  const stale = chosen?.remembered === true && isLaid(laid, wall?.id, chosen.course);
  const course =
    (stale ? undefined : courses.find((each) => each === chosen?.course)) ?? next ?? courses.at(-1) ?? null;
  const card = wall && course !== null ? todayCard(worked, laid, wall.id, course) : null;
  const place = card ? `${card.wall}:${String(card.course)}` : '';
  const [pointer, setPointer] = useState({
    place: known ? `${known.card.wall}:${String(known.card.course)}` : '',
    at: known?.at ?? 0,
  });
  const at = pointer.place === place ? Math.min(pointer.at, card?.pieces.length ?? 0) : 0;
  return {
    walls,
    courses,
    card,
    at,
    setAt: (to: number) => {
      setPointer({ place, at: Math.max(0, Math.min(to, card?.pieces.length ?? 0)) });
    },
    goTo: (to: string, which: number | null = null) => {
      setChosen({ wall: to, course: which });
    },
  };
}

/** A wall of a course that was recorded on this page. */
interface Recorded {
  readonly id: string;
  readonly what: string;
}

/** An entry of this moment, under the name that this browser signs with. */
function written(job: Job, entry: Partial<Entry>): string {
  const id = newId();
  job.log.add({ id, at: formatISO(siteNow()), who: keptName(), ...entry } as Entry);
  return id;
}

/** Records a wall of a course as laid with one press; what needs a second one says why. */
function Recorder({
  job,
  worked,
  card,
  onRecorded,
}: DayProps & { readonly card: TodayCard; readonly onRecorded: (recorded: Recorded) => void }) {
  const [asked, setAsked] = useState(false);
  const what = `${card.name}, course ${String(card.course)}`;
  const record = (): void => {
    if (card.hold?.blocks === true && !asked) {
      setAsked(true);
      return;
    }
    const day = formatISO(siteNow(), { representation: 'date' });
    const body = workOnWall(worked, rulesOf(job.plan), { wall: card.wall, course: card.course, day });
    if (body) onRecorded({ id: written(job, { kind: 'work', body }), what });
  };
  return (
    <button
      type="button"
      className={`button min-h-14 grow text-lg ${asked ? 'border-stop! text-stop' : 'strong'}`}
      disabled={card.laid}
      onClick={record}
    >
      <Check aria-hidden="true" />
      {asked && !card.laid ? `Not signed: ${card.hold?.name ?? ''}. Record anyway` : `Laid: ${what}`}
    </button>
  );
}

function Day({ job, worked }: DayProps) {
  const { walls, courses, card, at, setAt, goTo } = usePlaceToday({ job, worked });
  const voice = useVoice();
  const [recorded, setRecorded] = useState<Recorded | null>(null);
  const mayWrite = mayWriteHere();
  const { name, units } = job.plan;
  useEffect(() => {
    if (card)
      rememberCard({
        job: job.id,
        name,
        units,
        card,
        at,
        walls: walls.map(({ id, name: own }) => ({ id, name: own })),
      });
  }, [job.id, name, units, card, at, walls]);
  if (!card)
    return <p className="p-4 text-xl">No walls to lay yet. The outline is not drawn, or does not close.</p>;
  const step = (to: number): void => {
    setAt(to);
    const piece = card.pieces[to];
    voice.say(piece ? spoken(piece, units) : 'That was the last one.');
  };
  return (
    <>
      <div className="mx-auto w-full max-w-3xl p-4 pb-32">
        <CardView
          jobId={job.id}
          card={card}
          walls={walls}
          units={units}
          at={at}
          onAt={step}
          onWall={goTo}
          onCourse={(by) => {
            const to = courses[courses.indexOf(card.course) + by];
            if (to !== undefined) goTo(card.wall, to);
          }}
        />
        {voice.there && (
          <label className="mt-4 flex min-h-12 items-center gap-2 text-lg">
            <input
              type="checkbox"
              className="size-6 accent-chalk"
              checked={voice.on}
              onChange={(event) => {
                voice.set(event.currentTarget.checked);
              }}
            />
            Read the next piece aloud
          </label>
        )}
      </div>
      <div className="no-print fixed inset-x-0 bottom-0 z-10 border-t-2 border-ink bg-paper p-2">
        {recorded && (
          <p role="status" className="mx-auto flex max-w-3xl items-center gap-2 pb-2 text-lg">
            <span className="min-w-0 grow text-record">Recorded: {recorded.what}</span>
            <button
              type="button"
              className="button min-h-12"
              onClick={() => {
                written(job, {
                  kind: 'withdrawn',
                  body: { why: 'pressed by mistake' },
                  corrects: recorded.id,
                });
                setRecorded(null);
              }}
            >
              <Undo2 aria-hidden="true" /> Take back
            </button>
          </p>
        )}
        <div className="mx-auto flex max-w-3xl flex-wrap gap-2">
          <button
            type="button"
            className="button min-h-14 min-w-14"
            aria-label="Piece before"
            disabled={at === 0 || card.laid}
            onClick={() => {
              step(at - 1);
            }}
          >
            <StepBack aria-hidden="true" />
          </button>
          <button
            type="button"
            className="button min-h-14 grow text-lg"
            disabled={at >= card.pieces.length || card.laid}
            onClick={() => {
              step(at + 1);
            }}
          >
            <StepForward aria-hidden="true" /> Next
          </button>
          {mayWrite && (
            <Recorder
              key={`${card.wall}:${String(card.course)}`}
              job={job}
              worked={worked}
              card={card}
              onRecorded={(done) => {
                setRecorded(done);
                // On to the next course of this wall.
                goTo(card.wall);
              }}
            />
          )}
        </div>
      </div>
    </>
  );
}

/** The first pour that the log does not have as done, counted from 1; the last where all are. */
function nextPour({ plan, log }: Job): number {
  const done = new Set(log.onSite?.record.poured);
  const at = plan.pours.findIndex(({ id }) => !done.has(id));
  return (at < 0 ? plan.pours.length - 1 : at) + 1;
}

/** Today’s view of an open job, live. */
export default function LiveToday({ open }: { readonly open: OpenJob }) {
  const job = useJob(open, SHOWS);
  const { worked } = job;
  return (
    <div className="min-h-screen">
      <header className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-line px-4 py-1">
        <h1 className="min-w-0 grow truncate text-lg font-semibold">
          {job.plan.name || 'Job without a name'}
        </h1>
        <OthersHere names={job.others} />
        <nav aria-label="Job" className="flex gap-1">
          <a className="button min-h-11" href={`/jobs/${job.id}/courses`}>
            All stages
          </a>
          <a className="button min-h-11" href={`/jobs/${job.id}/pours/${String(nextPour(job))}/board`}>
            Pour
          </a>
        </nav>
        <AwayLine job={job} />
      </header>
      <JobAlerts open={open} job={job} />
      {worked ? <Day job={job} worked={worked} /> : <Remembered jobId={job.id} named={false} />}
      <StaleDialog jobId={job.id} job={job} />
    </div>
  );
}
