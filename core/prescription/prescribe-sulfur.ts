import { LEFT_ALONE_UP_TO_PH, FIZZ_TEST_FROM_PH } from '../soil/limy-soil';
import { groupOfTexture } from '../ground/texture-groups';
import { zoneBulkDensity } from '../soil/report';
import { isRefusal, type Refusal } from '../reckoning/refusal';
import { carbonateStanding } from '../soil/report';
import type { Interpretation } from '../soil/interpret';
import { exchangeableSodiumOf } from '../soil/exchangeable-sodium';
import { SODIC_ESP_PERCENT } from '../soil/sodium';
import { sulfurDoses } from '../sulfur/doses';
import { sulfurOfCec } from '../sulfur/most-a-year';
import { sulfurRequirement } from '../sulfur/requirement';
import { type Figure, figureOf, sureFigure, traced } from '../reckoning/figure';
import { fixed, roundedTo, trimmed } from '../words/numbers';
import { isWeakSoil, zoneCec } from './cation-exchange';
import { ledgerOf, loggedSince } from './ledger';
import { depthSays, type SourcedGrass } from './lime-need';
import { inPlaceOf, ownOf } from './override-figure';
import { ledgerSays, TREATED_DEPTH_IN } from './prescribe-lime';
import type { PhPrescription } from './prescription';
import type { ZoneFacts } from './zone-facts';

/** Sulfur only from this far above the window. Decision. */
const SULFUR_FROM_ABOVE_WINDOW = 0.3;
/** Most free sulfur in one dose on sand or soil of little CEC, lb S/1000 ft2 (B7). Common practice. */
const WEAK_SOIL_DOSE_LB = 2;
/** Doses before a pH of the top 0 to 2 in: a thin acid layer hides in a 4 in core (B7). Common practice. */
const DOSES_BEFORE_TOP_PH = 2;
/** What is left of a correction under this is no dose any more, lb S/1000 ft2. Decision. */
const LEAST_LEFT_LB = 0.25;
const S_UNIT = 'lb S per 1000 ft2';
const USED_IN = 'Season: the sulfur doses add up to it.';
export const RETEST_NORMALLY = 'Retest in 2 to 3 years.';
export const nothing = { doses: [], monthsApart: 0, years: 0 };

/** Most free sulfur that a year may bring here: a fifth of what the soil holds, over the depth it is to treat (B7). */
export function mostSulfurAYear({ zone }: ZoneFacts, read: Interpretation, depthIn: number): Figure {
  const { cec, says } = zoneCec(zone, read);
  return sureFigure(
    sulfurOfCec,
    {
      cec: traced(cec, says),
      depthIn: traced(depthIn, 'depth to treat'),
      bulkDensity: traced(zoneBulkDensity(zone), 'soil of the zone'),
    },
    { title: 'Most sulfur of a year', unit: S_UNIT, usedIn: 'Prescribe: the sulfur doses.' },
  );
}

/** Free sulfur in doses the soil bears, less what went down since the sample (B4, B7). */
export function sulfurInDoses(
  facts: ZoneFacts,
  read: Interpretation,
  asked: Figure,
  depthIn: number,
):
  | Refusal
  | Pick<
      PhPrescription,
      'doses' | 'monthsApart' | 'years' | 'dosesFigure' | 'ledger' | 'waits' | 'mostDated' | 'sparse'
    > {
  const { zone, products } = facts;
  const since = read.ph?.reading.from.sampledOn ?? read.sampledOn;
  const logged = loggedSince(zone, products, { after: since }, (p) => (p.guaranteed['S-free'] ?? 0) / 100);
  const ledger = ledgerOf(asked, since, logged, { title: 'Sulfur outstanding', unit: S_UNIT, usedIn: USED_IN });
  const kept = logged.length > 0 ? { ledger } : {};
  const left = logged.length > 0 && ledger.outstanding.value < LEAST_LEFT_LB ? 0 : ledger.outstanding.value;
  if (left === 0) return { ...nothing, ...kept };
  const weak = isWeakSoil(zone, read);
  const given = new Set(logged.map((line) => line.date)).size;
  // a third dose is never given before the top 2 in are known; a green's doses are so small that only weak soil holds them to it
  const mostDated = weak || zone.turf !== 'close-cut' ? Math.max(0, DOSES_BEFORE_TOP_PH - given) : undefined;
  if (mostDated === 0)
    return {
      ...nothing,
      ...kept,
      waits: `${given} doses of sulfur are down: the ${trimmed(left, 1)} lb S that are left wait for a pH of the top 0 to 2 in, and a new report.`,
    };
  const most = mostSulfurAYear(facts, read, depthIn);
  const doses = figureOf(
    sulfurDoses,
    {
      elementalLb: traced(left, 'elemental sulfur still to give', ledger.outstanding),
      turf: traced(zone.turf ?? 'established', 'turf of the zone'),
      mostADoseLb: weak ? traced(WEAK_SOIL_DOSE_LB, 'sand, or soil of little CEC; common practice') : undefined,
      mostAYearLb: traced(Math.max(0.1, Math.min(100, most.value)), 'a fifth of the CEC', most),
    },
    { title: 'Sulfur, each dose', unit: S_UNIT, part: 'doses', usedIn: 'Season: one block a dose.' },
  );
  if (isRefusal(doses)) return doses;
  const all = doses.whole.doses;
  const later = mostDated !== undefined && all.length > mostDated;
  return {
    doses: [...all],
    monthsApart: 6,
    years: doses.whole.years,
    dosesFigure: doses,
    ...(mostDated === undefined ? {} : { mostDated }),
    ...(weak ? { sparse: true as const } : {}),
    ...(later ? { waits: 'A third dose waits for a pH of the top 0 to 2 in.' } : {}),
    ...kept,
  };
}

/** Sulfur for a soil that is too alkaline for its grass, or why it is left. */
export function prescribeSulfur(
  facts: ZoneFacts,
  read: Interpretation,
  soilPh: number,
  grass: SourcedGrass,
): PhPrescription | Refusal {
  const { zone, choices } = facts;
  const carbonate = carbonateStanding(zone, read.usable);
  const leave = (says: string): PhPrescription => ({ action: 'leave', says, ...nothing, retest: RETEST_NORMALLY });
  const above = soilPh - grass.phHigh;
  const own = ownOf(zone, 'free-sulfur') ?? ownOf(zone, 'aim-ph');
  if (carbonate === 'present')
    return leave(
      'The soil holds free lime, which eats sulfur for years without a change of pH: leave it, and feed iron and manganese for color.',
    );
  const sodium = exchangeableSodiumOf(read.usable);
  if (sodium && sodium.espPercent >= SODIC_ESP_PERCENT && !own)
    return leave(
      `Sodic soil, ${fixed(sodium.espPercent, 1)} % of CEC: the sodium holds the pH up. Gypsum and leaching come first, and no sulfur.`,
    );
  const fizz =
    carbonate === 'unknown' && soilPh >= FIZZ_TEST_FROM_PH - 1e-9
      ? ' Put a drop of acid on the soil: a fizz test tells whether free lime holds it there.'
      : '';
  if (grass.phTopIsOptimum && soilPh <= LEFT_ALONE_UP_TO_PH + 1e-9 && !own)
    return leave(
      `pH ${soilPh} is above where ${grass.name} does best, and not worth acidifying: leave it, and watch for iron.${fizz}`,
    );
  if (fizz)
    return leave(
      `pH ${soilPh} without a fizz test.${fizz} Only “no fizz” opens the sulfur table; feed iron for color meanwhile.`,
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
      unit: S_UNIT,
      alternatives: () =>
        [
          { says: 'Depth 6 in', change: { treatedDepthIn: 6 } },
          { says: 'Aim 6.5', change: { aimPh: 6.5 } },
        ].filter((a) => a.change.aimPh !== aim && a.change.treatedDepthIn !== depth),
      usedIn: USED_IN,
    },
  );
  if (isRefusal(requirement)) return requirement;
  const ownSulfur = ownOf(zone, 'free-sulfur');
  const given = ownSulfur
    ? inPlaceOf(requirement, ownSulfur, { title: 'Elemental sulfur, override', unit: S_UNIT, usedIn: USED_IN })
    : requirement;
  const split = sulfurInDoses(facts, read, given, depth);
  if (isRefusal(split)) return split;
  const { doses, years, ledger, waits } = split;
  const over = doses.length === 0 ? '' : `, over ${years === 1 ? 'one year' : `${years} years`}`;
  return {
    action: doses.length > 0 ? 'sulfur' : 'leave',
    own: ownSulfur,
    byRule: ownSulfur && requirement,
    says: `Elemental (free) sulfur to pH ${aim}, top ${depth} in${over}.${ledgerSays(ledger, doses, 'free S')}${waits ? ` ${waits}` : ''}`,
    method: 'sulfur.requirement',
    targetPh: aim,
    treatedDepthIn: depth,
    requirement: given,
    material: ledger ? ledger.outstanding : given,
    ...split,
    retest: 'Retest the next season, before a third dose with a 0 to 2 in core as well.',
  };
}
