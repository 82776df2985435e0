import { gypsumPercent } from '../gypsum/gypsum-label';
import { gypsumDoses } from '../gypsum/doses';
import { gypsumMaterial } from '../gypsum/material';
import { gypsumRequirement } from '../gypsum/requirement';
import { isRefusal } from '../reckoning/refusal';
import type { Interpretation } from '../soil/interpret';
import { exchangeableSodiumOf } from '../soil/exchangeable-sodium';
import { carbonateStanding } from '../soil/report';
import { SODIC_ESP_PERCENT } from '../soil/sodium';
import { type Figure, figureOf, sureFigure, traced } from '../reckoning/figure';
import { fixed } from '../words/numbers';
import { zoneCec } from './cation-exchange';
import { type Ledger, ledgerOf, loggedSince } from './ledger';
import { inPlaceOf, ownOf } from './override-figure';
import { ledgerSays } from './prescribe-lime';
import type { OwnFigure } from '../records/case';
import type { ZoneFacts } from './zone-facts';

/** ESP that a sodic soil is brought down to. Common practice: 5 to 10. */
const ESP_AIM = 10;
const GYPSUM_DEPTH_IN = 4;
/** What is left of a correction under this is no dose any more, lb gypsum/1000 ft2. Decision, as for shortfalls (E1). */
const LEAST_LEFT_LB = 5;
const UNIT = 'lb gypsum per 1000 ft2';
const USED_IN = 'Season: the gypsum doses add up to it.';

/** Gypsum, only for sodic soil with drainage (B8): in doses, dated, bought and checked like lime. */
export interface GypsumPrescription {
  /** All that is still to give, lb of the gypsum at hand/1000 ft2. */
  yearLb: number;
  espPercent?: number;
  doses: number[];
  says: string;
  figure?: Figure;
  dosesFigure?: Figure;
  productId?: string;
  own?: OwnFigure;
  byRule?: Figure;
  ledger?: Ledger;
}

/** Gypsum where exchangeable sodium reads sodic, or where the agronomist says so. */
export function prescribeGypsum(facts: ZoneFacts, read: Interpretation | undefined): GypsumPrescription {
  const { zone, products } = facts;
  const none = (says: string, espPercent?: number): GypsumPrescription => ({ yearLb: 0, doses: [], says, espPercent });
  const own = ownOf(zone, 'gypsum');
  const sodium = read && exchangeableSodiumOf(read.usable);
  if (!read || (sodium === undefined && !own)) return none('Sodium is not on a report: no gypsum.');
  const espPercent = sodium?.espPercent;
  if ((espPercent ?? 0) < SODIC_ESP_PERCENT && !own)
    return none(
      `Exchangeable sodium is ${fixed(espPercent ?? 0, 1)} % of CEC, under ${SODIC_ESP_PERCENT}: not sodic.`,
      espPercent,
    );
  if (zone.drainage === 'poor')
    return none('Sodic, but poorly drained: without drainage gypsum cannot be leached. Drain first.', espPercent);
  const product = products.find((p) => !p.unfinished && !p.pesticide && gypsumPercent(p) > 0);
  const percent = product ? gypsumPercent(product) : 100;
  const { cec, says: cecSays } = zoneCec(zone, read);
  const requirement =
    espPercent === undefined
      ? undefined
      : figureOf(
          gypsumRequirement,
          {
            cec: traced(cec, cecSays),
            espPercent: traced(Math.min(100, espPercent), sodium?.by ?? 'soil report', sodium?.figure),
            aimEspPercent: traced(ESP_AIM, 'common practice'),
            treatedDepthIn: traced(GYPSUM_DEPTH_IN, 'surface gypsum on standing turf'),
          },
          { title: 'Gypsum requirement', unit: UNIT, usedIn: 'Prescribe: the gypsum material.' },
        );
  if (requirement && isRefusal(requirement)) return none(requirement.refused, espPercent);
  const material =
    requirement &&
    sureFigure(
      gypsumMaterial,
      {
        requirementLb: traced(requirement.value, 'gypsum requirement', requirement),
        gypsumPercent: traced(percent, product ? `label, ${product.name}` : 'no gypsum on the shelf: taken as pure'),
      },
      { title: 'Gypsum', unit: UNIT, usedIn: USED_IN },
    );
  const asked = own ? inPlaceOf(material, own, { title: 'Gypsum, override', unit: UNIT, usedIn: USED_IN }) : material;
  if (!asked) return none('Sodium is not on a report: no gypsum.');
  const lines = loggedSince(zone, products, { after: read.sampledOn }, (p) => gypsumPercent(p) / percent);
  const ledger = ledgerOf(asked, read.sampledOn, lines, { title: 'Gypsum outstanding', unit: UNIT, usedIn: USED_IN });
  const left = lines.length > 0 && ledger.outstanding.value < LEAST_LEFT_LB ? 0 : ledger.outstanding.value;
  const doses = figureOf(
    gypsumDoses,
    { gypsumLb: traced(left, 'gypsum still to give', ledger.outstanding) },
    { title: 'Gypsum, each dose', unit: UNIT, part: 'doses', usedIn: 'Season: one block a dose.' },
  );
  const each = isRefusal(doses) ? [] : [...doses.whole.doses];
  const sulfur =
    carbonateStanding(zone, read.usable) === 'present'
      ? ' The soil holds free lime: elemental sulfur can make gypsum of it, slowly, instead.'
      : '';
  const why =
    espPercent === undefined || espPercent < SODIC_ESP_PERCENT
      ? 'By an override.'
      : `Sodic: ${fixed(espPercent, 1)} % of CEC is sodium.`;
  return {
    yearLb: left,
    espPercent,
    doses: each,
    figure: ledger.outstanding,
    ...(isRefusal(doses) || each.length === 0 ? {} : { dosesFigure: doses }),
    productId: product?.id,
    own,
    byRule: own && material,
    ...(lines.length > 0 ? { ledger } : {}),
    says: `${why} Gypsum, at most 40 lb gypsum per 1000 ft2 a dose and two doses a year; drainage first, then water to leach after each dose. It does not change pH.${ledgerSays(lines.length > 0 ? ledger : undefined, each, 'gypsum')}${sulfur}`,
  };
}
