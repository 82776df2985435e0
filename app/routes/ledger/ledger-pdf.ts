import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { type AuthorityLedger, COUNTED, PRINTED } from '@core/ledger/authority';
import type { Property } from '@core/records/case';
import { sayDate, sayDay } from '@core/words/days';
import type { Units } from '../../ui/format';
import { PAPER, ruled } from '../../ui/paper';
import { capSays, countCells, lineCells, NAMES } from './ledger-cells';

const right = (text: string) => ({ text, alignment: 'right' as const });
const bold = (text: string) => ({ text, bold: true });

/** The ledger of a year as Letter pages across: lines, sums that add up to them, what was sprayed beside, corrections and withdrawals. */
export function ledgerDocument(
  property: Property,
  ledger: AuthorityLedger,
  today: string,
  units: Units,
): TDocumentDefinitions {
  const { year, lines, zones, others, notes, withdrawn } = ledger;
  const numbers = (inAll: string[], per1000: string[]) => [...inAll.map(right), ...per1000.map(right)];
  const blank = COUNTED.map(() => '');
  const rows = lines.map((line) => {
    const cells = lineCells(line, units);
    return [
      cells.when,
      cells.where,
      `${cells.what} ${cells.notes}`.trim(),
      ...numbers(cells.inAll, cells.per1000),
      [cells.how, cells.who].filter(Boolean).join('; '),
    ];
  });
  const sums = [
    ...zones.map(({ zone, inAll, per1000 }) => [
      bold(String(year)),
      bold(zone.name),
      bold('sum of the zone'),
      ...numbers(countCells(units, inAll, PRINTED.inAll), countCells(units, per1000, PRINTED.per1000)),
      '',
    ]),
    [
      bold(String(year)),
      bold(property.name),
      bold('sum of the property'),
      ...numbers(countCells(units, ledger.property, PRINTED.inAll), blank),
      '',
    ],
  ];
  const head = [
    'Day',
    'Zone',
    'Product, grade, lot',
    ...[...COUNTED, ...COUNTED].map((each) => units.short('weight', NAMES[each])),
    'How, by whom, license',
  ].map(bold);
  const heading = (text: string): Content => ({ text, font: 'Vollkorn', fontSize: 12, margin: [0, 10, 0, 2] });
  return {
    pageSize: 'LETTER',
    pageOrientation: 'landscape',
    pageMargins: [32, 36, 32, 36],
    info: { title: `Ledger ${year}, ${property.name}` },
    defaultStyle: { ...PAPER, fontSize: 7.5 },
    footer: (page: number, pages: number) => ({
      text: `${property.name}, ledger ${year}, page ${page} of ${pages}`,
      alignment: 'right',
      margin: [32, 8, 32, 0],
    }),
    content: [
      { text: `Ledger ${year}, ${property.name}`, font: 'Vollkorn', fontSize: 16 },
      {
        text: `What was spread, by the log. Five columns in all, then five ${units.perArea('nutrient-rate')}. Sums are sums of what is printed. Made ${sayDate(today)}.`,
        margin: [0, 2, 0, 6],
      },
      lines.length === 0
        ? { text: 'Nothing was spread in this year.' }
        : {
            table: {
              headerRows: 1,
              widths: [52, 74, 96, ...COUNTED.flatMap(() => [33]), ...COUNTED.flatMap(() => [31]), '*'],
              body: [head, ...rows, ...sums],
            },
            layout: ruled,
          },
      ...capSays(ledger, units).map((text): Content => ({ text, margin: [0, 6, 0, 0] })),
      ...(others.length > 0
        ? [
            heading('Pesticides and growth regulators'),
            {
              table: {
                headerRows: 1,
                widths: [52, 90, '*', 90, 90, 90],
                body: [
                  ['Day', 'Zone', 'Product and number', 'Against', 'Amount as written', 'By, license'].map(bold),
                  ...others.map(({ date, zones: where, body: { facts = {}, operator, licenseNumber } }) => [
                    sayDay(date),
                    where,
                    [facts.productName, facts.registrationNumber].filter(Boolean).join(', '),
                    facts.target ?? '',
                    facts.amountAsTyped ?? '',
                    [operator, licenseNumber].filter(Boolean).join(', '),
                  ]),
                ],
              },
              layout: ruled,
            } as Content,
          ]
        : []),
      ...(notes.length > 0
        ? [
            heading('Corrections'),
            ...notes.map(({ no, says, at, by }): Content => ({
              text: `(${no}) ${says}. ${sayDate(at.slice(0, 10))}, ${by}.`,
            })),
          ]
        : []),
      ...(withdrawn.length > 0
        ? [
            heading('Withdrawn'),
            ...withdrawn.map(({ date, what, reason, by, at }): Content => ({
              text: `${sayDay(date)}, ${what}: ${reason}. ${sayDate(at.slice(0, 10))}, ${by}.`,
            })),
          ]
        : []),
      {
        text: 'Records are kept as the law where the work was done asks; check with your authority.',
        fontSize: 7,
        margin: [0, 10, 0, 0],
      },
    ],
  };
}
