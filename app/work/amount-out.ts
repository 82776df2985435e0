import { densityOf, flOzOf } from '@core/products/as-weighed';
import type { Product } from '@core/records/case';
import type { Refusal } from '@core/reckoning/refusal';
import { isRefusal } from '@core/reckoning/refusal';
import { FL_OZ_PER_GAL } from '@core/units/conversions';
import type { Units } from '../ui/format';

/** How an amount of a product is measured out, typed back and shown: on the scale, or for a liquid by the jug. Kept in lb product. */
export interface AmountOut {
  isLiquid: boolean;
  unit: string;
  show: (lb: number) => string;
  say: (lb: number) => string;
  /** Of lb product/1000 ft2. */
  rate: (ratePer1000Lb: number) => string;
  showRate: (ratePer1000Lb: number) => string;
  /** With its area, and without: 'lb product per 1000 sq ft', 'lb product'. */
  rateUnit: string;
  rateShort: string;
  /** What 1 lb product/1000 ft2 is in the unit of the rate, and a step of it. */
  ratePerLb: number;
  rateStep: number;
  readRate: (text: string, label: string, field: string) => number | undefined | Refusal;
  /** What is bought or in store: 'lb product', or of a liquid gallons. */
  store: (lb: number) => string;
  field: (lb: number | undefined) => string;
  read: (text: string, label: string, field: string) => number | undefined | Refusal;
}

/**
 * @param lbPerGal density of a liquid; undefined for what is weighed
 * @example amountOut(units, 10.2).say(0.1147) // '1.4 fl oz product'
 */
export function amountOut(units: Units, lbPerGal: number | undefined, of = 'product'): AmountOut {
  if (lbPerGal === undefined)
    return {
      isLiquid: false,
      unit: units.unit('weight', of),
      show: (lb) => units.weight(lb),
      say: (lb) => units.say('weight', lb, of),
      rate: (lb) => units.say('product-rate', lb, of),
      showRate: units.productRate,
      rateUnit: units.unit('product-rate', of),
      rateShort: units.short('product-rate', of),
      ratePerLb: units.inShown('product-rate', 1),
      rateStep: units.tickStep('product-rate', 0.5, 10) * units.inShown('product-rate', 1),
      readRate: (text, label, field) => units.value('product-rate', text, label, field),
      store: (lb) => units.say('weight', lb, of),
      field: (lb) => units.field('weight', lb),
      read: (text, label, field) => units.value('weight', text, label, field),
    };
  const flOz = (lb: number) => flOzOf(lb, lbPerGal);
  const asLb = (read: number | undefined | Refusal) =>
    read === undefined || isRefusal(read) ? read : (read / FL_OZ_PER_GAL) * lbPerGal;
  return {
    isLiquid: true,
    unit: units.unit('bottle', of),
    show: (lb) => units.show('bottle', flOz(lb)),
    say: (lb) => units.say('bottle', flOz(lb), of),
    rate: (lb) => units.say('liquid-rate', flOz(lb), of),
    showRate: (lb) => units.show('liquid-rate', flOz(lb)),
    rateUnit: units.unit('liquid-rate', of),
    rateShort: units.short('liquid-rate', of),
    ratePerLb: units.inShown('liquid-rate', flOz(1)),
    rateStep: units.tickStep('liquid-rate', 1, 10) * units.inShown('liquid-rate', 1),
    store: (lb) => units.say('volume', lb / lbPerGal, of),
    field: (lb) => units.field('bottle', lb === undefined ? undefined : flOz(lb)),
    read: (text, label, field) => asLb(units.value('bottle', text, label, field)),
    readRate: (text, label, field) => asLb(units.value('liquid-rate', text, label, field)),
  };
}

/** The same of a product of the shelf. */
export const amountOf = (units: Units, product: Product | undefined, of?: string): AmountOut =>
  amountOut(units, product && densityOf(product), of);
