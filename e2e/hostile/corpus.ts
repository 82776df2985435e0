import { readFileSync } from 'node:fs';
import { strToU8, zipSync } from 'fflate';

/** Where a file can be given to the application. */
export const DOORS = ['case', 'reports', 'shelf', 'climate', 'zones', 'track'] as const;
export type Door = (typeof DOORS)[number];

/** A file as what it is made of: texts, a text so many times, and bytes, put together in the browser that reads it. */
export interface Hostile {
  door: Door;
  what: string;
  parts: readonly (string | readonly [text: string, times: number] | { base64: string })[];
}

const json = (value: unknown): string => JSON.stringify(value);

/** What any door may be given. */
const ANYWHERE: [what: string, parts: Hostile['parts']][] = [
  ['nothing', ['']],
  ['spaces', [['  \n', 2000]]],
  ['a mark of order alone', ['\uFEFF']],
  ['zeros', [['\0', 5000]]],
  ['99 MB of zeros', [['\0', 99_000_000]]],
  ['99 MB of spaces', [[' ', 99_000_000]]],
  ['the beginning of a picture', ['\x89PNG\r\n\x1a\n', ['\x00\xff\x7f', 4000]]],
  ['the beginning of an archive', ['PK\x03\x04', ['\x14\x00\x08', 4000]]],
  ['200,000 lists in lists', [['[', 200_000]]],
  [
    '200,000 closed lists',
    [
      ['[', 200_000],
      [']', 200_000],
    ],
  ],
  ['200,000 records in records', [['{"a":', 200_000]]],
  ['3,000,000 lists in lists', [['[', 3_000_000]]],
  ['nothing of JSON', ['null']],
  ['a number of JSON', ['7']],
  ['a text of JSON', ['"lawn"']],
  ['a list of nothing', ['[null,null]']],
  ['a prototype', ['{"__proto__":{"polluted":1},"constructor":{"prototype":{"polluted":1}}}']],
  ['a number without end', ['{"value":1e999}']],
  ['a script', ['<script>alert(1)</script>']],
  [
    'entities in entities',
    [
      '<!DOCTYPE x [<!ENTITY a "aaaaaaaaaa">',
      ...Array.from({ length: 9 }, (_, i) => `<!ENTITY ${'abcdefghij'[i + 1]} "${`&${'abcdefghij'[i]};`.repeat(10)}">`),
      ']><x>&j;</x>',
    ],
  ],
  ['50,000 tags in tags', [['<a>', 50_000]]],
  ['a million lines', [['1\n', 1_000_000]]],
  ['a hundred thousand columns', ['name', [',x', 100_000], '\n1', [',2', 100_000]]],
  ['one quote that never ends', ['"', ['a,b\n', 200_000]]],
];

/** A ring of many points about a place, as a mapping program writes it. */
const ring = (points: number, wave = 0): number[][] => {
  const all = Array.from({ length: points }, (_, i) => {
    const angle = (i / points) * 2 * Math.PI;
    const r = 0.001 * (1 + wave * Math.sin(40 * angle));
    return [-77 + r * Math.cos(angle), 38 + r * Math.sin(angle)];
  });
  return [...all, all[0] as number[]];
};
const feature = (coordinates: unknown, name: unknown = 'Lawn') =>
  json({ type: 'Feature', properties: { name }, geometry: { type: 'Polygon', coordinates } });

const zones = (): [string, Hostile['parts']][] => [
  ['4,900 points', [feature([ring(4_900)])]],
  ['4,900 points in waves', [feature([ring(4_900, 0.3)])]],
  ['50,001 points', [feature([ring(50_001)])]],
  ['a million points', ['{"type":"Polygon","coordinates":[[', ['[-77.0001,38.0001],', 1_000_000], '[-77,38]]]}']],
  [
    '200 shapes of 200 points',
    [
      json({
        type: 'FeatureCollection',
        features: Array.from({ length: 200 }, (_, i) => JSON.parse(feature([ring(200)], `L${i}`)) as object),
      }),
    ],
  ],
  [
    'a bow tie',
    [
      feature([
        [
          [0, 0],
          [0.001, 0.001],
          [0.001, 0],
          [0, 0.001],
          [0, 0],
        ],
      ]),
    ],
  ],
  [
    'points that are texts',
    [
      feature([
        [
          ['a', 'b'],
          ['c', 'd'],
          ['e', 'f'],
        ],
      ]),
    ],
  ],
  [
    'points beyond the poles',
    [
      feature([
        [
          [0, 91],
          [1, 91],
          [1, 92],
          [0, 91],
        ],
      ]),
    ],
  ],
  ['a name that is a record', [feature([ring(5)], { toString: 'x' })]],
  ['a ring of one place', [feature([Array.from({ length: 500 }, () => [-77, 38])])]],
  ['a hole of 6,000 points', [feature([ring(20), ring(6_000)])]],
];
const gpx = (inner: string) => `<?xml version="1.0"?><gpx version="1.1" creator="x">${inner}</gpx>`;
const track = (): [string, Hostile['parts']][] => [
  ['no track', [gpx('')]],
  [
    '200,000 points',
    ['<gpx version="1.1"><trk><trkseg>', ['<trkpt lat="38.0001" lon="-77.0001"/>', 200_000], '</trkseg></trk></gpx>'],
  ],
  [
    'places that are words',
    [gpx('<trk><trkseg><trkpt lat="a" lon="b"/><trkpt lat="c" lon="d"/><trkpt lat="e" lon="f"/></trkseg></trk>')],
  ],
  ['two points', [gpx('<trk><trkseg><trkpt lat="38" lon="-77"/><trkpt lat="38.001" lon="-77"/></trkseg></trk>')]],
  ['broken off', ['<gpx><trk><trkseg><trkpt lat="38"']],
];

const demo = () =>
  JSON.parse(readFileSync('demo/okonedo-residence.json', 'utf8')) as Record<string, unknown> & {
    zones: Record<string, unknown>[];
    property: Record<string, unknown>;
  };
const caseWith = (change: (given: ReturnType<typeof demo>) => void): string => {
  const given = demo();
  change(given);
  return json(given);
};
const cases = (): [string, Hostile['parts']][] => [
  [
    'a day that is none',
    [
      caseWith(
        (c) =>
          (c.soilTests = [
            { id: 't', zoneId: c.zones[0]!.id, sampledOn: '2027-13-01', results: [{ analyte: 'pH', value: 6 }] },
          ]),
      ),
    ],
  ],
  ['two zones of one id', [caseWith((c) => c.zones.push({ ...c.zones[0] }))]],
  [
    'two plans of one id',
    [
      caseWith(
        (c) =>
          (c.plans = [
            { id: 'p', year: 2027 },
            { id: 'p', year: 2027 },
          ]),
      ),
    ],
  ],
  [
    'an outline that crosses itself',
    [
      caseWith((c) => {
        delete c.zones[0]!.rectangle;
        c.zones[0]!.cornersFt = [
          [0, 0],
          [9, 9],
          [9, 0],
          [0, 9],
        ];
      }),
    ],
  ],
  ['an area its drawing contradicts', [caseWith((c) => (c.zones[0]!.rectangle = { lengthFt: 10, widthFt: 10 }))]],
  ['an id of slashes and marks', [caseWith((c) => (c.property.id = '../a/b?c#d e'))]],
  [
    'a name of ten megabytes',
    ['{"format":"ubertas-case","version":1,"property":{"id":"x","name":"', ['x', 10_000_000], '"},"zones":[]}'],
  ],
  ['a key nobody knows', [caseWith((c) => (c.gras = 1))]],
  [
    'a report of a zone that is not there',
    [
      caseWith(
        (c) =>
          (c.soilTests = [
            { id: 't', zoneId: 'gone', sampledOn: '2027-03-01', results: [{ analyte: 'pH', value: 6 }] },
          ]),
      ),
    ],
  ],
  ['a backup of nothing', ['{"format":"ubertas-backup","version":1,"cases":7}']],
  [
    'a backup of 20,000 broken properties',
    ['{"format":"ubertas-backup","version":1,"cases":[', ['{},', 20_000], '{}]}'],
  ],
  ['a backup of a newer Ubertas', ['{"format":"ubertas-backup","version":9,"cases":[]}']],
  ['a version beyond all', ['{"format":"ubertas-case","version":1e300}']],
  [
    '5,001 zones',
    [caseWith((c) => (c.zones = Array.from({ length: 5_001 }, (_, i) => ({ ...c.zones[0], id: `z${i}` }))))],
  ],
];
const shelf = (): [string, Hostile['parts']][] => [
  ['50,001 labels', ['name\n', ['x\n', 50_001]]],
  ['20,000 labels of one name', ['name,N %\n', ['x,20\n', 20_000]]],
  ['percents that are words', ['name,N %\nx,many\n']],
  ['a formula', ['name,N %\n"=HYPERLINK(""http://x"")",20\n']],
  ['a column twice', ['name,name\nx,y\n']],
  ['a shelf of records that are none', [json({ format: 'ubertas-shelf', version: 1, products: [1, null, 'x'] })]],
];
const climate = (): [string, Hostile['parts']][] => [
  ['a day that is none', ['date,high,low\n2027-13-01,40,20\n']],
  ['a day that is none among days', ['date,high,low\n2026-01-01,40,20\n2026-02-30,40,20\n']],
  ['thirteen months', ['month,high,low\n', ...Array.from({ length: 13 }, (_, i) => `${i + 1},40,20\n`)]],
  ['a low above its high', ['month,high,low\n1,20,40\n']],
  ['a million days', ['date,high,low\n', ['2026-01-01,40,20\n', 300_000]]],
];
const bytes = (given: Uint8Array): Hostile['parts'] => [{ base64: Buffer.from(given).toString('base64') }];
/** A workbook of one sheet with this inside. */
const book = (sheet: Uint8Array | string): Hostile['parts'] =>
  bytes(
    zipSync({
      'xl/workbook.xml': strToU8('<workbook xmlns:r="r"><sheets><sheet name="a" r:id="r1"/></sheets></workbook>'),
      'xl/_rels/workbook.xml.rels': strToU8(
        '<Relationships><Relationship Id="r1" Target="worksheets/sheet1.xml"/></Relationships>',
      ),
      'xl/worksheets/sheet1.xml': typeof sheet === 'string' ? strToU8(sheet) : sheet,
    }),
  );
const pdf = (objects: string): Hostile['parts'] => [`%PDF-1.7\n${objects}\ntrailer<</Root 1 0 R>>`];
const binaries = (): [string, Hostile['parts']][] => [
  ['a workbook that unpacks to a thousand times its size', book(new Uint8Array(60_000_000))],
  [
    'a workbook with a million merged cells',
    book('<worksheet><sheetData/><mergeCells><mergeCell ref="A1:XFD1048576"/></mergeCells></worksheet>'),
  ],
  ['a workbook of entities', book('<!DOCTYPE a [<!ENTITY a "aaaa">]><worksheet><sheetData/></worksheet>')],
  [
    'a workbook with a cell out of all bounds',
    book('<worksheet><sheetData><row r="1"><c r="XFD1048576"><v>1</v></c></row></sheetData></worksheet>'),
  ],
  ['a workbook of broken XML', book('<worksheet><sheetData><row><c r="A1"><v>1</v>')],
  ['an archive that is no workbook', bytes(zipSync({ 'a.txt': strToU8('a') }))],
  [
    'the old workbook',
    bytes(new Uint8Array([0xd0, 0xcf, 0x11, 0xe0, 0xa1, 0xb1, 0x1a, 0xe1, ...Array<number>(600).fill(0)])),
  ],
  ['a PDF with a script', pdf('1 0 obj<</Type/Catalog/OpenAction<</S/JavaScript/JS(app.alert(1))>>>>endobj')],
  [
    'a PDF whose pages are in a ring',
    pdf('1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj\n2 0 obj<</Type/Pages/Count 9/Kids[2 0 R]>>endobj'),
  ],
  [
    'a PDF that says a billion pages',
    pdf('1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj\n2 0 obj<</Type/Pages/Count 1000000000/Kids[]>>endobj'),
  ],
  ['a PDF broken off', ['%PDF-1.4\n1 0 obj<</Type/Cat']],
];
const reports = (): [string, Hostile['parts']][] => [
  ...binaries(),
  ['days that are none', ['sample,date,pH\na,2027-13-01,6\nb,31/31/2027,6\n']],
  ['values beyond all', ['sample,date,pH\na,2027-03-01,1e308\n']],
  ['a formula as a name', ['sample,date,pH\n=1+1,2027-03-01,6\n']],
  ['half a million lines', ['sample,date,pH\n', ['a,2027-03-01,6\n', 500_000]]],
  ['one line of ten megabytes', ['sample,date,pH\na,2027-03-01,', ['6', 10_000_000]]],
];

/** Every file over every door. */
export function corpus(): Hostile[] {
  const own: Record<Door, () => [string, Hostile['parts']][]> = { case: cases, reports, shelf, climate, zones, track };
  return DOORS.flatMap((door) =>
    [...ANYWHERE, ...own[door]()].map(([what, parts]): Hostile => ({ door, what, parts })),
  );
}
