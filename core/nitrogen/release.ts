import type { Product } from '../records/case';
import type { NitrogenForm } from '../records/vocabularies';
import { NITROGEN_FORM_TABLE, type ReleaseDriver } from './forms';

/** Soluble nitrogen serves grass about this long, days. Common practice: plain urea is used up in about 30. */
const SOLUBLE_DAYS = 28;
/** Temperature at which labels state how long a coating lasts, deg F. Common practice. */
const LABEL_TEMPERATURE_F = 68;
/** Release doubles with this many deg F (Q10 of 2 per 10 deg C). Common practice. */
const DOUBLES_OVER_F = 18;
/** Microbes release next to nothing below this soil temperature, deg F. Common practice. */
const MICROBES_FROM_F = 50;

/** Share of a slow form let go in one day at a soil temperature. */
function dailyShare({ days, driver }: { days: number; driver: ReleaseDriver }, soilF: number): number {
  if (driver === 'microbes' && soilF < MICROBES_FROM_F) return 0;
  return 2 ** ((soilF - LABEL_TEMPERATURE_F) / DOUBLES_OVER_F) / days;
}

/**
 * Share of a product's nitrogen that a dose makes available day by day, from the day it goes down to the end of the
 * given temperatures. Soluble N over four weeks; coated N by its stated days at 68 deg F, twice as fast 18 deg F
 * warmer; forms worked by microbes stand still below 50 deg F. 42-0-0 of 70 days at 68 deg F: 1/70 a day.
 *
 * @param soilF soil temperature of every day of the year, deg F
 * @param from day the dose goes down, 0 for 1 January
 */
export function releaseByDay(product: Product, soilF: readonly number[], from: number): number[] {
  const total = product.guaranteed.N ?? 0;
  const shares = new Array<number>(soilF.length).fill(0);
  if (total === 0) return shares;
  const forms = Object.entries(product.nitrogen ?? { urea: total }) as [NitrogenForm, number | undefined][];
  for (const [form, percent = 0] of forms) {
    const share = percent / total;
    if (share === 0) continue;
    let left = share;
    const row = NITROGEN_FORM_TABLE[form].slow;
    const slow = row && { ...row, days: (row.byLabel && product.releaseDays) || row.days };
    for (let day = Math.max(0, from); day < soilF.length && left > 1e-12; day++) {
      const out = Math.min(left, slow ? share * dailyShare(slow, soilF[day] as number) : share / SOLUBLE_DAYS);
      shares[day] = (shares[day] as number) + out;
      left -= out;
    }
  }
  return shares;
}
