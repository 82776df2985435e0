import { analyteNamed } from '../records/analytes';
import { limeBuffer } from '../lime/buffers';
import { METHOD_TABLE, methodNamed } from '../records/methods';
import type { Analyte, Method } from '../records/vocabularies';
import { type DayOrder, dayFrom } from '../typed/typed-day';
import { depthFrom } from '../typed/typed-depth';
import type { Cell, Line } from './document';
import type { FileFact, FileFacts } from './reading';
import { readLabel } from './terms/label';
import { ANALYTE_NAMES, FACT_NAMES, isSoilAnalyte, type ReportFact } from './terms/names';
import { plain, wordsOf } from '../words/plain';
import { type ReportUnit, unitIn } from './terms/units';

/** What the lines of a page outside its tables say. */

export interface PageFact {
  fact: ReportFact;
  text: string;
  line: number;
  from: number;
}

const factOf = (text: string): ReportFact | undefined => {
  if (text.length > 60) return undefined;
  const { meaning } = readLabel(text);
  return meaning.kind === 'fact' ? meaning.fact : undefined;
};

/** Facts that are read where only a space parts the name from the value: what stands there must be a day, a depth, a code. */
const AFTER_SPACE: readonly ReportFact[] = [
  'sampledOn',
  'receivedOn',
  'reportedOn',
  'depthIn',
  'sample',
  'bag',
  'field',
  'labNumber',
  'basisDepthIn',
];
const isCode = (text: string): boolean => /\d/.test(text) && text.length <= 24 && !/\s\S+\s\S+\s/.test(text);
const isDay = (text: string): boolean =>
  dayFrom(text, 'month-first') !== undefined || dayFrom(text, 'day-first') !== undefined;

function afterSpace(cell: Cell): { fact: ReportFact; text: string } | undefined {
  const words = cell.text.split(/\s+/);
  for (let length = Math.min(4, words.length - 1); length >= 1; length--) {
    const fact = FACT_NAMES.get(wordsOf(words.slice(0, length).join(' ').replace('#', ' no ')).join(' '));
    if (!fact || !AFTER_SPACE.includes(fact)) continue;
    const rest = words.slice(length).join(' ');
    if (
      fact.endsWith('On')
        ? isDay(rest)
        : fact.endsWith('DepthIn') || fact === 'depthIn'
          ? depthFrom(rest) !== undefined
          : isCode(rest)
    )
      return { fact, text: rest };
  }
  return undefined;
}

/** `Area: 8,000 sq ft` is a size, not the name of a place. */
const IS_AREA = /^[\d.,]+ ?k? ?(sq\.? ?f|square f|acres?\b|ac\b|m2|m²|sq\.? ?m|ha\b|hectares?)/i;
/** Where the next `name: value` begins in a text that only spaces part. */
const NEXT_PAIR = /\s+(?=(?<name>[\p{Lu}][\p{L} .]{1,24}?):\s)/gu;
const pairsApart = (text: string): string[] => {
  const parts: string[] = [];
  let from = 0;
  for (const match of text.matchAll(NEXT_PAIR)) {
    if (factOf(match.groups!.name!) === undefined) continue;
    parts.push(text.slice(from, match.index));
    from = match.index + match[0].length;
  }
  return [...parts, text.slice(from)];
};

/** A line with the cells apart that only spaces part within one. */
const apart = (line: Line): Line =>
  line.cells.some(({ text }) => /\s{2,}|:\s.*:\s/.test(text))
    ? {
        ...line,
        cells: line.cells.flatMap((cell) =>
          cell.text
            .split(/\s{2,}/)
            .flatMap(pairsApart)
            .map((text) => ({ ...cell, text })),
        ),
      }
    : line;

/** Facts in lines: `Sampled: 10/12/2026`, a name with its value in the next cell, or names with the values below them. */
export function factsIn(printed: readonly Line[]): { facts: PageFact[]; used: Set<number> } {
  const lines = printed.map(apart);
  const facts: PageFact[] = [];
  const used = new Set<number>();
  const add = (fact: ReportFact, text: string, line: Line, cell: Cell) => {
    const bare = text.trim();
    if (bare === '' || (fact === 'field' && IS_AREA.test(bare))) return;
    // a day with its depth behind it: `21 May 2026, 0-4 inches`
    const both =
      fact === 'sampledOn' && !isDay(bare) ? /^(?<day>.*\d{2})[,;]?\s+(?<depth>\S.*)$/.exec(bare)?.groups : undefined;
    if (both && isDay(both.day!) && depthFrom(both.depth!) !== undefined) {
      facts.push({ fact, text: both.day!, line: line.no, from: cell.from });
      facts.push({ fact: 'depthIn', text: both.depth!, line: line.no, from: cell.from });
    } else facts.push({ fact, text: bare, line: line.no, from: cell.from });
    used.add(line.no);
  };
  for (const [at, line] of lines.entries()) {
    if (line.cells.length === 0) continue;
    const names = line.cells.map((cell) => factOf(cell.text));
    const below = lines[at + 1];
    if (
      names.length >= 2 &&
      names.every((name) => name !== undefined) &&
      below &&
      below.no === line.no + 1 &&
      below.cells.every((cell) => factOf(cell.text) === undefined)
    ) {
      line.cells.forEach((cell, i) => {
        const value = below.cells.find(
          (under) =>
            Math.min(under.to, nextFrom(line.cells, i)) > Math.max(under.from, cell.from) &&
            under.from < cell.to + (cell.to - cell.from),
        );
        if (value) add(names[i] as ReportFact, value.text, line, value);
      });
      used.add(below.no);
      continue;
    }
    for (let i = 0; i < line.cells.length; i++) {
      const cell = line.cells[i]!;
      const pair = /^(?<name>[^:]{1,60}?)\s*:\s*(?<rest>\S.*)$/.exec(cell.text)?.groups;
      const paired = pair && factOf(pair.name!);
      const next = line.cells[i + 1];
      if (paired) add(paired, pair.rest!, line, cell);
      else if (names[i] && next && names[i + 1] === undefined && !/:\s*\S/.test(next.text)) {
        add(names[i]!, next.text.replace(/^[:=]\s*/, ''), line, next);
        i++;
      } else {
        const spaced = afterSpace(cell);
        if (spaced) add(spaced.fact, spaced.text, line, cell);
      }
    }
  }
  return { facts, used };
}
const nextFrom = (cells: readonly Cell[], i: number): number => cells[i + 1]?.from ?? Infinity;

const DEPTH_SAID =
  /\b(?:depth|sampled|cores?|tiefe|profondeur|profundidad)\b[^\d]{0,24}((?:0\s*(?:-|–|to|bis|a|à)\s*)?[\d.,]+(?:\s+\d\/\d|[½⅔])?\s*(?:cm|inches|inch|in\b|"))/i;
/** A depth before what it is of: `4" cores`, `10 cm deep`. */
const DEPTH_OF =
  /(?<![\d.,/-])((?:0\s*(?:-|–|to)\s*)?\d[\d.,]*(?:\s+\d\/\d|[½⅔])?\s*-?\s*(?:cm|inches|inch|in\b\.?|"))\s*(?:soil\s+)?(?:cores?|deep|depth|samples?|plugs?)\b/i;
const DEPTH_TAKEN =
  /\b(?:taken|collected|pulled)\b.{0,30}\b(?:at|to|from)\s+((?:0\s*(?:-|–|to)\s*)?\d[\d.,]*\s*(?:cm|inches|inch|in\b|"))/i;
/** The sample of a letter: `your sample "East Lawn"`. */
const SAMPLE_SAID =
  /\b(?:sample|lawn|field|area|site|probe|echantillon|muestra)\b[^"“„«]{0,20}["“„«]([^"”“»]{1,40})["”“»]/i;
const RECEIVED_SAID =
  /\b(?:received|eingegangen|recu|recibid[oa])\b[^\d\n]{0,20}?(\d{1,4}[/.-]\d{1,2}[/.-]\d{2,4}|\d{1,2}\.? [a-z]{3,9}\.? \d{4}|[a-z]{3,9}\.? \d{1,2}, \d{4})/i;
/** A day within a sentence: `results for your lawn (sampled 4/13/2026)`. */
const DAY_SAID =
  /\b(?:sampled|collected|taken|samples? of|sampling date|probenahme|entnommen|preleve|muestreado)\b[^\d\n]{0,20}(\d{1,4}[/.-]\d{1,2}[/.-]\d{2,4}|\d{1,2}\.? [a-z]{3,9}\.? \d{4}|[a-z]{3,9}\.? \d{1,2}, \d{4})/i;
const BASIS_SAID =
  /(?:lb|lbs|pounds?)\s*(?:\/|per)\s*a(?:cre)?[^.;]{0,40}?(?:to|for|at|of)\s*(?:a\s*)?(?:depth of\s*)?([\d.]+(?:\s+\d\/\d|[½⅔])?)\s*(?:in\b|inch|")/i;
/** A note that names the buffer: `BpH in the Mehlich buffer`, `Buffer pH: SMP`. */
const BUFFER_SAID = /[^;,.]*\b(?:b\.?ph|buffer)\b[^;,.]*/i;
/** Words by which a note about a method holds for everything that nothing else is said of. */
const FOR_ALL =
  /\b(nutrients?|extract|extractant|extracted|extraction|method|methode|metodo|unless|others?|all|minerals?|elements?|cations|macro|nahrstoffe|extraktion|nutrientes|extraccion|elements nutritifs)\b/;

/** Analytes that a clause names by themselves. */
function analytesIn(clause: string): Analyte[] {
  const words = clause
    .replace(/[^\p{L}\p{N}\s+-]/gu, ' ')
    .split(/\s+/)
    .filter(Boolean);
  const found = new Set<Analyte>();
  for (const word of words) {
    const letters = word.length <= 2;
    // Zn in a sentence is zinc; `a`, `in`, `s` are words
    const analyte = letters
      ? /^[A-Z][a-z]?$/.test(word)
        ? analyteNamed(word)
        : undefined
      : ANALYTE_NAMES.get(plain(word))?.analyte;
    if (analyte && isSoilAnalyte(analyte)) found.add(analyte);
  }
  return [...found];
}

/** Methods that a note gives: to the analytes it names, or to all. `Zn and Fe by DTPA; others Mehlich-3`. */
export function methodsIn(text: string): { method: Method; of: Analyte[] }[] {
  const found: { method: Method; of: Analyte[] }[] = [];
  for (const clause of text.split(/[;.]\s|[;\n]|,\s(?=[^,]*\bby\b)/)) {
    const buffer = methodNamed(BUFFER_SAID.exec(clause)?.[0] ?? '');
    if (buffer && limeBuffer(buffer)) {
      found.push({ method: buffer, of: ['buffer-pH'] });
      continue;
    }
    const method = methodNamed(clause);
    if (!method) continue;
    const of = analytesIn(clause.replace(/mehlich\s*-?\s*\w+|bray\s*-?\s*p?-?\s*\w*/gi, ' '));
    const kind = METHOD_TABLE[method].of;
    if (kind === 'buffer') continue;
    if (of.length > 0)
      found.push({
        method,
        of: of.filter((a) =>
          kind === 'pH' ? a === 'pH' || a === 'EC' : kind === 'salts' ? a === 'EC' : a !== 'pH' && a !== 'buffer-pH',
        ),
      });
    else if (kind === 'nutrients' && FOR_ALL.test(plain(clause))) found.push({ method, of: [] });
    else if (kind === 'pH' && /\bph\b/i.test(clause)) found.push({ method, of: ['pH'] });
  }
  return found.filter(({ of }, i) => of.length > 0 || found.findIndex((o) => o.of.length === 0) === i);
}

/** `Mehlich-3, mg/kg` over a table: an extractant and its unit, and nothing they are of. */
const isMethodWithUnit = (text: string): boolean => {
  const method = text.length < 60 ? methodNamed(text) : undefined;
  return method !== undefined && METHOD_TABLE[method].of === 'nutrients' && analytesIn(text).length === 0;
};
const UNIT_FOR_ALL =
  /\b(units?|results?|nutrients?|values?|reported|expressed|all|einheit|angaben|unites?|unidades|expresad[oa]s?|exprimes?|en|in)\b/;

/** Words that a laboratory's name has, near the top of its page. */
const NAMES_LAB =
  /laborator|\blabs?\b|\blabor\b|laboratoire|analytical|testing service|untersuchungsanstalt|\binstitut|\bextension\b/i;

/** What notes of a page say of the file, added to what is known. */
export function notesInto(facts: FileFacts, lines: readonly Line[], pageFacts: PageFact[]): Set<number> {
  const used = new Set<number>();
  for (const line of lines) {
    const text =
      line.sentence?.text ??
      line.cells
        .map((cell) => cell.text)
        .join(' ')
        .trim();
    if (text === '' || text.length > 600) continue;
    const shortened = `“${text.slice(0, 34)}${text.length > 34 ? '…' : ''}”`;
    const note = <T>(value: T): FileFact<T> => ({ value, because: shortened });
    const before = used.size;
    const depth = (DEPTH_SAID.exec(text) ?? DEPTH_OF.exec(text) ?? DEPTH_TAKEN.exec(text))?.[1];
    if (depth && !facts.depth) {
      facts.depth = note(depth.trim());
      used.add(line.no);
    }
    const day = DAY_SAID.exec(text)?.[1];
    if (day && isDay(day) && !pageFacts.some(({ fact }) => fact === 'sampledOn')) {
      pageFacts.push({ fact: 'sampledOn', text: day, line: line.no, from: line.cells[0]?.from ?? 0 });
      used.add(line.no);
    }
    const named: [ReportFact, string | undefined][] = [
      ['sample', line.sentence !== undefined || line.cells.length === 1 ? SAMPLE_SAID.exec(text)?.[1] : undefined],
      ['receivedOn', RECEIVED_SAID.exec(text)?.[1]],
    ];
    for (const [fact, said] of named)
      if (said && (fact === 'sample' || isDay(said)) && !pageFacts.some((other) => other.fact === fact)) {
        pageFacts.push({ fact, text: said.replace(/[,.]$/, ''), line: line.no, from: line.cells[0]?.from ?? 0 });
        used.add(line.no);
      }
    const basis = BASIS_SAID.exec(text)?.[1];
    if (basis && !facts.basisDepth) facts.basisDepth = note(basis);
    const unit: ReportUnit | undefined = unitIn(text)?.unit;
    if (
      unit &&
      unit !== '%' &&
      unit !== 'index' &&
      unit !== 'dS/m' &&
      (UNIT_FOR_ALL.test(plain(text)) || isMethodWithUnit(text)) &&
      !facts.unit &&
      !/recommend|apply|lime/i.test(text)
    ) {
      facts.unit = note(unit);
      used.add(line.no);
    }
    for (const { method, of } of methodsIn(text)) {
      used.add(line.no);
      if (of.length === 0) facts.method ??= note(method);
      for (const analyte of of)
        if (analyte === 'buffer-pH') facts.bufferMethod ??= note(method);
        else if (analyte === 'pH') facts.phMethod ??= note(method);
        else facts.methods[analyte] ??= note(method);
    }
    const lab =
      facts.lab || line.no > 12
        ? undefined
        : line.cells.find(
            ({ text: cell }) =>
              NAMES_LAB.test(cell) &&
              !/\blab(oratory)?\.? ?(no|nr|id|number|num|sample|code|#)/i.test(cell) &&
              cell.length < 90 &&
              factOf(cell.split(':')[0]!) === undefined &&
              !/\b(by|in ppm|the|these|this|your|our|we|from|is|are|was)\b/i.test(cell),
          );
    if (lab) {
      facts.lab = note(lab.text.split(/\s{2,}|,\s*report|:\s/i)[0]!.slice(0, 120));
      used.add(line.no);
    }
    if (used.size > before) used.add(line.no);
  }
  return used;
}

/** Order of days in a file, with the day that decides it. */
export function dayOrderOf(texts: readonly string[], european: boolean, on?: string): FileFact<DayOrder> {
  const parts = texts
    .map((text) => ({ text, found: /^\s*(\d{1,2})([/.-])(\d{1,2})[/.-](\d{2}|\d{4})\b/.exec(text) }))
    .filter(({ found }) => found !== null);
  for (const { text, found } of parts) {
    if (Number(found![1]) > 12)
      return { value: 'day-first', because: `${found![1]} of ${text.trim().slice(0, 12)} can be no month` };
    if (Number(found![3]) > 12)
      return { value: 'month-first', because: `${found![3]} of ${text.trim().slice(0, 12)} can be no month` };
  }
  const dotted = parts.find(({ found }) => found![2] === '.');
  if (dotted) return { value: 'day-first', because: `${dotted.text.trim().slice(0, 12)} is written with points` };
  for (const { text } of on === undefined ? [] : parts)
    for (const [order, other] of [
      ['month-first', 'day-first'],
      ['day-first', 'month-first'],
    ] as const) {
      const [day, otherwise] = [dayFrom(text, order), dayFrom(text, other)];
      if (day && otherwise && day > on! && otherwise <= on!)
        return { value: other, because: `${text.trim().slice(0, 12)} the other way round is still to come` };
    }
  if (parts.length === 0)
    return { value: european ? 'day-first' : 'month-first', because: 'no day is written in figures' };
  return european
    ? { value: 'day-first', because: 'a guess from the language and the decimal comma' }
    : { value: 'month-first', because: 'a guess: no day shows another order' };
}
