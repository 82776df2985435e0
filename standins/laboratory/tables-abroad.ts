import Papa from 'papaparse';
import { fixed } from '../../core/words/numbers';
import { type AnalysedBag, CM_PER_IN, comma, dotted, NUTRIENTS, rating, shown } from './dress';

/** Tables as other laboratories write them: units in a row of their own, samples as columns, other languages. */

const utf8 = (text: string): Uint8Array => new TextEncoder().encode(text);
const table = (rows: readonly (readonly (string | number)[])[], delimiter = ','): string =>
  Papa.unparse(rows as (string | number)[][], { delimiter, newline: '\r\n' });

export const flagged = (bags: readonly AnalysedBag[]): Uint8Array =>
  utf8(
    table([
      ['Simulated laboratory'],
      ['Nutrients by Mehlich-3. L low, M medium, H high, VH very high'],
      [],
      [
        'LAB NO',
        'SAMPLE ID',
        'DATE SAMPLED',
        'DEPTH',
        'WPH',
        'BPH',
        ...NUTRIENTS.map((n) => n.toUpperCase()),
        'OM',
        'CEC',
        'FREE LIME',
        'SALTS',
      ],
      ['', '', '', 'in', '1:1', 'Mehlich', ...NUTRIENTS.map(() => 'ppm'), '%', 'meq/100g', '%', 'mmhos/cm'],
      ...bags.map((bag, i) => [
        7001 + i,
        bag.code,
        bag.sampledOn,
        `0-${bag.depthIn}`,
        fixed(bag.found.ph, 1),
        fixed(bag.found.bufferPh, 2),
        ...NUTRIENTS.map((n) => [shown(bag, n), rating(bag, n)].filter(Boolean).join(' ')),
        bag.found.OM,
        bag.found.CEC,
        bag.found.CaCO3,
        bag.found.EC,
      ]),
    ]),
  );

export const columns = (bags: readonly AnalysedBag[]): Uint8Array => {
  const row = (name: string, unit: string, value: (bag: AnalysedBag) => string | number) => [
    name,
    unit,
    ...bags.map(value),
  ];
  return utf8(
    table([
      ['Simulated laboratory', '', ...bags.map(() => '')],
      row('Sample ID', '', (b) => b.code),
      row('Date sampled', '', (b) => b.sampledOn),
      row('Sample depth', '', (b) => `0-${b.depthIn} in`),
      [],
      ['Analysis', 'Unit', ...bags.map(() => '')],
      row('pH, 1:1 in water', '', (b) => fixed(b.found.ph, 1)),
      row('Buffer pH (Mehlich)', '', (b) => fixed(b.found.bufferPh, 2)),
      ...NUTRIENTS.map((n) => row(`${n} (Mehlich-3)`, 'ppm', (b) => shown(b, n))),
      row('Organic matter', '%', (b) => b.found.OM),
      row('C.E.C.', 'meq/100 g', (b) => b.found.CEC),
      row('Carbonates', '%', (b) => b.found.CaCO3),
      row('Soluble salts', 'dS/m', (b) => b.found.EC),
    ]),
  );
};

export const rated = (bags: readonly AnalysedBag[]): Uint8Array =>
  utf8(
    table([
      [
        'Sample',
        'Laboratory',
        'Sampled on',
        'Depth (in)',
        'pH (water 1:1)',
        'Buffer pH (Mehlich)',
        ...NUTRIENTS.flatMap((n) => [`${n} ppm (M3)`, 'Rating']),
        'B ppm (M3)',
        'Organic Matter %',
        'CEC meq/100g',
        'CaCO3 %',
        'EC dS/m',
      ],
      ...bags.map((bag) => [
        bag.code,
        'Simulated laboratory',
        bag.sampledOn,
        bag.depthIn,
        fixed(bag.found.ph, 1),
        fixed(bag.found.bufferPh, 2),
        ...NUTRIENTS.flatMap((n) => [shown(bag, n), rating(bag, n) ?? '']),
        'ND',
        bag.found.OM,
        bag.found.CEC,
        bag.found.CaCO3,
        bag.found.EC,
      ]),
    ]),
  );

const GERMAN = {
  P: 'Phosphor',
  K: 'Kalium',
  Ca: 'Calcium',
  Mg: 'Magnesium',
  S: 'Schwefel',
  Na: 'Natrium',
  Fe: 'Eisen',
  Mn: 'Mangan',
  Zn: 'Zink',
  Cu: 'Kupfer',
};
export const german = (bags: readonly AnalysedBag[]): Uint8Array => {
  const row = (name: string, unit: string, value: (bag: AnalysedBag) => string) => [name, unit, ...bags.map(value)];
  return utf8(
    table(
      [
        ['Simulated laboratory, Prüfbericht Bodenuntersuchung'],
        ['Nährstoffe: Extraktion Mehlich-3'],
        [],
        row('Probenbezeichnung', '', (b) => b.code),
        row('Probenahmedatum', '', (b) => dotted(b.sampledOn)),
        row('Entnahmetiefe', '', (b) => `0-${comma(b.depthIn * CM_PER_IN)} cm`),
        ['Untersuchung', 'Einheit', ...bags.map(() => 'Ergebnis')],
        row('pH-Wert (Wasser 1:1)', '', (b) => comma(fixed(b.found.ph, 1))),
        row('Puffer-pH (Mehlich)', '', (b) => comma(fixed(b.found.bufferPh, 2))),
        ...NUTRIENTS.map((n) => row(GERMAN[n], 'mg/kg', (b) => comma(shown(b, n)))),
        row('Humusgehalt', '%', (b) => comma(b.found.OM)),
        row('KAK', 'cmol(+)/kg', (b) => comma(b.found.CEC)),
        row('Carbonatgehalt', '%', (b) => comma(b.found.CaCO3)),
        row('Elektrische Leitfähigkeit', 'mS/cm', (b) => comma(b.found.EC)),
      ],
      ';',
    ),
  );
};

const FRENCH = {
  P: 'Phosphore',
  K: 'Potassium',
  Ca: 'Calcium',
  Mg: 'Magnésium',
  S: 'Soufre',
  Na: 'Sodium',
  Fe: 'Fer',
  Mn: 'Manganèse',
  Zn: 'Zinc',
  Cu: 'Cuivre',
};
export const french = (bags: readonly AnalysedBag[]): Uint8Array =>
  utf8(
    table(
      [
        [
          'N° échantillon',
          'Laboratoire',
          'Date de prélèvement',
          'Profondeur',
          'pH eau',
          'pH tampon (Mehlich)',
          ...NUTRIENTS.map((n) => `${FRENCH[n]} (Mehlich 3) mg/kg`),
          'Matière organique (%)',
          'CEC (meq/100 g)',
          'Calcaire total (%)',
          'Conductivité électrique (mS/cm)',
        ],
        ...bags.map((bag) => [
          bag.code,
          'Simulated laboratory',
          dotted(bag.sampledOn).replaceAll('.', '/'),
          `0 à ${comma(bag.depthIn * CM_PER_IN)} cm`,
          comma(fixed(bag.found.ph, 1)),
          comma(fixed(bag.found.bufferPh, 2)),
          ...NUTRIENTS.map((n) => comma(shown(bag, n))),
          comma(bag.found.OM),
          comma(bag.found.CEC),
          comma(bag.found.CaCO3),
          comma(bag.found.EC),
        ]),
      ],
      ';',
    ),
  );

const SPANISH = {
  P: 'Fósforo',
  K: 'Potasio',
  Ca: 'Calcio',
  Mg: 'Magnesio',
  S: 'Azufre',
  Na: 'Sodio',
  Fe: 'Hierro',
  Mn: 'Manganeso',
  Zn: 'Cinc',
  Cu: 'Cobre',
};
export const spanish = (bags: readonly AnalysedBag[]): Uint8Array =>
  utf8(
    table(
      [
        [
          'Muestra',
          'Laboratorio',
          'Fecha de muestreo',
          'Profundidad',
          'Determinación',
          'Resultado',
          'Unidad',
          'Método',
        ],
        ...bags.flatMap((bag) =>
          (
            [
              ['pH', fixed(bag.found.ph, 1), '', 'agua 1:1'],
              ['pH tampón', fixed(bag.found.bufferPh, 2), '', 'Mehlich'],
              ...NUTRIENTS.map((n) => [SPANISH[n], shown(bag, n), 'mg/kg', 'Mehlich 3']),
              ['Materia orgánica', bag.found.OM, '%', ''],
              ['CIC', bag.found.CEC, 'cmol(+)/kg', ''],
              ['Carbonatos', bag.found.CaCO3, '%', ''],
              ['Conductividad eléctrica', bag.found.EC, 'dS/m', ''],
            ] as const
          ).map(([name, value, unit, method]) => [
            bag.code,
            'Simulated laboratory',
            dotted(bag.sampledOn).replaceAll('.', '/'),
            `0-${comma(bag.depthIn * CM_PER_IN)} cm`,
            name as string,
            comma(value as string),
            unit as string,
            method as string,
          ]),
        ),
      ],
      ';',
    ),
  );

/** The words of a mail: pairs of names and numbers, one sample after another. */
export const mail = (bags: readonly AnalysedBag[]): Uint8Array =>
  utf8(
    [
      'Good morning,',
      '',
      'your results from the Simulated laboratory. Nutrients by Mehlich-3 in ppm, pH 1:1 in water, buffer pH by Mehlich.',
      ...bags.flatMap((bag) => [
        '',
        `Sample: ${bag.code}`,
        `Sampled: ${bag.sampledOn}`,
        `Depth: 0 to ${bag.depthIn} in`,
        `Soil pH ${fixed(bag.found.ph, 1)}`,
        `Buffer pH ${fixed(bag.found.bufferPh, 2)}`,
        ...NUTRIENTS.map((n) => `${n}: ${shown(bag, n)} ppm${rating(bag, n) ? `  (${rating(bag, n)})` : ''}`),
        `Organic matter ${bag.found.OM} %`,
        `CEC ${bag.found.CEC} meq/100 g`,
        `Carbonates ${bag.found.CaCO3} %`,
        `Soluble salts ${bag.found.EC} dS/m`,
      ]),
      '',
      'Call us with questions.',
    ].join('\n'),
  );
