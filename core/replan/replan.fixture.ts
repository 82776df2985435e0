import { labelOf } from '../log/label';
import { firstVersion } from '../log/versions';
import { withGiven } from '../log/applied';
import { type Case, type Plan, type PlannedDose, type Product, type RecordVersion } from '../records/case';
import { planSeason } from '../season/draft/plan-season';
import { weekStart } from '../days/day';
import { standingOf } from './standing';
import type { Replanning } from './offers';

/** For tests: a year that was planned, kept, and went otherwise. */

/** A record of a dose: on its Monday and as heavy as planned, where nothing else is said. */
export function spread(
  file: Case,
  dose: PlannedDose,
  {
    share = 1,
    date = dose.date,
    tied = true,
    id = '',
  }: { share?: number; date?: string; tied?: boolean; id?: string } = {},
): RecordVersion {
  const zone = file.zones.find((each) => each.id === dose.zoneId);
  const product = file.products?.find((each) => each.id === dose.productId) as Product;
  const kind = dose.for === 'lime' || dose.for === 'sulfur' || dose.for === 'iron' ? dose.for : 'feeding';
  return firstVersion(
    id || `${dose.zoneId} ${dose.productId} ${date}`,
    {
      kind,
      date,
      zoneIds: [dose.zoneId],
      product: labelOf(product),
      spreadLb: (share * dose.rateLb * (zone?.areaSqFt ?? 0)) / 1000,
      ...(tied
        ? {
            planned: {
              year: Number(dose.date.slice(0, 4)),
              date: dose.date,
              productId: dose.productId,
              rateLb: dose.rateLb,
            },
          }
        : {}),
    },
    { at: `${date}T10:00:00-05:00`, by: 'L. Okonedo' },
  );
}

/** The year as it stands on a day, with a kept plan and what was written down. */
export function replanning(
  file: Case,
  doses: readonly PlannedDose[],
  records: readonly RecordVersion[],
  today: string,
): Replanning {
  const year = Number(today.slice(0, 4));
  const plan: Plan = {
    id: `plan-${year}`,
    year,
    keptOn: `${year}-01-05`,
    doses: [...doses],
    products: undefined,
    solved: undefined,
  };
  const logged = withGiven({ ...file, plans: [plan], records: [...records] });
  const draft = planSeason(logged, year, {}, weekStart(today), undefined, today);
  return { file: logged, draft, plan, standing: standingOf(logged, draft, plan, today) };
}
