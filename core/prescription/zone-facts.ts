import type { Choices, LocalCode, Product, SoilTest, Zone } from '../formats/case';
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
  /** The built-in packs where none is given. */
  packs?: RulePacks;
}
