import { type AuthorityLedger, type Counted, COUNTED, type Counts, PRINTED } from '../ledger/authority';
import { fixed } from '../words/numbers';
import { printCsv } from './print-csv';

const NAMES: Record<Counted, string> = {
  product: 'product',
  N: 'N',
  'N-soluble': 'N soluble',
  P2O5: 'P2O5',
  K2O: 'K2O',
};

const hour = (moment: string | undefined): string => moment?.slice(11, 16) ?? '';

/** The ledger of a year as a table (RFC 4180), in US units: lines, then sums of what the lines print, then what was sprayed beside them. */
export function printAuthorityCsv(ledger: AuthorityLedger): string {
  const numbers = (inAll: Counts, per1000?: Counts) => [
    ...COUNTED.map((each) => fixed(inAll[each], PRINTED.inAll)),
    ...COUNTED.map((each) => (per1000 ? fixed(per1000[each], PRINTED.per1000) : '')),
  ];
  const before = 9;
  const after = 9;
  const blank = (count: number): string[] => Array<string>(count).fill('');
  return printCsv([
    [
      'line',
      'date',
      'start',
      'end',
      'zone',
      'area, sq ft',
      'product',
      'grade',
      'registration number',
      'lot',
      ...COUNTED.map((each) => `lb ${NAMES[each]}`),
      ...COUNTED.map((each) => `lb ${NAMES[each]} per 1000 sq ft`),
      'method',
      'wind, mph',
      'air, deg F',
      'operator',
      'license',
      'soil test for P',
      'amount as written',
      'target',
      'notes',
    ],
    ...ledger.lines.map(({ date, start, end, zone, areaSqFt, product, face, registrationNumber, lot, ...line }) => [
      'application',
      date,
      hour(start),
      hour(end),
      zone.name,
      fixed(areaSqFt, 0),
      product,
      face,
      registrationNumber ?? '',
      lot ?? '',
      ...numbers(line.inAll, line.per1000),
      line.body?.method ?? '',
      line.body?.weather?.windMph === undefined ? '' : fixed(line.body.weather.windMph, 1),
      line.body?.weather?.airF === undefined ? '' : fixed(line.body.weather.airF, 0),
      line.body?.operator ?? '',
      line.body?.licenseNumber ?? '',
      line.phosphateTest === undefined ? '' : line.phosphateTest || 'none',
      '',
      '',
      line.notes.map((no) => `note ${no}`).join(', '),
    ]),
    ...ledger.zones.map(({ zone, inAll, per1000 }) => [
      'sum of the zone',
      String(ledger.year),
      '',
      '',
      zone.name,
      fixed(zone.areaSqFt, 0),
      ...blank(before - 5),
      ...numbers(inAll, per1000),
      ...blank(after),
    ]),
    ['sum of the property', String(ledger.year), ...blank(before - 1), ...numbers(ledger.property), ...blank(after)],
    ...ledger.others.map(({ date, zones, body: { facts = {}, operator, licenseNumber, weather, notes } }) => [
      'pesticide or regulator',
      date,
      '',
      '',
      zones,
      '',
      facts.productName ?? '',
      '',
      facts.registrationNumber ?? '',
      '',
      ...blank(2 * COUNTED.length),
      '',
      weather?.windMph === undefined ? '' : fixed(weather.windMph, 1),
      weather?.airF === undefined ? '' : fixed(weather.airF, 0),
      operator ?? '',
      licenseNumber ?? '',
      '',
      facts.amountAsTyped ?? '',
      facts.target ?? '',
      notes ?? '',
    ]),
    ...ledger.notes.map(({ no, says, at, by }) => [`note ${no}`, at.slice(0, 10), ...blank(26), `${says}, ${by}`]),
    ...ledger.withdrawn.map(({ date, what, reason, by }) => [
      'withdrawn',
      date,
      ...blank(26),
      `${what}: ${reason}, ${by}`,
    ]),
  ]);
}
