import type { Product } from '../../records/case';
import { sayDay } from '../../words/days';
import { two } from '../../words/numbers';
import { BARE, bareMonths, supplyByMonth } from '../plan/bare-months';
import type { Dose } from '../plan/dose';
import { isFeedingLb } from '../plan/feeding';
import { freeInTime, LAST_WEEKS } from '../rules/before-frost';
import { ownProgrammeFrom, SECOND_LB, STARTER_N_LB } from '../rules/establishment';
import type { NitrogenPart } from '../rules/nitrogen-parts';
import { MONTH_SUPPLY_OFF, monthSupplyLb, yearToleranceLb } from '../rules/limits';
import { check, dayIn, dosesIn, EPS, type Facts, ifAny, noneOf, sum } from './check';

/** The year's nitrogen in its parts: cool-season grass after summer, warm-season grass while it grows (C1, C2). */

const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];

const partOf = ({ zoneSeason }: Facts, id: NitrogenPart['id']): NitrogenPart | undefined =>
  zoneSeason.parts?.parts.find((part) => part.id === id);
const inside = (doses: readonly Dose[], { from, to }: Pick<NitrogenPart, 'from' | 'to'>): Dose[] =>
  doses.filter((d) => (d.delivers.N ?? 0) > EPS && dayIn(d.date) >= from && dayIn(d.date) <= to);

const summerDose = check({
  id: 'summer-dose',
  kind: 'dose',
  title: 'Soluble N of a summer dose',
  rule: 'No dose of summer brings cool-season grass more than a little soluble nitrogen (C1); a new stand’s starter and second dose go by its own programme (C8).',
  measure: (facts: Facts) => {
    const summer = partOf(facts, 'summer');
    const most = summer?.mostSolubleDoseLb;
    if (!summer || most === undefined) return undefined;
    const { establishment } = facts.zoneSeason.prescription;
    const ofNewStand = (d: Dose) =>
      establishment !== undefined &&
      d.date >= establishment.on &&
      dayIn(d.date) < ownProgrammeFrom(establishment) &&
      (d.delivers['N-soluble'] ?? 0) <= (d.date === establishment.on ? STARTER_N_LB.soluble : SECOND_LB) + EPS;
    const hot = inside(facts.doses, summer).filter(
      (d) => (d.delivers['N-soluble'] ?? 0) > most + EPS && !ofNewStand(d),
    );
    const lb = Math.max(0, ...hot.map((d) => d.delivers['N-soluble'] ?? 0));
    return {
      found: hot.length > 0 ? `${two(lb)} of ${two(most)} lb N` : `none over ${two(most)} lb N`,
      most,
      lb,
      doses: hot,
    };
  },
  standing: noneOf('fail'),
  says: ({ doses, lb, most }) =>
    `The dose of ${sayDay(doses[0]?.date ?? '')} brings ${two(lb)} lb soluble N per 1000 in summer; cool-season grass bears ${two(most)} lb soluble N.`,
});

const shares = check({
  id: 'season-shares',
  kind: 'amount',
  title: 'N of the year, by its parts',
  rule: 'Cool-season grass has most of its nitrogen after summer, little before spring ends and hardly any between (C1).',
  measure: (facts: Facts) => {
    const { parts, prescription, from } = facts.zoneSeason;
    const [spring, summer, fall] = (['spring', 'summer', 'fall'] as const).map((id) => partOf(facts, id));
    if (!parts || !fall) return undefined;
    const year = Math.max(prescription.nitrogen.year.value, sum(facts.doses, 'N'));
    if (year <= EPS) return undefined;
    const off = yearToleranceLb(year) + EPS;
    const lbIn = (part: NitrogenPart | undefined, nutrient = 'N') =>
      part ? sum(inside(facts.doses, part), nutrient) : 0;
    const faults: string[] = [];
    const begun = dayIn(from) > fall.from;
    if (!begun && fall.leastShare !== undefined && lbIn(fall) < fall.leastShare * year - off)
      faults.push(`${two(lbIn(fall))} lb N from fall on of the ${two(fall.leastShare * year)} lb N that are wanted`);
    if (spring?.mostShare !== undefined && lbIn(spring) > spring.mostShare * year + off)
      faults.push(
        `${two(lbIn(spring))} lb N before spring ends, ${two(spring.mostShare * year)} lb N at most are wanted`,
      );
    if (spring?.mostSolubleLb !== undefined && lbIn(spring, 'N-soluble') > spring.mostSolubleLb + off)
      faults.push(
        `${two(lbIn(spring, 'N-soluble'))} lb soluble N before spring ends, over ${two(spring.mostSolubleLb)} lb soluble N`,
      );
    if (summer?.mostLb !== undefined && lbIn(summer) > summer.mostLb + off)
      faults.push(`${two(lbIn(summer))} lb N in summer, over ${two(summer.mostLb)} lb N`);
    return { found: `${Math.round((100 * lbIn(fall)) / year)} % from fall on`, faults };
  },
  standing: ({ faults }) => (faults.length === 0 ? 'pass' : 'warn'),
  says: ({ faults }) => `${faults.join('; ')}.`,
});

const beforeFrost = check({
  id: 'before-frost',
  kind: 'day',
  title: 'N free before frost',
  rule: 'A dose on warm-season grass has let go nine tenths of its nitrogen four weeks before the first frost (C2).',
  measure: ({ zoneSeason: { season, schools }, doses, productOf, soilF }: Facts) => {
    if (season?.fullGreen === undefined) return undefined;
    const late = doses.filter((d) => {
      const product = productOf(d);
      const day = dayIn(d.date);
      // what the winter grass is fed does not reach the grass that has to harden
      if (season.winter?.days[day] || !isFeedingLb(d.delivers.N ?? 0)) return false;
      return (
        (d.delivers.N ?? 0) > EPS && product && !schools?.alsoOpen.N?.[day] && !freeInTime(product, soilF, season, day)
      );
    });
    return ifAny({ found: `${dosesIn(late)} too late`, doses: late, name: late[0] && productOf(late[0])?.name });
  },
  standing: noneOf('fail'),
  says: ({ doses, name }) =>
    `${name} of ${sayDay(doses[0]?.date ?? '')} would still feed within four weeks of the first frost: the grass must harden.`,
});

const lastWeeks = check({
  id: 'last-weeks',
  kind: 'amount',
  title: 'N of the last weeks',
  rule: `In the ${LAST_WEEKS.days / 7} weeks before the last feeding warm-season grass has little nitrogen in all (C2).`,
  measure: (facts: Facts) => {
    const part = partOf(facts, 'growing');
    if (!part) return undefined;
    const late = inside(facts.doses, { from: part.to - LAST_WEEKS.days + 1, to: part.to });
    const lb = sum(late, 'N');
    return { found: `${two(lb)} of ${two(LAST_WEEKS.mostLb)} lb N`, lb, doses: late };
  },
  standing: ({ lb }) => (lb <= LAST_WEEKS.mostLb + 0.02 ? 'pass' : 'warn'),
  says: ({ lb }) =>
    `The last ${LAST_WEEKS.days / 7} weeks bring ${two(lb)} lb N per 1000, over ${two(LAST_WEEKS.mostLb)} lb N: it goes to rest soft.`,
});

/** Doses with their product, for what they let go. */
const fed = ({ doses, productOf }: Facts) =>
  doses.flatMap((d): { day: number; lb: number; product: Product }[] => {
    const product = productOf(d);
    return product && (d.delivers.N ?? 0) > EPS ? [{ day: dayIn(d.date), lb: d.delivers.N ?? 0, product }] : [];
  });

const bare = check({
  id: 'bare-months',
  kind: 'amount',
  title: 'Growing months without N',
  rule: 'From two pounds a year on, no whole month of warm-season growth goes with next to no nitrogen (C2).',
  measure: (facts: Facts) => {
    const part = partOf(facts, 'growing');
    const { prescription, from } = facts.zoneSeason;
    const itsOwn = prescription.nitrogen.year.value - (prescription.overseeding?.yearLb ?? 0);
    if (!part || itsOwn < BARE.fromYearLb || facts.doses.length === 0) return undefined;
    const begins = from.startsWith(String(facts.plan.year)) ? dayIn(from) : 0;
    const first = Math.max(part.from, begins);
    const months = bareMonths(fed(facts), { from: first, to: part.to }, facts.soilF, facts.plan.year);
    return { found: months.length === 0 ? 'none' : months.map((month) => MONTHS[month]).join(', '), months };
  },
  standing: ({ months }) => (months.length === 0 ? 'pass' : 'warn'),
  says: ({ months }) =>
    `${months.map((month) => MONTHS[month]).join(' and ')} would go with next to no nitrogen while the grass grows.`,
});

const monthSupply = check({
  id: 'month-supply',
  kind: 'amount',
  title: 'N free in one month',
  rule: 'No month makes warm-season grass more than a pound of nitrogen free, a little more under high care (C2).',
  measure: (facts: Facts) => {
    if (!partOf(facts, 'growing') || facts.soilF.length === 0) return undefined;
    const most = monthSupplyLb(facts.zoneSeason.zone);
    const supply = supplyByMonth(fed(facts), facts.soilF, facts.plan.year);
    const months = supply.map((lb, month) => ({ lb, name: MONTHS[month] }));
    const worst = months.reduce((a, b) => (b.lb > a.lb ? b : a));
    return { found: `${two(worst.lb)} of ${two(most)} lb N`, most, ...worst };
  },
  standing: ({ lb, most }) => (lb <= most * MONTH_SUPPLY_OFF + EPS ? 'pass' : 'warn'),
  says: ({ name, lb, most }) =>
    `${name} would make ${two(lb)} lb N per 1000 free; ${two(most)} lb N is what the grass uses.`,
});

export const PART_CHECKS = [summerDose, shares, beforeFrost, lastWeeks, bare, monthSupply];
