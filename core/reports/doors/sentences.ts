import { type Cell, FEWEST_OF_SAMPLE, type Line } from '../document';
import { readLabel } from '../terms/label';
import { isRating } from '../terms/ratings';
import { valueFrom } from '../terms/values';

/**
 * Results in the sentences of a letter: `Your soil pH is 6.1. Phosphorus (Mehlich 3) was 27 ppm, which we rate medium.` Each becomes a name
 * with its value beside it, as in a list; the sentence itself stays with its line, so that nothing of it is lost.
 */

/** Words of a line from which it is a sentence, and not a label with its value. */
const FEWEST_WORDS = 4;
/** Words of a name before its number. */
const LONGEST_NAME = 6;
/** Words between a name and its number: `phosphorus came back at about 27 ppm`. */
const LINKS =
  /^(is|was|are|were|of|at|in|a|an|the|tested|tests|measured|measures|measuring|came|back|stands|stood|reads|read|level|levels|value|to|about|approximately|around|only|just|equals|ist|betragt|liegt|bei|war|est|etait|de|es|fue|era)$/i;
/** A clause with one of these speaks of what is wanted or of what to do, not of what was found. */
const NOT_FOUND =
  /\b(target|goal|optimum|optimal|desired|ideal|should|needs?|required?|raise|lower|recommend\w*|apply|applied|add|between|range|until|reach|sufficient|below|above|under|over|less|more|than|if|when|unless|per 1,?000|for each|next|last year|previous|sollte|ziel|zwischen|objectif|entre|optimo|aplicar)\b/i;
const NUMBER = /(?<![\w./-]|\d:)[<>]?\d+(?:[.,]\d+)*(?![\d/-]|:\d)/g;
/** A number behind one of these names something: a method, a sample. */
export const NUMBER_OF_NAME =
  /\b(mehlich|bray|m|no\.?|nr\.?|sample|lawn|zone|area|field|hole|green|plot|page|lab|#)\s*-?$/i;

/** From and to of the words of a name that only links and an `and` stand around. */
export function nameWithin(words: readonly string[]): [number, number] {
  let [from, to] = [0, words.length];
  while (to > from + 1 && LINKS.test(words[to - 1]!)) to--;
  while (to > from + 1 && /^(and|your|the|und|et|y|e)$/i.test(words[from]!)) from++;
  return [from, to];
}

interface Found {
  name: string;
  nameAt: number;
  value: string;
  valueAt: number;
}

/** The name of an analyte that ends where a number's clause begins: the longest that is one. */
function nameBefore(text: string): { name: string; at: number } | undefined {
  const words = [...text.matchAll(/\S+/g)];
  while (words.length > 0 && LINKS.test(words.at(-1)![0])) words.pop();
  for (let count = Math.min(LONGEST_NAME, words.length); count >= 1; count--) {
    const first = words[words.length - count]!;
    const name = text.slice(first.index, words.at(-1)!.index + words.at(-1)![0].length);
    if (/^[\d.,]/.test(name)) continue;
    const { meaning, sure } = readLabel(name);
    // a lone letter in a sentence is a word
    if (meaning.kind === 'analyte' && sure !== 'guess' && (name.length > 1 || /^[A-Z]$/.test(name)))
      return { name, at: first.index };
  }
  return undefined;
}

/** The name behind a number: `48 ppm of phosphorus (Mehlich-3), which`. */
function nameBehind(text: string, at: number): { name: string; at: number } | undefined {
  const behind = /^\s+of\s+(?=\p{L})/u.exec(text.slice(at));
  if (!behind) return undefined;
  const from = at + behind[0].length;
  const clause = /^[^,.;]*/.exec(text.slice(from))![0];
  const words = [...clause.matchAll(/\S+/g)];
  for (let count = Math.min(LONGEST_NAME, words.length); count >= 1; count--) {
    const last = words[count - 1]!;
    const name = clause.slice(0, last.index + last[0].length);
    const { meaning, sure } = readLabel(name);
    if (meaning.kind === 'analyte' && sure !== 'guess') return { name, at: from };
  }
  return undefined;
}

/** The number with the unit and the rating that stand behind it. */
function valueAt(text: string, at: number): string {
  const number = /^[<>]?\d+(?:[.,]\d+)*/.exec(text.slice(at))![0];
  const behind = text.slice(at + number.length);
  let value = number;
  for (const match of behind.matchAll(/\S+/g)) {
    const longer = number + behind.slice(0, match.index + match[0].length).replace(/[.,;]$/, '');
    // a unit ends with its sentence
    if (longer.length > number.length + 24 || /[.;!?,]\s/.test(longer)) break;
    if (valueFrom(longer) ?? valueFrom(longer, ',')) value = longer;
  }
  if (value !== number || /^[.,]?(\s|$)/.test(behind)) {
    const said = /^[,\s]*(?:which (?:is|we rate(?: as)?)|rated|that is|\()\s*(?<word>[a-z]+(?: [a-z]+)?)/i.exec(
      text.slice(at + value.length),
    )?.groups?.word;
    const word = said && [said, said.split(' ')[0]!].find((each) => isRating(each));
    if (word && !/\(/.test(value)) return `${value} (${word})`;
  }
  return value;
}

function resultsIn(text: string, carried: number): Found[] {
  const found: Found[] = [];
  let clause = 0;
  for (const match of text.matchAll(NUMBER)) {
    const start = Math.max(
      clause,
      ...[...text.slice(0, match.index).matchAll(/[.;!?](?=\s)/g)].map((stop) => stop.index + 1),
    );
    const before = text.slice(start, match.index);
    const value = valueAt(text, match.index);
    const clauseOfIt = before.split(/[,;]\s/).at(-1)!;
    if (NOT_FOUND.test(clauseOfIt) || NUMBER_OF_NAME.test(before)) continue;
    const behind = nameBehind(text, match.index + value.replace(/ \([^)]*\)$/, '').length);
    // what the line above began was read there, but for a name that comes only now
    if (match.index < carried && !(behind && behind.at + behind.name.length > carried)) continue;
    const ahead = behind ? undefined : nameBefore(before.replace(/[:=]\s*$/, ' '));
    const named = behind ?? (ahead && { ...ahead, at: start + ahead.at });
    if (!named || !(valueFrom(value) ?? valueFrom(value, ','))) continue;
    clause = match.index + match[0].length;
    found.push({ name: named.name, nameAt: named.at, value, valueAt: match.index });
  }
  return found;
}

/** Whether a line is one of a letter's sentences: many words in one cell. */
const isSentence = ({ cells }: Line): boolean =>
  cells.length === 1 && (cells[0]!.text.match(/\p{L}{2,}/gu)?.length ?? 0) >= FEWEST_WORDS;

/** Lines with the results of their sentences as names and values; what runs over from the line above belongs to it. */
export function sentencesRead(lines: readonly Line[]): Line[] {
  let carried = '';
  return lines.map((line) => {
    const [cell] = line.cells;
    const goesOn = carried !== '' && line.cells.length === 1;
    if (!cell || !(isSentence(line) || goesOn)) {
      carried = '';
      return line;
    }
    const before = goesOn ? carried : '';
    const text = before + cell.text;
    carried = /[.:!?]$/.test(cell.text)
      ? ''
      : `${text
          .split(/[.;!?]\s/)
          .at(-1)!
          .slice(-80)} `;
    if (!isSentence(line)) return line;
    const found = resultsIn(text, before.length);
    if (found.length === 0) return line;
    const share = (cell.to - cell.from) / cell.text.length;
    const place = (at: number) => cell.from + Math.max(0, at - before.length) * share;
    // the name before a whole sample: `north side: pH 6.0, P 22, K 80`
    const lead = found.length >= FEWEST_OF_SAMPLE ? /^[^:\d]{1,40}:(?=\s)/.exec(cell.text)?.[0] : undefined;
    const named = lead !== undefined && readLabel(lead).meaning.kind === 'other';
    const cells = found.flatMap(({ name, nameAt, value, valueAt: at }): Cell[] => [
      // a name of the line above has no place in this one
      { text: name, from: place(nameAt), to: Math.max(place(nameAt + name.length), place(nameAt) + share) },
      { text: value, from: place(at), to: Math.max(place(at + value.length), place(at) + share) },
    ]);
    return {
      ...line,
      cells: named ? [{ text: lead, from: cell.from, to: cell.from + lead.length * share }, ...cells] : cells,
      sentence: cell,
    };
  });
}
