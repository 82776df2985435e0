import { describe, expect, it } from 'vitest';
import { textAsDocument } from './text-as-document.fixture';
import { answersFrom, layoutFileOf } from './layout-file';
import { slipsOf, unitDoubt } from './plausible';
import type { ReaderAnswers, ReportSample } from './reading';
import { readReport } from './read-report';
import { soilTestOf } from './soil-test-of';
import { isRefusal } from '../reckoning/refusal';
import { irrigationWaterOf, leafFindings } from './water-and-leaves';

/** Reports in dresses that no layout of ours has: every one invented. */
const read = (text: string, answers: ReaderAnswers = {}, on = '2027-04-30') =>
  readReport(textAsDocument(text), answers, on);
const values = ({ values: all }: ReportSample) =>
  Object.fromEntries(all.map((v) => [v.unit === '%' && v.analyte !== 'OM' ? `${v.analyte}%` : v.analyte, v.value]));
const only = (text: string, answers?: ReaderAnswers) => {
  const { samples } = read(text, answers);
  expect(samples).toHaveLength(1);
  return samples[0] as ReportSample;
};

describe('a table', () => {
  it('has its units in a row of their own, ratings behind the numbers, and nothing where nothing was found', () => {
    const { samples, rejected } = read(
      'Lab ID,Sample,WPH,P,K,CEC,SALTS,ZN\n,,,ppm,ppm,meq/100g,mmhos/cm,ppm\n4411,Front,6.1,44 M,62 L,9.1,0.4,ND\n4412,Back,5.7,71 VH,88,8.2,n/a,<0.5\n',
    );
    expect(samples.map(({ label }) => label)).toEqual(['Front', 'Back']);
    expect(values(samples[0]!)).toEqual({ pH: 6.1, P: 44, K: 62, CEC: 9.1, EC: 0.4 });
    expect(samples[0]!.notGiven).toMatchObject([{ analyte: 'Zn', text: 'ND' }]);
    expect(samples[1]!.values.find((v) => v.analyte === 'P')).toMatchObject({ rating: 'VH', unit: 'ppm' });
    expect(samples[1]!.values.find((v) => v.analyte === 'Zn')).toMatchObject({ value: 0.5, qualifier: '<' });
    expect(rejected).toEqual([]);
  });
  it('has a heading over several lines, names half above and half below', () => {
    const { samples, facts } = read(
      '"Greenfield Analytical","","","",""\n"Sample","Lab #","Organic\nMatter","Phosphorus","Cation\nExchange"\n"ID","","%","M3 ppm","Capacity"\n"North","A1001","3.4","31 M","9.2"\n',
    );
    expect(facts.lab?.value).toBe('Greenfield Analytical');
    expect(samples[0]).toMatchObject({ label: 'North', names: { labNumber: 'A1001' } });
    expect(values(samples[0]!)).toEqual({ OM: 3.4, P: 31, CEC: 9.2 });
    expect(samples[0]!.values.find((v) => v.analyte === 'P')?.method).toBe('mehlich-3');
  });
  it('stands on its side: samples are columns, each with its rating, bases apart from percents', () => {
    const { samples } = read(
      'Parameter,Method,Units,Front Lawn,Rating,Back Lawn,Rating\npH,1:1 Water,S.U.,6.4,Optimum,5.8,Low\nPotassium,Mehlich 3,mg/kg,98,Medium,71,Low\n,,,,,,\nBase Saturation (%),,,,,,\nPotassium,,,2.8,,2.3,\n',
    );
    expect(samples.map(({ label }) => label)).toEqual(['Front Lawn', 'Back Lawn']);
    expect(values(samples[1]!)).toEqual({ pH: 5.8, K: 71, 'K%': 2.3 });
    expect(samples[0]!.values.find((v) => v.analyte === 'K')).toMatchObject({ rating: 'Medium', method: 'mehlich-3' });
  });
  it('gives one result a row, units beside it, and lists what it does not know', () => {
    const { samples, rejected, notUnderstood } = read(
      'id,test,result,uom\nT1,PH,6.3,\nT1,POTASSIUM (K),142,LBS/ACRE\nT1,SOMETHING ELSE,3,\nT2,PH,5.7,\n',
    );
    expect(samples.map(({ label }) => label)).toEqual(['T1', 'T2']);
    expect(samples[0]!.values[1]).toMatchObject({ analyte: 'K', value: 142, unit: 'lb/acre' });
    expect(rejected).toMatchObject([{ line: 4, because: expect.stringContaining('SOMETHING ELSE') }]);
    expect(notUnderstood).toMatchObject([{ text: 'SOMETHING ELSE', values: ['3'] }]);
  });
  it('is German: oxides by CAL come out as elements that no range is for', () => {
    const { samples, doubts } = read(
      'Kunde;Muster;Eingang;19.10.2026\nProbenahme;12.10.2026\n\nUntersuchung;Einheit;Vorgarten;Hausgarten\npH-Wert (CaCl2);;5,6;6,2\nPhosphat P2O5 (CAL);mg/100 g;14;22\nKAK;cmol/kg;9,4;1.011,2\n',
    );
    expect(samples[0]).toMatchObject({ label: 'Vorgarten', sampledOn: '2026-10-12' });
    // 14 mg/100 g is 140 ppm of P2O5, 0.4364 of it P
    expect(values(samples[0]!).P).toBeCloseTo(61.1, 1);
    expect(samples[0]!.values.find((v) => v.analyte === 'P')?.method).toBeUndefined();
    expect(values(samples[1]!).CEC).toBe(1011.2);
    expect(doubts.join()).toContain('P is by CAL');
  });
  it('keeps what is good of a row and says what is wrong with the rest, by its line', () => {
    const { samples, rejected } = read(
      'Sample,pH,K (ppm),Date\nA,6.1,many,2027-03-02\nB,6.2,-3,2027-03-02\nC,6.3,50,someday\n',
    );
    expect(samples.map((s) => s.values.length)).toEqual([1, 1, 2]);
    expect(rejected.map(({ line, because }) => [line, because])).toEqual([
      [2, expect.stringContaining('“many”')],
      [3, expect.stringContaining('never negative')],
      [4, expect.stringContaining('someday')],
    ]);
    expect(rejected).toHaveLength(3);
  });
});

describe('words', () => {
  it('of a mail are pairs of names and numbers, with advice in a sentence', () => {
    const sample = only(
      'Hello, here are the results for your lawn (sampled 4/13/2027):\n\nSoil pH 5.8\nBuffer pH 6.6 (SMP)\nPhosphorus (P): 32 ppm  Medium\nPotassium (K) = 88 ppm, Low\nCEC 8.1 meq/100g\n\nApply 40 lb of lime per 1000 sq ft this fall.\nNutrients by Mehlich 3.\n',
    );
    expect(values(sample)).toEqual({ pH: 5.8, 'buffer-pH': 6.6, P: 32, K: 88, CEC: 8.1 });
    expect(sample.sampledOn).toBe('2027-04-13');
    expect(sample.values[1]?.method).toBe('smp');
    expect(sample.recommendations).toMatchObject([{ of: 'limeLb', lbPer1000: 40 }]);
    expect(soilTestOf(sample, 't', 'z', '2027-04-13').labAdvice).toEqual({ limeLb: 40 });
  });
  it('of one sentence are parted into clauses', () => {
    expect(
      values(
        only(
          'Results for 14 Elm: pH 6.2, phosphorus 35 ppm, potassium 110 ppm, magnesium 130 ppm (Mehlich-3). OM 3.1%, CEC 8.',
        ),
      ),
    ).toEqual({ pH: 6.2, P: 35, K: 110, Mg: 130, OM: 3.1, CEC: 8 });
  });
  it('in columns keep their columns, though a name runs over', () => {
    const sample = only(
      'Muestra: Jardín norte\nFecha de muestreo: 12 de octubre de 2026\nProfundidad: 10 cm\n\nDeterminación        Resultado   Unidad      Interpretación\npH (agua 1:1)        5,6                     Ácido\nFósforo (Olsen)      14          mg/kg       Medio\nPotasio (acetato de amonio)   0,32   cmol/kg   Bajo\nCalcio               4,1         cmol/kg     Bajo\n',
    );
    expect(sample).toMatchObject({ label: 'Jardín norte', sampledOn: '2026-10-12' });
    expect(values(sample)).toEqual({ pH: 5.6, P: 14, K: 0.32, Ca: 4.1 });
    expect(sample.values.map((v) => v.method)).toEqual(['water-1:1', 'olsen', 'ammonium-acetate', 'ammonium-acetate']);
  });
  it('with a row of results and a row of ratings are one sample, the page’s', () => {
    const sample = only(
      'Sample  Tee 4                       Received 02/05/2027\n\n          Soil pH   Buffer pH   P        K\nResult    5.7       6.5         18 ppm   66 ppm\nRating    Low                   Low      Med\n\nExtraction: Mehlich-3. Buffer: Sikora.\n',
    );
    expect(sample.label).toBe('Tee 4');
    expect(sample.values.map((v) => [v.analyte, v.value, v.method, v.rating])).toEqual([
      ['pH', 5.7, 'water-1:1', 'Low'],
      ['buffer-pH', 6.5, 'sikora', undefined],
      ['P', 18, 'mehlich-3', 'Low'],
      ['K', 66, 'mehlich-3', 'Med'],
    ]);
    expect(sample.sampledOn).toBeUndefined();
  });
});

describe('what is not said', () => {
  it('is asked for: a unit, unless the exchange capacity tells it', () => {
    expect(read('Sample,pH,K\nA,6,80\n').doubts.join()).toContain('No unit is said for K');
    // Ca 900 / 200.4 + Mg 140 / 121.5 + K 80 / 391 = 5.85 of CEC 6.2
    const told = read('Sample,pH,K,Ca,Mg,CEC\nA,6.8,80,900,140,6.2\n');
    expect(told.facts.unit).toMatchObject({ value: 'ppm', because: expect.stringContaining('94 %') });
    expect(read('Sample,pH,K,Ca,Mg,CEC\nA,6.8,160,1800,280,6.2\n').facts.unit?.value).toBe('lb/acre');
  });
  it('is never taken for Mehlich: a buffer without its name', () => {
    const bare = read('sample,pH,buffer pH\na,5.5,6.4\n');
    expect(bare.samples[0]!.values[1]?.method).toBeUndefined();
    expect(bare.doubts.join()).toContain('which buffer');
    expect(read('sample,pH,buffer pH\na,5.5,6.4\n', { bufferMethod: 'smp' }).samples[0]!.values[1]?.method).toBe('smp');
  });
  it('days are told from months by what can be no month, and by what is still to come', () => {
    expect(read('Sample,pH,Date\nA,6,10/12/2026\nB,6,10/19/2026\n').samples[0]?.sampledOn).toBe('2026-10-12');
    expect(read('Sample,pH,Date\nA,6,10/12/2026\n', {}, '2026-11-01').samples[0]?.sampledOn).toBe('2026-10-12');
    expect(read('Sample,pH,Date\nA,6,04/05/2026\n', {}, '2026-11-01').doubts.join()).toContain('a guess');
  });
});

describe('what cannot be', () => {
  it('is asked about with its likeliest slip, and never taken as it is', () => {
    const reading = read('Sample,pH,Ca (ppm),CEC\nA,6.1,812.0,8.4\nB,57,6400,6.1\nC,5.9,905.0,9.7\n');
    const [ph, ca] = slipsOf(reading);
    expect(ph).toMatchObject({
      analyte: 'pH',
      candidates: [{ value: 5.7, fits: true }, { value: 0.57 }],
      likeliest: 0,
    });
    // 6400 ppm is 31.9 cmolc/kg; only a tenth of it fits 6.1 (by hand: 640 / 200.4 = 3.19)
    expect(ca!.because).toContain('31.9');
    expect(ca!.candidates.filter(({ fits }) => fits)).toMatchObject([{ how: 'point-lost', value: 640 }]);
    expect(soilTestOf(reading.samples[1]!, 't', 'z', '2027-01-01').results.map((r) => r.analyte)).toEqual([
      'Ca',
      'CEC',
    ]);
    const answered = read('Sample,pH,Ca (ppm),CEC\nA,6.1,812.0,8.4\nB,57,6400,6.1\nC,5.9,905.0,9.7\n', {
      values: { '0:3:1': 5.7, '0:3:2': null },
    });
    expect(values(answered.samples[1]!)).toEqual({ pH: 5.7, CEC: 6.1 });
    expect(slipsOf(answered)).toEqual([]);
  });
  it('a wrong unit shows in all samples', () => {
    // twice 5.85 of 6.2
    const wrong = read('Sample,pH,K ppm,Ca ppm,Mg ppm,CEC\nA,6.4,160,1800,280,6.2\nB,6.0,150,1700,300,6.5\n');
    expect(unitDoubt(wrong)).toMatchObject({ unit: 'lb/acre', says: expect.stringContaining('% of the CEC') });
    expect(unitDoubt(read('Sample,pH,K ppm,Ca ppm,Mg ppm,CEC\nA,6.4,80,900,140,6.2\n'))).toBeUndefined();
    expect(unitDoubt(read('Sample,pH,K lb/A,Ca lb/A,Mg lb/A,CEC\nA,6.4,80,450,70,6.2\n'))).toMatchObject({
      unit: 'ppm',
    });
  });
});

describe('what a person said', () => {
  const text = 'Sample,pH,Kx,F. I.\nA,6.1,44,3\n';
  it('stands before every guess, and leaves what it leaves', () => {
    const said = read(text, {
      terms: { kx: { as: 'analyte:K', unit: 'ppm', method: 'mehlich-3' }, 'f. i.': { as: 'out' } },
    });
    expect(said.samples[0]!.values[1]).toMatchObject({ analyte: 'K', value: 44, unit: 'ppm', method: 'mehlich-3' });
    expect(said.notUnderstood).toEqual([]);
    expect(said.kept).toMatchObject([{ text: 'F. I.', because: 'left out by you' }]);
  });
  it('goes out as a file and comes back the same', () => {
    const answers: ReaderAnswers = {
      lab: 'Some laboratory',
      unit: 'ppm',
      terms: { kx: { as: 'analyte:K', unit: 'ppm' } },
    };
    expect(
      answersFrom(JSON.parse(JSON.stringify(layoutFileOf({ ...answers, sampledOn: '2027-01-01', values: { a: 1 } })))),
    ).toEqual(answers);
    expect(
      isRefusal(answersFrom({ format: 'ubertas-report-layout', version: 1, terms: [{ label: 'x', as: 'analyte K' }] })),
    ).toBe(true);
    expect(answersFrom({ format: 'other', version: 1 })).toMatchObject({
      refused: expect.stringContaining('ubertas-report-layout'),
    });
  });
});

describe('what a report is of', () => {
  it.each([
    ['tissue', 'Plant Tissue Analysis\nSample,N %,P %,K %,Fe ppm\nGreen 3,4.1,0.45,2.2,110\n'],
    ['tissue', 'Sample,N %,P %,K %\nGreen 3,4.1,0.45,2.2\n'],
    ['water', 'Irrigation water analysis\n\nParameter,Result,Unit\npH,7.8,\nBicarbonate,240,mg/L\nSAR,4.1,\n'],
    ['water', 'Sample,pH,EC dS/m,HCO3 meq/L,Na meq/L,SAR\nWell,7.9,1.1,3.9,5.2,4.4\n'],
    ['soil', 'Soil test report\nSample,pH,K %,Ca %,CEC\nA,6.1,3.1,66,9\n'],
    ['soil', 'Sample,pH,SAR,EC\nA,7.9,6,2.1\n'],
  ])('is %s', (kind, text) => {
    const { facts, doubts } = read(text);
    expect(facts.kind.value).toBe(kind);
    expect(doubts.some((doubt) => doubt.includes('no soil test'))).toBe(kind !== 'soil');
  });
  it('is what a person says', () =>
    expect(read('Irrigation water analysis\nSample,pH,SAR\nA,7,2\n', { kind: 'soil' }).facts.kind.value).toBe('soil'));
});

describe('water and leaves', () => {
  it('of a water report come the numbers that the property keeps, in its units', () => {
    const { samples } = read(
      'Irrigation water analysis\nSampled: 2027-03-02\n\nParameter,Result,Unit\npH,7.8,\nEC,1.2,dS/m\nBicarbonate,244,mg/L\nNitrate-N,3.1,mg/L\nSodium,4.6,meq/L\nCalcium,2,meq/L\nMagnesium,2.6,meq/L\nChloride,2,meq/L\nBoron,0.4,ppm\n',
    );
    const water = irrigationWaterOf(samples[0]!);
    expect(water).toMatchObject({ sampledOn: '2027-03-02', ecw: 1.2, no3nMgPerL: 3.1, bMgPerL: 0.4, clMgPerL: 70.9 });
    // by hand: 244 / 61.02, and 4.6 / sqrt((2 + 2.6) / 2)
    expect(water.hco3MeqPerL).toBeCloseTo(3.999, 3);
    expect(water.sar).toBeCloseTo(3.033, 3);
    expect(soilTestOf(samples[0]!, 't', 'z', '2027-03-02').results.map((r) => r.analyte)).not.toContain('HCO3');
  });
  it('leaves are held against their ranges', () => {
    const { samples } = read('Plant tissue report\nSample,N %,P,K %,Fe\nGreen 3,4.1,0.45,0.9,80\n');
    expect(leafFindings(samples[0]!).map(({ analyte, place }) => [analyte, place])).toEqual([
      ['N', 'high'],
      ['P', 'enough'],
      ['K', 'low'],
      ['Fe', 'enough'],
    ]);
  });
});

describe('a page', () => {
  it('holds one letter under another, each with its own sample', () => {
    const letter = (id: string, ph: string, k: string) =>
      `Sample ID     Lab Number    Date Sampled\n${id}         99-12         10/14/2026\n\nNutrient            Your Soil    Optimum      Status\nSoil pH             ${ph}          6.0 - 7.0    OK\nPotassium (ppm)     ${k}           90 - 150     Low\n\n`;
    const { samples, rejected } = read(
      `Extraction: Mehlich III\n\n${letter('Lot A', '6.1', '74')}${letter('Lot B', '5.4', '99')}`,
    );
    expect(samples.map((sample) => [sample.label, sample.sampledOn, values(sample)])).toEqual([
      ['Lot A', '2026-10-14', { pH: 6.1, K: 74 }],
      ['Lot B', '2026-10-14', { pH: 5.4, K: 99 }],
    ]);
    expect(rejected).toEqual([]);
  });
  it('has headings over several columns, one of them standing between two', () => {
    const { samples, kept } = read(
      [
        '            Organic  Phosphorus        pH          CEC       Percent Base Saturation',
        'Number      Matter   P1    P2     Soil  Buffer   meq/100g    K     Mg',
        '            %        ppm   ppm                              %      %',
        '1           3.1      24 M  41 M   6.2   6.8      8.4        3.0   12.1',
        '2           2.6      12 L  22 L   5.6   6.6      7.0        2.2   10.0',
      ].join('\n'),
    );
    expect(samples.map(values)).toEqual([
      { OM: 3.1, P: 24, pH: 6.2, 'buffer-pH': 6.8, CEC: 8.4, 'K%': 3, 'Mg%': 12.1 },
      { OM: 2.6, P: 12, pH: 5.6, 'buffer-pH': 6.6, CEC: 7, 'K%': 2.2, 'Mg%': 10 },
    ]);
    expect(samples[0]!.values.find((v) => v.analyte === 'P')?.method).toBe('bray-p1');
    expect(kept.some(({ because }) => because.includes('strong Bray'))).toBe(true);
  });
  it('names a grower’s sample; the same analyte twice under one name is two samples', () => {
    const long = 'Field,Grower Sample,Test,Extract,Value,Unit\nF1,G4,P,M3,33,mg/kg\nF1,G5,P,M3,21,mg/kg\n';
    expect(read(long).samples.map(({ label, values: all }) => [label, all[0]?.value, all[0]?.method])).toEqual([
      ['G4', 33, 'mehlich-3'],
      ['G5', 21, 'mehlich-3'],
    ]);
    const unnamed = read(long.replace('Grower Sample', 'Qx'));
    expect(unnamed.samples).toHaveLength(2);
    expect(unnamed.doubts.join()).toContain('stands twice under F1');
  });
});

describe('samples that no page names', () => {
  it('are told apart by what they repeat, and said', () => {
    const list = (ph: string, k: string) => `Soil pH ${ph}\nPotassium ${k} ppm\nCEC 8.1\n`;
    const { samples, doubts } = read(`${list('5.8', '61')}\n\n${list('6.4', '90')}`);
    expect(samples.map(values)).toEqual([
      { pH: 5.8, K: 61, CEC: 8.1 },
      { pH: 6.4, K: 90, CEC: 8.1 },
    ]);
    expect(doubts.join()).toContain('taken for another sample');
  });
});
