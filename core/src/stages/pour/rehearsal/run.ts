import { type FreshConcrete, type PressureSchool, pressureOn } from '../pressure';
import { roundedUp } from '../../../kernel/figures/how';
import type { Day, DayEvent } from './day';
import { drawFrom, factor, normal } from '../../../kernel/chance/random';
import type { Layer, OnSite, Underway } from './underway';

/** One truck's trip: minutes from the start. */
export interface Trip {
  /** Cubic metres. */
  readonly volume: number;
  readonly batched: number;
  readonly arrived: number;
  /** Discharge from and to. */
  readonly from: number;
  readonly to: number;
  /** What was in it still when it left, in cubic metres. */
  readonly left: number;
  /** That was refused. */
  readonly sentBack: boolean;
  /** Called for on the day: in place of one that was sent back, or since the loads of the plan were used up. */
  readonly extra: boolean;
}

/** When one stop was filled. */
export interface Placed {
  readonly stop: number;
  readonly from: number;
  readonly to: number;
}

/** Why nobody placed concrete for a while. */
export interface Idle {
  readonly from: number;
  readonly to: number;
  readonly why: 'no-truck' | 'change' | 'backing' | 'prime' | 'move' | DayEvent['kind'];
}

/** How one day went. */
interface Run {
  /** The last concrete is placed. */
  readonly finish: number;
  /** All is done: struck off, bolts set, straightened, washed out. */
  readonly done: number;
  /** Poured to the end; false where the day was called off. */
  readonly complete: boolean;
  /** Longest that a layer waited for the next one, and where. */
  readonly gap: number;
  readonly gapSlice: number | null;
  /** Slices whose layer waited longer than the working time. */
  readonly cold: readonly number[];
  /** Age of the oldest load when its last concrete was placed. */
  readonly age: number;
  /** Minutes that trucks stood before their discharge, added up. */
  readonly waited: number;
  /** Minutes that the crew stood for a truck. */
  readonly stood: number;
  /** What waiting trucks cost; and waiting, pump, crew and wasted concrete together. */
  readonly waitCost: number;
  readonly cost: number;
  readonly extraLoads: number;
  /** Loads that were sent back, for what they were or for their age. */
  readonly refused: number;
  /** Concrete that is paid for and not in the forms, in cubic metres: left over, sent back, or on the road when the day was called off. */
  readonly left: number;
  /** Greatest pressure on the forms, pascals, and the rise there, m/h; null where no pressure can be told. */
  readonly pressure: number | null;
  readonly rise: number;
}

/** A run with everything that happened in it, to be played. */
export interface PlayedRun extends Run {
  readonly trips: readonly Trip[];
  readonly placed: readonly Placed[];
  readonly idle: readonly Idle[];
  readonly events: readonly { readonly event: DayEvent; readonly from: number; readonly to: number }[];
}

/** What is left of the crew's pace when it slows down for a late truck. [ours] */
const SLOWED = 0.6;
/** Passing a blowout by takes so many minutes: it is plated while the others go on, and filled in the next lift. [ours] */
const PASSED_BY = 4;
/** Less than this is an empty truck, or a full stop: a cubic centimetre or so, in cubic metres. */
const NOTHING = 1e-6;
/** A wall fills no faster than this, whatever the figures say: a minute, in hours. */
const LEAST_HOURS = 1 / 60;

/** What a run keeps of every slice while it goes. Arrays are made once and used again by the next run. */
interface Scratch {
  readonly firstEnd: Float64Array;
  readonly firstDepth: Float64Array;
  readonly last: Float64Array;
  readonly depth: Float64Array;
  readonly cold: Uint8Array;
}

export const scratchFor = ({ slices }: Day): Scratch => ({
  firstEnd: new Float64Array(slices),
  firstDepth: new Float64Array(slices),
  last: new Float64Array(slices),
  depth: new Float64Array(slices),
  cold: new Uint8Array(slices),
});

interface Happened {
  readonly trips: Trip[];
  readonly placed: Placed[];
  readonly idle: Idle[];
  readonly events: { event: DayEvent; from: number; to: number }[];
}

/** How a layer rose, and what presses on its forms: what came after the first concrete rose at its own pace. Pascals and m/h. */
export function pressedBy(
  school: PressureSchool,
  fresh: FreshConcrete,
  { firstEnd, firstDepth, last, depth }: Omit<Layer, 'slice'>,
): { readonly pressure: number; readonly rise: number } {
  const hours = (last - firstEnd) / 60;
  const rise =
    depth - firstDepth > NOTHING ? (depth - firstDepth) / Math.max(hours, LEAST_HOURS) : depth / LEAST_HOURS;
  return { pressure: pressureOn(school, fresh, rise, depth), rise };
}

/** The greatest pressure over all slices. */
function pressed(day: Day, scratch: Scratch): { readonly pressure: number | null; readonly rise: number } {
  if (!day.fresh) return { pressure: null, rise: 0 };
  let pressure = 0;
  let rise = 0;
  for (let slice = 0; slice < day.slices; slice++) {
    const depth = scratch.depth[slice] ?? 0;
    if (depth === 0) continue;
    const here = pressedBy(day.school, day.fresh, {
      firstEnd: scratch.firstEnd[slice] ?? 0,
      firstDepth: scratch.firstDepth[slice] ?? 0,
      last: scratch.last[slice] ?? 0,
      depth,
    });
    if (here.pressure > pressure) ({ pressure, rise } = here);
  }
  return { pressure, rise };
}

/** A load that was called for on the day: when, and how much of it. */
interface Called {
  readonly at: number;
  /** Null where what is left is measured when it is batched. */
  readonly volume: number | null;
}

/** A truck that should have come by now is drawn anew so often before it is taken to come this minute. */
const REDRAWS = 12;

/** So many loads more than planned end any day: nothing is gained by sending on. */
const MOST_EXTRA = 40;

/** What a day is played with: what is thrown in, memory to work in, and where it is kept what happened, if anybody asks. */
interface Played {
  readonly events: readonly DayEvent[];
  readonly scratch: Scratch;
  readonly happened: Happened | null;
  /** Where the day is taken up; null from its first minute. */
  readonly from: Underway | null;
}

/** The day as it goes: a clock, a crew, the truck that stands at the hose, and those on the road. */
class Playing {
  clock = 0;
  private readonly draw;
  private readonly swell: number;
  private readonly drawn: number;
  private toPlace: number;
  private slowed = false;
  private byChute = false;
  private calledOff = false;
  private refused = false;
  private late = 0;
  private lateFrom = 0;
  private nextEvent = 0;
  private readonly back: number[];
  private plantFree = -Infinity;
  /** Loads of the plan, and trips in all, that were batched so far. */
  private planned = 0;
  private trips = 0;
  private readonly called: Called[] = [];
  /** Concrete that was batched and not sent back. */
  private brought = 0;
  private firstPlaced = Infinity;
  private truck = { batched: 0, arrived: 0, began: 0, size: 0, extra: false };
  private readonly events: readonly DayEvent[];
  private readonly scratch: Scratch;
  private readonly happened: Happened | null;
  private inTruck = 0;
  private pace = 1;
  private gap = 0;
  private gapSlice: number | null = null;
  private age = 0;
  private waited = 0;
  private stood = 0;
  private waitCost = 0;
  private extraLoads = 0;
  private refusals = 0;
  private left = 0;
  /** A truck stands at the hose. */
  private atHose = false;
  private lastLeft = -Infinity;
  private readonly waiting: OnSite[] = [];
  private readonly settled: boolean;
  private readonly shift: number;
  /** No truck that is still on its way came before this minute. */
  private readonly since: number;
  private readonly takenUp: boolean;
  private readonly crew: number;

  constructor(
    private readonly day: Day,
    seed: number,
    { events, scratch, happened, from }: Played,
  ) {
    this.events = events;
    this.scratch = scratch;
    this.happened = happened;
    this.draw = drawFrom(seed);
    const { mean, spread } = from?.swell ?? { mean: day.swell, spread: day.swellScatter };
    const scatter = spread === 0 ? 0 : spread * normal(this.draw);
    this.swell = 1 + Math.max(0, mean + scatter);
    this.drawn = day.stops.reduce((sum, stop) => sum + stop.volume, 0);
    this.toPlace = this.swell * this.drawn;
    this.back = Array.from({ length: day.trucks }, () => -Infinity);
    scratch.firstEnd.fill(-1);
    scratch.depth.fill(0);
    scratch.cold.fill(0);
    this.settled = from?.settled ?? false;
    this.shift = from?.shift ?? 0;
    this.since = from?.clock ?? -Infinity;
    this.takenUp = from !== null;
    this.crew = from ? from.pace.mean * factor(from.pace.spread, this.draw) : 1;
    if (from) this.takeUp(from);
  }

  /** Everything as it stands when the day is taken up. */
  private takeUp(from: Underway): void {
    const { scratch, day } = this;
    for (const { slice, firstEnd, firstDepth, last, depth } of from.layers) {
      scratch.firstEnd[slice] = firstEnd;
      scratch.firstDepth[slice] = firstDepth;
      scratch.last[slice] = last;
      scratch.depth[slice] = depth;
    }
    this.clock = from.clock;
    from.back.forEach((at, trip) => {
      this.back[trip % day.trucks] = at;
    });
    this.plantFree = from.plantFree;
    this.planned = from.planned;
    this.trips = from.trips;
    this.called.push(...from.called);
    this.waiting.push(...from.waiting);
    this.brought = from.waiting.reduce((sum, { size }) => sum + size, from.hose?.size ?? 0);
    this.firstPlaced = from.firstPlaced;
    this.lastLeft = from.left ?? -Infinity;
    if (!from.hose) return;
    this.truck = { ...from.hose };
    this.inTruck = from.hose.size;
    this.atHose = true;
    this.pace = factor(day.rateScatter, this.draw);
  }

  private idle(from: number, to: number, why: Idle['why']): void {
    if (to > from) this.happened?.idle.push({ from, to, why });
  }

  /** A trouble comes up, and takes so many minutes of the crew. */
  private meet(event: DayEvent): number {
    const stands = this.answered(event);
    const from = Math.max(event.at, 0);
    this.happened?.events.push({ event, from, to: from + stands });
    this.idle(from, from + stands, event.kind);
    return stands;
  }

  private answered(event: DayEvent): number {
    switch (event.kind) {
      case 'late':
        this.late += event.minutes;
        this.lateFrom = event.at;
        this.slowed = event.answer === 'slow';
        return 0;
      case 'stiff':
        this.refused = event.answer === 'send-back';
        return this.refused ? 0 : event.minutes;
      case 'lightning':
        this.calledOff = event.answer === 'call-off';
        return this.calledOff ? 0 : event.minutes;
      case 'blowout':
        return event.answer === 'plate' ? event.minutes : PASSED_BY;
      case 'pump':
        this.byChute = event.answer === 'chute';
        return this.byChute ? this.day.chuteMoving : event.minutes;
    }
  }

  /** Troubles that came while nobody was placing: they run beside the wait. */
  private meetWaiting(): void {
    for (;;) {
      const event = this.events[this.nextEvent];
      if (!event || event.at > this.clock) return;
      this.nextEvent += 1;
      this.clock = Math.max(this.clock, event.at + this.meet(event));
    }
  }

  /** The truck at the hose leaves: empty, refused, or at the end of the day. */
  private sendOff(): void {
    if (!this.atHose) return;
    this.atHose = false;
    const { day, clock, truck } = this;
    this.lastLeft = clock;
    this.waited += Math.max(0, truck.began - truck.arrived);
    this.waitCost += Math.max(0, clock - truck.arrived - day.money.free) * day.money.wait;
    if (!this.refused) this.age = Math.max(this.age, clock - truck.batched);
    else {
      // What is sent back is called for again at once.
      this.refusals += 1;
      this.brought -= this.inTruck;
      this.called.push({ at: clock, volume: this.inTruck });
    }
    this.left += Math.max(0, this.inTruck);
    this.happened?.trips.push({
      volume: truck.size,
      batched: truck.batched,
      arrived: truck.arrived,
      from: truck.began,
      to: clock,
      left: Math.max(0, this.inTruck),
      sentBack: this.refused,
      extra: truck.extra,
    });
    this.back[(this.trips - 1) % day.trucks] =
      clock + day.wash + day.travel * factor(day.travelScatter, this.draw);
    this.refused = false;
    this.inTruck = 0;
  }

  /** What the plant is told to bring: no more than a truck takes, in its steps, and no short load. */
  private asSold(volume: number): number {
    const { truck, step, least } = this.day;
    return Math.min(truck, Math.max(step, least, roundedUp(volume, step)));
  }

  /**
   * How much of the balance is ordered when it is batched: what the forms will take, by what they took so far, less what was
   * brought and what is on its way again. Before anything is placed nobody knows better than the plan.
   */
  private balance(batched: number, planned: number): number {
    if (batched < this.firstPlaced) return planned;
    const again = this.called.reduce((sum, each) => sum + (each.volume ?? 0), 0);
    return this.swell * this.drawn - this.brought - again;
  }

  /** The load that is batched next, and when: by the plan, or called for on the day. */
  private nextLoad(): { readonly batched: number; readonly size: number; readonly extra: boolean } {
    const { day } = this;
    const asked = this.called[0];
    const ordered = day.loads[this.planned];
    const byPlan =
      ordered === undefined ? Infinity : this.planned * day.spacing + this.shift - day.travel - day.load;
    const extra = asked !== undefined && asked.at < byPlan;
    const wanted = extra ? asked.at : byPlan;
    const truck = this.back[this.trips % day.trucks] ?? 0;
    const batched = Math.max(wanted, this.plantFree, truck);
    if (extra) {
      this.called.shift();
      return { batched, size: this.asSold(asked.volume ?? this.toPlace), extra };
    }
    this.planned += 1;
    const last = this.planned === day.loads.length && !this.settled;
    const size = last ? this.balance(batched, ordered ?? day.truck) : (ordered ?? day.truck);
    // A balance that nothing is left for is not batched.
    if (last && size <= NOTHING && this.called.length > 0) return this.nextLoad();
    return { batched, size: last ? this.asSold(size) : size, extra };
  }

  /** The truck that comes to the hose next: one that waits, or one that is still to come. */
  private incoming(): OnSite {
    const { day } = this;
    const there = this.waiting.shift();
    if (there) return there;
    if (this.planned >= day.loads.length && this.called.length === 0) {
      this.called.push({ at: this.clock, volume: null });
    }
    const load = this.nextLoad();
    if (load.extra) this.extraLoads += 1;
    this.plantFree = load.batched + day.load;
    this.brought += load.size;
    let arrived = this.plantFree + day.travel * factor(day.travelScatter, this.draw);
    for (let again = 0; arrived < this.since && again < REDRAWS; again++) {
      arrived = this.plantFree + day.travel * factor(day.travelScatter, this.draw);
    }
    arrived = Math.max(arrived, this.since);
    // What happens on the road before this truck is there happens to this truck.
    for (;;) {
      const event = this.events[this.nextEvent];
      if (event?.kind !== 'late' || event.at > arrived) break;
      this.nextEvent += 1;
      this.meet(event);
    }
    if (this.late > 0 && arrived >= this.lateFrom) {
      arrived += this.late;
      this.late = 0;
    }
    return { ...load, arrived };
  }

  /** The next truck backs in, as soon as it is there. */
  private nextTruck(): void {
    const { day, clock } = this;
    const first = this.trips === 0;
    const load = this.incoming();
    const { arrived } = load;
    // A first truck that is early waits for its hour.
    const free = first ? (this.takenUp ? 0 : clock) : this.lastLeft + day.change;
    const ready = Math.max(clock, free);
    this.idle(clock, ready, 'change');
    this.idle(ready, arrived, 'no-truck');
    this.stood += Math.max(0, arrived - ready);
    // Backing in and priming may be half done where the day is taken up.
    const backed = Math.max(arrived + day.backing, free);
    this.idle(Math.max(ready, arrived), backed, 'backing');
    this.clock = Math.max(clock, first ? backed + day.prime : backed);
    this.idle(Math.max(clock, backed), this.clock, 'prime');
    this.truck = { ...load, began: this.clock };
    this.inTruck = load.size;
    this.atHose = true;
    this.trips += 1;
    this.slowed = false;
    this.pace = factor(day.rateScatter, this.draw);
  }

  /** Loads that were batched when the day was called off are paid for: they are on the road, or wait. */
  private payForTheRoad(): void {
    const { day, clock } = this;
    for (;;) {
      if (this.planned >= day.loads.length && this.called.length === 0) return;
      const load = this.nextLoad();
      if (load.batched > clock) return;
      this.plantFree = load.batched + day.load;
      this.trips += 1;
      this.left += load.size;
    }
  }

  private get rate(): number {
    const { day } = this;
    return (
      (this.byChute ? Math.min(day.rate, day.chuteRate) : day.rate) *
      this.pace *
      this.crew *
      (this.slowed ? SLOWED : 1)
    );
  }

  private began(slice: number | null): void {
    if (slice === null || (this.scratch.firstEnd[slice] ?? -1) < 0) return;
    const waits = this.clock - (this.scratch.last[slice] ?? this.clock);
    if (waits > this.gap) [this.gap, this.gapSlice] = [waits, slice];
    if (waits > this.day.working) this.scratch.cold[slice] = 1;
  }

  private filled(slice: number | null, depth: number): void {
    if (slice === null) return;
    const { firstEnd, firstDepth, last, depth: depths } = this.scratch;
    if ((firstEnd[slice] ?? -1) < 0) {
      firstEnd[slice] = this.clock;
      firstDepth[slice] = depth;
    }
    last[slice] = this.clock;
    depths[slice] = (depths[slice] ?? 0) + depth;
  }

  /** Places as much as the truck, its age, the stop and the next trouble allow. */
  private place(wants: number): number {
    const { rate } = this;
    // A load that is too old is sent back with what is still in it.
    const young =
      this.day.oldLoads === 'refuse' ? this.truck.batched + this.day.discharge - this.clock : Infinity;
    const whole = Math.min(wants, this.inTruck);
    const take = Math.min(whole, Math.max(0, (young / 60) * rate));
    this.firstPlaced = Math.min(this.firstPlaced, this.clock);
    const until = this.clock + (take / rate) * 60;
    const event = this.events[this.nextEvent];
    if (!event || event.at >= until) {
      this.refused = take < whole;
      this.clock = until;
      return take;
    }
    const part = take * ((event.at - this.clock) / (until - this.clock));
    this.nextEvent += 1;
    this.clock = event.at + this.meet(event);
    return part;
  }

  /** The day was called off; a method, since what happens in between decides. */
  private over(): boolean {
    return this.calledOff;
  }

  run(): Run {
    const { day } = this;
    for (const [index, stop] of day.stops.entries()) {
      const moving = this.byChute ? (stop.chuteMove ? day.chuteMoving : 0) : stop.move ? day.move : 0;
      this.idle(this.clock, this.clock + moving, 'move');
      this.clock += moving;
      let wants = stop.volume * this.swell;
      let from = -1;
      while (wants > NOTHING && !this.over()) {
        if (this.inTruck <= NOTHING || this.refused) {
          this.sendOff();
          if (this.trips > day.loads.length + MOST_EXTRA) this.calledOff = true;
          if (this.over()) break;
          this.nextTruck();
        }
        this.meetWaiting();
        if (this.refused) continue;
        if (this.over()) break;
        if (from < 0) {
          from = this.clock;
          this.began(stop.slice);
        }
        const placed = this.place(wants);
        wants -= placed;
        this.inTruck -= placed;
        this.toPlace -= placed;
      }
      if (from >= 0) {
        this.filled(stop.slice, stop.depth);
        this.happened?.placed.push({ stop: index, from, to: this.clock });
      }
      if (this.over()) break;
    }
    this.sendOff();
    for (const { size } of this.waiting) this.left += size;
    if (this.over()) this.payForTheRoad();
    const { money } = day;
    const done = this.clock + Math.max(day.after, day.washOut);
    const hours = (done + money.lead) / 60;
    const machine = (this.clock + day.washOut + money.lead) / 60;
    const paid = money.pump > 0 ? Math.max(machine, money.pumpHours) : 0;
    const cold: number[] = [];
    this.scratch.cold.forEach((is, slice) => {
      if (is === 1) cold.push(slice);
    });
    return {
      finish: this.clock,
      done,
      complete: !this.calledOff,
      gap: this.gap,
      gapSlice: this.gapSlice,
      cold,
      age: this.age,
      waited: this.waited,
      stood: this.stood,
      waitCost: this.waitCost,
      cost: this.waitCost + paid * money.pump + hours * money.crew + this.left * money.concrete,
      extraLoads: this.extraLoads,
      refused: this.refusals,
      left: this.left,
      ...pressed(day, this.scratch),
    };
  }
}

/**
 * Plays the day once and gives its figures only; fast, for many days. Loads are batched one after another, drive, wait for the one
 * before them, back in and are tested, and are placed stop by stop at the crew's pace; a truck that is empty washes out, drives
 * back and is loaded again. The last load of the plan is a balance, sized when it is batched; one that is sent back is called for
 * again at once.
 *
 * @param seed gives the same day again
 * @param from where a day that is under way is taken up; it is played from its first minute where that is null
 */
export const runDay = (
  day: Day,
  seed: number,
  scratch: Scratch = scratchFor(day),
  from: Underway | null = null,
): Run => new Playing(day, seed, { events: [], scratch, happened: null, from }).run();

/**
 * Plays the day once and keeps everything that happened.
 *
 * @param events thrown in, each with its minute and its answer
 * @param from where a day that is under way is taken up
 * @example playDay({ ...day, travelScatter: 0, rateScatter: 0 }, 1).trips[0]?.arrived // 0
 */
export function playDay(
  day: Day,
  seed: number,
  events: readonly DayEvent[] = [],
  from: Underway | null = null,
): PlayedRun {
  const happened: Happened = { trips: [], placed: [], idle: [], events: [] };
  const inOrder = [...events].sort((a, b) => a.at - b.at);
  return {
    ...new Playing(day, seed, { events: inOrder, scratch: scratchFor(day), happened, from }).run(),
    ...happened,
  };
}
