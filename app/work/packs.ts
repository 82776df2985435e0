import { BUILT_IN_PACKS, type RulePacks } from '@core/packs/rule-packs';

/** The rule packs this browser judges by. Screens ask here, and name no pack of their own. */
export const activePacks = (): RulePacks => BUILT_IN_PACKS;
