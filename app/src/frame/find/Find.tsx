import { type ComponentType, useEffect, useState } from 'react';
import type { PlaceChange } from '../../job/place';
import type { Job } from '../../job/useJob';
import { Dialog } from '../../ui/Dialog';

export interface FindProps {
  readonly job: Job;
  readonly onStage: (stage: string) => void;
  readonly onPlace: (change: PlaceChange) => void;
  readonly onRule: (rule: string) => void;
  /** Goes to a sheet, once everything is saved. */
  readonly onSheet: (to: string) => void;
  readonly onClose: () => void;
}

/** Fetches the list ahead, so that its field is there for the first letter. */
export const fetchFind = async (): Promise<ComponentType<FindProps>> => (await import('./FindList')).FindList;

/** Finds anything of a job by a few letters: a stage, a part of one, a wall, an opening, a house rule, a sheet. */
export function Find(props: FindProps) {
  // Only once the dialog stands: it would take the focus from a field that is there before.
  const [List, setList] = useState<ComponentType<FindProps> | null>(null);
  useEffect(() => {
    void fetchFind().then((list) => {
      setList(() => list);
    });
  }, []);
  return (
    <Dialog title="Find anything" open onClose={props.onClose}>
      {List && <List {...props} />}
    </Dialog>
  );
}
