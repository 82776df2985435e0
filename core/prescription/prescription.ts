import type { FoliarPurpose } from '../foliar/foliar-feeds';
import type { Refusal } from '../reckoning/refusal';
import type { NitrogenLine } from '../nitrogen/year';
import type { IsoDay } from '../days/day';
import type { LabAdvice, OwnFigure } from '../records/case';
import type { GypsumPrescription } from './prescribe-gypsum';
import type { SalinityPrescription, ToxicAdvice } from './prescribe-others';
import type { Level } from '../soil/levels';
import type { Establishment } from '../season/rules/establishment';
import type { Overseeding } from '../season/rules/overseeding';
import type { Figure } from '../reckoning/figure';
import type { Ledger } from './ledger';

export type LimeMethod =
  'lime.mehlich' | 'lime.smp' | 'lime.adams-evans' | 'lime.texture' | 'lime.first-dose' | 'laboratory' | 'own';

/** What to do about pH, and why. */
export interface PhPrescription {
  action: 'none' | 'lime' | 'sulfur' | 'leave';
  says: string;
  method?: LimeMethod | 'sulfur.requirement';
  targetPh?: number;
  treatedDepthIn?: number;
  /** The method's own lime, or elemental S, lb/1000 ft2. */
  requirement?: Figure;
  /** lb of the lime at hand; for sulfur the same as the requirement. */
  material?: Figure;
  /** Product the material figure is for. */
  productId?: string;
  doses: number[];
  monthsApart: number;
  years: number;
  dosesFigure?: Figure;
  /** Reckoned beyond what the method was made for. */
  estimate?: true;
  /** Why the pH is not settled: a first dose stands in until a new report comes. */
  unsettled?: string;
  /** What went down since the sample, where anything did. */
  ledger?: Ledger;
  /** Doses that may be dated before a new report; all where it says nothing. */
  mostDated?: number;
  /** Weak soil: two stretches a year and no more, whatever the turf (B7). */
  sparse?: true;
  /** Why what is left is not dated: a new report has to decide. */
  waits?: string;
  /** The laboratory’s own lime figure, as spread, lb lime/1000 ft2. */
  laboratory?: Figure;
  /** Override standing in for the rule's, and what the rule gave. */
  own?: OwnFigure;
  byRule?: Figure;
  retest: string;
}

/** A line of the nitrogen walk with its words; `off` lines are shown, not counted. */
export interface NitrogenStep extends NitrogenLine {
  says: string;
  off?: boolean;
}

export interface NitrogenPrescription {
  year: Figure;
  own?: OwnFigure;
  byRule?: Figure;
  steps: NitrogenStep[];
  /** What the soil says about doses rather than the total. */
  note?: string;
}

/** P or K for the year; `year` is in the oxide that bags state. */
export interface NutrientPrescription {
  level: Level | 'not-tested';
  says: string;
  year?: Figure;
  own?: OwnFigure;
  byRule?: Figure;
  /** lb oxide (P2O5, K2O) or element (Mg, S)/1000 ft2; 0 where nothing is to be given. */
  yearLb: number;
}

/** The programme of a stand that is sown in the year. */
export interface EstablishmentPrescription extends Establishment {
  /** Ground that may still be worked before the day. */
  workable: boolean;
  starterP2O5Lb: number;
  starterNLb: number;
  secondNLb: number;
  laterNLb: number;
  says: string;
}

/** The programme of a winter grass over warm-season turf: what of the year's nitrogen is its own, given and still to be given. */
export interface OverseedingPrescription extends Overseeding {
  /** lb N/1000 ft2 of the year, given and ahead. */
  yearLb: number;
  says: string;
}

/** One thing that irrigation water brings. */
export interface WaterFinding {
  of: 'nitrate' | 'salinity' | 'sodium' | 'bicarbonate' | 'chloride' | 'boron';
  standing: 'ordinary' | 'watched' | 'harmful';
  figure?: Figure;
  says: string;
}
export interface WaterPrescription {
  findings: WaterFinding[];
  /** Saline for this grass in the long run: the low-salt rule holds whatever the soil reads today. */
  salty: boolean;
}

/** Iron or manganese on the leaf: how many sprays of a year, and how strong. */
export interface FoliarPrescription {
  purpose: FoliarPurpose;
  sprays: number;
  /** oz of the element/1000 ft2. */
  ozPerSpray: number;
  says: string;
  own?: OwnFigure;
  /** Sprays by the rule. */
  byRule: number;
}

export interface ZonePrescription {
  zoneId: string;
  tested: boolean;
  ph: PhPrescription;
  nitrogen: NitrogenPrescription;
  phosphorus: NutrientPrescription;
  potassium: NutrientPrescription;
  magnesium: NutrientPrescription;
  sulfur: NutrientPrescription;
  gypsum: GypsumPrescription;
  /** Sprays for color; empty where none is asked nor watched for (D5). */
  foliar: FoliarPrescription[];
  salinity: SalinityPrescription;
  /** The irrigation water as this grass and soil feel it; undefined without an analysis, or where nobody waters (A13). */
  water?: WaterPrescription;
  toxic: ToxicAdvice[];
  /** The day of seeding, renovation or sodding in the planned year, and what its programme asks (C8). */
  establishment?: EstablishmentPrescription;
  /** The winter grass over warm-season turf and its feedings of the year (C9). */
  overseeding?: OverseedingPrescription;
  /** What the laboratory itself advises, of the newest report that says so. */
  labAdvice?: LabAdvice & { lab?: string; sampledOn: IsoDay };
  cautions: string[];
  refusals: Refusal[];
}
