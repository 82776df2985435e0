import type { SoilCorrection } from '../../climate/soil-readings';
import type { CarryOver } from './carry-over';
import type { Dose } from './dose';
import type { ClimateYear, GrowthSeason } from '../../climate/climate-year';
import type { IsoDay } from '../../days/day';
import type { Grass } from '../../packs/grasses';
import type { ZonePrescription } from '../../prescription/prescription';
import type { LocalCode, PlannedFor, Product, Zone } from '../../records/case';
import type { Interpretation } from '../../soil/interpret';
import type { FirstDayReason } from '../rules/first-day';
import type { NitrogenParts } from '../rules/nitrogen-parts';
import type { SeasonSchools } from '../rules/season-schools';

/** Something asked for that the plain rule could not place. */
export interface Unplaced {
  zoneId: string;
  for: PlannedFor;
  says: string;
  /** What of a need waits because it is less than a spreader lays evenly, lb/1000 ft2. */
  waitsLb?: number;
}

export interface ZoneSeason {
  /** The zone; `weak` where its report shows soil that holds little (C4). */
  zone: Zone & { weak?: boolean };
  /** First day that may be planned here: the year, this zone's report, or today. */
  from: IsoDay;
  fromIs: FirstDayReason;
  /** How the year's nitrogen is shared out; undefined without a climate. */
  parts?: NitrogenParts;
  grass: Grass;
  /** What the chosen schools of practice ask of the year; undefined without a climate. */
  schools?: SeasonSchools;
  season?: GrowthSeason;
  prescription: ZonePrescription;
  /** The report the prescription follows from, read. */
  read?: Interpretation;
  doses: Dose[];
  /** Doses of a seeding, a winter grass and sprays for color: they stand on their days whatever else is planned (C8, C9, D5). */
  programme?: Dose[];
  unplaced: Unplaced[];
  /** What last year's slow doses let go this year; the year's need is less by it. */
  carried?: CarryOver;
  /** Product in use for each purpose, and the others that may serve. */
  shelf: Partial<Record<PlannedFor, { chosen?: Product; options: Product[] }>>;
}

export interface SeasonPlan {
  year: number;
  /** Local codes that hold on the property. */
  codes: readonly LocalCode[];
  /** The earliest first day of its zones. */
  from: IsoDay;
  /** Why it starts then. */
  fromIs: FirstDayReason;
  weather?: ClimateYear;
  /** Soil temperature of every day, deg F; empty without a climate. */
  soilF: number[];
  /** Thermometer readings that moved it. */
  soilCorrections?: SoilCorrection[];
  zones: ZoneSeason[];
}

/** Product chosen by a person: key `zoneId/purpose`. */
export type ProductChoices = Readonly<Record<string, string>>;
export const choiceKey = (zoneId: string, purpose: PlannedFor): string => `${zoneId}/${purpose}`;
