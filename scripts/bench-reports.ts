import { performance } from 'node:perf_hooks';
import { strToU8, zipSync } from 'fflate';
import { documentOf } from '../cli/read';
import { isRefusal } from '../core/reckoning/refusal';
import { readReport } from '../core/reports/read-report';
import { LAYOUTS } from '../standins/laboratory/layouts';
import { bagsOf, workbookOfRows } from './made-reports';

/** Times of reading reports, for docs/measured.md: a long PDF, a long workbook, files that mean harm. */

async function timed(what: string, name: string, bytes: Uint8Array): Promise<void> {
  const before = performance.now();
  const document = await documentOf(name, bytes);
  const opened = performance.now();
  const samples = isRefusal(document)
    ? document.refused
    : `${readReport(document, {}, '2026-11-30').samples.length} samples`;
  const memory = Math.round(process.memoryUsage().rss / 1e6);
  process.stdout.write(
    `| ${what} | ${(bytes.byteLength / 1e6).toFixed(1)} MB | ${Math.round(opened - before)} | ${Math.round(performance.now() - opened)} | ${memory} | ${samples} |\n`,
  );
}

process.stdout.write(
  '| file | size | opened, ms | read, ms | memory, MB | came to |\n| --- | ---: | ---: | ---: | ---: | --- |\n',
);
await timed('PDF of 200 letters', 'a.pdf', await LAYOUTS.letter.bytes(bagsOf(200)));
await timed('PDF table of 6,000 rows, 200 pages', 'a.pdf', await LAYOUTS['paper-table'].bytes(bagsOf(6_000)));
await timed('workbook of 50,000 rows', 'a.xlsx', await workbookOfRows(50_000));
await timed(
  'archive that unpacks to 500 MB',
  'bomb.xlsx',
  zipSync({ 'xl/workbook.xml': new Uint8Array(500_000_000) }, { level: 9 }),
);
const sheet = (inside: string, after = '') =>
  `<worksheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><sheetData>${inside}</sheetData>${after}</worksheet>`;
const book = (xml: string) =>
  zipSync({
    'xl/workbook.xml': strToU8('<workbook xmlns:r="r"><sheets><sheet name="a" r:id="r1"/></sheets></workbook>'),
    'xl/_rels/workbook.xml.rels': strToU8(
      '<Relationships><Relationship Id="r1" Target="worksheets/sheet1.xml"/></Relationships>',
    ),
    'xl/worksheets/sheet1.xml': strToU8(xml),
  });
await timed(
  'a million merged cells',
  'merged.xlsx',
  book(sheet('', `<mergeCells><mergeCell ref="A1:XFD1048576"/></mergeCells>`)),
);
await timed('entities in a sheet', 'entities.xlsx', book(`<!DOCTYPE a [<!ENTITY a "aaaa">]>${sheet('')}`));
await timed(
  'a PDF with a script',
  'script.pdf',
  strToU8(
    '%PDF-1.7\n1 0 obj<</Type/Catalog/OpenAction<</S/JavaScript/JS(app.alert(1))>>>>endobj\ntrailer<</Root 1 0 R>>',
  ),
);
