import { type ComponentType, createElement, useEffect, useState } from 'react';
import type { StageProps } from './stage';

type StageView = ComponentType<StageProps>;

/**
 * A stage as soon as it has been fetched. Not `lazy`: that would hold its first picture back for a third of a second,
 * fetched or not.
 */
function laterStage(fetch: () => Promise<StageView>, name: string) {
  let fetched: StageView | null = null;
  const get = async (): Promise<StageView> => (fetched ??= await fetch());
  function Later(props: StageProps) {
    const [stage, setStage] = useState(() => fetched);
    useEffect(() => {
      if (stage) return;
      void get().then((found) => {
        setStage(() => found);
      });
    }, [stage]);
    return stage ? createElement(stage, props) : <p className="p-6 text-quiet">Fetching the {name} …</p>;
  }
  return { get, Later };
}

const footing = laterStage(async () => (await import('./footing/FootingStage')).FootingStage, 'footing');
const openings = laterStage(async () => (await import('./openings/OpeningsStage')).OpeningsStage, 'openings');

const steel = laterStage(async () => (await import('./steel/SteelStage')).SteelStage, 'steel');

const bracing = laterStage(async () => (await import('./bracing/BracingStage')).BracingStage, 'bracing');

const pour = laterStage(async () => (await import('./pour/PourStage')).PourStage, 'pour');

export const FootingLater = footing.Later;
export const OpeningsLater = openings.Later;
export const SteelLater = steel.Later;
export const BracingLater = bracing.Later;
export const PourLater = pour.Later;

/** Fetches the stages that the first view does without; once they are here, going to one does not wait. */
export const fetchStages = async (): Promise<void> => {
  await Promise.all([footing.get(), openings.get(), steel.get(), bracing.get(), pour.get()]);
};
