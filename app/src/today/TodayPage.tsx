import { Suspense, lazy, useState } from 'react';
import type { OpenJob } from '../job/useJob';
import { CardView } from './CardView';
import { rememberedCard } from './rememberedCard';

const LiveToday = lazy(() => import('./LiveToday'));

interface RememberedProps {
  readonly jobId: string;
  /** Whether it is headed by the job’s name, where nothing else is yet. */
  readonly named?: boolean;
}

/** The card as it was last seen, until the plan is worked. */
export function Remembered({ jobId, named = true }: RememberedProps) {
  const [known] = useState(() => rememberedCard(jobId));
  if (!known) return <p className="p-4 text-xl">Working the plan …</p>;
  return (
    <div className="mx-auto max-w-3xl p-4 pb-28">
      {named && <h1 className="mb-3 text-lg font-semibold">{known.name}</h1>}
      <CardView jobId={jobId} card={known.card} walls={known.walls} units={known.units} at={known.at} />
    </div>
  );
}

/** My wall and course today. */
export function TodayPage({ job }: { readonly job: OpenJob }) {
  return (
    <Suspense fallback={<Remembered jobId={job.id} />}>
      <LiveToday open={job} />
    </Suspense>
  );
}
