import { describe, expect, it } from 'vitest';
import { linesOfWords } from './doors/cells-of-words';
import { textAsDocument } from './text-as-document.fixture';
import { pageOfRows, type ReportDocument } from './document';
import { readReport } from './read-report';

/** Reports as people paste and laboratories write them, each odd in its own way. All invented. */
const read = (text: string, name = 'report.txt') => readDocument(textAsDocument(text, name));
const workbook = (sheets: Record<string, string[][]>) =>
  readDocument({ kind: 'workbook', pages: Object.entries(sheets).map(([name, rows]) => pageOfRows(name, rows)) });
/** A page of paper from words with their places: a run of words may hold spaces. */
const paper = (words: readonly [x: number, y: number, text: string][]) =>
  readDocument({
    kind: 'pdf',
    pages: [
      {
        name: 'page 1',
        kind: 'paper',
        lines: linesOfWords(
          words.flatMap(([x, y, text]) =>
            [...text.matchAll(/\S+/g)].map((word) => ({
              text: word[0],
              x: x + word.index * 5,
              y,
              width: word[0].length * 5,
              height: 10,
            })),
          ),
        ),
      },
    ],
  });
const readDocument = (document: ReportDocument) => {
  const reading = readReport(document, {}, '2026-11-30');
  const samples = reading.samples.map((sample) => [
    sample.label,
    Object.fromEntries(
      sample.values.map(({ analyte, unit, method, qualifier, value }) => [
        `${analyte}${unit === '%' && analyte !== 'OM' ? ' %' : ''}`,
        [`${qualifier ?? ''}${Math.round(value * 1000) / 1000}`, unit, method].filter(Boolean).join(' '),
      ]),
    ),
  ]);
  return { ...reading, by: Object.fromEntries(samples) as Record<string, Record<string, string>> };
};

describe('a report is read', () => {
  it('from the sentences of a letter, over the ends of its lines, and nothing that is wanted or advised is taken for found', () => {
    const { by, samples, kept } = read(
      `Dear Ms. Fenn, the analysis of your sample "South bank" is done, received May 9, 2026.
Phosphorus by Mehlich 3 came back at 41 ppm, and potassium at
118 ppm. Soil pH in 1:1 water was 6.4; the target pH for bluegrass is 6.5.
Your buffer pH (SMP) was 6.8, which is fine. Raise the pH to 7 nowhere.
Organic matter stands at 3.1 percent. Apply 1.2 lb of K2O per 1000 sq ft.`,
    );
    expect(by).toEqual({
      'South bank': {
        P: '41 ppm mehlich-3',
        K: '118 ppm mehlich-3',
        pH: '6.4 water-1:1',
        'buffer-pH': '6.8 smp',
        OM: '3.1 %',
      },
    });
    expect(samples[0]!.recommendations).toMatchObject([{ of: 'K2OLb', lbPer1000: 1.2 }]);
    // no sentence is lost
    expect(kept.map(({ text }) => text).join(' ')).toContain('the target pH for bluegrass is 6.5');
  });
  it('from an answered mail, its marks left out, depth and units from its last line', () => {
    const { by, samples } = read(`On Tuesday the greenkeeper wrote:
> Sample      pH   BpH   OM%   P    K
> Front      5.9  6.7   3.3   31   88
> Rear       6.4  --    4.1   52  131
>
> All Mehlich-3 in ppm, 4" cores.`);
    expect(by.Front).toMatchObject({ P: '31 ppm mehlich-3', K: '88 ppm mehlich-3' });
    expect(by.Rear).toMatchObject({ pH: '6.4 water-1:1', P: '52 ppm mehlich-3' });
    expect(samples.map(({ depthIn }) => depthIn)).toEqual([4, 4]);
  });
  it('with one whole sample in each line, named before a colon', () => {
    const { by, samples } = read(`the lab phoned these through:
north side: pH 6.0, P 22, K 80, Ca 900 (all ppm, Mehlich-3)
south side: pH 6.6, P 41, K 132, Ca 1350
taken on 5/14/26 at 4 inches`);
    expect(by['north side']).toEqual({
      pH: '6 water-1:1',
      P: '22 ppm mehlich-3',
      K: '80 ppm mehlich-3',
      Ca: '900 ppm mehlich-3',
    });
    expect(by['south side']).toMatchObject({ pH: '6.6 water-1:1', Ca: '1350 ppm mehlich-3' });
    expect(samples.map(({ sampledOn, depthIn, lab }) => [sampledOn, depthIn, lab])).toEqual([
      ['2026-05-14', 4, undefined],
      ['2026-05-14', 4, undefined],
    ]);
  });
  it('with a unit that is drawn out over its columns', () => {
    const { by, rejected } = read(`Lab no.   Field id    pH   Buffer   P      K      Mg     CEC    %K   %Mg
                      1:1  pH       --------- lb/A -------  meq   - Base saturation -
10211     Meadow 1    6.1  6.6      58 M   196 L  240 M  9.4    2.7  10.6`);
    expect(rejected).toEqual([]);
    expect(by['Meadow 1']).toMatchObject({ P: '58 lb/acre', K: '196 lb/acre', Mg: '240 lb/acre', 'K %': '2.7 %' });
  });
  it('in a table drawn with lines, its ratings and ranges told from its results, and several advices in one line', () => {
    const { by, samples } = read(`Field: Upper terrace (Bermudagrass)       Sampled: 21 May 2026, 0-4 inches

        |  pH  | Buffer |  Bray P1 |  K   |
        |      | (SMP)  |   ppm    | ppm  |
--------+------+--------+----------+------+
Result  | 5.6  |  6.5   |   18     |  72  |
Rating  | low  |        |   low    | low  |
Optimum | 6.2-6.8|      | 25-45    | 90-150|

To raise pH apply 60 lb lime per 1000 sq ft.  Phosphorus: 1.5 lb P2O5/1000 sq ft. Potassium: 2 lb K2O per 1000 sq ft.`);
    expect(by).toEqual({
      'Upper terrace (Bermudagrass)': { pH: '5.6 water-1:1', 'buffer-pH': '6.5 smp', P: '18 ppm bray-p1', K: '72 ppm' },
    });
    expect(samples[0]).toMatchObject({ sampledOn: '2026-05-21', depthIn: 4 });
    expect(samples[0]!.recommendations.map(({ of, lbPer1000 }) => [of, lbPer1000])).toEqual([
      ['limeLb', 60],
      ['P2O5Lb', 1.5],
      ['K2OLb', 2],
    ]);
  });
  it('with a column a year, and each year is a sample of its own without another’s day', () => {
    const { by, samples, doubts } = read(
      `Sample: Practice lawn,,,
Sampled: 4/2/2026,,,
Analysis,Unit,2024,2026
pH,,6.1,6.3
P (Mehlich III),ppm,31,36
K (Mehlich III),ppm,77,92
`,
      'years.csv',
    );
    expect(by['Practice lawn, 2024']).toMatchObject({ P: '31 ppm mehlich-3' });
    expect(by['Practice lawn, 2026']).toMatchObject({ P: '36 ppm mehlich-3' });
    expect(samples.map(({ sampledOn }) => sampledOn)).toEqual([undefined, '2026-04-02']);
    expect(doubts.join(' ')).toContain('results of several times');
  });
  it('from the columns of a database, with their capitals and short words', () => {
    const { by, notUnderstood } = read(
      `LabNum,CustSampID,DateRecd,PH_H2O,BPH_SIKORA,P_M3_ICP_PPM,K_M3_PPM,B_HW_PPM,EC_1_2,OM_LOI_PCT,CEC_SUM,BS_CA,BS_H
88121,GRN-04,2026-05-02,6.4,7.2,72,144,0.7,0.41,2.2,14.2,77.8,3.0
`,
      'export.csv',
    );
    expect(notUnderstood).toEqual([]);
    expect(by['GRN-04']).toEqual({
      pH: '6.4 water-1:1',
      'buffer-pH': '7.2 sikora',
      P: '72 ppm mehlich-3',
      K: '144 ppm mehlich-3',
      B: '0.7 ppm hot-water',
      EC: '0.41 dS/m water-1:2',
      OM: '2.2 % loss-on-ignition',
      CEC: '14.2 cmolc/kg sum',
      'Ca %': '77.8 %',
    });
  });
  it('with flags for what was not detected, and what is wanted or in surplus left out', () => {
    const flags = read(
      `Client Sample ID,Analyte,Method,Result,Units,Qualifier
Knoll,Phosphorus,Mehlich 3,33,mg/kg,
Knoll,Boron,Mehlich 3,0.2,mg/kg,U
`,
      'flags.csv',
    );
    expect(flags.by.Knoll).toEqual({ P: '33 ppm mehlich-3', B: '<0.2 ppm mehlich-3' });
    const surplus = read(
      `Sample:,Lawn 2,Date:,10-Apr-26
Nutrient,Your Level,Ideal Level,Surplus/Deficit
Calcium,"1,820 lb/A","2,100 lb/A",-280
Potassium,310 lb/A,300 lb/A,+10
`,
      'surplus.csv',
    );
    expect(surplus.by).toEqual({ 'Lawn 2': { Ca: '1820 lb/acre', K: '310 lb/acre' } });
    expect(surplus.rejected).toEqual([]);
  });
  it('with dots from the names to their values, and lime advised as CaO', () => {
    const { by } = read('pH.................6.3\nPhosphorus.........19 ppm (Olsen)\nZinc (DTPA)........1.1 ppm');
    expect(Object.values(by)).toEqual([{ pH: '6.3 water-1:1', P: '19 ppm olsen', Zn: '1.1 ppm dtpa' }]);
    const lime = read(`Probe: Rasen hinten        Probenahme: 14.03.2026
pH-Wert                CaCl2        5,6
Phosphor (P2O5)        CAL          8           mg/100 g      B
Kalkempfehlung: 20 dt/ha CaO`).samples[0]!.recommendations;
    // 2,000 kg/ha is 40.96 lb/1000 ft2 of CaO, and 1.785 times that of CaCO3, by their masses
    expect(lime[0]!.lbPer1000).toBeCloseTo(40.963 * (100.086 / 56.077), 2);
  });
});

describe('a text', () => {
  it('of more lines than a letter has, and no columns, is refused with the way on', () => {
    expect(() => textAsDocument('1\n'.repeat(20_002))).toThrow(
      /more than 20,000 lines and no columns.* Save it as a table/,
    );
    expect(textAsDocument('1\n'.repeat(300)).kind).toBe('text');
  });
});

describe('a workbook is read', () => {
  it('with a sample a sheet, named by it, and a sheet of other analytes goes on with the one before', () => {
    const sheet = (ph: string, p: string) => [
      ['Test', 'Result', 'Unit'],
      ['pH', ph, ''],
      ['Phosphorus, Mehlich 3', p, 'mg/kg'],
    ];
    const { by } = workbook({ 'Fern lawn': sheet('6.1', '33'), 'Gate strip': sheet('6.5', '42') });
    expect(by).toEqual({
      'Fern lawn': { pH: '6.1 water-1:1', P: '33 ppm mehlich-3' },
      'Gate strip': { pH: '6.5 water-1:1', P: '42 ppm mehlich-3' },
    });
    const goesOn = workbook({
      Majors: sheet('6.1', '33'),
      Traces: [
        ['Test', 'Result', 'Unit'],
        ['Zinc, DTPA', '1.4', 'mg/kg'],
      ],
    });
    expect(goesOn.samples).toHaveLength(1);
  });
  it('with tables that share the laboratory’s number, units in words over them, and a row that sums up', () => {
    const { by, kept, rejected } = workbook({
      Data: [
        ['Lab #', 'Your ID', 'Date in field', 'pH'],
        ['501', 'Bowl 1', '2026-06-11', '6.4'],
        ['502', 'Bowl 2', '2026-06-11', '7.0'],
        ['503', 'Range', '2026-06-11', '6.7'],
        ['', 'Average', '', '6.7'],
        [],
        ['', 'Mehlich-3 extractable, lb/A', '', 'Micros, ppm'],
        ['Lab #', 'P', 'K', 'Zn'],
        ['501', '88 H', '210 M', '2.1'],
        ['502', '41 L', '142 L', '<0.4'],
      ],
    });
    expect(by).toEqual({
      'Bowl 1': { pH: '6.4 water-1:1', P: '88 lb/acre mehlich-3', K: '210 lb/acre mehlich-3', Zn: '2.1 ppm' },
      'Bowl 2': { pH: '7 water-1:1', P: '41 lb/acre mehlich-3', K: '142 lb/acre mehlich-3', Zn: '<0.4 ppm' },
      Range: { pH: '6.7 water-1:1' },
    });
    expect(kept.map(({ text }) => text)).toContain('Average');
    expect(rejected).toEqual([]);
  });
});

describe('a page of paper is read', () => {
  it('with each value under its name, and what is said of it under both', () => {
    const { by, samples } = paper([
      [40, 20, 'Sample: North green Collected: 06/02/2026 Depth: 4 in'],
      [40, 50, 'pH'],
      [160, 50, 'Buffer pH'],
      [280, 50, 'Phosphorus'],
      [40, 64, '6.3'],
      [160, 64, '6.8'],
      [280, 64, '36 ppm'],
      [40, 76, 'slightly acid'],
      [160, 76, 'Sikora'],
      [280, 76, 'medium'],
    ]);
    expect(by).toEqual({ 'North green': { pH: '6.3 water-1:1', 'buffer-pH': '6.8 sikora', P: '36 ppm' } });
    expect(samples[0]!.values.map(({ rating }) => rating)).toEqual(['slightly acid', undefined, 'medium']);
    expect(samples[0]).toMatchObject({ sampledOn: '2026-06-02', depthIn: 4 });
  });
  it('with its advice in a column of text beside the list', () => {
    const { by, samples } = paper([
      [40, 20, 'Test'],
      [200, 20, 'Your value'],
      [40, 40, 'pH'],
      [200, 40, '5.7'],
      [300, 40, 'Your soil is acid: spread 50 pounds of'],
      [40, 54, 'Phosphorus (Bray P1), ppm'],
      [200, 54, '14'],
      [300, 54, 'ground limestone per 1000 square feet'],
      [40, 68, 'Magnesium, ppm'],
      [200, 68, '66'],
      [300, 68, 'this fall. Phosphorus is low, so add 2'],
      [300, 82, 'pounds P2O5 per 1000 square feet.'],
    ]);
    expect(Object.values(by)).toEqual([{ pH: '5.7 water-1:1', P: '14 ppm bray-p1', Mg: '66 ppm' }]);
    expect(samples[0]!.recommendations.map(({ of, lbPer1000 }) => [of, lbPer1000])).toEqual([
      ['limeLb', 50],
      ['P2O5Lb', 2],
    ]);
  });
  it('with results named behind their numbers, over the end of a line', () => {
    const { by } = paper([
      [40, 20, 'We found 48 ppm of phosphorus by Mehlich-3, which is optimum, and 1,120 ppm of'],
      [40, 34, 'calcium. Organic matter came to 3.7%, and the optimum pH is 6.5 for bluegrass.'],
    ]);
    expect(Object.values(by)).toEqual([{ P: '48 ppm mehlich-3', Ca: '1120 ppm', OM: '3.7 %' }]);
  });
});
