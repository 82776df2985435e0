import type { Case, LocalCode, Product } from '../../records/case';
import { daysBetween, type IsoDay } from '../../days/day';
import type { Dose } from '../plan/dose';
import { doseKey } from '../plan/dose-key';
import type { SeasonPlan, ZoneSeason } from '../plan/season-plan';

export type Standing = 'pass' | 'warn' | 'fail';
/** How bad a standing is, for sorting and comparing. */
export const BADNESS: Readonly<Record<Standing, number>> = { pass: 0, warn: 1, fail: 2 };

/** What a rule watches. */
export type CheckKind = 'amount' | 'dose' | 'day' | 'correction' | 'school' | 'ground' | 'property';

/** One rule, recomputed from the finished doses. */
export interface Check {
  id: string;
  kind: CheckKind;
  standing: Standing;
  /** Short name, and on the right what was found against the limit. */
  title: string;
  found: string;
  says?: string;
  /** Doses at fault, by `doseKey`; two where they stand in each other's way. */
  doses?: string[];
  /** The nutrient whose amount of the year the rule watches: another rate of any dose mends it. */
  yearOf?: 'N' | 'P2O5' | 'K2O';
}

/** What the checks of a zone look at. */
export interface Facts {
  zoneSeason: ZoneSeason;
  plan: SeasonPlan;
  given: Case;
  codes: readonly LocalCode[];
  doses: readonly Dose[];
  /** Doses that were not given yet: what a ledger still asks is asked of these. */
  ahead: readonly Dose[];
  days: { date: IsoDay; doses: Dose[] }[];
  productOf: (dose: Dose) => Product | undefined;
  soilF: readonly number[];
}

/** What every measure says for itself; a row adds what its standing needs. */
export interface Measured {
  /** What was found against the limit, as shown on the right. */
  found: string;
  /** Doses at fault. */
  doses?: readonly Dose[];
  /** Where a row measures several things, what this one is: the check's id is `row-of`. */
  of?: string;
}

/** A rule as a row: the loop of `checksOf` measures, judges and words every row alike. */
export interface CheckRow<F, M extends Measured = Measured> {
  id: string;
  kind: CheckKind;
  title: string | ((measured: M) => string);
  /** The rule in a sentence, for docs/methods.md. */
  rule: string;
  yearOf?: Check['yearOf'];
  /** What the plan comes to; nothing where the rule does not concern this zone. */
  measure: (facts: F) => M | readonly M[] | undefined;
  standing: (measured: M) => Standing;
  /** The sentence, where it does not pass. */
  says: (measured: M) => string;
}

/** A row whose measure's type is forgotten, so that rows stand in one list. */
export type AnyRow<F> = Omit<CheckRow<F>, 'measure' | 'standing' | 'says' | 'title'> & {
  judge: (facts: F) => Check[];
};

/** A row ready for the loop. `check({ id, kind, title, rule, measure, standing, says })`. */
export function check<F, M extends Measured>(row: CheckRow<F, M>): AnyRow<F> {
  const { id, kind, rule, yearOf, title, measure, standing, says } = row;
  return {
    id,
    kind,
    rule,
    yearOf,
    judge: (facts) => {
      const measured = measure(facts);
      const all = measured === undefined ? [] : Array.isArray(measured) ? (measured as M[]) : [measured as M];
      return all.map((each) => {
        const stands = standing(each);
        return {
          id: each.of === undefined ? id : `${id}-${each.of}`,
          kind,
          title: typeof title === 'string' ? title : title(each),
          found: each.found,
          standing: stands,
          ...(yearOf ? { yearOf } : {}),
          ...(stands === 'pass' ? {} : { says: says(each) }),
          ...(stands !== 'pass' && each.doses && each.doses.length > 0 ? { doses: each.doses.map(doseKey) } : {}),
        };
      });
    },
  };
}

/** Every row judged: fails first, then warnings, then passes. */
export const judgeRows = <F>(rows: readonly AnyRow<F>[], facts: F): Check[] =>
  rows.flatMap((row) => row.judge(facts)).sort((a, b) => BADNESS[b.standing] - BADNESS[a.standing]);

/** A rule about doses that should not be: it stands as said where there is one. */
export const noneOf =
  (standing: 'warn' | 'fail') =>
  (measured: { doses: readonly Dose[] }): Standing =>
    measured.doses.length > 0 ? standing : 'pass';

/** A rule whose doses that should not be are only worth a line where there are any. */
export const ifAny = <M extends { doses: readonly Dose[] }>(measured: M): M | undefined =>
  measured.doses.length > 0 ? measured : undefined;

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
