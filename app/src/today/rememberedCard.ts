import type { UnitSystem } from '@ombra/core/kernel/measure';
import type { TodayCard } from '@ombra/core/today';
import { device } from '../remembered';

/** The card as it was last seen on this device: on screen at once, while the plan is still being worked. */
export interface RememberedCard {
  readonly job: string;
  readonly name: string;
  readonly units: UnitSystem;
  readonly card: TodayCard;
  readonly walls: readonly { readonly id: string; readonly name: string }[];
  /** The piece that comes next. */
  readonly at: number;
}

/** Changes with the shape of what is remembered. */
export const rememberedKey = (job: string): string => `ombra.today.1.${job}`;

export function rememberedCard(job: string): RememberedCard | null {
  try {
    return JSON.parse(device.get(rememberedKey(job)) ?? 'null') as RememberedCard | null;
  } catch {
    return null;
  }
}

export function rememberCard(remembered: RememberedCard): void {
  device.set(rememberedKey(remembered.job), JSON.stringify(remembered));
}
