import { adviceColumn } from './advice-column';
import { analyteNamed } from '../records/analytes';
import { METHOD_HEADERS, methodNamed } from '../records/methods';
import { CM_PER_INCH } from '../units/conversions';
import type { SoilResult } from '../records/soil-test-schema';
import type { Analyte, Method } from '../records/vocabularies';

/** A column of a soil report table, as its header names it. */
export type Column =
  | { kind: 'analyte'; analyte: Analyte; unit?: SoilResult['unit']; method?: Method; scale?: number }
  | {
      kind: 'fact';
      fact:
        | 'sample'
        | 'grass'
        | 'texture'
        | 'sampledOn'
        | 'depthIn'
        | 'basisDepthIn'
        | 'scoopGPerCm3'
        | 'limeLb'
        | 'NLb'
        | 'P2O5Lb'
        | 'K2OLb'
        | 'areaSqFt'
        | 'unit'
        | 'method'
        | 'buffer-method'
        | 'P-method'
        | 'carbonates'
        | 'property'
        | 'lab'
        | 'analyte'
        | 'value'
        | 'qualifier';
      /** What a number in this column is multiplied by: cm to inches. */
      scale?: number;
    }
  | { kind: 'other'; why?: string };

export type Fact = Extract<Column, { kind: 'fact' }>['fact'];

const FACTS = new Map<string, Fact>(
  Object.entries({
    sample: 'sample',
    'sample id': 'sample',
    sampleid: 'sample',
    id: 'sample',
    'lab no': 'sample',
    'lab number': 'sample',
    'sample no': 'sample',
    'sample code': 'sample',
    'sample name': 'sample',
    bag: 'sample',
    field: 'sample',
    lawn: 'sample',
    'area name': 'sample',
    property: 'property',
    client: 'property',
    customer: 'property',
    site: 'property',
    lab: 'lab',
    laboratory: 'lab',
    analyte: 'analyte',
    parameter: 'analyte',
    determination: 'analyte',
    test: 'analyte',
    result: 'value',
    value: 'value',
    reading: 'value',
    qualifier: 'qualifier',
    flag: 'qualifier',
    sampled: 'sampledOn',
    'date sampled': 'sampledOn',
    'sampling date': 'sampledOn',
    'sampling depth': 'depthIn',
    'sample depth': 'depthIn',
    zone: 'sample',
    grass: 'grass',
    texture: 'texture',
    'soil texture': 'texture',
    sampledon: 'sampledOn',
    'sampled on': 'sampledOn',
    date: 'sampledOn',
    'sample date': 'sampledOn',
    depthin: 'depthIn',
    depth: 'depthIn',
    'depth in': 'depthIn',
    basisdepthin: 'basisDepthIn',
    'basis depth': 'basisDepthIn',
    'basis depth in': 'basisDepthIn',
    'furrow slice': 'basisDepthIn',
    scoopgpercm3: 'scoopGPerCm3',
    scoop: 'scoopGPerCm3',
    'scoop weight': 'scoopGPerCm3',
    'scoop density': 'scoopGPerCm3',
    'w/v': 'scoopGPerCm3',
    'wt/vol': 'scoopGPerCm3',
    'weight/volume': 'scoopGPerCm3',
    'weight per volume': 'scoopGPerCm3',
    areasqft: 'areaSqFt',
    unit: 'unit',
    units: 'unit',
    method: 'method',
    extractant: 'method',
    'buffer-method': 'buffer-method',
    'buffer method': 'buffer-method',
    'p-method': 'P-method',
    'p method': 'P-method',
    carbonates: 'carbonates',
    fizz: 'carbonates',
  }),
);
const UNIT_WORDS: readonly [RegExp, NonNullable<SoilResult['unit']>][] = [
  [/\bppm\b|mg ?\/ ?kg|[uµμ]g ?\/ ?g/, 'ppm'],
  [/(lbs?|#) ?\/ ?a(c(re)?)?\b|pounds per acre/, 'lb/acre'],
  [/kg ?\/ ?ha/, 'kg/ha'],
  [/mg ?\/ ?(dm3|l)\b/, 'mg/dm3'],
  [/cmolc? ?\/ ?kg|meq ?\/ ?100 ?g/, 'cmolc/kg'],
  [/%|percent|pct/, '%'],
  [/ds ?\/ ?m|mmhos( ?\/ ?cm)?|ms ?\/ ?cm/, 'dS/m'],
  [/\bindex\b/, 'index'],
];
/** Index forms of a buffer reading, ten times the pH. */
const BUFFER_INDEX = new Set(['lime index', 'buffer index', 'lime test index', 'smp index']);
/** Oxides are not elements: taken for one another they are wrong by 1.2 to 2.3 times. */
const OXIDES = new Set(['p2o5', 'k2o', 'mgo', 'cao', 'phosphate', 'potash']);

/** A unit in a laboratory's own words, or undefined. `mg/kg` is ppm. */
export const unitNamed = (text: string): SoilResult['unit'] | undefined =>
  UNIT_WORDS.find(([pattern]) => pattern.test(text.toLowerCase()))?.[1];
/** Reads a header: `K (ppm, Mehlich-3)`, `P_lb/acre`, `Soil pH`, `buffer-pH`, `Depth cm`. What it does not know is left aside. */
export function readHeader(header: string): Column {
  const text = header.trim().toLowerCase().replaceAll('_', ' ');
  const fact = FACTS.get(text);
  if (fact) return { kind: 'fact', fact };
  const advice = adviceColumn(text);
  if (advice) return advice;
  const unit = unitNamed(text);
  const method = methodNamed(text);
  let bare = text.replace(/[([].*?[)\]]/g, ' ');
  for (const pattern of [...UNIT_WORDS.map(([words]) => words), ...METHOD_HEADERS]) bare = bare.replace(pattern, ' ');
  bare = bare.replace(/[,;:]/g, ' ').replace(/\s+/g, ' ').trim();
  const wholly = text
    .replace(/[([].*?[)\]]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  if (BUFFER_INDEX.has(wholly) || BUFFER_INDEX.has(bare))
    return { kind: 'analyte', analyte: 'buffer-pH', method: method ?? 'smp', scale: 0.1 };
  if (OXIDES.has(bare)) return { kind: 'other', why: 'an oxide, not the element: it is not read as P or K' };
  const bareFact = FACTS.get(bare.replace(/\b(cm|in|inch|inches)\b/, '').trim());
  if (bareFact === 'depthIn' || bareFact === 'basisDepthIn')
    return /\bcm\b/.test(text)
      ? { kind: 'fact', fact: bareFact, scale: 1 / CM_PER_INCH }
      : { kind: 'fact', fact: bareFact };
  if (bareFact === 'scoopGPerCm3') return { kind: 'fact', fact: bareFact };
  const analyte = analyteNamed(bare);
  if (!analyte) return bareFact ? { kind: 'fact', fact: bareFact } : { kind: 'other' };
  return { kind: 'analyte', analyte, unit, method };
}
