import { type ZoneYear, zoneYear } from '../season/plan/zone-year';
import {
  prescribeIron,
  prescribeMicronutrients,
  prescribeSalinity,
  type SalinityPrescription,
} from '../prescription/prescribe-others';
import type { Ledger } from '../prescription/ledger';
import type { IsoDay } from '../days/day';
import { exchangeableSodiumOf } from '../soil/exchangeable-sodium';
import type { Reading } from '../soil/report';
import { SODIC_ESP_PERCENT } from '../soil/sodium';
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
import { testsNewestFirst } from '../soil/report';
import type { Correcting } from '../season/rules/correction-stretches';
import { zoneStretches } from '../season/plan/zone-stretches';
import { ageDayOf } from '../season/rules/first-day';
import type { GrowthSeason } from '../climate/climate-year';
import type { Case, Choices, Zone } from '../records/case';

/** The public shapes of results, as the command line prints them. */

const PH_LEVEL = { 'too-acid': 'low', inside: 'enough', 'too-alkaline': 'high' } as const;

/** pH stands among the findings too, by the grass's window. */
const phFinding = ({ ph }: Interpretation, source: string) =>
  ph ? [{ analyte: 'pH', value: ph.ph, unit: 'pH', level: PH_LEVEL[ph.place], says: ph.says, source }] : [];

const findingsOf = (read: Interpretation) =>
  read.findings.map(({ analyte, value, unit, level, says, source, reading }) => ({
    analyte,
    value,
    unit,
    level,
    says,
    source,
    ...provenance(reading),
  }));

/** What a reading stands on: its own report, where that is not the newest. */
const provenance = ({ from, setAside, qualifier }: Reading) => ({
  sampledOn: from.sampledOn,
  ...(qualifier ? { qualifier } : {}),
  ...(setAside ? { setAside } : {}),
});

export interface ResultOptions {
  packs?: RulePacks;
  /** Day of planning, against which the age of values is judged. */
  judgedOn?: IsoDay;
  /** Days before it are past. */
  asOf?: IsoDay;
}

/** Reads every zone that has a report, the newest value of each analyte over all of them. */
export function printInterpretation(given: Case, options: ResultOptions & { school?: School } = {}) {
  const { packs = BUILT_IN_PACKS, judgedOn = options.asOf } = options;
  const school = options.school ?? given.choices?.school ?? 'sufficiency';
  const reading = { packs, asOf: ageDayOf(given.choices?.year, judgedOn), products: given.products ?? [] };
  const zones = given.zones.map((zone) => {
    const tests = testsNewestFirst(given.soilTests ?? [], zone.id);
    const [newest] = tests;
    if (!newest) return { zoneId: zone.id, school, findings: [], doubts: ['No soil report: nothing to read.'] };
    const read = interpretZone(zone, tests, { ...reading, school });
    const ph = read.ph && {
      value: read.ph.ph,
      place: read.ph.place,
      low: read.ph.low,
      high: read.ph.high,
      aim: read.ph.aim,
      says: read.ph.says,
      ...provenance(read.ph.reading),
    };
    const salinity = prescribeSalinity(zone, read, packs);
    const sodium = exchangeableSodiumOf(read.usable);
    return {
      zoneId: zone.id,
      school,
      testId: newest.id,
      ph,
      findings: [...phFinding(read, grassIn(packs, zone.grass).source.name), ...findingsOf(read)],
      salinity: salinityOf(salinity),
      sodium: sodium && { espPercent: sodium.espPercent, by: sodium.by, sodic: sodium.espPercent >= SODIC_ESP_PERCENT },
      doubts: read.doubts,
      schools: compareSchools(zone, tests, reading),
    };
  });
  return { format: 'ubertas-interpretation', version: 1, zones };
}

const salinityOf = ({ standing, says, ecDsPerM, ece, least, most, salineFrom }: SalinityPrescription) => ({
  standing,
  says,
  ecDsPerM,
  ece: ece?.value,
  least,
  most,
  salineFrom,
});

const nutrient = ({ level, says, own, byRule }: NutrientPrescription) => ({
  level,
  says,
  own: own && { ...own, byRuleLb: byRule?.value ?? 0 },
});

/** Where and when: what dates of doses follow from. */
interface Dated {
  zone: Zone;
  prescription: ZonePrescription;
  season?: GrowthSeason;
  year: number;
  from: IsoDay;
}

/** Doses with the days between which each may go down; those that this year has no stretch for have none. */
const datedDoses = (purpose: Correcting, doses: readonly number[], dated: Dated) => {
  const stretches = doses.length > 0 ? zoneStretches(purpose, dated, dated) : [];
  return doses.map((lb, i) => ({ lb, earliest: stretches[i]?.from, latest: stretches[i]?.to }));
};

const ledgerOf = (ledger: Ledger | undefined) =>
  ledger && {
    since: ledger.since,
    requiredLb: ledger.requiredLb,
    given: ledger.lines,
    givenLb: ledger.givenLb,
    outstandingLb: ledger.outstanding.value,
    datedUntil: ledger.datedUntil,
  };

function phOf(dated: Dated) {
  const { ph } = dated.prescription;
  return {
    action: ph.action,
    says: ph.says,
    method: ph.method,
    estimate: ph.estimate,
    unsettled: ph.unsettled,
    targetPh: ph.targetPh,
    treatedDepthIn: ph.treatedDepthIn,
    requirementLb: ph.requirement?.value ?? 0,
    material: ph.material && ph.action === 'lime' ? { productId: ph.productId, lb: ph.material.value } : undefined,
    doses: ph.action === 'lime' || ph.action === 'sulfur' ? datedDoses(ph.action, ph.doses, dated) : [],
    monthsApart: ph.monthsApart,
    years: ph.years,
    ledger: ledgerOf(ph.ledger),
    waits: ph.waits,
    laboratoryLb: ph.laboratory?.value,
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

/** The parts of the year, with what of its nitrogen is aimed at in each. */
const partsOf = ({ parts }: ZoneYear, yearLb: number) =>
  parts && {
    choice: parts.choice,
    because: parts.because,
    parts: parts.parts.map(({ id, title, from, to, share }) => ({
      id,
      title,
      fromDay: from,
      toDay: to,
      lb: share * yearLb,
    })),
  };

/** Prescribes for every zone. */
export function printPrescription(given: Case, options: ResultOptions = {}) {
  const { packs = BUILT_IN_PACKS, judgedOn = options.asOf } = options;
  const zones = given.zones.map((zone) => {
    const tests = testsNewestFirst(given.soilTests ?? [], zone.id);
    const sampledOn = tests[0]?.sampledOn ?? '';
    // without a year of its own a prescription is for the year of the sample, or of the day it is asked on
    const year =
      given.choices?.year ??
      Number([sampledOn, options.asOf ?? '', judgedOn ?? ''].reduce((a, b) => (a > b ? a : b)).slice(0, 4) || 2000);
    const begins = zoneYear(given, zone, year, packs, { asOf: options.asOf });
    const facts = {
      zone,
      tests,
      year,
      packs,
      asOf: ageDayOf(year, judgedOn),
      products: given.products ?? [],
      codes: given.codes ?? [],
      choices: given.choices,
      ...begins.facts,
    };
    const { prescription, read } = prescribeZone(facts);
    const { nitrogen, phosphorus, potassium, magnesium, sulfur, gypsum, salinity } = prescription;
    const dated: Dated = { zone, prescription, season: begins.season, year, from: begins.from };
    const cautions = [...prescription.refusals.map((r) => r.refused), ...prescription.cautions];
    if (schoolOf(LATE_SEASON_SCHOOLS, given.choices?.lateSeason).comparisonOnly)
      cautions.push('Weekly light soluble feeding is shown for comparison only and is never planned.');
    return {
      zoneId: zone.id,
      ph: phOf(dated),
      nitrogen: {
        yearLb: nitrogen.year.value,
        adjustments: nitrogen.steps.filter((s) => !s.off).map(({ id, lb, says }) => ({ id, lb, says })),
        parts: partsOf(begins, nitrogen.year.value),
        own: nitrogen.own && { ...nitrogen.own, byRuleLb: nitrogen.byRule?.value ?? 0 },
        note: nitrogen.note,
      },
      phosphorus: { yearLbP2O5: phosphorus.yearLb, ...nutrient(phosphorus) },
      potassium: { yearLbK2O: potassium.yearLb, ...nutrient(potassium) },
      magnesium: { yearLb: magnesium.yearLb, ...nutrient(magnesium) },
      sulfur: { yearLb: sulfur.yearLb, ...nutrient(sulfur) },
      gypsum: {
        yearLb: gypsum.yearLb,
        espPercent: gypsum.espPercent,
        productId: gypsum.productId,
        doses: gypsum.doses,
        dates: datedDoses('gypsum', gypsum.doses, dated),
        ledger: ledgerOf(gypsum.ledger),
        own: gypsum.own && { ...gypsum.own, byRuleLb: gypsum.byRule?.value ?? 0 },
        says: gypsum.says,
      },
      iron: prescribeIron(read),
      foliar: prescription.foliar,
      micronutrients: prescribeMicronutrients(read),
      salinity: salinityOf(salinity),
      water: prescription.water && {
        salty: prescription.water.salty,
        findings: prescription.water.findings.map(({ figure, ...finding }) => ({ ...finding, value: figure?.value })),
      },
      toxic: prescription.toxic,
      labAdvice: prescription.labAdvice,
      practice: practicesOf(given.choices),
      cautions,
    };
  });
  return { format: 'ubertas-prescription', version: 1, zones };
}
