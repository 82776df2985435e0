import type { PlannedFor, Product } from '../../records/case';
import type { EstablishmentPrescription, ZonePrescription } from '../../prescription/prescription';
import { SECOND_AFTER_DAYS, STARTER_N_LB } from '../rules/establishment';
import { dayOfYear, type IsoDay } from '../../days/day';
import { type Dose, makeDose } from '../plan/dose';
import { freeInTime } from '../rules/before-frost';
import { doseCeiling, nitrogenCeilings } from '../rules/dose-ceilings';
import type { ZoneSeason } from '../plan/season-plan';
import { slowShare } from '../../nitrogen/forms';
import { closingCode, codeLeastSlowPercent, codeNutrientsOf, tooFastForCode } from '../rules/local-codes';
import { roundedTo } from '../../words/numbers';
import { dateOf, type Ground, total } from './draft-ground';

/** Beside a starter less than this is not worth a second bag, lb N/1000 ft2. */
const LEAST_BESIDE_STARTER_LB = 0.2;
/** Most P2O5 that a starter may bring before its own nitrogen passes what a seedling bears, lb P2O5/1000 ft2 (C8). */
const starterCeiling = ({ guaranteed }: Product): number =>
  (guaranteed.N ?? 0) > 0 ? (STARTER_N_LB.most / (guaranteed.N as number)) * (guaranteed.P2O5 ?? 0) : Infinity;

/** The phosphate of the shelf whose own nitrogen comes nearest to what a starter brings: one bag for one day. */
const starterOf = (options: readonly Product[], phosphateLb: number, nitrogenLb: number): Product | undefined => {
  const off = ({ guaranteed }: Product) =>
    Math.abs(((guaranteed.N ?? 0) / (guaranteed.P2O5 ?? 1)) * phosphateLb - nitrogenLb);
  return [...options].sort((a, b) => off(a) - off(b))[0];
};

/** Whether law, frost and heat let a product onto the ground on a day: a new stand is exempt from none. */
const mayGoOn = ({ codes, season }: Ground, product: Product, date: IsoDay): boolean =>
  !season.frozen[dayOfYear(date)] &&
  !season.heat[dayOfYear(date)] &&
  slowShare(product) * 100 >= codeLeastSlowPercent((product.guaranteed.N ?? 0) > 0 ? codes : []) - 1e-9 &&
  !tooFastForCode(codes, product, date) &&
  closingCode(codes, codeNutrientsOf(product.guaranteed), date) === undefined;

/** A seeding's own doses: the starter on the day, half a pound of nitrogen four to six weeks later (C8). */
export function planEstablishment(
  ground: Ground,
  { on, starterP2O5Lb, starterNLb, secondNLb, kind }: EstablishmentPrescription,
  choose: (purpose: PlannedFor) => Product | undefined,
  prescription: ZonePrescription,
  shelf: ZoneSeason['shelf'],
  picked: boolean,
): { doses: Dose[]; missing: { for: PlannedFor; says: string }[] } {
  const { zone, codes, year } = ground;
  const doses: Dose[] = [];
  const missing: { for: PlannedFor; says: string }[] = [];
  const day = dayOfYear(on);
  /** Warm-season grass hardens for frost whenever it was laid: what would still feed then stays in the bag (C2). */
  const inTime = (product: Product, place: number) =>
    ground.season.fullGreen === undefined ||
    (product.guaranteed.N ?? 0) === 0 ||
    freeInTime(product, ground.soilF, ground.season, place);
  const what = { 'new-seeding': 'seeding', renovation: 'renovation', sod: 'sodding' }[kind];
  if (day < ground.firstDay) return { doses, missing };
  if (starterP2O5Lb > 0) {
    choose('P2O5');
    const options = (shelf.P2O5?.options ?? []).filter((p) => mayGoOn(ground, p, on) && inTime(p, day));
    const chosen = shelf.P2O5?.chosen;
    const starter =
      picked && chosen && options.includes(chosen) ? chosen : starterOf(options, starterP2O5Lb, starterNLb);
    if (!starter)
      missing.push({
        for: 'P2O5',
        says: `Nothing on the shelf may bring the ${starterP2O5Lb} lb P2O5 of the starter.`,
      });
    else {
      const lb = Math.min(starterP2O5Lb, doseCeiling(zone, starter, 'P2O5', codes), starterCeiling(starter));
      const target = { lb, says: 'starter for the new stand', figure: prescription.phosphorus.year };
      doses.push(makeDose(zone, on, starter, 'P2O5', target, `starter on the day of the ${what}`));
    }
  }
  const first = choose('N');
  const options = [...(first ? [first] : []), ...(shelf.N?.options ?? [])];
  // the starter brought the phosphate: what feeds beside it and after it brings none, and warm grass goes to frost unfed
  const feedOn = (place: number) =>
    options.find((p) => (p.guaranteed.P2O5 ?? 0) === 0 && mayGoOn(ground, p, dateOf(year, place)) && inTime(p, place));
  const nitrogen = (date: IsoDay, lb: number, says: string, why: string): void => {
    if (lb < LEAST_BESIDE_STARTER_LB) return;
    const feed = feedOn(dayOfYear(date));
    if (!feed) {
      missing.push({ for: 'N', says: `Nothing on the shelf may bring the ${roundedTo(lb, 2)} lb N of ${says}.` });
      return;
    }
    // what the starter brings that day counts under the same ceilings
    const thatDay = doses.filter((d) => d.date === date);
    const soluble = 1 - slowShare(feed);
    const most = Math.min(
      lb,
      doseCeiling(zone, feed, 'N', codes) - total(thatDay, 'N'),
      soluble > 0 ? (nitrogenCeilings(zone, codes).soluble - total(thatDay, 'N-soluble')) / soluble : Infinity,
    );
    if (most < LEAST_BESIDE_STARTER_LB) return;
    doses.push(makeDose(zone, date, feed, 'N', { lb: most, says, figure: prescription.nitrogen.year }, why));
  };
  nitrogen(on, starterNLb - total(doses, 'N'), 'the starter', `nitrogen on the day of the ${what}`);
  const second = day + SECOND_AFTER_DAYS.usual;
  if (second < ground.season.growth.length)
    nitrogen(
      dateOf(year, second),
      secondNLb,
      'the second dose',
      'second nitrogen of the new stand, four to six weeks on',
    );
  return { doses, missing };
}
