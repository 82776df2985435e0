import type { LocalCode, Product } from '../../records/case';
import { ecceOf } from '../../lime/lime-label';
import type { ZonePrescription } from '../../prescription/prescription';
import { potashDoseCeiling, phosphateDoseCeiling } from '../rules/dose-ceilings';
import type { Dose } from './dose';
import type { Zone } from '../../records/case';
import type { Need } from '../../products/match/need';

/** One going-out: everything that is due on a day. Without a climate there is one trip, of no day. */
export interface Trip {
  date?: string;
  need: Need;
}

const kept = (need: Need): Need => Object.fromEntries(Object.entries(need).filter(([, lb]) => lb > 1e-9)) as Need;

/** A usual first dose where nothing is dated, lb N/1000 ft2. Common practice: 0.5 to 1. */
const USUAL_DOSE_LB_N = 0.75;

/**
 * What each trip of a zone must bring, from its dated doses: nutrients as they are delivered, lime as CaCO3, sulfur as
 * free S. Potash and phosphate count only where the prescription asks for them.
 */
export function tripsOf(
  zone: Zone,
  prescription: ZonePrescription,
  doses: readonly Dose[],
  products: readonly Product[],
  codes: readonly LocalCode[] = [],
): Trip[] {
  const days = [...new Set(doses.map((dose) => dose.date))].sort();
  const asksK = prescription.potassium.yearLb > 0;
  const asksP = prescription.phosphorus.yearLb > 0;
  if (days.length === 0) {
    const { potassium, phosphorus, nitrogen } = prescription;
    return [
      {
        need: kept({
          N: Math.min(nitrogen.year.value, USUAL_DOSE_LB_N),
          P2O5: asksP ? Math.min(phosphorus.yearLb, phosphateDoseCeiling(codes)) : 0,
          K2O: asksK ? Math.min(potassium.yearLb, potashDoseCeiling(zone)) : 0,
        }),
      },
    ];
  }
  return days.map((date) => {
    const today = doses.filter((dose) => dose.date === date);
    const brings = (nutrient: string) => today.reduce((sum, dose) => sum + (dose.delivers[nutrient] ?? 0), 0);
    const lime = today
      .filter((dose) => dose.for === 'lime')
      .reduce((sum, dose) => sum + (dose.rateLb * ecceOf(products.find((p) => p.id === dose.productId))) / 100, 0);
    return {
      date,
      need: kept({
        N: brings('N'),
        P2O5: asksP ? brings('P2O5') : 0,
        K2O: asksK ? brings('K2O') : 0,
        lime,
        sulfur: today.some((dose) => dose.for === 'sulfur') ? brings('S-free') : 0,
      }),
    };
  });
}
