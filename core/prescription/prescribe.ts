import type { Case, Choices, LocalCode, Product, SoilTest, Zone } from '../formats/case';
import { prescribeNitrogen } from '../nitrogen/zone-nitrogen';
import { isRefusal, type Refusal } from '../reckoning/refusal';
import { type Interpretation, interpretZone } from '../soil/interpret';
import { findReading, latestTest } from '../soil/report';
import { prescribeNutrient } from './prescribe-nutrient';
import { prescribePh } from './prescribe-ph';
import type { PhPrescription, ZonePrescription } from './prescription';

/** Everything a zone's prescription follows from. */
export interface ZoneFacts {
  zone: Zone;
  test?: SoilTest;
  products: readonly Product[];
  codes: readonly LocalCode[];
  choices?: Choices;
  asOf?: string;
  /** Lime that a person chose in place of the one that fits by magnesium. */
  limeProductId?: string;
}

const refusedPh = (refusal: Refusal): PhPrescription => ({
  action: 'leave',
  says: refusal.refused,
  doses: [],
  monthsApart: 0,
  years: 0,
  retest: 'Settle this first.',
});

/** Prescribes for one zone in the order of judgement: pH, then N, then P, K, Mg, S. */
export function prescribeZone(facts: ZoneFacts): { prescription: ZonePrescription; read?: Interpretation } {
  const { zone, test, products, codes, choices } = facts;
  const read = test && interpretZone(zone, test, facts.asOf);
  const refusals: Refusal[] = [];
  const phAnswer = prescribePh(zone, read, products, choices, facts.limeProductId);
  if (isRefusal(phAnswer)) refusals.push(phAnswer);
  const ph = isRefusal(phAnswer) ? refusedPh(phAnswer) : phAnswer;
  const organicMatter = read && findReading(read.readings, 'OM')?.value;
  const nitrogen = prescribeNitrogen(zone, organicMatter, codes);
  const phosphorus = prescribeNutrient('P', zone, read, nitrogen.year);
  const potassium = prescribeNutrient('K', zone, read, nitrogen.year);
  const magnesium = prescribeNutrient('Mg', zone, read, nitrogen.year);
  const sulfur = prescribeNutrient('S', zone, read, nitrogen.year);
  const figures = [
    ph.requirement,
    ph.material === ph.requirement ? undefined : ph.material,
    ph.dosesFigure,
    nitrogen.year,
    phosphorus.year,
    potassium.year,
    magnesium.year,
    sulfur.year,
  ];
  const cautions = [...new Set(figures.flatMap((f) => f?.cautions ?? []))];
  if (!test)
    cautions.unshift(
      'No soil test: a stopgap. Nitrogen by the grass only; no P2O5, K2O, lime or sulfur until a sample is read.',
    );
  return {
    prescription: {
      zoneId: zone.id,
      tested: test !== undefined,
      ph,
      nitrogen,
      phosphorus,
      potassium,
      magnesium,
      sulfur,
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
) =>
  given.zones.map((zone) =>
    prescribeZone({
      zone,
      test: latestTest(given.soilTests ?? [], zone.id),
      products: given.products ?? [],
      codes: given.codes ?? [],
      choices: given.choices,
      asOf,
      limeProductId: chosenLime(zone.id),
    }),
  );
