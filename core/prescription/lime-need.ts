import type { Zone } from '../records/case';
import { groupOfTexture } from '../ground/texture-groups';
import { limeBuffer } from '../lime/buffers';
import { firstLimeDose } from '../lime/first-dose';
import { smpEstimate } from '../lime/smp-estimate';
import { textureLime } from '../lime/texture-table';
import type { grassIn } from '../packs/rule-packs';
import { isRefusal } from '../reckoning/refusal';
import type { Interpretation } from '../soil/interpret';
import { findReading } from '../soil/report';
import { type Figure, figureOf, sureFigure, traced } from '../reckoning/figure';
import { laboratoryFigure } from './laboratory-figure';
import { ownOf } from './override-figure';
import type { LimeMethod } from './prescription';
import type { ZoneFacts } from './zone-facts';

export type SourcedGrass = ReturnType<typeof grassIn>;

/** Where the depth to treat comes from: the agronomist's own, else what is usual. */
export const depthSays = (zone: Zone, usual: string): string => {
  const own = ownOf(zone, 'treated-depth');
  return own ? `own depth: ${own.reason}` : usual;
};

/** Adams-Evans begins here; a more acid soil is reckoned as if it stood at it (B1). */
const ADAMS_EVANS_FROM_PH = 4.5;
/** The SMP lines as published: index and aim from which on `lime.smp` answers. */
const SMP_LINES = { index: 60, aim: 6 } as const;

export interface LimeNeed {
  method: LimeMethod;
  says: string;
  figure: Figure;
  /** ECCE of the method's own lime; undefined where the figure is lime as spread. */
  basisEcce?: number;
  /** Reckoned beyond what the method was made for. */
  estimate?: true;
  /** Why nothing could be reckoned: a first dose stands in, and a new report must come (B1). */
  unsettled?: string;
}

/**
 * The lime the soil needs (B1): by the buffer the laboratory used, else the laboratory's own figure, else the texture table, else a
 * first dose that cannot be wrong. An acid soil is never answered with nothing.
 */
export function limeNeed(
  { zone, tests = [] }: ZoneFacts,
  read: Interpretation,
  soilPh: number,
  aim: number,
  depth: number,
  grass: SourcedGrass,
): LimeNeed {
  const turf = zone.turf ?? 'established';
  const reading = findReading(read.usable, 'buffer-pH');
  const buffer = reading?.value === undefined ? undefined : limeBuffer(reading.method);
  const alternatives = () => [
    ...(depth === 6 ? [] : [{ says: `Depth 6 in, not ${depth} in`, change: { treatedDepthIn: 6 } }]),
    aim < 6.5
      ? { says: `Aim 6.5, not ${aim}`, change: { aimPh: 6.5 } }
      : { says: 'Aim 6.2, not 6.5', change: { aimPh: 6.2 } },
  ];
  const options = (unit: string) => ({
    title: 'Lime requirement',
    unit,
    alternatives,
    usedIn: 'Prescribe: the lime material.',
  });
  const inputs = {
    soilPh: traced(soilPh, 'soil report, pH in water'),
    aimPh: traced(
      aim,
      ownOf(zone, 'aim-ph')
        ? `own aim: ${ownOf(zone, 'aim-ph')?.reason}`
        : aim < grass.phAim
          ? `${grass.name}, held to 6.5: lime never aims higher`
          : `${grass.name}, ${grass.source.name}`,
    ),
    treatedDepthIn: traced(
      depth,
      depthSays(zone, turf === 'tilled' ? 'tillage depth' : 'surface lime on standing turf'),
    ),
  };
  if (buffer && reading?.value !== undefined) {
    const { says, method, basisEccePercent: basisEcce, reckoning, resultUnit } = buffer;
    const bufferPh = traced(reading.value, `soil report, ${buffer.says}`);
    const asMade = figureOf(reckoning, { ...inputs, bufferPh }, options(resultUnit));
    if (!isRefusal(asMade)) return { method, says: `By the ${says}`, basisEcce, figure: asMade };
    const beyond =
      method === 'lime.smp' && (aim < SMP_LINES.aim || 10 * reading.value < SMP_LINES.index)
        ? figureOf(smpEstimate, { ...inputs, bufferPh }, options(resultUnit))
        : method === 'lime.adams-evans' && soilPh < ADAMS_EVANS_FROM_PH
          ? figureOf(
              reckoning,
              {
                ...inputs,
                bufferPh,
                soilPh: traced(ADAMS_EVANS_FROM_PH, `soil report says ${soilPh}; the equation begins at 4.5`),
              },
              options(resultUnit),
            )
          : asMade;
    if (!isRefusal(beyond))
      return {
        method,
        says: `By the ${says}, beyond what it was made for: an estimate`,
        basisEcce,
        figure: beyond,
        estimate: true,
      };
  }
  const advised = tests.find(
    (t) => t.labAdvice?.limeLb !== undefined && t.sampledOn === read.ph?.reading.from.sampledOn,
  );
  const advisedLb = advised?.labAdvice?.limeLb;
  const why = buffer
    ? `The ${buffer.says} says nothing here`
    : reading?.value === undefined
      ? 'No buffer pH to go by'
      : 'The report does not say which buffer its buffer pH is';
  if (advisedLb !== undefined)
    return {
      method: 'laboratory',
      says: `${why}: the laboratory’s own figure`,
      figure: laboratoryFigure(advisedLb, advised?.lab),
    };
  const group = groupOfTexture(zone.texture);
  const textured = figureOf(
    textureLime,
    { ...inputs, textureGroup: traced(group, `soil of the zone, ${zone.texture.replaceAll('-', ' ')}`) },
    options('lb CaCO3 per 1000 ft2'),
  );
  if (!isRefusal(textured))
    return { method: 'lime.texture', says: `${why}: estimated from texture`, basisEcce: 100, figure: textured };
  const unsettled = `pH ${soilPh} without a buffer pH that can be used: how much lime the soil wants is not known. Ask the laboratory for a buffer pH, or type its own lime figure.`;
  return {
    method: 'lime.first-dose',
    says: 'More than one dose is wanted, how much is not known: a first dose that cannot be wrong, soon, then a new report',
    unsettled,
    figure: sureFigure(
      firstLimeDose,
      {
        turf: traced(turf, 'turf of the zone'),
        textureGroup: traced(group, 'soil of the zone'),
        grass: traced(zone.grass === 'centipedegrass' ? 'centipedegrass' : 'other', 'grass of the zone'),
      },
      { title: 'First lime dose', unit: 'lb lime per 1000 ft2', usedIn: 'Season: one dose, as early as it may be.' },
    ),
  };
}
