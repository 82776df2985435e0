import { saltCarriers } from '../../products/carriers';
import { slowShare } from '../../nitrogen/forms';
import { productSalt } from '../../products/salt';
import { HIGH_CHLORIDE_PERCENT } from '../../products/shelf';
import { prescribeSalinity } from '../../prescription/prescribe-others';
import { evaluate } from '../../reckoning/define';
import { isRefusal } from '../../reckoning/refusal';
import { nitrogenCeilings, phosphateDoseCeiling, potashDoseCeiling } from '../rules/dose-ceilings';
import { leastRateLb, MOST_PRODUCTS_A_DAY, MOST_SALT_ON_SALTY_LB, RATE_STEP_LB } from '../rules/limits';
import { codeLeastSlowPercent } from '../rules/local-codes';
import { two } from '../../words/numbers';
import { type Check, dosesIn, EPS, type Facts, judge, sum } from './check';

/** What one day may bring: soluble and total N, K2O, P2O5, salt, passes, and what a spreader can hold. */
export function doseChecks({ zoneSeason, days, doses, codes, productOf }: Facts): Check[] {
  const { zone, read, grass } = zoneSeason;
  const checks: Check[] = [];
  const { soluble, total, says: who } = nitrogenCeilings(zone, codes);
  const most = (nutrient: string) =>
    days.reduce<{ lb: number; doses: typeof doses }>(
      (worst, d) => (sum(d.doses, nutrient) > worst.lb ? { lb: sum(d.doses, nutrient), doses: d.doses } : worst),
      { lb: 0, doses: [] },
    );
  const worst = most('N-soluble');
  checks.push(
    judge(
      'soluble-dose',
      'Largest soluble N dose',
      `${two(worst.lb)} of ${two(soluble)} lb N`,
      worst.lb <= soluble + EPS
        ? undefined
        : {
            standing: 'fail',
            says: `One day brings ${two(worst.lb)} lb soluble N per 1000, over the ceiling of ${two(soluble)} (${who}).`,
            doses: worst.doses,
          },
    ),
  );
  const over = days.find((d) => {
    const n = sum(d.doses, 'N');
    return n > total(n > 0 ? 1 - sum(d.doses, 'N-soluble') / n : 0) + EPS;
  });
  checks.push(
    judge(
      'total-dose',
      'Largest N dose',
      `${two(most('N').lb)} lb N`,
      over && {
        standing: 'fail',
        says: `${two(sum(over.doses, 'N'))} lb N per 1000 on one day is over the ceiling.`,
        doses: over.doses,
      },
    ),
  );
  for (const [nutrient, ceiling] of [
    ['K2O', potashDoseCeiling(zone)],
    ['P2O5', phosphateDoseCeiling()],
  ] as const) {
    const found = most(nutrient);
    if (found.lb === 0) continue;
    checks.push(
      judge(
        `${nutrient}-dose`,
        `Largest ${nutrient} dose`,
        `${two(found.lb)} of ${two(ceiling)} lb ${nutrient}`,
        found.lb <= ceiling + EPS
          ? undefined
          : {
              standing: 'fail',
              says: `One day brings ${two(found.lb)} lb ${nutrient} per 1000, over the ceiling of ${two(ceiling)}.`,
              doses: found.doses,
            },
      ),
    );
  }

  if (prescribeSalinity(read).standing === 'saline') {
    const salts = days.map((d) => ({
      doses: d.doses,
      lb: d.doses.reduce((all, dose) => {
        const product = productOf(dose);
        const salt =
          product &&
          evaluate(productSalt, {
            rateLb: dose.rateLb,
            carrierPercents: saltCarriers(product) as Record<string, number>,
          });
        return all + (salt && !isRefusal(salt) ? salt.saltLb : 0);
      }, 0),
    }));
    const saltiest = salts.reduce((a, b) => (b.lb > a.lb ? b : a), { lb: 0, doses: [] as typeof doses });
    checks.push(
      judge(
        'salt-dose',
        'Salt of a dose, on a salty soil',
        `${two(saltiest.lb)} of ${two(MOST_SALT_ON_SALTY_LB)} lb salt`,
        saltiest.lb <= MOST_SALT_ON_SALTY_LB + EPS
          ? undefined
          : {
              standing: 'fail',
              says: `One day brings salt like ${two(saltiest.lb)} lb sodium nitrate per 1000; a salty soil bears ${two(MOST_SALT_ON_SALTY_LB)}.`,
              doses: saltiest.doses,
            },
      ),
    );
  }

  const chlorides = grass.lowChloride
    ? doses.filter((d) => (productOf(d)?.guaranteed.Cl ?? 0) >= HIGH_CHLORIDE_PERCENT)
    : [];
  if (grass.lowChloride)
    checks.push(
      judge(
        'chloride',
        'Chloride',
        dosesIn(chlorides, 'salty'),
        chlorides.length === 0
          ? undefined
          : {
              standing: 'fail',
              says: `${productOf(chlorides[0]!)?.name} holds ${productOf(chlorides[0]!)?.guaranteed.Cl} % chloride: ${grass.name} wants the sulfate.`,
              doses: chlorides,
            },
      ),
    );

  const pesticides = doses.filter((d) => productOf(d)?.pesticide);
  if (pesticides.length > 0)
    checks.push(
      judge('pesticide', 'Pesticide in a feed', dosesIn(pesticides), {
        standing: 'fail',
        says: `${productOf(pesticides[0]!)?.name} holds a pesticide: its own label and a license decide its rate, not a feeding plan.`,
        doses: pesticides,
      }),
    );

  // lime and sulfur have their own small doses
  const tooLittle = doses.find((d) => {
    const product = productOf(d);
    return product && d.for !== 'lime' && d.for !== 'sulfur' && d.rateLb < leastRateLb(product, zone) - RATE_STEP_LB;
  });
  checks.push(
    judge(
      'smallest-rate',
      'Smallest practical rate',
      tooLittle ? `${two(tooLittle.rateLb)} lb product` : 'kept',
      tooLittle && {
        standing: 'warn',
        says: `${two(tooLittle.rateLb)} lb product per 1000 of ${productOf(tooLittle)?.name} is less than a spreader lays evenly, or too little to walk for.`,
        doses: [tooLittle],
      },
    ),
  );
  const crowded = days.find((d) => d.doses.length > MOST_PRODUCTS_A_DAY);
  if (crowded)
    checks.push(
      judge('passes', 'Products in one trip', `${crowded.doses.length} on one day`, {
        standing: 'warn',
        says: `${crowded.doses.length} products on one day are ${crowded.doses.length} passes with ${crowded.doses.length} gate settings; ${MOST_PRODUCTS_A_DAY} are practical.`,
        doses: crowded.doses,
      }),
    );

  const slowNeeded = codeLeastSlowPercent(codes);
  if (slowNeeded > 0) {
    const fast = doses.find((d) => {
      const p = productOf(d);
      return p && (d.delivers.N ?? 0) > 0 && slowShare(p) * 100 < slowNeeded - EPS;
    });
    checks.push(
      judge(
        'slow-share',
        'Slow nitrogen',
        `at least ${slowNeeded} %`,
        fast && {
          standing: 'fail',
          says: `The code asks for ${slowNeeded} % slow nitrogen in each dose; ${productOf(fast)?.name} holds ${Math.round(slowShare(productOf(fast)!) * 100)} %.`,
          doses: [fast],
        },
      ),
    );
  }
  return checks;
}
