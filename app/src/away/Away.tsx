import { Suspense, lazy, useEffect, useState } from 'react';
import type { OpenJob } from '../job/useJob';
import { Remembered, TodayPage } from '../today/TodayPage';
import { type AwayPlace, placeOf } from './awayPlace';
import type { TakenJob } from './takenJobs';

const AwayWorkbench = lazy(() => import('./AwayWorkbench'));
const AwaySheet = lazy(() => import('./AwaySheet'));
const AwayList = lazy(() => import('./AwayList'));
const PourBoard = lazy(async () => ({
  default: (await import('../stages/pour/board/PourBoard')).PourBoard,
}));

/** The theme that was chosen: the shell was made before anybody chose one. */
function takeTheme(board: boolean): void {
  const name = board ? 'ombra-board-theme' : 'ombra-theme';
  const kept = document.cookie
    .split('; ')
    .find((each) => each.startsWith(`${name}=`))
    ?.slice(name.length + 1);
  document.documentElement.dataset['theme'] = kept ?? (board ? 'sun' : 'day');
}

/** What the address shows, of a job that was taken along. */
function Shown({ place, taken }: { readonly place: AwayPlace; readonly taken: TakenJob }) {
  const [job] = useState((): OpenJob => ({
    id: taken.id,
    version: taken.version,
    plan: taken.plan,
    away: true,
  }));
  switch (place.kind) {
    case 'today':
      return <TodayPage job={job} />;
    case 'board':
      return <PourBoard job={job} number={place.number} />;
    case 'sheet':
      return <AwaySheet job={job} at={taken.at} sheet={place.sheet} />;
    case 'stage':
      return <AwayWorkbench job={job} stage={place.stage} panel={place.panel} />;
    case 'list':
      return null;
  }
}

/** The program without signal: it finds its job in this device. */
export function Away() {
  const [place] = useState(() => placeOf(location.pathname));
  const [job, setJob] = useState<TakenJob | 'none' | null>(null);
  const id = place?.kind === 'list' ? null : (place?.job ?? null);
  useEffect(() => {
    takeTheme(place?.kind === 'board');
    if (id === null) return;
    // Reading plans takes a good part of the program: the card of before is on screen first.
    void import('./takenJobs').then(async ({ takenJob }) => {
      const taken = await takenJob(id);
      if (taken) document.documentElement.dataset['role'] = taken.role;
      setJob(taken ?? 'none');
    });
  }, [id, place]);
  if (place === null || id === null || job === 'none') {
    return (
      <Suspense fallback={null}>
        <AwayList missing={id !== null || place === null} />
      </Suspense>
    );
  }
  const waiting =
    place.kind === 'today' ? <Remembered jobId={id} /> : <p className="p-6 text-xl">Opening the job …</p>;
  if (job === null) return waiting;
  return (
    <Suspense fallback={waiting}>
      <Shown place={place} taken={job} />
    </Suspense>
  );
}
