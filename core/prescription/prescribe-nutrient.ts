import { yearsBetween } from '../days/day';
import { oxideOfElement } from '../nutrients/oxide';
import { NUTRIENT_NAMES, type PrescribedNutrient, SOLD_AS } from '../nutrients/prescribed';
import type { Method, OwnFigure } from '../records/case';
import type { Finding, Interpretation } from '../soil/interpret';
import type { Level } from '../soil/levels';
import { type Figure, sureFigure, traced } from '../reckoning/figure';
import { phosphorusNeedsTest } from '../season/rules/local-codes';
import { threeDigits } from '../words/numbers';
import { capped } from './capped';
import { laboratoryFigure } from './laboratory-figure';
import { yearlyCap } from './nutrient-cap';
import { lessGiven } from './nutrient-given';
import { needFigure } from './nutrient-need';
import { inPlaceOf, ownOf } from './override-figure';
import type { NutrientPrescription } from './prescription';
import type { ZoneFacts } from './zone-facts';

/** Extractants that measure a mass in soil, by nutrient; the others are indices and prescribe by level. */
const MEASURES_MASS: Record<'P' | 'K' | 'Mg' | 'S', readonly Method[]> = {
  P: ['mehlich-3'],
  K: ['mehlich-3', 'ammonium-acetate'],
  Mg: ['mehlich-3', 'ammonium-acetate'],
  S: ['mehlich-3'],
};
/** Needs under this are said and not planned: no spreader holds them, lb/1000 ft2 (D3). */
export const TOO_SMALL_LB = { P: 0.1, K: 0.1, Mg: 0.05, S: 0.1 } as const;
/** By level, where the extractant is an index, lb oxide/1000 ft2 a year. Common practice. */
const BY_LEVEL_LB = {
  P: { 'very-low': 2, low: 1, enough: 0, high: 0, unreadable: 0 },
  K: { 'very-low': 3, low: 2, enough: 0, high: 0, unreadable: 0 },
  Mg: { 'very-low': 1, low: 0.5, enough: 0, high: 0, unreadable: 0 },
  S: { 'very-low': 0.5, low: 0.25, enough: 0, high: 0, unreadable: 0 },
} satisfies Record<string, Record<Level, number>>;

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
      { title: `${NUTRIENT_NAMES[nutrient]} for the year`, unit, usedIn: used },
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
          { title: `${NUTRIENT_NAMES[nutrient]} as ${sold}`, unit, usedIn: used },
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
          { title: `${NUTRIENT_NAMES[nutrient]} for the year`, unit, usedIn: used },
        )
      : need.retitled(`${NUTRIENT_NAMES[nutrient]} for the year`, used);
  return spreadable(nutrient, finding, by, year);
}

/** A need that no spreader holds is said, and not planned (D3). */
function spreadable(nutrient: PrescribedNutrient, finding: Finding, order: string, year: Figure): NutrientPrescription {
  if (year.value === 0 || year.value >= TOO_SMALL_LB[nutrient])
    return new NutrientLine(finding, order, year.value, year);
  const small = `${threeDigits(year.value)} lb ${SOLD_AS[nutrient]} per 1000 is too little to spread: left out.`;
  return new NutrientLine(finding, [order, small].filter(Boolean).join(' '), 0);
}

/** The laboratory's own figure of the newest report that gives one, in the form bags state. */
function laboratoryOf(nutrient: PrescribedNutrient, { tests = [] }: ZoneFacts): Figure | undefined {
  const key = nutrient === 'P' ? 'P2O5Lb' : nutrient === 'K' ? 'K2OLb' : undefined;
  const test = key && tests.find((t) => t.labAdvice?.[key] !== undefined);
  const lb = key && test?.labAdvice?.[key];
  return lb === undefined || lb === 0
    ? undefined
    : laboratoryFigure(lb, test?.lab, {
        title: `${NUTRIENT_NAMES[nutrient]} of the laboratory`,
        unit: `lb ${SOLD_AS[nutrient]} per 1000 ft2`,
        usedIn: `Season: the ${SOLD_AS[nutrient]} doses add up to it.`,
      });
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
  const barred = unasked && phosphorusNeedsTest(facts.codes);
  const held = barred
    ? 'The local code allows P2O5 only where a test asks for it: the override is held to 0.'
    : unasked
      ? 'Caution: an override gives P2O5 that the test does not ask for.'
      : '';
  const year = inPlaceOf(rule.year, own, {
    title: `${NUTRIENT_NAMES[nutrient]} for the year, override`,
    unit: `lb ${sold} per 1000 ft2`,
    usedIn: `Season: the ${sold} doses add up to it.`,
    most: barred ? 0 : undefined,
  });
  return new OwnNutrientLine(rule, own, year, held);
}
