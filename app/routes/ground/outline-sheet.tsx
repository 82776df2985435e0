import type Konva from 'konva';
import { type KeyboardEvent, useRef, useState } from 'react';
import { Circle, Group, Label, Layer, Line, Rect, Stage, Tag, Text } from 'react-konva';
import { cornerLetter, findCrossing } from '@core/ground/crossing';
import type { Pair } from '@core/reckoning/inputs';
import { showArea } from '../../ui/format';
import { useWidth } from '../../ui/use-width';
import type { OutlineAction, OutlineState } from './outline-state';

/** A square of the grid stays a quarter inch on the screen; the ground it stands for changes. */
const SQUARE_PX = 24;
const HEIGHT = 500;
const LEFT = 36;
const TOP = 34;
const INK = {
  loam: '#2A2017',
  loam2: '#54483B',
  moss: '#3D5F22',
  wash: '#E1E9CF',
  rule: '#C4C5B1',
  firm: '#A9A894',
  sheet: '#FBF9F1',
  clay: '#9E3620',
};
const SANS = "'Source Sans 3 Variable', sans-serif";

interface SheetProps {
  outline: OutlineState;
  /** A rectangle to show instead of the outline. */
  rectangle?: { lengthFt: number; widthFt: number };
  areaSqFt?: number;
  name: string;
  squareFt: number;
  drawing: boolean;
  onDraw: (action: OutlineAction) => void;
}

function Grid({ width, squareFt }: { width: number; squareFt: number }) {
  const columns = Math.ceil((width - LEFT) / SQUARE_PX);
  const rows = Math.ceil((HEIGHT - TOP) / SQUARE_PX);
  return (
    <Group listening={false}>
      {Array.from({ length: columns }, (_, i) => (
        <Line
          key={`c${i}`}
          points={[LEFT + i * SQUARE_PX, TOP - (i % 4 === 0 ? 6 : 0), LEFT + i * SQUARE_PX, HEIGHT]}
          stroke={i % 4 === 0 ? INK.firm : INK.rule}
          strokeWidth={i % 4 === 0 ? 0.9 : 0.5}
        />
      ))}
      {Array.from({ length: rows }, (_, i) => (
        <Line
          key={`r${i}`}
          points={[LEFT - (i % 4 === 0 ? 6 : 0), TOP + i * SQUARE_PX, width, TOP + i * SQUARE_PX]}
          stroke={i % 4 === 0 ? INK.firm : INK.rule}
          strokeWidth={i % 4 === 0 ? 0.9 : 0.5}
        />
      ))}
      {Array.from({ length: Math.floor(columns / 4) }, (_, i) => (
        <Text
          key={`t${i}`}
          x={LEFT + i * 4 * SQUARE_PX - 20}
          y={10}
          width={40}
          align="center"
          text={i === 0 ? '0 ft' : String(i * 4 * squareFt)}
          fontFamily={SANS}
          fontSize={11.5}
          fill={INK.loam2}
        />
      ))}
      {Array.from({ length: Math.floor(rows / 4) }, (_, i) => (
        <Text
          key={`u${i}`}
          x={0}
          y={TOP + (i + 1) * 4 * SQUARE_PX - 6}
          width={LEFT - 8}
          align="right"
          text={String((i + 1) * 4 * squareFt)}
          fontFamily={SANS}
          fontSize={11.5}
          fill={INK.loam2}
        />
      ))}
    </Group>
  );
}

const middleOf = (corners: readonly Pair[]): Pair => {
  const n = corners.length || 1;
  return [corners.reduce((s, c) => s + c[0], 0) / n, corners.reduce((s, c) => s + c[1], 0) / n];
};

/** The drawing sheet: click for corners, drag to move one, or steer the cross with the arrow keys. */
export default function OutlineSheet({ outline, rectangle, areaSqFt, name, squareFt, drawing, onDraw }: SheetProps) {
  const [ref, width] = useWidth<HTMLDivElement>(780);
  const [pointer, setPointer] = useState<Pair>();
  const stage = useRef<Konva.Stage>(null);
  const perFt = SQUARE_PX / squareFt;
  const toPx = ([x, y]: Pair): [number, number] => [LEFT + x * perFt, TOP + y * perFt];
  const toFt = (x: number, y: number): Pair => [
    Math.max(0, Math.round((x - LEFT) / perFt)),
    Math.max(0, Math.round((y - TOP) / perFt)),
  ];
  const corners: readonly Pair[] = rectangle
    ? [
        [4 * squareFt, 2 * squareFt],
        [4 * squareFt + rectangle.lengthFt, 2 * squareFt],
        [4 * squareFt + rectangle.lengthFt, 2 * squareFt + rectangle.widthFt],
        [4 * squareFt, 2 * squareFt + rectangle.widthFt],
      ]
    : outline.corners;
  const closed = rectangle !== undefined || outline.closed;
  const crossing = !rectangle && corners.length > 3 ? findCrossing(corners) : undefined;
  const crossed = closed && crossing ? [crossing.sideA, crossing.sideB] : [];
  const middle = toPx(middleOf(corners));

  const pointed = (): Pair | undefined => {
    const at = stage.current?.getPointerPosition();
    return at ? toFt(at.x, at.y) : undefined;
  };
  const steer = (event: KeyboardEvent) => {
    if (!drawing) return;
    const by = event.shiftKey ? 10 : 1;
    const move = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] }[event.key];
    const [x, y] = outline.cross;
    if (move) onDraw({ do: 'cross', to: [Math.max(0, x + (move[0] as number)), Math.max(0, y + (move[1] as number))] });
    else if (event.key === 'Enter') onDraw({ do: 'add', at: outline.cross });
    else if (event.key === 'Backspace') onDraw({ do: 'lift' });
    else if (event.key.toLowerCase() === 'c' && !event.ctrlKey && !event.metaKey) onDraw({ do: 'close' });
    else if (event.key.toLowerCase() === 'z' && (event.ctrlKey || event.metaKey))
      onDraw({ do: event.shiftKey ? 'redo' : 'undo' });
    else if (event.key.toLowerCase() === 'y' && (event.ctrlKey || event.metaKey)) onDraw({ do: 'redo' });
    else return;
    event.preventDefault();
    event.stopPropagation();
  };

  const sides =
    corners.length < 2
      ? []
      : corners
          .map((a, i) => ({ a, b: corners[(i + 1) % corners.length] as Pair, i }))
          .filter(({ i }) => closed || i < corners.length - 1);
  const spoken = rectangle
    ? `Rectangle ${rectangle.lengthFt} by ${rectangle.widthFt} feet`
    : `${corners.length} corners${outline.closed ? ', closed' : ''}. Cross at ${outline.cross[0]} ft east, ${outline.cross[1]} ft south.`;
  return (
    <div
      ref={ref}
      className="sheet"
      tabIndex={0}
      role="application"
      aria-label={`Drawing sheet. ${drawing ? 'Arrow keys move the cross by 1 ft, with Shift 10 ft. Enter sets a corner, Backspace lifts it, C closes.' : ''}`}
      onKeyDown={steer}
    >
      <Stage
        ref={stage}
        width={width}
        height={HEIGHT}
        onMouseMove={() => setPointer(drawing ? pointed() : undefined)}
        onMouseLeave={() => setPointer(undefined)}
        onClick={(event) => {
          const at = pointed();
          if (drawing && at && event.target === event.target.getStage()) onDraw({ do: 'add', at });
        }}
        onTap={(event) => {
          const at = pointed();
          if (drawing && at && event.target === event.target.getStage()) onDraw({ do: 'add', at });
        }}
      >
        <Layer>
          <Grid width={width} squareFt={squareFt} />
          {corners.length > 1 && (
            <Line
              points={corners.flatMap(toPx)}
              closed={closed}
              fill={closed && !crossing ? INK.wash : undefined}
              stroke={INK.moss}
              strokeWidth={2.4}
              lineJoin="round"
              listening={false}
            />
          )}
          {crossed.map((i) => (
            <Line
              key={i}
              points={[...toPx(corners[i] as Pair), ...toPx(corners[(i + 1) % corners.length] as Pair)]}
              stroke={INK.clay}
              strokeWidth={3}
              listening={false}
            />
          ))}
          {drawing && !closed && corners.length > 0 && pointer && (
            <Line
              points={[...toPx(corners.at(-1) as Pair), ...toPx(pointer)]}
              stroke={INK.moss}
              strokeWidth={1.4}
              dash={[6, 4]}
              listening={false}
            />
          )}
          {sides.map(({ a, b, i }) => {
            const [ax, ay] = toPx(a);
            const [bx, by] = toPx(b);
            const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
            const outward = Math.hypot(bx - ax, by - ay) || 1;
            // steep sides need room for the width of the words, level ones for their height
            const gap = 12 + (20 * Math.abs(by - ay)) / outward;
            const away = (side: number): [number, number] => [
              (ax + bx) / 2 + (side * gap * (by - ay)) / outward,
              (ay + by) / 2 - (side * gap * (bx - ax)) / outward,
            ];
            const [p, q] = [away(1), away(-1)];
            const far =
              Math.hypot(p[0] - middle[0], p[1] - middle[1]) >= Math.hypot(q[0] - middle[0], q[1] - middle[1]) ? p : q;
            return (
              <Text
                key={`l${i}`}
                x={far[0] - 40}
                y={far[1] - 7}
                width={80}
                align="center"
                text={`${length.toFixed(1)} ft`}
                fontFamily={SANS}
                fontSize={13}
                fontStyle="600"
                fill={INK.loam}
                listening={false}
              />
            );
          })}
          {closed && areaSqFt !== undefined && (
            <Label x={middle[0]} y={middle[1] + 18} listening={false}>
              <Tag pointerDirection="down" pointerWidth={0} pointerHeight={0} />
              <Text
                text={`${name || 'This zone'}\n${showArea(areaSqFt)} sq ft`}
                align="center"
                lineHeight={1.25}
                fontFamily={SANS}
                fontSize={15}
                fontStyle="600"
                fill={INK.loam}
              />
            </Label>
          )}
          {!rectangle &&
            corners.map((corner, i) => {
              const [x, y] = toPx(corner);
              return (
                <Group key={`h${i}`}>
                  <Rect
                    x={x}
                    y={y}
                    width={9}
                    height={9}
                    offsetX={4.5}
                    offsetY={4.5}
                    fill={i === 0 ? INK.moss : INK.sheet}
                    stroke={INK.moss}
                    strokeWidth={2}
                    hitStrokeWidth={20}
                    draggable={drawing}
                    onDragEnd={(event) => {
                      const to = toFt(event.target.x(), event.target.y());
                      event.target.position({ x: toPx(to)[0], y: toPx(to)[1] });
                      onDraw({ do: 'move', corner: i, to });
                    }}
                    onClick={() => i === 0 && drawing && onDraw({ do: 'close' })}
                    onTap={() => i === 0 && drawing && onDraw({ do: 'close' })}
                  />
                  <Text
                    x={x - 18}
                    y={y - 20}
                    text={cornerLetter(i)}
                    fontFamily="'Vollkorn Variable', serif"
                    fontStyle="italic"
                    fontSize={14}
                    fill={INK.loam}
                    listening={false}
                  />
                </Group>
              );
            })}
          {drawing && !closed && (
            <Group listening={false}>
              <Line
                points={[
                  toPx(outline.cross)[0] - 8,
                  toPx(outline.cross)[1],
                  toPx(outline.cross)[0] + 8,
                  toPx(outline.cross)[1],
                ]}
                stroke={INK.loam}
                strokeWidth={1.4}
              />
              <Line
                points={[
                  toPx(outline.cross)[0],
                  toPx(outline.cross)[1] - 8,
                  toPx(outline.cross)[0],
                  toPx(outline.cross)[1] + 8,
                ]}
                stroke={INK.loam}
                strokeWidth={1.4}
              />
              <Circle
                x={toPx(outline.cross)[0]}
                y={toPx(outline.cross)[1]}
                radius={3}
                stroke={INK.loam}
                strokeWidth={1}
              />
              <Text
                x={toPx(outline.cross)[0] + 10}
                y={toPx(outline.cross)[1] + 6}
                text={`${outline.cross[0]}, ${outline.cross[1]}`}
                fontFamily={SANS}
                fontSize={11.5}
                fill={INK.loam2}
              />
            </Group>
          )}
        </Layer>
      </Stage>
      <p className="vh" role="status">
        {spoken}
      </p>
    </div>
  );
}
