import { base64 } from '@scure/base';
import { parseJson } from '@core/files/case-file';
import { checkLogFile, LOG_FORMAT, type LogFile, logOf } from '@core/files/log-file';
import { newId } from '@core/records/new-id';
import type { Case, RecordVersion } from '@core/records/case';
import { decodeText } from '@core/files/decode-text';
import { refuseSize } from '@core/files/largest-file';
import { type LogTable, readLogTable, type TableAnswers } from '@core/files/log-table';
import { isRefusal, type Refusal } from '@core/reckoning/refusal';
import { readNote, writeNote } from '../../storage/notes';
import { keepPhoto, readPhoto } from '../../storage/photos';
import { saveTextFile } from '../../ui/save-text-file';
import { orFault, type StorageRefused } from '../../work/or-fault';

/** Photos of one file together, bytes; what is over it stays in this browser. */
const MOST_PHOTO_BYTES = 20_000_000;

/** Hands the whole log of a property to the person as a file, with as many of its photos as go into one. */
export async function exportLog(file: Case & { fileId?: string }, madeAt: string): Promise<void> {
  const versions = file.records ?? [];
  const photos: NonNullable<LogFile['photos']> = [];
  let bytes = 0;
  for (const hash of new Set(versions.flatMap(({ body }) => body.photos ?? []))) {
    const jpeg = await readPhoto(hash);
    if (!jpeg || (bytes += jpeg.size) > MOST_PHOTO_BYTES) continue;
    photos.push({ hash, type: 'image/jpeg', base64: base64.encode(new Uint8Array(await jpeg.arrayBuffer())) });
  }
  const log: LogFile = {
    format: LOG_FORMAT,
    version: 1,
    madeAt,
    part: 1,
    parts: 1,
    properties: [{ id: file.fileId ?? file.property.id, name: file.property.name, versions: [...versions] }],
    ...(photos.length > 0 ? { photos } : {}),
  };
  saveTextFile(`${newId(file.property.name, [])}.ubertas-log.json`, JSON.stringify(log), 'application/json');
}

/** A table of another program, with what was said of its layout when it came before. */
export interface GivenTable {
  name: string;
  table: LogTable;
  answers: TableAnswers;
}

const layoutNote = (fingerprint: string): string => `log-layout/${fingerprint}`;

/** Keeps what was said of a table's columns, days and products, for the next one that is laid out like it; zones are a property's own. */
export async function rememberLayout(
  { fingerprint }: LogTable,
  { columns, order, products }: TableAnswers,
): Promise<void> {
  await writeNote(layoutNote(fingerprint), JSON.stringify({ columns, order, products }));
}

async function rememberedLayout({ fingerprint }: LogTable): Promise<TableAnswers> {
  try {
    return JSON.parse((await readNote(layoutNote(fingerprint))) ?? '{}') as TableAnswers;
  } catch {
    // a note that is no JSON any more is none
    return {};
  }
}

/** What a file holds of the property's log, a table that is to be looked at first, or the sentence why nothing of it is taken. */
export async function readLog(
  given: File,
  fileId: string,
): Promise<{ versions: RecordVersion[]; photos: NonNullable<LogFile['photos']> } | GivenTable | Refusal> {
  const tooLarge = refuseSize(given.name, given.size, 'table');
  if (tooLarge) return tooLarge;
  const { text } = decodeText(new Uint8Array(await given.arrayBuffer()));
  if (!/^\s*[[{]/.test(text)) {
    const table = readLogTable(text);
    return isRefusal(table) ? table : { name: given.name, table, answers: await rememberedLayout(table) };
  }
  const parsed = parseJson(text, given.name);
  if (isRefusal(parsed)) return parsed;
  const log = checkLogFile(parsed.json);
  if (isRefusal(log)) return log;
  const versions = logOf(log, fileId);
  return isRefusal(versions) ? versions : { versions, photos: log.photos ?? [] };
}

/** Keeps the photos that a log brings; only what is named by its bytes, and is a JPEG, is a photo. Gives what the browser said against it. */
export async function keepPhotos(photos: NonNullable<LogFile['photos']>): Promise<StorageRefused | undefined> {
  const kept = await orFault(async () => {
    for (const { type, base64: text } of photos) {
      if (type !== 'image/jpeg') continue;
      const bytes = decoded(text);
      // FF D8: whatever else it is called, anything else is no picture of ours
      if (bytes?.[0] === 0xff && bytes[1] === 0xd8) await keepPhoto(new Blob([bytes.slice()], { type: 'image/jpeg' }));
    }
    return undefined;
  });
  return kept;
}

function decoded(text: string): Uint8Array | undefined {
  try {
    return base64.decode(text);
  } catch {
    return undefined;
  }
}
