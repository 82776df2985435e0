import type { Product } from '../records/case';
import { BUILT_IN_PACKS, grassIn } from '../packs/rule-packs';
import { groupOfTexture } from '../ground/texture-groups';
import { limeDoses } from '../lime/doses';
import { limeMaterial } from '../lime/material';
import { isRefusal, type Refusal } from '../reckoning/refusal';
import { carbonateStanding, waterPh } from '../soil/report';
import type { Interpretation } from '../soil/interpret';
import { sulfurDoses } from '../sulfur/doses';
import { sulfurRequirement } from '../sulfur/requirement';
import { figureOf, sureFigure, traced } from '../reckoning/figure';
import { depthSays, limeNeed, type SourcedGrass } from './lime-need';
import { inPlaceOf, ownOf } from './override-figure';
import type { PhPrescription } from './prescription';
import type { ZoneFacts } from './zone-facts';
import { fixed, roundedTo } from '../words/numbers';
import { FIZZ_TEST_FROM_PH } from '../soil/limy-soil';

/** Lime never aims above this, whatever the grass. Decision. */
const HIGHEST_LIME_AIM = 6.5;
/** Surface lime and sulfur on standing turf treat about this depth; tillage its own. Common practice. */
const TREATED_DEPTH_IN = { established: 4, 'close-cut': 4, tilled: 6 } as const;
/** Neutralising value assumed where the shelf holds no lime. */
const ASSUMED_ECCE = 90;
/** Sulfur only from this far above the window. Decision. */
const SULFUR_FROM_ABOVE_WINDOW = 0.3;

const RETEST_WHILE_CORRECTING = 'Retest in a year, same season, same laboratory.';
const RETEST_NORMALLY = 'Retest in 2 to 3 years.';
const nothing = { doses: [], monthsApart: 0, years: 0 };

/** The lime a person chose (hydrated only so, burnt never), else the one that fits: dolomitic only where magnesium was tested and is below enough. */
export function limeOnShelf(
  products: readonly Product[],
  read: Interpretation,
  chosenId?: string,
): Product | undefined {
  const magnesium = read.findings.find((f) => f.analyte === 'Mg');
  const wantsMagnesium = magnesium?.level === 'low' || magnesium?.level === 'very-low';
  const chosen = products.find((p) => p.id === chosenId && p.limeKind && p.limeKind !== 'burnt' && !p.unfinished);
  if (chosen) return chosen;
  const limes = products.filter((p) => !p.unfinished && (p.limeKind === 'calcitic' || p.limeKind === 'dolomitic'));
  const kind = wantsMagnesium ? 'dolomitic' : 'calcitic';
  return limes.find((p) => p.limeKind === kind) ?? limes[0];
}

/** ECCE of a lime product; where the label gives only CCE it is taken as finely ground. */
export const ecceOf = (product: Product | undefined): number =>
  product?.eccePercent ?? product?.ccePercent ?? ASSUMED_ECCE;

function prescribeLime(
  facts: ZoneFacts,
  read: Interpretation,
  soilPh: number,
  grass: SourcedGrass,
): PhPrescription | Refusal {
  const { zone, products, limeProductId } = facts;
  const turf = zone.turf ?? 'established';
  const aim = Math.min(ownOf(zone, 'aim-ph')?.value ?? grass.phAim, HIGHEST_LIME_AIM);
  const depth = ownOf(zone, 'treated-depth')?.value ?? TREATED_DEPTH_IN[turf];
  const need = limeNeed(facts, read, soilPh, aim, depth, grass);
  if (isRefusal(need.figure)) return need.figure;
  const product = limeOnShelf(products, read, limeProductId);
  const ecce = ecceOf(product);
  const material = sureFigure(
    limeMaterial,
    {
      requirementLb: traced(need.figure.value, 'lime requirement', need.figure),
      eccePercent: traced(ecce, product ? `label, ${product.name}` : 'no lime on the shelf: ag lime assumed'),
      basisEccePercent: traced(
        need.basisEcce,
        need.basisEcce === 90 ? 'ag lime of the method' : 'pure CaCO3 of the method',
      ),
    },
    {
      title: 'Lime',
      unit: 'lb lime per 1000 ft2',
      alternatives: () =>
        [100, 73].filter((e) => e !== ecce).map((e) => ({ says: `A lime of ECCE ${e}`, change: { eccePercent: e } })),
      usedIn: 'Season: the lime doses add up to it.',
    },
  );
  const ownLime = ownOf(zone, 'lime');
  const given = ownLime
    ? inPlaceOf(material, ownLime, {
        title: 'Lime, override',
        unit: 'lb lime per 1000 ft2',
        usedIn: 'Season: the lime doses add up to it.',
      })
    : material;
  const doses = figureOf(
    limeDoses,
    {
      materialLb: traced(given.value, 'lime in all', given),
      turf: traced(turf, 'turf of the zone'),
      textureGroup: traced(groupOfTexture(zone.texture), 'soil of the zone'),
      material: product?.limeKind === 'hydrated' ? traced('hydrated' as const, `label, ${product.name}`) : undefined,
    },
    { title: 'Lime, each dose', unit: 'lb lime per 1000 ft2', part: 'doses', usedIn: 'Season: one block a dose.' },
  );
  if (isRefusal(doses)) return doses;
  const split = doses.whole.doses.length;
  return {
    action: given.value > 0 ? 'lime' : 'none',
    own: ownLime,
    byRule: ownLime && material,
    says: `${need.says}, to pH ${aim}, top ${depth} in. ${product ? `${product.name}, ECCE ${ecce}` : `Ag lime of ECCE ${ecce} assumed`}${split > 1 ? `, in ${split} doses` : ''}.`,
    method: need.method,
    targetPh: aim,
    treatedDepthIn: depth,
    requirement: need.figure,
    material: given,
    productId: product?.id,
    doses: [...doses.whole.doses],
    monthsApart: doses.whole.monthsApart,
    years: Math.ceil(split / 2),
    dosesFigure: doses,
    retest: RETEST_WHILE_CORRECTING,
  };
}

function prescribeSulfur(
  { zone, choices }: ZoneFacts,
  read: Interpretation,
  soilPh: number,
  grass: SourcedGrass,
): PhPrescription | Refusal {
  const carbonate = carbonateStanding(zone, read.readings);
  const leave = (says: string): PhPrescription => ({ action: 'leave', says, ...nothing, retest: RETEST_NORMALLY });
  const above = soilPh - grass.phHigh;
  if (carbonate === 'present')
    return leave(
      'The soil holds free lime, which eats sulfur for years without a change of pH: leave it, and feed iron and manganese for color.',
    );
  if (soilPh >= FIZZ_TEST_FROM_PH && carbonate === 'unknown')
    return leave(
      `pH ${FIZZ_TEST_FROM_PH} or more without a fizz test: put a drop of acid on the soil first. Only “no fizz” opens the sulfur table.`,
    );
  if (above < SULFUR_FROM_ABOVE_WINDOW - 1e-9)
    return leave(`Only ${fixed(above, 1)} above the window: not worth acidifying.`);
  if (zone.drainage === 'poor') return leave('Poorly drained ground: sulfur would turn to sulfide there. Drain first.');
  if (choices?.highPh === 'leave-and-manage')
    return leave('By choice: the pH stays, iron and manganese are fed for color.');
  if (choices?.highPh === 'acidifying-nitrogen')
    return leave('By choice: only acidifying nitrogen; it holds the pH rather than lowers it.');
  const aim = ownOf(zone, 'aim-ph')?.value ?? Math.max(grass.phAim, roundedTo(grass.phHigh - 0.2, 2));
  const turf = zone.turf ?? 'established';
  const depth = ownOf(zone, 'treated-depth')?.value ?? TREATED_DEPTH_IN[turf];
  const requirement = figureOf(
    sulfurRequirement,
    {
      soilPh: traced(soilPh, 'soil report, pH in water'),
      aimPh: traced(
        aim,
        ownOf(zone, 'aim-ph')
          ? `own aim: ${ownOf(zone, 'aim-ph')?.reason}`
          : `${grass.name}: window top less 0.2, or its aim`,
      ),
      textureGroup: traced(groupOfTexture(zone.texture), 'soil of the zone'),
      treatedDepthIn: traced(depth, depthSays(zone, 'surface sulfur on standing turf')),
    },
    {
      title: 'Elemental sulfur',
      unit: 'lb S per 1000 ft2',
      alternatives: () =>
        [
          { says: 'Depth 6 in', change: { treatedDepthIn: 6 } },
          { says: 'Aim 6.5', change: { aimPh: 6.5 } },
        ].filter((a) => a.change.aimPh !== aim && a.change.treatedDepthIn !== depth),
      usedIn: 'Season: the sulfur doses add up to it.',
    },
  );
  if (isRefusal(requirement)) return requirement;
  const ownSulfur = ownOf(zone, 'free-sulfur');
  const given = ownSulfur
    ? inPlaceOf(requirement, ownSulfur, {
        title: 'Elemental sulfur, override',
        unit: 'lb S per 1000 ft2',
        usedIn: 'Season: the sulfur doses add up to it.',
      })
    : requirement;
  const doses = figureOf(
    sulfurDoses,
    {
      elementalLb: traced(given.value, 'elemental sulfur in all', given),
      turf: traced(turf, 'turf of the zone'),
    },
    { title: 'Sulfur, each dose', unit: 'lb S per 1000 ft2', part: 'doses', usedIn: 'Season: one block a dose.' },
  );
  if (isRefusal(doses)) return doses;
  return {
    action: given.value > 0 ? 'sulfur' : 'leave',
    own: ownSulfur,
    byRule: ownSulfur && requirement,
    says: `Elemental (free) sulfur to pH ${aim}, top ${depth} in, over ${doses.whole.years === 1 ? 'one year' : `${doses.whole.years} years`}.`,
    method: 'sulfur.requirement',
    targetPh: aim,
    treatedDepthIn: depth,
    requirement: given,
    material: given,
    doses: [...doses.whole.doses],
    monthsApart: 6,
    years: doses.whole.years,
    dosesFigure: doses,
    retest: 'Retest the next season, before a third dose with a 0 to 2 in core as well.',
  };
}

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
  const turf = traced(zone.turf ?? 'established', 'turf of the zone');
  const usedIn = 'Season: one block a dose.';
  const limeSplit =
    lime &&
    figureOf(
      limeDoses,
      {
        materialLb: traced(given.value, 'lime in all', given),
        turf,
        textureGroup: traced(groupOfTexture(zone.texture), 'soil of the zone'),
        material: product?.limeKind === 'hydrated' ? traced('hydrated' as const, `label, ${product.name}`) : undefined,
      },
      { title: 'Lime, each dose', unit: 'lb lime per 1000 ft2', part: 'doses', usedIn },
    );
  const sulfurSplit =
    !lime &&
    figureOf(
      sulfurDoses,
      { elementalLb: traced(given.value, 'elemental sulfur in all', given), turf },
      { title: 'Sulfur, each dose', unit: 'lb S per 1000 ft2', part: 'doses', usedIn },
    );
  const split = limeSplit || sulfurSplit;
  if (!split || isRefusal(split)) return { ...rule, says: split ? split.refused : rule.says };
  const count = split.whole.doses.length;
  return {
    ...rule,
    action,
    says: `${rule.says} By an override, against the rule: ${lime ? 'lime' : 'elemental (free) sulfur'}.`,
    requirement: lime ? undefined : given,
    material: given,
    productId: product?.id,
    own,
    doses: [...split.whole.doses],
    monthsApart: 6,
    years: Math.ceil(count / 2),
    dosesFigure: split,
    retest: RETEST_WHILE_CORRECTING,
  };
}

/** pH first: nothing, lime, sulfur, or leave it, with the reason. No report, no lime and no sulfur, override or not. */
export function prescribePh(facts: ZoneFacts, read: Interpretation | undefined): PhPrescription | Refusal {
  const water = read && waterPh(read.readings);
  if (!read || !water || !read.ph)
    return {
      action: 'none',
      says: 'No soil pH: lime and sulfur only ever follow a test.',
      ...nothing,
      retest: 'Take a sample.',
    };
  const grass = grassIn(facts.packs ?? BUILT_IN_PACKS, facts.zone.grass);
  const rule = byTheRule(facts, read, water.ph, grass);
  return isRefusal(rule) ? rule : ownCorrection(facts, read, rule, water.ph, grass);
}
