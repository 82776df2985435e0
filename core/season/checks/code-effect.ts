import type { Case, LocalCode, PlannedDose } from '../../records/case';
import type { IsoDay } from '../../days/day';
import { doseKey } from '../plan/dose-key';
import type { SeasonPlan } from '../plan/season-plan';
import { type Consequence, consequenceOf, type JudgedPlan, judgePlan } from './judge-plan';

/** A dose of a plan as a code sees it. */
export interface DoseUnderCode {
  zoneId: string;
  zoneName: string;
  date: IsoDay;
  for: PlannedDose['for'];
  lbN: number;
  /** Whether a check that fails only under the changed codes names it. */
  fails: boolean;
}

/** What other codes make of a plan. */
export interface CodeEffect {
  /** Checks that hold no longer, and checks that hold again. */
  broken: Consequence['broken'];
  mended: Consequence['mended'];
  doses: DoseUnderCode[];
  /** The plan judged under the changed codes. */
  judged: JudgedPlan;
}

/**
 * What other codes make of a plan as it stands: every check judged under the codes it has and under those it would have. Nothing is
 * replanned; a plan that stands is not moved by a law, it fails by it.
 *
 * @example codeEffect(given, season, [{ id: 'a', maxNPerYear: 3.5 }]).broken.map((check) => check.id) // ['n-year']
 */
export function codeEffect(given: Case, season: SeasonPlan, codes: readonly LocalCode[]): CodeEffect {
  const judged = judgePlan({ ...given, codes: [...codes] }, season);
  const { broken, mended } = consequenceOf(judgePlan(given, season), judged);
  const failing = new Set(broken.filter((check) => check.standing === 'fail').flatMap((check) => check.doses ?? []));
  return {
    broken,
    mended,
    judged,
    doses: season.zones.flatMap(({ zone, doses }) =>
      doses.map((dose) => ({
        zoneId: zone.id,
        zoneName: zone.name,
        date: dose.date,
        for: dose.for,
        lbN: dose.delivers.N ?? 0,
        fails: failing.has(doseKey(dose)),
      })),
    ),
  };
}
