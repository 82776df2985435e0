import type Konva from 'konva';
import { type KeyboardEvent, type ReactNode, useRef, useState } from 'react';
import { Circle, Layer, Line, Rect, RegularPolygon, Stage } from 'react-konva';
import type { Site, Zone } from '@core/records/case';
import type { ClaimedTwice } from '@core/ground/claimed-twice';
import type { Measured } from '@core/ground/shape';
import { cornersOf } from '@core/ground/shape';
import type { ZoneGround } from '@core/ground/zone-ground';
import type { Pair } from '@core/reckoning/inputs';
import type { DraftAction, DraftState } from '../draft/draft-state';
import type { PlacedZone } from '../draft/drafted-ground';
import { pointWith, shapeBetween, type Target, type Tool } from '../draft/pointing';
import { snap, type Snapped, type SnapSwitches } from '../draft/snap';
import { Grid, Ruler, TitleBlock } from './grid';
import { INK } from './ink';
import { Lettering } from './lettering';
import { Cross, Selected, SideLength } from './selected-drawing';
import { pxPerFt, SHEET_HEIGHT, type SheetView, toFt, toPx, zoomed } from '../draft/sheet-view';
import { Claimed, Context, Picture, StripEdges, Water } from './site-drawing';
import { IdleZone, linePoints, ZoneFill, ZoneName } from './zone-drawing';
import { roundedTo } from '@core/words/numbers';

/** How near a snap draws, px on the screen. */
const SNAP_PX = 8;
/** A press that moves less than this is a click. */
const CLICK_PX = 4;

interface SiteSheetProps {
  width: number;
  view: SheetView;
  onView: (view: SheetView) => void;
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

/** The drawing sheet of a whole property: click for corners, drag to move, or steer the cross with the arrow keys. */
export default function SiteSheet(props: SiteSheetProps) {
  const { width, view, onView, site, others, focus, claims, draft, onDraw, tool, target, pending, switches } = props;
  const { onPending, onShape, onPlace, onChoose, onTypeSide, inside, onInside, spoken, children } = props;
  const stage = useRef<Konva.Stage>(null);
  const [pointer, setPointer] = useState<Snapped>();
  const [pointedZone, setPointedZone] = useState<string>();
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
  const pointerFt = (): Pair | undefined => {
    const at = stage.current?.getPointerPosition();
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
    const by = event.altKey ? 0.1 : event.shiftKey ? 10 : 1;
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

  const ghost =
    drawing && !zoneOutline && !placing && tool !== 'outline' && pending[0] && pointer
      ? shapeBetween(tool, pending[0], pointer.at)
      : undefined;
  const last = set.at(-1);
  return (
    <div
      className="sheet"
      tabIndex={0}
      role="application"
      aria-label={
        drawing
          ? 'Drawing sheet. Arrow keys move the cross by 1 ft, with Shift 10 ft, with Alt a tenth. Enter sets a point, Backspace lifts it, C closes.'
          : 'Drawing sheet. Arrow keys move the zone in focus. Enter goes to its corners; there Tab walks, arrows move, Delete removes, plus splits a side, Enter types a length, Escape leaves.'
      }
      onKeyDown={steer}
    >
      <Stage
        ref={stage}
        width={width}
        height={SHEET_HEIGHT}
        style={{ cursor: drawing ? 'crosshair' : 'default' }}
        onWheel={(event) => {
          if (!event.evt.ctrlKey && !event.evt.metaKey) return;
          event.evt.preventDefault();
          const at = stage.current?.getPointerPosition();
          onView(zoomed(view, event.evt.deltaY > 0 ? 1 : -1, width, at ? [at.x, at.y] : undefined));
        }}
        onPointerDown={(event) => {
          const at = stage.current?.getPointerPosition();
          if (!at || drawing || event.evt.button !== 0) return;
          const name = event.target.name();
          if (event.target.draggable()) return;
          press.current = { at: [at.x, at.y], from: view.from, moving: name === 'focus' ? 'zone' : 'sheet' };
        }}
        onPointerMove={(event) => {
          const at = stage.current?.getPointerPosition();
          const start = press.current;
          if (start && at && start.moving === 'sheet' && Math.hypot(at.x - start.at[0], at.y - start.at[1]) > CLICK_PX)
            onView({
              ...view,
              from: [
                start.from[0] - (at.x - start.at[0]) / pxPerFt(view),
                start.from[1] - (at.y - start.at[1]) / pxPerFt(view),
              ],
            });
          const ft = pointerFt();
          setPointer(drawing && ft ? snapped(ft, event.evt.altKey) : undefined);
        }}
        onPointerUp={() => {
          const at = stage.current?.getPointerPosition();
          const start = press.current;
          press.current = undefined;
          if (!start || !at || start.moving !== 'zone') return;
          const by: Pair = [(at.x - start.at[0]) / pxPerFt(view), (at.y - start.at[1]) / pxPerFt(view)];
          if (Math.hypot(at.x - start.at[0], at.y - start.at[1]) > CLICK_PX)
            onDraw({ do: 'shift', by: switches.wholeFeet ? [Math.round(by[0]), Math.round(by[1])] : by });
        }}
        onMouseLeave={() => setPointer(undefined)}
        onClick={(event) => {
          const ft = pointerFt();
          if (drawing && ft && event.evt.button === 0) take(snapped(ft, event.evt.altKey).at);
        }}
        onTap={() => {
          const ft = pointerFt();
          if (drawing && ft) take(snapped(ft, false).at);
        }}
      >
        <Layer>
          <Rect x={0} y={0} width={width} height={SHEET_HEIGHT} fill={INK.sheet} />
          <Picture view={view} picture={site?.picture} />
          <Grid view={view} width={width} />
          <Water view={view} site={site} />
          {others.map(({ zone, ground }) => (
            <IdleZone
              key={zone.id}
              view={view}
              zone={zone}
              ground={ground}
              pointed={pointedZone === zone.id}
              onPoint={(yes) => setPointedZone(yes ? zone.id : undefined)}
              onChoose={drawing ? undefined : () => onChoose(zone.id)}
            />
          ))}
          {focus.ground && <ZoneFill view={view} grass={focus.grass} ground={focus.ground} selected />}
          {!drawing && focus.corners.length > 2 && (
            <Line name="focus" points={linePoints(view, focus.corners)} closed fill="rgba(0,0,0,0)" />
          )}
          <StripEdges view={view} site={site} />
          <Context view={view} site={site} />
          {others.map(({ zone, ground }) => (
            <ZoneName key={zone.id} view={view} zone={zone} ground={ground} />
          ))}
          <Claimed view={view} claims={claims} />
          <Selected
            view={view}
            corners={focus.corners}
            closed={!isOutline || now.closed}
            editable={isOutline}
            focus={inside}
            onDraw={onDraw}
            onTypeSide={onTypeSide}
            place={(at, corner) => (corner === undefined ? at : snapped(at, false, corner).at)}
          />
          {focus.ground && focus.ground.corners.length > 2 && (
            <ZoneName view={view} zone={focus.zone} ground={focus.ground} />
          )}
          {!zoneOutline && pending.length > 0 && (
            <Line
              points={linePoints(view, pending)}
              stroke={target === 'water' ? INK.slate : INK.moss}
              strokeWidth={2}
              lineJoin="round"
              listening={false}
            />
          )}
          {!zoneOutline &&
            pending.map((p, i) => {
              const [x, y] = toPx(view, p);
              return (
                <Rect
                  key={i}
                  x={x - 4}
                  y={y - 4}
                  width={8}
                  height={8}
                  fill={i === 0 ? INK.moss : INK.sheet}
                  stroke={INK.moss}
                  strokeWidth={2}
                  listening={false}
                />
              );
            })}
          {ghost && (
            <>
              <Line
                points={linePoints(view, cornersOf(ghost))}
                closed
                stroke={INK.moss}
                strokeWidth={1.4}
                dash={[6, 4]}
                listening={false}
              />
              {ghost.rectangle &&
                cornersOf(ghost).map((a, i, all) => (
                  <SideLength key={i} a={a} b={all[(i + 1) % 4] as Pair} view={view} away={all[(i + 2) % 4] as Pair} />
                ))}
            </>
          )}
          {drawing && tool === 'outline' && last && pointer && !(zoneOutline && now.closed) && (
            <>
              <Line
                points={linePoints(view, [last, pointer.at])}
                stroke={INK.moss}
                strokeWidth={1.4}
                dash={[6, 4]}
                listening={false}
              />
              <SideLength
                a={last}
                b={pointer.at}
                view={view}
                away={set[0] ?? last}
                bold={pointer.to === 'whole feet'}
              />
            </>
          )}
          {pointer?.to && pointer.to !== 'whole feet' && <SnapSign view={view} snapped={pointer} />}
          {drawing && !(zoneOutline && now.closed) && <Cross view={view} at={draft.cross} />}
          <TitleBlock view={view} width={width} northUp={site?.origin !== undefined} />
          <Ruler view={view} width={width} />
        </Layer>
      </Stage>
      {children}
      <p className="vh" role="status">
        {spoken}
      </p>
    </div>
  );
}

/** What a point is drawn to: a square round a corner, a tick on a side, a small square for a right angle, and the word. */
function SnapSign({ view, snapped }: { view: SheetView; snapped: Snapped }) {
  const [x, y] = toPx(view, snapped.at);
  return (
    <>
      {snapped.to === 'corner' && (
        <Rect x={x - 7} y={y - 7} width={14} height={14} stroke={INK.moss} strokeWidth={2} listening={false} />
      )}
      {snapped.to === 'side' && <Circle x={x} y={y} radius={5} stroke={INK.moss} strokeWidth={2} listening={false} />}
      {snapped.to === 'right angle' && (
        <RegularPolygon
          sides={4}
          radius={7}
          rotation={45}
          x={x}
          y={y}
          stroke={INK.moss}
          strokeWidth={1.6}
          listening={false}
        />
      )}
      <Lettering at={[x + 40, y - 14]} text={snapped.to ?? ''} size={11.5} fill={INK.moss} />
    </>
  );
}
