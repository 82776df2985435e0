import { broughtByAPound } from '../ledger/ledger';
import { productOfLabel } from '../log/applied';
import { KINDS } from '../log/kinds';
import type { LogLine } from '../log/log-lines';
import { fixed } from '../words/numbers';
import { printCsv } from './print-csv';

const BROUGHT = ['N', 'N-soluble', 'P2O5', 'K2O', 'lime'] as const;

/** The records as a table (RFC 4180): a line a record, US units in the header, numbers as they were reckoned. */
export function printLogCsv(lines: readonly LogLine[]): string {
  const number = (value: number | undefined, decimals: number) => (value === undefined ? '' : fixed(value, decimals));
  return printCsv([
    [
      'date',
      'kind',
      'zones',
      'area, sq ft',
      'product',
      'lot',
      'weighed out, lb product',
      'left over, lb product',
      'spread, lb product',
      'lb product per 1000 sq ft',
      ...BROUGHT.map((each) => (each === 'lime' ? 'lb CaCO3 per 1000 sq ft' : `lb ${each} per 1000 sq ft`)),
      'of the plan',
      'wind, mph',
      'air, deg F',
      'operator',
      'license',
      'versions',
      'withdrawn',
      'notes',
    ],
    ...lines.map(({ record, body, zoneNames, rateLb, ofPlan }) => {
      const inAPound = body.product && broughtByAPound(productOfLabel(body.product, body.product.id));
      return [
        body.date,
        KINDS[body.kind].title,
        zoneNames,
        number(body.zoneAreaSqFt, 0),
        body.product?.name ?? body.facts?.productName ?? '',
        body.lot ?? '',
        number(body.weighedLb, 2),
        number(body.backLb, 2),
        number(body.spreadLb, 2),
        number(rateLb, 3),
        ...BROUGHT.map((each) => number(rateLb === undefined || !inAPound ? undefined : rateLb * inAPound[each], 3)),
        number(ofPlan, 3),
        number(body.weather?.windMph, 1),
        number(body.weather?.airF, 0),
        body.operator ?? '',
        body.licenseNumber ?? '',
        String(record.versions.length),
        record.withdrawn ? 'withdrawn' : '',
        body.notes ?? '',
      ];
    }),
  ]);
}
