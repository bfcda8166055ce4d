import { bracingStage } from './bracing/stage';
import { bucksStage } from './bucks/stage';
import { coursesStage } from './courses/stage';
import { daysStage } from './days/stage';
import { edgesStage } from './edges/stage';
import { footingStage } from './footing/stage';
import { insertsStage } from './inserts/stage';
import { openingsStage } from './openings/stage';
import { orderStage } from './order/stage';
import { outlineStage } from './outline/stage';
import { pourStage } from './pour/stage';
import { steelStage } from './steel/stage';
import { tallyStage } from './tally/stage';
import { topoffStage } from './topoff/stage';
import type { Stage } from '../kernel/engine/stage';

/** What a plan is worked through, in the order of the work. A new stage is its folder and its line here. */
export const STAGES: readonly Stage[] = [
  outlineStage,
  footingStage,
  openingsStage,
  coursesStage,
  insertsStage,
  bucksStage,
  tallyStage,
  steelStage,
  bracingStage,
  edgesStage,
  topoffStage,
  pourStage,
  daysStage,
  orderStage,
];
