import type { Site, Zone } from '@core/records/case';
import { type ClaimedTwice, claimedTwice } from '@core/ground/claimed-twice';
import { cornerLetter } from '@core/ground/crossing';
import { cornersOf, type Measured } from '@core/ground/shape';
import { groundOf, type ZoneGround } from '@core/ground/zone-ground';
import type { Pair } from '@core/reckoning/inputs';
import { isRefusal } from '@core/reckoning/refusal';
import { roundedTo } from '@core/words/numbers';
import type { Units } from '../../../ui/format';
import { type Tool, TOOLS } from './pointing';
import { SHEET_HEIGHT, type SheetView, toPx } from './sheet-view';
import { type Measure, measuredFrom, type TypedGround } from './typed-ground';
import type { TypedFacts } from './zone-from-typed';

/** What an outline would give: shown for the typed length beside the drawn one, before anything changes. */
export interface SidePreview {
  areaSqFt?: number;
  weighOutLb?: number;
  claimedSqFt: number;
  refused?: string;
}

export interface PlacedZone {
  zone: Zone;
  ground: ZoneGround;
}

/** Room between a new shape and what is already on the sheet, ft. */
const BESIDE_FT = 20;

/** A place on the sheet where nothing lies yet. */
export function freeSpot(placed: readonly PlacedZone[], site: Site | undefined): Pair {
  const all = [
    ...placed.flatMap((p) => p.ground.corners),
    ...(site?.water ?? []).flatMap((w) => w.cornersFt as Pair[]),
  ];
  if (all.length === 0) return [BESIDE_FT, BESIDE_FT];
  return [Math.ceil((Math.max(...all.map((c) => c[0])) + BESIDE_FT) / 10) * 10, BESIDE_FT];
}

export const measureOfTool = (tool: Tool): Measure | undefined => (tool === 'select' ? undefined : tool);

/** A drawn shape as typed lengths. */
export function typedFrom(shape: Measured, units: Units): Partial<TypedGround> {
  const drawn = (feet: number) => units.field('length', roundedTo(feet, 2));
  const at = shape.atFt as Pair | undefined;
  if (shape.rectangle)
    return {
      measure: 'rectangle',
      length: drawn(shape.rectangle.lengthFt),
      width: drawn(shape.rectangle.widthFt),
      at,
      turn: '',
    };
  if (shape.ellipse) {
    const { lengthFt, widthFt } = shape.ellipse;
    return {
      measure: lengthFt === widthFt ? 'circle' : 'ellipse',
      length: drawn(lengthFt),
      width: drawn(widthFt),
      at,
      turn: '',
    };
  }
  return { measure: 'outline', corners: (shape.cornersFt ?? []) as Pair[], closed: true, ring: undefined };
}

/** The zone in focus as it would be kept now: its ground as far as it is one shape, what is wrong, what it shares. */
export interface Drafted {
  candidate: Zone;
  measured: Measured & { areaSqFt?: number };
  corners: readonly Pair[];
  ground: ZoneGround | undefined;
  /** Whether the sheet can draw it; a typed area cannot be drawn. */
  hasShape: boolean;
  fault: string | undefined;
  claims: ClaimedTwice[];
  /** The zone for cutting it against others. */
  focus: Zone | undefined;
}

export function draftedGround(
  zone: Zone | undefined,
  facts: TypedFacts,
  now: TypedGround,
  others: readonly PlacedZone[],
  site: Site | undefined,
  units: Units,
): Drafted {
  const { typed: _typed, ...measured } = measuredFrom(now, {}, units);
  const candidate = {
    id: zone?.id ?? 'new',
    name: facts.name || 'this zone',
    grass: facts.grass ?? 'tall-fescue',
    texture: facts.texture ?? 'loam',
    measuredBy: facts.measuredBy,
    areaSqFt: measured.areaSqFt ?? 1,
    ...measured,
    cutOuts: [...now.cutOuts],
  } as Zone;
  const drawn = cornersOf(candidate);
  const hasShape = drawn.length > 0;
  const isClosed = now.measure !== 'outline' || now.closed;
  const reckoned = isClosed && (hasShape || measured.areaSqFt !== undefined) ? groundOf(candidate, site) : undefined;
  const ground = reckoned && !isRefusal(reckoned) ? reckoned : undefined;
  const focus = ground && hasShape ? candidate : undefined;
  return {
    candidate,
    measured,
    corners: now.measure === 'outline' ? now.corners : drawn,
    ground,
    hasShape,
    fault: reckoned && isRefusal(reckoned) ? reckoned.refused : undefined,
    claims: claimedTwice([...(focus ? [focus] : []), ...others.map((o) => o.zone)]),
    focus,
  };
}

/** What other corners would give, before anything changes. */
export function previewOf(
  candidate: Zone,
  corners: readonly Pair[],
  others: readonly PlacedZone[],
  site: Site | undefined,
  rateLb: number | undefined,
): SidePreview {
  const trial: Zone = { ...candidate, cornersFt: corners as [number, number][], ring: undefined };
  const answer = groundOf(trial, site);
  if (isRefusal(answer)) return { claimedSqFt: 0, refused: answer.refused };
  const claimed = claimedTwice([trial, ...others.map((o) => o.zone)]).filter(
    (c) => c.a.id === trial.id || c.b.id === trial.id,
  );
  return {
    areaSqFt: answer.areaSqFt,
    weighOutLb: rateLb === undefined ? undefined : (rateLb * answer.areaSqFt) / 1000,
    claimedSqFt: claimed.reduce((sum, c) => sum + c.sqFt, 0),
  };
}

/** Everything the whole sheet has to show. */
export const pointsOf = (others: readonly PlacedZone[], corners: readonly Pair[], site: Site | undefined): Pair[] => [
  ...others.flatMap((o) => o.ground.corners),
  ...corners,
  ...(site?.water ?? []).flatMap((w) => w.cornersFt as Pair[]),
  ...(site?.context ?? []).flatMap((c) => c.cornersFt as Pair[]),
];

/** The slip stands beside the middle of its side, inside the sheet. */
export function slipAt(view: SheetView, corners: readonly Pair[], side: number, width: number): Pair {
  const [a, b] = [corners[side], corners[(side + 1) % corners.length]] as [Pair, Pair];
  const [x, y] = toPx(view, [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]);
  return [Math.max(8, Math.min(width - 232, x + 16)), Math.max(8, Math.min(SHEET_HEIGHT - 226, y - 40))];
}

/** What a screen reader says after each move. */
export function spokenOf(
  tool: Tool,
  cross: Pair,
  now: TypedGround,
  inside: { corner?: number; side?: number } | undefined,
  corners: readonly Pair[],
  ground: ZoneGround | undefined,
  units: Units,
): string {
  const area = ground ? `, area ${units.show('area', ground.areaSqFt)} square ${units.lengthInWords()}` : '';
  const feet = (value: number) => units.plain(units.inShown('length', value), 2);
  const at = inside?.corner !== undefined ? corners[inside.corner] : undefined;
  if (at) return `corner ${cornerLetter(inside?.corner ?? 0)}, ${feet(at[0])} east, ${feet(at[1])} south${area}`;
  if (inside?.side !== undefined) return `side ${inside.side + 1} of ${corners.length}${area}`;
  if (TOOLS.indexOf(tool) > 0)
    return `${now.corners.length} corners${now.closed ? ', closed' : ''}. Cross at ${feet(cross[0])} ${units.unit('length')} east, ${feet(cross[1])} ${units.unit('length')} south${area}.`;
  return `${now.measure === 'outline' ? `${now.corners.length} corners${now.closed ? ', closed' : ''}` : now.measure}${area}`;
}
