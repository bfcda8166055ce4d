import { type ComponentType, createElement, useEffect, useState } from 'react';
import type { StageProps } from './stage';

type StageView = ComponentType<StageProps>;

/**
 * A stage as soon as it has been fetched. Not `lazy`: that would hold its first picture back for a third of a second,
 * fetched or not, and never ask again for one whose fetch has failed.
 */
function laterStage(fetch: () => Promise<StageView>, name: string) {
  let fetched: StageView | null = null;
  const get = async (): Promise<StageView> => (fetched ??= await fetch());
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
        <p className="font-semibold text-stop">The {name} could not be fetched; the server may be away.</p>
        <p className="mt-1 text-quiet">Your edits are kept, and the other stages go on.</p>
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

const footing = laterStage(async () => (await import('./footing/FootingStage')).FootingStage, 'footing');
const openings = laterStage(async () => (await import('./openings/OpeningsStage')).OpeningsStage, 'openings');

const steel = laterStage(async () => (await import('./steel/SteelStage')).SteelStage, 'steel');

const bracing = laterStage(async () => (await import('./bracing/BracingStage')).BracingStage, 'bracing');

const pour = laterStage(async () => (await import('./pour/PourStage')).PourStage, 'pour');

/** The forms read family files, and bring what that needs only when they are looked at. */
const forms = laterStage(async () => (await import('./forms/FormsStage')).FormsStage, 'forms');

export const FootingLater = footing.Later;
export const OpeningsLater = openings.Later;
export const SteelLater = steel.Later;
export const BracingLater = bracing.Later;
export const PourLater = pour.Later;
export const FormsLater = forms.Later;

/** Fetches the stages that the first view does without; once they are here, going to one does not wait. */
export const fetchStages = async (): Promise<void> => {
  await Promise.allSettled([footing.get(), openings.get(), steel.get(), bracing.get(), pour.get()]);
};
