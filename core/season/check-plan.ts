import type { LocalCode, Product } from '../formats/case';
import { losesAmmonia } from '../products/nitrogen-release';
import { daysBetween, inMonthDaySpan } from './day';
import { nitrogenCeilings, phosphateDoseCeiling, potashDoseCeiling } from './dose-ceilings';
import { slowShare } from '../products/nitrogen-release';
import type { Dose } from './dose';
import { LIME_NITROGEN_GAP_DAYS, type ZoneSeason } from './plan';

export interface Check {
  id: string;
  standing: 'pass' | 'warn' | 'fail';
  /** Short name, and on the right what was found against the limit. */
  title: string;
  found: string;
  says?: string;
}

const sum = (doses: readonly Dose[], nutrient: string): number =>
  doses.reduce((a, d) => a + (d.delivers[nutrient] ?? 0), 0);
const two = (x: number): string => (x + 1e-9).toFixed(2);
const EPS = 1e-6;
/** A year's nitrogen may differ this much from the prescription before it is said. Common practice: 0.96 is accepted as 1. */
const YEAR_TOLERANCE = 0.04;

/** Sums over all doses of one day: two products on one day are one application to the grass. */
function byDay(doses: readonly Dose[]): { date: string; doses: Dose[] }[] {
  const days = new Map<string, Dose[]>();
  for (const dose of doses) days.set(dose.date, [...(days.get(dose.date) ?? []), dose]);
  return [...days].map(([date, list]) => ({ date, doses: list }));
}

/**
 * Recomputes every rule from the finished doses of a zone, without asking the planner how it got there. Fails first,
 * then warnings, then passes.
 */
export function checkZonePlan(
  { zone, doses, prescription, unplaced, season }: ZoneSeason,
  products: readonly Product[],
  codes: readonly LocalCode[],
): Check[] {
  const checks: Check[] = [];
  const product = (d: Dose) => products.find((p) => p.id === d.productId);
  const days = byDay(doses);

  for (const missing of unplaced)
    checks.push({
      id: `unplaced-${missing.for}`,
      standing: 'warn',
      title: `Not all ${missing.for === 'sulfur' ? 'S' : missing.for} placed`,
      found: '',
      says: missing.says,
    });

  const yearN = sum(doses, 'N');
  const wantN = prescription.nitrogen.year.value;
  const offN = wantN > 0 ? Math.abs(yearN - wantN) / wantN : yearN;
  checks.push({
    id: 'nitrogen-year',
    standing: offN <= YEAR_TOLERANCE ? 'pass' : 'warn',
    title: 'Nitrogen, year',
    found: `${two(yearN)} of ${two(wantN)} lb N`,
    says:
      offN <= YEAR_TOLERANCE
        ? undefined
        : `The doses bring ${two(yearN)} lb N per 1000, the prescription asks for ${two(wantN)}.`,
  });

  const { soluble, total, says: who } = nitrogenCeilings(zone, codes);
  const worstSoluble = days.reduce((most, d) => Math.max(most, sum(d.doses, 'N-soluble')), 0);
  checks.push({
    id: 'soluble-dose',
    standing: worstSoluble <= soluble + EPS ? 'pass' : 'fail',
    title: 'Largest soluble N dose',
    found: `${two(worstSoluble)} of ${two(soluble)} lb N`,
    says:
      worstSoluble <= soluble + EPS
        ? undefined
        : `One day brings ${two(worstSoluble)} lb soluble N per 1000, over the ceiling of ${two(soluble)} (${who}).`,
  });
  const over = days.find((d) => {
    const n = sum(d.doses, 'N');
    const slow = n > 0 ? 1 - sum(d.doses, 'N-soluble') / n : 0;
    return n > total(slow) + EPS;
  });
  const mostN = days.reduce((most, d) => Math.max(most, sum(d.doses, 'N')), 0);
  checks.push({
    id: 'total-dose',
    standing: over ? 'fail' : 'pass',
    title: 'Largest N dose',
    found: `${two(mostN)} lb N`,
    says: over && `${two(sum(over.doses, 'N'))} lb N per 1000 on one day is over the ceiling.`,
  });

  for (const [nutrient, ceiling] of [
    ['K2O', potashDoseCeiling(zone)],
    ['P2O5', phosphateDoseCeiling()],
  ] as const) {
    const most = days.reduce((m, d) => Math.max(m, sum(d.doses, nutrient)), 0);
    if (most === 0) continue;
    checks.push({
      id: `${nutrient}-dose`,
      standing: most <= ceiling + EPS ? 'pass' : 'fail',
      title: `Largest ${nutrient} dose`,
      found: `${two(most)} of ${two(ceiling)} lb ${nutrient}`,
      says:
        most <= ceiling + EPS
          ? undefined
          : `One day brings ${two(most)} lb ${nutrient} per 1000, over the ceiling of ${two(ceiling)}.`,
    });
  }

  const phosphate = sum(doses, 'P2O5');
  const unwanted = prescription.phosphorus.yearLb === 0 && phosphate > EPS;
  checks.push({
    id: 'phosphorus',
    standing: unwanted ? 'fail' : 'pass',
    title: 'Phosphorus',
    found: phosphate > EPS ? `${two(phosphate)} of ${two(prescription.phosphorus.yearLb)} lb P2O5` : 'none planned',
    says: unwanted ? 'The test asks for no P2O5, and a product brings some.' : undefined,
  });

  for (const [nutrient, carried, need] of [
    ['Mg', 'Mg', prescription.magnesium.yearLb],
    ['S', 'S-combined', prescription.sulfur.yearLb],
  ] as const) {
    if (need === 0) continue;
    const brought = sum(doses, carried);
    const met = brought >= need * (1 - YEAR_TOLERANCE);
    checks.push({
      id: `${nutrient}-year`,
      standing: met ? 'pass' : 'warn',
      title: nutrient === 'S' ? 'Combined S, year' : 'Mg, year',
      found: `${two(brought)} of ${two(need)} lb ${nutrient}`,
      says: met
        ? undefined
        : `The doses bring ${two(brought)} lb ${nutrient} per 1000 of ${two(need)} asked for: choose a product that carries ${nutrient === 'S' ? 'combined sulfur, such as ammonium sulfate or sulfate of potash' : 'magnesium, such as dolomitic lime where lime is due'}.`,
    });
  }

  const closed = doses.filter((d) =>
    codes.some((c) =>
      (c.closed ?? []).some(
        (span) =>
          span.nutrients.some((n) => (d.delivers[n] ?? 0) > 0) && inMonthDaySpan(d.date.slice(5), span.from, span.to),
      ),
    ),
  );
  checks.push({
    id: 'closed-dates',
    standing: closed.length === 0 ? 'pass' : 'fail',
    title: 'Closed dates of the code',
    found: codes.length === 0 ? 'no code loaded' : `${closed.length} doses inside`,
    says: closed[0] && `The dose of ${closed[0].date} lies in a closed period of the local code.`,
  });

  const frozen = doses.filter((d) => season?.frozen[daysBetween(`${d.date.slice(0, 4)}-01-01`, d.date)]);
  checks.push({
    id: 'frozen',
    standing: frozen.length === 0 ? 'pass' : 'fail',
    title: 'Frozen ground',
    found: `${frozen.length} doses inside`,
    says: frozen[0] && `The dose of ${frozen[0].date} would fall on frozen ground and wash off.`,
  });

  const limes = doses.filter((d) => d.for === 'lime');
  if (limes.length > 0) {
    const ammonia = doses.filter((d) => {
      const p = product(d);
      return p !== undefined && losesAmmonia(p);
    });
    const gaps = limes.flatMap((l) => ammonia.map((n) => Math.abs(daysBetween(l.date, n.date))));
    const least = Math.min(Infinity, ...gaps);
    checks.push({
      id: 'lime-nitrogen',
      standing: least >= LIME_NITROGEN_GAP_DAYS ? 'pass' : 'fail',
      title: 'Lime from urea and ammonium',
      found: least === Infinity ? 'none near' : `${least} d, needs ${LIME_NITROGEN_GAP_DAYS}`,
      says:
        least >= LIME_NITROGEN_GAP_DAYS
          ? undefined
          : `Lime and urea or ammonium stand ${least} days apart and need ${LIME_NITROGEN_GAP_DAYS}: ammonia would be lost to the air.`,
    });
  }

  const slowNeeded = Math.max(0, ...codes.map((c) => c.leastSlowPercent ?? 0));
  if (slowNeeded > 0) {
    const fast = doses.find((d) => {
      const p = product(d);
      return p && (d.delivers.N ?? 0) > 0 && slowShare(p) * 100 < slowNeeded - EPS;
    });
    checks.push({
      id: 'slow-share',
      standing: fast ? 'fail' : 'pass',
      title: 'Slow nitrogen',
      found: `at least ${slowNeeded} %`,
      says:
        fast &&
        `The code asks for ${slowNeeded} % slow nitrogen in each dose; ${product(fast)?.name} holds ${Math.round(slowShare(product(fast) as Product) * 100)} %.`,
    });
  }
  const order = { fail: 0, warn: 1, pass: 2 };
  return checks.sort((a, b) => order[a.standing] - order[b.standing]);
}
