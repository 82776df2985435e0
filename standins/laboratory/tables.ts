import Papa from 'papaparse';
import { PPM_PER_CMOLC } from '../../core/soil/cec';
import { CACL2_OFFSET } from '../../core/soil/report';
import { byExtractant } from './soil';
import { type AnalysedBag, CM_PER_IN, LEAST_ZINC_PPM, NAME, zinc } from './dress';
import { fixed } from '../../core/words/numbers';

/** Laboratories print ppm times two, whatever the cores: 2,000,000 lb of soil an acre by custom. */
const LB_PER_ACRE_PER_PPM = 2;

/** A table of text. */
interface TableDress {
  bytes(bags: readonly AnalysedBag[]): Uint8Array;
}

const utf8 = (text: string): Uint8Array => new TextEncoder().encode(text);
/** Windows-1252, in which the characters used here have the numbers of Latin-1. */
const windows1252 = (text: string): Uint8Array => Uint8Array.from(text, (letter) => letter.charCodeAt(0) & 0xff);
const table = (rows: readonly (readonly (string | number)[])[], delimiter = ','): string =>
  Papa.unparse(rows as (string | number)[][], { delimiter, newline: '\r\n' });
const comma = (value: number, figures: number): string => fixed(value, figures).replace('.', ',');

/** Header names the units; one sample a row. */
export const plain: TableDress = {
  bytes: (bags) =>
    utf8(
      table([
        [
          'Sample ID',
          'Laboratory',
          'Date sampled',
          'Depth (in)',
          'Soil pH (1:1)',
          'Buffer pH (Mehlich)',
          'P (ppm, Mehlich-3)',
          'K (ppm, Mehlich-3)',
          'Ca (ppm, Mehlich-3)',
          'Mg (ppm, Mehlich-3)',
          'S (ppm, Mehlich-3)',
          'Na (ppm, Mehlich-3)',
          'Fe (ppm, Mehlich-3)',
          'Mn (ppm, Mehlich-3)',
          'Zn (ppm, Mehlich-3)',
          'Cu (ppm, Mehlich-3)',
          'Organic matter (%)',
          'CEC (meq/100g)',
          'CaCO3 (%)',
          'Soluble salts (dS/m)',
        ],
        ...bags.map(({ code, sampledOn, depthIn, found: f }) => [
          code,
          NAME,
          sampledOn,
          depthIn,
          fixed(f.ph, 1),
          fixed(f.bufferPh, 2),
          f.P,
          f.K,
          f.Ca,
          f.Mg,
          f.S,
          f.Na,
          f.Fe,
          f.Mn,
          zinc(f.Zn),
          f.Cu,
          f.OM,
          f.CEC,
          f.CaCO3,
          f.EC,
        ]),
      ]),
    ),
};

/** Pounds per acre, the depth of the cores above the table; American dates; notes before the header. */
export const perAcre: TableDress = {
  bytes: (bags) => {
    const depth = bags[0]?.depthIn ?? 4;
    const lb = (ppm: number) => fixed(ppm * LB_PER_ACRE_PER_PPM, 2);
    const micro = (ppm: number) => (ppm < LEAST_ZINC_PPM ? `<${lb(LEAST_ZINC_PPM)}` : lb(ppm));
    return utf8(
      table([
        [`${NAME}, report of soil analysis`],
        [`Sampling depth 0-${depth} in; nutrients by Mehlich 3; BpH in the Mehlich buffer`],
        [],
        [
          'Lab No',
          'Bag',
          'Sampled',
          'pH',
          'BpH',
          'P lb/A',
          'K lb/A',
          'Ca lb/A',
          'Mg lb/A',
          'S lb/A',
          'Na lb/A',
          'Fe lb/A',
          'Mn lb/A',
          'Zn lb/A',
          'Cu lb/A',
          'OM %',
          'CEC',
          'Free lime %',
          'Salts mmhos/cm',
        ],
        ...bags.map(({ code, sampledOn, found: f }, i) => [
          40_100 + i,
          code,
          `${Number(sampledOn.slice(5, 7))}/${Number(sampledOn.slice(8))}/${sampledOn.slice(0, 4)}`,
          fixed(f.ph, 1),
          fixed(f.bufferPh, 2),
          lb(f.P),
          lb(f.K),
          lb(f.Ca),
          lb(f.Mg),
          lb(f.S),
          lb(f.Na),
          lb(f.Fe),
          lb(f.Mn),
          micro(f.Zn),
          lb(f.Cu),
          f.OM,
          f.CEC,
          f.CaCO3,
          f.EC,
        ]),
      ]),
    );
  },
};

/** Semicolons, decimal commas, centimetres, pH in calcium chloride, micrograms a gram, Windows letters. */
export const metric: TableDress = {
  bytes: (bags) =>
    windows1252(
      table(
        [
          [
            'Sample No',
            'Laboratory',
            'Date sampled',
            'Depth cm',
            'pH CaCl2',
            'pH buffer Mehlich',
            'P µg/g Mehlich III',
            'K µg/g Mehlich III',
            'Ca µg/g Mehlich III',
            'Mg µg/g Mehlich III',
            'S µg/g Mehlich III',
            'Na µg/g Mehlich III',
            'Fe µg/g Mehlich III',
            'Mn µg/g Mehlich III',
            'Zn µg/g Mehlich III',
            'Cu µg/g Mehlich III',
            'Humus %',
            'CEC cmolc/kg',
            'CaCO3 %',
            'EC mS/cm',
          ],
          ...bags.map(({ code, sampledOn, depthIn, found: f }) => [
            code,
            NAME,
            sampledOn.split('-').reverse().join('.'),
            comma(depthIn * CM_PER_IN, 2),
            comma(f.ph - CACL2_OFFSET, 1),
            comma(f.bufferPh, 2),
            comma(f.P, 1),
            comma(f.K, 1),
            comma(f.Ca, 1),
            comma(f.Mg, 1),
            comma(f.S, 1),
            comma(f.Na, 1),
            comma(f.Fe, 1),
            comma(f.Mn, 1),
            zinc(f.Zn).replace('.', ','),
            comma(f.Cu, 1),
            comma(f.OM, 1),
            comma(f.CEC, 1),
            comma(f.CaCO3, 1),
            comma(f.EC, 2),
          ]),
        ],
        ';',
      ),
    ),
};

/** One row a result, tabs between, the unit and the method in columns of their own. */
export const long: TableDress = {
  bytes: (bags) =>
    utf8(
      table(
        [
          ['Sample', 'Laboratory', 'Sampled on', 'Sample depth', 'Parameter', 'Flag', 'Result', 'Units', 'Method'],
          ...bags.flatMap(({ code, sampledOn, depthIn, found: f }) =>
            (
              [
                ['Soil pH', fixed(f.ph, 1), '', 'water 1:1'],
                ['Buffer pH', fixed(f.bufferPh, 2), '', 'Mehlich buffer'],
                ...(['P', 'K', 'Ca', 'Mg', 'S', 'Na', 'Fe', 'Mn', 'Zn', 'Cu'] as const).map((a) => [
                  a,
                  String(f[a]),
                  'mg/kg',
                  'Mehlich-3',
                ]),
                ['Organic matter', String(f.OM), '%', 'loss on ignition'],
                ['CEC', String(f.CEC), 'meq/100g', 'sum'],
                ['Carbonates', String(f.CaCO3), '%', ''],
                ['EC', String(f.EC), 'dS/m', ''],
              ] as const
            ).map(([what, value, unit, method]) => {
              const under = what === 'Zn' && Number(value) < LEAST_ZINC_PPM;
              return [
                code,
                NAME,
                sampledOn,
                `0-${depthIn} in`,
                what as string,
                under ? '<' : '',
                under ? LEAST_ZINC_PPM : (value as string),
                unit as string,
                method as string,
              ];
            }),
          ),
        ],
        '\t',
      ),
    ),
};

/**
 * Bases by ammonium acetate as charge, phosphorus by Bray or Olsen beside Mehlich-3, month names, an oxide column. Bray and
 * Olsen alone are prescribed by level, not by balance, so that they could not mean quite the same.
 */
export const acetate: TableDress = {
  bytes: (bags) => {
    const charge = (cation: keyof typeof PPM_PER_CMOLC, ppm: number) => fixed(ppm / PPM_PER_CMOLC[cation], 4);
    const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
    return utf8(
      `\uFEFF${table([
        [
          'Sample code',
          'Laboratory',
          'Sampling date',
          'Sampling depth',
          'Water pH',
          'Buffer pH Mehlich',
          'P M3 (ppm)',
          'P Bray (ppm)',
          'P Olsen (ppm)',
          'K meq/100g NH4OAc',
          'Mg meq/100g NH4OAc',
          'Ca meq/100g NH4OAc',
          'Na meq/100g NH4OAc',
          'S ppm M3',
          'Fe ppm M3',
          'Mn ppm M3',
          'Zn ppm M3',
          'Cu ppm M3',
          'O.M. %',
          'CEC meq/100g',
          'Carbonate %',
          'EC dS/m',
          'P2O5 lb/A',
        ],
        ...bags.map(({ code, sampledOn, depthIn, found: f }) => {
          const ammonium = (a: 'K' | 'Mg') => charge(a, byExtractant(a, f[a], 'mehlich-3', 'ammonium-acetate'));
          // Bray fails in carbonate, where laboratories run Olsen instead
          const alkaline = f.ph > 7.2 || f.CaCO3 > 0;
          const p = fixed(byExtractant('P', f.P, 'mehlich-3', alkaline ? 'olsen' : 'bray-p1'), 2);
          return [
            code,
            NAME,
            `${Number(sampledOn.slice(8))} ${MONTHS[Number(sampledOn.slice(5, 7)) - 1]} ${sampledOn.slice(0, 4)}`,
            `${depthIn}"`,
            fixed(f.ph, 1),
            fixed(f.bufferPh, 2),
            f.P,
            alkaline ? 'n/a' : p,
            alkaline ? p : 'n/a',
            ammonium('K'),
            ammonium('Mg'),
            charge('Ca', f.Ca),
            charge('Na', f.Na),
            f.S,
            f.Fe,
            f.Mn,
            zinc(f.Zn),
            f.Cu,
            f.OM,
            f.CEC,
            f.CaCO3,
            f.EC,
            '',
          ];
        }),
      ])}`,
    );
  },
};
