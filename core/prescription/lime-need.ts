import type { Zone } from '../records/case';
import { groupOfTexture } from '../ground/texture-groups';
import { limeBuffer } from '../lime/buffers';
import { textureLime } from '../lime/texture-table';
import type { grassIn } from '../packs/rule-packs';
import type { Refusal } from '../reckoning/refusal';
import type { Interpretation } from '../soil/interpret';
import { findReading } from '../soil/report';
import { type Figure, figureOf, traced } from '../reckoning/figure';
import { ownOf } from './override-figure';
import type { LimeMethod } from './prescription';
import type { ZoneFacts } from './zone-facts';

export type SourcedGrass = ReturnType<typeof grassIn>;

/** Where the depth to treat comes from: the agronomist's own, else what is usual. */
export const depthSays = (zone: Zone, usual: string): string => {
  const own = ownOf(zone, 'treated-depth');
  return own ? `own depth: ${own.reason}` : usual;
};

export interface LimeNeed {
  method: LimeMethod;
  says: string;
  figure: (Figure & { whole: number }) | Refusal;
  /** ECCE of the method's own lime. */
  basisEcce: number;
}

/** The lime the soil needs, by the buffer the laboratory used; by texture only where it used none. */
export function limeNeed(
  { zone }: ZoneFacts,
  read: Interpretation,
  soilPh: number,
  aim: number,
  depth: number,
  grass: SourcedGrass,
): LimeNeed {
  const turf = zone.turf ?? 'established';
  const reading = findReading(read.readings, 'buffer-pH');
  const buffer = reading?.value === undefined ? undefined : limeBuffer(reading.method);
  const alternatives = () => [
    ...(depth === 6 ? [] : [{ says: `Depth 6 in, not ${depth}`, change: { treatedDepthIn: 6 } }]),
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
  const reachable = buffer && aim >= buffer.aims.from - 1e-9 && aim <= buffer.aims.to + 1e-9;
  if (!buffer || !reachable) {
    const says = buffer
      ? `The ${buffer.says} says nothing for an aim of ${aim}: estimated from texture`
      : reading?.value === undefined
        ? 'No buffer pH on the report: estimated from texture'
        : 'The report does not say which buffer its buffer pH is: estimated from texture';
    const group = traced(groupOfTexture(zone.texture), `soil of the zone, ${zone.texture.replaceAll('-', ' ')}`);
    return {
      method: 'lime.texture',
      says,
      basisEcce: 100,
      figure: figureOf(textureLime, { ...inputs, textureGroup: group }, options('lb CaCO3 per 1000 ft2')),
    };
  }
  const withBuffer = { ...inputs, bufferPh: traced(reading?.value as number, `soil report, ${buffer.says}`) };
  const { says, method, basisEccePercent, reckoning, resultUnit } = buffer;
  return { method, says, basisEcce: basisEccePercent, figure: figureOf(reckoning, withBuffer, options(resultUnit)) };
}
