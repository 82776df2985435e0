import { CACO3_PER_CAO } from '../units/atomic-masses';
import { type Cell, type Line } from './document';
import type { Reader } from './reader';
import type { Place, Recommendation, ReportSample } from './reading';
import { adviceUnitIn, isAdviceHeading } from './terms/advice';
import { readLabel } from './terms/label';
import { numberFrom, valueFrom } from './terms/values';

/** Lime that is advised as CaO, in lb of lime of pure CaCO3. */
const asLime = (of: Recommendation['of'], text: string, lbPer1000: number): number =>
  of === 'limeLb' && /\bCaO\b/.test(text) ? lbPer1000 * CACO3_PER_CAO : lbPer1000;

/** A number under or beside a label of advice, kept as the laboratory's. */
export function readAdvice(
  reader: Reader,
  sample: ReportSample,
  term: number,
  cell: Cell,
  line: Line,
  page: number,
  unit?: string,
): void {
  const { meaning } = reader.terms[term]!.label;
  if (meaning.kind !== 'advice') return;
  const text = `${reader.terms[term]!.text} ${cell.text}`.trim();
  const at: Place = { page, line: line.no, from: cell.from };
  const perThousand = meaning.perThousand ?? (unit ? adviceUnitIn(unit) : undefined) ?? adviceUnitIn(cell.text);
  const number = /^[^\d]*([\d.,]+)/.exec(cell.text)?.[1];
  const printed = number === undefined ? NaN : numberFrom(number.replace(/[.,]$/, ''), reader.decimal);
  if (!Number.isFinite(printed)) {
    if (valueFrom(cell.text, reader.decimal)?.instead === undefined)
      sample.recommendations.push({ of: 'words', text, at });
    return;
  }
  if (perThousand === undefined)
    reader.doubts.add(
      `The laboratory’s advice “${text.slice(0, 60)}” names no unit: pounds an acre and pounds per 1000 ft2 differ by forty-four times. It is kept as words.`,
    );
  sample.recommendations.push({
    of: perThousand === undefined ? 'words' : meaning.of,
    ...(perThousand === undefined ? {} : { lbPer1000: asLime(meaning.of, text, printed * perThousand) }),
    printed,
    text,
    at,
  } satisfies Recommendation);
}

const ADVISES = /\b(apply|recommend\w*|spread|use|aplicar|ausbringen|apporter|needs?|required?)\b/i;
const CLAUSE = /(?<=[\p{L})])[.;]\s+|\s{2,}/u;

/** Advice in a clause with its amount, its unit and what is advised. */
function adviceOf(reader: Reader, clause: string, at: Place): Recommendation | undefined {
  const scale = adviceUnitIn(clause);
  const amount = /(\d[\d.,]*)\s*(?:lbs?\b|pounds?|tons?|kg|dt|t\b|g\b)/i.exec(clause)?.[1];
  const substance = readLabel(clause.replace(/(?<![\p{L}\d])[\d.,]+/gu, ' ').slice(0, 88), true).meaning;
  if (scale === undefined || !amount || substance.kind !== 'advice') return undefined;
  const printed = numberFrom(amount.replace(/[.,]$/, ''), reader.decimal);
  return Number.isFinite(printed)
    ? { of: substance.of, lbPer1000: asLime(substance.of, clause, printed * scale), printed, text: clause.trim(), at }
    : undefined;
}

/** Advice that stands in one sentence with results. */
export function readSentence(reader: Reader, page: number, line: Line, sentence: string): void {
  const at: Place = { page, line: line.no, from: line.cells[0]!.from };
  if (!ADVISES.test(sentence)) return;
  reader.samples
    .findLast((s) => s.page <= page)
    ?.recommendations.push(...sentence.split(CLAUSE).flatMap((clause) => adviceOf(reader, clause, at) ?? []));
}

/** A line outside every table: advice in a sentence, a pair of name and number, or words. */
export function readLooseLine(reader: Reader, page: number, line: Line): void {
  const text = line.cells
    .map((cell) => cell.text)
    .join('  ')
    .trim();
  if (text === '') return;
  const at: Place = { page, line: line.no, from: line.cells[0]!.from };
  const advised = ADVISES.test(text);
  const sample = reader.samples.findLast((s) => s.page <= page);
  // one line may advise several: `Phosphorus: 1.5 lb P2O5/1000 sq ft. Potassium: 2 lb K2O/1000 sq ft.`
  const byClause = text.split(CLAUSE).flatMap((clause) => adviceOf(reader, clause, at) ?? []);
  const found = byClause.length > 0 ? byClause : [adviceOf(reader, text, at)].filter((each) => each !== undefined);
  if (advised && sample && found.length > 0) {
    sample.recommendations.push(...found);
    return;
  }
  if (advised && sample && !isAdviceHeading(text)) {
    sample.recommendations.push({ of: 'words', text, at });
    return;
  }
  const [lead] = line.cells;
  const rest = line.cells.slice(1).map((cell) => cell.text);
  const pair = /^(?<name>[^:]{1,60})\s*:\s*(?<rest>\S.*)$/.exec(lead!.text)?.groups;
  const numbers = pair ? [pair.rest!, ...rest] : rest;
  if (
    numbers.length > 0 &&
    numbers.some((each) => valueFrom(each, reader.decimal)?.value !== undefined) &&
    numbers.length === (pair ? line.cells.length : line.cells.length - 1) &&
    line.cells.length < 9
  ) {
    const name = pair ? pair.name! : lead!.text;
    if (!/^\d+([.,]\d+)?$/.test(name)) reader.unknown(name, readLabel(name), numbers, at);
    else reader.kept.set(`${page}:${line.no}`, { text, values: [], because: 'words', at });
    return;
  }
  reader.kept.set(`${page}:${line.no}`, { text: text.slice(0, 300), values: [], because: 'words', at });
}
