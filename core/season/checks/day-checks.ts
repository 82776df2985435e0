import { doseKey } from '../plan/dose-key';
import { overDoses } from '../plan/worked-doses';
import { LEAST_GROWTH } from '../../climate/climate-year';
import { daysBetween, weekStart } from '../../days/day';
import { microbeDriven } from '../../nitrogen/forms';
import { releaseByDay } from '../../nitrogen/release';
import { sayDay } from '../../words/days';
import { two } from '../../words/numbers';
import type { Dose } from '../plan/dose';
import { isFeedingLb } from '../plan/feeding';
import { leastDaysBetweenN } from '../rules/dose-ceilings';
import { MICROBES_WORK_FROM_F, longestWaitDays, MOST_FREE_IN_HEAT_LB } from '../rules/limits';
import { closedTo } from '../rules/local-codes';
import { check, dayIn, dosesIn, EPS, type Facts, ifAny, noneOf } from './check';

/** Whether a dose falls on a day that bears it, and how far feedings stand apart. */

const bringsN = (dose: Dose): boolean => isFeedingLb(dose.delivers.N ?? 0);
const first = (doses: readonly Dose[]): string => (doses[0] ? sayDay(doses[0].date) : '');

/** Days with nitrogen, and what brings it. */
const feedingsOf = (days: Facts['days']): Facts['days'] =>
  days.map((d) => ({ ...d, doses: d.doses.filter(bringsN) })).filter((d) => d.doses.length > 0);

const leastInterval = check({
  id: 'least-interval',
  kind: 'day',
  title: 'Between N doses',
  rule: 'Nitrogen waits until the grass has used the dose before.',
  measure: ({ zoneSeason, days }: Facts) => {
    const feedings = feedingsOf(days);
    const [tight] = feedings
      .slice(1)
      .map((to, i) => {
        const from = feedings[i] as (typeof feedings)[number];
        return { days: daysBetween(from.date, to.date), from, to };
      })
      .sort((a, b) => a.days - b.days);
    const least = leastDaysBetweenN(zoneSeason.zone);
    return (
      tight && {
        found: `${tight.days} d, needs ${least}`,
        least,
        ...tight,
        doses: [...tight.from.doses, ...tight.to.doses],
      }
    );
  },
  standing: ({ days, least }) => (days >= least ? 'pass' : 'fail'),
  says: ({ from, to, days, least }) =>
    `Nitrogen of ${sayDay(from.date)} and ${sayDay(to.date)} stands ${days} days apart and needs ${least}: the grass has not used the first.`,
});

const afterOver = check({
  id: 'after-over',
  kind: 'day',
  title: 'After a dose that was over',
  rule: 'A feeding that went down heavier than planned lasts longer: the next one waits for it, share for share (field.over).',
  measure: ({ zoneSeason: { zone }, given, ahead, plan }: Facts) => {
    const [tight] = overDoses(given, zone)
      .filter(({ date }) => date.startsWith(`${plan.year}-`))
      .flatMap((over) => {
        const needs = leastDaysBetweenN(zone) + over.laterDays;
        const next = ahead.find((dose) => bringsN(dose) && dose.date > over.date);
        return next ? [{ ...over, needs, next, days: daysBetween(over.date, next.date) }] : [];
      })
      .sort((a, b) => a.days - a.needs - (b.days - b.needs));
    return tight && { found: `${tight.days} d, needs ${tight.needs}`, ...tight, doses: [tight.next] };
  },
  standing: ({ days, needs }) => (days >= needs ? 'pass' : 'fail'),
  says: ({ date, ofPlan, next, days, needs }) =>
    `${two(ofPlan)} of the planned dose went down on ${sayDay(date)}: the nitrogen of ${sayDay(next.date)} comes ${days} days later and needs ${needs}.`,
});

const longestWait = check({
  id: 'most-interval',
  kind: 'day',
  title: 'Longest wait for N in season',
  rule: 'Open season goes no longer without nitrogen than the grass should wait, or so many doses make of it.',
  measure: ({ zoneSeason: { zone, season, prescription }, days }: Facts) => {
    const feedings = feedingsOf(days);
    const [begins] = feedings;
    if (!season || !begins) return undefined;
    const fed = new Set(feedings.map((d) => dayIn(d.date)));
    let longest = 0;
    let run = 0;
    season.feeding.forEach((open, day) => {
      run = open && day >= dayIn(begins.date) && !fed.has(day) ? run + 1 : 0;
      longest = Math.max(longest, run);
    });
    const openDays = season.feeding.filter(Boolean).length;
    const most = longestWaitDays(zone, openDays, prescription.nitrogen.year.value);
    return { found: `${longest} d, most ${most}`, longest, most };
  },
  standing: ({ longest, most }) => (longest <= most + 7 ? 'pass' : 'warn'),
  says: ({ longest, most }) =>
    `The open season goes ${longest} days without nitrogen; ${most} are as long as the grass should wait.`,
});

const closedDates = check({
  id: 'closed-dates',
  kind: 'day',
  title: 'Closed dates of the code',
  rule: 'Nothing is spread on a day that a local code closes to it.',
  measure: ({ doses, codes }: Facts) => {
    const closed = doses.filter((d) => closedTo(codes, d.delivers, d.date));
    return { found: codes.length === 0 ? 'no code loaded' : `${dosesIn(closed)} inside`, doses: closed };
  },
  standing: noneOf('fail'),
  says: ({ doses }) => `The dose of ${first(doses)} lies in a closed period of the local code.`,
});

const frozenGround = check({
  id: 'frozen',
  kind: 'day',
  title: 'Frozen ground',
  rule: 'Nothing is spread on frozen ground.',
  measure: ({ zoneSeason: { season }, doses }: Facts) => {
    const frozen = doses.filter((d) => season?.frozen[dayIn(d.date)]);
    return { found: `${dosesIn(frozen)} inside`, doses: frozen };
  },
  standing: noneOf('fail'),
  says: ({ doses }) => `The dose of ${first(doses)} would fall on frozen ground and wash off.`,
});

const heat = check({
  id: 'heat',
  kind: 'day',
  title: 'Heat',
  rule: 'Neither nitrogen nor sulfur is spread in the heat of summer.',
  measure: ({ zoneSeason: { season }, doses }: Facts) => {
    if (!season) return undefined;
    const hot = doses.filter((d) => season.heat[dayIn(d.date)] && (bringsN(d) || d.for === 'sulfur'));
    return { found: `${dosesIn(hot)} inside`, doses: hot };
  },
  standing: noneOf('fail'),
  says: ({ doses }) => `The dose of ${first(doses)} would fall in the heat of summer: it burns, and feeds disease.`,
});

const heatSupply = check({
  id: 'heat-supply',
  kind: 'day',
  title: 'N made free in the heat',
  rule: 'Slow nitrogen of before makes little free while cool-season grass rests in the heat.',
  measure: ({ zoneSeason: { season, carried }, doses, productOf, soilF }: Facts) => {
    const feeding = doses.filter(bringsN);
    if (!season || !season.heat.some(Boolean) || feeding.length === 0) return undefined;
    const inHeat = (byDay: readonly number[]) =>
      byDay.reduce((all, share, day) => (season.heat[day] ? all + share : all), 0);
    const freed = feeding.map((dose) => {
      const product = productOf(dose);
      const share = product ? inHeat(releaseByDay(product, soilF, dayIn(dose.date))) : 0;
      return { dose, lb: share * (dose.delivers.N ?? 0) };
    });
    const left = carried ? inHeat(carried.byDay) : 0;
    const lb = freed.reduce((all, each) => all + each.lb, left);
    return {
      found: `${two(lb)} of ${two(MOST_FREE_IN_HEAT_LB)} lb N`,
      lb,
      doses: freed.filter((each) => each.lb > EPS).map((each) => each.dose),
    };
  },
  standing: ({ lb }) => (lb <= MOST_FREE_IN_HEAT_LB + EPS ? 'pass' : 'warn'),
  says: ({ lb }) =>
    `Doses make ${two(lb)} lb N per 1000 free in the heat of summer; more than ${two(MOST_FREE_IN_HEAT_LB)} lb N pushes leaf when cool-season grass should rest. Slow nitrogen of late spring does this: put it down earlier, less of it, or a quick one.`,
});

const growing = check({
  id: 'growing',
  kind: 'day',
  title: 'N while the grass grows',
  rule: 'Nitrogen falls on growing grass, or where the chosen school keeps the year open.',
  measure: ({ zoneSeason: { season, schools, prescription, programme = [] }, doses }: Facts) => {
    if (!season) return undefined;
    const sown = prescription.establishment;
    const ofSeeding = new Set(sown ? programme.map(doseKey) : []);
    const resting = doses.filter((d) => {
      const day = dayIn(d.date);
      const open =
        season.feeding[day] ||
        season.winter?.feeding[day] ||
        season.heat[day] ||
        season.frozen[day] ||
        schools?.alsoOpen.N?.[day];
      return bringsN(d) && !open;
    });
    // the starter and the second dose follow the day that a person gave the seeding: that day is what is wrong
    const byTheDay = resting.length > 0 && resting.every((d) => ofSeeding.has(doseKey(d)));
    return { found: `${dosesIn(resting)} outside`, doses: resting, byTheDay };
  },
  standing: ({ doses, byTheDay }) => (doses.length === 0 ? 'pass' : byTheDay ? 'warn' : 'fail'),
  says: ({ doses, byTheDay }) =>
    byTheDay
      ? `On ${first(doses)} the grass still rests, and what feeds the new stand would leach or wash off unused. Choose a later day for it.`
      : `The nitrogen of ${first(doses)} falls while the grass rests: it would leach or wash off unused.`,
});

const sulfurRest = check({
  id: 'sulfur-rest',
  kind: 'day',
  title: 'Sulfur while the grass grows',
  rule: 'Sulfur falls on growing grass: resting grass it burns.',
  measure: ({ zoneSeason: { season }, doses }: Facts) => {
    const resting = doses.filter(
      (d) => d.for === 'sulfur' && season && (season.growth[dayIn(d.date)] ?? 0) < LEAST_GROWTH,
    );
    return ifAny({ found: `${dosesIn(resting)} outside`, doses: resting });
  },
  standing: noneOf('fail'),
  says: ({ doses }) => `The sulfur of ${first(doses)} would fall on resting grass, which it burns.`,
});

const warmSoil = check({
  id: 'warm-soil',
  kind: 'day',
  title: 'Soil warm enough for microbes',
  rule: 'What microbes must free, and sulfur, goes onto soil warm enough for them.',
  measure: ({ zoneSeason: { season }, doses, productOf, soilF }: Facts) => {
    if (!season) return undefined;
    const cold = doses.filter((d) => {
      const product = productOf(d);
      const microbes = d.for === 'sulfur' || (product && microbeDriven(product));
      return microbes && (soilF[dayIn(d.date)] ?? 0) < MICROBES_WORK_FROM_F;
    });
    return ifAny({ found: `${dosesIn(cold)} too cold`, doses: cold, name: cold[0] && productOf(cold[0])?.name });
  },
  standing: noneOf('warn'),
  says: ({ doses, name }) =>
    `On ${first(doses)} the soil is under ${MICROBES_WORK_FROM_F} deg F, and ${name} waits for microbes.`,
});

const daysToCome = check({
  id: 'past',
  kind: 'day',
  title: 'Days to come',
  rule: 'No dose is planned before the first day that is still free.',
  measure: ({ zoneSeason: { season, from, fromIs }, ahead }: Facts) => {
    // a dose has its whole week, and what was given is no plan any more
    const first = fromIs.id === 'today' ? weekStart(from) : from;
    const early = season ? ahead.filter((d) => d.date < first) : [];
    return ifAny({ found: `${dosesIn(early)} before ${sayDay(from)}`, doses: early, fromIs });
  },
  standing: noneOf('warn'),
  says: ({ doses, fromIs }) =>
    `The dose of ${first(doses)} lies ${fromIs.id === 'today' ? 'in the past: record it, or move it' : fromIs.says}.`,
});

export const DAY_CHECKS = [
  leastInterval,
  afterOver,
  longestWait,
  closedDates,
  frozenGround,
  heat,
  heatSupply,
  growing,
  sulfurRest,
  warmSoil,
  daysToCome,
];
