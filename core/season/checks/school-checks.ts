import { dayOfYear, daysBetween } from '../../days/day';
import { sayDay } from '../../words/days';
import { two } from '../../words/numbers';
import { lateSolubleForbidden } from '../rules/season-schools';
import { isFeedingLb } from '../plan/feeding';
import { check, dosesIn, EPS, type Facts, ifAny, noneOf, sum } from './check';

/** The late-season and potash schools, looked for among the finished doses. */

const lateSeason = check({
  id: 'late-season',
  kind: 'school',
  title: ({ school }) => `End of the year: ${school}`,
  rule: 'The steps of the chosen late-season school are taken, four to six weeks apart where it says so.',
  measure: ({ zoneSeason: { schools }, doses, productOf }: Facts) => {
    if (!schools || schools.steps.length === 0) return undefined;
    const taking = schools.steps.map((step) =>
      doses.filter((d) => {
        const product = productOf(d);
        const day = dayOfYear(d.date);
        return (
          product !== undefined &&
          step.serves(product) &&
          day >= step.from &&
          day <= step.to &&
          (d.delivers[step.measured] ?? 0) >= step.leastLb - EPS
        );
      }),
    );
    const taken = taking.filter((list) => list.length > 0).length;
    const apart = schools.steps.every((step, s) => {
      const next = taking[s + 1];
      if (!step.beforeNext || !next) return true;
      const { least, most } = step.beforeNext;
      return (taking[s] ?? []).some((a) =>
        next.some((b) => daysBetween(a.date, b.date) >= least && daysBetween(a.date, b.date) <= most),
      );
    });
    return {
      found: `${taken} of ${schools.steps.length} steps`,
      school: schools.late?.title,
      missing: schools.steps.find((_, s) => taking[s]?.length === 0)?.says,
      apart,
    };
  },
  standing: ({ missing, apart }) => (missing === undefined && apart ? 'pass' : 'warn'),
  says: ({ missing }) =>
    missing === undefined
      ? 'The two steps of the school do not stand four to six weeks apart.'
      : `The school asks for ${missing}, and no dose does it.`,
});

const lateSoluble = check({
  id: 'late-soluble',
  kind: 'school',
  title: 'Late soluble nitrogen',
  rule: 'No soluble nitrogen after the season of feeding where slope, sand or water near by would carry it off.',
  measure: ({ zoneSeason: { schools, zone, season, grass }, doses }: Facts) => {
    const forbidden = schools && grass.season === 'cool' ? lateSolubleForbidden(zone) : undefined;
    const lastFed = season?.feeding.lastIndexOf(true) ?? -1;
    if (!forbidden || lastFed < 0) return undefined;
    // the hundredths that come with an iron spray feed nothing
    const late = doses.filter((d) => isFeedingLb(d.delivers['N-soluble'] ?? 0) && dayOfYear(d.date) > lastFed);
    return ifAny({ found: `${dosesIn(late)} too late`, doses: late, forbidden });
  },
  standing: noneOf('fail'),
  says: ({ doses, forbidden }) =>
    `The soluble nitrogen of ${sayDay(doses[0]?.date ?? '')} comes after the season of feeding: ${forbidden}.`,
});

const schoolAmounts = check({
  id: 'school',
  kind: 'school',
  title: ({ title }) => title,
  rule: 'Amounts that a chosen school asks for in a part of the year are kept.',
  measure: ({ zoneSeason: { schools }, doses, days }: Facts) => {
    // "with no N" holds for the zone's day, not for the product (D2)
    const fed = new Set(days.filter((d) => sum(d.doses, 'N') > EPS).map(({ date }) => date));
    return (schools?.amounts ?? []).map((amount) => {
      const within = doses.filter((d) => {
        const day = dayOfYear(d.date);
        return day >= amount.from && day <= amount.to && (amount.withNitrogen || !fed.has(d.date));
      });
      const lb = sum(within, amount.nutrient);
      return {
        of: amount.id,
        found: `${two(lb)} lb ${amount.nutrient}`,
        title:
          amount.nutrient === 'K2O'
            ? `Potash: ${(schools?.potash ?? schools?.late)?.title}`
            : `End of the year: ${schools?.late?.title}`,
        lb,
        asks: amount,
      };
    });
  },
  standing: ({ lb, asks: { leastLb = 0, mostLb = Infinity } }) =>
    lb < leastLb - EPS || lb > mostLb + EPS ? 'warn' : 'pass',
  says: ({ lb, asks }) => `The school asks for ${asks.says}; the doses bring ${two(lb)}.`,
});

export const SCHOOL_CHECKS = [lateSeason, lateSoluble, schoolAmounts];
