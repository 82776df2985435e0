import { unslug } from '@core/words/unslug';
import type { Conflict } from '../storage/changes';

/** One thing in which two versions of a record differ: a field, or fields that only stand together. */
export interface Difference {
  name: string;
  keys: readonly string[];
  mine: string;
  theirs: string;
}

/** Fields that describe one thing: half of one and half of the other would be neither. */
const TOGETHER: Record<string, readonly string[]> = {
  'The ground': [
    'areaSqFt',
    'rectangle',
    'triangle',
    'ellipse',
    'offsets',
    'cornersFt',
    'ring',
    'atFt',
    'turnDeg',
    'cutOuts',
    'measuredBy',
  ],
  'The soil': ['texture', 'fractions', 'handTest'],
  'The doses': ['doses', 'solved', 'keptOn'],
  'What is on the label': ['guaranteed', 'nitrogen', 'form'],
};
const NOT_SHOWN = new Set(['id', 'changedAt', 'key', 'propertyId', 'order', 'zoneId']);
/** Longest text of a value that is shown, letters. */
const LONGEST = 60;

const words = (key: string): string => {
  const spaced = unslug(key.replace(/([a-z])([A-Z0-9])/g, '$1-$2').toLowerCase());
  return spaced.charAt(0).toUpperCase() + spaced.slice(1);
};

/** A value in a few words; numbers are shown as they are kept. */
function said(value: unknown): string {
  if (value === undefined || value === null || value === '') return 'nothing';
  if (Array.isArray(value)) return `${value.length} ${value.length === 1 ? 'entry' : 'entries'}`;
  if (typeof value === 'object')
    return Object.entries(value)
      .filter(([, each]) => each !== undefined && each !== null)
      .map(([key, each]) => `${words(key).toLowerCase()} ${said(each)}`)
      .join(', ')
      .slice(0, LONGEST);
  return String(value).slice(0, LONGEST);
}

type Fields = Record<string, unknown>;
const text = (fields: Fields, keys: readonly string[]): string =>
  JSON.stringify(keys.map((key) => fields[key] ?? null));

/** A report's results by analyte, so that two people may have corrected two of them. */
const spread = ({ kind }: Conflict, record: unknown): Fields => {
  const fields = { ...(record as Fields) };
  if (kind !== 'soilTests') return fields;
  const { results, ...rest } = fields;
  return { ...rest, ...Object.fromEntries((results as { analyte: string }[]).map((each) => [each.analyte, each])) };
};
const gathered = ({ kind, mine }: Conflict, fields: Fields): Fields => {
  if (kind !== 'soilTests') return fields;
  const own = new Set(Object.keys(mine as Fields));
  const results = Object.entries(fields).filter(
    ([key, value]) => !own.has(key) && typeof value === 'object' && value !== null && 'analyte' in value,
  );
  return {
    ...Object.fromEntries(Object.entries(fields).filter(([key]) => !results.some(([analyte]) => analyte === key))),
    results: results.map(([, value]) => value),
  };
};

const isRecord = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** In what two versions differ, field by field; empty where one of them is no record. */
export function differencesBetween(conflict: Conflict): Difference[] {
  if (!isRecord(conflict.mine) || !isRecord(conflict.theirs)) return [];
  const mine = spread(conflict, conflict.mine);
  const theirs = spread(conflict, conflict.theirs);
  const grouped = new Set(Object.values(TOGETHER).flat());
  const single = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])]
    .filter((key) => !NOT_SHOWN.has(key) && !grouped.has(key))
    .map((key): [string, readonly string[]] => [words(key), [key]]);
  return [...single, ...Object.entries(TOGETHER)].flatMap(([name, keys]) => {
    if (text(mine, keys) === text(theirs, keys)) return [];
    const told = keys.filter((key) => text(mine, [key]) !== text(theirs, [key]));
    const saying = (fields: Fields) =>
      told
        .map((key) => (keys.length > 1 ? `${words(key).toLowerCase()} ${said(fields[key])}` : said(fields[key])))
        .join('; ');
    return [{ name, keys, mine: saying(mine), theirs: saying(theirs) }];
  });
}

/** The record that stands when the named differences are taken from mine, and all else from theirs. */
export function merged(conflict: Conflict, fromMine: readonly Difference[]): Fields {
  const mine = spread(conflict, conflict.mine);
  const result = spread(conflict, conflict.theirs);
  for (const { keys } of fromMine)
    for (const key of keys)
      if (mine[key] === undefined) delete result[key];
      else result[key] = mine[key];
  return gathered(conflict, result);
}
