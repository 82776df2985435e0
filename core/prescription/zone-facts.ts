import type { Choices, LocalCode, Product, SoilTest, Zone } from '../records/case';
import type { RulePacks } from '../packs/rule-packs';

/** Everything a zone's prescription follows from. */
export interface ZoneFacts {
  zone: Zone;
  test?: SoilTest;
  products: readonly Product[];
  codes: readonly LocalCode[];
  choices?: Choices;
  /** Today, for the age of the report. */
  asOf?: string;
  /** Lime that a person chose in place of the one that fits by magnesium. */
  limeProductId?: string;
  /** Nitrogen of last year's slow doses that is let go this year, lb N/1000 ft2, and which doses those are. */
  carryOver?: { lb: number; says: string };
  /** The built-in packs where none is given. */
  packs?: RulePacks;
}
