import { BUILT_IN_PACKS, grassIn, type RulePacks } from '../packs/rule-packs';
import type { OwnFigure, OwnLine, SoilTest, Zone } from '../records/case';
import type { ZonePrescription } from './prescription';

/** Something in which two zones differ, and why that matters to a prescription. */
export interface Difference {
  what: string;
  from: string;
  to: string;
  matters: string;
}

const words = (value: string | undefined, otherwise: string): string => (value ?? otherwise).replaceAll('-', ' ');
const yesNo = (value: boolean | undefined): string => (value === false ? 'not irrigated' : 'irrigated');
const reported = (test: SoilTest | undefined): string => (test ? `report of ${test.sampledOn}` : 'no report');
type Result = NonNullable<SoilTest['results']>[number];
const resultOf = (test: SoilTest | undefined, analyte: string): Result | undefined =>
  test?.results?.find((each) => each.analyte === analyte && each.value !== undefined);
const inWords = (result: Result | undefined, withMethod: boolean): string =>
  result === undefined
    ? 'not reported'
    : [result.value, result.unit, withMethod ? `(${words(result.method, 'method unknown')})` : '']
        .filter((part) => part !== undefined && part !== '')
        .join(' ');
/** Readings closer than this are the same ground, as a share; pH within 0.2. Trend noise, common practice. */
const SAME_WITHIN = 0.15;
const SAME_PH_WITHIN = 0.2;
/** A result is only comparable with its extractant and its unit. */
const comparable = (a: Result, b: Result): boolean => a.unit === b.unit && a.method === b.method;
const alike = (a: Result | undefined, b: Result | undefined, analyte: string): boolean => {
  if (!a || !b) return a === b;
  if (!comparable(a, b)) return false;
  const [x, y] = [a.value as number, b.value as number];
  return analyte === 'pH' ? Math.abs(x - y) < SAME_PH_WITHIN - 1e-9 : Math.abs(x - y) <= SAME_WITHIN * Math.max(x, y);
};

/**
 * In what two zones differ: grass, soil, care and report. Somebody must see this before a prescription of one is put on
 * the other. Equal zones give an empty list.
 */
export function differencesOf(
  from: { zone: Zone; test?: SoilTest },
  to: { zone: Zone; test?: SoilTest },
  packs: RulePacks = BUILT_IN_PACKS,
): Difference[] {
  const found: Difference[] = [];
  const compare = (what: string, a: string, b: string, matters: string) => {
    if (a !== b) found.push({ what, from: a, to: b, matters });
  };
  const [a, b] = [from.zone, to.zone];
  const grass = (zone: Zone) => grassIn(packs, zone.grass);
  compare('Grass', grass(a).name, grass(b).name, 'Base nitrogen, ceiling, pH window and dates follow from it.');
  if (grass(a).season !== grass(b).season)
    compare(
      'Season',
      `${grass(a).season}-season`,
      `${grass(b).season}-season`,
      'Fed in opposite seasons: never one rate for both.',
    );
  compare(
    'Soil',
    words(a.texture, ''),
    words(b.texture, ''),
    'Decides sulfur and lime by texture, dose sizes and what a ppm weighs.',
  );
  compare(
    'Turf',
    words(a.turf, 'established'),
    words(b.turf, 'established'),
    'Doses of close-cut and tilled ground are others.',
  );
  compare('Care', words(a.care, 'standard'), words(b.care, 'standard'), 'Base nitrogen follows from it.');
  compare('Light', words(a.light, 'full sun'), words(b.light, 'full sun'), 'Shade takes nitrogen off.');
  compare('Water', yesNo(a.irrigated), yesNo(b.irrigated), 'Dry ground gets a quarter less nitrogen.');
  compare('Clippings', words(a.clippings, 'bagged'), words(b.clippings, 'bagged'), 'Returned clippings feed back.');
  compare('Wear', words(a.wear, 'light'), words(b.wear, 'light'), 'Heavy wear adds nitrogen.');
  compare(
    'Report',
    reported(from.test),
    reported(to.test),
    'Lime, sulfur, P2O5 and K2O follow only from a zone’s own test.',
  );
  for (const analyte of ['pH', 'P', 'K', 'Mg']) {
    const [x, y] = [resultOf(from.test, analyte), resultOf(to.test, analyte)];
    if (alike(x, y, analyte)) continue;
    const apart = x !== undefined && y !== undefined && !comparable(x, y);
    found.push({
      what: `${analyte} on the report`,
      from: inWords(x, apart),
      to: inWords(y, apart),
      matters: apart
        ? 'Measured otherwise: the two numbers cannot be compared.'
        : 'The rate reckoned for one does not fit the other.',
    });
  }
  return found;
}

/** A figure that would be copied, or the reason why it is not. */
export interface CopiedLine {
  line: OwnLine;
  name: string;
  /** lb/1000 ft2 in the form bags state, with its substance. */
  value: number;
  unit: string;
  refused?: string;
}

/**
 * The figures of a prescription as they would stand on another zone. What only ever follows a test is refused where the
 * other zone has none, phosphorus also where its own test asks for none, lime and sulfur unless its own pH asks for them.
 */
export function linesToCopy(from: ZonePrescription, to: ZonePrescription): CopiedLine[] {
  const untested = to.tested ? undefined : 'no report of its own';
  const { ph } = from;
  const correction = ph.action === 'lime' || ph.action === 'sulfur' ? ph.action : undefined;
  const lines: CopiedLine[] = [
    { line: 'nitrogen', name: 'Nitrogen', value: from.nitrogen.year.value, unit: 'N' },
    {
      line: 'phosphorus',
      name: 'Phosphorus',
      value: from.phosphorus.yearLb,
      unit: 'P2O5',
      refused:
        untested ??
        (from.phosphorus.yearLb > 0 && to.phosphorus.yearLb === 0 ? 'its own test asks for none' : undefined),
    },
    { line: 'potassium', name: 'Potassium', value: from.potassium.yearLb, unit: 'K2O', refused: untested },
    { line: 'magnesium', name: 'Magnesium', value: from.magnesium.yearLb, unit: 'Mg', refused: untested },
    { line: 'sulfur', name: 'Sulfur, combined', value: from.sulfur.yearLb, unit: 'S', refused: untested },
  ];
  if (correction)
    lines.unshift({
      line: correction === 'lime' ? 'lime' : 'free-sulfur',
      name: correction === 'lime' ? 'Lime' : 'Free sulfur',
      value: ph.material?.value ?? 0,
      unit: correction === 'lime' ? 'lime' : 'S',
      refused: untested ?? (to.ph.action === correction ? undefined : `its own pH asks for no ${correction}`),
    });
  return lines;
}

/** The chosen lines as overrides of the other zone, each saying where it came from. Its other overrides stay. */
export function copiedOnto(
  zone: Zone,
  lines: readonly CopiedLine[],
  { fromName, reason, by, on }: { fromName: string; reason: string; by?: string; on: string },
): Zone {
  const copied: OwnFigure[] = lines
    .filter((line) => line.refused === undefined)
    .map(({ line, value }) => ({
      line,
      value,
      reason: `Copied from ${fromName}. ${reason}`.trim(),
      ...(by ? { by } : {}),
      on,
    }));
  const replaced = new Set(copied.map((own) => own.line));
  return { ...zone, own: [...(zone.own ?? []).filter((own) => !replaced.has(own.line)), ...copied] };
}
