import type { Product } from '../records/case';
import { groupOfTexture } from '../ground/texture-groups';
import { limeDoses } from '../lime/doses';
import { ecceOf, limeKindOf } from '../lime/lime-label';
import { limeMaterial } from '../lime/material';
import { isRefusal, type Refusal } from '../reckoning/refusal';
import type { Interpretation } from '../soil/interpret';
import { type Figure, figureOf, sureFigure, traced } from '../reckoning/figure';
import { sayDate } from '../words/days';
import { trimmed } from '../words/numbers';
import { limeNeed, type SourcedGrass } from './lime-need';
import { laboratoryFigure } from './laboratory-figure';
import { type Ledger, ledgerOf, loggedSince } from './ledger';
import { inPlaceOf, ownOf } from './override-figure';
import type { PhPrescription } from './prescription';
import type { ZoneFacts } from './zone-facts';

/** Lime never aims above this, whatever the grass. Decision. */
const HIGHEST_LIME_AIM = 6.5;
/** Surface lime and sulfur on standing turf treat about this depth; tillage its own. Common practice. */
export const TREATED_DEPTH_IN = { established: 4, 'close-cut': 4, tilled: 6 } as const;
/** What is left of a correction under this is no dose any more, lb lime/1000 ft2. Decision, as for shortfalls (E1). */
const LEAST_LEFT_LB = 5;
/** More lime than this in all is no lawn’s need: the rest waits for a new report, lb lime/1000 ft2. Decision. */
const MOST_LIME_LB = 400;
export const RETEST_WHILE_CORRECTING = 'Retest in a year, same season, same laboratory.';
const LIME_UNIT = 'lb lime per 1000 ft2';
const USED_IN = 'Season: the lime doses add up to it.';

/** The lime a person chose (hydrated only so, burnt never), else the one that fits: dolomitic only where magnesium was tested and is below enough. */
export function limeOnShelf(
  products: readonly Product[],
  read: Interpretation,
  chosenId?: string,
): Product | undefined {
  const magnesium = read.findings.find((f) => f.analyte === 'Mg' && !f.reading.setAside);
  const wantsMagnesium = magnesium?.level === 'low' || magnesium?.level === 'very-low';
  const kindOf = (p: Product) => (p.unfinished ? undefined : limeKindOf(p));
  const chosen = products.find((p) => {
    const kind = p.id === chosenId ? kindOf(p) : undefined;
    return kind !== undefined && kind !== 'burnt' && kind !== 'asked';
  });
  if (chosen) return chosen;
  const limes = products.filter((p) => kindOf(p) === 'calcitic' || kindOf(p) === 'dolomitic');
  const kind = wantsMagnesium ? 'dolomitic' : 'calcitic';
  return limes.find((p) => kindOf(p) === kind) ?? limes[0];
}

/** Tillage-size lime is never given to grown grass (C8): ground is tilled before its seeding, and stands after it. */
const turfOf = ({ zone, establishment }: ZoneFacts): 'established' | 'close-cut' | 'tilled' =>
  establishment?.workable
    ? 'tilled'
    : establishment && zone.turf === 'tilled'
      ? 'established'
      : (zone.turf ?? 'established');

/** Lime that went down since the sample, as pounds of the lime at hand: each counts by its ECCE (B4). */
export const limeLedger = ({ zone, products }: ZoneFacts, required: Figure, since: string, ecce: number): Ledger =>
  ledgerOf(
    required,
    since,
    loggedSince(zone, products, { after: since }, (p) => (limeKindOf(p) === undefined ? 0 : ecceOf(p) / ecce)),
    { title: 'Lime outstanding', unit: LIME_UNIT, usedIn: USED_IN },
  );

/** Lime in doses, less what went down since the sample; nothing is dated once a new report has to decide. */
export function limeInDoses(
  facts: ZoneFacts,
  asked: Figure,
  since: string,
  product: Product | undefined,
): Refusal | Pick<PhPrescription, 'doses' | 'monthsApart' | 'years' | 'dosesFigure' | 'ledger'> {
  const { zone } = facts;
  const ledger = limeLedger(facts, asked, since, ecceOf(product));
  const left = ledger.lines.length > 0 && ledger.outstanding.value < LEAST_LEFT_LB ? 0 : ledger.outstanding.value;
  const kept = ledger.lines.length > 0 ? { ledger } : {};
  if (left === 0) return { doses: [], monthsApart: 0, years: 0, ...kept };
  const doses = figureOf(
    limeDoses,
    {
      materialLb: traced(Math.min(left, MOST_LIME_LB), 'lime still to give', ledger.outstanding),
      turf: traced(turfOf(facts), facts.establishment?.workable ? 'worked in before the seeding' : 'turf of the zone'),
      textureGroup: traced(groupOfTexture(zone.texture), 'soil of the zone'),
      material:
        product && limeKindOf(product) === 'hydrated'
          ? traced('hydrated' as const, `label, ${product.name}`)
          : undefined,
    },
    { title: 'Lime, each dose', unit: LIME_UNIT, part: 'doses', usedIn: 'Season: one block a dose.' },
  );
  if (isRefusal(doses)) return doses;
  const split = doses.whole.doses.length;
  return {
    doses: [...doses.whole.doses],
    monthsApart: doses.whole.monthsApart,
    years: Math.ceil(split / 2),
    dosesFigure: doses,
    ...kept,
  };
}

/** What the ledger says, for the sentence of the prescription. */
export const ledgerSays = (ledger: Ledger | undefined, doses: readonly number[], substance: string): string => {
  if (!ledger) return '';
  const down = ` ${trimmed(ledger.givenLb, 1)} lb ${substance} of ${trimmed(ledger.requiredLb, 1)} lb ${substance} went down since the sample of ${sayDate(ledger.since)}`;
  return doses.length === 0
    ? `${down}: nothing more before a new report. Retest.`
    : `${down}; ${trimmed(ledger.outstanding.value, 1)} lb ${substance} are left, to be down by ${sayDate(ledger.datedUntil ?? ledger.since)}; then a new report decides.`;
};

/** Lime for a soil that is too acid for its grass. */
export function prescribeLime(
  facts: ZoneFacts,
  read: Interpretation,
  soilPh: number,
  grass: SourcedGrass,
): PhPrescription | Refusal {
  const { zone, products, limeProductId, tests = [] } = facts;
  const turf = turfOf(facts);
  const aim = Math.min(ownOf(zone, 'aim-ph')?.value ?? grass.phAim, HIGHEST_LIME_AIM);
  const depth = ownOf(zone, 'treated-depth')?.value ?? TREATED_DEPTH_IN[turf];
  const need = limeNeed(facts, read, soilPh, aim, depth, grass);
  const product = limeOnShelf(products, read, limeProductId);
  const ecce = ecceOf(product);
  const material =
    need.basisEcce === undefined
      ? need.figure
      : sureFigure(
          limeMaterial,
          {
            requirementLb: traced(need.figure.value, 'lime requirement', need.figure),
            eccePercent: traced(ecce, product ? `label, ${product.name}` : 'no lime on the shelf: ag lime assumed'),
            basisEccePercent: traced(
              need.basisEcce,
              need.basisEcce === 100 ? 'pure CaCO3 of the method' : 'effective value of the method’s ag lime',
            ),
          },
          {
            title: 'Lime',
            unit: LIME_UNIT,
            alternatives: () =>
              [100, 73]
                .filter((e) => e !== ecce)
                .map((e) => ({ says: `A lime of ECCE ${e}`, change: { eccePercent: e } })),
            usedIn: USED_IN,
          },
        );
  const ownLime = ownOf(zone, 'lime');
  const given = ownLime
    ? inPlaceOf(material, ownLime, { title: 'Lime, override', unit: LIME_UNIT, usedIn: USED_IN })
    : material;
  const since = read.ph?.reading.from.sampledOn ?? read.sampledOn;
  const split = limeInDoses(facts, given, since, product);
  if (isRefusal(split)) return split;
  const { doses, ledger } = split;
  const shelf = product ? `${product.name}, ECCE ${trimmed(ecce, 1)}` : `Ag lime of ECCE ${ecce} assumed`;
  // lime as spread has no aim of ours: the laboratory's is not known
  const whole = need.basisEcce === undefined ? need.says : `${need.says}, to pH ${aim}, top ${depth} in`;
  const advised = tests.find((t) => t.labAdvice?.limeLb !== undefined);
  const adviceLb = advised?.labAdvice?.limeLb;
  return {
    action: doses.length > 0 ? 'lime' : 'none',
    own: ownLime,
    byRule: ownLime && material,
    says: `${whole}. ${shelf}${doses.length > 1 ? `, in ${doses.length} doses` : ''}.${ledgerSays(ledger, doses, 'lime')}`,
    method: ownLime && need.unsettled ? 'own' : need.method,
    ...(need.estimate ? { estimate: true as const } : {}),
    ...(need.unsettled && !ownLime ? { unsettled: need.unsettled } : {}),
    ...(adviceLb === undefined ? {} : { laboratory: laboratoryFigure(adviceLb, advised?.lab) }),
    targetPh: aim,
    treatedDepthIn: depth,
    requirement: need.figure,
    // what stands in the line is what is still to give
    material: ledger ? ledger.outstanding : given,
    productId: product?.id,
    ...split,
    retest:
      need.unsettled && !ownLime
        ? 'A new report with a buffer pH before anything more.'
        : ledger
          ? 'Retest before any more lime.'
          : RETEST_WHILE_CORRECTING,
  };
}
