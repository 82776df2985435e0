import { zoneAmount } from '../../products/zone-amount';
import type { PlannedFor, Product, Zone } from '../../records/case';
import { type Figure, sureFigure, traced } from '../../reckoning/figure';
import { productDelivers } from '../../products/delivers';
import { slowShare } from '../../nitrogen/forms';
import { productRate } from '../../products/rate';
import { percentFor } from '../../products/shelf';
import { evaluate } from '../../reckoning/define';
import { isRefusal } from '../../reckoning/refusal';
import { sulfurProduct } from '../../sulfur/product';
import type { IsoDay } from '../../days/day';

/** One dated, weighed application. */
export interface Dose {
  zoneId: string;
  date: IsoDay;
  productId: string;
  for: PlannedFor;
  /** lb product/1000 ft2. */
  rateLb: number;
  /** lb product for the whole zone. */
  zoneLb: number;
  /** lb of each nutrient/1000 ft2, `N-soluble` included. */
  delivers: Record<string, number>;
  why: string;
  rate: Figure;
  weighOut: Figure;
}

/** What the label has to state for a purpose. */
const SUBSTANCE_OF: Record<PlannedFor, string> = {
  N: 'N',
  P2O5: 'P2O5',
  K2O: 'K2O',
  lime: 'lime',
  sulfur: 'S',
  gypsum: 'gypsum',
  iron: 'Fe',
  manganese: 'Mn',
};

/** Weighs one dose of a product for a zone, with the figures of its rate and its weigh-out. */
export function makeDose(
  zone: Zone,
  date: IsoDay,
  product: Product,
  purpose: PlannedFor,
  target: { lb: number; says: string; figure?: Figure },
  why: string,
): Dose {
  const substance = SUBSTANCE_OF[purpose];
  /** Lime and gypsum are their own substance: what is spread is what is asked for. */
  const itself = purpose === 'lime' || purpose === 'gypsum';
  const unit = itself ? `lb ${purpose} per 1000 ft2` : 'lb product per 1000 ft2';
  const rate =
    itself && target.figure && Math.abs(target.figure.value - target.lb) < 1e-9
      ? target.figure.retitled(`${product.name}, rate`, 'Season: this dose.')
      : purpose === 'sulfur'
        ? sureFigure(
            sulfurProduct,
            {
              elementalLb: traced(target.lb, target.says, target.figure),
              freeSulfurPercent: traced(percentFor(product, purpose), `label, ${product.name}`),
            },
            { title: `${product.name}, rate`, unit, usedIn: 'Season: this dose.' },
          )
        : sureFigure(
            productRate,
            {
              targetLb: traced(target.lb, target.says, target.figure),
              percent: traced(percentFor(product, purpose), `label, ${product.name}: percent ${substance}`),
            },
            { title: `${product.name}, rate`, unit, usedIn: 'Season: this dose.' },
          );
  const weighOut = sureFigure(
    zoneAmount,
    {
      ratePer1000Lb: traced(rate.value, 'rate of this dose', rate),
      areaSqFt: traced(
        zone.areaSqFt,
        `${zone.name}, ${zone.measuredBy ? `measured by ${zone.measuredBy}` : 'as entered'}`,
      ),
    },
    {
      title: `${product.name}, weigh out`,
      unit: itself ? `lb ${purpose} for the zone` : 'lb product for the zone',
      usedIn: 'Season: the scale on the day, and the purchase list.',
    },
  );
  const delivered = evaluate(productDelivers, {
    rateLb: rate.value,
    guaranteed: product.guaranteed as Record<string, number>,
  });
  const delivers = isRefusal(delivered) ? {} : { ...delivered };
  if (delivers.N !== undefined) delivers['N-soluble'] = delivers.N * (1 - slowShare(product));
  return {
    zoneId: zone.id,
    date,
    productId: product.id,
    for: purpose,
    rateLb: rate.value,
    zoneLb: weighOut.value,
    delivers,
    why,
    rate,
    weighOut,
  };
}
