import { type ComponentType, createElement, useEffect, useState } from 'react';
import { askWorked } from '../job/firstWorked';
import { VIEWS, viewOf } from '../stages';
import type { StageProps } from './stage';

type Shown = ComponentType<StageProps>;

/**
 * A stage as soon as it has been fetched. Not `lazy`: that would hold its first picture back for a third of a second,
 * fetched or not, and never ask again for one whose fetch has failed.
 */
function laterStage(fetch: () => Promise<Shown>, name: string) {
  let fetched: Shown | null = null;
  const get = async (): Promise<Shown> => (fetched ??= await fetch());
  function Later(props: StageProps) {
    const [stage, setStage] = useState(() => fetched);
    const [tries, setTries] = useState(0);
    const [failed, setFailed] = useState(false);
    useEffect(() => {
      if (stage) return;
      get().then(
        (found) => {
          setStage(() => found);
        },
        () => {
          setFailed(true);
        },
      );
    }, [stage, tries]);
    if (stage) return createElement(stage, props);
    if (!failed) return <p className="p-6 text-quiet">Fetching the {name} …</p>;
    return (
      <div role="alert" className="p-6">
        <p className="font-semibold text-stop">
          The {name} view could not be loaded. The server may be offline.
        </p>
        <p className="mt-1 text-quiet">Your edits are kept, and the other stages still work.</p>
        <p className="mt-3 flex gap-2">
          <button
            type="button"
            className="button strong"
            onClick={() => {
              setFailed(false);
              setTries(tries + 1);
            }}
          >
            Try again
          </button>
          <button
            type="button"
            className="button"
            onClick={() => {
              location.reload();
            }}
          >
            Reload the page
          </button>
        </p>
      </div>
    );
  }
  return { get, Later };
}

const laterViews = new Map(VIEWS.map((view) => [view.id, laterStage(view.load, view.name.toLowerCase())]));

/** A view by its id; it is fetched when it is first shown. */
export function LaterView({ id, ...props }: StageProps & { readonly id: string }) {
  const view = laterViews.get(id);
  return view ? createElement(view.Later, { ...props, key: id }) : null;
}

/** Fetches all views, so that going to one does not wait. */
export const fetchViews = async (): Promise<void> => {
  await Promise.allSettled([...laterViews.values()].map(({ get }) => get()));
};

// The view in the address, and what is worked for it, are fetched while the page is still being put together, not after it.
if (typeof location !== 'undefined') {
  const [, jobs, jobId, stage] = location.pathname.split('/');
  const view = viewOf(stage);
  if (jobs === 'jobs' && jobId !== undefined && view) {
    askWorked(jobId, view.shows);
    void laterViews
      .get(view.id)
      ?.get()
      .catch(() => undefined);
  }
}
