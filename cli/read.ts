import { readFileSync } from 'node:fs';
import { basename } from 'node:path';
import { decodeText } from '../core/files/decode-text';
import { refuseSize } from '../core/files/largest-file';
import { isRefusal, type Refusal } from '../core/reckoning/refusal';
import type { ReportDocument } from '../core/reports/document';
import { documentOfPdf, type PdfReader } from '../core/reports/doors/pdf-door';
import { documentOfText } from '../core/reports/doors/text-door';
import { documentOfWorkbook } from '../core/reports/doors/workbook-door';
import { kindOfBytes } from '../core/reports/doors/kind-of-bytes';
import { type PrintedReading, printReading } from '../core/reports/print-reading';
import type { ReaderAnswers } from '../core/reports/reading';
import { readReport } from '../core/reports/read-report';

/** A report's document from its bytes, by the door that its first bytes show, whatever its name says. */
export async function documentOf(name: string, bytes: Uint8Array): Promise<ReportDocument | Refusal> {
  const kind = kindOfBytes(bytes);
  if (kind === 'workbook') return documentOfWorkbook(bytes);
  if (kind === 'pdf') {
    // loaded here, because no other command waits for it
    const pdf = (await import('pdfjs-dist/legacy/build/pdf.mjs')) as unknown as PdfReader;
    return documentOfPdf(pdf, bytes);
  }
  return documentOfText(decodeText(bytes).text, name);
}

/** What a laboratory's file holds, as `ubertas read` prints it. No sample was taken after the day `on`, which tells days from months. */
export async function readReportFile(
  path: string,
  answers: ReaderAnswers,
  on: string,
): Promise<PrintedReading | Refusal> {
  const bytes = new Uint8Array(readFileSync(path === '-' ? 0 : path));
  const size = refuseSize(path, bytes.byteLength, 'table');
  if (size) return size;
  const document = await documentOf(path, bytes);
  if (isRefusal(document)) return document;
  return printReading(basename(path), document, readReport(document, answers, on));
}
