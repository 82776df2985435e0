import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import type { Case, Product } from '../records/case';
import { purchases } from '../products/purchases';
import { planSheet } from '../season/output/plan-sheet';
import { dose, laid, okonedo } from '../season/front-lawn.fixture';
import { printPlanCalendar } from './plan-calendar';
import { printPlanCsv } from './plan-csv';

// A liquid is poured: its plan says so wherever it is printed.

const BREW: Product = {
  id: 'brew',
  name: 'Brew',
  form: 'liquid',
  lbPerGal: 10,
  guaranteed: { N: 20 },
  package: { gal: 2.5, price: 40 },
};
const given: Case = { ...okonedo, products: [...okonedo.products!, BREW] };
const plan = laid([dose('2027-05-17', 'brew', 1.2), dose('2027-09-06', 'ammonium-sulfate-21', 3.86)], given);
const sheet = planSheet(given, plan);
const [liquid, granular] = sheet.lines as [(typeof sheet.lines)[0], (typeof sheet.lines)[0]];
// 1.2 lb/1000 ft2 at 10 lb/gal of 128 fl oz
const flOz = ((1.2 * okonedo.zones[0]!.areaSqFt) / 1000 / 10) * 128;

describe('a liquid in a plan', () => {
  it('is measured finer than a tenth of a pound, what is weighed is not', () => {
    expect(liquid.lbPerGal).toBe(10);
    expect(liquid.weighOutLb).toBeCloseTo((1.2 * okonedo.zones[0]!.areaSqFt) / 1000, 9);
    expect((granular.weighOutLb * 10) % 1).toBeCloseTo(0, 6);
    expect(granular.lbPerGal).toBeUndefined();
  });

  it('stands in the table in fl oz beside its pounds, in mL where kilograms are read', () => {
    const rows = (text: string) =>
      Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true }).data;
    const [poured, weighed] = rows(printPlanCsv(sheet));
    expect(Number(poured!['measure out, of a liquid (fl oz product)'])).toBeCloseTo(flOz, 1);
    expect(weighed!['measure out, of a liquid (fl oz product)']).toBe('');
    const [si] = rows(printPlanCsv(sheet, { weight: 'kg', rate: 'g/m2', bulk: 't' }));
    expect(Number(si!['measure out, of a liquid (mL product)'])).toBeCloseTo(flOz * 29.5735, -1);
  });

  it('stands in the calendar in fl oz, its rate too, and never in pounds', () => {
    const text = printPlanCalendar(sheet, 'p', '2027-04-05T09:00:00Z').replaceAll(/\r?\n[ \t]/g, '');
    expect(text).toContain(`${flOz.toFixed(1)} fl oz product of Brew`);
    expect(text).toContain('15.36 fl oz product per 1000 sq ft');
    expect(text).not.toMatch(/lb product of Brew/);
    expect(text).toMatch(/lb product of Ammonium sulfate/);
  });

  it('is bought by the bottle: what is needed is what is poured', () => {
    const [bought] = purchases([{ productId: 'brew', zoneLb: 26.04 }], [BREW]);
    expect(bought).toMatchObject({ neededLb: 26.04, packages: 2, packageLb: 25, lbPerGal: 10 });
  });
});
