import type { Case, LocalCode, Product } from '../../records/case';
import { daysBetween, type IsoDay } from '../../days/day';
import type { Dose } from '../plan/dose';
import { doseKey } from '../plan/dose-key';
import type { SeasonPlan, ZoneSeason } from '../plan/season-plan';

/** One rule, recomputed from the finished doses. */
export interface Check {
  id: string;
  standing: 'pass' | 'warn' | 'fail';
  /** Short name, and on the right what was found against the limit. */
  title: string;
  found: string;
  says?: string;
  /** Doses at fault, by `doseKey`; two where they stand in each other's way. */
  doses?: string[];
}

/** What the checks of a zone look at. */
export interface Facts {
  zoneSeason: ZoneSeason;
  plan: SeasonPlan;
  given: Case;
  codes: readonly LocalCode[];
  doses: readonly Dose[];
  days: { date: IsoDay; doses: Dose[] }[];
  productOf: (dose: Dose) => Product | undefined;
  soilF: readonly number[];
}

export const EPS = 1e-6;
export const sum = (doses: readonly Dose[], nutrient: string): number =>
  doses.reduce((a, d) => a + (d.delivers[nutrient] ?? 0), 0);
/** '1 dose', '2 doses'; with a word of what they are, '1 salty dose'. */
export const dosesIn = (doses: readonly unknown[], kind = ''): string =>
  `${doses.length} ${kind && `${kind} `}${doses.length === 1 ? 'dose' : 'doses'}`;
export const dayIn = (date: IsoDay): number => daysBetween(`${date.slice(0, 4)}-01-01`, date);

/** Sums over all doses of one day: two products on one day are one application to the grass. */
export function byDay(doses: readonly Dose[]): { date: IsoDay; doses: Dose[] }[] {
  const days = new Map<IsoDay, Dose[]>();
  for (const dose of doses) days.set(dose.date, [...(days.get(dose.date) ?? []), dose]);
  return [...days].map(([date, list]) => ({ date, doses: list })).sort((a, b) => a.date.localeCompare(b.date));
}

/** A check that passes without words, or stands otherwise with its sentence and the doses at fault. */
export function judge(
  id: string,
  title: string,
  found: string,
  fault: { standing: 'warn' | 'fail'; says: string; doses?: readonly Dose[] } | undefined,
): Check {
  return {
    id,
    title,
    found,
    standing: fault?.standing ?? 'pass',
    says: fault?.says,
    ...(fault?.doses ? { doses: fault.doses.map(doseKey) } : {}),
  };
}
