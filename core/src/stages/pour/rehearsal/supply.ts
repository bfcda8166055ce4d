import { roundedUp } from '../../../kernel/figures/how';
import type { Day } from './day';
import { NOTHING } from './layers';
import type { Underway } from './underway';

/** A day that wants this many loads more than planned is called off: more would tell nothing new. [ours] */
const MOST_EXTRA = 40;

/** A load that was called for on the day: when, and how much of it. */
interface Called {
  readonly at: number;
  /** Null where what is left is measured when it is batched. */
  readonly volume: number | null;
}

/** A load as the plant sends it off: the minute at which it begins to be batched, and its cubic metres. */
interface Load {
  readonly batched: number;
  readonly size: number;
  readonly extra: boolean;
}

/** What is known on site when a load is sized: cubic metres, and the minute of the first concrete. */
export interface Asked {
  /** What the forms will take in all, by what they took so far. */
  readonly all: number;
  /** What of it is not placed yet. */
  readonly toPlace: number;
  readonly firstPlaced: number;
}

/** The plant and its trucks: which load is batched when, by the plan or called for on the day. */
export class Supply {
  /** Minutes at which the trucks of the rotation are back at the plant. */
  private readonly back: number[];
  private plantFree: number;
  /** Loads of the plan that were batched so far. */
  private planned: number;
  private readonly called: Called[];
  /** Concrete that was batched and not sent back. */
  private brought: number;
  /** Loads in all that have been at the hose, or will not come to it since the day is off. */
  trips: number;
  extraLoads = 0;
  private readonly settled: boolean;
  private readonly shift: number;

  constructor(
    private readonly day: Day,
    from: Underway | null,
  ) {
    this.back = Array.from({ length: day.trucks }, () => -Infinity);
    from?.back.forEach((at, trip) => {
      this.back[trip % day.trucks] = at;
    });
    this.plantFree = from?.plantFree ?? -Infinity;
    this.planned = from?.planned ?? 0;
    this.trips = from?.trips ?? 0;
    this.called = [...(from?.called ?? [])];
    this.brought = from?.waiting.reduce((sum, { size }) => sum + size, from.hose?.size ?? 0) ?? 0;
    this.settled = from?.settled ?? false;
    this.shift = from?.shift ?? 0;
  }

  /** Nothing is on its way and nothing is called for. */
  private get usedUp(): boolean {
    return this.planned >= this.day.loads.length && this.called.length === 0;
  }

  get tooMany(): boolean {
    return this.trips > this.day.loads.length + MOST_EXTRA;
  }

  /** What is sent back is called for again at once. */
  sentBack(at: number, volume: number): void {
    this.brought -= volume;
    this.called.push({ at, volume });
  }

  /** The truck that was at the hose last is back at the plant. */
  returns(at: number): void {
    this.back[(this.trips - 1) % this.day.trucks] = at;
  }

  /** The size that the plant sells for a volume: in its steps, at least what it brings without a charge, at most what a truck holds. */
  private asSold(volume: number): number {
    const { truck, step, least } = this.day;
    return Math.min(truck, Math.max(step, least, roundedUp(volume, step)));
  }

  /**
   * Size of the last planned load when it is batched: what the forms will take, judged by what they took so far, less what was
   * brought and what was called for again. Before the first concrete is placed it is the plan's.
   */
  private balance(batched: number, planned: number, asked: Asked): number {
    if (batched < asked.firstPlaced) return planned;
    const again = this.called.reduce((sum, each) => sum + (each.volume ?? 0), 0);
    return asked.all - this.brought - again;
  }

  /** The load that is batched next, and when: by the plan, or called for on the day. */
  private nextLoad(asked: Asked): Load {
    const { day } = this;
    const call = this.called[0];
    const ordered = day.loads[this.planned];
    const byPlan =
      ordered === undefined ? Infinity : this.planned * day.spacing + this.shift - day.travel - day.load;
    const extra = call !== undefined && call.at < byPlan;
    const wanted = extra ? call.at : byPlan;
    const truck = this.back[this.trips % day.trucks] ?? 0;
    const batched = Math.max(wanted, this.plantFree, truck);
    if (extra) {
      this.called.shift();
      return { batched, size: this.asSold(call.volume ?? asked.toPlace), extra };
    }
    this.planned += 1;
    const last = this.planned === day.loads.length && !this.settled;
    const size = last ? this.balance(batched, ordered ?? day.truck, asked) : (ordered ?? day.truck);
    // A balance that nothing is left for is not batched.
    if (last && size <= NOTHING && this.called.length > 0) return this.nextLoad(asked);
    return { batched, size: last ? this.asSold(size) : size, extra };
  }

  /**
   * Batches the next load; where none is left, one is called for now.
   *
   * @returns the load, and the minute at which its truck drives off
   */
  send(now: number, asked: Asked): Load & { readonly leaves: number } {
    if (this.usedUp) this.called.push({ at: now, volume: null });
    const load = this.nextLoad(asked);
    if (load.extra) this.extraLoads += 1;
    this.plantFree = load.batched + this.day.load;
    this.brought += load.size;
    return { ...load, leaves: this.plantFree };
  }

  /** Cubic metres that were batched by the minute at which the day is called off, and are on the road: they are paid for. */
  onTheRoad(now: number, asked: Asked): number {
    let volume = 0;
    while (!this.usedUp) {
      const load = this.nextLoad(asked);
      if (load.batched > now) break;
      this.plantFree = load.batched + this.day.load;
      this.trips += 1;
      volume += load.size;
    }
    return volume;
  }
}
