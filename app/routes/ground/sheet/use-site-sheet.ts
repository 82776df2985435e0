import type Konva from 'konva';
import { type KeyboardEvent, type ReactNode, useRef, useState } from 'react';
import type { Site, Zone } from '@core/records/case';
import type { ClaimedTwice } from '@core/ground/claimed-twice';
import type { Measured } from '@core/ground/shape';
import type { ZoneGround } from '@core/ground/zone-ground';
import type { Pair } from '@core/reckoning/inputs';
import { roundedTo } from '@core/words/numbers';
import type { DraftAction, DraftState } from '../draft/draft-state';
import type { PlacedZone } from '../draft/drafted-ground';
import { pointWith, type Target, type Tool } from '../draft/pointing';
import { pxPerFt, type SheetView, toFt, zoomed } from '../draft/sheet-view';
import { snap, type Snapped, type SnapSwitches } from '../draft/snap';

/** How near a snap draws, px on the screen. */
const SNAP_PX = 8;
/** A press that moves less than this is a click. */
const CLICK_PX = 4;

export interface SiteSheetProps {
  width: number;
  view: SheetView;
  onView: (view: SheetView) => void;
  /** Steps of the zoom, ft to the inch of sheet. */
  scales: readonly number[];
  site: Site | undefined;
  others: readonly PlacedZone[];
  /** The zone in focus: its ground as far as it is one shape, and its drawn corners. */
  focus: {
    zone: Pick<Zone, 'name' | 'measuredBy' | 'ring' | 'offsets'>;
    grass?: Zone['grass'];
    ground?: ZoneGround;
    corners: readonly Pair[];
  };
  claims: readonly ClaimedTwice[];
  draft: DraftState;
  onDraw: (action: DraftAction) => void;
  tool: Tool;
  target: Target;
  pending: readonly Pair[];
  onPending: (pending: readonly Pair[]) => void;
  /** A shape that two points or a closed outline made. */
  onShape: (shape: Measured) => void;
  /** A place for a shape from typed lengths. */
  onPlace: (at: Pair) => void;
  onChoose: (zoneId: string) => void;
  onTypeSide: (side: number) => void;
  switches: SnapSwitches;
  inside: { corner?: number; side?: number } | undefined;
  onInside: (inside: { corner?: number; side?: number } | undefined) => void;
  spoken: string;
  children?: ReactNode;
}

export type SiteSheetState = ReturnType<typeof useSiteSheet>;

/** What the pointer and the keys do on the sheet, by the tool in hand. */
export function useSiteSheet(props: SiteSheetProps) {
  const { width, view, onView, site, others, focus, draft, onDraw, tool, target, pending, switches } = props;
  const { onPending, onShape, onPlace, onTypeSide, inside, onInside } = props;
  const { stepFt = 1 } = switches;
  const [pointer, setPointer] = useState<Snapped>();
  const press = useRef<{ at: Pair; from: Pair; moving: 'sheet' | 'zone' | undefined }>(undefined);
  const { now } = draft;
  const isOutline = now.measure === 'outline';
  const drawing = tool !== 'select';
  const placing = target === 'zone' && (tool === 'triangle' || tool === 'offsets');
  const zoneOutline = target === 'zone' && tool === 'outline';
  const set = zoneOutline ? now.corners : pending;
  const outlines = [
    ...others.map((o) => o.ground.corners),
    ...(isOutline && !now.closed ? [] : [focus.corners]),
    ...(site?.context ?? []).map((c) => c.cornersFt as Pair[]),
    ...(site?.water ?? []).map((w) => w.cornersFt as Pair[]),
    ...(set.length > 0 ? [set.slice(0, 1)] : []),
  ].filter((o) => o.length > 0);

  const snapped = (at: Pair, free: boolean, corner?: number): Snapped => {
    if (free) return { at };
    const count = focus.corners.length;
    const start = corner === undefined ? set.at(-1) : focus.corners[(corner + count - 1) % count];
    const before = corner === undefined ? set.at(-2) : focus.corners[(corner + count - 2) % count];
    const reach = SNAP_PX / pxPerFt(view);
    const around = corner === undefined ? outlines : others.map((o) => o.ground.corners);
    return snap(at, reach, switches, around, tool === 'outline' || corner !== undefined ? start : undefined, before);
  };
  const take = (at: Pair) => {
    if (zoneOutline) onDraw({ do: 'add', at });
    else if (placing) onPlace(at);
    else {
      const next = pointWith(tool, pending, at);
      onPending(next.pending);
      if (next.shape) onShape(next.shape);
      onDraw({ do: 'cross', to: at });
    }
  };
  const pointerOf = (event: Konva.KonvaEventObject<unknown>) => event.target.getStage()?.getPointerPosition();
  const pointerFt = (event: Konva.KonvaEventObject<unknown>): Pair | undefined => {
    const at = pointerOf(event);
    return at ? toFt(view, [at.x, at.y]) : undefined;
  };

  const walk = (by: number) => {
    const stops = focus.corners.flatMap((_, i): { corner?: number; side?: number }[] => [{ corner: i }, { side: i }]);
    if (stops.length === 0) return;
    const at = stops.findIndex((s) => s.corner === inside?.corner && s.side === inside?.side);
    onInside(stops[(at + by + stops.length) % stops.length]);
  };
  const steerInside = (event: KeyboardEvent, move: Pair | undefined): boolean => {
    if (!inside) return false;
    if (event.key === 'Tab') walk(event.shiftKey ? -1 : 1);
    else if (event.key === 'Escape') onInside(undefined);
    else if (event.key === 'Enter' && inside.side !== undefined) onTypeSide(inside.side);
    else if (event.key === 'Delete' && inside.corner !== undefined) {
      onDraw({ do: 'remove', corner: inside.corner });
      onInside({ corner: 0 });
    } else if (event.key === '+' && inside.side !== undefined) {
      const [a, b] = [focus.corners[inside.side], focus.corners[(inside.side + 1) % focus.corners.length]] as [
        Pair,
        Pair,
      ];
      onDraw({ do: 'split', side: inside.side, at: [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2] });
      onInside({ corner: inside.side + 1 });
    } else if (move && inside.corner !== undefined) {
      const [x, y] = focus.corners[inside.corner] as Pair;
      onDraw({ do: 'move', corner: inside.corner, to: [x + move[0], y + move[1]] });
    } else return false;
    return true;
  };
  const steer = (event: KeyboardEvent) => {
    const by = (event.altKey ? 0.1 : event.shiftKey ? 10 : 1) * stepFt;
    const arrows: Record<string, Pair> = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, -by],
      ArrowDown: [0, by],
    };
    const move = arrows[event.key];
    const control = event.ctrlKey || event.metaKey;
    const [x, y] = draft.cross;
    if (control && event.key.toLowerCase() === 'z') onDraw({ do: event.shiftKey ? 'redo' : 'undo' });
    else if (control && event.key.toLowerCase() === 'y') onDraw({ do: 'redo' });
    else if (control && move)
      onView({ ...view, from: [view.from[0] + move[0] * view.ftPerInch, view.from[1] + move[1] * view.ftPerInch] });
    else if (control) return;
    else if (steerInside(event, move)) {
      // done
    } else if (!drawing && event.key === 'Enter' && isOutline && now.closed) onInside({ corner: 0 });
    else if (!drawing && move && focus.corners.length > 0) onDraw({ do: 'shift', by: move });
    else if (drawing && move) onDraw({ do: 'cross', to: [roundedTo(x + move[0], 4), roundedTo(y + move[1], 4)] });
    else if (drawing && event.key === 'Enter') take(draft.cross);
    else if (drawing && event.key === 'Backspace') {
      if (zoneOutline) onDraw({ do: 'lift' });
      else onPending(pending.slice(0, -1));
    } else if (drawing && tool === 'outline' && event.key.toLowerCase() === 'c') {
      if (zoneOutline) onDraw({ do: 'close' });
      else if (pending.length >= 3) take(pending[0] as Pair);
    } else return;
    event.preventDefault();
    // the page is the root of React, so the keys of the page would hear of it otherwise
    event.nativeEvent.stopImmediatePropagation();
  };

  return {
    pointer,
    drawing,
    placing,
    isOutline,
    zoneOutline,
    /** Corners that are set so far, of whatever is drawn. */
    set,
    snapped,
    steer,
    gestures: {
      onWheel: (event: Konva.KonvaEventObject<WheelEvent>) => {
        if (!event.evt.ctrlKey && !event.evt.metaKey) return;
        event.evt.preventDefault();
        const at = pointerOf(event);
        onView(zoomed(view, event.evt.deltaY > 0 ? 1 : -1, width, at ? [at.x, at.y] : undefined, props.scales));
      },
      onPointerDown: (event: Konva.KonvaEventObject<PointerEvent>) => {
        const at = pointerOf(event);
        if (!at || drawing || event.evt.button !== 0) return;
        const name = event.target.name();
        if (event.target.draggable()) return;
        press.current = { at: [at.x, at.y], from: view.from, moving: name === 'focus' ? 'zone' : 'sheet' };
      },
      onPointerMove: (event: Konva.KonvaEventObject<PointerEvent>) => {
        const at = pointerOf(event);
        const start = press.current;
        if (start && at && start.moving === 'sheet' && Math.hypot(at.x - start.at[0], at.y - start.at[1]) > CLICK_PX)
          onView({
            ...view,
            from: [
              start.from[0] - (at.x - start.at[0]) / pxPerFt(view),
              start.from[1] - (at.y - start.at[1]) / pxPerFt(view),
            ],
          });
        const ft = pointerFt(event);
        setPointer(drawing && ft ? snapped(ft, event.evt.altKey) : undefined);
      },
      onPointerUp: (event: Konva.KonvaEventObject<PointerEvent>) => {
        const at = pointerOf(event);
        const start = press.current;
        press.current = undefined;
        if (!start || !at || start.moving !== 'zone') return;
        const by: Pair = [(at.x - start.at[0]) / pxPerFt(view), (at.y - start.at[1]) / pxPerFt(view)];
        if (Math.hypot(at.x - start.at[0], at.y - start.at[1]) > CLICK_PX)
          onDraw({
            do: 'shift',
            by: switches.wholeFeet ? [Math.round(by[0] / stepFt) * stepFt, Math.round(by[1] / stepFt) * stepFt] : by,
          });
      },
      onMouseLeave: () => setPointer(undefined),
      onClick: (event: Konva.KonvaEventObject<MouseEvent>) => {
        const ft = pointerFt(event);
        if (drawing && ft && event.evt.button === 0) take(snapped(ft, event.evt.altKey).at);
      },
      onTap: (event: Konva.KonvaEventObject<Event>) => {
        const ft = pointerFt(event);
        if (drawing && ft) take(snapped(ft, false).at);
      },
    },
  };
}
