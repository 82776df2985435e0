import { MOST } from '../records/most';
import { shortCells } from './short-cells';
import Papa from 'papaparse';
import { isRefusal, type Refusal, refuse } from '../reckoning/refusal';
import { idMaker } from '../records/new-id';
import { GUARANTEES, type Product, productSchema } from '../records/product-schema';
import { printCsv } from './print-csv';
import { faultsByField } from '../records/strict-schema';
import { typedNumber } from '../typed/typed-number';
import { NITROGEN_FORMS } from '../records/vocabularies';

/** A column of the shelf table: its header, and where its value lives in a product. */
interface Column {
  header: string;
  path: readonly [string] | readonly [string, string];
  kind: 'text' | 'number' | 'yes';
}
const number = (header: string, ...path: [string] | [string, string]): Column => ({ header, path, kind: 'number' });
const words = (header: string, path: string): Column => ({ header, path: [path], kind: 'text' });

/** The columns in order. Percent where a nutrient stands alone; every other header says its unit. */
const COLUMNS: readonly Column[] = [
  words('id', 'id'),
  words('name', 'name'),
  words('form', 'form'),
  ...GUARANTEES.map((nutrient) => number(`${nutrient} %`, 'guaranteed', nutrient)),
  ...NITROGEN_FORMS.map((form) => number(`N ${form} %`, 'nitrogen', form)),
  number('release days', 'releaseDays'),
  number('package lb', 'package', 'lb'),
  number('package gal', 'package', 'gal'),
  number('package price', 'package', 'price'),
  number('on hand lb', 'onHandLb'),
  number('density lb/gal', 'lbPerGal'),
  words('lime kind', 'limeKind'),
  number('CCE %', 'ccePercent'),
  number('ECCE %', 'eccePercent'),
  number('over 8 mesh %', 'over8MeshPercent'),
  number('8-20 mesh %', 'mesh8to20Percent'),
  number('20-60 mesh %', 'mesh20to60Percent'),
  number('under 60 mesh %', 'under60MeshPercent'),
  number('size guide number', 'sizeGuideNumber'),
  number('granule density g/cm3', 'granuleDensity'),
  number('most wind mph', 'mostWindMph'),
  number('rainfast after h', 'rainfastHours'),
  number('air at least deg F', 'leastAirF'),
  number('air at most deg F', 'mostAirF'),
  number('coverage sq ft', 'coverageSqFt'),
  { header: 'pesticide', path: ['pesticide'], kind: 'yes' },
  { header: 'unfinished', path: ['unfinished'], kind: 'yes' },
  words('lot', 'lot'),
];
export const SHELF_CSV_HEADER: readonly string[] = COLUMNS.map((column) => column.header);

type Loose = Record<string, unknown>;
const valueAt = (product: Product, [first, second]: Column['path']): unknown => {
  const value = (product as unknown as Loose)[first];
  return second === undefined ? value : (value as Loose | undefined)?.[second];
};

/** The shelf as a table, a product a row, empty where a label says nothing. */
export const printShelfCsv = (products: readonly Product[]): string =>
  printCsv([
    [...SHELF_CSV_HEADER],
    ...products.map((product) =>
      COLUMNS.map((column) => {
        const value = valueAt(product, column.path);
        return column.kind === 'yes' ? (value ? 'yes' : '') : ((value ?? '') as string | number);
      }),
    ),
  ]);

/** A table read: whole products, and the lines that could not be one, each with its sentence. */
export interface ShelfTable {
  products: Product[];
  rejected: { line: number; says: string }[];
  /** Columns that mean nothing here; they were left out. */
  ignored: string[];
}

const plain = (header: string): string =>
  header.trim().toLowerCase().replace(/\s+/g, ' ').replace(/ ?%$/, '').replaceAll('_', '-');
const YES = new Set(['yes', 'true', '1', 'y', 'x']);
const NO = new Set(['', 'no', 'false', '0', 'n']);
const MOST_ROWS = MOST.products;

function put(product: Loose, [first, second]: Column['path'], value: unknown): void {
  if (second === undefined) product[first] = value;
  else product[first] = { ...(product[first] as Loose | undefined), [second]: value };
}

/** A cell that a spreadsheet was kept from taking for a formula gets its own first character back. */
const unescaped = (cell: string): string => cell.replace(/^'(?=[=+\-@\t\r])/, '');

function rowToProduct(
  cells: readonly string[],
  columns: readonly (Column | undefined)[],
  freeId: (name: string) => string,
): Product | Refusal {
  const raw: Loose = { guaranteed: {} };
  for (const [at, column] of columns.entries()) {
    const cell = unescaped((cells[at] ?? '').trim());
    if (!column || cell === '') continue;
    if (column.kind === 'number') {
      const value = typedNumber(cell.replace(/ ?%$/, ''), column.header, column.header);
      if (isRefusal(value)) return value;
      put(raw, column.path, value);
    } else if (column.kind === 'yes') {
      const word = cell.toLowerCase();
      if (!YES.has(word) && !NO.has(word))
        return refuse(column.header, `${column.header} must be yes or no; "${cell.slice(0, 20)}" is neither.`);
      if (YES.has(word)) put(raw, column.path, true);
    } else put(raw, column.path, cell);
  }
  if (raw.id === undefined) raw.id = freeId(typeof raw.name === 'string' ? raw.name : 'product');
  const [field, says] = Object.entries(faultsByField(productSchema, raw))[0] ?? [];
  return says === undefined ? (raw as unknown as Product) : refuse(field ?? '', says);
}

/**
 * Reads a shelf table: our own header, in any order and case, with columns left out. Lines that cannot be a product are
 * set aside with their reason; the others are read.
 */
export function readShelfCsv(source: string): ShelfTable | Refusal {
  const { data } = Papa.parse<string[]>(source.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [header, ...rows] = data.map(shortCells);
  if (!header) return refuse('', 'The file is empty.');
  const byName = new Map(COLUMNS.map((column) => [plain(column.header), column]));
  const columns = header.map((cell) => byName.get(plain(cell)));
  const twice = header.find((_, at) => columns[at] && columns.indexOf(columns[at]) !== at);
  if (twice !== undefined) return refuse('', `The column “${twice}” stands twice in the header.`);
  if (!columns.some((column) => column?.path[0] === 'name'))
    return refuse(
      '',
      `The first line must be a header with at least “name” and the analysis, such as “N %, P2O5 %, K2O %”.`,
    );
  if (rows.length > MOST_ROWS)
    return refuse('', `The table has ${rows.length} lines; a shelf holds at most ${MOST_ROWS}.`);
  const table: ShelfTable = {
    products: [],
    rejected: [],
    ignored: header.filter((cell, at) => !columns[at] && cell.trim() !== ''),
  };
  const taken = new Set<string>();
  // a column of ids may name any of them, so what is made up keeps clear of all
  const given = columns.findIndex((column) => column?.path[0] === 'id');
  const freeId = idMaker(given < 0 ? [] : rows.map((cells) => (cells[given] ?? '').trim()));
  for (const [at, cells] of rows.entries()) {
    const line = at + 2;
    const product = rowToProduct(cells, columns, freeId);
    if (isRefusal(product)) table.rejected.push({ line, says: product.refused });
    else if (taken.has(product.id))
      table.rejected.push({ line, says: `The id "${product.id}" stands on an earlier line as well.` });
    else {
      taken.add(product.id);
      table.products.push(product);
    }
  }
  return table;
}
