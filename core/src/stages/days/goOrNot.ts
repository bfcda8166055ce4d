import { type Figure } from '../../kernel/figures/figure';
import { DAY, dayOf } from './calendar';
import { type Days, dayText } from './buildDays';
import { type HoldState, openBefore } from './holdPoints';
import { type DayWeather, WET } from './watch';

/** What one matter says of the pour tomorrow. `unknown`: nobody has said. */
export type GoState = 'go' | 'look' | 'stop' | 'unknown';

/** What is asked the evening before a pour. */
export type GoLine =
  | { readonly of: 'work'; readonly state: GoState; readonly left: readonly string[] }
  | { readonly of: 'holds'; readonly state: GoState; readonly open: readonly HoldState[] }
  | {
      readonly of: 'people';
      readonly state: GoState;
      readonly there: number;
      readonly wanted: number;
      readonly newcomers: number;
    }
  | { readonly of: 'weather'; readonly state: GoState; readonly weather: DayWeather | null }
  /** Rain of the three days before. */
  | { readonly of: 'access'; readonly state: GoState; readonly rain: number | null }
  | { readonly of: 'trucks'; readonly state: GoState; readonly loads: number }
  | { readonly of: 'dark'; readonly state: GoState; readonly finish: number; readonly dark: string | null };

/** The evening before a pour: go, or not. */
export interface GoOrNot {
  readonly pour: string;
  readonly name: string;
  /** Day of the pour, counted from the first one. */
  readonly day: number;
  readonly lines: readonly GoLine[];
  /** `stop` where anything stops it; `look` where something must be looked at first. */
  readonly verdict: GoState;
  /** What a day later costs; null where it hires no braces. */
  readonly slip: Figure | null;
}

/** What is asked of a pour besides its days. */
interface PourOfDay {
  readonly pour: string;
  readonly crew: number;
  readonly loads: number;
}

/** What `goOrNot` goes by. */
interface GoInput {
  readonly days: Days;
  readonly pour: PourOfDay;
  readonly weather: ReadonlyMap<string, DayWeather>;
  /** Whether the log says anything of the work; where it does not, nobody knows what is done. */
  readonly logged: boolean;
}

/** Air below which covers and warm concrete are wanted, and above which it stiffens fast, °F. [ACI 306R, 305R; from memory] */
const COLD = 40;
const HOT = 90;
/** Gusts at which a boom and those on the planks are looked at again, miles an hour. [ours] */
const WINDY = 25;
/** Days of rain that a way for trucks remembers. [ours] */
const SOAKED = 3;

const clock = (text: string): number => {
  const [hours = 0, minutes = 0] = text.split(':').map(Number);
  return 60 * hours + minutes;
};

/** The gravest of several. */
const worstOf = (states: readonly GoState[]): GoState =>
  (['stop', 'look', 'unknown'] as const).find((each) => states.includes(each)) ?? 'go';

/**
 * What speaks for and against pouring on the day that is planned. Null where the job has no such pour.
 *
 * @param input.weather by date
 */
export function goOrNot({ days, pour, weather, logged }: GoInput): GoOrNot | null {
  const { items, first, holds, people, newcomers, hires } = days;
  const item = items.find(({ kind, pour: own }) => kind === 'pour' && own === pour.pour);
  if (!item) return null;
  const day = dayOf(item.start);
  const on = (each: number): DayWeather | null =>
    first === null ? null : (weather.get(dayText(first + each)) ?? null);
  const at = items.indexOf(item);
  const left = items
    .slice(0, at)
    .filter(({ done, kind }) => done < 1 && kind !== 'inspection')
    .map(({ name }) => name);
  const open = openBefore(holds, items, item.id);
  const today = on(day);
  const before = Array.from({ length: SOAKED }, (_, index) => on(day - 1 - index));
  const rain = before.every((each) => each === null)
    ? null
    : before.reduce((sum, each) => sum + (each?.rain ?? 0), 0);
  const there = people[day] ?? 0;
  const beginners = newcomers[day] ?? 0;
  const weatherState = (): GoState => {
    if (!today) return 'unknown';
    if (today.lightning) return 'stop';
    return today.low < COLD || today.high > HOT || today.rain >= WET || today.gust >= WINDY ? 'look' : 'go';
  };
  const finish = item.end - day * DAY;
  const lines: readonly GoLine[] = [
    { of: 'work', state: !logged ? 'unknown' : left.length === 0 ? 'go' : 'look', left },
    { of: 'holds', state: open.length === 0 ? 'go' : 'stop', open },
    {
      of: 'people',
      state: there < pour.crew ? 'stop' : there - beginners < pour.crew ? 'look' : 'go',
      there,
      wanted: pour.crew,
      newcomers: beginners,
    },
    { of: 'weather', state: weatherState(), weather: today },
    { of: 'access', state: rain === null ? 'unknown' : rain >= WET ? 'look' : 'go', rain },
    { of: 'trucks', state: 'look', loads: pour.loads },
    {
      of: 'dark',
      state: !today ? 'unknown' : finish > clock(today.dark) ? 'stop' : 'go',
      finish,
      dark: today?.dark ?? null,
    },
  ];
  return {
    pour: pour.pour,
    name: item.name,
    day,
    lines,
    verdict: worstOf(lines.map(({ state }) => state)),
    slip: hires.find((hire) => hire.pour === pour.pour)?.slip ?? null,
  };
}
