import type { LocalCode, LocalWatering } from '../records/case';
import { sayMonthDay } from '../words/days';
import { two, trimmed } from '../words/numbers';
import { closedDays, type ClosedSpan } from './closed-spans';

/**
 * The lines of a local code, in the order in which a person reads them: what each says, whose is the stricter where several
 * codes hold on one property, and how a copy differs from what it was copied from. Rates are lb of the nutrient named per 1000 ft2.
 */

export const CODE_LINE_IDS = [
  'binds',
  'closed',
  'n-dose',
  'n-soluble',
  'n-year',
  'slow',
  'p2o5-dose',
  'p2o5-year',
  'setback',
  'phosphorus',
  'test-age',
  'allowances',
  'heavy-rain',
  'watering',
  'license',
  'sweeping',
  'posting',
  'records',
  'summer',
  'source',
] as const;
export type CodeLineId = (typeof CODE_LINE_IDS)[number];

export interface CodeLine {
  id: CodeLineId;
  title: string;
  /** What the code says, in words; undefined where it says nothing. */
  says: (code: LocalCode) => string | undefined;
  /** The larger, the stricter; undefined where a code says nothing, and for lines that all hold together. */
  strictness?: (code: LocalCode) => number | undefined;
  /** How much further one code goes than another, in words, where both say something: '17 d longer'. */
  difference?: (mine: LocalCode, other: LocalCode) => string | undefined;
}

export const WHO_WORDS: Record<NonNullable<LocalCode['who']>, string> = {
  homeowner: 'whoever feeds their own lawn',
  licensed: 'whoever is paid to feed turf',
  anyone: 'everybody',
};

const NUTRIENT_WORDS = { N: 'N', P2O5: 'P2O5', K2O: 'K2O' } as const;

/** 'N and P2O5, 15 Nov to 1 Mar'. */
export const spanWords = ({ from, to, nutrients }: ClosedSpan): string =>
  `${nutrients.map((each) => NUTRIENT_WORDS[each]).join(' and ')}, ${sayMonthDay(from)} to ${sayMonthDay(to)}`;

const negative = (value: number | undefined): number | undefined => (value === undefined ? undefined : -value);

type NumberKey = {
  [K in keyof LocalCode]-?: NonNullable<LocalCode[K]> extends number ? K : never;
}[keyof LocalCode];

/** A line that is one number; `stricter` says which way. */
function numberLine(
  id: CodeLineId,
  title: string,
  key: NumberKey,
  stricter: 'low' | 'high',
  says: (value: number) => string,
  by: (value: number) => string = says,
): CodeLine {
  const of = (code: LocalCode) => code[key];
  return {
    id,
    title,
    says: (code) => {
      const value = of(code);
      return value === undefined ? undefined : says(value);
    },
    strictness: (code) => (stricter === 'high' ? of(code) : negative(of(code))),
    difference: (mine, other) => {
      const further = (of(mine) ?? 0) - (of(other) ?? 0);
      return further === 0 ? undefined : `${by(Math.abs(further))} ${further > 0 ? 'higher' : 'lower'}`;
    },
  };
}

/** A line that holds or does not. */
const yesLine = (
  id: CodeLineId,
  title: string,
  key: 'phosphorusNeedsTest' | 'licenseNeeded' | 'sweepRequired',
  says: string,
): CodeLine => ({
  id,
  title,
  says: (code) => (code[key] ? says : undefined),
  strictness: (code) => (code[key] ? 1 : undefined),
});

const DAYS_OF = { odd: 'odd numbers', even: 'even numbers', all: 'all numbers' } as const;

/** A code's watering in words: 'odd numbers Tue, Thu; at most 2 days a week; not 10:00 to 18:00'. */
export function wateringWords({
  weekdays,
  mostDaysPerWeek,
  closedHours,
  season,
  stage,
}: LocalWatering): string | undefined {
  const parts = [
    ...(['odd', 'even', 'all'] as const).flatMap((who) =>
      weekdays?.[who] ? [`${DAYS_OF[who]} ${weekdays[who].join(', ') || 'never'}`] : [],
    ),
    ...(mostDaysPerWeek === undefined
      ? []
      : [`at most ${mostDaysPerWeek} ${mostDaysPerWeek === 1 ? 'day' : 'days'} a week`]),
    ...(closedHours ?? []).map(({ from, to }) => `not ${from} to ${to}`),
    ...(season ? [`${sayMonthDay(season.from)} to ${sayMonthDay(season.to)}`] : []),
    ...(stage ? [`stage ${stage}`] : []),
  ];
  return parts.length > 0 ? parts.join('; ') : undefined;
}

const NUTRIENTS = ['N', 'P2O5', 'K2O'] as const;

/** 'N 17 d longer, P2O5 17 d longer' or, where all changed alike, '17 d longer'. */
function closedDifference(mine: LocalCode, other: LocalCode): string | undefined {
  const by = NUTRIENTS.map((each) => closedDays(mine.closed ?? [], each) - closedDays(other.closed ?? [], each));
  const moved = by.filter((days) => days !== 0);
  const words = (days: number) => `${Math.abs(days)} d ${days > 0 ? 'longer' : 'shorter'}`;
  if (moved.length === 0) return undefined;
  if (moved.every((days) => days === moved[0])) return words(moved[0] as number);
  return NUTRIENTS.flatMap((each, at) => (by[at] ? [`${each} ${words(by[at])}`] : [])).join(', ');
}

/** Every line of a code, in the order in which it is read. */
export const CODE_LINES: readonly CodeLine[] = [
  {
    id: 'binds',
    title: 'Binds',
    says: ({ who, area }) => [WHO_WORDS[who ?? 'anyone'], ...(area ? [area] : [])].join(', '),
    difference: (mine, other) => (mine.who === other.who && mine.area && !other.area ? 'area named' : undefined),
  },
  {
    id: 'closed',
    title: 'Closed',
    says: ({ closed = [] }) => (closed.length > 0 ? closed.map(spanWords).join('; ') : undefined),
    difference: closedDifference,
  },
  numberLine('n-dose', 'N a dose', 'maxTotalNPerDose', 'low', (lb) => `${two(lb)} lb N`),
  numberLine('n-soluble', 'Soluble N a dose', 'maxSolubleNPerDose', 'low', (lb) => `${two(lb)} lb N`),
  numberLine('n-year', 'N a year', 'maxNPerYear', 'low', (lb) => `${two(lb)} lb N`),
  {
    id: 'slow',
    title: 'Slow share of N, %',
    says: ({ leastSlowPercent, slow = [] }) => {
      const parts = [
        ...(leastSlowPercent === undefined ? [] : [`at least ${trimmed(leastSlowPercent, 1)}`]),
        ...slow.map(
          (each) => `${trimmed(each.leastSlowPercent, 1)} from ${sayMonthDay(each.from)} to ${sayMonthDay(each.to)}`,
        ),
      ];
      return parts.length > 0 ? parts.join('; ') : undefined;
    },
    // shares by date of several codes hold together
    strictness: ({ leastSlowPercent, slow = [] }) => (slow.length > 0 ? undefined : leastSlowPercent),
  },
  numberLine('p2o5-dose', 'P2O5 a dose', 'maxP2O5PerDose', 'low', (lb) => `${two(lb)} lb P2O5`),
  numberLine('p2o5-year', 'P2O5 a year', 'maxP2O5PerYear', 'low', (lb) => `${two(lb)} lb P2O5`),
  numberLine('setback', 'Beside water', 'setbackFt', 'high', (feet) => `${trimmed(feet, 1)} ft`),
  yesLine('phosphorus', 'Phosphorus', 'phosphorusNeedsTest', 'only where a soil test asks for it'),
  numberLine('test-age', 'Age of the test', 'testWithinYears', 'low', (years) => `${trimmed(years, 1)} years`),
  {
    id: 'allowances',
    title: 'Allowed in closed dates',
    says: ({ allowances = [] }) =>
      allowances.length > 0
        ? allowances
            .map(
              ({ from, to, who, maxTotalNPerDose }) =>
                `${two(maxTotalNPerDose)} lb N a dose for ${WHO_WORDS[who]}, ${sayMonthDay(from)} to ${sayMonthDay(to)}`,
            )
            .join('; ')
        : undefined,
  },
  {
    id: 'heavy-rain',
    title: 'Heavy rain',
    says: ({ heavyRain }) =>
      heavyRain && `no feeding before ${trimmed(heavyRain.inches, 2)} in within ${trimmed(heavyRain.hours, 1)} h`,
  },
  { id: 'watering', title: 'Watering', says: ({ localWatering }) => localWatering && wateringWords(localWatering) },
  yesLine('license', 'License', 'licenseNeeded', 'operator’s license needed'),
  yesLine('sweeping', 'Paving', 'sweepRequired', 'paving swept after feeding'),
  {
    id: 'posting',
    title: 'Posting',
    says: ({ posting }) => {
      const parts = [
        ...(posting?.hoursBefore === undefined ? [] : [`${trimmed(posting.hoursBefore, 1)} h before`]),
        ...(posting?.hoursAfter === undefined ? [] : [`${trimmed(posting.hoursAfter, 1)} h after`]),
      ];
      return parts.length > 0 ? `signs ${parts.join(', ')}` : undefined;
    },
  },
  numberLine(
    'records',
    'Records',
    'recordKeptYears',
    'high',
    (years) => `kept ${trimmed(years, 1)} years`,
    (years) => `${trimmed(years, 1)} years`,
  ),
  { id: 'summer', title: 'Summer', says: ({ summerNote }) => summerNote },
  {
    id: 'source',
    title: 'Source',
    says: ({ source }) => source && [source.cite, ...(source.kind ? [source.kind] : [])].join(', '),
  },
];

/** How a copy stands to what it was copied from, line by line. */
export interface LineDifference {
  line: CodeLine;
  mine: string | undefined;
  shipped: string | undefined;
  /** Empty where both say the same. */
  words: string;
}

/**
 * Every line of a code beside the same line of the one it was copied from, with the difference in words.
 *
 * @example differences({ id: 'a', setbackFt: 25 }, { id: 'b', setbackFt: 15 }).find((d) => d.line.id === 'setback')?.words // '10 higher'
 */
export const differences = (mine: LocalCode, shipped: LocalCode): LineDifference[] =>
  CODE_LINES.map((line) => {
    const [a, b] = [line.says(mine), line.says(shipped)];
    const words =
      a === b
        ? ''
        : a === undefined
          ? 'left out'
          : b === undefined
            ? 'new'
            : (line.difference?.(mine, shipped) ?? 'changed');
    return { line, mine: a, shipped: b, words };
  });

/** One line of several codes on one property: what each says, and which hold. */
export interface HeldLine {
  line: CodeLine;
  of: { code: LocalCode; says: string | undefined; holds: boolean }[];
}

/**
 * Where several codes lie on one property, the stricter of each line holds; closed dates, allowances and watering of all hold
 * together. Lines on which no code says anything are left out.
 *
 * @example stricterLines([{ id: 'a', maxNPerYear: 3.5 }, { id: 'b', maxNPerYear: 4.25 }])[1].of[0].holds // true: 3.5 of a
 */
export const stricterLines = (codes: readonly LocalCode[]): HeldLine[] =>
  CODE_LINES.filter(({ id }) => id !== 'source')
    .map((line) => {
      const strictest = line.strictness && Math.max(...codes.map((code) => line.strictness?.(code) ?? -Infinity));
      return {
        line,
        of: codes.map((code) => {
          const says = line.says(code);
          const holds = says !== undefined && (!line.strictness || (line.strictness(code) ?? strictest) === strictest);
          return { code, says, holds };
        }),
      };
    })
    .filter(({ of }) => of.some(({ says }) => says !== undefined));
