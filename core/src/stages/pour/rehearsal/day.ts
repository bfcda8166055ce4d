import type { FreshConcrete, PressureSchool } from '../pressure';

/** Concrete that is placed at one place in one go. */
export interface DayStop {
  /** Where on the wall, by its number; null for what is poured beside the walls. */
  readonly slice: number | null;
  readonly lift: number;
  /** Cubic metres. */
  readonly volume: number;
  /** Height above the lowest footing at which it begins, and the depth that it adds there, in metres. */
  readonly foot: number;
  readonly depth: number;
  /** Chute or conveyor are moved before it. */
  readonly move: boolean;
  /** The chute would be moved before it, where it takes over for a pump that broke. */
  readonly chuteMove: boolean;
}

/** Everything that the day of a pour is played from; times in minutes from the hour that the first truck is ordered for. */
export interface Day {
  readonly stops: readonly DayStop[];
  readonly slices: number;
  /** Cubic metres of each load, in order. */
  readonly loads: readonly number[];
  /** Room of a truck, and the step in which the plant sells, in cubic metres. */
  readonly truck: number;
  readonly step: number;
  /** Least that the plant brings without charging for a short load, in cubic metres. */
  readonly least: number;
  /** A truck is ordered every so often. */
  readonly spacing: number;
  readonly trucks: number;
  readonly load: number;
  readonly travel: number;
  /** Share by which driving scatters. */
  readonly travelScatter: number;
  /** Cubic metres an hour, and the share by which it scatters from load to load. */
  readonly rate: number;
  readonly rateScatter: number;
  /** Rate off the chute, which the crew falls back on. */
  readonly chuteRate: number;
  readonly change: number;
  /** From a truck's arrival until it can discharge: backing in and its slump test. */
  readonly backing: number;
  /** Priming of the pump with the first truck's concrete. */
  readonly prime: number;
  readonly wash: number;
  readonly move: number;
  /** Moving the chute where it takes over. */
  readonly chuteMoving: number;
  /** Time that a layer may wait for the next one, and that a load may be old. */
  readonly working: number;
  readonly discharge: number;
  /** What is done with a load that is older than that. */
  readonly oldLoads: 'take' | 'refuse';
  /** Share that forms, hose and pump take over the drawings, and by how much of all concrete it scatters. */
  readonly swell: number;
  readonly swellScatter: number;
  /** Minutes after the last concrete until all is done: struck off, bolts set, walls straightened; and until the machine is washed out. */
  readonly after: number;
  readonly washOut: number;
  /** Minutes after the start when it is too dark; null where nobody has said. */
  readonly dark: number | null;
  readonly money: DayMoney;
  /** What presses on the forms, and by which school it is told; null where its figures are out of any range. */
  readonly fresh: FreshConcrete | null;
  /** What the forms are stated for, in pascals; null where nobody has said. */
  readonly capacity: number | null;
  readonly school: PressureSchool;
}

/** Prices, in the job's money. */
export interface DayMoney {
  /** A minute of a truck beyond its free ones. */
  readonly wait: number;
  readonly free: number;
  /** An hour of pump or conveyor, and the hours that are paid at least. */
  readonly pump: number;
  readonly pumpHours: number;
  readonly lead: number;
  /** An hour of the whole crew. */
  readonly crew: number;
  /** A cubic metre of concrete. */
  readonly concrete: number;
}

/** What may go wrong on the day, and how it is answered. */
export const EVENT_ANSWERS = {
  late: ['wait', 'slow'],
  stiff: ['send-back', 'thin'],
  lightning: ['wait', 'call-off'],
  blowout: ['plate', 'skip'],
  pump: ['wait', 'chute'],
} as const;

export type DayEventKind = keyof typeof EVENT_ANSWERS;

/** Something thrown into the day at a minute, with the crew's answer. */
export type DayEvent = {
  readonly [Kind in DayEventKind]: {
    readonly kind: Kind;
    readonly at: number;
    readonly answer: (typeof EVENT_ANSWERS)[Kind][number];
    /** How long the trouble itself lasts. */
    readonly minutes: number;
  };
}[DayEventKind];

/** How long each kind of trouble lasts where nobody says otherwise. [ours] */
export const USUAL_MINUTES: Readonly<Record<DayEventKind, number>> = {
  late: 35,
  stiff: 5,
  lightning: 30,
  blowout: 20,
  pump: 40,
};
