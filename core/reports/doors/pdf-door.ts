import { type Refusal, refuse } from '../../reckoning/refusal';
import type { ReportDocument, ReportPage } from '../document';
import { linesOfWords, type Word } from './cells-of-words';

/** What of pdf.js is used: handed in, because a page's worker and the command line load different builds of it. */
export interface PdfReader {
  getDocument(source: {
    data: Uint8Array;
    isEvalSupported: boolean;
    disableFontFace: boolean;
    useSystemFonts: boolean;
    verbosity: number;
    enableXfa: boolean;
    stopAtErrors: boolean;
    standardFontDataUrl?: string;
  }): {
    promise: Promise<PdfFile>;
    destroy(): Promise<void>;
  };
}
interface PdfFile {
  numPages: number;
  getPage(no: number): Promise<PdfPage>;
}
interface PdfPage {
  getViewport(options: { scale: number }): { width: number; height: number; transform: number[] };
  getTextContent(options?: { includeMarkedContent?: boolean }): Promise<{ items: unknown[] }>;
  cleanup(): unknown;
}
interface TextItem {
  str: string;
  transform: number[];
  width: number;
  height: number;
}

const MOST_PAGES = 1_000;
/** Letters of all pages together; a report of 200 pages has less than a million. */
const MOST_LETTERS = 10_000_000;

/** Words of a run of text, each where it stands; letters are taken as equally wide, which only shares a run out among its words. */
export function wordsOfRun(item: TextItem, view: readonly number[]): Word[] {
  const [a, b, c, d, e, f] = view as [number, number, number, number, number, number];
  const [ta, tb, tc, td, tx, ty] = item.transform as [number, number, number, number, number, number];
  const x = a * tx + c * ty + e;
  const y = b * tx + d * ty + f;
  const height = item.height || Math.hypot(tc, td) || 10;
  // text that runs upward is a caption of the margin: kept as one word at its place
  const upward = Math.abs(b * ta + d * tb) > Math.abs(a * ta + c * tb);
  if (upward) return [];
  const each = item.str.length === 0 ? 0 : item.width / item.str.length;
  return [...item.str.matchAll(/\S+/g)].map((match) => ({
    text: match[0],
    x: x + match.index * each,
    y,
    width: match[0].length * each,
    height,
  }));
}

/**
 * Reads the text of a PDF: words with their places, lines and columns rebuilt from them. Scripts in it are never run. A PDF without text is
 * refused with `noText`, so that whoever asked can offer typing.
 */
export async function documentOfPdf(
  pdf: PdfReader,
  bytes: Uint8Array,
  {
    onProgress = () => {},
    standardFontDataUrl,
  }: { onProgress?: (page: number, of: number) => void; standardFontDataUrl?: string } = {},
): Promise<ReportDocument | Refusal> {
  const task = pdf.getDocument({
    data: bytes,
    isEvalSupported: false,
    disableFontFace: true,
    useSystemFonts: false,
    enableXfa: false,
    stopAtErrors: false,
    verbosity: 0,
    ...(standardFontDataUrl ? { standardFontDataUrl } : {}),
  });
  try {
    const file = await task.promise;
    if (file.numPages > MOST_PAGES)
      return refuse('', `The PDF has ${file.numPages} pages; at most ${MOST_PAGES} are read at a time.`);
    if (file.numPages < 1) return BROKEN;
    const pages: ReportPage[] = [];
    let letters = 0;
    for (let no = 1; no <= file.numPages; no++) {
      const page = await file.getPage(no);
      const view = page.getViewport({ scale: 1 });
      const { items } = await page.getTextContent({ includeMarkedContent: false });
      const words = (items as TextItem[]).flatMap((item) => (item.str ? wordsOfRun(item, view.transform) : []));
      letters += words.reduce((sum, { text }) => sum + text.length, 0);
      if (letters > MOST_LETTERS) return refuse('', 'The PDF holds more text than any report: it is not read.');
      pages.push({
        name: `page ${no}`,
        kind: 'paper',
        lines: linesOfWords(words),
        width: view.width,
        height: view.height,
      });
      page.cleanup();
      onProgress(no, file.numPages);
    }
    return letters === 0 ? NO_TEXT : { kind: 'pdf', pages };
  } catch (fault) {
    const name = (fault as { name?: string }).name;
    return name === 'PasswordException'
      ? refuse('', 'The PDF asks for a password: save it without one and choose it again.')
      : BROKEN;
  } finally {
    await task.destroy();
  }
}

const BROKEN: Refusal = refuse(
  '',
  'The PDF is broken: it cannot be read. Ask the laboratory for it again, or for a table.',
);

/** The answer for a PDF that is a picture. */
export const NO_TEXT: Refusal = refuse(
  'text',
  'This PDF holds no text: it is a picture of a report. Type its values beside its page, or ask the laboratory for a table.',
);
