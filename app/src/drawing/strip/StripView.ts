import type { WorkedPlan } from '@ombra/core/work';
import type { Place } from '../../job/place';
import type { StripFrame } from './stripGeometry';

/** What the parts of the strip are given: where it is laid out, what it shows, and where the user is on it. */
export interface StripView {
  readonly frame: StripFrame;
  readonly worked: WorkedPlan;
  readonly place: Place;
  readonly onPlace: (change: Partial<Place>) => void;
}
