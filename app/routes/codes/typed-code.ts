import type { CodeLineId } from '@core/codes/code-lines';
import { codeFaults } from '@core/codes/code-faults';
import type { CODE_SOURCES } from '@core/records/case';
import { codeSchema, type LocalCode, WEEKDAYS, type Weekday } from '@core/records/case';
import { faultsByField } from '@core/records/strict-schema';
import { isRefusal, type Refusal } from '@core/reckoning/refusal';
import { typedMonthDay } from '@core/typed/typed-month-day';
import { type QuantityId, type Units, usUnits } from '../../ui/format';
import { FieldNumbers, FieldTexts, type FirstTexts } from '../../work/typed-fields';
import { sayMonthDay } from '@core/words/days';

export type CodeNutrient = 'N' | 'P2O5' | 'K2O';
export type Who = NonNullable<LocalCode['who']>;

/** Numbers of a code that stand alone, with what a person calls them. */
export const CODE_NUMBERS = {
  maxTotalNPerDose: 'N a dose',
  maxSolubleNPerDose: 'Soluble N a dose',
  maxNPerYear: 'N a year',
  leastSlowPercent: 'Slow share',
  maxP2O5PerDose: 'P2O5 a dose',
  maxP2O5PerYear: 'P2O5 a year',
  testWithinYears: 'Age of the test',
  setbackFt: 'Beside water',
  recordKeptYears: 'Records kept',
  reviewEveryMonths: 'Checked again every',
} as const;
export type CodeNumber = keyof typeof CODE_NUMBERS;
/** Those of them that are written in the units of whoever types. */
const QUANTITY_OF: Readonly<Record<string, QuantityId>> = {
  maxTotalNPerDose: 'nutrient-rate',
  maxSolubleNPerDose: 'nutrient-rate',
  maxNPerYear: 'nutrient-rate',
  maxP2O5PerDose: 'nutrient-rate',
  maxP2O5PerYear: 'nutrient-rate',
  setbackFt: 'length',
  inches: 'depth',
};
const NUMBER_KEYS = Object.keys(CODE_NUMBERS) as CodeNumber[];

const RAIN = { inches: 'Heavy rain', hours: 'Heavy rain within' } as const;
const POSTING = { hoursBefore: 'Posted before', hoursAfter: 'Posted after' } as const;

/** A span of the year with something that holds in it. */
export interface TypedSpan {
  from: string;
  to: string;
}
export type DaysOf = 'odd' | 'even' | 'all';

/** A code as typed: everything is text until it is read. */
export interface TypedCode {
  id?: string;
  changedAt?: string;
  copyOf?: string;
  name: string;
  who: Who;
  area: string;
  closed: (TypedSpan & { nutrients: CodeNutrient[] })[];
  numbers: Record<CodeNumber, string>;
  slow: (TypedSpan & { leastSlowPercent: string })[];
  allowances: (TypedSpan & { who: Who; maxTotalNPerDose: string })[];
  phosphorusNeedsTest: boolean;
  licenseNeeded: boolean;
  sweepRequired: boolean;
  heavyRain: { inches: string; hours: string };
  posting: { hoursBefore: string; hoursAfter: string };
  summerNote: string;
  watering: {
    /** Days by number of the house; a list that is not there says nothing. */
    days: Partial<Record<DaysOf, Weekday[]>>;
    mostDaysPerWeek: string;
    closedHours: { from: string; to: string }[];
    season: TypedSpan;
    stage: string;
  };
  source: { cite: string; url: string; kind: '' | (typeof CODE_SOURCES)[number] };
  checkedOn: string;
  checkedBy: string;
  expiresOn: string;
  /** What the fields held when the form was filled. */
  held?: FirstTexts;
}

const day = (monthDay: string | undefined): string => (monthDay === undefined ? '' : sayMonthDay(monthDay));
const span = ({ from, to }: { from: string; to: string }): TypedSpan => ({ from: day(from), to: day(to) });

/** A code as the form shows it; an empty form without one. */
export function codeTyped(code: Partial<LocalCode> = {}, units: Units = usUnits): TypedCode {
  const fields = new FieldTexts(units);
  const shown = (value: number | undefined, field: string) =>
    fields.text(field, value, QUANTITY_OF[/\w+$/.exec(field)?.[0] ?? '']);
  const watering = code.localWatering;
  return {
    id: code.id,
    changedAt: code.changedAt,
    copyOf: code.copyOf,
    name: code.name ?? '',
    who: code.who ?? 'anyone',
    area: code.area ?? '',
    closed: (code.closed ?? []).map((each) => ({ ...span(each), nutrients: [...each.nutrients] })),
    numbers: Object.fromEntries(NUMBER_KEYS.map((key) => [key, shown(code[key], key)])) as Record<CodeNumber, string>,
    slow: (code.slow ?? []).map((each, i) => ({
      ...span(each),
      leastSlowPercent: shown(each.leastSlowPercent, `slow[${i}].leastSlowPercent`),
    })),
    allowances: (code.allowances ?? []).map((each, i) => ({
      ...span(each),
      who: each.who,
      maxTotalNPerDose: shown(each.maxTotalNPerDose, `allowances[${i}].maxTotalNPerDose`),
    })),
    phosphorusNeedsTest: code.phosphorusNeedsTest ?? false,
    licenseNeeded: code.licenseNeeded ?? false,
    sweepRequired: code.sweepRequired ?? false,
    heavyRain: {
      inches: shown(code.heavyRain?.inches, 'heavyRain.inches'),
      hours: shown(code.heavyRain?.hours, 'heavyRain.hours'),
    },
    posting: {
      hoursBefore: shown(code.posting?.hoursBefore, 'posting.hoursBefore'),
      hoursAfter: shown(code.posting?.hoursAfter, 'posting.hoursAfter'),
    },
    summerNote: code.summerNote ?? '',
    watering: {
      days: Object.fromEntries(
        (['odd', 'even', 'all'] as const).flatMap((who) =>
          watering?.weekdays?.[who] ? [[who, [...watering.weekdays[who]]]] : [],
        ),
      ),
      mostDaysPerWeek: shown(watering?.mostDaysPerWeek, 'mostDaysPerWeek'),
      closedHours: (watering?.closedHours ?? []).map(({ from, to }) => ({ from, to })),
      season: watering?.season ? span(watering.season) : { from: '', to: '' },
      stage: watering?.stage ?? '',
    },
    source: { cite: code.source?.cite ?? '', url: code.source?.url ?? '', kind: code.source?.kind ?? '' },
    checkedOn: code.checkedOn ?? '',
    checkedBy: code.checkedBy ?? '',
    expiresOn: code.expiresOn ?? '',
    held: fields.first,
  };
}

type Faults = Record<string, string>;

/** Reads what was typed; what cannot be read gives a sentence at its field and is left out of the code. */
class CodeReader {
  readonly faults: Faults = {};
  readonly #fields: FieldNumbers;

  constructor(units: Units, held: FirstTexts | undefined) {
    this.#fields = new FieldNumbers(units, held);
  }

  private kept<T>(value: T | undefined | Refusal, field: string): T | undefined {
    if (!isRefusal(value)) return value;
    this.faults[field] = value.refused;
    return undefined;
  }
  number(text: string, label: string, field: string): number | undefined {
    const quantity = QUANTITY_OF[/\w+$/.exec(field)?.[0] ?? ''];
    const value = this.#fields.read(text, { name: field, label, field, quantity });
    const fault = this.#fields.faults[field];
    if (fault) this.faults[field] = fault;
    return value;
  }
  /** Both ends of a span, or nothing where an end is missing; half a span is a fault. */
  span(typed: TypedSpan, field: string): { from: string; to: string } | undefined {
    const from = this.kept(typedMonthDay(typed.from, 'From', `${field}.from`), `${field}.from`);
    const to = this.kept(typedMonthDay(typed.to, 'To', `${field}.to`), `${field}.to`);
    if (from !== undefined && to !== undefined) return { from, to };
    for (const end of ['from', 'to'] as const)
      if ({ from, to }[end] === undefined && !this.faults[`${field}.${end}`])
        this.faults[`${field}.${end}`] = `The day is missing. Write a day such as 15 Nov.`;
    return undefined;
  }
  /** Some numbers of a group, with those that were typed. */
  group<K extends string>(
    labels: Record<K, string>,
    typed: Record<K, string>,
    field: string,
  ): Partial<Record<K, number>> {
    return Object.fromEntries(
      (Object.keys(labels) as K[]).flatMap((key) => {
        const value = this.number(typed[key], labels[key], `${field}${key}`);
        return value === undefined ? [] : [[key, value]];
      }),
    ) as Partial<Record<K, number>>;
  }
}

const isEmpty = (value: object): boolean => Object.keys(value).length === 0;
const some = (text: string): string | undefined => text.trim() || undefined;
const without = <T extends object>(record: T): T =>
  Object.fromEntries(Object.entries(record).filter(([, value]) => value !== undefined)) as T;

function wateringFrom(typed: TypedCode['watering'], reader: CodeReader): LocalCode['localWatering'] {
  const { days, season } = typed;
  const asked = season.from.trim() !== '' || season.to.trim() !== '';
  const weekdays = without({
    odd: days.odd && WEEKDAYS.filter((each) => days.odd?.includes(each)),
    even: days.even && WEEKDAYS.filter((each) => days.even?.includes(each)),
    all: days.all && WEEKDAYS.filter((each) => days.all?.includes(each)),
  });
  const watering = without({
    weekdays: isEmpty(weekdays) ? undefined : weekdays,
    mostDaysPerWeek: reader.number(typed.mostDaysPerWeek, 'Most days a week', 'mostDaysPerWeek'),
    closedHours: typed.closedHours.length > 0 ? typed.closedHours : undefined,
    season: asked ? reader.span(season, 'season') : undefined,
    stage: some(typed.stage),
  });
  return isEmpty(watering) ? undefined : watering;
}

/**
 * A typed code read: the code as far as it can be read, and a sentence for each field that cannot. The code is what the strip and
 * the preview go by while one types; it is saved only without faults.
 *
 * @param id the id a new code is to have
 */
export function codeFromTyped(
  typed: TypedCode,
  id: string,
  units: Units = usUnits,
): { code: LocalCode; faults: Faults } {
  const reader = new CodeReader(units, typed.held);
  const closed = typed.closed.flatMap(({ nutrients, ...each }, i) => {
    const read = reader.span(each, `closed[${i}]`);
    return read ? [{ ...read, nutrients }] : [];
  });
  const slow = typed.slow.flatMap(({ leastSlowPercent, ...each }, i) => {
    const read = reader.span(each, `slow[${i}]`);
    const percent = reader.number(leastSlowPercent, 'Slow share', `slow[${i}].leastSlowPercent`);
    if (percent === undefined && !reader.faults[`slow[${i}].leastSlowPercent`])
      reader.faults[`slow[${i}].leastSlowPercent`] = 'The share is missing.';
    return read && percent !== undefined ? [{ ...read, leastSlowPercent: percent }] : [];
  });
  const allowances = typed.allowances.flatMap(({ who, maxTotalNPerDose, ...each }, i) => {
    const read = reader.span(each, `allowances[${i}]`);
    const most = reader.number(maxTotalNPerDose, 'N a dose', `allowances[${i}].maxTotalNPerDose`);
    if (most === undefined && !reader.faults[`allowances[${i}].maxTotalNPerDose`])
      reader.faults[`allowances[${i}].maxTotalNPerDose`] = 'The rate is missing.';
    return read && most !== undefined ? [{ ...read, who, maxTotalNPerDose: most }] : [];
  });
  const rain = reader.group(RAIN, typed.heavyRain, 'heavyRain.');
  if (!isEmpty(rain) && (rain.inches === undefined || rain.hours === undefined))
    reader.faults[rain.inches === undefined ? 'heavyRain.inches' : 'heavyRain.hours'] ??=
      'Heavy rain needs both its depth and its hours.';
  const posting = reader.group(POSTING, typed.posting, 'posting.');
  const cite = some(typed.source.cite);
  if (!cite && (typed.source.url.trim() || typed.source.kind))
    reader.faults['source.cite'] = 'A source needs its words: title, chapter, section.';
  if (typed.name.trim() === '') reader.faults.name = 'The code has no name.';
  const code: LocalCode = without({
    id: typed.id ?? id,
    name: some(typed.name),
    who: typed.who,
    area: some(typed.area),
    copyOf: typed.copyOf,
    changedAt: typed.changedAt,
    closed: closed.length > 0 ? closed : undefined,
    ...reader.group(CODE_NUMBERS, typed.numbers, ''),
    slow: slow.length > 0 ? slow : undefined,
    allowances: allowances.length > 0 ? allowances : undefined,
    phosphorusNeedsTest: typed.phosphorusNeedsTest || undefined,
    licenseNeeded: typed.licenseNeeded || undefined,
    sweepRequired: typed.sweepRequired || undefined,
    heavyRain:
      rain.inches !== undefined && rain.hours !== undefined ? { inches: rain.inches, hours: rain.hours } : undefined,
    posting: isEmpty(posting) ? undefined : posting,
    summerNote: some(typed.summerNote),
    localWatering: wateringFrom(typed.watering, reader),
    source: cite ? without({ cite, url: some(typed.source.url), kind: typed.source.kind || undefined }) : undefined,
    checkedOn: some(typed.checkedOn),
    checkedBy: some(typed.checkedBy),
    expiresOn: some(typed.expiresOn),
  });
  return { code, faults: { ...faultsByField(codeSchema, code), ...codeFaults(code), ...reader.faults } };
}

/** What the form holds of each line. */
const OF_LINE: Record<CodeLineId, readonly (keyof TypedCode | CodeNumber)[]> = {
  binds: ['who', 'area'],
  closed: ['closed'],
  'n-dose': ['maxTotalNPerDose'],
  'n-soluble': ['maxSolubleNPerDose'],
  'n-year': ['maxNPerYear'],
  slow: ['leastSlowPercent', 'slow'],
  'p2o5-dose': ['maxP2O5PerDose'],
  'p2o5-year': ['maxP2O5PerYear'],
  setback: ['setbackFt'],
  phosphorus: ['phosphorusNeedsTest'],
  'test-age': ['testWithinYears'],
  allowances: ['allowances'],
  'heavy-rain': ['heavyRain'],
  watering: ['watering'],
  license: ['licenseNeeded'],
  sweeping: ['sweepRequired'],
  posting: ['posting'],
  records: ['recordKeptYears'],
  summer: ['summerNote'],
  source: ['source'],
};

/** What a form changes to so that some lines are again as in the code it was copied from. */
export function asShipped(
  typed: TypedCode,
  shipped: LocalCode,
  lines: readonly CodeLineId[],
  units: Units = usUnits,
): Partial<TypedCode> {
  const back = codeTyped(shipped, units);
  const keys = lines.flatMap((line) => OF_LINE[line]);
  const numbers = Object.fromEntries(
    NUMBER_KEYS.filter((key) => keys.includes(key)).map((key) => [key, back.numbers[key]]),
  );
  const others = Object.fromEntries(
    keys.filter((key) => !(NUMBER_KEYS as string[]).includes(key)).map((key) => [key, back[key as keyof TypedCode]]),
  ) as Partial<TypedCode>;
  return { ...others, numbers: { ...typed.numbers, ...numbers }, held: { ...typed.held, ...back.held } };
}
