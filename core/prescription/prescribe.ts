import type { Case, SoilTest, Zone } from '../records/case';
import { clippingsDoubt, prescribeNitrogen } from './prescribe-nitrogen';
import { isRefusal, type Refusal } from '../reckoning/refusal';
import { type Interpretation, interpretZone } from '../soil/interpret';
import { findReading, testsNewestFirst } from '../soil/report';
import { BUILT_IN_PACKS, grassIn, type RulePacks } from '../packs/rule-packs';
import { prescribeNutrient } from './prescribe-nutrient';
import { prescribeEstablishment } from './prescribe-establishment';
import { overseedingCautions, prescribeOverseeding } from './prescribe-overseeding';
import { prescribeFoliar } from './prescribe-foliar';
import { prescribeGypsum } from './prescribe-gypsum';
import { prescribeSalinity, prescribeToxic, type SalinityPrescription } from './prescribe-others';
import { SODIC_ESP_PERCENT } from '../soil/sodium';
import { exchangeableSodiumOf } from '../soil/exchangeable-sodium';
import { prescribePh } from './prescribe-ph';
import type { PhPrescription, WaterPrescription, ZonePrescription } from './prescription';
import { prescribeWater } from './prescribe-water';
import type { YearFacts, ZoneFacts } from './zone-facts';

const refusedPh = (refusal: Refusal): PhPrescription => ({
  action: 'leave',
  says: refusal.refused,
  doses: [],
  monthsApart: 0,
  years: 0,
  retest: 'Settle this first.',
});

/** What stands against a young stand most often (C8). Common practice. */
const weedPreventers = ({ state }: Zone): string =>
  `Weed preventers ${
    state === 'sod' ? 'keep new sod from rooting' : 'keep turf seed from coming up as well'
  }: none in the months before and after, whatever the label of a combined product promises.`;

/** Salinity of the soil, or of what it comes to under its water, whichever is worse: the low-salt rule holds for both (A3, A13). */
const salty = (soil: SalinityPrescription, water: WaterPrescription | undefined): SalinityPrescription =>
  water?.salty && soil.standing !== 'saline'
    ? {
        ...soil,
        standing: 'saline',
        says: `${water.findings.find((each) => each.of === 'salinity')?.says ?? ''} ${soil.says}`.trim(),
      }
    : soil;

/** The laboratory's own recommendation, of the newest report that holds one. */
function advisedBy(tests: readonly SoilTest[]): ZonePrescription['labAdvice'] {
  const test = tests.find((t) => t.labAdvice !== undefined);
  return test?.labAdvice && { ...test.labAdvice, lab: test.lab, sampledOn: test.sampledOn };
}

/** Prescribes for one zone in the order of judgement: pH, then N, then P, K, Mg, S. */
export function prescribeZone(facts: ZoneFacts): { prescription: ZonePrescription; read?: Interpretation } {
  const { zone, tests = [], products, codes, asOf, packs } = facts;
  const read = tests.length > 0 ? interpretZone(zone, tests, { asOf, packs, products }) : undefined;
  const refusals: Refusal[] = [];
  const phAnswer = prescribePh(facts, read);
  if (isRefusal(phAnswer)) refusals.push(phAnswer);
  const ph = isRefusal(phAnswer) ? refusedPh(phAnswer) : phAnswer;
  const organicMatter = read && findReading(read.usable, 'OM')?.value;
  const standing = prescribeNitrogen(zone, organicMatter, codes, packs, facts);
  const grown = prescribeNutrient('P', facts, read, standing.year);
  const sown = prescribeEstablishment(facts, { nitrogen: standing, phosphorus: grown });
  const { nitrogen, phosphorus } = sown ?? { nitrogen: standing, phosphorus: grown };
  const potassium = prescribeNutrient('K', facts, read, nitrogen.year);
  const magnesium = prescribeNutrient('Mg', facts, read, nitrogen.year);
  const sulfur = prescribeNutrient('S', facts, read, nitrogen.year);
  const gypsum = prescribeGypsum(facts, read);
  const water = prescribeWater(facts, read !== undefined && exchangeableSodiumOf(read.usable) !== undefined);
  const cautions: string[] = [];
  for (const figure of [
    ph.requirement,
    ph.material,
    ph.dosesFigure,
    nitrogen.year,
    phosphorus.year,
    potassium.year,
    magnesium.year,
    sulfur.year,
    gypsum.yearLb > 0 ? gypsum.dosesFigure : undefined,
  ])
    for (const caution of figure?.cautions ?? []) if (!cautions.includes(caution)) cautions.push(caution);
  const ceiling = grassIn(packs ?? BUILT_IN_PACKS, zone.grass).ceilingLb;
  if (nitrogen.own && nitrogen.own.value > nitrogen.year.value)
    cautions.unshift(
      `The override of ${nitrogen.own.value} lb N is held to the local code, ${nitrogen.year.value} lb N per 1000 ft2 a year.`,
    );
  else if (nitrogen.own && nitrogen.year.value > ceiling)
    cautions.unshift(
      `The override of ${nitrogen.year.value} lb N is above the grass’s ceiling, ${ceiling} lb N per 1000 ft2 a year.`,
    );
  const overseeding = sown ? undefined : prescribeOverseeding(facts, nitrogen);
  cautions.push(...overseedingCautions(facts, overseeding));
  const clippings = sown ? undefined : clippingsDoubt(zone, nitrogen);
  if (sown) cautions.push(...(sown.establishment.assumed ? [sown.establishment.says] : []), weedPreventers(zone));
  if (clippings) cautions.push(clippings);
  for (const { standing, says } of water?.findings ?? []) if (standing !== 'ordinary') cautions.push(says);
  if ((gypsum.espPercent ?? 0) >= SODIC_ESP_PERCENT)
    cautions.push(
      'Sodic soil seals and sheds water: until gypsum is leached through, feed lightly, and water slowly and in turns.',
    );
  if (!read)
    cautions.unshift(
      'No soil test: a stopgap. Nitrogen by the grass only; no P2O5, K2O, lime or sulfur until a sample is read.',
    );
  return {
    prescription: {
      zoneId: zone.id,
      tested: read !== undefined,
      ph,
      nitrogen,
      phosphorus,
      potassium,
      magnesium,
      sulfur,
      gypsum,
      foliar: prescribeFoliar(facts, read),
      salinity: salty(prescribeSalinity(zone, read, packs), water),
      water,
      toxic: prescribeToxic(zone, read),
      establishment: sown?.establishment,
      overseeding,
      labAdvice: advisedBy(tests),
      cautions,
      refusals,
    },
    read,
  };
}

/** Prescribes for every zone of a case, each from its own latest report. */
export const prescribeCase = (
  given: Case,
  asOf?: string,
  chosenLime: (zoneId: string) => string | undefined = () => undefined,
  packs?: RulePacks,
  season: (zone: Zone) => YearFacts = () => ({}),
  year?: number,
) =>
  given.zones.map((zone) =>
    prescribeZone({
      zone,
      tests: testsNewestFirst(given.soilTests ?? [], zone.id),
      products: given.products ?? [],
      codes: given.codes ?? [],
      choices: given.choices,
      asOf,
      limeProductId: chosenLime(zone.id),
      packs,
      ...season(zone),
      year,
    }),
  );
