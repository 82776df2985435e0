import { daysBetween, type IsoDay } from '@core/days/day';
import type { GoFacts, GoLine, GoLineId } from '@core/field/go';
import type { Job } from '@core/field/jobs';
import { carriedBy, isUreaOrAmmonium, materialOf, wateringIn } from '@core/field/material';
import { groupOfTexture } from '@core/ground/texture-groups';
import type { ZoneGround } from '@core/ground/zone-ground';
import { limeKindOf } from '@core/lime/lime-label';
import type { Case, Product, Zone } from '@core/records/case';
import type { Operator } from '@core/records/operator-schema';
import { isRefusal } from '@core/reckoning/refusal';
import { leastDaysBetweenN } from '@core/season/rules/dose-ceilings';
import { closingCode, codeNutrientsOf } from '@core/season/rules/local-codes';
import type { QuantityId, Units } from '../../ui/format';

/** What is answered on the spot, and what is typed of the weather. */
export interface TypedDay {
  ground?: GoFacts['ground'];
  turf?: GoFacts['turf'];
  leaf?: GoFacts['leaf'];
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
  turf: { title: 'Turf' },
  wind: { title: 'Wind', quantity: 'speed' },
  gust: { title: 'Gusts', quantity: 'speed' },
  calm: { title: 'Still air near sunrise or sunset', quantity: 'speed' },
  rain24: { title: 'Rain, next 24 h', quantity: 'depth' },
  rain48: { title: 'Rain, next 48 h', quantity: 'depth' },
  drying: { title: 'Rain while it dries', quantity: 'depth' },
  soft: { title: 'Rain, last 24 h, on soft ground', quantity: 'depth' },
  heat: { title: 'High today', quantity: 'temperature' },
  frost: { title: 'Lowest low, 10 days', quantity: 'temperature' },
  leaf: { title: 'Leaf' },
  interval: { title: 'Days since nitrogen', unit: 'days' },
  'lime-gap': { title: 'Days between lime and urea or ammonium', unit: 'days' },
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

const lastDays = (
  { applied = [] }: Zone,
  products: readonly Product[],
  today: IsoDay,
  is: (product: Product) => boolean,
): number | undefined => {
  const days = applied
    .filter(({ date, productId }) => {
      const product = products.find(({ id }) => id === productId);
      return date <= today && product !== undefined && is(product);
    })
    .map(({ date }) => daysBetween(date, today));
  return days.length === 0 ? undefined : Math.min(...days, 400);
};

/** All that is known of this hour for a job: from the records, the sheet, the codes, and what was answered and typed. */
export function goFactsOf(
  job: Job,
  file: Case,
  ground: ZoneGround | undefined,
  typed: TypedDay,
  weather: Partial<Record<WeatherKey, number>>,
  operator: Operator | undefined,
  today: IsoDay,
): GoFacts {
  const { product, zone, zoneSeason } = job;
  const products = file.products ?? [];
  const codes = file.codes ?? [];
  const carries = carriedBy(product);
  const isLime = limeKindOf(product) !== undefined;
  const gap = isLime
    ? lastDays(zone, products, today, isUreaOrAmmonium)
    : isUreaOrAmmonium(product)
      ? lastDays(zone, products, today, (each) => limeKindOf(each) !== undefined)
      : undefined;
  const since = lastDays(zone, products, today, (each) => (each.guaranteed.N ?? 0) > 0);
  const licensed =
    operator?.licenseNumber !== undefined && (operator.expiresOn === undefined || operator.expiresOn >= today);
  const heavy = codes.flatMap(({ heavyRain }) => (heavyRain ? [heavyRain.inches] : []));
  const water = wateringIn(product);
  return {
    material: materialOf(product, job.dose.for),
    season: zoneSeason.grass.season,
    carries,
    textureGroup: groupOfTexture(zone.texture),
    ...(typed.ground ? { ground: typed.ground } : {}),
    ...(typed.turf ? { turf: typed.turf } : {}),
    ...(typed.leaf ? { leaf: typed.leaf } : {}),
    // passes are drawn on the ground without the strip
    ...(ground && ground.keptClear.sqFt > 0 ? { setback: 'kept' as const } : {}),
    ...(codes.length > 0
      ? {
          code: closingCode(codes, codeNutrientsOf(product.guaranteed), today)
            ? ('closed' as const)
            : ('open' as const),
        }
      : {}),
    ...(codes.some(({ licenseNeeded }) => licenseNeeded)
      ? { license: licensed ? ('held' as const) : ('missing' as const) }
      : {}),
    ...weather,
    ...(heavy.length > 0 ? { heavyRainIn: Math.min(...heavy) } : {}),
    ...(since === undefined ? {} : { daysSinceN: since }),
    leastDaysBetweenN: leastDaysBetweenN(zone),
    ...(gap === undefined ? {} : { daysLimeAmmonia: gap }),
    ...(water ? { waterWithinHours: water.withinHours } : {}),
  };
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
