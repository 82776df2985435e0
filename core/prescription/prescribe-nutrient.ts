import { addDays, yearsBetween } from '../days/day';
import type { Method, OwnFigure, Product, Zone } from '../records/case';
import { minimumNeed } from '../nutrients/minimum';
import { saturationNeed } from '../nutrients/saturation';
import { BUILT_IN_PACKS } from '../packs/rule-packs';
import { cecOf, saturationBar } from '../soil/other-schools';
import type { ZoneFacts } from './zone-facts';
import { nutrientBalance } from '../nutrients/balance';
import { oxideOfElement } from '../nutrients/oxide';
import { growthRemoval } from '../nutrients/removal';
import { DEFAULT_BULK_DENSITY, groupOfTexture } from '../ground/texture-groups';
import type { Finding, Interpretation } from '../soil/interpret';
import { zoneBulkDensity } from '../soil/report';
import type { Level } from '../soil/levels';
import { capped } from './capped';
import { isWeakSoil } from './cation-exchange';
import { deficitLeft } from './deficit-left';
import { laboratoryFigure } from './laboratory-figure';
import { loggedSince } from './ledger';
import { type Figure, sureFigure, traced } from '../reckoning/figure';
import { inPlaceOf, ownOf } from './override-figure';
import type { NutrientPrescription } from './prescription';
import { sayDate } from '../words/days';
import { threeDigits } from '../words/numbers';
import { ELEMENT_IN_OXIDE } from '../units/atomic-masses';

/** Depth that feeds established turf, in; not the sample's depth. Decision, 3-6 in is in use. */
const ROOT_ZONE_IN = 4;
/** Extractants that measure a mass in soil, by nutrient; the others are indices and prescribe by level. */
const MEASURES_MASS: Record<'P' | 'K' | 'Mg' | 'S', readonly Method[]> = {
  P: ['mehlich-3'],
  K: ['mehlich-3', 'ammonium-acetate'],
  Mg: ['mehlich-3', 'ammonium-acetate'],
  S: ['mehlich-3'],
};
/** Most a year, lb/1000 ft2, in the form bags state. Decision. */
const YEARLY_CAP_LB = { P: 2, K: 4, Mg: 1, S: 2 } as const;
/** On sand K2O may go so far above the year's N, because it leaches with it (D1). Common practice. */
const SAND_POTASH_OVER_N = 1.5;
/** Needs under this are said and not planned: no spreader holds them, lb/1000 ft2 (D3). */
export const TOO_SMALL_LB = { P: 0.1, K: 0.1, Mg: 0.05, S: 0.1 } as const;
/** After the first dose that filled a deficit so long, the rest waits for a new report, days (B4). */
const DEFICIT_GOOD_FOR_DAYS = 365;
/** By level, where the extractant is an index, lb oxide/1000 ft2 a year. Common practice. */
const BY_LEVEL_LB = {
  P: { 'very-low': 2, low: 1, enough: 0, high: 0, unreadable: 0 },
  K: { 'very-low': 3, low: 2, enough: 0, high: 0, unreadable: 0 },
  Mg: { 'very-low': 1, low: 0.5, enough: 0, high: 0, unreadable: 0 },
  S: { 'very-low': 0.5, low: 0.25, enough: 0, high: 0, unreadable: 0 },
} satisfies Record<string, Record<Level, number>>;

export type PrescribedNutrient = keyof typeof YEARLY_CAP_LB;
const SOLD_AS = { P: 'P2O5', K: 'K2O', Mg: 'Mg', S: 'S' } as const;
const NAMES = { P: 'Phosphorus', K: 'Potassium', Mg: 'Magnesium', S: 'Sulfur' } as const;

const none = (level: NutrientPrescription['level'], says: string): NutrientPrescription => ({ level, says, yearLb: 0 });

/** A line whose sentence is the finding's and what it orders, made when somebody reads it. */
class NutrientLine implements NutrientPrescription {
  constructor(
    private readonly finding: Finding,
    private readonly order: string,
    readonly yearLb: number,
    readonly year?: Figure,
  ) {}
  get level(): Level {
    return this.finding.level;
  }
  get says(): string {
    return this.order ? `${this.finding.says} ${this.order}` : this.finding.says;
  }
}

/** Need by mass balance on the root zone: the sufficiency school's. */
function balanceFigure(nutrient: PrescribedNutrient, finding: Finding, zone: Zone, yearN: Figure): Figure {
  const rootZone = rootZoneOf(zone);
  const clippings = clippingsOf(zone);
  const removal = sureFigure(
    growthRemoval,
    {
      nutrient: traced(nutrient, 'this nutrient'),
      yearNitrogenLb: traced(yearN.value, 'nitrogen for the year', yearN),
      clippings: traced(clippings, 'care of the zone'),
    },
    {
      title: `${nutrient} that growth takes`,
      unit: `lb ${nutrient} per 1000 ft2`,
      usedIn: `Prescribe: the ${NAMES[nutrient].toLowerCase()} balance.`,
    },
  );
  return sureFigure(
    nutrientBalance,
    {
      testPpm: traced(finding.value, `soil report, ${finding.method ?? ''}`),
      enoughPpm: traced(finding.range?.enough ?? 0, `${finding.source}, start of enough`),
      depthIn: rootZone,
      bulkDensity: traced(
        zoneBulkDensity(zone),
        zone.bulkDensity === undefined
          ? `default for ${groupOfTexture(zone.texture)}, ${DEFAULT_BULK_DENSITY[groupOfTexture(zone.texture)]}`
          : 'zone',
      ),
      removalLb: traced(removal.value, 'removal by growth', removal),
    },
    {
      title: `${NAMES[nutrient]} balance`,
      unit: `lb ${nutrient} per 1000 ft2`,
      alternatives: () => [
        ...(rootZone.value === 6 ? [] : [{ says: 'Root zone 6 in', change: { depthIn: 6 } }]),
        { says: 'Soil only, no growth', change: { removalLb: 0 } },
      ],
      usedIn: `Prescribe: ${NAMES[nutrient].toLowerCase()} for the year.`,
    },
  );
}

/** Depth of the root zone: the agronomist's own, else the usual one. */
const rootZoneOf = (zone: Zone) => {
  const own = ownOf(zone, 'root-zone');
  return own
    ? traced(own.value, `own root zone: ${own.reason}`)
    : traced(ROOT_ZONE_IN, 'root zone of turf, common practice');
};

const clippingsOf = (zone: Zone): 'returned' | 'bagged' => (zone.clippings === 'bagged' ? 'bagged' : 'returned');

/** Need by the property's school of interpretation; where that school has no rule here, by sufficiency. */
function needFigure(
  nutrient: PrescribedNutrient,
  finding: Finding,
  facts: ZoneFacts,
  read: Interpretation,
  yearN: Figure,
): { figure: Figure; by: string } {
  const { zone, choices, packs = BUILT_IN_PACKS } = facts;
  const ground = {
    depthIn: rootZoneOf(zone),
    bulkDensity: traced(zoneBulkDensity(zone), `soil of the zone, ${groupOfTexture(zone.texture)}`),
  };
  const testPpm = traced(finding.value, `soil report, ${finding.method ?? ''}`);
  const usedIn = `Prescribe: ${NAMES[nutrient].toLowerCase()} for the year.`;
  if (choices?.school === 'minimum' && finding.method === 'mehlich-3') {
    const figure = sureFigure(
      minimumNeed,
      {
        nutrient: traced(nutrient, 'this nutrient'),
        testPpm,
        yearNitrogenLb: traced(yearN.value, 'nitrogen for the year', yearN),
        clippings: traced(clippingsOf(zone), 'care of the zone'),
        ...ground,
      },
      { title: `${NAMES[nutrient]} above its minimum`, unit: `lb ${nutrient} per 1000 ft2`, usedIn },
    );
    return { figure, by: 'By minimum levels.' };
  }
  if (
    choices?.school === 'saturation' &&
    (nutrient === 'K' || nutrient === 'Mg') &&
    saturationBar(zone, read.usable) === undefined
  ) {
    const [aim] = packs.saturation.percentOfCec[nutrient];
    const figure = sureFigure(
      saturationNeed,
      {
        nutrient: traced(nutrient, 'this cation'),
        testPpm,
        cec: traced(cecOf(read.usable) as number, 'soil report'),
        aimPercent: traced(aim, `${packs.saturation.source.name}, low end`),
        ...ground,
      },
      { title: `${NAMES[nutrient]} to its share of CEC`, unit: `lb ${nutrient} per 1000 ft2`, usedIn },
    );
    return { figure, by: 'By base saturation.' };
  }
  return { figure: balanceFigure(nutrient, finding, zone, yearN), by: '' };
}

/**
 * P, K, Mg or S for the year by the rule. Whatever the school: nothing without a test, nothing where sufficiency reads high, and no
 * phosphorus where it reads enough.
 */
function byTheRule(
  nutrient: PrescribedNutrient,
  facts: ZoneFacts,
  read: Interpretation | undefined,
  yearN: Figure,
): NutrientPrescription {
  const sold = SOLD_AS[nutrient];
  const finding =
    read?.findings.find((f) => f.analyte === nutrient && f.level !== 'unreadable') ??
    read?.findings.find((f) => f.analyte === nutrient);
  if (!finding || !read) {
    const advised = read && laboratoryOf(nutrient, facts);
    return advised
      ? {
          level: 'not-tested',
          says: 'Its number is not on the report; the laboratory’s own figure is taken.',
          yearLb: advised.value,
          year: advised,
        }
      : none('not-tested', `Not on a report: no ${sold} without a test.`);
  }
  const { level } = finding;
  const advised = laboratoryOf(nutrient, facts);
  if (level === 'unreadable')
    return advised
      ? new NutrientLine(
          finding,
          'Ours cannot be reckoned: the laboratory’s own figure is taken.',
          advised.value,
          advised,
        )
      : new NutrientLine(finding, `Until then no ${sold}.`, 0);
  if (finding.reading.setAside) return new NutrientLine(finding, `No ${sold} from it: take a new sample.`, 0);
  const tooOldForCode =
    nutrient === 'P' && facts.asOf
      ? facts.codes.find(
          (c) =>
            c.testWithinYears !== undefined &&
            yearsBetween(finding.reading.from.sampledOn, facts.asOf as string) > c.testWithinYears,
        )
      : undefined;
  if (tooOldForCode)
    return new NutrientLine(
      finding,
      `${tooOldForCode.name ?? 'The local code'} asks for a test no older than ${tooOldForCode.testWithinYears} years: no P2O5 before a new one.`,
      0,
    );
  if (level === 'high') return new NutrientLine(finding, `No ${sold} this year, whatever the bag holds.`, 0);
  if (nutrient === 'P' && level === 'enough') return new NutrientLine(finding, 'No P2O5 this year.', 0);

  const { cap, words: capWords } = yearlyCap(nutrient, level, facts, read, yearN);
  const unit = `lb ${sold} per 1000 ft2`;
  const used = `Season: the ${sold} doses add up to it.`;
  if (!finding.method || !MEASURES_MASS[nutrient].includes(finding.method)) {
    const year = sureFigure(
      capped,
      {
        needLb: traced(BY_LEVEL_LB[nutrient][level], `by level, ${level.replace('-', ' ')}; common practice`),
        capLb: traced(cap, capWords),
        nutrient: traced(sold, 'as bags state it'),
      },
      { title: `${NAMES[nutrient]} for the year`, unit, usedIn: used },
    );
    return spreadable(nutrient, finding, `${finding.method} is an index, so the level decides.`, year);
  }
  const { figure: whole, by: school } = needFigure(nutrient, finding, facts, read, yearN);
  const { figure: balance, says: filled } = lessGiven(nutrient, finding, facts, whole);
  const by = [school, filled].filter(Boolean).join(' ');
  const need =
    nutrient === 'P' || nutrient === 'K'
      ? sureFigure(
          oxideOfElement,
          { element: traced(nutrient, 'bags state the oxide'), elementLb: traced(balance.value, 'balance', balance) },
          { title: `${NAMES[nutrient]} as ${sold}`, unit, usedIn: used },
        )
      : balance;
  const year =
    need.value > cap
      ? sureFigure(
          capped,
          {
            needLb: traced(need.value, 'need by balance', need),
            capLb: traced(cap, capWords),
            nutrient: traced(sold, 'as bags state it'),
          },
          { title: `${NAMES[nutrient]} for the year`, unit, usedIn: used },
        )
      : need.retitled(`${NAMES[nutrient]} for the year`, used);
  return spreadable(nutrient, finding, by, year);
}

/** A need that no spreader holds is said, and not planned (D3). */
function spreadable(nutrient: PrescribedNutrient, finding: Finding, order: string, year: Figure): NutrientPrescription {
  if (year.value === 0 || year.value >= TOO_SMALL_LB[nutrient])
    return new NutrientLine(finding, order, year.value, year);
  const small = `${threeDigits(year.value)} lb ${SOLD_AS[nutrient]} per 1000 is too little to spread: left out.`;
  return new NutrientLine(finding, [order, small].filter(Boolean).join(' '), 0);
}

/** Most of a nutrient in the year, and whose rule it is: potash keeps to the year's N but where K is very low or on sand (D1). */
function yearlyCap(
  nutrient: PrescribedNutrient,
  level: Level,
  { zone, codes }: ZoneFacts,
  read: Interpretation,
  yearN: Figure,
): { cap: number; words: string } {
  const most = YEARLY_CAP_LB[nutrient];
  if (nutrient === 'P') {
    const byCode = Math.min(...codes.map((c) => c.maxP2O5PerYear ?? Infinity));
    return byCode < most ? { cap: byCode, words: 'local code' } : { cap: most, words: 'yearly cap' };
  }
  if (nutrient !== 'K' || level === 'very-low') return { cap: most, words: 'yearly cap' };
  const sand = isWeakSoil(zone, read);
  const byN = yearN.value * (sand ? SAND_POTASH_OVER_N : 1);
  return byN < most
    ? {
        cap: byN,
        words: sand
          ? 'at most one and a half times the year’s N on sand'
          : 'not above the year’s N on established turf',
      }
    : { cap: most, words: 'yearly cap' };
}

/** The laboratory's own figure of the newest report that gives one, in the form bags state. */
function laboratoryOf(nutrient: PrescribedNutrient, { tests = [] }: ZoneFacts): Figure | undefined {
  const key = nutrient === 'P' ? 'P2O5Lb' : nutrient === 'K' ? 'K2OLb' : undefined;
  const test = key && tests.find((t) => t.labAdvice?.[key] !== undefined);
  const lb = key && test?.labAdvice?.[key];
  return lb === undefined || lb === 0
    ? undefined
    : laboratoryFigure(lb, test?.lab, {
        title: `${NAMES[nutrient]} of the laboratory`,
        unit: `lb ${SOLD_AS[nutrient]} per 1000 ft2`,
        usedIn: `Season: the ${SOLD_AS[nutrient]} doses add up to it.`,
      });
}

/** What a pound of product brings of the element itself, lb. */
const ELEMENT_IN: Record<PrescribedNutrient, (product: Product) => number> = {
  P: (p) => ((p.guaranteed.P2O5 ?? 0) / 100) * ELEMENT_IN_OXIDE.P,
  K: (p) => ((p.guaranteed.K2O ?? 0) / 100) * ELEMENT_IN_OXIDE.K,
  Mg: (p) => (p.guaranteed.Mg ?? 0) / 100,
  S: () => 0,
};

/** The need less what years before this one put into the same deficit (B4); what growth takes recurs. */
function lessGiven(
  nutrient: PrescribedNutrient,
  finding: Finding,
  { zone, products, year }: ZoneFacts,
  need: Figure,
): { figure: Figure; says: string } {
  const { from } = finding.reading;
  const removal = need.inputs.removalLb;
  if (year === undefined || need.value === 0 || typeof removal !== 'number') return { figure: need, says: '' };
  const yearStart = `${year}-01-01`;
  const logged = loggedSince(zone, products, { after: from.sampledOn, before: yearStart }, ELEMENT_IN[nutrient]);
  const deficit = Math.max(0, need.value - removal);
  const [first] = logged;
  if (!first || deficit === 0) return { figure: need, says: '' };
  const waits = addDays(first.date, DEFICIT_GOOD_FOR_DAYS) < yearStart;
  const given = logged.reduce((sum, line) => sum + line.lb, 0);
  const figure = sureFigure(
    deficitLeft,
    {
      needLb: traced(need.value, 'need by the report', need),
      deficitLb: traced(deficit, 'the part of it that fills the soil'),
      givenLb: waits
        ? traced(
            deficit,
            `over a year since ${first.product} of ${sayDate(first.date)}: the rest waits for a new report`,
          )
        : traced(given, logged.map((line) => `${line.product} of ${sayDate(line.date)}`).join(', ')),
    },
    {
      title: `${NAMES[nutrient]} still outstanding`,
      unit: `lb ${nutrient} per 1000 ft2`,
      usedIn: `Prescribe: ${NAMES[nutrient].toLowerCase()} for the year.`,
    },
  );
  return {
    figure,
    says: waits
      ? `The soil’s deficit was begun to be filled on ${sayDate(first.date)}: what is left of it waits for a new report.`
      : `${threeDigits(given)} lb ${nutrient} went down since the sample and count.`,
  };
}

const OWN_LINE = { P: 'phosphorus', K: 'potassium', Mg: 'magnesium', S: 'sulfur' } as const;

/** A line whose figure is the agronomist's own; what the rule gave stays beside it. */
class OwnNutrientLine implements NutrientPrescription {
  readonly yearLb: number;
  constructor(
    private readonly rule: NutrientPrescription,
    readonly own: OwnFigure,
    readonly year: Figure,
    readonly held: string,
  ) {
    this.yearLb = year.value;
  }
  get level(): NutrientPrescription['level'] {
    return this.rule.level;
  }
  get byRule(): Figure | undefined {
    return this.rule.year;
  }
  get says(): string {
    return this.held ? `${this.rule.says} ${this.held}` : this.rule.says;
  }
}

/**
 * P, K, Mg or S for the year: the rule's, or the agronomist's own in its place. An override for P2O5 where the test
 * asks for none is held to 0 by a code that wants a test, and said aloud everywhere else; none stands without a report.
 */
export function prescribeNutrient(
  nutrient: PrescribedNutrient,
  facts: ZoneFacts,
  read: Interpretation | undefined,
  yearN: Figure,
): NutrientPrescription {
  const rule = byTheRule(nutrient, facts, read, yearN);
  const own = ownOf(facts.zone, OWN_LINE[nutrient]);
  if (!own) return rule;
  if (rule.level === 'not-tested' && rule.yearLb === 0 && own.value > 0)
    return { ...rule, says: `${rule.says} The override is kept aside until there is one.` };
  const sold = SOLD_AS[nutrient];
  const unasked = nutrient === 'P' && rule.yearLb === 0 && own.value > 0;
  const barred = unasked && facts.codes.some((code) => code.phosphorusNeedsTest);
  const held = barred
    ? 'The local code allows P2O5 only where a test asks for it: the override is held to 0.'
    : unasked
      ? 'Caution: an override gives P2O5 that the test does not ask for.'
      : '';
  const year = inPlaceOf(rule.year, own, {
    title: `${NAMES[nutrient]} for the year, override`,
    unit: `lb ${sold} per 1000 ft2`,
    usedIn: `Season: the ${sold} doses add up to it.`,
    most: barred ? 0 : undefined,
  });
  return new OwnNutrientLine(rule, own, year, held);
}
