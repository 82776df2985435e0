import { carryOver } from '../season/plan/carry-over';
import {
  prescribeGypsum,
  prescribeIron,
  prescribeMicronutrients,
  prescribeSalinity,
} from '../prescription/prescribe-others';
import type { NutrientPrescription, ZonePrescription } from '../prescription/prescription';
import { prescribeZone } from '../prescription/prescribe';
import { BUILT_IN_PACKS, grassIn, type RulePacks } from '../packs/rule-packs';
import {
  HIGH_PH_SCHOOLS,
  LATE_SEASON_SCHOOLS,
  POTASSIUM_SCHOOLS,
  type PracticeSchool,
  schoolOf,
} from '../season/rules/practice-schools';
import { compareSchools, type Interpretation, interpretZone, type School } from '../soil/interpret';
import { latestTest } from '../soil/report';
import { stretchesBestFirst } from '../season/rules/correction-stretches';
import type { Case, Choices, Zone } from '../records/case';

/** The public shapes of results, as the command line prints them. */

const PH_LEVEL = { 'too-acid': 'low', inside: 'enough', 'too-alkaline': 'high' } as const;

/** pH stands among the findings too, by the grass's window. */
const phFinding = ({ ph }: Interpretation, source: string) =>
  ph ? [{ analyte: 'pH', value: ph.ph, unit: 'pH', level: PH_LEVEL[ph.place], says: ph.says, source }] : [];

const findingsOf = (read: Interpretation) =>
  read.findings.map(({ analyte, value, unit, level, says, source }) => ({ analyte, value, unit, level, says, source }));

/** Reads every zone that has a report. */
export function printInterpretation(given: Case, options: { school?: School; packs?: RulePacks; asOf?: string } = {}) {
  const school = options.school ?? given.choices?.school ?? 'sufficiency';
  const zones = given.zones.map((zone) => {
    const test = latestTest(given.soilTests ?? [], zone.id);
    if (!test) return { zoneId: zone.id, school, findings: [], doubts: ['No soil report: nothing to read.'] };
    const read = interpretZone(zone, test, { ...options, school });
    const ph = read.ph && {
      value: read.ph.ph,
      place: read.ph.place,
      low: read.ph.low,
      high: read.ph.high,
      aim: read.ph.aim,
      says: read.ph.says,
    };
    return {
      zoneId: zone.id,
      school,
      testId: test.id,
      ph,
      findings: [
        ...phFinding(read, grassIn(options.packs ?? BUILT_IN_PACKS, zone.grass).source.name),
        ...findingsOf(read),
      ],
      doubts: read.doubts,
      schools: compareSchools(zone, test, options),
    };
  });
  return { format: 'ubertas-interpretation', version: 1, zones };
}

const nutrient = ({ level, says, own, byRule }: NutrientPrescription) => ({
  level,
  says,
  own: own && { ...own, byRuleLb: byRule?.value ?? 0 },
});

function phOf({ ph }: ZonePrescription, zone: Zone) {
  const stretches = ph.action === 'lime' || ph.action === 'sulfur' ? stretchesBestFirst(ph.action, zone) : [];
  const doses = ph.doses.map((lb, i) => {
    const [earliest, latest] = stretches[i % stretches.length] ?? [];
    return { lb, earliest, latest };
  });
  return {
    action: ph.action,
    says: ph.says,
    method: ph.method,
    targetPh: ph.targetPh,
    treatedDepthIn: ph.treatedDepthIn,
    requirementLb: ph.requirement?.value ?? 0,
    material: ph.material && ph.action === 'lime' ? { productId: ph.productId, lb: ph.material.value } : undefined,
    doses,
    monthsApart: ph.monthsApart,
    years: ph.years,
    own: ph.own && { ...ph.own, byRuleLb: ph.byRule?.value ?? 0 },
    retest: ph.retest,
  };
}

function practice<Id extends string>(schools: readonly PracticeSchool<Id>[], chosen: Id | undefined) {
  const school = schoolOf(schools, chosen);
  return {
    chosen: school.id,
    because: school.because,
    against: school.against,
    others: schools
      .filter((s) => s !== school)
      .map(({ id, does, because, comparisonOnly }) => ({ id, does, because, comparisonOnly })),
  };
}

/** The schools of practice of a case, with the reason for each. */
const practicesOf = (choices: Choices | undefined) => ({
  lateSeason: practice(LATE_SEASON_SCHOOLS, choices?.lateSeason),
  potassium: practice(POTASSIUM_SCHOOLS, choices?.potassium),
  highPh: practice(HIGH_PH_SCHOOLS, choices?.highPh),
});

/** Prescribes for every zone. */
export function printPrescription(given: Case, options: { packs?: RulePacks; asOf?: string } = {}) {
  const zones = given.zones.map((zone) => {
    const facts = {
      zone,
      test: latestTest(given.soilTests ?? [], zone.id),
      products: given.products ?? [],
      codes: given.codes ?? [],
      choices: given.choices,
      carryOver: given.choices?.year === undefined ? undefined : carryOver(given, zone, given.choices.year),
      ...options,
    };
    const { prescription, read } = prescribeZone(facts);
    const { nitrogen, phosphorus, potassium, magnesium, sulfur } = prescription;
    const gypsum = prescribeGypsum(facts, read);
    const cautions = [...prescription.refusals.map((r) => r.refused), ...prescription.cautions];
    if (schoolOf(LATE_SEASON_SCHOOLS, given.choices?.lateSeason).comparisonOnly)
      cautions.push('Weekly light soluble feeding is shown for comparison only and is never planned.');
    return {
      zoneId: zone.id,
      ph: phOf(prescription, zone),
      nitrogen: {
        yearLb: nitrogen.year.value,
        adjustments: nitrogen.steps.filter((s) => !s.off).map(({ id, lb, says }) => ({ id, lb, says })),
        own: nitrogen.own && { ...nitrogen.own, byRuleLb: nitrogen.byRule?.value ?? 0 },
        note: nitrogen.note,
      },
      phosphorus: { yearLbP2O5: phosphorus.yearLb, ...nutrient(phosphorus) },
      potassium: { yearLbK2O: potassium.yearLb, ...nutrient(potassium) },
      magnesium: { yearLb: magnesium.yearLb, ...nutrient(magnesium) },
      sulfur: { yearLb: sulfur.yearLb, ...nutrient(sulfur) },
      gypsum: { yearLb: gypsum.yearLb, espPercent: gypsum.espPercent, doses: gypsum.doses, says: gypsum.says },
      iron: prescribeIron(read),
      micronutrients: prescribeMicronutrients(read),
      salinity: prescribeSalinity(read),
      practice: practicesOf(given.choices),
      cautions,
    };
  });
  return { format: 'ubertas-prescription', version: 1, zones };
}
