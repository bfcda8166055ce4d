import { NANOMETRES_PER_MILLIMETRE } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import { COLD_AIR } from '../pour';
import { type Days, dayText } from './buildDays';
import { DAY, dayOf } from './calendar';

/** Weather of a day, from whatever service tells it. */
export interface DayWeather {
  readonly date: string;
  /** Air in the morning and in the afternoon, degrees Fahrenheit. */
  readonly low: number;
  readonly high: number;
  /** Strongest gust of the day and its night, miles an hour. */
  readonly gust: number;
  /** Rain of the day, millimetres. */
  readonly rain: number;
  readonly lightning: boolean;
  /** When it is dark, `17:40`. */
  readonly dark: string;
}

/** A night in which a wall stands without concrete. */
export interface EmptyNight {
  /** The day before it, counted from the first one. */
  readonly day: number;
  readonly pour: string;
  /** Courses that stand by then. */
  readonly courses: number;
  readonly braced: boolean;
}

/** What the weather asks for on a day. */
export type WeatherWatch =
  /** The wall is high enough to want braces tonight, or the wind asks for them. */
  | {
      readonly kind: 'brace-by';
      readonly day: number;
      readonly courses: number;
      readonly gust: number | null;
    }
  | { readonly kind: 'wind'; readonly day: number; readonly pour: string; readonly gust: number }
  | { readonly kind: 'cold-pour'; readonly day: number; readonly low: number }
  | { readonly kind: 'rain'; readonly day: number; readonly rain: number; readonly item: string }
  | { readonly kind: 'lightning'; readonly day: number; readonly item: string };

/** Whether so much rain, in millimetres, is more than what must stay dry bears. */
export const isWet = (millimetres: number, rules: HouseRules): boolean =>
  millimetres * NANOMETRES_PER_MILLIMETRE >= rules.length('days.rain.wet');

/** Nights in which walls stand empty, pour by pour, as the days are planned. */
export function emptyNights({ items }: Pick<Days, 'items'>): readonly EmptyNight[] {
  const pours = [...new Set(items.flatMap(({ pour }) => pour ?? []))];
  return pours.flatMap((pour) => {
    const own = items.filter((item) => item.pour === pour);
    const courses = own.filter(({ kind }) => kind === 'course');
    const poured = own.find(({ kind }) => kind === 'pour');
    const [first] = courses;
    if (!first) return [];
    const last = dayOf(poured?.start ?? Math.max(...own.map(({ end }) => end)));
    const nights: EmptyNight[] = [];
    for (let day = dayOf(first.end); day < last; day += 1) {
      const midnight = (day + 1) * DAY;
      const standing = courses.filter(({ end }) => end <= midnight).length;
      const braces = own.find(({ kind }) => kind === 'braces');
      if (standing > 0)
        nights.push({ day, pour, courses: standing, braced: braces !== undefined && braces.end <= midnight });
    }
    return nights;
  });
}

/** The days on which somebody is at an item, from its first to its last. */
const workedDays = (
  { start, end }: Pick<Days['items'][number], 'start' | 'end'>,
  people: Days['people'],
): readonly number[] => {
  const first = dayOf(start);
  // What ends at midnight is not worked on the day that begins then.
  const last = Math.max(first, Math.ceil(end / DAY) - 1);
  return Array.from({ length: last - first + 1 }, (_, index) => first + index).filter(
    (day) => day === first || (people[day] ?? 0) > 0,
  );
};

/**
 * What to watch of the weather, day by day: braces before the first night that a wall is too high or the wind too strong to stand
 * alone; wind on what stands empty; cold, rain and lightning where work minds them. Without weather only what height asks for.
 *
 * @param weather by date
 */
export function watchWeather(
  days: Pick<Days, 'items' | 'first' | 'people'>,
  weather: ReadonlyMap<string, DayWeather>,
  rules: HouseRules,
): readonly WeatherWatch[] {
  const on = (day: number): DayWeather | undefined =>
    days.first === null ? undefined : weather.get(dayText(days.first + day));
  const strong = rules.count('days.wind.empty');
  const alone = rules.count('bracing.first.courses');
  const nights = emptyNights(days);
  const unbraced = nights.filter(({ braced }) => !braced);
  const pours = [...new Set(unbraced.map(({ pour }) => pour))];
  const braceBy = pours.flatMap((pour): WeatherWatch[] => {
    const night = unbraced.find(
      (each) => each.pour === pour && (each.courses >= alone || (on(each.day)?.gust ?? 0) >= strong),
    );
    const gust = night && on(night.day)?.gust;
    return night
      ? [
          {
            kind: 'brace-by',
            day: night.day,
            courses: night.courses,
            gust: gust !== undefined && gust >= strong ? gust : null,
          },
        ]
      : [];
  });
  const wind = nights.flatMap(({ day, pour, braced }): WeatherWatch[] => {
    const gust = on(day)?.gust ?? 0;
    return braced && gust >= strong ? [{ kind: 'wind', day, pour, gust }] : [];
  });
  const work = days.items.flatMap((item) =>
    workedDays(item, days.people).flatMap((day): WeatherWatch[] => {
      const met = on(day);
      if (!met) return [];
      return [
        ...(item.kind === 'pour' && met.low < COLD_AIR
          ? [{ kind: 'cold-pour' as const, day, low: met.low }]
          : []),
        ...(item.stops.includes('rain') && isWet(met.rain, rules)
          ? [{ kind: 'rain' as const, day, rain: met.rain, item: item.name }]
          : []),
        ...(item.stops.includes('lightning') && met.lightning
          ? [{ kind: 'lightning' as const, day, item: item.name }]
          : []),
      ];
    }),
  );
  return [...braceBy, ...wind, ...work].sort((a, b) => a.day - b.day);
}
