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

/** Finds anything of a job by a few letters: a stage, a part of one, a wall, an opening, a house rule, a sheet. */
export function Find(props: FindProps) {
  const [List, setList] = useState<ComponentType<FindProps> | null>(null);
  useEffect(() => {
    void import('./FindList').then(({ FindList }) => {
      setList(() => FindList);
    });
  }, []);
  return (
    <Dialog title="Find anything" open onClose={props.onClose}>
      {List && <List {...props} />}
    </Dialog>
  );
}
