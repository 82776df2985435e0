import { isRefusal } from '../reckoning/refusal';
import type { ReportDocument } from './document';
import { documentOfText } from './doors/text-door';

/** A text of a test as a document; one that is refused fails the test with its sentence. */
export function textAsDocument(text: string, name?: string): ReportDocument {
  const opened = documentOfText(text, name);
  if (isRefusal(opened)) throw new Error(opened.refused);
  return opened;
}
