import { describe, expect, it } from 'vitest';
import { isRefusal } from '../reckoning/refusal';
import { unsoundVersion } from '../log/versions';
import type { Case } from '../records/case';
import { demoCase } from '../season/front-lawn.fixture';
import { answered, type LogTable, readLogTable, recordsOfTable, type TableAnswers, versionsOfTable } from './log-table';

const school: Case = demoCase('quarry-lane-school');
const read = (source: string): LogTable => {
  const table = readLogTable(source);
  if (isRefusal(table)) throw new Error(table.refused);
  return table;
};
const lines = (source: string, answers: TableAnswers = {}, file = school) =>
  recordsOfTable(read(source), answers, file).lines;
const bodyOf = (source: string, answers?: TableAnswers) => lines(source, answers)[0]?.body;
const zone = (id: string) => school.zones.find((each) => each.id === id)!;

describe('a table of what was spread, whatever its layout', () => {
  it('names its columns by their words and units, under whatever stands over the header', () => {
    const table = read(
      'Maple crew work log,,,,,\nprinted 11/2/2027,,,,,\n\nDate,Lawn,Product,Lbs used,Applicator,Comments\n9/14/2027,South lawn,Coated urea,12.5,A. Ruiz,"dry, calm"\n',
    );
    expect(table.columns.map(({ meaning, unit }) => [meaning, unit])).toEqual([
      ['date', undefined],
      ['zone', undefined],
      ['product', undefined],
      ['amount', 'lb'],
      ['operator', undefined],
      ['notes', undefined],
    ]);
    expect(table.firstLine).toBe(5);
    expect(table.order).toBe('month-first');
    const [line] = recordsOfTable(table, {}, school).lines;
    expect(line).toMatchObject({
      line: 5,
      body: {
        kind: 'feeding',
        date: '2027-09-14',
        zoneIds: ['south-lawn'],
        spreadLb: 12.5,
        operator: 'A. Ruiz',
        notes: 'dry, calm',
      },
    });
  });
  it('reads days and decimals as they are written elsewhere, kilograms and grams a square meter', () => {
    const source = 'Datum;Rasen;Mittel;Menge (kg);Wind\n14.09.2027;South lawn;Coated urea;5,67;8\n';
    expect(read(source)).toMatchObject({ order: 'day-first', decimal: ',' });
    // 5.67 kg are 12.50 lb
    expect(bodyOf(source)?.spreadLb).toBeCloseTo(5.67 / 0.45359237, 9);
    expect(bodyOf(source)?.weather?.windMph).toBe(8);
    const rate = bodyOf('Datum\tRasen\tMittel\tAufwand g/m2\n14.09.2027\tSouth lawn\tCoated urea\t8,5\n');
    expect(rate?.spreadLb).toBeCloseTo(((8.5 / 4.8824276363831) * zone('south-lawn').areaSqFt) / 1000, 6);
  });
  it('takes a rate on the area of the table, else of the zone; acres and pounds an acre', () => {
    const acres = bodyOf('Date,Site,Material,Rate (lb/acre),Acres\n2027-09-14,Playing strip,Plain urea,87.12,0.25\n');
    expect(acres?.coveredSqFt).toBeCloseTo(10890, 6);
    expect(acres?.spreadLb).toBeCloseTo(87.12 * 0.25, 9);
    const own = bodyOf('Date,Site,Material,Rate lb/1000\n2027-09-14,Playing strip,Plain urea,2\n');
    expect(own?.spreadLb).toBeCloseTo((2 * zone('playing-strip').areaSqFt) / 1000, 9);
    // an area beyond the trade's thousand is the zone's where the table has none
    expect(own?.coveredSqFt).toBeUndefined();
  });
  it('knows a product by its grade, nitrogen by the label, a bag by its weight', () => {
    expect(bodyOf('Date,Lawn,Fertilizer,Lbs\n2027-09-14,Lime walk,24-0-11 slow,7\n')?.product?.id).toBe('lawn-24-0-11');
    const nitrogen = bodyOf('Date,Lawn,Fertilizer,lb N/1000\n2027-09-14,Lime walk,Plain urea,0.5\n');
    expect(nitrogen?.spreadLb).toBeCloseTo(((0.5 / 0.46) * zone('lime-walk').areaSqFt) / 1000, 9);
    const bags = bodyOf('Date,Lawn,Fertilizer,Bags\n2027-09-14,Lime walk,Plain urea,1\n');
    expect(bags?.spreadLb).toBe(school.products?.find(({ id }) => id === 'urea-46')?.package?.lb);
    const cell = bodyOf('Date,Lawn,Fertilizer,Amount\n2027-09-14,Lime walk,Plain urea,24 oz\n');
    expect(cell?.spreadLb).toBeCloseTo(1.5, 9);
  });
  it('keeps nitrogen without a product as a note, and a foreign spray as it was written', () => {
    expect(bodyOf('Date,Lawn,Product,N rate lb/1000\n2027-09-14,Lime walk,,0.5\n')).toMatchObject({
      kind: 'note',
      notes: 'Table: 0.5 lb/1000 ft2 of nitrogen, no product named.',
    });
    expect(
      bodyOf(
        'Date,Location,Chemical,EPA Reg. No.,Target,Rate,Wind mph,Applicator License\n6/21/2027,South lawn,Broadleaf mix,00000-11,clover,1.1 fl oz per 1000,5,CA-22\n',
      ),
    ).toMatchObject({
      kind: 'pesticide',
      licenseNumber: 'CA-22',
      facts: {
        productName: 'Broadleaf mix',
        registrationNumber: '00000-11',
        target: 'clover',
        amountAsTyped: '1.1 fl oz per 1000',
      },
    });
  });
});

describe('what is not told', () => {
  const odd = [
    'Date,Lawn,Product,Lbs',
    '9/14/2027,South lawn,Coated urea,12.5',
    '9/14/2027,South lawn,Coated urea,12.52',
    'soon,South lawn,Coated urea,3',
    '9/15/2027,Old orchard,Coated urea,3',
    '9/15/2027,South lawn,Wonder grains,3',
    '9/15/2027,South lawn,Coated urea,',
    ',,,',
    '9/15/2027,South lawn,Coated urea,0',
  ].join('\n');
  it('is refused line by line, with the number of the line, and asked for by its name', () => {
    const reading = recordsOfTable(read(odd), {}, school);
    expect(reading.lines.map(({ line, because, twin }) => because ?? (twin ? 'twin' : line))).toEqual([
      2,
      'twin',
      '“soon” is no day.',
      'No zone is called “Old orchard”.',
      '“Wonder grains” is not on the shelf.',
      'How much went down is not said.',
      'Nothing went down.',
    ]);
    expect(reading.unknownZones).toEqual(['Old orchard']);
    expect(reading.unknownProducts).toEqual(['Wonder grains']);
  });
  it('is taken in once a person said it', () => {
    const answers: TableAnswers = {
      zones: { 'Old orchard': 'lime-walk' },
      products: { 'Wonder grains': 'lawn-24-0-11' },
      twins: true,
    };
    const reading = recordsOfTable(read(odd), answers, school);
    expect(reading.lines.filter(({ body }) => body)).toHaveLength(4);
    expect(versionsOfTable(reading, answers)).toHaveLength(4);
    const swapped = answered(read(odd), { columns: { 3: { meaning: 'amount', unit: 'kg' } }, order: 'day-first' });
    expect(swapped.columns[3]?.unit).toBe('kg');
    expect(recordsOfTable(swapped, {}, school).lines[0]?.because).toBe('“9/14/2027” is no day.');
  });
  it('adds nothing when it is read again, and knows what is in the log by another way', () => {
    const versions = versionsOfTable(recordsOfTable(read(odd), {}, school));
    expect(versions).toHaveLength(1);
    expect(unsoundVersion(versions)).toBeUndefined();
    expect(versionsOfTable(recordsOfTable(read(odd), {}, school)).map(({ versionId }) => versionId)).toEqual(
      versions.map(({ versionId }) => versionId),
    );
    const again = recordsOfTable(read(odd), {}, { ...school, records: versions });
    expect(versionsOfTable(again)).toEqual([]);
    expect(again.lines.filter(({ twin }) => twin)).toHaveLength(2);
  });
  it.each([
    ['', /No line names its columns/],
    ['a letter with no table in it', /No line names its columns/],
    ['Product,Lbs\nUrea,3', /No line names its columns/],
  ])('no table: %s', (source, says) => {
    expect(readLogTable(source)).toMatchObject({ refused: expect.stringMatching(says) as string });
  });
});
