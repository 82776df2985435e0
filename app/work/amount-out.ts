import { FL_OZ_PER_GAL } from '@core/units/conversions';
import type { Refusal } from '@core/reckoning/refusal';
import { isRefusal } from '@core/reckoning/refusal';
import type { Units } from '../ui/format';

/** How an amount of a product is measured out, typed back and shown: on the scale, or for a liquid by the jug. Kept in lb product. */
export interface AmountOut {
  isLiquid: boolean;
  unit: string;
  show: (lb: number) => string;
  say: (lb: number) => string;
  /** Of lb product/1000 ft2. */
  rate: (ratePer1000Lb: number) => string;
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
      field: (lb) => units.field('weight', lb),
      read: (text, label, field) => units.value('weight', text, label, field),
    };
  const flOz = (lb: number) => (lb / lbPerGal) * FL_OZ_PER_GAL;
  return {
    isLiquid: true,
    unit: units.unit('bottle', of),
    show: (lb) => units.show('bottle', flOz(lb)),
    say: (lb) => units.say('bottle', flOz(lb), of),
    rate: (lb) => units.say('liquid-rate', flOz(lb), of),
    field: (lb) => units.field('bottle', lb === undefined ? undefined : flOz(lb)),
    read: (text, label, field) => {
      const read = units.value('bottle', text, label, field);
      return read === undefined || isRefusal(read) ? read : (read / FL_OZ_PER_GAL) * lbPerGal;
    },
  };
}

/** Density by which a product is measured out; undefined where it is weighed. */
export const densityOf = ({ form, lbPerGal }: { form?: string; lbPerGal?: number }): number | undefined =>
  form === 'liquid' ? lbPerGal : undefined;
