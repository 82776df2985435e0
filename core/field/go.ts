import { defineReckoning } from '../reckoning/define';
import { choice, inches, quantity, textureGroup } from '../reckoning/inputs';
import type { ValuesOf } from '../reckoning/inputs';

/**
 * Whether this hour is one to spread in. Every line has its limit and its source; a fact that nobody knows never counts as good. At the
 * limit a line passes.
 */

export const MATERIALS = ['granular', 'fine-granular', 'spray', 'hose-end'] as const;
export type Material = (typeof MATERIALS)[number];
export const CARRIED = ['nitrogen', 'lime', 'hydrated-lime', 'sulfur', 'potash', 'phosphate', 'iron', 'other'] as const;
export type Carried = (typeof CARRIED)[number];

/** Wind and gusts that a material bears, mph. Common practice; a label comes first. */
const MOST_WIND_MPH: Record<Material, number> = { granular: 10, 'fine-granular': 5, spray: 10, 'hose-end': 10 };
const MOST_GUST_MPH: Record<Material, number> = { granular: 15, 'fine-granular': 8, spray: 15, 'hose-end': 15 };
/** Under this a spray may hang in the air near sunrise and sunset, mph and hours. */
const CALM = { mph: 3, hours: 2 } as const;
/** Rain to come that carries off what was spread, in. */
const MOST_RAIN = { in24: 0.5, in48: 1, drying: 0.02 } as const;
/** Rain of the last day after which soft ground is left alone, in. */
const MOST_SOFT_RAIN_IN = { sand: 1.5, loam: 1, clay: 0.75 } as const;
/** Highs over which leaves burn, deg F. */
const MOST_HIGH_F = { cool: 85, warm: 95, gentle: 85 } as const;
/** Lows of the next ten days at which nitrogen waits, deg F. The cool one stands for lows in the low twenties. */
const FROST_F = { warm: 32, cool: 24 } as const;
/** Lime and urea or ammonium keep so far apart, days. */
const LIME_GAP_DAYS = 14;
const USUAL_INTERVAL_DAYS = 28;
const USUAL_WATER_HOURS = 24;
/** What burns in heat; limestone, phosphate and the rest do not. */
const BURNS: readonly Carried[] = ['nitrogen', 'potash', 'sulfur', 'iron', 'hydrated-lime'];
/** Of those, what burns cool-season and warm-season turf alike. */
const BURNS_ALL: readonly Carried[] = ['sulfur', 'iron', 'hydrated-lime'];

export const GO_LINES = [
  'ground',
  'setback',
  'code',
  'license',
  'label',
  'turf',
  'wind',
  'gust',
  'calm',
  'rain24',
  'rain48',
  'drying',
  'soft',
  'heat',
  'cold',
  'frost',
  'leaf',
  'interval',
  'lime-gap',
  'warm-soil',
  'young',
  'mown',
  'sick',
  'water-in',
] as const;
export type GoLineId = (typeof GO_LINES)[number];
/** Strongest first. */
export const VERDICTS = ['never', 'wait', 'ask', 'go'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** A line of the verdict: what was found, against what. */
export interface GoLine {
  id: GoLineId;
  standing: Verdict;
  /** What is known of it; undefined where nothing is. */
  value?: number | string;
  /** The most it may be, where it is a number; the least for frost, days and so on. */
  limit?: number;
}

const rain = (label: string) => inches(label, { min: 0, max: 40, optional: true });
const days = (label: string) => quantity('days')(label, { min: 0, max: 400, optional: true });
const degrees = (label: string) => quantity('deg F')(label, { min: -80, max: 140, optional: true });

const INPUTS = {
  material: choice('material', MATERIALS),
  season: choice('season of the grass', ['cool', 'warm'] as const),
  carries: choice('what it carries', CARRIED),
  textureGroup: textureGroup(),
  ground: choice('ground', ['firm', 'soft', 'saturated', 'frozen', 'hard'] as const, { optional: true }),
  turf: choice('turf', ['growing', 'dormant', 'drought-stressed', 'waking', 'newly-sown'] as const, { optional: true }),
  leaf: choice('leaf', ['dry', 'wet', 'frosted'] as const, { optional: true }),
  setback: choice('strip at water', ['kept', 'not-kept'] as const, { optional: true }),
  code: choice('local code', ['open', 'closed'] as const, { optional: true }),
  license: choice('license', ['held', 'not-needed', 'missing'] as const, { optional: true }),
  label: choice('label of a pesticide', ['with-me', 'not-seen'] as const, { optional: true }),
  windMph: quantity('mph')('mean wind', { min: 0, max: 150, optional: true }),
  gustMph: quantity('mph')('gusts', { min: 0, max: 200, optional: true }),
  mostWindMph: quantity('mph')('most wind of the label', { above: 0, max: 50, optional: true }),
  hoursFromSun: quantity('h')('hours from the nearer of sunrise and sunset', { min: 0, max: 12, optional: true }),
  rainNext24In: rain('rain of the next 24 h'),
  rainNext48In: rain('rain of the next 48 h'),
  rainLast24In: rain('rain of the last 24 h'),
  rainWhileDryingIn: rain('rain while it dries'),
  heavyRainIn: inches('heavy rain of the local code', { above: 0, max: 10, optional: true }),
  highF: degrees('high of the day'),
  lowestLowF: degrees('lowest low of ten days'),
  mostAirF: degrees('most air of the label'),
  leastAirF: degrees('least air of the label'),
  daysSinceN: days('days since the last nitrogen'),
  leastDaysBetweenN: days('least days between nitrogen'),
  daysLimeAmmonia: days('days between lime and urea or ammonium'),
  soilF: degrees('soil at 3 in'),
  leastSoilF: degrees('least soil for what microbes work'),
  daysSinceSown: days('days since the sowing or sodding'),
  leastDaysSown: days('least days before a second feeding of a new stand'),
  daysSinceMown: days('days since the last mowing'),
  leastDaysSinceMown: days('least days between mowing and a spray'),
  disease: choice('disease that was seen', ['over', 'spreading', 'not-known'] as const, { optional: true }),
  hoursToWater: quantity('h')('hours until it is watered in', { min: 0, max: 240, optional: true }),
  waterWithinHours: quantity('h')('hours within which it must be', { above: 0, max: 240, optional: true }),
} as const;
export type GoFacts = ValuesOf<typeof INPUTS>;

/**
 * Every line that bears on a material, with what was found; a line that asks about nothing here is left out.
 *
 * @example goLines({ material: 'granular', season: 'cool', carries: 'lime', textureGroup: 'loam' })[0] // ground, ask
 */
export function goLines(facts: GoFacts): GoLine[] {
  const { material, season, carries, ground, turf, leaf, windMph, gustMph } = facts;
  const lines: GoLine[] = [];
  const add = (id: GoLineId, standing: Verdict, value?: number | string, limit?: number) =>
    lines.push({ id, standing, ...(value === undefined ? {} : { value }), ...(limit === undefined ? {} : { limit }) });
  /** A number that may be so large and no larger; `unknown` is what stands where it is not known. */
  const most = (id: GoLineId, value: number | undefined, limit: number, unknown?: Verdict) => {
    if (value !== undefined) add(id, value > limit + 1e-9 ? 'wait' : 'go', value, limit);
    else if (unknown) add(id, unknown, undefined, limit);
  };
  const nitrogen = carries === 'nitrogen';
  const liquid = material === 'spray' || material === 'hose-end';

  add('ground', ground === undefined ? 'ask' : ground === 'firm' || ground === 'soft' ? 'go' : 'never', ground);
  if (facts.setback) add('setback', facts.setback === 'kept' ? 'go' : 'never', facts.setback);
  if (facts.code) add('code', facts.code === 'open' ? 'go' : 'never', facts.code);
  if (facts.license) add('license', facts.license === 'missing' ? 'never' : 'go', facts.license);
  // of a pesticide its own label decides, and somebody has read it on the spot
  if (facts.label) add('label', facts.label === 'with-me' ? 'go' : 'ask', facts.label);
  add('turf', turf === undefined ? 'ask' : turf === 'growing' ? 'go' : 'wait', turf);
  most('wind', windMph, Math.min(MOST_WIND_MPH[material], facts.mostWindMph ?? Infinity), 'ask');
  most('gust', gustMph, MOST_GUST_MPH[material]);
  if (material === 'spray' && windMph !== undefined && facts.hoursFromSun !== undefined)
    add('calm', windMph < CALM.mph && facts.hoursFromSun < CALM.hours ? 'wait' : 'go', windMph, CALM.mph);
  most('rain24', facts.rainNext24In, Math.min(MOST_RAIN.in24, facts.heavyRainIn ?? Infinity), 'ask');
  // two days hold at least what their first one does, wherever either is known from
  const in48 = facts.rainNext48In;
  most('rain48', in48 === undefined ? undefined : Math.max(in48, facts.rainNext24In ?? 0), MOST_RAIN.in48);
  if (material === 'spray') most('drying', facts.rainWhileDryingIn, MOST_RAIN.drying);
  if (ground === 'soft') most('soft', facts.rainLast24In, MOST_SOFT_RAIN_IN[facts.textureGroup]);
  const burns = BURNS.includes(carries);
  const labelHeat = facts.mostAirF;
  if (burns || liquid || labelHeat !== undefined)
    most(
      'heat',
      facts.highF,
      Math.min(
        burns || liquid ? (liquid || BURNS_ALL.includes(carries) ? MOST_HIGH_F.gentle : MOST_HIGH_F[season]) : Infinity,
        labelHeat ?? Infinity,
      ),
      burns || labelHeat !== undefined ? 'ask' : undefined,
    );
  // the day's high is the most the air comes to: under the label's least it never gets there
  if (facts.leastAirF !== undefined)
    add(
      'cold',
      facts.highF === undefined ? 'ask' : facts.highF < facts.leastAirF - 1e-9 ? 'wait' : 'go',
      facts.highF,
      facts.leastAirF,
    );
  if (nitrogen) {
    const limit = FROST_F[season];
    const low = facts.lowestLowF;
    add('frost', low === undefined ? 'ask' : low <= limit + 1e-9 ? 'wait' : 'go', low, limit);
  }
  // some pesticides stick only to a wet leaf: their labels say which
  if (facts.label) {
    if (leaf === 'frosted') add('leaf', 'wait', leaf);
  } else if (leaf === undefined) {
    if (material !== 'hose-end') add('leaf', 'ask');
  } else add('leaf', leaf === 'frosted' || (leaf === 'wet' && material !== 'hose-end') ? 'wait' : 'go', leaf);
  const least = (id: GoLineId, value: number | undefined, limit: number) => {
    if (value !== undefined) add(id, value < limit - 1e-9 ? 'wait' : 'go', value, limit);
  };
  if (nitrogen) least('interval', facts.daysSinceN, facts.leastDaysBetweenN ?? USUAL_INTERVAL_DAYS);
  least('lime-gap', facts.daysLimeAmmonia, LIME_GAP_DAYS);
  if (facts.leastSoilF !== undefined) least('warm-soil', facts.soilF, facts.leastSoilF);
  if (facts.leastDaysSown !== undefined) least('young', facts.daysSinceSown, facts.leastDaysSown);
  if (facts.leastDaysSinceMown !== undefined) least('mown', facts.daysSinceMown, facts.leastDaysSinceMown);
  if (facts.disease)
    add('sick', facts.disease === 'over' ? 'go' : facts.disease === 'spreading' ? 'wait' : 'ask', facts.disease);
  most('water-in', facts.hoursToWater, facts.waterWithinHours ?? USUAL_WATER_HOURS);
  return lines;
}

/** The strongest verdict among lines. */
export const verdictOf = (lines: readonly GoLine[]): Verdict =>
  VERDICTS.find((verdict) => lines.some(({ standing }) => standing === verdict)) ?? 'go';

/** Go, wait, never or look first, for one hour. Granular lime on growing, dry, firm turf in 4 mph and no rain: go. */
export const fieldGo = defineReckoning({
  id: 'field.go',
  title: 'Go, wait or never',
  about:
    'Whether this hour is one to spread in: ground, law, turf, wind, rain, heat, frost, leaf, what was given before, and the water after.',
  inputs: INPUTS,
  unit: 'verdict: word; reasons: lines of the strongest verdict',
  formula: ['the strongest of all lines: never, wait, look first, go', 'a fact that nobody knows never counts as good'],
  sources: [
    { cite: 'Limits of wind, gusts, rain, heat and frost; labels and places differ', standing: 'common practice' },
  ],
  limits: ['A label’s own limit comes first where it is stricter.', 'At the limit a line passes.'],
  example: {
    inputs: {
      material: 'granular',
      season: 'cool',
      carries: 'lime',
      textureGroup: 'loam',
      ground: 'firm',
      turf: 'growing',
      leaf: 'dry',
      windMph: 4,
      rainNext24In: 0,
    },
    value: { verdict: 'go', reasons: '' },
  },
  reckon(facts, work) {
    const lines = goLines(facts);
    for (const { id, standing, value, limit } of lines)
      work.note(id, limit === undefined ? 'as it is' : `limit ${limit}`, `${value ?? 'unknown'}: ${standing}`);
    const verdict = verdictOf(lines);
    const reasons =
      verdict === 'go'
        ? ''
        : lines
            .filter(({ standing }) => standing === verdict)
            .map(({ id }) => id)
            .join(', ');
    return { verdict, reasons };
  },
});
