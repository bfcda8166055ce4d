import { toCelsius, type UnitSystem } from '@ombra/core/kernel/measure';
import type { DayWeather, WeatherWatch } from '@ombra/core/stages/days';
import { dayName } from './dayWords';

/** A metric crew reads wind in kilometres an hour. [NIST SP 811] */
export const KILOMETRES_PER_MILE = 1.609344;
const MILLIMETRES_PER_INCH = 25.4;

/** `41 °F`, in a metric job `5 °C`. */
export const airText = (fahrenheit: number, units: UnitSystem): string =>
  units === 'imperial'
    ? `${String(Math.round(fahrenheit))} °F`
    : `${String(Math.round(toCelsius(fahrenheit)))} °C`;

/** `31 mph`, in a metric job `50 km/h`. */
export const windText = (mph: number, units: UnitSystem): string =>
  units === 'imperial'
    ? `${String(Math.round(mph))} mph`
    : `${String(Math.round(mph * KILOMETRES_PER_MILE))} km/h`;

/** `0.4 in`, in a metric job `10 mm`. */
export const rainText = (millimetres: number, units: UnitSystem): string =>
  units === 'imperial'
    ? `${(millimetres / MILLIMETRES_PER_INCH).toFixed(1)} in`
    : `${String(Math.round(millimetres))} mm`;

/** A day’s weather in a line. */
export const weatherText = ({ low, high, gust, rain, lightning }: DayWeather, units: UnitSystem): string =>
  [
    `${airText(low, units)} to ${airText(high, units)}`,
    `gusts of ${windText(gust, units)}`,
    rain > 0 ? `${rainText(rain, units)} of rain` : 'dry',
    ...(lightning ? ['thunderstorms'] : []),
  ].join(' · ');

/** What the weather asks for, in a sentence. */
export function watchText(watch: WeatherWatch, first: number | null, units: UnitSystem): string {
  switch (watch.kind) {
    case 'brace-by':
      return `Brace by ${dayName(watch.day, first)} night: ${String(watch.courses)} ${watch.courses === 1 ? 'course stands' : 'courses stand'} unbraced${watch.gust === null ? '' : `, with gusts of ${windText(watch.gust, units)}`}.`;
    case 'wind':
      return `Gusts of ${windText(watch.gust, units)} on the empty wall tonight: look over every brace and stake.`;
    case 'cold-pour':
      return `Cold pour: ${airText(watch.low, units)} in the morning. Have covers ready, and warm concrete ordered.`;
    case 'rain':
      return `${watch.item}: ${rainText(watch.rain, units)} of rain.`;
    case 'lightning':
      return `${watch.item}: thunderstorms. Keep everyone off the planks and away from booms.`;
  }
}
