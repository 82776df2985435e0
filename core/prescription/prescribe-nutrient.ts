import type { Method, OwnFigure, Zone } from '../records/case';
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
import { type Figure, sureFigure, traced } from '../reckoning/figure';
import { inPlaceOf, ownOf } from './override-figure';
import type { NutrientPrescription } from './prescription';

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

const clippingsOf = (zone: Zone): 'returned' | 'bagged' =>
  zone.clippings === 'returned' || zone.clippings === 'mulched' ? 'returned' : 'bagged';

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
    saturationBar(zone, read.readings) === undefined
  ) {
    const [aim] = packs.saturation.percentOfCec[nutrient];
    const figure = sureFigure(
      saturationNeed,
      {
        nutrient: traced(nutrient, 'this cation'),
        testPpm,
        cec: traced(cecOf(read.readings) as number, 'soil report'),
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
  if (!finding || !read) return none('not-tested', `Not on a report: no ${sold} without a test.`);
  const { level } = finding;
  if (level === 'unreadable') return new NutrientLine(finding, `Until then no ${sold}.`, 0);
  if (level === 'high') return new NutrientLine(finding, `No ${sold} this year, whatever the bag holds.`, 0);
  if (nutrient === 'P' && level === 'enough') return new NutrientLine(finding, 'No P2O5 this year.', 0);

  const cap =
    nutrient === 'K' && level !== 'very-low' ? Math.min(YEARLY_CAP_LB.K, yearN.value) : YEARLY_CAP_LB[nutrient];
  const capWords =
    nutrient === 'K' && cap < YEARLY_CAP_LB.K ? 'not above the year’s N on established turf' : 'yearly cap';
  const unit = `lb ${sold} per 1000 ft2`;
  const used = `Season: the ${sold} doses add up to it.`;
  if (!finding.method || !MEASURES_MASS[nutrient].includes(finding.method)) {
    const byLevel = Math.min(cap, BY_LEVEL_LB[nutrient][level]);
    const year = sureFigure(
      capped,
      {
        needLb: traced(BY_LEVEL_LB[nutrient][level], `by level, ${level.replace('-', ' ')}; common practice`),
        capLb: traced(cap, capWords),
        nutrient: traced(sold, 'as bags state it'),
      },
      { title: `${NAMES[nutrient]} for the year`, unit, usedIn: used },
    );
    return new NutrientLine(finding, `${finding.method} is an index, so the level decides.`, byLevel, year);
  }
  const { figure: balance, by } = needFigure(nutrient, finding, facts, read, yearN);
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
  return new NutrientLine(finding, by, year.value, year);
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
  if (rule.level === 'not-tested' && own.value > 0)
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
