import Papa from 'papaparse';
import { kindOfProduct } from '../runs/run-record';
import { labelOf } from '../log/label';
import { firstVersion, recordsOf } from '../log/versions';
import { packageLb } from '../products/package-lb';
import { isRefusal, type Refusal, refuse } from '../reckoning/refusal';
import type { Case, Product, RecordBody, RecordVersion, Zone } from '../records/case';
import { dayOrderOf } from '../reports/file-facts';
import { readNumber } from '../typed/number-style';
import { type DayOrder, dayFrom } from '../typed/typed-day';
import { inUnit, type UnitId, UNIT_TABLE } from '../units/table';
import { fixed } from '../words/numbers';
import { plain, wordsOf } from '../words/plain';

/**
 * A table of what was spread, in any layout: its header is looked for, its columns named by their words and units, the order of its days and
 * its decimal mark guessed, and a person corrects what was guessed wrong. What cannot be told is asked or refused, line by line.
 */

export const LOG_COLUMNS = [
  'date',
  'zone',
  'product',
  'amount',
  'rate',
  'nitrogen',
  'area',
  'registration',
  'target',
  'operator',
  'license',
  'lot',
  'wind',
  'notes',
] as const;
export type LogColumn = (typeof LOG_COLUMNS)[number];

export interface NamedColumn {
  at: number;
  header: string;
  meaning?: LogColumn;
  unit?: TableUnit;
}
/** Units of a table beside those of the unit table. */
export type TableUnit = UnitId | 'bag';

export interface LogTable {
  columns: NamedColumn[];
  rows: string[][];
  /** Number of the first row of values in the file, from 1. */
  firstLine: number;
  order: DayOrder;
  orderBecause: string;
  decimal: '.' | ',';
  /** What the layout is known by when it comes again: the words of its header. */
  fingerprint: string;
}

const MEANINGS: readonly (readonly [LogColumn, RegExp])[] = [
  ['registration', /\b(epa|reg(istration)?)\b.*\b(no|nr|num|number|#|id)?\b|zulassung|\bamm\b/],
  ['license', /\b(licen[cs]e|permit|cert(ificate)?|sachkunde)\b/],
  ['target', /\b(target|pest|weed|disease|zielorganismus|cible)\b/],
  ['wind', /\bwind\b/],
  ['nitrogen', /\b(lbs?|kg|g) ?n\b|\bn rate\b|\bnitrogen\b|\bactual n\b|\bstickstoff\b|\bazote\b/],
  ['rate', /\brate\b|\bper (1 ?000|acre|m2|ha)\b|aufwand|\bdosis\b|\bdose\b|\/ ?(1,?000|k|m|acre|ac|ha|m2)\b/],
  ['area', /\b(area|size|sq ?ft|square feet|acres|acreage|flache|surface|superficie)\b/],
  ['amount', /\b(amount|qty|quantity|used|applied|total|weight|spread|menge|quantite|cantidad|volume)\b/],
  ['date', /\b(date|day|datum|fecha|jour|applied on|when)\b/],
  [
    'zone',
    /\b(zone|lawn|location|place|ort|platz|standort|site|field|section|hole|green|block|where|flaeche|rasen|zona|parcelle|lieu)\b/,
  ],
  ['product', /\b(product|material|fertili[sz]er|chemical|item|produkt|mittel|dunger|produit|producto|brand)\b/],
  ['operator', /\b(operator|applicator|by|who|crew|employee|technician|name|anwender|operateur|operador)\b/],
  ['lot', /\b(lot|batch|charge)\b/],
  ['notes', /\b(notes?|comments?|remarks?|memo|bemerkung|remarques?|notas?)\b/],
];

/** Units by how tables write them; the first that fits counts. */
const UNITS: readonly (readonly [TableUnit, RegExp])[] = [
  ['lb/1000 ft2', /\b(lbs?|pounds?) ?(n |of n |n)? ?(\/|per) ?(1,?000|k|m\b)/],
  ['oz/1000 ft2', /\b(oz|ounces?) ?(\/|per) ?(1,?000|k|m\b)/],
  ['lb/acre', /\b(lbs?|pounds?) ?(n )?(\/|per) ?(acre|ac|a)\b/],
  ['gal/1000 ft2', /\b(gal|gallons?) ?(\/|per) ?(1,?000|k|m\b)/],
  ['gal/acre', /\b(gal|gallons?) ?(\/|per) ?(acre|ac|a)\b|\bgpa\b/],
  ['kg/ha', /\bkg ?(n )?(\/|per|je) ?ha\b/],
  ['g/m2', /\bg ?(n )?(\/|per|je) ?m[2²]/],
  ['L/ha', /\bl ?(\/|per|je) ?ha\b/],
  ['fl oz', /\b(fl\.? ?oz|fluid ounces?)\b/],
  ['lb', /\b(lbs?|pounds?)\b/],
  ['oz', /\b(oz|ounces?)\b/],
  ['kg', /\b(kg|kilos?|kilograms?)\b/],
  ['g', /\b(g|grams?)\b/],
  ['gal', /\b(gal|gals|gallons?)\b/],
  ['mL', /\bml\b/],
  ['L', /\b(l|lit(er|re)s?)\b/],
  ['bag', /\b(bags?|sacks?|sack|sacke|sacs?)\b/],
  ['acre', /\b(acres?|ac)\b/],
  ['ha', /\b(ha|hectares?)\b/],
  ['m2', /\b(m2|m²|sq ?m|qm)\b/],
  ['1000 ft2', /\b(k ?sq ?ft|1,?000 ?(sq ?ft|ft2))\b/],
  ['ft2', /\b(sq\.? ?ft\.?|ft2|ft²|square feet)\b/],
];
const unitOf = (text: string): TableUnit | undefined => {
  const words = plain(text).replaceAll('(', ' ').replaceAll(')', ' ');
  return UNITS.find(([, says]) => says.test(words))?.[0];
};

const dimensionOf = (unit: TableUnit): string => (unit === 'bag' ? 'bags' : UNIT_TABLE[unit].dimension);

function columnOf(header: string, at: number): NamedColumn {
  const words = plain(header).replace(/[^\p{L}\p{N}/,.#]+/gu, ' ');
  const unit = unitOf(header);
  const meaning =
    MEANINGS.find(([, says]) => says.test(words))?.[0] ??
    // a column that only says its unit: pounds are an amount, square feet an area
    (unit === undefined ? undefined : dimensionOf(unit) === 'an area' ? 'area' : 'amount');
  return {
    at,
    header: header.trim(),
    ...(meaning === undefined ? {} : { meaning }),
    ...(unit === undefined ||
    (meaning !== 'amount' && meaning !== 'rate' && meaning !== 'nitrogen' && meaning !== 'area')
      ? {}
      : { unit }),
  };
}

/** Lines at the top of a file among which the header is looked for. */
const TOP_LINES = 40;
const MOST_ROWS = 20_000;

/**
 * A table as it can be told from itself.
 *
 * @example readLogTable('Date,Lawn,Product,Lbs\n9/7/2027,Front,Urea,12').columns[3] // { meaning: 'amount', unit: 'lb', … }
 */
export function readLogTable(source: string): LogTable | Refusal {
  const { data } = Papa.parse<string[]>(source.replace(/^\uFEFF/, ''), { delimiter: '' });
  const rows = data.map((row) => row.map((cell) => String(cell ?? '').trim()));
  const scored = rows.slice(0, TOP_LINES).map((row, i) => {
    const columns = row.map(columnOf).filter(({ header }) => header !== '');
    const meanings = new Set(columns.flatMap(({ meaning }) => meaning ?? []));
    return { i, columns, score: meanings.has('date') ? meanings.size : 0 };
  });
  const [best] = [...scored].sort((a, b) => b.score - a.score || a.i - b.i);
  if (!best || best.score < 2)
    return refuse('file', 'No line names its columns: there must be one with the date, the product and the amount.');
  const values = rows.slice(best.i + 1);
  if (values.length > MOST_ROWS)
    return refuse('file', `The table has ${values.length} lines: at most ${MOST_ROWS} are read at once.`);
  // of two columns that mean the same the first one counts
  const seen = new Set<LogColumn>();
  const columns = best.columns.map(({ meaning, ...column }) => {
    if (meaning === undefined || seen.has(meaning)) return column;
    seen.add(meaning);
    return { ...column, meaning };
  });
  const cellsOf = (meaning: LogColumn) => {
    const column = columns.find((each) => 'meaning' in each && each.meaning === meaning);
    return column ? values.map((row) => row[column.at] ?? '') : [];
  };
  const numbers = (['amount', 'rate', 'nitrogen', 'area'] as const).flatMap(cellsOf);
  const commas = numbers.filter((text) => /\d,\d{1,2}(?!\d)/.test(text)).length;
  const points = numbers.filter((text) => /\d\.\d/.test(text)).length;
  const decimal = commas > points ? ',' : '.';
  const order = dayOrderOf(cellsOf('date'), decimal === ',');
  return {
    columns,
    rows: values,
    firstLine: best.i + 2,
    order: order.value,
    orderBecause: order.because,
    decimal,
    fingerprint: best.columns
      .map(({ header }) => wordsOf(header).join(' '))
      .join('|')
      .slice(0, 400),
  };
}

/** What a person says of a table: where a guess was wrong, and which of theirs a name is. */
export interface TableAnswers {
  columns?: Record<number, { meaning?: LogColumn; unit?: TableUnit }>;
  order?: DayOrder;
  /** By the name as the table writes it; '' is every line without one. */
  zones?: Record<string, string>;
  products?: Record<string, string>;
  /** Take in what looks like a record that is here already. */
  twins?: boolean;
}

/** The table with what a person said of it. */
export function answered(table: LogTable, { columns = {}, order }: TableAnswers): LogTable {
  return {
    ...table,
    ...(order ? { order, orderBecause: 'as it was said' } : {}),
    columns: table.columns.map((column) => {
      const said = columns[column.at];
      if (!said) return column;
      const { at, header } = column;
      const unit = said.unit ?? column.unit;
      return { at, header, ...(said.meaning ? { meaning: said.meaning } : {}), ...(unit ? { unit } : {}) };
    }),
  };
}

export interface TableLine {
  /** Its number in the file, from 1. */
  line: number;
  cells: string[];
  body?: RecordBody;
  /** Why it is no record. */
  because?: string;
  /** It looks like a record that is here, or like a line above it. */
  twin?: true;
}

export interface TableReading {
  lines: TableLine[];
  /** Names that no zone and no product answers to; each is asked for. */
  unknownZones: string[];
  unknownProducts: string[];
}

/** Records are the same where all else is and their pounds differ by less than this share: a scale read twice. Decision. */
const TWIN_SHARE = 0.01;

const bare = (text: string): string => wordsOf(text).join(' ');

/** What goes by a name: the name itself, its grade, or the only one that has all its words. */
function named<T extends { id: string; name: string }>(text: string, all: readonly T[]): T | undefined {
  const asked = bare(text);
  if (asked === '') return undefined;
  const exact = all.find((each) => bare(each.name) === asked || bare(each.id) === asked);
  if (exact) return exact;
  const words = asked.split(' ');
  const having = all.filter((each) => {
    const own = new Set([...wordsOf(each.name), ...wordsOf(each.id)]);
    return words.every((word) => own.has(word));
  });
  return having.length === 1 ? having[0] : undefined;
}

const gradeOf = (text: string): string | undefined => /\b(\d{1,2})-(\d{1,2})-(\d{1,2})\b/.exec(text)?.[0];
function productNamed(text: string, products: readonly Product[]): Product | undefined {
  const byName = named(text, products);
  if (byName) return byName;
  const grade = gradeOf(text);
  if (!grade) return undefined;
  const graded = products.filter(({ guaranteed: { N = 0, P2O5 = 0, K2O = 0 } }) => `${N}-${P2O5}-${K2O}` === grade);
  return graded.length === 1 ? graded[0] : undefined;
}

/** The number in a cell, whatever unit stands with it; undefined where there is none, or where it can be read in two ways. */
function numberIn(text: string, decimal: '.' | ','): number | undefined {
  const found = /-?\d[\d.,'\u00a0\u202f]*/.exec(text)?.[0].replace(/[.,]$/, '');
  if (found === undefined) return undefined;
  const value = readNumber(found, { decimal, group: decimal === ',' ? '.' : ',' }, 'Amount', 'amount');
  return isRefusal(value) ? undefined : value;
}

/** Pounds of product of an amount, or why they cannot be told. */
function poundsOf(value: number, unit: TableUnit, product: Product): number | string {
  const density = product.lbPerGal;
  switch (dimensionOf(unit)) {
    case 'bags': {
      const lb = packageLb(product);
      return lb === undefined ? `What a bag of ${product.name} weighs is not on its label.` : value * lb;
    }
    case 'a mass':
      return inUnit(value, unit as UnitId, 'lb');
    case 'a volume':
      return density === undefined
        ? `${product.name} is measured by volume here, and its label says no density.`
        : inUnit(value, unit as UnitId, 'gal') * density;
    default:
      return `${unit} is no amount.`;
  }
}

/** lb product/1000 ft2 of a rate, or why it cannot be told. */
function rateOf(value: number, unit: TableUnit, product: Product): number | string {
  switch (dimensionOf(unit)) {
    case 'a mass on an area':
      return inUnit(value, unit as UnitId, 'lb/1000 ft2');
    case 'a volume on an area':
      return product.lbPerGal === undefined
        ? `${product.name} is measured by volume here, and its label says no density.`
        : inUnit(value, unit as UnitId, 'gal/1000 ft2') * product.lbPerGal;
    // "lb" over a column of rates: the trade's thousand square feet are understood
    case 'a mass':
      return inUnit(value, unit as UnitId, 'lb');
    default:
      return `${unit} is no rate.`;
  }
}

/**
 * The lines of a table as records of a property. A rate without an area lies on the zone's own; nitrogen without a product stays a note; what
 * names a registration and no product of the shelf is kept as a pesticide, its amount as it was written.
 */
export function recordsOfTable(
  given: LogTable,
  answers: TableAnswers,
  file: Pick<Case, 'zones' | 'products' | 'records'>,
): TableReading {
  const table = answered(given, answers);
  const { zones, products = [] } = file;
  const column = (meaning: LogColumn) => table.columns.find((each) => each.meaning === meaning);
  const unknownZones = new Set<string>();
  const unknownProducts = new Set<string>();
  const zoneOf = (text: string): Zone | undefined => {
    const said = answers.zones?.[text];
    const zone = said ? zones.find(({ id }) => id === said) : text === '' ? undefined : named(text, zones);
    return zone ?? (text === '' && zones.length === 1 ? zones[0] : undefined);
  };
  const lines = table.rows.flatMap((cells, i): TableLine[] => {
    if (cells.every((cell) => cell === '')) return [];
    const line = { line: table.firstLine + i, cells };
    const cell = (meaning: LogColumn) => cells[column(meaning)?.at ?? -1] ?? '';
    const quantity = (meaning: 'amount' | 'rate' | 'nitrogen' | 'area') => {
      const text = cell(meaning);
      const value = numberIn(text, table.decimal);
      return value === undefined ? undefined : { value, unit: unitOf(text) ?? column(meaning)?.unit, text };
    };
    const date = dayFrom(cell('date'), table.order);
    if (!date)
      return [{ ...line, because: cell('date') === '' ? 'No day.' : `“${cell('date').slice(0, 40)}” is no day.` }];
    const zone = zoneOf(cell('zone'));
    if (!zone) {
      unknownZones.add(cell('zone'));
      return [
        { ...line, because: cell('zone') === '' ? 'No zone.' : `No zone is called “${cell('zone').slice(0, 60)}”.` },
      ];
    }
    const area = quantity('area');
    const areaSqFt =
      area && area.value > 0 && (area.unit === undefined || dimensionOf(area.unit) === 'an area')
        ? inUnit(area.value, (area.unit ?? 'ft2') as UnitId, 'ft2')
        : zone.areaSqFt;
    const wind = numberIn(cell('wind'), table.decimal);
    const shared = {
      date,
      zoneIds: [zone.id],
      zoneAreaSqFt: zone.areaSqFt,
      ...(Math.abs(areaSqFt - zone.areaSqFt) > 0.5 ? { coveredSqFt: areaSqFt } : {}),
      ...(cell('operator') ? { operator: cell('operator').slice(0, 80) } : {}),
      ...(cell('license') ? { licenseNumber: cell('license').slice(0, 60) } : {}),
      ...(cell('lot') ? { lot: cell('lot').slice(0, 80) } : {}),
      ...(wind !== undefined && wind >= 0 && wind <= 150
        ? { weather: { windMph: wind, origin: 'typed' as const } }
        : {}),
      ...(cell('notes') ? { notes: cell('notes').slice(0, 2000) } : {}),
    };
    const name = cell('product');
    const said = answers.products?.[name];
    const product = said ? products.find(({ id }) => id === said) : productNamed(name, products);
    const amount = quantity('amount');
    const rate = quantity('rate');
    const nitrogen = quantity('nitrogen');
    if (!product && (cell('registration') !== '' || cell('target') !== '') && name !== '')
      return [
        {
          ...line,
          body: {
            ...shared,
            kind: 'pesticide',
            facts: {
              productName: name.slice(0, 120),
              ...(cell('registration') ? { registrationNumber: cell('registration').slice(0, 60) } : {}),
              ...(cell('target') ? { target: cell('target').slice(0, 120) } : {}),
              ...(amount || rate
                ? { amountAsTyped: [amount, rate].flatMap((each) => (each ? [asTyped(each)] : [])).join(', ') }
                : {}),
            },
          } as RecordBody,
        },
      ];
    if (!product && name === '' && nitrogen)
      return [
        {
          ...line,
          body: {
            ...shared,
            kind: 'note',
            notes: `Table: ${asTyped(nitrogen)} of nitrogen, no product named.${shared.notes ? ` ${shared.notes}` : ''}`,
          } as RecordBody,
        },
      ];
    if (!product) {
      unknownProducts.add(name);
      return [{ ...line, because: name === '' ? 'No product.' : `“${name.slice(0, 60)}” is not on the shelf.` }];
    }
    const spread = spreadOf(product, { amount, rate, nitrogen }, areaSqFt);
    if (typeof spread === 'string') return [{ ...line, because: spread }];
    if (!(spread > 0)) return [{ ...line, because: 'Nothing went down.' }];
    if (spread > 1e6) return [{ ...line, because: `${fixed(spread, 0)} lb product is more than any lawn takes.` }];
    return [
      { ...line, body: { ...shared, kind: kindOfProduct(product), product: labelOf(product), spreadLb: spread } },
    ];
  });
  markTwins(lines, file);
  return { lines, unknownZones: [...unknownZones], unknownProducts: [...unknownProducts] };
}

interface Quantity {
  value: number;
  unit?: TableUnit;
  text: string;
}
/** An amount as the table writes it, its column's unit behind it where the cell has none. */
const asTyped = ({ text, unit }: Quantity): string => (unit && unitOf(text) === undefined ? `${text} ${unit}` : text);

function spreadOf(
  product: Product,
  { amount, rate, nitrogen }: Partial<Record<'amount' | 'rate' | 'nitrogen', Quantity>>,
  areaSqFt: number,
): number | string {
  if (amount) {
    if (amount.unit === undefined)
      return product.lbPerGal === undefined && product.form !== 'liquid'
        ? amount.value
        : `${amount.text} of ${product.name}: say in which unit.`;
    // a rate under the word amount is a rate
    if (dimensionOf(amount.unit).endsWith('on an area')) {
      const lb = rateOf(amount.value, amount.unit, product);
      return typeof lb === 'string' ? lb : (lb * areaSqFt) / 1000;
    }
    return poundsOf(amount.value, amount.unit, product);
  }
  if (rate) {
    const lb = rateOf(rate.value, rate.unit ?? 'lb/1000 ft2', product);
    return typeof lb === 'string' ? lb : (lb * areaSqFt) / 1000;
  }
  if (nitrogen) {
    const share = (product.guaranteed.N ?? 0) / 100;
    if (share === 0) return `${product.name} brings no nitrogen, and only its nitrogen is stated.`;
    const lb = rateOf(nitrogen.value, nitrogen.unit ?? 'lb/1000 ft2', product);
    return typeof lb === 'string' ? lb : ((lb / share) * areaSqFt) / 1000;
  }
  return 'How much went down is not said.';
}

/** Marks lines that look like a record which is here already, or like a line above them. */
function markTwins(lines: readonly TableLine[], { records = [] }: Pick<Case, 'records'>): void {
  const keyOf = ({ date, zoneIds, product, kind, facts }: RecordBody) =>
    `${date}/${zoneIds.join(',')}/${product?.name ?? facts?.productName ?? kind}`;
  const here = new Map<string, number[]>();
  const remember = (body: RecordBody) => here.set(keyOf(body), [...(here.get(keyOf(body)) ?? []), body.spreadLb ?? 0]);
  for (const { withdrawn, body } of recordsOf(records)) if (!withdrawn) remember(body);
  for (const line of lines) {
    if (!line.body) continue;
    const lb = line.body.spreadLb ?? 0;
    if ((here.get(keyOf(line.body)) ?? []).some((other) => Math.abs(other - lb) <= TWIN_SHARE * Math.max(other, lb)))
      line.twin = true;
    remember(line.body);
  }
}

/**
 * The versions that a table brings: by "from a table", at noon of their day, named by what they say, so that the same table read twice adds
 * nothing. Twins are left out unless they are asked for.
 */
export function versionsOfTable({ lines }: TableReading, { twins }: TableAnswers = {}): RecordVersion[] {
  const count = new Map<string, number>();
  return lines.flatMap(({ body, twin }) => {
    if (!body || (twin && !twins)) return [];
    const base = `table/${body.date}/${body.zoneIds.join('+')}/${body.product?.id ?? bare(body.facts?.productName ?? body.kind)}`;
    const n = (count.get(base) ?? 0) + 1;
    count.set(base, n);
    return [firstVersion(`${base}/${n}`.slice(0, 260), body, { at: `${body.date}T12:00:00Z`, by: 'from a table' })];
  });
}
