import fc from 'fast-check';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { documentOf } from '../cli/read';
import { textAsDocument } from '../core/reports/text-as-document.fixture';
import { documentOfWorkbook } from '../core/reports/doors/workbook-door';
import { readReport } from '../core/reports/read-report';
import type { ReportSample, ReportValue } from '../core/reports/reading';
import { isRefusal } from '../core/reckoning/refusal';
import type { Analyte } from '../core/records/vocabularies';
import type { AnalysedBag } from './laboratory/dress';
import { LAYOUT_IDS, type LayoutId } from './laboratory/layout-list';
import { LAYOUTS } from './laboratory/layouts';
import { analysed, ordinarySoil } from './laboratory/soil';

/** Every way the simulated laboratory writes one analysis is read to the same values: the generator of reports for tests. */
const TEXTURES = ['sand', 'loam', 'clay', 'silt-loam'] as const;
const bagsOf = (seed: number, count: number): AnalysedBag[] =>
  Array.from({ length: count }, (_, i) => ({
    code: `DG-26-${String(i + 1).padStart(2, '0')}`,
    sampledOn: '2026-10-12',
    depthIn: 4,
    found: analysed(ordinarySoil(seed * 31 + i, TEXTURES[i % 4]!), seed + i),
  }));

async function readBack(layout: LayoutId, bags: readonly AnalysedBag[]): Promise<ReportSample[]> {
  const { bytes, ending } = LAYOUTS[layout];
  const document = await documentOf(`a.${ending}`, await bytes(bags));
  if (isRefusal(document)) throw new Error(document.refused);
  const { samples, rejected } = readReport(document, {}, '2026-11-30');
  expect(rejected, layout).toEqual([]);
  return samples;
}

/** Ppm of a value, or what it is where it is no mass. */
const plainly = ({ value, unit }: ReportValue): number => (unit === 'lb/acre' ? value / 2 : value);

function expectSame(layout: LayoutId, samples: readonly ReportSample[], bags: readonly AnalysedBag[]): void {
  expect(
    samples.map(({ label }) => label),
    layout,
  ).toEqual(bags.map(({ code }) => code));
  for (const [i, { found }] of bags.entries()) {
    const sample = samples[i]!;
    expect(sample.sampledOn, layout).toBe('2026-10-12');
    expect(sample.depthIn, layout).toBeCloseTo(4, 2);
    const value = (analyte: Analyte) =>
      sample.values.find((v) => v.analyte === analyte && v.method !== 'bray-p1' && v.method !== 'olsen');
    const ph = value('pH')!;
    expect(ph.method === 'cacl2' ? ph.value + 0.6 : ph.value, layout).toBeCloseTo(found.ph, 6);
    expect(value('buffer-pH'), layout).toMatchObject({ value: found.bufferPh, method: 'mehlich' });
    expect(value('CEC')?.value, layout).toBe(found.CEC);
    expect(value('EC')?.value, layout).toBe(found.EC);
    expect(value('OM')?.value, layout).toBe(found.OM);
    if (layout === 'acetate') continue;
    for (const analyte of ['P', 'K', 'Ca', 'Mg', 'S', 'Na', 'Fe', 'Mn', 'Cu'] as const) {
      const read = value(analyte);
      expect(read && plainly(read), `${layout} ${analyte}`).toBeCloseTo(found[analyte], 6);
      expect(read?.method, `${layout} ${analyte}`).toBe('mehlich-3');
    }
    const zinc = value('Zn')!;
    expect(zinc.qualifier ?? '', layout).toBe(found.Zn < 0.5 ? '<' : '');
  }
}

describe('eighteen dresses of one analysis', () => {
  it.each(LAYOUT_IDS)('%s', async (layout) => {
    for (const seed of [3, 11]) {
      const bags = bagsOf(seed, 4);
      expectSame(layout, await readBack(layout, bags), bags);
    }
  });
  it('a table on paper runs over pages, and every row keeps its columns', async () => {
    const bags = bagsOf(5, 70);
    expectSame('paper-table', await readBack('paper-table', bags), bags);
  });
});

describe('a table that was changed on its way', () => {
  const bags = bagsOf(7, 5);
  const rows = new TextDecoder()
    .decode(LAYOUTS.flagged.bytes(bags) as Uint8Array)
    .trim()
    .split('\r\n')
    .map((line) => line.split(','));
  const text = (changed: readonly (readonly string[])[]) => changed.map((row) => row.join(',')).join('\n');
  it('means the same with its columns in any order', () => {
    fc.assert(
      fc.property(
        fc.shuffledSubarray(
          rows[3]!.map((_, i) => i),
          { minLength: rows[3]!.length },
        ),
        (order) => {
          const changed = rows.map((row, i) => (i < 3 ? row : order.map((at) => row[at] ?? '')));
          expectSame('flagged', readReport(textAsDocument(text(changed)), {}, '2026-11-30').samples, bags);
        },
      ),
      { numRuns: 25 },
    );
  });
  it('loses nothing but a broken row, and says which', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 4 }), fc.constantFrom('x', '5..6', '—?', '12:30'), (which, broken) => {
        const changed = rows.map((row, i) =>
          i === 5 + which ? row.map((cell, at) => (at === 7 ? broken : cell)) : row,
        );
        const { samples, rejected } = readReport(textAsDocument(text(changed)), {}, '2026-11-30');
        expect(samples).toHaveLength(5);
        expect(rejected).toMatchObject([{ line: 6 + which, field: 'K' }]);
      }),
      { numRuns: 20 },
    );
  });
  it('never throws, whatever stands in it', () => {
    fc.assert(
      fc.property(fc.array(fc.array(fc.string({ maxLength: 12 }), { maxLength: 8 }), { maxLength: 14 }), (cells) => {
        const given = [['Sample', 'pH', 'K (ppm)'], ...cells]
          .map((row) => row.map((cell) => `"${cell.replaceAll('"', '""')}"`).join(','))
          .join('\n');
        for (const { values } of readReport(textAsDocument(given)).samples)
          for (const { value } of values) expect(Number.isFinite(value)).toBe(true);
      }),
      { numRuns: 60 },
    );
  });
});

describe('a workbook that means harm', () => {
  const changed = async (change: (parts: Record<string, string>) => void) => {
    const bytes = await LAYOUTS.workbook.bytes(bagsOf(1, 2));
    const parts = Object.fromEntries(
      Object.entries(unzipSync(bytes)).map(([path, part]) => [path, new TextDecoder().decode(part)]),
    );
    change(parts);
    return documentOfWorkbook(
      zipSync(Object.fromEntries(Object.entries(parts).map(([path, part]) => [path, strToU8(part)]))),
    );
  };
  const sheet = 'xl/worksheets/sheet1.xml';
  it('is refused for what it unpacks to, merges, names or declares', async () => {
    expect(await changed((parts) => (parts['xl/media.xml'] = ' '.repeat(60_000_000)))).toMatchObject({
      refused: expect.stringContaining('unpacks to far more'),
    });
    expect(
      await changed(
        (parts) =>
          (parts[sheet] = parts[sheet]!.replace(
            '</sheetData>',
            '</sheetData><mergeCells><mergeCell ref="A1:XFD1048576"/></mergeCells>',
          )),
      ),
    ).toMatchObject({ refused: expect.stringContaining('merges more cells') });
    expect(
      await changed(
        (parts) =>
          (parts[sheet] = parts[sheet]!.replace(
            '</sheetData>',
            '<row r="9"><c r="XFD9"><v>1</v></c></row></sheetData>',
          )),
      ),
    ).toMatchObject({ refused: expect.stringContaining('XFD9') });
    expect(await changed((parts) => (parts[sheet] = `<!DOCTYPE x [<!ENTITY a "b">]>${parts[sheet]}`))).toMatchObject({
      refused: expect.stringContaining('entities'),
    });
    expect(await documentOfWorkbook(strToU8('PK nothing'))).toMatchObject({
      refused: expect.stringContaining('broken'),
    });
  });
});

describe('a PDF', () => {
  it('without text says so, and one that is broken as well', async () => {
    const { default: pdfMake } = (await import('pdfmake')) as unknown as {
      default: { createPdf(page: object): { getBuffer(): Promise<Uint8Array> } };
    };
    const empty = await pdfMake
      .createPdf({
        defaultStyle: { font: 'Helvetica' },
        content: [{ canvas: [{ type: 'rect', x: 0, y: 0, w: 90, h: 90 }] }],
      })
      .getBuffer();
    expect(await documentOf('scan.pdf', new Uint8Array(empty))).toMatchObject({
      field: 'text',
      refused: expect.stringContaining('holds no text'),
    });
    expect(await documentOf('x.pdf', strToU8('%PDF-1.7 nothing else'))).toMatchObject({
      refused: expect.stringContaining('broken'),
    });
  });
});
