import { expose } from 'comlink';
import { readClimateCsv } from '@core/files/climate-csv';
import { type GroundKind, perimetersIn } from '@core/files/ground-files';
import { readPack } from '@core/files/pack-file';
import { readShelfCsv, type ShelfTable } from '@core/files/shelf-csv';
import { readShelf } from '@core/files/shelf-file';
import type { Site } from '@core/records/case';
import { isRefusal, type Refusal, refuse } from '@core/reckoning/refusal';
import { readFileText } from './read-file-text';

/** A file that makes a reader fail in a way nobody thought of is refused like any other. */
async function guarded<T>(file: File, read: () => Promise<T | Refusal>): Promise<T | Refusal> {
  try {
    return await read();
  } catch {
    return refuse('', `${file.name} could not be read: it is broken or of another kind. Nothing was changed.`);
  }
}

/** Reads the small kinds of files off the page's thread: they may be hostile, and the page must not wait for them. */
const reading = {
  here: (): true => true,

  ground: (file: File, kind: GroundKind, site?: Site) =>
    guarded(file, async () => {
      const source = await readFileText(file, 'ground');
      return isRefusal(source) ? source : perimetersIn(source, kind, site);
    }),

  shelf: (file: File) =>
    guarded<ShelfTable>(file, async () => {
      const source = await readFileText(file, 'shelf');
      if (isRefusal(source)) return source;
      const json = /\.json$/i.test(file.name) || /^\s*[[{]/.test(source.slice(0, 50));
      const read = json ? readShelf(source) : readShelfCsv(source);
      return Array.isArray(read) ? { products: read, rejected: [], ignored: [] } : read;
    }),

  pack: (file: File) =>
    guarded(file, async () => {
      const source = await readFileText(file, 'pack');
      return isRefusal(source) ? source : readPack(source);
    }),

  climate: (file: File) =>
    guarded(file, async () => {
      const source = await readFileText(file, 'climate');
      return isRefusal(source) ? source : { source, read: readClimateCsv(source) };
    }),
};

export type FileReading = typeof reading;
expose(reading);
