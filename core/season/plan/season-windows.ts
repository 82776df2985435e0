import type { LocalCode } from '../../records/case';
import {
  COOL_FEEDING_FROM_MEAN_F,
  FROZEN_BELOW_MEAN_F,
  type GrowthSeason,
  HEAT_ABOVE_HIGH_F,
  STOP_BEFORE_FROST_DAYS,
  stretches,
} from '../../climate/climate-year';
import { addDays, dayOfYear, inMonthDaySpan, sayDay } from '../../days/day';
import { type SeasonPlan, type ZoneSeason } from './season-plan';
import { LIME_NITROGEN_GAP_DAYS } from '../rules/limits';
import { MICROBES_WORK_FROM_F } from '../rules/limits';

export const WINDOW_KINDS = ['frozen', 'rest', 'heat', 'code', 'cool-soil', 'lime', 'report'] as const;

/** A stretch of the year in which something may not go down, with the number that decides. */
export interface SeasonWindow {
  kind: (typeof WINDOW_KINDS)[number];
  title: string;
  /** What it holds back: 'no N'. */
  forbids: string;
  /** First and last day, both inside, 0 for 1 January. */
  from: number;
  to: number;
  because: string;
}

/** A day that the year turns on. */
export interface SeasonTurn {
  title: string;
  day: number;
  because: string;
}

/** Days of nitrogen that the season closes to cool-season grass, each with its reason. */
function restOfCoolGrass(season: GrowthSeason, meanF: readonly number[]): SeasonWindow[] {
  const closed = season.feeding.map((open, day) => !open && !season.frozen[day] && !season.heat[day]);
  return stretches(closed).map(({ from, to }) => {
    const waking = season.twoMowings !== undefined && to === season.twoMowings - 1;
    const coolest = Math.min(...meanF.slice(from, to + 1));
    return {
      kind: 'rest',
      title: waking ? 'Waking up' : 'Too cool to feed',
      forbids: 'no N',
      from,
      to,
      because: waking
        ? 'Two mowings of grass come first; until growth adds up to them, nitrogen feeds weeds.'
        : `Mean air down to ${coolest.toFixed(0)} deg F; cool-season grass is fed from ${COOL_FEEDING_FROM_MEAN_F}.`,
    };
  });
}

function restOfWarmGrass(season: GrowthSeason): SeasonWindow[] {
  const stop = season.firstFrost - STOP_BEFORE_FROST_DAYS;
  const days = season.growth.length;
  const green = season.fullGreen ?? 0;
  const found: SeasonWindow[] = [];
  if (green > 0)
    found.push({
      kind: 'rest',
      title: 'Not yet green',
      forbids: 'no N',
      from: 0,
      to: Math.min(days, green) - 1,
      because: `Full green is reckoned ${green - season.lastFrost} days after the last frost.`,
    });
  if (stop < days - 1)
    found.push({
      kind: 'rest',
      title: 'Before frost and asleep',
      forbids: 'no N',
      from: Math.max(0, stop + 1),
      to: days - 1,
      because: `Nitrogen stops ${STOP_BEFORE_FROST_DAYS / 7} weeks before the first frost, so that the grass hardens.`,
    });
  return found;
}

/** Closed dates of the codes, split where they wrap the new year. */
function closedDates(codes: readonly LocalCode[], year: number, days: number): SeasonWindow[] {
  return codes.flatMap((code) =>
    (code.closed ?? []).flatMap((span) =>
      stretches(
        Array.from({ length: days }, (_, day) =>
          inMonthDaySpan(addDays(`${year}-01-01`, day).slice(5), span.from, span.to),
        ),
      ).map(({ from, to }) => ({
        kind: 'code' as const,
        title: code.name ?? 'Local code',
        forbids: `no ${span.nutrients.join(', ')}`,
        from,
        to,
        because: `The code closes ${span.from} to ${span.to}, both days inside. Check with the authority.`,
      })),
    ),
  );
}

/**
 * Every closed window of a zone's year with its reason, in order of the day it opens on: ground, heat, rest, local codes, soil
 * too cool for microbes, the gap around each lime dose, days before the report. Limits: see `climate-year.ts` and `limits.ts`.
 *
 * @example seasonWindows(zoneSeason, season, codes)[0].because // 'Mean air under 32 deg F …'
 */
export function seasonWindows(
  { season, doses, grass }: ZoneSeason,
  plan: SeasonPlan,
  codes: readonly LocalCode[],
): SeasonWindow[] {
  const { weather, year, soilF } = plan;
  if (!season || !weather) return [];
  const days = season.growth.length;
  const span = (kind: SeasonWindow['kind'], title: string, forbids: string, because: string, yes: boolean[]) =>
    stretches(yes).map((s): SeasonWindow => ({ kind, title, forbids, because, ...s }));
  const firstDay = plan.from.startsWith(String(year)) ? dayOfYear(plan.from) : 0;
  const windows = [
    ...span('frozen', 'Frozen ground', 'no dose', `Mean air under ${FROZEN_BELOW_MEAN_F} deg F.`, season.frozen),
    ...span(
      'heat',
      'Heat',
      'no N, no free S',
      `Mean high over ${HEAT_ABOVE_HIGH_F} deg F burns cool-season grass.`,
      season.heat,
    ),
    ...(grass.season === 'cool' ? restOfCoolGrass(season, weather.meanF) : restOfWarmGrass(season)),
    ...closedDates(codes, year, days),
    ...span(
      'cool-soil',
      'Soil too cool for microbes',
      'no free S, no organic N',
      `Under ${MICROBES_WORK_FROM_F} deg F at 3 in: free sulfur and microbe-driven nitrogen lie idle.`,
      soilF.map((f) => f < MICROBES_WORK_FROM_F),
    ),
    ...doses
      .filter((dose) => dose.for === 'lime')
      .map((dose): SeasonWindow => ({
        kind: 'lime',
        title: `Around lime of ${sayDay(dose.date)}`,
        forbids: 'no ammonium or urea',
        from: Math.max(0, dayOfYear(dose.date) - LIME_NITROGEN_GAP_DAYS + 1),
        to: Math.min(days - 1, dayOfYear(dose.date) + LIME_NITROGEN_GAP_DAYS - 1),
        because: `Lime and ammonium or urea keep ${LIME_NITROGEN_GAP_DAYS} days apart, or ammonia is lost to the air.`,
      })),
    ...(firstDay > 0
      ? span(
          'report',
          'Before the plan',
          'no dose',
          `It starts on ${sayDay(plan.from)}: ${plan.fromIs}.`,
          Array.from({ length: days }, (_, day) => day < firstDay),
        )
      : []),
  ];
  return windows.sort((a, b) => a.from - b.from || a.to - b.to);
}

/** The days a zone's year turns on: frosts, waking, full green, the last mowing. In order. */
export function seasonTurns({ season }: Pick<ZoneSeason, 'season'>): SeasonTurn[] {
  if (!season) return [];
  const days = season.growth.length;
  const turn = (title: string, day: number | undefined, because: string): SeasonTurn[] =>
    day === undefined || day < 0 || day >= days ? [] : [{ title, day, because }];
  return [
    ...turn('Last frost', season.lastFrost, 'The property’s own date, else the day mean lows pass 36 deg F.'),
    ...turn('Two mowings', season.twoMowings, 'Growth since waking adds up to twelve days of its best.'),
    ...turn('Full green', season.fullGreen, 'Weeks after the last frost: four, six for centipedegrass.'),
    ...turn('First frost', season.firstFrost, 'The property’s own date, else the day mean lows pass 36 deg F.'),
    ...turn('Last mowing', season.lastMowing, 'Growth falls under a tenth of its best.'),
  ].sort((a, b) => a.day - b.day);
}
