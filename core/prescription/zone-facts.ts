import type { Choices, IrrigationWater, LocalCode, Product, SoilTest, Zone } from '../records/case';
import type { Figure } from '../reckoning/figure';
import type { Establishment } from '../season/rules/establishment';
import type { Overseeding } from '../season/rules/overseeding';
import type { RulePacks } from '../packs/rule-packs';

/** Everything a zone's prescription follows from. */
export interface ZoneFacts {
  zone: Zone;
  /** Reports of the zone, newest first; none where it was never sampled. */
  tests?: readonly SoilTest[];
  products: readonly Product[];
  codes: readonly LocalCode[];
  choices?: Choices;
  /** Day against which the age of values is judged. */
  asOf?: string;
  /** Year that is planned for. */
  year?: number;
  /** Lime that a person chose in place of the one that fits by magnesium. */
  limeProductId?: string;
  /** Nitrogen of last year's slow doses that is let go this year, lb N/1000 ft2, and which doses those are. */
  carryOver?: { lb: number; says: string };
  /** Nitrogen that the irrigation water brings in a year, lb N/1000 ft2, and the figure it is. */
  waterNitrogen?: Figure;
  /** Sown, renovated or sodded in the planned year, whether ground may still be worked, and the share of a year left after six weeks (C8). */
  establishment?: Establishment & { workable: boolean; laterShare: number };
  /** A winter grass over warm-season turf and what of its feedings is still ahead (C9). */
  overseeding?: Overseeding;
  /** Analysis of the water the property is irrigated with (A13). */
  irrigationWater?: IrrigationWater;
  /** Of a year begun: nitrogen that is down, lb N/1000 ft2, and the share still ahead, with the words for both (C3). */
  ahead?: {
    givenLb: number;
    share: number;
    says: string;
    /** What a kept plan still brings, lb N/1000 ft2: it was laid for the whole year. */
    keptLb?: number;
  };
  /** The built-in packs where none is given. */
  packs?: RulePacks;
}

/** What the season and the property add to the facts of a zone. */
export type YearFacts = Pick<
  ZoneFacts,
  'carryOver' | 'waterNitrogen' | 'irrigationWater' | 'ahead' | 'establishment' | 'overseeding'
>;
