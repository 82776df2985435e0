import { addCalendarRows } from './calendar-rows';
import { addGrowthRows, addHeatRow } from './growth-rows';
import { MilpBuilder, type RuleKind } from './milp';
import type { ModelParts, PlanModel } from './model-parts';
import { addNeedRows } from './need-rows';
import type { PlanProblem, ZoneProblem } from './problem-shape';
import { addPartRows, ASTRAY_COST } from './part-rows';
import { addSchoolRows } from './school-rows';
import { addStoreRows } from './store-rows';
import { addTripRows } from './trip-rows';

/** A week of waiting with lime or gypsum, and the later stretch before the first, in the currency of the prices. Decision: a month is dearer than half a trip. */
const DELAY_COST_A_WEEK = 1;
const SECOND_STRETCH_COST = 20;

function addDoses(parts: ModelParts, z: number): void {
  const { builder, problem } = parts;
  const zone = problem.zones[z] as ZoneProblem;
  zone.carriers.forEach((carrier, c) => {
    carrier.open.forEach((open, week) => {
      if (!open) return;
      const { product, leastRateLb } = carrier;
      // nitrogen that goes to the air or sours acid soil is worth no more than nitrogen at the wrong time (C5)
      const lost = carrier.illFedLb * ASTRAY_COST;
      const chosen = builder.binary(`y_${z}_${c}_${week}`, leastRateLb * lost);
      const room = carrier.mostRateLb - leastRateLb;
      const over = room > 0 ? builder.column(`r_${z}_${c}_${week}`, { upper: room, cost: lost }) : undefined;
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
    const name = zone.zone.name;
    const all: [number, number][] = [];
    correction.spans.forEach((span, s) => {
      const one: [number, number][] = span.map((week) => {
        // lime and gypsum are early: each month of delay costs (B5)
        const late = correction.purpose === 'sulfur' ? 0 : (week - (span[0] ?? week)) * DELAY_COST_A_WEEK;
        const chosen = builder.binary(`c_${z}_${correction.purpose}_${week}`, late + s * SECOND_STRETCH_COST);
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
    builder.row(
      `doses_${z}_${correction.purpose}`,
      all,
      { lower: correction.doses, upper: correction.doses },
      {
        kind: correction.purpose,
        zoneId: zone.zone.id,
        says: `${correction.doses} ${correction.doses === 1 ? 'dose' : 'doses'} of ${correction.purpose} on ${name}`,
        yields: { unit: `${correction.purpose} dose`, weight: 4 },
      },
    );
  });
  if (zone.correctionMissing)
    builder.row(
      `missing_${z}`,
      [],
      { lower: 1 },
      {
        kind: zone.correctionMissing,
        zoneId: zone.zone.id,
        says: `${zone.correctionMissing} on ${zone.zone.name}, and none is on the shelf`,
        yields: { unit: `${zone.correctionMissing} of this year`, weight: 4 },
      },
    );
}

/**
 * Builds the mixed-integer model of a property's year: doses by week, product, rate and zone, whole packages, trips, and
 * every rule as a row that says what it asks.
 *
 * @param ignoring rule kinds to leave out, when looking for what stands in whose way
 */
export function buildModel(problem: PlanProblem, ignoring: ReadonlySet<RuleKind> = new Set()): PlanModel {
  const parts: ModelParts = {
    problem,
    builder: new MilpBuilder(),
    doses: [],
    ignoring,
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
  const { doses, totals, packages } = parts;
  return { milp: parts.builder.milp, doses, totals, packages };
}
