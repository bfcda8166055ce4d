import { noticeGroups, withoutAside } from '@ombra/core/kernel/notices';
import type { Plan } from '@ombra/core/kernel/plan';
import { showQuantity } from '@ombra/core/kernel/figures';
import type { WorkedPlan } from '@ombra/core/work';
import { pathOf, planFrame } from '../drawing/plan/planGeometry';

/** Size of the small plan, in pixels. */
export const GLANCE_SIZE = { width: 64, height: 48 } as const;

/** A job at one look. */
export interface Glance {
  /** Its outlines as an SVG path of that size; empty where nothing stands. */
  readonly plan: string;
  /** `32.1 yd³`; null where no wall stands. */
  readonly concrete: string | null;
  readonly blocks: number;
  /** Open stops and checks, counted by cause. */
  readonly stop: number;
  readonly check: number;
}

/** What is shown of a job before it is opened. */
export function glanceOf(plan: Plan, { shell, tally, notices }: WorkedPlan): Glance {
  const frame = planFrame(shell, { ...GLANCE_SIZE, margin: 4 });
  const causes = noticeGroups(withoutAside(notices, plan.setAside).open);
  const count = (severity: 'stop' | 'check'): number =>
    causes.filter((cause) => cause.severity === severity).length;
  const blocks = tally.total.blocksBought.value;
  return {
    plan:
      frame === null
        ? ''
        : shell.loops
            .map(({ built, walked }) =>
              built ? pathOf(frame, built.outline.formOutside) : pathOf(frame, walked, false),
            )
            .join(''),
    concrete: blocks === 0 ? null : showQuantity(tally.total.coreVolume.value, 'volume', plan.units),
    blocks,
    stop: count('stop'),
    check: count('check'),
  };
}
