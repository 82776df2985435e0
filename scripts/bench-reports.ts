import { performance } from 'node:perf_hooks';
import writeWorkbook from 'write-excel-file/node';
import { strToU8, zipSync } from 'fflate';
import { documentOf } from '../cli/read';
import { isRefusal } from '../core/reckoning/refusal';
import { readReport } from '../core/reports/read-report';
import type { AnalysedBag } from '../standins/laboratory/dress';
import { LAYOUTS } from '../standins/laboratory/layouts';
import { analysed, ordinarySoil } from '../standins/laboratory/soil';

/** Times of reading reports, for docs/measured.md: a long PDF, a long workbook, files that mean harm. */

const bags = (count: number): AnalysedBag[] =>
  Array.from({ length: count }, (_, i) => ({
    code: `B-${i}`,
    sampledOn: '2026-10-12',
    depthIn: 4,
    found: analysed(ordinarySoil(i, 'loam'), i),
  }));

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
await timed('PDF of 200 letters', 'a.pdf', await LAYOUTS.letter.bytes(bags(200)));
await timed('PDF table of 6,000 rows, 200 pages', 'a.pdf', await LAYOUTS['paper-table'].bytes(bags(6_000)));
const heading = [
  'Sample',
  'Date sampled',
  'Depth in',
  'pH',
  'Buffer pH (Mehlich)',
  'P ppm (M3)',
  'K ppm (M3)',
  'Ca ppm (M3)',
  'Mg ppm (M3)',
  'OM %',
  'CEC',
];
const rows = Array.from({ length: 50_000 }, (_, i) => [
  `S${i}`,
  '2026-10-12',
  4,
  5.5 + (i % 20) / 10,
  6.4,
  20 + (i % 60),
  40 + (i % 90),
  900,
  110,
  3.1,
  8.4,
]);
await timed('workbook of 50,000 rows', 'a.xlsx', new Uint8Array(await writeWorkbook([heading, ...rows]).toBuffer()));
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
