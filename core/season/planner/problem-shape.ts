import type { PlanAim, PlannedFor, Product, Zone } from '../../records/case';
import type { RulePacks } from '../../packs/rule-packs';
import type { IsoDay } from '../../days/day';
import type { ProductChoices } from '../plan/season-plan';
import type { Correcting } from '../rules/correction-stretches';
import type { NitrogenPart } from '../rules/nitrogen-parts';
import type { Ground } from '../rules/open-days';
import type { SeasonSchools } from '../rules/season-schools';
import type { PlanWeek } from '../../days/weeks';

/** A dose that stands: given already, or locked by a person. */
export interface StandingDose {
  zoneId: string;
  date: IsoDay;
  product: Product;
  for: PlannedFor;
  rateLb: number;
  /** Given doses used stock that is gone; locked ones still draw on it. */
  given: boolean;
  /** More of it went down than was planned: the next feeding waits so many days more. */
  laterDays?: number;
}

/** What a pound of a product brings, lb a lb. */
export interface Brings {
  N: number;
  'N-soluble': number;
  P2O5: number;
  K2O: number;
  Mg: number;
  S: number;
  saltLb: number;
}

/** A product that may feed a zone, with the rates and weeks it may have there. */
export interface Carrier {
  product: Product;
  brings: Brings;
  /** lb product/1000 ft2. */
  leastRateLb: number;
  mostRateLb: number;
  /** Weeks in which it may go out. */
  open: boolean[];
  ammonia: boolean;
  /** Nitrogen that is lost to the air from limy soil, or sours soil that is too acid already, lb N per lb product (C5). */
  illFedLb: number;
  /** What its least rate costs because it lies thin, and the weeks in which the soil is too cold for what microbes must free. */
  thinAtLeast: number;
  tooCold?: boolean[];
  /** Share of its N free in each week of the year, by the week it goes down. Only for nitrogen. */
  release: Map<number, number[]>;
  /** Share of its N made free on days of heat, by the week it goes down. Only for nitrogen. */
  freeInHeat: Map<number, number>;
}

/** Lime, sulfur or gypsum of a zone this year: so many equal doses, one in each of its spans. */
export interface Correction {
  purpose: Correcting;
  product: Product;
  /** lb product/1000 ft2 of each dose. */
  rateLb: number;
  doses: number;
  /** Weeks open in each span of the year. */
  spans: number[][];
  /** Doses that the prescription wants and this year has no span for. */
  later: number;
}

/** Least and most of a nutrient for the year from doses still to be chosen, lb/1000 ft2. */
export interface Band {
  least: number;
  most: number;
}

export interface ZoneProblem {
  zone: Zone;
  ground: Ground;
  schools: SeasonSchools;
  carriers: Carrier[];
  /** Why a product of the shelf may not serve this zone at all. */
  shut: { product: Product; because: string }[];
  nitrogen: Band;
  phosphate: Band;
  potash: Band;
  /** What a pound of K2O over its band costs, and how much may come along so; what is more is the last resort (D1). */
  potashOver: { lb: number; cost: number };
  magnesiumLb: number;
  sulfurLb: number;
  /** Most N of the year by code, less what stands. */
  codeYearLb?: number;
  corrections: Correction[];
  standing: StandingDose[];
  /** What a step of the late season is worth. */
  stepPrice: number;
  gapWeeks: number;
  mostGapWeeks: number;
  /** Parts of the year with the weeks that lie in them, and the year's nitrogen that their shares are of, lb N/1000 ft2. */
  parts: (NitrogenPart & { weeks: number[] })[];
  yearNitrogenLb: number;
  /** Nitrogen of standing doses by day, lb N/1000 ft2. */
  nitrogenDown: { day: number; lb: number; solubleLb: number }[];
  /** N that growth asks for each week, lb/1000 ft2, and what standing doses already free. */
  demandByWeek: number[];
  standingSupplyByWeek: number[];
  /** N that doses to come may make free in the heat, lb/1000 ft2; Infinity where no day is too hot. */
  mostFreeInHeatLb: number;
  mostSaltLb: number;
  /** Most K2O of one day, lb/1000 ft2. */
  potashDoseLb: number;
}

/** Weights of the soft wishes, in the currency of the prices. */
export interface PlanOptions {
  /** A trip over and above its stated cost. */
  tripLb: number;
  /** One lb N/1000 ft2 away from the growth curve for one week, beyond half a dose. */
  departure: number;
  /** Share of the price of what is left in the store at the end. */
  leftOver: number;
}

/** What is minimised: cost alone, trips before cost, or cost with a fair word for both. Decision, docs/decisions.md. */
export const WISHES: Readonly<Record<PlanAim, PlanOptions>> = {
  balanced: { tripLb: 6, departure: 3, leftOver: 0.1 },
  cheapest: { tripLb: 0.5, departure: 0.3, leftOver: 0.02 },
  'fewest-trips': { tripLb: 60, departure: 1, leftOver: 0.05 },
};

export interface PlanProblem {
  year: number;
  weeks: PlanWeek[];
  zones: ZoneProblem[];
  maxTrips?: number;
  tripCost: number;
  wishes: PlanOptions;
  /** Weeks on which somebody goes out already. */
  standingWeeks: Set<number>;
  /** Doses of the plan that stands, which is to be left only for a reason. */
  stay: readonly LockedDose[];
}

export interface PlanWishes {
  aim?: PlanAim;
  /** Doses that must stay as they are. */
  locked?: readonly LockedDose[];
  /** Doses of the plan that stands, where it is found again: what speaks for leaving one has to be worth it. */
  stay?: readonly LockedDose[];
  picked?: ProductChoices;
  packs?: RulePacks;
}
export interface LockedDose {
  zoneId: string;
  date: IsoDay;
  productId: string;
  for: PlannedFor;
  rateLb: number;
}
