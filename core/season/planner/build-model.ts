import { addCalendarRows } from './calendar-rows';
import { addGrowthRows, addHeatRow } from './growth-rows';
import { MilpBuilder } from './milp';
import type { ModelParts, PlanModel } from './model-parts';
import { addNeedRows } from './need-rows';
import type { PlanProblem, ZoneProblem } from './problem-shape';
import { addPartRows } from './part-rows';
import { PRICES } from './prices';
import { addSchoolRows } from './school-rows';
import { addStoreRows } from './store-rows';
import { addStayRows } from './stay-rows';
import { addTripRows } from './trip-rows';

function addDoses(parts: ModelParts, z: number): void {
  const { builder, problem, shorts } = parts;
  const zone = problem.zones[z] as ZoneProblem;
  zone.carriers.forEach((carrier, c) => {
    carrier.open.forEach((open, week) => {
      if (!open) return;
      const { product, leastRateLb } = carrier;
      // nitrogen that goes to the air or sours acid soil is worth no more than nitrogen at the wrong time (C5)
      const lost = carrier.illFedLb * PRICES.astrayLb;
      const room = carrier.mostRateLb - leastRateLb;
      // thin at the least rate, and less so up to the most; organic nitrogen is better kept from cold soil (E2)
      const cold = carrier.tooCold?.[week] ? PRICES.coldOrganic : 0;
      const chosen = builder.binary(`y_${z}_${c}_${week}`, leastRateLb * lost + carrier.thinAtLeast + cold);
      const over =
        room > 0
          ? builder.column(`r_${z}_${c}_${week}`, { upper: room, cost: lost - carrier.thinAtLeast / room })
          : undefined;
      if (over !== undefined)
        builder.row(
          `most_${z}_${c}_${week}`,
          [
            [over, 1],
            [chosen, -room],
          ],
          { upper: 0 },
        );
      parts.doses.push({ zone, week, product, chosen, leastRateLb, over, carrier });
    });
  });
  zone.corrections.forEach((correction) => {
    const all: [number, number][] = [];
    correction.spans.forEach((span, s) => {
      const one: [number, number][] = span.map((week) => {
        // lime and gypsum are early: each month of delay costs (B5)
        const late = correction.purpose === 'sulfur' ? 0 : (week - (span[0] ?? week)) * PRICES.limeWeek;
        const chosen = builder.binary(`c_${z}_${correction.purpose}_${week}`, late + s * PRICES.secondStretch);
        parts.doses.push({
          zone,
          week,
          product: correction.product,
          chosen,
          leastRateLb: correction.rateLb,
          correction,
        });
        return [chosen, 1];
      });
      builder.row(`once_${z}_${correction.purpose}_${s}`, one, { upper: 1 });
      all.push(...one);
    });
    const short = builder.column(`short_${correction.purpose}_${z}`, {
      cost: PRICES.correction,
      upper: correction.doses,
      integer: true,
    });
    shorts.set(`${correction.purpose}_${z}`, short);
    builder.row(`doses_${z}_${correction.purpose}`, [...all, [short, 1]], {
      lower: correction.doses,
      upper: correction.doses,
    });
  });
}

/**
 * Builds the mixed-integer model of a property's year: doses by week, product, rate and zone, whole packages, trips. Law,
 * label and ceilings are rows that hold; everything else is wanted at its price, so that there is always a plan (E1).
 */
export function buildModel(problem: PlanProblem): PlanModel {
  const parts: ModelParts = {
    problem,
    builder: new MilpBuilder(),
    doses: [],
    shorts: new Map(),
    uses: new Map(),
    fed: new Map(),
    totals: [],
    packages: [],
  };
  problem.zones.forEach((_, z) => addDoses(parts, z));
  problem.zones.forEach((_, z) => addCalendarRows(parts, z));
  problem.zones.forEach((_, z) => addNeedRows(parts, z));
  problem.zones.forEach((_, z) => addSchoolRows(parts, z));
  problem.zones.forEach((_, z) => addGrowthRows(parts, z));
  problem.zones.forEach((_, z) => addHeatRow(parts, z));
  problem.zones.forEach((_, z) => addPartRows(parts, z));
  addStoreRows(parts);
  addTripRows(parts);
  addStayRows(parts);
  const { doses, totals, packages, uses } = parts;
  return { milp: parts.builder.milp, doses, totals, packages, uses };
}
