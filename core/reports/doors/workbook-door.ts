import { strFromU8, unzipSync, zipSync } from 'fflate';
import readWorkbook from 'read-excel-file/universal';
import { type Refusal, refuse } from '../../reckoning/refusal';
import { significant } from '../../words/numbers';
import { type Merge, pageOfRows, type ReportDocument } from '../document';

/** Largest a workbook may be when unpacked, bytes; a sheet of 50,000 rows of 20 takes about 60 MB. */
const MOST_UNPACKED = 250_000_000;
/** A packed part that grows more than so many times is meant to fill the memory. */
const MOST_GROWTH = 400;
const MOST_PARTS = 2_000;
const MOST_MERGED_CELLS = 200_000;
/** Farthest column and row that a sheet may name. */
const MOST_COLUMNS = 2_000;
const MOST_ROWS = 1_000_000;
const SMALL = 1_000_000;

const address = (letters: string): number =>
  [...letters].reduce((sum, letter) => sum * 26 + letter.charCodeAt(0) - 64, 0) - 1;

/** Spans of merged cells that a sheet names, or why there are too many. */
function mergesOf(xml: string): Merge[] | Refusal {
  const merges: Merge[] = [];
  let cells = 0;
  for (const [, left, top, right, bottom] of xml.matchAll(
    /<mergeCell\b[^>]*\bref="([A-Z]{1,3})(\d{1,7}):([A-Z]{1,3})(\d{1,7})"/g,
  )) {
    const merge = { left: address(left!), top: Number(top) - 1, right: address(right!), bottom: Number(bottom) - 1 };
    cells += (merge.right - merge.left + 1) * (merge.bottom - merge.top + 1);
    if (cells > MOST_MERGED_CELLS)
      return refuse('', 'The workbook merges more cells than any report has: it is not read.');
    merges.push(merge);
  }
  return merges;
}

/** Where the sheets of a workbook lie, in its order. */
function sheetPaths(files: Record<string, Uint8Array>): string[] {
  const text = (path: string): string => (files[path] ? strFromU8(files[path]) : '');
  const targets = new Map(
    [...text('xl/_rels/workbook.xml.rels').matchAll(/<Relationship\b[^>]*>/g)].map(([tag]) => [
      /\bId="([^"]*)"/.exec(tag)?.[1] ?? '',
      (/\bTarget="([^"]*)"/.exec(tag)?.[1] ?? '').replace(/^\/?(xl\/)?/, 'xl/'),
    ]),
  );
  return [...text('xl/workbook.xml').matchAll(/<sheet\b[^>]*>/g)].map(
    ([tag]) => targets.get(/\br:id="([^"]*)"/.exec(tag)?.[1] ?? '') ?? '',
  );
}

/** A workbook's parts, each within bounds, or why it is not opened. */
function unpack(bytes: Uint8Array): Record<string, Uint8Array> | Refusal {
  let [total, parts] = [0, 0];
  let fault: Refusal | undefined;
  try {
    const files = unzipSync(bytes, {
      filter: ({ name, size, originalSize }) => {
        if (fault || !/\.(xml|rels)$/.test(name)) return false;
        total += originalSize;
        parts++;
        if (total > MOST_UNPACKED || parts > MOST_PARTS || (originalSize > SMALL && originalSize > size * MOST_GROWTH))
          fault = refuse('', 'The workbook unpacks to far more than a report can hold: it is not opened.');
        return !fault;
      },
    });
    return fault ?? files;
  } catch {
    return refuse('', 'The workbook is broken: it cannot be unpacked. Save it again as .xlsx, or as CSV.');
  }
}

/** What a workbook may not hold: entities, cells out of all bounds. */
function faultOf(path: string, xml: string): Refusal | undefined {
  if (/<!(DOCTYPE|ENTITY)/i.test(xml.slice(0, 4000)))
    return refuse('', 'The workbook declares entities, which no report needs: it is not read.');
  if (!path.startsWith('xl/worksheets/')) return undefined;
  for (const [, letters, row] of xml.matchAll(/<c\b[^>]*?\br="([A-Z]{1,4})(\d{1,8})"/g))
    if (address(letters!) >= MOST_COLUMNS || Number(row) > MOST_ROWS)
      return refuse('', `The workbook names the cell ${letters}${row}: more columns or rows than a report has.`);
  return undefined;
}

/** A number of a workbook without the digits that binary fractions leave. */
const showNumber = (value: number): string => String(significant(value, 12));

/** Reads an .xlsx file: all its sheets, merged cells as wide as they are, days as ISO. */
export async function documentOfWorkbook(
  bytes: Uint8Array,
  onProgress: (doing: string) => void = () => {},
): Promise<ReportDocument | Refusal> {
  if (bytes[0] === 0xd0 && bytes[1] === 0xcf)
    return refuse('', 'This is an old .xls workbook or one with a password: save it as .xlsx without one.');
  onProgress('unpacking');
  const files = unpack(bytes);
  if ('refused' in files) return files as unknown as Refusal;
  const parts = files as Record<string, Uint8Array>;
  if (!parts['xl/workbook.xml']) return refuse('', 'This archive is no workbook: it holds no sheets.');
  const merges: (Merge[] | undefined)[] = [];
  for (const [path, part] of Object.entries(parts)) {
    const fault = faultOf(path, strFromU8(part));
    if (fault) return fault;
  }
  for (const path of sheetPaths(parts)) {
    const found = parts[path] ? mergesOf(strFromU8(parts[path])) : [];
    if ('refused' in found) return found;
    merges.push(found);
  }
  try {
    onProgress('reading its cells');
    // packed anew without compressing: the reader would hand a large part to a worker of its own
    const sheets = await readWorkbook(zipSync(parts, { level: 0 }).buffer as ArrayBuffer);
    const commas = sheets.some(({ data }) =>
      data.some((row) => row.some((cell) => typeof cell === 'string' && /^\d+,\d{1,2}$/.test(cell))),
    );
    const textOf = (cell: unknown): string => {
      if (cell === null || cell === undefined) return '';
      if (typeof cell === 'number') return commas ? showNumber(cell).replace('.', ',') : showNumber(cell);
      if (cell instanceof Date) return Number.isNaN(cell.getTime()) ? '' : cell.toISOString().slice(0, 10);
      return String(cell as string | boolean);
    };
    return {
      kind: 'workbook',
      pages: sheets.map(({ sheet, data }, i) =>
        pageOfRows(
          sheet,
          data.map((row) => row.map(textOf)),
          merges[i] ?? [],
        ),
      ),
    };
  } catch (fault) {
    return refuse(
      '',
      `The workbook cannot be read: ${fault instanceof Error ? fault.message.slice(0, 120) : 'it is broken'}. Save it again as .xlsx, or as CSV.`,
    );
  }
}
