import type { DayJob, FieldDay } from '../field/field-day';
import type { GoLineId } from '../field/go';
import { trimmed } from '../words/numbers';

/** Where a line of the verdict has what it says from, in the words of the printed day. */
const ORIGIN: Record<GoLineId, 'seen' | 'sheet' | 'code' | 'operator' | 'forecast' | 'records'> = {
  ground: 'seen',
  setback: 'sheet',
  code: 'code',
  license: 'operator',
  label: 'seen',
  turf: 'seen',
  wind: 'forecast',
  gust: 'forecast',
  calm: 'forecast',
  rain24: 'forecast',
  rain48: 'forecast',
  drying: 'forecast',
  soft: 'forecast',
  heat: 'forecast',
  cold: 'forecast',
  frost: 'forecast',
  leaf: 'forecast',
  interval: 'records',
  'lime-gap': 'records',
  'warm-soil': 'records',
  young: 'records',
  mown: 'records',
  sick: 'seen',
  'water-in': 'forecast',
};

function printJob({ job, ground: _ground, walk, hours, lines, verdict, water, ...of }: DayJob) {
  const reasons = lines.filter(({ standing }) => standing === verdict && verdict !== 'go').map(({ id }) => id);
  const rounds = walk?.rounds ?? [];
  const loaded = rounds.flatMap(({ loads }) => (loads ? [loads] : []));
  return {
    key: job.key,
    zoneId: job.zone.id,
    productId: job.product.id,
    for: job.dose.for,
    plannedOn: job.dose.date,
    lastDay: job.lastDay,
    state: job.state,
    daysLate: job.daysLate,
    rateLb: job.dose.rateLb,
    weighOutLb: of.weighOutLb,
    ...(of.measureOutFlOz === undefined ? {} : { measureOutFlOz: of.measureOutFlOz }),
    likelyErrorLb: of.likelyErrorLb ?? null,
    shares: rounds.map(({ shareLb }) => shareLb),
    asSquare: walk?.asSquare ?? false,
    passes: rounds.map(({ stripes, minutes, settingLb }, i) => ({
      bearingDeg: stripes.bearingDeg,
      passes: stripes.passes,
      spacingFt: stripes.spacingFt,
      walkFt: stripes.walkFt,
      minutes,
      settingRateLb: settingLb,
      opening: of.openings[i] ?? null,
    })),
    ...(of.walkRefused === undefined ? {} : { walkRefused: of.walkRefused }),
    loads:
      loaded.length === 0
        ? null
        : { loadLb: loaded.map(({ loadLb }) => loadLb), stopAfterRun: loaded.map(({ stopAfterRun }) => stopAfterRun) },
    waterIn: water
      ? {
          depthIn: water.depthIn,
          gallons: water.gallons,
          minutes: water.run?.minutes ?? null,
          cycles: water.run?.cycles ?? null,
          withinHours: water.withinHours,
        }
      : null,
    readiness: lines.map(({ id, standing, value, limit }) => ({
      id,
      standing,
      value: value ?? null,
      limit: limit ?? null,
      origin: value === undefined ? null : ORIGIN[id],
    })),
    go: { verdict, reasons, until: verdict === 'go' ? (hours.until ?? null) : null },
    hours: hours.verdicts.map(({ at, verdict: then, reasons: why, night }) => ({
      at,
      verdict: then,
      reasons: why,
      night,
    })),
    windows: hours.windows.map(({ from, to, meanWindMph }) => ({
      from,
      to,
      why: `wind ${trimmed(meanWindMph, 0)} mph on average; ground taken as firm, turf as growing`,
    })),
    law: of.law,
    hints: of.hints,
    says: of.says,
    cautions: of.cautions,
  };
}

/** The day as `ubertas field` prints it. */
export const printFieldDay = ({ date, jobs, says }: FieldDay) => ({
  format: 'ubertas-field-day',
  version: 1,
  date,
  ...(says === undefined ? {} : { says }),
  jobs: jobs.map(printJob),
});
