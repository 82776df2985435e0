import { slowShare } from '../../nitrogen/forms';
import { saltCarriers } from '../../products/carriers';
import { MOST_SALT_ON_SALTY_LB, productSalt } from '../../products/salt';
import { isFeed, MOST_CLOSE_CUT_SGN, unfitForCloseCut } from '../../products/close-cut-feeds';
import { FOLIAR } from '../../foliar/foliar-feeds';
import { HIGH_CHLORIDE_PERCENT } from '../../products/shelf';
import { evaluate } from '../../reckoning/define';
import { isRefusal } from '../../reckoning/refusal';
import { two } from '../../words/numbers';
import type { Dose } from '../plan/dose';
import { isFeedingLb } from '../plan/feeding';
import { daysBetween } from '../../days/day';
import { isStrongAcidifier } from '../../products/strong-acidifier';
import { sayDay } from '../../words/days';
import { lostToAir } from '../../nitrogen/surface-urea';
import { isAcidSoil } from '../plan/acid-soil';
import { isLimySoil } from '../plan/limy-soil';
import {
  isWeakGround,
  nitrogenCeilings,
  phosphateDoseCeiling,
  potashDoseCeiling,
  SPRAY_N,
  WEAK_TOTAL_N,
  weakTotal,
} from '../rules/dose-ceilings';
import { MOST_PRODUCTS_A_DAY, RATE_STEP_LB } from '../rules/limits';
import { leastRateLb } from '../../products/least-rate';
import { codeLeastSlowPercent } from '../rules/local-codes';
import { check, dosesIn, EPS, type Facts, ifAny, noneOf, sum } from './check';

/** What one day may bring: soluble and total N, K2O, P2O5, salt, passes, and what a spreader can hold. */

interface DayWorst {
  lb: number;
  doses: readonly Dose[];
}

const worstDay = (days: Facts['days'], lbOf: (doses: readonly Dose[]) => number): DayWorst =>
  days.reduce<DayWorst>(
    (worst, { doses }) => {
      const lb = lbOf(doses);
      return lb > worst.lb ? { lb, doses } : worst;
    },
    { lb: 0, doses: [] },
  );

const withinCeiling = ({ lb, ceiling }: { lb: number; ceiling: number }) => (lb <= ceiling + EPS ? 'pass' : 'fail');

const solubleDose = check({
  id: 'soluble-dose',
  kind: 'dose',
  title: 'Largest soluble N dose',
  rule: 'All products of one day together bring no more soluble nitrogen than the grass, the soil and the code bear.',
  measure: ({ days, zoneSeason, codes }: Facts) => {
    const { soluble: ceiling, says: who } = nitrogenCeilings(zoneSeason.zone, codes);
    const worst = worstDay(days, (doses) => sum(doses, 'N-soluble'));
    return { found: `${two(worst.lb)} of ${two(ceiling)} lb N`, ceiling, who, ...worst };
  },
  standing: withinCeiling,
  says: (m) =>
    `One day brings ${two(m.lb)} lb soluble N per 1000, over the ceiling of ${two(m.ceiling)} lb soluble N (${m.who}).`,
});

const totalDose = check({
  id: 'total-dose',
  kind: 'dose',
  title: 'Largest N dose',
  rule: 'All nitrogen of one day stays under the ceiling that its slow share allows.',
  measure: ({ days, zoneSeason, codes }: Facts) => {
    const { total } = nitrogenCeilings(zoneSeason.zone, codes);
    const over = days.find(({ doses }) => {
      const n = sum(doses, 'N');
      return n > total(n > 0 ? 1 - sum(doses, 'N-soluble') / n : 0) + EPS;
    });
    return {
      found: `${two(worstDay(days, (doses) => sum(doses, 'N')).lb)} lb N`,
      doses: over?.doses ?? [],
    };
  },
  standing: noneOf('fail'),
  says: (m) => `${two(sum(m.doses, 'N'))} lb N per 1000 on one day is over the ceiling.`,
});

const sprayDose = check({
  id: 'spray-dose',
  kind: 'dose',
  title: 'Nitrogen of a spray',
  rule: 'A liquid supplements and does not feed: its soluble nitrogen burns leaves, and little of it fits in a spray.',
  measure: ({ days, productOf }: Facts) => {
    const sprays = days
      .map(({ doses }) => doses.filter((d) => productOf(d)?.form === 'liquid' && (d.delivers.N ?? 0) > 0))
      .filter((doses) => doses.length > 0);
    const over = sprays.find(
      (doses) => sum(doses, 'N-soluble') > SPRAY_N.soluble + EPS || sum(doses, 'N') > SPRAY_N.total + EPS,
    );
    const most = Math.max(0, ...sprays.map((doses) => sum(doses, 'N')));
    return sprays.length === 0 ? undefined : { found: `${two(most)} lb N`, doses: over ?? [] };
  },
  standing: noneOf('fail'),
  says: ({ doses }) =>
    `A spray brings ${two(sum(doses, 'N'))} lb N per 1000, ${two(sum(doses, 'N-soluble'))} lb N of it soluble: at most ${two(SPRAY_N.soluble)} lb soluble N, ${two(SPRAY_N.total)} lb N in all. Feed with granules, or spray ${Math.ceil(Math.max(sum(doses, 'N-soluble') / SPRAY_N.soluble, sum(doses, 'N') / SPRAY_N.total) - EPS)} times.`,
});

const oxideDose = (nutrient: 'K2O' | 'P2O5', ceilingOf: (facts: Facts) => number) =>
  check({
    id: `${nutrient}-dose`,
    kind: 'dose',
    title: `Largest ${nutrient} dose`,
    rule: `All products of one day together bring no more ${nutrient} than one dose may.`,
    measure: (facts: Facts) => {
      const worst = worstDay(facts.days, (doses) => sum(doses, nutrient));
      const ceiling = ceilingOf(facts);
      return worst.lb === 0
        ? undefined
        : { found: `${two(worst.lb)} of ${two(ceiling)} lb ${nutrient}`, ceiling, ...worst };
    },
    standing: withinCeiling,
    says: (m) =>
      `One day brings ${two(m.lb)} lb ${nutrient} per 1000, over the ceiling of ${two(m.ceiling)} lb ${nutrient}.`,
  });

const saltDose = check({
  id: 'salt-dose',
  kind: 'dose',
  title: 'Salt of a dose, on a salty soil',
  rule: 'On a salty soil the salt of one day stays low.',
  measure: ({ zoneSeason, days, productOf }: Facts) => {
    if (zoneSeason.prescription.salinity.standing !== 'saline') return undefined;
    const saltOf = (dose: Dose): number => {
      const product = productOf(dose);
      const salt =
        product &&
        evaluate(productSalt, {
          rateLb: dose.rateLb,
          carrierPercents: saltCarriers(product) as Record<string, number>,
        });
      return salt && !isRefusal(salt) ? salt.saltLb : 0;
    };
    const worst = worstDay(days, (doses) => doses.reduce((all, dose) => all + saltOf(dose), 0));
    return {
      found: `${two(worst.lb)} of ${two(MOST_SALT_ON_SALTY_LB)} lb salt`,
      ceiling: MOST_SALT_ON_SALTY_LB,
      ...worst,
    };
  },
  standing: withinCeiling,
  says: (m) =>
    `One day brings salt like ${two(m.lb)} lb sodium nitrate per 1000; a salty soil bears ${two(m.ceiling)} lb sodium nitrate.`,
});

const chloride = check({
  id: 'chloride',
  kind: 'dose',
  title: 'Chloride',
  rule: 'A grass that chloride hurts gets the sulfate.',
  measure: ({ zoneSeason: { grass }, doses, productOf }: Facts) => {
    if (!grass.lowChloride) return undefined;
    const salty = doses.filter((d) => (productOf(d)?.guaranteed.Cl ?? 0) >= HIGH_CHLORIDE_PERCENT);
    return {
      found: dosesIn(salty, 'salty'),
      doses: salty,
      product: salty[0] && productOf(salty[0]),
      grass: grass.name,
    };
  },
  standing: noneOf('fail'),
  says: ({ product, grass }) =>
    `${product?.name} holds ${product?.guaranteed.Cl} % chloride: ${grass} wants the sulfate.`,
});

const pesticide = check({
  id: 'pesticide',
  kind: 'dose',
  title: 'Pesticide in a feed',
  rule: 'No feed carries a pesticide: its own label and a license decide its rate.',
  measure: ({ doses, productOf }: Facts) => {
    const holding = doses.filter((d) => productOf(d)?.pesticide);
    return ifAny({ found: dosesIn(holding), doses: holding, name: holding[0] && productOf(holding[0])?.name });
  },
  standing: noneOf('fail'),
  says: ({ name }) => `${name} holds a pesticide: its own label and a license decide its rate, not a feeding plan.`,
});

/** Doses that no least rate of a spreader binds. */
const SMALL_BY_NATURE: ReadonlySet<string> = new Set(['lime', 'sulfur', ...FOLIAR]);

const smallestRate = check({
  id: 'smallest-rate',
  kind: 'dose',
  title: 'Smallest practical rate',
  rule: 'No dose is thinner than a spreader lays evenly. Lime and sulfur have small doses of their own, sprays no spreader.',
  measure: ({ zoneSeason: { zone }, doses, productOf }: Facts) => {
    const thin = doses.find((d) => {
      const product = productOf(d);
      return (
        product &&
        product.form !== 'liquid' &&
        !SMALL_BY_NATURE.has(d.for) &&
        d.rateLb < leastRateLb(product, zone) - RATE_STEP_LB
      );
    });
    return {
      found: thin ? `${two(thin.rateLb)} lb product per 1000` : 'kept',
      doses: thin ? [thin] : [],
      name: thin && productOf(thin)?.name,
    };
  },
  standing: noneOf('warn'),
  says: ({ found, name }) => `${found} of ${name} is less than a spreader lays evenly, or too little to walk for.`,
});

const passes = check({
  id: 'passes',
  kind: 'dose',
  title: 'Products in one trip',
  rule: 'One trip spreads no more products than are practical: each is a pass with a gate setting of its own.',
  measure: ({ days }: Facts) => {
    const doses = days.find((d) => d.doses.length > MOST_PRODUCTS_A_DAY)?.doses ?? [];
    return ifAny({ found: `${doses.length} on one day`, doses });
  },
  standing: noneOf('warn'),
  says: ({ doses }) =>
    `${doses.length} products on one day are ${doses.length} passes with ${doses.length} gate settings; ${MOST_PRODUCTS_A_DAY} are practical.`,
});

const slowNitrogen = check({
  id: 'slow-share',
  kind: 'dose',
  title: 'Slow nitrogen',
  rule: 'Each dose holds the share of slow nitrogen that the local code asks for.',
  measure: ({ codes, doses, productOf }: Facts) => {
    const needed = codeLeastSlowPercent(codes);
    if (needed === 0) return undefined;
    const fast = doses.find((d) => {
      const product = productOf(d);
      return product && isFeedingLb(d.delivers.N ?? 0) && slowShare(product) * 100 < needed - EPS;
    });
    return { found: `at least ${needed} %`, needed, doses: fast ? [fast] : [], product: fast && productOf(fast) };
  },
  standing: noneOf('fail'),
  says: ({ needed, product }) =>
    `The code asks for ${needed} % slow nitrogen in each dose; ${product?.name} holds ${product && Math.round(slowShare(product) * 100)} %.`,
});

const closeTogether = check({
  id: 'weak-soil-n',
  kind: 'dose',
  title: 'N of any 21 days, on weak soil',
  rule: 'On sand and weak soil the nitrogen of any 21 days together stays under what one dose may bring (C4).',
  measure: ({ zoneSeason: { zone }, days }: Facts) => {
    if (zone.turf === 'close-cut' || !isWeakGround(zone)) return undefined;
    const share = (doses: readonly Dose[]) => {
      const n = sum(doses, 'N');
      return n === 0 ? 0 : n / weakTotal(1 - sum(doses, 'N-soluble') / n);
    };
    const worst = days
      .map(({ date }) => days.filter((d) => d.date >= date && daysBetween(date, d.date) < WEAK_TOTAL_N.overDays))
      .map((window) => ({
        used: window.reduce((all, d) => all + share(d.doses), 0),
        doses: window.flatMap((d) => d.doses),
      }))
      .sort((a, b) => b.used - a.used)[0];
    return worst && worst.used > 0 ? { found: `${Math.round(worst.used * 100)} % of one dose`, ...worst } : undefined;
  },
  standing: ({ used }) => (used <= 1 + 1e-3 ? 'pass' : 'fail'),
  says: ({ used }) =>
    `${WEAK_TOTAL_N.overDays} days together bring ${Math.round(used * 100)} % of what one dose may bring on soil this weak: it leaches.`,
});

const strongAcidifier = check({
  id: 'acidifier',
  kind: 'dose',
  title: 'Strong acidifiers on acid soil',
  rule: 'Nitrogen that makes much acid stays off soil that is too acid, unless nothing else can feed (C5, B5).',
  measure: ({ zoneSeason, doses, productOf }: Facts) => {
    if (!isAcidSoil(zoneSeason)) return undefined;
    const phosphate = zoneSeason.prescription.phosphorus.yearLb > 0;
    const acid = doses.filter((d) => {
      const product = productOf(d);
      return product && isStrongAcidifier(product) && !(phosphate && (product.guaranteed.P2O5 ?? 0) > 0);
    });
    return ifAny({ found: dosesIn(acid), doses: acid, name: acid[0] && productOf(acid[0])?.name });
  },
  standing: noneOf('warn'),
  says: ({ name }) =>
    `${name} works against the lime on soil that is too acid already: another source of nitrogen suits.`,
});

const limyUrea = check({
  id: 'urea-limy',
  kind: 'dose',
  title: 'Urea on limy soil',
  rule: 'Above pH 7.3 or with free carbonate urea on the ground is watered in the same day: of dry urea a third goes to the air (C5).',
  measure: ({ zoneSeason, doses, productOf }: Facts) => {
    if (!isLimySoil(zoneSeason)) return undefined;
    const watered = zoneSeason.zone.irrigated !== false;
    const lostOf = (dose: Dose) => {
      const product = productOf(dose);
      return product ? dose.rateLb * lostToAir(product, watered) : 0;
    };
    const urea = doses.filter((d) => lostOf(d) > EPS);
    const lb = urea.reduce((sum, d) => sum + lostOf(d), 0);
    if (urea.length === 0) return { found: 'no urea on the ground', watered, doses: urea, lb };
    return { found: `${two(lb)} lb N to the air${watered ? ', watered that day' : ''}`, watered, doses: urea, lb };
  },
  standing: ({ watered, doses }) => (watered || doses.length === 0 ? 'pass' : 'warn'),
  says: ({ doses, lb }) =>
    `Nobody waters here: of the urea of ${sayDay(doses[0]?.date ?? '')}${doses.length > 1 ? ' and after' : ''} ${two(lb)} lb N per 1000 can go to the air from this limy soil. Spread it the day a quarter inch of rain is sure, or take an ammonium or coated source.`,
});

const closeCutFeed = check({
  id: 'close-cut-feed',
  kind: 'dose',
  title: 'Feeds for close-cut turf',
  rule: `Close-cut turf is fed by granules of size guide number ${MOST_CLOSE_CUT_SGN} at most and by sprays (C10).`,
  measure: ({ zoneSeason: { zone }, doses, productOf }: Facts) => {
    if (zone.turf !== 'close-cut') return undefined;
    const coarse = doses.filter((d) => {
      const product = productOf(d);
      return product && isFeed(d.for) && unfitForCloseCut(product) !== undefined;
    });
    const product = coarse[0] && productOf(coarse[0]);
    return { found: dosesIn(coarse), doses: coarse, name: product?.name, why: product && unfitForCloseCut(product) };
  },
  standing: noneOf('fail'),
  says: ({ name, why }) => `${name} has no place on close-cut turf: ${why}.`,
});

export const DOSE_CHECKS = [
  solubleDose,
  totalDose,
  sprayDose,
  oxideDose('K2O', ({ zoneSeason }) => potashDoseCeiling(zoneSeason.zone)),
  oxideDose('P2O5', ({ codes }) => phosphateDoseCeiling(codes)),
  closeTogether,
  strongAcidifier,
  limyUrea,
  closeCutFeed,
  saltDose,
  chloride,
  pesticide,
  smallestRate,
  passes,
  slowNitrogen,
];
