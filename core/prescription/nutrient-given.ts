import { addDays } from '../days/day';
import { NUTRIENT_NAMES, type PrescribedNutrient } from '../nutrients/prescribed';
import type { Product } from '../records/case';
import type { Finding } from '../soil/interpret';
import { type Figure, sureFigure, traced } from '../reckoning/figure';
import { ELEMENT_IN_OXIDE } from '../units/atomic-masses';
import { sayDate } from '../words/days';
import { threeDigits } from '../words/numbers';
import { deficitLeft } from './deficit-left';
import { loggedSince } from './ledger';
import type { ZoneFacts } from './zone-facts';

/** After the first dose that filled a deficit so long, the rest waits for a new report, days (B4). */
const DEFICIT_GOOD_FOR_DAYS = 365;
/** What a pound of product brings of the element itself, lb. */
const ELEMENT_IN: Record<PrescribedNutrient, (product: Product) => number> = {
  P: (p) => ((p.guaranteed.P2O5 ?? 0) / 100) * ELEMENT_IN_OXIDE.P,
  K: (p) => ((p.guaranteed.K2O ?? 0) / 100) * ELEMENT_IN_OXIDE.K,
  Mg: (p) => (p.guaranteed.Mg ?? 0) / 100,
  S: () => 0,
};

/** The need less what years before this one put into the same deficit (B4); what growth takes recurs. */
export function lessGiven(
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
      title: `${NUTRIENT_NAMES[nutrient]} still outstanding`,
      unit: `lb ${nutrient} per 1000 ft2`,
      usedIn: `Prescribe: ${NUTRIENT_NAMES[nutrient].toLowerCase()} for the year.`,
    },
  );
  return {
    figure,
    says: waits
      ? `The soil’s deficit was begun to be filled on ${sayDate(first.date)}: what is left of it waits for a new report.`
      : `${threeDigits(given)} lb ${nutrient} went down since the sample and count.`,
  };
}
