import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { readCase } from '@core/files/case-file';
import type { Case, Product } from '@core/records/case';
import { isRefusal } from '@core/reckoning/refusal';
import { climateFromText, twelveNumbers } from './climate-text';
import { consequenceOf, phConsequence } from './consequence';
import { amountFor } from './dose-words';
import { nextTrip } from './match-work';
import { focusOn, planYear, wholeWork, workOf } from './property-work';
import { readFileText } from '../workers/read-file-text';
import { usUnits } from '../ui/format';

const demo = (name: string): Case => {
  const read = readCase(readFileSync(`demo/${name}.json`, 'utf8'));
  if (isRefusal(read)) throw new Error(read.refused);
  return read;
};

describe('a property’s work', () => {
  it.each(readdirSync('demo').map((f) => f.replace('.json', '')))(
    'of %s puts its first zone in focus and reads each report',
    (name) => {
      const file = demo(name);
      const work = workOf(file, '2027-04-05', null);
      expect(work.zone?.id).toBe(file.zones[0]?.id);
      expect(work.season.zones.filter((z) => z.read)).toHaveLength(new Set(file.soilTests?.map((t) => t.zoneId)).size);
    },
  );
  it('follows the zone asked for, and the first where it is gone', () => {
    const file = demo('quarry-lane-school');
    expect(workOf(file, '2027-04-05', 'lime-walk').zoneSeason?.zone.id).toBe('lime-walk');
    expect(workOf(file, '2027-04-05', 'gone').zone?.id).toBe('south-lawn');
    expect(workOf({ ...file, zones: [] }, '2027-04-05', null)).toMatchObject({
      zone: undefined,
      zoneSeason: undefined,
    });
  });
  it('plans this year until midsummer and the next after it, unless told', () => {
    const file = { ...demo('okonedo-residence'), choices: undefined };
    expect([
      planYear(file, '2027-06-30'),
      planYear(file, '2027-07-01'),
      planYear(demo('okonedo-residence'), '2031-01-01'),
    ]).toEqual([2027, 2028, 2027]);
  });
  it('prescribes nothing again for a dose moved by hand or another zone in focus, and does for whatever it rests on', () => {
    const file = demo('quarry-lane-school');
    const read = (change: Partial<Case> = {}): Case => structuredClone({ ...file, ...change });
    const draft = wholeWork(read(), '2027-04-05').draft;
    const doses = [{ zoneId: 'south-lawn', date: '2027-05-10', productId: 'urea-46', for: 'N' as const, rateLb: 2 }];
    const moved = wholeWork(read({ plans: [{ id: 'p', year: 2027, doses } as never] }), '2027-04-05');
    expect(moved.draft).toBe(draft);
    expect(moved.season.zones[0]?.doses.map((d) => d.date)).toEqual(['2027-05-10']);
    expect(focusOn(moved, 'lime-walk').draft).toBe(draft);
    const others: [Case, string][] = [
      [read(), '2027-04-06'],
      [read({ zones: file.zones.map((z) => ({ ...z, care: 'high' as const })) }), '2027-04-05'],
      [read({ soilTests: [] }), '2027-04-05'],
      [read({ choices: { ...file.choices, school: 'minimum' } }), '2027-04-05'],
      [read({ plans: [{ id: 'p', year: 2027, products: { 'south-lawn/N': 'urea-46' } } as never] }), '2027-04-05'],
    ];
    for (const [other, today] of others) expect(wholeWork(other, today).draft).not.toBe(draft);
  });
  it('uses the products a person chose for that year', () => {
    const file = demo('quarry-lane-school');
    const chosen = { ...file, plans: [{ id: 'p', year: 2027, products: { 'south-lawn/N': 'urea-46' } }] };
    const of = (f: Case) =>
      new Set(
        workOf(f, '2027-04-05', null)
          .zoneSeason?.doses.filter((d) => d.for === 'N')
          .map((d) => d.productId),
      );
    // left to itself the draft takes the steps of the late season from a quick product
    expect([of(file), of(chosen)]).toEqual([new Set(['coated-urea-42', 'urea-46']), new Set(['urea-46'])]);
  });
});

describe('what follows from a finding', () => {
  const { zoneSeason } = workOf(demo('quarry-lane-school'), '2027-04-05', null);
  const { read, prescription } = zoneSeason!;
  const of = (analyte: string) =>
    consequenceOf(
      read!.findings.find((f) => f.analyte === analyte)!,
      prescription,
      usUnits,
    );
  it('is an order, with its figure where there is one', () => {
    expect(of('K')).toMatchObject({
      after: ' lb K2O per 1000 this year.',
      figure: { value: prescription.potassium.yearLb },
    });
    expect(of('P').after).toBe('No P2O5 this year, whatever the bag holds.');
    expect(of('Mg').after).toBe('No Mg needed this year.');
    expect(of('Ca').after).toBe('Nothing to add.');
    expect(phConsequence(prescription, usUnits)).toMatchObject({
      before: 'Lime, ',
      figure: { value: prescription.ph.material?.value },
      after: ' lb lime per 1000, in one dose.',
    });
  });
  it('is sulfur in small doses on centipedegrass’s weak soil (judgement B7), and leaving it alone in limy soil', () => {
    const on = (name: string) =>
      phConsequence(workOf(demo(name), '2027-04-05', null).zoneSeason!.prescription, usUnits);
    expect(on('fenwick-allotment-paths').after).toMatch(/lb S per 1000, as 4 of 1\.6/);
    expect(on('thornbury-chapel-green').after).toContain('leave it');
  });
  it('counts each dose in what it is for', () => {
    for (const dose of zoneSeason!.doses)
      expect(amountFor(dose)).toBeCloseTo(dose.for === 'lime' ? dose.rateLb : (dose.delivers[dose.for] ?? 0), 12);
  });
});

describe('typed normals', () => {
  const highs = '40 45 56 67 76 85 89 88 80 69 55 43';
  const lows = '24,27,36,46,56,65,70,68,60,48,37,28';
  it('are twelve numbers with spaces, commas or lines between', () => {
    expect(climateFromText({ highs, lows, lastFrost: '04-15', firstFrost: ' ' }, usUnits)).toMatchObject({
      meanHighF: { length: 12 },
      meanLowF: { length: 12 },
      lastFrost: '04-15',
    });
  });
  it.each([
    [{ highs: '1 2 3', lows, lastFrost: '', firstFrost: '' }, 'highs', '3 found'],
    [{ highs: highs.replace('40', '4o'), lows, lastFrost: '', firstFrost: '' }, 'highs', 'must be a number'],
    [{ highs, lows: lows.replace('24', '44'), lastFrost: '', firstFrost: '' }, 'lows', 'Month 1'],
    [{ highs, lows, lastFrost: '02-30', firstFrost: '' }, 'lastFrost', '04-15'],
    [{ highs: highs.replace('89', '890'), lows, lastFrost: '', firstFrost: '' }, 'highs', 'between'],
  ])('refuse %o', (typed, field, says) => {
    expect(climateFromText(typed, usUnits)).toMatchObject({ field, refused: expect.stringContaining(says) });
  });
  it('name what is short', () => {
    expect(twelveNumbers('', 'Mean lows', 'lows', 'temperature', usUnits)).toMatchObject({
      refused: expect.stringContaining('0 found'),
    });
  });
});

describe('a chosen file', () => {
  it('is read, unless empty or far too large', async () => {
    expect(await readFileText(new File(['{}'], 'a.json'))).toBe('{}');
    expect(await readFileText(new File([''], 'a.json'))).toMatchObject({ refused: expect.stringContaining('empty') });
    const huge = Object.defineProperty(new File(['x'], 'a.json'), 'size', { value: 450_000_000 });
    expect(await readFileText(huge)).toMatchObject({ refused: expect.stringContaining('450 MB') });
  });
});

describe('the day a bag is checked against', () => {
  const trips = [
    { date: '2027-03-01', need: { lime: 30 } },
    { date: '2027-04-12', need: { N: 0.8 } },
    { date: '2027-09-06', need: { N: 0.9, K2O: 0.5 } },
  ];
  const bag = (guaranteed: Product['guaranteed'], more: Partial<Product> = {}): Product => ({
    id: 'bag',
    name: 'Bag',
    guaranteed,
    ...more,
  });
  it('is the next that this bag could serve: never a day of lime for a bag of urea', () => {
    expect(nextTrip(trips, '2027-02-01', bag({ N: 46 })).date).toBe('2027-04-12');
    expect(nextTrip(trips, '2027-02-01', bag({ K2O: 50 })).date).toBe('2027-09-06');
    expect(nextTrip(trips, '2027-02-01', bag({}, { limeKind: 'calcitic', eccePercent: 90 })).date).toBe('2027-03-01');
    // past its last day, its first
    expect(nextTrip(trips, '2027-10-01', bag({ N: 46 })).date).toBe('2027-04-12');
  });
  it('is the next of all where no bag is in hand, or it could serve none', () => {
    expect(nextTrip(trips, '2027-03-02').date).toBe('2027-04-12');
    expect(nextTrip(trips, '2027-02-01', bag({ Fe: 10 })).date).toBe('2027-03-01');
  });
});
