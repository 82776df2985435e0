import { methodNamed } from '../../records/methods';
import { plain } from '../../words/plain';
import { GLUED_RATING, isRating, LEADING_RATING } from './ratings';
import { type PrintedUnit, unitIn } from './units';

/** How numbers are written: the mark before the decimals. */
export type DecimalMark = '.' | ',';

/** A cell that holds a value, or says that there is none. */
export interface PrintedValue {
  value?: number;
  qualifier?: '<' | '>';
  /** What stands in place of a number: `ND`, `n/a`, `trace`. */
  instead?: string;
  rating?: string;
  unit?: PrintedUnit;
  /** Method named behind the value. */
  method?: string;
  /** Sign of a footnote behind the value. */
  mark?: string;
}

/** What laboratories print where there is nothing to print. */
const NOTHING =
  /^(?:-+|\.+|n\/?\s?[adrst]|n\.\s?[abdnrst]\.?|n\.?\s?[bn]\.?|k\.?\s?a\.?|bdl|b\.d\.l\.?|bql|<?\s?(?:dl|lod|loq|mdl|rl)|tr|trace|traces|spur(?:en)?|nil|none detected|not detected|not determined|not tested|not analy[sz]ed|not reported|not requested|insufficient(?: sample)?|ins|nicht nachweisbar|nicht bestimmt|non detecte|non determine|no detectado|no determinado|s\/d|sin datos|below detection(?: limit)?|pending)$/;

/** Text that stands for no value, as the laboratory wrote it; undefined where it is none of these. */
export const insteadOfValue = (text: string): string | undefined =>
  NOTHING.test(plain(text).replace(/^\((.*)\)$/, '$1')) ? text.trim() : undefined;

const GROUPS = String.raw`\d{1,3}(?:[  '’]\d{3})+(?:[.,]\d+)?|\d{1,3}(?:,\d{3})+(?:\.\d+)?|\d{1,3}(?:\.\d{3})+,\d+|\d{1,3}(?:\.\d{3}){2,}|\d+(?:[.,]\d+)?(?:e[+-]?\d+)?|[.,]\d+`;
const LESS = String.raw`<|>|≤|≥|&lt;|&gt;|<=|>=|less than|more than|greater than|below|above|under|over|unter|uber|kleiner|menor que|mayor que|inferieur a|superieur a|inf\.?|sup\.?`;
const SHAPE = new RegExp(
  String.raw`^(?:(?<before>[a-z][a-z ]{0,20}?)[\s:=]+)?(?<sign>${LESS})?\s*(?<minus>-)?(?<number>${GROUPS})\s*(?<after>.*)$`,
  'i',
);
/** A footnote's sign behind a value. */
const MARK = /^(?<rest>.*?)\s*(?<mark>[*†‡§¶]+|[¹²³⁴⁵⁶⁷⁸⁹]+|\((?:\d|[a-z])\)|\[(?:\d|[a-z])\])$/u;

const PLAIN = /^\d{1,9}(\.\d{1,9})?$/;

/** Text as a number, NaN where it is none: 1,250.5 with a decimal point, 1.250,5 with a decimal comma. */
export function numberFrom(text: string, mark: DecimalMark): number {
  const bare = text.replace(/[  '’](?=\d{3})/g, '');
  if (mark === '.') {
    const plainNumber = Number(bare);
    return Number.isNaN(plainNumber) && /^\d{1,3}(,\d{3})+(\.\d+)?$/.test(bare)
      ? Number(bare.replaceAll(',', ''))
      : plainNumber;
  }
  if (/^\d{1,3}(\.\d{3})+(,\d+)?$/.test(bare)) return Number(bare.replaceAll('.', '').replace(',', '.'));
  // a point is no decimal mark here, so 5.6 in such a file is not silently 5.6
  return bare.includes('.') ? NaN : Number(bare.replace(',', '.'));
}

type Behind = Pick<PrintedValue, 'rating' | 'unit' | 'mark' | 'method' | 'qualifier'>;

/** Flags of laboratories for what is under their limit, the number beside it being the limit. Common practice: U is undetected. */
const UNDETECTED = /^(u|nd|bdl|bql|brl|<)$/i;

/** The sign that a laboratory's flag beside a value stands for. */
export const signOfFlag = (flag: string): '<' | '>' | undefined =>
  UNDETECTED.test(flag.trim()) ? '<' : flag.trim() === '>' ? '>' : undefined;

/** What stands behind a number: a unit, a rating, a mark, or something that makes the whole no value. */
function behind(text: string): Behind | undefined {
  let rest = text.trim();
  const found: Behind = {};
  const marked = MARK.exec(rest);
  const inBrackets = /^\(([a-z .]{1,20})\)$/i.exec(rest)?.[1];
  if (inBrackets && (isRating(inBrackets) || GLUED_RATING.test(inBrackets))) return { rating: inBrackets };
  if (marked?.groups) {
    found.mark = marked.groups.mark as string;
    rest = marked.groups.rest as string;
  }
  if (rest === '') return found;
  const unit = unitIn(rest);
  if (unit) {
    found.unit = { unit: unit.unit, ...(unit.factor === undefined ? {} : { factor: unit.factor }) };
    rest = unit.rest.replace(/^[\s(),;-]+|[\s(),;-]+$/g, '');
  }
  if (rest === '') return found;
  const word = rest.replace(/^[-–(\s]+|[)\s]+$/g, '');
  if (UNDETECTED.test(word)) return { ...found, qualifier: '<' };
  const method = /^\(?([^()]{2,24})\)?$/.exec(rest)?.[1];
  if (method && methodNamed(method)) return { ...found, method };
  if (isRating(word) || GLUED_RATING.test(word))
    return { ...found, rating: word.length <= 2 ? word.toUpperCase() : word };
  return undefined;
}

/**
 * A cell as a value: `<0.5`, `62 L`, `VH 180`, `1,250 ppm`, `6.1*`, `ND`. Undefined where it is none: a word, a day, a range.
 * A negative number comes back as it is; whoever asks says what is wrong with it.
 */
export function valueFrom(cell: string, mark: DecimalMark = '.'): PrintedValue | undefined {
  const text = cell.trim();
  if (text === '' || text.length > 40) return undefined;
  // nearly all cells of a long table
  if (mark === '.' && PLAIN.test(text)) return { value: Number(text) };
  const instead = insteadOfValue(text);
  if (instead !== undefined) return { instead };
  if (!/\d/.test(text)) return undefined;
  // a range and a day are no value
  if (/\d\s*[-–/]\s*\d/.test(text) && !/\d\s*\/\s*100\s?g/i.test(text)) return undefined;
  const shape = SHAPE.exec(text)?.groups;
  if (!shape) return undefined;
  const before = shape.before?.trim();
  if (before && !isRating(before) && !LEADING_RATING.test(before)) return undefined;
  const rest = behind(shape.after ?? '');
  if (!rest) return undefined;
  const value = numberFrom(shape.number as string, mark) * (shape.minus ? -1 : 1);
  if (!Number.isFinite(value)) return undefined;
  const sign = shape.sign?.toLowerCase();
  const qualifier =
    sign === undefined ? undefined : /^(<|≤|&lt|less|below|under|unter|klein|menor|inf)/.test(sign) ? '<' : '>';
  return {
    value,
    ...(qualifier ? { qualifier } : {}),
    ...(before ? { rating: before } : {}),
    ...rest,
  };
}

/** Decimal comma where numbers have one and fewer need a point; what decides it, in words. */
export function decimalOf(texts: readonly string[]): { mark: DecimalMark; because: string } {
  const bare = texts.map((text) => text.replace(/[^\d.,]/g, '').replace(/[.,]$/, ''));
  const comma = bare.find(
    (text) => /^\d+,(\d{1,2}|\d{4,})$/.test(text) || /^0,\d+$/.test(text) || /^\d{1,3}(\.\d{3})+,\d+$/.test(text),
  );
  const point = bare.find(
    (text) => /^\d*\.(\d{1,2}|\d{4,})$/.test(text) || /^0?\.\d+$/.test(text) || /^\d{1,3}(,\d{3})+\.\d+$/.test(text),
  );
  const commas = bare.filter((text) => /^\d+,\d+$/.test(text)).length;
  const points = bare.filter((text) => /^\d+\.\d+$/.test(text)).length;
  if (comma && (!point || commas > points)) return { mark: ',', because: `${comma} has a decimal comma` };
  if (point) return { mark: '.', because: `${point} has a decimal point` };
  if (bare.some((text) => /^\d{1,3}(,\d{3})+$/.test(text)))
    return { mark: '.', because: 'commas stand before three figures only' };
  // 1.250 alone could be either: a point is the custom of the file's country, which nothing else shows
  return { mark: '.', because: 'no number shows another' };
}
