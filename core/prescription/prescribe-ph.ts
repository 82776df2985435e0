import { waterPh } from '../soil/report';
import { BUILT_IN_PACKS, grassIn } from '../packs/rule-packs';
import { isRefusal, type Refusal } from '../reckoning/refusal';
import type { Interpretation } from '../soil/interpret';
import type { SourcedGrass } from './lime-need';
import { inPlaceOf, ownOf } from './override-figure';
import { limeInDoses, limeOnShelf, prescribeLime, RETEST_WHILE_CORRECTING, TREATED_DEPTH_IN } from './prescribe-lime';
import { waterHoldsPhUp } from './prescribe-water';
import { nothing, prescribeSulfur, RETEST_NORMALLY, sulfurInDoses } from './prescribe-sulfur';
import type { PhPrescription } from './prescription';
import type { ZoneFacts } from './zone-facts';

/** What the rule says of pH: nothing, lime, sulfur, or leave it, with the reason. */
function byTheRule(
  facts: ZoneFacts,
  read: Interpretation,
  soilPh: number,
  grass: SourcedGrass,
): PhPrescription | Refusal {
  if (!read.ph || read.ph.place === 'inside')
    return {
      action: 'none',
      says: `${read.ph?.says ?? ''} Nothing to correct.`,
      ...nothing,
      retest: RETEST_NORMALLY,
    };
  const prescribe = read.ph.place === 'too-acid' ? prescribeLime : prescribeSulfur;
  return prescribe(facts, read, soilPh, grass);
}

/** An override of lime or free sulfur where the rule gives none; kept aside where it would push pH the wrong way. */
function ownCorrection(
  facts: ZoneFacts,
  read: Interpretation,
  rule: PhPrescription,
  soilPh: number,
  grass: SourcedGrass,
): PhPrescription {
  const { zone, products, limeProductId } = facts;
  const lime = ownOf(zone, 'lime');
  const own = lime ?? ownOf(zone, 'free-sulfur');
  if (!own || own.value === 0 || rule.own) return rule;
  const action = lime ? ('lime' as const) : ('sulfur' as const);
  const wrongWay = lime ? soilPh >= grass.phHigh : soilPh <= grass.phLow;
  if (wrongWay)
    return {
      ...rule,
      says: `${rule.says} The override of ${lime ? 'lime' : 'free sulfur'} is kept aside: pH ${soilPh} is already ${lime ? 'at the top of the window' : 'at the foot of the window'}.`,
    };
  const product = lime && limeOnShelf(products, read, limeProductId);
  const given = inPlaceOf(undefined, own, {
    title: lime ? 'Lime, override' : 'Elemental sulfur, override',
    unit: lime ? 'lb lime per 1000 ft2' : 'lb S per 1000 ft2',
    usedIn: `Season: the ${action} doses add up to it.`,
  });
  const depth = ownOf(zone, 'treated-depth')?.value ?? TREATED_DEPTH_IN[zone.turf ?? 'established'];
  const since = read.ph?.reading.from.sampledOn ?? read.sampledOn;
  const split = lime ? limeInDoses(facts, given, since, product) : sulfurInDoses(facts, read, given, depth);
  if (isRefusal(split)) return { ...rule, says: split.refused };
  return {
    ...rule,
    action: split.doses.length > 0 ? action : rule.action,
    says: `${rule.says} By an override, against the rule: ${lime ? 'lime' : 'elemental (free) sulfur'}.`,
    requirement: lime ? undefined : given,
    material: given,
    productId: product?.id,
    own,
    ...split,
    monthsApart: 6,
    years: Math.ceil(split.doses.length / 2),
    retest: RETEST_WHILE_CORRECTING,
  };
}

/** Where the soil is too alkaline, what the lime of the irrigation water does to it is said with the verdict (A13). */
function underLimyWater(
  facts: ZoneFacts,
  read: Interpretation,
  rule: PhPrescription | Refusal,
): PhPrescription | Refusal {
  const because = read.ph?.place === 'too-alkaline' ? waterHoldsPhUp(facts) : undefined;
  return because === undefined || isRefusal(rule) ? rule : { ...rule, says: `${rule.says} ${because}` };
}

/** pH first: nothing, lime, sulfur, or leave it, with the reason. No report, no lime and no sulfur, override or not. */
export function prescribePh(facts: ZoneFacts, read: Interpretation | undefined): PhPrescription | Refusal {
  const none = (says: string): PhPrescription => ({ action: 'none', says, ...nothing, retest: 'Take a sample.' });
  const water = read && waterPh(read.usable);
  if (!read || !water) {
    const shown = read?.ph;
    return shown
      ? none(`${shown.says} Lime and sulfur wait for a new report.`)
      : none('No soil pH: lime and sulfur only ever follow a test.');
  }
  if (!read.ph) return none('The laboratory’s limit stands in the way of the pH: ask for the number itself.');
  const grass = grassIn(facts.packs ?? BUILT_IN_PACKS, facts.zone.grass);
  const rule = underLimyWater(facts, read, byTheRule(facts, read, water.ph, grass));
  if (!isRefusal(rule)) return ownCorrection(facts, read, rule, water.ph, grass);
  // an own figure wins over an equation that refuses (B1)
  const own = ownOf(facts.zone, 'lime') ?? ownOf(facts.zone, 'free-sulfur');
  if (!own) return rule;
  const left = { action: 'leave' as const, says: rule.refused, ...nothing, retest: RETEST_NORMALLY };
  return ownCorrection(facts, read, left, water.ph, grass);
}
