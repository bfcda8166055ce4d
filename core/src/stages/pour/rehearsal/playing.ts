import { drawFrom, factor, normal } from '../../../kernel/chance/random';
import type { Day, DayEvent } from './day';
import { NOTHING, type Scratch, pressed } from './layers';
import type { Happened, Idle, Run } from './played';
import { type Asked, Supply } from './supply';
import type { OnSite, Underway } from './underway';

/** What is left of the crew's pace when it slows down for a late truck. [ours] */
const SLOWED = 0.6;
/** Minutes that a blowout costs where it is passed by: two plate it while the rest go on, and the next lift fills it. [ours] */
const PASSED_BY = 4;
/** A truck that should have come by now is drawn anew so often before it is taken to come this minute. */
const REDRAWS = 12;

/** What a day is played with: what is thrown in, memory to work in, and where it is kept what happened, if anybody asks. */
interface Played {
  readonly events: readonly DayEvent[];
  readonly scratch: Scratch;
  readonly happened: Happened | null;
  /** Where the day is taken up; null from its first minute. */
  readonly from: Underway | null;
}

/** The day as it goes: a clock, a crew, the truck that stands at the hose, and those on the road. */
export class Playing {
  clock = 0;
  private readonly draw;
  private readonly swell: number;
  private readonly drawn: number;
  private readonly supply: Supply;
  private toPlace: number;
  private slowed = false;
  private byChute = false;
  private calledOff = false;
  private refused = false;
  private late = 0;
  private lateFrom = 0;
  private nextEvent = 0;
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
  private refusals = 0;
  private left = 0;
  /** A truck stands at the hose. */
  private atHose = false;
  private lastLeft = -Infinity;
  private readonly waiting: OnSite[] = [];
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
    this.supply = new Supply(day, from);
    scratch.firstEnd.fill(-1);
    scratch.depth.fill(0);
    scratch.cold.fill(0);
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
    this.waiting.push(...from.waiting);
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

  /** Notes a trouble and how it is answered; gives the minutes that the crew stands. */
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

  /** Troubles that came during a wait: they run beside it and do not add to it. */
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
      this.refusals += 1;
      this.supply.sentBack(clock, this.inTruck);
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
    this.supply.returns(clock + day.wash + this.drive());
    this.refused = false;
    this.inTruck = 0;
  }

  /** Minutes from the plant to the site, or back, as they come out this time. */
  private drive(): number {
    return this.day.travel * factor(this.day.travelScatter, this.draw);
  }

  private get asked(): Asked {
    return { all: this.swell * this.drawn, toPlace: this.toPlace, firstPlaced: this.firstPlaced };
  }

  /** The truck that comes to the hose next: one that waits, or one that is still to come. */
  private incoming(): OnSite {
    const there = this.waiting.shift();
    if (there) return there;
    const { leaves, ...load } = this.supply.send(this.clock, this.asked);
    let arrived = leaves + this.drive();
    for (let again = 0; arrived < this.since && again < REDRAWS; again++) arrived = leaves + this.drive();
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
    const first = this.supply.trips === 0;
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
    this.supply.trips += 1;
    this.slowed = false;
    this.pace = factor(day.rateScatter, this.draw);
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
          if (this.supply.tooMany) this.calledOff = true;
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
    if (this.over()) this.left += this.supply.onTheRoad(this.clock, this.asked);
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
      extraLoads: this.supply.extraLoads,
      refused: this.refusals,
      left: this.left,
      ...pressed(day, this.scratch),
    };
  }
}
