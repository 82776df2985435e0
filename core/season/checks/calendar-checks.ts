import { losesAmmonia } from '../../nitrogen/forms';
import { microbeDriven } from '../../nitrogen/forms';
import { releaseByDay } from '../../nitrogen/release';
import { LEAST_GROWTH } from '../../climate/climate-year';
import { daysBetween, dayOfYear, inMonthDaySpan } from '../../days/day';
import { sayDay } from '../../words/days';
import type { Dose } from '../plan/dose';
import { leastDaysBetweenN } from '../rules/dose-ceilings';
import { correctionStretches } from '../rules/correction-stretches';
import { LIME_NITROGEN_GAP_DAYS } from '../rules/limits';
import { MICROBES_WORK_FROM_F, MOST_FREE_IN_HEAT_LB, mostDaysBetweenN } from '../rules/limits';
import { lateSolubleForbidden } from '../rules/season-schools';
import { closingCode, codeNutrientsOf } from '../rules/local-codes';
import { two } from '../../words/numbers';
import { type Check, dayIn, dosesIn, EPS, type Facts, judge, sum } from './check';

/** Pairs of neighbouring days, the closest first. */
function closest(days: readonly { date: string; doses: readonly Dose[] }[]) {
  return days
    .slice(1)
    .map((day, i) => {
      const before = days[i] as (typeof days)[number];
      return {
        days: daysBetween(before.date, day.date),
        doses: [...before.doses, ...day.doses],
        from: before.date,
        to: day.date,
      };
    })
    .sort((a, b) => a.days - b.days);
}

function intervalChecks({ zoneSeason, days }: Facts): Check[] {
  const { zone, season, prescription } = zoneSeason;
  const feedings = days
    .map((d) => ({ ...d, doses: d.doses.filter((dose) => (dose.delivers.N ?? 0) > EPS) }))
    .filter((d) => d.doses.length > 0);
  const least = leastDaysBetweenN(zone);
  const tight = closest(feedings)[0];
  const checks: Check[] = [];
  if (tight)
    checks.push(
      judge(
        'least-interval',
        'Between N doses',
        `${tight.days} d, needs ${least}`,
        tight.days >= least
          ? undefined
          : {
              standing: 'fail',
              says: `Nitrogen of ${sayDay(tight.from)} and ${sayDay(tight.to)} stands ${tight.days} days apart and needs ${least}: the grass has not used the first.`,
              doses: tight.doses,
            },
      ),
    );
  if (season && feedings.length > 0) {
    // longest unbroken stretch of open days without a feeding, against the wait or what so many doses make of the season
    const open = season.feeding.map((yes, day) => yes && day >= dayIn(feedings[0]?.date ?? ''));
    const fed = new Set(feedings.map((d) => dayIn(d.date)));
    let longest = 0;
    let run = 0;
    open.forEach((yes, day) => {
      run = yes && !fed.has(day) ? run + 1 : 0;
      longest = Math.max(longest, run);
    });
    const openDays = season.feeding.filter(Boolean).length;
    const most = Math.max(
      mostDaysBetweenN(zone),
      Math.ceil(openDays / Math.max(1, prescription.nitrogen.year.value / 0.25)) + 7,
    );
    checks.push(
      judge(
        'most-interval',
        'Longest wait for N in season',
        `${longest} d, most ${most}`,
        longest <= most + 7
          ? undefined
          : {
              standing: 'warn',
              says: `The open season goes ${longest} days without nitrogen; ${most} are as long as the grass should wait.`,
            },
      ),
    );
  }
  return checks;
}

function closedChecks({ zoneSeason, doses, codes, productOf, soilF, plan }: Facts): Check[] {
  const { season, schools } = zoneSeason;
  const checks: Check[] = [];
  const closed = doses.filter((d) => closingCode(codes, codeNutrientsOf(d.delivers), d.date));
  checks.push(
    judge(
      'closed-dates',
      'Closed dates of the code',
      codes.length === 0 ? 'no code loaded' : `${dosesIn(closed)} inside`,
      closed[0] && {
        standing: 'fail',
        says: `The dose of ${sayDay(closed[0].date)} lies in a closed period of the local code.`,
        doses: closed,
      },
    ),
  );
  const frozen = doses.filter((d) => season?.frozen[dayIn(d.date)]);
  checks.push(
    judge(
      'frozen',
      'Frozen ground',
      `${dosesIn(frozen)} inside`,
      frozen[0] && {
        standing: 'fail',
        says: `The dose of ${sayDay(frozen[0].date)} would fall on frozen ground and wash off.`,
        doses: frozen,
      },
    ),
  );
  if (!season) return checks;
  const nitrogen = doses.filter((d) => (d.delivers.N ?? 0) > EPS);
  const heat = doses.filter((d) => season.heat[dayIn(d.date)] && ((d.delivers.N ?? 0) > EPS || d.for === 'sulfur'));
  checks.push(
    judge(
      'heat',
      'Heat',
      `${dosesIn(heat)} inside`,
      heat[0] && {
        standing: 'fail',
        says: `The dose of ${sayDay(heat[0].date)} would fall in the heat of summer: it burns, and feeds disease.`,
        doses: heat,
      },
    ),
  );
  if (season.heat.some(Boolean) && nitrogen.length > 0) {
    const inHeat = (byDay: readonly number[]) =>
      byDay.reduce((all, share, day) => (season.heat[day] ? all + share : all), 0);
    const freed = nitrogen.map((dose) => {
      const product = productOf(dose);
      const share = product ? inHeat(releaseByDay(product, soilF, dayIn(dose.date))) : 0;
      return { dose, lb: share * (dose.delivers.N ?? 0) };
    });
    const left = zoneSeason.carried ? inHeat(zoneSeason.carried.byDay) : 0;
    const lb = freed.reduce((all, each) => all + each.lb, left);
    checks.push(
      judge(
        'heat-supply',
        'N made free in the heat',
        `${two(lb)} of ${two(MOST_FREE_IN_HEAT_LB)} lb N`,
        lb <= MOST_FREE_IN_HEAT_LB + EPS
          ? undefined
          : {
              standing: 'warn',
              says: `Doses make ${two(lb)} lb N per 1000 free in the heat of summer; more than ${two(MOST_FREE_IN_HEAT_LB)} pushes leaf when cool-season grass should rest. Slow nitrogen of late spring does this: put it down earlier, less of it, or a quick one.`,
              doses: freed.filter((each) => each.lb > EPS).map((each) => each.dose),
            },
      ),
    );
  }
  const resting = nitrogen.filter((d) => {
    const day = dayIn(d.date);
    return !season.feeding[day] && !season.heat[day] && !season.frozen[day] && !schools?.alsoOpen.N?.[day];
  });
  checks.push(
    judge(
      'growing',
      'N while the grass grows',
      `${dosesIn(resting)} outside`,
      resting[0] && {
        standing: 'fail',
        says: `The nitrogen of ${sayDay(resting[0].date)} falls while the grass rests: it would leach or wash off unused.`,
        doses: resting,
      },
    ),
  );
  const burnt = doses.filter((d) => d.for === 'sulfur' && (season.growth[dayIn(d.date)] ?? 0) < LEAST_GROWTH);
  if (burnt.length > 0)
    checks.push(
      judge('sulfur-rest', 'Sulfur while the grass grows', `${dosesIn(burnt)} outside`, {
        standing: 'fail',
        says: `The sulfur of ${sayDay(burnt[0]?.date ?? '')} would fall on resting grass, which it burns.`,
        doses: burnt,
      }),
    );
  const cold = doses.filter((d) => {
    const product = productOf(d);
    const microbes = d.for === 'sulfur' || (product && microbeDriven(product));
    return microbes && (soilF[dayIn(d.date)] ?? 0) < MICROBES_WORK_FROM_F;
  });
  if (cold.length > 0)
    checks.push(
      judge('warm-soil', 'Soil warm enough for microbes', `${dosesIn(cold)} too cold`, {
        standing: 'warn',
        says: `On ${sayDay(cold[0]?.date ?? '')} the soil is under ${MICROBES_WORK_FROM_F} deg F, and ${productOf(cold[0]!)?.name} waits for microbes.`,
        doses: cold,
      }),
    );
  const early = doses.filter((d) => d.date < plan.from);
  if (early.length > 0)
    checks.push(
      judge('past', 'Days to come', `${dosesIn(early)} before ${sayDay(plan.from)}`, {
        standing: 'warn',
        says: `The dose of ${sayDay(early[0]?.date ?? '')} lies ${plan.fromIs.id === 'today' ? 'in the past: record it, or move it' : plan.fromIs.says}.`,
        doses: early,
      }),
    );
  return checks;
}

function limeChecks({ zoneSeason, doses, productOf, plan }: Facts): Check[] {
  const checks: Check[] = [];
  const { ph } = zoneSeason.prescription;
  const limes = doses.filter((d) => d.for === 'lime');
  if (limes.length > 0) {
    const ammonia = doses.filter((d) => {
      const p = productOf(d);
      return p !== undefined && losesAmmonia(p);
    });
    const nearest = limes
      .flatMap((l) => ammonia.map((n) => ({ days: Math.abs(daysBetween(l.date, n.date)), doses: [l, n] })))
      .sort((a, b) => a.days - b.days)[0];
    checks.push(
      judge(
        'lime-nitrogen',
        'Lime from urea and ammonium',
        nearest ? `${nearest.days} d, needs ${LIME_NITROGEN_GAP_DAYS}` : 'none near',
        !nearest || nearest.days >= LIME_NITROGEN_GAP_DAYS
          ? undefined
          : {
              standing: 'fail',
              says: `Lime and urea or ammonium stand ${nearest.days} days apart and need ${LIME_NITROGEN_GAP_DAYS}: ammonia would be lost to the air.`,
              doses: nearest.doses,
            },
      ),
    );
  }
  if (ph.action !== 'lime' && ph.action !== 'sulfur') {
    const unasked = doses.filter((d) => d.for === 'lime' || d.for === 'sulfur');
    if (unasked.length > 0)
      checks.push(
        judge('ph-doses', 'Lime or sulfur', dosesIn(unasked), {
          standing: 'fail',
          says: `No ${unasked[0]?.for} is prescribed here: ${ph.says}`,
          doses: unasked,
        }),
      );
    return checks;
  }
  const purpose = ph.action;
  const down = doses.filter((d) => d.for === purpose);
  const spans = correctionStretches(purpose, zoneSeason.zone);
  const open = spans.filter(([, to]) => `${plan.year}-${to}` >= plan.from).length;
  const wanted = Math.min(ph.doses.length, open);
  const inSpan = (d: Dose) => spans.findIndex(([from, to]) => inMonthDaySpan(d.date.slice(5), from, to));
  const astray = down.filter((d) => inSpan(d) === -1);
  const crowded = spans.map((_, s) => down.filter((d) => inSpan(d) === s)).find((list) => list.length > 1);
  const first = ph.doses[0] ?? 0;
  const large = down.find((d) => (purpose === 'lime' ? d.rateLb : (d.delivers['S-free'] ?? 0)) > first + 0.01);
  const name = purpose === 'lime' ? 'Lime' : 'Sulfur';
  checks.push(
    judge(
      'ph-doses',
      `${name} doses`,
      `${down.length} of ${wanted} this year`,
      large
        ? {
            standing: 'fail',
            says: `A ${purpose} dose is over the ${two(first)} lb ${purpose === 'lime' ? 'lime' : 'S'} per 1000 that one dose may bring.`,
            doses: [large],
          }
        : crowded
          ? {
              standing: 'fail',
              says: `Two doses of ${purpose} stand in one stretch of the year: it takes one at a time.`,
              doses: crowded,
            }
          : astray[0]
            ? {
                standing: 'warn',
                says: `The ${purpose} of ${sayDay(astray[0].date)} stands outside ${spans.map(([a, b]) => `${sayDay(`${plan.year}-${a}`)} to ${sayDay(`${plan.year}-${b}`)}`).join(' and ')}.`,
                doses: astray,
              }
            : down.length < wanted
              ? {
                  standing: 'warn',
                  says: `${wanted - down.length} of ${wanted} ${purpose} doses of this year are not dated.`,
                }
              : undefined,
    ),
  );
  return checks;
}

/** The late-season and potash schools, looked for among the finished doses. */
function schoolChecks({ zoneSeason, doses, productOf }: Facts): Check[] {
  const { schools, zone, season, grass } = zoneSeason;
  if (!schools) return [];
  const checks: Check[] = [];
  if (schools.steps.length > 0) {
    const taking = schools.steps.map((step) =>
      doses.filter((d) => {
        const product = productOf(d);
        const day = dayOfYear(d.date);
        return (
          product !== undefined &&
          step.serves(product) &&
          day >= step.from &&
          day <= step.to &&
          (d.delivers[step.measured] ?? 0) >= step.leastLb - EPS
        );
      }),
    );
    const missing = schools.steps.find((_, s) => taking[s]?.length === 0);
    const apart =
      !missing &&
      schools.steps.every((step, s) => {
        const next = taking[s + 1];
        if (!step.beforeNext || !next) return true;
        const { least, most } = step.beforeNext;
        return (taking[s] ?? []).some((a) =>
          next.some((b) => daysBetween(a.date, b.date) >= least && daysBetween(a.date, b.date) <= most),
        );
      });
    checks.push(
      judge(
        'late-season',
        `End of the year: ${schools.late?.title}`,
        `${schools.steps.filter((_, s) => (taking[s]?.length ?? 0) > 0).length} of ${schools.steps.length} steps`,
        missing
          ? { standing: 'warn', says: `The school asks for ${missing.says}, and no dose does it.` }
          : apart
            ? undefined
            : { standing: 'warn', says: 'The two steps of the school do not stand four to six weeks apart.' },
      ),
    );
  }
  const forbidden = grass.season === 'cool' ? lateSolubleForbidden(zone) : undefined;
  const lastFed = season?.feeding.lastIndexOf(true) ?? -1;
  const late = doses.filter((d) => (d.delivers['N-soluble'] ?? 0) > EPS && dayOfYear(d.date) > lastFed);
  if (forbidden && lastFed >= 0 && late[0])
    checks.push(
      judge('late-soluble', 'Late soluble nitrogen', `${dosesIn(late)} too late`, {
        standing: 'fail',
        says: `The soluble nitrogen of ${sayDay(late[0].date)} comes after the season of feeding: ${forbidden}.`,
        doses: late,
      }),
    );
  for (const amount of schools.amounts) {
    const within = doses.filter((d) => {
      const day = dayOfYear(d.date);
      return day >= amount.from && day <= amount.to && (amount.withNitrogen || (d.delivers.N ?? 0) <= EPS);
    });
    const lb = sum(within, amount.nutrient);
    const short = amount.leastLb !== undefined && lb < amount.leastLb - EPS;
    const over = amount.mostLb !== undefined && lb > amount.mostLb + EPS;
    checks.push(
      judge(
        `school-${amount.id}`,
        amount.nutrient === 'K2O'
          ? `Potash: ${(schools.potash ?? schools.late)?.title}`
          : `End of the year: ${schools.late?.title}`,
        `${two(lb)} lb ${amount.nutrient}`,
        short || over
          ? { standing: 'warn', says: `The school asks for ${amount.says}; the doses bring ${two(lb)}.` }
          : undefined,
      ),
    );
  }
  return checks;
}

/** Everything that hangs on dates. */
export const calendarChecks = (facts: Facts): Check[] => [
  ...intervalChecks(facts),
  ...closedChecks(facts),
  ...limeChecks(facts),
  ...schoolChecks(facts),
];
