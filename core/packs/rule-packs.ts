import * as yup from 'yup';
import { codeSchema, type LocalCode, METHODS, ANALYTES, type Analyte, type Method } from '../records/case';
import { checkShape, list, num, text, word, yes } from '../records/strict-schema';
import { GRASS_IDS, type GrassId } from '../records/vocabularies';
import { type Grass } from './grasses';
import type { Standing } from '../reckoning/define';
import { isRefusal, type Refusal, refuse } from '../reckoning/refusal';
import { interpolate, type TablePoint } from '../tables/interpolate';
import saturationFile from './base-saturation.json';
import grassFile from './grasses.json';
import finenessFile from './lime-fineness.json';
import codesFile from './local-codes.json';
import minimumFile from './minimum-levels.json';
import sufficiencyFile from './sufficiency.json';

/** Where a row of a pack comes from; every finding names it. */
export interface PackSource {
  name: string;
  cite: string;
  standing: Standing;
}

/** Where the levels of one analyte by one extractant start, ppm. */
export interface Range {
  low?: number;
  enough: number;
  high: number;
  /** Flagged from here, and called harmful from `toxic` (A11). */
  flagged?: number;
  toxic?: number;
  /** Whose steps these are, in a sentence. */
  note?: string;
}
interface RangeRow extends Partial<Range> {
  analyte: Analyte;
  method: Method;
  enoughByPh?: TablePoint[];
  highByPh?: TablePoint[];
}

/** How far each sieve class counts, percent. State lime laws differ; the rule is data. */
export interface FinenessRule {
  id: string;
  name: string;
  over8Mesh: number;
  mesh8to20: number;
  mesh20to60: number;
  under60Mesh: number;
}

type Sourced<T> = T & { source: PackSource };
export type MinimumNutrient = 'K' | 'P' | 'Ca' | 'Mg' | 'S';
export type SaturationCation = 'Ca' | 'Mg' | 'K' | 'Na';

/** The tables everything is judged by. A user's own pack replaces rows of the built-in ones. */
export interface RulePacks {
  grasses: ReadonlyMap<GrassId, Sourced<Grass>>;
  sufficiency: ReadonlyMap<string, Sourced<RangeRow>>;
  minimum: Sourced<{ ppm: Record<MinimumNutrient, number> }>;
  saturation: Sourced<{ percentOfCec: Record<SaturationCation, readonly [number, number]> }>;
  codes: readonly Sourced<LocalCode>[];
  /** How sieve classes of a lime count: the last rule laid over holds. */
  fineness: FinenessRule;
}

const sourceSchema = yup
  .object({
    cite: text('Source', 600).required('A pack must name its source.'),
    standing: word('Standing', ['published', 'from memory', 'common practice']).required(
      'A pack must say how far its numbers may be trusted.',
    ),
  })
  .required('A pack must name its source.');
const head = {
  pack: text('Pack name', 80).required('The pack has no name.').min(1),
  version: text('Version', 20).required('The pack has no version.').min(1),
  source: sourceSchema,
};
const ph = (label: string) => num(label, { min: 3.5, max: 9.5 });
const pair = (label: string, max: number) =>
  yup.tuple([num(`${label}, from`, { min: 0, max }).required(), num(`${label}, to`, { min: 0, max }).required()]);

/** Whether an order can be judged at all: what is no number is refused at its own field. */
const areNumbers = (...values: unknown[]): boolean => values.every((value) => typeof value === 'number');

const grassRow = yup
  .object({
    id: word('Grass id', GRASS_IDS).required('A grass needs its id.'),
    name: text('Grass name', 60).required('A grass needs its name.'),
    season: word('Season', ['cool', 'warm']).required('Say whether the grass is cool- or warm-season.'),
    phLow: ph('pH window, low').required('The pH window has no low end.'),
    phHigh: ph('pH window, high').required('The pH window has no high end.'),
    phAim: ph('pH aim').required('The pH aim is missing.'),
    nitrogenLb: yup
      .object({
        low: num('N, low care', { min: 0, max: 10 }).required(),
        standard: num('N, standard care', { min: 0, max: 10 }).required(),
        high: num('N, high care', { min: 0, max: 10 }).required(),
      })
      .required('Nitrogen by care is missing.'),
    ceilingLb: num('Yearly N ceiling', { min: 0, max: 10 }).required('The yearly N ceiling is missing.'),
    mowIn: pair('Mowing height', 8).required('The mowing height is missing.'),
    lowChloride: yes('Low chloride').optional(),
    phTopIsOptimum: yes('pH top is an optimum').optional(),
    salineFromDsPerM: num('Saline from', { above: 0, max: 60, unit: 'dS/m' }).optional(),
    note: text('Note', 300).optional().default(''),
  })
  .test(
    'order',
    'pH window and nitrogen must rise: low end, aim, high end; low, standard, high care, ceiling.',
    (g) =>
      !areNumbers(g.phLow, g.phAim, g.phHigh, ...Object.values(g.nitrogenLb ?? {}), g.ceilingLb) ||
      (g.phLow <= g.phAim &&
        g.phAim <= g.phHigh &&
        g.nitrogenLb?.low <= g.nitrogenLb?.standard &&
        g.nitrogenLb?.standard <= g.nitrogenLb?.high &&
        g.nitrogenLb?.high <= g.ceilingLb),
  );

const byPh = list('Bounds by pH', pair('Bound by pH', 1000).required(), 20);
const rangeRow = yup
  .object({
    analyte: word('Analyte', ANALYTES).required('A range needs its analyte.'),
    method: word('Method', METHODS).required('A range needs its extractant.'),
    low: num('Low starts', { min: 0 }).optional(),
    enough: num('Enough starts', { min: 0 }).optional(),
    high: num('High starts', { min: 0 }).optional(),
    flagged: num('Flagged from', { min: 0 }).optional(),
    toxic: num('Harmful from', { min: 0 }).optional(),
    note: text('Note', 200).optional(),
    enoughByPh: byPh.optional(),
    highByPh: byPh.optional(),
  })
  .test(
    'bounds',
    'A range needs where enough and high start, rising, or both by pH.',
    (r) =>
      !areNumbers(...[r.low, r.enough, r.high].filter((bound) => bound !== undefined)) ||
      (r.enough !== undefined && r.high !== undefined && (r.low ?? 0) <= r.enough && r.enough < r.high) ||
      (r.enoughByPh !== undefined && r.highByPh !== undefined),
  );

const counts = (label: string) =>
  num(label, { min: 0, max: 100, unit: '%' }).required(`${label}: say how far it counts, in percent.`);
const finenessRow = yup
  .object({
    id: text('Rule id', 60).required('A rule needs its id.').min(1),
    name: text('Rule name', 120).required('A rule needs its name.'),
    over8Mesh: counts('Over 8 mesh'),
    mesh8to20: counts('8 to 20 mesh'),
    mesh20to60: counts('20 to 60 mesh'),
    under60Mesh: counts('Under 60 mesh'),
  })
  .test(
    'order',
    'Finer lime never counts less: over 8, 8 to 20, 20 to 60, under 60 mesh must not fall.',
    (r) =>
      !areNumbers(r.over8Mesh, r.mesh8to20, r.mesh20to60, r.under60Mesh) ||
      (r.over8Mesh <= r.mesh8to20 && r.mesh8to20 <= r.mesh20to60 && r.mesh20to60 <= r.under60Mesh),
  );

/** Schemas of the packs a user may bring, by kind. */
export const PACK_SCHEMAS = {
  grasses: yup.object({
    kind: word('Kind', ['grasses']).required(),
    ...head,
    grasses: list('Grasses', grassRow.required(), 60).required('The pack holds no grasses.').min(1),
  }),
  sufficiency: yup.object({
    kind: word('Kind', ['sufficiency']).required(),
    ...head,
    ranges: list('Ranges', rangeRow.required(), 300).required('The pack holds no ranges.').min(1),
  }),
  'minimum-levels': yup.object({
    kind: word('Kind', ['minimum-levels']).required(),
    ...head,
    method: word('Method', ['mehlich-3']).optional(),
    phFrom: ph('pH from').optional(),
    minimumPpm: yup
      .object({
        K: num('K', { min: 0 }).required(),
        P: num('P', { min: 0 }).required(),
        Ca: num('Ca', { min: 0 }).required(),
        Mg: num('Mg', { min: 0 }).required(),
        S: num('S', { min: 0 }).required(),
      })
      .required(),
  }),
  'base-saturation': yup.object({
    kind: word('Kind', ['base-saturation']).required(),
    ...head,
    doubt: text('Doubt', 400).optional(),
    percentOfCec: yup
      .object({
        Ca: pair('Ca', 100).required(),
        Mg: pair('Mg', 100).required(),
        K: pair('K', 100).required(),
        Na: pair('Na', 100).required(),
      })
      .required(),
  }),
  'local-codes': yup.object({
    kind: word('Kind', ['local-codes']).required(),
    ...head,
    codes: list('Codes', codeSchema, 200).required('The pack holds no codes.'),
  }),
  'lime-fineness': yup.object({
    kind: word('Kind', ['lime-fineness']).required(),
    ...head,
    rules: list('Rules', finenessRow.required(), 20).required('The pack holds no rules.').min(1),
  }),
} as const;
export type PackKind = keyof typeof PACK_SCHEMAS;
export const PACK_KINDS = Object.keys(PACK_SCHEMAS) as PackKind[];

/** A pack as it was checked: its head, and the rows of its kind. */
export interface PackFile {
  kind: string;
  pack: string;
  version: string;
  source: { cite: string; standing: string };
  [rows: string]: unknown;
}
const sourceOf = ({ pack, version, source }: PackFile): PackSource => ({
  name: `${pack} ${version}`,
  cite: source.cite,
  standing: source.standing as Standing,
});

function merged(packs: RulePacks, kind: PackKind, file: PackFile): RulePacks {
  const source = sourceOf(file);
  switch (kind) {
    case 'grasses': {
      const rows = (file as unknown as { grasses: Grass[] }).grasses;
      return {
        ...packs,
        grasses: new Map([
          ...packs.grasses,
          ...rows.map((row): [GrassId, Sourced<Grass>] => [row.id, { ...row, source }]),
        ]),
      };
    }
    case 'sufficiency': {
      const rows = (file as unknown as { ranges: RangeRow[] }).ranges;
      return {
        ...packs,
        sufficiency: new Map([
          ...packs.sufficiency,
          ...rows.map((row): [string, Sourced<RangeRow>] => [`${row.analyte}/${row.method}`, { ...row, source }]),
        ]),
      };
    }
    case 'minimum-levels':
      return {
        ...packs,
        minimum: { ppm: (file as unknown as { minimumPpm: RulePacks['minimum']['ppm'] }).minimumPpm, source },
      };
    case 'base-saturation':
      return {
        ...packs,
        saturation: { percentOfCec: (file as unknown as RulePacks['saturation']).percentOfCec, source },
      };
    case 'lime-fineness':
      // the first rule of a pack is the one it stands for; the others are there to be chosen
      return { ...packs, fineness: (file.rules as FinenessRule[])[0] as FinenessRule };
    case 'local-codes':
      return {
        ...packs,
        codes: [
          ...packs.codes,
          ...(file as unknown as { codes: LocalCode[] }).codes.map((code) => ({ ...code, source })),
        ],
      };
  }
}

/** The packs that ship, as files. */
export const BUILT_IN_FILES: readonly PackFile[] = [
  grassFile,
  sufficiencyFile,
  minimumFile,
  saturationFile,
  codesFile,
  finenessFile,
] as unknown as PackFile[];
const nothing = { grasses: new Map(), sufficiency: new Map(), codes: [] } as unknown as RulePacks;

/** The shipped pack of a kind. */
export const shippedPack = (kind: PackKind): PackFile => BUILT_IN_FILES.find((file) => file.kind === kind) as PackFile;

/** The packs that ship with Ubertas. */
export const BUILT_IN_PACKS: RulePacks = BUILT_IN_FILES.reduce(
  (packs, file) => merged(packs, file.kind as PackKind, file),
  nothing,
);

/** A rule pack as it came, checked, or the sentence and field that say why it is none. */
export function checkPack(raw: unknown): PackFile | Refusal {
  const kind = (raw as { kind?: unknown } | null)?.kind;
  if (typeof kind !== 'string' || !PACK_KINDS.includes(kind as PackKind))
    return refuse('kind', `A rule pack says its kind, one of ${PACK_KINDS.join(', ')}.`);
  return checkShape(PACK_SCHEMAS[kind as PackKind] as unknown as yup.Schema<PackFile>, raw);
}

/** Packs with a user's own laid over them, or why the file is not one. Rows it does not hold stay as they were. */
export function withPack(packs: RulePacks, raw: unknown): RulePacks | Refusal {
  const checked = checkPack(raw);
  return isRefusal(checked) ? checked : merged(packs, checked.kind as PackKind, checked);
}

/** The grass table's row. */
export const grassIn = (packs: RulePacks, id: GrassId): Sourced<Grass> => packs.grasses.get(id) as Sourced<Grass>;

/** The range for an analyte and extractant; manganese's bounds move with pH. Undefined where no pack has a row. */
export function rangeIn(
  packs: RulePacks,
  analyte: Analyte,
  method: Method,
  soilPh = 6.5,
): (Range & { source: PackSource }) | undefined {
  const row = packs.sufficiency.get(`${analyte}/${method}`);
  if (!row) return undefined;
  if (row.enoughByPh && row.highByPh)
    return { enough: interpolate(row.enoughByPh, soilPh), high: interpolate(row.highByPh, soilPh), source: row.source };
  return row as Range & { source: PackSource };
}
