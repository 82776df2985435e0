import type { Product } from '../../formats/case';
import { packageLb } from '../../products/package-lb';
import { daysBetween } from '../day';
import { LIME_NITROGEN_GAP_DAYS } from '../plan';
import { addGrowthRows } from './growth-rows';
import { MOST_PRODUCTS_A_DAY } from './limits';
import { type Milp, MilpBuilder, type RuleKind } from './milp';
import { addNeedRows } from './need-rows';
import type { Carrier, Correction, PlanProblem, ZoneProblem } from './problem';
import { addSchoolRows } from './school-rows';
import { weeksIn } from './weeks';

/** A dose the solver may choose: whether it goes down, and how much. */
export interface DoseVariable {
  zone: ZoneProblem;
  week: number;
  product: Product;
  /** Column that is 1 where the dose goes down. */
  chosen: number;
  /** Column of lb product/1000 ft2; undefined where the rate is fixed. */
  rate?: number;
  fixedRateLb?: number;
  carrier?: Carrier;
  correction?: Correction;
}

export interface PlanModel {
  milp: Milp;
  doses: DoseVariable[];
}

/** Everything the parts of the model share while it is built. */
export interface ModelParts {
  problem: PlanProblem;
  builder: MilpBuilder;
  doses: DoseVariable[];
  /** Rule kinds left out, to find which of them stand in each other's way. */
  ignoring: ReadonlySet<RuleKind>;
  /** Column that is 1 where a zone is fed nitrogen in a week. */
  fed: Map<ZoneProblem, Map<number, number>>;
}

/** Doses of a zone in one week. */
export const dosesIn = (parts: ModelParts, zone: ZoneProblem, week: number): DoseVariable[] =>
  parts.doses.filter((d) => d.zone === zone && d.week === week);

const HALF_A_TENTH_LB = 0.05;
/** Price of a pound of product where none is known, so that it is not taken for free. */
const UNKNOWN_PRICE_PER_LB = 1;

function addDoses(parts: ModelParts, z: number): void {
  const { builder, problem } = parts;
  const zone = problem.zones[z] as ZoneProblem;
  zone.carriers.forEach((carrier, c) => {
    carrier.open.forEach((open, week) => {
      if (!open) return;
      const chosen = builder.binary(`y_${z}_${c}_${week}`);
      const rate = builder.column(`r_${z}_${c}_${week}`, { upper: carrier.mostRateLb });
      builder.row(
        `most_${z}_${c}_${week}`,
        [
          [rate, 1],
          [chosen, -carrier.mostRateLb],
        ],
        { upper: 0 },
      );
      builder.row(
        `least_${z}_${c}_${week}`,
        [
          [rate, 1],
          [chosen, -carrier.leastRateLb],
        ],
        { lower: 0 },
      );
      parts.doses.push({ zone, week, product: carrier.product, chosen, rate, carrier });
    });
  });
  zone.corrections.forEach((correction) => {
    const name = zone.zone.name;
    const all: [number, number][] = [];
    correction.spans.forEach((span, s) => {
      const one: [number, number][] = span.map((week) => {
        const chosen = builder.binary(`c_${z}_${correction.purpose}_${week}`);
        parts.doses.push({
          zone,
          week,
          product: correction.product,
          chosen,
          fixedRateLb: correction.rateLb,
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

/** One N product a zone and day, the wait between feedings, lime clear of ammonia. */
function addCalendarRows(parts: ModelParts, z: number): void {
  const { builder, problem, ignoring } = parts;
  const zone = problem.zones[z] as ZoneProblem;
  const here = parts.doses.filter((d) => d.zone === zone);
  const fed = new Map<number, number>();
  parts.fed.set(zone, fed);
  const weeks = problem.weeks.length;
  for (let week = 0; week < weeks; week++) {
    const feeding = here.filter((d) => d.week === week && (d.carrier?.brings.N ?? 0) > 0);
    if (feeding.length > 0) {
      const column = builder.binary(`n_${z}_${week}`);
      fed.set(week, column);
      builder.row(`fed_${z}_${week}`, [...feeding.map((d) => [d.chosen, 1] as const), [column, -1]], {
        lower: 0,
        upper: 0,
      });
    }
    const today = here.filter((d) => d.week === week);
    if (today.length > MOST_PRODUCTS_A_DAY && !ignoring.has('passes'))
      builder.row(
        `passes_${z}_${week}`,
        today.map((d) => [d.chosen, 1] as const),
        { upper: MOST_PRODUCTS_A_DAY },
        { kind: 'passes', zoneId: zone.zone.id, says: `at most ${MOST_PRODUCTS_A_DAY} products on one zone in a trip` },
      );
    if (zone.mostSaltLb < Infinity && !ignoring.has('salt'))
      builder.row(
        `salt_${z}_${week}`,
        today.flatMap((d) => (d.rate === undefined ? [] : [[d.rate, d.carrier?.brings.saltLb ?? 0] as const])),
        { upper: zone.mostSaltLb },
        { kind: 'salt', zoneId: zone.zone.id, says: `at most ${zone.mostSaltLb} lb salt in a dose on a salty soil` },
      );
    builder.row(
      `potash_${z}_${week}`,
      today.flatMap((d) => (d.rate === undefined ? [] : [[d.rate, d.carrier?.brings.K2O ?? 0] as const])),
      { upper: zone.potashDoseLb },
    );
  }
  const standing = zone.standing.filter((d) => (d.product.guaranteed.N ?? 0) > 0);
  const says = `${zone.gapWeeks * 7} days between feedings on ${zone.zone.name}`;
  if (!ignoring.has('least-interval')) {
    for (let from = 0; from < weeks; from++) {
      const window = [...fed].filter(([week]) => week >= from && week < from + zone.gapWeeks);
      if (window.length > 1 && fed.has(from))
        builder.row(
          `gap_${z}_${from}`,
          window.map(([, column]) => [column, 1] as const),
          { upper: 1 },
          { kind: 'least-interval', zoneId: zone.zone.id, says },
        );
    }
    for (const [week, column] of fed)
      if (
        standing.some(
          (d) => Math.abs(daysBetween(d.date, (problem.weeks[week] as { date: string }).date)) < zone.gapWeeks * 7,
        )
      )
        builder.row(
          `stands_${z}_${week}`,
          [[column, 1]],
          { upper: 0 },
          { kind: 'least-interval', zoneId: zone.zone.id, says },
        );
  }
  addMostIntervalRows(parts, z, fed);
  addLimeGapRows(parts, z);
}

/** Within the open season no stretch longer than the longest wait goes unfed, as far as the year's N makes enough doses. */
function addMostIntervalRows({ builder, problem, ignoring }: ModelParts, z: number, fed: Map<number, number>): void {
  const zone = problem.zones[z] as ZoneProblem;
  if (ignoring.has('most-interval') || zone.nitrogen.least <= 0) return;
  const open = [...fed.keys()].sort((a, b) => a - b);
  const smallest = Math.min(...zone.carriers.filter((c) => c.brings.N > 0).map((c) => c.leastRateLb * c.brings.N));
  const affordable = Math.floor(zone.nitrogen.most / smallest);
  // so few pounds may not reach round the season: then the wait is what the doses make possible
  const wait = Math.max(zone.mostGapWeeks, Math.ceil(open.length / Math.max(1, affordable)) + 1);
  for (let i = 0; i + wait <= open.length; i++) {
    const window = open.slice(i, i + wait);
    const [first, last] = [window[0] as number, window.at(-1) as number];
    // a summer or a closure inside it is no neglect: only an unbroken stretch counts
    if (last - first !== wait - 1) continue;
    const stands = zone.standing.some((d) => {
      const [from, to] = [problem.weeks[first]?.date ?? '', problem.weeks[last]?.date ?? ''];
      return (d.product.guaranteed.N ?? 0) > 0 && d.date >= from && d.date <= to;
    });
    if (stands) continue;
    builder.row(
      `wait_${z}_${first}`,
      window.map((week) => [fed.get(week) as number, 1] as const),
      { lower: 1 },
      {
        kind: 'most-interval',
        zoneId: zone.zone.id,
        says: `at most ${wait * 7} days without N in the open season on ${zone.zone.name}`,
        yields: { unit: 'feeding', weight: 1 },
      },
    );
  }
}

function addLimeGapRows({ builder, doses, problem, ignoring }: ModelParts, z: number): void {
  if (ignoring.has('lime-gap')) return;
  const zone = problem.zones[z] as ZoneProblem;
  const here = doses.filter((d) => d.zone === zone);
  const gap = weeksIn(LIME_NITROGEN_GAP_DAYS);
  const rule = {
    kind: 'lime-gap' as const,
    zoneId: zone.zone.id,
    says: `${LIME_NITROGEN_GAP_DAYS} days between lime and urea or ammonium on ${zone.zone.name}`,
  };
  const ammonia = here.filter((d) => d.carrier?.ammonia);
  for (const lime of here.filter((d) => d.correction?.purpose === 'lime')) {
    for (let week = lime.week - gap + 1; week < lime.week + gap; week++) {
      const near = ammonia.filter((d) => d.week === week);
      if (near.length > 0)
        builder.row(
          `lime_${z}_${lime.week}_${week}`,
          [[lime.chosen, 1] as const, ...near.map((d) => [d.chosen, 1] as const)],
          { upper: 1 },
          rule,
        );
    }
    const date = problem.weeks[lime.week]?.date ?? '';
    const standing = zone.standing.some(
      (d) =>
        d.for !== 'lime' &&
        (d.product.guaranteed.N ?? 0) > 0 &&
        Math.abs(daysBetween(d.date, date)) < LIME_NITROGEN_GAP_DAYS,
    );
    if (standing) builder.row(`limestands_${z}_${lime.week}`, [[lime.chosen, 1]], { upper: 0 }, rule);
  }
  for (const stood of zone.standing.filter((d) => d.for === 'lime'))
    for (const dose of ammonia)
      if (Math.abs(daysBetween(stood.date, problem.weeks[dose.week]?.date ?? '')) < LIME_NITROGEN_GAP_DAYS)
        builder.row(`afterlime_${z}_${dose.week}`, [[dose.chosen, 1]], { upper: 0 }, rule);
}

/** A week is a trip where anything goes out anywhere; trips cost, and there may be a most of them. */
function addTripRows({ builder, doses, problem, ignoring, fed }: ModelParts): void {
  const { weeks, tripCost, wishes, maxTrips, standingWeeks } = problem;
  const trips: [number, number][] = [];
  weeks.forEach((_, week) => {
    const out = doses.filter((d) => d.week === week);
    if (out.length === 0 || standingWeeks.has(week)) return;
    const trip = builder.binary(`t_${week}`, tripCost + wishes.tripLb);
    trips.push([trip, 1]);
    for (const zone of problem.zones) {
      const feeding = fed.get(zone)?.get(week);
      if (feeding !== undefined)
        builder.row(
          `out_${week}_${feeding}`,
          [
            [trip, 1],
            [feeding, -1],
          ],
          { lower: 0 },
        );
    }
    for (const dose of out)
      if (dose.correction || (dose.carrier?.brings.N ?? 0) === 0)
        builder.row(
          `out_${week}_${dose.chosen}`,
          [
            [trip, 1],
            [dose.chosen, -1],
          ],
          { lower: 0 },
        );
  });
  if (maxTrips !== undefined && !ignoring.has('trips'))
    builder.row(
      'trips',
      trips,
      { upper: maxTrips - standingWeeks.size },
      {
        kind: 'trips',
        says: `at most ${maxTrips} trips`,
        yields: { unit: 'trip', weight: 0.5 },
      },
    );
}

/** Most of a carrier in a whole year, lb product/1000 ft2: what the year's most of any nutrient leaves room for. */
const mostOfYear = (zone: ZoneProblem, { brings }: Carrier): number =>
  Math.min(
    brings.N > 0 ? zone.nitrogen.most / brings.N : Infinity,
    brings.P2O5 > 0 ? zone.phosphate.most / brings.P2O5 : Infinity,
    brings.K2O > 0 ? zone.potash.most / brings.K2O : Infinity,
  );

/**
 * A product that is not in store must be bought whole before its first pound is spread. The store row says so too, but
 * weakly: without this a tenth of a bag would do in the relaxation, and the proof would take ten times as long.
 */
function addFirstPackageRows(
  builder: MilpBuilder,
  product: Product,
  bought: number,
  doses: readonly DoseVariable[],
): void {
  if ((product.onHandLb ?? 0) > 0) return;
  const zones = new Set(doses.filter((d) => d.product.id === product.id).map((d) => d.zone));
  for (const zone of zones) {
    const here = doses.filter((d) => d.zone === zone && d.product.id === product.id);
    const carrier = here[0]?.carrier;
    if (!carrier) continue;
    const used = builder.binary(`used_${product.id}_${zone.zone.id}`);
    const most = Math.max(0, mostOfYear(zone, carrier));
    builder.row(
      `uses_${product.id}_${zone.zone.id}`,
      [...here.map((d) => [d.rate as number, 1] as const), [used, -most]],
      {
        upper: 0,
      },
    );
    builder.row(
      `first_${product.id}_${zone.zone.id}`,
      [
        [bought, 1],
        [used, -1],
      ],
      { lower: 0 },
    );
    for (const d of here)
      builder.row(
        `use_${d.chosen}`,
        [
          [used, 1],
          [d.chosen, -1],
        ],
        { lower: 0 },
      );
  }
}

/** Whole packages for the property, stock first; what is left in the store weighs a little. */
function addStoreRows({ builder, doses, problem }: ModelParts): void {
  const products = new Map(doses.map((d) => [d.product.id, d.product]));
  for (const zone of problem.zones) for (const d of zone.standing) if (!d.given) products.set(d.product.id, d.product);
  for (const product of products.values()) {
    const perPackage = packageLb(product);
    const pricePerLb =
      perPackage !== undefined && product.package?.price !== undefined
        ? product.package.price / perPackage
        : UNKNOWN_PRICE_PER_LB;
    const onHand = product.onHandLb ?? 0;
    // lime and sulfur are fixed amounts: so many packages are bought in every plan
    const fixedLb = problem.zones.reduce(
      (sum, zone) =>
        sum +
        zone.corrections
          .filter((c) => c.product.id === product.id)
          .reduce((lb, c) => lb + (c.doses * c.rateLb * zone.zone.areaSqFt) / 1000, 0),
      0,
    );
    const bought = builder.column(`buy_${product.id}`, {
      cost: pricePerLb * (perPackage ?? 1),
      integer: perPackage !== undefined,
      lower: perPackage === undefined ? 0 : Math.max(0, Math.ceil((fixedLb - onHand) / perPackage - 1e-9)),
      upper: perPackage === undefined ? Infinity : 10_000,
    });
    const left = builder.column(`left_${product.id}`, { cost: problem.wishes.leftOver * pricePerLb });
    const used = doses
      .filter((d) => d.product.id === product.id)
      .flatMap((d): [number, number][] => {
        const perThousand = d.zone.zone.areaSqFt / 1000;
        // the scale shows tenths: half of one may come on top of every dose
        return d.rate === undefined
          ? [[d.chosen, -perThousand * (d.fixedRateLb ?? 0) - HALF_A_TENTH_LB]]
          : [
              [d.rate, -perThousand],
              [d.chosen, -HALF_A_TENTH_LB],
            ];
      });
    const stands = problem.zones
      .flatMap((zone) => zone.standing.map((d) => ({ d, perThousand: zone.zone.areaSqFt / 1000 })))
      .filter(({ d }) => !d.given && d.product.id === product.id)
      .reduce((sum, { d, perThousand }) => sum + d.rateLb * perThousand, 0);
    // left = on hand + bought - used - standing
    addFirstPackageRows(builder, product, bought, doses);
    builder.row(`store_${product.id}`, [[bought, perPackage ?? 1], ...used, [left, -1]], {
      lower: stands - onHand,
      upper: stands - onHand,
    });
  }
}

/**
 * Builds the mixed-integer model of a property's year: doses by week, product, rate and zone, whole packages, trips, and
 * every rule as a row that says what it asks.
 *
 * @param ignoring rule kinds to leave out, when looking for what stands in whose way
 */
export function buildModel(problem: PlanProblem, ignoring: ReadonlySet<RuleKind> = new Set()): PlanModel {
  const parts: ModelParts = { problem, builder: new MilpBuilder(), doses: [], ignoring, fed: new Map() };
  problem.zones.forEach((_, z) => addDoses(parts, z));
  problem.zones.forEach((_, z) => addCalendarRows(parts, z));
  problem.zones.forEach((_, z) => addNeedRows(parts, z));
  problem.zones.forEach((_, z) => addSchoolRows(parts, z));
  problem.zones.forEach((_, z) => addGrowthRows(parts, z));
  addTripRows(parts);
  addStoreRows(parts);
  return { milp: parts.builder.milp, doses: parts.doses };
}
