import type { Refusal } from '../reckoning/refusal';
import type { NitrogenLine } from '../nitrogen/year';
import type { OwnFigure } from '../records/case';
import type { Level } from '../soil/levels';
import type { Figure } from '../reckoning/figure';

export type LimeMethod = 'lime.mehlich' | 'lime.smp' | 'lime.adams-evans' | 'lime.texture';

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

export interface ZonePrescription {
  zoneId: string;
  tested: boolean;
  ph: PhPrescription;
  nitrogen: NitrogenPrescription;
  phosphorus: NutrientPrescription;
  potassium: NutrientPrescription;
  magnesium: NutrientPrescription;
  sulfur: NutrientPrescription;
  cautions: string[];
  refusals: Refusal[];
}
