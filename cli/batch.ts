import Papa from 'papaparse';
import type { Readable, Writable } from 'node:stream';
import { type SoilTest, type Zone } from '../core/records/case';
import { readRow, type RowDefaults } from '../core/files/report-row';
import { type Column, readHeader } from '../core/files/report-header';
import { GRASS_IDS } from '../core/records/vocabularies';
import { TEXTURE_CLASSES } from '../core/records/vocabularies';
import type { RulePacks } from '../core/packs/rule-packs';
import { STARTER_SHELF } from '../core/packs/starter-shelf';
import { prescribeZone } from '../core/prescription/prescribe';
import { isRefusal, type Refusal, refuse } from '../core/reckoning/refusal';

export interface BatchOptions extends RowDefaults {
  grass?: string;
  texture?: string;
  packs?: RulePacks;
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

/** Reads, interprets and prescribes one row. */
function reckonRow(
  cells: readonly string[],
  columns: readonly Column[],
  line: number,
  options: BatchOptions,
): object | Refusal {
  const row = readRow(cells, columns, options);
  if (isRefusal(row)) return row;
  const { facts, results } = row;
  const grass = checkWord(facts.grass ?? options.grass, GRASS_IDS, 'grass');
  if (isRefusal(grass)) return grass;
  const texture = checkWord(facts.texture ?? options.texture, TEXTURE_CLASSES, 'texture');
  if (isRefusal(texture)) return texture;
  const depthIn = facts.depthIn === undefined ? undefined : Number(facts.depthIn);
  if (depthIn !== undefined && !(depthIn > 0 && depthIn <= 12))
    return refuse('depthIn', `Depth "${facts.depthIn}" must be above 0 and at most 12 in.`);
  const sample = facts.sample ?? String(line);
  const zone: Zone = { id: sample, name: sample, areaSqFt: 1000, grass, texture };
  if (facts.carbonates === 'none' || facts.carbonates === 'slight' || facts.carbonates === 'strong')
    zone.carbonates = facts.carbonates;
  const test: SoilTest = { id: sample, zoneId: sample, sampledOn: facts.sampledOn ?? '', depthIn, results };
  const { prescription, read } = prescribeZone({
    zone,
    test,
    products: STARTER_SHELF,
    codes: [],
    packs: options.packs,
  });
  const { ph, nitrogen, phosphorus, potassium, magnesium, sulfur, refusals } = prescription;
  const levels: Record<string, string> = {};
  const packs = new Set<string>();
  for (const finding of read?.findings ?? []) {
    levels[finding.analyte] = finding.level;
    packs.add(finding.source);
  }
  return {
    sample,
    line,
    ph: {
      value: read?.ph?.ph,
      place: read?.ph?.place,
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
    ...(read && read.doubts.length > 0 ? { doubts: read.doubts } : {}),
    ...(refusals.length > 0 ? { refusals: refusals.map((r) => r.refused) } : {}),
  };
}

/**
 * Streams a table of samples: one NDJSON line a sample to `out`; a bad row is reported to `complain` with its line number
 * and skipped. Memory does not grow with the file: the reader waits whenever the writer is behind.
 */
export function runBatch(
  source: Readable,
  out: Writable,
  complain: (line: string) => void,
  options: BatchOptions,
): Promise<BatchCount> {
  return new Promise((resolve, reject) => {
    let columns: Column[] | undefined;
    let line = 0;
    let pending: string[] = [];
    const count: BatchCount = { samples: 0, refused: 0 };
    const parser = Papa.parse(Papa.NODE_STREAM_INPUT, { skipEmptyLines: true });
    const flush = (): boolean => {
      const chunk = pending.join('');
      pending = [];
      return chunk === '' || out.write(chunk);
    };
    parser.on('data', (cells: string[]) => {
      line++;
      if (!columns) {
        columns = cells.map((header, i) => readHeader(i === 0 ? header.replace(/^\uFEFF/, '') : header));
        if (!columns.some((c) => c.kind === 'analyte')) {
          source.destroy();
          parser.destroy();
          reject(
            Object.assign(new Error('no analyte'), {
              refusal: refuse(
                'header',
                'The first line names no soil analyte (pH, P, K, ...): is this a table of soil samples with a header?',
              ),
            }),
          );
        }
        return;
      }
      const answer = reckonRow(cells, columns, line, options);
      if (isRefusal(answer)) {
        count.refused++;
        complain(JSON.stringify({ line, refused: answer.refused, field: answer.field }));
        return;
      }
      count.samples++;
      pending.push(JSON.stringify(answer), '\n');
      if (pending.length > LINES_AT_ONCE && !flush()) {
        parser.pause();
        out.once('drain', () => parser.resume());
      }
    });
    parser.on('end', () => {
      flush();
      resolve(count);
    });
    parser.on('error', reject);
    source.on('error', reject);
    source.pipe(parser);
  });
}
