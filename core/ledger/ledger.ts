import { addDays, type IsoDay } from '../days/day';
import { limeKindOf } from '../lime/lime-label';
import { slowShare } from '../nitrogen/forms';
import type { Case, Product, Zone } from '../records/case';
import { currentPlan } from '../season/plan/current-plan';
import { codeYearCap } from '../season/rules/local-codes';
import { groupBy } from '../tables/group-by';
import { appliedOn } from '../log/applied';
import { recordsOf } from '../log/versions';

/** What went down in a year, by dose, month and year, on each zone and on the property. */

export const SUBSTANCES = [
  'N',
  'N-soluble',
  'N-slow',
  'P2O5',
  'K2O',
  'S-free',
  'S-combined',
  'Mg',
  'Fe',
  'lime',
] as const;
export type Substance = (typeof SUBSTANCES)[number];
/** lb of each, of a dose per 1000 ft2 or in all. */
export type Amounts = Record<Substance, number>;

export interface LedgerDose {
  /** Undefined for what an old file brought. */
  recordId?: string;
  date: IsoDay;
  productId: string;
  name: string;
  /** lb product on the zone. */
  spreadLb: number;
  /** Ground it counts on: the zone as it was measured then, ft2. */
  areaSqFt: number;
  /** lb product/1000 ft2. */
  rateLb: number;
  per1000: Amounts;
  inAll: Amounts;
}

export interface ZoneLedger {
  zone: Zone;
  doses: LedgerDose[];
  /** Twelve sums, lb/1000 ft2. */
  months: Amounts[];
  year: Amounts;
  yearInAll: Amounts;
  /** The 365 days that end today, where today is of the year; else those that end with the year. */
  rolling: Amounts;
  /** What the kept plan asks of the year and until today, lb/1000 ft2; undefined without a plan. */
  planned?: { year: Amounts; toDate: Amounts };
}

export interface Ledger {
  year: number;
  zones: ZoneLedger[];
  /** lb in all. */
  property: Amounts;
  /** The strictest yearly cap of nitrogen of the codes, lb N/1000 ft2. */
  codeN?: number;
  /** Records of which two corrections stand. */
  forks: string[];
  withdrawn: number;
}

const NONE: Amounts = Object.fromEntries(SUBSTANCES.map((each) => [each, 0])) as Amounts;
const amounts = (of: (substance: Substance) => number): Amounts =>
  Object.fromEntries(SUBSTANCES.map((each) => [each, of(each)])) as Amounts;
const added = (all: readonly Amounts[]): Amounts => amounts((each) => all.reduce((sum, one) => sum + one[each], 0));

/** Pounds of each substance in a pound of product; lime as CaCO3 by its CCE. Of 46-0-0: 0.46 N, all of it soluble. */
export function broughtByAPound(product: Product | undefined): Amounts {
  if (!product) return NONE;
  const { guaranteed } = product;
  const nitrogen = (guaranteed.N ?? 0) / 100;
  const slow = nitrogen * slowShare(product);
  return amounts((substance) => {
    switch (substance) {
      case 'N-soluble':
        return nitrogen - slow;
      case 'N-slow':
        return slow;
      case 'lime':
        return limeKindOf(product) === undefined ? 0 : (product.ccePercent ?? product.eccePercent ?? 100) / 100;
      default:
        return (guaranteed[substance] ?? 0) / 100;
    }
  });
}

/**
 * The ledger of a year, from a case that knows what was given (`withGiven`).
 *
 * @param today what counts as until today; the end of the year where it is over
 * @example ledgerOf(file, 2027, '2027-09-10').zones[0].year.N // 1.46
 */
export function ledgerOf(file: Case, year: number, today: IsoDay): Ledger {
  const products = new Map((file.products ?? []).map((product) => [product.id, product]));
  const records = new Map(recordsOf(file.records ?? []).map((record) => [record.recordId, record]));
  const plan = currentPlan(file, year);
  const lastDay = `${year}-12-31`;
  const until = today < `${year}-01-01` || today > lastDay ? lastDay : today;
  const zones = file.zones.map((zone): ZoneLedger => {
    const all = appliedOn(zone).map(({ date, productId, zoneLb, recordId }): LedgerDose => {
      const body = recordId === undefined ? undefined : records.get(recordId)?.body;
      // a zone that was measured anew since: what went down went down on the old one
      const areaSqFt = body?.zoneIds.length === 1 ? (body.zoneAreaSqFt ?? zone.areaSqFt) : zone.areaSqFt;
      const product = products.get(productId);
      const inAPound = broughtByAPound(product);
      const rateLb = zoneLb / (areaSqFt / 1000);
      return {
        ...(recordId === undefined ? {} : { recordId }),
        date,
        productId,
        name: product?.name ?? productId,
        spreadLb: zoneLb,
        areaSqFt,
        rateLb,
        per1000: amounts((each) => inAPound[each] * rateLb),
        inAll: amounts((each) => inAPound[each] * zoneLb),
      };
    });
    const doses = all.filter(({ date }) => date.startsWith(`${year}-`));
    const sums = (from: readonly LedgerDose[]) => added(from.map(({ per1000 }) => per1000));
    const byMonth = groupBy(doses, ({ date }) => date.slice(5, 7));
    const since = addDays(until, -364);
    const planned = plan?.doses
      ?.filter(({ zoneId }) => zoneId === zone.id)
      .map((dose) => {
        const inAPound = broughtByAPound(products.get(dose.productId));
        return { date: dose.date, brings: amounts((each) => inAPound[each] * dose.rateLb) };
      });
    return {
      zone,
      doses,
      months: Array.from({ length: 12 }, (_, i) => sums(byMonth.get(String(i + 1).padStart(2, '0')) ?? [])),
      year: sums(doses),
      yearInAll: added(doses.map(({ inAll }) => inAll)),
      rolling: sums(all.filter(({ date }) => date >= since && date <= until)),
      ...(planned
        ? {
            planned: {
              year: added(planned.map(({ brings }) => brings)),
              toDate: added(planned.filter(({ date }) => date <= until).map(({ brings }) => brings)),
            },
          }
        : {}),
    };
  });
  const cap = codeYearCap(file.codes ?? []);
  return {
    year,
    zones,
    property: added(zones.map(({ yearInAll }) => yearInAll)),
    ...(cap === undefined ? {} : { codeN: cap }),
    forks: [...records.values()].filter(({ fork }) => fork.length > 0).map(({ recordId }) => recordId),
    withdrawn: [...records.values()].filter(({ withdrawn }) => withdrawn).length,
  };
}
