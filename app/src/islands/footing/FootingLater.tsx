import { type ComponentType, createElement, useEffect, useState } from 'react';
import type { StageProps } from '../stage';

let fetched: ComponentType<StageProps> | null = null;

/** Fetches the footing's stage; once it is here, going to it does not wait. */
export async function fetchFooting(): Promise<ComponentType<StageProps>> {
  fetched ??= (await import('./FootingStage')).FootingStage;
  return fetched;
}

/**
 * The footing's stage as soon as it has been fetched. Not `lazy`: that would hold its first picture back for a third of a
 * second, fetched or not.
 */
export function FootingLater(props: StageProps) {
  const [stage, setStage] = useState(() => fetched);
  useEffect(() => {
    if (stage) return;
    void fetchFooting().then((found) => {
      setStage(() => found);
    });
  }, [stage]);
  return stage ? createElement(stage, props) : <p className="p-6 text-quiet">Fetching the footing …</p>;
}
