import { releaseByDay } from '../../nitrogen/release';
import { slowShare } from '../../nitrogen/forms';
import type { GrowthSeason } from '../../climate/climate-year';
import type { Product } from '../../records/case';

/** Nitrogen of warm-season grass is free so long before the first frost, days (C2). Common practice. */
const FREE_BEFORE_FROST_DAYS = 28;
/** So much of a dose, and soluble nitrogen counts as free after so many days (C2). */
const FREE_SHARE = 0.9;
const SOLUBLE_FREE_AFTER_DAYS = 14;
/** In the weeks before the last feeding there is at most so much in all, lb N/1000 ft2 (C2). Common practice. */
export const LAST_WEEKS = { days: 42, mostLb: 0.5 } as const;

/** Share of a dose's nitrogen that is free by a day: soluble as a whole after two weeks, slow by its release in that warmth. */
export function freeBy(product: Product, soilF: readonly number[], from: number, by: number): number {
  const slow = slowShare(product);
  const soluble = by - from >= SOLUBLE_FREE_AFTER_DAYS ? 1 - slow : 0;
  if (slow === 0) return soluble;
  const forms = Object.entries(product.nitrogen ?? {}).filter(([form]) => isSlowForm(product, form));
  const only: Product = { ...product, nitrogen: Object.fromEntries(forms) };
  const total = product.guaranteed.N ?? 0;
  const share = releaseByDay({ ...only, guaranteed: { ...product.guaranteed, N: total } }, soilF, from)
    .slice(0, Math.max(0, by))
    .reduce((a, b) => a + b, 0);
  return soluble + share;
}

const isSlowForm = (product: Product, form: string): boolean =>
  slowShare({ ...product, nitrogen: { [form]: product.guaranteed.N ?? 0 } as Product['nitrogen'] }) > 0;

/** Whether a dose has done its feeding four weeks before the first frost (C2). Without a frost there is no cut-off of it. */
export function freeInTime(product: Product, soilF: readonly number[], season: GrowthSeason, day: number): boolean {
  if (season.firstFrost >= season.growth.length || soilF.length === 0) return true;
  return freeBy(product, soilF, day, season.firstFrost - FREE_BEFORE_FROST_DAYS) >= FREE_SHARE - 1e-9;
}
