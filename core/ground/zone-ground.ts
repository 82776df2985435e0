import type { Site } from '../records/property-schema';
import type { CutOut, Zone } from '../records/zone-schema';
import { type Figure, figureOf, traced } from '../reckoning/figure';
import type { Pair } from '../reckoning/inputs';
import { isRefusal, type Refusal } from '../reckoning/refusal';
import { areaError, ERROR_PERCENT, WALK_SIGMA_FT, walkedError } from './area-error';
import { grown, type Region, regionArea, regionOf, shared, together, without } from './clip';
import { cornersOf, isPlaced, outlineArea, shapeKind } from './shape';
import { areaToFeed } from './area-to-feed';

/** A part taken off the outline, as it counts: what lies outside, or was taken before, is not taken again. */
export interface TakenOff {
  id: string;
  name: string;
  sqFt: number;
  corners: readonly Pair[];
  region: Region;
}

/** A zone's ground: outline, what is taken off, what is left to feed, and how sure that is. */
export interface ZoneGround {
  zoneId: string;
  corners: readonly Pair[];
  /** Undefined where only the area was typed. */
  outline?: Figure;
  keptClear: { sqFt: number; region: Region };
  cutOuts: TakenOff[];
  toFeed?: Figure;
  /** The ground that is fed, as drawn; empty where the sheet does not know the shape. */
  fed: Region;
  areaSqFt: number;
  error?: Figure;
}

const CUT_OUT_NAMES: Record<CutOut['kind'], string> = {
  building: 'building',
  bed: 'bed',
  path: 'path',
  paving: 'paving',
  pool: 'pool',
  tree: 'tree ring',
  other: 'cut-out',
};
/** What a cut-out is called where nobody named it. */
export const cutOutName = (cutOut: Pick<CutOut, 'name' | 'kind'>): string => cutOut.name || CUT_OUT_NAMES[cutOut.kind];

const METHOD_WORDS = {
  tape: 'by tape',
  wheel: 'by wheel',
  pacing: 'by pacing',
  plan: 'from a plan',
  walk: 'by walking',
} as const;
/** "by wheel": how a zone's area was measured. */
export const measuredInWords = (zone: Pick<Zone, 'measuredBy' | 'ring' | 'offsets'>): string =>
  zone.measuredBy
    ? METHOD_WORDS[zone.measuredBy]
    : zone.ring
      ? METHOD_WORDS.walk
      : zone.offsets
        ? 'by offsets'
        : 'as typed';

/** A cut-out inside by all but this share is wholly inside: the rest is rounding of the drawing. */
const WHOLE = 1e-4;

/** Likely error of a zone's area, ft2 either way; undefined where nobody said how it was measured. */
function likelyError(zone: Zone, corners: readonly Pair[], toFeed: Figure | undefined): Figure | undefined {
  const options = {
    title: `${zone.name}, likely error of the area`,
    unit: 'ft2',
    usedIn: 'Ground and every weigh-out.',
  };
  const method = zone.measuredBy ?? (zone.ring ? 'walk' : undefined);
  const sure = (figure: Figure | Refusal): Figure | undefined => (isRefusal(figure) ? undefined : figure);
  if (method === 'walk' && corners.length >= 3)
    return sure(
      figureOf(
        walkedError,
        {
          points: traced(corners, 'walked perimeter'),
          sigmaFt: traced(WALK_SIGMA_FT, 'common practice for a phone under open sky'),
        },
        options,
      ),
    );
  if (!method) return undefined;
  const percent = method === 'walk' ? ERROR_PERCENT.pacing : ERROR_PERCENT[method];
  // an area that is no area has no error either; who typed it is told elsewhere
  return sure(
    figureOf(
      areaError,
      {
        areaSqFt: traced(zone.areaSqFt, measuredInWords(zone), toFeed),
        errorPercent: traced(percent, `${measuredInWords(zone)}, common practice`),
      },
      options,
    ),
  );
}

/**
 * Reckons a zone's ground. A cut-out wholly inside counts by its own measure; one that reaches over the edge, the strip or
 * another cut-out counts by the part that is drawn inside. Refuses where the outline has no area or nothing is left.
 */
export function groundOf(zone: Zone, site: Site | undefined): ZoneGround | Refusal {
  const says = measuredInWords(zone);
  const outline = outlineArea(zone, zone.name, says);
  if (outline && isRefusal(outline)) return outline;
  const corners = cornersOf(zone);
  const whole: Region = outline ? regionOf(corners) : [];
  const strips = isPlaced(zone) ? (site?.water ?? []).map((w) => grown(w.cornersFt as Pair[], w.keptClearFt)) : [];
  const strip = shared(whole, together(strips));
  let left = without(whole, strip);
  const cutOuts: TakenOff[] = [];
  for (const cutOut of zone.cutOuts ?? []) {
    const own = outlineArea(cutOut, cutOutName(cutOut), 'measured');
    if (own && isRefusal(own)) return own;
    const drawn = cornersOf(cutOut);
    const region = outline && drawn.length >= 3 ? shared(left, regionOf(drawn)) : [];
    const drawnArea = drawn.length >= 3 ? regionArea(regionOf(drawn)) : 0;
    const inside = regionArea(region);
    // a typed cut-out of a zone without a shape is taken as lying inside it
    const unseen = !outline || !(cutOut.cornersFt || cutOut.atFt);
    const sqFt = unseen || Math.abs(inside - drawnArea) <= WHOLE * drawnArea ? (own?.value ?? 0) : inside;
    left = without(left, region);
    cutOuts.push({ id: cutOut.id, name: cutOutName(cutOut), sqFt, corners: drawn, region });
  }
  const keptClear = { sqFt: regionArea(strip), region: strip };
  const base = { zoneId: zone.id, corners, keptClear, cutOuts, fed: left };
  if (!outline) return { ...base, areaSqFt: zone.areaSqFt, error: likelyError(zone, corners, undefined) };
  const toFeed = figureOf(
    areaToFeed,
    {
      outlineSqFt: traced(outline.value, `inside the outline, ${says}`, outline),
      keptClearSqFt: traced(keptClear.sqFt, 'strip kept clear of water, drawn on the sheet'),
      cutOutSqFt: traced(
        cutOuts.reduce((sum, c) => sum + c.sqFt, 0),
        cutOuts.length === 0 ? 'nothing is cut out' : cutOuts.map((c) => c.name).join(', '),
      ),
    },
    { title: `${zone.name}, to feed`, unit: 'ft2', usedIn: 'Every rate per 1000 sq ft is weighed out over it.' },
  );
  if (isRefusal(toFeed)) return toFeed;
  const measured = { ...zone, areaSqFt: toFeed.value };
  return { ...base, outline, toFeed, areaSqFt: toFeed.value, error: likelyError(measured, corners, toFeed) };
}

/** Whether a zone's stored area is the one its shape gives; a typed area has nothing to compare. */
export const isShaped = (zone: Zone): boolean => shapeKind(zone) !== undefined;
