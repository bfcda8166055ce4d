import type { Figure } from '../../kernel/figures/figure';
import type { HouseRules } from '../../kernel/rules';
import { COLD_AIR } from '../pour';
import { DAY, dayOf } from './calendar';
import { type Days, dayText } from './buildDays';
import { type HoldState, openBefore } from './holdPoints';
import { type DayWeather, isWet } from './watch';

/** What one matter says of the pour tomorrow. `unknown`: nobody has said. */
export type GoState = 'go' | 'look' | 'stop' | 'unknown';

/** What of the weather a pour minds; lightning stops it. */
export type Minded = 'lightning' | 'cold' | 'hot' | 'rain' | 'wind';

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
  | {
      readonly of: 'weather';
      readonly state: GoState;
      readonly weather: DayWeather | null;
      /** What of it a pour minds. */
      readonly minds: readonly Minded[];
    }
  /** Rain of the days before, in millimetres. */
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
  readonly rules: HouseRules;
}

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
export function goOrNot({ days, pour, weather, logged, rules }: GoInput): GoOrNot | null {
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
  const before = Array.from({ length: rules.count('days.rain.days') }, (_, index) => on(day - 1 - index));
  const rain = before.every((each) => each === null)
    ? null
    : before.reduce((sum, each) => sum + (each?.rain ?? 0), 0);
  const there = people[day] ?? 0;
  const beginners = newcomers[day] ?? 0;
  const minds: readonly Minded[] = today
    ? [
        ...(today.lightning ? ['lightning' as const] : []),
        ...(today.low < COLD_AIR ? ['cold' as const] : []),
        ...(today.high > rules.quantity('days.air.hot') ? ['hot' as const] : []),
        ...(isWet(today.rain, rules) ? ['rain' as const] : []),
        ...(today.gust >= rules.count('days.wind.empty') ? ['wind' as const] : []),
      ]
    : [];
  const weatherState = (): GoState => {
    if (!today) return 'unknown';
    if (minds.includes('lightning')) return 'stop';
    return minds.length > 0 ? 'look' : 'go';
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
    { of: 'weather', state: weatherState(), weather: today, minds },
    { of: 'access', state: rain === null ? 'unknown' : isWet(rain, rules) ? 'look' : 'go', rain },
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
