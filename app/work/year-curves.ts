import { dayLengthByDay, etoByDay, rainByDay } from '@core/climate/day-curves';
import { soilTemperatureByDay } from '@core/climate/soil-temperature';
import { MICROBES_WORK_FROM_F } from '@core/season/rules/limits';
import type { PropertyWork } from './property-work';
import type { Units } from '../ui/format';

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
export function yearCurves({ file, season, zoneSeason, year }: PropertyWork, units: Units): Curve[] {
  const degrees = (values: readonly number[]) => values.map((f) => units.inShown('temperature', f));
  const depths = (values: readonly number[]) => values.map((inches) => units.inShown('depth', inches * WEEK));
  const isUs = units.setting.system === 'us';
  const depthWords = units.said('3 in');
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
      unit: units.unit('temperature'),
      digits: isUs ? 0 : 1,
      lines: [
        { name: 'high', values: degrees(weather.highF), ink: 'var(--loam)' },
        { name: 'low', values: degrees(weather.lowF), ink: 'var(--slate)', dash: true },
      ],
    },
    {
      id: 'soil',
      name: corrected.length > 0 ? `Soil at ${depthWords}, moved by readings` : `Soil at ${depthWords}`,
      unit: units.unit('temperature'),
      digits: isUs ? 0 : 1,
      lines: [
        {
          name: corrected.length > 0 ? 'as read' : '',
          values: degrees(soilF),
          ink: 'var(--loam-2)',
          fill: 'var(--soil)',
        },
        ...(corrected.length > 0
          ? [
              {
                name: 'of the climate',
                values: degrees(soilTemperatureByDay(weather.meanF)),
                ink: 'var(--slate)',
                dash: true,
              },
            ]
          : []),
      ],
      limit: {
        at: units.inShown('temperature', MICROBES_WORK_FROM_F),
        says: `microbes work from ${units.say('temperature', MICROBES_WORK_FROM_F)}`,
      },
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
  if (eto) water.push({ name: 'ETo', values: depths(eto), ink: 'var(--clay)' });
  if (rain) water.push({ name: 'rain', values: depths(rain), ink: 'var(--slate)', dash: true });
  if (water.length > 0)
    curves.push({
      id: 'water',
      name: 'Water',
      unit: `${units.unit('depth')} a week`,
      digits: isUs ? 2 : 0,
      lines: water,
    });
  return curves;
}
