import type { Day, DayStop } from '../../src/stages/pour/rehearsal';

/** A wall of so many slices, filled in so many lifts of one volume and depth each. */
export const stopsOf = (slices: number, lifts: number, volume: number, depth = 1): readonly DayStop[] =>
  Array.from({ length: lifts }, (_, lift) =>
    Array.from({ length: slices }, (__, slice): DayStop => ({
      slice,
      lift: lift + 1,
      volume,
      foot: lift * depth,
      depth,
      move: false,
      chuteMove: false,
    })),
  ).flat();

/** A steady day that can be worked by hand: 12 m³ an hour, loads of 6 m³, trucks that come just when they are ordered. */
export const dayOf = (change: Partial<Day> = {}): Day => ({
  stops: stopsOf(6, 2, 1),
  slices: 6,
  loads: [6, 6],
  truck: 6,
  step: 0.5,
  least: 0,
  spacing: 40,
  trucks: 4,
  load: 10,
  travel: 20,
  travelScatter: 0,
  rate: 12,
  rateScatter: 0,
  chuteRate: 6,
  change: 5,
  backing: 0,
  prime: 0,
  wash: 10,
  move: 0,
  chuteMoving: 0,
  working: 60,
  discharge: 90,
  oldLoads: 'take',
  swell: 0,
  swellScatter: 0,
  after: 0,
  washOut: 0,
  dark: null,
  money: { wait: 2, free: 30, pump: 100, pumpHours: 1, lead: 30, crew: 60, concrete: 200 },
  fresh: { weight: 150, temperature: 60, slump: 6, chemistry: 1, c2: 0.3 },
  capacity: null,
  school: 'aci',
  ...change,
});

/** The same day as people and roads make it. */
export const scattered = (change: Partial<Day> = {}): Day =>
  dayOf({ travelScatter: 0.2, rateScatter: 0.15, swell: 0.03, swellScatter: 0.015, ...change });
