import { useState } from 'react';
import { Circle, Group, Line, Rect, RegularPolygon, Text } from 'react-konva';
import { cornerLetter, findCrossing } from '@core/ground/crossing';
import type { Pair } from '@core/reckoning/inputs';
import type { DraftAction } from '../draft/draft-state';
import { INK, SERIF } from './ink';
import { Lettering } from './lettering';
import { middleOf, type SheetView, toFt, toPx } from '../draft/sheet-view';
import { linePoints } from './zone-drawing';
import { trimmed } from '@core/words/numbers';
import { useUnits } from '../../../ui/format';

/** Sides shorter than this on the screen carry no length, corners so near no letter. */
const LEAST_SIDE_PX = 34;

/** A side's length along it, outside where there is room, upright from below. */
export function SideLength({
  a,
  b,
  view,
  away,
  text,
  bold,
}: {
  a: Pair;
  b: Pair;
  view: SheetView;
  away: Pair;
  text?: string;
  bold?: boolean;
}) {
  const units = useUnits();
  const [p, q] = [toPx(view, a), toPx(view, b)];
  const long = Math.hypot(q[0] - p[0], q[1] - p[1]);
  if (long < LEAST_SIDE_PX) return null;
  const middle: Pair = [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2];
  const normal: Pair = [(q[1] - p[1]) / long, (p[0] - q[0]) / long];
  const from = toPx(view, away);
  const outward = normal[0] * (middle[0] - from[0]) + normal[1] * (middle[1] - from[1]) >= 0 ? 11 : -11;
  const slope = (Math.atan2(q[1] - p[1], q[0] - p[0]) * 180) / Math.PI;
  const turn = slope > 90 ? slope - 180 : slope <= -90 ? slope + 180 : slope;
  const feet = Math.hypot(b[0] - a[0], b[1] - a[1]);
  return (
    <Lettering
      at={[middle[0] + normal[0] * outward, middle[1] + normal[1] * outward]}
      text={text ?? units.say('length', feet)}
      size={bold ? 13 : 11.5}
      bold={bold}
      turn={turn}
    />
  );
}

interface SelectedProps {
  view: SheetView;
  corners: readonly Pair[];
  closed: boolean;
  /** Corners can be dragged: an outline, not a shape from lengths. */
  editable: boolean;
  /** Corner or side in focus of the keyboard. */
  focus?: { corner?: number; side?: number };
  onDraw: (action: DraftAction) => void;
  onTypeSide: (side: number) => void;
  place: (at: Pair, corner?: number) => Pair;
}

/** The outline being worked on: its crossing where it has one, lengths, handles, letters. */
export function Selected({ view, corners: kept, closed, editable, focus, onDraw, onTypeSide, place }: SelectedProps) {
  // while a corner is dragged the sides, their lengths and a crossing follow it; only the drop is a step of undo
  const [dragged, setDragged] = useState<{ corner: number; at: Pair }>();
  const corners = dragged ? kept.map((c, i) => (i === dragged.corner ? dragged.at : c)) : kept;
  const crossing = editable && corners.length > 3 ? findCrossing(corners) : undefined;
  const refused = closed && crossing ? [crossing.sideA, crossing.sideB] : [];
  const sides =
    corners.length < 2
      ? []
      : corners
          .map((a, i) => ({ a, b: corners[(i + 1) % corners.length] as Pair, i }))
          .filter(({ i }) => closed || i < corners.length - 1);
  const middle = corners.length > 0 ? middleOf(corners) : ([0, 0] as Pair);
  const shownSides = editable ? sides : corners.length <= 4 ? sides : [];
  return (
    <Group>
      {corners.length > 1 && (
        <Line
          points={linePoints(view, corners)}
          closed={closed}
          stroke={INK.moss}
          strokeWidth={2.4}
          lineJoin="round"
          listening={false}
        />
      )}
      {editable && !closed && corners.length > 1 && (
        <Line
          points={linePoints(view, [corners.at(-1) as Pair, corners[0] as Pair])}
          stroke={INK.moss}
          strokeWidth={1}
          dash={[1.5, 4]}
          listening={false}
        />
      )}
      {refused.map((i) => (
        <Line
          key={i}
          points={linePoints(view, [corners[i] as Pair, corners[(i + 1) % corners.length] as Pair])}
          stroke={INK.clay}
          strokeWidth={3}
          listening={false}
        />
      ))}
      {crossing && closed && <CrossingSign view={view} corners={corners} sides={refused as [number, number]} />}
      {shownSides.map(({ a, b, i }) => (
        <SideLength key={`l${i}`} a={a} b={b} view={view} away={middle} bold />
      ))}
      {editable &&
        closed &&
        sides.map(({ a, b, i }) => {
          const [x, y] = toPx(view, [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]);
          const turn = (Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI;
          return (
            <Rect
              key={`s${i}`}
              x={x}
              y={y}
              width={2}
              height={focus?.side === i ? 18 : 10}
              offsetX={1}
              offsetY={focus?.side === i ? 9 : 5}
              rotation={turn}
              fill={INK.moss}
              hitStrokeWidth={22}
              draggable
              onDblClick={() => onTypeSide(i)}
              onDblTap={() => onTypeSide(i)}
              onDragEnd={(event) => {
                const at = toFt(view, [event.target.x(), event.target.y()]);
                event.target.position({ x, y });
                onDraw({ do: 'split', side: i, at: place(at) });
              }}
            />
          );
        })}
      {editable &&
        corners.map((corner, i) => {
          const [x, y] = toPx(view, corner);
          const size = focus?.corner === i ? 13 : 9;
          return (
            <Group key={`h${i}`}>
              <Rect
                x={x}
                y={y}
                width={size}
                height={size}
                offsetX={size / 2}
                offsetY={size / 2}
                fill={i === 0 ? INK.moss : INK.sheet}
                stroke={INK.moss}
                strokeWidth={2}
                hitStrokeWidth={20}
                draggable
                onDragMove={(event) =>
                  setDragged({ corner: i, at: place(toFt(view, [event.target.x(), event.target.y()]), i) })
                }
                onDragEnd={(event) => {
                  setDragged(undefined);
                  const at = place(toFt(view, [event.target.x(), event.target.y()]), i);
                  const [px, py] = toPx(view, at);
                  event.target.position({ x: px, y: py });
                  onDraw({ do: 'move', corner: i, to: at });
                }}
                onClick={(event) => {
                  event.cancelBubble = true;
                  if (i === 0 && !closed) onDraw({ do: 'close' });
                }}
                onTap={(event) => {
                  event.cancelBubble = true;
                  if (i === 0 && !closed) onDraw({ do: 'close' });
                }}
              />
              {corners.length <= 26 && (
                <CornerLetter at={[x, y]} middle={toPx(view, middle)} letter={cornerLetter(i)} />
              )}
            </Group>
          );
        })}
    </Group>
  );
}

function CornerLetter({ at, middle, letter }: { at: Pair; middle: Pair; letter: string }) {
  const long = Math.hypot(at[0] - middle[0], at[1] - middle[1]) || 1;
  return (
    <Text
      x={at[0] + ((at[0] - middle[0]) / long) * 15 - 8}
      y={at[1] + ((at[1] - middle[1]) / long) * 15 - 8}
      width={16}
      align="center"
      text={letter}
      fontFamily={SERIF}
      fontStyle="italic"
      fontSize={14}
      fill={INK.loam}
      listening={false}
    />
  );
}

/** The octagon where two sides cross. */
function CrossingSign({
  view,
  corners,
  sides: [i, j],
}: {
  view: SheetView;
  corners: readonly Pair[];
  sides: [number, number];
}) {
  const at = (k: number) => toPx(view, corners[k % corners.length] as Pair);
  const [[x1, y1], [x2, y2], [x3, y3], [x4, y4]] = [at(i), at(i + 1), at(j), at(j + 1)];
  const cross = (x1 - x2) * (y3 - y4) - (y1 - y2) * (x3 - x4);
  if (Math.abs(cross) < 1e-9) return null;
  const t = ((x1 - x3) * (y3 - y4) - (y1 - y3) * (x3 - x4)) / cross;
  const [x, y] = [x1 + t * (x2 - x1), y1 + t * (y2 - y1)];
  return (
    <Group listening={false} x={x} y={y}>
      <RegularPolygon sides={8} radius={9} rotation={22.5} fill={INK.clay} />
      <Line points={[-3.5, -3.5, 3.5, 3.5]} stroke={INK.sheet} strokeWidth={1.8} />
      <Line points={[3.5, -3.5, -3.5, 3.5]} stroke={INK.sheet} strokeWidth={1.8} />
    </Group>
  );
}

/** The keyboard's cross with its place. */
export function Cross({ view, at }: { view: SheetView; at: Pair }) {
  const [x, y] = toPx(view, at);
  return (
    <Group listening={false}>
      <Line points={[x - 10, y, x + 10, y]} stroke={INK.loam} strokeWidth={1.4} />
      <Line points={[x, y - 10, x, y + 10]} stroke={INK.loam} strokeWidth={1.4} />
      <Circle x={x} y={y} radius={3} stroke={INK.loam} strokeWidth={1} />
      <Lettering
        at={[x + 46, y + 12]}
        text={`${trimmed(at[0], 1)} east, ${trimmed(at[1], 1)} south`}
        size={11.5}
        fill={INK.loam2}
      />
    </Group>
  );
}
