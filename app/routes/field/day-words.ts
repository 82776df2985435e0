import type { SeenDay } from '@core/field/day-facts';
import type { GoLine, GoLineId } from '@core/field/go';
import { isRefusal } from '@core/reckoning/refusal';
import type { QuantityId, Units } from '../../ui/format';

/** What is answered on the spot, and what is typed of the weather. */
export interface TypedDay extends SeenDay {
  numbers: Partial<Record<WeatherKey, string>>;
}
export const NO_DAY: TypedDay = { numbers: {} };

/** Weather that is typed where no forecast is. */
export const WEATHER = {
  windMph: { label: 'Wind', quantity: 'speed' },
  gustMph: { label: 'Gusts', quantity: 'speed' },
  rainNext24In: { label: 'Rain, next 24 h', quantity: 'depth' },
  rainLast24In: { label: 'Rain, last 24 h', quantity: 'depth' },
  highF: { label: 'High today', quantity: 'temperature' },
  lowestLowF: { label: 'Lowest low, 10 days', quantity: 'temperature' },
} as const satisfies Record<string, { label: string; quantity: QuantityId }>;
export type WeatherKey = keyof typeof WEATHER;
export const WEATHER_KEYS = Object.keys(WEATHER) as WeatherKey[];

/** What each line is called, and how its number is shown. */
export const LINE_WORDS: Record<GoLineId, { title: string; quantity?: QuantityId; unit?: string }> = {
  ground: { title: 'Ground' },
  setback: { title: 'Strip at water' },
  code: { title: 'Local code' },
  license: { title: 'License' },
  label: { title: 'Label of the pesticide' },
  turf: { title: 'Turf' },
  wind: { title: 'Wind', quantity: 'speed' },
  gust: { title: 'Gusts', quantity: 'speed' },
  calm: { title: 'Still air near sunrise or sunset', quantity: 'speed' },
  rain24: { title: 'Rain, next 24 h', quantity: 'depth' },
  rain48: { title: 'Rain, next 48 h', quantity: 'depth' },
  drying: { title: 'Rain while it dries', quantity: 'depth' },
  soft: { title: 'Rain, last 24 h, on soft ground', quantity: 'depth' },
  heat: { title: 'High today', quantity: 'temperature' },
  cold: { title: 'High today, least of the label', quantity: 'temperature' },
  frost: { title: 'Lowest low, 10 days', quantity: 'temperature' },
  leaf: { title: 'Leaf' },
  interval: { title: 'Days since nitrogen', unit: 'days' },
  'lime-gap': { title: 'Days between lime and urea or ammonium', unit: 'days' },
  'warm-soil': { title: 'Soil, least for microbes', quantity: 'temperature' },
  young: { title: 'Days since the sowing', unit: 'days' },
  mown: { title: 'Days since the mowing', unit: 'days' },
  sick: { title: 'Disease seen lately' },
  'water-in': { title: 'Until it is watered in', unit: 'h' },
};

/** What is typed of the weather, as numbers; a fault by its field. */
export function weatherFrom(
  { numbers }: TypedDay,
  units: Units,
): { weather: Partial<Record<WeatherKey, number>>; faults: Partial<Record<WeatherKey, string>> } {
  const weather: Partial<Record<WeatherKey, number>> = {};
  const faults: Partial<Record<WeatherKey, string>> = {};
  for (const key of WEATHER_KEYS) {
    const { label, quantity } = WEATHER[key];
    const value = units.value(quantity, numbers[key] ?? '', label, key);
    if (isRefusal(value)) faults[key] = value.refused;
    else if (value !== undefined && quantity !== 'temperature' && (value < 0 || value > 150))
      faults[key] = `${label} cannot be that: type it once more.`;
    else if (value !== undefined && quantity === 'temperature' && (value < -80 || value > 140))
      faults[key] = `${label} is no temperature of a lawn: type it once more.`;
    else if (value !== undefined) weather[key] = value;
  }
  const { highF, lowestLowF } = weather;
  if (highF !== undefined && lowestLowF !== undefined && lowestLowF > highF) {
    faults.lowestLowF = 'The lowest low is above the high of today.';
    delete weather.lowestLowF;
  }
  return { weather, faults };
}

/** A line's number or word as it is read, with its limit. */
export function lineSays({ id, value, limit }: GoLine, units: Units): string {
  const { quantity, unit } = LINE_WORDS[id];
  const say = (number: number) =>
    quantity === undefined
      ? `${units.plain(number, 1)}${unit ? ` ${unit}` : ''}`
      : `${units.show(quantity, number)} ${units.unit(quantity)}`;
  if (value === undefined) return limit === undefined ? 'not known' : `not known, limit ${say(limit)}`;
  if (typeof value === 'string') return value.replaceAll('-', ' ');
  return limit === undefined ? say(value) : `${say(value)}, limit ${say(limit)}`;
}
