import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable, Writable } from 'node:stream';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { firstVersion } from '../core/log/versions';
import type { Case, RecordVersion } from '../core/records/case';
import { REGISTRY } from '../core/registry';
import { labelOf } from '../core/log/label';
import { hourlyWeather } from '../standins/weather-station/hourly';
import { STATIONS } from '../standins/weather-station/stations';
import { type BatchOptions, runBatch } from './batch';

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'ubertas-cli-'));
});
afterAll(() => rmSync(folder, { recursive: true }));

/** Runs the command as another program would. */
function ubertas(args: string[], input?: string): { code: number | null; out: string; err: string } {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['cli/run.mjs', ...args], { encoding: 'utf8', input });
  return { code: status, out: stdout, err: stderr };
}
const json = (out: string) => JSON.parse(out) as Record<string, never>;

// the public ids: they may be added to, never renamed
const CONTRACT =
  `area.polygon area.triangle area.offsets area.ring soil.mass soil.texture-class soil.buffer-acidity soil.cec water.sar
water.residual-carbonate water.load water.leaching soil.sodium soil.method-convert lime.mehlich lime.smp lime.adams-evans lime.texture lime.ecce
lime.material lime.doses sulfur.requirement sulfur.carbonate sulfur.product sulfur.doses gypsum.requirement nitrogen.acidity nutrient.balance
nutrient.minimum nutrient.oxide product.rate product.delivers product.coverage product.as-spread product.liquid-rate product.liquid-delivers
product.granules climate.growth-potential climate.radiation climate.eto spread.calibrate spread.pattern spray.gallons-per-acre spray.tank-mix
water.uniformity water.cycle-soak mow.trigger topdress.depth`.split(/\s+/);

describe('the command line', () => {
  it('lists every public reckoning, id, unit and title', () => {
    const { code, out } = ubertas(['list']);
    const lines = out
      .trim()
      .split('\n')
      .map((line) => line.split('\t'));
    expect(code).toBe(0);
    expect(lines.every((l) => l.length === 3 && l.every(Boolean))).toBe(true);
    expect(CONTRACT.filter((id) => !lines.some(([listed]) => listed === id))).toEqual([]);
    expect(lines).toHaveLength(REGISTRY.size);
  });

  it('explains like a handbook entry', () => {
    const { out } = ubertas(['explain', 'sulfur.carbonate']);
    for (const part of [
      'Gives: lb S / 1000 ft2',
      'Inputs',
      'calciumCarbonatePercent',
      'Formula',
      'Sources',
      '[published]',
      'Limits',
      'Example',
    ])
      expect(out).toContain(part);
  });

  it('reckons with working, sources and cautions in the public shape', () => {
    const { code, out } = ubertas([
      'reckon',
      'lime.material',
      '{"requirementLb":40,"eccePercent":80,"basisEccePercent":90}',
    ]);
    expect(code).toBe(0);
    expect(json(out)).toEqual({
      id: 'lime.material',
      value: 45,
      unit: 'lb lime / 1000 ft2',
      working: [
        {
          label: 'material',
          formula: 'requirementLb × basisEccePercent ÷ eccePercent',
          substituted: '40 × 90 ÷ 80',
          value: 45,
          unit: 'lb lime',
        },
      ],
      sources: [{ cite: expect.any(String), standing: 'common practice' }],
      cautions: [],
    });
  });

  it('reads its input from standard input, and never rounds', () => {
    expect(json(ubertas(['reckon', 'nutrient.oxide', '-'], '{"element":"K","elementLb":1}').out).value).toBe(
      1.2046012583763874,
    );
  });

  it('converts units by the trade’s names, and refuses two that measure different things', () => {
    expect(json(ubertas(['convert', '1', 'gal/1000 ft2', 'L/100 m2']).out).value).toBeCloseTo(4.07458333333, 9);
    expect(json(ubertas(['convert', '--', '-40', 'deg C', 'deg F']).out).value).toBe(-40);
    const refused = ubertas(['convert', '2.5', 'lb/1000 ft2', 'gal/acre']);
    expect([refused.code, refused.out + refused.err]).toEqual([
      2,
      expect.stringContaining('one does not go into the other'),
    ]);
  });

  it.each<[string, string[], string, string]>([
    [
      'a mistyped key',
      ['reckon', 'lime.mehlich', '{"soilPh":5.6,"bufferpH":6.3,"aimPh":6.2,"treatedDepthIn":4}'],
      'bufferpH',
      'bufferPh',
    ],
    ['a number too large', ['reckon', 'soil.mass', '{"depthIn":1e999,"bulkDensity":1.3}'], 'depthIn', 'too large'],
    ['a number in quotes', ['reckon', 'soil.mass', '{"depthIn":"4","bulkDensity":1.3}'], 'depthIn', 'quotes'],
    ['broken JSON', ['reckon', 'soil.mass', '{'], '', 'JSON'],
    ['an unknown reckoning', ['reckon', 'lime.mehlick', '{}'], 'id', 'lime.mehlich'],
    ['an unknown command', ['interprets', 'x'], 'command', 'interprets'],
    ['an unknown option', ['list', '--colour'], 'arguments', 'colour'],
    [
      'an unknown school',
      ['interpret', 'demo/quarry-lane-school.json', '--school', 'feelings'],
      'school',
      'sufficiency',
    ],
    ['a file that is not there', ['prescribe', 'nowhere.json'], 'file', 'nowhere.json'],
    ['a case of another kind', ['plan', 'package.json'], 'format', 'ubertas-case'],
    ['a table that is not there', ['batch', 'nowhere.csv'], 'file', 'nowhere.csv'],
    ['no arguments', [], 'command', 'ubertas list'],
  ])('refuses %s with exit 2 and a sentence', (_name, args, field, says) => {
    const { code, out } = ubertas(args);
    expect(code).toBe(2);
    expect(json(out)).toMatchObject({ field, refused: expect.stringContaining(says) });
  });

  it.each(readdirSync('demo'))('interprets, prescribes and plans %s', (file) => {
    const read = json(ubertas(['interpret', `demo/${file}`]).out) as never as {
      format: string;
      zones: { school: string; findings: { source: string }[]; schools?: { levels: object }[] }[];
    };
    expect(read.format).toBe('ubertas-interpretation');
    for (const zone of read.zones) {
      expect(zone.school).toBe('sufficiency');
      for (const finding of zone.findings) expect(finding.source).toMatch(/ubertas-\w+/);
      for (const row of zone.schools ?? [])
        expect(Object.keys(row.levels)).toEqual(['sufficiency', 'minimum', 'saturation']);
    }
    const prescribed = json(ubertas(['prescribe', `demo/${file}`]).out) as never as {
      zones: { nitrogen: { yearLb: number; adjustments: { lb: number }[] }; practice: object }[];
    };
    for (const { nitrogen, practice } of prescribed.zones) {
      expect(nitrogen.adjustments.reduce((sum, a) => sum + a.lb, 0)).toBeCloseTo(nitrogen.yearLb, 9);
      expect(practice).toMatchObject({
        lateSeason: { chosen: 'two-steps', others: { length: 4 } },
        potassium: { others: { length: 3 } },
        highPh: { others: { length: 2 } },
      });
    }
    // the other demo properties are planned and checked in the core
    if (!QUICK.some((name) => file.startsWith(name))) return;
    const plan = json(ubertas(['plan', `demo/${file}`]).out) as never as {
      doses: { rateLb: number; zoneLb: number }[];
      checks: { standing: string }[];
      purchases: { cost: number }[];
      cost: number;
      solver: object;
    };
    expect(plan.solver).toMatchObject({ status: expect.stringMatching(/^(optimal|feasible)$/) });
    expect(plan.doses.length).toBeGreaterThan(0);
    expect(plan.checks.filter((c) => c.standing === 'fail')).toEqual([]);
    expect(plan.purchases.reduce((sum, p) => sum + p.cost, 0)).toBeCloseTo(plan.cost, 9);
  });

  it('says what would free a plan that nothing can date', () => {
    const file = JSON.parse(readFileSync('demo/okonedo-residence.json', 'utf8')) as { property: { climate?: object } };
    delete file.property.climate;
    const path = join(folder, 'no-climate.json');
    writeFileSync(path, JSON.stringify(file));
    const { code, out } = ubertas(['plan', path]);
    expect(code).toBe(0);
    expect(json(out)).toMatchObject({
      doses: [],
      solver: { status: 'drafted' },
      checks: expect.arrayContaining([{ id: 'climate', standing: 'fail', says: expect.stringContaining('climate') }]),
    });
  });

  it('puts logs together once, prints what went down, and refuses a record that was changed', () => {
    const file = JSON.parse(readFileSync('demo/okonedo-residence.json', 'utf8')) as Case;
    const [zone] = file.zones;
    const product = file.products!.find(({ id }) => id === 'coated-urea-42')!;
    const version = (recordId: string, spreadLb: number) =>
      firstVersion(
        recordId,
        {
          kind: 'feeding',
          date: '2027-05-03',
          zoneIds: [zone!.id],
          zoneAreaSqFt: zone!.areaSqFt,
          product: labelOf(product),
          spreadLb,
        },
        { at: '2027-05-03T10:00:00-04:00', by: 'R. Amadi' },
      );
    const planned = {
      zoneId: zone!.id,
      date: '2027-09-06',
      productId: product.id,
      for: 'N',
      rateLb: 1.5,
    };
    const log = (...versions: RecordVersion[]) => ({
      format: 'ubertas-log',
      version: 1,
      madeAt: '2027-05-03T18:00:00-04:00',
      properties: [
        { id: file.property.id, versions },
        { id: 'another', versions: [] },
      ],
    });
    const [casePath, one, two, bad] = ['case', 'one', 'two', 'bad'].map((name) => join(folder, `log-${name}.json`)) as [
      string,
      string,
      string,
      string,
    ];
    writeFileSync(casePath, JSON.stringify(file));
    writeFileSync(one, JSON.stringify(log(version('a', 6))));
    writeFileSync(two, JSON.stringify(log(version('a', 6), version('b', 2))));
    const merged = json(ubertas(['merge', casePath, one, two, one]).out) as unknown as { case: Case; new: string[] };
    expect(merged).toMatchObject({
      new: [expect.any(String), expect.any(String)],
      alreadyHere: 0,
      otherProperties: ['another'],
    });
    writeFileSync(casePath, JSON.stringify(merged.case));
    expect(json(ubertas(['merge', casePath, two]).out)).toMatchObject({ new: [], alreadyHere: 2 });
    // 8 lb of 42 % on the lawn
    const ledger = json(ubertas(['ledger', casePath, '--year', '2027', '--on', '2027-06-01']).out) as unknown as {
      zones: { year: { N: number }; doses: unknown[] }[];
      property: { N: number };
    };
    expect(ledger.property.N).toBeCloseTo(3.36, 9);
    expect(ledger.zones[0]?.year.N).toBeCloseTo(3.36 / (zone!.areaSqFt / 1000), 9);
    expect(ledger.zones[0]?.doses).toHaveLength(2);
    const table = ubertas(['ledger', casePath, '--year', '2027', '--csv']).out.trim().split('\n');
    expect(table).toHaveLength(3);
    expect(table[0]).toContain('lb N per 1000 sq ft');
    const calendar = ubertas(['ledger', casePath, '--year', '2027', '--calendar']).out;
    expect(calendar.split('BEGIN:VEVENT')).toHaveLength(3);
    // every other command knows it was given
    expect(ubertas(['prescribe', casePath, '--on', '2027-06-01']).code).toBe(0);
    // the rest of a kept plan, with what went down
    const plans = [{ id: 'plan-2027', year: 2027, keptOn: '2027-02-01', doses: [planned] }];
    writeFileSync(casePath, JSON.stringify({ ...merged.case, plans }));
    const replanned = json(ubertas(['replan', casePath, '--date', '2027-07-01', '--offer', 'leave']).out);
    expect(replanned).toMatchObject({
      format: 'ubertas-replan',
      facts: [{ standing: 'extra' }, { standing: 'extra' }],
      offers: [{ id: 'leave', lines: [{ word: 'kept', new: { date: planned.date } }] }],
    });
    const pack = json(ubertas(['pack', casePath, '--from', '2027-09-01', '--without-names']).out);
    expect(pack).toMatchObject({ format: 'ubertas-field', jobs: [{ date: planned.date }] });
    expect(JSON.stringify(pack)).not.toContain(file.property.name);
    expect(ubertas(['pack', casePath, '--from', 'soon']).code).toBe(2);
    expect(json(ubertas(['replan', casePath, '--date', '2026-07-01']).out)).toMatchObject({ field: 'plans' });
    expect(json(ubertas(['replan', casePath, '--date', '2027-07-01', '--offer', 'all']).out)).toMatchObject({
      field: 'offer',
    });
    writeFileSync(bad, JSON.stringify(log({ ...version('a', 6), body: { ...version('a', 6).body, spreadLb: 60 } })));
    const refused = ubertas(['merge', casePath, bad]);
    expect(refused.code).toBe(2);
    expect(json(refused.out)).toMatchObject({ field: 'properties[0].versions[0].versionId' });
  });
  it('prints the day of the field by the forecast of a file, and refuses what is no day, no hour and no forecast', () => {
    const given = JSON.parse(readFileSync('demo/okonedo-residence.json', 'utf8')) as object;
    const written = (name: string, value: unknown) => {
      const path = join(folder, name);
      writeFileSync(path, JSON.stringify(value));
      return path;
    };
    const dose = { zoneId: 'front-lawn', date: '2027-05-03', productId: 'coated-urea-42', for: 'N', rateLb: 1.6 };
    const path = written('saved.json', {
      ...given,
      plans: [{ id: 'p', year: 2027, keptOn: '2027-03-01', doses: [dose] }],
    });
    const asked = { station: STATIONS[0]!.id, forecast: '2027-05-03T06', hours: 240 };
    const weather = written('forecast.json', hourlyWeather(asked));
    const { code, out } = ubertas(['field', path, '--date', '2027-05-03', '--forecast', weather]);
    expect(code).toBe(0);
    expect(json(out)).toMatchObject({
      format: 'ubertas-field-day',
      version: 1,
      date: '2027-05-03',
      jobs: [{ key: 'front-lawn/2027-05-03/coated-urea-42', state: 'due', hours: { length: 240 } }],
    });
    expect(json(ubertas(['field', path, '--date', '2027-05-03']).out)).toMatchObject({
      jobs: [{ go: { verdict: 'ask' }, hours: [], windows: [] }],
    });
    for (const [more, field] of [
      [['--date', '3 May'], 'date'],
      [['--date', '2027-05-03', '--as-of', '6 am'], 'as-of'],
      [['--date', '2027-05-03', '--days', 'many'], 'days'],
      [['--date', '2027-05-03', '--zone', 'gone'], 'zone'],
      [['--date', '2027-05-03', '--forecast', path], 'format'],
    ] as const) {
      const { code: refused, out: says } = ubertas(['field', path, ...more]);
      expect([refused, json(says).field]).toEqual([2, field]);
    }
  });

  it('compares two packs row by row, and refuses two kinds', () => {
    const ours = join(folder, 'ours.json');
    const head = { pack: 'ours', version: '2', source: { cite: 'Invented', standing: 'common practice' } };
    const rule = (id: string, mesh20to60: number) => ({
      id,
      name: id,
      over8Mesh: 0,
      mesh8to20: 20,
      mesh20to60,
      under60Mesh: 100,
    });
    writeFileSync(
      ours,
      JSON.stringify({ kind: 'lime-fineness', ...head, rules: [rule('usual', 55), rule('fine', 70)] }),
    );
    const found = json(ubertas(['pack', 'diff', ours, 'core/packs/lime-fineness.json']).out) as never as {
      rows: { row: string; change: string; fields: object[] }[];
      same: number;
    };
    expect(found.rows.map(({ row, change }) => [row, change])).toEqual([
      ['usual', 'changed'],
      ['fine', 'added'],
      ['two-class', 'removed'],
    ]);
    expect(found.rows[0]?.fields).toContainEqual({ field: 'mesh20to60', from: 60, to: 55 });
    expect(ubertas(['pack', 'diff', ours, 'core/packs/grasses.json']).code).not.toBe(0);
  });

  it('takes a user’s own pack and names it in every finding it decides', () => {
    const pack = join(folder, 'pack.json');
    writeFileSync(
      pack,
      JSON.stringify({
        kind: 'sufficiency',
        pack: 'county-table',
        version: '3',
        source: { cite: 'Invented county table', standing: 'common practice' },
        ranges: [{ analyte: 'K', method: 'mehlich-3', low: 10, enough: 20, high: 40 }],
      }),
    );
    const read = json(ubertas(['interpret', 'demo/quarry-lane-school.json', '--pack', pack]).out) as never as {
      zones: { findings: { analyte: string; level: string; source: string }[] }[];
    };
    expect(read.zones[0]!.findings.find((f) => f.analyte === 'K')).toMatchObject({
      level: 'high',
      source: 'county-table 3',
    });
    expect(read.zones[0]!.findings.find((f) => f.analyte === 'P')).toMatchObject({
      source: 'ubertas-sufficiency 1.1.0',
    });
  });
});

const QUICK = ['okonedo', 'thornbury'];

async function batch(csv: string, options: BatchOptions = { grass: 'tall-fescue', texture: 'silt-loam' }) {
  const lines: string[] = [];
  const complaints: { line: number; refused: string; field: string }[] = [];
  const out = new Writable({
    write(chunk: Buffer, _encoding, done) {
      lines.push(...chunk.toString().split('\n').filter(Boolean));
      done();
    },
  });
  const count = await runBatch(
    Readable.from([csv]),
    out,
    (line) => complaints.push(JSON.parse(line) as never),
    options,
  );
  return { results: lines.map((l) => JSON.parse(l) as Record<string, never>), complaints, count };
}

describe('batch', () => {
  it('gives a line a sample and the same numbers as a case of that sample', async () => {
    const { results } = await batch(
      'sample,pH,buffer-pH (Mehlich),"P (ppm, Mehlich-3)","K (ppm, Mehlich-3)",OM\nA1,5.6,6.32,71,44,3.1\n',
    );
    expect(results).toEqual([
      expect.objectContaining({
        sample: 'A1',
        line: 2,
        levels: { P: 'high', K: 'low' },
        packs: ['ubertas-sufficiency 1.1.0'],
      }),
    ]);
    expect(results[0]).toMatchObject({
      ph: { action: 'lime', method: 'lime.mehlich', doses: 1 },
      phosphorus: { yearLbP2O5: 0 },
      nitrogen: { yearLb: 1.975 },
    });
  });

  it('skips bad rows by line number, never fails, and goes on', async () => {
    const { results, complaints, count } = await batch(
      'sample,grass,pH,K (ppm)\na,tall-fescue,6.1,80\nb,clover,6.1,80\nc,tall-fescue,six,80\nd,tall-fescue,15,80\ne,tall-fescue,6.2,-3\nf,tall-fescue,,\ng,bermudagrass,6.4,90\n',
      { texture: 'loam', method: 'mehlich-3' },
    );
    expect(results.map((r) => r.sample)).toEqual(['a', 'g']);
    expect(complaints.map((c) => [c.line, c.field])).toEqual([
      [3, 'grass'],
      [4, 'pH'],
      [5, 'pH'],
      [6, 'K'],
      [7, 'results'],
    ]);
    expect(count).toEqual({ samples: 2, refused: 5 });
  });

  it('reads headers as laboratories write them, < values, a byte order mark and quoted cells', async () => {
    const { results, complaints } = await batch(
      '\uFEFFLab No;Soil pH;Buffer pH (SMP);Phosphorus_lb/acre Mehlich 3;Potassium [lb/acre] (M3);Zn DTPA ppm\n"x;1";5.4;6.6;160;<90;0.4\n'
        .replaceAll(';', ',')
        .replace('"x,1"', '"x,1"'),
    );
    expect(complaints).toEqual([]);
    expect(results[0]).toMatchObject({
      sample: 'x,1',
      ph: { method: 'lime.smp' },
      levels: { P: 'high', K: 'low', Zn: 'low' },
    });
  });

  it('reads what the page reads: a preamble, centimeters, days, decimal commas (one reader for both doors)', async () => {
    const { results, complaints } = await batch(
      [
        'Laboratory of the Two Rivers;;;;',
        'Nutrients by Mehlich 3, results in mg/kg;;;;',
        '',
        'Sample;Date sampled;Depth cm;Soil pH;K',
        'north;28.03.2027;10;5,6;1.050,5',
        'south;29.03.2027;0-15;6,4;80',
        'bad;30.02.2027;10;6,4;80',
      ].join('\n'),
    );
    expect(complaints).toEqual([{ line: 7, field: 'sampledOn', refused: expect.stringContaining('30.02.2027') }]);
    expect(results.map((r) => [r.sample, r.line, (r.ph as unknown as { value: number }).value])).toEqual([
      ['north', 5, 5.6],
      ['south', 6, 6.4],
    ]);
    expect(results[0]).toMatchObject({ levels: { K: 'high' } });
    // without its depth a report carries a doubt; these have theirs
    expect(JSON.stringify(results)).not.toContain('states no sampling depth');
  });

  it('reads a table with one result a row', async () => {
    const { results } = await batch(
      'Sample,Analyte,Result,Units,Method\na,pH,5.8,,\na,Potassium,44,ppm,Mehlich 3\nb,pH,6.6,,\nb,Potassium,90,ppm,Mehlich 3\n',
    );
    expect(results.map((r) => [r.sample, r.levels])).toEqual([
      ['a', { K: 'low' }],
      ['b', { K: 'enough' }],
    ]);
  });

  it('takes no buffer for granted: texture answers until the buffer is named (judgement A9)', async () => {
    const csv = 'sample,pH,buffer pH\na,5.5,6.4\n';
    const unnamed = (await batch(csv)).results[0];
    expect(unnamed).toMatchObject({ ph: { method: 'lime.texture' } });
    expect(JSON.stringify(unnamed?.doubts)).toContain('which buffer');
    const named = await batch(csv, { grass: 'tall-fescue', texture: 'silt-loam', bufferMethod: 'mehlich' });
    expect(named.results[0]).toMatchObject({ ph: { method: 'lime.mehlich' } });
  });

  it('refuses a table without a soil analyte, and a nutrient without a unit', async () => {
    await expect(batch('colour,shape\n1,2\n')).rejects.toMatchObject({ refusal: { field: 'header' } });
    expect((await batch('pH,K\n6,80\n')).complaints[0]).toMatchObject({
      line: 2,
      field: 'K',
      refused: expect.stringContaining('no unit'),
    });
  });
});

describe('read', () => {
  const file = (name: string, text: string) => {
    const path = join(folder, name);
    writeFileSync(path, text);
    return path;
  };
  it('prints samples, values with their places, advice, what was not taken and what is doubted', () => {
    const { code, out } = ubertas([
      'read',
      file('a.csv', 'Sample,pH,K (ppm; Mehlich-3),Lime lb/1000,F. I.\nFront,57,62 L,40,3\n'),
      '--on',
      '2027-03-01',
    ]);
    expect(code).toBe(0);
    expect(json(out)).toMatchObject({
      format: 'ubertas-reports',
      version: 1,
      file: 'a.csv',
      samples: [
        {
          label: 'Front',
          results: [
            {
              analyte: 'K',
              value: 62,
              unit: 'ppm',
              method: 'mehlich-3',
              rating: 'L',
              from: { place: 'line 2, column 3', text: '62 L' },
            },
          ],
          recommendations: [{ of: 'limeLb', lbPer1000: 40 }],
        },
      ],
      rejected: [{ line: 2, text: '57', because: expect.stringContaining('pH 57') }],
      notUnderstood: [{ text: 'F. I.' }],
      doubts: expect.arrayContaining([expect.stringContaining('Likeliest: 5.7')]),
    });
  });
  it('takes a layout, and refuses one that is none', () => {
    const report = file('b.csv', 'Sample,pH,Kx\nFront,6.1,62\n');
    const layout = file(
      'l.json',
      JSON.stringify({
        format: 'ubertas-report-layout',
        version: 1,
        terms: [{ label: 'kx', as: 'analyte:K', unit: 'lb/acre' }],
      }),
    );
    expect(json(ubertas(['read', report, '--layout', layout]).out)).toMatchObject({
      samples: [{ results: [{}, { analyte: 'K', unit: 'lb/acre' }] }],
    });
    expect(ubertas(['read', report, '--layout', report])).toMatchObject({ code: 2 });
    expect(ubertas(['read', file('c.txt', '')])).toMatchObject({ code: 2 });
  });
});
