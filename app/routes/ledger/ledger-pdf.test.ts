import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { printAuthorityCsv } from '@core/files/authority-csv';
import { readCase } from '@core/files/case-file';
import { authorityLedger, COUNTED } from '@core/ledger/authority';
import { firstVersion } from '@core/log/versions';
import { isRefusal } from '@core/reckoning/refusal';
import type { Case } from '@core/records/case';
import { Units } from '../../ui/format';
import { textsOf } from '../../ui/pdf-texts.fixture';
import { inShown } from './ledger-cells';
import { ledgerDocument } from './ledger-pdf';
import { withGiven } from '@core/log/applied';

const demo = (): Case => {
  const read = readCase(readFileSync('demo/mill-race-cottages.json', 'utf8'));
  if (isRefusal(read)) throw new Error(read.refused);
  // twice over it counts once
  return withGiven(withGiven(read));
};
const sprayed: Case = {
  ...demo(),
  records: [
    ...(demo().records ?? []),
    firstVersion(
      'spray',
      {
        kind: 'pesticide',
        date: '2026-06-02',
        zoneIds: ['race-bank'],
        operator: 'Priya Nand',
        facts: { productName: 'Clover mix', registrationNumber: '00000-11', amountAsTyped: '1.1 fl oz of 3' },
      },
      { at: '2026-06-02T18:00:00-05:00', by: 'Priya Nand' },
    ),
  ],
};

/** The cells of the first table of a printed document, row by row. */
function printedRows(units: Units, year: number): string[][] {
  const { content } = ledgerDocument(
    sprayed.property,
    authorityLedger(sprayed, year, inShown(units)),
    '2027-01-05',
    units,
  );
  const tables = (content as { table?: { body: unknown[][] } }[]).flatMap(({ table }) => table ?? []);
  return (tables[0]?.body ?? []).map((row) => row.map((cell) => textsOf(cell).join('')));
}
const FIRST = 3;
const numberOf = (text: string | undefined): number =>
  text === undefined || text === '–' ? 0 : Number(text.replace(/,/g, ''));

describe.each([2025, 2026])('the ledger of %i as it is printed', (year) => {
  it.each([
    ['us', new Units()],
    ['si', new Units({ system: 'si', locale: 'en-US' } as never)],
  ])('adds up in %s: the sum of each zone and of the property are those of its lines', (_system, units) => {
    const [, ...rows] = printedRows(units, year);
    const sums = rows.filter((row) => row[2] === 'sum of the zone');
    const all = rows.find((row) => row[2] === 'sum of the property');
    const lines = rows.filter((row) => !row[2]?.startsWith('sum of'));
    expect(lines.length).toBeGreaterThan(3);
    for (const sum of sums)
      for (let column = FIRST; column < FIRST + 2 * COUNTED.length; column++) {
        const own = lines.filter((row) => row[1]?.startsWith(`${sum[1]},`)).map((row) => numberOf(row[column]));
        expect(own.reduce((a, b) => a + b, 0)).toBeCloseTo(numberOf(sum[column]), 6);
      }
    for (let column = FIRST; column < FIRST + COUNTED.length; column++)
      expect(lines.reduce((a, row) => a + numberOf(row[column]), 0)).toBeCloseTo(numberOf(all?.[column]), 6);
  });
  it('says the same as a table, and a spreadsheet reads as many columns in every line', () => {
    const { data } = Papa.parse<string[]>(printAuthorityCsv(authorityLedger(sprayed, year)).trim());
    const [head, ...rows] = data;
    expect(new Set(rows.map((row) => row.length))).toEqual(new Set([head?.length]));
    const at = (name: string) => head?.indexOf(name) ?? -1;
    const lines = rows.filter(([kind]) => kind === 'application');
    const sum = rows.find(([kind]) => kind === 'sum of the property');
    for (const name of ['lb product', 'lb N', 'lb N soluble', 'lb K2O'])
      expect(lines.reduce((total, row) => total + Number(row[at(name)]), 0)).toBeCloseTo(Number(sum?.[at(name)]), 6);
    // by hand: pounds per 1000 of the first line are its pounds on its square feet
    const [first] = lines;
    expect(Number(first?.[at('lb product per 1000 sq ft')])).toBeCloseTo(
      (Number(first?.[at('lb product')]) / Number(first?.[at('area, sq ft')])) * 1000,
      2,
    );
  });
});

describe('what is no figure of the ledger', () => {
  const ledger = authorityLedger(sprayed, 2026);
  it('stands beside it: corrections in footnotes, withdrawals with their reason, a pesticide as it was written', () => {
    expect(ledger.notes.map(({ says }) => says)).toEqual(['Corrected: read the scale wrong']);
    expect(ledger.lines.filter(({ notes }) => notes.length > 0)).toHaveLength(1);
    expect(ledger.withdrawn.map(({ reason }) => reason)).toEqual(['written twice']);
    expect(ledger.others).toHaveLength(1);
    const texts = textsOf(ledgerDocument(sprayed.property, ledger, '2027-01-05', new Units()).content).join(' | ');
    for (const says of [
      '1.1 fl oz of 3',
      'Clover mix, 00000-11',
      '(1) Corrected: read the scale wrong',
      'written twice',
    ])
      expect(texts).toContain(says);
  });
  it('is not counted: without the spray and the withdrawn record the sums are the same', () => {
    expect(authorityLedger(demo(), 2026).property).toEqual(ledger.property);
  });
  it('says which test was there when phosphate went down, and that a cap holds or is passed', () => {
    const capped = { ...sprayed, codes: [{ id: 'code', name: 'Reed County code', maxNPerYear: 0.1 }] };
    const texts = (file: Case) =>
      textsOf(ledgerDocument(file.property, authorityLedger(file, 2026), '2027-01-05', new Units()).content).join(' ');
    expect(texts(capped)).toMatch(/Reed County code allows 0\.10 lb N per 1000 sq ft a year: .* over it in 2026/);
    expect(texts({ ...capped, codes: [{ id: 'code', name: 'Reed County code', maxNPerYear: 9 }] })).toContain(
      'every zone is within it in 2026',
    );
  });
});
