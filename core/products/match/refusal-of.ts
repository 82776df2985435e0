import { limeKindOf } from '../../lime/lime-label';
import type { Product } from '../../records/case';
import { doseCeiling } from '../../season/rules/dose-ceilings';
import { nitrogenCeilings, phosphateDoseCeiling, potashDoseCeiling, SPRAY_N } from '../../season/rules/dose-ceilings';
import { formsShortBy } from '../label/check-label';
import { slowShare } from '../../nitrogen/forms';
import { isFeed, unfitForCloseCut } from '../close-cut-feeds';
import { HIGH_CHLORIDE_PERCENT } from '../shelf';
import { asked, type MatchContext, type Need, needInWords, percentToward } from './need';
import { fixed, trimmed, two } from '../../words/numbers';

/** Phosphate or potash in a spray beyond which a liquid is no supplement any more, lb/1000 ft2. Common practice. */
const LIQUID_UP_TO_LB = 0.25;
const TRACE_LB = 0.005;

/** Why a product is out of the question for a need, with the number that decides; undefined where it may be matched. */
export function matchRefusal(product: Product, need: Need, context: MatchContext): string | undefined {
  const { guaranteed } = product;
  const wanted = asked(need);
  const carried = wanted.filter((each) => percentToward(product, each) > 0);
  if (product.unfinished) {
    const short = formsShortBy(product);
    return `Its label is not finished${short > 0 ? `: the nitrogen forms are ${trimmed(short, 2)} % short` : ''}.`;
  }
  if (product.pesticide) return 'Holds a pesticide: its own label rate and license decide, never a feeding plan.';
  const first = carried[0];
  if (!first) return `No ${wanted.map(needInWords).join(' and no ')}.`;
  const rate = ((need[first] ?? 0) / percentToward(product, first)) * 100;
  const brings = (percent: number | undefined) => (rate * (percent ?? 0)) / 100;
  if (first === 'lime') {
    if (limeKindOf(product) === 'burnt') return 'Burnt lime burns turf, skin and eyes, and never goes on a lawn.';
    if (limeKindOf(product) === 'hydrated' && rate > 5)
      return `Hydrated lime is caustic: ${two(rate)} lb lime in one dose, and 5 lb lime is the most.`;
  } else if (limeKindOf(product) !== undefined) return 'A lime: it would move pH.';
  const closeCut = context.zone.turf === 'close-cut';
  // a lawn is not fed by sprays; close-cut turf is, under its own ceilings (C10)
  if (!closeCut && product.form === 'liquid') {
    const wantedLb = need[first] ?? 0;
    const sprays =
      first === 'N'
        ? Math.max((wantedLb * (1 - slowShare(product))) / SPRAY_N.soluble, wantedLb / SPRAY_N.total)
        : wantedLb / LIQUID_UP_TO_LB;
    if (sprays > 1 + 1e-9)
      return `A liquid: ${two(wantedLb)} lb ${needInWords(first)} would take ${two(product.lbPerGal ? rate / product.lbPerGal : rate / 10)} gal per 1000 sq ft at once, or ${Math.ceil(sprays - 1e-9)} sprays of ${two(wantedLb / Math.ceil(sprays - 1e-9))} lb ${needInWords(first)}. It supplements, it does not feed.`;
  }
  const unfit = closeCut && isFeed(first) ? unfitForCloseCut(product) : undefined;
  if (unfit) return `${unfit.charAt(0).toUpperCase()}${unfit.slice(1)}.`;
  const freeS = brings(guaranteed['S-free']);
  if (first !== 'sulfur' && freeS > TRACE_LB && context.prescription.ph.action !== 'sulfur')
    return `Brings ${two(freeS)} lb free S per 1000, which pushes pH down${context.soilPh === undefined ? '' : `, and pH is ${fixed(context.soilPh, 1)}`}.`;
  const phosphate = brings(guaranteed.P2O5);
  if (phosphate > TRACE_LB && context.prescription.phosphorus.yearLb === 0)
    return context.prescription.phosphorus.level === 'not-tested'
      ? `Brings ${two(phosphate)} lb P2O5 per 1000, and no test asks for any.`
      : `Brings ${two(phosphate)} lb P2O5 per 1000. Phosphorus tests ${context.prescription.phosphorus.level}${context.phosphorusSays ? `, ${context.phosphorusSays}` : ''}: none this year.`;
  if (context.grass.lowChloride && (guaranteed.Cl ?? 0) >= HIGH_CHLORIDE_PERCENT)
    return `Chloride ${trimmed(guaranteed.Cl ?? 0, 2)} %: ${context.grass.name} does not bear it.`;
  if (first === 'N') return overCeiling(product, need, context);
  return undefined;
}

/** A nitrogen dose that one product cannot bring without passing a ceiling, in words. */
function overCeiling(product: Product, need: Need, { zone, codes }: MatchContext): string | undefined {
  const wantedN = need.N ?? 0;
  if (wantedN <= doseCeiling(zone, product, 'N', codes) + 1e-9) return undefined;
  const { N = 1, P2O5 = 0, K2O = 0 } = product.guaranteed;
  const slow = slowShare(product);
  const { soluble, total, says } = nitrogenCeilings(zone, codes);
  const solubleN = wantedN * (1 - slow);
  if (solubleN > soluble + 1e-9)
    return `Brings ${two(solubleN)} lb soluble N in one dose, over ${two(soluble)} lb soluble N (${says}).`;
  if (wantedN > total(slow) + 1e-9) return `Brings ${two(wantedN)} lb N in one dose, over ${two(total(slow))} lb N.`;
  const potash = (wantedN * K2O) / N;
  if (potash > potashDoseCeiling(zone) + 1e-9)
    return `Brings ${two(potash)} lb K2O with it, over ${two(potashDoseCeiling(zone))} lb K2O in one dose.`;
  return `Brings ${two((wantedN * P2O5) / N)} lb P2O5 with it, over ${two(phosphateDoseCeiling(codes))} lb P2O5 in one dose.`;
}
