import { adjustPulls } from './footing/adjust';
import { pourNotices } from './notices/pourNotices';
import { buildPour } from './pour/buildPour';
import { buildTopOff } from './topoff/buildTopOff';
import type { LateStages } from './workWith';

/** What a first view does without, in one piece to be fetched. */
export const LATE_STAGES: LateStages = { adjustPulls, buildTopOff, buildPour, pourNotices };
