import { type Method, METHODS } from './vocabularies';

/** What a method is for, what people call it, and how laboratories write it in a header. */
export interface MethodRow {
  name: string;
  of: 'pH' | 'buffer' | 'nutrients' | 'salts' | 'other';
  /** Tried in the order of the table: the longer name before the shorter it holds. */
  header?: RegExp;
}

export const METHOD_TABLE: Readonly<Record<Method, MethodRow>> = {
  'mehlich-3': { name: 'Mehlich-3', of: 'nutrients', header: /mehlich[ -]*(?:p[ -]*)?(3|iii)|\bm-?(3|iii)\b/ },
  'mehlich-1': { name: 'Mehlich-1', of: 'nutrients', header: /mehlich[ -]*(1|i)\b|\bm-?1\b|double[ -]acid/ },
  'bray-p1': { name: 'Bray P1', of: 'nutrients', header: /bray/ },
  olsen: { name: 'Olsen', of: 'nutrients', header: /olsen|nahco3|sodium bicarb/ },
  'modified-morgan': { name: 'modified Morgan', of: 'nutrients', header: /mod(ified|\.)? ?morgan/ },
  morgan: { name: 'Morgan', of: 'nutrients', header: /morgan/ },
  'ammonium-acetate': {
    name: 'ammonium acetate',
    of: 'nutrients',
    header: /acetate|acetat\b|acetato|\bnh4o?ac\b|\bam ?(ac|oac)\b/,
  },
  dtpa: { name: 'DTPA', of: 'nutrients', header: /dtpa/ },
  'hot-water': { name: 'hot water', of: 'nutrients', header: /hot[ -]water|\bhw\b/ },
  smp: { name: 'SMP', of: 'buffer', header: /\bsmp\b|shoemaker([ -,]*mclean)?([ -,]*pratt)?/ },
  'moore-sikora': { name: 'Moore-Sikora', of: 'buffer', header: /moore/ },
  sikora: { name: 'Sikora', of: 'buffer', header: /sikora/ },
  'adams-evans': { name: 'Adams-Evans', of: 'buffer', header: /adams([ -]*evans)?/ },
  'modified-mehlich': { name: 'modified Mehlich', of: 'buffer', header: /mod(ified|\.)? ?mehlich/ },
  mehlich: { name: 'Mehlich', of: 'buffer', header: /mehlich/ },
  cacl2: { name: 'CaCl2', of: 'pH', header: /cacl2/ },
  'water-1:5': { name: 'water, 1:5', of: 'salts', header: /1:5/ },
  'water-1:2': { name: 'water, 1:2', of: 'pH', header: /1:2/ },
  'water-1:1': { name: 'water, 1:1', of: 'pH', header: /1:1/ },
  'saturated-paste': {
    name: 'saturated paste',
    of: 'pH',
    header: /paste|\bpasta\b|pate saturee|sattigungsextrakt|\bece\b/,
  },
  sum: { name: 'sum of cations', of: 'other' },
  combustion: { name: 'combustion', of: 'other', header: /combustion|dumas/ },
  'loss-on-ignition': { name: 'loss on ignition', of: 'other', header: /loss[ -]on[ -]ignition|\bloi\b/ },
};

const rows = Object.entries(METHOD_TABLE) as [Method, MethodRow][];

export const methodName = (method: Method): string => METHOD_TABLE[method].name;

/** Methods of one kind, in the order of the vocabulary: what a list to choose from holds. */
export const methodsOf = (kind: MethodRow['of']): Method[] => METHODS.filter((each) => METHOD_TABLE[each].of === kind);

/** Extracts that salinity is measured in, from the one that is judged as it is to the thinnest. */
export const SALINITY_METHODS = ['saturated-paste', 'water-1:1', 'water-1:2', 'water-1:5'] as const satisfies Method[];

/** Patterns of every method a header may name. */
export const METHOD_HEADERS: readonly RegExp[] = rows.flatMap(([, { header }]) => header ?? []);

/** A method in a laboratory's own words, or undefined. `Mehlich III` is mehlich-3. */
export const methodNamed = (text: string): Method | undefined =>
  rows.find(([, { header }]) => header?.test(text.toLowerCase()))?.[0];
