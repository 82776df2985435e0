import type { Analyte } from '../records/vocabularies';
import type { Level } from '../soil/levels';
import { analyteName } from '../records/analytes';
import { methodName } from '../records/methods';
import type { Zone } from '../records/case';
import { isRefusal } from '../reckoning/refusal';
import { BUILT_IN_PACKS, grassIn, type RulePacks } from '../packs/rule-packs';
import type { Interpretation } from '../soil/interpret';
import { salinityMethodOf, salineFromDsPerM, soilEce } from '../soil/salinity';
import { findReading, waterPh } from '../soil/report';
import { type Figure, figureOf, traced } from '../reckoning/figure';
import { threeDigits, trimmed } from '../words/numbers';
import { FREE_LIME_ABOVE_PH } from '../soil/limy-soil';

/** Foliar iron for color; it does not cure the cause. */
export function prescribeIron(read: Interpretation | undefined): { action: 'none' | 'foliar'; says: string } {
  const iron = read?.findings.find((f) => f.analyte === 'Fe');
  const alkaline = read && (waterPh(read.usable)?.ph ?? 0) > FREE_LIME_ABOVE_PH;
  const short = iron && (iron.level === 'low' || iron.level === 'very-low');
  if (!short && !alkaline) return { action: 'none', says: 'Nothing without a test or a symptom.' };
  return {
    action: 'foliar',
    says: 'If it yellows between the veins: at most 0.75 oz Fe per 1000 ft2 a spray in 3 gal of water per 1000 ft2 or more, not above 85 deg F. Greens in days, stains concrete, does not cure the cause.',
  };
}

/** Micronutrients that read short: watched, not given a rate. */
export const prescribeMicronutrients = (
  read: Interpretation | undefined,
): { analyte: Analyte; level: Level; says: string }[] =>
  (read?.findings ?? [])
    .filter(
      (f) =>
        !f.reading.setAside &&
        ['Mn', 'Zn', 'Cu', 'B'].includes(f.analyte) &&
        (f.level === 'low' || f.level === 'very-low'),
    )
    .map(({ analyte, level }) => ({
      analyte,
      level,
      says: 'Reads short: confirm with a tissue test before feeding it.',
    }));

/** Salinity as this grass feels it (A3). */
export interface SalinityPrescription {
  /** As reported. */
  ecDsPerM?: number;
  /** Brought to the saturated paste; the middle value decides. */
  ece?: Figure;
  least?: number;
  most?: number;
  /** ECe from which this grass begins to suffer. */
  salineFrom?: number;
  standing: 'not-tested' | 'ordinary' | 'saline';
  says: string;
}

/** Salinity by electrical conductivity, brought to the paste by extract and texture, judged for the grass that grows there (A3). */
export function prescribeSalinity(
  zone: Zone,
  read: Interpretation | undefined,
  packs: RulePacks = BUILT_IN_PACKS,
): SalinityPrescription {
  const reading = read && findReading(read.usable, 'EC');
  const ec = reading?.value;
  if (ec === undefined) return { standing: 'not-tested', says: 'Salinity is not on the report.' };
  const method = salinityMethodOf(reading?.method);
  const unsaid = reading?.method === undefined ? ', taken for it because the report does not say' : '';
  const ece = figureOf(
    soilEce,
    {
      ec: traced(ec, 'soil report'),
      method: traced(method, `${methodName(method)}${unsaid}`),
      texture: traced(zone.texture, 'soil of the zone'),
    },
    {
      title: 'Salinity as the saturated paste',
      unit: 'dS/m',
      part: 'ece',
      usedIn: 'Season: low-salt sources only, where saline.',
    },
  );
  if (isRefusal(ece)) return { ecDsPerM: ec, standing: 'not-tested', says: ece.refused };
  const { least, most } = ece.whole;
  const salineFrom = salineFromDsPerM(packs, zone.grass);
  const grass = grassIn(packs, zone.grass).name;
  const range = least === most ? '' : `, between ${trimmed(least, 1)} and ${trimmed(most, 1)}`;
  const was =
    method === 'saturated-paste'
      ? `${trimmed(ece.value, 1)} dS/m in the paste`
      : `${trimmed(ec, 2)} dS/m in ${methodName(method)} is about ${trimmed(ece.value, 1)} in the paste${range}`;
  const answer = { ecDsPerM: ec, ece, least, most, salineFrom };
  return ece.value >= salineFrom
    ? {
        ...answer,
        standing: 'saline',
        says: `${was}: saline for ${grass}, which suffers from ${salineFrom} on. No muriate of potash, little salt in one day, leach with water where it drains. Neither sulfur nor gypsum helps against salt alone.`,
      }
    : {
        ...answer,
        standing: 'ordinary',
        says: `${was}: under ${salineFrom}, where ${grass} begins to suffer.${most >= salineFrom ? ' It is near: ask for a paste extract.' : ''}`,
      };
}

/** Something in the soil that harms the grass, and what is done about it (A11). */
export interface ToxicAdvice {
  analyte: Analyte;
  standing: 'flagged' | 'harmful';
  says: string;
}

/** Aluminum and manganese come free below this, and what tells them (A11, agronomy 3c). Common practice. */
const ACID_TOXIC_BELOW_PH = { usual: 5.2, centipedegrass: 5, bahiagrass: 5 } as const;

/** Levels that harm: no more of it, raise the pH where that cures it, resistant grass (A11). */
export function prescribeToxic(zone: Zone, read: Interpretation | undefined): ToxicAdvice[] {
  const advice: ToxicAdvice[] = [];
  const ph = read && waterPh(read.usable)?.ph;
  for (const { analyte, value, range, reading } of read?.findings ?? []) {
    const { toxic, flagged } = range ?? {};
    if (reading.setAside || reading.value === undefined) continue;
    const harmful = toxic !== undefined && value >= toxic;
    if (!harmful && !(flagged !== undefined && value > flagged)) continue;
    const name = analyteName(analyte);
    const cure =
      analyte === 'B'
        ? 'It leaches with good water where the ground drains; look for it in the irrigation water.'
        : (ph ?? 7) < 6
          ? 'Lime toward pH 6.5 binds it.'
          : 'The pH binds what it can already; look where it came from (biosolids, poultry litter, old sprays).';
    advice.push({
      analyte,
      standing: harmful ? 'harmful' : 'flagged',
      says: harmful
        ? `${name}, ${threeDigits(value)} ppm, is harmful from ${toxic} on: no product that holds it. ${cure} Where it stays, a grass that bears it.`
        : `${name}, ${threeDigits(value)} ppm, is more than grass likes: no product that holds it. ${cure}`,
    });
  }
  const below =
    zone.grass in ACID_TOXIC_BELOW_PH ? ACID_TOXIC_BELOW_PH[zone.grass as 'bahiagrass'] : ACID_TOXIC_BELOW_PH.usual;
  if (ph !== undefined && ph < below)
    advice.push({
      analyte: 'Al',
      standing: 'harmful',
      says: `Below pH ${below} aluminum and manganese come free and stunt the roots: that is what the lime is for. Fine fescue, centipedegrass and bahiagrass bear it longest.`,
    });
  return advice;
}
