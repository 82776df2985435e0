import type { LocalCode } from '../../records/case';
import {
  COOL_FEEDING_FROM_MEAN_F,
  FROZEN_BELOW_MEAN_F,
  type GrowthSeason,
  HEAT_ABOVE_HIGH_F,
  STOP_BEFORE_FROST_DAYS,
} from '../../climate/climate-year';
import { type ClosedWindow, stretches, windowsOn } from '../../climate/closed-window';
import { dayOfYear, daysInYear, inMonthDaySpan, monthDayAt } from '../../days/day';
import { sayDay } from '../../words/days';
import { type SeasonPlan, type ZoneSeason } from './season-plan';
import { LIME_NITROGEN_GAP_DAYS } from '../rules/limits';
import { MICROBES_WORK_FROM_F } from '../rules/limits';
import { UNFED_BEFORE_TRANSITION_DAYS } from '../rules/overseeding';
import { fixed } from '../../words/numbers';

/** A day that the year turns on. */
export interface SeasonTurn {
  title: string;
  day: number;
  because: string;
}

/** Days of nitrogen that the season closes to cool-season grass, each with its reason. */
function restOfCoolGrass(season: GrowthSeason, meanF: readonly number[]): ClosedWindow[] {
  const closed = season.feeding.map((open, day) => !open && !season.frozen[day] && !season.heat[day]);
  const waking = (to: number) => season.twoMowings !== undefined && to === season.twoMowings - 1;
  return windowsOn(closed, {
    kind: 'rest',
    title: 'Too cool to feed',
    forbids: 'no N',
    because: (from, to) =>
      waking(to)
        ? 'Two mowings of grass come first; until growth adds up to them, nitrogen feeds weeds.'
        : `Mean air down to ${fixed(Math.min(...meanF.slice(from, to + 1)), 0)} deg F; cool-season grass is fed from ${COOL_FEEDING_FROM_MEAN_F} deg F.`,
  }).map((window) => (waking(window.to) ? { ...window, title: 'Waking up' } : window));
}

/** What a winter grass closes: the weeks around its sowing, those before transition, and the rest of its winter where it does not grow. */
function aroundWinterGrass({ winter }: GrowthSeason): ClosedWindow[] {
  if (!winter) return [];
  return windowsOn(
    winter.days.map((yes, day) => yes && !winter.feeding[day]),
    {
      kind: 'rest',
      title: 'Winter grass unfed',
      forbids: 'no N',
      because: `The winter grass is fed from three weeks after sowing, while it grows, and not in the ${UNFED_BEFORE_TRANSITION_DAYS / 7} weeks before transition.`,
    },
  );
}

function restOfWarmGrass(season: GrowthSeason): ClosedWindow[] {
  const itsOwn = (day: number) => !season.winter?.days[day];
  const stop = season.firstFrost - STOP_BEFORE_FROST_DAYS;
  const green = season.fullGreen ?? 0;
  const rest = { kind: 'rest', forbids: 'no N' } as const;
  return [
    ...windowsOn(
      season.growth.map((_, day) => day < green && itsOwn(day)),
      {
        ...rest,
        title: 'Not yet green',
        because: `Full green is reckoned ${green - season.lastFrost} days after the last frost.`,
      },
    ),
    ...windowsOn(
      season.growth.map((_, day) => day > stop && itsOwn(day)),
      {
        ...rest,
        title: 'Before frost and asleep',
        because: `Nitrogen stops ${STOP_BEFORE_FROST_DAYS / 7} weeks before the first frost, so that the grass hardens.`,
      },
    ),
    ...aroundWinterGrass(season),
  ];
}

/** Closed dates of the codes in a year, split where they wrap the new year. They hold without a climate too. */
export const codeWindows = (codes: readonly LocalCode[], year: number): ClosedWindow[] =>
  codes.flatMap((code) =>
    (code.closed ?? []).flatMap((span) =>
      windowsOn(
        Array.from({ length: daysInYear(year) }, (_, day) => inMonthDaySpan(monthDayAt(year, day), span.from, span.to)),
        {
          kind: 'code',
          title: code.name ?? 'Local code',
          forbids: `no ${span.nutrients.join(', ')}`,
          because: `The code closes ${span.from} to ${span.to}, both days inside. Check with the authority.`,
        },
      ),
    ),
  );

/** Windows that close a year to nitrogen by weather, grass and law: what a ribbon has room for. */
export const feedingWindows = (
  { season, grass }: Pick<ZoneSeason, 'season' | 'grass'>,
  { codes, year }: Pick<SeasonPlan, 'codes' | 'year'>,
): ClosedWindow[] => [
  ...(season
    ? [...frozenWindows(season), ...(grass.season === 'warm' ? restOfWarmGrass(season) : []), ...heatWindows(season)]
    : []),
  ...codeWindows(codes, year),
];

const frozenWindows = (season: GrowthSeason): ClosedWindow[] =>
  windowsOn(season.frozen, {
    kind: 'frozen',
    title: 'Frozen ground',
    forbids: 'no dose',
    because: `Mean air under ${FROZEN_BELOW_MEAN_F} deg F.`,
  });

const heatWindows = (season: GrowthSeason): ClosedWindow[] =>
  windowsOn(season.heat, {
    kind: 'heat',
    title: 'Heat',
    forbids: 'no N, no free S',
    because: `Mean high over ${HEAT_ABOVE_HIGH_F} deg F burns cool-season grass.`,
  });

/**
 * Every closed window of a zone's year with its reason, in order of the day it opens on: ground, heat, rest, local codes, soil
 * too cool for microbes, the gap around each lime dose, days before the report. Limits: see `climate-year.ts` and `limits.ts`.
 *
 * @example seasonWindows(zoneSeason, plan)[0].because // 'Mean air under 32 deg F …'
 */
export function seasonWindows(
  { season, doses, grass, from: begins, fromIs }: ZoneSeason,
  plan: SeasonPlan,
): ClosedWindow[] {
  const { weather, year, soilF, codes } = plan;
  if (!season || !weather) return [];
  const days = season.growth.length;
  const firstDay = begins.startsWith(String(year)) ? dayOfYear(begins) : 0;
  const windows = [
    ...frozenWindows(season),
    ...heatWindows(season),
    ...(grass.season === 'cool' ? restOfCoolGrass(season, weather.meanF) : restOfWarmGrass(season)),
    ...codeWindows(codes, year),
    ...windowsOn(
      soilF.map((f) => f < MICROBES_WORK_FROM_F),
      {
        kind: 'cool-soil',
        title: 'Soil too cool for microbes',
        forbids: 'no free S, no organic N',
        because: `Under ${MICROBES_WORK_FROM_F} deg F at 3 in: free sulfur and microbe-driven nitrogen lie idle.`,
      },
    ),
    ...doses
      .filter((dose) => dose.for === 'lime')
      .flatMap((dose) =>
        windowsOn(
          season.growth.map((_, day) => Math.abs(day - dayOfYear(dose.date)) < LIME_NITROGEN_GAP_DAYS),
          {
            kind: 'lime',
            title: `Around lime of ${sayDay(dose.date)}`,
            forbids: 'no ammonium or urea',
            because: `Lime and ammonium or urea keep ${LIME_NITROGEN_GAP_DAYS} days apart, or ammonia is lost to the air.`,
          },
        ),
      ),
    ...windowsOn(
      Array.from({ length: days }, (_, day) => day < firstDay),
      {
        kind: 'report',
        title: 'Before the plan',
        forbids: 'no dose',
        because: `It starts on ${sayDay(begins)}: ${fromIs.says}.`,
      },
    ),
  ];
  return windows.sort((a, b) => a.from - b.from || a.to - b.to);
}

/** The window that closes a day of a zone to nitrogen and leaves it open to other things; undefined where it is open, or frozen. */
export function closedToNitrogen(plan: SeasonPlan, zoneId: string, date: string): string | undefined {
  const zone = plan.zones.find((each) => each.zone.id === zoneId);
  if (!zone) return undefined;
  const day = dayOfYear(date);
  const closed = feedingWindows(zone, plan).filter(({ from, to }) => day >= from && day <= to);
  return closed.some(({ kind }) => kind === 'frozen')
    ? undefined
    : closed.find(({ forbids }) => /\bN\b/.test(forbids))?.title;
}

/** The days a zone's year turns on: frosts, waking, full green, the last mowing. In order. */
export function seasonTurns({ season }: Pick<ZoneSeason, 'season'>): SeasonTurn[] {
  if (!season) return [];
  const days = season.growth.length;
  const turn = (title: string, day: number | undefined, because: string): SeasonTurn[] =>
    day === undefined || day < 0 || day >= days ? [] : [{ title, day, because }];
  const winter = stretches(season.winter?.days ?? []);
  return [
    ...winter.flatMap(({ from, to }) => [
      ...(from > 0 ? turn('Overseeding', from, 'The winter grass is sown over the warm-season turf.') : []),
      ...turn('Spring transition', to < days - 1 ? to : undefined, 'From here the warm-season grass has the ground.'),
    ]),
    ...turn('Last frost', season.lastFrost, 'The property’s own date, else the day mean lows pass 36 deg F.'),
    ...turn('Two mowings', season.twoMowings, 'Growth since waking adds up to twelve days of its best.'),
    ...turn('Full green', season.fullGreen, 'Weeks after the last frost: four, six for centipedegrass.'),
    ...turn('First frost', season.firstFrost, 'The property’s own date, else the day mean lows pass 36 deg F.'),
    ...turn('Last mowing', season.lastMowing, 'Growth falls under a tenth of its best.'),
  ].sort((a, b) => a.day - b.day);
}
