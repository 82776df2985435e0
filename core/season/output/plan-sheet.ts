import { asTaken, densityOf } from '../../products/as-weighed';
import type { Case, PlannedFor } from '../../records/case';
import { faceOf } from '../../products/label/face';
import type { IsoDay } from '../../days/day';
import type { SeasonPlan } from '../plan/season-plan';
import { cautionsUnder } from '../rules/cautions';
import { type Purchase, purchases } from '../../products/purchases';

/** One line of a printed plan, with figures as the scale and the label have them. */
export interface SheetLine {
  date: IsoDay;
  zoneId: string;
  zone: string;
  productId: string;
  product: string;
  face: string;
  for: PlannedFor;
  /** lb product/1000 ft2, to a hundredth; of a liquid as it is. */
  ratePer1000Lb: number;
  /** lb product for the zone, to a tenth: what the scale shows. */
  weighOutLb: number;
  /** Of a liquid: it is measured out by the jug. */
  lbPerGal?: number;
  delivers: Readonly<Record<string, number>>;
  why: string;
}

export interface PlanSheet {
  property: string;
  year: number;
  lines: SheetLine[];
  /** Lines of a day together, in order of days: one going-out each. */
  trips: { date: IsoDay; lines: SheetLine[] }[];
  buying: Purchase[];
  cost: number;
  /** Whether every product that is bought has a price. */
  priced: boolean;
  /** What goes with it for whoever spreads, local codes included. */
  cautions: string[];
}

/**
 * The plan as every print of it shows it: table, calendar, PDF and list to buy are made from these lines alone, so that
 * they agree to the cent and to the tenth of a pound.
 */
export function planSheet(given: Case, plan: SeasonPlan): PlanSheet {
  const products = new Map((given.products ?? []).map((p) => [p.id, p]));
  const doses = plan.zones.flatMap((z) => z.doses.map((dose) => ({ dose, zone: z.zone })));
  const lines = doses
    .map(({ dose, zone }): SheetLine => {
      const product = products.get(dose.productId);
      const lbPerGal = product && densityOf(product);
      return {
        date: dose.date,
        zoneId: zone.id,
        zone: zone.name,
        productId: dose.productId,
        product: product?.name ?? dose.productId,
        face: product ? faceOf(product) : '',
        for: dose.for,
        ratePer1000Lb: lbPerGal === undefined ? Math.round(dose.rateLb * 100) / 100 : dose.rateLb,
        weighOutLb: asTaken(dose.zoneLb, product),
        ...(lbPerGal === undefined ? {} : { lbPerGal }),
        delivers: dose.delivers,
        why: dose.why,
      };
    })
    .sort((a, b) => a.date.localeCompare(b.date) || a.zone.localeCompare(b.zone));
  const days = new Map<IsoDay, SheetLine[]>();
  for (const line of lines) days.set(line.date, [...(days.get(line.date) ?? []), line]);
  const buying = purchases(
    doses.map(({ dose }) => dose),
    given.products ?? [],
  );
  return {
    property: given.property.name,
    year: plan.year,
    lines,
    trips: [...days].map(([date, list]) => ({ date, lines: list })),
    buying,
    cost: buying.reduce((sum, p) => sum + (p.cost ?? 0), 0),
    cautions: cautionsUnder(given.codes ?? []),
    priced: buying.every((p) => p.lb === 0 || p.cost !== undefined),
  };
}
