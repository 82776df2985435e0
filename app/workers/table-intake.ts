import { expose } from 'comlink';
import Papa from 'papaparse';
import { decodeText, type Encoding } from '@core/files/decode-text';
import { type CodeTarget, SampleMatcher, type ZoneTarget } from '@core/files/match-sample';
import { fingerprint, guessReading, type RejectedLine, TableReader, type TableReading } from '@core/files/report-table';
import { shortCells } from '@core/files/short-cells';
import { printCsv } from '@core/files/print-csv';
import { isRefusal, type Refusal } from '@core/reckoning/refusal';
import { type MatchedSample, reportsOf, storeReports } from '../storage/report-intake';
import { storageFault } from '../storage/storage-fault';

/** Rows that the mapping screen is shown. */
const SHOWN_ROWS = 60;
/** Lines of a result that the page is shown; all of them stay here. */
const SHOWN_LINES = 200;
/** Characters parsed between two reports of progress. */
const CHUNK = 1 << 20;

export interface Opened {
  encoding: Encoding;
  rows: string[][];
  guess: TableReading | Refusal;
  print: string;
}
export interface ReadSummary {
  samples: number;
  fresh: number;
  known: number;
  properties: number;
  shown: { line: number; sample: string; sampledOn: string; propertyId: string; zoneId: string; results: number }[];
  unmatched: { sample: string; count: number; why: string }[];
  rejectedCount: number;
  rejected: RejectedLine[];
}
export interface Intake {
  codes: CodeTarget[];
  zones: ZoneTarget[];
  propertyId?: string;
  assigned: Record<string, { propertyId: string; zoneId: string } | 'leave-out'>;
}

let text = '';
let header: string[] = [];
let fresh: Awaited<ReturnType<typeof reportsOf>>['fresh'] = [];
let rejected: RejectedLine[] = [];

/** The import of a table, off the page's thread: the file stays here until it is stored or the worker is ended. */
const intake = {
  here: (): true => true,

  /** Takes a file in and guesses how it is to be read. */
  async open(file: File): Promise<Opened> {
    const decoded = decodeText(new Uint8Array(await file.arrayBuffer()));
    text = decoded.text;
    const rows = Papa.parse<string[]>(text, { preview: SHOWN_ROWS }).data.map(shortCells);
    const guess = guessReading(rows);
    return {
      encoding: decoded.encoding,
      rows,
      guess,
      print: isRefusal(guess) ? '' : fingerprint(rows[guess.headerRow] ?? []),
    };
  },

  /** Reads every row and finds its zone; nothing is stored. */
  async read(reading: TableReading, where: Intake, onProgress: (share: number) => void): Promise<ReadSummary> {
    const reader = new TableReader(reading);
    let row = 0;
    Papa.parse<string[]>(text, {
      chunkSize: CHUNK,
      chunk: ({ data, meta }: Papa.ParseResult<string[]>) => {
        for (const whole of data) {
          const cells = shortCells(whole);
          if (row === reading.headerRow) header = cells;
          else if (row > reading.headerRow) reader.take(cells, row + 1);
          row++;
        }
        onProgress(text.length === 0 ? 1 : Math.min(1, meta.cursor / text.length));
      },
      // a text is parsed before the next line runs; the type asks for it all the same
      complete: () => {},
    });
    reader.finish();
    const matcher = new SampleMatcher(where.codes, where.zones, where.propertyId, where.assigned);
    const matched: MatchedSample[] = [];
    rejected = [...reader.rejected];
    const unmatched = new Map<string, { sample: string; count: number; why: string }>();
    for (const sample of reader.samples) {
      const match = matcher.match(sample);
      if (typeof match === 'string') {
        const before = unmatched.get(sample.sample);
        if (before) before.count++;
        else unmatched.set(sample.sample, { sample: sample.sample, count: 1, why: match });
        rejected.push({ line: sample.line, cells: [sample.sample], why: match });
        continue;
      }
      const sampledOn = sample.sampledOn ?? match.takenOn;
      if (sampledOn) matched.push({ sample, match, sampledOn });
      else
        rejected.push({
          line: sample.line,
          cells: [sample.sample],
          why: 'no sampling day: type the day that holds for all',
        });
    }
    const sorted = await reportsOf(matched);
    fresh = sorted.fresh;
    for (const { sample, why } of sorted.refused) rejected.push({ line: sample.line, cells: [sample.sample], why });
    for (const { sample } of sorted.known)
      rejected.push({ line: sample.line, cells: [sample.sample], why: 'the same report is here already' });
    rejected.sort((a, b) => a.line - b.line);
    return {
      samples: reader.samples.length,
      fresh: fresh.length,
      known: sorted.known.length,
      properties: new Set(fresh.map((f) => f.match.propertyId)).size,
      shown: fresh.slice(0, SHOWN_LINES).map(({ sample, match, sampledOn }) => ({
        line: sample.line,
        sample: sample.sample,
        sampledOn,
        propertyId: match.propertyId,
        zoneId: match.zoneId,
        results: sample.results.length,
      })),
      unmatched: [...unmatched.values()].slice(0, SHOWN_LINES),
      rejectedCount: rejected.length,
      rejected: rejected.slice(0, SHOWN_LINES),
    };
  },

  /** Every line that was not taken, with its reason, as a table that can be mended and read again. */
  rejectedCsv: (): string =>
    printCsv([['line', 'reason', ...header], ...rejected.map(({ line, cells, why }) => [line, why, ...cells])]),

  /** Stores what was read; a fault of the database comes back as a sentence. */
  async store(
    remembered: { fingerprint: string; reading: TableReading },
    today: string,
    onProgress: (share: number) => void,
  ): Promise<{ stored: number } | { fault: string }> {
    try {
      return await storeReports(fresh, remembered, today, onProgress);
    } catch (fault) {
      return { fault: storageFault(fault) ?? 'The reports could not be stored. Nothing was changed; try again.' };
    }
  },
};

export type TableIntake = typeof intake;
expose(intake);
