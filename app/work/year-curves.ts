import { dayLengthByDay, etoByDay, rainByDay } from '@core/climate/day-curves';
import { soilTemperatureByDay } from '@core/climate/soil-temperature';
import { MICROBES_WORK_FROM_F } from '@core/season/rules/limits';
import type { PropertyWork } from './property-work';

/** One line of a curve's plot, by day. */
export interface CurveLine {
  name: string;
  values: readonly number[];
  ink: string;
  /** Filled down to the foot. */
  fill?: string;
  dash?: boolean;
}

/** A plot of the year: its lines share one scale. */
export interface Curve {
  id: 'air' | 'soil' | 'growth' | 'light' | 'water';
  name: string;
  unit: string;
  digits: number;
  lines: readonly CurveLine[];
  /** A limit drawn across, with its words. */
  limit?: { at: number; says: string };
}

/** Rain and evaporation are read by the week: a day of a normal year says little. */
const WEEK = 7;

/** The curves of the focused zone's year, as far as climate, latitude and rain are known. */
export function yearCurves({ file, season, zoneSeason, year }: PropertyWork): Curve[] {
  const { weather, soilF } = season;
  const corrected = (season.soilCorrections ?? []).filter(({ doubted }) => !doubted);
  if (!weather) return [];
  const days = weather.meanF.length;
  const light = dayLengthByDay(file.property.latitudeDeg, days);
  const eto = etoByDay(file, weather);
  const rain = rainByDay(file, year, days);
  const curves: Curve[] = [
    {
      id: 'air',
      name: 'Air',
      unit: '°F',
      digits: 0,
      lines: [
        { name: 'high', values: weather.highF, ink: 'var(--loam)' },
        { name: 'low', values: weather.lowF, ink: 'var(--slate)', dash: true },
      ],
    },
    {
      id: 'soil',
      name: corrected.length > 0 ? `Soil at 3 in, moved by readings` : 'Soil at 3 in',
      unit: '°F',
      digits: 0,
      lines: [
        { name: corrected.length > 0 ? 'as read' : '', values: soilF, ink: 'var(--loam-2)', fill: 'var(--soil)' },
        ...(corrected.length > 0
          ? [{ name: 'of the climate', values: soilTemperatureByDay(weather.meanF), ink: 'var(--slate)', dash: true }]
          : []),
      ],
      limit: { at: MICROBES_WORK_FROM_F, says: `microbes work from ${MICROBES_WORK_FROM_F} °F` },
    },
  ];
  if (zoneSeason?.season)
    curves.push({
      id: 'growth',
      name: 'Growth',
      unit: 'of its best',
      digits: 2,
      lines: [{ name: '', values: zoneSeason.season.growth, ink: 'var(--growth-line)', fill: 'var(--growth)' }],
    });
  if (light)
    curves.push({
      id: 'light',
      name: 'Daylight',
      unit: 'hours',
      digits: 1,
      lines: [{ name: '', values: light, ink: 'var(--sulfur-ink)' }],
    });
  const water: CurveLine[] = [];
  if (eto) water.push({ name: 'ETo', values: eto.map((v) => v * WEEK), ink: 'var(--clay)' });
  if (rain) water.push({ name: 'rain', values: rain.map((v) => v * WEEK), ink: 'var(--slate)', dash: true });
  if (water.length > 0) curves.push({ id: 'water', name: 'Water', unit: 'in a week', digits: 2, lines: water });
  return curves;
}
