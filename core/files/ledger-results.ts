import { ledgerOf, SUBSTANCES, type Amounts, type ZoneLedger } from '../ledger/ledger';
import { logDrift } from '../log/drift';
import { recordsOf } from '../log/versions';
import type { Case } from '../records/case';
import { evaluate } from '../reckoning/define';
import { carryOver } from '../season/plan/carry-over';

const amounts = (of: Amounts, inAll?: Amounts) => ({
  ...of,
  ...(inAll ? { inAllLb: inAll } : {}),
});

/** What a pound of each product cost, by its package; products without a price are left out. */
const priceAPound = ({ products = [] }: Case): ReadonlyMap<string, number> =>
  new Map(
    products.flatMap(({ id, package: bought }) =>
      bought?.lb && bought.price !== undefined ? [[id, bought.price / bought.lb] as const] : [],
    ),
  );

function printZone(file: Case, year: number, codeN: number | undefined, of: ZoneLedger, until: string) {
  const { zone, doses, months, planned } = of;
  const drift = (each: 'N' | 'P2O5' | 'K2O') =>
    planned &&
    evaluate(logDrift, {
      plannedLb: [planned.toDate[each]],
      givenLb: doses.filter(({ date }) => date <= until).map(({ per1000 }) => per1000[each]),
    });
  return {
    zoneId: zone.id,
    areaSqFt: zone.areaSqFt,
    doses: doses.map(({ recordId, date, productId, name, spreadLb, areaSqFt, rateLb, per1000, inAll }) => ({
      ...(recordId === undefined ? {} : { recordId }),
      date,
      productId,
      name,
      spreadLb,
      areaSqFt,
      rateLb,
      ...amounts(per1000, inAll),
    })),
    months: months.map((month) => amounts(month)),
    year: amounts(of.year, of.yearInAll),
    rolling365: amounts(of.rolling),
    against: {
      plan: planned?.year ?? null,
      planToDate: planned?.toDate ?? null,
      code: codeN === undefined ? null : { N: codeN },
    },
    carryOverLb: carryOver(file, zone, year + 1)?.lb ?? 0,
    drift: planned ? { N: drift('N'), P2O5: drift('P2O5'), K2O: drift('K2O') } : null,
  };
}

/**
 * The ledger of a year as `ubertas ledger` prints it; amounts per 1000 ft2, `inAllLb` in all.
 *
 * @param file a case that knows what was given (`withGiven`)
 */
export function printLedger(file: Case, { year, today, zoneId }: { year: number; today: string; zoneId?: string }) {
  const ledger = ledgerOf(file, year, today);
  const until = today.startsWith(`${year}-`) ? today : `${year}-12-31`;
  const zones = ledger.zones.filter(({ zone }) => zoneId === undefined || zone.id === zoneId);
  const price = priceAPound(file);
  const spread = zones.flatMap(({ doses }) => doses);
  return {
    format: 'ubertas-ledger',
    version: 1,
    year,
    zones: zones.map((each) => printZone(file, year, ledger.codeN, each, until)),
    property: Object.fromEntries(
      SUBSTANCES.map((each) => [each, zones.reduce((sum, { yearInAll }) => sum + yearInAll[each], 0)]),
    ),
    stock: (file.products ?? []).flatMap(({ id, onHandLb, unfinished }) =>
      onHandLb === undefined || unfinished ? [] : [{ productId: id, onHandLb }],
    ),
    cost: spread.reduce((sum, { productId, spreadLb }) => sum + spreadLb * (price.get(productId) ?? 0), 0),
    withoutPrice: [...new Set(spread.map(({ productId }) => productId))].filter((id) => !price.has(id)),
    records: recordsOf(file.records ?? []).length,
    forks: ledger.forks,
    withdrawn: ledger.withdrawn,
  };
}
