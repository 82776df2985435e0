import Papa from 'papaparse';
import type { Readable, Writable } from 'node:stream';
import { type SoilTest, type Zone } from '../core/records/case';
import { shortCells } from '../core/files/short-cells';
import { noAnalytes } from '../core/reports/no-analytes';
import { PartsReader } from '../core/reports/in-parts';
import type { ReaderAnswers, ReportSample } from '../core/reports/reading';
import { soilTestOf } from '../core/reports/soil-test-of';
import { GRASS_IDS, METHODS, TEXTURE_CLASSES, UNITS } from '../core/records/vocabularies';
import type { RulePacks } from '../core/packs/rule-packs';
import { STARTER_SHELF } from '../core/packs/starter-shelf';
import { prescribeZone } from '../core/prescription/prescribe';
import { isRefusal, type Refusal, refuse } from '../core/reckoning/refusal';

/** What the table itself does not say; the words of the case file. */
export interface BatchOptions {
  unit?: string;
  method?: string;
  bufferMethod?: string;
  grass?: string;
  texture?: string;
  packs?: RulePacks;
  /** Day of planning, against which the age of a sample is judged. */
  judgedOn?: string;
}
export interface BatchCount {
  samples: number;
  refused: number;
}

/** Result lines gathered before they are written, times two for the line ends. */
const LINES_AT_ONCE = 256;

function checkWord<W extends string>(value: string | undefined, known: readonly W[], field: string): W | Refusal {
  if (value === undefined) return refuse(field, `No ${field}: give a column "${field}" or --${field}.`);
  return known.includes(value as W)
    ? (value as W)
    : refuse(field, `"${value}" is not a known ${field}: use one of ${known.join(', ')}.`);
}

/** Interprets and prescribes one sample, if all of it could be read. */
function reckonSample(read: ReportSample, options: BatchOptions): object | Refusal {
  const { line, ground, faults, values } = read;
  const [fault] = faults ?? [];
  if (fault) return refuse(fault.field, fault.because);
  const impossible = values.find((value) => value.impossible !== undefined);
  if (impossible) return refuse(impossible.analyte, impossible.impossible as string);
  const grass = checkWord(ground.grass ?? options.grass, GRASS_IDS, 'grass');
  if (isRefusal(grass)) return grass;
  const texture = checkWord(ground.texture ?? options.texture, TEXTURE_CLASSES, 'texture');
  if (isRefusal(texture)) return texture;
  const sample = read.label || String(line);
  const zone: Zone = { id: sample, name: sample, areaSqFt: 1000, grass, texture };
  if (ground.carbonates === 'none' || ground.carbonates === 'slight' || ground.carbonates === 'strong')
    zone.carbonates = ground.carbonates;
  const test: SoilTest = soilTestOf(read, sample, sample, read.sampledOn ?? '');
  const { prescription, read: reading } = prescribeZone({
    zone,
    tests: [test],
    products: STARTER_SHELF,
    codes: [],
    packs: options.packs,
    asOf: options.judgedOn,
  });
  const { ph, nitrogen, phosphorus, potassium, magnesium, sulfur, refusals } = prescription;
  const levels: Record<string, string> = {};
  const packs = new Set<string>();
  for (const finding of reading?.findings ?? []) {
    levels[finding.analyte] = finding.level;
    packs.add(finding.source);
  }
  return {
    sample,
    line,
    ph: {
      value: reading?.ph?.ph,
      place: reading?.ph?.place,
      action: ph.action,
      method: ph.method,
      requirementLb: ph.requirement?.value ?? 0,
      materialLb: ph.material?.value ?? 0,
      doses: ph.doses.length,
    },
    nitrogen: { yearLb: nitrogen.year.value },
    phosphorus: { yearLbP2O5: phosphorus.yearLb },
    potassium: { yearLbK2O: potassium.yearLb },
    magnesium: { yearLb: magnesium.yearLb },
    sulfur: { yearLb: sulfur.yearLb },
    levels,
    packs: [...packs],
    ...(reading && reading.doubts.length > 0 ? { doubts: reading.doubts } : {}),
    ...(refusals.length > 0 ? { refusals: refusals.map((r) => r.refused) } : {}),
  };
}

/** Where the layout cannot be guessed, the stream ends with this. */
const refusedLayout = (refusal: Refusal) => Object.assign(new Error(refusal.refused), { refusal });

/** What a person said of the table, in the words of the reader; a word that is none of its own is refused. */
function answersOf({ unit, method, bufferMethod }: BatchOptions): ReaderAnswers | Refusal {
  for (const [field, value, known] of [
    ['unit', unit, UNITS],
    ['method', method, METHODS],
    ['buffer', bufferMethod, METHODS],
  ] as const)
    if (value !== undefined && !(known as readonly string[]).includes(value))
      return refuse(field, `"${value}" is not a known ${field}: use one of ${known.join(', ')}.`);
  return {
    ...(unit ? { unit: unit as ReaderAnswers['unit'] & string } : {}),
    ...(method ? { method: method as ReaderAnswers['method'] & string } : {}),
    ...(bufferMethod ? { bufferMethod: bufferMethod as ReaderAnswers['method'] & string } : {}),
  };
}

/**
 * Streams a table of samples, read by the same reader as the page's import: whatever layout, units, decimals and days it can
 * tell. One NDJSON line a sample to `out`; a bad row is reported to `complain` with its line number and skipped. Memory does
 * not grow with the file where a sample is a row: the reader waits whenever the writer is behind.
 */
export function runBatch(
  source: Readable,
  out: Writable,
  complain: (line: string) => void,
  options: BatchOptions,
): Promise<BatchCount> {
  return new Promise((resolve, reject) => {
    const answers = answersOf(options);
    if (isRefusal(answers)) return reject(refusedLayout(answers));
    const reader = new PartsReader(answers, options.judgedOn);
    let line = 0;
    let pending: string[] = [];
    const count: BatchCount = { samples: 0, refused: 0 };
    const parser = Papa.parse(Papa.NODE_STREAM_INPUT, {});
    const flush = (): boolean => {
      const chunk = pending.join('');
      pending = [];
      return chunk === '' || out.write(chunk);
    };
    const refused = (at: number, why: string, field?: string): void => {
      count.refused++;
      complain(JSON.stringify({ line: at, refused: why, ...(field ? { field } : {}) }));
    };
    /** What was read, in the order of the file: each sample reckoned, each line that is none reported. */
    const answer = (): void => {
      const { samples, rejected } = reader.drain();
      const lines: { line: number; say: () => void }[] = samples.map((sample) => ({
        line: sample.line,
        say: () => {
          const result = reckonSample(sample, options);
          if (isRefusal(result)) return refused(sample.line, result.refused, result.field);
          count.samples++;
          pending.push(JSON.stringify(result), '\n');
        },
      }));
      // a fault of a sample is told with it
      const told = new Set(samples.map((sample) => sample.line));
      for (const { line: at, because, field } of rejected) {
        if (told.has(at) && field !== 'analyte') continue;
        told.add(at);
        lines.push({ line: at, say: () => refused(at, because, field) });
      }
      for (const { say } of lines.sort((a, b) => a.line - b.line)) say();
    };
    parser.on('data', (cells: string[]) => {
      line++;
      reader.take(shortCells(line === 1 ? [(cells[0] ?? '').replace(/^\uFEFF/, ''), ...cells.slice(1)] : cells), line);
      answer();
      if (pending.length > LINES_AT_ONCE && !flush()) {
        parser.pause();
        out.once('drain', () => parser.resume());
      }
    });
    parser.on('end', () => {
      reader.finish();
      if (!reader.reading || reader.reading.terms.length === 0) return reject(refusedLayout(noAnalytes));
      answer();
      flush();
      resolve(count);
    });
    parser.on('error', reject);
    source.on('error', reject);
    source.pipe(parser);
  });
}
