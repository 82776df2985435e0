import Papa from 'papaparse';
import type { Readable, Writable } from 'node:stream';
import { type SoilTest, type Zone } from '../core/records/case';
import {
  GUESS_ROWS,
  guessReading,
  type ReadSample,
  type RejectedLine,
  TableReader,
  type TableReading,
} from '../core/files/report-table';
import { GRASS_IDS } from '../core/records/vocabularies';
import { TEXTURE_CLASSES } from '../core/records/vocabularies';
import type { RulePacks } from '../core/packs/rule-packs';
import { STARTER_SHELF } from '../core/packs/starter-shelf';
import { prescribeZone } from '../core/prescription/prescribe';
import { isRefusal, type Refusal, refuse } from '../core/reckoning/refusal';

/** What the table itself does not say; the words of the case file. */
export interface BatchOptions extends Partial<Pick<TableReading, 'unit' | 'method' | 'bufferMethod'>> {
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

/** Interprets and prescribes one sample. */
function reckonSample(read: ReadSample, options: BatchOptions): object | Refusal {
  const { line, results, ground = {} } = read;
  const grass = checkWord(ground.grass ?? options.grass, GRASS_IDS, 'grass');
  if (isRefusal(grass)) return grass;
  const texture = checkWord(ground.texture ?? options.texture, TEXTURE_CLASSES, 'texture');
  if (isRefusal(texture)) return texture;
  const sample = read.sample || String(line);
  const zone: Zone = { id: sample, name: sample, areaSqFt: 1000, grass, texture };
  if (ground.carbonates === 'none' || ground.carbonates === 'slight' || ground.carbonates === 'strong')
    zone.carbonates = ground.carbonates;
  const test: SoilTest = {
    id: sample,
    zoneId: sample,
    sampledOn: read.sampledOn ?? '',
    depthIn: read.depthIn,
    basisDepthIn: read.basisDepthIn,
    scoopGPerCm3: read.scoopGPerCm3,
    labAdvice: read.labAdvice,
    results,
  };
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
    let reader: TableReader | undefined;
    let line = 0;
    let top: string[][] = [];
    let pending: string[] = [];
    const count: BatchCount = { samples: 0, refused: 0 };
    const parser = Papa.parse(Papa.NODE_STREAM_INPUT, {});
    const flush = (): boolean => {
      const chunk = pending.join('');
      pending = [];
      return chunk === '' || out.write(chunk);
    };
    const refused = ({ line: at, why }: RejectedLine, field?: string): void => {
      count.refused++;
      complain(JSON.stringify({ line: at, refused: why, ...(field ? { field } : {}) }));
    };
    const answer = (from: TableReader): void => {
      const { samples, rejected } = from.drain();
      for (const each of rejected) refused(each, each.field);
      for (const sample of samples) {
        const result = reckonSample(sample, options);
        if (isRefusal(result)) refused({ line: sample.line, cells: [], why: result.refused }, result.field);
        else {
          count.samples++;
          pending.push(JSON.stringify(result), '\n');
        }
      }
    };
    /** Guesses the layout from the top of the file and reads what has come so far. */
    const begin = (): boolean => {
      const guess = guessReading(top);
      if (isRefusal(guess)) {
        source.destroy();
        parser.destroy();
        reject(refusedLayout(guess));
        return false;
      }
      const { unit, method, bufferMethod } = options;
      const reading: TableReading = {
        ...guess,
        ...(unit ? { unit } : {}),
        ...(method ? { method } : {}),
        ...(bufferMethod ? { bufferMethod } : {}),
      };
      reader = new TableReader(reading);
      for (const [row, cells] of top.entries()) {
        if (row <= reading.headerRow) continue;
        reader.take(cells, row + 1);
        // row by row, so that faults come in the order of the file
        answer(reader);
      }
      top = [];
      return true;
    };
    parser.on('data', (cells: string[]) => {
      line++;
      if (!reader) {
        top.push(line === 1 ? [(cells[0] ?? '').replace(/^\uFEFF/, ''), ...cells.slice(1)] : cells);
        if (top.length === GUESS_ROWS) begin();
        return;
      }
      reader.take(cells, line);
      answer(reader);
      if (pending.length > LINES_AT_ONCE && !flush()) {
        parser.pause();
        out.once('drain', () => parser.resume());
      }
    });
    parser.on('end', () => {
      if (!reader && !begin()) return;
      reader?.finish();
      if (reader) answer(reader);
      flush();
      resolve(count);
    });
    parser.on('error', reject);
    source.on('error', reject);
    source.pipe(parser);
  });
}
