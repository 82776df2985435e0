import type { ZoneSeason } from './season-plan';

/** Nutrients that a year asks for, in the form bags state. */
export type YearNutrient = 'N' | 'P2O5' | 'K2O' | 'Mg' | 'S';

/** K2O that a school of potash asks for by itself, lb/1000 ft2. */
export const potashOfSchool = ({ schools }: Pick<ZoneSeason, 'schools'>): number =>
  (schools?.amounts ?? []).reduce((all, a) => all + (a.nutrient === 'K2O' ? (a.leastLb ?? 0) : 0), 0);

/** What the year asks of each nutrient on a zone, lb/1000 ft2: the prescription's, and potash of a school where that is more. */
export const askedOfYear = (
  zoneSeason: Pick<ZoneSeason, 'schools' | 'prescription'>,
): Readonly<Record<YearNutrient, number>> => {
  const { nitrogen, phosphorus, potassium, magnesium, sulfur } = zoneSeason.prescription;
  return {
    N: nitrogen.year.value,
    P2O5: phosphorus.yearLb,
    K2O: Math.max(potassium.yearLb, potashOfSchool(zoneSeason)),
    Mg: magnesium.yearLb,
    S: sulfur.yearLb,
  };
};
